"""Jobs in and out of the database, one transaction a change."""

import hashlib
import logging
from collections.abc import Callable, Iterator, Sequence
from contextlib import contextmanager
from dataclasses import dataclass, replace
from datetime import UTC, datetime, timedelta
from typing import Any, Literal

from pydantic import TypeAdapter, ValidationError
from sqlalchemy import Engine, Subquery, delete, func, select
from sqlalchemy.orm import Session

from dunestead.core.checkpoints import KEEPING, past_stopping, tell
from dunestead.core.errors import Clash, DamagedJob, NoSuchThing, NotNow
from dunestead.core.inventory.ledger import Move
from dunestead.core.job.job import Job
from dunestead.core.job.log import LogEntry
from dunestead.core.learning.finished import Finished
from dunestead.store.database import Sessions
from dunestead.store.ledger import write_moves
from dunestead.store.models import ArtworkRow, ExcerptRow, FinishedRow, JobRow, LogRow, RevisionRow

__all__ = ["KEPT_DAYS", "UNDO_STEPS", "Excerpt", "JobHead", "JobStore", "StoredJob", "Where"]

# So many changes can be taken back; older revisions are let go.
UNDO_STEPS = 250
# A deleted job can be brought back for so many days.
KEPT_DAYS = 30
_LOGGER = logging.getLogger(__name__)
_JOB = TypeAdapter(Job)
_ENTRY = TypeAdapter(LogEntry)
_FINISHED = TypeAdapter(Finished)
Clock = Callable[[], datetime]
# Where a job lies: on the board, put away when it is done, or deleted.
Where = Literal["board", "away", "bin"]


class AsIs:
    """Leave as it is whatever is kept."""


AS_IS = AsIs()


def _now() -> datetime:
    return datetime.now(UTC)


@dataclass(frozen=True, slots=True)
class JobHead:
    """Where a job stands, without what is in it.

    Attributes
    ----------
    version
        Grows with every change; a change names the one it was made on, so that nothing is overwritten unseen.
    logged
        Number of the newest row of its log, 0 without one.
    undo, redo
        What the last change was, and what the last undone one was; None when there is none.
    """

    id: int
    version: int
    logged: int
    undo: str | None
    redo: str | None
    put_away: bool


@dataclass(frozen=True, slots=True)
class StoredJob:
    """A job as it stands, with its log, oldest first."""

    head: JobHead
    job: Job
    log: tuple[LogEntry, ...]

    @property
    def id(self) -> int:
        """Its number."""
        return self.head.id


@dataclass(frozen=True, slots=True)
class Excerpt:
    """What was told of a job last, and from what it was made; None where it never was."""

    id: int
    version: int
    logged: int
    key: str | None
    text: str | None


