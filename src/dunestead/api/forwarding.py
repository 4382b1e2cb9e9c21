"""Requests about jobs, handed on to workers once it is clear who asks and that it may be asked."""

from collections.abc import Callable
from typing import Any, Protocol

from flask import Flask, Response, current_app, g, request

from dunestead.api.opened import version_of
from dunestead.workshop.workbench import Workbench

__all__ = ["BY", "NUMBER", "Hands", "install_forwarding", "install_numbers"]

# Under these names a request carries, out of reach of whoever sent it, its number and who sent it.
NUMBER, BY = "dunestead.number", "dunestead.by"
# What goes on between requests belongs to the front alone; all else can be answered by any worker.
_FRONTS = ("sessions", "keeping", "waiting", "guide", "cutter")
_KINDS = (str, int)


class _Answer(Protocol):
    status: int
    headers: tuple[tuple[str, str], ...]
    body: bytes
    has_changed_records: bool


class Hands(Protocol):
    """Those who answer."""

    def answer(self, environ: dict[str, str], body: bytes, records: int, job: int | None) -> _Answer:
        """Answer a request about a job, or about none, from a state of the maker's records."""

    def renew(self) -> None:
        """Forget whatever is known of the database: it is another one now."""


def install_forwarding(app: Flask, hands: Hands, who: Callable[[], str]) -> None:
    """Have requests about jobs answered by others.

    Parameters
    ----------
    app
        The application; whatever looks at a request before it is answered is installed already.
    hands
        Who answers.
    who
        Returns who asks, for the log.
    """

    @app.before_request
    def forwarded() -> Response | None:
        if request.blueprint is None or request.blueprint in _FRONTS:
            return None
        workbench: Workbench = current_app.extensions["workbench"]
        environ = _plain(request.environ) | {NUMBER: g.get("request_number", ""), BY: who()}
        job = (request.view_args or {}).get("job_id")
        answer = hands.answer(environ, request.get_data(), workbench.lessons.state, job)
        if answer.has_changed_records:
            workbench.lessons.refresh()
        headers = [(name, value) for name, value in answer.headers if name != "ETag"]
        tag = next((value for name, value in answer.headers if name == "ETag"), "")
        if (version := version_of(tag)) is not None:
            # Named once the answer has its last form, as where it is not handed on.
            g.shown_version = version
        return Response(answer.body, answer.status, headers)


def install_numbers(app: Flask) -> None:
    """Take a request's number from whoever handed it on."""

    @app.before_request
    def numbered() -> None:
        g.request_number = request.environ.get(NUMBER, "")


def _plain(environ: dict[str, Any]) -> dict[str, str]:
    """Return of a request's environment what WSGI and its headers need, and nothing that lives in this process."""
    return {
        name: str(value)
        for name, value in environ.items()
        if isinstance(value, _KINDS) and (name.isupper() or name == "wsgi.url_scheme")
    }
