"""What own jobs teach: times from ticks, figures that are robust and stay in their range, and what went wrong."""

import math
import random
from collections.abc import Sequence
from dataclasses import replace
from datetime import UTC, date, datetime, timedelta

import pytest
from hypothesis import given
from hypothesis import strategies as st

from dunestead.catalogue import load_catalogue
from dunestead.core.effort import effort
from dunestead.core.job.log import LogEntry
from dunestead.core.learning.causes import tallies_of
from dunestead.core.learning.estimate import factor_of
from dunestead.core.learning.finished import Finished
from dunestead.core.learning.happened import spans_of, spells_of
from dunestead.core.learning.learnt import Learning, Learnt, Lesson, learnt_of, taught
from dunestead.core.words.learning import learnt_in_words, show_figure
from dunestead.core.work.tasks import Task, TaskGraph, Wait
from tests.making import step

CATALOGUE = load_catalogue()
HAND, FIGURES = CATALOGUE.hand, CATALOGUE.figures
NONE = Learning()
NOON = datetime(2026, 5, 10, 12, tzinfo=UTC)
DAB = "hand/dab_dm2_coir"


def at(minutes: float) -> datetime:
    return NOON + timedelta(minutes=minutes)


def graph(*tasks: Task) -> TaskGraph:
    return TaskGraph(tasks)


def done(task: Task, minutes: float, began: float | None = None) -> LogEntry:
    return LogEntry("done", task.id, at(minutes), began=None if began is None else at(began))


# 300 s of preparing; 10 dm² at 40 s; 6 keepers at 25 s; a plate that rests 200 s and is moved 4 times at 5 s.
PREPARE = step("blank-prepared", copy=1, effort=effort(HAND, prepare=1))
COAT = step("paint-coat", copy=1, coat=1, effort=effort(HAND, dab_dm2_coir=10))
PLACE = step("tack-place", copy=1, effort=effort(HAND, place_keeper=6))
PRESS = step("tack-press", copy=1, effort=effort(HAND, 200, placement_move=4))


def test_a_stretch_runs_from_the_tick_before_or_the_first_stroke() -> None:
    spans = spans_of(graph(PREPARE, PLACE, COAT), [done(PREPARE, 0), done(PLACE, 3), done(COAT, 60, 52)], FIGURES)

    assert [(span.why, span.seconds) for span in spans] == [("first", None), ("timed", 180.0), ("timed", 480.0)]


def test_what_is_ticked_in_one_go_shares_the_time_before() -> None:
    log = [done(PREPARE, 0), done(PLACE, 11), done(COAT, 11.2)]

    spans = spans_of(graph(PREPARE, PLACE, COAT), log, FIGURES)
    spells = {spell.station: spell for spell in spells_of(spans, FIGURES)}

    # 672 s for what the table gives 150 and 400 s.
    assert spans[1].seconds == pytest.approx(672)
    assert spells["tack"].taken == pytest.approx(672 * 150 / 550 / 60)
    assert spells["paint"].taken == pytest.approx(672 * 400 / 550 / 60)
    assert (spells["tack"].planned, spells["blank"].timed) == (pytest.approx(2.5), 0)


@pytest.mark.parametrize(("minutes", "why"), [(40, "away"), (0.4, "later"), (12.4, "timed"), (0.6, "timed")])
def test_a_break_is_no_work_and_a_late_tick_no_haste(minutes: float, why: str) -> None:
    """Placing takes 150 s by the table: from 30 to 750 s are believed."""
    spans = spans_of(graph(PREPARE, PLACE), [done(PREPARE, 0), done(PLACE, minutes)], FIGURES)

    assert spans[1].why == why


def test_until_paint_is_dry_nobody_works() -> None:
    second = replace(COAT, coat=2, after=(Wait(COAT.id, 20.0),))
    waited = spans_of(graph(COAT, second), [done(COAT, 0), done(second, 30)], FIGURES)
    told = spans_of(graph(COAT, second), [done(COAT, 0), done(second, 30, 24)], FIGURES)

    assert (waited[1].why, told[1].seconds) == ("drying", 360.0)


