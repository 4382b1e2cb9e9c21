"""First strokes, places marked for a second look, touch-ups, the way of the peel, and the clocks of all jobs."""

from datetime import datetime, timedelta

import pytest

from tests.api.test_design_api import address, begin
from tests.api.test_jobs_api import station
from tests.api.test_painting_api import change


class Table:
    """One job at the table: its tasks by code, and what is posted about them."""

    def __init__(self, client, job: dict) -> None:
        self.client, self.job, self.here = client, job, address(job)

    def task(self, code: str, at: str = "paint") -> dict | None:
        tasks = self.client.get(f"{self.here}/stations/{at}").get_json()["tasks"]
        return next((task for task in tasks if task["code"] == code), None)

    def post(self, endpoint: str, **body):
        tag = {"If-Match": f'"v{self.job["version"]}"'}
        return self.client.post(f"{self.here}/tasks/{endpoint}", json=body, headers=tag)

    def do(self, task: str, reason: str = "test") -> None:
        assert self.post("done", task=task, done=True, reason=reason).status_code == 200


@pytest.fixture
def table(client) -> Table:
    return Table(client, begin(client))


def test_a_second_pass_is_planned_for_what_was_marked_and_falls_away_without_marks(table) -> None:
    look = table.task("paint-look-over")
    first = look["marking"]["windows"][0]

    assert [kind["key"] for kind in look["marking"]["kinds"]] == ["bare", "thin", "missed"]
    assert table.task("paint-again") is None
    marked = table.post("mark", task=look["id"], what="thin", at=first["at"])
    again = table.task("paint-again")
    table.post("unmark", task=look["id"], number=1)

    assert marked.status_code == 200
    assert [mark["what"] for mark in again["marking"]["marks"]] == ["Thin"]
    assert table.task("paint-again") is None
    assert table.post("unmark", task=look["id"], number=1).status_code == 404


def test_the_peel_waits_for_the_second_pass_only_where_something_is_marked(table) -> None:
    look = table.task("paint-look-over")
    table.post("mark", task=look["id"], what="bare", at=look["marking"]["windows"][0]["at"])
    for code in ("paint-coat", "paint-look-over"):
        for task in [
            t for t in station(table.client.get(table.here).get_json(), "paint")["tasks"] if t["code"] == code
        ]:
            table.do(task["id"])
    waiting = table.task("peel-count", "peel")["state"]
    table.do(table.task("paint-again")["id"])

    assert (waiting, table.task("peel-count", "peel")["state"]) == ("open", "ready")


@pytest.mark.parametrize(
    ("what", "at", "status"),
    [("bleed", [10, 10], 400), ("thin", [-5, 10], 400), ("thin", [10], 422), ("gone", [10, 10], 422)],
)
def test_what_cannot_be_marked_is_refused_with_what_to_do(table, what, at, status) -> None:
    refused = table.post("mark", task=table.task("paint-look-over")["id"], what=what, at=at)

    assert (refused.status_code, bool(refused.get_json()["fix"])) == (status, True)
    assert table.post("mark", task="paint-coat/m1/k1/c1/n1", what="thin", at=[10, 10]).status_code == 400


def test_a_bleed_has_its_remedy_and_is_ticked_off(table) -> None:
    task = table.task("peel-touched-up", "peel")
    table.post("mark", task=task["id"], what="bleed", at=[100, 100])
    table.post("mended", task=task["id"], number=1, mended=True)
    (mark,) = table.task("peel-touched-up", "peel")["marking"]["marks"]
    table.post("mended", task=task["id"], number=1, mended=False)

    assert "colour of the ground" in mark["text"]
    assert mark["mended"]
    assert not table.task("peel-touched-up", "peel")["marking"]["marks"][0]["mended"]


