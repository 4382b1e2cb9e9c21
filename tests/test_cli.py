"""The command line keeps its contract: JSON alone on standard output, one clear line on standard error."""

import json
import subprocess
import sys
from pathlib import Path
from xml.etree import ElementTree as ET

import pytest

from dunestead.cli import main
from tests.shapes import NESTED, WORD, frame, rect, svg


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
    assert report["painted"]["bbox_mm"] == pytest.approx([0, 0, 400, 160])
    assert [piece["id"] for piece in report["loose_pieces"]] == [1, 2, 3]
    assert report["loose_pieces"][0]["centroid_mm"] == pytest.approx([80, 80])
    assert report["loose_pieces"][0]["nearest"]["gap_mm"] == pytest.approx(40)
    assert report["smallest_workable_width_mm"] > 0
    assert report["limited_by"] in ("stroke", "web", "part")


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
        monkeypatch, capsys, "mask", art, "--width", 400, "--border", "1in", "--bridges", "auto", "-o", target, "--json"
    )

    report = json.loads(out)
    root = ET.parse(target).getroot()
    assert code == 0
    assert root.get("width") == "450.8mm"
    assert len(report["bridges"]) == 3
    assert report["bridges"][0].keys() >= {"piece", "from_mm", "to_mm", "width_mm", "length_mm"}
    assert report["bridges"][0]["width_mm"] == 5
    assert report["kept"] == []


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
        a, _, _, d, _, _ = sheet["patches"][0]["transform"]
        assert (a, d) == ((-1, 1) if mirrored else (1, 1))
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
        (["check", "ART", "--width", "0"], "makes no sense"),
        (["check", "ART", "--width", "400", "--surface", "moon"], "moon"),
        (["check", "ART", "--width", "400", "--material", "lead"], "lead"),
        (["mask", "ART", "--width", "400", "--border", "0", "-o", "x.svg"], "border"),
        (["mask", "ART", "--width", "400"], "-o"),
        (["mask", "ART", "--width", "400", "-o", "/proc/none/x.svg"], "cannot be written"),
        (["sheets", "ART", "--width", "400", "--reach", "big", "-o", "x"], "not a reach"),
        (["sheets", "ART", "--width", "400", "--reach", "292x", "-o", "x"], "length"),
        (["sheets", "ART", "--width", "400", "--reach", "20x20", "--overlap", "15", "-o", "x"], "overlap"),
        (["simulate", "nowhere.svg"], "cannot be read"),
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


def test_bench_gives_ratios_for_three_sizes(monkeypatch, capsys) -> None:
    monkeypatch.setattr("dunestead.bench._SIZES", {"a": (2, 2, 12, 8), "b": (2, 4, 12, 8), "c": (3, 9, 12, 8)})

    _, out, _ = run(monkeypatch, capsys, "bench", "--json")

    sizes = json.loads(out)["sizes"]
    assert [size["loose"] for size in sizes.values()] == [2, 4, 9]
    assert all(size["ratio"] == pytest.approx(size["check_ms"] / size["floor_ms"], rel=0.1) for size in sizes.values())


def test_a_frame_alone_is_one_piece(monkeypatch, capsys, tmp_path) -> None:
    path = tmp_path / "frame.svg"
    path.write_bytes(svg(frame(0, 0, 40, 20)))

    _, out, _ = run(monkeypatch, capsys, "check", path, "--width", "80", "--json")

    assert json.loads(out)["loose_pieces"][0]["area_mm2"] == pytest.approx(1600)
