"""The stack, which paint, how many coats, the weather: against figures worked out by hand."""

from datetime import UTC, datetime, timedelta

import pytest
from hypothesis import given
from hypothesis import strategies as st

from dunestead.core.curing.drying import Weather
from dunestead.core.curing.peel import WetWork, peel_schools, peel_window
from dunestead.core.errors import BadInput
from dunestead.core.figures import Figure
from dunestead.core.job.job import PaintEntry
from dunestead.core.painting.amount import spread_of
from dunestead.core.painting.choice import PaintWork, rank_paints
from dunestead.core.painting.coatings import Coating
from dunestead.core.painting.coats import coats_for, is_light_on_dark
from dunestead.core.painting.mixing import MixPart, batch_of, check_mix, mixed_colour
from dunestead.core.painting.section import section_of
from dunestead.core.painting.stack import doubts, move_coating, offers
from dunestead.core.painting.weather import Hour, dew_point, good_spells, spraying, verdict_of
from dunestead.core.plan.plan import make_plan
from dunestead.core.stations.graph import task_graph
from dunestead.core.words.weather import reading_in_words
from dunestead.devices.weather import SimulatedWeather
from dunestead.formats.verified import check_cut
from tests.making import CATALOGUE, job_of, poured, words
from tests.shapes import Files

FIGURES = CATALOGUE.workshop
NOON = datetime(2026, 5, 10, 12, 0, tzinfo=UTC)


# --- the weather ------------------------------------------------------------------------------
@pytest.mark.parametrize(
    ("temperature", "humidity", "dew"),
    # From printed tables of the dew point.
    [(20, 50, 9.3), (20, 80, 16.4), (25, 60, 16.7), (10, 90, 8.4), (30, 30, 10.5)],
)
def test_the_dew_point_is_that_of_printed_tables(temperature, humidity, dew) -> None:
    assert dew_point(temperature, humidity) == pytest.approx(dew, abs=0.15)


@pytest.mark.parametrize(
    ("weather", "verdict", "against"),
    [
        (Weather(20, 50), "go", set()),
        (Weather(20, 66), "wait", {"humidity"}),
        (Weather(20, 86), "no", {"humidity", "dew"}),
        (Weather(12, 50), "wait", {"temperature"}),
        (Weather(9, 50), "no", {"temperature"}),
        (Weather(33, 40), "no", {"temperature"}),
        (Weather(20, 50, 2.9), "go", set()),
        (Weather(20, 50, 3.0), "no", {"wind"}),
        (Weather(20, 50, 0, rain=True), "no", {"rain"}),
    ],
)
def test_spraying_is_refused_in_cold_damp_wind_and_rain(weather, verdict, against) -> None:
    readings = spraying(weather, FIGURES)

    assert verdict_of(readings) == verdict
    assert {one.code for one in readings if one.verdict != "go"} == against


def test_good_spells_are_within_the_working_day_and_none_is_too_short() -> None:
    """Good from 6 to 10 and from 14 to 15; somebody works from 8 on: two hours are left of the first."""
    good = {6, 7, 8, 9, 14}
    start = NOON.replace(hour=0)
    hours = [Hour(start + timedelta(hours=k), Weather(20, 50, 0 if k in good else 9)) for k in range(24)]

    spells = good_spells(hours, FIGURES, (8, 20))

    assert [(one.begins.hour, one.ends.hour) for one in spells] == [(8, 10)]


def test_the_simulated_forecast_is_the_same_each_time_and_believable() -> None:
    service = SimulatedWeather()
    year = service.forecast(NOON, 24 * 365)
    later = service.forecast(NOON + timedelta(hours=30), 5)

    assert later == year[30:35]
    assert SimulatedWeather(seed=9).forecast(NOON, 24) != year[:24]
    by_month = {month: [h.weather.temperature for h in year if h.at.month == month] for month in (1, 7)}
    assert sum(by_month[7]) / len(by_month[7]) > sum(by_month[1]) / len(by_month[1]) + 8
    assert all(-20 <= h.weather.temperature <= 40 and 25 <= h.weather.humidity <= 100 for h in year)
    assert 0.02 < sum(h.weather.rain for h in year) / len(year) < 0.4
    assert good_spells([h for h in year if h.at.month in (6, 7, 8)], FIGURES, (8, 20))


