"""Job files: what a job starts from, in JSON, read and written; only surface, blank and design must be there.

Lengths are mm. Files are named relative to the job file and stay inside its folder; what is left out is proposed.
"""

import json
from collections.abc import Callable, Mapping, Sequence
from dataclasses import fields
from typing import Any

from pydantic import TypeAdapter, ValidationError

from dunestead.core.artwork.elements import Drawn, Element, Frame, PartEdit, Traced, Words, clean_text
from dunestead.core.artwork.parts import parts_of
from dunestead.core.artwork.sources import Sources
from dunestead.core.artwork.words.setting import Setting
from dunestead.core.errors import BadInput
from dunestead.core.figures import Catalogue, Surface
from dunestead.core.job.job import (
    BlankEntry,
    DesignEntry,
    Job,
    MaskEntry,
    PaintEntry,
    PriceEntry,
    SheetsEntry,
    TackEntry,
    altered,
)
from dunestead.core.job.log import LogEntry
from dunestead.core.job.proposing import coatings_for, materials_for
from dunestead.core.limits import check_limits
from dunestead.core.looking.look import look_at
from dunestead.core.mask.fates import Fate
from dunestead.core.painting.coatings import Coating

__all__ = ["VERSION", "read_job_file", "read_job_log", "write_job_file"]

VERSION = 2
_FATES: dict[str, Fate] = {"keep": "keep", "bridge": "bridge", "out": "leave-out", "drop": "drop"}
_FATE_NAMES = {fate: name for name, fate in _FATES.items()}
_KINDS: dict[str, type[Element]] = {"art": Drawn, "words": Words, "picture": Traced, "frame": Frame}
# What a job file calls otherwise than the job's entries do.
_OWN = ("dunestead_job", "name", "blank", "design", "fates", "coatings", "weather", "record", "log")
_STARTS_AT_MM = 300.0
_MOST_ROWS = 20_000
_LOG = TypeAdapter(tuple[LogEntry, ...])
Keep = Callable[[str], str]


def read_job_file(text: str, keep: Keep, sources: Sources, catalogue: Catalogue) -> Job:
    """Return the job that a file describes.

    Parameters
    ----------
    text
        Of the file.
    keep
        Given the name of a file of the design, keeps it and returns the key it is opened by.
    sources, catalogue
        What opens files by their keys, and all figures.

    Raises
    ------
    BadInput
        When it is no job file, with what is wrong.
    """
    entries = _parsed(text)
    for needed in ("surface", "blank", "design"):
        if needed not in entries:
            raise BadInput(f"The job file has no “{needed}”.", "It needs a surface, a blank and a design at least.")
    surface = catalogue.surface(_text(entries["surface"], "surface"))
    known = {one.name for entry in _ENTRIES.values() for one in fields(entry)} | set(_OWN)
    if unknown := sorted(set(entries) - known):
        raise BadInput(f"A job file has no “{unknown[0]}”.", f"It may have: {', '.join(sorted(known))}.")
    elements = _elements(entries["design"], keep, sources)
    material = entries.get("material") or materials_for(catalogue, surface)[0].key
    flat = {**entries, "surface": surface.key, "material": material}
    flat["piece"] = {"colour": surface.colour, **_mapping(entries["blank"], "blank")}
    flat |= {"elements": elements, "last_element": len(elements)}
    flat["coatings"] = _coatings(entries.get("coatings"), surface)
    if entries.get("reverse") and (colour := _own_colour(flat["coatings"])):
        flat.setdefault("field_colour", colour)
    state: dict[str, Any] = {name: _entry(kind, flat) for name, kind in _ENTRIES.items()}
    state["name"] = entries.get("name") or "Unnamed"
    if entries.get("record") is not None:
        state["record"] = _record(entries["record"], state["paint"]["coatings"], keep)
    state["mask"].pop("fates", None)
    job = _valid(state)
    if entries.get("coatings") is None:
        job = altered(job, coatings=coatings_for(job, catalogue))
    return _with_fates(job, entries.get("fates"), sources, catalogue)


def _record(entry: Any, coatings: Any, keep: Keep) -> Any:
    """Return what happened as it is told now, its photos kept: once there was one figure for all paint."""
    if not isinstance(entry, dict):
        return entry
    if photos := entry.get("photos"):
        named = _mapping(photos, "photos")
        entry = {**entry, "photos": {when: keep(_text(name, "photo")) for when, name in named.items()}}
    if "paint_ml" not in entry:
        return entry
    used = entry.pop("paint_ml")
    colours = (one for one in coatings if isinstance(one, dict) and one.get("role") == "colour")
    paints = [one["paint"] for one in colours if isinstance(one.get("paint"), str)]
    return {**entry, "used_ml": {paints[0]: used}} if used is not None and paints else entry


