"""All files of a job in one zip, with a cut list in plain text."""

import io
import re
import unicodedata
import zipfile
from collections.abc import Sequence

from dunestead.core.colours import colour_name
from dunestead.core.planning.plan import Plan, mask_title
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


def mask_file(number: int, colour: str) -> str:
    """Return the name of a mask's file: by its number and colour where there are several."""
    return f"mask-{number}-{colour_name(colour).replace(' ', '-')}.svg" if colour else "mask.svg"


def zip_sheets(plan: Plan, sheets: Sequence[VerifiedSheet]) -> bytes:
    """Return a zip of the mask, every sheet and the cut list; equal plans give equal bytes."""
    held = io.BytesIO()
    with zipfile.ZipFile(held, "w", zipfile.ZIP_DEFLATED) as archive:
        for name, text in (
            ("cut-list.txt", cut_list(plan, sheets)),
            *(
                (mask_file(mask.number, mask.laid.colour), write_mask(mask.cut, mask_title(plan.job, mask.laid)))
                for mask in plan.masks
            ),
            *((sheet.file_name, sheet.text) for sheet in sheets),
        ):
            archive.writestr(zipfile.ZipInfo(name, _WHEN), text, zipfile.ZIP_DEFLATED)
    return held.getvalue()


def cut_list(plan: Plan, sheets: Sequence[VerifiedSheet]) -> str:
    """Return what to trim, load and cut, sheet by sheet."""
    material = plan.choices.material
    lines = [
        plan.job.name,
        f"{material.name}. {plan.facing.why}",
        f"Start at {material.force:g} g, {material.passes} pass(es), {material.speed:g} mm/s; test cut first.",
        "",
    ]
    for sheet, planned in zip(sheets, plan.sheets, strict=True):
        lines += [
            f"Sheet {sheet.sheet.number} of {len(sheets)}: {sheet.file_name}",
            f"  trim material to {planned.trim[0]:.0f} x {planned.trim[1]:.0f} mm",
            f"  cut area {sheet.sheet.width:.1f} x {sheet.sheet.height:.1f} mm, "
            f"{'MIRRORED' if sheet.sheet.mirrored else 'as it reads'}",
            f"  {planned.time.cut_length / 1000:.2f} m of cut, about {planned.time.seconds / 60:.1f} min",
            "  simulated cut: " + ("; ".join(sheet.verdict.faults) or "agrees with the plan"),
            "",
        ]
    keepers = ", ".join(str(keeper.number) for keeper in plan.keepers)
    lines.append(f"Keepers for the dish: {keepers or 'none'}.")
    return "\n".join(lines) + "\n"
