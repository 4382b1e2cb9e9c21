"""Five jobs of Marram Row, each as far along as a workshop has them on a normal day."""

from collections.abc import Callable
from dataclasses import dataclass, replace
from datetime import date, datetime, timedelta
from functools import partial
from importlib import resources

from dunestead.core.planning.job import Blank, Job, Record
from dunestead.core.planning.plan import Plan
from dunestead.core.planning.steps import all_steps
from dunestead.workbench import Workbench

__all__ = ["fill_demo"]

Change = Callable[[Job, Plan], Job]


@dataclass(frozen=True, slots=True)
class _DemoJob:
    """A job to begin, the changes made to it in order, and up to which station it is ticked off."""

    file: str
    name: str
    surface: str
    changes: tuple[tuple[str, Change], ...]
    done_before: str


def fill_demo(workbench: Workbench) -> None:
    """Fill an empty workshop with the demo; one that holds jobs is left alone."""
    if not workbench.is_empty:
        return
    for demo in _JOBS:
        artwork = (resources.files("dunestead.demo") / "artwork" / demo.file).read_bytes()
        job_id = workbench.begin(artwork, demo.file, demo.name, demo.surface)
        for label, change in demo.changes:
            workbench.change(job_id, label, change)
        workbench.change(job_id, "Steps so far", partial(_up_to, workbench=workbench, station=demo.done_before))


def _up_to(job: Job, plan: Plan, *, workbench: Workbench, station: str) -> Job:
    """Tick off every step before a station, keepers answering at every roll-call passed."""
    ticks, calls = dict(job.ticks), {number: dict(answered) for number, answered in job.calls.items()}
    now = datetime.now().astimezone()
    steps = all_steps(plan, workbench.catalogue.hand, "mm")
    passed = [step for step in steps if station and step.station in _STATIONS[: _STATIONS.index(station)]]
    for back, step in enumerate(reversed(passed)):
        at = now - timedelta(minutes=4 + 7 * back)
        ticks[step.code] = at
        if step.call:
            for keeper in plan.cut.keepers:
                calls.setdefault(keeper.number, {})[step.call] = at
    return replace(job, ticks=ticks, calls=calls)


_STATIONS = ["blank", "artwork", "mask", "sheets", "weed", "tack", "paint", "peel", "cure", "record"]


def _in_days(days: int) -> date:
    return datetime.now().astimezone().date() + timedelta(days=days)


def _entries(days: int, **entries: object) -> tuple[tuple[str, Change], ...]:
    return (("Entries", lambda job, _: replace(job, due=_in_days(days), **entries)),)


def _fates(job: Job, plan: Plan) -> Job:
    """Keep pieces that are easily placed, bridge the small ones."""
    sides = zip(plan.mask.loose, plan.fitness.parts, strict=True)
    return replace(job, fates={piece.number: "keep" if side >= 10 else "bridge" for piece, side in sides})


def _all_kept(job: Job, plan: Plan) -> Job:
    return replace(job, fates={piece.number: "keep" for piece in plan.mask.loose})


_JOBS = (
    _DemoJob(
        "cabin-mat.svg",
        "Cabin 8 mat",
        "coir",
        _entries(
            4,
            blank=Blank(600, 400, colour="#b08a57", measured_width=596.0, measured_height=397.0),
            design_width=520.0,
        ),
        "",
    ),
    _DemoJob(
        "boathouse-shirt.svg",
        "Boathouse shirt",
        "jersey",
        (
            *_entries(
                2,
                blank=Blank(500, 650, colour="#33475b", measured_width=500.0, measured_height=655.0),
                design_width=260.0,
                offset_y=-110.0,
                material="paper-coated-up",
                paint="fabric-brush",
                coats=3,
                copies=2,
            ),
            ("All pieces kept", _all_kept),
        ),
        "tack",
    ),
    _DemoJob(
        "kitchen-towel.svg",
        "Kitchen towels",
        "flat-towel",
        (
            *_entries(
                7,
                blank=Blank(500, 700, colour="#f3efe4", measured_width=496.0, measured_height=702.0),
                design_width=240.0,
                offset_y=140.0,
                material="stencil-film",
                copies=6,
            ),
            ("Fates", _fates),
        ),
        "paint",
    ),
    _DemoJob(
        "ferry-tote.svg",
        "Ferry totes",
        "canvas",
        _entries(
            10,
            blank=Blank(380, 420, colour="#e8dcc0", measured_width=382.0, measured_height=418.0),
            design_width=260.0,
            copies=12,
            paint="fabric-spray",
        ),
        "sheets",
    ),
    _DemoJob(
        "tide-rug.svg",
        "Tide rug",
        "cotton-rug",
        (
            *_entries(
                -3,
                blank=Blank(800, 500, colour="#e9e2d2", measured_width=792.0, measured_height=498.0),
                design_width=640.0,
                cutter="wide-roll",
            ),
            ("All pieces bridged", lambda job, plan: replace(job, fates={p.number: "bridge" for p in plan.mask.loose})),
            (
                "Record",
                lambda job, _: replace(
                    job,
                    record=Record(
                        grade=4,
                        notes="Bridges touched up with a fine brush. Second coat could have been lighter.",
                        minutes={"weed": 18.0, "paint": 34.0, "peel": 9.0},
                        paint_ml=58.0,
                    ),
                ),
            ),
        ),
        "cure",
    ),
)
