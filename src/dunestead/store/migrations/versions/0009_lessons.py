"""Finished jobs in short, and the paint that went on told for each paint by itself."""

import json
from typing import Any

import sqlalchemy as sa
from alembic import op

revision = "0009"
down_revision = "0008"


def upgrade() -> None:
    op.create_table(
        "finished",
        sa.Column("job_id", sa.Integer, sa.ForeignKey("job.id", ondelete="CASCADE"), primary_key=True),
        sa.Column("state", sa.JSON, nullable=False),
    )
    connection = op.get_bind()
    rows = connection.execute(sa.text("SELECT job_id, seq, state FROM revision WHERE state LIKE '%paint_ml%'")).all()
    for job_id, seq, text in rows:
        state = json.loads(text)
        _by_paint(state)
        connection.execute(
            sa.text("UPDATE revision SET state = :state WHERE job_id = :job AND seq = :seq"),
            {"state": json.dumps(state), "job": job_id, "seq": seq},
        )


def _by_paint(state: dict[str, Any]) -> None:
    """Tell what went on for the paint of the colours: until now it was one figure for all."""
    record = state.get("record") or {}
    used = record.pop("paint_ml", None)
    paints = [one["paint"] for one in state.get("paint", {}).get("coatings", ()) if one.get("role") == "colour"]
    if used is not None and paints:
        record["used_ml"] = {paints[0]: used}


def downgrade() -> None:
    op.drop_table("finished")
