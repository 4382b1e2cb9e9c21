"""Jobs walked with a clock as their words say, by somebody who knows nothing of the graph: nothing is lost."""

import json
import re
from dataclasses import dataclass, field
from pathlib import Path

import numpy as np
import pytest
import shapely
import shapely.affinity

from dunestead.cli.sources import FolderSources
from dunestead.core.errors import BadInput
from dunestead.core.plan.plan import Plan, make_plan
from dunestead.core.stations.graph import task_graph
from dunestead.core.work.saying import detail_of, title_of
from dunestead.core.work.tasks import Task, TaskGraph
from dunestead.core.work.values import OfCoat
from dunestead.formats.job_file import read_job_file
from dunestead.formats.verified import check_cut
from tests.jobs.make import ART, INK, JOBS, RUST, WHITE, job_file
from tests.making import CATALOGUE

# A time is said to the minute, or to a hundredth of so many days.
ROUNDED, SHARE = 0.51, 0.005
TIME = r"(\d+(?:\.\d+)?) (min|h|days)(?: (\d+) min)?"
COLOURS = (INK, RUST, WHITE)


def minutes(found: tuple[str, str, str]) -> float:
    """Return minutes from a number, its unit, and minutes beside hours."""
    number, unit, rest = found
    return float(number) * {"min": 1, "h": 60, "days": 1440}[unit] + float(rest or 0)


def times(pattern: str, said: str) -> list[float]:
    """Return the times a sentence says where a pattern has TIME for one."""
    return [minutes(found[:3]) for found in re.findall(pattern.replace("TIME", TIME), said)]


# --- random jobs ------------------------------------------------------------------------------
def random_job(seed: int) -> dict:
    """Return a job of some kind on some surface, by whatever paints are made for it."""
    rng = np.random.default_rng(seed)

    def one_of(things):
        return things[int(rng.integers(len(things)))]

    surface = CATALOGUE.surface(one_of(sorted(CATALOGUE.surfaces)))
    families = {surface.key, surface.family}
    fitting = [one for one in CATALOGUE.paints.values() if families & set(one.works_on) and "colour" in one.roles]
    bases = [one for one in CATALOGUE.paints.values() if families & set(one.works_on) and "base" in one.roles]
    width, height = float(rng.integers(250, 800)), float(rng.integers(220, 600))
    art = one_of(["gull.svg", "wave.svg", "star.svg", "lily.svg", "words"])
    size = round(width * rng.uniform(0.3, 0.8))
    design = [{"art": art, "width": size} if art != "words" else {"words": one_of(["ROW", "OH"]), "width": size}]
    if rng.random() < 0.5:
        design[0]["y"] = -round(height / 4)
        design.append({"words": "GO", "width": round(width * 0.3), "y": round(height / 4), "colour": one_of(COLOURS)})
    for part in design:
        if part.get("art") != "lily.svg":
            part.setdefault("colour", one_of(COLOURS))
    coatings = [
        {"role": "colour", "paint": one_of(fitting).key, "colour": colour, "coats": int(rng.integers(1, 4))}
        for colour in COLOURS
    ]
    if bases and rng.random() < 0.4:
        base = {"role": "base", "paint": one_of(bases).key, "colour": WHITE, "coats": int(rng.integers(1, 3))}
        coatings.insert(0, base)
    return job_file("J05") | {
        "name": f"Random {seed}",
        "surface": surface.key,
        "blank": {"width": width, "height": height, "measured_width": width, "measured_height": height},
        "copies": int(rng.integers(1, 4)),
        "material": one_of(sorted(CATALOGUE.materials)),
        "masks": one_of(["one", "each", "lines"]),
        "fates": one_of(["keep", "bridge"]),
        "design": design,
        "coatings": coatings,
    }


