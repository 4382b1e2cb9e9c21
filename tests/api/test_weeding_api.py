"""The weeding over the wire."""

import pytest
from flask.testing import FlaskClient

from tests.api.test_jobs_api import begin


def test_the_map_comes_with_both_pictures_words_and_help(client: FlaskClient) -> None:
    job = begin(client)["id"]
    weed = client.get(f"/api/jobs/{job}/weed").get_json()

    regions = [region for sheet in weed["sheets"] for region in sheet["regions"]]
    assert {region["number"] for region in regions if region["kind"] == "keeper"} == {1, 2, 3}
    assert all(region["sheet_path"].startswith("M") and region["blank_path"].startswith("M") for region in regions)
    assert all(region["pulled"] for region in regions)
    assert weed["help"]


def test_a_rehearsal_is_kept_with_its_time_and_slips(client: FlaskClient) -> None:
    job = begin(client)["id"]

    kept = client.post(f"/api/jobs/{job}/weed/rehearsals", json={"seconds": 81.5, "slips": 2}).get_json()

    assert [(one["seconds"], one["slips"]) for one in kept["rehearsals"]] == [(81.5, 2)]
    assert len(client.get(f"/api/jobs/{job}/weed").get_json()["rehearsals"]) == 1


@pytest.mark.parametrize("given", [{"seconds": -1, "slips": 0}, {"seconds": 5, "slips": -1}, {"seconds": 5}, {}])
def test_a_rehearsal_that_cannot_be_is_refused(client: FlaskClient, given) -> None:
    job = begin(client)["id"]

    answer = client.post(f"/api/jobs/{job}/weed/rehearsals", json=given)

    assert answer.status_code in (400, 422)
    assert client.get(f"/api/jobs/{job}/weed").get_json()["rehearsals"] == []


def test_the_keepers_come_as_a_pdf_and_a_mask_that_is_none_is_said(client: FlaskClient) -> None:
    job = begin(client)["id"]

    assert client.get(f"/api/jobs/{job}/masks/1/keepers-a4.pdf").data.startswith(b"%PDF")
    assert client.get(f"/api/jobs/{job}/masks/7/keepers-a4.pdf").status_code == 404
    client.post(f"/api/jobs/{job}/fates", json={"numbers": None, "fate": "bridge"})
    none = client.get(f"/api/jobs/{job}/masks/1/keepers-a4.pdf")
    assert none.status_code == 404
    assert "No piece of this mask is kept" in none.get_json()["title"]
