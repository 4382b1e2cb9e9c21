"""The size rail against brute force: every width in steps of a millimetre."""

import numpy as np
import pytest

from dunestead.core.artwork.elements import Frame, Repeat
from dunestead.core.blanks.blank import Blank
from dunestead.core.changes.arranging import resize_design
from dunestead.core.job.job import Job, altered
from dunestead.core.mask.bridge_rules import BridgeRules
from dunestead.core.mask.tying import tie_mask
from dunestead.core.sheets.cells import Reach
from dunestead.core.sheets.ground import Guards
from dunestead.core.sheets.layout import LayoutRules, lay_out
from dunestead.core.sheets.price import USUAL_PRICES
from tests.making import CATALOGUE, job_of, look, rail, words
from tests.shapes import Files, artwork, files, frame, rect, ring

SOURCES = files(
    bars=rect(0, 0, 100, 8) + rect(0, 13, 100, 9) + rect(0, 40, 60, 12),
    rings=ring(20, 20, 20, 9) + frame(50, 0, 40, 15),
    wide=rect(0, 0, 100, 30),
)
CODES = {"stroke": "stroke-thin", "web": "web-thin", "part": "part-small", "letter": "letter-low"}


def at(job: Job, width: float, sources: Files = SOURCES):
    return look(resize_design(job, width, sources, CATALOGUE), sources)


def first_without(job: Job, code: str, low: int, high: int) -> int:
    """Return the least whole width at which nothing of a code is found."""
    return next(
        width for width in range(low, high) if not any(finding.code == code for finding in at(job, width).findings)
    )


JOBS = {
    "drawn on coir": job_of(artwork(260.0, "bars")),
    "rings on a towel": job_of(artwork(120.0, "rings"), surface="flat-towel", blank=Blank(500, 700)),
    "lettering": job_of(words("Boats", 300.0)),
    "lettering and a drawing": job_of(words("ROW", 200.0, y=-60), artwork(160.0, "bars", 2, y=70)),
    "lettering in a frame": job_of(words("ROW", 260.0), Frame(id=2)),
}


@pytest.mark.parametrize("name", JOBS)
def test_each_least_width_is_where_the_last_finding_goes(name: str) -> None:
    job = JOBS[name]
    found = rail(job, SOURCES)

    assert found.least
    for least in found.least:
        if not 30 < least.width < 900:
            continue
        low = max(int(least.width) - 6, 2)
        assert first_without(job, CODES[least.measure], low, low + 14) == pytest.approx(least.width, abs=1.6)


@pytest.mark.parametrize("name", ["drawn on coir", "lettering", "lettering and a drawing", "lettering in a frame"])
@pytest.mark.parametrize(("kind", "code"), [("edge", "off-blank"), ("margin", "off-margin")])
def test_the_largest_widths_are_where_it_runs_over(name: str, kind: str, code: str) -> None:
    job = JOBS[name]
    limit = getattr(rail(job, SOURCES), kind)

    def over(width: float) -> bool:
        return any(finding.code in (code, "off-blank") for finding in at(job, width).findings)

    assert not over(limit - 0.6)
    assert over(limit + 0.6)


def test_on_a_round_blank_corners_set_the_largest_width() -> None:
    """A bar 100 by 30 in a circle of 500: its half diagonal is 250 when it is 500 / sqrt(1 + 0.09) wide."""
    job = job_of(artwork(200.0, "wide"), blank=Blank(500, 500, shape="oval"))

    assert rail(job, SOURCES).edge == pytest.approx(500 / np.hypot(1, 0.3), rel=1e-3)


def test_off_the_middle_the_nearer_edge_sets_it() -> None:
    job = job_of(artwork(200.0, "wide", x=100))

    assert rail(job, SOURCES).edge == pytest.approx(400, abs=0.05)


