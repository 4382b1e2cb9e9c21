"""The design over the wire: parts added, changed, looked at, mended; bad requests refused with nothing changed."""

import io

import numpy as np
import pytest
from flask.testing import FlaskClient
from PIL import Image

from dunestead.core.artwork.painted import paint
from tests.bitmaps import bitmap
from tests.shapes import WORD, drawn, rect, svg


def begin(client: FlaskClient, words: str = "BOATS", **fields) -> dict:
    answer = client.post("/api/jobs", data={"words": words, **fields})
    assert answer.status_code == 201
    return answer.get_json()


def address(job: dict) -> str:
    return f"/api/jobs/{job['id']}"


def file(data: bytes, name: str) -> dict:
    return {"artwork": (io.BytesIO(data), name)}


def scan() -> bytes:
    held = io.BytesIO()
    Image.fromarray(bitmap(paint(drawn(WORD), 100.0).region, 700)).save(held, "PNG")
    return held.getvalue()


def dxf() -> bytes:
    lines = [
        "0",
        "SECTION",
        "2",
        "ENTITIES",
        "0",
        "CIRCLE",
        "10",
        "0",
        "20",
        "0",
        "40",
        "25",
        "0",
        "ENDSEC",
        "0",
        "EOF",
    ]
    return "\n".join(lines).encode()


def test_a_job_begins_with_words_that_fill_the_blank(client) -> None:
    job = begin(client, "ROW\r\nHOME", surface="coir")

    (part,) = job["elements"]
    assert (part["kind"], part["name"], part["words"]["text"]) == ("words", "“ROW HOME”", "ROW\nHOME")
    assert job["inputs"]["name"] == "ROW HOME"
    assert min(part["box"][0], part["box"][1]) == pytest.approx(30, abs=0.5)


@pytest.mark.parametrize(
    ("data", "name", "kind"),
    [(svg(WORD), "word.svg", "drawn"), (dxf(), "disc.dxf", "drawn"), (scan(), "scan.png", "traced")],
)
def test_a_job_begins_with_a_file_of_any_kind(client, data: bytes, name: str, kind: str) -> None:
    job = client.post("/api/jobs", data=file(data, name)).get_json()

    assert [part["kind"] for part in job["elements"]] == [kind]
    assert job["findings"] is not None


def test_parts_are_added_copied_and_taken_out_and_all_of_it_is_undone(client) -> None:
    job = begin(client)
    here = address(job)

    client.post(f"{here}/words", json={"text": "MORE"})
    client.post(f"{here}/artwork", data=file(svg(WORD), "word.svg"))
    client.post(f"{here}/frames", json={"style": "double"})
    client.post(f"{here}/elements/1/copy")
    many = client.delete(f"{here}/elements/2").get_json()

    assert [(part["id"], part["kind"]) for part in many["elements"]] == [
        (1, "words"),
        (3, "drawn"),
        (4, "frame"),
        (5, "words"),
    ]
    for _ in range(5):
        job = client.post(f"{here}/undo").get_json()
    assert [part["id"] for part in job["elements"]] == [1]
    assert job["history"]["redo"] == "Words added"


def test_entries_of_a_part_are_changed_and_named_in_the_history(client) -> None:
    here = address(begin(client))

    job = client.patch(f"{here}/elements/1", json={"text": "SHED", "face": "anton", "letter_gap": 4}).get_json()

    part = job["elements"][0]
    assert (part["words"]["text"], part["words"]["face"], part["words"]["letter_gap"]) == ("SHED", "anton", 4)
    assert job["history"]["undo"] == "“BOATS” written anew"


def test_a_look_shows_a_change_and_keeps_nothing(client) -> None:
    job = begin(client)
    here = address(job)

    look = client.post(f"{here}/look", json={"design_width": 200.0}).get_json()
    other = client.post(f"{here}/look", json={"element": 1, "entries": {"x": 40.0}}).get_json()

    assert look["rail"]["width"] == pytest.approx(200, abs=0.01)
    assert "Too fine" in look["verdict"] or "holds" in look["verdict"]
    assert other["elements"][0]["x"] == 40
    assert client.get(here).get_json() == job


