"""The command line keeps its contract: JSON alone on standard output, one clear line on standard error."""

import json
import subprocess
import sys
from collections import Counter
from pathlib import Path
from xml.etree import ElementTree as ET

import ezdxf
import pytest
from PIL import Image

from dunestead.catalogue import load_catalogue
from dunestead.cli import main
from tests.bitmaps import bitmap
from tests.shapes import NESTED, WORD, frame, painted, rect, svg


@pytest.fixture
def art(tmp_path: Path) -> Path:
    path = tmp_path / "word.svg"
    path.write_bytes(svg(WORD))
    return path


def run(monkeypatch, capsys, *words: object) -> tuple[int, str, str]:
    monkeypatch.setattr(sys, "argv", ["dunestead", *map(str, words)])
    with pytest.raises(SystemExit) as ended:
        main()
    out, err = capsys.readouterr()
    return ended.value.code, out, err


def test_check_reports_all_it_promises(monkeypatch, capsys, art) -> None:
    code, out, err = run(monkeypatch, capsys, "check", art, "--width", "40cm", "--json")

    report = json.loads(out)
    assert (code, err) == (0, "")
    # A frame, a bar with two holes and a bar: (1200 + 600 + 600) units² at 4 mm a unit.
    assert report["painted"]["area_mm2"] == pytest.approx(2400 * 16)
    assert report["painted"]["bbox_mm"] == pytest.approx([0, 0, 400, 160], abs=0.001)
    assert [piece["id"] for piece in report["loose_pieces"]] == [1, 2, 3]
    assert report["loose_pieces"][0]["centroid_mm"] == pytest.approx([80, 80], abs=0.001)
    assert report["loose_pieces"][0]["nearest"]["gap_mm"] == pytest.approx(40, abs=0.001)
    assert report["smallest_workable_width_mm"] > 0
    assert report["limited_by"]["measure"] in ("stroke", "web", "part")


def test_check_ends_with_one_when_something_must_be_mended(monkeypatch, capsys, tmp_path) -> None:
    thin = tmp_path / "thin.svg"
    thin.write_bytes(svg(rect(0, 0, 100, 2)))

    code, out, _ = run(monkeypatch, capsys, "check", thin, "--width", "100mm", "--json")

    finding = json.loads(out)["findings"][0]
    assert code == 1
    assert (finding["code"], finding["severity"], finding["limit_mm"]) == ("stroke-thin", "stop", 6)
    assert finding["measured_mm"] == pytest.approx(2, abs=0.1)


def test_check_for_people_is_sentences(monkeypatch, capsys, art) -> None:
    _, out, _ = run(monkeypatch, capsys, "check", art, "--width", "16in", "--surface", "canvas")

    assert "3 loose pieces" in out
    assert "Holds from a width of" in out


def test_mask_writes_one_path_at_true_scale_and_lists_bridges(monkeypatch, capsys, art, tmp_path) -> None:
    target = tmp_path / "deep" / "mask.svg"

    code, out, _ = run(
        monkeypatch, capsys, "mask", art, "--width", 400, "--border", "1in", "--bridges", "auto",
        "--bridges-per-piece", 1, "-o", target, "--json",
    )  # fmt: skip

    report = json.loads(out)
    root = ET.parse(target).getroot()
    assert code == 0
    assert root.get("width") == "450.8mm"
    assert len(report["bridges"]) == 3
    assert report["bridges"][0].keys() >= {"piece", "from_mm", "to_mm", "width_mm", "length_mm"}
    assert report["bridges"][0]["width_mm"] == 5
    assert report["kept"] == []


def test_mask_takes_a_style_and_a_number_of_bridges(monkeypatch, capsys, art, tmp_path) -> None:
    report = mask(monkeypatch, capsys, art, tmp_path, "--style", "level", "--bridges-per-piece", 2)

    per_piece = Counter(bridge["piece"] for bridge in report["bridges"])
    assert set(per_piece.values()) == {2}
    assert all(bridge["from_mm"][1] == pytest.approx(bridge["to_mm"][1], abs=1e-3) for bridge in report["bridges"])


