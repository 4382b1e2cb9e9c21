"""Which things hang together, given which pairs touch?"""

import numpy as np
import numpy.typing as npt

__all__ = ["group_labels"]


def group_labels(count: int, pairs: npt.NDArray[np.intp]) -> npt.NDArray[np.intp]:
    """Return for each of ``count`` things the label of its group.

    Parameters
    ----------
    count
        How many things there are.
    pairs
        Shape ``(n, 2)``: which touch each other.

    Examples
    --------
    >>> group_labels(4, np.array([(0, 2), (2, 3)])).tolist()
    [0, 1, 0, 0]
    >>> group_labels(0, np.empty((0, 2), int)).tolist()
    []
    """
    if not count:
        return np.empty(0, np.intp)
    # Loading this takes half a second, which a refused file need not wait for.
    from scipy.sparse import coo_array
    from scipy.sparse.csgraph import connected_components

    touching = coo_array((np.ones(len(pairs), bool), (pairs[:, 0], pairs[:, 1])), shape=(count, count))
    labels: npt.NDArray[np.intp] = connected_components(touching, directed=False)[1].astype(np.intp)
    return labels
