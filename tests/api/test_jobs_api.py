"""The API: begin, look, change, undo; every failure a problem in a maker's words."""

import io
from typing import Any

import pytest
from flask.testing import FlaskClient

from tests.shapes import WORD, rect, svg


def begin(client: FlaskClient, body: str = WORD, **fields: str) -> dict[str, Any]:
    form = {"artwork": (io.BytesIO(svg(body)), "cabin-8_mat.svg"), **fields}
    answer = client.post("/api/jobs", data=form)
    assert answer.status_code == 201, answer.text
    return answer.get_json()


def station(job: dict[str, Any], code: str) -> dict[str, Any]:
    return next(found for found in job["stations"] if found["code"] == code)


def test_a_job_begins_from_a_dropped_file(client) -> None:
    job = begin(client, surface="coir")

    assert job["inputs"]["name"] == "Cabin 8 mat"
    assert [piece["number"] for piece in job["pieces"]] == [1, 2, 3]
    assert [found["code"] for found in job["stations"]][:3] == ["blank", "artwork", "mask"]
    assert job["history"] == {"undo": None, "redo": None}
    assert client.get("/api/jobs").get_json()["jobs"][0]["loose"] == 3


def test_a_change_shows_at_once_and_can_be_taken_back(client) -> None:
    job = begin(client)
    address = f"/api/jobs/{job['id']}"

    wider = client.patch(address, json={"design_width": 321.0}).get_json()
    assert wider["rail"]["width"] == pytest.approx(321.0)
    assert wider["history"]["undo"] == "Width of the design"
    back = client.post(f"{address}/undo").get_json()
    assert back["rail"]["width"] == job["rail"]["width"]
    again = client.post(f"{address}/redo").get_json()
    assert again["rail"]["width"] == wider["rail"]["width"]


def test_fates_for_one_and_for_all(client) -> None:
    job = begin(client)
    address = f"/api/jobs/{job['id']}/fates"

    one = client.post(address, json={"numbers": [2], "fate": "bridge"}).get_json()
    assert [piece["is_kept"] for piece in one["pieces"]] == [True, False, True]
    assert {bridge["piece"] for bridge in one["picture"]["masks"][0]["bridges"]} == {2}
    every = client.post(address, json={"fate": "leave-out"}).get_json()
    assert {piece["fate"] for piece in every["pieces"]} == {"leave-out"}
    assert every["history"]["undo"] == "All pieces left out"
    undecided = client.post(address, json={"numbers": [1], "fate": None}).get_json()
    assert [piece["fate"] for piece in undecided["pieces"]] == [None, "leave-out", "leave-out"]


def test_numbers_survive_a_change_of_size(client) -> None:
    job = begin(client)
    client.post(f"/api/jobs/{job['id']}/fates", json={"numbers": [3], "fate": "bridge"})

    smaller = client.patch(f"/api/jobs/{job['id']}", json={"design_width": 200.0}).get_json()

    assert [piece["fate"] for piece in smaller["pieces"]] == [None, None, "bridge"]


def test_a_roll_call_closes_only_when_the_count_comes_out(client) -> None:
    address = f"/api/jobs/{begin(client)['id']}"

    early = client.post(f"{address}/ticks", json={"code": "weed-dish", "done": True})
    assert early.status_code == 400
    assert "3 missing (1, 2, 3)" in early.get_json()["title"]
    client.post(f"{address}/calls", json={"numbers": [1, 3], "call": "dish", "done": True})
    assert (
        "1 missing (2)" in client.post(f"{address}/ticks", json={"code": "weed-dish", "done": True}).get_json()["title"]
    )
    client.post(f"{address}/calls", json={"call": "dish", "done": True})
    done = client.post(f"{address}/ticks", json={"code": "weed-dish", "done": True})
    assert done.status_code == 200
    assert station(done.get_json(), "weed")["rows"][2]["value"] == 3


