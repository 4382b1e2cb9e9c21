"""Sizing and arranging a design as a whole: filling the blank, aligning, spreading, placing on a garment."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from typing import Literal, get_args

import numpy as np

from dunestead.core.artwork.compose import Composition, PlacedElement, compose
from dunestead.core.artwork.elements import Element, Frame, element_of, next_id, resized, wider
from dunestead.core.artwork.room import room_beside, room_on
from dunestead.core.artwork.sources import Sources
from dunestead.core.blanks.blank import Blank, Garment
from dunestead.core.blanks.garments import placement_of
from dunestead.core.errors import BadInput, NotNow
from dunestead.core.figures import Catalogue
from dunestead.core.geometry.curves import Box
from dunestead.core.job.checks import check_job
from dunestead.core.job.ground import blank_outline, margin_of
from dunestead.core.job.job import Job, altered

__all__ = [
    "ARRANGEMENTS",
    "Arrangement",
    "Guide",
    "add_element",
    "arrange",
    "as_garment",
    "change_blank",
    "copy_element",
    "design_of",
    "fit_design",
    "follow_blank",
    "guides_of",
    "new_element",
    "place_on_garment",
    "resize_design",
    "resize_element",
    "start_design",
    "usual_arc",
]

Arrangement = Literal[
    "left",
    "middle",
    "right",
    "top",
    "centre",
    "bottom",
    "spread-across",
    "spread-down",
    "blank-middle",
    "blank-centre",
]
ARRANGEMENTS: tuple[Arrangement, ...] = get_args(Arrangement)
_SMALLEST_MM, _LARGEST_MM = 1.0, 20_000.0
# What joins a design starts at this share of its width, so that both are seen.
_JOINING_SHARE = 0.6
# Margins are kept while they leave this share of the design.
_MARGINS_HOLD = 0.4
_ARC_TO_WIDTH, _ARC_TO_BLANK = 0.6, 0.36


@dataclass(frozen=True, slots=True)
class Guide:
    """A line to snap to, mm on the blank, and the part of the design it belongs to; None for the blank's own."""

    at: float
    element: int | None


def design_of(job: Job, sources: Sources, catalogue: Catalogue) -> Composition:
    """Return a job's design on its blank.

    Raises
    ------
    BadInput
        When an entry of the job cannot be reckoned with.
    """
    check_job(job, catalogue)
    return compose(job.elements, blank_outline(job.piece, sources), sources)


def resize_design(job: Job, width: float, sources: Sources, catalogue: Catalogue) -> Job:
    """Return the job with its design made so wide, mm, about its own middle; frames follow the blank and stay.

    Raises
    ------
    BadInput, BadLength
        When the width makes no sense or there is only a frame.
    """
    if not _SMALLEST_MM <= width <= _LARGEST_MM:
        raise BadInput(
            f"The width of the design of {width:g} mm is not possible here.",
            f"Give {_SMALLEST_MM:g} to {_LARGEST_MM:g} mm.",
        )
    composition = design_of(job, sources, catalogue)
    if composition.design_box is None:
        raise NotNow("A frame alone follows the blank and has no size of its own.", "Change its inset instead.")
    return _grown(job, composition.design_box, width / composition.design_width)


def _grown(job: Job, box: Box, factor: float) -> Job:
    width, height = job.piece.size
    cx, cy = (box[0] + box[2]) / 2 - width / 2, (box[1] + box[3]) / 2 - height / 2
    elements = tuple(_about(element, cx, cy, factor) for element in job.elements)
    return altered(job, elements=elements)


def _about(element: Element, cx: float, cy: float, factor: float) -> Element:
    if isinstance(element, Frame):
        return element
    grown = resized(element, factor)
    return replace(grown, x=cx + (element.x - cx) * factor, y=cy + (element.y - cy) * factor)


