"""The whole plan of a job, station by station."""

from dataclasses import replace
from datetime import UTC, datetime, timedelta

import pytest

from dunestead.core.blanks.blank import Blank
from dunestead.core.curing.drying import Room
from dunestead.core.errors import BadInput
from dunestead.core.figures import Catalogue
from dunestead.core.changes.arranging import fit_design
from dunestead.core.job.job import Job, Record, start_job
from dunestead.core.plan.plan import Plan, make_plan
from dunestead.core.stations.stations import NAMES, Station, stations_of
from dunestead.core.work.steps import all_steps, next_step
from dunestead.formats.verified import check_cut
from tests.shapes import WORD, artwork, files, frame, rect

NOON = datetime(2026, 5, 10, 12, 0, tzinfo=UTC)


def job_for(
    catalogue: Catalogue, surface: str = "coir", width: float = 540.0, x: float = 0.0, y: float = 0.0, **changes
) -> Job:
    job = start_job("Cabin mat", catalogue.surface(surface), catalogue, artwork(width, x=x, y=y))
    return altered(job, **{"blank": Blank(600, 400, measured_width=596.0, measured_height=398.0), **changes})


def plan_for(catalogue: Catalogue, body: str = WORD, surface: str = "coir", **changes) -> Plan:
    return make_plan(job_for(catalogue, surface, **changes), files(art=body), catalogue, check_cut)


def stations(catalogue: Catalogue, plan: Plan, now: datetime = NOON, unit: str = "mm") -> dict[str, Station]:
    steps = all_steps(plan, catalogue.hand, unit)
    return {station.code: station for station in stations_of(plan, steps, unit, now)}


def test_a_new_job_fills_its_blank_to_the_margins(catalogue) -> None:
    """A coir mat of 600 by 400 has margins of 30; the artworks are 0.4 and 2 times as high as wide."""
    job = start_job("Mat", catalogue.surface("coir"), catalogue, artwork(100.0))

    wide = fit_design(job, files(art=WORD), catalogue)
    tall = fit_design(job, files(art=rect(0, 0, 10, 20)), catalogue)

    assert wide.elements[0].width == pytest.approx(540, abs=0.1)
    assert tall.elements[0].width == pytest.approx(170, abs=0.1)
    assert (job.mask.material, job.paint) == ("paper-coated-down", "outdoor-acrylic")


def test_every_station_has_its_line(catalogue) -> None:
    found = stations(catalogue, plan_for(catalogue))

    assert list(found) == list(NAMES)
    assert all(station.verdict.endswith(".") for station in found.values())


def test_the_design_lies_in_the_middle_of_the_measured_blank(catalogue) -> None:
    plan = plan_for(catalogue, width=400.0, x=10.0, y=-5.0)

    assert plan.painted_on_blank == pytest.approx((108, 114, 508, 274), abs=0.001)
    assert (plan.tape.left, plan.tape.right) == pytest.approx((108, 88))


@pytest.mark.parametrize(
    ("station", "changes", "state", "words"),
    [
        ("blank", {}, "ready", "measured"),
        ("blank", {"blank": Blank(600, 400)}, "warn", "by its label"),
        ("artwork", {"width": 500.0}, "ready", "holds on coir mat"),
        ("artwork", {"width": 590.0}, "warn", "of the edge"),
        ("artwork", {"width": 700.0}, "stop", "off the blank"),
        ("artwork", {"width": 60.0}, "stop", "holds from"),
        ("mask", {}, "warn", "3 of 3 loose pieces undecided"),
        ("mask", {"fates": {1: "keep", 2: "bridge", 3: "leave-out"}}, "ready", "1 kept, 1 bridged, 1 left out"),
        ("mask", {"material": "plastic"}, "stop", "every one bridged"),
        ("mask", {"width": 25.0, "fates": {1: "keep", 2: "keep", 3: "keep"}}, "warn", "too small"),
        (
            "sheets",
            {"cutter": "wide-roll", "material": "iron-on", "border": 10.0, "width": 280.0},
            "ready",
            "by a simulated",
        ),
        ("sheets", {"material": "paper-coated-up", "width": 190.0}, "ready", "mirrored"),
        ("sheets", {"material": "card", "cutter": "wide-roll", "width": 190.0}, "warn", "on a backing only"),
        ("tack", {}, "ready", "placements at 160 °C"),
        ("tack", {"material": "card"}, "ready", "No heat"),
        ("tack", {"surface": "leather", "material": "paper-coated-down"}, "stop", "no heat"),
        ("tack", {"surface": "wood-sealed", "material": "card"}, "warn", "not known to hold"),
        ("paint", {}, "ready", "ml of outdoor acrylic in 3 coats"),
        ("paint", {"paint": "leather-dye"}, "warn", "not meant for"),
        ("peel", {}, "ready", "while wet"),
        ("cure", {}, "ready", "24 h"),
        ("cure", {"room": Room(10, 50)}, "ready", "48 h"),
        ("record", {}, "ready", "Nothing written"),
        ("record", {"record": Record(grade=4)}, "ready", "4 of 5"),
    ],
)
def test_a_station_judges_by_what_it_is_given(catalogue, station, changes, state, words) -> None:
    found = stations(catalogue, plan_for(catalogue, **changes))[station]

    assert found.state == state
    assert words in found.verdict