class JobStore:
    """All jobs of a workshop.

    Parameters
    ----------
    engine
        The database.
    now
        The workshop's clock.
    by
        Who is at work, for the log; empty where nobody says.
    """

    def __init__(self, engine: Engine, now: Clock = _now, by: Callable[[], str] = str) -> None:
        self._sessions, self._now, self._by = Sessions(engine), now, by

    # --- files ------------------------------------------------------------------------------------
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

    # --- keeping ----------------------------------------------------------------------------------
    @contextmanager
    def _keeping(self) -> Iterator[Session]:
        """Write to a job; once that is kept nobody can stop what follows, which only shows it."""
        with self._sessions.write() as session:
            yield session
            tell(KEEPING, 1.0)
        past_stopping()

    # --- jobs -------------------------------------------------------------------------------------
    def add(self, job: Job, log: Sequence[LogEntry] = ()) -> int:
        """Keep a new job, and what has happened to it elsewhere; returns its number."""
        with self._keeping() as session:
            return self._add(session, job, log)

    def add_all(self, jobs: Sequence[Job]) -> list[int]:
        """Keep new jobs, all of them or none; returns their numbers."""
        with self._keeping() as session:
            return [self._add(session, job, ()) for job in jobs]

    def _add(self, session: Session, job: Job, log: Sequence[LogEntry]) -> int:
        row = JobRow(created_at=self._now(), head=1, version=1)
        row.revisions.append(RevisionRow(seq=1, at=self._now(), label="Job begun", version=1, state=_dumped(job)))
        session.add(row)
        session.flush()
        session.add_all(self._row_of(row.id, entry) for entry in log)
        return row.id

    def is_empty(self) -> bool:
        """Say whether no job was ever begun here."""
        with self._sessions.read() as session:
            return session.scalar(select(JobRow.id).limit(1)) is None

    def get(self, job_id: int) -> StoredJob:
        """Return a job.

        Raises
        ------
        NoSuchThing
            When there is none.
        DamagedJob
            When what is kept of it cannot be read.
        """
        with self._sessions.read() as session:
            row = _row(session, job_id)
            revision = session.get_one(RevisionRow, (row.id, row.head))
            return StoredJob(_head(session, row), _read(revision.state), _log(session, job_id))

    def name_of(self, job_id: int) -> str:
        """Return what a job is called, even where nothing else of it can be read."""
        with self._sessions.read() as session:
            row = _row(session, job_id)
            state = session.get_one(RevisionRow, (row.id, row.head)).state
            name = state.get("name") if isinstance(state, dict) else None
            return name if isinstance(name, str) and name else f"Job {job_id}"

    def head(self, job_id: int) -> JobHead:
        """Return where a job stands; raises `NoSuchThing` when there is none."""
        with self._sessions.read() as session:
            return _head(session, _row(session, job_id))

    def expect(self, job_id: int, version: int | None) -> None:
        """Raise `Clash` when a job is not at a version; None passes."""
        with self._sessions.read() as session:
            row = _row(session, job_id)
            if version is not None:
                _expect(session, row, version)

    def change(self, job_id: int, version: int, job: Job, label: str, finished: Finished | AsIs | None = AS_IS) -> int:
        """Keep a changed job as a new revision; what had been undone is cut off. Returns its version.

        How it stands in short once it is finished is kept with it; None where it is not.

        Raises
        ------
        Clash
            When the job is no longer at this version.
        """
        with self._keeping() as session:
            row = _row(session, job_id)
            _expect(session, row, version)
            session.execute(delete(RevisionRow).where(RevisionRow.job_id == job_id, RevisionRow.seq > row.head))
            row.head += 1
            row.version += 1
            session.add(
                RevisionRow(
                    job_id=job_id,
                    seq=row.head,
                    at=self._now(),
                    label=label[:200],
                    version=row.version,
                    state=_dumped(job),
                )
            )
            oldest = row.head - UNDO_STEPS
            session.execute(delete(RevisionRow).where(RevisionRow.job_id == job_id, RevisionRow.seq < oldest))
            self._finish(session, job_id, finished)
            return row.version

    def undo(self, job_id: int, version: int | None = None) -> None:
        """Step back one change; raises `NotNow` when there is none, `Clash` when the job is at another version."""
        self._step(job_id, -1, version, "There is nothing to undo.")

    def redo(self, job_id: int, version: int | None = None) -> None:
        """Step forward again; raises `NotNow` when nothing was undone, `Clash` when the job is at another version."""
        self._step(job_id, 1, version, "There is nothing to redo.")

    def _step(self, job_id: int, by: int, version: int | None, otherwise: str) -> None:
        with self._keeping() as session:
            row = _row(session, job_id)
            if version is not None:
                _expect(session, row, version)
            if not session.get(RevisionRow, (job_id, row.head + by)):
                raise NotNow(otherwise, "Carry on from here.")
            row.head += by
            row.version += 1

    def put_away(self, job_id: int, *, away: bool) -> None:
        """Take a job off the board, or bring it back; nothing of it is lost."""
        with self._sessions.write() as session:
            row = _row(session, job_id)
            row.put_away_at, row.deleted_at = self._now() if away else None, None

    def delete(self, job_id: int) -> None:
        """Delete a job; until it is erased it can be brought back."""
        with self._sessions.write() as session:
            _row(session, job_id).deleted_at = self._now()

    def erase(self, job_id: int | None = None) -> int:
        """Erase deleted jobs for good: one of them, or all that were deleted long ago; returns how many.

        Raises
        ------
        NotNow
            When the job is not deleted.
        """
        with self._sessions.write() as session:
            if job_id is None:
                before = self._now() - timedelta(days=KEPT_DAYS)
                rows = list(session.scalars(select(JobRow).where(JobRow.deleted_at < before)))
            else:
                rows = [_row(session, job_id)]
                if rows[0].deleted_at is None:
                    raise NotNow("This job is not deleted.", "Delete it first; it can then be erased for good.")
            for row in rows:
                session.delete(row)
            return len(rows)

    # --- the log ----------------------------------------------------------------------------------
    def write(
        self,
        job_id: int,
        version: int | None,
        entries: Sequence[LogEntry],
        finished: Finished | AsIs | None = AS_IS,
        moves: Sequence[Move] = (),
    ) -> None:
        """Add rows to a job's log, and what that took out of the stores.

        How it stands in short once it is finished is kept with it; None where it is not.

        Raises
        ------
        Clash
            When the job is no longer at this version: what was ticked may mean something else by now.
        """
        with self._keeping() as session:
            row = _row(session, job_id)
            if version is not None:
                _expect(session, row, version)
            signed = [entry if entry.by else replace(entry, by=self._by()) for entry in entries]
            session.add_all(self._row_of(job_id, entry) for entry in signed)
            write_moves(session, moves, self._by())
            self._finish(session, job_id, finished)

    # --- finished ones ----------------------------------------------------------------------------
    def finished(self) -> list[tuple[int, str, Finished]]:
        """Return every finished job in short, by its number and name; those deleted are left out."""
        query = (
            select(FinishedRow, RevisionRow.state["name"].as_string())
            .join(JobRow, JobRow.id == FinishedRow.job_id)
            .join(RevisionRow, (RevisionRow.job_id == JobRow.id) & (RevisionRow.seq == JobRow.head))
            .where(JobRow.deleted_at.is_(None))
            .order_by(JobRow.id)
        )
        with self._sessions.read() as session:
            rows = [(row.job_id, name or f"Job {row.job_id}", _finished(row)) for row, name in session.execute(query)]
        return [(number, name, one) for number, name, one in rows if one]

    def names(self) -> dict[int, str]:
        """Return what each job that is not deleted is called."""
        query = (
            select(JobRow.id, RevisionRow.state["name"].as_string())
            .join(RevisionRow, (RevisionRow.job_id == JobRow.id) & (RevisionRow.seq == JobRow.head))
            .where(JobRow.deleted_at.is_(None))
        )
        with self._sessions.read() as session:
            return {number: name or f"Job {number}" for number, name in session.execute(query)}

    def finish(self, job_id: int, finished: Finished | None) -> None:
        """Keep how a job stands in short, in place of how it stood before; None where it is not finished."""
        with self._sessions.write() as session:
            self._finish(session, _row(session, job_id).id, finished)

    def _finish(self, session: Session, job_id: int, finished: Finished | AsIs | None) -> None:
        if isinstance(finished, AsIs):
            return
        row = session.get(FinishedRow, job_id)
        if finished is None:
            if row:
                session.delete(row)
            return
        state = _FINISHED.dump_python(finished, mode="json")
        if row:
            row.state = state
        else:
            session.add(FinishedRow(job_id=job_id, state=state))

    def _row_of(self, job_id: int, entry: LogEntry) -> LogRow:
        state = _ENTRY.dump_python(entry, mode="json", exclude={"kind", "task", "at"})
        return LogRow(job_id=job_id, written_at=self._now(), kind=entry.kind, task=entry.task, at=entry.at, state=state)

    # --- what is told without opening --------------------------------------------------------------
    def excerpts(self, kind: str, where: Where = "board") -> list[Excerpt]:
        """Return what was told of each job last, oldest first: of those on the board, put away, or deleted."""
        lies = {
            "board": JobRow.put_away_at.is_(None) & JobRow.deleted_at.is_(None),
            "away": JobRow.put_away_at.is_not(None) & JobRow.deleted_at.is_(None),
            "bin": JobRow.deleted_at.is_not(None),
        }[where]
        logged, told = _newest_rows(), ExcerptRow
        query = (
            select(JobRow.id, JobRow.version, logged.c.last, told.key, told.text)
            .outerjoin(logged, logged.c.job_id == JobRow.id)
            .outerjoin(told, (told.job_id == JobRow.id) & (told.kind == kind))
            .where(lies)
            .order_by(JobRow.id)
        )
        with self._sessions.read() as session:
            rows = session.execute(query)
            return [Excerpt(number, version, last or 0, key, text) for number, version, last, key, text in rows]

    def keep_excerpt(self, job_id: int, kind: str, key: str, text: str) -> None:
        """Keep what is told of a job; one that was erased meanwhile has nothing told of it."""
        with self._sessions.write() as session:
            if session.get(JobRow, job_id) is not None:
                session.merge(ExcerptRow(job_id=job_id, kind=kind, key=key, text=text))


