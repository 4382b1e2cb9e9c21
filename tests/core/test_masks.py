"""The masks of a design: reverse ones, one a colour, as large as the blank; numbers that follow."""

import pytest
import shapely
from shapely import affinity

from dunestead.core.artwork.elements import Frame
from dunestead.core.blanks.blank import Blank
from dunestead.core.job.job import altered
from dunestead.core.painting.coatings import Coating
from dunestead.core.plan.plan import make_plan
from dunestead.core.stations.graph import task_graph
from dunestead.formats.verified import check_cut
from tests.making import CATALOGUE, job_of, look, words
from tests.shapes import WORD, artwork, files, frame, rect

RED, BLUE = "#c62828", "#2f6db5"
# A red ring of 100 with a blue square of 40 in it.
TARGET = frame(0, 0, 100, 60).replace("<path", f'<path fill="{RED}"') + rect(30, 30, 40, 40, f'fill="{BLUE}"')
BASED = (Coating("base", "outdoor-acrylic"), Coating("colour", "outdoor-acrylic"))
SOURCES = files(word=WORD, target=TARGET, tree=frame(0, 0, 40, 20) + rect(60, 0, 40, 40) + rect(45, 10, 10, 10))


def plan(job):
    return make_plan(job, SOURCES, CATALOGUE, check_cut)


def least(seen, kind) -> float:
    found = seen.fitness.least(kind)
    assert found
    return found.width


# --- fates at once --------------------------------------------------------------------------------
def test_a_piece_left_out_is_no_longer_judged_and_a_dropped_part_is_no_longer_painted() -> None:
    job = job_of(artwork(400.0, "word"))
    whole = look(job, SOURCES)
    solid = look(altered(job, fates={2: "leave-out", 3: "leave-out"}), SOURCES)
    fewer = look(altered(job, fates={2: "drop"}), SOURCES)

    assert [piece.number for piece in solid.loose] == [1]
    assert [piece.number for piece in solid.found] == [1, 2, 3]
    assert least(whole, "stroke") < least(solid, "stroke")
    assert [piece.number for piece in fewer.loose] == [1]
    assert fewer.painted.region.area < whole.painted.region.area


def test_what_is_left_keeps_its_number_and_its_place_on_the_blank() -> None:
    """Dropping the first letter moves the painted box, and nothing on the blank."""
    job = job_of(artwork(400.0, "word"))
    before, after = look(job, SOURCES), look(altered(job, fates={1: "drop"}), SOURCES)

    def on_blank(seen, number):
        piece = next(piece for piece in seen.loose if piece.number == number)
        return (piece.centroid[0] + seen.composition.origin[0], piece.centroid[1] + seen.composition.origin[1])

    assert after.composition.origin[0] > before.composition.origin[0]
    assert on_blank(after, 3) == pytest.approx(on_blank(before, 3))


def test_a_frame_around_words_leaves_a_piece_no_wider_than_the_blank() -> None:
    seen = look(job_of(words("ROW", 400.0), Frame(id=2)), SOURCES)

    assert all(0 < side < 400 for side in seen.least_sides().values())


def test_pieces_that_are_no_more_are_said_to_be_gone() -> None:
    seen = look(job_of(words("B", 60.0), words("O", 60.0, 2, x=100.0)), SOURCES)
    now = look(altered(seen.job, elements=seen.job.elements[:1]), SOURCES)

    assert {piece.number for piece in seen.found} == {1, 2, 3}
    assert len(now.gone) == 1
    assert set(now.gone) | {piece.number for piece in now.found} == {1, 2, 3}


# --- reverse --------------------------------------------------------------------------------------
def test_the_shapes_of_a_reverse_mask_are_its_loose_pieces() -> None:
    seen = look(job_of(artwork(400.0, "word"), reverse=True), SOURCES)

    assert len(seen.loose) == 3
    assert seen.masks[0].is_reverse
    assert sum(piece.area for piece in seen.loose) == pytest.approx(seen.painted.region.area)


