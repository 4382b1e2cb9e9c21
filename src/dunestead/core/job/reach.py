"""What is a mask cut from, and how much of it does the cutter reach?"""

import math

from dunestead.core.figures import Catalogue, Cutter, Material
from dunestead.core.job.choices import Choices
from dunestead.core.job.job import Job
from dunestead.core.records import Stock
from dunestead.core.sheets.cells import Reach
from dunestead.core.sheets.price import Prices

__all__ = ["overlap_of", "prices_of", "reach_of", "reach_on", "stock_of", "usual_overlap", "usual_stock"]


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


def prices_of(catalogue: Catalogue) -> Prices:
    """Return what makes a layout dear, as the workshop's figures say."""
    figures = catalogue.workshop
    return Prices(
        sheet=figures["price_sheet"],
        parted=figures["price_parted"],
        painted=figures["price_painted"] / 100,
        poor=figures["price_poor"],
    )
