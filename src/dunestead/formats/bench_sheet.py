"""The bench sheet: what is weeded, laid, pressed, pinned, covered, painted and peeled, on paper, to be ticked off.

Black on white, large enough to be read at arm's length; the keepers at true size follow it.
"""

import io
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from itertools import groupby
from operator import itemgetter
from typing import TYPE_CHECKING, Any

import numpy as np
import shapely
from pypdf import PdfReader, PdfWriter

from dunestead.core.geometry.affine import Affine
from dunestead.core.geometry.curves import Box
from dunestead.core.plan.keeper_sheet import draw_keepers
from dunestead.core.plan.laid import guides_of
from dunestead.core.plan.plan import MaskPlan, Plan
from dunestead.core.units import show_length, show_tape, show_temperature, show_time
from dunestead.core.work.cautions import LABEL_FIRST
from dunestead.core.work.kinds import Trait
from dunestead.core.work.saying import caution_of, detail_of, title_of
from dunestead.core.work.tasks import Count, Task, TaskGraph
from dunestead.formats.pdf import PAPERS, Paper, fill_shape, plain, safe, write_tiled_pdf

if TYPE_CHECKING:
    from reportlab.pdfgen.canvas import Canvas

__all__ = ["SCALES", "scale_for", "write_bench_sheet"]

_PT = 72 / 25.4
_MARGIN = 12.0
# A picture is drawn at the largest of these that finds room, so that a rule can be laid on it: 1 to so many.
SCALES = (1.0, 1.5, 2.0, 2.5, 3.0, 4.0, 5.0, 6.0, 8.0, 10.0, 12.0, 15.0, 20.0)
_BESIDE = 14.0
_STATIONS = ("weed", "tack", "paint", "peel")
_GREY, _PALE = 0.72, 0.9
_BOX = 4.0
Draw = Callable[["Canvas", Affine, float], None]


def scale_for(size: tuple[float, float], room: tuple[float, float]) -> float:
    """Return how many mm of a blank one mm of its picture shows.

    Examples
    --------
    >>> scale_for((600, 400), (170, 90))
    5.0
    """
    needed = max(side / space for side, space in zip(size, room, strict=True))
    return next((scale for scale in SCALES if scale >= needed - 1e-9), float(np.ceil(needed)))


@dataclass(frozen=True, slots=True)
class _Type:
    """How large a sheet is set: letters in points, pictures at most so many mm high."""

    letters: float
    picture: float


# The first of these that needs no more than two pages is taken: a second colour must not cost a third.
_TYPES = (_Type(10.5, 80.0), _Type(10.0, 67.0), _Type(9.5, 50.0), _Type(9.0, 40.0), _Type(8.5, 34.0))
_PAGES = 2


def write_bench_sheet(plan: Plan, graph: TaskGraph, unit: str, copy: int, paper: Paper) -> bytes:
    """Return the bench sheet of one copy as a PDF, its keepers at true size behind it."""
    for kind in _TYPES:
        sheet = _set(plan, graph, unit, copy, paper, kind)
        if len(PdfReader(io.BytesIO(sheet)).pages) <= _PAGES:
            break
    return _with_keepers(plan, sheet, paper)


