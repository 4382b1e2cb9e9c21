"""From a dropped file to a record, as a maker goes, by mouse and by keyboard alone."""

import re
import zipfile
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from tests.browser.steps import all_steps, begin_file, card_menu, lead_to
from tests.shapes import ring, svg

pytestmark = pytest.mark.browser


def begin(page: Page, file: Path) -> None:
    begin_file(page, file)
    go(page, "3", "Mask")


def go(page: Page, key: str, heading: str) -> None:
    page.keyboard.press(key)
    expect(page.get_by_role("heading", name=heading, exact=True)).to_be_visible()


def test_the_board_shows_every_job_and_what_it_waits_for(page: Page) -> None:
    page.goto("/")

    for name in ("Cabin 8 mat", "Boathouse shirt", "Kitchen towels", "Ferry totes", "Tide rug"):
        expect(page.get_by_role("link", name=name, exact=True)).to_be_visible()
    expect(page.get_by_text("days late")).to_be_visible()


def test_a_job_by_keyboard_from_the_drop_to_the_record(page: Page, word_file: Path) -> None:
    begin(page, word_file)
    expect(page.locator("aside header")).to_contain_text("3 loose pieces to decide")

    for key in (".", "T", ".", "K", ".", "O"):
        page.keyboard.press(key)
        expect(page.locator("[aria-busy=true]")).to_have_count(0)
    expect(page.locator("aside header")).to_contain_text("1 kept, 1 bridged, 1 left out")
    page.keyboard.press("Control+z")
    expect(page.locator("aside header")).to_contain_text("1 loose piece to decide")
    page.keyboard.press("Control+Shift+Z")
    expect(page.locator("aside header")).to_contain_text("1 left out")

    go(page, "4", "Sheets")
    expect(page.get_by_text("checked by a simulated cut").first).to_be_visible()
    page.keyboard.press("G")
    expect(page.get_by_role("heading", name="Blank", exact=True)).to_be_visible()
    page.keyboard.press("X")
    # It was the last step there: the way goes on to the next.
    expect(page.get_by_role("heading", name="Sheets", exact=True)).to_be_visible()
    go(page, "1", "Blank")
    expect(page.get_by_text(re.compile("^Done ")).first).to_be_visible()
    go(page, "0", "Record")
    page.get_by_role("button", name="5 as wished").click()
    expect(page.locator("aside header")).to_contain_text("5 of 5")
    page.keyboard.press("B")
    expect(page.get_by_role("link", name="Pier sign")).to_be_visible()


def test_what_was_done_is_there_after_a_reload(page: Page, word_file: Path) -> None:
    begin(page, word_file)
    page.get_by_role("button", name="Bridge", exact=True).first.click()
    expect(page.locator("aside header")).to_contain_text("3 loose pieces, bridged")

    page.reload()

    expect(page.locator("aside header")).to_contain_text("3 loose pieces, bridged")
    page.keyboard.press("Control+z")
    expect(page.locator("aside header")).to_contain_text("to decide")


def test_the_picture_shows_a_fate_at_once(page: Page, word_file: Path) -> None:
    begin(page, word_file)
    page.get_by_label("Loose piece 1, undecided").click()
    group = page.get_by_role("group", name="What happens to piece 1")

    group.get_by_role("button", name="Bridge").click()

    expect(page.get_by_label("Loose piece 1, bridged")).to_be_visible()
    expect(page.get_by_label("Loose piece 2, undecided")).to_be_visible()
    expect(page.locator("path[fill='url(#tie)']").first).to_be_visible()


def test_a_file_dropped_on_the_board_begins_a_job(page: Page, word_file: Path) -> None:
    page.goto("/")
    data = page.evaluate_handle(
        """(text) => {
            const data = new DataTransfer();
            data.items.add(new File([text], 'gangway.svg', { type: 'image/svg+xml' }));
            return data;
        }""",
        word_file.read_text(),
    )

    page.get_by_role("region", name="New job").dispatch_event("drop", {"dataTransfer": data})

    expect(page.get_by_role("heading", name="Gangway", exact=True)).to_be_visible()