def mask(monkeypatch, capsys, art, tmp_path, *more) -> dict:
    code, out, _ = run(
        monkeypatch, capsys, "mask", art, "--width", 400, "--bridges", "auto", *more, "-o", tmp_path / "out", "--json"
    )
    assert code == 0
    return json.loads(out)


def test_mask_says_where_it_is_weak_and_how_to_dab(monkeypatch, capsys, tmp_path) -> None:
    """Two bars 3 mm apart, and a slot 2 mm wide and 30 deep from the top of the second."""
    art = tmp_path / "weak.svg"
    art.write_bytes(svg(rect(0, 0, 50, 60) + '<path d="M53 0h24v30h2v-30h21v60h-47z"/>'))

    code, out, _ = run(monkeypatch, capsys, "mask", art, "--width", 100, "-o", tmp_path / "m.svg", "--json")

    report = json.loads(out)
    assert code == 0
    (neck,) = report["necks"]
    (tongue,) = report["tongues"]
    assert (neck["width_mm"], tongue["width_mm"]) == pytest.approx((3, 2), abs=0.05)
    assert neck["at_mm"] == pytest.approx([51.5, 30], abs=1.5)
    assert tongue["dab_toward"] == pytest.approx([0, 1], abs=0.02)
    assert tongue["length_mm"] == pytest.approx(30, abs=2)
    assert "dab_toward" not in neck


def test_mask_ranks_the_materials(monkeypatch, capsys, art, tmp_path) -> None:
    ranking = mask(monkeypatch, capsys, art, tmp_path, "--surface", "flat-towel")["materials"]

    assert {row["key"] for row in ranking} == set(load_catalogue().materials)
    assert ranking[0]["fits"]
    assert ranking[-1]["excluded"]
    assert "plastic" in [row["key"] for row in ranking if row["fits"]]


def test_a_reverse_mask_is_the_artwork_itself(monkeypatch, capsys, art, tmp_path) -> None:
    target = tmp_path / "mask.svg"

    code, out, _ = run(monkeypatch, capsys, "mask", art, "--width", 400, "--reverse", "-o", target, "--json")

    report = json.loads(out)
    root = ET.parse(target).getroot()
    assert code == 0
    assert root.get("width") == "400mm"
    assert len(report["masks"][0]["loose"]) == 3
    assert sum(piece["area_mm2"] for piece in report["masks"][0]["loose"]) == pytest.approx(
        report["painted"]["area_mm2"], rel=1e-4
    )


def test_a_mask_for_each_colour_goes_into_a_folder(monkeypatch, capsys, tmp_path) -> None:
    art, folder = tmp_path / "two.svg", tmp_path / "masks"
    art.write_bytes(svg(frame(0, 0, 40, 20) + rect(60, 0, 40, 40, 'fill="#f1ead8"')))

    code, out, _ = run(monkeypatch, capsys, "mask", art, "--width", 100, "--colours", "each", "-o", folder, "--json")

    report = json.loads(out)
    assert code == 0
    # The pale colour goes first; all have the same size.
    assert [one["colour"] for one in report["masks"]] == ["#f1ead8", "#000000"]
    assert sorted(path.name for path in folder.iterdir()) == [one["file"] for one in report["masks"]]
    assert {ET.parse(folder / one["file"]).getroot().get("width") for one in report["masks"]} == {"180mm"}
    assert [len(one["loose"]) for one in report["masks"]] == [0, 1]


def test_reverse_and_a_mask_for_each_colour_exclude_each_other(monkeypatch, capsys, art, tmp_path) -> None:
    code, _, err = run(
        monkeypatch, capsys, "mask", art, "--width", 100, "--reverse", "--colours", "each", "-o", tmp_path / "x"
    )

    assert code == 2
    assert "reverse mask" in err


