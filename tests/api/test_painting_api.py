"""The painting over the wire: the stack and its order, paints with reasons, the weather, mixes."""

import pytest

from tests.api.test_design_api import address, begin
from tests.api.test_jobs_api import station


def change(client, job: dict, **entries) -> dict:
    answer = client.patch(f"{address(job)}", json=entries, headers={"If-Match": f'"v{job["version"]}"'})
    assert answer.status_code == 200, answer.text
    return answer.get_json()


def test_paints_come_with_reasons_and_each_coating_with_its_card(client) -> None:
    here = address(begin(client))

    room = client.get(f"{here}/paint").get_json()

    first, last = room["choices"][0], room["choices"][-1]
    assert first["allowed"]
    assert first["parts"]
    assert not last["allowed"]
    assert last["why"]
    assert [layer["kind"] for layer in room["section"]] == ["coating", "blank"]
    assert {tip["title"] for tip in room["technique"][0]["tips"]} >= {"Load", "Motion"}
    assert (room["load"], room["wanted"], room["spraying"]) == ("heavy", "solid", None)
    assert room["schools"][0]["usual"]


def test_what_is_wanted_of_the_print_sets_coats_and_paint(client) -> None:
    job = begin(client)
    solid = job["coatings"][0]

    washed = change(client, job, wanted="washed")["coatings"][0]

    assert (solid["coats"], washed["coats"]) == (3, 1)
    assert washed["pour_ml"] < solid["pour_ml"]
    assert solid["low_ml"] < solid["pour_ml"] < solid["high_ml"]


def test_coatings_move_within_their_role_and_else_are_refused_with_the_reason(client) -> None:
    job = begin(client)
    stack = [
        {"role": "colour", "paint": "outdoor-acrylic", "colour": "#aa2222"},
        {"role": "base", "paint": "outdoor-acrylic", "colour": "#ffffff"},
        {"role": "colour", "paint": "outdoor-acrylic", "colour": "#2222aa"},
    ]
    job = change(client, job, coatings=stack)
    tag = {"If-Match": f'"v{job["version"]}"'}

    refused = client.post(f"{address(job)}/coatings/move", json={"index": 1, "by": 1}, headers=tag)
    moved = client.post(f"{address(job)}/coatings/move", json={"index": 0, "by": 1}, headers=tag)

    assert refused.status_code == 400
    assert "under the design" in refused.get_json()["detail"]
    assert [one["colour"] for one in moved.get_json()["inputs"]["coatings"]] == ["#2222aa", "#ffffff", "#aa2222"]
    assert moved.get_json()["history"]["undo"]


def test_spraying_in_wind_asks_why(client) -> None:
    job = begin(client)
    coatings = [{"role": "colour", "paint": "rubber-spray", "coats": 1}]
    weather = {"temperature": 20, "humidity": 50, "wind": 6, "rain": False}
    job = change(client, job, coatings=coatings, weather=weather)
    room = client.get(f"{address(job)}/paint").get_json()
    tasks = [one["id"] for room in job["stations"] for one in room["tasks"]]
    task = next(one for one in tasks if one.startswith("paint-coat"))
    for before in tasks[: tasks.index(task)]:
        client.post(f"{address(job)}/tasks/done", json={"task": before, "done": True, "reason": "a trial"})
    tag = {"If-Match": f'"v{job["version"]}"'}

    refused = client.post(f"{address(job)}/tasks/done", json={"task": task, "done": True}, headers=tag)
    reasoned = client.post(
        f"{address(job)}/tasks/done", json={"task": task, "done": True, "reason": "In the lee."}, headers=tag
    )

    assert room["spraying"]["verdict"] == "no"
    assert station(job, "paint")["verdict"].startswith("The weather is wrong for spraying: wind 6 m/s")
    assert refused.status_code == 409
    assert "wind 6 m/s" in refused.get_json()["detail"]
    assert reasoned.status_code == 200


def test_the_forecast_names_its_source_and_the_next_good_time(client) -> None:
    job = begin(client)

    told = client.get(f"{address(job)}/weather").get_json()

    assert "Simulated" in told["source"]
    assert len(told["hours"]) == 120
    assert told["summary"]
    for spell in told["spells"]:
        hour = next(one for one in told["hours"] if one["at"] == spell["begins"])
        assert hour["verdict"] == "go"


@pytest.mark.parametrize("bad", [{"mix": [], "ml": 0}, {"mix": [{"name": "", "colour": "#fff"}], "ml": 5}, {"ml": 5}])
def test_a_mix_is_parted_and_one_that_cannot_be_is_refused(client, bad) -> None:
    mix = [{"name": "white", "colour": "#ffffff", "parts": 2}, {"name": "slate", "colour": "#22313a", "parts": 1}]

    told = client.post("/api/mix", json={"mix": mix, "ml": 30}).get_json()

    assert told["each_ml"] == [20, 10]
    assert told["colour"].startswith("#")
    assert client.post("/api/mix", json=bad).status_code in (400, 422)
