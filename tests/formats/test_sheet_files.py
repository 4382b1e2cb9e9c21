"""Sheet files: read back by others, and damaged ones found out."""

import io
import re
import zipfile
from dataclasses import replace

import ezdxf
import numpy as np
import pytest
import shapely

from dunestead.core.cutting.paths import CutPath
from dunestead.core.cutting.promise import promise_of
from dunestead.core.cutting.simulate import simulate_cut
from dunestead.core.errors import ArtworkEmpty, ArtworkUnreadable, BadInput
from dunestead.formats import sheet_files
from dunestead.formats.artwork import read_drawing
from dunestead.formats.bundle import zip_sheets
from dunestead.formats.hpgl import read_hpgl, write_hpgl
from dunestead.formats.pdf import PAPERS, read_pdf, tiles_of, write_pdf, write_tiled_pdf
from dunestead.formats.sheet_files import FORMATS, sheet_file
from dunestead.formats.svg.cutfile import read_cut_file
from dunestead.formats.svg.writer import write_sheet
from dunestead.formats.verified import sheets_of
from tests.formats.test_writing import drawing_of
from tests.shapes import NESTED, WORD, svg

DRAWING = drawing_of(NESTED, mirrored=True)
LENGTH = sum(path.length for path in DRAWING.cuts)
AREA = sum(shapely.Polygon(path.points).area for path in DRAWING.cuts)


def measured(rings) -> tuple[float, float]:
    return sum(shapely.LineString(r).length for r in rings), sum(shapely.Polygon(r).area for r in rings)


@pytest.mark.parametrize("key", FORMATS)
def test_every_format_is_read_back_before_it_is_handed_out(key: str) -> None:
    form, data = sheet_file(drawing_of(WORD), key)

    assert data
    assert not form.check(data, drawing_of(WORD))


@pytest.mark.parametrize("key", FORMATS)
def test_a_format_that_lost_a_line_or_its_scale_is_held_back(monkeypatch, key: str) -> None:
    form = FORMATS[key]
    for cuts in (DRAWING.cuts[:-2], tuple(CutPath(path.points * 1.02) for path in DRAWING.cuts)):
        spoiled = replace(form, write=lambda d, cuts=cuts: form.write(replace(d, cuts=cuts)))
        monkeypatch.setitem(sheet_files.FORMATS, key, spoiled)

        with pytest.raises(BadInput, match="does not read back"):
            sheet_file(DRAWING, key)


def test_dxf_read_by_its_own_library_has_the_same_lengths_and_areas() -> None:
    document = ezdxf.read(io.StringIO(FORMATS["dxf"].write(DRAWING).decode()))

    lines = document.modelspace().query('LWPOLYLINE[layer=="CUT"]')
    rings = [np.array([(x, y) for x, y, *_ in [*line.get_points(), line.get_points()[0]]]) for line in lines]
    assert document.header["$INSUNITS"] == 4
    assert measured(rings) == pytest.approx((LENGTH, AREA), rel=1e-3)


def test_hpgl_read_by_hand_has_the_same_lengths_and_areas() -> None:
    """Forty steps a mm, pen 1, y up."""
    text = write_hpgl(DRAWING).decode().split("SP2")[0]
    rings = [
        np.array([float(n) for n in re.findall(r"-?\d+", stroke)]).reshape(-1, 2) / 40
        for stroke in re.findall(r"PU([-\d,]+;PD[-\d,]+);", text)
    ]
    assert measured(rings) == pytest.approx((LENGTH, AREA), rel=1e-3)


def test_a_pdf_page_is_at_true_scale() -> None:
    (page,) = read_pdf(write_pdf(DRAWING))

    assert measured([cut.points for cut in page.cuts]) == pytest.approx((LENGTH, AREA), rel=1e-3)
    assert page.size == pytest.approx((DRAWING.page[0] + 20, DRAWING.page[1] + 34), abs=0.01)


@pytest.mark.parametrize("paper", PAPERS)
def test_tiles_cover_the_sheet_and_overlap(paper) -> None:
    pages, tiles = read_pdf(write_tiled_pdf(DRAWING, paper)), tiles_of(DRAWING.page, paper)

    width, height = PAPERS[paper]
    assert len(pages) == len(tiles) > 1
    assert max(t.x for t in tiles) + width - 20 >= DRAWING.page[0]
    assert max(t.y for t in tiles) + height - 34 >= DRAWING.page[1]
    assert sorted({t.x for t in tiles})[1] == pytest.approx(width - 20 - 10)
    for page in pages:
        assert page.size == pytest.approx(PAPERS[paper], abs=0.01)