def test_the_last_coat_starts_the_clock(client) -> None:
    address = f"/api/jobs/{begin(client)['id']}"
    client.patch(address, json={"coats": 1})

    job = client.post(f"{address}/ticks", json={"code": "paint-coat-1", "done": True}).get_json()

    assert job["last_coat"] <= job["peel_closes"]
    assert station(job, "peel")["state"] == "stop"
    back = client.post(f"{address}/ticks", json={"code": "paint-coat-1", "done": False}).get_json()
    assert back["last_coat"] is None


def test_a_record_is_kept(client) -> None:
    job = begin(client)
    entry = {"grade": 5, "notes": "As wished", "minutes": {"weed": 9}, "paint_ml": 60}

    kept = client.put(f"/api/jobs/{job['id']}/record", json=entry).get_json()

    assert kept["record"] == entry
    assert "5 of 5" in station(kept, "record")["verdict"]


def test_a_job_is_put_away_and_brought_back(client) -> None:
    job = begin(client)

    assert client.post(f"/api/jobs/{job['id']}/put-away").status_code == 204
    assert client.get("/api/jobs").get_json()["jobs"] == []
    assert client.post(f"/api/jobs/{job['id']}/bring-back").status_code == 204
    assert len(client.get("/api/jobs").get_json()["jobs"]) == 1


def test_figures_can_be_given_back_to_the_catalogue(client) -> None:
    address = f"/api/jobs/{begin(client)['id']}"
    client.patch(address, json={"border": 25.0, "coats": 2})

    job = client.patch(address, json={"border": None, "coats": None}).get_json()

    assert (job["inputs"]["border"], job["in_force"]["border"], job["in_force"]["coats"]) == (None, 40.0, 3)


def test_sentences_follow_the_unit_and_numbers_stay_in_mm(client) -> None:
    job = begin(client)

    inches = client.get(f"/api/jobs/{job['id']}?unit=in").get_json()

    assert " in" in station(inches, "blank")["verdict"]
    assert inches["rail"]["width"] == job["rail"]["width"]


@pytest.mark.parametrize(
    ("method", "address", "body", "status", "said"),
    [
        ("get", "/api/jobs/99", None, 404, "no job 99"),
        ("get", "/api/nothing", None, 404, "nothing at this address"),
        ("delete", "/api/jobs", None, 405, "does not take"),
        ("get", "/api/jobs?unit=furlong", None, 422, "not understood"),
        ("patch", "/api/jobs/1", {"design_width": -4}, 400, "width of the design"),
        ("patch", "/api/jobs/1", {"design_width": "wide"}, 422, "design_width"),
        ("patch", "/api/jobs/1", {"design_width": None}, 400, "cannot be empty"),
        ("patch", "/api/jobs/1", {"surface": "moon"}, 400, "moon"),
        ("patch", "/api/jobs/1", {"colour": "blue"}, 422, "colour"),
        ("patch", "/api/jobs/1", {"blank": {"width": 9, "height": 9, "colour": "red"}}, 422, "colour"),
        ("patch", "/api/jobs/1", {"due": "soon"}, 422, "due"),
        ("patch", "/api/jobs/1", {"overlap": 95.0, "cutter": "pocket"}, 400, "overlap"),
        ("post", "/api/jobs/1/fates", {"numbers": [44], "fate": "keep"}, 400, "no loose piece 44"),
        ("post", "/api/jobs/1/fates", {"numbers": [1], "fate": "burn"}, 422, "fate"),
        ("post", "/api/jobs/1/ticks", {"code": "dance", "done": True}, 400, "dance"),
        ("post", "/api/jobs/1/calls", {"numbers": [44], "call": "dish", "done": True}, 400, "44"),
        ("put", "/api/jobs/1/record", {"grade": 11}, 400, "grade"),
        ("post", "/api/jobs/1/undo", None, 409, "nothing to undo"),
        ("post", "/api/jobs/1/redo", None, 409, "nothing to do again"),
        ("get", "/api/jobs/1/sheets/9.svg", None, 404, "no sheet 9"),
    ],
)
def test_a_bad_request_is_answered_in_words_and_changes_nothing(client, method, address, body, status, said) -> None:
    before = begin(client)

    answer = (
        client.open(address, method=method.upper(), json=body) if body else client.open(address, method=method.upper())
    )

    assert answer.status_code == status
    assert answer.content_type == "application/problem+json"
    problem = answer.get_json()
    assert said in problem["detail"]
    assert problem["fix"]
    assert client.get("/api/jobs/1").get_json()["inputs"] == before["inputs"]


