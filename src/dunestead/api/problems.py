"""Errors as problem details (RFC 9457), each with a sentence for the maker and what to do."""

from secrets import token_hex
from typing import Any

from apiflask import APIFlask
from flask import Response, g, has_request_context, json
from shapely.errors import GEOSException
from sqlalchemy.exc import DBAPIError
from werkzeug.exceptions import HTTPException, SecurityError

from dunestead.core.checkpoints import Stopped
from dunestead.core.errors import BadInput, Clash, DamagedJob, DunesteadError, NoSuchThing, NotNow, StoreFault, TooMuch
from dunestead.store.faults import fault_of

__all__ = ["CALMER", "SIMPLER", "TOO_LARGE", "install_problems", "problem"]

_STATUS: list[tuple[type[DunesteadError], int]] = [
    (BadInput, 400),
    (NoSuchThing, 404),
    (NotNow, 409),
    (Clash, 412),
    (DamagedJob, 422),
    (TooMuch, 422),
    (StoreFault, 503),
]
# What stands in none of the classes above: by its code.
_BY_CODE = {"no-version": 428}
TOO_LARGE = (
    "This file is larger than a drawing for cutting needs to be.",
    "Remove embedded pictures and simplify its paths.",
)
_SENTENCES = {
    404: ("There is nothing at this address.", "Go back to the board."),
    405: ("This address does not take that kind of request.", "/api/openapi.json says what it takes."),
    429: ("There were too many tries.", "Wait a minute, then try again."),
    413: TOO_LARGE,
}
_STOPPED = ("This was stopped; nothing was changed.", "Make the drawing simpler, or let it run.")
_OTHER_NAME = (
    "Dunestead does not answer under this name.",
    "Open it as http://127.0.0.1 with its port, or start it with --allow-host and this name.",
)
CALMER = "Nothing was changed. Photograph the sheet alone, from nearly above, on a plain table."
SIMPLER = "Nothing was changed. Try again; if it happens again, use a simpler drawing."
_UNEXPECTED = "Something went wrong on our side; nothing was changed."


def problem(status: int, code: str, what: str, fix: str) -> Response:
    """Return a problem-details response."""
    number = g.setdefault("request_number", token_hex(4)) if has_request_context() else ""
    body = {
        "type": f"urn:dunestead:{code}",
        "instance": f"urn:dunestead:request:{number}",
        "title": what,
        "status": status,
        "detail": f"{what} {fix}",
        "code": code,
        "fix": fix,
    }
    return Response(json.dumps(body), status=status, content_type="application/problem+json")


def install_problems(app: APIFlask) -> None:
    """Make every error of an application a problem-details response."""

    @app.errorhandler(DunesteadError)
    def known(error: DunesteadError) -> Response:
        found = next((number for kind, number in _STATUS if isinstance(error, kind)), 500)
        status = _BY_CODE.get(error.code, found)
        return problem(status, error.code, error.what, error.fix)

    @app.errorhandler(Stopped)
    def stopped(_: Stopped) -> Response:
        return problem(409, "stopped", *_STOPPED)

    @app.errorhandler(DBAPIError)
    def database(error: DBAPIError) -> Response:
        app.logger.error("The database failed", exc_info=error)
        return known(fault_of(error))

    @app.errorhandler(SecurityError)
    def other_name(_: SecurityError) -> Response:
        return problem(400, "other-name", *_OTHER_NAME)

    @app.errorhandler(MemoryError)
    def too_much(_: MemoryError) -> Response:
        return problem(422, TooMuch.code, "Working this out needs more memory than there is for it.", SIMPLER)

    @app.errorhandler(GEOSException)
    def geometry(error: GEOSException) -> Response:
        # It tells of memory by the name that its own language has for it.
        return too_much(MemoryError()) if "bad_alloc" in str(error) else unknown(error)

    @app.errorhandler(RuntimeError)
    def elsewhere(error: RuntimeError) -> Response:
        # Libraries tell of memory by an error of their own, too.
        return too_much(MemoryError()) if "could not allocate" in str(error) else unknown(error)

    @app.errorhandler(OverflowError)
    def too_large(_: OverflowError) -> Response:
        return problem(400, "too-large", "A number is too large.", "Enter a smaller one.")

    @app.errorhandler(HTTPException)
    def http(error: HTTPException) -> Response:
        status = error.code or 500
        what, fix = _SENTENCES.get(status, (error.description or error.name, "Check what was sent."))
        return problem(status, error.name.lower().replace(" ", "-"), what, fix)

    @app.errorhandler(Exception)
    def unknown(error: Exception) -> Response:
        number = g.setdefault("request_number", token_hex(4))
        app.logger.error("%s Unexpected error", number, exc_info=error)
        return problem(500, "unexpected", _UNEXPECTED, f"Try again. If it comes back, look for {number} in the log.")

    def validation(error: Any) -> Response:
        if error.status_code != 422:
            return (
                http(error)
                if isinstance(error, HTTPException)
                else problem(error.status_code, "error", error.message, "")
            )
        return problem(
            422,
            "not-understood",
            f"This could not be understood: {_first_complaint(error.detail)}.",
            "Correct it and send it again.",
        )

    # Not by its decorator, which would turn all other errors into this kind as well.
    app.error_callback = validation


def _first_complaint(detail: Any, path: str = "") -> str:
    if isinstance(detail, dict):
        key, inner = next(iter(detail.items()), ("", "something in it"))
        return _first_complaint(inner, f"{path}.{key}".strip("."))
    if isinstance(detail, list) and detail:
        first = detail[0]
        if isinstance(first, dict) and "msg" in first:
            where = ".".join(str(part) for part in first.get("loc", ()))
            return f"{where}: {first['msg']}".strip(": ").rstrip(".").lower()
        return _first_complaint(first, path)
    return f"{path}: {detail}".strip(": ").rstrip(".")