def test_rings_that_touch_in_a_point_are_cut_apart_in_every_format() -> None:
    """Two rings begin in the same point: a plotter's pen is lifted there and put down again."""
    one = np.array([(40.0, 40.0), (80.0, 10.0), (80.0, 70.0), (40.0, 40.0)])
    rings = tuple(CutPath(points) for points in (one, 80.0 - one))
    frame = CutPath(np.array([(0.0, 0.0), (90.0, 0.0), (90.0, 80.0), (0.0, 80.0), (0.0, 0.0)]))
    cuts = (*rings, frame)
    drawing = replace(DRAWING, cuts=cuts, page=(90.0, 80.0), lines=(), texts=())
    drawing = replace(drawing, promise=promise_of(cuts, drawing.page, (292, 597), mirrored=False))

    for key in FORMATS:
        assert sheet_file(drawing, key)[1]


def test_marks_go_out_to_a_plotter_only_where_it_has_a_pen_and_the_side_up_is_always_said() -> None:
    knife, pen = (FORMATS[key].write(DRAWING).decode() for key in ("hpgl", "hpgl-pen"))

    assert "SP2" not in knife
    assert "SP2" in pen
    assert re.search(r'CO"[^"]*cut mirrored / this side up";', knife)
    assert "this side up\x03" in pen
    strokes = [text.split("SP2")[0].count("PD") for text in (knife, pen)]
    assert strokes == [len(DRAWING.cuts)] * 2


def test_pages_hold_what_they_show_and_are_named_past_z() -> None:
    """Eight metres of rings: thirty rows of pages, none of which carries the whole sheet."""
    turns = np.linspace(0, 2 * np.pi, 121)
    circle = np.column_stack([np.cos(turns), np.sin(turns)])
    circle[-1] = circle[0]
    cuts = tuple(CutPath(circle * 60 + (70.0, 70.0 + 130 * k)) for k in range(60))
    drawing = replace(DRAWING, cuts=cuts, page=(140.0, 7820.0), lines=(), texts=())
    drawing = replace(drawing, promise=promise_of(cuts, drawing.page, (292, 9000), mirrored=False))

    _, data = sheet_file(drawing, "pdf-a4")

    names = [tile.name for tile in tiles_of(drawing.page, "a4")]
    assert names[24:28] == ["Y1", "Z1", "AA1", "AB1"]
    assert max(len(page.cuts) for page in read_pdf(data)) <= 4
    whole = len(FORMATS["pdf"].write(drawing))
    assert len(data) < 4 * whole


@pytest.mark.parametrize("paper", PAPERS)
@pytest.mark.parametrize("beside", [-0.02, -0.001, 0.0, 0.001, 0.02])
def test_an_outline_along_the_edge_of_a_page_is_read_back(paper, beside: float) -> None:
    """A hair inside the page's edge, on it or beyond it: with teeth that cross it, up and down."""
    edge = PAPERS[paper][0] - 20 + beside
    teeth = [(edge + (0.004 if k % 2 else -0.004), 10.0 + k) for k in range(200)]
    ring = CutPath(np.array([(20.0, 10.0), *teeth, (20.0, 209.0), (20.0, 10.0)]))
    frame = CutPath(np.array([(0.0, 0.0), (290.0, 0.0), (290.0, 220.0), (0.0, 220.0), (0.0, 0.0)]))
    cuts = (ring, frame)
    drawing = replace(DRAWING, cuts=cuts, page=(290.0, 220.0), lines=(), texts=())
    drawing = replace(drawing, promise=promise_of(cuts, drawing.page, (292, 597), mirrored=False))

    assert sheet_file(drawing, f"pdf-{paper}")[1]


def test_a_page_on_which_a_line_is_missing_moved_or_too_many_is_held_back() -> None:
    first, *rest = DRAWING.cuts
    moved = CutPath(first.points + np.array([0.3, 0.0]))
    for wrong in ((*rest,), (moved, *rest), (*DRAWING.cuts, CutPath(first.points * 0.5))):
        assert FORMATS["pdf-a4"].check(FORMATS["pdf-a4"].write(replace(DRAWING, cuts=tuple(wrong))), DRAWING)


