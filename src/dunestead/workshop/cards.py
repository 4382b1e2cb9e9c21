"""The board: a card a job, drawn anew only when what it was drawn from has changed."""

import logging
from collections.abc import Callable
from datetime import datetime

from dunestead import __version__
from dunestead.core.errors import DamagedJob, DunesteadError
from dunestead.core.figures import Catalogue
from dunestead.store import BoardRow, JobStore, Where
from dunestead.workshop.opened import UNRECKONED, OpenJob
from dunestead.workshop.uses import OwnRecords, Uses, short_hash, uses_in, uses_of

__all__ = ["Cards"]

_LOGGER = logging.getLogger(__name__)


class Cards:
    """The cards of all jobs.

    A kept card's key says what it was drawn from: the shipped figures, the shape of a card, the job's version and
    its log, the unit, and of the maker's own records only those the job uses.

    Parameters
    ----------
    store
        Keeps them.
    open_job
        Returns a job as it stands, its words in a unit.
    shipped
        The figures that came with this release.
    """

    def __init__(self, store: JobStore, open_job: Callable[[int, str], OpenJob], shipped: Catalogue) -> None:
        self._store, self._open = store, open_job
        self._shipped = short_hash(f"{__version__} {shipped!r}")
        self._own = OwnRecords(shipped)

    def refresh(self, own: OwnRecords) -> None:
        """Go by the maker's records as they are now."""
        self._own = own

    def drawn(
        self,
        unit: str,
        draw: Callable[[OpenJob], str],
        broken: Callable[[int, str, DunesteadError], str],
        *,
        shape: str,
        where: Where = "board",
    ) -> tuple[list[str], list[str]]:
        """Return the cards of the jobs on the board, of those put away, or of those deleted.

        Those that cannot be reckoned come apart from them, and take none along.

        Parameters
        ----------
        unit
            For lengths in what they say.
        draw, broken
            Return a card in JSON: of an opened job, and of one that cannot be opened.
        shape
            What a card looks like, in short; those drawn in another shape are drawn anew.
        where
            Which jobs are meant.
        """
        cards: list[str] = []
        lost: list[str] = []
        for row in self._store.board(where):
            drawn_from = f"{self._shipped}:{shape}:{row.version}:{row.logged}:{unit}"
            uses = uses_in(row.key.rpartition(":")[2]) if row.key else None
            if row.card is not None and uses and row.key == self._key(drawn_from, uses):
                cards.append(row.card)
                continue
            try:
                opened = self._opened(row, unit)
            except DunesteadError as error:
                lost.append(broken(row.id, self._store.name_of(row.id), error))
                continue
            cards.append(draw(opened))
            if _stands_still(opened):
                self._store.keep_card(row.id, self._key(drawn_from, uses_of(opened.plan.job)), cards[-1])
        return cards, lost

    def _opened(self, row: BoardRow, unit: str) -> OpenJob:
        try:
            return self._open(row.id, unit)
        except DunesteadError:
            raise
        except Exception as error:
            _LOGGER.exception("Job %s cannot be reckoned", row.id)
            raise DamagedJob(*UNRECKONED) from error

    def _key(self, drawn_from: str, uses: Uses) -> str:
        return f"{drawn_from}:{self._own.drawn_from(uses)}:{uses}"


def _stands_still(opened: OpenJob) -> bool:
    """Say whether a card stays true however late it gets: nothing is timed, and no moment it tells is still to come."""
    moments = [row.value for station in opened.stations for row in station.rows if row.kind == "moment"]
    to_come = any(datetime.fromisoformat(str(moment)) > opened.at for moment in moments)
    return not to_come and not opened.progress.clocks()