# --- amounts ----------------------------------------------------------------------------------
def test_what_stays_in_the_brush_is_poured_once_a_copy_and_bottles_hold_it_all() -> None:
    """0.1 m² x 2 x 4 / 7 l = 114.3 ml a copy; twice that and 2 x 3 ml in the brush: 234.6, four bottles of 60."""
    amount = poured(1e5, "coir", "outdoor-acrylic", 2, 2)

    assert amount.pour_ml == pytest.approx(234.6, abs=0.1)
    assert (amount.bottles, amount.cans) == (4, None)


def test_an_amount_is_a_range_by_the_ranges_of_its_figures() -> None:
    """Soak 2.8 to 5.6 about 4 and cover 5.6 to 8.4 about 7: factors 1.4286 and 1.25, exp(sqrt(.127 + .0498)) 1.523."""
    soak, cover = Figure(4, 2.8, 5.6, "", ""), Figure(7, 5.6, 8.4, "", "")
    spread = spread_of(soak, cover)
    amount = poured(1e5, "coir", "outdoor-acrylic", 2, 1, spread=spread)

    assert spread == pytest.approx(1.523, abs=0.002)
    assert (amount.low_ml, amount.high_ml) == pytest.approx((114.3 / 1.523 + 3, 114.3 * 1.523 + 3), abs=0.3)


@given(st.floats(1, 1e6), st.integers(1, 6), st.integers(1, 20), st.floats(1, 3))
def test_no_amount_is_nothing_and_its_range_holds_it(area, coats, copies, spread) -> None:
    for paint in CATALOGUE.paints:
        amount = poured(area, "canvas", paint, coats, copies, spread=spread)
        assert 2 <= amount.low_ml <= amount.pour_ml <= amount.high_ml


# --- coats ------------------------------------------------------------------------------------
@pytest.mark.parametrize(
    ("wanted", "own", "dark", "load", "count", "share"),
    [
        ("solid", None, False, "heavy", 3, 1.0),
        ("worn", None, False, "heavy", 2, 1.0),
        ("washed", None, False, "heavy", 1, 1.0),
        ("solid", None, True, "heavy", 4, 1.0),
        ("worn", None, True, "heavy", 2, 1.0),
        ("solid", None, False, "light", 4, 0.6),
        ("solid", 2, True, "light", 2, 0.6),
    ],
)
def test_the_look_that_is_wanted_sets_the_coats(wanted, own, dark, load, count, share) -> None:
    paint = CATALOGUE.paint("outdoor-acrylic")

    coats = coats_for(paint, wanted, own=own, light_on_dark=dark, load=load, figures=FIGURES)

    assert (coats.count, coats.share) == (count, share)


def test_white_on_navy_is_light_on_dark_and_sand_on_straw_is_not() -> None:
    assert is_light_on_dark("#ffffff", "#1d2f55", FIGURES)
    assert not is_light_on_dark("#d6bf94", "#b08a57", FIGURES)


# --- which paint ------------------------------------------------------------------------------
def ranked(surface: str, use: str, **more):
    work = PaintWork(CATALOGUE.surface(surface), CATALOGUE.material("paper-coated-down"), use, **more)
    return {fit.paint.key: fit for fit in rank_paints(work, CATALOGUE)}


def test_what_does_not_stand_the_use_or_the_surface_is_ruled_out_with_the_reason() -> None:
    mat = ranked("coir", "open")
    shirt = ranked("jersey", "worn")

    assert next(iter(mat)) in ("outdoor-acrylic", "porch-paint")
    assert not mat["craft-acrylic"].allowed
    assert "open doorstep" in mat["craft-acrylic"].why[0]
    assert "Not meant for" in mat["fabric-brush"].why[0]
    assert next(iter(shirt)) in ("fabric-brush", "fabric-spray")
    assert not shirt["outdoor-acrylic"].allowed


def test_an_airbrush_is_wanted_only_where_the_workshop_has_said_what_it_has() -> None:
    assert ranked("leather", "touched")["leather-acrylic"].allowed
    assert not ranked("leather", "touched", owned=frozenset({"plate"}))["leather-acrylic"].allowed
    assert ranked("leather", "touched", owned=frozenset({"airbrush"}))["leather-acrylic"].allowed


