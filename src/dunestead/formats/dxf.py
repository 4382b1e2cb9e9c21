"""DXF artwork in: closed outlines are painted, by way of ezdxf.

Lines and arcs that end where others begin are joined; what stays open has no inside and is told.
"""

import hashlib
import io
import logging
import re
from collections.abc import Iterable, Iterator
from functools import lru_cache
from itertools import islice
from typing import TYPE_CHECKING, Any

import numpy as np
import numpy.typing as npt

from dunestead.core.artwork.drawing import Drawing, Notice, Shape, shape_bounds
from dunestead.core.errors import ArtworkEmpty, ArtworkRefused, ArtworkUnreadable
from dunestead.core.geometry.affine import Affine
from dunestead.core.geometry.curves import Path, join_paths

if TYPE_CHECKING:
    from ezdxf.document import Drawing as Document
    from ezdxf.entities.dxfentity import DXFEntity
    from ezdxf.path import Path as DxfPath

__all__ = ["is_dxf", "read_dxf"]

_MOST_BYTES = 15_000_000
_MOST_NESTED = 50
_MOST_ENTITIES = 40_000
# Ends nearer than this share of the drawing's size are meant to meet.
_MEETING = 2e-5
_SKIPPED = {"POINT", "DIMENSION", "LEADER", "MULTILEADER", "VIEWPORT", "ATTDEF", "XLINE", "RAY"}
_WORDS = {"TEXT", "MTEXT", "ATTRIB"}
_BLACK = "#000000"
_BEGINNING = re.compile(rb"(\xef\xbb\xbf)?\s*(AutoCAD Binary DXF|(0|999)\s*\r?\n)")


def is_dxf(data: bytes) -> bool:
    r"""Say whether a file begins as DXF does.

    Examples
    --------
    >>> is_dxf(b"  0\nSECTION\n"), is_dxf(b"<svg/>")
    (True, False)
    """
    return bool(_BEGINNING.match(data[:200]))


@lru_cache(maxsize=16)
def read_dxf(data: bytes) -> Drawing:
    """Read a DXF file.

    Raises
    ------
    ArtworkUnreadable, ArtworkRefused, ArtworkEmpty
        With a sentence for the maker.
    """
    if len(data) > _MOST_BYTES:
        raise ArtworkRefused(
            f"This file is {len(data) / 1e6:.0f} MB, over the {_MOST_BYTES / 1e6:.0f} MB we carry.",
            "Take out what is not to be painted, and save it again.",
        )
    document = _parsed(data)
    paths: dict[tuple[str, str], list[Path]] = {}
    skipped: set[str] = set()
    for entity in _entities(document, skipped):
        key = (str(entity.dxf.get("layer", "0")), _colour(entity, document))
        paths.setdefault(key, []).extend(_paths_of(entity))
    size = _size([path for found in paths.values() for path in found])
    shapes, open_ends = [], 0
    for (layer, colour), found in paths.items():
        closed, left = _joined(found, size * _MEETING)
        open_ends += left
        if closed:
            # A drawing's y runs up; overlaps of outlines on one layer are holes.
            shapes.append(Shape(join_paths(closed), Affine.scaling(1, -1), colour, "evenodd", groups=(layer,)))
    notices = _notices(skipped, open_ends)
    if not shapes:
        messages = " ".join(notice.message for notice in notices)
        raise ArtworkEmpty(
            f"Nothing in this drawing has a closed outline. {messages}".strip(),
            "Close its outlines, and save it again.",
        )
    box = [b for b in shape_bounds(shapes) if b]
    if not all(np.isfinite(edge) for b in box for edge in b):
        raise ArtworkUnreadable(
            "This drawing has points that are nowhere.", "Save it again from the program it is from."
        )
    return Drawing(hashlib.sha256(data).hexdigest(), tuple(shapes), tuple(notices))


def _parsed(data: bytes) -> "Document":
    # Loading this takes a second, which other artwork need not wait for.
    from ezdxf import recover
    from ezdxf.lldxf.const import DXFError

    # What it mends on the way is no news to a maker, and would be more than one line.
    logging.getLogger("ezdxf").setLevel(logging.CRITICAL)
    try:
        document, _ = recover.read(io.BytesIO(data))
    except (DXFError, OSError, ValueError, KeyError, IndexError, AttributeError, TypeError, RecursionError) as error:
        raise ArtworkUnreadable(
            "This file is not a DXF drawing, or is broken.", "Save it anew as DXF, or as SVG."
        ) from error
    return document


