"""The maker's own blanks: kept once, to start jobs from."""

from dataclasses import dataclass, replace

from pydantic import TypeAdapter
from sqlalchemy import Engine, select

from dunestead.core.blanks.blank import Blank
from dunestead.core.errors import BadInput, NoSuchThing
from dunestead.core.limits import REQUIRED, check_limits, limited
from dunestead.store.database import Sessions
from dunestead.store.models import BlankRow

__all__ = ["BlankStore", "StoredBlank"]

_BLANK = TypeAdapter(Blank)
_MOST = 500


@dataclass(frozen=True, slots=True)
class StoredBlank:
    """A blank of the library."""

    id: int
    name: str = limited(REQUIRED, "name of the blank", 1, 120, "letters")
    surface: str = REQUIRED
    blank: Blank = REQUIRED


class BlankStore:
    """All blanks a workshop keeps."""

    def __init__(self, engine: Engine) -> None:
        self._sessions = Sessions(engine)

    def all(self) -> list[StoredBlank]:
        """Return them by name."""
        with self._sessions.read() as session:
            rows = session.scalars(select(BlankRow).order_by(BlankRow.name, BlankRow.id))
            return [StoredBlank(r.id, r.name, r.surface, _BLANK.validate_python(r.state)) for r in rows]

    def get(self, number: int) -> StoredBlank:
        """Return a blank; raises `NoSuchThing` when there is none."""
        with self._sessions.read() as session:
            row = session.get(BlankRow, number)
            if row is None:
                raise NoSuchThing(f"There is no blank {number} in the library.", "Choose another one.")
            return StoredBlank(row.id, row.name, row.surface, _BLANK.validate_python(row.state))

    def keep(self, name: str, surface: str, blank: Blank) -> int:
        """Keep a blank, its tape measurements left out: they are those of one piece. Returns its number.

        Raises
        ------
        BadInput
            When it has no name, or there are too many.
        """
        name = name.strip()
        check_limits(StoredBlank(0, name, surface, blank))
        kept = replace(blank, measured_width=None, measured_height=None)
        with self._sessions.write() as session:
            if len(session.scalars(select(BlankRow.id)).all()) >= _MOST:
                raise BadInput(f"The library holds {_MOST} blanks.", "Take some out first.")
            same = session.scalar(select(BlankRow).where(BlankRow.name == name))
            row = same or BlankRow(name=name)
            row.surface, row.state = surface, _BLANK.dump_python(kept, mode="json")
            session.add(row)
            session.flush()
            return row.id

    def drop(self, number: int) -> None:
        """Take a blank out of the library; raises `NoSuchThing` when there is none."""
        with self._sessions.write() as session:
            row = session.get(BlankRow, number)
            if row is None:
                raise NoSuchThing(f"There is no blank {number} in the library.", "It may have been removed already.")
            session.delete(row)
