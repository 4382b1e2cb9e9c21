"""The stores and the recipes, as a maker meets them."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.steps import card_menu

pytestmark = pytest.mark.browser


def test_something_is_put_in_store_counted_bought_taken_out_and_brought_back(page: Page) -> None:
    page.goto("/#/stores")
    page.get_by_role("button", name="Add to stock").click()
    form = page.get_by_role("form", name="Something new in store")
    form.get_by_label("It is").select_option(label="Pins")
    keep = form.get_by_role("button", name="Put it in store")
    expect(keep).to_be_disabled()
    form.get_by_label("Your name for it").fill("Long pins")
    form.get_by_label("How much there is").fill("40")
    page.keyboard.press("Tab")
    keep.click()

    pins = page.get_by_role("region", name="Pins").get_by_role("listitem").filter(has_text="Long pins")
    expect(pins).to_contain_text("40 left")
    pins.get_by_role("button", name="Open Long pins").click()
    pins.get_by_label("How much").fill("32")
    page.keyboard.press("Tab")
    pins.get_by_label("Note").fill("by hand")
    pins.get_by_role("button", name="So much was counted").click()
    expect(pins.get_by_role("row", name=re.compile("Counted -8 32 by hand"))).to_be_visible()
    pins.get_by_label("How much").fill("100")
    page.keyboard.press("Tab")
    pins.get_by_role("button", name="So much came in").click()
    expect(pins).to_contain_text("132 left")
    pins.get_by_role("button", name="Take it out of the stores").click()
    expect(pins).to_have_count(0)
    page.get_by_role("button", name="Bring it back").click()
    expect(pins).to_contain_text("132 left")
    pins.get_by_role("button", name="Open Long pins").click()
    pins.get_by_role("button", name="Take it out of the stores").click()


def test_a_step_takes_from_the_stores_and_gives_it_back(page: Page) -> None:
    page.goto("/#/stores")
    with page.expect_download() as told:
        page.get_by_role("link", name="on A4").click()
    assert told.value.suggested_filename == "shopping-list.pdf"
    mats = page.get_by_role("region", name="Blanks").get_by_role("listitem").filter(has_text="Step mats")
    expect(mats).to_contain_text("3 left")

    page.goto("/#/job/16/blank")
    expect(page.get_by_text("From store: all there")).to_be_visible()
    page.get_by_text("From store: all there").scroll_into_view_if_needed()
    step = page.get_by_role("checkbox", name=re.compile("^Prepare the blank"))
    step.click()
    expect(step).to_be_checked()
    page.goto("/#/stores")
    expect(mats).to_contain_text("2 left")
    page.goto("/#/job/16/blank")
    step.click()
    expect(step).not_to_be_checked()
    page.goto("/#/stores")
    expect(mats).to_contain_text("3 left")


def test_recipes_are_laid_side_by_side_and_a_job_begins_by_one(page: Page) -> None:
    page.goto("/#/recipes")
    page.get_by_label("Compare Row mat, as in spring").check()
    page.get_by_label("Compare Row mat, the usual way").check()
    side = page.get_by_role("region", name="Side by side")
    expect(side).to_contain_text("They differ in")
    expect(side.get_by_role("row", name=re.compile("differs Pins"))).to_be_visible()
    page.get_by_label("For this surface").select_option(label="Flat-weave towel")
    expect(page.get_by_role("article")).to_have_count(1)
    page.get_by_role("button", name="Remove Towels, ironed paper").click()
    expect(page.get_by_text("No recipe of yours is for this")).to_be_visible()
    page.get_by_role("button", name="Bring it back").click()
    expect(page.get_by_role("article", name="Towels, ironed paper")).to_be_visible()

    page.goto("/")
    page.get_by_label("What should it say?").fill("BUOY")
    page.get_by_label("Start from a recipe").select_option(label="Row mat, the usual way")
    page.get_by_role("button", name="Start with these words").click()
    expect(page.get_by_role("heading", name="BUOY")).to_be_visible()
    page.goto(re.sub("blank$", "mask", page.url))
    page.get_by_text(re.compile("^Your recipes for this surface")).click()
    page.get_by_role("button", name="Make it by “Row mat, as in spring”").click()
    expect(page.get_by_text("It is made so already.")).to_be_visible()
    page.get_by_label("Mask material").select_option(label="Permanent vinyl")
    page.get_by_role("button", name="Make it by “Row mat, as in spring”").click()
    expect(page.get_by_role("button", name=re.compile("^Undo: Recipe"))).to_be_visible()
    expect(page.get_by_label("Mask material")).to_have_value("paper-coated-down")
    page.goto("/")
    card_menu(page, "BUOY", "Delete")
