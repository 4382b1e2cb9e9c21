"""The description of the API completed: every way a request can fail, files that come in and go out."""

import json
import re
from collections.abc import Callable
from typing import Any, TypeVar

from apiflask import APIFlask

from dunestead.api.limits import LIMITED
from dunestead.api.wire import COLOUR, describe_limits
from dunestead.core.limits import limits_of

__all__ = ["MEDIA", "describe", "hands_out", "takes_files"]

View = TypeVar("View", bound=Callable[..., Any])
MEDIA = {
    "csv": "text/csv",
    "dxf": "image/vnd.dxf",
    "hpgl": "application/vnd.hp-hpgl",
    "ics": "text/calendar",
    "json": "application/json",
    "jpg": "image/jpeg",
    "pdf": "application/pdf",
    "png": "image/png",
    "svg": "image/svg+xml",
    "zip": "application/zip",
}
_METHODS = ("get", "post", "put", "patch", "delete")
_PROBLEM = {
    "type": "object",
    "title": "Problem",
    "description": "What is wrong, and what to do about it (RFC 9457).",
    "required": ["type", "instance", "title", "status", "detail", "code", "fix"],
    "properties": {
        "type": {"type": "string", "description": "The kind of problem."},
        "instance": {"type": "string", "description": "The request's number, under which the log has it."},
        "title": {"type": "string", "description": "What is wrong, in a sentence."},
        "status": {"type": "integer"},
        "detail": {"type": "string", "description": "Both sentences."},
        "code": {"type": "string", "description": "A word for programs; it does not change."},
        "fix": {"type": "string", "description": "What to do, in a sentence."},
    },
}
# Every answer that is none, by status; which of them a request can meet hangs on what it does.
_FAILURES = {
    "400": ("BadInput", "Something in it cannot be used, or it was sent under a foreign name"),
    "401": ("SignedOut", "Nobody is signed in"),
    "403": ("NotAllowed", "It came from another site, or with the wrong passphrase"),
    "404": ("NotFound", "There is no such thing"),
    "409": ("NotNow", "Right in itself, but not now; or it was stopped"),
    "412": ("ChangedMeanwhile", "The job has changed since the version named"),
    "413": ("TooLarge", "What was sent is too large"),
    "415": ("OtherKind", "What was sent is neither JSON nor a form with files"),
    "422": ("NotUnderstood", "Not as described; or more than can be worked out"),
    "428": ("NoVersion", "It does not name the version of the job it was made on"),
    "429": ("TooOften", "There were too many tries"),
    "500": ("Unexpected", "A fault of ours"),
    "503": ("Database", "The database cannot be read or written"),
}
_ANY = ("400", "401", "404", "409", "422", "500", "503")
_SCHEMAS = "#/components/schemas/"
_WRITES = ("403", "412", "413", "415", "428")


def hands_out(*kinds: str) -> Callable[[View], View]:
    """Say of a view which kinds of files it answers with: keys of `MEDIA`."""

    def marked(view: View) -> View:
        view.media = tuple(MEDIA[kind] for kind in kinds)  # type: ignore[attr-defined]  # read where it is described
        return view

    return marked


def takes_files(**parts: str) -> Callable[[View], View]:
    """Say of a view which parts of a form it reads: each with what it is; those called a file are one."""

    def marked(view: View) -> View:
        view.parts = parts  # type: ignore[attr-defined]  # read where it is described
        return view

    return marked


def describe(app: APIFlask) -> None:
    """Complete what the application says of itself."""
    views = {
        (_as_described(rule.rule), method.lower()): app.view_functions[rule.endpoint]
        for rule in app.url_map.iter_rules()
        for method in rule.methods or ()
    }

    @app.spec_processor
    def completed(spec: dict[Any, Any] | str) -> dict[Any, Any] | str:
        assert isinstance(spec, dict)
        components = spec["components"]
        components["schemas"]["Problem"] = _PROBLEM
        problem = {"application/problem+json": {"schema": {"$ref": "#/components/schemas/Problem"}}}
        components["responses"] = {
            name: {"description": text, "content": problem} for name, text in sorted(_FAILURES.values())
        }
        for name in ("HTTPError", "ValidationError"):
            components["schemas"].pop(name, None)
        for path, entry in spec["paths"].items():
            for method in _METHODS:
                if method in entry:
                    _complete(entry[method], path, method, views.get((path, method)))
        _explained(components["schemas"])
        hoisted = _hoisted(spec)
        _fill_answers(hoisted)
        return hoisted


