"""How does the work grow with the pieces of a mask, and how soon does a page answer with many of them?

The floor is one boolean difference of the same geometry, as for the checks. Near linear means that four times as many
pieces take about four times as long: the growth given is how much longer a piece takes than with the fewest.
"""

import io
import tempfile
import time
from pathlib import Path
from typing import Any

import numpy as np
import shapely

from dunestead.api.app import create_app
from dunestead.core.artwork.painted import paint
from dunestead.core.changes.arranging import fit_design
from dunestead.core.job.job import altered
from dunestead.core.job.proposing import start_job
from dunestead.core.mask.fates import Fate
from dunestead.formats.svg import read_svg
from dunestead.workshop.workbench import Workbench

__all__ = ["measure_growth", "measure_looks"]

_COUNTS = (250, 500, 1000)
_LOOKS = (150, 335)
_FATES: dict[str, Fate] = {"kept": "keep", "bridged": "bridge"}
# Where the rings lie apart, mm, and corners of an outer and an inner ring.
_APART, _OUTER, _INNER = 10.0, 24, 12
_LOOKED_AT, _KEPT_AT = 333.0, 310.0


def measure_growth() -> dict[str, dict[str, float]]:
    """Return for masks of more and more pieces, kept and bridged, the whole plan in ms, its floor, ratio and growth."""
    found: dict[str, dict[str, float]] = {}
    for name, fate in _FATES.items():
        least: float | None = None
        for count in _COUNTS:
            floor, whole = _planned(count, fate)
            a_piece = whole / count
            least = least or a_piece
            found[f"{count} pieces {name}"] = {
                "answer_ms": whole * 1e3,
                "floor_ms": floor * 1e3,
                "ratio": whole / floor,
                "growth": a_piece / least,
            }
    return found


def _planned(count: int, fate: Fate) -> tuple[float, float]:
    """Return the seconds of the floor and of the whole plan of a job whose pieces all have one fate."""
    with tempfile.TemporaryDirectory() as folder:
        workbench: Workbench = create_app({"DATABASE": Path(folder) / "workshop.sqlite"}).extensions["workbench"]
        # No two measurements share a drawing, for what is known of one would help the next.
        make = workbench.designs.keep_file(_rings(count, seed=count + len(fate)).encode(), "rings.svg")
        catalogue = workbench.catalogue
        job = start_job("Rings", catalogue.surface("coir"), catalogue, make(1))
        job = altered(fit_design(job, workbench.sources, catalogue), fates=dict.fromkeys(range(1, count + 1), fate))
        start = time.perf_counter()
        plan = workbench.reckon(job).plan
        whole = time.perf_counter() - start
    return _floor(plan.look.masks[0].mask.sheet, plan.painted.region), whole


def _floor(sheet: shapely.Polygon, region: shapely.MultiPolygon) -> float:
    start = time.perf_counter()
    shapely.get_parts(shapely.difference(sheet, region))
    return time.perf_counter() - start


def measure_looks() -> dict[str, dict[str, float]]:
    """Return how long a page waits with many pieces, to begin, to look at a width and to keep one, with its floor."""
    found: dict[str, dict[str, float]] = {}
    for count in _LOOKS:
        data = _rings(count, seed=count).encode()
        painted = paint(read_svg(data), _LOOKED_AT)
        floor = _floor(painted.region.envelope.buffer(40.0, join_style="mitre"), painted.region)
        for what, seconds in _waits(data).items():
            found[f"{what} {count} pieces"] = {
                "answer_ms": seconds * 1e3,
                "floor_ms": floor * 1e3,
                "ratio": seconds / floor,
            }
    return found


def _waits(data: bytes) -> dict[str, float]:
    with tempfile.TemporaryDirectory() as folder:
        client = create_app({"DATABASE": Path(folder) / "workshop.sqlite"}).test_client()

        def asked(method: str, address: str, **request: Any) -> tuple[Any, float]:
            start = time.perf_counter()
            answer = client.open(address, method=method, **request)
            seconds = time.perf_counter() - start
            if answer.status_code >= 400:
                raise AssertionError(answer.get_data(as_text=True))
            return answer, seconds

        form = {"artwork": (io.BytesIO(data), "rings.svg")}
        begun, begin = asked("POST", "/api/jobs", data=form, content_type="multipart/form-data")
        address = f"/api/jobs/{begun.get_json()['id']}"
        version = {"If-Match": begun.headers["ETag"]}
        _, look = asked("POST", f"{address}/look", json={"design_width": _LOOKED_AT}, headers=version)
        _, keep = asked("PATCH", f"{address}?room=artwork", json={"design_width": _KEPT_AT}, headers=version)
    return {"begin": begin, "look at a width of": look, "keep a width of": keep}


def _rings(count: int, seed: int) -> str:
    """Draw rings of many sizes, about in rows."""
    rng = np.random.default_rng(seed)
    side = int(np.ceil(np.sqrt(count)))
    data = ""
    for k in range(count):
        middle = _APART * np.array([k % side, k // side]) + rng.uniform(4, 6, 2)
        for radius, corners in ((rng.uniform(2.5, 3.2), _OUTER), (rng.uniform(1, 1.4), _INNER)):
            turns = np.arange(corners) / corners * 2 * np.pi
            points = middle + radius * np.column_stack([np.cos(turns), np.sin(turns)])
            data += "M" + "L".join(f"{x:.2f} {y:.2f}" for x, y in points) + "Z"
    return f'<svg xmlns="http://www.w3.org/2000/svg"><path fill-rule="evenodd" d="{data}"/></svg>'