@pytest.mark.parametrize(
    ("data", "said"),
    [
        (b"", "empty"),
        (b"no drawing", "not a readable SVG"),
        (svg("<script/>"), "script"),
        (svg("<text>Only text</text>"), "Only text"),
    ],
)
def test_artwork_that_cannot_be_used_begins_no_job(client, data: bytes, said: str) -> None:
    answer = client.post("/api/jobs", data={"artwork": (io.BytesIO(data), "a.svg")})

    assert answer.status_code == 400
    assert said in answer.get_json()["detail"]
    assert client.get("/api/jobs").get_json()["jobs"] == []


def test_a_request_without_a_file_says_what_is_missing(client) -> None:
    assert "Neither artwork nor words" in client.post("/api/jobs", data={"name": "x"}).get_json()["title"]


def test_a_file_far_too_large_is_refused(client) -> None:
    client.application.config["MAX_CONTENT_LENGTH"] = 2_000
    answer = client.post("/api/jobs", data={"artwork": (io.BytesIO(b" " * 3_000), "a.svg")})

    assert answer.status_code == 413
    assert "larger" in answer.get_json()["title"]


def test_other_sites_cannot_change_anything(client) -> None:
    answer = client.post("/api/jobs/1/undo", headers={"Origin": "http://example.invalid"})

    assert answer.status_code == 403
    assert client.post("/api/jobs/1/undo", headers={"Origin": "http://localhost"}).status_code == 404


def test_pages_run_nothing_but_our_own_scripts(client) -> None:
    policy = client.get("/api/catalogue").headers["Content-Security-Policy"]

    assert "default-src 'none'" in policy
    assert "script-src 'self';" in policy


def test_nothing_of_an_artworks_text_reaches_the_page_as_markup(client) -> None:
    job = begin(client, rect(0, 0, 9, 9) + "<text>&lt;img src=x onerror=alert(1)&gt;</text>")

    assert set("".join(colour["path"] for colour in job["picture"]["colours"])) <= set("MLZ0123456789.- ")


def test_files_are_offered_as_downloads(client) -> None:
    job = begin(client)

    for name, kind in (
        ("masks/1.svg", "image/svg+xml"),
        ("sheets/1.svg", "image/svg+xml"),
        ("sheets.zip", "application/zip"),
    ):
        answer = client.get(f"/api/jobs/{job['id']}/{name}")
        assert answer.status_code == 200
        assert answer.content_type.startswith(kind)
        assert answer.headers["Content-Disposition"].startswith('attachment; filename="cabin-8-mat-')


def test_the_catalogue_says_what_suits_what(client) -> None:
    catalogue = client.get("/api/catalogue").get_json()

    inches = client.get("/api/catalogue?unit=in").get_json()
    pocket = next(c for c in inches["cutters"] if c["key"] == "pocket")
    assert pocket["about"] == "Reaches 4 1/4 in by 11 5/8 in."
    iron_on = next(m for m in catalogue["materials"] if m["key"] == "iron-on")
    assert "jersey" in iron_on["suits"]
    assert "glass" not in iron_on["suits"]
    assert len(catalogue["figures"]) > 200


def test_the_api_describes_itself(client) -> None:
    spec = client.get("/api/openapi.json").get_json()

    assert spec["openapi"].startswith("3.1")
    assert "/api/jobs/{job_id}/fates" in spec["paths"]
