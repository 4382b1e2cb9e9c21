"""Plans at hand: made once, even when asked for twice at once, and kept while there is room."""

from datetime import date
from threading import Barrier, Thread

import pytest

from dunestead.core.errors import BadInput
from dunestead.core.job.job import altered
from dunestead.core.plan.plan import make_plan
from dunestead.core.records import Swatch
from dunestead.formats.verified import check_cut
from dunestead.workshop.plans import Plans
from tests.shapes import rect, svg


@pytest.fixture
def reckoned(workbench):
    number = workbench.begin(workbench.designs.keep_file(svg(rect(0, 0, 100, 40)), "bar.svg"), "Bar", "coir")
    return workbench.reckon(workbench.job(number))


def test_a_plan_asked_for_by_many_at_once_is_made_once(reckoned) -> None:
    plans, made, got, start = Plans(), [], [], Barrier(8)

    def make():
        made.append(1)
        return reckoned

    def ask() -> None:
        start.wait()
        got.append(plans.get("key", make))

    threads = [Thread(target=ask) for _ in range(8)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()

    assert len(made) == 1
    assert got == [reckoned] * 8


def test_what_cannot_be_reckoned_is_said_to_all_and_asked_again_later(reckoned) -> None:
    plans = Plans()

    def fail():
        raise BadInput("No.", "Mend it.")

    with pytest.raises(BadInput):
        plans.get("key", fail)
    assert plans.get("key", lambda: reckoned) is reckoned


def test_the_one_longest_unused_goes_first_when_there_is_no_room(reckoned) -> None:
    plans = Plans(most=int(2.5 * reckoned.size))
    for key in ("a", "b"):
        plans.get(key, lambda: reckoned)
    plans.get("a", lambda: reckoned)
    plans.get("c", lambda: reckoned)
    made = []
    for key in ("a", "c", "b"):
        plans.get(key, lambda key=key: made.append(key) or reckoned)

    assert made == ["b"]


def test_a_plan_made_with_other_records_is_not_taken_for_one_made_with_these(workbench, reckoned) -> None:
    number = workbench.records.cutters.add(workbench.catalogue.cutter("pocket"))
    workbench.lessons.refresh()
    job = altered(reckoned.plan.job, cutter=f"own-{number}")
    assert workbench.reckon(job) is workbench.reckon(job)
    assert workbench.reckon(job).plan.layout.count > 1

    workbench.records.cutters.change(number, workbench.catalogue.cutter("wide-roll"))
    workbench.lessons.refresh()

    assert workbench.reckon(job).plan.layout.count == 1


@pytest.mark.parametrize("width", [300.0, 217.3])
def test_a_change_is_reckoned_once_and_its_plan_is_that_of_the_job_as_it_is_kept(
    workbench, catalogue, monkeypatch, width: float
) -> None:
    """The roll of pieces is brought up to date on the way, so the job kept is not the one that was asked for."""
    ring = svg('<path fill-rule="evenodd" d="M0 0H100V60H0z M20 20H40V40H20z M60 20H80V40H60z"/>')
    number = workbench.begin(workbench.designs.keep_file(ring, "ring.svg"), "Ring", "coir")
    made = []
    monkeypatch.setattr(
        "dunestead.workshop.workbench.make_plan",
        lambda job, *more: made.append(job) or make_plan(job, *more),
    )

    workbench.alter(number, "Width", lambda job: altered(workbench.designs.with_width(job, width), roll=()))
    shown = workbench.plan(number)

    assert len(made) == 1
    assert made[0].mask.roll == () != shown.job.mask.roll
    anew = make_plan(workbench.job(number), workbench.sources, catalogue, check_cut)
    assert anew.job == shown.job
    assert anew.look.findings == shown.look.findings
    assert [(cut.key, cut.material.wkb) for cut in anew.cuts] == [(cut.key, cut.material.wkb) for cut in shown.cuts]
    assert [sheet.verdict for sheet in anew.sheets] == [sheet.verdict for sheet in shown.sheets]


@pytest.mark.parametrize(("paint", "anew"), [("outdoor-acrylic", 1), ("leather-acrylic", 0)])
def test_only_the_records_a_job_uses_have_it_reckoned_anew(workbench, monkeypatch, paint, anew) -> None:
    """A mat in outdoor acrylic: a swatch of that paint on coir spares it the trial, one on leather is nothing to it."""
    number = workbench.begin(workbench.designs.keep_file(svg(rect(0, 0, 100, 40)), "bar.svg"), "Bar", "coir")
    workbench.open(number, "mm")
    made = []
    monkeypatch.setattr("dunestead.workshop.workbench.make_plan", lambda *a: made.append(1) or make_plan(*a))

    workbench.records.swatches.add(Swatch(paint, "coir" if anew else "leather", date(2026, 5, 2)))
    workbench.lessons.refresh()
    opened = workbench.open(number, "mm")

    assert len(made) == anew
    assert ("paint-trial/k1" in opened.graph.by_id) is not bool(anew)