def _set(plan: Plan, graph: TaskGraph, unit: str, copy: int, paper: Paper, kind: _Type) -> bytes:
    from reportlab.lib.enums import TA_LEFT
    from reportlab.lib.styles import ParagraphStyle
    from reportlab.platypus import KeepTogether, Paragraph, SimpleDocTemplate, Spacer

    width, height = PAPERS[paper]
    size = kind.letters
    base = ParagraphStyle("base", fontName="Helvetica", fontSize=size, leading=1.2 * size, alignment=TA_LEFT)
    caption = ParagraphStyle("caption", parent=base, spaceBefore=5, spaceAfter=3)
    head = ParagraphStyle("head", parent=base, fontName="Helvetica-Bold", fontSize=19, leading=22)
    station = ParagraphStyle(
        "station", parent=base, fontName="Helvetica-Bold", fontSize=1.33 * size, leading=1.6 * size, spaceBefore=6
    )
    held = io.BytesIO()
    document = SimpleDocTemplate(
        held,
        pagesize=(width * _PT, height * _PT),
        title=plain(f"{plan.job.name}: bench sheet"),
        invariant=True,
        **{f"{side}Margin": _MARGIN * _PT for side in ("left", "right", "top", "bottom")},
    )
    story: list[Any] = [Paragraph(safe(plan.job.name), head), Paragraph(safe(_facts(plan, unit, copy)), base)]
    room = width - 2 * _MARGIN - 4
    # Where each of several masks has its pictures, they stand beside each other.
    abreast = 2 if len(plan.masks) > 1 else 1
    for mask in plan.masks:
        each = [
            [Paragraph(safe(title), caption), _picture(plan, draw, room / abreast, unit, kind)]
            for draw, title in _pictures(plan, mask, unit)
        ]
        story += [KeepTogether(_beside(each[k : k + abreast], room / abreast)) for k in range(0, len(each), abreast)]
    lines: set[str] = set()
    tasks = [task for task in graph.tasks if task.station in _STATIONS and _is_of(plan, task, copy)]
    # In the order of the work, mask by mask: whoever goes down the list never lays two masks before painting one.
    first = next((k for k, task in enumerate(tasks) if task.mask and task.station != "weed"), len(tasks))
    headed = [(_heading(plan, task, begun=k >= first), task) for k, task in enumerate(tasks)]
    for heading, headed_alike in groupby(headed, key=itemgetter(0)):
        run = [task for _, task in headed_alike]
        rows = [_row(task, graph, unit, base, room, lines) for task in run]
        story += [KeepTogether([Paragraph(safe(heading), station), *rows[:1]]), *rows[1:]]
    story += [Spacer(1, 6), Paragraph(safe(LABEL_FIRST), base)]
    document.build(story)
    return held.getvalue()


def _heading(plan: Plan, task: Task, *, begun: bool) -> str:
    """Return what stands over a task: its station, or its mask once several are laid and painted in turn."""
    named = next((mask.laid.name for mask in plan.masks if mask.number == task.mask), "") if len(plan.masks) > 1 else ""
    return f"{named[:1].upper()}{named[1:]}" if named and begun else task.station.capitalize()


def _facts(plan: Plan, unit: str, copy: int) -> str:
    """Return what is worked on and with, in a line or two."""
    width, height = (show_length(side, unit) for side in plan.job.piece.size)
    lines = [f"{plan.choices.surface.name}, {width} by {height}", plan.choices.material.name, plan.method.name]
    if plan.copies > 1:
        lines.append(f"copy {copy} of {plan.copies}")
    lines.extend(
        f"{one.name}: {show_temperature(one.celsius, unit)}, {one.seconds:g} s a rest"
        for one in plan.masks[0].pressings
    )
    if plan.job.blank.is_seen_through:
        lines.append("worked from its back: left and right as you stand there")
    return "; ".join(lines) + "."


def _is_of(plan: Plan, task: Task, copy: int) -> bool:
    """Say whether a task belongs to one copy; of the weeding, to the set that it is painted through."""
    return task.copy in (None, plan.first_of_set(copy) if task.has(Trait.PER_SET) else copy)


# --- pictures ---------------------------------------------------------------------------------
def _pictures(plan: Plan, mask: MaskPlan, unit: str) -> list[tuple[Draw, str]]:
    """Return what is drawn of a mask: laid and pressed; pinned and covered, where it is."""
    of = f" of {mask.laid.name}" if len(plan.masks) > 1 else ""
    rests = mask.pressings[0].placements if mask.pressings else ()
    pressed = f", and {len(rests)} rests of the plate in their order" if rests else ""
    found: list[tuple[Draw, str]] = [
        (
            lambda canvas, onto, scale: _laid(canvas, onto, plan, mask, unit, scale),
            f"Where it lies{of}{_FROM[guides_of(plan, mask).datum]}{pressed}",
        )
    ]
    if mask.pinning.pins or mask.strips:
        lines = [f"{len(mask.pinning.pins)} pins" if mask.pinning.pins else "", "the cover" if mask.strips else ""]
        found.append(
            (
                lambda canvas, onto, scale: _pinned(canvas, onto, plan, mask, scale),
                f"{' and '.join(part for part in lines if part)}{of}",
            )
        )
    return found


def _beside(pictures: Sequence[list[Any]], room: float) -> list[Any]:
    """Return pictures with their captions beside each other, each in its own column."""
    from reportlab.platypus import Table

    if len(pictures) == 1:
        return pictures[0]
    style = [("VALIGN", (0, 0), (-1, -1), "TOP"), *((side, (0, 0), (-1, -1), 0) for side in _PADDING)]
    return [Table([list(pictures)], colWidths=[room * _PT] * len(pictures), style=style, hAlign="LEFT")]


