"""Jobs for tests of what follows from a design: put together, looked at, changed."""

from dataclasses import replace

from dunestead.catalogue import load_catalogue
from dunestead.core.artwork.elements import Element, Words
from dunestead.core.artwork.words.setting import Setting
from dunestead.core.blanks.blank import Blank
from dunestead.core.job.job import Job, altered
from dunestead.core.job.proposing import start_job
from dunestead.core.looking.look import Look, look_at
from dunestead.core.looking.rail import SizeRail, size_rail
from dunestead.core.painting.amount import Batch, Load, amount_of, batch_of
from dunestead.core.stations import graph as _rooms
from dunestead.core.work.kinds import NoValues, kind_of
from dunestead.core.work.tasks import Task, Wait, task_of
from tests.shapes import Files

CATALOGUE = load_catalogue()
assert _rooms  # every room has its kinds of task there


def words(text: str, size: float = 300.0, number: int = 1, face: str = "archivo-black", **more) -> Words:
    placed = {key: more.pop(key) for key in ("x", "y", "turn", "repeat", "runs_off") if key in more}
    return Words(id=number, face=face, setting=Setting(text, size, **more), **placed)


def job_of(*elements: Element, surface: str = "coir", blank: Blank | None = None, **entries) -> Job:
    job = start_job("Test", CATALOGUE.surface(surface), CATALOGUE, elements[0], blank or Blank(600, 400))
    last = max(element.id for element in elements)
    return altered(job, elements=elements, last_element=last, **entries)


def look(job: Job, sources: Files) -> Look:
    return look_at(job, sources, CATALOGUE)


def rail(job: Job, sources: Files) -> SizeRail:
    return size_rail(look(job, sources), CATALOGUE)


def step(code: str, *, after: tuple[Wait, ...] = (), **about) -> Task:
    """Return a task of a kind by its code, without values for its words."""
    return replace(task_of(kind_of(code), NoValues(), **about), after=after)


def poured(
    area: float, surface: str, paint: str, coats: int, copies: int, passed: float | None = None, **load
) -> Batch:
    """Return what a coating of so many copies takes, mm² of each."""
    how, row = Load(coats, **load), CATALOGUE.paint(paint)
    amount = amount_of(area, CATALOGUE.surface(surface), row, CATALOGUE.workshop, how, passed)
    return batch_of(amount, row, CATALOGUE.workshop, how, copies)
