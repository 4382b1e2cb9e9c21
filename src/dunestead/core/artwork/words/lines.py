"""Where do words break into lines, so that their letters are large enough for the surface?"""

from itertools import combinations, pairwise

from dunestead.core.artwork.words.face import Face
from dunestead.core.artwork.words.setting import LINE_PITCH

__all__ = ["in_lines"]

# More words than these are not tried in every way.
_MOST_WORDS = 9


def in_lines(text: str, face: Face, room: tuple[float, float], letter: float) -> str:
    """Return the words broken so that their letters are as high as the room allows, where one line is too low.

    Parameters
    ----------
    text
        Words in one line; several lines are left as the maker wrote them.
    face
        They are set in.
    room
        Width and height there is for them, mm.
    letter
        Height below which a capital of one line is too low, mm.
    """
    words = text.split()
    if "\n" in text or not 2 <= len(words) <= _MOST_WORDS or _height([" ".join(words)], face, room) >= letter:
        return text
    ways: list[list[str]] = [[" ".join(line) for line in _broken(words, cuts)] for cuts in _all_cuts(len(words))]
    # Of equals the fewest lines: they come first.
    best = max(ways, key=lambda lines: _height(lines, face, room))
    return "\n".join(best)


def _all_cuts(count: int) -> list[tuple[int, ...]]:
    return [cuts for lines in range(count) for cuts in combinations(range(1, count), lines)]


def _broken(words: list[str], cuts: tuple[int, ...]) -> list[list[str]]:
    ends = (0, *cuts, len(words))
    return [words[begin:end] for begin, end in pairwise(ends)]


def _height(lines: list[str], face: Face, room: tuple[float, float]) -> float:
    """Return how high a capital is when so many lines fill the room, mm."""
    widest = max(sum(glyph.advance for glyph in face.shape(line, apart=False).glyphs) for line in lines)
    if not widest:
        return 0.0
    return min(room[0] / widest * face.cap_height, room[1] / (1 + LINE_PITCH * (len(lines) - 1)))
