"""Artwork, jobs and their revisions."""

import sqlalchemy as sa
from alembic import op

revision = "0001"
down_revision = None


def upgrade() -> None:
    op.create_table(
        "artwork",
        sa.Column("sha256", sa.String(64), primary_key=True),
        sa.Column("data", sa.LargeBinary, nullable=False),
    )
    op.create_table(
        "job",
        sa.Column("id", sa.Integer, primary_key=True, autoincrement=True),
        sa.Column("artwork_sha", sa.String(64), sa.ForeignKey("artwork.sha256"), nullable=False),
        sa.Column("artwork_name", sa.String(255), nullable=False),
        sa.Column("created_at", sa.DateTime, nullable=False),
        sa.Column("put_away_at", sa.DateTime, nullable=True),
        sa.Column("head", sa.Integer, nullable=False),
        sa.CheckConstraint("head >= 1", name="head_counts_from_one"),
    )
    op.create_table(
        "revision",
        sa.Column("job_id", sa.Integer, sa.ForeignKey("job.id", ondelete="CASCADE"), primary_key=True),
        sa.Column("seq", sa.Integer, primary_key=True),
        sa.Column("at", sa.DateTime, nullable=False),
        sa.Column("label", sa.String(200), nullable=False),
        sa.Column("state", sa.JSON, nullable=False),
        sa.CheckConstraint("seq >= 1", name="seq_counts_from_one"),
    )


def downgrade() -> None:
    op.drop_table("revision")
    op.drop_table("job")
    op.drop_table("artwork")
