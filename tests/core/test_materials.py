"""Materials held against a job: what rules one out, what a copy costs, from how many copies reuse pays."""

from dataclasses import replace

import numpy as np
import pytest

from dunestead.core.blanks.blank import Blank
from dunestead.core.mask.axis import AxisSide
from dunestead.core.plan.materials import MaskWork, MaterialFit, rank_materials, reuse_of
from tests.making import CATALOGUE

NO_AXIS = AxisSide(np.empty((0, 2)), np.empty(0), np.empty((0, 2), int), np.empty(0))
WORK = MaskWork((200.0, 100.0), None, 1, (), False, 0, 10, 2000.0, (NO_AXIS,))


def ranked(surface: str = "flat-towel", work: MaskWork = WORK, copies: int = 1, cutter="table-long", **heat):
    row = replace(CATALOGUE.surface(surface), **heat)
    machine, plate = CATALOGUE.cutter(cutter), CATALOGUE.press("iron")
    return rank_materials(work, row, CATALOGUE, cutter=machine, press=plate, overlap=10.0, copies=copies, unit="mm")


def fit_of(key: str, **entries) -> MaterialFit:
    return next(fit for fit in ranked(**entries) if fit.key == key)


def test_every_material_is_held_against_the_job_and_the_unfit_come_last() -> None:
    fits = ranked()

    assert {fit.key for fit in fits} == set(CATALOGUE.materials)
    assert [fit.fits for fit in fits] == sorted((fit.fits for fit in fits), reverse=True)


@pytest.mark.parametrize(
    ("key", "entries", "said"),
    [
        ("card", {}, "not known to hold"),
        ("iron-on", {"surface": "leather"}, "takes no heat"),
        ("paper-coated-down", {"surface": "coir", "heat": 140.0}, "stands up to 140"),
        ("plastic", {"work": replace(WORK, kept=((1, 20.0), (2, 20.0)))}, "2 pieces are not bridged"),
        ("paper-coated-down", {"work": replace(WORK, kept=((4, 1.0),))}, "too small for it, which wants 3 mm: 4"),
        ("stencil-film", {"work": replace(WORK, border=320.0)}, "wider than it comes, 305 mm"),
    ],
)
def test_what_rules_a_material_out_is_said(key, entries, said) -> None:
    assert any(said in reason for reason in fit_of(key, **entries).excluded)


def test_sheets_are_no_wider_than_the_material_comes() -> None:
    """A mask of 440 by 440 on a cutter that reaches 600: whole from a roll of 457, in two from one of 305."""
    work = replace(WORK, box=(390.0, 390.0), border=25.0)

    sheets = {fit.key: fit.sheets for fit in ranked(work=work, cutter="wide-roll")}
    assert (sheets["paper-coated-down"], sheets["vinyl-removable"]) == (1, 1)
    square = {fit.key: fit.sheets for fit in ranked(work=work, cutter="table-square")}
    assert square["paper-coated-down"] > sheets["paper-coated-down"]


def test_small_pieces_are_counted_before_they_are_ruled_out() -> None:
    """Coated paper wants 3 mm and forgives down to 2.1."""
    fit = fit_of("paper-coated-down", work=replace(WORK, kept=((1, 2.5), (2, 9.0))))

    assert (fit.small, fit.fits) == (1, True)


def test_a_copy_costs_its_share_of_the_mask_and_its_own_minutes() -> None:
    """Film on a towel, 200 by 100 with 25 mm around and 10 to trim: 270 by 170 mm at 9 a m², used twice."""
    fit = fit_of("stencil-film", copies=4)

    assert fit.material_cost == pytest.approx(0.27 * 0.17 * 9)
    # Cut 2 m at 100 mm/s and one sheet to load; ten windows at 4 s and 200 cm at 0.2 s.
    assert fit.making == pytest.approx((120 + 20 + 40 + 40) / 60)
    # Positioned 180, laid 300, peeled 60 s.
    assert fit.printing == pytest.approx(540 / 60)
    assert fit.minutes == pytest.approx(fit.making / 2 + fit.printing)
    assert fit.cost == pytest.approx(fit.material_cost / 2 + fit.minutes * 15 / 60)


def test_a_mask_that_is_washed_costs_the_washing() -> None:
    """Eleven prints from one plastic sheet: washed after five and after ten."""
    one, eleven = fit_of("plastic", copies=1), fit_of("plastic", copies=11)

    assert eleven.minutes == pytest.approx(one.making / 11 + one.printing + 2 * 4 / 11)


def test_from_some_number_of_copies_on_what_is_used_again_is_the_cheapest() -> None:
    # With 20 m of cut a mask is worth using again.
    reuse = reuse_of(ranked(work=replace(WORK, cut_length=20_000.0, windows=60)), CATALOGUE, 6)
    costs = dict(reuse.costs)

    cheapest = [min(costs, key=lambda key: costs[key][k]) for k in range(len(reuse.copies))]
    changes = [k + 1 for k in range(1, len(cheapest)) if cheapest[k] != cheapest[k - 1]]
    assert [one.copies for one in reuse.break_even] == changes
    assert reuse.break_even[-1].material == "plastic" == cheapest[-1]


def test_only_what_will_do_is_reckoned_with() -> None:
    reuse = reuse_of(ranked(work=replace(WORK, kept=((1, 20.0),))), CATALOGUE, 1)

    assert "plastic" not in dict(reuse.costs)
    assert reuse_of([], CATALOGUE, 1).break_even == ()


def test_the_blanks_own_heat_limit_counts() -> None:
    assert Blank(1, 1, heat=100).heat == 100
    assert not fit_of("iron-on", surface="jersey", heat=100.0).fits
    assert fit_of("iron-on", surface="jersey").fits
