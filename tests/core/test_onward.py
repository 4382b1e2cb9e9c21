"""The main button of a station: the next real decision, then the way on; once sheets are cut, the tasks lead."""

from datetime import UTC, datetime

import pytest

from dunestead.core.blanks.blank import Blank
from dunestead.core.job.log import LogEntry
from dunestead.core.plan.plan import Plan, make_plan
from dunestead.core.stations.graph import next_of, stations_of, task_graph
from dunestead.core.stations.onward import DECIDING, Onward, onward_of
from dunestead.core.stations.station import ORDER
from dunestead.core.work.progress import Progress
from dunestead.formats.verified import check_cut
from tests.making import CATALOGUE, job_of, words
from tests.shapes import Files

TAPE = Blank(600, 400, measured_width=600.0, measured_height=400.0)
KEPT = dict.fromkeys((1, 2, 3), "keep")
NOW = datetime(2026, 5, 10, tzinfo=UTC)


def plan_of(*elements, **entries) -> Plan:
    return make_plan(job_of(*elements, **entries), Files(), CATALOGUE, check_cut)


def onward(
    plan, code: str, log: tuple[LogEntry, ...] = (), unit: str = "mm", *, knows_kit: bool = True
) -> Onward | None:
    progress = Progress(task_graph(plan, CATALOGUE), log)
    stations = {one.code: one for one in stations_of(plan, progress, unit, NOW)}
    following = next_of(plan, progress, list(stations.values()), NOW)
    return onward_of(plan, progress, stations, code, following, unit, knows_kit=knows_kit)


def test_an_unmeasured_blank_asks_for_the_tape_with_its_size() -> None:
    found = onward(plan_of(words("ROOT", 300.0)), "blank")

    assert (found.deed, found.station) == ("measured", "artwork")
    assert "600 mm by 400 mm" in found.prompt


def test_centimetres_taken_for_millimetres_are_put_right_at_a_press() -> None:
    """A coir mat of 60 by 40 mm: ten times as much was meant."""
    found = onward(plan_of(words("ROOT", 30.0), blank=Blank(60, 40)), "blank")

    assert (found.deed, found.times, found.label) == ("size", 10.0, "No, 600 mm by 400 mm")


def test_a_design_too_fine_is_offered_the_width_from_which_it_holds() -> None:
    """Coir wants strokes of 6 mm and letters of 40: at 100 mm wide ROOT is far below."""
    plan = plan_of(words("ROOT", 150.0))
    found = onward(plan, "artwork")

    assert found.deed == "width"
    wider = plan_of(words("ROOT", found.width))
    assert not [f for f in wider.look.findings if f.code in ("stroke-thin", "web-thin", "letter-low")]
    narrower = plan_of(words("ROOT", found.width - 2.0))
    assert [f for f in narrower.look.findings if f.code in ("stroke-thin", "web-thin", "letter-low")]


def test_in_inches_the_width_offered_is_one_a_maker_can_type() -> None:
    found = onward(plan_of(words("ROOT", 150.0)), "artwork", unit="in")

    assert found.width / 25.4 * 32 == pytest.approx(round(found.width / 25.4 * 32), abs=1e-3)


def test_undecided_pieces_are_decided_together_bridged_where_the_mask_is_used_again() -> None:
    """R, O and O of ROOT have a centre each."""
    kept = onward(plan_of(words("ROOT", 300.0)), "mask")
    bridged = onward(plan_of(words("ROOT", 300.0), surface="wood-sealed", material="plastic"), "mask")

    assert (kept.deed, kept.numbers, kept.fate) == ("fates", (1, 2, 3), "keep")
    assert (bridged.numbers, bridged.fate) == ((1, 2, 3), "bridge")


def test_sheets_lead_back_while_something_is_open_and_then_to_the_files() -> None:
    unmeasured = onward(plan_of(words("ROOT", 300.0)), "sheets")
    undecided = onward(plan_of(words("ROOT", 300.0), blank=TAPE), "sheets")
    decided = onward(plan_of(words("ROOT", 300.0), blank=TAPE, fates=KEPT), "sheets")

    assert (unmeasured.deed, unmeasured.station) == ("go", "blank")
    assert (undecided.deed, undecided.station) == ("go", "mask")
    assert decided.deed == "files"


def test_each_station_decided_leads_to_the_next() -> None:
    undecided = plan_of(words("ROOT", 300.0), blank=TAPE)
    decided = plan_of(words("ROOT", 300.0), blank=TAPE, fates=KEPT)

    assert [onward(undecided, code).station for code in ("blank", "artwork")] == ["artwork", "mask"]
    assert [onward(decided, code).station for code in ("artwork", "mask", "sheets")] == ["sheets", "sheets", "weed"]
    # What was left undecided before is led to next, and not through what was decided since.
    unmeasured = plan_of(words("ROOT", 300.0), fates=KEPT)
    assert onward(unmeasured, "mask").station == "blank"
    # All is decided: the first thing to do is at the blank, and its task leads there.
    assert onward(decided, "blank") is None
    assert [onward(decided, code) for code in ORDER if code not in DECIDING] == [None] * 6


def test_what_the_workshop_works_with_is_asked_before_the_first_files() -> None:
    decided = plan_of(words("ROOT", 300.0), blank=TAPE, fates=KEPT)

    assert onward(decided, "sheets", knows_kit=False).deed == "kit"
    assert onward(plan_of(words("ROOT", 300.0)), "sheets", knows_kit=False).deed == "go"


def test_once_a_sheet_is_cut_the_tasks_lead() -> None:
    plan = plan_of(words("ROOT", 300.0), fates=dict.fromkeys((1, 2, 3), "keep"))

    assert onward(plan, "blank", (LogEntry("done", "sheets-cut/s1", NOW),)) is None
