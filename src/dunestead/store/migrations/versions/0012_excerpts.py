"""What is told of jobs without opening them stands in a table of its own; it is made anew when it is asked for."""

import sqlalchemy as sa
from alembic import op

revision = "0012"
down_revision = "0011"
_WAS = ("board", "board_key", "needs", "needs_key")


def upgrade() -> None:
    op.create_table(
        "excerpt",
        sa.Column("job_id", sa.Integer, sa.ForeignKey("job.id", ondelete="CASCADE"), primary_key=True),
        sa.Column("kind", sa.String(20), primary_key=True),
        sa.Column("key", sa.Text, nullable=False),
        sa.Column("text", sa.Text, nullable=False),
    )
    for name in _WAS:
        op.drop_column("job", name)


def downgrade() -> None:
    for name in _WAS:
        op.add_column("job", sa.Column(name, sa.Text, nullable=True))
    op.drop_table("excerpt")