def test_a_file_that_is_no_drawing_is_said_to_be_none_and_nothing_is_lost(page: Page, tmp_path: Path) -> None:
    bad = tmp_path / "bad.svg"
    bad.write_text("<svg xmlns='http://www.w3.org/2000/svg'><script>alert(1)</script></svg>")
    page.goto("/")
    expect(page.get_by_role("link", name="Tide rug", exact=True)).to_be_visible()
    jobs = page.get_by_role("article").count()

    page.get_by_label("Artwork file").set_input_files(bad)

    expect(page.get_by_role("alert")).to_contain_text("carries a script")
    assert page.get_by_role("article").count() == jobs


def test_a_length_that_is_none_is_said_where_it_was_typed(page: Page, word_file: Path) -> None:
    begin(page, word_file)
    go(page, "2", "Artwork")
    field = page.get_by_label("Width of the design (mm)", exact=True)

    field.fill("broad")
    field.press("Enter")
    expect(page.get_by_text("Enter a length, such as")).to_be_visible()
    field.fill("16in")
    field.press("Enter")

    expect(field).to_have_value("406.4")
    expect(page.get_by_text("Enter a length, such as")).to_have_count(0)


def test_entries_out_of_reason_come_back_with_a_sentence(page: Page, word_file: Path) -> None:
    begin(page, word_file)
    page.get_by_role("region", name="Bridges").get_by_text("Bridges", exact=True).click()
    field = page.get_by_role("region", name="Bridges").get_by_label("Width")

    field.fill("900")
    field.press("Enter")
    expect(page.get_by_text("Enter 0.2 mm to 50 mm.")).to_be_visible()
    field.blur()
    go(page, "1", "Blank")
    rim = page.get_by_label("Raised rim around it")
    rim.evaluate("field => field.closest('details')?.setAttribute('open', '')")
    rim.fill("250")
    rim.press("Enter")

    expect(page.get_by_role("alert")).to_contain_text("A rim of 250 mm leaves nothing to paint on")
    page.reload()
    expect(rim).to_have_value("0")


def test_the_roll_call_must_come_out_before_it_is_ticked(page: Page, word_file: Path) -> None:
    begin(page, word_file)
    page.get_by_role("button", name="Keep", exact=True).first.click()
    lead_to(page, "weed-count")
    go(page, "5", "Weed")
    all_steps(page)
    tick = page.get_by_role("checkbox", name=re.compile("Count: .*3 keepers"))

    tick.click()
    expect(page.get_by_role("alert")).to_contain_text("3 pieces are still missing")
    page.get_by_role("button", name="Keeper 2, missing").click()
    expect(page.get_by_text("1 of 3", exact=True)).to_be_visible()
    counted = page.get_by_role("spinbutton", name="keepers in their place")
    counted.fill("2")
    counted.press("Enter")
    expect(page.get_by_text("2 counted, 3 should be there")).to_be_visible()
    counted.fill("3")
    counted.press("Enter")
    expect(page.get_by_text("3 of 3", exact=True)).to_be_visible()
    for windows in page.get_by_role("spinbutton", name="windows out").all():
        line = windows.locator("xpath=ancestor::div[2]")
        windows.fill("0")
        windows.press("Enter")
        should = line.get_by_text(re.compile(r"0 counted, \d+ should be there"))
        expect(should).to_be_visible()
        windows.fill(re.findall(r"\d+", should.inner_text())[-1])
        windows.press("Enter")
        expect(line.get_by_text("✓")).to_be_visible()
    tick.click()

    expect(tick).to_be_checked()


def test_a_count_that_comes_out_is_the_main_button(page: Page, word_file: Path) -> None:
    begin(page, word_file)
    page.get_by_role("button", name="Keep all 3").click()
    # The blank was not measured yet: the way leads there next.
    expect(page.get_by_role("heading", name="Blank", exact=True)).to_be_visible()
    lead_to(page, "weed-count")
    go(page, "5", "Weed")
    tick = page.get_by_role("checkbox", name=re.compile("Count: .*3 keepers"))

    page.get_by_role("button", name="Something is missing").click()
    expect(page.get_by_role("listitem").filter(has=tick).locator(":focus")).to_have_count(1)
    page.get_by_role("button", name=re.compile(r"^All [0-9]+ windows out, 3 in place")).click()

    expect(page.get_by_role("heading", name="Tack", exact=True)).to_be_visible()
    expect(page.get_by_label("Why do it anyway?")).to_have_count(0)
    go(page, "5", "Weed")
    all_steps(page)
    expect(tick).to_be_checked()


