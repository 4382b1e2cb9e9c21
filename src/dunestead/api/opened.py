"""What all views share: the workbench, the version a change was made on, and a job as its page shows it."""

import re

from flask import Response, current_app, request

from dunestead.api import schemas as wire
from dunestead.api.views import job_out
from dunestead.api.work_views import work_out
from dunestead.core.errors import BadInput
from dunestead.workshop.workbench import Change, Workbench

__all__ = ["bench", "change", "made_on", "shown", "tagged", "worked"]

_TAG = re.compile(r'^\s*(?:W/)?"v(\d{1,15})"\s*$')


class NoVersion(BadInput):
    """A change that does not say what it was made on."""

    code = "no-version"


def bench() -> Workbench:
    """Return the workbench of the application that answers."""
    workbench: Workbench = current_app.extensions["workbench"]
    return workbench


def made_on() -> int:
    """Return the version of the job that the request was made on.

    Raises
    ------
    NoVersion
        When the request names none.
    """
    match = _TAG.match(request.headers.get("If-Match", ""))
    if match is None:
        raise NoVersion(
            "The change does not say which version of the job it was made on.",
            "Send the ETag of the job's last answer as If-Match.",
        )
    return int(match[1])


def change(job_id: int, label: str, changed: Change) -> None:
    """Change a job as one undoable step, as long as it still is what the request was made on."""
    bench().change(job_id, label, changed, made_on())


def shown(job_id: int, query: wire.UnitQuery) -> wire.JobOut:
    """Return a job as its page shows it."""
    workbench = bench()
    opened = workbench.open(job_id, query.unit)
    return job_out(opened, workbench.catalogue, workbench.sources, query.unit, query.copy_no)


def worked(job_id: int, query: wire.UnitQuery) -> wire.WorkOut:
    """Return what is to be done on a job and what was done, without its design."""
    return work_out(bench().open(job_id, query.unit), query.unit, query.copy_no)


def tagged(response: Response) -> Response:
    """Name the version of the job in every answer that shows one."""
    version = response.get_json(silent=True) if response.is_json else None
    if isinstance(version, dict) and isinstance(version.get("version"), int):
        response.headers["ETag"] = f'"v{version["version"]}"'
    return response
