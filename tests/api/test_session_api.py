"""On the network nobody comes in without the passphrase, or a key that works once."""

import stat
from pathlib import Path

import pytest
from argon2 import PasswordHasher
from flask.testing import FlaskClient

from dunestead.api.app import create_app
from dunestead.core.errors import BadInput
from dunestead.workshop.access import Access

WORDS = "seven gulls on a groyne"


class Seconds:
    now = 0.0

    def __call__(self) -> float:
        return self.now


@pytest.fixture
def steady() -> Seconds:
    return Seconds()


@pytest.fixture
def app(tmp_path: Path, clock, steady: Seconds):
    access = Access(tmp_path / "access.json", steady)
    access.choose(WORDS)
    config = {"DATABASE": tmp_path / "net.sqlite", "CLOCK": clock.clock, "ACCESS": access}
    return create_app({**config, "NETWORK_NAMES": ["10.0.0.5:8765"]})


@pytest.fixture
def stranger(app) -> FlaskClient:
    return app.test_client()


def sign_in(client: FlaskClient, words: str = WORDS, by: str = "Imke"):
    return client.post("/api/session", json={"passphrase": words, "by": by})


@pytest.mark.parametrize(
    ("method", "address"),
    [
        ("GET", "/api/jobs"),
        ("POST", "/api/jobs"),
        ("PATCH", "/api/jobs/1"),
        ("GET", "/api/backups"),
        ("GET", "/api/openapi.json"),
        ("GET", "/api/health"),
        ("POST", "/api/session/invitation"),
    ],
)
def test_a_stranger_gets_nothing(stranger, method: str, address: str) -> None:
    answer = stranger.open(address, method=method)
    assert (answer.status_code, answer.json["code"]) == (401, "signed-out")


def test_a_stranger_ends_nobodys_session(app) -> None:
    inside, stranger = app.test_client(), app.test_client()
    sign_in(inside)

    stranger.delete("/api/session?everywhere=true")

    assert inside.get("/api/jobs").status_code == 200


def test_a_stranger_sees_only_that_one_must_sign_in(stranger) -> None:
    assert stranger.get("/api/session").json == {"guarded": True, "signed_in": False, "by": ""}
    with stranger.get("/") as page:
        assert page.status_code in (200, 503)


def test_the_passphrase_lets_in_and_signing_out_ends_it(stranger) -> None:
    signed = sign_in(stranger)

    assert (signed.status_code, signed.json["by"]) == (200, "Imke")
    cookie = signed.headers["Set-Cookie"]
    assert "HttpOnly" in cookie
    assert "SameSite=Strict" in cookie
    assert stranger.get("/api/jobs").status_code == 200
    stranger.delete("/api/session")
    assert stranger.get("/api/jobs").status_code == 401


def test_signing_out_everywhere_ends_every_session(app) -> None:
    one, other = app.test_client(), app.test_client()
    sign_in(one)
    sign_in(other)

    one.delete("/api/session?everywhere=true")

    assert other.get("/api/jobs").status_code == 401
    assert sign_in(other).status_code == 200


def test_an_answer_under_way_while_all_are_signed_out_brings_nobody_back_in(app) -> None:
    one, other, signing_out = app.test_client(), app.test_client(), []

    @app.after_request
    def meanwhile(response):
        # Before the session of this answer is signed.
        if signing_out:
            signing_out.pop()()
        return response

    sign_in(one)
    sign_in(other)
    signing_out.append(lambda: one.delete("/api/session?everywhere=true"))

    assert other.get("/api/jobs").status_code == 200
    assert other.get("/api/jobs").status_code == 401


def test_a_forged_or_foreign_cookie_opens_nothing(app, tmp_path: Path, clock) -> None:
    access = Access(tmp_path / "other.json", Seconds())
    access.choose("another workshop's words")
    elsewhere = create_app({"DATABASE": tmp_path / "b.sqlite", "CLOCK": clock.clock, "ACCESS": access}).test_client()
    foreign = sign_in(elsewhere, "another workshop's words").headers["Set-Cookie"].partition(";")[0].partition("=")[2]
    stranger = app.test_client()

    for value in (foreign, "", "eyJpbiI6dHJ1ZX0.x.y"):
        stranger.set_cookie("dunestead", value)
        assert stranger.get("/api/jobs").status_code == 401


