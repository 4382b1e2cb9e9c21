"""Every way a request can fail that a maker can mend, each with what to do next.

::

    DunesteadError
    ├── BadInput             something the maker gave cannot be used
    │   ├── BadLength        a length that cannot be read or makes no sense
    │   ├── UnknownKey       a surface, material, cutter or paint we have no figures for
    │   ├── ArtworkUnreadable  the file is not the artwork it says it is
    │   ├── ArtworkRefused   the file is hostile, or bigger than we carry
    │   └── ArtworkEmpty     nothing in the file would be painted
    ├── NoSuchThing          a job, sheet or piece that is not there
    ├── NotNow               right request, wrong moment (nothing left to undo)
    │   ├── TooEarly         a task ticked before its time: it may be, with a reason
    │   └── HeldBack         a file of a design with something red: it may be had, when the maker says so
    ├── Clash                a change built on a job that has changed since
    ├── DamagedJob           what is kept of a job cannot be read
    ├── TooMuch              more than can be worked out in the time and memory there is
    └── StoreFault           the database cannot be read or written: full, locked, read-only, gone, newer
"""

__all__ = [
    "ArtworkEmpty",
    "ArtworkRefused",
    "ArtworkUnreadable",
    "BadInput",
    "BadLength",
    "Clash",
    "DamagedJob",
    "DunesteadError",
    "HeldBack",
    "NoSuchThing",
    "NotNow",
    "StoreFault",
    "TooEarly",
    "TooMuch",
    "UnknownKey",
]


class DunesteadError(Exception):
    """Base of all our errors.

    Parameters
    ----------
    what
        One sentence saying what is wrong, with the value met.
    fix
        One sentence saying what to do about it.
    code
        Stable identifier for programs; defaults to the class's own.
    """

    code = "error"

    def __init__(self, what: str, fix: str, *, code: str | None = None) -> None:
        self.what = what
        self.fix = fix
        self.code = code or type(self).code
        super().__init__(f"{what} {fix}")


class BadInput(DunesteadError):
    """Something the maker gave cannot be used."""

    code = "bad-input"


class BadLength(BadInput):
    """A length that cannot be read, or that no workshop could mean."""

    code = "bad-length"


class UnknownKey(BadInput):
    """A key that stands in none of our tables."""

    code = "unknown-key"

    def __init__(self, kind: str, met: str, allowed: list[str]) -> None:
        super().__init__(
            f"There is no {kind} called “{met}”.",
            f"Choose one of: {', '.join(sorted(allowed))}.",
        )


class ArtworkUnreadable(BadInput):
    """The file is not the artwork it says it is."""

    code = "artwork-unreadable"


class ArtworkRefused(BadInput):
    """The file is hostile, or larger than a drawing has any need to be."""

    code = "artwork-refused"


class ArtworkEmpty(BadInput):
    """Nothing in the file would be painted."""

    code = "artwork-empty"


class NoSuchThing(DunesteadError):
    """A job, sheet or piece that is not there."""

    code = "not-found"


class NotNow(DunesteadError):
    """A request that is right in itself but has nothing to act on at present."""

    code = "not-now"


class TooEarly(NotNow):
    """A task ticked before its time, or before its count is out: it may be, once a reason is given."""

    code = "needs-reason"


class HeldBack(NotNow):
    """A file of a design with something red in it: handed out once the maker says so."""

    code = "red-finding"


class Clash(DunesteadError):
    """A change built on a job that has changed since."""

    code = "changed-meanwhile"


class DamagedJob(DunesteadError):
    """What is kept of a job cannot be read."""

    code = "damaged"


class TooMuch(DunesteadError):
    """More than can be worked out in the time and memory there is for one request."""

    code = "too-much"


class StoreFault(DunesteadError):
    """A database that cannot be read or written as it is."""

    code = "database"
