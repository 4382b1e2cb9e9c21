"""The stores by way of the API: what a plan reserves, what ticks take and give back, what is to be bought."""

import csv
import io
from typing import Any

import pytest
from flask.testing import FlaskClient
from pypdf import PdfReader

from tests.api.test_jobs_api import begin
from tests.shapes import rect

BAR = rect(0, 0, 300, 100)
TIN = {"name": "Tin", "kind": "paint", "key": "outdoor-acrylic", "left": 500}
PINS = {"name": "Pins", "kind": "pins", "left": 200}
MEASURED = {"width": 500, "height": 700, "measured_width": 500, "measured_height": 700}
ROLL = {"name": "Roll", "kind": "roll", "key": "paper-coated-down", "width": 457, "left": 5000}


def keep(client: FlaskClient, **item: Any) -> int:
    told = client.post("/api/stores/items", json=item)
    assert told.status_code == 201, told.text
    return told.get_json()["items"][-1]["id"]


def bar_job(client: FlaskClient, **fields: str) -> str:
    """Begin a job of a bar of 300 by 100 mm on coir; returns its address."""
    address = f"/api/jobs/{begin(client, BAR, **fields)['id']}"
    client.patch(address, json={"design_width": 300})
    return address


def item(client: FlaskClient, number: int) -> dict[str, Any]:
    return next(one for one in client.get("/api/stores").get_json()["items"] if one["id"] == number)


def tasks(client: FlaskClient, address: str, code: str, copy: int = 1) -> list[str]:
    work = client.get(f"{address}/work?copy={copy}").get_json()
    return [task["id"] for one in work["stations"] for task in one["tasks"] if task["code"] == code]


def tick(client: FlaskClient, address: str, task: str, *, done: bool = True) -> None:
    told = client.post(f"{address}/tasks/done", json={"task": task, "done": done, "reason": "a trial"})
    assert told.status_code == 200, told.text


def ledger(client: FlaskClient, number: int) -> list[tuple[str, float]]:
    rows = client.get(f"/api/stores/items/{number}/ledger").get_json()["moves"]
    return [(row["why"], round(row["amount"], 6)) for row in rows[::-1]]


def test_a_plan_reserves_a_tick_takes_and_taking_back_gives_back(client) -> None:
    number = keep(client, **TIN)
    address = bar_job(client)
    # 3 coats on 300 x 100 mm of coir: 0.03 m2 x 3 x 4 / 7 l, and 3 ml that stay in the brush.
    needed = 0.03 * 3 * 4 / 7 * 1000 + 3
    assert item(client, number)["free"] == pytest.approx(500 - needed)

    coats = tasks(client, address, "paint-coat")
    for coat in coats[:2]:
        tick(client, address, coat)
    assert ledger(client, number)[1:] == [("used", round(-needed / 3, 6))] * 2
    assert item(client, number)["left"] == pytest.approx(500 - 2 * needed / 3)
    assert item(client, number)["free"] == pytest.approx(500 - needed)

    tick(client, address, coats[1], done=False)
    tick(client, address, coats[1], done=False)
    assert item(client, number)["left"] == pytest.approx(500 - needed / 3)
    tick(client, address, coats[1])
    tick(client, address, coats[1])
    assert item(client, number)["left"] == pytest.approx(500 - 2 * needed / 3)


def test_a_stock_take_corrects_the_account_and_below_nothing_is_said(client) -> None:
    number = keep(client, **TIN | {"left": 20})
    address = bar_job(client)
    for coat in tasks(client, address, "paint-coat"):
        tick(client, address, coat)
    short = item(client, number)
    assert short["left"] == pytest.approx(20 - 54.43, abs=0.01)
    assert short["said"].startswith("You used 34 ml more than was in stock")

    told = client.post(f"/api/stores/items/{number}/count", json={"amount": 12, "note": "by eye"})
    assert told.status_code == 200
    assert (item(client, number)["left"], item(client, number)["said"]) == (12, "")
    assert sum(amount for _, amount in ledger(client, number)) == pytest.approx(12)
    assert client.post(f"/api/stores/items/{number}/count", json={"amount": 12}).status_code == 409
    client.post(f"/api/stores/items/{number}/buy", json={"amount": 250})
    assert item(client, number)["left"] == 262
    for left in (12, pytest.approx(20 - 54.43, abs=0.01)):
        assert client.post(f"/api/stores/items/{number}/take-back").status_code == 200
        assert item(client, number)["left"] == left
    assert client.post(f"/api/stores/items/{number}/take-back").status_code == 409