@pytest.mark.parametrize(
    ("material", "mirror", "mirrored"),
    [("iron-on", "auto", True), ("card", "auto", False), ("card", "on", True), ("iron-on", "off", False)],
)
def test_sheets_are_written_numbered_within_reach(
    monkeypatch, capsys, art, tmp_path, material, mirror, mirrored
) -> None:
    folder = tmp_path / "out"

    code, out, _ = run(
        monkeypatch, capsys, "sheets", art, "--width", 500, "--reach", "292x292", "--overlap", "12mm",
        "--mirror", mirror, "--material", material, "-o", folder, "--json",
    )  # fmt: skip

    report = json.loads(out)
    assert code == 0
    assert sorted(path.name for path in folder.iterdir()) == [sheet["file"] for sheet in report["sheets"]]
    for sheet in report["sheets"]:
        assert sheet["mirrored"] is mirrored
        assert max(sheet["width_mm"], sheet["height_mm"]) <= 292
        a, b, c, d, _, _ = sheet["patches"][0]["transform"]
        assert a * d - b * c == (-1 if mirrored else 1)
    assert report["fewest_possible"] <= len(report["sheets"])
    assert report["optimal"] == (report["fewest_possible"] == len(report["sheets"]))


def test_simulate_cuts_what_sheets_wrote(monkeypatch, capsys, tmp_path) -> None:
    nested = tmp_path / "nested.svg"
    nested.write_bytes(svg(NESTED))
    run(monkeypatch, capsys, "sheets", nested, "--width", 200, "--reach", "292x292", "-o", tmp_path / "out")

    code, out, _ = run(monkeypatch, capsys, "simulate", tmp_path / "out" / "sheet-1.svg", "--json")

    report = json.loads(out)
    assert code == 0
    assert [piece["kind"] for piece in report["pieces"]].count("mask") == 4
    assert [piece["kind"] for piece in report["pieces"]].count("window") == 3
    # Three rings of two circles each on a square of 280 mm.
    circles = 2 * 3.14159265 * (100 + 80 + 60 + 40 + 20 + 10)
    assert report["cut_length_mm"] == pytest.approx(circles + 4 * 280, rel=1e-3)
    assert report["seconds"] > report["cut_length_mm"] / 100
    assert report["travel_mm"] > 0
    assert report["problems"] == []


def test_simulate_says_when_a_file_cannot_be_checked_against_the_plan(monkeypatch, capsys, tmp_path) -> None:
    cut = tmp_path / "plain.svg"
    cut.write_bytes(
        svg('<path d="M5 5h20v20h-20z" fill="none" stroke="#000"/>', 'width="40mm" height="40mm" viewBox="0 0 40 40"')
    )

    code, out, _ = run(monkeypatch, capsys, "simulate", str(cut), "--json")

    report = json.loads(out)
    assert (code, len(report["pieces"])) == (1, 1)
    assert [problem["code"] for problem in report["problems"]] == ["no-account"]


def test_simulate_names_a_fault_and_ends_with_one(monkeypatch, capsys, tmp_path) -> None:
    broken = tmp_path / "open.svg"
    broken.write_bytes(svg('<path d="M1 1H9V9H1" fill="none" stroke="red"/>', 'viewBox="0 0 10 10"'))

    code, out, _ = run(monkeypatch, capsys, "simulate", broken, "--json")

    assert code == 1
    assert json.loads(out)["problems"][0]["code"] == "open-path"


