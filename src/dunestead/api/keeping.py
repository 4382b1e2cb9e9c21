"""The workshop's own data: where it lies, its backups, back to one of them; and whether all is well."""

from flask import Response, current_app, send_file

from dunestead import __version__
from dunestead.api import schemas as wire
from dunestead.api.description import hands_out
from dunestead.api.endpoints import Endpoints
from dunestead.api.opened import bench
from dunestead.workshop.keeping import Keeper

__all__ = ["keeping"]

keeping = Endpoints("keeping", __name__, url_prefix="/api", tag="Backups")


def _keeper() -> Keeper:
    keeper: Keeper = current_app.extensions["keeper"]
    return keeper


def _account() -> wire.BackupsOut:
    account = _keeper().account()
    return wire.BackupsOut.showing(
        account,
        folder=str(account.folder),
        backups=[
            wire.BackupOut.showing(one, name=one.path.name, made_at=one.made_at.isoformat()) for one in account.backups
        ],
    )


@keeping.get("/backups")
def get_backups() -> wire.BackupsOut:
    """Say where the workshop's data lies, and list its backups."""
    return _account()


@keeping.post("/backups", status=201)
def make_backup() -> wire.BackupsOut:
    """Make a backup now."""
    _keeper().make()
    return _account()


@keeping.get("/backups/<name>")
@hands_out("zip")
def get_backup(name: str) -> Response:
    """Hand out a backup, to be kept elsewhere."""
    found = _keeper().find(name)
    return send_file(found.path, mimetype="application/zip", as_attachment=True, download_name=name)


@keeping.post("/backups/<name>/restore")
def restore_backup(name: str) -> wire.BackupsOut:
    """Bring the whole workshop back to a backup; what is there now becomes a backup itself."""
    _keeper().bring_back(name)
    current_app.extensions["open-workshop"]()
    return _account()


@keeping.get("/health")
def get_health() -> wire.HealthOut:
    """Say that the workshop answers and its database can be read."""
    return wire.HealthOut(release=__version__, empty=bench().is_empty)
