"""Signing in from the network: by the passphrase, or by a key shown as a picture to a tablet's camera."""

from datetime import timedelta
from hashlib import sha256

import segno
from apiflask import APIFlask
from flask import Response, current_app, has_request_context, request, session
from flask_limiter import Limiter
from flask_limiter.util import get_remote_address

from dunestead.api import schemas as wire
from dunestead.api.endpoints import Endpoints
from dunestead.api.forwarding import BY
from dunestead.api.problems import problem
from dunestead.core.errors import NotNow
from dunestead.workshop.access import KEY_MINUTES, Access

__all__ = ["install_access", "sessions", "who_is_in"]

_DAYS = 30
# Wrong or right: nobody types faster.
_TRIES = "5 per minute;30 per hour"
_ALL_TRIES = "60 per hour"
_OPEN = ("/api/session", "/api/session/key")
sessions = Endpoints("sessions", __name__, url_prefix="/api/session", tag="Signing in")
_limiter = Limiter(get_remote_address, storage_uri="memory://", strategy="moving-window")


def _access() -> Access | None:
    access: Access | None = current_app.extensions.get("access")
    return access


def install_access(app: APIFlask, access: Access | None) -> None:
    """Let only those in who have signed in; whoever sits at the machine itself alone needs no passphrase.

    Parameters
    ----------
    app
        The application.
    access
        The passphrase; None when the workshop listens to its own machine alone.
    """
    _limiter.init_app(app)
    if access is None:
        return
    app.extensions["access"] = access
    app.config.update(
        SECRET_KEY=access.secret,
        SESSION_COOKIE_NAME="dunestead",
        SESSION_COOKIE_HTTPONLY=True,
        SESSION_COOKIE_SAMESITE="Strict",
        PERMANENT_SESSION_LIFETIME=timedelta(days=_DAYS),
    )
    app.before_request(_refuse_strangers)


def _refuse_strangers() -> Response | None:
    if not request.path.startswith("/api/") or request.path in _OPEN or _is_in():
        return None
    return problem(401, "signed-out", "You are not signed in.", "Enter the workshop's passphrase.")


def _era() -> str:
    """Return what tells apart the times before and after everybody was signed out."""
    return sha256(str(current_app.secret_key).encode()).hexdigest()[:16]


def _is_in() -> bool:
    # Not by the signature alone: an answer that is under way while all are signed out is signed anew after it.
    return session.get("in") == _era()


def who_is_in() -> str:
    """Return the first name of who asks, for the log; empty where nobody signs in."""
    if not has_request_context():
        return ""
    name: str = session.get("by", "") if _access() is not None else request.environ.get(BY, "")
    return name


def _state() -> wire.SessionOut:
    guarded = _access() is not None
    return wire.SessionOut(guarded=guarded, signed_in=not guarded or _is_in(), by=session.get("by", ""))


def _let_in(by: str) -> wire.SessionOut:
    session.clear()
    session.permanent = True
    session["in"], session["by"] = _era(), by
    return _state()


@sessions.get("")
def get_session() -> wire.SessionOut:
    """Say whether one must sign in here, and whether one has."""
    return _state()


@sessions.post("")
@_limiter.limit(_TRIES)
@_limiter.limit(_ALL_TRIES, key_func=lambda: "all")
def sign_in(given: wire.SignInIn) -> wire.SessionOut | Response:
    """Sign in with the passphrase, and a first name for the log."""
    access = _access()
    if access is None:
        return _state()
    if not access.opens(given.passphrase):
        return problem(403, "wrong-passphrase", "This is not the workshop's passphrase.", "Try again, more slowly.")
    return _let_in(given.by)


@sessions.post("/key")
@_limiter.limit(_TRIES)
@_limiter.limit(_ALL_TRIES, key_func=lambda: "all")
def sign_in_by_key(given: wire.KeyIn) -> wire.SessionOut | Response:
    """Sign in with a key that works once."""
    access = _access()
    if access is None:
        return _state()
    if not access.takes_key(given.key):
        return problem(403, "spent-key", "This key was used already or has run out.", "Show a new one, or sign in.")
    return _let_in(given.by)


@sessions.post("/invitation")
def invite() -> wire.InvitationOut:
    """Make a key for another device, as an address and as a picture of it."""
    access = _access()
    if access is None:
        raise NotNow(
            "This workshop listens to its own machine alone.",
            "Start it with `dunestead passphrase`, then `dunestead serve --host 0.0.0.0`.",
        )
    names = current_app.config["NETWORK_NAMES"]
    address = f"{request.scheme}://{names[0] if names else request.host}/#/enter/{access.make_key()}"
    picture = segno.make(address, error="m").svg_data_uri(scale=5, border=2, dark="#1b2429", light="#fbf8ef")
    return wire.InvitationOut(address=address, minutes=KEY_MINUTES, picture=picture)


@sessions.delete("")
def sign_out(query: wire.SignOutQuery) -> wire.SessionOut:
    """Sign out here, or everywhere."""
    access = _access()
    if access is None:
        return _state()
    was_in = _is_in()
    session.clear()
    if was_in and query.everywhere:
        current_app.secret_key = access.sign_all_out()
    return _state()
