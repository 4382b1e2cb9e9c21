"""A place outdoors to spray is one of the tools: workshops that have said what they own had one, for they sprayed."""

from collections.abc import Callable
from typing import Any

import sqlalchemy as sa
from alembic import op

revision = "0013"
down_revision = "0012"
_SHELF = sa.table(
    "shelf",
    sa.column("id", sa.Integer),
    sa.column("kind", sa.String),
    sa.column("state", sa.JSON),
    sa.column("before", sa.JSON),
)
_PLACE = "outdoors"


def upgrade() -> None:
    _change(lambda owned: sorted({*owned, _PLACE}))


def downgrade() -> None:
    _change(lambda owned: [key for key in owned if key != _PLACE])


def _change(to: Callable[[list[str]], list[str]]) -> None:
    connection = op.get_bind()
    for row in connection.execute(sa.select(_SHELF).where(_SHELF.c.kind == "tools")).all():
        entries = {"state": _with(row.state, to), "before": _with(row.before, to)}
        connection.execute(sa.update(_SHELF).where(_SHELF.c.id == row.id).values(entries))


def _with(state: dict[str, Any] | None, to: Callable[[list[str]], list[str]]) -> dict[str, Any] | None:
    return state and {**state, "owned": to(state.get("owned", []))}