def _entities(document: "Document", skipped: set[str]) -> Iterator["DXFEntity"]:
    """Yield what is drawn, blocks taken apart; what cannot be painted is noted in ``told``."""
    from ezdxf.disassemble import recursive_decompose

    _check_inserts(document)
    count = 0
    hidden = {layer.dxf.name for layer in document.layers if layer.is_off() or layer.is_frozen()}
    decomposed: Iterable[Any] = recursive_decompose(document.modelspace())
    for entity in islice(decomposed, _MOST_ENTITIES + 1):
        count += 1
        if count > _MOST_ENTITIES:
            raise _too_many()
        kind = entity.dxftype()
        if entity.dxf.get("layer", "0") in hidden or entity.dxf.get("invisible", 0):
            continue
        if kind in _WORDS:
            skipped.add("words")
        elif kind not in _SKIPPED:
            yield entity


def _check_inserts(document: "Document") -> None:
    """Refuse blocks that hold themselves, or that would be taken apart into more parts than we carry."""
    known: dict[str, int] = {}

    def parts_of(entities: Iterable[Any], around: tuple[str, ...]) -> int:
        total = 0
        for entity in entities:
            total += 1
            if entity.dxftype() == "INSERT":
                times = max(1, entity.dxf.get("row_count", 1)) * max(1, entity.dxf.get("column_count", 1))
                total += times * (1 + block(str(entity.dxf.get("name", "")), around))
            if total > _MOST_ENTITIES:
                raise _too_many()
        return total

    def block(name: str, around: tuple[str, ...]) -> int:
        if name in around or len(around) > _MOST_NESTED:
            raise ArtworkRefused("A block of this drawing holds itself.", "Explode its blocks, and save it again.")
        if name not in known:
            found = document.blocks.get(name)
            known[name] = 0 if found is None else parts_of(found, (*around, name))
        return known[name]

    parts_of(document.modelspace(), ())


def _too_many() -> ArtworkRefused:
    return ArtworkRefused(
        f"This drawing has over {_MOST_ENTITIES} parts.", "Take out what is not to be painted, and save it again."
    )


def _colour(entity: "DXFEntity", document: "Document") -> str:
    from ezdxf import colors

    if (rgb := getattr(entity, "rgb", None)) is not None:
        return f"#{rgb[0]:02x}{rgb[1]:02x}{rgb[2]:02x}"
    index = int(entity.dxf.get("color", colors.BYLAYER))
    if index in (colors.BYLAYER, colors.BYBLOCK):
        name = entity.dxf.get("layer", "0")
        index = abs(int(document.layers.get(name).dxf.color)) if document.layers.has_entry(name) else 7
    # 7 is black on white paper and white on a dark screen.
    if index == 7 or not 1 <= index <= 255:
        return _BLACK
    r, g, b = colors.aci2rgb(index)
    return f"#{r:02x}{g:02x}{b:02x}"


def _paths_of(entity: "DXFEntity") -> Iterator[Path]:
    """Yield the contours of an entity as paths of one contour each."""
    from ezdxf import path as dxf_path
    from ezdxf.lldxf.const import DXFError

    try:
        if entity.dxftype() in ("HATCH", "MPOLYGON"):
            found: list[DxfPath] = list(dxf_path.from_hatch(entity))  # type: ignore[arg-type]
        else:
            found = [dxf_path.make_path(entity)]
    except (TypeError, ValueError, DXFError, ZeroDivisionError):
        # Solids, images and the like have no outline to follow.
        return
    for whole in found:
        for single in whole.sub_paths() if whole.has_sub_paths else [whole]:
            if len(single):
                yield _as_path(single)