def test_what_was_taken_back_and_done_again_counts_once() -> None:
    log = [done(PREPARE, 0), done(PLACE, 2), LogEntry("undone", PLACE.id, at(3)), done(PLACE, 5)]

    spans = spans_of(graph(PREPARE, PLACE), log, FIGURES)

    assert [span.seconds for span in spans] == [None, 300.0]


# --- by which factor ------------------------------------------------------------------------------
def test_two_hundred_makers_are_known_after_six_jobs() -> None:
    """Each has a factor of 0.5 to 2 of their own, 8 % of noise, and one value in six is absurd."""
    rolled = random.Random(20260510)
    off, table = dict.fromkeys(range(1, 13), 0.0), 0.0
    for _ in range(200):
        own = math.exp(rolled.uniform(math.log(0.5), math.log(2)))
        values: list[float] = []
        for turn in (0, 6):
            slip = rolled.randrange(6)
            for place in range(6):
                wild = rolled.choice([0.01, 0.1, 0.25, 1 / 3, 3, 5, 10, 60]) if place == slip else 1.0
                values.append(own * math.exp(rolled.gauss(0, 0.08)) * wild)
                off[turn + place + 1] += abs(math.log(factor_of(values) / own))
        table += abs(math.log(own))
        assert factor_of(values[:6]) == pytest.approx(own, rel=0.15)

    assert all(error < table for error in off.values())
    assert off[6] < 0.15 * table


def test_a_maker_who_gets_faster_is_followed() -> None:
    """From 1.7 to 0.7 in twelve jobs, each by the same share: the mean of all would be 1.1."""
    ratios = [1.7 * (0.7 / 1.7) ** (job / 11) for job in range(12)]

    assert factor_of(ratios[::-1]) == pytest.approx(0.7, rel=0.1)
    assert factor_of(ratios) == pytest.approx(1.7, rel=0.1)


def test_another_tool_is_believed_after_two_jobs_and_one_slip_is_not() -> None:
    assert factor_of([0.8, *[1.5] * 8]) == pytest.approx(1.5, rel=0.1)
    assert factor_of([0.8, 0.8, *[1.5] * 8]) == pytest.approx(0.8, rel=0.1)


@given(st.lists(st.floats(0.01, 100), max_size=8))
def test_a_factor_lies_between_the_table_and_the_furthest_value(ratios: list[float]) -> None:
    assert min([1.0, *ratios]) * 0.999 <= factor_of(ratios) <= max([1.0, *ratios]) * 1.001


@given(st.floats(0.5, 2.0), st.integers(1, 7))
def test_the_more_jobs_agree_the_nearer_it_comes(ratio: float, jobs: int) -> None:
    near, nearer = (abs(math.log(factor_of([ratio] * count) / ratio)) for count in (jobs, jobs + 1))

    assert nearer <= near + 1e-4


def test_one_slip_of_the_pen_moves_nothing_much() -> None:
    without, with_slip = factor_of([0.8, 0.82, 0.78, 0.8]), factor_of([0.8, 0.82, 0.78, 0.8, 8.0])

    assert with_slip == pytest.approx(without, rel=0.02)


# --- the figures ----------------------------------------------------------------------------------
def lessons(figure: str, ratios: Sequence[float]) -> list[Lesson]:
    return [Lesson(k, f"Mat {k}", date(2026, 4, k), figure, ratio) for k, ratio in enumerate(ratios, start=1)]


def learnt(figure: str, ratios: Sequence[float], choices: Learning = NONE) -> Learnt:
    return learnt_of(lessons(figure, ratios), choices, CATALOGUE)[figure]


def test_a_figure_moves_and_is_reckoned_with() -> None:
    one = learnt(DAB, [0.75] * 6)

    assert (one.table, one.jobs, one.is_in_force) == (40.0, 6, True)
    assert one.value == pytest.approx(30, rel=0.01)
    assert taught(CATALOGUE, {DAB: one}).hand.dab_dm2_coir == one.value
    assert [lesson.job for lesson in one.lessons] == [6, 5, 4, 3, 2, 1]


@given(st.lists(st.floats(0.02, 50), min_size=1, max_size=8))
def test_a_figure_never_leaves_its_range(ratios: list[float]) -> None:
    one = learnt(DAB, ratios)

    assert 20.0 <= one.value <= 80.0
    assert one.is_held == (one.value in (20.0, 80.0))