@pytest.mark.parametrize(
    ("words", "said"),
    [
        (["check", "nowhere.svg", "--width", "40cm"], "cannot be read"),
        (["check", "ART"], "--width"),
        (["check", "ART", "--width", "wide"], "not a length"),
        (["check", "ART", "--width", "-3"], "not a length"),
        (["check", "ART", "--width", "0"], "is not possible"),
        (["check", "ART", "--width", "400", "--surface", "moon"], "moon"),
        (["check", "ART", "--width", "400", "--material", "lead"], "lead"),
        (["mask", "ART", "--width", "400", "--border", "-5", "-o", "x.svg"], "border"),
        (["mask", "ART", "--width", "400"], "-o"),
        (["mask", "ART", "--width", "400", "-o", "/proc/none/x.svg"], "cannot be written"),
        (["sheets", "ART", "--width", "400", "--reach", "big", "-o", "x"], "not a reach"),
        (["sheets", "ART", "--width", "400", "--reach", "292x", "-o", "x"], "length"),
        (["sheets", "ART", "--width", "400", "--reach", "20x20", "--overlap", "15", "-o", "x"], "overlap"),
        (["simulate", "nowhere.svg"], "cannot be read"),
        (["text", "BOAT", "--font", "none", "--width", "400", "-o", "x.svg"], "no face called"),
        (["text", "BOAT", "--font", "none.ttf", "--width", "400", "-o", "x.svg"], "cannot be read"),
        (["text", " ", "--font", "anton", "--width", "400", "-o", "x.svg"], "nothing to draw"),
        (["text", "BOAT", "--font", "anton", "--width", "0", "-o", "x.svg"], "width"),
        (["text", "BOAT", "--font", "anton", "--width", "40", "--letter-gap", "wide", "-o", "x.svg"], "letter gap"),
        (["text", "BOAT", "--font", "anton", "--width", "40", "--letter-gap", "90", "-o", "x.svg"], "cannot be 40 mm"),
        (["trace", "nowhere.png", "--width", "400", "-o", "x.svg"], "cannot be read"),
        (["trace", "ART", "--width", "400", "-o", "x.svg"], "cannot be read"),
        (["trace", "ART", "--width", "400", "--threshold", "300", "-o", "x.svg"], "threshold of 300"),
        (["trace", "ART", "--width", "400", "--corners", "1,2 3", "-o", "x.svg"], "not four corners"),
        (["serve", "--port", "99999999"], "not a port"),
        (["dance"], "dance"),
    ],
)
def test_bad_input_ends_with_two_and_one_clear_line(monkeypatch, capsys, art, tmp_path, words, said) -> None:
    monkeypatch.chdir(tmp_path)

    code, out, err = run(monkeypatch, capsys, *[art if word == "ART" else word for word in words])

    assert (code, out) == (2, "")
    assert err.count("\n") == 1
    assert said in err
    assert not (tmp_path / "x.svg").exists()


def test_a_file_that_is_no_database_is_left_alone(monkeypatch, capsys, tmp_path) -> None:
    (tmp_path / "workshop.sqlite").write_bytes(b"these are not jobs" * 100)

    code, _, err = run(monkeypatch, capsys, "serve", "--port", "8977", "--data", tmp_path)

    assert code == 2
    assert "not a workshop's database" in err
    assert (tmp_path / "workshop.sqlite").read_bytes() == b"these are not jobs" * 100


def test_the_command_is_installed_and_keeps_its_streams_apart(art) -> None:
    command = [str(Path(sys.executable).parent / "dunestead"), "check", str(art), "--width", "300mm", "--json"]

    ended = subprocess.run(command, capture_output=True, text=True, check=False)

    assert ended.returncode == 0
    assert ended.stderr == ""
    assert json.loads(ended.stdout)["width_mm"] == 300


def test_fonts_lists_every_face_with_its_kind(monkeypatch, capsys) -> None:
    _, out, _ = run(monkeypatch, capsys, "fonts", "--json")

    report = json.loads(out)
    assert len(report["fonts"]) >= 14
    assert {font["kind"] for font in report["fonts"]} == set(report["kinds"])


@pytest.mark.parametrize(("gap", "loose"), [("0", 4), ("3mm", 4), ("-2mm", 4)])
def test_text_writes_words_at_true_scale(monkeypatch, capsys, tmp_path, gap: str, loose: int) -> None:
    """B has two centres, O and A one each."""
    out_file = tmp_path / "boat.svg"
    words = [
        "text",
        "BOAT",
        "--font",
        "archivo-black",
        "--width",
        "32cm",
        "--letter-gap",
        gap,
        "-o",
        out_file,
        "--json",
    ]

    code, out, err = run(monkeypatch, capsys, *words, "-o", out_file, "--json")
    report = json.loads(out)
    again = run(monkeypatch, capsys, "check", out_file, "--width", "320", "--json")

    assert (code, err) == (0, "")
    assert (report["width_mm"], len(report["loose_pieces"]), report["missing"]) == (pytest.approx(320), loose, [])
    root = ET.fromstring(out_file.read_text())
    assert root.get("width") == "320mm"
    assert json.loads(again[1])["painted"]["area_mm2"] == pytest.approx(report["painted"]["area_mm2"], rel=1e-4)


