"""A quotation as a PDF: the print in its colours, what it is and what it costs; nothing of how that was reckoned."""

import io
from collections.abc import Sequence
from dataclasses import dataclass
from typing import TYPE_CHECKING, Any

from dunestead.core.colours import colour_name
from dunestead.core.geometry.affine import Affine
from dunestead.core.job.ground import base_of, ground_colour
from dunestead.core.looking.seen import colours_seen
from dunestead.core.plan.plan import Plan
from dunestead.core.units import show_length
from dunestead.core.words.care import CareCard
from dunestead.formats.pdf import PAPERS, Paper, fill_shape, safe

if TYPE_CHECKING:
    from reportlab.pdfgen.canvas import Canvas

__all__ = ["Offer", "write_quotation"]

_PT = 72 / 25.4
_MARGIN = 18.0
_TALLEST = 95.0


@dataclass(frozen=True, slots=True)
class Offer:
    """What is offered: of one and of all, in the workshop's money; on which day, and for how long it stands."""

    price: str
    total: str
    on: str
    until: str


def write_quotation(plan: Plan, offer: Offer, care: CareCard, unit: str, paper: Paper) -> bytes:
    """Return a quotation for all copies of a job."""
    from reportlab.lib.styles import ParagraphStyle
    from reportlab.platypus import Paragraph, SimpleDocTemplate, Spacer, Table

    plain = ParagraphStyle("plain", fontName="Helvetica", fontSize=11, leading=15, spaceAfter=5)
    head = ParagraphStyle("head", parent=plain, fontName="Helvetica-Bold", fontSize=20, leading=25, spaceAfter=2)
    small = ParagraphStyle("small", parent=plain, fontSize=9, leading=12)
    width, height = PAPERS[paper]
    held = io.BytesIO()
    document = SimpleDocTemplate(
        held,
        pagesize=(width * _PT, height * _PT),
        title=f"Quotation: {plan.job.name}",
        invariant=1,
        **dict.fromkeys(("leftMargin", "rightMargin", "topMargin", "bottomMargin"), _MARGIN * _PT),
    )
    rows = [[Paragraph(f"<b>{name}</b>", plain), Paragraph(safe(text), plain)] for name, text in _facts(plan, unit)]
    rows += [
        [Paragraph("<b>Price each</b>", plain), Paragraph(safe(offer.price), plain)],
        [Paragraph("<b>Price in all</b>", plain), Paragraph(f"<b>{safe(offer.total)}</b>", plain)],
    ]
    room = width - 2 * _MARGIN
    story: list[Any] = [
        Paragraph("Quotation", small),
        Paragraph(safe(plan.job.name), head),
        Paragraph(safe(f"{offer.on}. It stands until {offer.until}."), small),
        Spacer(0, 4 * _PT),
        _picture(plan, room),
        Spacer(0, 5 * _PT),
        Table(rows, colWidths=[38 * _PT, (room - 38) * _PT], hAlign="LEFT", style=_ROWS),
        Spacer(0, 5 * _PT),
        *(Paragraph(f"<b>{name}.</b> {safe(text)}", small) for name, text in _care(care)),
    ]
    document.build(story)
    return held.getvalue()


_ROWS = [("VALIGN", (0, 0), (-1, -1), "TOP"), ("LINEABOVE", (0, 0), (-1, -1), 0.4, "#b5ac96")]


def _facts(plan: Plan, unit: str) -> Sequence[tuple[str, str]]:
    job = plan.job
    wide, high = (show_length(side, unit) for side in job.piece.size)
    across, down = show_length(plan.painted.width, unit), show_length(plan.painted.height, unit)
    colours = [colour_name(colour) for colour in colours_seen(plan.look)]
    base = base_of(job)
    ground = f", on {colour_name(ground_colour(job))}" if base and base.colour else ""
    return [
        ("What", f"{plan.choices.surface.name}, {wide} by {high}"),
        ("Print", f"{across} by {down}, in {', '.join(dict.fromkeys(colours))}{ground}"),
        ("How many", str(plan.copies)),
        *([("Ready by", f"{job.blank.due.day} {job.blank.due:%B %Y}")] if job.blank.due else []),
    ]


def _care(care: CareCard) -> Sequence[tuple[str, str]]:
    return [("To clean", care.clean), ("Where", care.place), ("Take care", care.cautions)]


def _picture(plan: Plan, room: float) -> Any:
    """Return a picture of the print on its blank, as large as there is room."""
    from reportlab.platypus import Flowable

    wide, high = plan.job.piece.size
    scale = min(room / wide, _TALLEST / high)

    class Picture(Flowable):  # type: ignore[misc]
        def __init__(self) -> None:
            super().__init__()
            self.width, self.height = wide * scale * _PT, high * scale * _PT

        def draw(self) -> None:
            each = scale * _PT
            _drawn(self.canv, plan, Affine(a=each, d=-each, f=high * each))

    return Picture()


def _drawn(canvas: "Canvas", plan: Plan, onto: Affine) -> None:
    canvas.setLineWidth(0.5)
    canvas.setStrokeGray(0.4)
    fill_shape(canvas, onto, plan.look.composition.outline, ground_colour(plan.job))
    move = Affine.translation(*plan.origin).then(onto)
    for colour, region in colours_seen(plan.look).items():
        fill_shape(canvas, move, region, colour, outlined=False)
