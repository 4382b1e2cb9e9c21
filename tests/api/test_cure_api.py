"""The cure over the wire: the axis of time, ready by, care cards, the calendar file, hours of the bench."""

import io
from datetime import date, datetime, timedelta

import pytest
from icalendar import Calendar
from pypdf import PdfReader

from dunestead.api.app import create_app
from tests.api.test_design_api import address, begin
from tests.api.test_painting_api import change


def today(client, job: dict) -> date:
    """Return the day it is by the workshop's clock."""
    return datetime.fromisoformat(client.get(f"{address(job)}/cure").get_json()["now"]).astimezone().date()


def test_nothing_is_in_use_before_the_last_coat_is_dry_and_each_date_says_what_it_waits_for(client) -> None:
    job = begin(client)

    told = client.get(f"{address(job)}/cure").get_json()

    events = {event["task"]: event for event in told["events"]}
    last = max(datetime.fromisoformat(e["ends"]) for key, e in events.items() if key.startswith("paint-coat"))
    use = events["cure-use/k1"]
    assert datetime.fromisoformat(use["begins"]) == last + timedelta(hours=24)
    assert use["waits"].startswith("24 h after: Coat 3 of 3")
    assert told["ready"] == use["ends"]
    assert told["by"] is None


def test_what_is_due_today_is_late_and_told_what_would_help(client) -> None:
    job = begin(client)
    late = change(client, job, due=today(client, job).isoformat())

    by = client.get(f"{address(late)}/cure").get_json()["by"]

    assert not by["meets"]
    assert by["late_minutes"] > 0
    assert by["latest"] is None
    assert "too late" in by["summary"]
    assert any(one["meets"] and "day" in one["label"] for one in by["helps"])
    assert all(datetime.fromisoformat(one["ready"]) for one in by["helps"])


def test_what_is_due_in_a_week_has_a_latest_start(client) -> None:
    job = begin(client)
    later = change(client, job, due=(today(client, job) + timedelta(days=7)).isoformat())

    by = client.get(f"{address(later)}/cure").get_json()["by"]

    assert by["meets"]
    assert datetime.fromisoformat(by["latest"]) < datetime.fromisoformat(by["due"]) - timedelta(hours=24)


@pytest.mark.parametrize(
    ("paint", "said"), [("fabric-brush", "Iron it from the back"), ("fabric-spray", "No hot iron")]
)
def test_no_hot_iron_on_what_is_not_set_with_heat(client, paint: str, said: str) -> None:
    job = change(client, begin(client, surface="canvas"), coatings=[{"role": "colour", "paint": paint}])

    page = PdfReader(io.BytesIO(client.get(f"{address(job)}/care-cards-a4.pdf").data)).pages[0].extract_text()

    assert said in " ".join(page.split())


def test_clocks_are_the_same_after_a_restart_on_the_same_data(client, tmp_path) -> None:
    job = begin(client)
    tasks = client.get(f"{address(job)}/stations/paint").get_json()["tasks"]
    coat = next(task["id"] for task in tasks if task["code"] == "paint-coat")
    tag = {"If-Match": f'"v{job["version"]}"'}
    client.post(f"{address(job)}/tasks/done", json={"task": coat, "done": True, "reason": "test"}, headers=tag)
    before = client.get("/api/clocks").get_json()["clocks"]

    again = create_app({"DATABASE": client.application.config["DATABASE"], "TESTING": True})
    after = again.test_client().get("/api/clocks").get_json()["clocks"]

    assert before
    assert after == before


@pytest.mark.parametrize(("paper", "copies", "pages"), [("a4", 1, 1), ("a4", 5, 2), ("letter", 4, 1)])
def test_a_care_card_for_every_copy_four_to_a_page(client, paper: str, copies: int, pages: int) -> None:
    job = change(client, begin(client), copies=copies)

    reader = PdfReader(io.BytesIO(client.get(f"{address(job)}/care-cards-{paper}.pdf").data))
    text = " ".join(page.extract_text() for page in reader.pages)

    assert len(reader.pages) == pages
    assert text.count("First use") == copies
    assert "24 h after the last coat" in text
    assert "label" in text


def test_the_calendar_file_holds_what_is_left_with_alarms(client) -> None:
    job = begin(client)

    calendar = Calendar.from_ical(client.get(f"{address(job)}/times.ics").data)

    events = {str(event["uid"]): event for event in calendar.walk("VEVENT")}
    coat = next(event for uid, event in events.items() if "paint-coat" in uid)
    use = next(event for uid, event in events.items() if "cure-use" in uid)
    assert use.decoded("dtstart") - coat.decoded("dtstart") > timedelta(hours=24)
    assert all(event.walk("VALARM") for event in events.values())
    assert job["inputs"]["name"] in str(coat["summary"])


def test_hours_of_the_bench_move_the_work_and_hours_that_cannot_be_are_refused(client) -> None:
    job = begin(client)
    monday_only = {"day_from": 9, "day_until": 17, "days": [0]}

    kept = client.put("/api/workshop/hours", json=monday_only)
    told = client.get(f"{address(job)}/cure").get_json()
    refused = client.put("/api/workshop/hours", json={"day_from": 9, "day_until": 9, "days": [0]})

    assert kept.get_json() == monday_only
    first = next(event for event in told["events"] if event["task"].startswith("paint-coat"))
    assert datetime.fromisoformat(first["begins"]).astimezone().weekday() == 0
    assert refused.status_code == 400
    assert client.get(f"{address(job)}/cure").get_json()["hours"] == monday_only
