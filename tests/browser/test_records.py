"""What jobs teach, what they cost and how they wear, as a maker meets it."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.steps import card_menu

pytestmark = pytest.mark.browser


def test_a_figure_is_set_back_to_the_table_and_that_is_taken_back(page: Page) -> None:
    page.goto("/#/figures")
    figure = page.get_by_role("article", name=re.compile("^Working paint down"))
    expect(figure).to_contain_text(re.compile(r"from \w+ of your jobs. Usual: 40 s"))

    figure.get_by_role("button", name="Use the usual figure").click()
    expect(figure).to_contain_text("40 s, the usual figure: you chose it.")
    figure.get_by_text("values behind it").click()
    figure.get_by_label("Counts: Cabin 1 mat").click()
    expect(figure.get_by_label("Counts: Cabin 1 mat")).not_to_be_checked()
    page.get_by_role("button", name="Take the last choice back").click()
    expect(figure.get_by_label("Counts: Cabin 1 mat")).to_be_checked()
    figure.get_by_role("button", name="Use my own figure").click()
    expect(figure).to_contain_text("Usual: 40 s")


def test_a_price_follows_what_is_typed_and_a_quotation_goes_out(page: Page) -> None:
    page.goto("/#/price/9")
    expect(page.get_by_text("No price is known of the blank")).to_be_visible()
    page.get_by_label("A blank costs").fill("3")
    page.keyboard.press("Tab")
    costs = page.get_by_role("article", name="What it costs")
    blanks = costs.get_by_role("row", name=re.compile("^Blanks"))
    # Six mats at three; in which money is asked once, with the first price.
    expect(blanks).to_contain_text("18.00")
    asked = page.get_by_label("Which money do you reckon in?")
    asked.fill("shells")
    asked.press("Enter")
    expect(blanks).to_contain_text("18.00 shells")
    expect(asked).to_have_count(0)
    page.get_by_role("button", name="Take the last change back").click()
    expect(blanks).not_to_contain_text("shells")
    page.get_by_label("I ask for").fill("1")
    page.keyboard.press("Tab")
    expect(page.get_by_text("That is less than it costs.")).to_be_visible()
    with page.expect_download() as told:
        page.get_by_role("link", name="Quotation on A4").click()
    assert told.value.suggested_filename.endswith("-quotation.pdf")
    for label in ("A blank costs", "I ask for"):
        page.get_by_label(label).fill("")
        page.keyboard.press("Tab")
    expect(page.get_by_text("No price is known of the blank")).to_be_visible()


def test_what_went_wrong_and_a_later_look_are_written_down_and_undone(page: Page) -> None:
    page.goto("/#/job/1/record")
    page.get_by_label("Choose from the list").select_option(label="The mask lifted")
    expect(page.get_by_role("button", name="Remove: The mask lifted")).to_be_visible()
    page.goto("/#/job/7/mask")
    expect(page.get_by_role("region", name="What went wrong before")).to_contain_text("lifted in")
    page.goto("/#/job/1/record")
    page.get_by_role("button", name="Remove: The mask lifted").click()
    expect(page.get_by_label("Choose from the list")).to_be_visible()

    page.get_by_role("button", name="Write down a look after a year").click()
    expect(page.get_by_role("button", name="Take this look back")).to_have_count(3)
    page.get_by_role("button", name=re.compile("^Undo")).click()
    expect(page.get_by_role("button", name="Take this look back")).to_have_count(2)


def test_the_year_is_looked_over_and_goes_out_as_a_table(page: Page) -> None:
    page.goto("/#/year")
    table = page.get_by_role("article", name="By kind of blank, table")
    expect(table.get_by_role("row", name=re.compile("^Coir mat"))).to_be_visible()
    with page.expect_download() as told:
        page.get_by_role("link", name="As a table").click()
    assert told.value.suggested_filename.endswith(".csv")


def test_a_set_is_begun_from_a_card_one_job_on_each_blank(page: Page) -> None:
    page.goto("/")
    card_menu(page, "Net loft mat", "Make it again")
    dialog = page.get_by_role("dialog")
    dialog.get_by_label("Name").fill("Row set")
    for blank in ("Round mat, coir mat", "Ferry tote, canvas (tote)"):
        dialog.get_by_label(blank).check()
    dialog.get_by_role("button", name="Begin 2 jobs").click()
    names = ("Row set, Round mat", "Row set, Ferry tote")
    for name in names:
        expect(page.get_by_role("link", name=name)).to_be_visible()
    for name in names:
        card_menu(page, name, "Delete")
        expect(page.get_by_role("link", name=name)).to_have_count(0)