def test_all_files_come_down_in_one_zip(page: Page, word_file: Path) -> None:
    begin(page, word_file)
    page.get_by_role("button", name="Keep all 3").click()
    expect(page.get_by_role("heading", name="Blank", exact=True)).to_be_visible()
    page.get_by_role("button", name="Yes, it measures 600 mm by 400 mm").click()
    expect(page.locator("aside header")).to_contain_text("measured")
    go(page, "4", "Sheets")

    with page.expect_download() as download:
        page.get_by_role("button", name="Download the cut files").click()

    with zipfile.ZipFile(download.value.path()) as archive:
        assert {"cut-list.txt", "mask.svg", "sheet-1.svg"} <= set(archive.namelist())


def test_a_file_that_fails_is_told_beside_its_link_and_what_is_left_out_is_named(page: Page) -> None:
    page.goto("/#/job/7/sheets")
    broken = {"title": "The DXF file does not read back.", "fix": "Take another format.", "code": "bad-input"}
    page.route("**/sheets/1.dxf*", lambda route: route.fulfill(status=400, json=broken))
    page.route(
        "**/sheets/1.svg*",
        lambda route: route.fulfill(
            body="<svg/>", headers={"X-Left-Out": "Left%20out%3A%20PDF%20on%20A4.", "Content-Disposition": "attachment"}
        ),
    )

    files = page.get_by_label("Files of sheet 1")
    files.get_by_role("link", name="DXF").click()
    expect(files.get_by_role("alert")).to_have_text("The DXF file does not read back. Take another format.")

    with page.expect_download():
        files.get_by_role("link", name="SVG").click()
    expect(files.get_by_role("status")).to_have_text("Left out: PDF on A4.")


@pytest.mark.parametrize("code", ["sheets", "weed", "tack", "paint", "peel", "cure"])
def test_what_a_step_says_is_on_its_printed_page_word_for_word(page: Page, code: str) -> None:
    """Words that can be looked up are words of their sentence, on paper too."""
    page.goto(f"/#/job/7/{code}")
    expect(page.get_by_role("heading", level=2, name=code.title(), exact=True)).to_be_visible()
    expect(page.locator("[aria-busy=true]")).to_have_count(0)
    page.emulate_media(media="print")

    printed = " ".join(page.locator("aside").inner_text().split())
    work = page.request.get(f"/api/jobs/7/work?unit=mm&room={code}").json()
    station = next(one for one in work["stations"] if one["code"] == code)
    undone = [task for task in station["tasks"] if not task["done_at"]]
    for task in undone:
        assert " ".join(task["title"].split()) in printed
        assert " ".join(task["detail"].split()) in printed


def test_units_and_light_are_the_makers_and_stay(page: Page) -> None:
    page.goto("/#/job/7/blank")
    expect(page.locator("aside header")).to_contain_text("596 mm")

    page.keyboard.press("I")
    page.keyboard.press("I")
    expect(page.locator("aside header")).to_contain_text("23 15/32 in")
    page.keyboard.press("D")
    page.reload()

    expect(page.locator("aside header")).to_contain_text("23 15/32 in")
    assert "dark" in (page.locator("html").get_attribute("class") or "")


def test_the_keys_are_shown_on_a_question_mark(page: Page) -> None:
    page.goto("/#/job/7/mask")
    expect(page.get_by_role("heading", name="Mask", exact=True)).to_be_visible()

    page.keyboard.press("?")

    dialog = page.get_by_role("dialog")
    expect(dialog).to_contain_text("Tick off the next step")
    expect(dialog).to_contain_text("Loose piece after")
    page.keyboard.press("Escape")
    expect(dialog).to_have_count(0)

    for _ in range(8):
        page.keyboard.press("?")
        page.keyboard.press("Escape")
        expect(dialog).to_have_count(0)


