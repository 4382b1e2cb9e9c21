"""Tracing: drawings rendered to noisy, unevenly lit, turned bitmaps and traced back."""

import math

import cv2
import numpy as np
import pytest
import shapely
from shapely import affinity

from dunestead.catalogue.face_files import open_face
from dunestead.core.artwork.drawing import Drawing
from dunestead.core.artwork.painted import Painted, paint
from dunestead.core.artwork.trace.centreline import thinned
from dunestead.core.artwork.trace.outline import Picture, Tracing, trace
from dunestead.core.artwork.trace.paper import evened, straightened
from dunestead.core.artwork.trace.settings import TraceSettings
from dunestead.core.artwork.words.setting import Setting, set_words
from dunestead.core.errors import ArtworkRefused, BadInput
from dunestead.core.mask.axis import measure_widths
from dunestead.core.mask.loose import cut_mask
from tests.bitmaps import INK, PAPER, bitmap, overlap, photographed
from tests.shapes import NESTED, WORD, drawn, rect

WIDE = 1400
HARD = {"noise": 10.0, "light": 0.45}


def lettering(text: str, face: str) -> Drawing:
    return set_words(Setting(text, 400.0), open_face(face)).drawing


SUBJECTS = {
    "plain": lambda: drawn(WORD),
    "nested rings": lambda: drawn(NESTED),
    "chunky": lambda: lettering("CABIN 8", "archivo-black"),
    "script": lambda: lettering("Marram", "lobster"),
    "slab": lambda: lettering("ROW\nHOME", "alfa-slab-one"),
}


def traced(grey: np.ndarray, **settings) -> Tracing:
    return trace(Picture(str(hash(grey.tobytes())), grey), TraceSettings(**settings))


def placed(found: Tracing, turned: float, shape: tuple[int, ...]) -> shapely.MultiPolygon:
    """Return what was traced in pixels of the bitmap, turned back."""
    region = shapely.union_all(list(paint(found.drawing, 1000.0).colours.values()))
    at_px = shapely.transform(region, paint(found.drawing, 1000.0).to_mm.inverse().apply)
    # The field has two pixels of paper around it, and its points are pixels' middles.
    return affinity.rotate(affinity.translate(at_px, -1.5, -1.5), turned, origin=(shape[1] / 2, shape[0] / 2))


def as_drawn(subject: Painted, width_px: int, margin: float = 0.08) -> shapely.MultiPolygon:
    scale, edge = width_px / subject.width, int(width_px * margin)
    return shapely.transform(subject.region, lambda points: points * scale + edge)


@pytest.mark.parametrize("name", SUBJECTS)
@pytest.mark.parametrize("seen", [{}, HARD, {**HARD, "turned": 6.0}], ids=["clean", "noisy", "turned"])
def test_a_photographed_drawing_is_traced_back(name: str, seen) -> None:
    drawing = SUBJECTS[name]()
    subject = paint(drawing, 400.0)
    grey = photographed(bitmap(subject.region, WIDE), **seen)

    found = traced(grey)

    assert overlap(placed(found, seen.get("turned", 0.0), grey.shape), as_drawn(subject, WIDE)) > 0.97
    loose = [len(cut_mask(one, 30.0).loose) for one in (subject, paint(found.drawing, 400.0))]
    assert loose[0] == loose[1]
    assert found.points <= 1.5 * max(sum(len(shape.path.segments) for shape in drawing.shapes), 4 * len(loose))


def test_straight_edges_come_out_as_lines_with_their_corners() -> None:
    grey = bitmap(paint(drawn(rect(0, 0, 100, 60)), 100.0).region, 900)

    found = traced(photographed(grey, noise=8.0))

    assert found.points == 4
    assert paint(found.drawing, 100.0).region.area == pytest.approx(6000, rel=0.004)


def test_a_disc_takes_few_curves_and_stays_round() -> None:
    disc = shapely.Point(50, 50).buffer(50, quad_segs=90)

    found = traced(photographed(bitmap(disc, 900), noise=8.0))

    region = paint(found.drawing, 100.0).region
    assert found.points <= 8
    assert region.area == pytest.approx(math.pi * 2500, rel=0.004)
    assert region.bounds[3] == pytest.approx(100, abs=0.4)


