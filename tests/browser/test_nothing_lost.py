"""What a maker typed, or did in two windows, or put away: nothing of it is lost, and nothing overwritten unseen."""

import re
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from tests.browser.steps import begin_file, card_menu, to_artwork

pytestmark = pytest.mark.browser
SAYS = "MIND THE STEP PLEASE"
SLOW = """
    const asked = window.fetch;
    window.fetch = async (...what) => {
        const answer = await asked(...what);
        await new Promise((go) => setTimeout(go, 150));
        return answer;
    };
"""


def begin_words(page: Page, words: str) -> int:
    page.goto("/")
    page.get_by_label("What should it say?").wait_for()
    page.keyboard.press("N")
    page.keyboard.type(words)
    page.keyboard.press("Enter")
    to_artwork(page)
    expect(page.get_by_label("What it says")).to_have_value(words)
    found = re.search(r"/job/(\d+)/", page.url)
    assert found
    return int(found[1])


def written(page: Page, job: int) -> str:
    return page.request.get(f"/api/jobs/{job}").json()["elements"][0]["words"]["text"]


def test_every_letter_typed_is_kept_however_slow_the_answers(page: Page) -> None:
    page.add_init_script(SLOW)
    job = begin_words(page, "BOATS")
    field = page.get_by_label("What it says")

    field.fill("")
    field.press_sequentially(SAYS, delay=120)
    expect(field).to_have_value(SAYS)
    field.blur()
    expect(page.get_by_label(re.compile("^Undo: "))).to_be_visible()

    expect(field).to_have_value(SAYS)
    assert written(page, job) == SAYS


def test_what_is_not_kept_yet_survives_a_reload(page: Page) -> None:
    job = begin_words(page, "BOATS")
    field = page.get_by_label("What it says")

    field.press("End")
    field.press_sequentially(" AHOY", delay=10)
    page.reload()

    expect(field).to_have_value("BOATS AHOY")
    expect(page.get_by_label(re.compile("^Undo: "))).to_be_visible()
    assert written(page, job) == "BOATS AHOY"


def test_a_change_made_on_an_older_version_is_said_and_can_be_made_again(page: Page) -> None:
    job = begin_words(page, "BOATS")
    other = page.context.new_page()
    other.goto(f"/#/job/{job}/blank")
    expect(other.get_by_role("heading", name="Blank", exact=True)).to_be_visible()

    page.keyboard.press("Escape")
    page.get_by_label("What it says").blur()
    page.keyboard.press("1")
    page.get_by_label("How many").fill("7")
    page.get_by_label("How many").press("Enter")
    expect(page.get_by_label("Undo: Copies")).to_be_visible()
    other.get_by_label("Surface", exact=True).select_option(label="Flat-weave towel")

    expect(other.get_by_role("alert")).to_contain_text("changed in another window: Copies")
    expect(other.get_by_label("How many")).to_have_value("7")
    other.get_by_label("Surface", exact=True).select_option(label="Flat-weave towel")
    expect(other.get_by_label("Undo: Surface")).to_be_visible()
    assert page.request.get(f"/api/jobs/{job}").json()["inputs"]["copies"] == 7


def test_the_drawer_still_opens_after_a_reload(page: Page) -> None:
    job = begin_words(page, "ADRIFT")
    page.keyboard.press("Escape")
    page.goto("/")
    card_menu(page, "ADRIFT", "Put away")
    expect(page.get_by_role("link", name="ADRIFT")).to_have_count(0)
    page.reload()

    page.get_by_role("button", name="Jobs put away").click()
    page.get_by_role("button", name="Bring ADRIFT back").click()

    expect(page.get_by_role("link", name="ADRIFT")).to_be_visible()
    assert page.request.get(f"/api/jobs/{job}/head").ok


def test_files_of_a_design_that_will_not_work_are_held_back_until_they_are_asked_for(
    page: Page, word_file: Path
) -> None:
    begin_file(page, word_file)
    field = page.get_by_label("Width of the design (mm)", exact=True)
    field.fill("60")
    field.press("Enter")
    expect(page.get_by_label("Undo: Width of the design")).to_be_visible()
    field.blur()
    page.keyboard.press("4")

    expect(page.get_by_role("alert")).to_contain_text("Too fine")
    expect(page.get_by_role("link", name="All sheets in one zip")).to_have_count(0)
    page.get_by_label("Download the files anyway").check()

    with page.expect_download() as download:
        page.get_by_role("link", name="All sheets in one zip").click()
    assert download.value.path().stat().st_size > 0
