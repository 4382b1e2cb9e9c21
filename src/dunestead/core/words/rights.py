"""Whose drawing is it, and may prints of it be sold? As the maker noted it; nothing is decided here."""

from dunestead.core.artwork.elements import Drawn, Traced, Words
from dunestead.core.job.job import Job

__all__ = ["rights_in_words"]

_SALE = {
    True: "prints of it may be sold",
    False: "prints of it may not be sold",
    None: "whether prints of it may be sold is not noted",
}
_SHIPPED = "The letterings that come with Dunestead may be used for things that are sold."


def rights_in_words(job: Job) -> str:
    """Return what is known of whose drawing and letters a job uses, for the workshop's own eyes."""
    said = []
    if any(isinstance(one, Drawn | Traced) for one in job.elements):
        origin = job.design.origin.strip().rstrip(".")
        where = f"The drawing is noted as: {origin}" if origin else "Nobody has noted whose drawing this is"
        said.append(f"{where}; {_SALE[job.design.may_sell]}.")
    if any(isinstance(one, Words) for one in job.elements):
        said.append(_SHIPPED)
    return " ".join(said)
