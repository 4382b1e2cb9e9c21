"""What is a mask cut from, and how much of it does the cutter reach?"""

import math
from collections.abc import Sequence

from dunestead.core.figures import Catalogue, Cutter, Material
from dunestead.core.geometry.curves import Box
from dunestead.core.job.choices import Choices
from dunestead.core.job.job import Job
from dunestead.core.records import Stock
from dunestead.core.sheets.cells import Reach
from dunestead.core.sheets.price import Prices

__all__ = [
    "fitting_border",
    "overlap_of",
    "prices_of",
    "reach_of",
    "reach_on",
    "stock_of",
    "usual_overlap",
    "usual_stock",
]

_EPS = 1e-6


def overlap_of(job: Job, catalogue: Catalogue) -> float:
    """Return the mask that neighbouring patches share: the maker's, none where butted, or the workshop's."""
    if job.sheets.overlap is not None:
        return job.sheets.overlap
    return usual_overlap(catalogue.material(job.mask.material), catalogue)


def usual_overlap(material: Material, catalogue: Catalogue) -> float:
    """Return the mask that neighbouring patches of a material share, mm; 0 where they are butted and taped."""
    return 0.0 if material.join == "butt" else catalogue.workshop["seam_overlap"]


def stock_of(job: Job, choices: Choices, catalogue: Catalogue) -> Stock:
    """Return the material a job is cut from: the maker's own, or as it usually comes."""
    own = catalogue.stock.get(job.sheets.stock) if job.sheets.stock is not None else None
    return own if own and own.material == job.mask.material else usual_stock(choices.material)


def usual_stock(material: Material) -> Stock:
    """Return a material as it usually comes, as much of it as is wanted."""
    length = material.stock_length
    return Stock(
        f"{material.name}, as it usually comes",
        material.key,
        material.stock_width,
        length,
        length is None,
    )


def reach_of(job: Job, choices: Choices, catalogue: Catalogue) -> Reach:
    """Return what a sheet offers: what the cutter reaches, no wider and longer than the material is."""
    stock = stock_of(job, choices, catalogue)
    return reach_on(choices.cutter, stock, overlap_of(job, catalogue), catalogue)


def reach_on(cutter: Cutter, stock: Stock, overlap: float, catalogue: Catalogue) -> Reach:
    """Return what a cutter reaches on some stock; a sheet of material is laid the way round that serves better."""
    figures = catalogue.workshop
    sides = [(stock.width, stock.length or math.inf)]
    if stock.length is not None:
        sides.append((stock.length, stock.width))
    width, length = max(
        ((min(cutter.reach_width, w), min(cutter.reach_length, h)) for w, h in sides), key=lambda wh: wh[0] * wh[1]
    )
    return Reach(width, length, overlap, figures["patch_gap"], figures["patch_least"])


def fitting_border(boxes: Sequence[Box], outline: Box, usual: float, least: float, reach: Reach) -> float:
    """Return the border of masks: the usual one, or a narrower one where all masks are cut in one piece with that.

    Parameters
    ----------
    boxes
        Of what is painted through each mask, mm on the blank.
    outline
        Box of the blank: beyond its edge no border is needed.
    usual, least
        Mm; what lies between is tried in whole mm, the widest first.
    reach
        What a sheet offers; a mask may lie on it either way round.

    Notes
    -----
    A seam through two letters for want of a few mm is the worse evil: a narrower border takes a strip of paper.

    Examples
    --------
    >>> fitting_border([(20, 100, 580, 300)], (0, 0, 600, 400), 40, 15, Reach(597, 597, 12))
    18.0
    """

    def fits(border: float) -> bool:
        for box in boxes:
            wide = min(box[2] + border, outline[2]) - max(box[0] - border, outline[0])
            high = min(box[3] + border, outline[3]) - max(box[1] - border, outline[1])
            if not (_within(wide, high, reach) or _within(high, wide, reach)):
                return False
        return True

    steps = range(math.floor(usual - _EPS), math.ceil(least - _EPS) - 1, -1)
    return next((border for border in (usual, *map(float, steps)) if fits(border)), usual)


def _within(across: float, along: float, reach: Reach) -> bool:
    return across <= reach.width + _EPS and along <= reach.length + _EPS


def prices_of(catalogue: Catalogue) -> Prices:
    """Return what makes a layout dear, as the workshop's figures say."""
    figures = catalogue.workshop
    return Prices(
        sheet=figures["price_sheet"],
        parted=figures["price_parted"],
        painted=figures["price_painted"] / 100,
        poor=figures["price_poor"],
    )