_ENTRIES: Mapping[str, type] = {
    "blank": BlankEntry,
    "design": DesignEntry,
    "mask": MaskEntry,
    "sheets": SheetsEntry,
    "tack": TackEntry,
    "paint": PaintEntry,
    "price": PriceEntry,
}
_JOB = TypeAdapter(Job)


def read_job_log(text: str) -> tuple[LogEntry, ...]:
    """Return what happened to the job that a file describes, in order; nothing where it does not say.

    Raises
    ------
    BadInput
        When it is no job file, or a row cannot be.
    """
    rows = _parsed(text).get("log") or []
    if not isinstance(rows, list) or len(rows) > _MOST_ROWS:
        raise BadInput("The log of the job file is no list of what happened.", "Leave it out, or export it anew.")
    try:
        log = _LOG.validate_python([_as_now(row) for row in rows])
    except ValidationError as error:
        raise _unusable(error, "log.") from None
    for entry in log:
        check_limits(entry)
        if entry.at.tzinfo is None:
            raise BadInput("A row of the log has a time without its zone.", "Write it as 2026-05-10T12:00:00+02:00.")
    return log


def _as_now(row: Any) -> Any:
    """Return a row of the log under the names of now: a fingerprint was once called by another."""
    if not isinstance(row, dict) or "standing" not in row:
        return row
    rest = {name: value for name, value in row.items() if name != "standing"}
    return {"fingerprint": row["standing"], **rest}


def _parsed(text: str) -> dict[str, Any]:
    try:
        entries = json.loads(text)
    except (ValueError, RecursionError) as error:
        raise BadInput(f"The job file is no JSON: {error}.", "Export it anew, or mend it in an editor.") from None
    entries = _mapping(entries, "job file")
    version = entries.get("dunestead_job")
    if version == 1 and "says" in entries:
        # What version 1 called by another name.
        entries["patch_choices"] = entries.pop("says")
    if version not in (1, VERSION):
        raise BadInput(
            f"“dunestead_job” is {version!r}, and this release reads 1 and {VERSION}.",
            "Begin the file with it, as exported.",
        )
    return entries


def _mapping(value: Any, what: str) -> dict[str, Any]:
    if not isinstance(value, dict):
        raise BadInput(f"The {what} is not an object with entries.", "Look at the format in the guide.")
    return value


def _text(value: Any, what: str) -> str:
    if not isinstance(value, str):
        raise BadInput(f"The {what} is {value!r}, not a text.", "Write it in quotation marks.")
    return value


def _entry(kind: type, flat: Mapping[str, Any]) -> dict[str, Any]:
    """Return the values of one entry; null means proposed wherever an entry does not take null."""
    found = {}
    for one in fields(kind):
        if one.name in flat and (flat[one.name] is not None or one.default is None):
            found[one.name] = flat[one.name]
    return found


def _coatings(entries: Any, surface: Surface) -> list[Any]:
    """Return the coatings of a file; one in their place where they are to be proposed, once the rest is known."""
    if entries is None:
        return [_dumped(Coating("colour", surface.paint))]
    if not isinstance(entries, list):
        raise BadInput("The coatings are no list.", "Give a list, or null to have them proposed.")
    return entries


def _own_colour(coatings: list[Any]) -> str | None:
    """Return the colour that the first coating of that role names: of a reverse mask it is the field's."""
    colours = (one for one in coatings if isinstance(one, dict) and one.get("role") == "colour")
    colour = next(colours, {}).get("colour")
    return colour if isinstance(colour, str) else None


def _dumped(value: Any) -> dict[str, Any]:
    dumped: dict[str, Any] = TypeAdapter(type(value)).dump_python(value, mode="json")
    return dumped


def _valid(state: dict[str, Any]) -> Job:
    try:
        return _JOB.validate_python(state)
    except ValidationError as error:
        raise _unusable(error) from None


def _unusable(error: ValidationError, inside: str = "") -> BadInput:
    first = error.errors()[0]
    where = inside + ".".join(str(part) for part in (first["loc"] if inside else first["loc"][1:] or first["loc"]))
    return BadInput(f"In the job file “{where}” cannot be used: {first['msg'].lower()}.", "Correct it.")


# --- the design -------------------------------------------------------------------------------
def _elements(entries: Any, keep: Keep, sources: Sources) -> list[dict[str, Any]]:
    if not isinstance(entries, list) or not entries:
        raise BadInput("The design is no list of parts.", "Give at least one part: art, words, a picture or a frame.")
    return [_element(number, _mapping(part, "part"), keep, sources) for number, part in enumerate(entries, start=1)]