def test_what_is_not_ready_by_the_due_date_is_ruled_out() -> None:
    """Fabric paint is washed after 72 h; two days are not enough where it must be."""
    two_days = ranked("jersey", "worn", until_due=2 * 1440.0)

    assert not two_days["fabric-brush"].allowed
    assert "due in" in two_days["fabric-brush"].why[0]
    assert ranked("coir", "sheltered", until_due=2 * 1440.0)["outdoor-acrylic"].allowed


def test_what_came_of_swatches_speaks_for_a_paint_or_against_it() -> None:
    none, well, poorly = (
        ranked("coir", "sheltered", swatches={"porch-paint": results})["porch-paint"].score
        for results in ((), (5, 4, 1), (2, 1))
    )

    assert poorly < none < well


def test_weather_nobody_looked_at_is_not_good_but_not_known() -> None:
    unseen = spraying(PaintEntry().weather, FIGURES)

    assert verdict_of(unseen) == "unknown"
    assert {one.verdict for one in unseen} == {"unknown"}
    assert {reading_in_words(one, "mm") for one in unseen} == {"not known"}
    assert verdict_of(spraying(Weather(), FIGURES)) == "go"


def test_bad_weather_speaks_against_cans() -> None:
    good, bad = (ranked("coir", "sheltered", spraying=v)["rubber-spray"].score for v in ("go", "no"))

    assert bad < good


# --- the stack --------------------------------------------------------------------------------
STACK = (
    Coating("colour", "outdoor-acrylic", "#aa2222"),
    Coating("base", "outdoor-acrylic", "#ffffff"),
    Coating("colour", "outdoor-acrylic", "#2222aa"),
    Coating("finish", "clear-sealer"),
)


def test_coatings_of_one_role_change_places_and_others_are_told_why_not() -> None:
    moved = move_coating(STACK, 0, 1, seen_through=False)

    assert [one.colour for one in moved if one.role == "colour"] == ["#2222aa", "#aa2222"]
    assert move_coating(moved, 2, -1, seen_through=False)[0].colour == "#aa2222"
    for index, by, said in (
        (1, 1, "under the design"),
        (3, -1, "finish"),
        (1, -1, "first already"),
        (9, 1, "no coating"),
    ):
        with pytest.raises(BadInput, match=said):
            move_coating(STACK, index, by, seen_through=False)


def test_behind_glass_a_ground_before_the_colour_would_hide_it() -> None:
    stack = (Coating("colour", "spray-enamel"), Coating("ground", "spray-enamel"), Coating("finish", "plate-glaze"))

    with pytest.raises(BadInput, match="nearest the eye goes on first"):
        move_coating(stack, 1, -1, seen_through=True)
    with pytest.raises(BadInput, match="show through"):
        move_coating(stack, 2, -1, seen_through=True)


def test_a_ground_on_a_mat_and_an_edge_seal_on_cloth_are_doubted() -> None:
    glass, cloth = CATALOGUE.surface("glass"), CATALOGUE.surface("jersey")
    ground, seal = [Coating("ground", "spray-enamel")], [Coating("edge-seal", "matte-medium")]

    assert not list(doubts(ground, glass, seen_through=True))
    assert len(list(doubts(ground, glass, seen_through=False))) == 1
    assert len(list(doubts(seal, cloth, seen_through=False))) == 1


def test_what_makers_add_is_offered_until_it_is_there() -> None:
    wood, mat = CATALOGUE.surface("wood-sealed"), CATALOGUE.surface("coir")
    paint = Coating("colour", "craft-acrylic")

    def roles(stack, surface, use, dark=False):
        return [one.role for one in offers(stack, surface, use, light_on_dark=dark, seen_through=False)]

    assert roles([paint], wood, "indoor") == ["edge-seal"]
    assert roles([paint, Coating("edge-seal", "matte-medium")], wood, "indoor") == []
    assert roles([paint], mat, "open", dark=True) == ["base", "seal"]
    assert roles([paint, Coating("seal", "clear-sealer")], mat, "open") == []


def test_the_section_shows_what_lies_on_what_and_turns_over_behind_glass() -> None:
    plan = make_plan(job_of(words("HI", 300.0), coatings=(STACK[0], STACK[1], STACK[3])), Files(), CATALOGUE, check_cut)

    front = section_of(plan.coatings, "#ccc", seen_through=False, reverse=False)
    behind = section_of(plan.coatings, "#ccc", seen_through=True, reverse=False)

    assert [layer.number for layer in front] == [3, 2, 1, None]
    assert [layer.number for layer in behind] == [None, 1, 2, 3]
    by_number = {layer.number: layer.spans for layer in front}
    assert (by_number[1], by_number[3]) == (((0.0, 1.0),), ((0.0, 1.0),))
    assert len(by_number[2]) == 3