def test_every_gap_of_a_bridge_is_listed_with_size_and_colour(client) -> None:
    job = begin(client)
    tag = {"If-Match": f'"v{job["version"]}"'}
    job = client.post(f"{address(job)}/fates", json={"numbers": None, "fate": "bridge"}, headers=tag).get_json()
    table = Table(client, job)
    task = table.task("peel-touched-up", "peel")
    gaps = task["marking"]["marks"]
    bridges = [bridge for mask in job["picture"]["masks"] for bridge in mask["bridges"]]

    assert len(gaps) == len(bridges) > 0
    assert all("Bridge gap" in gap["text"] and not gap["mended"] for gap in gaps)
    table.post("call", task=task["id"], numbers=[1], present=True)
    assert table.task("peel-touched-up", "peel")["marking"]["marks"][0]["mended"]


def test_a_clock_runs_from_the_first_stroke_that_was_said(table) -> None:
    coats = [t for t in station(table.client.get(table.here).get_json(), "paint")["tasks"] if t["code"] == "paint-coat"]
    began = table.post("begun", task=coats[0]["id"])
    begun = table.task("paint-coat")["begun"]
    for coat in coats:
        table.do(coat["id"])
    peel = table.task("peel-count", "peel")

    assert began.status_code == 200
    # Outdoor acrylic is dry to the touch after 30 min: the wet peel is over then, whenever the last coat was.
    latest = datetime.fromisoformat(begun) + timedelta(minutes=30)
    assert datetime.fromisoformat(peel["closes"]) <= latest
    assert table.post("begun", task=coats[0]["id"]).status_code == 400
    assert table.post("begun", task="nothing").status_code == 400


def test_clocks_of_all_jobs_come_together_soonest_first(client) -> None:
    names = []
    for _ in range(2):
        job = begin(client)
        table = Table(client, job)
        table.do(table.task("paint-coat")["id"])
        names.append(job["id"])

    told = client.get("/api/clocks").get_json()

    assert {clock["job"] for clock in told["clocks"]} == set(names)
    opens = [clock["opens"] or clock["closes"] for clock in told["clocks"]]
    assert opens == sorted(opens)
    assert told["alarm_minutes"] == 1
    peel = [clock for clock in told["clocks"] if clock["station"] == "peel"]
    assert all("Too late" in clock["late"] for clock in peel)


def test_clocks_follow_what_the_maker_says_of_a_paint(client) -> None:
    """A paint of the maker's own that is then said to dry twice as slowly is waited for twice as long."""
    paint = {"name": "Gull grey", "like": "outdoor-acrylic", "cover": 7, "next_coat": 20, "touch": 30, "handle": 240}
    client.post("/api/workshop/paints", json=paint | {"use": 1440})
    job = begin(client)
    coatings = [{"role": "colour", "paint": "own-1", "coats": 1}]
    job = client.patch(f"/api/jobs/{job['id']}", json={"coatings": coatings, "peel_when": "touch-dry"}).get_json()
    table = Table(client, job)
    table.do(table.task("paint-coat")["id"])

    def peels() -> datetime:
        clocks = client.get("/api/clocks").get_json()["clocks"]
        return min(datetime.fromisoformat(one["opens"]) for one in clocks if one["station"] == "peel")

    before = peels()
    client.put("/api/workshop/paints/1", json=paint | {"touch": 60, "use": 1440})
    assert peels() - before == timedelta(minutes=30)


def test_each_mask_has_a_way_to_come_off_from_one_end_of_it_to_the_other(client) -> None:
    job = begin(client)
    told = client.get(f"{address(job)}/peel").get_json()
    box = job["picture"]["masks"][0]["box"]
    (way,) = told["masks"]

    assert way["summary"].startswith("Begin at the ")
    assert {way["begins"][0], way["ends"][0]} <= {box[0], box[2], (box[0] + box[2]) / 2}
    assert "Too late" in told["late"]


def test_weather_can_be_changed_and_clocks_follow(client) -> None:
    job = begin(client)
    cold = {"temperature": 10, "humidity": 50, "wind": 0, "rain": False}

    assert change(client, job, weather=cold)["coatings"][0]["touch"] == 60