@pytest.mark.parametrize(
    ("path", "body"),
    [
        ("items", TIN | {"key": "moon-paint"}),
        ("items", TIN | {"left": -1}),
        ("items", TIN | {"name": " "}),
        ("items", ROLL | {"width": None}),
        ("items", {"name": "Sheets", "kind": "sheets", "key": "card", "width": 300, "left": 3}),
        ("items", {"name": "Tape", "kind": "carrier", "key": "sticky", "left": 3}),
        ("items/1/count", {"amount": -2}),
        ("items/1/count", {"amount": 2e9}),
        ("items/1/buy", {"amount": 0}),
    ],
)
def test_what_cannot_be_in_store_is_refused_and_nothing_is_written(client, path, body) -> None:
    number = keep(client, **PINS)

    told = client.post(f"/api/stores/{path.replace('1', str(number))}", json=body)

    assert told.status_code == 400
    assert told.get_json()["fix"]
    assert [one["left"] for one in client.get("/api/stores").get_json()["items"]] == [200]
    assert ledger(client, number) == [("begun", 200)]


def test_the_shopping_list_names_what_is_short_in_cans_and_for_which_job(client) -> None:
    keep(client, **TIN | {"left": 10})
    keep(client, **PINS | {"left": 10, "keep_at_least": 400})
    client.patch(bar_job(client, name="Low tide"), json={"copies": 2})

    rows = list(csv.DictReader(io.StringIO(client.get("/api/stores/shopping.csv").text)))
    paint = next(row for row in rows if row["what"].startswith("Outdoor acrylic"))
    # Two mats: 2 x 0.03 m2 x 3 x 4 / 7 l, 3 ml in the brush for each, less the 10 that are there.
    assert paint["how much"] == f"{2 * (0.03 * 3 * 4 / 7 * 1000 + 3) - 10:.0f} ml"
    assert paint["packs"] == "2 bottles"
    assert paint["for"].startswith("Low tide (")
    assert any(row["what"] == "Pins" for row in rows)
    text = PdfReader(io.BytesIO(client.get("/api/stores/shopping-a4.pdf").data)).pages[0].extract_text()
    assert "Shopping list" in text
    assert "Low tide" in text


def test_many_jobs_are_reckoned_a_few_at_a_time_and_kept_until_they_change(client) -> None:
    addresses = [bar_job(client), bar_job(client)]
    needs = client.application.extensions["workbench"].inventory._needs

    assert needs(-1.0) == ([], 2)
    found, waiting = needs(None)
    assert ([one.job for one in found], waiting) == ([1, 2], 0)
    assert needs(-1.0) == (found, 0)
    client.patch(addresses[0], json={"copies": 2})
    assert [one.job for one in needs(-1.0)[0]] == [2]


def test_an_offcut_that_was_kept_goes_before_the_roll(client) -> None:
    roll = keep(client, **ROLL)
    first = begin(client, rect(0, 0, 180, 60))
    address = f"/api/jobs/{first['id']}"
    offcut = next(iter(client.get(f"{address}/stores").get_json()["offcuts"]))
    asked = {name: offcut[name] for name in ("sheet", "width", "length")}
    told = client.post(f"{address}/offcuts", json=asked)
    assert told.get_json()["offcuts"][0]["is_kept"]
    assert client.post(f"{address}/offcuts", json=asked).status_code == 409
    for wrong in ({"sheet": 99}, {"width": asked["width"] + 5}):
        assert client.post(f"{address}/offcuts", json=asked | wrong).status_code == 404
    rest = client.get("/api/stores").get_json()["items"][-1]
    assert (rest["width"], rest["length"]) == (round(offcut["width"], 1), round(offcut["length"], 1))

    small = begin(client, rect(0, 0, 60, 30), name="Small", width="120", height="100")
    own = f"/api/jobs/{small['id']}"
    wants = client.get(f"{own}/stores").get_json()["wants"]
    assert next(want for want in wants if want["kind"] == "roll")["taken_from"] == [rest["name"]]
    for sheet in tasks(client, own, "sheets-cut"):
        tick(client, own, sheet)
    assert item(client, rest["id"])["left"] == 0
    assert ledger(client, roll) == [("begun", 5000)]

    client.patch(own, json={"offcuts": False})
    wants = client.get(f"{own}/stores").get_json()["wants"]
    assert all(want["taken_from"] != [rest["name"]] for want in wants)