def _newest_rows() -> Subquery:
    return select(LogRow.job_id, func.max(LogRow.id).label("last")).group_by(LogRow.job_id).subquery()


def _dumped(job: Job) -> dict[str, Any]:
    state: dict[str, Any] = _JOB.dump_python(job, mode="json")
    return state


def _read(state: dict[str, Any]) -> Job:
    try:
        return _JOB.validate_python(state)
    except ValidationError as error:
        where = ".".join(str(part) for part in error.errors()[0]["loc"]) or "its state"
        raise DamagedJob(
            f"What is kept of this job cannot be read: {where} is not what it should be.",
            "Undo its last change, or put it away and start again.",
        ) from None


def _finished(row: FinishedRow) -> Finished | None:
    """Return a finished job in short; one that is damaged teaches nothing, and takes no other along."""
    try:
        return _FINISHED.validate_python(row.state)
    except ValidationError:
        _LOGGER.warning("What job %s taught cannot be read", row.job_id)
        return None


def _log(session: Session, job_id: int) -> tuple[LogEntry, ...]:
    rows = session.scalars(select(LogRow).where(LogRow.job_id == job_id).order_by(LogRow.id))
    return tuple(
        _ENTRY.validate_python({**row.state, "kind": row.kind, "task": row.task, "at": row.at}) for row in rows
    )


