"""Record: what the log tells of a job by itself, what the maker adds, photos, and later looks."""

from dataclasses import replace

from flask import Response, request

from dunestead.api import schemas as wire
from dunestead.api.description import hands_out, takes_files
from dunestead.api.endpoints import Endpoints
from dunestead.api.opened import bench, changed, opened
from dunestead.api.photos import PhotoQuery, photo_shown
from dunestead.api.schemas import learning as learning_schemas
from dunestead.core.errors import BadInput, UnknownKey
from dunestead.core.figures import Figure
from dunestead.core.job.job import Job, altered
from dunestead.core.learning.causes import CAUSES
from dunestead.core.learning.happened import Span, spans_of, spells_of
from dunestead.core.learning.learnt import figure_of
from dunestead.core.learning.lessons import closed_at, poured_of, taught_by, whose
from dunestead.core.learning.recipes import is_worth_it
from dunestead.core.limits import check_limits
from dunestead.core.stations.station import NAMES
from dunestead.core.words.learning import untimed_in_words
from dunestead.core.work.saying import title_of
from dunestead.formats.photo import clean_photo

__all__ = ["recording"]

# More steps than these nobody reads; what they taught is told all the same.
_MOST_STEPS = 400
recording = Endpoints("recording", __name__, url_prefix="/api/jobs", tag="Recording")


@recording.put("/<int:job_id>/record")
def set_record(job_id: int, record: wire.RecordIn, query: wire.UnitQuery) -> wire.JobOut:
    """Write down what really happened."""
    if unknown := sorted(set(record.troubles) - set(CAUSES)):
        raise UnknownKey("cause", unknown[0], list(CAUSES))
    for look in record.looks.values():
        check_limits(look)
    entries = {name: getattr(record, name) for name in wire.RecordIn.model_fields}
    return changed(job_id, query, "Record", lambda job, _: altered(job, record=replace(job.record, **entries)))


@recording.post("/<int:job_id>/photos/<any(finished, week, month, year):when>")
@takes_files(photo="A picture file.")
def set_photo(job_id: int, when: str, query: wire.UnitQuery) -> wire.JobOut:
    """Keep a photo of the print, or of a later look: upright, smaller, without place and device."""
    file = request.files.get("photo")
    if file is None:
        raise BadInput("No photo was sent.", "Choose one and send it again.")
    key = bench().designs.keep_bytes(clean_photo(file.read()))
    return changed(job_id, query, "Photo", lambda job, _: _with_photos(job, {**job.record.photos, when: key}))


@recording.delete("/<int:job_id>/photos/<any(finished, week, month, year):when>")
def drop_photo(job_id: int, when: str, query: wire.UnitQuery) -> wire.JobOut:
    """Remove a photo; it can be brought back by undoing that."""
    return changed(
        job_id,
        query,
        "Photo removed",
        lambda job, _: _with_photos(job, {one: key for one, key in job.record.photos.items() if one != when}),
    )


@recording.get("/<int:job_id>/photos/<any(finished, week, month, year):when>.jpg")
@hands_out("jpg")
def get_photo(job_id: int, when: str, query: PhotoQuery) -> Response:
    """Show a photo of the print."""
    key = bench().job(job_id).record.photos.get(when)
    return photo_shown(key, query, "There is no such photo of this job.")


def _with_photos(job: Job, photos: dict[str, str]) -> Job:
    return altered(job, record=replace(job.record, photos=photos))


def _about(key: str, figure: Figure) -> str:
    by = whose(key)[1]
    return f"{by}: {figure.why}" if by else figure.why


def _step(span: Span, unit: str) -> learning_schemas.StepOut:
    titles = [
        title_of(task, unit) + (f", copy {task.copy}" if task.copy and task.copy > 1 else "") for task in span.tasks
    ]
    planned = sum(task.minutes for task in span.tasks)
    taken = None if span.seconds is None else span.seconds / 60
    return learning_schemas.StepOut(titles=titles, planned=planned, taken=taken, why=untimed_in_words([span]))


@recording.get("/<int:job_id>/happened")
def get_happened(job_id: int, query: wire.UnitQuery) -> learning_schemas.HappenedOut:
    """Show what the log tells of a job by itself: minutes by station, paint, and what it teaches."""
    found, catalogue = opened(job_id, query), bench().catalogue
    spans = spans_of(found.graph, found.log, catalogue.figures)
    lessons = taught_by(found.plan, found.graph, found.log, catalogue)
    figures = {key: figure_of(whose(key)[0], catalogue) for key in lessons}
    return learning_schemas.HappenedOut(
        causes=[learning_schemas.CauseOut.showing(one) for one in CAUSES.values()],
        spells=[
            learning_schemas.SpellOut.showing(one, name=NAMES.get(one.station, one.station))
            for one in spells_of(spans, catalogue.figures)
        ],
        steps=[_step(span, query.unit) for span in spans if span.why != "together"][:_MOST_STEPS],
        untimed=untimed_in_words(spans),
        poured=list(poured_of(found.plan)),
        lessons=[
            learning_schemas.LessonOut(
                about=_about(key, figure),
                unit=figure.unit,
                table=figure.value,
                value=figure.value * lessons[key],
            )
            for key, figure in figures.items()
            if figure
        ],
        is_worth_a_recipe=is_worth_it(found.plan.job, catalogue.workshop),
        is_closed=closed_at(found.log) is not None,
    )