def test_pins_of_paper_go_to_the_bin_those_of_film_come_back_as_many_as_were_counted(client) -> None:
    number = keep(client, **PINS)
    job = begin(client, BAR)
    address = f"/api/jobs/{job['id']}"
    (task,) = tasks(client, address, "tack-pins")
    client.post(f"{address}/tasks/count", json={"task": task, "what": "pins", "count": 14})
    tick(client, address, task)
    assert item(client, number)["left"] == 186
    (back,) = tasks(client, address, "peel-pins")
    tick(client, address, back)
    assert item(client, number)["left"] == 186

    film = begin(client, '<path fill-rule="evenodd" d="M0 0H300V200H0z M100 60H200V140H100z"/>')
    own = f"/api/jobs/{film['id']}"
    client.patch(own, json={"material": "vinyl-removable", "method": "untaped"})
    client.post(f"{own}/fates", json={"numbers": None, "fate": "keep"})
    (task,) = tasks(client, own, "tack-pins")
    tick(client, own, task)
    out = 186 - item(client, number)["left"]
    assert out > 0
    (back,) = tasks(client, own, "peel-pins")
    client.post(f"{own}/tasks/count", json={"task": back, "what": "pins", "count": int(out) - 1})
    tick(client, own, back)
    assert item(client, number)["left"] == 185


def test_a_plastic_mask_is_kept_used_again_and_worn_out(client) -> None:
    job = begin(client, BAR, surface="flat-towel")
    address = f"/api/jobs/{job['id']}"
    client.patch(address, json={"material": "plastic", "method": "spray-tack", "copies": 2})
    assert client.post(f"{address}/masks/1/keep").status_code == 409
    for copy in (1, 2):
        tick(client, address, tasks(client, address, "peel-sheet", copy)[0])
    assert client.get(f"{address}/stores").get_json()["can_keep"] == [1]
    assert client.post(f"{address}/masks/1/keep").status_code == 201
    assert client.post(f"{address}/masks/1/keep").status_code == 409
    assert client.post(f"{address}/masks/7/keep").status_code == 404
    kept = client.get("/api/stores").get_json()["items"][-1]
    assert (kept["kind"], kept["left"], kept["name"]) == ("mask", 28, "Mask of Cabin 8 mat")

    (again,) = client.post(f"{address}/again", json={"name": "More towels"}).get_json()["jobs"]
    own = f"/api/jobs/{again}"
    (offered,) = client.get(f"{own}/stores").get_json()["masks"]
    assert (offered["item"], offered["mask"], offered["is_enough"]) == (kept["id"], 1, True)
    job = client.patch(own, json={"kept_masks": [kept["id"]], "blank": MEASURED}).get_json()
    sheets = next(one for one in job["stations"] if one["code"] == "sheets")
    assert (sheets["verdict"], sheets["onward"]) == ("1 mask in store is used again: nothing is cut.", None)
    assert tasks(client, own, "sheets-cut") == tasks(client, own, "weed-windows") == []
    assert "mask" not in {line["key"] for line in client.get(f"{own}/costs").get_json()["lines"]}
    for copy in (1, 2):
        tick(client, own, tasks(client, own, "peel-sheet", copy)[0])
    assert item(client, kept["id"])["left"] == 26

    other = client.patch(own, json={"design_width": 250}).get_json()
    assert "of another design" in next(one for one in other["stations"] if one["code"] == "sheets")["verdict"]
    client.post(f"/api/stores/items/{kept['id']}/worn")
    uses = next(one for one in client.get("/api/learning").get_json()["figures"] if one["key"] == "uses/plastic")
    assert (uses["table"], uses["values"][0]["value"]) == (30, 4)
