"""Who may ask, and what a request may carry."""

import json

import pytest

from tests.api.test_jobs_api import begin


def test_a_foreign_name_leads_nowhere(client) -> None:
    """A site may let its own name point here, so that the browser takes the workshop for that site's own."""
    job = begin(client)

    foreign = client.patch(
        f"/api/jobs/{job['id']}", json={"copies": 9}, headers={"Host": "evil.example"}, base_url="http://evil.example"
    )
    assert (foreign.status_code, foreign.json["code"]) == (400, "other-name")
    assert client.get("/", base_url="http://evil.example").status_code == 400
    for name in ("localhost", "127.0.0.1", "127.0.0.1:8765"):
        assert client.get("/api/jobs", base_url=f"http://{name}").status_code == 200


@pytest.mark.parametrize(
    "headers",
    [
        {"Origin": "http://evil.example"},
        {"Origin": "null"},
        {"Sec-Fetch-Site": "cross-site"},
        {"Sec-Fetch-Site": "same-site"},
    ],
)
def test_another_site_changes_nothing(client, headers) -> None:
    job = begin(client)

    refused = client.patch(f"/api/jobs/{job['id']}", json={"copies": 9}, headers=headers)

    assert (refused.status_code, refused.json["code"]) == (403, "other-site")
    assert client.get(f"/api/jobs/{job['id']}").json["copies"] == 1


def test_what_a_foreign_form_can_send_is_not_read(client) -> None:
    job = begin(client)

    for kind in ("text/plain", "application/x-www-form-urlencoded", "application/xml", ""):
        refused = client.patch(f"/api/jobs/{job['id']}", data=json.dumps({"copies": 9}), content_type=kind)
        assert 400 <= refused.status_code < 500, kind
        assert refused.content_type == "application/problem+json"
    assert client.get(f"/api/jobs/{job['id']}").json["copies"] == 1


@pytest.mark.parametrize(
    "body",
    [
        "[" * 100_000,
        '{"a":' * 60 + "1" + "}" * 60,
        '{"copies": 123456789012345678901234567890}',
        '{"copies": NaN}',
        '{"copies": 1e999}',
        '{"name": "\\ud800"}',
        '{"\\udfff": 1}',
        json.dumps({"name": "x" * 300_000}),
        json.dumps({"together": list(range(30_000))}),
        "{",
    ],
    ids=["brackets", "deep", "whole", "nan", "infinite", "half", "half-key", "long", "many", "broken"],
)
def test_wild_json_is_refused_with_a_sentence(client, body: str) -> None:
    job = begin(client)

    refused = client.patch(f"/api/jobs/{job['id']}", data=body, content_type="application/json")

    assert refused.status_code == 400
    assert refused.json["detail"].endswith(".")
    assert client.get(f"/api/jobs/{job['id']}").json["version"] == job["version"]


def test_a_body_beyond_all_measure_is_refused_before_it_is_read(client) -> None:
    job = begin(client)
    refused = client.patch(f"/api/jobs/{job['id']}", data=b" " * 4_100_000, content_type="application/json")
    assert (refused.status_code, refused.content_type) == (413, "application/problem+json")


@pytest.mark.parametrize(
    "address",
    ["/api/jobs/99999999999999999999999", "/" + "a" * 5000, "/%00", "/api/jobs/1/stations/nowhere", "/api/none"],
)
def test_odd_addresses_are_no_fault_of_ours(client, address: str) -> None:
    assert 400 <= client.get(address).status_code < 500


@pytest.mark.parametrize("number", ["²", "-1", "9" * 40, "one"])
def test_a_blank_that_is_no_number_is_refused(client, number: str) -> None:
    refused = client.post("/api/jobs", data={"words": "ROW", "blank": number}, content_type="multipart/form-data")
    assert refused.status_code == 400


def test_every_answer_carries_the_usual_headers_and_none_of_a_job_is_stored(client) -> None:
    begin(client)
    for address in ("/api/jobs", "/api/none", "/api/catalogue"):
        headers = client.get(address).headers
        assert headers["X-Content-Type-Options"] == "nosniff"
        assert headers["X-Frame-Options"] == "DENY"
        assert "default-src 'none'" in headers["Content-Security-Policy"]
        assert headers["Cache-Control"] == "no-store"


def test_a_request_of_the_wrong_kind_is_told_as_a_problem(client) -> None:
    refused = client.put("/api/jobs")
    assert (refused.status_code, refused.content_type) == (405, "application/problem+json")


def test_every_request_has_a_number_that_stands_in_its_error_and_its_line_of_the_log(client, caplog) -> None:
    caplog.set_level("INFO", logger="dunestead")

    refused = client.get("/api/jobs/77")

    number = refused.headers["X-Request-Id"]
    assert refused.json["instance"] == f"urn:dunestead:request:{number}"
    line = next(record.getMessage() for record in caplog.records if number in record.getMessage())
    assert "GET" in line
    assert " 404 " in line
    assert line.endswith("job 77")
    assert client.get("/api/jobs").headers["X-Request-Id"] != number


def test_no_address_breaks_the_lines_of_the_log(client, caplog) -> None:
    caplog.set_level("INFO", logger="dunestead")
    client.get("/api/none%0A2026-01-01 ERROR forged")
    assert all("\n" not in record.getMessage() for record in caplog.records)


def test_the_log_never_grows_beyond_measure(tmp_path) -> None:
    import logging

    from dunestead.api.journal import keep_journal

    path = keep_journal(tmp_path, debug=False)
    logger = logging.getLogger("dunestead")
    handler = logger.handlers[-1]
    try:
        for number in range(40_000):
            logger.info("%d %s", number, "x" * 200)
        size = sum(one.stat().st_size for one in path.parent.iterdir())
    finally:
        logger.removeHandler(handler)
        handler.close()
    assert size <= 6_100_000
    assert len(list(path.parent.iterdir())) == 6


def test_a_list_without_end_is_not_kept(client) -> None:
    job = begin(client)
    minutes = {f"task-{number}": 1.0 for number in range(200)}

    refused = client.put(f"/api/jobs/{job['id']}/record", json={"minutes": minutes})

    assert refused.status_code == 422
    assert client.get(f"/api/jobs/{job['id']}").json["version"] == job["version"]
