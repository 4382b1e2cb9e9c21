"""Long work is asked how far it is, and stopped: then it has changed nothing."""

import io
from threading import Event, Thread

import pytest

from dunestead.core.checkpoints import tell
from dunestead.store.jobs import JobStore
from dunestead.workshop.waits import Waits
from tests.shapes import frame, svg

KEY = {"Wait-Key": "waited-for-0001"}


class Held:
    """A listener in the place of a wait's own: it lets the work go on only when it is told to."""

    def __init__(self, monkeypatch, at: str) -> None:
        self.met, self.go_on, self.told = Event(), Event(), []
        listen = Waits.begin

        def begin(waits: Waits, key: str):
            wait = listen(waits, key)
            own = wait.listen

            class Listening:
                is_stopped = False

                @staticmethod
                def listen(what: str, share: float) -> None:
                    self.told.append((what, share))
                    if what == at and not self.met.is_set():
                        wait.what, wait.share = what, share
                        self.met.set()
                        assert self.go_on.wait(20)
                    own(what, share)

            return Listening()

        monkeypatch.setattr(Waits, "begin", begin)


def begin(client, hole: float = 20, **headers):
    """Begin a job from a drawing that nobody has met before, when its hole is one that nobody has met."""
    body = {"artwork": (io.BytesIO(svg(frame(0, 0, 60, hole) + frame(80, 0, 60, 20))), "rings.svg")}
    return client.post("/api/jobs", data=body, content_type="multipart/form-data", headers=headers)


@pytest.mark.parametrize(
    "at", ["Reading the file", "Outlining 2 shapes in 1 colour", "Measuring widths", "Proving the cut of each sheet"]
)
def test_a_request_says_where_it_is_and_when_stopped_has_changed_nothing(client, monkeypatch, at: str) -> None:
    held, answers, hole = Held(monkeypatch, at), [], 20.0 + sum(at.encode()) / 1e4
    other = client.application.test_client()
    working = Thread(target=lambda: answers.append(begin(client, hole, **KEY)))
    working.start()
    assert held.met.wait(20)

    told = other.get(f"/api/waits/{KEY['Wait-Key']}").get_json()
    other.post(f"/api/waits/{KEY['Wait-Key']}/stop")
    held.go_on.set()
    working.join(20)

    assert (told["going"], told["what"]) == (True, at)
    (answer,) = answers
    assert (answer.status_code, answer.get_json()["code"]) == (409, "stopped")
    assert "nothing was changed" in answer.get_json()["detail"]
    assert client.get("/api/jobs").get_json()["jobs"] == []
    # What was stopped is done when it is asked for again.
    assert begin(client, hole).status_code == 201


def test_what_was_answered_is_not_waited_for_any_more(client) -> None:
    assert begin(client, **KEY).status_code == 201

    assert client.get(f"/api/waits/{KEY['Wait-Key']}").get_json()["going"] is False
    assert client.post(f"/api/waits/{KEY['Wait-Key']}/stop").status_code == 200


@pytest.mark.parametrize("key", ["", "short", "x" * 65, "no spaces here", "../../etc"])
def test_a_key_that_is_none_is_passed_over(client, key: str) -> None:
    assert begin(client, **({"Wait-Key": key} if key else {})).status_code == 201


def test_shares_rise_from_nought_to_one(client, monkeypatch) -> None:
    held = Held(monkeypatch, "")

    begin(client, **KEY)

    assert next(what for what, _ in held.told) == "Reading the file"
    assert all(0 <= share <= 1 for _, share in held.told)
    proving = [share for what, share in held.told if what.startswith("Proving")]
    assert proving == sorted(proving)


def test_what_was_kept_is_shown_and_no_more_stopped(client, monkeypatch) -> None:
    """Told to stop at the very last checkpoint before it is kept, or later, a change is there."""
    held = Held(monkeypatch, "nowhere")
    job = begin(client, 23.7).get_json()
    stop = "Wait-Key", "waited-for-0002"
    kept = JobStore.change

    def keep_and_stop(*given):
        version = kept(*given)
        client.application.extensions["waits"].stop(stop[1])
        tell("Showing it")
        return version

    monkeypatch.setattr(JobStore, "change", keep_and_stop)
    answer = client.patch(f"/api/jobs/{job['id']}", json={"name": "Kept"}, headers=dict([stop]))

    assert (answer.status_code, answer.get_json()["inputs"]["name"]) == (200, "Kept")
    assert "Showing it" not in [what for what, _ in held.told]
