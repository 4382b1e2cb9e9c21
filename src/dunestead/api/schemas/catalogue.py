"""The figures there are."""

from pydantic import Field

from dunestead.api.wire import Shown
from dunestead.core.limits import Limit


class ChoiceOut(Shown):
    """A row of the catalogue to choose; `suits` lists the surfaces it works on."""

    key: str
    name: str
    about: str
    suits: list[str]


class FigureOut(Shown):
    """One figure of the catalogue with unit, range and reason."""

    table: str
    key: str
    name: str
    value: float
    low: float
    high: float
    unit: str
    why: str


class FaceOut(Shown):
    """A shipped face."""

    key: str
    name: str
    kind: str
    kind_name: str


class CatalogueOut(Shown):
    """What there is to choose from."""

    surfaces: list[ChoiceOut]
    materials: list[ChoiceOut]
    cutters: list[ChoiceOut]
    presses: list[ChoiceOut]
    covers: list[ChoiceOut]
    tools: list[tuple[str, str]] = Field(description="What a workshop may have to make masks hold: keys and names.")
    paints: list[ChoiceOut]
    figures: list[FigureOut]
    garments: list[ChoiceOut]
    placements: list[ChoiceOut]
    faces: list[FaceOut]
    roles: dict[str, list[str]]
    limits: dict[str, Limit]
