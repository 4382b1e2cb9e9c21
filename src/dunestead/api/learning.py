"""What own jobs have taught, value by value; what is left out, and what is set back to the table."""

import math
from dataclasses import replace

from dunestead.api import schemas
from dunestead.api.endpoints import Endpoints
from dunestead.api.opened import bench
from dunestead.api.schemas import learning as wire
from dunestead.core.errors import BadInput, NoSuchThing
from dunestead.core.learning.learnt import Learnt, left_out_key
from dunestead.core.words.learning import learnt_in_words

__all__ = ["learning"]

learning = Endpoints("learning", __name__, url_prefix="/api", tag="Learning")


def _shown(query: schemas.UnitQuery) -> wire.LearningOut:
    workbench = bench()
    return wire.LearningOut(
        figures=[
            _learnt(one, query.unit) for one in sorted(workbench.lessons.learnt.values(), key=_weight, reverse=True)
        ],
        can_undo=workbench.records.can_undo_learning(),
    )


def _weight(one: Learnt) -> tuple[int, float]:
    """Return what is put first: what most jobs say, and of that what is furthest from the table."""
    return len(one.lessons), abs(math.log(one.value / one.table))


def _learnt(one: Learnt, unit: str) -> wire.LearntOut:
    values = [
        wire.LearntValueOut.showing(lesson, value=lesson.ratio * one.table, left_out=lesson.job in one.left_out)
        for lesson in one.lessons
    ]
    return wire.LearntOut.showing(one, said=learnt_in_words(one, unit), values=values)


@learning.get("/learning")
def get_learning(query: schemas.UnitQuery) -> wire.LearningOut:
    """List every figure that own jobs have something to say of, with the values behind it."""
    return _shown(query)


@learning.put("/learning")
def set_learning(given: wire.LearntIn, query: schemas.UnitQuery) -> wire.LearningOut:
    """Set a figure back to the table or take it up again, and leave values of it out or in."""
    workbench = bench()
    one = workbench.lessons.learnt.get(given.key)
    if one is None:
        raise NoSuchThing("None of your jobs says anything of this figure.", "Look at the list again.")
    kept = workbench.records.learning_kept()
    if given.to_table is not None:
        rest = [key for key in kept.to_table if key != given.key]
        kept = replace(kept, to_table=tuple(rest + [given.key] * given.to_table))
    if given.left_out is not None:
        known = {lesson.job for lesson in one.lessons}
        if unknown := sorted(set(given.left_out) - known):
            raise BadInput(f"Job {unknown[0]} says nothing of this figure.", "Leave out values of the list only.")
        own = {left_out_key(given.key, job) for job in known}
        chosen = {left_out_key(given.key, job) for job in given.left_out}
        kept = replace(kept, left_out=tuple(sorted((set(kept.left_out) - own) | chosen)))
    workbench.lessons.keep_learning(kept)
    return _shown(query)


@learning.post("/learning/undo")
def undo_learning(query: schemas.UnitQuery) -> wire.LearningOut:
    """Take the last choice about what was learnt back."""
    bench().lessons.undo_learning()
    return _shown(query)
