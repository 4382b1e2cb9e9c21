"""The Mask station as a maker works it: pieces, bridges, weak places, colours, materials."""

import re
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from tests.browser.steps import all_steps, to_artwork
from tests.shapes import frame, rect, svg

pytestmark = pytest.mark.browser
BOX = frame(0, 0, 100, 80) + '<path d="M120 0h29v60h2v-60h29v100h-60z"/>'
TWO = frame(0, 0, 100, 60) + rect(35, 35, 30, 30, 'fill="#c62828"')


def begin(page: Page, body: str, tmp_path: Path) -> None:
    file = tmp_path / "board.svg"
    file.write_bytes(svg(body))
    page.goto("/")
    page.get_by_label("On what").select_option(label="Flat-weave towel")
    page.get_by_label("Artwork file").set_input_files(file)
    to_artwork(page)
    field = page.get_by_label("Width of the design (mm)", exact=True)
    field.fill("100")
    field.press("Enter")
    expect(page.get_by_label("Undo: Width of the design")).to_be_visible()
    field.blur()
    page.keyboard.press("3")
    expect(page.get_by_role("heading", name="Mask", exact=True)).to_be_visible()


def tray(page: Page):
    return page.get_by_role("region", name="Loose pieces")


def test_pieces_are_found_sorted_picked_and_decided_by_keyboard(page: Page) -> None:
    page.goto("/#/job/7/mask")
    pieces = tray(page).get_by_role("listitem")
    expect(pieces).to_have_count(10)

    page.get_by_label("Order", exact=True).select_option("least")
    first = pieces.first.get_by_role("button")
    first.focus()
    for key in (" ", "ArrowDown", " ", "ArrowDown"):
        page.keyboard.press(key)
    expect(page.get_by_text("2 picked")).to_be_visible()
    page.keyboard.press("T")
    expect(tray(page).get_by_text(re.compile("bridge"))).to_have_count(2)
    page.get_by_label("Show", exact=True).select_option("bridge")
    expect(pieces).to_have_count(2)
    page.get_by_label("Find a piece").fill("nowhere")
    expect(tray(page).get_by_text("No piece matches.")).to_be_visible()
    page.keyboard.press("Escape")
    page.get_by_label("Find a piece").fill("")
    page.get_by_role("heading", name="Mask", exact=True).click()
    page.keyboard.press("Control+z")
    expect(page.locator("aside header")).to_contain_text("10 loose pieces to decide")


def test_a_bridge_is_dragged_around_its_piece_and_refused_where_it_cannot_stand(page: Page, tmp_path: Path) -> None:
    begin(page, BOX, tmp_path)
    page.get_by_label("Loose piece 1, undecided").click()
    page.keyboard.press("T")
    handle = page.get_by_label("Bridge 1 of piece 1", exact=True)
    expect(handle).to_be_visible()
    hand = handle.locator("circle")
    before = hand.evaluate("circle => circle.outerHTML")

    box = hand.bounding_box()
    assert box
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    other = page.get_by_label("Bridge 2 of piece 1", exact=True).locator("circle").bounding_box()
    assert other
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(other["x"] + other["width"] / 2, other["y"] + other["height"] / 2, steps=4)
    expect(page.get_by_role("region", name="Bridges").get_by_role("status")).to_contain_text("too near")
    # Away from its corner, a fifth of the way to the other one.
    page.mouse.move(x + (other["x"] + 8 - x) / 5, y + (other["y"] + 8 - y) / 5, steps=4)
    page.mouse.up()

    expect(page.get_by_role("region", name="Bridges").get_by_text("by hand").first).to_be_visible()
    page.wait_for_function("before => document.querySelector('.handle circle').outerHTML !== before", arg=before)


def test_bridges_are_worked_by_buttons_too(page: Page, tmp_path: Path) -> None:
    begin(page, BOX, tmp_path)
    page.keyboard.press(".")
    page.keyboard.press("T")
    rows = page.get_by_role("region", name="Bridges").get_by_role("listitem")
    expect(rows).to_have_count(2)

    page.get_by_label("Widen bridge 1 of piece 1").click()
    expect(rows.first).to_contain_text("4 mm wide")
    page.get_by_label("Slide on bridge 1 of piece 1").click()
    expect(rows.first).to_contain_text("by hand")
    page.keyboard.press("A")
    expect(rows).to_have_count(3)
    page.get_by_label("Take off bridge 3 of piece 1").click()
    expect(rows).to_have_count(2)
    page.get_by_role("button", name="Place them again").click()
    expect(rows.first).to_contain_text("3 mm wide")
    page.get_by_role("region", name="Bridges").get_by_label("Direction").select_option("level")
    expect(page.get_by_label("Undo: Style of bridges")).to_be_visible()
    expect(rows).to_have_count(2)


def test_a_tongue_is_pointed_at_and_opened_with_one_click(page: Page, tmp_path: Path) -> None:
    begin(page, BOX, tmp_path)
    page.keyboard.press(".")
    page.keyboard.press("K")
    expect(page.locator(".weak.tongue")).to_have_count(1)

    page.get_by_role("region", name="Necks and tongues").get_by_role("button").first.click()
    page.get_by_role("button", name=re.compile("Open this tongue")).click()

    expect(page.get_by_role("region", name="Necks and tongues")).to_have_count(0)


