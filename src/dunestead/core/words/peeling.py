"""What the times of the peel are called, and what to do when one has passed."""

from dunestead.core.figures import MaskKind, PeelTime

__all__ = ["PEEL_NAMES", "too_late"]

PEEL_NAMES: dict[PeelTime, str] = {
    "wet": "While wet",
    "set": "Once it has set",
    "touch-dry": "When dry to the touch",
    "at-once": "At once",
    "dry": "When dry",
    "five-minutes": "Within five minutes",
}


def too_late(kind: MaskKind) -> str:
    """Return what to do when the peel window has passed."""
    score = "Run a blade lightly along every edge first, so that the skin of paint does not tear"
    if kind == "film":
        return f"Too late for a clean peel: {score[:1].lower()}{score[1:]}; warm the film a little, then low and slow."
    return f"Too late for a clean peel: {score[:1].lower()}{score[1:]}; then low and slow."