def test_parts_of_a_drawing_are_dropped_and_those_too_fine_are_marked(client) -> None:
    body = rect(0, 0, 100, 40) + rect(0, 60, 100, 1)
    here = address(client.post("/api/jobs", data=file(svg(body), "two.svg")).get_json())

    parts = client.get(here).get_json()["elements"][0]["parts"]
    assert [(part["number"], part["too_fine"]) for part in parts] == [(1, False), (2, True)]
    job = client.patch(f"{here}/elements/1", json={"edits": [{"part": 2, "dropped": True}]}).get_json()

    assert [part["dropped"] for part in job["elements"][0]["parts"]] == [False, True]
    assert not [finding for finding in job["findings"] if finding["code"] == "stroke-thin"]


def test_a_picture_is_traced_by_settings_and_shown_as_it_came(client) -> None:
    here = address(client.post("/api/jobs", data=file(scan(), "scan.png")).get_json())

    job = client.patch(f"{here}/elements/1", json={"trace": {"smooth": 1.0, "threshold": 90}}).get_json()
    picture = client.get(f"{here}/elements/1/picture.png")

    trace = job["elements"][0]["trace"]
    assert (trace["smooth"], trace["threshold"], trace["found_threshold"]) == (1.0, 90, 90)
    assert np.asarray(Image.open(io.BytesIO(picture.data))).shape[1] == 812
    assert len(job["pieces"]) == 3


def test_every_face_is_tried_with_the_makers_own_words(client) -> None:
    here = address(begin(client, "BOATS 8"))
    faces = client.get("/api/catalogue").get_json()["faces"]

    tried = {face["key"]: client.get(f"{here}/elements/1/faces/{face['key']}").get_json() for face in faces}

    assert len(tried) >= 14
    assert tried["archivo-black"]["loose"] == 6
    assert tried["saira-stencil-one"]["loose"] == 0
    assert all(face["verdict"] and face["path"] for face in tried.values())
    assert any(face["holds"] for face in tried.values())
    assert not all(face["holds"] for face in tried.values())


def test_a_remedy_that_was_tried_is_applied_and_undone(client) -> None:
    body = rect(0, 0, 100, 20) + rect(0, 40, 100, 1)
    here = address(client.post("/api/jobs", data=file(svg(body), "two.svg")).get_json())
    finding = next(f for f in client.get(here).get_json()["findings"] if f["code"] == "stroke-thin")

    remedies = client.post(f"{here}/remedies", json={"finding": finding["key"]}).get_json()["remedies"]
    assert [remedy for remedy in remedies if remedy["code"].startswith("drop:")]
    drop = next(remedy for remedy in remedies if remedy["code"].startswith("drop:"))
    job = client.post(f"{here}/remedies/apply", json={"finding": finding["key"], "remedy": drop["code"]}).get_json()

    assert not [found for found in job["findings"] if found["code"] == "stroke-thin"]
    assert job["history"]["undo"] == drop["label"]


def test_what_was_done_in_an_inch_workshop_is_undone_in_inches(client) -> None:
    body = rect(0, 0, 100, 20) + rect(0, 40, 100, 1)
    here = address(client.post("/api/jobs", data=file(svg(body), "two.svg")).get_json())
    finding = next(f for f in client.get(here).get_json()["findings"] if f["code"] == "stroke-thin")

    asked = {"finding": finding["key"], "remedy": "embolden"}
    label = client.post(f"{here}/remedies/apply?unit=in", json=asked).get_json()["history"]["undo"]

    assert " in" in label
    assert " mm" not in label


def test_parts_are_arranged_fitted_and_placed_on_a_garment(client) -> None:
    here = address(begin(client, surface="jersey"))
    client.post(f"{here}/words", json={"text": "ROW"})

    arranged = client.post(f"{here}/arrange", json={"how": "left"}).get_json()
    lefts = [part["box"][0] for part in arranged["elements"]]
    assert lefts[0] == pytest.approx(lefts[1], abs=0.01)
    blank = {**arranged["inputs"]["blank"], "shape": "garment", "garment": {"size": "l", "placement": "back"}}
    garment = client.patch(here, json={"blank": blank}).get_json()
    assert (garment["inputs"]["blank"]["width"], garment["inputs"]["blank"]["height"]) == (560, 740)
    placed = client.post(f"{here}/place").get_json()
    collar = placed["picture"]["collar"]
    assert placed["picture"]["painted_box"][1] == pytest.approx(collar["top"], abs=0.05)
    assert collar["top"] - collar["at"][1] == pytest.approx(120)
    assert client.post(f"{here}/fit").status_code == 200


