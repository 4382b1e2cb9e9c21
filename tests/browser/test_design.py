"""Designing in the page: words, faces, sizes, places, findings, tracing; by mouse and by keyboard."""

import io
import re
from pathlib import Path

import pytest
from PIL import Image
from playwright.sync_api import Locator, Page, expect

from dunestead.core.artwork.painted import paint
from tests.bitmaps import bitmap
from tests.browser.steps import begin_file, begin_words, to_artwork, unfold
from tests.shapes import WORD, drawn, rect, svg

pytestmark = pytest.mark.browser


def settled(page: Page) -> None:
    expect(page.locator("[aria-busy=true]")).to_have_count(0)


def verdict(page: Page) -> Locator:
    return page.locator("aside header")


def length(page: Page, label: str) -> float:
    return float(page.get_by_label(label, exact=True).input_value())


def part(page: Page, name: str) -> Locator:
    return page.get_by_role("group", name="Choose a part").get_by_role("button", name=name)


def test_words_become_a_job_by_keyboard_alone(page: Page) -> None:
    page.goto("/")
    expect(page.get_by_role("link", name="Tide rug", exact=True)).to_be_visible()

    page.keyboard.press("N")
    page.keyboard.type("TIDE TABLE")
    page.keyboard.press("Enter")

    expect(page.get_by_role("heading", name="TIDE TABLE", exact=True)).to_be_visible()
    to_artwork(page)
    expect(page.get_by_label("What it says")).to_have_value("TIDE\nTABLE")
    assert length(page, "Width of the design (mm)") == pytest.approx(540, abs=0.2)


def test_the_rail_shows_the_consequence_while_it_is_dragged_and_keeps_it_when_let_go(page: Page) -> None:
    begin_words(page, "BOATS")
    slider = page.get_by_role("slider", name=re.compile("Width of the design"))
    box = slider.bounding_box()

    page.mouse.move(box["x"] + box["width"] * 0.9, box["y"] + box["height"] / 2)
    page.mouse.down()
    page.mouse.move(box["x"] + 4, box["y"] + box["height"] / 2, steps=6)
    expect(page.get_by_text("too fine for this surface")).to_be_visible()
    expect(verdict(page)).to_contain_text("Too fine in")
    page.mouse.up()
    settled(page)

    page.reload()
    expect(verdict(page)).to_contain_text("Too fine in")
    page.keyboard.press("Control+z")
    expect(verdict(page)).not_to_contain_text("Too fine in")


def test_a_breakpoint_of_the_rail_saves_a_sheet_at_a_press(page: Page) -> None:
    begin_words(page, "BOATS OFF")
    page.keyboard.press("4")
    unfold(page, "Cutter:")
    page.get_by_label("Cutter", exact=True).select_option("table-square")
    settled(page)
    page.locator("h2").first.click()
    page.keyboard.press("2")
    saves = page.get_by_role("button", name=re.compile(r"^\d sheets? to")).first
    count = saves.inner_text().split()[0]

    saves.click()
    settled(page)

    page.keyboard.press("4")
    expect(page.get_by_role("heading", name="Sheets", exact=True)).to_be_visible()
    expect(verdict(page)).to_contain_text(f"{count} sheet")


def test_a_face_is_chosen_by_how_the_words_hold_in_it(page: Page) -> None:
    begin_words(page, "BOATS")
    page.get_by_role("button", name="Try other faces").click()
    dialog = page.get_by_role("dialog")
    expect(dialog.get_by_text("checked for this surface")).to_be_visible(timeout=40_000)

    stencil = dialog.get_by_role("button", name=re.compile("Saira Stencil One"))
    expect(stencil).to_contain_text("0 loose pieces")
    stencil.click()
    expect(dialog).to_have_count(0)
    expect(page.locator("aside").get_by_text("Saira Stencil One")).to_be_visible()

    page.keyboard.press("3")
    expect(verdict(page)).to_contain_text("nothing falls out")


def test_a_letter_gap_is_seen_while_it_is_set(page: Page) -> None:
    begin_words(page, "ROW")
    slider = page.get_by_role("slider", name=re.compile("Letter gap"))

    with page.expect_response(re.compile("/look")):
        slider.focus()
        page.keyboard.press("End")
    settled(page)

    expect(page.locator("label", has_text="Letter gap")).not_to_contain_text("0 mm")
    page.keyboard.press("Escape")