def test_text_says_what_a_face_lacks_and_ends_with_one(monkeypatch, capsys, tmp_path) -> None:
    words = ["text", "BOAT Ж", "--font", "anton", "--width", "300", "-o", tmp_path / "x.svg", "--json"]

    code, out, _ = run(monkeypatch, capsys, *words)

    assert code == 1
    assert json.loads(out)["missing"] == ["Ж"]
    assert any("no “Ж”" in finding["message"] for finding in json.loads(out)["findings"])


def test_trace_writes_what_a_picture_shows(monkeypatch, capsys, tmp_path) -> None:
    picture, out_file = tmp_path / "scan.png", tmp_path / "traced.svg"
    Image.fromarray(bitmap(painted(WORD, 100.0).region, 800)).save(picture)

    code, out, err = run(monkeypatch, capsys, "trace", picture, "--width", "100mm", "-o", out_file, "--json")
    report = json.loads(out)

    assert (code, err) == (0, "")
    assert report["width_mm"] == pytest.approx(100)
    assert report["height_mm"] == pytest.approx(40, abs=0.2)
    assert report["points"] == 24
    assert len(report["loose_pieces"]) == 3
    assert report["painted"]["area_mm2"] == pytest.approx(2400, rel=0.01)
    again = json.loads(run(monkeypatch, capsys, "check", out_file, "--width", "100", "--json")[1])
    assert again["painted"]["area_mm2"] == pytest.approx(report["painted"]["area_mm2"], rel=1e-4)


def test_trace_takes_a_threshold_and_corners(monkeypatch, capsys, tmp_path) -> None:
    picture = tmp_path / "scan.png"
    Image.fromarray(bitmap(painted(WORD, 100.0).region, 800)).save(picture)
    words = ["trace", picture, "--width", "100", "--threshold", "99", "--corners", "5,5 920,5 920,440 5,440"]

    code, out, _ = run(monkeypatch, capsys, *words, "-o", tmp_path / "t.svg", "--json")

    assert (code, json.loads(out)["threshold"]) == (0, 99)


def test_check_reads_dxf(monkeypatch, capsys, tmp_path) -> None:
    path = tmp_path / "ring.dxf"
    document = ezdxf.new()
    for radius in (20, 10):
        document.modelspace().add_circle((0, 0), radius)
    document.saveas(path)

    _, out, _ = run(monkeypatch, capsys, "check", path, "--width", "40", "--json")

    assert json.loads(out)["loose_pieces"][0]["area_mm2"] == pytest.approx(314.16, rel=1e-3)


def test_a_mended_dxf_is_no_news_on_standard_error(monkeypatch, capfd, tmp_path) -> None:
    path = tmp_path / "odd.dxf"
    document = ezdxf.new()
    document.modelspace().add_circle((0, 0), 20)
    document.saveas(path)
    path.write_bytes(path.read_bytes().replace(b"\n 40\n20.0", b"\n 40\n20.0x"))
    assert b"20.0x" in path.read_bytes()

    code, _, err = run(monkeypatch, capfd, "check", path, "--width", "40", "--json")

    assert (code, err) == (0, "")


