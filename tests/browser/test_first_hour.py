"""Somebody who has never seen it: from an empty workshop to checked cut files, led by the main button alone."""

import re
import subprocess
import sys
import zipfile
from collections.abc import Iterator

import pytest
from playwright.sync_api import Browser, Locator, Page, expect

from tests.browser.conftest import answering, free_port
from tests.browser.steps import card_menu

pytestmark = pytest.mark.browser
# Nobody should need more presses than these.
MOST_PRESSES = 12


@pytest.fixture
def empty(tmp_path, browser: Browser) -> Iterator[Page]:
    """Open the page of a workshop with nothing in it."""
    port = free_port()
    command = [sys.executable, "-m", "dunestead", "serve", "--port", str(port), "--data", str(tmp_path)]
    with subprocess.Popen(command, stdout=subprocess.DEVNULL) as server:
        try:
            context = browser.new_context(
                base_url=answering(f"http://127.0.0.1:{port}", server),
                viewport={"width": 1280, "height": 800},
                reduced_motion="reduce",
                accept_downloads=True,
                locale="en-GB",
            )
            page = context.new_page()
            page.set_default_timeout(20_000)
            yield page
            context.close()
        finally:
            server.terminate()


# What the buttons that lead on say; nothing else of the page is known to this maker.
LEADS = re.compile(
    r"^\s*(Yes, it measures|Make it|Keep (all|it)|Bridge (all|it)|See what helps|Download the cut files"
    r"|Next: |Back to|Go to|All \d|Done \(X\))"
)


def next_step(page: Page) -> Locator:
    """Return the one button on the screen whose words lead on."""
    expect(page.locator("[aria-busy=true]")).to_have_count(0)
    return page.locator("button, a").filter(has_text=LEADS).filter(visible=True).first


def test_the_main_button_leads_to_checked_files_and_on_to_the_first_coat(empty: Page) -> None:
    page = empty
    page.goto("/")
    expect(page.get_by_text("Welcome to your workshop")).to_be_visible()
    page.get_by_label("What should it say?").fill("MIND THE STEP")
    page.get_by_role("button", name="Start with these words").click()

    pressed = []
    for _ in range(MOST_PRESSES):
        button = next_step(page)
        label = button.inner_text().strip()
        pressed.append(label)
        if "Download" in label:
            break
        button.click()
    assert "Download" in pressed[-1], pressed

    with page.expect_download() as download:
        next_step(page).click()
    with zipfile.ZipFile(download.value.path()) as archive:
        assert "sheet-1.svg" in archive.namelist()
        assert "agrees with the plan" in archive.read("cut-list.txt").decode()
    expect(page.get_by_text("checked by a simulated cut").first).to_be_visible()

    reach_the_first_coat(page)


def reach_the_first_coat(page: Page) -> None:
    """Tick the steps off as the button says, writing down each count that is asked for; do not wait for the plate."""
    page.get_by_role("button", name=re.compile("^Then start the work")).click()
    for _ in range(60):
        expect(page.locator("[aria-busy=true]")).to_have_count(0)
        if page.get_by_text(re.compile("^Next: Coat 1")).count():
            return
        for field in page.get_by_role("spinbutton").all():
            write_down_what_is_asked(field)
        # While the plate's heat goes, nothing is offered as done.
        early = page.get_by_role("button", name="It is done already (X)")
        (early if early.count() else next_step(page)).click()
        expect(page.locator("[aria-busy=true]")).to_have_count(0)
        if (reason := page.get_by_label("Why do it anyway?")).count():
            expect(page.get_by_text(re.compile("Too early"))).to_be_visible()
            reason.fill("It is cool already")
            page.get_by_role("button", name="Done, with this reason").click()
    raise AssertionError("the main button never led to the first coat")


def write_down_what_is_asked(field: Locator) -> None:
    """Fill a count with the number that stands beside its field."""
    asked = re.compile(r"(\d+) (?:should be there|planned: enter how many you used)")
    beside = field.locator("xpath=..")
    for _ in range(4):
        if found := asked.search(beside.inner_text()):
            if field.is_visible():
                field.fill(found[1])
                field.press("Enter")
            return
        beside = beside.locator("xpath=..")


