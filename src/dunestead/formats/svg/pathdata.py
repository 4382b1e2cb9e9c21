"""Normalised path data, which knows moves, lines, cubics and closings only, to a path."""

import numpy as np

from dunestead.core.geometry.curves import Path

__all__ = ["read_path"]


def read_path(data: str) -> Path:
    """Return the path of absolute ``M``, ``L``, ``C`` and ``Z`` commands set apart by spaces.

    A contour that is only closed is kept as a line of no length: with a round or square cap
    it paints a dot.

    Examples
    --------
    >>> read_path("M 0 0 L 4 0 L 4 4 Z").closed
    (True,)
    >>> len(read_path("").segments)
    0
    """
    tokens = data.split()
    segments: list[tuple[float, ...]] = []
    is_line: list[bool] = []
    contour: list[int] = []
    closed: list[bool] = []
    x = y = start_x = start_y = 0.0
    fresh, i = True, 0
    while i < len(tokens):
        command = tokens[i]
        if command == "M":
            x, y = start_x, start_y = float(tokens[i + 1]), float(tokens[i + 2])
            fresh, i = True, i + 3
            continue
        if fresh:
            closed.append(False)
            fresh = False
        if command == "L":
            to_x, to_y = float(tokens[i + 1]), float(tokens[i + 2])
            segments.append((x, y, 0.0, 0.0, 0.0, 0.0, to_x, to_y))
            is_line.append(True)
            x, y, i = to_x, to_y, i + 3
        elif command == "C":
            handles = [float(token) for token in tokens[i + 1 : i + 7]]
            segments.append((x, y, *handles))
            is_line.append(False)
            x, y, i = handles[4], handles[5], i + 7
        else:
            segments.append((x, y, 0.0, 0.0, 0.0, 0.0, start_x, start_y))
            is_line.append(True)
            closed[-1] = True
            x, y, fresh, i = start_x, start_y, True, i + 1
        contour.append(len(closed) - 1)
    return Path(
        np.array(segments, float).reshape(-1, 4, 2),
        np.array(is_line, bool),
        np.array(contour, np.intp),
        tuple(closed),
    )