def _explained(schemas: dict[str, Any]) -> None:
    """Say of the core's entries what each field may be, and of all of them only what they are."""
    known = {kind.__name__: kind for kind in LIMITED.values()}
    for name, schema in schemas.items():
        schema["description"] = schema.get("description", "").partition("\n\nAttributes\n")[0]
        if kind := known.get(name.rpartition(".")[2]):
            describe_limits(schema, limits_of(kind))
            for named, field in schema["properties"].items():
                for one in (field, *field.get("anyOf", ())) if named == "colour" else ():
                    one |= {"pattern": COLOUR} if one.get("type") == "string" else {}


def _hoisted(spec: dict[str, Any]) -> dict[str, Any]:
    """Return a description with each schema once: those that models hold within go by their own name where one fits.

    Two that share a name and are not alike keep the name of the model that holds them.
    """
    schemas = spec["components"]["schemas"]
    apart: set[str] = set()
    while True:
        alike: dict[str, set[str]] = {}
        for name, schema in schemas.items():
            short = _short(name, apart)
            alike.setdefault(short, set()).add(json.dumps(_renamed(schema, apart), sort_keys=True))
        clashing = {short for short, found in alike.items() if len(found) > 1}
        if not clashing:
            break
        apart |= clashing
    spec["components"]["schemas"] = {_short(name, apart): _renamed(schemas[name], apart) for name in sorted(schemas)}
    spec["paths"] = _renamed(spec["paths"], apart)
    return spec


def _fill_answers(spec: dict[str, Any]) -> None:
    """Say of what is only ever answered that all of it is there: a default is for what comes in."""
    schemas = spec["components"]["schemas"]
    bodies = [entry.get("requestBody") for path in spec["paths"].values() for entry in path.values()]
    open_ends, taken = bodies, set[str]()
    while open_ends:
        named = {name for name in schemas if f'"{_SCHEMAS}{name}"' in json.dumps(open_ends)} - taken
        taken |= named
        open_ends = [schemas[name] for name in named]
    for name in set(schemas) - taken:
        if properties := schemas[name].get("properties"):
            schemas[name]["required"] = list(properties)


def _short(name: str, apart: set[str]) -> str:
    short = name.rpartition(".")[2]
    return name if short in apart else short


def _renamed(value: Any, apart: set[str]) -> Any:
    """Return a part of the description with what it refers to by the short names."""
    if isinstance(value, list):
        return [_renamed(one, apart) for one in value]
    if not isinstance(value, dict):
        return value
    found = {key: _renamed(one, apart) for key, one in value.items()}
    if isinstance(ref := found.get("$ref"), str) and ref.startswith(_SCHEMAS):
        found["$ref"] = _SCHEMAS + _short(ref.removeprefix(_SCHEMAS), apart)
    return found


def _complete(operation: dict[str, Any], path: str, method: str, view: Callable[..., Any] | None) -> None:
    responses = {code: answer for code, answer in operation["responses"].items() if code.startswith("2")}
    media, parts = getattr(view, "media", None), getattr(view, "parts", None)
    if media:
        binary = {"schema": {"type": "string", "format": "binary"}}
        responses = {"200": {"description": "A file", "content": dict.fromkeys(media, binary)}}
    if parts:
        fields = {name: {"type": "string", "description": text} for name, text in parts.items()}
        for name, text in parts.items():
            if "file" in text:
                fields[name]["format"] = "binary"
        operation["requestBody"] = {
            "content": {"multipart/form-data": {"schema": {"type": "object", "properties": fields}}}
        }
    met = [*_ANY, *(() if method == "get" else _WRITES), *(("429",) if path.startswith("/api/session") else ())]
    failures = {code: {"$ref": f"#/components/responses/{_FAILURES[code][0]}"} for code in sorted(met)}
    operation["responses"] = responses | failures
    if method != "get" and path.startswith("/api/jobs/{job_id}"):
        operation.setdefault("parameters", []).append(
            {
                "in": "header",
                "name": "If-Match",
                "required": False,
                "description": "The ETag of the job's last answer: the version that the change was made on.",
                "schema": {"type": "string"},
            }
        )


def _as_described(rule: str) -> str:
    """Return a rule's path as the description writes it, without its converters."""
    return re.sub(r"<(?:[^<>]*:)?([^<>:]+)>", r"{\1}", rule)