@pytest.mark.parametrize(
    ("minutes", "state", "words"), [(-1, "warn", "opens in 1"), (3, "stop", "Peel now"), (30, "warn", "has passed")]
)
def test_the_peel_station_knows_what_time_it_is(catalogue, minutes, state, words) -> None:
    plan = plan_for(catalogue, coats=1, ticks={"paint-coat-1": NOON})

    found = stations(catalogue, plan, NOON + timedelta(minutes=minutes))["peel"]

    assert found.state == state
    assert words in found.verdict


def test_centres_left_in_the_print_stop_the_job(catalogue) -> None:
    ticks = {"paint-coat-1": NOON, "peel-sheet": NOON}
    plan = plan_for(catalogue, coats=1, ticks=ticks, calls={1: {"lifted": NOON}})

    found = stations(catalogue, plan)["peel"]

    assert found.state == "stop"
    assert "2 keepers are still in the print" in found.verdict


def test_sentences_are_in_the_makers_unit(catalogue) -> None:
    plan = plan_for(catalogue, width=508.0)

    found = stations(catalogue, plan, unit="in")
    assert "20 in wide" in found["artwork"].verdict
    assert "320 °F" in found["tack"].verdict
    assert "fl oz" in found["paint"].verdict


def test_steps_come_in_the_order_of_the_work_and_have_their_own_codes(catalogue) -> None:
    steps = all_steps(plan_for(catalogue), catalogue.hand, "mm")
    order = [list(NAMES).index(step.station) for step in steps]

    assert order == sorted(order)
    assert len({step.code for step in steps}) == len(steps)


@pytest.mark.parametrize(
    ("surface", "changes", "present", "absent"),
    [
        ("coir", {}, {"tack-pressed", "tack-pinned", "weed-dish", "peel-lifted"}, {"tack-barrier", "cure-washed"}),
        ("jersey", {}, {"tack-barrier", "cure-washed", "cure-set"}, {"tack-pinned", "peel-pins"}),
        ("coir", {"material": "card"}, {"tack-laid"}, {"tack-pressed"}),
        ("coir", {"paint": "rubber-spray"}, {"tack-covered", "paint-coat-3"}, set()),
        (
            "coir",
            {"fates": {1: "bridge", 2: "bridge", 3: "bridge"}},
            set(),
            {"weed-dish", "tack-placed", "peel-lifted"},
        ),
    ],
)
def test_only_the_steps_a_job_needs_are_asked_for(catalogue, surface, changes, present, absent) -> None:
    codes = {step.code for step in all_steps(plan_for(catalogue, surface=surface, **changes), catalogue.hand, "mm")}

    assert present <= codes
    assert not absent & codes


def test_where_it_can_hurt_the_step_says_so(catalogue) -> None:
    steps = {s.code: s for s in all_steps(plan_for(catalogue, paint="rubber-spray"), catalogue.hand, "mm")}

    assert "Respirator" in steps["paint-coat-1"].caution
    assert "burn" in steps["tack-pressed"].caution
    assert "Count pins" in steps["tack-pinned"].caution


def test_keepers_first_when_peeled_wet_and_sheet_first_when_dry(catalogue) -> None:
    def order(**changes) -> list[str]:
        steps = all_steps(plan_for(catalogue, **changes), catalogue.hand, "mm")
        return [s.code for s in steps if s.code in ("peel-sheet", "peel-lifted")]

    assert order() == ["peel-lifted", "peel-sheet"]
    assert order(material="iron-on") == ["peel-sheet", "peel-lifted"]


def test_the_next_step_is_the_first_not_ticked(catalogue) -> None:
    plan = plan_for(catalogue, ticks={"blank-prepared": NOON})
    steps = all_steps(plan, catalogue.hand, "mm")

    assert next_step(plan, steps).code == "sheets-test-cut"
    done = replace(plan, look=replace(plan.look, job=replace(plan.job, ticks={step.code: NOON for step in steps})))
    assert next_step(done, steps) is None


def test_bridges_are_taken_off_the_paint_and_left_out_centres_put_on(catalogue) -> None:
    body = frame(0, 0, 100, 50)
    kept = plan_for(catalogue, body, width=200.0, fates={1: "keep"})
    solid = plan_for(catalogue, body, width=200.0, fates={1: "leave-out"})
    tied = plan_for(catalogue, body, width=200.0, fates={1: "bridge"})

    assert solid.paint.total_ml / kept.paint.total_ml == pytest.approx(4 / 3, rel=1e-5)
    assert kept.paint.colours[0].area - tied.paint.colours[0].area == pytest.approx(tied.bridged_area)


@pytest.mark.parametrize(
    ("changes", "said"),
    [
        ({"name": " "}, "name"),
        ({"width": 0.0}, "width of the artwork"),
        ({"width": float("nan")}, "width of the artwork"),
        ({"width": 1e6}, "width of the artwork"),
        ({"border": 0.0}, "border"),
        ({"bridge_width": -2.0}, "bridge width"),
        ({"coats": 0}, "coats"),
        ({"copies": 5000}, "copies"),
        ({"surface": "moon"}, "moon"),
        ({"paint": "tar"}, "tar"),
        ({"room": Room(200, 50)}, "room"),
        ({"record": Record(grade=9)}, "grade"),
        ({"record": Record(notes="x" * 20_000)}, "notes"),
        ({"blank": Blank(0.0, 400)}, "width of the blank"),
        ({"blank": Blank(600, 400, measured_width=-1.0)}, "measured width"),
    ],
)
def test_entries_that_cannot_be_are_refused_by_name(catalogue, changes, said) -> None:
    with pytest.raises(BadInput, match=said):
        plan_for(catalogue, rect(0, 0, 10, 4), **changes)