def _element(number: int, part: dict[str, Any], keep: Keep, sources: Sources) -> dict[str, Any]:
    kinds = [kind for kind in _KINDS if kind in part]
    if len(kinds) != 1:
        raise BadInput(f"Part {number} of the design is nothing we know.", "It is art, words, a picture or a frame.")
    kind = kinds[0]
    rest = {name: value for name, value in part.items() if name != kind}
    made: dict[str, Any] = {"id": number, "runs_off": bool(rest.pop("off_edge", False))}
    if kind == "words":
        made |= {"kind": "words", "setting": _setting(_text(part["words"], "words"), rest)}
    elif kind == "frame":
        made |= {"kind": "frame", "style": part["frame"]}
    else:
        made |= _filed(kind, _text(part[kind], "file"), rest, keep, sources)
    allowed = {one.name for one in fields(_KINDS[kind])}
    if unknown := sorted(set(rest) - allowed):
        raise BadInput(f"Part {number} of the design has no “{unknown[0]}”.", "Leave it out.")
    return made | rest


def _setting(text: str, rest: dict[str, Any]) -> dict[str, Any]:
    """Return how words are set, taking what says so out of the rest of their part."""
    own = {one.name: rest.pop(one.name) for one in fields(Setting) if one.name in rest}
    width = rest.pop("width", _STARTS_AT_MM)
    return {"size": width, **own, "text": clean_text(text)}


def _filed(kind: str, name: str, rest: dict[str, Any], keep: Keep, sources: Sources) -> dict[str, Any]:
    source = keep(name)
    file_name = rest.pop("file_name", name.rsplit("/", 1)[-1][:255])
    made = {"source": source, "file_name": file_name, "width": rest.pop("width", _STARTS_AT_MM)}
    if kind == "picture":
        return made | {"kind": "traced"}
    colour = rest.pop("colour", None)
    if colour is not None and "edits" not in rest:
        parts = parts_of(sources.drawing(source))
        made["edits"] = [_dumped(PartEdit(part.number, colour=colour)) for part in parts]
    return made | {"kind": "drawn"}


def _with_fates(job: Job, entries: Any, sources: Sources, catalogue: Catalogue) -> Job:
    """Return a job with the fates of its loose pieces: one word for all, or one each by number."""
    if entries is None:
        return job
    if isinstance(entries, str):
        found = look_at(job, sources, catalogue).found
        return altered(job, fates={piece.number: _fate(entries) for piece in found})
    fates = _mapping(entries, "list of fates")
    if not all(number.isdecimal() for number in fates):
        raise BadInput("The fates name pieces by something else than numbers.", "Give an object by piece number.")
    return altered(job, fates={int(number): _fate(fate) for number, fate in fates.items()})


def _fate(entries: Any) -> Fate:
    if entries not in _FATES and entries not in _FATE_NAMES:
        raise BadInput(f"A piece cannot be {entries!r}.", f"It is one of: {', '.join(_FATES)}.")
    fate: Fate = _FATES.get(entries, entries)
    return fate


# --- writing ----------------------------------------------------------------------------------
def write_job_file(job: Job, name_of: Callable[[str, str], str], log: Sequence[LogEntry] = ()) -> str:
    """Return a job as a job file, with what happened to it.

    Parameters
    ----------
    job
        With all its entries.
    name_of
        Given a file's key and the name it came by, returns the name it is written under.
    log
        What happened, oldest first.
    """
    state = _JOB.dump_python(job, mode="json")
    entries: dict[str, Any] = {"dunestead_job": VERSION, "name": job.name}
    for entry in _ENTRIES:
        entries |= state[entry]
    entries["blank"] = entries.pop("piece")
    entries["design"] = [_part(element, name_of) for element in entries.pop("elements")]
    entries.pop("last_element")
    entries["fates"] = {number: _FATE_NAMES[fate] for number, fate in entries["fates"].items()}
    photos = {when: name_of(key, f"photo-{when}.jpg") for when, key in state["record"]["photos"].items()}
    entries["record"] = {**state["record"], "photos": photos}
    if log:
        entries["log"] = _LOG.dump_python(tuple(log), mode="json", exclude_defaults=True)
    return json.dumps(entries, indent=1, ensure_ascii=False) + "\n"


def _part(element: dict[str, Any], name_of: Callable[[str, str], str]) -> dict[str, Any]:
    rest = {name: value for name, value in element.items() if name not in ("id", "kind", "runs_off")}
    off = {"off_edge": True} if element["runs_off"] else {}
    if element["kind"] == "words":
        setting = rest.pop("setting")
        return {"words": setting.pop("text"), **setting, **rest, **off}
    if element["kind"] == "frame":
        return {"frame": rest.pop("style"), **rest, **off}
    kind = "art" if element["kind"] == "drawn" else "picture"
    return {kind: name_of(rest.pop("source"), rest["file_name"]), **rest, **off}
