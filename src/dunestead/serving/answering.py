"""The application as the server runs it: answers without a body, and bodies that are too large to be read."""

from collections.abc import Callable, Iterator
from typing import TYPE_CHECKING, Any

from hypercorn.app_wrappers import WSGIWrapper

from dunestead.api.problems import TOO_LARGE, problem

if TYPE_CHECKING:
    from _typeshed.wsgi import StartResponse, WSGIApplication, WSGIEnvironment

__all__ = ["Answering"]


class Answering(WSGIWrapper):
    """Runs an application in threads, each request once all of it has come in.

    Parameters
    ----------
    app
        The application.
    most
        Bytes of the largest body that it reads.
    """

    def __init__(self, app: "WSGIApplication", most: int) -> None:
        super().__init__(_never_empty(app), most)

    async def handle_http(
        self, scope: Any, receive: Any, send: Any, sync_spawn: Callable[..., Any], call_soon: Callable[..., Any]
    ) -> None:
        """Answer a request; one whose body is too large is told so, without a byte of it being kept."""
        lengths = [int(value) for name, value in scope["headers"] if name == b"content-length" and value.isdigit()]
        if not lengths or lengths[0] <= self.max_body_size:
            await super().handle_http(scope, receive, send, sync_spawn, call_soon)
            return
        # A browser hears no answer before it has sent everything.
        while (await receive()).get("more_body"):
            pass
        refused = problem(413, "request-entity-too-large", *TOO_LARGE)
        headers = [(name.lower().encode(), value.encode()) for name, value in refused.headers.items()]
        await send({"type": "http.response.start", "status": refused.status_code, "headers": headers})
        await send({"type": "http.response.body", "body": refused.get_data(), "more_body": False})


def _never_empty(app: "WSGIApplication") -> "WSGIApplication":
    """Return an application whose answers have at least one part: the server begins no answer before the first."""

    def answering(environ: "WSGIEnvironment", start: "StartResponse") -> Iterator[bytes]:
        parts = app(environ, start)
        try:
            yield b""
            yield from parts
        finally:
            getattr(parts, "close", bool)()

    return answering
