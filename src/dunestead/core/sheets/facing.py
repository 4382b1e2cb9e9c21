"""Which side up, and mirrored or not: derived, and shown in section at every step."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Literal

from dunestead.core.figures import Cutter, Material

__all__ = ["Facing", "Layer", "Stage", "face", "facing_stages"]

Role = Literal["mask", "glue", "carrier", "backing", "mat", "blank"]


@dataclass(frozen=True, slots=True)
class Facing:
    """How the sheet lies under the knife, and why."""

    mirrored: bool
    why: str


@dataclass(frozen=True, slots=True)
class Layer:
    """One layer of a stack."""

    name: str
    role: Role


@dataclass(frozen=True, slots=True)
class Stage:
    """The stack at one step of the work, as if cut through.

    Attributes
    ----------
    name
        The step.
    layers
        From the top down.
    tool
        What comes from above; or the eye, from below where the print is seen through the blank.
    from_below
        Whether the tool is below the stack.
    mirrored
        How the artwork reads to someone looking from where the tool is.
    about
        What is done, in words.
    """

    name: str
    layers: tuple[Layer, ...]
    tool: Literal["knife", "iron", "hand", "eye"]
    from_below: bool
    mirrored: bool
    about: str


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
    verdict = "cut mirrored" if mirrored else "not mirrored"
    return Facing(mirrored, f"The knife enters from {side}{through}: {verdict}. {material.facing}")


def facing_stages(material: Material, cutter: Cutter, blank: str, *, seen_through: bool) -> tuple[Stage, ...]:
    """Return the stack in section at every step: under the knife, turned or not, on the blank, looked at.

    Parameters
    ----------
    material, cutter
        Say what lies on what while it is cut.
    blank
        What the blank is called.
    seen_through
        Whether the print is looked at through the blank.
    """
    facing = face(material, seen_through=seen_through)
    ground = Layer(blank, "blank")
    on_blank = tuple(layer for layer in _mask_layers(material) if layer.role != "backing")
    tool: Literal["iron", "hand"] = "iron" if material.hold == "heat" else "hand"
    pressed = "Pressed on" if tool == "iron" else "Laid on"
    turn = "turned over, " if material.enters_from == "back" else ""
    return (
        Stage(
            "Under the knife",
            tuple(_under_the_knife(material, cutter)),
            "knife",
            False,
            facing.mirrored,
            f"{'Back' if material.enters_from == 'back' else 'Face'} up; the knife enters from there.",
        ),
        Stage(
            pressed,
            (*on_blank, ground),
            tool,
            False,
            seen_through,
            f"Weeded, {turn}its back on the blank.",
        ),
        Stage(
            "Painted and peeled",
            (Layer("paint", "mask"), ground),
            "eye",
            seen_through,
            False,
            "Seen through the blank, from its other side." if seen_through else "Seen from the face.",
        ),
    )


def _mask_layers(material: Material) -> Iterator[Layer]:
    """Yield the layers of a material from its face to its back."""
    roles: dict[str, Role] = {"coating": "glue", "glue": "glue", "carrier": "carrier"}
    for name in material.layers:
        yield Layer(name, roles.get(name, "mask"))
    if material.backing:
        yield Layer("backing", "backing")


def _under_the_knife(material: Material, cutter: Cutter) -> Iterator[Layer]:
    layers = list(_mask_layers(material))
    yield from layers if material.enters_from == "face" else reversed(layers)
    if cutter.feeds == "mat":
        yield Layer("cutting mat, sticky", "mat")
    elif cutter.feeds == "hand":
        yield Layer("cutting mat", "mat")
