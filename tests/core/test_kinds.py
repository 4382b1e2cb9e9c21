"""Kinds of step and of finding: registered once, reachable, and what they say is what the graph keeps."""

import json
import pickle
import re
from collections.abc import Iterator
from pathlib import Path

import pytest

from dunestead.cli.sources import FolderSources
from dunestead.core.artwork.finding import Finding, FindingKind, registered_findings
from dunestead.core.job.job import altered
from dunestead.core.looking.remedies import _OFFERS
from dunestead.core.plan.plan import Plan, make_plan
from dunestead.core.stations.graph import task_graph
from dunestead.core.stations.station import NAMES
from dunestead.core.units import several
from dunestead.core.work.cautions import CAUTIONS
from dunestead.core.work.kinds import NoValues, TaskKind, Trait, kind_of, registered
from dunestead.core.work.saying import detail_of, title_of
from dunestead.core.work.tasks import Task, TaskGraph
from dunestead.core.work.values import OfCoat, UnderPlate
from dunestead.formats.job_file import read_job_file
from dunestead.formats.verified import check_cut
from scripts.strings import ROOT, of_code
from tests.jobs.make import ART, JOBS, job_file
from tests.making import CATALOGUE

# Ways of working that the kinds of job leave out, each on one of them.
MORE = {
    "hinged": ("J11", {"method": "warm-air", "material": "vinyl-permanent", "cutter": "wide-roll"}),
    "card": ("J06", {"cutter": "hand", "method": "by-hand"}),
    "knife": ("J18", {"cutter": "hand", "method": None}),
    "taped": ("J05", {"method": "paper-tape"}),
    "bare": ("J05", {"method": "paper-bare"}),
    "untaped": ("J20", {"method": "untaped", "design": [{"words": "HI", "face": "archivo-black", "width": 200}]}),
    "iron-on": ("J12", {"material": "iron-on", "method": "iron-on"}),
    "rubber": ("J20", {"blank": {"width": 900, "height": 600, "back": "rubber"}}),
    "covered": ("J04", {"blank": {"width": 510, "height": 720, "clear": [
        {"shape": "rectangle", "x": 40, "y": 40, "width": 20, "height": 20, "timing": "before", "reason": "badge"},
        {"shape": "rectangle", "x": 400, "y": 600, "width": 20, "height": 20, "timing": "after", "reason": "badge"},
    ]}}),
}  # fmt: skip


@pytest.fixture(scope="module")
def graphs(tmp_path_factory) -> dict[str, tuple[Plan, TaskGraph]]:
    folder = tmp_path_factory.mktemp("kinds")
    for name, data in ART.items():
        (folder / name).write_bytes(data)
    asked = {number: job_file(number) for number in JOBS}
    asked |= {name: {**job_file(number), **more} for name, (number, more) in MORE.items()}
    return {name: planned(data, folder) for name, data in asked.items()}


def planned(data: dict, folder: Path) -> tuple[Plan, TaskGraph]:
    sources = FolderSources(folder)
    job = read_job_file(json.dumps(data), sources.keep, sources, CATALOGUE)
    # Several colours through one mask are kept apart by covers.
    apart = altered(job, covered=True) if len(data["design"]) > 1 else job
    plan = make_plan(apart, sources, CATALOGUE, check_cut)
    return plan, task_graph(plan, CATALOGUE)


def tasks_of(graphs: dict[str, tuple[Plan, TaskGraph]]) -> Iterator[tuple[str, TaskGraph, Task]]:
    for name, (_, graph) in graphs.items():
        yield from ((name, graph, task) for task in graph.tasks)


# --- steps ------------------------------------------------------------------------------------
def test_every_kind_is_reached_by_some_way_of_working_and_every_trait_is_some_kinds(graphs) -> None:
    reached = {task.code for _, _, task in tasks_of(graphs)}

    assert set(registered()) - reached == set()
    assert {trait for kind in registered().values() for trait in kind.traits} == set(Trait)
    assert {kind.station for kind in registered().values()} <= set(NAMES)


def test_what_a_method_names_is_registered_and_can_be_made() -> None:
    for method in CATALOGUE.methods.values():
        assert all(kind_of(code).make for code in (*method.weed, *method.tack)), method.key
        assert all(code in registered() for code in method.lift), method.key


def test_no_code_stands_twice() -> None:
    with pytest.raises(ValueError, match="two kinds of task 'tack-lay'"):
        TaskKind("tack-lay", NoValues, "Lay it twice")
    with pytest.raises(ValueError, match="two kinds of finding 'contact'"):
        FindingKind("contact", "artwork", lambda *_: "")