def test_a_part_is_dragged_and_snaps_to_the_middle(page: Page) -> None:
    begin_words(page, "ROW")
    page.get_by_role("button", name=re.compile("^strokes hold|^mask holds|^letters read")).first.click()
    settled(page)
    page.get_by_text("Place and size").click()
    grip = page.get_by_role("button", name="“ROW”, part of the design")
    box = grip.bounding_box()
    at = (box["x"] + box["width"] * 0.04, box["y"] + box["height"] * 0.5)

    page.mouse.move(*at)
    page.mouse.down()
    page.mouse.move(at[0] + 40, at[1] + 3, steps=5)
    page.mouse.up()

    expect(page.get_by_label("Right of the middle (mm)")).not_to_have_value("0")
    assert length(page, "Right of the middle (mm)") > 10
    # Three pixels off the middle is within reach of its line.
    assert length(page, "Below the middle (mm)") == pytest.approx(0, abs=0.2)


def test_arrows_nudge_the_chosen_part_and_one_undo_takes_the_run_back(page: Page) -> None:
    begin_words(page, "ROW")
    page.get_by_text("Place and size").click()
    page.get_by_role("heading", name="Artwork", exact=True).click()
    start = length(page, "Right of the middle (mm)")

    for key in ("ArrowRight", "ArrowRight", "Shift+ArrowRight", "ArrowLeft"):
        page.keyboard.press(key)
    expect(page.get_by_label("Right of the middle (mm)")).to_have_value(f"{start + 11:g}")
    page.wait_for_timeout(600)
    settled(page)
    page.keyboard.press("Control+z")

    expect(page.get_by_label("Right of the middle (mm)")).to_have_value(f"{start:g}")


def test_parts_are_added_chosen_copied_and_taken_out(page: Page, word_file: Path) -> None:
    begin_words(page, "ROW")
    page.get_by_role("button", name="Words", exact=True).click()
    page.get_by_label("Words to add").fill("home")
    page.keyboard.press("Enter")
    expect(part(page, "“home”")).to_have_attribute("aria-pressed", "true")
    page.get_by_label("Drawing or picture to add").set_input_files(word_file)
    expect(part(page, "pier-sign")).to_be_visible()
    page.get_by_role("button", name="Frame", exact=True).click()
    expect(part(page, "The frame")).to_be_visible()

    part(page, "“home”").click()
    page.keyboard.press("C")
    expect(part(page, "“home”")).to_have_count(2)
    page.keyboard.press("Delete")
    expect(part(page, "“home”")).to_have_count(1)
    page.get_by_role("button", name="Left edges in line").click()
    settled(page)

    expect(page.get_by_role("button", name="Undo: Parts arranged")).to_be_visible()


def test_only_the_parts_chosen_together_are_arranged(page: Page) -> None:
    begin_words(page, "ROW")
    for words in ("home", "pier"):
        page.get_by_role("button", name="Words", exact=True).click()
        page.get_by_label("Words to add").fill(words)
        page.keyboard.press("Enter")
        expect(part(page, f"“{words}”")).to_be_visible()
    part(page, "“home”").click()
    part(page, "“pier”").click(modifiers=["Shift"])

    page.get_by_role("heading", name="Arrange the 2 chosen parts").scroll_into_view_if_needed()
    expect(part(page, "“ROW”")).to_have_attribute("aria-pressed", "false")
    page.get_by_role("button", name="Top edges in line").click()

    expect(page.get_by_role("button", name="Undo: Parts arranged")).to_be_visible()


def test_a_breakpoint_points_at_what_is_measured(page: Page) -> None:
    begin_words(page, "BOATS")

    page.get_by_role("button", name=re.compile("^strokes hold|^mask holds|^letters read")).first.hover()
    expect(page.locator("path.spot")).to_be_visible()
    page.get_by_role("heading", name="Artwork", exact=True).hover()

    expect(page.locator("path.spot")).to_have_count(0)


