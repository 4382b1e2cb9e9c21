"""What all views share: the workbench, the version a change was made on, and a job as its page shows it."""

import re

from flask import Response, current_app, g, request

from dunestead.api import schemas as wire
from dunestead.api.views import job_out
from dunestead.api.work_views import work_out
from dunestead.core.errors import BadInput
from dunestead.workshop.opened import OpenJob
from dunestead.workshop.workbench import Change, Workbench

__all__ = ["bench", "changed", "download", "if_match", "opened", "shown", "tagged", "version_of", "worked"]

_TAG = re.compile(r'^\s*(?:W/)?"v(\d{1,15})"\s*$')


class NoVersion(BadInput):
    """A change that does not say what it was made on."""

    code = "no-version"


def bench() -> Workbench:
    """Return the workbench of the application that answers."""
    workbench: Workbench = current_app.extensions["workbench"]
    return workbench


def if_match() -> int:
    """Return the version of the job that the request was made on.

    Raises
    ------
    NoVersion
        When the request names none.
    """
    version = version_of(request.headers.get("If-Match", ""))
    if version is None:
        raise NoVersion(
            "The change does not say which version of the job it was made on.",
            "Send the ETag of the job's last answer as If-Match.",
        )
    return version


def version_of(tag: str) -> int | None:
    """Return the version of a job that a tag names, None where it names none."""
    match = _TAG.match(tag)
    return int(match[1]) if match else None


def changed(job_id: int, query: wire.UnitQuery, label: str, by: Change) -> wire.JobOut:
    """Change a job as one undoable step, as long as it still is what the request was made on, and show it."""
    bench().change(job_id, label, by, if_match())
    return shown(job_id, query)


def opened(job_id: int, query: wire.UnitQuery) -> OpenJob:
    """Return a job as it stands; the answer will name its version."""
    found = bench().open(job_id, query.unit)
    g.shown_version = found.head.version
    return found


def shown(job_id: int, query: wire.UnitQuery) -> wire.JobOut:
    """Return a job as its page shows it."""
    workbench = bench()
    return job_out(opened(job_id, query), workbench.catalogue, workbench.sources, query)


def worked(job_id: int, query: wire.UnitQuery) -> wire.WorkOut:
    """Return what is to be done on a job and what was done, without its design."""
    return work_out(opened(job_id, query), query.unit, query.copy_no, query.room)


def tagged(response: Response) -> Response:
    """Name the version of the job in every answer that shows one."""
    if "shown_version" in g and response.status_code < 400:
        response.headers["ETag"] = f'"v{g.shown_version}"'
    return response


def download(data: str | bytes, media_type: str, name: str) -> Response:
    """Return a file under a name to keep it by."""
    return Response(data, content_type=media_type, headers={"Content-Disposition": f'attachment; filename="{name}"'})