def fit_design(job: Job, sources: Sources, catalogue: Catalogue) -> Job:
    """Return the job with its design in the middle of the blank, or in its place on a garment, up to the margins."""
    if placement := placement_of(job.piece, catalogue):
        return place_on_garment(resize_design(job, placement.widest, sources, catalogue), sources, catalogue)
    # Small enough to lie on any blank first, so that nothing is trimmed when it is measured.
    small = _grown(job, (0, 0, *job.piece.size), 1e-2) if _is_lost(job, sources, catalogue) else job
    composition = design_of(small, sources, catalogue)
    if composition.design_box is None:
        return job
    centred = _shifted_to_middle(small, composition.design_box)
    composition = design_of(centred, sources, catalogue)
    assert composition.design_box is not None
    web = catalogue.surface(job.blank.surface).web
    room = room_on(composition, margin_of(job.piece, catalogue))
    # Beside an area in the very middle of the blank there is no room: then it is told instead.
    room = room_beside(composition, job.piece.clear, web, room) or room
    width = np.floor(composition.design_width * room * 10) / 10
    return resize_design(centred, max(float(width), _SMALLEST_MM), sources, catalogue)


def start_design(job: Job, sources: Sources, catalogue: Catalogue) -> Job:
    """Return a new job with its design as wide as fits; on a shirt or jacket as prints of its size usually are."""
    fitted = fit_design(job, sources, catalogue)
    usual = catalogue.surface(job.blank.surface).print_as
    if usual is None or placement_of(job.piece, catalogue):
        return fitted
    size = min(catalogue.garments.values(), key=lambda one: abs(one.width - job.piece.size[0]))
    widest = catalogue.placements[usual].at(size.key).widest
    if design_of(fitted, sources, catalogue).design_width <= widest:
        return fitted
    return resize_design(fitted, widest, sources, catalogue)


def _is_lost(job: Job, sources: Sources, catalogue: Catalogue) -> bool:
    try:
        design_of(job, sources, catalogue)
    except BadInput:
        return True
    return False


def _shifted_to_middle(job: Job, box: Box) -> Job:
    width, height = job.piece.size
    return _shifted(job, width / 2 - (box[0] + box[2]) / 2, height / 2 - (box[1] + box[3]) / 2)


def _shifted(job: Job, dx: float, dy: float) -> Job:
    return altered(
        job,
        elements=tuple(
            e if isinstance(e, Frame) else replace(e, x=round(e.x + dx, 4), y=round(e.y + dy, 4)) for e in job.elements
        ),
    )


def place_on_garment(job: Job, sources: Sources, catalogue: Catalogue) -> Job:
    """Return the job with its design where the garment's guide puts it, and no wider than is usual there.

    Raises
    ------
    NotNow
        When the blank is no garment.
    """
    placement = placement_of(job.piece, catalogue)
    if placement is None:
        raise NotNow("Only garments have a placement guide.", "Choose “garment” as the blank's shape first.")
    box = design_of(job, sources, catalogue).design_box
    if box is None:
        raise NotNow("A frame alone follows the blank.", "Add words or artwork first.")
    sized = resize_design(job, min(box[2] - box[0], placement.widest), sources, catalogue)
    box = design_of(sized, sources, catalogue).design_box
    assert box is not None
    return _shifted(sized, placement.middle - (box[0] + box[2]) / 2, placement.top - box[1])


def change_blank(job: Job, blank: Blank, sources: Sources, catalogue: Catalogue) -> Job:
    """Return the job with another blank; where the maker wants margins kept, the design follows its size."""
    changed = altered(job, piece=blank)
    if blank.keeps == "size":
        return changed
    return follow_blank(changed, job.piece.size, sources, catalogue)


def follow_blank(job: Job, before: tuple[float, float], sources: Sources, catalogue: Catalogue) -> Job:
    """Return the job with its design keeping the margins it had on a blank of another size.

    Parameters
    ----------
    before
        Width and height of the blank the design was made for, inside its rim, mm.
    """
    after = job.piece.size
    box = design_of(altered(job, piece=_sized(job.piece, before)), sources, catalogue).design_box
    if before == after or box is None:
        return job
    wide, high = box[2] - box[0], box[3] - box[1]
    # The edge nearest in proportion holds its margin; the other gets what is left.
    factor = min((wide + after[0] - before[0]) / wide, (high + after[1] - before[1]) / high)
    if factor < _MARGINS_HOLD:
        # On a blank so much smaller the margins shrink with it.
        factor = min(after[0] / before[0], after[1] / before[1])
    return _grown(job, (0, 0, *after), factor)


