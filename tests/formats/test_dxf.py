"""DXF in: areas worked out by hand, ends joined, what cannot be painted told, broken files refused."""

import io
import math

import ezdxf
import pytest
from ezdxf.document import Drawing as Document

from dunestead.core.artwork.drawing import Drawing
from dunestead.core.artwork.painted import paint
from dunestead.core.errors import ArtworkEmpty, ArtworkRefused, ArtworkUnreadable, BadInput
from dunestead.formats import dxf as dxf_format
from dunestead.formats.artwork import read_drawing
from dunestead.formats.dxf import is_dxf, read_dxf


def written(document: Document) -> bytes:
    held = io.StringIO()
    document.write(held)
    return held.getvalue().encode()


def read(draw) -> Drawing:
    document = ezdxf.new(setup=True)
    draw(document)
    return read_dxf(written(document))


def at_own_size(drawing: Drawing, width: float):
    return paint(drawing, width)


def square(space, x: float, y: float, side: float, **attributes) -> None:
    corners = [(x, y), (x + side, y), (x + side, y + side), (x, y + side)]
    space.add_lwpolyline(corners, close=True, dxfattribs=attributes)


def test_a_circle_within_a_circle_is_a_ring() -> None:
    def draw(document: Document) -> None:
        document.modelspace().add_circle((0, 0), 20)
        document.modelspace().add_circle((0, 0), 10)

    painted = at_own_size(read(draw), 40)

    assert painted.region.area == pytest.approx(math.pi * 300, rel=3e-4)


def test_what_is_up_in_the_file_is_up_on_the_blank() -> None:
    def draw(document: Document) -> None:
        square(document.modelspace(), 0, 0, 10)
        square(document.modelspace(), 0, 50, 20)

    painted = at_own_size(read(draw), 20)

    low, high = sorted(painted.region.geoms, key=lambda part: part.area)
    assert high.bounds == pytest.approx((0, 0, 20, 20))
    assert low.bounds == pytest.approx((0, 60, 10, 70), abs=1e-3)


def test_lines_and_arcs_that_meet_are_one_outline_whichever_way_they_run() -> None:
    def draw(document: Document) -> None:
        space = document.modelspace()
        space.add_line((0, 0), (40, 0))
        space.add_line((40, 40), (40, 0))
        space.add_arc((20, 40), 20, 0, 180)
        space.add_line((0, 0), (0, 40))

    painted = at_own_size(read(draw), 40)

    assert painted.region.area == pytest.approx(1600 + math.pi * 200, rel=1e-4)


def test_ends_a_hair_apart_are_meant_to_meet() -> None:
    def draw(document: Document) -> None:
        space = document.modelspace()
        for start, end in (((0, 0), (100, 0)), ((100.001, 0.0005), (100, 80)), ((100, 80), (0, 0))):
            space.add_line(start, end)

    drawing = read(draw)

    assert drawing.notices == ()
    assert at_own_size(drawing, 100).region.area == pytest.approx(4000, rel=1e-3)


def test_ellipses_splines_bulges_and_hatches_are_painted() -> None:
    def draw(document: Document) -> None:
        space = document.modelspace()
        space.add_ellipse((0, 0), (30, 0), 0.5)
        space.add_lwpolyline([(100, 0, 1), (120, 0, 1)], format="xyb", close=True)
        hatch = space.add_hatch(color=3)
        hatch.paths.add_polyline_path([(0, 100), (20, 100), (20, 120)], is_closed=True)
        space.add_spline([(200, 0), (220, 20), (240, 0), (220, -20), (200, 0)])

    painted = at_own_size(read(draw), 270)

    areas = sorted(part.area for region in painted.colours.values() for part in region.geoms)
    assert areas[0] == pytest.approx(200, rel=1e-3)
    assert areas[1] == pytest.approx(math.pi * 100, rel=1e-3)
    assert areas[-1] == pytest.approx(math.pi * 450, rel=1e-3)
    assert len(areas) == 4


def test_blocks_are_placed_scaled_and_turned() -> None:
    def draw(document: Document) -> None:
        block = document.blocks.new("pane")
        square(block, 0, 0, 10)
        document.modelspace().add_blockref("pane", (0, 0))
        document.modelspace().add_blockref("pane", (50, 0), dxfattribs={"xscale": 2, "yscale": 3, "rotation": 90})

    painted = at_own_size(read(draw), 50)

    assert sorted(part.area for part in painted.region.geoms) == pytest.approx([100, 600])


def test_colours_come_from_the_entity_or_its_layer() -> None:
    def draw(document: Document) -> None:
        document.layers.add("sea", color=5)
        square(document.modelspace(), 0, 0, 10, layer="sea")
        square(document.modelspace(), 20, 0, 10, color=1)
        square(document.modelspace(), 40, 0, 10)
        document.modelspace()[-1].rgb = (10, 20, 30)

    drawing = read(draw)

    assert [shape.fill for shape in drawing.shapes] == ["#0000ff", "#ff0000", "#0a141e"]
    assert [shape.groups for shape in drawing.shapes] == [("sea",), ("0",), ("0",)]


