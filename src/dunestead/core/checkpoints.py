"""How far long work has got, told to whoever waits for it; who may stop it.

Work tells where it is at its own checkpoints. Who waits listens around it and may raise `Stopped` from there: nothing
is kept of work that was stopped, for what is remembered is remembered at its end.
"""

from collections.abc import Callable, Iterator
from contextlib import contextmanager
from contextvars import ContextVar

__all__ = ["KEEPING", "Listener", "Stopped", "listened_by", "past_stopping", "tell"]

# Given what is done, in a word or two, and which share of it is.
Listener = Callable[[str, float], None]
# Told just before something is kept: the last moment at which it can be stopped.
KEEPING = "Keeping"
_listener: ContextVar[Listener | None] = ContextVar("listener", default=None)


class Stopped(Exception):  # It is no error: the maker wished it, and nothing mends it.
    """The maker did not want to wait any longer."""


def tell(what: str, share: float = 0.0) -> None:
    """Tell whoever listens where the work is.

    Raises
    ------
    Stopped
        When it is not wanted any more.
    """
    listener = _listener.get()
    if listener is not None:
        listener(what, share)


def past_stopping() -> None:
    """Let nobody stop what follows: something was kept, and what is left only shows it."""
    _listener.set(None)


@contextmanager
def listened_by(listener: Listener) -> Iterator[None]:
    """Let someone listen to the work done within.

    Examples
    --------
    >>> heard = []
    >>> with listened_by(lambda what, share: heard.append((what, share))):
    ...     tell("Counting", 0.5)
    >>> tell("Nobody listens")
    >>> heard
    [('Counting', 0.5)]
    """
    token = _listener.set(listener)
    try:
        yield
    finally:
        _listener.reset(token)
