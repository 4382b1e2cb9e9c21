"""The maker's own cutters, mask material and test cuts."""

from collections.abc import Callable
from dataclasses import replace
from typing import Any

from flask import Response, request

from dunestead.api.description import hands_out, takes_files
from dunestead.api.endpoints import Endpoints
from dunestead.api.opened import bench, download
from dunestead.api.photos import PhotoQuery, photo_shown
from dunestead.api.schemas import sheets as wire
from dunestead.api.sheet_views import advice_out, workshop_out
from dunestead.core.cutting.test_pattern import draw_test_pattern
from dunestead.core.errors import BadInput, UnknownKey
from dunestead.core.figures import Cutter, Press, check_cutter, check_press
from dunestead.core.limits import check_limits
from dunestead.core.records import (
    OwnPaint,
    Swatch,
    TestCut,
    Tools,
    check_paint,
    check_test_cut,
)
from dunestead.formats.photo import clean_photo
from dunestead.formats.sheet_files import sheet_file
from dunestead.store import RecordTable

__all__ = ["workshop"]

workshop = Endpoints("workshop", __name__, url_prefix="/api/workshop", tag="Workshop")


def _shown() -> wire.WorkshopOut:
    return workshop_out(bench().records, bench().catalogue)


def _kept(act: Callable[[], Any]) -> wire.WorkshopOut:
    """Do something to the records; every plan is reckoned anew after it."""
    act()
    bench().lessons.refresh()
    return _shown()


def _cutter(given: wire.CutterIn) -> Cutter:
    cutter = given.into(Cutter, key="own")
    check_cutter(cutter)
    return cutter


def _press(given: wire.PressIn) -> Press:
    press = given.into(Press, key="own")
    check_press(press)
    return press


def _test_cut(given: wire.TestCutIn) -> TestCut:
    catalogue = bench().catalogue
    catalogue.material(given.material)
    catalogue.cutter(given.cutter)
    test_cut = given.into(TestCut)
    check_test_cut(test_cut)
    return test_cut


def _table(kind: str) -> RecordTable[Any]:
    records = bench().records
    shelves: dict[str, RecordTable[Any]] = {
        "cutters": records.cutters,
        "test-cuts": records.test_cuts,
        "presses": records.presses,
        "paints": records.paints,
        "swatches": records.swatches,
    }
    return shelves[kind]


@workshop.get("")
def get_workshop() -> wire.WorkshopOut:
    """List the maker's own records."""
    return _shown()


@workshop.post("/cutters", status=201)
def add_cutter(given: wire.CutterIn) -> wire.WorkshopOut:
    """Keep a cutter."""
    return _kept(lambda: _table("cutters").add(_cutter(given)))


@workshop.put("/cutters/<int:number>")
def change_cutter(number: int, given: wire.CutterIn) -> wire.WorkshopOut:
    """Change a cutter."""
    return _kept(lambda: _table("cutters").change(number, _cutter(given)))


@workshop.post("/presses", status=201)
def add_press(given: wire.PressIn) -> wire.WorkshopOut:
    """Keep a hot plate."""
    return _kept(lambda: _table("presses").add(_press(given)))


@workshop.put("/presses/<int:number>")
def change_press(number: int, given: wire.PressIn) -> wire.WorkshopOut:
    """Change a hot plate."""
    return _kept(lambda: _table("presses").change(number, _press(given)))


def _paint(given: wire.PaintIn) -> OwnPaint:
    like = bench().catalogue.paint(given.like)
    if like.key.startswith("own-"):
        raise BadInput(
            "An own paint has to be based on one of the shipped paints.", "Choose the shipped paint it behaves like."
        )
    paint = given.into(OwnPaint)
    check_paint(paint)
    return paint


def _swatch(given: wire.SwatchIn, photo: str | None = None) -> Swatch:
    catalogue = bench().catalogue
    catalogue.paint(given.paint)
    catalogue.surface(given.surface)
    swatch = given.into(Swatch, photo=photo)
    check_limits(swatch)
    return swatch


@workshop.post("/paints", status=201)
def add_paint(given: wire.PaintIn) -> wire.WorkshopOut:
    """Keep a paint of one's own."""
    return _kept(lambda: _table("paints").add(_paint(given)))