# --- mixing -----------------------------------------------------------------------------------
def test_a_batch_keeps_its_parts_and_its_colour_lies_between() -> None:
    mix = [MixPart("white", "#ffffff", 3), MixPart("navy", "#1d2f55", 1)]

    assert batch_of(mix, 60) == [45, 15]
    red, green, blue = (int(mixed_colour(mix)[k : k + 2], 16) for k in (1, 3, 5))
    assert 0x1D < red < 0xFF
    assert 0x2F < green < 0xFF
    assert 0x55 < blue < 0xFF
    assert red < blue
    with pytest.raises(BadInput, match="mud"):
        check_mix(mix * 7)


# --- layers of time ---------------------------------------------------------------------------
def test_no_school_peels_wet_what_dried_before_and_one_always_will_do() -> None:
    for paint in CATALOGUE.paints.values():
        for material in CATALOGUE.materials.values():
            for dried in (False, True):
                for minutes in (5.0, 500.0):
                    schools = peel_schools(paint, material, 1.0, WetWork(minutes, dried))
                    assert (schools[0].usual, schools[0].allowed) == (True, True), (paint.key, material.key)
                    wet = [one for one in schools if one.allowed and one.when == "wet"]
                    assert not wet or (not dried and minutes <= paint.touch)


def test_a_school_that_will_not_do_is_told_and_the_usual_one_taken() -> None:
    paint, paper = CATALOGUE.paint("outdoor-acrylic"), CATALOGUE.material("paper-coated-down")

    asked = peel_window(paint, paper, Weather(), FIGURES, WetWork(50.0), "wet")
    chosen = peel_window(paint, paper, Weather(), FIGURES, WetWork(5.0), "touch-dry")

    assert (asked.when, chosen.when) == ("touch-dry", "touch-dry")
    assert "Dabbing takes 50 min" in asked.why


@pytest.mark.parametrize("material", ["paper-coated-down", "vinyl-removable", "stencil-film"])
@pytest.mark.parametrize("surface", ["coir", "canvas", "wood-sealed", "cotton-rug", "glass"])
def test_no_plan_waits_for_paint_to_dry_and_then_peels_it_wet(surface: str, material: str) -> None:
    """Every paint with every stack of coats: before a wet peel no coat of colour waits for another to dry."""
    for paint in CATALOGUE.paints.values():
        if "colour" not in paint.roles or material not in {
            m.key for m in CATALOGUE.materials.values() if CATALOGUE.surface(surface).family in m.works_on
        }:
            continue
        stacks = [
            (Coating("colour", paint.key, coats=3),),
            (Coating("edge-seal", "matte-medium"), Coating("colour", paint.key, coats=2)),
            (Coating("colour", paint.key, coats=2), Coating("over-colour", paint.key, "#c9a227", coats=2)),
            (Coating("colour", paint.key), Coating("seal", "clear-sealer", where="mask")),
        ]
        for stack in stacks:
            job = job_of(words("HI", 120.0), surface=surface, material=material, coatings=stack, cutter="wide-roll")
            plan = make_plan(job, Files(), CATALOGUE, check_cut)
            mask, graph = plan.masks[0], task_graph(plan, CATALOGUE)
            coats = [t for t in graph.of("paint") if t.code == "paint-coat" and t.values.coating.role != "edge-seal"]
            dries = [wait.least for task in coats[1:] for wait in task.after if wait.task.startswith("paint-coat")]
            if mask.peel.when in ("wet", "at-once") and mask.peel.since_first is not None:
                assert not any(dries), (paint.key, [one.role for one in stack])


def test_bottles_hold_what_stays_in_the_brush_too() -> None:
    """1,050 cm² on coir in two coats: 0.105 x 2 x 4 / 7 l is 120 ml, two bottles of 60; 3 ml in the brush, a third."""
    amount = poured(1.05e5, "coir", "outdoor-acrylic", 2, 1)

    assert amount.total_ml == pytest.approx(120.0)
    assert amount.bottles == 3