def test_an_example_opens_from_the_empty_workshop(empty: Page) -> None:
    empty.goto("/")
    empty.get_by_role("button", name="Open: A doormat with words").click()

    expect(empty.get_by_role("heading", name="Example: step mat", exact=True)).to_be_visible()
    expect(empty.get_by_text("does it really measure").first).to_be_visible()


def test_letters_of_other_scripts_are_set_in_a_lettering_that_has_them(empty: Page) -> None:
    empty.goto("/")
    field = empty.get_by_label("What should it say?")
    field.fill("שלום")
    expect(empty.get_by_label("Lettering").locator("option")).to_have_count(2)
    field.press("Enter")
    expect(empty.get_by_role("heading", name="שלום", exact=True)).to_be_visible()

    empty.goto("/")
    empty.get_by_label("What should it say?").fill("海")
    expect(empty.get_by_text("draw the words in it")).to_be_visible()


def test_a_change_waits_while_the_workshop_is_away_and_is_kept_when_it_is_back(page: Page) -> None:
    page.goto("/#/job/7/blank")
    copies = page.get_by_label("How many")
    expect(copies).to_have_value("1")
    page.route("**/api/**", lambda route: route.abort())

    copies.fill("2")
    copies.press("Enter")
    expect(page.get_by_text("Not saved yet.")).to_be_visible()
    expect(copies).to_have_value("2")
    page.unroute("**/api/**")

    expect(page.get_by_text("Not saved yet.")).to_have_count(0)
    assert page.request.get("/api/jobs/7").json()["inputs"]["copies"] == 2
    page.get_by_role("button", name="Undo: Copies").click()
    expect(copies).to_have_value("1")


def test_every_station_says_what_it_is_for_and_explains_the_words(page: Page) -> None:
    page.goto("/#/job/7/mask")
    page.get_by_role("button", name="What is this station for?").click()

    dialog = page.get_by_role("dialog")
    expect(dialog).to_contain_text("decide what happens to every loose piece")
    expect(dialog.get_by_text("the centre of an O")).to_be_visible()


def test_the_wheel_zooms_about_the_pointer(page: Page) -> None:
    """What lies under the pointer stays there."""
    page.goto("/#/job/7/artwork")
    blank = page.locator("path.blank")
    expect(blank).to_be_visible()
    # Timers that run are told above the picture once they are asked for, and move it down.
    page.wait_for_load_state("networkidle")
    before = blank.bounding_box()
    x, y = before["x"] + before["width"] * 0.8, before["y"] + before["height"] * 0.7
    page.mouse.move(x, y)
    page.mouse.wheel(0, -600)
    expect(page.get_by_role("button", name="Zoom out")).to_be_enabled()
    page.wait_for_timeout(200)
    after = blank.bounding_box()

    assert after["width"] > before["width"] * 1.5
    assert (x - after["x"]) / after["width"] == pytest.approx(0.8, abs=0.01)
    assert (y - after["y"]) / after["height"] == pytest.approx(0.7, abs=0.01)


def test_a_job_is_renamed_copied_deleted_and_brought_back_on_the_board(page: Page) -> None:
    page.goto("/")
    card_menu(page, "Net loft mat", "Make it again")
    page.get_by_role("button", name="Begin it").click()
    expect(page.get_by_role("link", name="Net loft mat, again", exact=True)).to_be_visible()
    card_menu(page, "Net loft mat, again", "Rename")
    field = page.get_by_label("New name of Net loft mat, again")
    field.fill("Sail loft mat")
    field.press("Enter")
    expect(page.get_by_role("link", name="Sail loft mat", exact=True)).to_be_visible()

    page.get_by_label("Find").fill("sail")
    expect(page.get_by_role("article")).to_have_count(1)
    card_menu(page, "Sail loft mat", "Delete")
    expect(page.get_by_role("article")).to_have_count(0)
    page.get_by_role("button", name="Deleted jobs").click()
    page.get_by_role("button", name="Erase Sail loft mat for good").click()
    expect(page.get_by_text("Nothing was deleted.")).to_be_visible()
