"""All files of a job in one zip, with a cut list in plain text."""

import io
import re
import unicodedata
import zipfile
from collections.abc import Iterator, Sequence

from dunestead.core.colours import colour_name
from dunestead.core.errors import BadInput
from dunestead.core.plan.plan import Plan, SheetPlan, mask_title
from dunestead.core.sheets.stock import Trim
from dunestead.core.units import show_length
from dunestead.formats.sheet_files import FORMATS, sheet_file
from dunestead.formats.svg.writer import write_mask
from dunestead.formats.verified import VerifiedSheet

__all__ = ["cut_list", "file_stem", "mask_file", "zip_sheets"]

_WHEN = (2026, 1, 1, 0, 0, 0)


def file_stem(name: str) -> str:
    """Return a name that any file system takes.

    Examples
    --------
    >>> file_stem("Café mat / no. 2"), file_stem("???")
    ('cafe-mat-no-2', 'job')
    """
    plain = unicodedata.normalize("NFKD", name).encode("ascii", "ignore").decode().lower()
    return re.sub(r"[^a-z0-9]+", "-", plain).strip("-")[:60] or "job"


def mask_file(number: int, label: str) -> str:
    """Return the name of a mask's file: by its number and colour, or its line, where there are several."""
    word = colour_name(label) if label.startswith("#") else label
    return f"mask-{number}-{word.replace(' ', '-')}.svg" if label else "mask.svg"


def zip_sheets(plan: Plan, sheets: Sequence[VerifiedSheet], unit: str = "mm") -> tuple[bytes, tuple[str, ...]]:
    """Return a zip of the masks, every sheet in every format, and the cut list; and what was left out of it.

    Every file is checked first. One that does not read back as planned is left out, and named in the zip too.
    """
    held = io.BytesIO()
    left_out: list[str] = []
    files: list[tuple[str, str | bytes]] = [("cut-list.txt", cut_list(plan, sheets, unit))]
    for mask in plan.masks:
        text = write_mask(mask.cut, mask_title(plan.job, mask.laid))
        files.append((mask_file(mask.number, mask.laid.label), text))
    files += [(sheet.file_name, sheet.text) for sheet in sheets]
    for key in FORMATS:
        if key != "svg":
            for sheet in sheets:
                try:
                    form, data = sheet_file(sheet.drawing, key)
                except BadInput as fault:
                    left_out.append(fault.what)
                else:
                    files.append((f"{key}/sheet-{sheet.sheet.number}.{form.suffix}", data))
    if left_out:
        files.append(("left-out.txt", "\n".join(left_out) + "\n"))
    with zipfile.ZipFile(held, "w", zipfile.ZIP_DEFLATED) as archive:
        for name, content in files:
            archive.writestr(zipfile.ZipInfo(name, _WHEN), content, zipfile.ZIP_DEFLATED)
    return held.getvalue(), tuple(left_out)


def cut_list(plan: Plan, sheets: Sequence[VerifiedSheet], unit: str = "mm") -> str:
    """Return what to trim, load and cut, sheet by sheet, and how the patches go together, lengths in a unit."""
    trims = {trim.sheet: trim for trim in plan.trims.trims}
    lines = [
        plan.job.name,
        f"{plan.choices.material.name}. {plan.facing.why}",
        f"Cut at {plan.settings}. {plan.settings_why}",
        f"{plan.stock.name}: cut off {show_length(plan.trims.length, unit)} in all.",
        "",
    ]
    for sheet, planned in zip(sheets, plan.sheets, strict=True):
        lines += _sheet_lines(sheet, planned, trims.get(sheet.sheet.number), len(sheets), unit)
    for seam in plan.layout.seams:
        measured = ", ".join(f"{pair.name} to {pair.name} {show_length(pair.distance, unit)}" for pair in seam.pairs)
        joined = f"overlapping {show_length(seam.overlap, unit)}" if seam.overlap else "butted and taped"
        lines.append(
            f"Seam {seam.name}: patch {seam.patches[0]} to patch {seam.patches[1]}, {joined}; "
            f"{f'measure {measured}' if measured else 'no firm mask for marks: measure its edges'}."
        )
    keepers = ", ".join(str(keeper.number) for keeper in plan.keepers)
    lines.append(f"Keepers for the dish: {keepers or 'none'}.")
    return "\n".join(lines) + "\n"


def _sheet_lines(sheet: VerifiedSheet, planned: SheetPlan, trim: Trim | None, count: int, unit: str) -> Iterator[str]:
    own = sheet.sheet
    yield f"Sheet {own.number} of {count}: {sheet.file_name}" + (f", cut {own.runs} times" if own.runs > 1 else "")
    if trim:
        beside = f", beside the piece for sheet {trim.beside}" if trim.beside else ""
        yield f"  trim material to {show_length(trim.across, unit)} x {show_length(trim.along, unit)}{beside}"
    facing = "MIRRORED" if own.mirrored else "not mirrored"
    yield f"  cut area {show_length(own.width, unit)} x {show_length(own.height, unit)}, {facing}"
    patches = ", ".join(f"{one.id}{' (turned)' if one.turned else ''}" for one in own.patches)
    yield f"  patches {patches}"
    yield f"  {planned.time.cut_length / 1000:.2f} m of cut, about {planned.time.seconds / 60:.1f} min"
    yield "  simulated cut: " + ("; ".join(sheet.verdict.faults) or "agrees with the plan")
    yield ""
