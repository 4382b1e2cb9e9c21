"""Longer searches under way: found again when the workshop was closed meanwhile."""

import sqlalchemy as sa
from alembic import op

revision = "0008"
down_revision = "0007"


def upgrade() -> None:
    op.create_table("search", sa.Column("job_id", sa.Integer, primary_key=True))


def downgrade() -> None:
    op.drop_table("search")
