"""What all shapes on the wire share."""

from collections.abc import Callable, Container, Hashable, Iterable, Mapping
from dataclasses import MISSING, fields
from functools import cache, reduce
from operator import or_
from types import NoneType
from typing import Any, Literal, Self, TypeVar, cast, get_args, get_type_hints

from pydantic import BaseModel, ConfigDict, TypeAdapter, create_model
from pydantic.config import JsonDict, JsonValue
from pydantic.fields import FieldInfo

from dunestead.core.limits import Limit, limits_of

__all__ = [
    "COLOUR",
    "Box",
    "Point",
    "Room",
    "Shown",
    "Wire",
    "describe_limits",
    "filled",
    "limits_like",
    "model_of",
    "one_of",
]

Point = tuple[float, float]
Box = tuple[float, float, float, float]
Room = Literal["blank", "artwork", "mask", "sheets", "weed", "tack", "paint", "peel", "cure", "record"]
COLOUR = r"^#[0-9a-fA-F]{6}$"
Schema = dict[str, Any]
Kind = TypeVar("Kind")


class Shown(BaseModel):
    """Base of all that goes out: nothing that is not described."""

    model_config = ConfigDict(extra="forbid", from_attributes=True)

    @classmethod
    def showing(cls, source: object, /, **more: Any) -> Self:
        """Return what is told of a thing: each field as the thing has it, but those that are given besides."""
        own = {name: getattr(source, name) for name in cls.model_fields if name not in more}
        return cls.model_validate(own | more)


class Wire(Shown):
    """Base of all that comes in: what is not known is refused, and numbers are finite."""

    model_config = ConfigDict(allow_inf_nan=False)

    def into(self, kind: type[Kind], **more: Any) -> Kind:
        """Return what came in as the core has it, with all it holds; what is given besides goes before it."""
        made: Kind = _reader_of(cast("Hashable", kind)).validate_python(self.model_dump() | more)
        return made


@cache
def model_of(kind: Hashable) -> type[Wire]:
    """Return how an entry of the core goes over the wire by itself: its fields, by their own names."""
    known, entry = get_type_hints(kind), cast("Any", kind)
    columns: dict[str, Any] = {one.name: (known[one.name], _default_of(one)) for one in fields(entry)}
    return create_model(entry.__name__, __base__=Wire, __doc__=entry.__doc__, **columns)


def _default_of(one: Any) -> Any:
    if one.default_factory is not MISSING:
        return FieldInfo(default_factory=one.default_factory)
    return ... if one.default is MISSING else one.default


@cache
def _reader_of(kind: Hashable) -> TypeAdapter[Any]:
    return TypeAdapter(cast("type", kind))


def filled(*, clearable: Container[str], without: str) -> Callable[[type[Kind]], type[Kind]]:
    """Make of a model of changes, any of which may be absent, one of what is in force: only some may be empty."""

    def made(model: type[Any]) -> type[Any]:
        del model.model_fields[without]
        for name, field in model.model_fields.items():
            kinds = [kind for kind in get_args(field.annotation) if kind is not NoneType]
            known: Any = field.annotation if name in clearable or not kinds else reduce(or_, kinds)
            model.model_fields[name] = FieldInfo(annotation=known)
        model.model_rebuild(force=True)
        return model

    return made


def one_of(codes: Iterable[str]) -> JsonDict:
    """Return how a text is described that is one of what the core has registered."""
    known: list[JsonValue] = []
    known.extend(sorted(codes))
    return {"enum": known}


def limits_like(*entries: type) -> ConfigDict:
    """Return a model's settings that describe its fields with the limits of the entries they become.

    They are shown only: the core checks them, and says in words what is wrong.
    """
    limits = {name: limit for entry in entries for name, limit in limits_of(entry).items()}

    return ConfigDict(json_schema_extra=lambda schema: describe_limits(schema, limits))


def describe_limits(schema: Schema, limits: Mapping[str, Limit]) -> None:
    """Write into a model's description what its fields may be."""
    for name, field in schema.get("properties", {}).items():
        if name in limits:
            _describe(field, limits[name])


def _describe(field: Schema, limit: Limit) -> None:
    """Write a limit where JSON Schema has it: beside the number or text, also of one of several kinds."""
    for kind in (field, *field.get("anyOf", []), field.get("additionalProperties", {})):
        if kind.get("type") in ("number", "integer"):
            kind.update(minimum=limit.least, maximum=limit.most)
        elif kind.get("type") == "string":
            kind.update(minLength=int(limit.least), maxLength=int(limit.most))
