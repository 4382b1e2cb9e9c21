"""The published schema of job files (JSON Schema 2020-12), made from the entries of a job themselves."""

from collections.abc import Mapping
from dataclasses import fields, is_dataclass
from typing import Any, get_args, get_type_hints

from pydantic import TypeAdapter

from dunestead.core.artwork.elements import Drawn, Frame, Traced, Words
from dunestead.core.artwork.words.setting import Setting
from dunestead.core.job.job import (
    BlankEntry,
    DesignEntry,
    Job,
    MaskEntry,
    PaintEntry,
    PriceEntry,
    SheetsEntry,
    TackEntry,
)
from dunestead.core.job.log import LogEntry
from dunestead.core.limits import Limit, limits_of
from dunestead.formats.job_file import VERSION

__all__ = ["job_schema"]

_ENTRIES = (BlankEntry, DesignEntry, MaskEntry, SheetsEntry, TackEntry, PaintEntry, PriceEntry)
# What a job file calls otherwise than the job's entries do, or does not hold.
_OTHERWISE = ("piece", "elements", "last_element", "fates")
_PARTS = {"art": Drawn, "words": Words, "picture": Traced, "frame": Frame}
_FATES = ("keep", "bridge", "out", "leave-out", "drop")


def job_schema() -> dict[str, Any]:
    """Return the schema that every job file of this release is written by.

    It says what a file may look like; whether a job can be worked out of it is found when it is read.
    """
    whole = TypeAdapter(tuple[Job, LogEntry]).json_schema()
    shapes: dict[str, Any] = whole["$defs"]
    _put_limits(shapes)
    entries = {
        name: shape if name == "surface" else _or_null(shape)
        for kind in _ENTRIES
        for name, shape in shapes[kind.__name__]["properties"].items()
        if name not in _OTHERWISE
    }
    parts = [_part(word, kind, shapes) for word, kind in _PARTS.items()]
    fate = {"enum": list(_FATES)}
    own = {
        "dunestead_job": {"enum": [1, VERSION], "description": "Version of the format."},
        "name": shapes["Job"]["properties"]["name"],
        "blank": {"$ref": "#/$defs/Blank"},
        "design": {"type": "array", "minItems": 1, "items": {"anyOf": parts}},
        "fates": {"anyOf": [fate, {"type": "object", "additionalProperties": fate}, {"type": "null"}]},
        "record": {"anyOf": [{"$ref": "#/$defs/Record"}, {"type": "null"}]},
        "log": {"type": "array", "items": {"$ref": "#/$defs/LogEntry"}},
    }
    used = {name: shape for name, shape in shapes.items() if name not in _hidden()}
    return {
        "$schema": "https://json-schema.org/draft/2020-12/schema",
        "title": "Dunestead job file",
        "description": "What a job starts from, and what happened to it. Lengths are mm; null means proposed.",
        "type": "object",
        "required": ["dunestead_job", "surface", "blank", "design"],
        "additionalProperties": False,
        "properties": dict(sorted((entries | own).items())),
        "$defs": dict(sorted(used.items())),
    }


def _or_null(shape: dict[str, Any]) -> dict[str, Any]:
    """Return what an entry may be, null included: then it is proposed."""
    options = shape.get("anyOf", [shape])
    return {"anyOf": options if {"type": "null"} in options else [*options, {"type": "null"}]}


def _hidden() -> set[str]:
    return {kind.__name__ for kind in (*_ENTRIES, *_PARTS.values(), Setting, Job)}


def _part(word: str, kind: type, shapes: Mapping[str, Any]) -> dict[str, Any]:
    """Return what a part of the design is: its word says of what kind, with the file or the text."""
    left_out = ("id", "kind", "runs_off", "source", "setting", "style")
    shown = {name: one for name, one in shapes[kind.__name__]["properties"].items() if name not in left_out}
    if kind is Words:
        shown |= {name: one for name, one in shapes["Setting"]["properties"].items() if name != "text"}
        shown["width"] = {"type": "number", "description": "Width, mm, in place of size."}
    says = shapes["Frame"]["properties"]["style"] if kind is Frame else {"type": "string"}
    properties = {word: says, "off_edge": {"type": "boolean"}, **shown}
    return {"type": "object", "required": [word], "additionalProperties": False, "properties": properties}


def _put_limits(shapes: dict[str, Any]) -> None:
    """Write least and most beside each entry that knows them."""
    for kind in _kinds(Job) | _kinds(LogEntry):
        for name, limit in limits_of(kind).items():
            _limit(shapes[kind.__name__]["properties"][name], limit)


def _limit(shape: dict[str, Any], limit: Limit) -> None:
    for one in (shape, *shape.get("anyOf", ())):
        if one.get("type") in ("number", "integer"):
            one["minimum"], one["maximum"] = limit.least, limit.most
        elif one.get("type") == "string" and "enum" not in one:
            one["maxLength"] = int(limit.most)
    if limit.unit and limit.unit != "letters":
        shape["description"] = f"In {limit.unit}."


def _kinds(kind: type) -> set[type]:
    """Return a dataclass and all that its entries are made of."""
    found, left = set[type](), [kind]
    while left:
        one = left.pop()
        if one in found:
            continue
        found.add(one)
        hints = get_type_hints(one)
        left += [inner for entry in fields(one) for inner in _within(hints[entry.name])]
    return found


def _within(hint: Any) -> list[type]:
    if is_dataclass(hint) and isinstance(hint, type):
        return [hint]
    return [found for inner in get_args(hint) for found in _within(inner)]