def _sized(blank: Blank, size: tuple[float, float]) -> Blank:
    """Return a blank of a size inside its rim."""
    width, height = (side + 2 * blank.rim for side in size)
    return replace(blank, width=width, height=height, measured_width=None, measured_height=None)


def as_garment(blank: Blank, before: Blank, catalogue: Catalogue) -> Blank:
    """Return a blank that has become a garment, or one of another size, with the sides its size usually has."""
    if blank.shape != "garment":
        return blank
    garment = blank.garment or Garment()
    was = before.garment.size if before.shape == "garment" and before.garment else None
    if was == garment.size:
        return replace(blank, garment=garment)
    size = catalogue.garment(garment.size)
    plain = replace(garment, drop=None, across=None, widest=None)
    return replace(
        blank, garment=plain, width=size.width, height=size.height, measured_width=None, measured_height=None
    )


def resize_element(element: Element, width: float, sources: Sources, catalogue: Catalogue, job: Job) -> Element:
    """Return an element made so wide, mm, before it is turned."""
    if isinstance(element, Frame):
        raise NotNow("A frame follows the blank and has no width of its own.", "Change its inset instead.")
    if not _SMALLEST_MM <= width <= _LARGEST_MM:
        raise BadInput(
            f"A width of {width:g} mm is not possible here.", f"Give {_SMALLEST_MM:g} to {_LARGEST_MM:g} mm."
        )
    now = design_of(job, sources, catalogue).placed_of(element.id).size[0] - element.embolden
    return wider(element, (width - element.embolden) / now)


def guides_of(composition: Composition, margin: float) -> tuple[list[Guide], list[Guide]]:
    """Return the lines to snap to, across and down: the blank's middles and margins, edges and middles of parts."""
    width, height = composition.outline.bounds[2:]
    across = [Guide(at, None) for at in (margin, width / 2, width - margin)]
    down = [Guide(at, None) for at in (margin, height / 2, height - margin)]
    for placed in composition.placed:
        if isinstance(placed.element, Frame):
            continue
        x0, y0, x1, y1 = placed.box
        across += [Guide(at, placed.element.id) for at in (x0, (x0 + x1) / 2, x1)]
        down += [Guide(at, placed.element.id) for at in (y0, (y0 + y1) / 2, y1)]
    return across, down


# --- adding, copying --------------------------------------------------------------------------
def new_element(job: Job, element: Element, sources: Sources, catalogue: Catalogue) -> Element:
    """Return an element sized and placed to join a design: narrower than it, and below or above where there is room."""
    if isinstance(element, Frame):
        return replace(element, inset=round(margin_of(job.piece, catalogue) / 2, 1))
    alone = altered(job, elements=(element,))
    box = design_of(job, sources, catalogue).design_box
    room = room_on(design_of(alone, sources, catalogue), margin_of(job.piece, catalogue))
    fitting = design_of(alone, sources, catalogue).design_width * max(room, 1e-3)
    wanted = min(fitting, (box[2] - box[0]) * _JOINING_SHARE if box else fitting)
    sized = resize_element(element, max(round(wanted, 1), _SMALLEST_MM), sources, catalogue, alone)
    if box is None:
        return sized
    high = design_of(altered(job, elements=(sized,)), sources, catalogue).placed_of(sized.id).size[1]
    return replace(sized, y=round(_free_row(box, high, job.piece.size[1], margin_of(job.piece, catalogue)), 3))


def usual_arc(width: float, blank: Blank) -> float:
    """Return a radius to start an arc from, mm: a little over half the words, or along the blank's edge."""
    return float(round(max(width * _ARC_TO_WIDTH, min(blank.size) * _ARC_TO_BLANK)))