def test_the_threshold_is_found_halfway_and_can_be_set() -> None:
    grey = bitmap(paint(drawn(WORD), 100.0).region, 900)

    found = traced(grey, evened=False)
    darker = traced(cv2.GaussianBlur(grey, (0, 0), 6), evened=False, threshold=80)

    assert found.threshold == pytest.approx((INK + PAPER) / 2, abs=8)
    assert darker.threshold == 80
    blurred = traced(cv2.GaussianBlur(grey, (0, 0), 6), evened=False)
    areas = [paint(one.drawing, 100.0).region.area / paint(one.drawing, 100.0).height for one in (darker, blurred)]
    assert areas[0] < areas[1]


def test_uneven_light_alone_would_spoil_it_and_is_taken_out() -> None:
    sheet = bitmap(paint(drawn(WORD), 100.0).region, 900)
    dim = photographed(sheet, light=0.8)

    flat = evened(dim)

    paper = flat[sheet > 220]
    assert paper.std() < 6
    assert paper.mean() == pytest.approx(240, abs=6)
    assert flat[sheet < 60].mean() < 80


def test_specks_and_pinholes_vanish_up_to_the_size_asked() -> None:
    sheet = bitmap(paint(drawn(rect(0, 0, 100, 60)), 100.0).region, 900)
    for x, y, shade in ((30, 30, INK), (40, 300, INK), (500, 300, PAPER), (700, 200, PAPER)):
        sheet[y : y + 6, x : x + 6] = shade

    assert traced(sheet, despeckle=10).points == 4
    assert traced(sheet, despeckle=0).points > 12


def test_light_on_dark_is_told() -> None:
    sheet = 255 - bitmap(paint(drawn(WORD), 100.0).region, 900)

    assert len(cut_mask(paint(traced(sheet, inverted=True).drawing, 100.0), 10.0).loose) == 3


def test_a_sheet_photographed_askew_is_straightened_by_its_corners() -> None:
    subject = paint(drawn(WORD), 400.0)
    sheet = bitmap(subject.region, WIDE)
    high, wide = sheet.shape
    corners = ((0.12, 0.08), (0.9, 0.02), (0.97, 0.93), (0.05, 0.86))
    source = np.array([(0, 0), (wide - 1, 0), (wide - 1, high - 1), (0, high - 1)], np.float32)
    carry = cv2.getPerspectiveTransform(
        source, np.array(corners, np.float32) * np.array([wide - 1, high - 1], np.float32)
    )
    askew = cv2.warpPerspective(sheet, carry, (wide, high), borderValue=90)

    flat = straightened(askew, corners)
    found = traced(askew, corners=corners)

    again = paint(found.drawing, 400.0)
    assert flat.shape[1] / flat.shape[0] == pytest.approx(wide / high, rel=0.12)
    stretched = affinity.scale(again.region, 1, subject.height / again.height, origin=(0, 0))
    assert overlap(stretched, subject.region) > 0.96


def test_more_smoothing_takes_fewer_points() -> None:
    grey = photographed(bitmap(paint(lettering("Marram", "lobster"), 400.0).region, 1000), noise=6.0)

    counts = [traced(grey, smooth=smooth).points for smooth in (0.0, 0.5, 1.0)]

    assert counts[0] > counts[1] > counts[2]


def test_lines_are_followed_with_an_even_pen() -> None:
    """A ring of ink that swells and thins is drawn by a pen of its middling width."""
    angle = np.linspace(0, 2 * math.pi, 400)
    half = 2.0 + 1.0 * np.sin(3 * angle)
    outer = np.column_stack([50 + (40 + half) * np.cos(angle), 50 + (40 + half) * np.sin(angle)])
    inner = np.column_stack([50 + (40 - half) * np.cos(angle), 50 + (40 - half) * np.sin(angle)])
    swelling = affinity.translate(shapely.Polygon(outer, [inner]), -7, -7)

    found = traced(bitmap(swelling, 900), ink="line")

    painted = paint(found.drawing, 100.0)
    widths = measure_widths(painted, ())
    spread = widths.strokes.diameter
    assert len(cut_mask(painted, 10.0).loose) == 1
    assert spread.max() - spread.min() < 0.35 * spread.mean()