def _row(session: Session, job_id: int) -> JobRow:
    row = session.get(JobRow, job_id)
    if not row:
        raise NoSuchThing(f"There is no job {job_id}.", "Go back to the board and choose one.")
    return row


def _expect(session: Session, row: JobRow, version: int) -> None:
    if row.version == version:
        return
    since = select(RevisionRow.label).where(
        RevisionRow.job_id == row.id, RevisionRow.version > version, RevisionRow.seq <= row.head
    )
    labels = list(session.scalars(since.order_by(RevisionRow.seq))) or ["a change was undone"]
    raise Clash(
        f"This job has been changed in another window: {', '.join(labels)}.",
        "You now see the latest version. What you typed is still here; save it again if you still want it.",
    )


def _head(session: Session, row: JobRow) -> JobHead:
    near = select(RevisionRow.seq, RevisionRow.label).where(
        RevisionRow.job_id == row.id, RevisionRow.seq.between(row.head - 1, row.head + 1)
    )
    labels = {row.seq: row.label for row in session.execute(near)}
    return JobHead(
        id=row.id,
        version=row.version,
        logged=session.scalar(select(func.max(LogRow.id)).where(LogRow.job_id == row.id)) or 0,
        undo=labels[row.head] if row.head - 1 in labels else None,
        redo=labels.get(row.head + 1),
        put_away=row.put_away_at is not None,
    )
