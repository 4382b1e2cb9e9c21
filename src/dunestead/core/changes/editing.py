"""Changing a part of a design by its entries, with what follows from one entry for another."""

from collections.abc import Mapping
from dataclasses import fields, replace
from typing import Any

from dunestead.core.artwork.elements import Element, Frame, Words, clean_text, element_of, entries_of
from dunestead.core.artwork.sources import Sources
from dunestead.core.artwork.words.setting import Setting, set_words
from dunestead.core.changes.arranging import resize_element
from dunestead.core.errors import BadInput, NotNow
from dunestead.core.figures import Catalogue
from dunestead.core.job.job import Job, altered

__all__ = ["change_element", "drop_element"]

_SETTING = {field.name for field in fields(Setting)}


def change_element(job: Job, number: int, entries: Mapping[str, Any], sources: Sources, catalogue: Catalogue) -> Job:
    """Return the job with entries of one part of its design changed.

    Parameters
    ----------
    number
        Of the part.
    entries
        By name; ``width`` sizes the part as a whole.

    Raises
    ------
    NoSuchThing
        When there is no such part.
    BadInput
        When the part has no such entry, or it makes no sense.
    """
    element = element_of(job.elements, number)
    if unknown := set(entries) - entries_of(element) - {"width"}:
        raise BadInput(
            f"This part has no {sorted(unknown)[0].replace('_', ' ')}.", "Choose another part of the design."
        )
    if "face" in entries:
        catalogue.face(entries["face"])
    changed = _with_entries(element, entries, sources)
    job = altered(job, elements=tuple(changed if e.id == number else e for e in job.elements))
    if "width" not in entries:
        return job
    sized = resize_element(changed, entries["width"], sources, catalogue, job)
    return altered(job, elements=tuple(sized if e.id == number else e for e in job.elements))


def _with_entries(element: Element, entries: Mapping[str, Any], sources: Sources) -> Element:
    own = {name: value for name, value in entries.items() if name != "width"}
    if not isinstance(element, Words):
        return replace(element, **own)
    of_setting = {name: own.pop(name) for name in list(own) if name in _SETTING}
    changed = replace(element, **own)
    return replace(changed, setting=_set(changed, of_setting, sources))


def _set(element: Words, entries: dict[str, Any], sources: Sources) -> Setting:
    """Return words set anew; changing what they are sized by keeps them as large as they are."""
    setting = element.setting
    if "text" in entries:
        entries["text"] = clean_text(entries["text"])
        length = len(entries["text"])
        colours = entries.get("letter_colours", setting.letter_colours)
        entries["letter_colours"] = tuple((index, colour) for index, colour in colours if index < length)
    if entries.get("sized_by", setting.sized_by) != setting.sized_by and "size" not in entries:
        as_set = set_words(setting, sources.face(element.face))
        entries["size"] = round(as_set.cap_height if entries["sized_by"] == "cap" else as_set.width, 3)
    return replace(setting, **entries)


def drop_element(job: Job, number: int) -> Job:
    """Return the job without one part of its design.

    Raises
    ------
    NoSuchThing, NotNow
        When there is no such part, or it is the last one.
    """
    element_of(job.elements, number)
    left = tuple(element for element in job.elements if element.id != number)
    if not left or all(isinstance(element, Frame) for element in left):
        raise NotNow("This is the last part of the design.", "Add words or artwork before removing it.")
    return altered(job, elements=left)