def _free_row(box: Box, high: float, blank: float, margin: float) -> float:
    """Return how far below the blank's middle something so high has room next to a box, 0 where it has none."""
    gap = high / 4
    below, above = box[3] + gap, box[1] - gap - high
    if below + high <= blank - margin:
        return below + high / 2 - blank / 2
    return above + high / 2 - blank / 2 if above >= margin else 0.0


def add_element(job: Job, make: Callable[[int], Element]) -> Job:
    """Return the job with one more element, which is made with the number it gets."""
    number = next_id(job.elements, job.design.last_element)
    return altered(job, elements=(*job.elements, make(number)), last_element=number)


def copy_element(job: Job, number: int, sources: Sources, catalogue: Catalogue) -> Job:
    """Return the job with an element once more, set off so that both are seen."""
    element = element_of(job.elements, number)
    size = design_of(job, sources, catalogue).placed_of(number).size
    off = min(size) / 4
    return add_element(job, lambda new: replace(element, id=new, x=element.x + off, y=element.y + off))


# --- arranging --------------------------------------------------------------------------------
def arrange(job: Job, numbers: Sequence[int], how: Arrangement, sources: Sources, catalogue: Catalogue) -> Job:
    """Return the job with elements aligned with each other, spread evenly, or centred on the blank.

    Parameters
    ----------
    numbers
        Which elements; none means all but frames.
    how
        ``left``, ``middle``, ``right``, ``top``, ``centre``, ``bottom`` align edges or middles within
        the box of all; ``spread-…`` evens out the gaps; ``blank-…`` centres them as one on the blank.

    Raises
    ------
    BadInput
        When there is nothing of the kind to do.
    """
    if how not in ARRANGEMENTS:
        raise BadInput(f"“{how}” is not a way to arrange.", f"Choose one of: {', '.join(ARRANGEMENTS)}.")
    composition = design_of(job, sources, catalogue)
    chosen = [element_of(job.elements, number) for number in numbers] or list(job.elements)
    placed = [composition.placed_of(element.id) for element in chosen if not isinstance(element, Frame)]
    needed = 3 if how.startswith("spread") else 1 if how.startswith("blank") else 2
    if len(placed) < needed:
        raise BadInput(
            f"Arranging this way needs {needed} parts or more.",
            "Choose more of them; frames follow the blank and stay.",
        )
    shifts = _shifts(placed, how, job.piece.size)
    moved = tuple(
        replace(e, x=round(e.x + shifts[e.id][0], 4), y=round(e.y + shifts[e.id][1], 4)) if e.id in shifts else e
        for e in job.elements
    )
    return altered(job, elements=moved)


def _shifts(placed: list[PlacedElement], how: str, blank: tuple[float, float]) -> dict[int, tuple[float, float]]:
    boxes = np.array([one.box for one in placed])
    low, high = boxes[:, :2], boxes[:, 2:]
    all_low, all_high = low.min(axis=0), high.max(axis=0)
    by = np.zeros((len(placed), 2))
    if how in ("left", "top"):
        axis = int(how == "top")
        by[:, axis] = all_low[axis] - low[:, axis]
    elif how in ("right", "bottom"):
        axis = int(how == "bottom")
        by[:, axis] = all_high[axis] - high[:, axis]
    elif how in ("middle", "centre"):
        axis = int(how == "centre")
        by[:, axis] = (all_low[axis] + all_high[axis]) / 2 - (low[:, axis] + high[:, axis]) / 2
    elif how in ("blank-middle", "blank-centre"):
        axis = int(how == "blank-centre")
        by[:, axis] = blank[axis] / 2 - (all_low[axis] + all_high[axis]) / 2
    else:
        axis = int(how == "spread-down")
        order = np.argsort((low[:, axis] + high[:, axis]) / 2, kind="stable")
        sizes = (high - low)[order, axis]
        gap = (all_high[axis] - all_low[axis] - sizes.sum()) / (len(placed) - 1)
        starts = all_low[axis] + np.append(0, np.cumsum(sizes + gap)[:-1])
        by[order, axis] = starts - low[order, axis]
    return {one.element.id: (float(dx), float(dy)) for one, (dx, dy) in zip(placed, by, strict=True)}
