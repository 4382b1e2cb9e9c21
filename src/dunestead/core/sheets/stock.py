"""What is cut off the roll for each sheet, how long a piece that takes, and what is left beside it."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

from dunestead.core.geometry.curves import Box
from dunestead.core.records import Stock
from dunestead.core.sheets.layout import Sheet
from dunestead.core.sheets.packing import PackItem, PackSpot, Room, pack

__all__ = ["Offcut", "Trim", "TrimList", "trim_list"]

_ENDLESS = 1e6
# Smaller offcuts are not worth keeping, mm.
_WORTH = 100.0
_EPS = 1e-6
# So many pieces are packed at once; more of the same are laid in the same way again.
_TOGETHER = 48


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
    too_wide
        Numbers of the sheets wider than the material.
    """

    width: float
    length: float
    pieces: int
    trims: tuple[Trim, ...]
    offcuts: tuple[Offcut, ...]
    waste: float
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
    wanted = [_Piece(sheet, *_piece(sheet, stock, allowance)) for sheet in sheets]
    fitting = [one for one in wanted if one.across <= stock.width + _EPS]
    if stock.length is not None:
        fitting = [one for one in fitting if one.along <= stock.length + _EPS]
    wide = tuple(one.sheet.number for one in wanted if one not in fitting)
    if not fitting:
        return TrimList(stock.width, 0.0, 0, (), (), 0.0, wide)
    room = Room(stock.width, stock.length or _ENDLESS)
    lengths, pieces, rows = 0.0, 0, list[tuple[Trim, int]]()
    for block, times in _blocks(fitting):
        packing = pack([PackItem(one.across, one.along) for one in block], room)
        # The next block begins where this one ends: on a roll further along, else on a sheet of its own.
        rows += [
            (_trim(one, spot, times, 0.0 if stock.length else lengths), pieces + spot.sheet)
            for one, spot in zip(block, packing.spots, strict=True)
        ]
        lengths += times * (stock.length * packing.sheets if stock.length else packing.length)
        pieces += 0 if stock.is_roll else times * packing.sheets
    used = sum(one.sheet.runs * _box_area(patch.box) for one in fitting for patch in one.sheet.patches)
    return TrimList(
        stock.width,
        lengths,
        1 if stock.is_roll else pieces,
        _merged(rows),
        _offcuts(rows, stock, [(one.sheet.number, one.across, one.along) for one in fitting]),
        1 - used / (lengths * stock.width),
        wide,
    )


@dataclass(frozen=True, slots=True, eq=False)
class _Piece:
    """The piece of material that a sheet wants, mm."""

    sheet: Sheet
    across: float
    along: float


def _blocks(pieces: Sequence[_Piece]) -> Iterator[tuple[list[_Piece], int]]:
    """Yield what is packed at once, and how many times over: many copies are one block laid again and again."""
    left = {one: one.sheet.runs for one in pieces}
    most = max(_TOGETHER // len(pieces), 1)
    while left := {one: runs for one, runs in left.items() if runs}:
        block = {one: min(runs, most) for one, runs in left.items()}
        times = min(left[one] // taken for one, taken in block.items())
        yield [one for one, taken in block.items() for _ in range(taken)], times
        left = {one: runs - times * block[one] for one, runs in left.items()}


def _trim(piece: _Piece, spot: PackSpot, runs: int, below: float) -> Trim:
    across, along = (piece.along, piece.across) if spot.turned else (piece.across, piece.along)
    return Trim(piece.sheet.number, across, along, spot.x, spot.y + below, runs, None)


def _box_area(box: Box) -> float:
    return (box[2] - box[0]) * (box[3] - box[1])


def _piece(sheet: Sheet, stock: Stock, allowance: float) -> tuple[float, float]:
    """Return the piece for a sheet: allowance all round, less where the material is hardly wider than the sheet."""
    across = sheet.width + 2 * allowance
    if sheet.width <= stock.width < across:
        across = stock.width
    along = sheet.height + 2 * allowance
    if stock.length is not None and sheet.height <= stock.length < along:
        along = stock.length
    return across, along


def _merged(rows: Sequence[tuple[Trim, int]]) -> tuple[Trim, ...]:
    """Return each sheet's piece once, with how often it is cut and what it lies beside."""
    found: dict[int, Trim] = {}
    for trim, piece in rows:
        if trim.sheet in found:
            was = found[trim.sheet]
            found[trim.sheet] = Trim(was.sheet, was.across, was.along, was.x, was.y, was.runs + trim.runs, was.beside)
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
        found[trim.sheet] = replace(trim, beside=beside)
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
