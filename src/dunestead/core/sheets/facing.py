"""Which side up, and mirrored or not."""

from dataclasses import dataclass

from dunestead.core.figures import Material

__all__ = ["Facing", "face"]


@dataclass(frozen=True, slots=True)
class Facing:
    """How the sheet lies under the knife, and why."""

    mirrored: bool
    why: str


def face(material: Material, *, seen_through: bool) -> Facing:
    """Return whether a sheet is cut mirrored.

    The back of the mask must meet the blank. A knife that enters from the back therefore cuts
    mirrored; a print seen through the blank, as on the back of glass, is mirrored once more.

    Parameters
    ----------
    material
        Says which side the knife enters from.
    seen_through
        Whether the print is looked at through the blank.
    """
    from_back = material.enters_from == "back"
    mirrored = from_back != seen_through
    side = "the back" if from_back else "the face"
    through = ", and the print is seen through the blank" if seen_through else ""
    verdict = "cut mirrored" if mirrored else "cut as it reads"
    return Facing(mirrored, f"The knife enters from {side}{through}: {verdict}. {material.facing}")
