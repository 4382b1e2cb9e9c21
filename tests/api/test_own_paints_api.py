"""Own paints and swatches: kept, planned with, photographed; what cannot be is refused."""

import io

import pytest
from PIL import Image

from tests.api.test_design_api import address, begin
from tests.api.test_jobs_api import station
from tests.api.test_painting_api import change

OWN = {
    "name": "Harbour black",
    "like": "outdoor-acrylic",
    "cover": 14,
    "coats_low": 1,
    "coats_high": 2,
    "next_coat": 10,
    "touch": 15,
    "handle": 120,
    "use": 600,
    "flow": "runny",
}
SWATCH = {"paint": "outdoor-acrylic", "surface": "coir", "on": "2026-05-10", "coats": 2, "result": 4, "note": "Fine."}


def photo(width: int = 400, height: int = 200, **more) -> io.BytesIO:
    held = io.BytesIO()
    Image.new("RGB", (width, height), "#aa3311").save(held, "JPEG", **more)
    held.seek(0)
    return held


def test_an_own_paint_is_planned_with_by_its_own_figures(client) -> None:
    key = client.post("/api/workshop/paints", json=OWN).get_json()["paints"][0]["key"]
    job = begin(client)
    before = job["coatings"][0]

    own = change(client, job, coatings=[{"role": "colour", "paint": key}])["coatings"][0]
    room = client.get(f"{address(job)}/paint").get_json()

    # Twice the cover is half the paint, 2 coats for 3: a third.
    assert own["total_ml"] == pytest.approx(max(before["total_ml"] / 3, 2.0), rel=0.01)
    assert (own["coats"], own["touch"], own["use"]) == (2, 15, 600)
    assert "Runny" in {tip["title"] for tip in room["technique"][0]["tips"]}
    assert key in {choice["key"] for choice in room["choices"]}
    assert client.delete(f"/api/workshop/paints/{key.removeprefix('own-')}").status_code == 200
    assert "(removed)" in client.get(address(job)).get_json()["coatings"][0]["paint_name"]


@pytest.mark.parametrize(
    "wrong",
    [{"like": "nothing"}, {"coats_low": 3}, {"touch": 200}, {"cover": 0}, {"name": ""}, {"use": "soon"}],
)
def test_a_paint_that_cannot_be_is_refused(client, wrong) -> None:
    refused = client.post("/api/workshop/paints", json=OWN | wrong)

    assert refused.status_code in (400, 422)
    assert refused.get_json()["fix"]
    assert client.get("/api/workshop").get_json()["paints"] == []


def test_a_new_pair_is_tried_first_and_a_swatch_ends_that(client) -> None:
    job = begin(client, surface="coir")
    codes = [task["code"] for task in station(job, "paint")["tasks"]]

    client.post("/api/workshop/swatches", json=SWATCH)
    after = [task["code"] for task in station(client.get(address(job)).get_json(), "paint")["tasks"]]

    assert codes[0] == "paint-trial"
    assert "paint-trial" not in after


def test_a_photo_is_turned_upright_and_forgets_where_it_was_taken(client) -> None:
    number = client.post("/api/workshop/swatches", json=SWATCH).get_json()["swatches"][0]["id"]
    exif = Image.Exif()
    exif[0x0112], exif[0x010F] = 6, "A device"

    kept = client.post(
        f"/api/workshop/swatches/{number}/photo", data={"photo": (photo(2400, 1200, exif=exif), "swatch.jpg")}
    )
    seen = Image.open(io.BytesIO(client.get(f"/api/workshop/swatches/{number}/photo.jpg").data))

    assert kept.get_json()["swatches"][0]["has_photo"]
    assert seen.size == (800, 1600)
    assert dict(seen.getexif()) == {}
    left = client.delete(f"/api/workshop/swatches/{number}/photo").get_json()["swatches"][0]
    assert (left["has_photo"], left["note"]) == (False, "Fine.")
    assert client.get(f"/api/workshop/swatches/{number}/photo.jpg").status_code == 404


def test_what_is_no_photo_and_what_is_no_swatch_are_refused(client) -> None:
    number = client.post("/api/workshop/swatches", json=SWATCH).get_json()["swatches"][0]["id"]
    here = f"/api/workshop/swatches/{number}"

    assert client.post(f"{here}/photo", data={"photo": (io.BytesIO(b"no"), "a.jpg")}).status_code in (400, 422)
    assert client.post(f"{here}/photo").status_code == 400
    assert client.get(f"{here}/photo.jpg").status_code == 404
    assert client.post("/api/workshop/swatches", json=SWATCH | {"result": 9}).status_code in (400, 422)
    assert client.post("/api/workshop/swatches", json=SWATCH | {"paint": "mud"}).status_code in (400, 404)


def test_a_job_is_not_quietly_closed_with_a_keeper_in_the_print(client) -> None:
    job = begin(client)
    tag = {"If-Match": f'"v{job["version"]}"'}
    written = station(job, "record")["tasks"][-1]["id"]
    for one in (one for room in job["stations"] for one in room["tasks"] if one["id"] != written):
        client.post(f"{address(job)}/tasks/done", json={"task": one["id"], "done": True, "reason": "a trial"})

    refused = client.post(f"{address(job)}/tasks/done", json={"task": written, "done": True}, headers=tag)

    assert refused.status_code == 409
    assert "did not answer at the peel" in refused.get_json()["detail"]
