"""The library of blanks."""

from dunestead.api.wire import Shown, Wire, limits_like
from dunestead.store import StoredBlank


class KeepBlankIn(Wire):
    """A name for the library."""

    model_config = limits_like(StoredBlank)

    name: str


class StoredBlankOut(Shown):
    """A blank of the library."""

    id: int
    name: str
    surface: str
    surface_name: str
    width: float
    height: float


class BlanksOut(Shown):
    """The library of blanks."""

    blanks: list[StoredBlankOut]