def test_widths_change_places_in_a_reverse_mask() -> None:
    usual = look(job_of(artwork(400.0, "tree")), SOURCES)
    other = look(job_of(artwork(400.0, "tree"), reverse=True), SOURCES)

    assert least(other, "stroke") == pytest.approx(least(usual, "web"))
    assert least(other, "web") == pytest.approx(least(usual, "stroke"))
    assert least(other, "part") == pytest.approx(40, abs=0.1)


@pytest.mark.parametrize(("base", "found"), [("none", True), ("everywhere", False), ("under", False)])
def test_a_reverse_mask_wants_a_base_coat(base, found) -> None:
    job = job_of(artwork(400.0, "word"), reverse=True)
    if base != "none":
        job = altered(job, coatings=(Coating("base", "outdoor-acrylic", where=base), *job.paint.coatings))

    assert any(f.code == "base-missing" for f in look(job, SOURCES).findings) == found


def test_around_a_reverse_mask_the_rest_of_the_blank_is_painted() -> None:
    done = plan(job_of(artwork(400.0, "word"), reverse=True, coatings=BASED, field_colour="#ffffff"))

    base, field = done.coatings
    assert (base.role, base.area) == ("base", pytest.approx(600 * 400))
    assert field.colour == "#ffffff"
    assert field.area == pytest.approx(600 * 400 - done.painted.region.area, rel=1e-6)


def test_shapes_are_laid_from_the_middle_outwards() -> None:
    done = plan(job_of(artwork(400.0, "tree"), reverse=True, coatings=BASED))
    placed = {piece.number: piece.centroid for piece in done.keepers}

    middle = (done.masks[0].cut.box[2] / 2, done.masks[0].cut.box[3] / 2)
    away = [shapely.Point(middle).distance(shapely.Point(placed[n])) for n in done.masks[0].placing]
    assert away == pytest.approx(sorted(away))
    assert len(away) == 3


def test_a_reverse_mask_is_cut_and_proven_like_any_other() -> None:
    done = plan(job_of(artwork(500.0, "word"), reverse=True, coatings=BASED))

    assert all(sheet.verdict.agrees for sheet in done.sheets)
    assert sum(sheet.verdict.mask_parts for sheet in done.sheets) >= 3


# --- one mask a colour ----------------------------------------------------------------------------
def test_each_colour_has_its_own_mask_that_protects_the_others() -> None:
    seen = look(job_of(artwork(300.0, "target"), masks="each"), SOURCES)

    assert {laid.colour for laid in seen.masks} == {RED, BLUE}
    assert [laid.number for laid in seen.masks] == [1, 2]
    for laid in seen.masks:
        other = RED if laid.colour == BLUE else BLUE
        held = shapely.union_all([laid.mask.frame, *(piece.shape for piece in laid.mask.loose)])
        assert held.contains(seen.painted.colours[other].buffer(-0.01))
        assert not held.intersects(seen.painted.colours[laid.colour].buffer(-0.01))


def test_masks_of_one_design_have_the_same_edge_notches_included() -> None:
    seen = look(job_of(artwork(300.0, "target"), masks="each"), SOURCES)
    one, other = (laid.mask.sheet for laid in seen.masks)

    assert one.equals(other)
    assert one.area == pytest.approx(380 * 380 - 4 * 18)
    assert all(laid.mask.frame.exterior.equals(one.exterior) for laid in seen.masks)


def test_a_centre_that_holds_another_colour_is_loose_in_its_own_mask_only() -> None:
    one = look(job_of(artwork(300.0, "target")), SOURCES)
    each = look(job_of(artwork(300.0, "target"), masks="each"), SOURCES)

    assert [len(one.loose), len(each.loose)] == [1, 1]
    red = next(laid for laid in each.masks if laid.colour == RED)
    assert red.mask.loose[0].area == pytest.approx(180**2, rel=1e-3)


