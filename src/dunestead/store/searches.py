"""Which jobs a better layout is being searched for, so that a search that was broken off is not forgotten."""

from sqlalchemy import Engine, delete, insert, select

from dunestead.store.database import Sessions
from dunestead.store.models import SearchRow

__all__ = ["SearchStore"]


class SearchStore:
    """The searches under way, by job."""

    def __init__(self, engine: Engine) -> None:
        self._sessions = Sessions(engine)

    def all(self) -> set[int]:
        """Return the jobs that are searched for."""
        with self._sessions.read() as session:
            return set(session.scalars(select(SearchRow.job_id)))

    def begin(self, job: int) -> None:
        """Write down that a search has begun; once is enough."""
        with self._sessions.write() as session:
            session.execute(insert(SearchRow).values(job_id=job).prefix_with("OR IGNORE"))

    def end(self, job: int) -> None:
        """Write down that none is under way."""
        with self._sessions.write() as session:
            session.execute(delete(SearchRow).where(SearchRow.job_id == job))
