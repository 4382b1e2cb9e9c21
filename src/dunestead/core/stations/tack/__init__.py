"""The room of the station Tack: its kinds of task, its kinds of finding, its verdict."""

from dunestead.core.stations.tack import readying, steps

# Each registers its kinds of step where it is imported.
__all__ = ["readying", "steps"]