def test_a_blank_takes_its_outline_from_a_drawing(client) -> None:
    here = address(begin(client))
    shape = '<path d="M0 0h60v40h-30z"/>'

    job = client.post(f"{here}/outline", data={"outline": (io.BytesIO(svg(shape)), "tray.svg")}).get_json()

    blank = job["inputs"]["blank"]
    assert (blank["shape"], blank["outline_name"]) == ("outline", "tray.svg")
    assert blank["height"] / blank["width"] == pytest.approx(40 / 60, abs=1e-3)
    assert job["picture"]["outline"].count("L") == 3


def test_blanks_are_kept_taken_and_forgotten(client) -> None:
    here = address(begin(client))
    client.patch(here, json={"blank": {"width": 500, "height": 500, "shape": "oval", "rim": 4}})

    kept = client.post(f"{here}/blank/keep", json={"name": "Round tray"}).get_json()["blanks"]
    other = begin(client, surface="glass")
    job = client.post(f"{address(other)}/blank/take/{kept[0]['id']}").get_json()

    assert (job["inputs"]["surface"], job["inputs"]["blank"]["rim"]) == ("coir", 4)
    assert [finding for finding in job["findings"] if finding["code"] in ("off-blank", "off-margin")] == []
    started = begin(client, "TIDE", blank=str(kept[0]["id"]))
    assert started["inputs"]["blank"]["shape"] == "oval"
    assert client.delete(f"/api/blanks/{kept[0]['id']}").get_json() == {"blanks": []}


def test_a_base_coat_is_a_step_and_an_amount(client) -> None:
    here = address(begin(client))
    paint = {"paint": "outdoor-acrylic"}
    base = {"role": "base", "colour": "#f3efe4", "coats": 1, **paint}

    job = client.patch(here, json={"coatings": [{"role": "colour", **paint}, base]}).get_json()

    station = job["stations"][0]
    assert [task["code"] for task in station["tasks"]] == ["blank-prepared", "blank-base-coat"]
    # 0.24 m² x 4 for the soak of coir over 7 m² a litre.
    (amount,) = (row["value"] for row in station["rows"] if row["label"] == "Base coat")
    assert amount == pytest.approx(0.24 * 4 / 7 * 1000, rel=1e-3)


def test_an_area_to_keep_clear_is_shown_kept_and_held_against_the_design(client) -> None:
    here = address(begin(client))
    blank = client.get(here).get_json()["inputs"]["blank"]
    area = {"x": 300, "y": 200, "width": 60, "height": 60, "shape": "round", "why": "holes"}

    job = client.patch(here, json={"blank": {**blank, "clear": [area]}}).get_json()

    assert [one["name"] for one in job["picture"]["clear"]] == ["the holes"]
    assert job["inputs"]["blank"]["clear"][0] == {**area, "name": "", "timing": "there"}
    assert job["stations"][1]["state"] == "stop"
    assert "over the holes" in job["stations"][1]["verdict"]
    answer = client.patch(here, json={"blank": {**blank, "clear": [{**area, "width": 0}]}})
    assert (answer.status_code, "width of an area" in answer.get_json()["detail"]) == (400, True)
    assert client.get(here).get_json()["inputs"]["blank"]["clear"][0]["width"] == 60


@pytest.mark.parametrize(
    ("method", "path", "body", "status", "said"),
    [
        ("post", "words", {"text": "   "}, 400, "nothing to draw"),
        ("post", "words", {"text": "Ж", "face": "anton"}, 400, "nothing to draw"),
        ("post", "words", {"text": "ROW", "face": "moon"}, 400, "no face called"),
        ("patch", "elements/9", {"x": 1}, 404, "no part 9"),
        ("patch", "elements/1", {"x": None}, 400, "cannot be empty"),
        ("patch", "elements/1", {"x": 1e9}, 400, "place across"),
        ("patch", "elements/1", {"x": 5000}, 400, "Nothing of the design"),
        ("patch", "elements/1", {"colour": "red"}, 400, "not a colour"),
        ("patch", "elements/1", {"edits": []}, 400, "has no edits"),
        ("patch", "elements/1", {"size": -3}, 400, "size of the words"),
        ("patch", "elements/1", {"letter_colours": [[99, "#ff0000"]]}, 400, "no letter 100"),
        ("patch", "elements/1", {"repeat": {"kind": "grid", "across": 90, "down": 90}}, 400, "are too many"),
        ("patch", "elements/1", {"wish": 1}, 422, "wish"),
        ("delete", "elements/1", None, 409, "last part"),
        ("post", "arrange", {"how": "left"}, 400, "needs 2 parts"),
        ("post", "arrange", {"how": "askew"}, 422, "how"),
        ("post", "place", None, 409, "Only garments"),
        ("post", "remedies", {"finding": "none/0/1/1"}, 404, "no longer a problem"),
        ("post", "artwork", None, 400, "No file"),
        ("post", "outline", None, 400, "No file"),
        ("get", "elements/1/picture.png", None, 400, "not traced"),
        ("get", "elements/1/faces/none", None, 400, "no face called"),
        ("post", "blank/keep", {"name": " "}, 400, "name of the blank is missing"),
        ("post", "blank/take/7", None, 404, "no blank 7"),
    ],
)
def test_bad_requests_are_refused_and_nothing_is_changed(client, method, path, body, status, said) -> None:
    job = begin(client)

    answer = getattr(client, method)(f"{address(job)}/{path}", **({"json": body} if body is not None else {}))

    assert answer.status_code == status
    assert said in str(answer.get_json())
    assert client.get(address(job)).get_json() == job


