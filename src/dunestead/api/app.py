"""The application factory."""

from mimetypes import guess_type
from pathlib import Path
from typing import Any

from apiflask import APIFlask
from flask import Response, redirect, request, send_from_directory
from flask_compress import Compress
from werkzeug.exceptions import NotFound
from werkzeug.wrappers import Response as BaseResponse

from dunestead import __version__
from dunestead.api.blanks import blanks
from dunestead.api.curing import curing
from dunestead.api.cutter import cutter
from dunestead.api.cutting import cutting
from dunestead.api.description import describe
from dunestead.api.design import design
from dunestead.api.examples import examples
from dunestead.api.files import files
from dunestead.api.forwarding import Hands, install_forwarding, install_numbers
from dunestead.api.guard import install_guard
from dunestead.api.guide import guide
from dunestead.api.inventory import stores
from dunestead.api.jobs import jobs
from dunestead.api.journal import install_journal
from dunestead.api.keeping import keeping
from dunestead.api.learning import learning
from dunestead.api.mask import mask
from dunestead.api.opened import tagged
from dunestead.api.painting import painting
from dunestead.api.peeling import peeling
from dunestead.api.pricing import pricing
from dunestead.api.problems import install_problems
from dunestead.api.recipes import recipes
from dunestead.api.recording import recording
from dunestead.api.session import install_access, sessions, who_is_in
from dunestead.api.waiting import install_waiting, waiting
from dunestead.api.weeding import weeding
from dunestead.api.work import work
from dunestead.api.workshop import workshop
from dunestead.api.yearly import yearly
from dunestead.catalogue import load_catalogue
from dunestead.devices.weather import SimulatedWeather
from dunestead.formats.picture import MOST_PICTURE_BYTES
from dunestead.formats.svg.guard import MOST_BYTES
from dunestead.store import BlankStore, JobStore, RunStore, open_database, open_records
from dunestead.store.searches import SearchStore
from dunestead.workshop.clock import Clock
from dunestead.workshop.cutting_room import CuttingRoom
from dunestead.workshop.keeping import Keeper
from dunestead.workshop.plans import Plans
from dunestead.workshop.shared_plans import SharedPlans
from dunestead.workshop.workbench import Workbench

__all__ = ["create_app"]

_STATIC = Path(__file__).parent / "static"
_FORM_SLACK = 64_000
_OF_A_JOB = (mask, work, design, files, cutting, weeding, painting, peeling, curing, recording, pricing)
_OF_ALL = (
    jobs,
    examples,
    guide,
    blanks,
    workshop,
    cutter,
    waiting,
    learning,
    yearly,
    stores,
    recipes,
    keeping,
    sessions,
)
# Of memory for plans, where several processes have each their own, bytes.
_A_SHARE = 100_000_000


