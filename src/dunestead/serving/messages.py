"""What the front and its workers say to each other."""

from dataclasses import dataclass

__all__ = ["Answer", "Asked", "Line", "Ready", "Stop", "Told"]


@dataclass(frozen=True, slots=True)
class Asked:
    """A request, as WSGI has it, and which state of the maker's records it is to be answered from."""

    environ: dict[str, str]
    body: bytes
    records: int


@dataclass(frozen=True, slots=True)
class Line:
    """What a worker writes to the log: by which logger, how weighty, what."""

    logger: str
    level: int
    text: str


@dataclass(frozen=True, slots=True)
class Answer:
    """A request's answer; whether the maker's records changed; the most memory the worker ever took, bytes."""

    status: int
    headers: tuple[tuple[str, str], ...]
    body: bytes
    lines: tuple[Line, ...]
    has_changed_records: bool
    memory: int


@dataclass(frozen=True, slots=True)
class Told:
    """How far a worker is, as `core.progress` tells it."""

    what: str
    share: float


@dataclass(frozen=True, slots=True)
class Ready:
    """A worker can be asked."""


@dataclass(frozen=True, slots=True)
class Stop:
    """The request is not wanted any more."""