@workshop.put("/paints/<int:number>")
def change_paint(number: int, given: wire.PaintIn) -> wire.WorkshopOut:
    """Change a paint: its label says otherwise, or its use showed otherwise."""
    return _kept(lambda: _table("paints").change(number, _paint(given)))


@workshop.post("/swatches", status=201)
def add_swatch(given: wire.SwatchIn) -> wire.WorkshopOut:
    """Keep a swatch: what came of a paint on a surface."""
    return _kept(lambda: _table("swatches").add(_swatch(given)))


@workshop.put("/swatches/<int:number>")
def change_swatch(number: int, given: wire.SwatchIn) -> wire.WorkshopOut:
    """Change a swatch; its photo stays."""
    before: Swatch = _table("swatches").get(number)
    return _kept(lambda: _table("swatches").change(number, _swatch(given, before.photo)))


@workshop.post("/swatches/<int:number>/photo")
@takes_files(photo="A picture file.")
def set_photo(number: int) -> wire.WorkshopOut:
    """Keep a photo of a swatch: upright, made smaller, without the place and device it came with."""
    before: Swatch = _table("swatches").get(number)
    file = request.files.get("photo")
    if file is None:
        raise BadInput("No photo was sent.", "Choose one and send it again.")
    key = bench().designs.keep_bytes(clean_photo(file.read()))
    return _kept(lambda: _table("swatches").change(number, replace(before, photo=key)))


@workshop.delete("/swatches/<int:number>/photo")
def drop_photo(number: int) -> wire.WorkshopOut:
    """Remove the photo of a swatch; the swatch itself stays."""
    before: Swatch = _table("swatches").get(number)
    return _kept(lambda: _table("swatches").change(number, replace(before, photo=None)))


@workshop.get("/swatches/<int:number>/photo.jpg")
@hands_out("jpg")
def get_photo(number: int, query: PhotoQuery) -> Response:
    """Show the photo of a swatch."""
    swatch: Swatch = _table("swatches").get(number)
    return photo_shown(swatch.photo, query, f"Swatch {number} has no photo.")


@workshop.put("/tools")
def set_tools(given: wire.ToolsIn) -> wire.WorkshopOut:
    """Say what the workshop has; methods that want something else are ruled out, new jobs are planned for it."""
    catalogue = bench().catalogue
    if unknown := [key for key in given.owned if key not in catalogue.tools]:
        raise UnknownKey("tool", unknown[0], list(catalogue.tools))
    if given.cutter is not None:
        catalogue.cutter(given.cutter)
    if given.press is not None:
        catalogue.press(given.press)
    kit = Tools(tuple(sorted(set(given.owned))), given.cutter, given.press)
    return _kept(lambda: bench().records.keep_tools(kit))


@workshop.post("/test-cuts", status=201)
def add_test_cut(given: wire.TestCutIn) -> wire.WorkshopOut:
    """Keep a test cut, as far as it has come."""
    return _kept(lambda: _table("test-cuts").add(_test_cut(given)))


@workshop.put("/test-cuts/<int:number>")
def change_test_cut(number: int, given: wire.TestCutIn) -> wire.WorkshopOut:
    """Go on with a test cut."""
    return _kept(lambda: _table("test-cuts").change(number, _test_cut(given)))


@workshop.delete("/<any(cutters, 'test-cuts', presses, paints, swatches):kind>/<int:number>")
def drop_record(kind: str, number: int) -> wire.WorkshopOut:
    """Take a record off its shelf."""
    return _kept(lambda: _table(kind).drop(number))


@workshop.post("/<any(cutters, 'test-cuts', presses, paints, swatches):kind>/<int:number>/undo")
def undo_record(kind: str, number: int) -> wire.WorkshopOut:
    """Take the last change of a record back, or bring it back."""
    return _kept(lambda: _table(kind).undo(number))


@workshop.post("/test-cut")
def advise_test_cut(given: wire.AdviceIn) -> wire.CutAdviceOut:
    """Say what to set next, from what came of the test cuts so far."""
    return advice_out(given.material, given.cutter, given.tries, bench().catalogue)


@workshop.get("/test-pattern.<any(svg, dxf, hpgl, pdf):kind>")
@hands_out("svg", "dxf", "hpgl", "pdf")
def get_test_pattern(kind: str) -> Response:
    """Download the test pattern: a square with a round window and a triangle in it."""
    form, data = sheet_file(draw_test_pattern(), kind)
    return download(data, form.media_type, f"test-cut.{form.suffix}")
