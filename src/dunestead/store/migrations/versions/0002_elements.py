"""A design of several elements in place of one artwork a job, and a library of blanks."""

import json
from typing import Any

import sqlalchemy as sa
from alembic import op

revision = "0002"
down_revision = "0001"

_MOVED = ("design_width", "offset_x", "offset_y")


def upgrade() -> None:
    op.create_table(
        "blank",
        sa.Column("id", sa.Integer, primary_key=True, autoincrement=True),
        sa.Column("name", sa.String(120), nullable=False),
        sa.Column("surface", sa.String(60), nullable=False),
        sa.Column("state", sa.JSON, nullable=False),
    )
    connection = op.get_bind()
    rows = connection.execute(
        sa.text(
            "SELECT r.job_id, r.seq, r.state, j.artwork_sha, j.artwork_name "
            "FROM revision r JOIN job j ON j.id = r.job_id"
        )
    )
    for job_id, seq, state, sha, name in rows.all():
        changed = _with_elements(json.loads(state), sha, name)
        connection.execute(
            sa.text("UPDATE revision SET state = :state WHERE job_id = :job AND seq = :seq"),
            {"state": json.dumps(changed), "job": job_id, "seq": seq},
        )
    # A column with a foreign key cannot be dropped in place, so the table is made anew, and the one that hangs on it.
    op.create_table(
        "job_new",
        sa.Column("id", sa.Integer, primary_key=True, autoincrement=True),
        sa.Column("created_at", sa.DateTime, nullable=False),
        sa.Column("put_away_at", sa.DateTime, nullable=True),
        sa.Column("head", sa.Integer, nullable=False),
        sa.CheckConstraint("head >= 1", name="head_counts_from_one"),
    )
    op.create_table(
        "revision_new",
        sa.Column("job_id", sa.Integer, sa.ForeignKey("job_new.id", ondelete="CASCADE"), primary_key=True),
        sa.Column("seq", sa.Integer, primary_key=True),
        sa.Column("at", sa.DateTime, nullable=False),
        sa.Column("label", sa.String(200), nullable=False),
        sa.Column("state", sa.JSON, nullable=False),
        sa.CheckConstraint("seq >= 1", name="seq_counts_from_one"),
    )
    connection.execute(sa.text("INSERT INTO job_new SELECT id, created_at, put_away_at, head FROM job"))
    connection.execute(sa.text("INSERT INTO revision_new SELECT job_id, seq, at, label, state FROM revision"))
    op.drop_table("revision")
    op.drop_table("job")
    op.rename_table("job_new", "job")
    op.rename_table("revision_new", "revision")


def _with_elements(state: dict[str, Any], sha: str, name: str) -> dict[str, Any]:
    element = {
        "kind": "drawn",
        "id": 1,
        "source": sha,
        "file_name": name,
        "width": state["design_width"],
        "x": state.get("offset_x", 0.0),
        "y": state.get("offset_y", 0.0),
    }
    kept = {key: value for key, value in state.items() if key not in _MOVED}
    return {**kept, "elements": [element], "last_element": 1}


def downgrade() -> None:
    raise NotImplementedError("A design of several elements does not fit into one artwork.")
