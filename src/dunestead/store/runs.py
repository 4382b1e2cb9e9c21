"""What was sent to the cutters, so that their queues outlive the workshop's being shut down."""

from dataclasses import dataclass
from typing import Any

import numpy as np
from pydantic import TypeAdapter
from sqlalchemy import Engine, delete, select, update

from dunestead.core.cutting.paths import CutPath
from dunestead.core.cutting.promise import Promise
from dunestead.core.figures import Cutter, Material
from dunestead.core.records import CutSettings
from dunestead.devices.cutter import CutOrder, CutState
from dunestead.store.database import Sessions
from dunestead.store.models import CutRunRow

__all__ = ["KeptRun", "RunStore"]

_CUTTER = TypeAdapter(Cutter)
_MATERIAL = TypeAdapter(Material)
_SETTINGS = TypeAdapter(CutSettings)
_PROMISE = TypeAdapter(Promise | None)


@dataclass(frozen=True, slots=True)
class KeptRun:
    """A sheet sent to a cutter, as it was when it was last looked at."""

    number: int
    job: int
    sheet: int
    cutter: Cutter
    order: CutOrder
    state: CutState
    share: float
    trouble: str | None


class RunStore:
    """The runs of all cutters, oldest first."""

    def __init__(self, engine: Engine) -> None:
        self._sessions = Sessions(engine)

    def all(self) -> list[KeptRun]:
        """Return every run."""
        with self._sessions.read() as session:
            return [_kept(row) for row in session.scalars(select(CutRunRow).order_by(CutRunRow.id))]

    def add(self, job: int, sheet: int, cutter: Cutter, order: CutOrder, state: CutState, trouble: str | None) -> int:
        """Keep a run and return its number."""
        with self._sessions.write() as session:
            row = CutRunRow(
                job_id=job,
                sheet=sheet,
                cutter=_CUTTER.dump_python(cutter, mode="json"),
                sent=_sent(order),
                state=state,
                share=0.0,
                trouble=trouble,
            )
            session.add(row)
            session.flush()
            return row.id

    def note(self, number: int, state: CutState, share: float, trouble: str | None) -> None:
        """Keep how far a run is."""
        values = {"state": state, "share": share, "trouble": trouble}
        with self._sessions.write() as session:
            session.execute(update(CutRunRow).where(CutRunRow.id == number).values(**values))

    def drop(self, number: int) -> None:
        """Forget a run."""
        with self._sessions.write() as session:
            session.execute(delete(CutRunRow).where(CutRunRow.id == number))


def _sent(order: CutOrder) -> dict[str, Any]:
    return {
        "title": order.title,
        "paths": [path.points.tolist() for path in order.paths],
        "page": order.page,
        "promise": _PROMISE.dump_python(order.promise, mode="json"),
        "material": _MATERIAL.dump_python(order.material, mode="json"),
        "settings": _SETTINGS.dump_python(order.settings, mode="json"),
        "fault": order.fault,
    }


def _kept(row: CutRunRow) -> KeptRun:
    sent = row.sent
    order = CutOrder(
        sent["title"],
        tuple(CutPath(np.array(points, dtype=np.float64)) for points in sent["paths"]),
        tuple(sent["page"]) if sent["page"] else None,
        _PROMISE.validate_python(sent["promise"]),
        _MATERIAL.validate_python(sent["material"]),
        _SETTINGS.validate_python(sent["settings"]),
        sent["fault"],
    )
    cutter = _CUTTER.validate_python(row.cutter)
    state: CutState = row.state  # type: ignore[assignment]  # only states are ever written
    return KeptRun(row.id, row.job_id, row.sheet, cutter, order, state, row.share, row.trouble)
