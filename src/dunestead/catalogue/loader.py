"""Reads the tables that ship with the program, and checks them while reading."""

import tomllib
from collections.abc import Iterator, Mapping
from functools import cache
from importlib import resources
from types import MappingProxyType
from typing import Any

from dunestead.core.figures import (
    Catalogue,
    CoverPaper,
    Cutter,
    Distances,
    FaceRow,
    Figure,
    GarmentPlacement,
    GarmentSize,
    HandTimes,
    HeatSet,
    Material,
    Paint,
    Press,
    Surface,
    Thinning,
)
from dunestead.core.method import Method, PressPass

__all__ = ["load_catalogue"]

Table = Mapping[str, Any]


@cache
def load_catalogue() -> Catalogue:
    """Return all shipped figures.

    Raises
    ------
    TypeError, KeyError, ValueError
        When a table lacks a figure, has one too many, or gives one no unit and reason.
    """
    surfaces, materials, paints = _read("surfaces"), _read("materials"), _read("paints")
    methods = _read("methods")
    devices, workshop = _read("cutters"), _read("workshop")
    garments, faces, covers = _read("garments"), _read("faces"), _read("covers")
    return Catalogue(
        surfaces=_freeze({key: _surface(key, row) for key, row in _rows(surfaces)}),
        materials=_freeze({key: _material(key, row) for key, row in _rows(materials)}),
        methods=_freeze({key: _method(key, row) for key, row in _rows(methods)}),
        cutters=_freeze({key: Cutter(key=key, **row) for key, row in devices["cutter"].items()}),
        covers=_freeze({key: CoverPaper(key=key, **row) for key, row in _rows(covers)}),
        tools=_freeze({key: row["name"] for key, row in _read("tools").items()}),
        presses=_freeze({key: Press(key=key, **row) for key, row in devices["press"].items()}),
        paints=_freeze({key: _paint(key, row) for key, row in _rows(paints)}),
        garments=_freeze({key: GarmentSize(key=key, **row) for key, row in garments["size"].items()}),
        placements=_freeze({key: _placement(key, row) for key, row in garments["placement"].items()}),
        faces=_freeze({key: _face(key, row) for key, row in faces["face"].items()}),
        face_kinds=_freeze(dict(faces["kind"])),
        hand=HandTimes(**{name: row["value"] for name, row in workshop["hand"].items()}),
        figures=_freeze(
            {
                **dict(_figures("surface", surfaces["figures"], dict(_rows(surfaces)))),
                **dict(_figures("material", materials["figures"], dict(_rows(materials)))),
                **dict(_figures("method", methods["figures"], {key: _pressed(row) for key, row in _rows(methods)})),
                **dict(_figures("paint", paints["figures"], dict(_rows(paints)))),
                **dict(_figures("cutter", devices["figures"], devices["cutter"])),
                **dict(_figures("cover", covers["figures"], dict(_rows(covers)))),
                **dict(_figures("press", devices["figures"], devices["press"])),
                **dict(_figures("garment", garments["figures"], garments["size"])),
                **{("hand", "median", name): Figure(**row) for name, row in workshop["hand"].items()},
                **{("workshop", "room", name): Figure(**row) for name, row in workshop["workshop"].items()},
            }
        ),
        workshop=_freeze({name: row["value"] for name, row in workshop["workshop"].items()}),
    )


def _read(name: str) -> Table:
    return tomllib.loads((resources.files("dunestead.catalogue") / f"{name}.toml").read_text(encoding="utf-8"))


def _rows(table: Table) -> Iterator[tuple[str, Table]]:
    return ((key, row) for key, row in table.items() if key != "figures")


def _freeze(rows: dict[Any, Any]) -> MappingProxyType[Any, Any]:
    return MappingProxyType(rows)


def _surface(key: str, row: Table) -> Surface:
    lists = {name: tuple(row[name]) for name in ("blank", "cautions", "used_cautions")}
    optional = dict.fromkeys(("heat", "paint_outdoors", "finish_outdoors", "finish_behind"))
    return Surface(**{"key": key, "soak_spray": 1.0, **optional, **row, **lists})


def _material(key: str, row: Table) -> Material:
    optional = {
        "least_part": None,
        "heat": None,
        "holds_from": None,
        "peel": None,
        "wash_every": None,
        "stock_length": None,
        "school": None,
    }
    lists = {"works_on": tuple(row["works_on"]), "layers": tuple(row["layers"])}
    return Material(**{"key": key, **optional, **row, **lists})


def _method(key: str, row: Table) -> Method:
    press = tuple(PressPass(**one) for one in row.get("press", ()))
    lists = {name: tuple(row[name]) for name in ("materials", "works_on", "weed", "tack", "lift", "tools")}
    return Method(**{"key": key, **row, **lists, "press": press})


def _pressed(row: Table) -> Table:
    """Return a method's row with the figures of its first pass beside the others."""
    first = next(iter(row.get("press", ())), None)
    return {**row, "celsius": first["celsius"], "rest": first["seconds"]} if first else row


def _paint(key: str, row: Table) -> Paint:
    low, high = row["coats"]
    rest = {name: value for name, value in row.items() if name != "coats"}
    lists: dict[str, Any] = {name: tuple(row[name]) for name in ("works_on", "cautions", "roles", "uses")}
    lists["outdoors_on"] = tuple(row.get("outdoors_on", row["works_on"]))
    lists |= {"peel": _freeze(row["peel"]), "heat_set": HeatSet(**row["heat_set"]) if "heat_set" in row else None}
    thin = row.get("thin")
    lists["thin"] = Thinning(thin["paint"], thin["parts"], thin["with"]) if thin else None
    optional = {
        "transfer": 1.0,
        "can_ml": None,
        "bottle_ml": None,
        "flow": "usual",
        "wash": None,
        "usual_finish": None,
        "warm_air": False,
        "peels_also": None,
    }
    return Paint(**{"key": key, "coats_low": low, "coats_high": high, **optional, **rest, **lists})


def _placement(key: str, row: Table) -> GarmentPlacement:
    sizes = row["drop"]
    by_size = {size: Distances(row["drop"][size], row["across"][size], row["widest"][size]) for size in sizes}
    return GarmentPlacement(key, row["name"], row["about"], _freeze(by_size))


def _face(key: str, row: Table) -> FaceRow:
    return FaceRow(key, row["name"], row["kind"], bool(row.get("joined", False)))


def _figures(table: str, kinds: Table, rows: Mapping[str, Table]) -> Iterator[tuple[tuple[str, str, str], Figure]]:
    for key, row in rows.items():
        for name, kind in kinds.items():
            if name in row:
                value = float(row[name])
                low, high = value * kind["low"], value * kind["high"]
                yield (table, key, name), Figure(value, low, high, kind["unit"], kind["why"])