def create_app(config: dict[str, Any] | None = None) -> APIFlask:
    """Return the application.

    Parameters
    ----------
    config
        ``DATABASE`` is the path of the database file; without it the application can only
        describe itself. ``CLOCK`` is the workshop's clock; ``CUTTER_BEAT`` the seconds after which it is
        written down how far a cut is, though no page looks; ``WEATHER`` where forecasts come from;
        ``TRUSTED_HOSTS`` the names it answers under, so that no foreign name leads a browser here; ``ACCESS`` its
        passphrase, where it listens to the network; ``NETWORK_NAMES`` with ports, under which other devices find it;
        ``HANDS`` answers what is asked about jobs, where that is not done here; ``WORKER`` makes it one of those
        who do; ``PLANS`` is a folder through which they share what they reckon.
    """
    app = APIFlask(
        "dunestead",
        title="Dunestead",
        version=__version__,
        static_folder=None,  # type: ignore[arg-type]  # its annotation forgets that Flask takes None
        docs_path=None,
        # Errors are made by `problems`, all of one kind.
        json_errors=False,
        spec_path="/api/openapi.json",
    )
    app.config.update(
        MAX_CONTENT_LENGTH=max(MOST_BYTES, MOST_PICTURE_BYTES) + _FORM_SLACK,
        OPENAPI_VERSION="3.1.0",
        SYNC_LOCAL_SPEC=False,
        TRUSTED_HOSTS=["localhost", "127.0.0.1"],
        NETWORK_NAMES=[],
    )
    app.config.update(config or {})
    if database := app.config.get("DATABASE"):
        _open_workshop(app, Path(database))
    for blueprint in (*_OF_ALL, *_OF_A_JOB):
        app.register_blueprint(blueprint)
    install_problems(app)
    app.after_request(tagged)
    if app.config.get("WORKER"):
        # Who asks, and whether it may be asked, the front has looked at.
        install_numbers(app)
        return app
    install_waiting(app)
    install_journal(app)
    install_guard(app)
    install_access(app, app.config.get("ACCESS"))
    # What is registered last runs first: an answer is made small, and then its version is named.
    Compress(app)
    describe(app)
    app.add_url_rule("/", "page", app.doc(hide=True)(_page))
    app.add_url_rule("/<path:name>", "asset", app.doc(hide=True)(_asset))
    hands: Hands | None = app.config.get("HANDS")
    if hands:
        install_forwarding(app, hands, who_is_in)
    return app


def _page() -> Response:
    if not (_STATIC / "index.html").is_file():
        return Response("The pages have not been built yet. Run: make demo\n", 503, content_type="text/plain")
    response = send_from_directory(_STATIC, "index.html")
    response.headers["Cache-Control"] = "no-cache"
    return response


def _open_workshop(app: APIFlask, database: Path) -> None:
    """Open a database and all that works on it; it is opened anew when a backup was brought back."""
    engine, clock, catalogue = open_database(database), app.config.get("CLOCK") or Clock(), load_catalogue()
    weather = app.config.get("WEATHER") or SimulatedWeather()

    def open_anew() -> None:
        before: Workbench | None = app.extensions.get("workbench")
        if before:
            before.close()
        engine.dispose()
        if hands := app.config.get("HANDS"):
            hands.renew()
        app.extensions["workbench"] = Workbench(
            JobStore(engine, clock.now, who_is_in),
            BlankStore(engine),
            open_records(engine, who_is_in),
            catalogue,
            CuttingRoom(RunStore(engine), clock.steady, beat=app.config.get("CUTTER_BEAT")),
            clock,
            weather,
            _plans(app.config.get("PLANS")),
            SearchStore(engine),
        )

    open_anew()
    app.extensions["open-workshop"] = open_anew
    app.extensions["keeper"] = Keeper(database, clock)


def _plans(folder: Path | None) -> Plans:
    """Return what keeps plans: in this process alone, or shared with others through a folder."""
    return Plans() if folder is None else Plans(_A_SHARE, SharedPlans(folder))


def _is_file(name: str) -> bool:
    try:
        return (_STATIC / name).is_file()
    except (OSError, ValueError):
        # Longer than any file's name, or with a letter none has.
        return False


def _asset(name: str) -> Response | BaseResponse:
    if name.startswith("api/") or not _is_file(name):
        # Who typed an address wrongly is shown a page; programs are told.
        if not name.startswith(("api/", "assets/")) and request.accept_mimetypes.best == "text/html":
            return redirect("/#/nowhere")
        raise NotFound
    if request.accept_encodings.best_match(["br"]) and (_STATIC / f"{name}.br").is_file():
        # Made small when the page was built: better than could be done for every request.
        response = send_from_directory(_STATIC, f"{name}.br", mimetype=guess_type(name)[0])
        response.headers["Content-Encoding"] = "br"
        response.headers["Vary"] = "Accept-Encoding"
    else:
        response = send_from_directory(_STATIC, name)
    if name.startswith("assets/"):
        response.headers["Cache-Control"] = "public, max-age=31536000, immutable"
    return response
