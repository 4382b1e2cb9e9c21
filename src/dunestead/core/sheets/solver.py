"""The constraint solver behind the packing: the one place that knows OR-Tools.

The solver counts in whole numbers; sides are rounded up and rooms down to a hundredth of a mm,
so that what it says fits does fit, to that hundredth.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass

__all__ = ["OneSheet", "Spread", "fits_on_one", "spread"]

_UNIT = 100  # steps a mm
_SLACK = 1e-6


@dataclass(frozen=True, slots=True)
class Spread:
    """Items by sheet; None when there is no such spread, or none was found in time."""

    groups: tuple[frozenset[int], ...] | None
    is_proven: bool


@dataclass(frozen=True, slots=True)
class OneSheet:
    """Corner and turning of each rectangle, mm; None when they do not fit, or no answer was found in time."""

    places: tuple[tuple[float, float, bool], ...] | None
    is_proven: bool


def spread(
    areas: Sequence[float],
    room: float,
    count: int,
    apart: Sequence[tuple[int, int]],
    forbidden: Sequence[frozenset[int]],
    pins: Sequence[tuple[int | None, bool]],
    seconds: float,
) -> Spread:
    """Spread items over sheets so that areas fit and nothing is together that cannot be.

    Parameters
    ----------
    areas, room
        Of the items and of one sheet, mm².
    count
        How many sheets.
    apart
        Pairs that cannot share a sheet.
    forbidden
        Groups known not to fit one sheet.
    pins
        For each item the sheet it must lie on, if any, and whether it wants it to itself.
    seconds
        How long at most.
    """
    # Loading it takes the better part of a second, and most jobs have no need of it.
    from ortools.sat.python import cp_model

    model = cp_model.CpModel()
    on = [[model.new_bool_var(f"{i} on {k}") for k in range(count)] for i in range(len(areas))]
    for row in on:
        model.add_exactly_one(row)
    for k in range(count):
        model.add(
            sum(math.floor(area * 10) * on[i][k] for i, area in enumerate(areas)) <= math.ceil(room * 10 + len(areas))
        )
        for i, j in apart:
            model.add_at_most_one([on[i][k], on[j][k]])
        for group in forbidden:
            model.add(sum(on[i][k] for i in group) <= len(group) - 1)
    for i, (sheet, alone) in enumerate(pins):
        if sheet is not None:
            if sheet >= count:
                return Spread(None, True)
            model.add(on[i][sheet] == 1)
        if alone:
            for k in range(count):
                for j in range(len(areas)):
                    if j != i:
                        model.add_at_most_one([on[i][k], on[j][k]])
    if all(sheet is None for sheet, _ in pins):
        # Sheets are alike: the first item is on the first, each next on one begun or the next to begin.
        for i in range(min(len(areas), count)):
            for k in range(i + 1, count):
                model.add(on[i][k] == 0)
    solver = _solver(seconds)
    status = solver.solve(model)
    if status in (cp_model.OPTIMAL, cp_model.FEASIBLE):
        groups = tuple(frozenset(i for i in range(len(areas)) if solver.boolean_value(on[i][k])) for k in range(count))
        return Spread(tuple(group for group in groups if group), True)
    return Spread(None, status == cp_model.INFEASIBLE)


def fits_on_one(
    items: Sequence[tuple[float, float, bool]], room: tuple[float, float], gap: float, seconds: float
) -> OneSheet:
    """Place rectangles on one sheet.

    Parameters
    ----------
    items
        Width and height, mm, and whether each may be turned.
    room, gap
        Width and length of the sheet and the spacing kept, mm.
    seconds
        How long at most.
    """
    from ortools.sat.python import cp_model

    width, length = (math.floor((side + gap) * _UNIT + _SLACK) for side in room)
    model = cp_model.CpModel()
    across, along, corners, wides, highs = [], [], [], [], []
    for k, (w, h, turns) in enumerate(items):
        w_, h_ = (math.ceil((side + gap) * _UNIT - _SLACK) for side in (w, h))
        turned = model.new_bool_var(f"turned {k}")
        if not turns:
            model.add(turned == 0)
        x, y = model.new_int_var(0, width, f"x {k}"), model.new_int_var(0, length, f"y {k}")
        wide, high = w_ + turned * (h_ - w_), h_ + turned * (w_ - h_)
        right, bottom = model.new_int_var(0, width, f"r {k}"), model.new_int_var(0, length, f"b {k}")
        model.add(right == x + wide)
        model.add(bottom == y + high)
        across.append(model.new_interval_var(x, wide, right, f"across {k}"))
        along.append(model.new_interval_var(y, high, bottom, f"along {k}"))
        corners.append((x, y, turned))
        wides.append(wide)
        highs.append(high)
    model.add_no_overlap_2d(across, along)
    # Implied: whatever line is drawn across the sheet, what it meets is no longer than the line.
    model.add_cumulative(across, highs, length)
    model.add_cumulative(along, wides, width)
    solver = _solver(seconds)
    solver.parameters.use_energetic_reasoning_in_no_overlap_2d = True
    solver.parameters.use_timetabling_in_no_overlap_2d = True
    solver.parameters.max_pairs_pairwise_reasoning_in_no_overlap_2d = 5000
    status = solver.solve(model)
    if status in (cp_model.OPTIMAL, cp_model.FEASIBLE):
        return OneSheet(
            tuple(
                (solver.value(x) / _UNIT, solver.value(y) / _UNIT, bool(solver.boolean_value(t))) for x, y, t in corners
            ),
            True,
        )
    return OneSheet(None, status == cp_model.INFEASIBLE)


def _solver(seconds: float):  # type: ignore[no-untyped-def]  # its type is known only once it is loaded
    from ortools.sat.python import cp_model

    solver = cp_model.CpSolver()
    solver.parameters.max_time_in_seconds = seconds
    solver.parameters.num_workers = 1
    solver.parameters.random_seed = 1
    return solver
