"""What was sent to the cutters."""

import sqlalchemy as sa
from alembic import op

revision = "0005"
down_revision = "0004"


def upgrade() -> None:
    op.create_table(
        "cut_run",
        sa.Column("id", sa.Integer, primary_key=True, autoincrement=True),
        sa.Column("job_id", sa.Integer, nullable=False),
        sa.Column("sheet", sa.Integer, nullable=False),
        sa.Column("cutter", sa.JSON, nullable=False),
        sa.Column("sent", sa.JSON, nullable=False),
        sa.Column("state", sa.String(20), nullable=False),
        sa.Column("share", sa.Float, nullable=False),
        sa.Column("trouble", sa.String(40), nullable=True),
    )
    # What a card was drawn from is told otherwise from now on: all are drawn anew.
    op.execute("UPDATE job SET board = NULL, board_key = NULL")


def downgrade() -> None:
    op.drop_table("cut_run")
