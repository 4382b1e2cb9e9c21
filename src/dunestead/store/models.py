"""The tables.

A job is one aggregate, always read and written whole; so each change of it is one row, a
revision, that holds the job as it was from then on. The newest in force is the job's head;
undo moves the head back, a change after that cuts off what was undone.
"""

from datetime import UTC, datetime
from typing import Any

from sqlalchemy import JSON, CheckConstraint, DateTime, ForeignKey, LargeBinary, String, Text
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column, relationship
from sqlalchemy.types import TypeDecorator

__all__ = [
    "ArtworkRow",
    "Base",
    "BlankRow",
    "CutRunRow",
    "FinishedRow",
    "JobRow",
    "LedgerRow",
    "LogRow",
    "RecordRow",
    "RevisionRow",
    "SearchRow",
]


class UtcTime(TypeDecorator[datetime]):
    """A moment, kept in UTC and read back with its zone, which SQLite would drop."""

    impl = DateTime
    cache_ok = True

    def process_bind_param(self, value: datetime | None, dialect: Any) -> datetime | None:  # noqa: ARG002
        """Return the moment in UTC, as it is written."""
        return value.astimezone(UTC).replace(tzinfo=None) if value else None

    def process_result_value(self, value: datetime | None, dialect: Any) -> datetime | None:  # noqa: ARG002
        """Return the moment with its zone."""
        return value.replace(tzinfo=UTC) if value else None


class Base(DeclarativeBase):
    """Base of all tables."""


class ArtworkRow(Base):
    """A file as it came, once however many jobs use it; never deleted, for undo may want it back."""

    __tablename__ = "artwork"

    sha256: Mapped[str] = mapped_column(String(64), primary_key=True)
    data: Mapped[bytes] = mapped_column(LargeBinary)


class JobRow(Base):
    """A job: which revision is in force, and whether it was put away or deleted.

    ``version`` grows by one with every change, undo and redo: what a change names to say what it was made on.
    """

    __tablename__ = "job"
    __table_args__ = (CheckConstraint("head >= 1", name="head_counts_from_one"),)

    id: Mapped[int] = mapped_column(primary_key=True, autoincrement=True)
    created_at: Mapped[datetime] = mapped_column(UtcTime)
    put_away_at: Mapped[datetime | None] = mapped_column(UtcTime)
    deleted_at: Mapped[datetime | None] = mapped_column(UtcTime)
    head: Mapped[int]
    version: Mapped[int]
    revisions: Mapped[list["RevisionRow"]] = relationship(order_by="RevisionRow.seq", cascade="all, delete-orphan")


class RevisionRow(Base):
    """The job after one change, and what the change was in words."""

    __tablename__ = "revision"
    __table_args__ = (CheckConstraint("seq >= 1", name="seq_counts_from_one"),)

    job_id: Mapped[int] = mapped_column(ForeignKey("job.id", ondelete="CASCADE"), primary_key=True)
    seq: Mapped[int] = mapped_column(primary_key=True)
    at: Mapped[datetime] = mapped_column(UtcTime)
    label: Mapped[str] = mapped_column(String(200))
    version: Mapped[int]
    state: Mapped[dict[str, Any]] = mapped_column(JSON)


class LogRow(Base):
    """One thing that happened to a job; rows are added and never changed."""

    __tablename__ = "log"

    id: Mapped[int] = mapped_column(primary_key=True, autoincrement=True)
    job_id: Mapped[int] = mapped_column(ForeignKey("job.id", ondelete="CASCADE"), index=True)
    written_at: Mapped[datetime] = mapped_column(UtcTime)
    kind: Mapped[str] = mapped_column(String(20))
    task: Mapped[str] = mapped_column(String(120))
    at: Mapped[datetime] = mapped_column(UtcTime)
    state: Mapped[dict[str, Any]] = mapped_column(JSON)


class FinishedRow(Base):
    """A finished job in short: what it was made with, how it came out, what it teaches."""

    __tablename__ = "finished"

    job_id: Mapped[int] = mapped_column(ForeignKey("job.id", ondelete="CASCADE"), primary_key=True)
    state: Mapped[dict[str, Any]] = mapped_column(JSON)


class ExcerptRow(Base):
    """What was told of a job last without opening it, and what that was made from."""

    __tablename__ = "excerpt"

    job_id: Mapped[int] = mapped_column(ForeignKey("job.id", ondelete="CASCADE"), primary_key=True)
    kind: Mapped[str] = mapped_column(String(20), primary_key=True)
    key: Mapped[str] = mapped_column(Text)
    text: Mapped[str] = mapped_column(Text)


class LedgerRow(Base):
    """What went in or out of the stores; rows are added and never changed. What is left is their sum."""

    __tablename__ = "ledger"

    id: Mapped[int] = mapped_column(primary_key=True, autoincrement=True)
    item: Mapped[int] = mapped_column(index=True)
    amount: Mapped[float]
    why: Mapped[str] = mapped_column(String(20))
    at: Mapped[datetime] = mapped_column(UtcTime)
    # A job that is erased has still taken what it took.
    job: Mapped[int | None] = mapped_column(index=True)
    task: Mapped[str] = mapped_column(String(120))
    batch: Mapped[int]
    note: Mapped[str] = mapped_column(Text)
    by: Mapped[str] = mapped_column(Text)


class RecordRow(Base):
    """A record of the maker's own: a cutter, a roll, a test cut; as it is, and as it was before the last change."""

    __tablename__ = "shelf"

    id: Mapped[int] = mapped_column(primary_key=True, autoincrement=True)
    kind: Mapped[str] = mapped_column(String(20), index=True)
    state: Mapped[dict[str, Any]] = mapped_column(JSON)
    before: Mapped[dict[str, Any] | None] = mapped_column(JSON)
    gone: Mapped[bool]


class CutRunRow(Base):
    """A sheet sent to a cutter: what it was sent, and how far it was when it was last looked at."""

    __tablename__ = "cut_run"

    id: Mapped[int] = mapped_column(primary_key=True, autoincrement=True)
    job_id: Mapped[int]
    sheet: Mapped[int]
    cutter: Mapped[dict[str, Any]] = mapped_column(JSON)
    sent: Mapped[dict[str, Any]] = mapped_column(JSON)
    state: Mapped[str] = mapped_column(String(20))
    share: Mapped[float]
    trouble: Mapped[str | None] = mapped_column(String(40))


class SearchRow(Base):
    """A longer search for a better layout of a job, under way."""

    __tablename__ = "search"

    job_id: Mapped[int] = mapped_column(primary_key=True, autoincrement=False)


class BlankRow(Base):
    """A blank the maker works on often: its surface, and size, shape and colour as one entry."""

    __tablename__ = "blank"

    id: Mapped[int] = mapped_column(primary_key=True, autoincrement=True)
    name: Mapped[str] = mapped_column(String(120))
    surface: Mapped[str] = mapped_column(String(60))
    state: Mapped[dict[str, Any]] = mapped_column(JSON)
