"""What every number and text that comes in may be, by the entry of the core that it belongs to."""

from collections.abc import Mapping

from dunestead.core.artwork.elements import Drawn, Frame, Repeat
from dunestead.core.artwork.trace.settings import TraceSettings
from dunestead.core.artwork.words.setting import Setting
from dunestead.core.blanks.blank import Blank, Garment
from dunestead.core.blanks.clear import ClearArea
from dunestead.core.curing.drying import Weather
from dunestead.core.figures import Cutter, Press
from dunestead.core.inventory.items import Item
from dunestead.core.inventory.ledger import Move
from dunestead.core.job.job import ENTRIES, BridgeSpot, Job, LaterLook
from dunestead.core.job.log import LogEntry
from dunestead.core.learning.costs import Rates
from dunestead.core.learning.recipes import Recipe
from dunestead.core.limits import Limit, limits_of
from dunestead.core.painting.coatings import Coating
from dunestead.core.painting.mixing import MixPart
from dunestead.core.records import CutSettings, Hours, OwnPaint, Swatch
from dunestead.core.tacking.laying import LayRules
from dunestead.store import StoredBlank

__all__ = ["LIMITED", "limits_by_entry"]

# What of a job and of the maker's records has numbers or texts with limits, as the page names it.
LIMITED: Mapping[str, type] = {
    "press": Press,
    "lay": LayRules,
    "hours": Hours,
    "paint-own": OwnPaint,
    "swatch": Swatch,
    "look": LaterLook,
    "rates": Rates,
    **ENTRIES,
    "job": Job,
    "piece": Blank,
    "garment": Garment,
    "clear": ClearArea,
    "spot": BridgeSpot,
    "coating": Coating,
    "weather": Weather,
    "mix": MixPart,
    "words": Setting,
    "drawn": Drawn,
    "frame": Frame,
    "repeat": Repeat,
    "trace": TraceSettings,
    "cut": CutSettings,
    "cutter": Cutter,
    "item": Item,
    "recipe": Recipe,
    "move": Move,
    "kept": StoredBlank,
    "log": LogEntry,
}


def limits_by_entry() -> dict[str, Limit]:
    """Return the limits of every number and text, by where it stands: ``repeat.across``."""
    return {f"{what}.{name}": limit for what, kind in LIMITED.items() for name, limit in limits_of(kind).items()}
