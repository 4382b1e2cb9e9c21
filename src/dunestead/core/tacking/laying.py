"""From what a tape reads around a laid mask to what is to be done to it: shift it, turn it, or read once more.

The mask's true place is where its planned one is carried to by a shift and a turn about its middle. Readings are
distances from the blank's edge to the middle or the ends of the mask's sides; shift and turn are fitted to them by
least squares. More readings than are needed hold each other: a reading or a measure of the blank that stands alone
against the rest is named (the mean-shift model for outliers: Baarda 1968).
"""

import math
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import Literal, get_args

import numpy as np
import numpy.typing as npt
import shapely

from dunestead.core.errors import BadInput
from dunestead.core.geometry.curves import Box
from dunestead.core.limits import check_limits, limited
from dunestead.core.units import show_length, show_tape

__all__ = ["SIDES", "Laid", "LayRules", "Readings", "Side", "instructions_for", "laid_by_tape", "should_read"]

Side = Literal["left", "right", "top", "bottom"]
SIDES: tuple[Side, ...] = get_args(Side)
Readings = Mapping[Side, Sequence[float]]
Floats = npt.NDArray[np.float64]
# Names of the ends of a side, in the order they are read.
_ENDS = {"left": ("top", "bottom"), "right": ("top", "bottom"), "top": ("left", "right"), "bottom": ("left", "right")}
# A reading errs evenly up to so much; squares beyond what this gives in one of two hundred cases are no accident.
_SURE = 0.995
# Faults that explain the readings this nearly as well as the best, in squares of the error, are as likely.
_AS_LIKELY = 4.0
_ROUNDS, _STEP = 8, 1e-4
_DEGREE = math.pi / 180
# A mask is not laid askew by more, degrees: more is a reading mistaken.
_MOST_TURN = 30.0


@dataclass(frozen=True, slots=True)
class LayRules:
    """How well a tape reads, and how well a mask should lie: mm."""

    error: float
    within: float = limited(2.0, "near enough", 0.1, 100.0, "mm")


@dataclass(frozen=True, slots=True)
class Reading:
    """One distance that was read: on which side, at which end or in the middle, mm."""

    side: Side
    end: str
    value: float

    @property
    def name(self) -> str:
        """What it is known by: its side, and which end of it."""
        return f"{self.side}, {self.end} end" if self.end else self.side


@dataclass(frozen=True, slots=True)
class Laid:
    """What readings say of a laid mask.

    Attributes
    ----------
    shift
        What to do to the mask: mm to the right and down.
    turn
        And degrees clockwise, about its middle, before it is shifted.
    knows_across, knows_down, knows_turn
        Whether the readings tell these; what they do not is taken to be right.
    is_within
        Whether no corner of it is off by more than was asked for.
    doubtful
        Names of readings that cannot be right beside the others, and ``width of the blank`` or ``height of the blank``
        where its measure cannot; several where any one of them may be it.
    target
        A reading to turn by, and what it should read then, None where there is nothing to turn.
    lies, should
        The mask's corners as it lies and as it should, clockwise from its top left, mm.
    """

    shift: tuple[float, float]
    turn: float
    knows_across: bool
    knows_down: bool
    knows_turn: bool
    is_within: bool
    doubtful: tuple[str, ...]
    target: tuple[str, float] | None
    lies: tuple[tuple[float, float], ...] = ()
    should: tuple[tuple[float, float], ...] = ()


def laid_by_tape(outline: shapely.Polygon, box: Box, readings: Readings, rules: LayRules) -> Laid:
    """Return what to do to a mask by what a tape read.

    Parameters
    ----------
    outline
        Of the blank as it lies before the maker, mm, its box's top left at the origin.
    box
        Of the mask where it should lie.
    readings
        For each side that was measured one value in its middle, or two at its ends, from left to right or from top to
        bottom: mm from the blank's edge to the mask's, below 0 where the mask stands over.
    rules
        See `LayRules`.

    Raises
    ------
    BadInput
        When there is none, or a side has more than two, or what was read cannot be.
    """
    read = list(_listed(readings))
    _check(read, outline)
    check_limits(rules)
    table = _Table(outline, box, read)
    fit = table.fit(())
    doubtful: tuple[str, ...] = ()
    if fit.squares > _allowed(fit.spare, rules.error):
        named = _doubtful(table, rules.error)
        doubtful = tuple(name for name, _ in named)
        if len(named) == 1:
            fit = named[0][1]
    return _told(table, fit, rules.within, doubtful)


def should_read(outline: shapely.Polygon, box: Box) -> dict[Side, tuple[float, float, float]]:
    """Return what a tape reads at each side of a mask that lies right: in the middle, and at its two ends, mm.

    Examples
    --------
    >>> should_read(shapely.box(0, 0, 600, 400), (100, 80, 480, 300))["right"]
    (120.0, 120.0, 120.0)
    """
    found: dict[Side, tuple[float, float, float]] = {}
    for side in SIDES:
        read = [Reading(side, end, 0.0) for end in ("", *_ENDS[side])]
        middle, first, second = _Table(outline, box, read).expected(0, 0, 0).tolist()
        found[side] = (middle, first, second)
    return found