def test_a_finding_is_mended_by_a_remedy_that_was_tried(page: Page, tmp_path: Path) -> None:
    path = tmp_path / "bars.svg"
    path.write_bytes(svg(rect(0, 0, 100, 30) + rect(0, 50, 100, 0.8)))
    begin_file(page, path)
    finding = page.get_by_role("button", name=re.compile("The painted stroke is 4"))

    finding.click()
    remedy = page.get_by_role("button", name=re.compile("Make all strokes of bars"))
    expect(remedy).to_contain_text("1 thing left to look at")
    remedy.click()

    expect(finding).to_have_count(0)
    expect(verdict(page)).to_contain_text("of the edge")
    page.get_by_role("button", name=re.compile("comes within")).click()
    page.get_by_role("button", name=re.compile("^Make the design")).click()
    expect(verdict(page)).to_contain_text("holds on coir mat")


def test_a_photographed_sheet_is_traced_straightened_and_tuned(page: Page, tmp_path: Path) -> None:
    path = tmp_path / "sketch.png"
    held = io.BytesIO()
    Image.fromarray(bitmap(paint(drawn(WORD), 100.0).region, 700)).save(held, "PNG")
    path.write_bytes(held.getvalue())
    begin_file(page, path)
    expect(page.get_by_text("24 points")).to_be_visible()

    page.get_by_role("button", name="Straighten the sheet").click()
    corner = page.get_by_role("slider", name="Top left corner")
    corner.focus()
    before = corner.get_attribute("aria-valuetext")
    page.keyboard.press("Shift+ArrowRight")
    assert corner.get_attribute("aria-valuetext") != before
    page.get_by_role("button", name="Straighten", exact=True).click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    expect(page.get_by_role("button", name="Undo: sketch traced anew")).to_be_visible()
    page.get_by_label("Choose automatically").uncheck()

    page.keyboard.press("3")
    expect(verdict(page)).to_contain_text("3 loose pieces to decide")


def test_a_picture_that_shows_nothing_is_said_to_show_nothing(page: Page, tmp_path: Path) -> None:
    path = tmp_path / "blank.png"
    Image.new("L", (200, 200), 230).save(path)
    page.goto("/")

    page.get_by_label("Artwork file").set_input_files(path)

    expect(page.get_by_role("alert")).to_contain_text("one grey all over")


def test_a_garment_shows_where_the_design_goes(page: Page) -> None:
    begin_words(page, "ROW", on="jersey")
    page.keyboard.press("1")
    page.get_by_label("Shape").select_option("garment")
    page.get_by_label("The design goes").select_option("pocket")
    settled(page)
    field = page.get_by_label("Below the collar seam (mm)")
    field.fill("140")
    field.press("Enter")
    expect(page.locator(".collar text")).to_have_text("140 mm")

    page.get_by_role("button", name="Place the design there").click()

    expect(page.get_by_role("button", name="Undo: Design placed on the garment")).to_be_visible()
    expect(verdict(page)).to_contain_text("510 mm by 720 mm")
    page.keyboard.press("2")
    expect(page.get_by_label("Width of the design (mm)")).to_have_value("75")


def test_a_blank_is_kept_and_new_jobs_start_from_it(page: Page) -> None:
    begin_words(page, "ROW")
    page.keyboard.press("1")
    page.get_by_label("Shape").select_option("oval")
    page.get_by_text("Your own blanks").click()
    page.get_by_label("Name for this blank").fill("Oval mat")
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name="Take “Oval mat” for this job")).to_be_visible()

    page.keyboard.press("Escape")
    page.goto("/")
    page.get_by_label("On what").select_option(label="Oval mat (your own)")
    page.get_by_label("What should it say?").fill("HOME")
    page.keyboard.press("Enter")

    expect(page.get_by_role("heading", level=2, name="Blank", exact=True)).to_be_visible()
    expect(page.get_by_label("Shape", exact=True)).to_have_value("oval")


def test_a_design_survives_a_reload_and_is_undone_part_by_part(page: Page) -> None:
    begin_words(page, "ROW")
    page.get_by_role("button", name="Frame", exact=True).click()
    expect(part(page, "The frame")).to_be_visible()

    page.reload()
    expect(part(page, "The frame")).to_be_visible()
    page.get_by_role("heading", name="Artwork", exact=True).click()
    page.keyboard.press("Control+z")

    expect(part(page, "The frame")).to_have_count(0)


