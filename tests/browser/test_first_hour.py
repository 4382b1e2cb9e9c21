"""Somebody who has never seen it: from an empty workshop to the record, led by the main button alone."""

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
# Nobody should need more presses than these, every word typed and every choice made counted.
MOST_TO_FILES, MOST_TO_COAT, MOST_TO_RECORD = 11, 30, 45


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


class Errand:
    """Somebody who reads only the one button that leads on, and presses it; waits are left to the clock."""

    def __init__(self, page: Page) -> None:
        self.page, self.presses, self.files, self.coat = page, 0, 0, 0

    def begin(self, words: str, surface: str, size: str) -> None:
        page = self.page
        page.goto("/")
        page.get_by_label("What should it say?").fill(words)
        page.get_by_label("On what").select_option(surface)
        page.get_by_label(re.compile("^Size")).fill(size)
        self.presses += 3
        if (unit := page.get_by_role("group", name="Unit of lengths")).count():
            expect(unit).to_contain_text(f"{size} what?")
            self.press(unit.get_by_role("button", name="mm", exact=True))
        self.press(page.get_by_role("button", name="Start with these words"))
        expect(page.get_by_role("heading", name="Blank", exact=True)).to_be_visible()

    def press(self, button: Locator) -> None:
        button.click()
        self.presses += 1
        expect(self.page.locator("[aria-busy=true]")).to_have_count(0)

    def go_on(self) -> str:
        """Press the button that leads on; returns what it said, nothing when all is done."""
        page = self.page
        lead = page.get_by_role("group", name="What comes next")
        button = lead.locator("button.deed")
        expect(button.or_(lead.get_by_text("Everything is done.")).first).to_be_visible()
        if not button.count():
            return ""
        label = button.inner_text().strip()
        # Stamped letters are capitals.
        told = label.lower()
        assert button.evaluate("one => one.getBoundingClientRect().bottom <= innerHeight"), f"{label} is below the fold"
        if told.startswith("tell me at"):
            self.wait()
        elif told == "download the cut files":
            with page.expect_download() as download:
                self.press(button)
            self.files = self.presses
            with zipfile.ZipFile(download.value.path()) as archive:
                assert "sheet-1.svg" in archive.namelist()
                assert "agrees with the plan" in archive.read("cut-list.txt").decode()
            expect(lead.get_by_text("Start the work")).to_be_visible()
        else:
            if not self.coat and lead.get_by_text(re.compile("^Coat 1")).count():
                self.coat = self.presses
            self.press(button)
        expect(page.get_by_label("Why do it anyway?")).to_have_count(0)
        return label

    def wait(self) -> None:
        """Let the time pass that the button counts down: the step is ticked as it would be then."""
        page = self.page
        address = f"/api/jobs/{re.search(r'/job/([0-9]+)', page.url)[1]}"
        job = page.request.get(address).json()
        task = job["next"]["task"]
        body = {"task": task["id"], "done": True, "reason": "the clock was put on", "all_here": bool(task["call"])}
        assert page.request.post(f"{address}/tasks/done", data=body, headers={"If-Match": f'"v{job["version"]}"'}).ok
        page.reload()
        expect(page.get_by_role("group", name="What comes next")).to_be_visible()
        expect(page.locator("[aria-busy=true]")).to_have_count(0)

    def run(self) -> None:
        for _ in range(120):
            if not self.go_on():
                return
        raise AssertionError("the button never led to the end")


def held(errand: Errand) -> None:
    """From the first word to the files, the first coat and the record in so many presses."""
    assert 0 < errand.files <= MOST_TO_FILES
    assert errand.files < errand.coat <= MOST_TO_COAT
    assert errand.coat < errand.presses <= MOST_TO_RECORD


def test_the_one_button_leads_through_a_mat_from_an_empty_workshop(empty: Page) -> None:
    errand = Errand(empty)
    errand.begin("COME ON IN", "coir", "750 x 450")
    errand.run()

    held(errand)
    assert empty.request.get("/api/workshop").json()["cutter"] == "table-long"


@pytest.mark.parametrize(
    ("words", "surface", "size"), [("DRY HANDS", "terry", "460 x 710"), ("BOATHOUSE", "jersey", "500 x 700")]
)
def test_the_one_button_leads_through_cloth(page: Page, words: str, surface: str, size: str) -> None:
    errand = Errand(page)
    errand.begin(words, surface, size)
    errand.run()

    held(errand)


def test_enter_alone_leads_from_the_words_to_the_files_and_on_to_the_work(page: Page) -> None:
    page.goto("/")
    field = page.get_by_label("What should it say?")
    field.fill("SALT")
    with page.expect_download() as download:
        for _ in range(MOST_TO_FILES):
            expect(page.locator("[aria-busy=true]")).to_have_count(0)
            page.keyboard.press("Enter")
            expect(page.get_by_role("heading", level=2).first).to_be_visible()
            expect(page.locator("button.deed:focus")).to_have_count(1)
            if page.get_by_role("button", name="Start the work", exact=True).count():
                break
    assert download.value.suggested_filename.endswith(".zip")

    page.keyboard.press("Enter")

    expect(page.get_by_role("heading", name="Blank", exact=True)).to_be_visible()
    expect(page.locator("button.deed:focus")).to_have_text("Done (X)")


def test_what_is_half_typed_on_the_board_outlives_a_reload(page: Page) -> None:
    page.goto("/")
    page.get_by_label("What should it say?").fill("HALF A W")
    page.get_by_label(re.compile("^Size")).fill("60 x")
    page.reload()

    expect(page.get_by_label("What should it say?")).to_have_value("HALF A W")
    expect(page.get_by_label(re.compile("^Size"))).to_have_value("60 x")


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