def _listed(readings: Readings) -> Iterator[Reading]:
    for side in SIDES:
        values = list(readings.get(side, ()))
        if len(values) > 2:
            raise BadInput(f"The {side} side has {len(values)} readings.", "Read its middle, or its two ends.")
        ends = _ENDS[side] if len(values) == 2 else ("",)
        yield from (Reading(side, end, float(value)) for end, value in zip(ends, values, strict=False))


def _check(read: Sequence[Reading], outline: shapely.Polygon) -> None:
    if not read:
        raise BadInput("Nothing was read.", "Measure from an edge of the blank to the mask, on one side at least.")
    x0, y0, x1, y1 = outline.bounds
    longest = math.hypot(x1 - x0, y1 - y0)
    for one in read:
        if not abs(one.value) <= longest:
            what = f"The reading of {one.value:g} mm at {_phrase(one.name)} is longer than the blank."
            raise BadInput(what, "Read the tape again.")


def _allowed(spare: int, error: float) -> float:
    """Return how large the sum of squares may be by accident, with so many readings to spare."""
    if spare < 1:
        return math.inf
    # Loading this takes a while, which only a maker who measured waits for.
    from scipy.stats import chi2

    return float(chi2.ppf(_SURE, spare)) * error**2 / 3


@dataclass(frozen=True, slots=True)
class _Fit:
    """Shift, mm, and turn, degrees, of the mask from its place; what is left over; readings beyond those needed."""

    dx: float
    dy: float
    turn: float
    squares: float
    spare: int


class _Table:
    """Readings held against where a mask should lie."""

    def __init__(self, outline: shapely.Polygon, box: Box, read: Sequence[Reading]) -> None:
        self.outline, self.box, self.read = outline, box, read
        self.values = np.array([one.value for one in read])
        sides = {one.side for one in read}
        self.knows = (
            bool(sides & {"left", "right"}),
            bool(sides & {"top", "bottom"}),
            any(one.end for one in read),
        )

    def expected(self, dx: float, dy: float, turn: float) -> Floats:
        """Return what would be read of a mask so shifted and turned."""
        return np.array([self._expected(one, self.corners(dx, dy, turn)) for one in self.read])

    def corners(self, dx: float, dy: float, turn: float) -> dict[str, Floats]:
        """Return the corners of a mask shifted and turned about its middle; clockwise, for y runs down."""
        x0, y0, x1, y1 = self.box
        middle = np.array([(x0 + x1) / 2, (y0 + y1) / 2])
        c, s = math.cos(turn * _DEGREE), math.sin(turn * _DEGREE)
        named = {"left top": (x0, y0), "right top": (x1, y0), "right bottom": (x1, y1), "left bottom": (x0, y1)}
        return {
            name: middle + np.array([c * x - s * y, s * x + c * y]) + (dx, dy)
            for name, (x, y) in ((name, np.array(at) - middle) for name, at in named.items())
        }

    def _expected(self, reading: Reading, corners: Mapping[str, Floats]) -> float:
        is_upright = reading.side in ("left", "right")
        ends = _ENDS[reading.side] if not reading.end else (reading.end,)
        at = np.mean(
            [corners[f"{reading.side} {end}" if is_upright else f"{end} {reading.side}"] for end in ends], axis=0
        )
        return self._from_edge(reading.side, (float(at[0]), float(at[1])))

    def _from_edge(self, side: Side, at: tuple[float, float]) -> float:
        """Return how far a place lies from the blank's edge on a side, along the tape."""
        axis = 0 if side in ("left", "right") else 1
        low, high = self._edges(axis, at[1 - axis])
        return at[axis] - low if side in ("left", "top") else high - at[axis]

    def _edges(self, axis: int, across: float) -> tuple[float, float]:
        """Return where a line along an axis enters and leaves the blank; where it misses it, the blank's box."""
        bounds = self.outline.bounds
        low, high = bounds[axis], bounds[axis + 2]
        ends = [(low - 1.0, across), (high + 1.0, across)]
        line = shapely.LineString(ends if axis == 0 else [(y, x) for x, y in ends])
        met = shapely.intersection(self.outline, line)
        return (met.bounds[axis], met.bounds[axis + 2]) if not met.is_empty and met.length > 0 else (low, high)

    def faults(self) -> dict[str, Floats]:
        """Return what may be wrong, each with how it bears on the readings."""
        count = len(self.read)
        found = {one.name: np.eye(count)[k] for k, one in enumerate(self.read)}
        for name, far in (("width of the blank", "right"), ("height of the blank", "bottom")):
            bears = np.array([float(one.side == far) for one in self.read])
            # Where only one side was read, its own measure is all that can be doubted.
            if 0 < bears.sum() < count:
                found[name] = bears
        return found

    def fit(self, faults: Sequence[Floats]) -> _Fit:
        """Return the shift and turn that explain the readings best, faults of any size aside."""
        free = [k for k, known in enumerate(self.knows) if known]
        at = np.zeros(3)
        bears = np.column_stack(faults) if faults else np.empty((len(self.read), 0))
        for _ in range(_ROUNDS):
            there = self.expected(*at)
            steps = _STEP * np.eye(3)[free]
            slopes = np.column_stack([(self.expected(*(at + step)) - there) / _STEP for step in steps])
            step, *_ = np.linalg.lstsq(np.hstack([slopes, bears]), self.values - there, rcond=None)
            at[free] += step[: len(free)]
            at[2] = np.clip(at[2], -_MOST_TURN, _MOST_TURN)
        rest = self.values - self.expected(*at)
        if faults:
            rest = rest - bears @ np.linalg.lstsq(bears, rest, rcond=None)[0]
        rank = int(np.linalg.matrix_rank(np.hstack([slopes, bears])))
        return _Fit(float(at[0]), float(at[1]), float(at[2]), float(rest @ rest), len(self.read) - rank)


