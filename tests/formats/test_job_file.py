"""Job files: what is wrong with one is said, and what is right is reckoned without a workshop."""

import io
import json
import zipfile
from pathlib import Path
from typing import Any

import pytest

from dunestead.cli.sources import FolderSources
from dunestead.core.errors import BadInput
from dunestead.formats.job_file import read_job_file, read_job_log
from dunestead.formats.job_zip import open_job_zip
from tests.making import CATALOGUE
from tests.shapes import WORD, svg
from tests.test_cli import run

LEAST = {"dunestead_job": 2, "surface": "coir", "blank": {"width": 600, "height": 400}, "design": [{"words": "ROW"}]}


def read(folder: Path, told: Any):
    sources = FolderSources(folder)
    text = told if isinstance(told, str) else json.dumps(told)
    return read_job_file(text, sources.keep, sources, CATALOGUE)


def test_surface_blank_and_design_are_enough_and_null_means_proposed(tmp_path: Path) -> None:
    job = read(tmp_path, LEAST)
    nulls = dict.fromkeys(("material", "method", "coatings", "cutter", "press", "border", "weather", "copies"))

    assert (job.mask.material, job.paint.coatings[0].paint, job.blank.copies) == (
        "paper-coated-down",
        "outdoor-acrylic",
        1,
    )
    assert read(tmp_path, {**LEAST, **nulls}) == job


def test_a_file_of_the_first_version_is_read_with_its_own_name_for_what_was_chosen(tmp_path: Path) -> None:
    choice = {"x": 0.25, "y": 0.5, "mask": 1, "sheet": 2, "alone": False, "turns": True}
    old = read(tmp_path, {**LEAST, "dunestead_job": 1, "says": [choice]})

    assert [(one.x, one.sheet) for one in old.sheets.patch_choices] == [(0.25, 2)]
    with pytest.raises(BadInput, match="no “says”"):
        read(tmp_path, {**LEAST, "says": [choice]})


@pytest.mark.parametrize(("fates", "kept"), [("keep", "keep"), ("bridge", "bridge"), ("out", "leave-out")])
def test_one_word_decides_all_pieces(tmp_path: Path, fates: str, kept: str) -> None:
    """R and O have a centre each."""
    assert read(tmp_path, {**LEAST, "fates": fates}).mask.fates == {1: kept, 2: kept}


@pytest.mark.parametrize(
    ("told", "said"),
    [
        ("not json", "no JSON"),
        ("[" * 100_000, "no JSON"),
        ([], "not an object"),
        ({**LEAST, "dunestead_job": 3}, "reads 1 and 2"),
        ({"dunestead_job": 1}, "no “surface”"),
        ({**LEAST, "surface": "moon"}, "moon"),
        ({**LEAST, "surface": 4}, "not a text"),
        ({**LEAST, "blank": 7}, "not an object"),
        ({**LEAST, "blank": {"width": "wide", "height": 4}}, "piece.width"),
        ({**LEAST, "design": []}, "no list of parts"),
        ({**LEAST, "design": [{"song": "la"}]}, "nothing we know"),
        ({**LEAST, "design": [{"words": "ROW", "colur": "#000000"}]}, "no “colur”"),
        ({**LEAST, "design": [{"art": "../../etc/passwd"}]}, "outside"),
        ({**LEAST, "design": [{"art": "/etc/passwd"}]}, "outside"),
        ({**LEAST, "glue": True}, "no “glue”"),
        ({**LEAST, "fates": "burn"}, "cannot be"),
        ({**LEAST, "fates": {"one": "keep"}}, "something else than numbers"),
        ({**LEAST, "coatings": 3}, "no list"),
        ({**LEAST, "coatings": [{"role": "hope"}]}, "coatings"),
    ],
)
def test_what_is_wrong_is_said(tmp_path: Path, told: Any, said: str) -> None:
    with pytest.raises(BadInput, match=said):
        read(tmp_path, told)


