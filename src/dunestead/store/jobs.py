"""Jobs in and out of the database, one transaction a change."""

import hashlib
from dataclasses import dataclass
from datetime import UTC, datetime

from pydantic import TypeAdapter
from sqlalchemy import Engine, delete, select
from sqlalchemy.orm import Session

from dunestead.core.errors import NoSuchThing, NotNow
from dunestead.core.planning.job import Job
from dunestead.store.database import Sessions
from dunestead.store.models import ArtworkRow, JobRow, RevisionRow

__all__ = ["JobStore", "StoredJob"]

_JOB = TypeAdapter(Job)


@dataclass(frozen=True, slots=True)
class StoredJob:
    """A job as it stands.

    Attributes
    ----------
    seq
        Revision in force; a change names it, so that no change of another window is overwritten.
    undo, redo
        What the last change was, and what the last undone one was; None when there is none.
    """

    id: int
    job: Job
    seq: int
    undo: str | None
    redo: str | None
    put_away: bool


class JobStore:
    """All jobs of a workshop."""

    def __init__(self, engine: Engine) -> None:
        self._sessions = Sessions(engine)

    def keep_file(self, data: bytes) -> str:
        """Keep a file and return its key; the same bytes are kept once."""
        key = hashlib.sha256(data).hexdigest()
        with self._sessions.write() as session:
            if not session.get(ArtworkRow, key):
                session.add(ArtworkRow(sha256=key, data=data))
        return key

    def file(self, key: str) -> bytes:
        """Return the bytes of a kept file; raises `NoSuchThing` when there is none."""
        with self._sessions.read() as session:
            row = session.get(ArtworkRow, key)
            if row is None:
                raise NoSuchThing("A file of this design is not in the workshop.", "Add the artwork again.")
            return row.data

    def add(self, job: Job) -> int:
        """Keep a new job and return its number."""
        now = datetime.now(UTC)
        with self._sessions.write() as session:
            row = JobRow(created_at=now, head=1)
            row.revisions.append(
                RevisionRow(seq=1, at=now, label="Job begun", state=_JOB.dump_python(job, mode="json"))
            )
            session.add(row)
            session.flush()
            return row.id

    def all(self) -> list[StoredJob]:
        """Return the jobs that are not put away, oldest first."""
        query = select(JobRow).where(JobRow.put_away_at.is_(None)).order_by(JobRow.id)
        with self._sessions.read() as session:
            return [_stored(session, row) for row in session.scalars(query)]

    def is_empty(self) -> bool:
        """Say whether no job was ever begun here."""
        with self._sessions.read() as session:
            return session.scalar(select(JobRow.id).limit(1)) is None

    def get(self, job_id: int) -> StoredJob:
        """Return a job; raises `NoSuchThing` when there is none."""
        with self._sessions.read() as session:
            return _stored(session, _row(session, job_id))

    def change(self, job_id: int, seq: int, job: Job, label: str) -> None:
        """Keep a changed job as a new revision; what had been undone is cut off.

        Raises
        ------
        NotNow
            When the job is no longer at revision ``seq``.
        """
        with self._sessions.write() as session:
            row = _row(session, job_id)
            if row.head != seq:
                raise NotNow(
                    "This job was changed in another window meanwhile.", "Look at it again, then repeat your change."
                )
            session.execute(delete(RevisionRow).where(RevisionRow.job_id == job_id, RevisionRow.seq > seq))
            state = _JOB.dump_python(job, mode="json")
            session.add(RevisionRow(job_id=job_id, seq=seq + 1, at=datetime.now(UTC), label=label[:200], state=state))
            row.head = seq + 1

    def undo(self, job_id: int) -> None:
        """Step back one change; raises `NotNow` when there is none."""
        self._step(job_id, -1, "There is nothing to undo.")

    def redo(self, job_id: int) -> None:
        """Step forward again; raises `NotNow` when nothing was undone."""
        self._step(job_id, 1, "There is nothing to do again.")

    def _step(self, job_id: int, by: int, otherwise: str) -> None:
        with self._sessions.write() as session:
            row = _row(session, job_id)
            if not session.get(RevisionRow, (job_id, row.head + by)):
                raise NotNow(otherwise, "Carry on from here.")
            row.head += by

    def put_away(self, job_id: int, *, away: bool) -> None:
        """Take a job off the board, or bring it back; nothing of it is lost."""
        with self._sessions.write() as session:
            _row(session, job_id).put_away_at = datetime.now(UTC) if away else None


def _row(session: Session, job_id: int) -> JobRow:
    row = session.get(JobRow, job_id)
    if not row:
        raise NoSuchThing(f"There is no job {job_id}.", "Go back to the board and choose one.")
    return row


def _stored(session: Session, row: JobRow) -> StoredJob:
    now = session.get_one(RevisionRow, (row.id, row.head))
    following = session.scalar(
        select(RevisionRow.label).where(RevisionRow.job_id == row.id, RevisionRow.seq == row.head + 1)
    )
    return StoredJob(
        id=row.id,
        job=_JOB.validate_python(now.state),
        seq=row.head,
        undo=now.label if row.head > 1 else None,
        redo=following,
        put_away=row.put_away_at is not None,
    )
