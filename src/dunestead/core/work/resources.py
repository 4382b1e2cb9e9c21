"""What does a task take up while it lasts? Read by whoever plans time, cost or room; nobody asks what a task is."""

from dataclasses import dataclass
from typing import Literal

__all__ = ["CUTTER", "HANDS", "OUTDOORS", "PLATE", "RACK", "Resource", "ResourceName"]

ResourceName = Literal["hands", "cutter", "plate", "rack", "outdoors"]


@dataclass(frozen=True, slots=True)
class Resource:
    """What nothing else may have meanwhile.

    Attributes
    ----------
    name
        What it is.
    attended
        Share of the time a machine runs in which it needs somebody beside it: 0 for a cutter, 1 for a hot plate.
    """

    name: ResourceName
    attended: float = 1.0


HANDS = Resource("hands")
CUTTER = Resource("cutter", attended=0.0)
PLATE = Resource("plate")
RACK = Resource("rack", attended=0.0)
OUTDOORS = Resource("outdoors")