def test_kinds_are_the_same_after_a_plan_went_to_another_process(graphs) -> None:
    _, graph = graphs["J05"]
    back = pickle.loads(pickle.dumps(graph))

    assert [task.kind for task in back.tasks] == [task.kind for task in graph.tasks]
    assert back.by_id.keys() == graph.by_id.keys()
    kind = registered_findings()["contact"]
    assert pickle.loads(pickle.dumps(kind)) is kind


def test_each_step_has_the_values_of_its_kind_and_words_in_every_unit(graphs) -> None:
    for name, graph, task in tasks_of(graphs):
        assert isinstance(task.values, task.kind.values), (name, task.id)
        for unit in ("mm", "in"):
            assert title_of(task, unit)
            assert isinstance(detail_of(task, graph, unit), str)


_TIME = re.compile(r"(\d+(?:\.\d+)?)(?: to (\d+))? ?(s|min|h|days?|weeks?)\b")
_IN_MINUTES = {"s": 1 / 60, "min": 1.0, "h": 60.0, "day": 1440.0, "days": 1440.0, "week": 10080.0, "weeks": 10080.0}


def times_in(text: str) -> list[float]:
    """Return every time a sentence names, min."""
    found = []
    for one, other, unit in _TIME.findall(text):
        found += [float(number) * _IN_MINUTES[unit] for number in (one, other) if number]
    return found


def times_kept(graph: TaskGraph, task: Task) -> list[float]:
    """Return every time the graph keeps for a step, min: its waits, those of what waits for it, the plate's rest."""
    waits = [*task.after, *(wait for _, wait in graph.followers.get(task.id, ()))]
    kept = [time for wait in waits for time in (wait.least, wait.most) if time is not None]
    if isinstance(task.values, UnderPlate):
        kept.append(task.values.pressing.seconds / 60)
    if task.code == "cure-heat-set":
        kept += [task.values.heat.minutes, task.values.heat.after]
    return kept


def test_every_time_a_step_names_is_one_that_the_graph_keeps(graphs) -> None:
    """A time is told in round figures: within half a minute, or a twentieth of itself."""
    named = 0
    for name, graph, task in tasks_of(graphs):
        kept = times_kept(graph, task)
        for time in times_in(f"{title_of(task, 'mm')} {detail_of(task, graph, 'mm')}"):
            named += 1
            near = any(abs(time - one) <= max(0.5, one / 20) for one in kept)
            assert near, (name, task.id, time, kept, detail_of(task, graph, "mm"))
    assert named > 300


def test_a_wet_coat_is_gone_on_from_at_once_and_one_that_dries_is_waited_for(graphs) -> None:
    """Low tide mat, peeled wet: 5 min between coats, never the paint's own 20; the base of the two-tone mat dries."""
    wet, dried = graphs["J05"][1], graphs["J01"][1]

    said = detail_of(wet.by_id["paint-coat/m1/k1/c1/n1"], wet, "mm")
    assert "within 5 min" in said
    assert "20 min" not in said
    assert "coat" not in detail_of(wet.by_id["paint-coat/m1/k1/c1/n3"], wet, "mm").rpartition("add more.")[2]
    first, last = (detail_of(dried.by_id[f"blank-base-coat/k1/c1/n{coat}"], dried, "mm") for coat in (1, 2))
    assert "Wait 20 min before the next coat" in first
    assert "Let it dry 24 h before a mask goes on" in last


_COUNTED = re.compile(r"(\d+) (windows?|keepers?|pins?|seams?|colours?|prints?|groups?|placements?|tongues?)\b")


def counts_kept(plan: Plan, task: Task) -> dict[str, set[int]]:
    """Return what of each kind there is, by the plan itself."""
    mask = next((one for one in plan.masks if one.number == task.mask), plan.masks[0])
    return {
        "window": {mask.cut.window_count},
        "keeper": {len(mask.cut.keepers), len(mask.placing)},
        "pin": {len(mask.pinning.pins)},
        "placement": {len(one.placements) for one in mask.pressings},
        "tongue": {sum(place.kind == "tongue" for place in mask.weak)},
        "colour": {sum(coat.role == "colour" for coat in mask.coats)},
    }