def test_layers_switched_off_are_not_painted() -> None:
    def draw(document: Document) -> None:
        document.layers.add("notes").off()
        square(document.modelspace(), 0, 0, 10)
        square(document.modelspace(), 50, 0, 10, layer="notes")

    assert at_own_size(read(draw), 10).region.area == pytest.approx(100)


def test_lettering_and_open_lines_are_told() -> None:
    def draw(document: Document) -> None:
        square(document.modelspace(), 0, 0, 10)
        document.modelspace().add_text("BOAT")
        document.modelspace().add_line((0, 20), (30, 20))
        document.modelspace().add_line((0, 30), (30, 30))

    said = [notice.message for notice in read(draw).notices]

    assert "Lettering" in said[0]
    assert "2 lines are not closed" in said[1]


def test_a_drawing_of_open_lines_only_is_refused() -> None:
    with pytest.raises(ArtworkEmpty, match="closed outline"):
        read(lambda document: document.modelspace().add_line((0, 0), (10, 0)))


@pytest.mark.parametrize(
    "data",
    [
        b"0\nSECTION\nxx",
        b"AutoCAD Binary DXF\r\n\x1a\x00",
        b"999\n",
        b"\x00" * 500,
        b"0\nSECTION\n2\nENTITIES\n0\nLINE\n",
    ],
)
def test_broken_files_are_refused_in_a_sentence(data: bytes) -> None:
    with pytest.raises(BadInput):
        read_drawing(data, "sign.dxf")


def test_a_file_cut_short_is_read_or_refused_but_never_crashes() -> None:
    document = ezdxf.new(setup=True)
    for k in range(20):
        square(document.modelspace(), 20 * k, 0, 10)
    data = written(document)

    outcomes = [_outcome(data[: int(len(data) * share)]) for share in (0.1, 0.3, 0.5, 0.7, 0.9, 0.99)]

    assert all(outcomes)


def _outcome(data: bytes) -> Drawing | str:
    try:
        return read_dxf(data)
    except BadInput as error:
        return error.fix


def test_a_drawing_of_blocks_within_blocks_is_bounded(monkeypatch) -> None:
    monkeypatch.setattr(dxf_format, "_MOST_ENTITIES", 500)

    def draw(document: Document) -> None:
        inner = document.blocks.new("b0")
        square(inner, 0, 0, 1)
        for level in range(1, 6):
            block = document.blocks.new(f"b{level}")
            for k in range(10):
                block.add_blockref(f"b{level - 1}", (k * 2, 0))
        document.modelspace().add_blockref("b5", (0, 0))

    with pytest.raises(ArtworkRefused, match="over 500 parts"):
        read(draw)


def test_a_huge_file_is_refused_before_it_is_parsed(monkeypatch) -> None:
    monkeypatch.setattr(dxf_format, "_MOST_BYTES", 1000)

    with pytest.raises(ArtworkRefused, match="over the"):
        read_dxf(b"0\nSECTION\n" + b" " * 2000)


def test_files_are_told_apart_by_what_is_in_them() -> None:
    assert is_dxf(b"  0\r\nSECTION\r\n")
    assert is_dxf(b"\xef\xbb\xbf0\nSECTION\n")
    assert not is_dxf(b"<svg/>")
    with pytest.raises(ArtworkUnreadable, match="made of pixels"):
        read_drawing(b"\x89PNG\r\n\x1a\n" + b"0" * 40, "a.svg")


def blocks(inserts: str, defined: str) -> bytes:
    sections = f"0\nSECTION\n2\nBLOCKS\n{defined}0\nENDSEC\n0\nSECTION\n2\nENTITIES\n{inserts}0\nENDSEC\n0\nEOF\n"
    return sections.encode()


RING = "0\nBLOCK\n2\nB\n10\n0\n20\n0\n0\nCIRCLE\n10\n0\n20\n0\n40\n1\n0\nENDBLK\n"
INSERT = "0\nINSERT\n2\n{}\n10\n0\n20\n0\n"
NESTED = "0\nBLOCK\n2\nB0\n10\n0\n20\n0\n0\nENDBLK\n" + "".join(
    f"0\nBLOCK\n2\nB{k}\n10\n0\n20\n0\n{INSERT.format(f'B{k - 1}') * 10}0\nENDBLK\n" for k in range(1, 9)
)


@pytest.mark.parametrize(
    ("data", "message"),
    [
        # 900 million rings in 200 bytes.
        (blocks(INSERT.format("B") + "70\n30000\n71\n30000\n44\n3\n45\n3\n", RING), "over 40000 parts"),
        # A hundred million blocks with nothing in them.
        (blocks(INSERT.format("B8"), NESTED), "over 40000 parts"),
        (blocks(INSERT.format("B"), RING.replace("0\nENDBLK", INSERT.format("B") + "0\nENDBLK")), "holds itself"),
    ],
    ids=["rows", "nested", "itself"],
)
def test_blocks_without_end_are_refused_before_they_are_taken_apart(data: bytes, message: str) -> None:
    with pytest.raises(ArtworkRefused, match=message):
        read_dxf(data)