_FROM = {
    "edges": "",
    "seams": "",
    "rim": ", from the inside of the rim",
    "middle": ", from the middle of the blank",
    "collar": ", from the collar seam and the centre line",
}


def _picture(plan: Plan, draw: Draw, room: float, unit: str, kind: _Type) -> Any:
    """Return a picture of the blank at a round scale, with a rule of its own."""
    from reportlab.platypus import Flowable

    size = plan.job.piece.size
    scale = scale_for(size, (room - 2 * _BESIDE, kind.picture))
    high = size[1] / scale + 15

    class Picture(Flowable):  # type: ignore[misc]
        def __init__(self) -> None:
            super().__init__()
            self.width, self.height = room * _PT, high * _PT

        def draw(self) -> None:
            back = plan.job.blank.is_seen_through
            across = _PT / scale
            x = _BESIDE * _PT
            onto = Affine(
                a=-across if back else across, d=-across, e=x + (size[0] * across if back else 0), f=(high - 5) * _PT
            )
            draw(self.canv, onto, scale)
            _rule(self.canv, x, 4 * _PT, scale, unit)

    return Picture()


def _rule(canvas: "Canvas", x: float, y: float, scale: float, unit: str) -> None:
    """Draw how long 100 mm of the blank are on the picture."""
    long = 100 * _PT / scale
    canvas.setStrokeGray(0)
    canvas.setFillGray(0)
    canvas.setLineWidth(0.8)
    for x0, y0, x1, y1 in ((x, y, x + long, y), (x, y - 3, x, y + 3), (x + long, y - 3, x + long, y + 3)):
        canvas.line(x0, y0, x1, y1)
    canvas.setFont("Helvetica", 10)
    canvas.drawString(x + long + 5, y - 3.5, f"{show_length(100, unit)}; picture 1 : {scale:g}")


def _ground(canvas: "Canvas", onto: Affine, plan: Plan, mask: MaskPlan) -> None:
    """Draw the blank, the mask on it, what is painted in grey, and the keepers."""
    move = Affine.translation(*plan.origin).then(onto)
    canvas.setLineWidth(0.6)
    canvas.setStrokeGray(0)
    fill_shape(canvas, onto, plan.look.composition.outline, 1.0)
    if not mask.laid.is_reverse:
        fill_shape(canvas, move, mask.cut.windows, _GREY)
    for keeper in mask.cut.keepers:
        fill_shape(canvas, move, keeper.shape, 1.0)
    canvas.setLineWidth(0.4)
    frame = mask.cut.frame
    if not frame.is_empty:
        fill_shape(canvas, move, shapely.Polygon(frame.exterior), None)


def _laid(canvas: "Canvas", onto: Affine, plan: Plan, mask: MaskPlan, unit: str, scale: float) -> None:
    _ground(canvas, onto, plan, mask)
    outline = plan.look.composition.outline
    canvas.setLineWidth(1.1)
    for rest in mask.pressings[0].placements if mask.pressings else ():
        canvas.setDash(4, 2)
        fill_shape(canvas, onto, shapely.box(*rest.box).intersection(outline), None)
        canvas.setDash()
        _label(canvas, onto, _middle(rest.box), str(rest.number), 13)
    if not mask.pressings:
        _numbers(canvas, onto, plan, mask)
    width, height = plan.job.piece.size
    tape, gap = guides_of(plan, mask).lines[0].tape, 5 * scale
    x0, y0, x1, y1 = mask.painted_box
    back = plan.job.blank.is_seen_through
    left, right = (tape.right, tape.left) if back else (tape.left, tape.right)
    for at, reading in (
        ((-1.6 * gap, (y0 + y1) / 2), left),
        ((width + 1.6 * gap, (y0 + y1) / 2), right),
        (((x0 + x1) / 2, -0.5 * gap), tape.top),
        (((x0 + x1) / 2, height + 0.5 * gap), tape.bottom),
    ):
        _label(canvas, onto, at, show_tape(reading, unit), 10)