# --- the walk ---------------------------------------------------------------------------------
@dataclass
class Walk:
    """Where somebody stands who reads one line after another: a clock, and what the lines asked for, in minutes."""

    now: float = 0.0
    began: dict[str, float] = field(default_factory=dict)
    ended: dict[str, float] = field(default_factory=dict)
    # Of one copy: the last coats by what they were called.
    bases: dict[int, float] = field(default_factory=dict)
    coats: dict[int, float] = field(default_factory=dict)
    named: dict[tuple[int, str], float] = field(default_factory=dict)
    before_coat: dict[tuple[int, int | None, int | None], float] = field(default_factory=dict)
    before_mask: dict[int, float] = field(default_factory=dict)

    def do(self, task: Task, said: str, mask_begins: bool) -> None:
        """Do a step as it says: wait where it or the one before said so, then take the time it takes."""
        copy = task.copy or 0
        start = self.now
        if mask_begins:
            start = max(start, self.before_mask.pop(copy, 0.0))
        if isinstance(task.values, OfCoat):
            start = max(start, self.before_coat.pop((copy, task.mask, task.coating), 0.0))
        for wait in times(r"First let the base dry: TIME", said):
            start = max(start, self.bases[copy] + wait)
        for wait in times(r"First let the paint dry: TIME", said):
            start = max(start, self.coats[copy] + wait)
        for wait in times(r"(?:may handle it|may be used|wash it until|Peel from) TIME", said):
            start = max(start, self.coats[copy] + wait)
        for low, _ in re.findall(r"Peel from (\d+) to (\d+) min after", said):
            start = max(start, self.coats[copy] + float(low))
        for *time, paint in re.findall(rf", and {TIME} after the ([a-z ,]+?)(?=\.|, and )", said):
            start = max(start, self.named[copy, paint] + minutes((time[0], time[1], time[2])))
        for wait in times(r"(?:takes about|Leave it for) TIME", said):
            start += wait
        self.began[task.id], self.ended[task.id] = start, start + task.minutes
        self.now = start + task.minutes
        self._heeds(task, said, copy)

    def _heeds(self, task: Task, said: str, copy: int) -> None:
        if not isinstance(task.values, OfCoat):
            return
        (self.bases if "Base coat" in said else self.coats)[copy] = self.now
        name = "base" if "Base coat" in said else task.values.coating.paint.name.lower()
        self.named[copy, name] = self.now
        for wait in times(r"Wait TIME before the next coat", said):
            self.before_coat[copy, task.mask, task.coating] = self.now + wait
        for wait in times(r"Let it dry TIME before a mask", said):
            self.before_mask[copy] = self.now + wait


def words_of(task: Task, graph: TaskGraph) -> str:
    """Return all that a step says."""
    return f"{title_of(task, 'mm')}. {detail_of(task, graph, 'mm')}"


def walked(graph: TaskGraph) -> Walk:
    """Walk a job from its first line to its last, in their order."""
    walk, seen = Walk(), set()
    for task in graph.tasks:
        begins = task.mask is not None and task.copy is not None and (task.mask, task.copy) not in seen
        seen.add((task.mask, task.copy))
        walk.do(task, words_of(task, graph), begins)
    return walk


def check_walk(plan: Plan, graph: TaskGraph, name: str) -> None:
    """Hold a walk against the waits of the graph, and against what touches what."""
    walk = walked(graph)
    for task in graph.tasks:
        for wait in task.after:
            since = (walk.ended if wait.since == "end" else walk.began)[wait.task]
            early = wait.least - (walk.began[task.id] - since)
            assert early <= max(ROUNDED, SHARE * wait.least), (name, task.id, wait, words_of(task, graph))
    _nothing_covers_young_paint(plan, graph, walk, name)
    _nothing_wipes_paint(graph, name)


def _nothing_covers_young_paint(plan: Plan, graph: TaskGraph, walk: Walk, name: str) -> None:
    """Without asking the graph: a mask lies on a print or a base only once that is dry."""
    for task in graph.tasks:
        if task.kind.code not in ("tack-lay", "tack-lay-groups", "tack-hinge"):
            continue
        mask = next(one for one in plan.masks if one.number == task.mask)
        x0, y0, x1, y1 = mask.box
        off = dict.fromkeys(("left", "right", "top", "bottom"), 0.0)
        off |= {side: float(by) for by, side in re.findall(r"(\d+) mm off its (\w+) edge", words_of(task, graph))}
        laid = shapely.box(x0 + off["left"], y0 + off["top"], x1 - off["right"], y1 - off["bottom"])
        for coat in graph.tasks:
            if (
                not isinstance(coat.values, OfCoat)
                or coat.copy != task.copy
                or walk.began[coat.id] > walk.began[task.id]
            ):
                continue
            coating = coat.values.coating
            own = next((one for one in plan.masks if one.number == coat.mask), None)
            touched = own is None or laid.intersection(shapely.box(*own.painted_box)).area > 1
            # Two coats of one coating, wet on wet, dry as one.
            if touched and coat.mask != task.mask and coat.coat == coating.coats:
                waited = walk.began[task.id] - walk.ended[coat.id]
                assert waited >= coating.drying.handle * (1 - SHARE) - ROUNDED, (name, task.id, coat.id, waited)


