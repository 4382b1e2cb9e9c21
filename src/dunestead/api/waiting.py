"""Waiting for long work: each request may bring a key by which it is asked how far it is, and stopped."""

import re
from contextlib import AbstractContextManager

from apiflask import APIFlask
from flask import current_app, g, request

from dunestead.api import schemas as wire
from dunestead.api.endpoints import Endpoints
from dunestead.core.checkpoints import listened_by
from dunestead.workshop.waits import Waits

__all__ = ["install_waiting", "waiting"]

waiting = Endpoints("waiting", __name__, url_prefix="/api", tag="Waiting")
_HEADER = "Wait-Key"
_KEY = re.compile(r"[A-Za-z0-9-]{8,64}")


def install_waiting(app: APIFlask) -> None:
    """Let requests that bring a key be asked about and stopped."""
    app.extensions["waits"] = Waits()
    app.before_request(_begin)
    app.teardown_request(_end)


def _waits() -> Waits:
    waits: Waits = current_app.extensions["waits"]
    return waits


def _begin() -> None:
    key = request.headers.get(_HEADER, "")
    if _KEY.fullmatch(key):
        listening = listened_by(_waits().begin(key).listen)
        listening.__enter__()
        g.waiting = (key, listening)


def _end(_: BaseException | None) -> None:
    found: tuple[str, AbstractContextManager[None]] | None = g.pop("waiting", None)
    if found:
        _waits().end(found[0])
        found[1].__exit__(None, None, None)


@waiting.get("/waits/<key>")
def get_wait(key: str) -> wire.WaitOut:
    """Say how far a request is; one that was answered is said to be over."""
    return _told(key)


def _told(key: str) -> wire.WaitOut:
    wait = _waits().get(key)
    if wait is None:
        return wire.WaitOut(going=False, what="", share=1.0, seconds=0.0)
    return wire.WaitOut.showing(wait, going=True)


@waiting.post("/waits/<key>/stop")
def stop_wait(key: str) -> wire.WaitOut:
    """Stop a request at its next checkpoint: then it changes nothing."""
    _waits().stop(key)
    return _told(key)
