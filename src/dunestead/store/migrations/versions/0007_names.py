"""What is chosen for patches, and what a tape's readings ask for, by their new names."""

import sqlalchemy as sa
from alembic import op

revision = "0007"
down_revision = "0006"


def upgrade() -> None:
    _rename("revision", "$.sheets.says", "$.sheets.patch_choices")
    _rename("log", "$.told", "$.instruction")


def downgrade() -> None:
    _rename("revision", "$.sheets.patch_choices", "$.sheets.says")
    _rename("log", "$.instruction", "$.told")


def _rename(table: str, old: str, new: str) -> None:
    """Rename an entry of the objects that a table keeps as JSON."""
    state = sa.column("state", sa.Text)
    moved = sa.func.json_set(state, new, sa.func.json_extract(state, old))
    rows = sa.table(table, state)
    op.execute(
        sa.update(rows).where(sa.func.json_type(state, old).is_not(None)).values(state=sa.func.json_remove(moved, old))
    )
