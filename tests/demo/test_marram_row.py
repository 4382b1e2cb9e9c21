"""The demo: the jobs of Marram Row, at different stations, sound but for two that teach."""

import json
from collections.abc import Iterator
from pathlib import Path

import pytest
from jsonschema import Draft202012Validator

from dunestead.demo.marram_row import EXAMPLES, begin_example, fill_demo
from dunestead.formats.job_file import read_job_file, read_job_log, write_job_file
from dunestead.formats.job_schema import job_schema
from dunestead.formats.job_zip import open_job_zip, zip_job
from dunestead.store import BlankStore, JobStore, RunStore, open_database, open_records
from dunestead.workshop.cutting_room import CuttingRoom
from dunestead.workshop.opened import OpenJob
from dunestead.workshop.workbench import Workbench
from tests.making import CATALOGUE

SCHEMA = Draft202012Validator(job_schema())


@pytest.fixture(scope="module")
def workbench(tmp_path_factory, catalogue) -> Iterator[Workbench]:
    engine = open_database(tmp_path_factory.mktemp("demo") / "demo.sqlite")
    yield Workbench(
        JobStore(engine), BlankStore(engine), open_records(engine), catalogue, CuttingRoom(RunStore(engine))
    )
    engine.dispose()


def _on_the_board(workbench: Workbench) -> list[int]:
    return [row.id for row in workbench._store.excerpts("card")]


@pytest.fixture(scope="module")
def row(workbench: Workbench) -> dict[str, OpenJob]:
    fill_demo(workbench)
    opened = [workbench.open(number, "mm") for number in _on_the_board(workbench)]
    return {one.plan.job.name: one for one in opened}


def test_jobs_wait_at_different_stations(row: dict[str, OpenJob]) -> None:
    waiting = {name: opened.next.station for name, opened in row.items()}

    # Two wait for a decision, four for what comes after what was ticked; the rest begin with preparing their blank.
    assert waiting == dict.fromkeys(row, "blank") | {
        "Cabin 8 mat": "mask",
        "Slipway round mat": "mask",
        "Boathouse shirt": "tack",
        "Kitchen towels": "paint",
        "Tide rug": "cure",
        "Boat shed mat, two-tone": "sheets",
    }
    assert len(row) == 20


def test_every_method_and_every_surface_of_the_trade_is_there(row: dict[str, OpenJob]) -> None:
    methods = {opened.plan.method.key for opened in row.values()}
    surfaces = {opened.plan.choices.surface.key for opened in row.values()}

    assert methods == set(CATALOGUE.methods)
    assert surfaces == set(CATALOGUE.surfaces)
    assert all(opened.plan.method_fit.allowed for opened in row.values())


def test_two_jobs_teach_and_no_other_has_a_decision_open(row: dict[str, OpenJob]) -> None:
    assert [name for name, opened in row.items() if opened.next.kind == "decide"] == [
        "Cabin 8 mat",
        "Slipway round mat",
    ]
    fine = [
        name for name, opened in row.items() if any(s.code == "artwork" and s.state == "warn" for s in opened.stations)
    ]
    assert fine == ["Cabin 8 mat"]


@pytest.mark.parametrize("key", EXAMPLES)
def test_an_example_begins_with_nothing_decided(workbench: Workbench, row, key: str) -> None:
    number = begin_example(workbench, key)
    opened = workbench.open(number, "mm")

    assert not opened.plan.job.piece.is_measured
    assert opened.plan.look.found
    assert not opened.plan.job.mask.fates
    workbench.delete(number)


def test_every_file_of_the_demo_is_cut_as_planned(row: dict[str, OpenJob]) -> None:
    for opened in row.values():
        assert all(sheet.verdict.agrees for sheet in opened.plan.sheets)


def test_no_station_of_the_demo_must_be_mended(row: dict[str, OpenJob]) -> None:
    stopped = [(name, s.code) for name, opened in row.items() for s in opened.stations if s.state == "stop"]

    assert stopped == []


def test_loose_pieces_are_as_the_letters_say(row: dict[str, OpenJob]) -> None:
    """BOOTS OFF has five centres, CABIN 8 five; the stencil face has none."""
    assert len(row["Cabin 8 mat"].plan.look.loose) == 10
    assert len(row["Ferry totes"].plan.look.loose) == 0
    assert len(row["Gull bag panel"].plan.look.loose) == 2
    # Eight letters, each a piece of the reverse mask.
    assert len(row["Boat shed mat, two-tone"].plan.look.loose) == 8


def test_one_job_has_a_reverse_mask_and_one_a_mask_for_each_colour_as_large_as_its_blank(row) -> None:
    shed, board = row["Boat shed mat, two-tone"].plan, row["Key board, cabin 8"].plan

    assert shed.masks[0].laid.is_reverse
    assert len(board.masks) == 2
    assert board.look.aligned


def test_words_drawings_a_traced_sheet_and_a_frame_are_all_there(row: dict[str, OpenJob]) -> None:
    kinds = {element.kind for opened in row.values() for element in opened.plan.job.elements}

    assert kinds == {"words", "drawn", "traced", "frame"}


def test_the_workshop_keeps_blanks_of_its_own(workbench: Workbench, row: dict[str, OpenJob]) -> None:
    assert "Round mat" in {kept.name for kept in workbench.blanks.all()}


def test_keepers_have_answered_every_roll_call_that_is_passed(row: dict[str, OpenJob]) -> None:
    opened = row["Boathouse shirt"]

    calls = [task for task in opened.graph.tasks if task.call and task.call.numbers and task.call.of == "keepers"]
    assert {task.code for task in calls if not opened.progress.missing(task)} == {"weed-count"}
    assert {task.copy for task in calls} == {1, 2}


def test_a_workshop_with_jobs_is_left_alone(workbench: Workbench, row: dict[str, OpenJob]) -> None:
    fill_demo(workbench)

    assert len(_on_the_board(workbench)) == len(row)


def test_every_job_goes_into_another_workshop_with_its_files_and_what_happened(
    workbench: Workbench, row: dict[str, OpenJob], tmp_path
) -> None:
    engine = open_database(tmp_path / "other.sqlite")
    other = Workbench(
        JobStore(engine), BlankStore(engine), open_records(engine), CATALOGUE, CuttingRoom(RunStore(engine))
    )
    for number in _on_the_board(workbench):
        job, log = workbench.stored(number)
        text, files = open_job_zip(zip_job(job, workbench.file, log))
        SCHEMA.validate(json.loads(text))

        read = read_job_file(text, other.designs.keep_named(files), other.sources, CATALOGUE)
        there = other.stored(other.add(read, read_job_log(text)))

        assert there[1] == log
        assert there[0].name == job.name
        assert json.loads(write_job_file(*_plain(there))) == json.loads(write_job_file(*_plain((job, log))))
    engine.dispose()


def _plain(stored: tuple) -> tuple:
    """Return what a job file is written from, the files under their own keys."""
    return stored[0], lambda key, _: key, stored[1]


def test_the_published_schema_is_the_one_job_files_are_written_by() -> None:
    published = json.loads(Path("docs/job-file.schema.json").read_text())

    assert published == job_schema()
    assert not list(
        SCHEMA.iter_errors(
            {"dunestead_job": 2, "surface": "coir", "blank": {"width": 600, "height": 400}, "design": [{"words": "A"}]}
        )
    )
    assert [one.message for one in SCHEMA.iter_errors({"dunestead_job": 3})]