def _nothing_wipes_paint(graph: TaskGraph, name: str) -> None:
    painted: set[int | None] = set()
    for task in graph.tasks:
        if "Wipe the blank" in title_of(task, "mm"):
            assert task.copy not in painted, (name, task.id)
        if isinstance(task.values, OfCoat):
            painted.add(task.copy)


@pytest.fixture(scope="module")
def folder(tmp_path_factory) -> Path:
    path = tmp_path_factory.mktemp("walked")
    for name, data in ART.items():
        (path / name).write_bytes(data)
    return path


def planned(folder: Path, entries: dict) -> tuple[Plan, TaskGraph]:
    sources = FolderSources(folder)
    job = read_job_file(json.dumps(entries), sources.keep, sources, CATALOGUE)
    plan = make_plan(job, sources, CATALOGUE, check_cut)
    return plan, task_graph(plan, CATALOGUE)


@pytest.mark.parametrize("number", sorted(JOBS))
def test_who_does_what_the_lines_say_is_never_too_early(folder, number: str) -> None:
    check_walk(*planned(folder, job_file(number)), number)


@pytest.mark.parametrize("first", range(0, 100, 10))
def test_random_jobs_walked_by_their_words_lose_no_print(folder, first: int) -> None:
    walks = 0
    for seed in range(first, first + 10):
        try:
            plan, graph = planned(folder, random_job(seed))
        except BadInput:
            continue
        check_walk(plan, graph, f"Random {seed}")
        walks += 1
    assert walks >= 7


# --- covers, on whole jobs --------------------------------------------------------------------
def with_areas(entries: dict, seed: int) -> dict:
    """Return a job file with one to three areas to keep clear."""
    rng = np.random.default_rng(10_000 + seed)
    blank = dict(entries["blank"])
    blank["clear"] = [
        {
            "x": float(rng.uniform(0, blank["width"])),
            "y": float(rng.uniform(0, blank["height"])),
            "width": float(rng.uniform(8, 60)),
            "height": float(rng.uniform(8, 60)),
            "shape": ("rectangle", "round")[int(rng.integers(2))],
            "why": "staples",
        }
        for _ in range(int(rng.integers(1, 4)))
    ]
    return entries | {"blank": blank, "masks": "one", "copies": 1}


def open_points(plan: Plan) -> int:
    """Count the points of a bitmap that paint reaches past a mask: neither painted, nor under mask, paper or tape."""
    (mask,) = plan.masks
    onto = shapely.affinity.translate
    windows, material = (onto(one, *plan.origin) for one in (mask.cut.windows, mask.cut.material))
    under = [material, *(shapely.box(*box) for box in (*mask.cover.boxes, *mask.cover.inside))]
    x0, y0, x1, y1 = mask.box
    tapes = ((x0 - 25, y0 - 25, x0, y1 + 25), (x0 - 25, y0 - 25, x1 + 25, y0))
    tapes = (*tapes, (x1, y0 - 25, x1 + 25, y1 + 25), (x0 - 25, y1, x1 + 25, y1 + 25))
    under += [shapely.box(*side) for side, taped in zip(tapes, mask.cover.taped, strict=True) if taped]
    safe = shapely.union_all([windows, *under]).buffer(0.5)
    width, height = plan.job.piece.size
    xs, ys = (one.ravel() for one in np.meshgrid(np.arange(1, width, 4), np.arange(1, height, 4)))
    points = shapely.points(xs, ys)
    shapely.prepare(safe)
    loose = points[~shapely.intersects(safe, points)]
    if mask.cover.everything:
        # All the rest is covered; what counts is what the mask itself leaves open.
        loose = loose[shapely.intersects(shapely.box(*mask.box), loose)]
    reach = {"dab": 40, "brush": 40, "airbrush": 150, "spray": 300}
    needed = max(reach[coat.paint.technique] for coat in mask.coats)
    return int((shapely.distance(windows, loose) < needed - 0.5).sum())


@pytest.mark.parametrize("first", range(0, 60, 10))
def test_nothing_that_paint_reaches_lies_open_on_whole_jobs(folder, first: int) -> None:
    looked = 0
    for seed in range(first, first + 10):
        try:
            plan, _ = planned(folder, with_areas(random_job(seed), seed))
        except BadInput:
            continue
        assert open_points(plan) == 0, seed
        looked += 1
    assert looked >= 6