def test_every_number_of_pieces_and_coats_a_step_names_is_the_plans(graphs) -> None:
    for name, (plan, graph) in graphs.items():
        for task in graph.tasks:
            kept = counts_kept(plan, task)
            said = f"{title_of(task, 'mm')} {detail_of(task, graph, 'mm')}"
            for number, what in _COUNTED.findall(said):
                counts = kept.get(what.removesuffix("s"))
                assert counts is None or int(number) in counts, (name, task.id, number, what)
            if isinstance(task.values, OfCoat):
                coats = sum(
                    (other.code, other.coating, other.copy) == (task.code, task.coating, task.copy)
                    for other in graph.tasks
                )
                assert f"{task.coat} of {coats}" in title_of(task, "mm")


# What can hurt, by kind of step, whatever the job; and by surface and paint, worked out from the cautions of the trade.
CAUTIONED = {
    "iron": {"tack-press", "tack-press-again", "tack-rub", "peel-rewarm", "cure-heat-set"},
    "knife": {"weed-windows", "weed-guide", "weed-field", "sheets-test-cut"},
    "pins": {"tack-backing-off", "tack-pin-corners", "tack-pins", "peel-pins"},
    "spray-tack": {"tack-spray"},
    "hot-air": {"tack-warm-air"},
}
BY_SURFACE = {"coir": "wet-mat", "synthetic-mat": "wet-mat", "cotton-rug": "wet-mat"}
TO_PREPARE = {"coir": "synthetic", "synthetic-mat": "synthetic", "wood-sealed": "old-paint", "glass": "food"}
SPRAYED = ("fabric-spray", "rubber-spray", "spray-enamel", "leather-acrylic", "clear-sealer")
FUMING = ("porch-paint", "leather-dye", "masonry-sealer", "leather-finisher", "plate-glaze", "varnish")


def test_what_can_hurt_is_said_at_each_step_where_it_can(graphs) -> None:
    for name, (plan, graph) in graphs.items():
        surface = plan.job.blank.surface
        for task in graph.tasks:
            for caution, codes in CAUTIONED.items():
                by_hand = caution == "knife" and task.code == "sheets-cut" and plan.is_by_hand
                assert (caution in task.cautions) == (task.code in codes or by_hand), (name, task.id, caution)
            if task.code == "cure-use":
                assert ("wet-mat" in task.cautions) == (surface in BY_SURFACE), name
            if task.code == "blank-prepared":
                assert task.cautions == ((TO_PREPARE[surface],) if surface in TO_PREPARE else ()), name
            if isinstance(task.values, OfCoat):
                paint = task.values.coating.paint.key
                assert ("spray" in task.cautions) == (paint in SPRAYED), (name, task.id, paint)
                assert ("fumes" in task.cautions) == (paint in FUMING), (name, task.id, paint)


def test_every_caution_is_a_sentence_and_each_is_said_somewhere(graphs) -> None:
    said = {key for _, _, task in tasks_of(graphs) for key in task.cautions}
    table = {key for paint in CATALOGUE.paints.values() for key in paint.cautions}
    table |= {key for row in CATALOGUE.surfaces.values() for key in (*row.cautions, *row.used_cautions)}

    assert said | table == set(CAUTIONS)


# --- findings ---------------------------------------------------------------------------------
@pytest.mark.parametrize("code", sorted(registered_findings()))
def test_every_finding_has_a_station_and_a_sentence(code: str) -> None:
    kind = registered_findings()[code]
    finding = Finding(kind, "warn", (1.0, 2.0), 3.0, 4.0, "coir", piece=5, what="The gull", run=6.0)

    assert kind.station in NAMES
    assert finding.message("mm").endswith(".")
    assert finding.message("in") != ""
    assert several(2, "more place") in Finding(kind, "warn", (0, 0), 3, 4, "coir", more=2).message()


def test_every_remedy_is_for_a_kind_that_is_registered() -> None:
    assert set(_OFFERS) <= set(registered_findings().values())


def test_what_the_api_may_say_is_what_is_registered_and_is_read_through_with_all_else() -> None:
    described = json.loads((ROOT / "web" / "openapi.json").read_text())["components"]["schemas"]
    enums = [
        one["properties"]["code"].get("enum", []) for one in described.values() if "code" in one.get("properties", {})
    ]

    assert any(set(registered_findings()) < set(codes) for codes in enums)
    assert any(set(registered()) == set(codes) for codes in enums)
    core = ROOT / "src" / "dunestead" / "core"
    read = {text for path in core.rglob("*.py") for _, text in of_code(path)}
    for sentence in ("A neck of the mask is …; …  …, or it tears.", "Two shapes touch here"):
        start = sentence.split("…")[0]
        assert any(start in text for text in read), sentence