def test_a_hundred_wrong_tries_are_slowed(stranger) -> None:
    answers = [sign_in(stranger, f"wrong words {number}").status_code for number in range(100)]

    assert answers[:5] == [403] * 5
    assert set(answers[5:]) == {429}
    # Even the right one waits then, or a guess among the many would tell.
    slowed = sign_in(stranger)
    assert (slowed.status_code, slowed.content_type) == (429, "application/problem+json")


def test_a_wrong_guess_costs_one_hash_like_the_right_one_and_like_one_where_none_is_set(
    tmp_path: Path, monkeypatch
) -> None:
    """So that no time tells whether there is a passphrase, or how much of it was right."""
    access, none = Access(tmp_path / "a.json", Seconds()), Access(tmp_path / "none.json", Seconds())
    access.choose(WORDS)
    hashed = []
    verify = PasswordHasher.verify
    monkeypatch.setattr(PasswordHasher, "verify", lambda *asked: hashed.append(asked[1]) or verify(*asked))

    opened = [who.opens(words) for who in (access, none) for words in (WORDS, "x", WORDS + "!", "")]

    assert opened == [True, *[False] * 7]
    assert len(hashed) == 8
    # All by the same parameters: algorithm, version, memory, passes and lanes.
    assert len({one.rsplit("$", 2)[0] for one in hashed}) == 1


def test_a_key_works_once_and_for_five_minutes(app, steady: Seconds) -> None:
    inside = app.test_client()
    sign_in(inside)
    shown = inside.post("/api/session/invitation").json
    assert shown["address"].startswith("http://10.0.0.5:8765/#/enter/")
    assert shown["picture"].startswith("data:image/svg+xml")
    key = shown["address"].rpartition("/")[2]
    tablet, thief = app.test_client(), app.test_client()

    assert tablet.post("/api/session/key", json={"key": key}).status_code == 200
    assert tablet.get("/api/jobs").status_code == 200
    assert thief.post("/api/session/key", json={"key": key}).status_code == 403
    late = inside.post("/api/session/invitation").json["address"].rpartition("/")[2]
    steady.now += 5 * 60 + 1
    assert thief.post("/api/session/key", json={"key": late}).status_code == 403


@pytest.mark.parametrize("words", ["", "short", " " * 30, "x" * 501])
def test_a_passphrase_that_keeps_nobody_out_is_refused(tmp_path: Path, words: str) -> None:
    access = Access(tmp_path / "access.json", Seconds())
    with pytest.raises(BadInput):
        access.choose(words)
    assert not access.is_set
    assert not access.opens(words)


def test_the_passphrase_is_kept_as_a_hash_that_only_its_owner_reads(tmp_path: Path) -> None:
    path = tmp_path / "access.json"
    Access(path, Seconds()).choose(WORDS)

    assert WORDS not in path.read_text()
    assert "$argon2id$" in path.read_text()
    assert stat.S_IMODE(path.stat().st_mode) == 0o600


def test_at_its_own_machine_alone_nobody_signs_in(client) -> None:
    assert client.get("/api/session").json == {"guarded": False, "signed_in": True, "by": ""}
    assert client.post("/api/session/invitation").status_code == 409
    for answer in (
        client.post("/api/session", json={"passphrase": WORDS}),
        client.post("/api/session/key", json={"key": "any"}),
        client.delete("/api/session?everywhere=true"),
    ):
        assert (answer.status_code, answer.json["signed_in"]) == (200, True)


def test_the_log_says_who_did_it(app) -> None:
    inside = app.test_client()
    sign_in(inside, by="Imke")
    made = inside.post("/api/jobs", data={"words": "ROW"}, content_type="multipart/form-data")
    job = made.json
    task = next(one for one in inside.get(f"/api/jobs/{job['id']}/stations/blank").json["tasks"])

    done = inside.post(
        f"/api/jobs/{job['id']}/tasks/done",
        json={"task": task["id"], "done": True, "reason": "Trying it"},
        headers={"If-Match": made.headers["ETag"]},
    )

    assert done.status_code == 200
    after = inside.get(f"/api/jobs/{job['id']}/stations/blank").json["tasks"]
    assert next(one for one in after if one["id"] == task["id"])["done_by"] == "Imke"
