"""The Sheets station: what lies on the mat, dragged, measured, tried and cut."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.steps import unfold
from tests.browser.test_design import begin_words, settled

pytestmark = pytest.mark.browser


def at_the_sheets(page: Page, words: str = "BOATS OFF") -> None:
    begin_words(page, words)
    page.keyboard.press("4")
    expect(page.get_by_role("heading", name="Sheets", exact=True)).to_be_visible()


def test_a_patch_is_laid_on_another_sheet_by_mouse_and_by_keyboard(page: Page) -> None:
    at_the_sheets(page)
    unfold(page, "Cutter:")
    page.get_by_label("Cutter", exact=True).select_option("table-square")
    settled(page)
    first = page.get_by_role("button", name=re.compile(r"^Patch \d+ on sheet 1")).first
    second = page.get_by_role("button", name=re.compile("on sheet 2")).first
    number = (first.get_attribute("aria-label") or "").split()[1]
    start, end = first.bounding_box(), second.bounding_box()
    assert start
    assert end

    page.mouse.move(start["x"] + 8, start["y"] + 8)
    page.mouse.down()
    page.mouse.move(end["x"] + 8, end["y"] + 8, steps=5)
    page.mouse.up()

    moved = page.get_by_role("button", name=re.compile(f"^Patch {number} on sheet 2"))
    expect(moved).to_be_visible()
    settled(page)
    moved.focus()
    page.keyboard.press("ArrowLeft")
    expect(page.get_by_role("button", name=re.compile(f"^Patch {number} on sheet 1"))).to_be_visible()
    settled(page)
    unfold(page, "Layout")
    unfold(page, "Pieces of mask")
    again = page.get_by_role("button", name="Reset layout")
    again.click()
    expect(again).to_have_count(0)


def test_patches_are_put_together_with_marks_to_measure_between(page: Page) -> None:
    at_the_sheets(page)
    unfold(page, "Cutter:")
    page.get_by_label("Cutter", exact=True).select_option("table-square")
    settled(page)

    page.keyboard.press("V")

    expect(page.get_by_role("group", name=re.compile("The blank at true scale"))).to_be_visible()
    expect(page.locator(".seam .label").first).to_contain_text(" mm")
    unfold(page, "Layout")
    page.get_by_text("Seams and how to set them").click()
    expect(page.get_by_text("From the blank's edges to each patch")).to_be_visible()


def test_a_test_cut_is_answered_until_it_is_clean_and_then_in_force(page: Page) -> None:
    at_the_sheets(page, "ROW")
    page.locator("summary").filter(has_text="Test cut:").click()
    page.get_by_role("button", name="Do a test cut").click()
    answers = page.get_by_role("group", name="What happened")

    answers.get_by_role("button", name="Not through").click()
    expect(page.get_by_text("15 % more force")).to_be_visible()
    answers.get_by_role("button", name="Clean").click()

    expect(page.get_by_text("It cuts cleanly: keep it.")).to_be_visible()
    expect(page.get_by_label("Force, g")).to_have_value("92")


def test_a_sheet_is_cut_and_its_progress_outlives_the_page(page: Page) -> None:
    at_the_sheets(page, "OAR")
    page.get_by_text("Cutter runs").click()
    page.get_by_label("Practise with a fault").select_option("link-lost")
    page.get_by_role("button", name="Cut it", exact=True).first.click()
    page.get_by_role("button", name="Cut", exact=True).click()

    expect(page.get_by_text("The link to the cutter is lost.")).to_be_visible(timeout=40_000)
    page.reload()
    expect(page.get_by_text("it carries on where it stopped")).to_be_visible()
    page.get_by_role("button", name="Go on").click()
    run = page.get_by_role("group", name=re.compile("^Run ")).last
    expect(run).to_contain_text("done", timeout=40_000)
    expect(run).to_contain_text(re.compile("Came free|not cut through"))
    run.get_by_role("button", name="Clear").click()


def test_an_own_roll_narrows_the_sheets_and_is_cut_from(page: Page) -> None:
    page.goto("/#/stores")
    page.get_by_role("button", name="Add to stock").click()
    form = page.get_by_role("form", name="Something new in store")
    form.get_by_label("Your name for it").fill("Window roll")
    for label, length in (("Width of the roll (mm)", "250"), ("How much there is (mm)", "5000")):
        form.get_by_label(label).fill(length)
        form.get_by_label(label).press("Tab")
    form.get_by_role("button", name="Put it in store").click()
    expect(page.get_by_role("region", name="Rolls")).to_contain_text("Window roll")

    at_the_sheets(page, "TAR")
    page.get_by_text("Own cutters").click()
    page.get_by_label("Material in store").select_option(label="Window roll")

    unfold(page, "Layout")
    page.get_by_text("What to cut off").click()
    expect(page.get_by_text(re.compile("Window roll, 250 mm wide"))).to_be_visible()
    settled(page)
    page.get_by_text("From store: all there").click()
    expect(page.get_by_text(re.compile("from Window roll"))).to_be_visible()


def test_a_cutter_is_not_kept_with_a_reach_that_was_refused(page: Page) -> None:
    at_the_sheets(page)
    page.get_by_text("Own cutters").click()
    page.get_by_role("button", name="Add a cutter of yours").click()
    form = page.get_by_role("form", name="A cutter of yours")
    own = page.get_by_role("list", name="Your cutters")
    reach = form.get_by_label("Reach across")

    form.get_by_label("Name").fill("Loft table")
    reach.fill("9000")
    form.get_by_role("button", name="Keep this cutter").click()
    expect(form.get_by_text("Enter 20 mm to 5000 mm.")).to_be_visible()
    expect(own).not_to_contain_text("Loft table")
    reach.fill("500")
    form.get_by_role("button", name="Keep this cutter").click()

    expect(own).to_contain_text("Loft table")
    own.get_by_role("button", name="Take “Loft table” out").click()
    expect(own).not_to_contain_text("Loft table")


def test_another_layout_is_shown_with_what_it_saves_and_taken(page: Page) -> None:
    """With a border of 40 the cabin mat takes two sheets; with a narrower one it takes one."""
    with_border(page, 7, 40)
    page.goto("/#/job/7/sheets")
    layout = page.locator("summary").filter(has_text="Layout:")
    expect(layout).to_have_text("Layout: 2 sheets, 1 seam")
    unfold(page, "Layout")
    layouts = page.get_by_role("region", name="Layouts")
    layouts.get_by_text("Other layouts: 1").click()
    layouts.get_by_role(
        "button", name=re.compile("1 sheet, no seam: a border of 30 mm. Saves 1 sheet and 1 seam")
    ).click()

    expect(layout).to_have_text("Layout: 1 sheet, no seam")
    expect(layouts).to_contain_text("1 sheet is the minimum.")
    expect(layouts.get_by_role("button")).to_have_count(0)
    page.get_by_role("button", name=re.compile("^Undo")).click()
    expect(layout).to_have_text("Layout: 2 sheets, 1 seam")
    with_border(page, 7, None)


def with_border(page: Page, job: int, border: float | None) -> None:
    """Give a job a border over the API, or the usual one."""
    tag = page.request.get(f"/api/jobs/{job}").headers["etag"]
    assert page.request.patch(f"/api/jobs/{job}", data={"border": border}, headers={"If-Match": tag}).ok


def test_a_patch_of_very_many_copies_is_listed_once(page: Page) -> None:
    """Two hundred labels, thirty prints a mask: seven sets, more than one sheet holds, and the last is another."""
    page.goto("/#/job/24/blank")
    copies = page.get_by_label("How many")
    copies.fill("200")
    copies.press("Tab")
    settled(page)
    page.goto("/#/job/24/sheets")
    expect(page.get_by_role("heading", name="Sheets", exact=True)).to_be_visible()
    unfold(page, "Layout")
    page.get_by_text("Pieces of mask").click()
    expect(page.get_by_label(re.compile("^Move piece 1 from sheet"))).to_have_count(1)
    page.get_by_role("button", name=re.compile("^Undo")).click()
    settled(page)
