"""Which way is a line read? Hebrew and Arabic run from right to left, figures and Latin words in them do not.

Levels by the Unicode bidirectional algorithm (Unicode Standard Annex 9), as python-bidi reckons them: an even level
runs from left to right, an odd one from right to left.
"""

import unicodedata
from collections.abc import Sequence

from bidi.algorithm import (
    explicit_embed_and_overrides,
    get_base_level,
    get_embedding_levels,
    get_empty_storage,
    resolve_implicit_levels,
    resolve_neutral_types,
    resolve_weak_types,
)

__all__ = ["levels_of", "visual_order"]

_LEFTWARD = ("R", "AL", "AN")


def levels_of(text: str) -> list[int]:
    """Return the level of every character of a line.

    Examples
    --------
    >>> levels_of("AB"), levels_of("שלום 8")
    ([0, 0], [1, 1, 1, 1, 1, 2])
    """
    if not any(unicodedata.bidirectional(character) in _LEFTWARD for character in text):
        return [0] * len(text)
    storage = get_empty_storage()
    base = get_base_level(text)
    storage["base_level"], storage["base_dir"] = base, "LR"[base]
    get_embedding_levels(text, storage)
    explicit_embed_and_overrides(storage)
    resolve_weak_types(storage)
    resolve_neutral_types(storage, False)
    resolve_implicit_levels(storage, False)
    levels = [character["level"] for character in storage["chars"]]
    # Marks that steer the direction are taken out on the way; with one of them the line goes by its base alone.
    return levels if len(levels) == len(text) else [base] * len(text)


def visual_order(levels: Sequence[int]) -> list[int]:
    """Return the indices of stretches in the order in which they stand from left to right (rule L2).

    Examples
    --------
    >>> visual_order([0, 0]), visual_order([1, 2, 1]), visual_order([0, 1, 1, 0])
    ([0, 1], [2, 1, 0], [0, 2, 1, 3])
    """
    order = list(range(len(levels)))
    for level in range(max(levels, default=0), 0, -1):
        at = 0
        while at < len(order):
            end = at
            while end < len(order) and levels[order[end]] >= level:
                end += 1
            order[at:end] = reversed(order[at:end])
            at = end + 1
    return order
