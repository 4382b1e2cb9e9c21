"""Plans at hand: made once, even when asked for twice at once, and kept while there is room."""

from threading import Barrier, Thread

import pytest

from dunestead.core.errors import BadInput
from dunestead.core.job.job import altered
from dunestead.workshop.plans import Plans
from tests.shapes import rect, svg


@pytest.fixture
def reckoned(workbench):
    number = workbench.begin(workbench.keep_file(svg(rect(0, 0, 100, 40)), "bar.svg"), "Bar", "coir")
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
    job = reckoned.plan.job
    assert workbench.reckon(job) is workbench.reckon(job)
    number = workbench.records.cutters.add(workbench.catalogue.cutter("pocket"))
    workbench.refresh()

    assert workbench.reckon(job) is not reckoned
    assert workbench.reckon(altered(job, cutter=f"own-{number}")).plan.layout.count > 1