def test_a_number_is_given_once_over_all_masks_and_kept_from_one_mask_to_many() -> None:
    pair = files(pair=frame(0, 0, 40, 20).replace("<path", f'<path fill="{RED}"') + frame(60, 0, 40, 20))
    one = look(job_of(artwork(300.0, "pair")), pair)
    each = look(altered(one.job, masks="each"), pair)

    centre = {piece.number: piece.centroid for piece in one.loose}
    assert {piece.number: piece.centroid for piece in each.loose} == {
        number: pytest.approx(at) for number, at in centre.items()
    }


def test_sheets_are_numbered_through_all_masks_and_tasks_done_mask_by_mask() -> None:
    done = plan(job_of(artwork(300.0, "target"), masks="each"))
    codes = [task.id for task in task_graph(done, CATALOGUE).tasks]

    assert [sheet.number for sheet in done.sheets] == list(range(1, len(done.sheets) + 1))
    order = ["peel-sheet/m1/k1", "tack-lay/m2/k1", "paint-coat/m2/k1/c2/n1"]
    assert [codes.index(code) for code in order] == sorted(codes.index(code) for code in order)
    assert all(sheet.verdict.agrees for sheet in done.sheets)


def test_the_order_of_colours_is_the_makers_say() -> None:
    job = job_of(artwork(300.0, "target"), masks="each")
    usual = [laid.colour for laid in look(job, SOURCES).masks]
    other = [laid.colour for laid in look(altered(job, mask_order=(usual[1],)), SOURCES).masks]

    assert other == usual[::-1]


def test_with_a_mask_for_each_colour_gaps_do_not_matter() -> None:
    job = job_of(artwork(150.0, "target"))

    assert any(f.code == "colour-gap" for f in look(job, SOURCES).findings)
    assert not any(f.code == "colour-gap" for f in look(altered(job, masks="each"), SOURCES).findings)


# --- as large as the blank ------------------------------------------------------------------------
@pytest.mark.parametrize("blank", [Blank(120, 90), Blank(120, 120, shape="oval")])
def test_a_mask_as_large_as_the_blank_is_laid_edge_on_edge(blank: Blank) -> None:
    job = job_of(artwork(80.0, "word"), surface="wood-sealed", blank=blank, whole_blank=True)
    seen = look(job, SOURCES)

    assert seen.aligned
    ox, oy = seen.composition.origin
    laid = affinity.translate(seen.masks[0].mask.sheet, ox, oy)
    assert laid.equals_exact(seen.composition.outline, 1e-6)


def test_with_its_usual_border_it_is_not() -> None:
    assert not look(job_of(artwork(300.0, "word")), SOURCES).aligned


@pytest.mark.parametrize(
    "blank",
    [
        Blank(600, 400, rim=20),
        Blank(600, 400, rim=20, corner=60),
        Blank(600, 400, shape="oval", rim=20),
        Blank(600, 480, shape="outline", outline="bend", rim=15),
    ],
    ids=["rectangle", "rounded", "oval", "outline"],
)
@pytest.mark.parametrize("width", [200.0, 480.0])
def test_masks_notches_and_design_keep_inside_a_rim(blank: Blank, width: float) -> None:
    sources = files(
        two=rect(0, 0, 100, 60, 'fill="#aa0000"') + rect(20, 20, 20, 20, 'fill="#0000aa"'),
        bend='<path d="M0 0H200V120H100V160H0z"/>',
    )

    seen = look(job_of(artwork(width, "two"), blank=blank, masks="each"), sources)

    inside, origin = seen.composition.outline.buffer(1e-6), seen.composition.origin
    assert seen.composition.outline.bounds[2] == pytest.approx(blank.width - 2 * blank.rim)
    for laid in seen.masks:
        assert inside.covers(shapely.transform(laid.mask.sheet, lambda points: points + origin))
        assert inside.covers(shapely.transform(laid.painted.region, lambda points: points + origin))
        assert laid.notches == 4 or seen.aligned or seen.findings


def test_a_shape_that_is_all_of_a_reverse_mask_has_no_neighbour() -> None:
    made = job_of(artwork(200.0, "box"), reverse=True)
    seen = make_plan(made, files(box=rect(0, 0, 100, 60)), CATALOGUE, check_cut)

    assert len(seen.look.loose) == 1
    assert seen.masks[0].gaps == ()