@pytest.mark.parametrize(
    ("data", "name"),
    [
        (b"\x89PNG\r\n\x1a\nbroken", "a.png"),
        (b"0\nSECTION\nxx", "a.dxf"),
        (b"<svg", "a.svg"),
        (b"", "a.svg"),
        (b"%PDF-1.7", "a.pdf"),
    ],
)
def test_artwork_that_cannot_be_read_leaves_the_design_as_it_was(client, data: bytes, name: str) -> None:
    job = begin(client)

    answer = client.post(f"{address(job)}/artwork", data=file(data, name))

    assert answer.status_code == 400
    assert answer.get_json()["fix"]
    assert client.get(address(job)).get_json() == job


@pytest.mark.parametrize(
    ("blank", "said"),
    [
        ({"width": 600, "height": 400, "rim": 300}, "leaves nothing"),
        ({"width": 600, "height": 400, "shape": "outline"}, "no outline yet"),
        ({"width": 600, "height": 400, "heat": 900}, "heat limit of 900"),
        ({"width": 600, "height": 400, "corner": -4}, "corner radius"),
        ({"width": 600, "height": 400, "shape": "garment", "garment": {"size": "xxs"}}, "no garment size"),
    ],
)
def test_blanks_that_cannot_be_are_refused(client, blank: dict, said: str) -> None:
    job = begin(client)

    answer = client.patch(address(job), json={"blank": blank})

    assert answer.status_code == 400
    assert said in str(answer.get_json())
    assert client.get(address(job)).get_json() == job


def test_a_drawing_is_begun_and_added_without_what_is_too_fine_for_the_surface(client) -> None:
    """On coir 6 mm is the least stroke, and its usual blank 600 wide: 1 % of a drawing 300 wide is 3."""
    specks = "".join(f'<circle cx="{20 + k}" cy="120" r="0.3" fill="#00{k:02d}00"/>' for k in range(50))
    data = svg(f'<path d="M0 0H300V100H0z"/>{specks}')

    def sent(**more: str):
        return {"artwork": (io.BytesIO(data), "specks.svg"), "surface": "coir", **more}

    whole = client.post("/api/jobs", data=sent()).get_json()
    plain = client.post("/api/jobs", data=sent(plainer="yes")).get_json()
    added = client.post(f"/api/jobs/{whole['id']}/artwork", data=sent(plainer="yes")).get_json()

    assert len(whole["elements"][0]["parts"]) == 51
    assert len(plain["elements"][0]["parts"]) == 1
    assert [len(one["parts"]) for one in added["elements"]] == [51, 1]
    assert any("50 specks left out" in finding["message"] for finding in plain["findings"])


@pytest.mark.parametrize(("sizes", "wide"), [("500x650", 280), ("620x760", 330), (None, 280)])
def test_a_print_on_a_shirt_starts_as_wide_as_prints_of_its_size_are(client, sizes: str | None, wide: float) -> None:
    """500 mm across is size M, 620 is XL: 280 and 330 mm by the table of garments."""
    sides = [f"{side}mm" for side in sizes.split("x")] if sizes else []
    job = begin(client, "BOATHOUSE", surface="jersey", **dict(zip(("width", "height"), sides, strict=False)))

    assert job["rail"]["width"] == pytest.approx(wide)
    # Asked to fill the blank, it does.
    assert client.post(f"{address(job)}/fit").get_json()["rail"]["width"] > 1.3 * wide