def test_check_measures_what_the_definition_says(monkeypatch, capsys, tmp_path) -> None:
    """Two bars of 5, 2 apart: strokes of 5, a web of 2; coir wants 6 and 4, so twice the width."""
    path = tmp_path / "bars.svg"
    path.write_bytes(svg(rect(0, 0, 100, 5) + rect(0, 7, 100, 5)))

    _, out, _ = run(monkeypatch, capsys, "check", path, "--width", "100", "--json")
    report = json.loads(out)

    assert report["least_stroke_mm"] == pytest.approx(5, abs=0.05)
    assert report["least_web_mm"] == pytest.approx(2, abs=0.05)
    assert report["least_part_mm"] is None
    assert report["smallest_workable_width_mm"] == pytest.approx(200, rel=0.01)
    assert report["limited_by"]["measure"] == "web"
    assert report["limited_by"]["at_mm"][1] == pytest.approx(6, abs=0.1)


def test_bench_gives_ratios_of_checks_answers_plans_and_looks(monkeypatch, capsys) -> None:
    monkeypatch.setattr("dunestead.bench.checking._SIZES", {"a": (2, 2, 12, 8), "b": (2, 4, 12, 8), "c": (3, 9, 12, 8)})
    monkeypatch.setattr("dunestead.bench.answering._JOBS", 12)
    monkeypatch.setattr("dunestead.bench.answering._CHANGES", 3)
    monkeypatch.setattr("dunestead.bench.pieces._COUNTS", (4, 9))
    monkeypatch.setattr("dunestead.bench.pieces._LOOKS", (5,))

    _, out, _ = run(monkeypatch, capsys, "bench", "--json")

    report = json.loads(out)
    sizes, answers = report["sizes"], report["answers"]
    assert [size["loose"] for size in sizes.values()] == [2, 4, 9]
    assert all(size["ratio"] == pytest.approx(size["check_ms"] / size["floor_ms"], rel=0.1) for size in sizes.values())
    assert list(answers) == ["head of a job", "board of 12 jobs", "tick"]
    growth, looks = report["growth"], report["looks"]
    assert list(growth) == ["4 pieces kept", "9 pieces kept", "4 pieces bridged", "9 pieces bridged"]
    assert list(looks) == ["begin 5 pieces", "look at a width of 5 pieces", "keep a width of 5 pieces"]
    for told in (answers, growth, looks):
        assert all(a["ratio"] == pytest.approx(a["answer_ms"] / a["floor_ms"], rel=0.1) for a in told.values())
    # Nine pieces take about as long as they take each, times nine, over the same of four.
    longer = growth["9 pieces kept"]["answer_ms"] / growth["4 pieces kept"]["answer_ms"] * 4 / 9
    assert growth["9 pieces kept"]["growth"] == pytest.approx(longer, rel=0.1)


def test_a_frame_alone_is_one_piece(monkeypatch, capsys, tmp_path) -> None:
    path = tmp_path / "frame.svg"
    path.write_bytes(svg(frame(0, 0, 40, 20)))

    _, out, _ = run(monkeypatch, capsys, "check", path, "--width", "80", "--json")

    assert json.loads(out)["loose_pieces"][0]["area_mm2"] == pytest.approx(1600)


def test_lay_tells_shift_and_turn_from_what_the_tape_read(monkeypatch, capsys, tmp_path) -> None:
    """A mask of 300 + 2 x 40 across a mat of 600 lies 110 from either edge."""
    path = tmp_path / "job.json"
    design = [{"words": "TIDE", "face": "archivo-black", "width": 300}]
    path.write_text(
        json.dumps({"dunestead_job": 1, "surface": "coir", "blank": {"width": 600, "height": 400}, "design": design})
    )

    code, out, _ = run(monkeypatch, capsys, "lay", path, "--left", "115mm", "--right", "10.5cm", "--json")
    told = json.loads(out)

    assert (code, told["within"], told["doubtful"]) == (0, False, [])
    assert told["shift_mm"] == pytest.approx([-5, 0], abs=0.01)
    code, out, _ = run(monkeypatch, capsys, "lay", path, "--left", "110,110", "--right", "110,150", "--top", "119,119")
    assert (code, "Read once more: the bottom end of the right" in out) == (1, True)
    for bad in (["--left", "abc"], ["--left", "1,2,3"], [], ["--mask", "9", "--left", "110"]):
        assert run(monkeypatch, capsys, "lay", path, *bad)[0] == 2
