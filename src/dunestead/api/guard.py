"""Who may ask, and what a request may carry: looked at before anything reads it."""

import json
from math import isfinite
from typing import Any
from urllib.parse import urlsplit

from flask import Flask, Response, request
from werkzeug.exceptions import RequestEntityTooLarge

from dunestead.api.problems import problem
from dunestead.core.errors import BadInput

__all__ = ["MOST_JSON_BYTES", "check_json", "install_guard"]

_SAFE_METHODS = ("GET", "HEAD", "OPTIONS")
_OWN_SITE = ("same-origin", "none")
# What the page sends. Browsers let other sites send plain text and plain forms without asking, and neither must be
# taken for JSON; a form with files of theirs is known by its origin.
_KINDS = ("application/json", "multipart/form-data")
MOST_JSON_BYTES = 4_000_000
_MOST_DEPTH = 40
_MOST_ITEMS = 20_000
_MOST_TEXT = 200_000
# Whole numbers that a browser and the database both hold exactly.
_MOST_WHOLE = 2**53
# Nothing but our own files is loaded or run in the page, whatever an artwork carries.
_HEADERS = {
    "Content-Security-Policy": (
        "default-src 'none'; script-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; "
        "font-src 'self'; connect-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'"
    ),
    "Cross-Origin-Opener-Policy": "same-origin",
    "Cross-Origin-Resource-Policy": "same-origin",
    "Permissions-Policy": "camera=(), geolocation=(), microphone=()",
    "Referrer-Policy": "no-referrer",
    "X-Content-Type-Options": "nosniff",
    "X-Frame-Options": "DENY",
}


def install_guard(app: Flask) -> None:
    """Look at every request before it is read, and put the usual headers on every answer."""
    app.before_request(_refuse_other_sites)
    app.before_request(_refuse_other_kinds)
    app.before_request(_refuse_wild_json)
    app.after_request(_guarded)


def _refuse_other_sites() -> Response | None:
    """Let no other site's page change anything here through the maker's browser."""
    if request.method in _SAFE_METHODS:
        return None
    origin, site = request.headers.get("Origin"), request.headers.get("Sec-Fetch-Site")
    if (not origin or urlsplit(origin).netloc == request.host) and site in (None, *_OWN_SITE):
        return None
    return problem(403, "other-site", "This request came from another site.", "Use the workshop's own page.")


def _refuse_other_kinds() -> Response | None:
    if request.method in _SAFE_METHODS or not (request.content_length or 0) or request.mimetype in _KINDS:
        return None
    what = f"This address does not read “{request.mimetype or 'data of no kind'}”."
    return problem(415, "unsupported-media-type", what, "Send JSON as application/json, files as multipart/form-data.")


def _refuse_wild_json() -> None:
    if request.mimetype != "application/json":
        return
    request.max_content_length = MOST_JSON_BYTES
    if (request.content_length or 0) > MOST_JSON_BYTES:
        raise RequestEntityTooLarge
    if data := request.get_data():
        check_json(data)


def check_json(data: bytes) -> None:
    """Refuse JSON that nobody's page would send.

    Raises
    ------
    BadInput
        When it is no JSON, is nested too deeply, or has too many items, too long a text, a whole number beyond 2^53,
        a number that is none, or half of a character.
    """
    try:
        found = json.loads(data, parse_constant=_no_number)
    except (ValueError, RecursionError) as error:
        too_deep = isinstance(error, RecursionError)
        what = "is nested too deeply" if too_deep else "is no JSON"
        raise BadInput(f"What was sent {what}.", "Correct it and send it again.") from None
    left: list[tuple[Any, int]] = [(found, 0)]
    while left:
        value, depth = left.pop()
        if depth > _MOST_DEPTH:
            raise BadInput("What was sent is nested too deeply.", "Correct it and send it again.")
        if isinstance(value, dict | list):
            if len(value) > _MOST_ITEMS:
                raise BadInput(f"A list has {len(value):,} entries.", f"Send {_MOST_ITEMS:,} at most.")
            inner = [*value, *value.values()] if isinstance(value, dict) else value
            left.extend((one, depth + 1) for one in inner)
        else:
            _check_plain(value)


def _no_number(name: str) -> float:
    raise ValueError(name)


def _check_plain(value: str | float | bool | None) -> None:
    if isinstance(value, str):
        if len(value) > _MOST_TEXT:
            raise BadInput(f"A text has {len(value):,} letters.", f"Send {_MOST_TEXT:,} at most.")
        if any("\ud800" <= letter <= "\udfff" for letter in value):
            raise BadInput("A text holds half of a character.", "Enter it again.")
    elif (isinstance(value, int) and abs(value) > _MOST_WHOLE) or (isinstance(value, float) and not isfinite(value)):
        raise BadInput("A number is too large.", "Enter a smaller one.")


def _guarded(response: Response) -> Response:
    response.headers.update(_HEADERS)
    if request.path.startswith("/api/"):
        # What a job is now must never come from a browser's store.
        response.headers.setdefault("Cache-Control", "no-store")
    return response