def lines_of(*widths: int) -> np.ndarray:
    """Return a picture of a slanted line and a ring for each width, pixels, drawn eight times as large and averaged."""
    large = np.full((400 * 8, 500 * len(widths) * 8), 255, np.uint8)
    for k, width in enumerate(widths):
        left = 500 * 8 * k
        cv2.line(large, (left + 480, 400), (left + 3500, 1100), 0, width * 8)
        cv2.circle(large, (left + 2000, 2200), 700, 0, width * 8)
    return cv2.resize(large, None, fx=1 / 8, fy=1 / 8, interpolation=cv2.INTER_AREA)


@pytest.mark.parametrize("width", [3, 4, 6, 9, 14])
def test_a_line_is_drawn_as_wide_as_it_is(width: int) -> None:
    found = traced(lines_of(width), ink="line", despeckle=2)

    assert [shape.pen.width for shape in found.drawing.shapes] == pytest.approx([width], rel=0.06)


def test_lines_of_several_widths_keep_theirs() -> None:
    found = traced(lines_of(4, 12), ink="line", despeckle=2)

    assert [shape.pen.width for shape in found.drawing.shapes] == pytest.approx([4, 12], rel=0.06)


def test_lines_are_drawn_as_wide_as_the_maker_says() -> None:
    grey = lines_of(6)
    found = traced(grey, ink="line")
    share = found.pen_share(300.0, 5.0)

    again = traced(grey, ink="line", pen=share)

    strokes = measure_widths(paint(again.drawing, 300.0), ()).strokes.diameter
    assert np.median(strokes) == pytest.approx(5.0, rel=0.03)


def test_a_skeleton_is_thin_and_in_one_piece() -> None:
    bits = np.zeros((80, 120), np.uint8)
    cv2.line(bits, (10, 10), (100, 60), 1, 9)
    cv2.line(bits, (60, 70), (70, 8), 1, 7)

    bones = thinned(bits)

    count, _ = cv2.connectedComponents(bones, connectivity=8)
    assert count == 2
    squares = bones[:-1, :-1] + bones[1:, :-1] + bones[:-1, 1:] + bones[1:, 1:]
    assert (squares == 4).sum() <= 2
    assert not (bones & ~bits).any()


@pytest.mark.parametrize("value", [0, 128, 255])
def test_a_picture_of_one_grey_shows_no_drawing(value: int) -> None:
    with pytest.raises(BadInput, match="one grey all over"):
        traced(np.full((60, 80), value, np.uint8))


@pytest.mark.parametrize(
    ("settings", "said"),
    [
        ({"threshold": 300}, "for the threshold"),
        ({"despeckle": -1}, "size of specks of -1 px"),
        ({"smooth": 1.5}, "for the smoothing"),
        ({"pen": 0.5}, "for the pen.s share"),
        ({"corners": ((0, 0), (1, 1), (1, 0), (0, 1))}, "do not make a sheet"),
        ({"threshold": 1}, "darker than the threshold"),
    ],
)
def test_settings_that_cannot_be_are_refused(settings, said: str) -> None:
    grey = bitmap(paint(drawn(WORD), 100.0).region, 300)

    with pytest.raises(BadInput, match=said):
        traced(grey, **settings)


def test_a_picture_of_nothing_but_edge_is_refused_soon() -> None:
    grain = np.random.default_rng(3).normal(0, 1, (1500, 2000))
    blotches = cv2.normalize(cv2.GaussianBlur(grain, (0, 0), 3), None, 0, 255, cv2.NORM_MINMAX).astype(np.uint8)

    with pytest.raises(ArtworkRefused, match="too much fine detail"):
        traced(blotches)


def test_a_very_large_picture_is_looked_at_from_further_away(monkeypatch) -> None:
    monkeypatch.setattr("dunestead.core.artwork.trace.outline._MOST_EDGE", 6000)
    grey = bitmap(paint(drawn(WORD), 100.0).region, 1900)

    found = traced(grey)

    assert found.points == 24
    assert paint(found.drawing, 100.0).height == pytest.approx(40, abs=0.2)
