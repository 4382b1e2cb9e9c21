"""The maker's own cutters, mask material and test cuts."""

import sqlalchemy as sa
from alembic import op

revision = "0003"
down_revision = "0002"


def upgrade() -> None:
    op.create_table(
        "shelf",
        sa.Column("id", sa.Integer, primary_key=True, autoincrement=True),
        sa.Column("kind", sa.String(20), nullable=False, index=True),
        sa.Column("state", sa.JSON, nullable=False),
        sa.Column("before", sa.JSON, nullable=True),
        sa.Column("gone", sa.Boolean, nullable=False, server_default=sa.false()),
    )


def downgrade() -> None:
    op.drop_table("shelf")
