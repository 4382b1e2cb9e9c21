"""The Voronoi diagram of points, as arrays."""

import numpy as np
import numpy.typing as npt

__all__ = ["voronoi"]

Points = npt.NDArray[np.float64]
Ints = npt.NDArray[np.intp]
Bools = npt.NDArray[np.bool_]
_FENCE_POSTS, _FENCE_AWAY = 16, 2.0


def voronoi(sites: Points) -> tuple[Points, Ints, Ints] | None:
    """Return the Voronoi diagram of sites: its vertices, its bounded ridges, and the two sites of each ridge.

    It is read off the Delaunay triangles, whose circumcentres are its vertices. A fence of far
    sites bounds the cells of the outermost, so that a ridge that runs out into the open ends
    far off instead of being left out. None when the sites span no triangle.
    """
    # Loading this takes as long as measuring a usual artwork, which a refused file need not wait for.
    from scipy.spatial import Delaunay, QhullError

    try:
        fenced = np.vstack([sites, _fence(sites)])
        triangles = Delaunay(fenced)
    except QhullError:
        return None
    corners, beside = triangles.simplices.astype(np.intp), triangles.neighbors
    centres = _circumcentres(*(fenced[corners[:, k]] for k in range(3)))
    owner, opposite = np.nonzero(beside > np.arange(len(corners))[:, None])
    ridges = np.column_stack([owner, beside[owner, opposite]])
    pairs = np.column_stack([corners[owner, (opposite + 1) % 3], corners[owner, (opposite + 2) % 3]])
    sound: Bools = np.isfinite(centres[:, 0]) & np.isfinite(centres[:, 1])
    bounded = sound[ridges[:, 0]] & sound[ridges[:, 1]] & (pairs < len(sites)).all(axis=1)
    return np.where(sound[:, None], centres, 0.0), ridges[bounded], pairs[bounded]


def _fence(sites: Points) -> Points:
    """Return points all around sites, as far off as they reach across."""
    low, high = sites.min(axis=0), sites.max(axis=0)
    turns = np.arange(_FENCE_POSTS) * 2 * np.pi / _FENCE_POSTS
    reach = _FENCE_AWAY * max(float(np.hypot(*(high - low))), 1.0)
    posts: Points = (low + high) / 2 + reach * np.column_stack([np.cos(turns), np.sin(turns)])
    return posts


def _circumcentres(a: Points, b: Points, c: Points) -> Points:
    """Return the centres of circles through three points; flat triangles have none and give inf or nan."""
    b, c = b - a, c - a
    b2, c2 = np.einsum("ij,ij->i", b, b), np.einsum("ij,ij->i", c, c)
    with np.errstate(divide="ignore", invalid="ignore"):
        scale = 0.5 / (b[:, 0] * c[:, 1] - b[:, 1] * c[:, 0])
        x, y = (c[:, 1] * b2 - b[:, 1] * c2) * scale, (b[:, 0] * c2 - c[:, 0] * b2) * scale
    centres: Points = a + np.column_stack([x, y])
    return centres