def test_the_command_line_reckons_a_job_file_and_ends_with_one_when_something_is_red(monkeypatch, capsys, tmp_path):
    (tmp_path / "word.svg").write_bytes(svg(WORD))
    file = tmp_path / "job.json"
    part = {"art": "word.svg", "width": 500}
    file.write_text(json.dumps({**LEAST, "design": [part], "fates": "keep"}))

    code, out, err = run(monkeypatch, capsys, "plan", file, "--json")
    report = json.loads(out)

    assert (code, err) == (0, "")
    assert (report["method"], report["peel"]["when"], report["times"]["use"]) == ("paper-tape", "wet", 1440)
    (mask,) = report["masks"]
    assert {piece["where"] for piece in mask["loose_pieces"]} == {"tape"}
    # From the top left of the blank: the word lies in the middle, 50 mm from its sides.
    assert (mask["tape"][0]["from"], mask["tape"][0]["mm"]) == ("left", pytest.approx(50, abs=0.01))
    xs = [x for window in mask["windows"] for ring in window for x, _ in ring]
    assert (min(xs), max(xs)) == pytest.approx((50, 550), abs=0.01)
    areas = [_area(window) for window in mask["windows"]]
    assert sum(areas) == pytest.approx(report["coatings"][0]["area_mm2"], rel=1e-4)

    file.write_text(json.dumps({**LEAST, "design": [{**part, "width": 60}]}))
    code, out, _ = run(monkeypatch, capsys, "plan", file, "--json")
    assert code == 1
    assert any(finding["severity"] == "stop" for finding in json.loads(out)["findings"])


def _area(rings: list[list[list[float]]]) -> float:
    def shoelace(ring: list[list[float]]) -> float:
        pairs = zip(ring, [*ring[1:], ring[0]], strict=True)
        return abs(sum(x0 * y1 - x1 * y0 for (x0, y0), (x1, y1) in pairs)) / 2

    return shoelace(rings[0]) - sum(shoelace(ring) for ring in rings[1:])


def test_a_job_file_that_cannot_be_read_is_one_line_and_exit_code_two(monkeypatch, capsys, tmp_path) -> None:
    file = tmp_path / "job.json"
    file.write_text("{")

    code, out, err = run(monkeypatch, capsys, "plan", file, "--json")

    assert (code, out) == (2, "")
    assert len(err.strip().splitlines()) == 1


def test_page_and_command_line_say_the_same_of_the_same_job(monkeypatch, capsys, tmp_path, workbench) -> None:
    make = workbench.designs.keep_file(svg(WORD), "word.svg")
    number = workbench.begin(make, "Mat", "coir")
    plan = workbench.plan(number)
    (tmp_path / "word.svg").write_bytes(svg(WORD))
    file = tmp_path / "job.json"
    file.write_text(json.dumps({**LEAST, "design": [{"art": "word.svg", "width": plan.job.elements[0].width}]}))

    _, out, _ = run(monkeypatch, capsys, "plan", file, "--json")
    report = json.loads(out)

    assert [task["id"] for task in report["tasks"]] == [task.id for task in workbench.open(number, "mm").graph.tasks]
    assert report["coatings"][0]["ml_total"] == pytest.approx(plan.coatings[0].batch.total_ml, abs=1e-3)
    weak = [finding for finding in report["findings"] if finding["code"] in ("neck", "tongue")]
    assert len(weak) == len(plan.weak)


def test_a_zip_that_is_no_job_is_refused() -> None:
    def zipped(*names: str) -> bytes:
        held = io.BytesIO()
        with zipfile.ZipFile(held, "w") as archive:
            for name in names:
                archive.writestr(name, "x")
        return held.getvalue()

    for data, said in ((zipped("a.svg"), "no job.json"), (zipped(*map(str, range(90))), "more than a job")):
        with pytest.raises(BadInput, match=said):
            open_job_zip(data)


def test_a_log_of_before_is_read_under_the_names_of_now() -> None:
    """What a step stood on was once called by another word."""
    row = {"kind": "done", "task": "blank-prepared/k1", "at": "2026-05-10T12:00:00+02:00"}
    files = [
        json.dumps({"dunestead_job": 2, "log": [{**row, name: {"surface": "coir"}}]})
        for name in ("standing", "fingerprint")
    ]

    before, now = (read_job_log(file) for file in files)

    assert before == now
    assert now[0].fingerprint == {"surface": "coir"}


def test_the_colour_of_a_reverse_job_is_that_of_its_paint_unless_one_is_named(tmp_path: Path) -> None:
    told = {
        "dunestead_job": 2,
        "surface": "coir",
        "blank": {"width": 600, "height": 400},
        "design": [{"words": "ROW", "width": 300}],
        "reverse": True,
        "coatings": [
            {"role": "base", "paint": "outdoor-acrylic", "colour": "#f6f3ea"},
            {"role": "colour", "paint": "outdoor-acrylic", "colour": "#8f3d0f"},
        ],
    }

    assert read(tmp_path, told).mask.field_colour == "#8f3d0f"
    assert read(tmp_path, {**told, "field_colour": "#2f8f83"}).mask.field_colour == "#2f8f83"