def test_values_are_left_out_and_a_figure_set_back() -> None:
    without = learnt(DAB, [0.5, 1.5, 1.5, 1.5], Learning(left_out=(f"{DAB}@1",)))
    back = learnt(DAB, [0.5, 0.5], Learning(to_table=(DAB,)))

    assert (without.value, without.jobs) == (learnt(DAB, [1.5, 1.5, 1.5]).value, 3)
    assert (back.value, back.is_in_force, taught(CATALOGUE, {DAB: back}).hand.dab_dm2_coir) == (40.0, False, 40.0)


def test_the_newest_forty_jobs_count() -> None:
    old, new = [1.5] * 30, [0.8] * 40
    many = [Lesson(k, "Mat", date(2020, 1, 1) + timedelta(days=k), DAB, ratio) for k, ratio in enumerate(old + new)]

    one = learnt_of(many, NONE, CATALOGUE)[DAB]

    assert (one.jobs, len(one.lessons)) == (40, 70)
    assert one.value == pytest.approx(32, rel=0.01)


def hands_of(*rows: tuple[str, float]) -> list[Lesson]:
    return [Lesson(k, f"Mat {k}", date(2026, 4, k), DAB, ratio, by) for k, (by, ratio) in enumerate(rows, start=1)]


def test_the_hands_of_two_people_are_kept_apart_and_plans_go_by_who_works_now() -> None:
    rows = [("Ida", 0.7), ("Tam", 1.4), ("Tam", 1.4), ("Ida", 0.7), ("Ida", 0.7), ("Ida", 0.7), ("Ida", 0.7)]
    one = learnt_of(hands_of(*rows), NONE, CATALOGUE)[DAB]

    assert (one.by, one.jobs) == ("Ida", 5)
    assert one.value == learnt(DAB, [0.7] * 5).value
    assert one.others == (("Tam", learnt(DAB, [1.4] * 2).value),)
    said = learnt_in_words(one, "mm")
    assert "from five of Ida’s jobs" in said
    assert f"Tam takes {show_figure(one.others[0][1], 's')}" in said
    later = learnt_of(
        [*hands_of(*rows), *(Lesson(k, "Mat", date(2026, 5, k), DAB, 1.4, "Tam") for k in range(8, 12))],
        NONE,
        CATALOGUE,
    )
    assert later[DAB].by == "Tam"


def test_what_was_done_before_anybody_signed_in_counts_for_whoever_works_now() -> None:
    one = learnt_of(hands_of(("", 0.7), ("", 0.7), ("Ida", 0.7)), NONE, CATALOGUE)[DAB]

    assert (one.by, one.jobs, one.others) == ("Ida", 3, ())


def test_paint_is_learnt_for_a_paint_on_a_surface() -> None:
    key = "paint/outdoor-acrylic/coir"
    one = learnt(key, [1.3] * 6)

    # 4 times what a smooth dm² takes at 7 m² a litre: 4 / 7 / 100 l.
    assert one.table == pytest.approx(40 / 7)
    assert taught(CATALOGUE, {key: one}).amounts[key] == pytest.approx(1.3, rel=0.01)
    assert learnt_of(lessons("paint/gone/coir", [1.3]), Learning(), CATALOGUE) == {}


# --- what went wrong ------------------------------------------------------------------------------
def finished(surface: str, material: str, **troubles: int) -> Finished:
    return Finished(date(2026, 4, 1), surface, material, "paper-bare", ("outdoor-acrylic",), 2, troubles=troubles)


def test_troubles_are_counted_over_jobs_with_the_same_choice() -> None:
    jobs = [
        finished("coir", "card", lifted=1),
        finished("coir", "card", lifted=0, bled=2),
        finished("coir", "card"),
        finished("coir", "plastic", lifted=1),
        finished("jersey", "card", tore=1),
    ]

    mask = tallies_of(jobs, surface="coir", material="card")
    paint = tallies_of(jobs, surface="coir", paint="outdoor-acrylic")

    assert [(one.cause.key, one.jobs, one.of, one.spoiled) for one in mask] == [("lifted", 2, 3, 1)]
    assert [(one.cause.key, one.jobs, one.of, one.spoiled) for one in paint] == [("bled", 1, 4, 2)]
    assert finished("coir", "card", lifted=2, tore=3).spoiled == 2
