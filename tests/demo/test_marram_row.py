"""The demo: five jobs of Marram Row, at different stations, all sound."""

import pytest

from dunestead.demo.marram_row import fill_demo
from dunestead.workbench import OpenJob, Workbench


@pytest.fixture
def row(workbench: Workbench) -> dict[str, OpenJob]:
    fill_demo(workbench)
    return {opened.plan.job.name: opened for opened in workbench.board("mm")}


def test_five_jobs_wait_at_different_stations(row: dict[str, OpenJob]) -> None:
    waiting = {name: opened.next_step.station for name, opened in row.items()}

    assert waiting == {
        "Cabin 8 mat": "blank",
        "Boathouse shirt": "tack",
        "Kitchen towels": "paint",
        "Ferry totes": "sheets",
        "Tide rug": "cure",
    }


def test_every_file_of_the_demo_is_cut_as_planned(row: dict[str, OpenJob]) -> None:
    for opened in row.values():
        assert all(sheet.verdict.agrees for sheet in opened.plan.sheets)


def test_no_station_of_the_demo_must_be_mended(row: dict[str, OpenJob]) -> None:
    stopped = [(name, s.code) for name, opened in row.items() for s in opened.stations if s.state == "stop"]

    assert stopped == []


def test_loose_pieces_are_as_the_letters_say(row: dict[str, OpenJob]) -> None:
    """BOOTS OFF has five centres, CABIN 8 five; the stencil face has none."""
    assert len(row["Cabin 8 mat"].plan.mask.loose) == 10
    assert len(row["Ferry totes"].plan.mask.loose) == 0


def test_keepers_have_answered_every_roll_call_that_is_passed(row: dict[str, OpenJob]) -> None:
    opened = row["Boathouse shirt"]

    assert opened.plan.cut.keepers
    for keeper in opened.plan.cut.keepers:
        assert set(opened.plan.job.calls[keeper.number]) == {"dish"}


def test_a_workshop_with_jobs_is_left_alone(workbench: Workbench, row: dict[str, OpenJob]) -> None:
    fill_demo(workbench)

    assert len(workbench.board("mm")) == len(row)