def test_a_format_that_does_not_read_back_is_left_out_of_the_zip_and_named(workbench, monkeypatch) -> None:
    job_id = workbench.begin(workbench.designs.keep_file(svg(WORD), "word.svg"), "Word", "coir")
    plan = workbench.open(job_id, "mm").plan
    monkeypatch.setitem(FORMATS, "dxf", replace(FORMATS["dxf"], check=lambda *_: ["It is torn."]))

    data, left_out = zip_sheets(plan, sheets_of(plan))

    assert left_out[0] == "The DXF file of sheet 1 does not read back as planned: It is torn."
    assert len(left_out) == len(plan.sheets)
    with zipfile.ZipFile(io.BytesIO(data)) as archive:
        assert archive.read("left-out.txt").decode().splitlines() == list(left_out)
        assert not [name for name in archive.namelist() if name.endswith(".dxf")]
        assert [name for name in archive.namelist() if name.endswith("a4.pdf")]


def test_a_picture_that_shows_mask_for_a_window_is_held_back() -> None:
    small = CutPath(np.array([(30.0, 30.0), (33.0, 30.0), (33.0, 33.0), (30.0, 33.0), (30.0, 30.0)]))
    spoiled = FORMATS["png"].write(replace(DRAWING, cuts=(*DRAWING.cuts, small)))

    assert FORMATS["png"].check(spoiled, DRAWING)
    assert not FORMATS["png"].check(FORMATS["png"].write(DRAWING), DRAWING)


# --- damaged files ----------------------------------------------------------------------------
def damaged(change) -> list[str]:
    lines = write_sheet(drawing_of(WORD)).split("\n")
    text = "\n".join(change(lines))
    cut = read_cut_file(text.encode())
    return [problem.code for problem in simulate_cut(cut.paths, cut.page, cut.promise).problems]


def cut_lines(lines: list[str]) -> list[int]:
    begin = next(k for k, line in enumerate(lines) if 'id="cut"' in line)
    end = next(k for k, line in enumerate(lines) if k > begin and line == "</g>")
    return list(range(begin + 1, end))


def centre_of(lines: list[str]) -> int:
    # The shortest line of the file.
    return min(cut_lines(lines), key=lambda k: len(lines[k]))


def without(lines: list[str], index: int) -> list[str]:
    return [line for k, line in enumerate(lines) if k != index]


def moved(line: str, by: float) -> str:
    return re.sub(r"([ML])([-\d.]+)", lambda m: f"{m[1]}{float(m[2]) + by}", line)


def test_an_undamaged_file_has_no_problems() -> None:
    assert damaged(lambda lines: lines) == []


def test_a_lost_centre_is_named() -> None:
    codes = [damaged(lambda lines, k=k: without(lines, cut_lines(lines)[k])) for k in range(6)]

    assert ["missing-centre"] in codes
    assert ["missing-window"] in codes
    assert ["missing-outline"] in codes
    assert all(len(found) == 1 for found in codes)


def test_an_opened_line_is_named() -> None:
    def opened(lines: list[str]) -> list[str]:
        return [line.replace("Z", "") if k == centre_of(lines) else line for k, line in enumerate(lines)]

    assert damaged(opened) == ["open-path"]


def test_a_doubled_line_is_named() -> None:
    assert damaged(lambda lines: [*lines[: centre_of(lines) + 1], *lines[centre_of(lines) :]]) == ["doubled-path"]


def reshaped(line: str, change) -> str:
    """Change the points of a line about the middle of its box."""
    points = np.array([[float(n) for n in pair] for pair in re.findall(r"[ML]([-\d.]+)[ ,]([-\d.]+)", line)])
    middle = (points.min(axis=0) + points.max(axis=0)) / 2
    moved_to = change(points - middle) + middle
    data = "M" + "L".join(f"{x:.3f} {y:.3f}" for x, y in moved_to) + "Z"
    return re.sub(r'd="[^"]*"', f'd="{data}"', line)


def leaning() -> list[str]:
    return write_sheet(drawing_of('<path fill-rule="evenodd" d="M0 0h90v60h-60z"/>')).split("\n")