def test_a_field_says_at_once_what_it_takes(page: Page) -> None:
    begin_words(page, "KEEL")
    page.get_by_text("Place and size").click()
    width = page.get_by_label("Width (mm)", exact=True).last

    width.fill("30000")
    width.press("Enter")
    expect(page.get_by_text("Enter 1 mm to 20")).to_be_visible()
    width.fill("300")
    width.press("Enter")
    settled(page)

    expect(page.get_by_text("Enter 1 mm to 20")).to_have_count(0)
    assert length(page, "Width of the design (mm)") == pytest.approx(300, abs=0.1)


def test_a_wide_arc_can_be_set(page: Page) -> None:
    begin_words(page, "TIDE ROAD")
    page.get_by_text("Lines, arc, letter colours").click()
    page.get_by_label("Set", exact=True).select_option("over")
    settled(page)
    radius = page.get_by_role("slider", name=re.compile("Radius of the arc"))

    radius.press("End")
    settled(page)

    # One and a half times the coir mat's 600 mm.
    assert float(radius.input_value()) == pytest.approx(900, abs=1)


def test_after_the_tape_has_spoken_the_design_may_follow(page: Page) -> None:
    begin_words(page, "FOLLOW")
    page.keyboard.press("1")
    rail = page.get_by_label("Width by tape")
    rail.fill("500")
    rail.press("Enter")
    offer = page.get_by_role("button", name="Resize the design too")
    expect(offer).to_be_visible()

    offer.click()

    expect(offer).to_have_count(0)
    expect(page.get_by_role("button", name=re.compile("^Undo: The design follows the blank"))).to_be_visible()


def test_an_area_to_keep_clear_is_marked_on_the_blank_and_told(page: Page) -> None:
    begin_words(page, "ROW")
    page.keyboard.press("1")
    page.get_by_text("Areas to keep clear").click()

    page.get_by_role("button", name="Mark an area").click()
    settled(page)
    page.get_by_label("What is there").select_option("holes")
    settled(page)
    for label, place in (("Middle, from the left (mm)", "300"), ("Middle, from the top (mm)", "200")):
        field = page.get_by_label(label)
        field.fill(place)
        field.press("Enter")
        settled(page)

    expect(page.locator("svg .clear text")).to_have_text("the holes")
    page.keyboard.press("Escape")
    page.get_by_role("link", name=re.compile("Artwork")).first.click()
    expect(verdict(page)).to_contain_text("over the holes, where nothing can be painted")
    finding = page.get_by_role("button", name=re.compile("over the holes"))
    finding.click()
    # In the very middle of the design no smaller one keeps off: the area is taken away instead.
    page.keyboard.press("Control+z")
    settled(page)
    page.keyboard.press("Control+z")
    settled(page)
    expect(finding).to_have_count(0)


def test_a_drawing_that_is_more_than_can_be_worked_out_is_offered_plainer(page: Page, tmp_path: Path) -> None:
    """The workshop gives up on it as it does after its time; whatever is asked after that it answers itself."""
    specks = "".join(f'<circle cx="{20 + k * 5}" cy="120" r="0.3"/>' for k in range(40))
    file = tmp_path / "specks.svg"
    file.write_bytes(svg(f"{rect(0, 0, 300, 100)}{specks}"))
    told = {
        "title": "That took too long and was stopped after 15 s, at “Joining what overlaps”.",
        "fix": "Make it simpler.",
    }
    given_up = {**told, "code": "too-much", "status": 422, "detail": "", "type": "", "instance": ""}
    page.goto("/")
    expect(page.get_by_role("link", name="Tide rug", exact=True)).to_be_visible()
    page.route("**/api/jobs?*", lambda route: route.fulfill(status=422, json=given_up), times=1)
    page.get_by_label("Artwork file").set_input_files(file)
    alert = page.get_by_role("alert")
    expect(alert).to_contain_text("stopped after 15 s")
    alert.get_by_role("button", name="Leave out specks").press("Enter")

    to_artwork(page)
    expect(page.get_by_text("Made plainer: 40 specks left out").first).to_be_visible()
