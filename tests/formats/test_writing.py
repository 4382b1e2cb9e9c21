"""Files out: at true scale, read back the same, named so that any system takes them."""

import io
import re
import xml.etree.ElementTree as ET
import zipfile

import pytest
import shapely

from dunestead.core.artwork.painted import paint
from dunestead.core.cutting.drawing import SheetDrawing, draw_sheet
from dunestead.core.errors import ArtworkEmpty
from dunestead.core.mask.bridge_rules import BridgeRules
from dunestead.core.mask.tying import tie_mask
from dunestead.core.sheets.cells import Reach
from dunestead.core.sheets.ground import Guards
from dunestead.core.sheets.layout import Layout, LayoutRules, lay_out
from dunestead.formats.bundle import file_stem, zip_sheets
from dunestead.formats.svg import read_svg
from dunestead.formats.svg.cutfile import read_cut_file
from dunestead.formats.svg.writer import path_data, write_mask, write_sheet
from dunestead.formats.verified import sheets_of, verified_sheets
from tests.shapes import NESTED, WORD, masked, rect, svg

SVG = "{http://www.w3.org/2000/svg}"


def plan_of(body: str, width: float = 200.0):
    return tie_mask(masked(body, width, 30.0), {1}, BridgeRules(4.0, per_piece=1))


REACH = Reach(292.0, 292.0, 10.0)


def layout_of(plan, *, mirrored: bool = False) -> Layout:
    return lay_out((plan,), (Guards(),), LayoutRules(REACH, mirrored))


def drawing_of(body: str, title: str = "Nested", *, mirrored: bool = False) -> SheetDrawing:
    layout = layout_of(plan_of(body), mirrored=mirrored)
    return draw_sheet(layout.sheets[0], layout, title, (292.0, 292.0))


@pytest.mark.parametrize("body", [WORD, NESTED])
def test_a_mask_file_read_as_artwork_paints_the_mask(body: str) -> None:
    plan = plan_of(body)
    data = write_mask(plan, "A & B <mask>").encode()

    again = paint(read_svg(data), 260.0)

    moved = shapely.transform(again.region, lambda points: points - 30.0)
    assert shapely.symmetric_difference(moved, plan.material).area < 1.0


def test_a_mask_file_is_one_path_in_mm() -> None:
    root = ET.fromstring(write_mask(plan_of(WORD), "Word"))

    assert (root.get("width"), root.get("viewBox")) == ("260mm", "-30 -30 260 140")
    (path,) = root.iter(SVG + "path")
    assert path.get("fill-rule") == "evenodd"


@pytest.mark.parametrize("mirrored", [False, True])
def test_a_sheet_file_is_read_back_with_all_its_lines(mirrored: bool) -> None:
    plan = plan_of(NESTED)

    cut = read_cut_file(write_sheet(drawing_of(NESTED, mirrored=mirrored)).encode())

    # The strip of 8 mm below the cut carries the label.
    assert cut.page == pytest.approx((260, 268), abs=1e-3)
    assert max(path.points[:, 1].max() for path in cut.paths) == pytest.approx(260, abs=1e-3)
    assert all(path.is_closed for path in cut.paths)
    rings = shapely.get_rings(shapely.get_parts(plan.material))
    assert sum(path.length for path in cut.paths) == pytest.approx(shapely.length(rings).sum(), rel=1e-5)


def test_marks_are_not_cut_but_the_sheet_says_its_facing() -> None:
    text = write_sheet(drawing_of(WORD, "Cabin <8>", mirrored=True))

    root = ET.fromstring(text)
    groups = {group.get("id"): group for group in root.iter(SVG + "g") if group.get("id")}
    assert set(groups) == {"cut", "marks"}
    assert "cut mirrored" in "".join(groups["marks"].itertext())
    assert len(read_cut_file(text.encode()).paths) == len(list(groups["cut"]))


def test_without_a_group_for_it_every_line_is_a_cut() -> None:
    cut = read_cut_file(
        svg(rect(0, 0, 10, 10) + '<path d="M0 0L5 5" stroke="red" fill="none"/>', 'viewBox="0 0 20 20"')
    )

    assert [path.is_closed for path in cut.paths] == [True, False]


def test_units_of_the_page_scale_the_cut() -> None:
    cut = read_cut_file(svg(rect(0, 0, 1, 1), 'width="2in" height="2in" viewBox="0 0 2 2"'))

    assert cut.paths[0].length == pytest.approx(4 * 25.4, rel=1e-5)
    assert cut.page == pytest.approx((50.8, 50.8))


def test_a_file_without_lines_is_no_cut_file() -> None:
    with pytest.raises(ArtworkEmpty, match="no lines"):
        read_cut_file(svg("<text>x</text>"))


def test_each_verified_sheet_agrees_with_its_plan() -> None:
    plan = plan_of(WORD, 500.0)

    checked = verified_sheets(layout_of(plan), "Word", REACH)

    assert [sheet.file_name for sheet in checked] == ["sheet-1.svg", "sheet-2.svg"]
    assert all(sheet.verdict.agrees for sheet in checked)


@pytest.mark.parametrize(
    ("name", "stem"),
    [("Cabin 8 mat", "cabin-8-mat"), ("Café / Bar", "cafe-bar"), ("../../etc", "etc"), ("日本", "job"), ("", "job")],
)
def test_file_names_are_plain(name: str, stem: str) -> None:
    assert file_stem(name) == stem


def test_path_data_closes_every_ring_and_writes_no_exponents() -> None:
    data = path_data(shapely.box(0, 1e-7, 12.34567, 5).difference(shapely.box(1, 1, 2, 2)))

    assert data.count("M") == data.count("Z") == 2
    assert re.fullmatch(r"[MLZ\d. -]+", data)


def test_a_zip_holds_the_cut_list_the_mask_and_every_sheet(workbench) -> None:
    job_id = workbench.begin(workbench.designs.keep_file(svg(WORD), "word.svg"), "Word", "coir")
    plan = workbench.open(job_id, "mm").plan
    checked = sheets_of(plan)

    data, left_out = zip_sheets(plan, checked)

    with zipfile.ZipFile(io.BytesIO(data)) as archive:
        assert archive.namelist()[:2] == ["cut-list.txt", "mask.svg"]
        listed = archive.read("cut-list.txt").decode()
        assert archive.read("sheet-1.svg").decode() == checked[0].text
        suffixes = {name.rpartition("sheet-1.")[2] for name in archive.namelist() if "sheet-1" in name}
    assert left_out == ()
    assert "agrees with the plan" in listed
    assert "Keepers for the dish: 1, 2, 3." in listed
    assert suffixes == {"svg", "dxf", "plt", "pen.plt", "pdf", "a4.pdf", "letter.pdf", "png"}
