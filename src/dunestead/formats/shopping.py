"""The shopping list: as a table for a spreadsheet, and as a page to take along and tick off."""

import csv
import io
from collections.abc import Sequence
from dataclasses import astuple, dataclass
from itertools import groupby
from typing import Any

from dunestead.formats.pdf import PAPERS, Paper, safe

__all__ = ["Line", "write_shopping_csv", "write_shopping_pdf"]

_PT = 72 / 25.4
_MARGIN = 18.0
_BOX, _AMOUNT, _PACKS = 8.0, 28.0, 24.0


@dataclass(frozen=True, slots=True)
class Line:
    """One thing to buy: its kind, what it is, how much, in how many cans or bottles, and for which jobs."""

    kind: str
    name: str
    amount: str
    packs: str
    jobs: str


def write_shopping_csv(lines: Sequence[Line]) -> str:
    """Return the list as a table, a line for its head."""
    held = io.StringIO()
    writer = csv.writer(held, lineterminator="\n")
    writer.writerow(("kind", "what", "how much", "packs", "for"))
    writer.writerows(astuple(line) for line in lines)
    return held.getvalue()


def write_shopping_pdf(lines: Sequence[Line], on: str, paper: Paper) -> bytes:
    """Return the list on paper, kind by kind, a box to tick before each line."""
    from reportlab.lib.styles import ParagraphStyle
    from reportlab.platypus import Paragraph, SimpleDocTemplate, Spacer, Table

    plain = ParagraphStyle("plain", fontName="Helvetica", fontSize=10.5, leading=14)
    head = ParagraphStyle("head", parent=plain, fontName="Helvetica-Bold", fontSize=20, leading=25)
    kind = ParagraphStyle("kind", parent=plain, fontName="Helvetica-Bold", fontSize=12, spaceBefore=8, spaceAfter=2)
    small = ParagraphStyle("small", parent=plain, fontSize=8.5, leading=11)
    width, height = PAPERS[paper]
    room = width - 2 * _MARGIN
    columns = [side * _PT for side in (_BOX, room - _BOX - _AMOUNT - _PACKS, _AMOUNT, _PACKS)]
    held = io.BytesIO()
    document = SimpleDocTemplate(
        held,
        pagesize=(width * _PT, height * _PT),
        title="Shopping list",
        invariant=1,
        **dict.fromkeys(("leftMargin", "rightMargin", "topMargin", "bottomMargin"), _MARGIN * _PT),
    )
    story: list[Any] = [Paragraph("Shopping list", head), Paragraph(safe(on), small), Spacer(0, 3 * _PT)]
    if not lines:
        story.append(Paragraph("Nothing is short for the jobs on the board.", plain))
    for name, group in groupby(lines, key=lambda line: line.kind):
        rows = [
            [
                "",
                [Paragraph(safe(line.name), plain), Paragraph(safe(line.jobs), small)],
                Paragraph(f"<b>{safe(line.amount)}</b>", plain),
                Paragraph(safe(line.packs), plain),
            ]
            for line in group
        ]
        story += [Paragraph(safe(name), kind), Table(rows, colWidths=columns, hAlign="LEFT", style=_ROWS)]
    document.build(story)
    return held.getvalue()


_ROWS = [
    ("VALIGN", (0, 0), (-1, -1), "TOP"),
    ("LINEBELOW", (0, 0), (-1, -1), 0.4, "#b5ac96"),
    ("BOX", (0, 0), (0, -1), 0.4, "#b5ac96"),
]
