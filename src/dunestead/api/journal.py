"""One line a request, with a number that stands in every error too, so that what a maker saw can be found."""

import logging
import secrets
import time
from logging.handlers import RotatingFileHandler
from pathlib import Path

from flask import Flask, Response, g, request

__all__ = ["install_journal", "keep_journal"]

_LOGGER = logging.getLogger(__name__)
_MOST_BYTES, _KEPT = 1_000_000, 5
_LINE = "%(asctime)s %(levelname)-7s %(name)s: %(message)s"


def install_journal(app: Flask) -> None:
    """Give every request a number, and write a line about it once it is answered."""

    @app.before_request
    def number() -> None:
        g.request_number, g.request_began = secrets.token_hex(4), time.monotonic()

    @app.after_request
    def written(response: Response) -> Response:
        # A request that was refused before it was looked at has none yet.
        known = g.setdefault("request_number", secrets.token_hex(4))
        response.headers["X-Request-Id"] = known
        took = (time.monotonic() - g.get("request_began", time.monotonic())) * 1000
        level = logging.ERROR if response.status_code >= 500 else logging.INFO
        if request.path.startswith("/api/"):
            # As it stands on the wire: no line can be broken by what was asked for.
            asked = request.environ.get("RAW_URI") or request.path
            job = (request.view_args or {}).get("job_id", "-")
            _LOGGER.log(
                level, "%s %s %r %d %.0f ms job %s", known, request.method, asked[:300], response.status_code, took, job
            )
        return response


def keep_journal(folder: Path, *, debug: bool) -> Path:
    """Write what happens to a file that never grows beyond a few megabytes; returns it.

    Parameters
    ----------
    folder
        Of the workshop's data.
    debug
        Whether to write all there is to say.
    """
    path = folder / "logs" / "dunestead.log"
    path.parent.mkdir(parents=True, exist_ok=True)
    handler = RotatingFileHandler(path, maxBytes=_MOST_BYTES, backupCount=_KEPT, encoding="utf-8")
    handler.setFormatter(logging.Formatter(_LINE))
    logger = logging.getLogger("dunestead")
    logger.addHandler(handler)
    logger.setLevel(logging.DEBUG if debug else logging.INFO)
    return path
