"""Care cards as a PDF: one a copy, A6, four to a page."""

import io
from collections.abc import Sequence
from typing import TYPE_CHECKING, Any

from dunestead.core.words.care import CareCard
from dunestead.formats.pdf import PAPERS, Paper, safe

if TYPE_CHECKING:
    from reportlab.pdfgen.canvas import Canvas

__all__ = ["CARD", "write_care_cards"]

_PT = 72 / 25.4
# A6 upright, mm.
CARD = (105.0, 148.0)
_MARGIN, _CUT = 9.0, 4.0
_ACROSS, _DOWN = 2, 2


def write_care_cards(cards: Sequence[CareCard], paper: Paper) -> bytes:
    """Return cards as a PDF, with marks to cut along; none gives a page that says so.

    Letter is shorter than two A6 cards, so that its cards are a little lower.
    """
    from reportlab.pdfgen.canvas import Canvas

    width, height = PAPERS[paper]
    wide, high = min(CARD[0], width / _ACROSS), min(CARD[1], height / _DOWN)
    held = io.BytesIO()
    canvas = Canvas(held, pagesize=(width * _PT, height * _PT), invariant=True)
    canvas.setTitle("Care cards")
    each = _ACROSS * _DOWN
    for first in range(0, max(len(cards), 1), each):
        left, top = (width - _ACROSS * wide) / 2, (height - _DOWN * high) / 2
        for k, card in enumerate(cards[first : first + each]):
            x = left + (k % _ACROSS) * wide
            y = height - top - (k // _ACROSS + 1) * high
            _draw(canvas, card, (x, y, wide, high))
        _marks(canvas, (left, top, wide, high), (width, height))
        canvas.showPage()
    canvas.save()
    return held.getvalue()


def _draw(canvas: "Canvas", card: CareCard, box: tuple[float, float, float, float]) -> None:
    from reportlab.lib.styles import ParagraphStyle
    from reportlab.platypus import Frame, KeepInFrame, Paragraph

    x, y, wide, high = box
    plain = ParagraphStyle("plain", fontName="Helvetica", fontSize=9, leading=11.5, spaceAfter=4)
    head = ParagraphStyle("head", parent=plain, fontName="Helvetica-Bold", fontSize=15, leading=18, spaceAfter=6)
    small = ParagraphStyle("small", parent=plain, fontSize=7.5, leading=9.5)
    lines: list[Any] = [Paragraph(safe(card.title), head)]
    for name, text in (
        ("Made with", card.made),
        ("First use", card.use),
        ("First wash", card.wash),
        ("To clean", card.clean),
        ("Where", card.place),
    ):
        lines.append(Paragraph(f"<b>{name}.</b> {safe(text)}", plain))
    lines.append(Paragraph(safe(card.cautions), small))
    room = ((wide - 2 * _MARGIN) * _PT, (high - 2 * _MARGIN) * _PT)
    frame = Frame(
        (x + _MARGIN) * _PT, (y + _MARGIN) * _PT, *room, leftPadding=0, rightPadding=0, topPadding=0, bottomPadding=0
    )
    frame.addFromList([KeepInFrame(*room, lines, mode="shrink")], canvas)


def _marks(canvas: "Canvas", grid: tuple[float, float, float, float], page: tuple[float, float]) -> None:
    """Draw short lines at the page's edges to cut along."""
    left, top, wide, high = grid
    canvas.setLineWidth(0.4)
    for k in range(_ACROSS + 1):
        x = (left + k * wide) * _PT
        canvas.line(x, 0, x, _CUT * _PT)
        canvas.line(x, page[1] * _PT, x, (page[1] - _CUT) * _PT)
    for k in range(_DOWN + 1):
        y = (page[1] - top - k * high) * _PT
        canvas.line(0, y, _CUT * _PT, y)
        canvas.line(page[0] * _PT, y, (page[0] - _CUT) * _PT, y)
