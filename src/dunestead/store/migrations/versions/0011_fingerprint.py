"""What a step stood on when it was done is called its fingerprint."""

from alembic import op

revision = "0011"
down_revision = "0010"
_RENAMED = (
    "UPDATE log SET state = json_remove(json_set(state, '$.{new}', json(json_extract(state, '$.{old}'))), '$.{old}') "
    "WHERE json_type(state, '$.{old}') IS NOT NULL"
)


def upgrade() -> None:
    op.execute(_RENAMED.format(old="standing", new="fingerprint"))


def downgrade() -> None:
    op.execute(_RENAMED.format(old="fingerprint", new="standing"))
