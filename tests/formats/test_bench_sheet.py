"""The bench sheet: what stands on it, in which order, and its pictures at a scale a rule agrees with."""

import io
import re

import pytest
from pypdf import PdfReader

from dunestead.core.plan.plan import make_plan
from dunestead.core.stations.graph import task_graph
from dunestead.core.work.saying import title_of
from dunestead.formats.bench_sheet import scale_for, write_bench_sheet
from dunestead.formats.verified import check_cut
from tests.making import CATALOGUE, job_of, words
from tests.shapes import Files


def sheet(unit: str = "mm", copy: int = 1, paper="a4", **entries):
    plan = make_plan(job_of(words("ROOT", 420.0), **entries), Files(), CATALOGUE, check_cut)
    graph = task_graph(plan, CATALOGUE)
    return plan, graph, PdfReader(io.BytesIO(write_bench_sheet(plan, graph, unit, copy, paper)))


def said(reader: PdfReader) -> str:
    return re.sub(r"\s+", " ", " ".join(page.extract_text() for page in reader.pages))


@pytest.mark.parametrize("paper", ["a4", "letter"])
@pytest.mark.parametrize("unit", ["mm", "in"])
def test_every_task_from_the_weeding_to_the_peel_stands_on_it_in_its_order(paper, unit) -> None:
    plan, graph, reader = sheet(unit, paper=paper)

    text = said(reader)
    stations = ("weed", "tack", "paint", "peel")
    titles = [title_of(task, unit) for task in graph.tasks if task.station in stations]
    places = [text.find(title) for title in titles]
    assert min(places) >= 0
    assert places == sorted(places)
    assert "Take care" in text
    assert "label" in text
    assert plan.job.name in text


def test_what_is_counted_has_a_line_to_write_on_and_what_should_be() -> None:
    _, _, reader = sheet(cutter="wide-roll")

    assert re.search(r"windows out: _+ of 4", said(reader))
    assert re.search(r"pins: _+", said(reader))


def test_another_copy_has_its_own_coats_and_the_weeding_of_its_set() -> None:
    _, _, reader = sheet(copy=2, copies=3)

    assert "copy 2 of 3" in said(reader)
    assert "Weed 4 windows" in said(reader)


def test_the_largest_round_scale_that_finds_room() -> None:
    assert scale_for((600, 400), (170, 90)) == 5
    assert scale_for((100, 80), (170, 90)) == 1
    # 170 wide would do at 1 to 4; 90 high for 400 wants 4.44.
    assert scale_for((600, 350), (170, 90)) == 4


@pytest.mark.parametrize("bridged", [False, True])
def test_the_keepers_follow_at_true_size_where_there_are_any(bridged) -> None:
    fates = dict.fromkeys((1, 2, 3), "bridge") if bridged else {}
    _, _, reader = sheet(fates=fates)

    assert ("100 mm: print at 100 %" in said(reader)) is not bridged


def test_the_blank_is_drawn_as_wide_as_its_scale_says() -> None:
    """600 by 400 mm at the scale that stands below it, read off the lines of the first page."""
    _, _, reader = sheet()
    contents = reader.pages[0].get_contents()
    places: list[list[tuple[float, float]]] = []
    for operands, operator in contents.operations:
        if operator == b"m":
            places.append([])
        if operator in (b"m", b"l"):
            places[-1].append((float(operands[0]), float(operands[1])))
    sizes = {
        tuple(round((max(axis) - min(axis)) * 25.4 / 72, 1) for axis in zip(*ring, strict=True))
        for ring in places
        if len(ring) >= 4
    }

    scale = float(re.search(r"picture 1 : ([\d.]+)", said(reader))[1])
    assert (round(600 / scale, 1), round(400 / scale, 1)) in sizes


@pytest.mark.parametrize("colours", [1, 2])
def test_it_needs_no_more_than_two_pages(colours) -> None:
    parts = [words("ROOT", 420.0), words("SOIL", 300.0, number=2, y=110.0, colour="#aa3322")][:colours]
    plan = make_plan(job_of(*parts, masks="each", cutter="wide-roll"), Files(), CATALOGUE, check_cut)
    data = write_bench_sheet(plan, task_graph(plan, CATALOGUE), "mm", 1, "a4")
    pages = [page.extract_text() for page in PdfReader(io.BytesIO(data)).pages]

    assert len(plan.masks) == colours
    assert sum("print at 100 %" not in page for page in pages) <= 2
