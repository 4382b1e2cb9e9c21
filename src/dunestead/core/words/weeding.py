"""What is said at the weeding table: of a pull, and when something goes wrong."""

from dataclasses import dataclass

from dunestead.core.figures import Material
from dunestead.core.plan.weeding import WeedRegion

__all__ = ["WHERE", "HelpCard", "help_for", "pulled"]

# Where keepers are, by the method.
WHERE = {
    "mat": "They stay on the cutting mat, in their places.",
    "tape": "They travel on the tape.",
    "carrier": "They stay on their carrier.",
    "dish": "They go into the dish.",
    "none": "Every one is bridged.",
}
_STAYS = {
    "mat": "it stays on the mat, in its place",
    "tape": "it stays, to travel on the tape",
    "carrier": "it stays on its carrier",
    "dish": "it goes into the dish with its number, not to the scraps",
    "none": "it stays, tied by its bridges",
}


@dataclass(frozen=True, slots=True)
class HelpCard:
    """What to do when something goes wrong, in a few lines."""

    key: str
    title: str
    text: str


_BUBBLES = HelpCard(
    "bubbles",
    "Bubbles under the film",
    "It is not spoiled: the knife has cut where it should. Press them flat from the middle outwards, or prick them at "
    "the edge, before you pull.",
)
_CURL = HelpCard(
    "curl",
    "It curls",
    "Turn the mat over and peel the mat off the material, not the material off the mat. Lay the sheet under a book for "
    "a few minutes.",
)
_STATIC = HelpCard(
    "static",
    "Small pieces jump and cling",
    "Wipe hook and hand with a damp cloth. Put each piece on a strip of tape as it comes out.",
)
_TORN = HelpCard(
    "torn",
    "The mask has torn",
    "Bring the edges together and mend it with tape on the face, not on the back that must stick. Cut the tape flush "
    "with the window, and look at the place again before paint.",
)
_TIPS = HelpCard(
    "tips",
    "A tip will not let go",
    "Do not pull: go over that corner with the knife once more, then lift it with the hook towards the middle of the "
    "window.",
)
_RIPS = HelpCard(
    "rips",
    "Paper rips off the mat and leaves its back there",
    "The mat holds too well: dab it on cloth before the next sheet, and peel the mat away flat and slowly. A thin "
    "place is mended with tape on the face.",
)


def help_for(material: Material) -> list[HelpCard]:
    """Return what may go wrong with a material, and what to do."""
    if material.kind in ("paper", "card"):
        return [_TORN, _TIPS, _RIPS, _CURL]
    return [_BUBBLES, _CURL, _STATIC, _TORN, _TIPS]


def pulled(region: WeedRegion, where: str) -> str:
    """Return what pulling a part out would mean: that it goes, or what it would have cost."""
    if region.goes:
        return f"Out: {region.name}."
    if region.kind == "frame":
        return "That is the mask itself: without it nothing is left to lay, and what it covers is painted."
    what = region.name if region.name.startswith(("the ", "part ")) else f"the {region.name}"
    what = f"the piece {region.name}" if region.name.startswith("in ") else what
    return f"That is {what}, keeper {region.number}. Lost, its place is painted over: {_STAYS[where]}."