def test_a_job_put_away_comes_back(page: Page, word_file: Path) -> None:
    begin(page, word_file)
    page.keyboard.press("B")
    cards = page.get_by_role("article").filter(has_text="Pier sign")
    expect(cards.first).to_be_visible()
    before = cards.count()

    card_menu(page, "Pier sign", "Put away")
    expect(cards).to_have_count(before - 1)
    page.keyboard.press("Control+z")

    expect(cards).to_have_count(before)


@pytest.mark.parametrize("where", ["/#/job/9999/mask", "/#/nowhere"])
def test_an_address_that_leads_nowhere_leads_back(page: Page, where: str) -> None:
    page.goto(where)

    page.get_by_role("link", name="Back to the board").click()

    expect(page.get_by_role("link", name="Tide rug", exact=True)).to_be_visible()


def test_a_long_wait_says_how_far_it_is_and_is_stopped(page: Page, tmp_path: Path) -> None:
    rings = "".join(ring(20 + 30 * (k % 40), 20 + 30 * (k // 40), 12, 5) for k in range(1200))
    path = tmp_path / "many-rings.svg"
    path.write_bytes(svg(rings))
    page.goto("/")
    expect(page.get_by_role("link", name="Tide rug", exact=True)).to_be_visible()
    before = page.get_by_role("link").count()

    page.get_by_label("Artwork file").set_input_files(path)
    card = page.get_by_role("region", name="Work under way")
    expect(card.get_by_role("progressbar")).to_be_visible()
    card.get_by_role("button", name="Stop").click()

    expect(page.get_by_text("This was stopped; nothing was changed.")).to_be_visible()
    expect(card).to_have_count(0)
    expect(page.get_by_role("link")).to_have_count(before)


def test_the_weeding_is_rehearsed_by_keys_and_a_wrong_pull_is_explained(page: Page, word_file: Path) -> None:
    begin(page, word_file)
    go(page, "5", "Weed")
    expect(page.get_by_text("The walk:")).to_be_visible()

    page.keyboard.press("r")
    wrong = page.get_by_role("button", name=re.compile("Keeper 1, .*in its place")).first
    wrong.click()
    expect(page.get_by_text(re.compile("keeper 1. Lost, its place is painted over"))).to_be_visible()
    expect(page.get_by_text("1 wrong pull so far")).to_be_visible()
    pull_all_by_keys(page)

    expect(page.get_by_text(re.compile("All out in .*, 1 wrong pull"))).to_be_visible()
    expect(page.get_by_text(re.compile("Rehearsed .*1 wrong pull"))).to_be_visible()
    # The job has gone on by that: what is ticked next is ticked on it as it is now.
    tick = page.get_by_role("checkbox", name=re.compile("^Weed 3 windows"))
    # Before the press it says what comes first; ticked all the same, it asks why.
    page.get_by_role("button", name=re.compile("^How: Weed 3 windows")).click()
    expect(page.get_by_text(re.compile("First: Cut sheet")).first).to_be_visible()
    tick.click()
    page.get_by_label("Why do it anyway?").fill("Cut elsewhere")
    page.get_by_role("button", name="Done, with this reason").click()
    expect(tick).to_be_checked()


def pull_all_by_keys(page: Page) -> None:
    """Go round every sheet with N, and take out what goes with O."""
    sheets = page.get_by_role("group", name="Which sheet lies on the table").get_by_role("button")
    for sheet in sheets.all() or [None]:
        if sheet:
            sheet.click()
        goes = page.get_by_role("group", name=re.compile("on the cutting mat")).locator(".part.window:not(.out)")
        rehearsing = page.get_by_role("button", name="End the rehearsal")
        for _ in range(60):
            if not goes.count() or not rehearsing.count():
                break
            page.keyboard.press("n")
            if page.locator(".part.window.chosen:not(.out)").count():
                page.keyboard.press("o")