@pytest.mark.parametrize("name", ["drawn on coir", "lettering and a drawing", "lettering in a frame"])
@pytest.mark.parametrize("cutter", ["table-square", "table-long", "pocket"])
def test_sheets_step_where_a_division_takes_more(name: str, cutter: str) -> None:
    job = altered(JOBS[name], cutter=cutter, aim="sheets")
    found = rail(job, SOURCES)
    row = CATALOGUE.cutter(cutter)

    def divided(width: float) -> int:
        seen = at(job, width)
        cut = tie_mask(seen.masks[0].mask, (), BridgeRules(5.0))
        rules = LayoutRules(
            Reach(row.reach_width, row.reach_length, 10.0), False, prices=USUAL_PRICES.towards("sheets")
        )
        return lay_out((cut,), (Guards(),), rules).count

    assert [step.sheets for step in found.steps] == sorted({step.sheets for step in found.steps})
    for step, following in zip(found.steps[:4], found.steps[1:5], strict=False):
        if step.width > found.edge:
            break
        assert divided(step.width - 0.5) <= step.sheets < divided(step.width + 0.5) <= following.sheets


def test_every_width_has_its_count_of_sheets() -> None:
    found = rail(JOBS["drawn on coir"], SOURCES)
    counts = [found.sheets_at(width) for width in np.linspace(found.low, found.high, 200)]

    assert counts == sorted(counts)
    assert found.sheets_at(found.steps[0].width) == found.steps[0].sheets


def test_what_limits_it_most_comes_first_with_its_place() -> None:
    """Bars of 8, 9 and 12 with 5 between two of them on coir: the 5 wants 4, the 8 wants 6, of which 6 / 8 is more."""
    found = rail(job_of(artwork(200.0, "bars")), SOURCES)

    assert [least.measure for least in found.least][:2] == ["web", "stroke"]
    assert found.least[0].width == pytest.approx(200 * 4 / 10, rel=0.01)
    assert found.least[1].width == pytest.approx(200 * 6 / 16, rel=0.01)
    assert found.least[0].at[1] == pytest.approx(200 - 52 + 2 * 10.5, abs=2)


def test_a_frame_neither_limits_nor_grows() -> None:
    alone, framed = (rail(JOBS[name], SOURCES) for name in ("lettering in a frame", "lettering in a frame"))
    plain = rail(job_of(words("ROW", 260.0)), SOURCES)
    thin = rail(job_of(words("ROW", 260.0), Frame(id=2, thickness=1.0)), SOURCES)

    assert alone.width == plain.width == pytest.approx(260, abs=0.01)
    assert framed.smallest == pytest.approx(plain.smallest, rel=0.01)
    assert thin.smallest == pytest.approx(plain.smallest, rel=0.01)


def test_scattered_copies_do_not_count_as_width() -> None:
    job = job_of(artwork(200.0, "wide"), artwork(25.0, "wide", 2, repeat=Repeat("scatter", 9)))

    assert rail(job, SOURCES).width == pytest.approx(200, abs=0.01)


def test_growing_a_design_keeps_its_middle_and_its_proportions() -> None:
    job = JOBS["lettering and a drawing"]
    before, after = look(job, SOURCES), at(job, 300.0)

    one, other = before.composition.design_box, after.composition.design_box
    assert after.composition.design_width == pytest.approx(300, abs=0.01)
    assert [(one[k] + one[k + 2]) / 2 for k in (0, 1)] == pytest.approx(
        [(other[k] + other[k + 2]) / 2 for k in (0, 1)], abs=0.01
    )
    assert (one[3] - one[1]) / (one[2] - one[0]) == pytest.approx((other[3] - other[1]) / 300, rel=1e-4)


# --- what no size mends -----------------------------------------------------------------------
def slit(gap: float) -> str:
    """Two bars 40 long so far apart, in a design 100 wide whose own webs are 20."""
    return rect(0, 0, 40, 20) + rect(0, 20 + gap, 40, 20) + rect(60, 0, 40, 45)


@pytest.mark.parametrize("width", [90.0, 250.0, 520.0])
def test_a_sliver_is_one_spot_and_the_rest_says_from_where_it_holds(width: float) -> None:
    """0.1 of 100 would be 4 mm at 4 m; the web of 20 between the bars holds from 20, the strokes of 20 from 30."""
    found = rail(job_of(artwork(width, "sliver")), files(sliver=slit(0.1)))

    assert [spot.measure for spot in found.spots] == ["web"]
    assert found.smallest == pytest.approx(30, rel=0.03)
    assert all(least.width < 3000 for least in found.least)


def test_what_a_larger_size_that_fits_mends_is_no_spot() -> None:
    found = rail(job_of(artwork(250.0, "slit")), files(slit=slit(1.0)))

    assert found.spots == ()
    assert found.smallest == pytest.approx(400, rel=0.02)