def _doubtful(table: _Table, error: float) -> list[tuple[str, _Fit]]:
    """Return the faults any one of which explains the readings; none where it takes more than one."""
    fits = [(name, table.fit((bears,))) for name, bears in table.faults().items()]
    best = min(fit.squares for _, fit in fits)
    likely = [(name, fit) for name, fit in fits if fit.squares <= best + _AS_LIKELY * error**2 / 3]
    return [(name, fit) for name, fit in likely if fit.squares <= _allowed(max(fit.spare, 1), error)] or likely


def _told(table: _Table, fit: _Fit, within: float, doubtful: tuple[str, ...]) -> Laid:
    wanted, lies = table.corners(0, 0, 0), table.corners(fit.dx, fit.dy, fit.turn)
    off = max(float(np.hypot(*(wanted[name] - lies[name]))) for name in wanted)
    return Laid(
        (0.0 - fit.dx, 0.0 - fit.dy),
        0.0 - fit.turn,
        *table.knows,
        off <= within and not doubtful,
        doubtful,
        _target(table, fit, doubtful),
        *(tuple((float(x), float(y)) for x, y in corners.values()) for corners in (lies, wanted)),
    )


def _target(table: _Table, fit: _Fit, doubtful: Sequence[str]) -> tuple[str, float] | None:
    """Return the reading that changes most when the mask is turned straight, and what it reads then."""
    now, straight = table.expected(fit.dx, fit.dy, fit.turn), table.expected(fit.dx, fit.dy, 0.0)
    usable = [k for k, one in enumerate(table.read) if one.end and one.name not in doubtful]
    if not usable or abs(fit.turn) < 1e-9:
        return None
    k = max(usable, key=lambda k: abs(float(straight[k] - now[k])))
    # What the reading erred by stays in it.
    return table.read[k].name, float(straight[k] + table.values[k] - now[k])


def instructions_for(laid: Laid, unit: str) -> list[str]:
    """Return what to do, a sentence each."""
    if laid.doubtful:
        if len(laid.doubtful) == 1:
            return [f"Read once more: {_phrase(laid.doubtful[0])} does not fit the others.", *_moves(laid, unit)]
        return [f"These cannot all be right: {', '.join(map(_phrase, laid.doubtful))}. Read them once more."]
    unknown = [
        word
        for word, known in (
            ("left or right", laid.knows_across),
            ("top or bottom", laid.knows_down),
            ("one side at both ends", laid.knows_turn),
        )
        if not known
    ]
    rest = [f"Still to measure: {'; '.join(unknown)}."] if unknown else []
    if laid.is_within:
        return ["It lies where it should." if not unknown else "So far it lies where it should.", *rest]
    return [*_moves(laid, unit), *rest]


def _phrase(name: str) -> str:
    side, _, end = name.partition(", ")
    return f"the {end} of the {side}" if end else f"the {name}"


def _moves(laid: Laid, unit: str) -> list[str]:
    instructions = []
    if laid.target:
        way = "clockwise" if laid.turn > 0 else "against the clock"
        instructions.append(f"Turn it {way} until {_phrase(laid.target[0])} reads {show_tape(laid.target[1], unit)}.")
    moves = [
        f"{show_length(abs(by), unit)} {words[0] if by > 0 else words[1]}"
        for by, words in zip(laid.shift, (("to the right", "to the left"), ("down", "up")), strict=True)
        if abs(by) >= _LEAST_MOVE
    ]
    return [*instructions, f"Shift it {' and '.join(moves)}."] if moves else instructions


# Nobody shifts a mask by less, mm.
_LEAST_MOVE = 0.5