def test_a_tongue_is_tied_and_untied(page: Page, tmp_path: Path) -> None:
    begin(page, BOX, tmp_path)
    page.get_by_role("region", name="Necks and tongues").get_by_role("button").first.click()
    page.get_by_role("button", name=re.compile("Tie its tip")).click()
    expect(page.get_by_text("1 tongue tied at the tip")).to_be_visible()
    expect(page.locator(".weak.tongue")).to_have_count(0)

    page.get_by_role("button", name="Untie").click()

    expect(page.locator(".weak.tongue")).to_have_count(1)


def test_tongues_are_shown_at_the_paint_station(page: Page, tmp_path: Path) -> None:
    begin(page, BOX, tmp_path)
    page.keyboard.press("7")
    expect(page.get_by_role("heading", name="Paint", exact=True)).to_be_visible()

    expect(page.locator(".weak.tongue")).to_have_count(1)
    expect(page.locator("aside")).to_contain_text("from root to tip")


def test_leaving_out_and_dropping_show_at_once(page: Page, tmp_path: Path) -> None:
    begin(page, BOX, tmp_path)
    page.keyboard.press(".")
    page.keyboard.press("O")
    expect(page.get_by_label("Loose piece 1, left out")).to_be_visible()
    expect(page.locator("aside header")).to_contain_text("weak place")
    page.keyboard.press("Delete")
    expect(page.get_by_label("Loose piece 1, dropped")).to_be_visible()


def test_the_mask_is_peeled_back_to_the_print_and_looked_at_closely(page: Page, tmp_path: Path) -> None:
    begin(page, BOX, tmp_path)
    expect(page.locator(".lip")).to_have_count(0)

    page.keyboard.press("R")
    expect(page.locator(".lip")).to_have_count(1)
    wide = page.get_by_role("group", name="The blank at true scale").get_attribute("width")
    page.keyboard.press("+")
    page.keyboard.press("+")
    expect(page.get_by_role("group", name="The blank at true scale")).not_to_have_attribute("width", wide or "")
    expect(page.get_by_label("Loose piece 1, undecided")).to_be_visible()


def test_a_mask_for_each_colour(page: Page, tmp_path: Path) -> None:
    begin(page, TWO, tmp_path)
    page.get_by_text("The mask", exact=True).click()
    page.get_by_label("Masks", exact=True).select_option("each")

    shown = page.get_by_role("group", name="Which mask is shown")
    expect(shown.get_by_role("button")).to_have_count(2)
    shown.get_by_role("button").nth(1).click()
    expect(shown.get_by_role("button").nth(1)).to_have_attribute("aria-pressed", "true")
    page.get_by_role("button", name="Paint it first").click()
    expect(page.get_by_label("Order of the masks")).to_contain_text("1. the red mask")
    page.keyboard.press("6")
    expect(page.get_by_role("heading", name="Tack", exact=True)).to_be_visible()
    # Its turn has not come: how it is done is told on demand.
    expect(page.get_by_role("button", name=re.compile("more steps?$"))).to_be_visible()
    all_steps(page)
    laying = page.get_by_role("listitem").filter(has_text=re.compile("four notches in its border")).first
    laying.get_by_role("button", name=re.compile("^How")).click()
    expect(page.get_by_text(re.compile("four notches in its border")).first).to_be_visible()


def test_a_reverse_mask_leads_to_its_base_coat(page: Page, tmp_path: Path) -> None:
    begin(page, BOX, tmp_path)
    page.get_by_text("The mask", exact=True).click()
    page.get_by_label("What the mask does").select_option("yes")
    # The bare ground may be what is wanted: a note, with what makes it another colour.
    page.get_by_role("button", name=re.compile("With a reverse mask")).click()
    page.get_by_role("button", name=re.compile("all over")).click()

    expect(page.locator("aside header")).to_contain_text("2 loose pieces to decide")
    expect(page.get_by_label("Colour of the field")).to_be_visible()


def test_materials_are_compared_and_taken(page: Page) -> None:
    page.goto("/#/job/9/mask")
    page.get_by_text("Which material").click()
    expect(page.get_by_role("img", name=re.compile("Cost of a copy"))).to_be_visible()
    expect(page.get_by_text("Does not work here")).to_be_visible()

    page.get_by_role("button", name=re.compile("Cut the mask from Plastic")).click()

    expect(page.get_by_role("button", name=re.compile("Cut the mask from Plastic"))).to_be_disabled()
    page.keyboard.press("Control+z")


def test_what_the_tape_reads_is_told_as_shift_and_turn(page: Page, tmp_path: Path) -> None:
    begin(page, BOX, tmp_path)
    page.keyboard.press("6")
    page.get_by_text("Where does it lie?").click()
    page.get_by_label("Top: middle, or left end").fill("270")
    page.get_by_label("Top: right end").fill("280")
    page.get_by_label("Top: right end").press("Enter")

    told = page.get_by_role("status").filter(has_text="Turn it")
    expect(told).to_contain_text("against the clock")
    expect(told).to_contain_text("Still to measure")
    expect(page.get_by_role("img", name="The mask as it lies")).to_be_visible()
    measured = page.get_by_role("listitem").filter(has_text="Measured")
    expect(measured).to_contain_text("Turn it against the clock")
    expect(page.get_by_label("Near enough")).to_have_attribute("placeholder", "2")
    page.get_by_label("Near enough").fill("30")
    page.get_by_role("button", name="Show what to do").click()
    expect(page.get_by_role("status").filter(has_text="So far it lies where it should")).to_be_visible()
    page.get_by_label("Top: right end").fill("abc")
    page.get_by_role("button", name="Show what to do").click()
    expect(page.get_by_role("alert")).to_contain_text("not a length")