def _as_path(single: "DxfPath") -> Path:
    from ezdxf.path import Command

    at = np.array([single.start.x, single.start.y])
    segments, lines = [], []
    for command in single.commands():
        end = np.array([command.end.x, command.end.y])
        if command.type == Command.LINE_TO:
            controls, is_line = (at, end), True
        elif command.type == Command.CURVE3_TO:
            control = np.array([command.ctrl.x, command.ctrl.y])  # type: ignore[union-attr]
            controls, is_line = (at + (control - at) * 2 / 3, end + (control - end) * 2 / 3), False
        else:
            controls = (
                np.array([command.ctrl1.x, command.ctrl1.y]),  # type: ignore[union-attr]
                np.array([command.ctrl2.x, command.ctrl2.y]),  # type: ignore[union-attr]
            )
            is_line = False
        segments.append(np.array([at, *controls, end]))
        lines.append(is_line)
        at = end
    return Path(np.array(segments), np.array(lines), np.zeros(len(lines), np.intp), (bool(single.is_closed),))


def _size(paths: list[Path]) -> float:
    if not paths:
        return 0.0
    points = np.concatenate([path.segments.reshape(-1, 2) for path in paths])
    return float(np.ptp(points, axis=0).max()) if np.isfinite(points).all() else 0.0


def _joined(paths: list[Path], near: float) -> tuple[list[Path], int]:
    """Return closed contours, open ones chained end to end where they meet, and how many stayed open."""
    closed: list[Path] = []
    loose: list[Path] = []
    for path in paths:
        meets = path.closed[0] or _distance(path.segments[0, 0], path.segments[-1, 3]) <= near
        (closed if meets else loose).append(path)
    ends: dict[tuple[int, int], list[int]] = {}
    grid = max(near * 4, 1e-12)
    for k, path in enumerate(loose):
        for point in (path.segments[0, 0], path.segments[-1, 3]):
            ends.setdefault(_cell(point, grid), []).append(k)
    used = [False] * len(loose)
    left = 0
    for k in range(len(loose)):
        if used[k]:
            continue
        chain = _chain(k, loose, ends, used, near, grid)
        if _distance(chain.segments[0, 0], chain.segments[-1, 3]) <= near:
            closed.append(chain)
        else:
            left += 1
    return [Path(path.segments, path.is_line, path.contour, (True,)) for path in closed], left


def _chain(
    first: int, loose: list[Path], ends: dict[tuple[int, int], list[int]], used: list[bool], near: float, grid: float
) -> Path:
    used[first] = True
    segments, lines = [loose[first].segments], [loose[first].is_line]
    while _distance(segments[0][0, 0], segments[-1][-1, 3]) > near:
        tip = segments[-1][-1, 3]
        following = _following(tip, loose, ends, used, near, grid)
        if following is None:
            break
        k, backwards = following
        used[k] = True
        taken = loose[k].segments[::-1, ::-1] if backwards else loose[k].segments
        segments.append(taken)
        lines.append(loose[k].is_line[::-1] if backwards else loose[k].is_line)
    joined = np.concatenate(segments)
    return Path(joined, np.concatenate(lines), np.zeros(len(joined), np.intp), (True,))


def _following(
    tip: npt.NDArray[np.float64],
    loose: list[Path],
    ends: dict[tuple[int, int], list[int]],
    used: list[bool],
    near: float,
    grid: float,
) -> tuple[int, bool] | None:
    column, row = _cell(tip, grid)
    for dx in (-1, 0, 1):
        for dy in (-1, 0, 1):
            for k in ends.get((column + dx, row + dy), ()):
                if used[k]:
                    continue
                if _distance(loose[k].segments[0, 0], tip) <= near:
                    return k, False
                if _distance(loose[k].segments[-1, 3], tip) <= near:
                    return k, True
    return None


def _cell(point: npt.NDArray[np.float64], grid: float) -> tuple[int, int]:
    return int(np.floor(point[0] / grid)), int(np.floor(point[1] / grid))


def _distance(one: npt.NDArray[np.float64], other: npt.NDArray[np.float64]) -> float:
    return float(np.hypot(*(one - other)))


def _notices(skipped: set[str], open_ends: int) -> list[Notice]:
    notices = []
    if "words" in skipped:
        notices.append(Notice("text", "Lettering in the drawing is left out; turn it into outlines before saving."))
    if open_ends:
        subject = "1 line is" if open_ends == 1 else f"{open_ends} lines are"
        notices.append(Notice("open-lines", f"{subject} not closed and left out: what has no inside is not painted."))
    return notices
