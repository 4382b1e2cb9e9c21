"""What is cut off the roll for each sheet, how long a piece that takes, and what is left beside it."""

from collections.abc import Sequence
from dataclasses import dataclass

from dunestead.core.records import Stock
from dunestead.core.sheets.layout import Sheet
from dunestead.core.sheets.packing import Item, Room, pack

__all__ = ["Offcut", "Trim", "TrimList", "trim_list"]

_ENDLESS = 1e6
# Smaller offcuts are not worth keeping, mm.
_WORTH = 100.0
_EPS = 1e-6


@dataclass(frozen=True, slots=True)
class Trim:
    """The piece of material for one sheet, mm: across the roll and along it, where it is cut, and how often.

    Attributes
    ----------
    beside
        Number of the sheet whose piece it is cut beside, None where it begins a new length.
    """

    sheet: int
    across: float
    along: float
    x: float
    y: float
    runs: int
    beside: int | None


@dataclass(frozen=True, slots=True)
class Offcut:
    """What is left beside a sheet's piece, mm, and the sheets of this job it would serve."""

    beside: int
    across: float
    along: float
    serves: tuple[int, ...]


@dataclass(frozen=True, slots=True)
class TrimList:
    """All pieces to cut off.

    Attributes
    ----------
    width
        Of the roll or sheet, mm.
    length
        To cut off the roll in all, mm; or lengths of all sheets used.
    pieces
        How many sheets of material are used, 1 for a roll.
    waste
        Share of what is cut off that no patch uses.
    lacking
        How much more is needed than there is, mm, 0 when it will do.
    too_wide
        Numbers of the sheets wider than the material.
    """

    width: float
    length: float
    pieces: int
    trims: tuple[Trim, ...]
    offcuts: tuple[Offcut, ...]
    waste: float
    lacking: float
    too_wide: tuple[int, ...]


def trim_list(sheets: Sequence[Sheet], stock: Stock, allowance: float) -> TrimList:
    """Return what to cut off a roll or from sheets of material, side by side where there is room.

    Parameters
    ----------
    sheets
        Every sheet of a job, as often as it has runs.
    stock
        The material.
    allowance
        Beyond the sheet on each side, mm; given up where the material is hardly wider than the sheet.
    """
    wanted = [(sheet, *_piece(sheet, stock, allowance)) for sheet in sheets for _ in range(sheet.runs)]
    wide = tuple(dict.fromkeys(sheet.number for sheet, across, *_ in wanted if across > stock.width + _EPS))
    usable = [one for one in wanted if one[0].number not in wide]
    room = Room(stock.width, _ENDLESS if stock.is_roll else stock.length)
    fitting = [one for one in usable if stock.is_roll or one[2] <= stock.length + _EPS]
    wide += tuple(dict.fromkeys(one[0].number for one in usable if one not in fitting))
    if not fitting:
        return TrimList(stock.width, 0.0, 0, (), (), 0.0, 0.0, wide)
    packing = pack([Item(across, along) for _, across, along in fitting], room)
    trims = [
        Trim(sheet.number, *((along, across) if spot.turned else (across, along)), spot.x, spot.y, 1, None)
        for (sheet, across, along), spot in zip(fitting, packing.spots, strict=True)
    ]
    rows = [(trim, spot.sheet) for trim, spot in zip(trims, packing.spots, strict=True)]
    length = packing.length if stock.is_roll else stock.length * packing.sheets
    used = sum((p.box[2] - p.box[0]) * (p.box[3] - p.box[1]) for sheet, *_ in fitting for p in sheet.patches)
    have = stock.length if stock.is_roll else stock.length * stock.count
    return TrimList(
        stock.width,
        length,
        packing.sheets,
        _merged(rows),
        _offcuts(rows, stock, [(sheet.number, across, along) for sheet, across, along in fitting]),
        1 - used / (length * stock.width),
        max(length - have, 0.0),
        wide,
    )


def _piece(sheet: Sheet, stock: Stock, allowance: float) -> tuple[float, float]:
    """Return the piece for a sheet: allowance all round, less where the material is hardly wider than the sheet."""
    across = sheet.width + 2 * allowance
    if sheet.width <= stock.width < across:
        across = stock.width
    along = sheet.height + 2 * allowance
    if not stock.is_roll and sheet.height <= stock.length < along:
        along = stock.length
    return across, along


def _merged(rows: Sequence[tuple[Trim, int]]) -> tuple[Trim, ...]:
    """Return each sheet's piece once, with how often it is cut and what it lies beside."""
    found: dict[int, Trim] = {}
    for trim, piece in rows:
        if trim.sheet in found:
            was = found[trim.sheet]
            found[trim.sheet] = Trim(was.sheet, was.across, was.along, was.x, was.y, was.runs + 1, was.beside)
            continue
        beside = next(
            (
                other.sheet
                for other, own in rows
                if own == piece
                and other.x + other.across <= trim.x + _EPS
                and other.y < trim.y + trim.along
                and trim.y < other.y + other.along
            ),
            None,
        )
        found[trim.sheet] = Trim(trim.sheet, trim.across, trim.along, trim.x, trim.y, 1, beside)
    return tuple(found[number] for number in sorted(found))


def _offcuts(
    rows: Sequence[tuple[Trim, int]], stock: Stock, wanted: Sequence[tuple[int, float, float]]
) -> tuple[Offcut, ...]:
    """Return what is left between a piece and the edge of the material where nothing else is cut."""
    found: dict[tuple[int, int, int], Offcut] = {}
    for trim, piece in rows:
        right = trim.x + trim.across
        blocked = any(
            own == piece
            and other.x >= right - _EPS
            and other.y < trim.y + trim.along
            and trim.y < other.y + other.along
            for other, own in rows
        )
        across = stock.width - right
        if blocked or across < _WORTH or trim.along < _WORTH:
            continue
        serves = tuple(
            dict.fromkeys(
                number
                for number, w, h in wanted
                if (w <= across and h <= trim.along) or (h <= across and w <= trim.along)
            )
        )
        found[trim.sheet, round(across), round(trim.along)] = Offcut(trim.sheet, across, trim.along, serves)
    return tuple(found.values())