def _pinned(canvas: "Canvas", onto: Affine, plan: Plan, mask: MaskPlan, scale: float) -> None:
    _ground(canvas, onto, plan, mask)
    canvas.setLineWidth(1.0)
    for strip in mask.strips:
        canvas.setDash(6, 2)
        fill_shape(canvas, onto, shapely.box(*strip.box), None)
        canvas.setDash()
        _label(
            canvas, onto, ((strip.box[0] + strip.box[2]) / 2, (strip.box[1] + strip.box[3]) / 2), str(strip.number), 13
        )
    long = 3.2 * scale
    for pin in mask.pinning.pins:
        at = (pin.at[0] + plan.origin[0], pin.at[1] + plan.origin[1])
        head = (at[0] + long * pin.lean[0], at[1] + long * pin.lean[1])
        (ax, ay), (bx, by) = onto.apply(np.array([at, head])).tolist()
        canvas.setLineWidth(1.2)
        canvas.line(ax, ay, bx, by)
        canvas.setFillGray(0)
        canvas.circle(ax, ay, 1.4, stroke=0, fill=1)
        _label(canvas, onto, head, str(pin.number), 8)


def _middle(box: Box) -> tuple[float, float]:
    return (box[0] + box[2]) / 2, (box[1] + box[3]) / 2


def _numbers(canvas: "Canvas", onto: Affine, plan: Plan, mask: MaskPlan) -> None:
    for keeper in mask.cut.keepers:
        at = (keeper.anchor[0] + plan.origin[0], keeper.anchor[1] + plan.origin[1])
        _label(canvas, onto, at, str(keeper.number), 9)


def _label(canvas: "Canvas", onto: Affine, at: tuple[float, float], text: str, size: float) -> None:
    """Write a number on white, in the middle of a place."""
    ((x, y),) = onto.apply(np.array([at])).tolist()
    wide = canvas.stringWidth(plain(text), "Helvetica-Bold", size)
    canvas.setFillGray(1)
    canvas.rect(x - wide / 2 - 1, y - size * 0.45, wide + 2, size * 0.95, stroke=0, fill=1)
    canvas.setFillGray(0)
    canvas.setFont("Helvetica-Bold", size)
    canvas.drawCentredString(x, y - size * 0.34, plain(text))


# --- tasks ------------------------------------------------------------------------------------
def _row(task: Task, graph: TaskGraph, unit: str, style: Any, room: float, before: set[str]) -> Any:
    """Return a task with a box to tick, what to count, and what can hurt; what was said before is not said again."""
    from reportlab.platypus import Paragraph, Table

    lines = [f"<b>{safe(title_of(task, unit))}</b>"]
    if task.minutes >= 1:
        lines[0] += f" ({safe(show_time(task.minutes))})"
    if (detail := detail_of(task, graph, unit)) and detail not in before:
        lines.append(safe(detail))
    if task.call and task.call.counts:
        lines.append(_counts(task.call.counts))
    caution = caution_of(task)
    if caution and caution not in before:
        lines.append(f"<b>Take care.</b> {safe(caution)}")
    before.update(text for text in (detail, caution) if text)
    table = Table(
        [[_box(), Paragraph("<br/>".join(lines), style)]],
        colWidths=[(_BOX + 3) * _PT, (room - _BOX - 3) * _PT],
        style=[("VALIGN", (0, 0), (-1, -1), "TOP"), *((side, (0, 0), (-1, -1), 2) for side in _PADDING)],
    )
    table.hAlign = "LEFT"
    return table


_PADDING = ("LEFTPADDING", "RIGHTPADDING", "TOPPADDING", "BOTTOMPADDING")


def _counts(counts: Sequence[Count]) -> str:
    each = [f"{one.name}: ______" + (f" of {one.expected}" if one.expected is not None else "") for one in counts]
    return safe("Counted: " + "; ".join(each))


def _box() -> Any:
    from reportlab.platypus import Flowable

    class Box(Flowable):  # type: ignore[misc]
        def __init__(self) -> None:
            super().__init__()
            self.width = self.height = _BOX * _PT

        def draw(self) -> None:
            self.canv.setLineWidth(1)
            self.canv.rect(0, 0, self.width, self.height)

    return Box()


def _with_keepers(plan: Plan, sheet: bytes, paper: Paper) -> bytes:
    kept = [mask for mask in plan.masks if mask.cut.keepers and not mask.laid.is_reverse]
    if not kept:
        return sheet
    writer = PdfWriter()
    for data in (sheet, *(write_tiled_pdf(draw_keepers(plan, mask), paper) for mask in kept)):
        writer.append(PdfReader(io.BytesIO(data)))
    held = io.BytesIO()
    writer.write(held)
    return held.getvalue()