@pytest.mark.parametrize(
    ("change", "code"),
    [
        (lambda points: points * [-1, -1], "turned-cut"),
        (lambda points: points * [1, -1], "turned-cut"),
        (lambda points: points, None),
        (lambda points: points[::-1], None),
    ],
    ids=["turned half round", "mirrored in its place", "as it was", "cut the other way round"],
)
def test_a_line_that_is_turned_or_mirrored_in_its_place_is_named(change, code: str | None) -> None:
    lines = leaning()
    window = max(cut_lines(lines), key=lambda k: len(lines[k]))
    changed = [reshaped(line, change) if k == window else line for k, line in enumerate(lines)]
    cut = read_cut_file("\n".join(changed).encode())

    codes = [problem.code for problem in simulate_cut(cut.paths, cut.page, cut.promise).problems]
    assert codes == ([code] if code else [])


@pytest.mark.parametrize("by", [0.05, 0.1, 0.2])
def test_a_line_doubled_a_hair_beside_itself_is_named(by: float) -> None:
    def doubled(lines: list[str]) -> list[str]:
        at = centre_of(lines)
        return [
            *lines[: at + 1],
            reshaped(lines[at], lambda points: points * (1 + 2 * by / np.ptp(points))),
            *lines[at + 1 :],
        ]

    assert "doubled-path" in damaged(doubled)


def test_an_account_that_was_changed_is_told_apart_from_one_that_is_missing() -> None:
    text = write_sheet(drawing_of(WORD))

    assert not read_cut_file(text.encode()).is_damaged
    claimed = read_cut_file(text.replace('mirrored":false', 'mirrored":true').encode())
    broken = read_cut_file(text.replace('"page":', '"pge":').encode())
    bare = read_cut_file(re.sub(r"<metadata.*?</metadata>", "", text).encode())
    assert (claimed.is_damaged, broken.is_damaged, bare.is_damaged) == (True, True, False)
    assert (broken.promise, bare.promise) == (None, None)


def test_a_line_off_the_reach_is_named() -> None:
    codes = damaged(
        lambda lines: [moved(line, 600.0) if k == centre_of(lines) else line for k, line in enumerate(lines)]
    )

    assert {"off-sheet", "off-reach", "moved-cut"} == set(codes)


@pytest.mark.parametrize("factor", [0.5, 0.98, 1.01, 25.4])
def test_a_wrong_scale_is_named(factor: float) -> None:
    def scaled(lines: list[str]) -> list[str]:
        return [
            re.sub(r'(width|height)="([\d.]+)mm"', lambda m: f'{m[1]}="{float(m[2]) * factor}mm"', line)
            if line.startswith("<svg")
            else line
            for line in lines
        ]

    assert "wrong-scale" in damaged(scaled)


def test_a_file_that_was_flipped_is_named() -> None:
    def flipped(lines: list[str]) -> list[str]:
        return [line.replace('<g id="cut"', '<g id="cut" transform="translate(260 0) scale(-1 1)"') for line in lines]

    assert damaged(flipped) == ["wrong-facing"]


# --- plots as artwork -------------------------------------------------------------------------
def test_a_plot_is_read_as_artwork_the_right_way_up() -> None:
    """An L of 20 by 30 mm, its foot to the right and down: y runs up in a plot."""
    plot = b"IN;SP1;PU0,0;PD800,0,800,400,400,400,400,1200,0,1200,0,0;PU;SP0;"

    drawing = read_drawing(plot, "l.plt")

    (shape,) = drawing.shapes
    points = shape.path.carried(shape.transform).segments[:, 0]
    assert np.ptp(points, axis=0) == pytest.approx((20, 30))
    assert sorted(points[points[:, 1] > 25][:, 0].tolist()) == pytest.approx([0, 20])


def test_a_plots_circles_arcs_and_pens_are_followed() -> None:
    plot = b"IN;SP1;PU4000,4000;CI400;SP2;PU0,0;PD400,0;AA0,0,90;PD0,0;PU;"

    drawing = read_hpgl(plot)

    assert len(drawing.shapes) == 2
    assert len({shape.fill for shape in drawing.shapes}) == 2


@pytest.mark.parametrize(
    ("data", "error"),
    [
        (b"IN;SP1;PU0,0;PU;", ArtworkEmpty),
        (b"IN;SP1;PU0,0;PD400,0,400,400;PU;", ArtworkEmpty),
        (b"hello", ArtworkUnreadable),
    ],
)
def test_a_plot_that_goes_around_nothing_is_refused(data: bytes, error) -> None:
    with pytest.raises(error):
        read_drawing(data, "x.plt")
