"""A job of twenty pieces weeded, laid, pressed and pinned: by the keyboard alone, and by touch on a tablet."""

import re
from collections.abc import Callable, Iterator

import pytest
from playwright.sync_api import Browser, Locator, Page, expect

pytestmark = pytest.mark.browser
# Each B has two centres, each O one: seven B, six O.
TEXT, PIECES = "BOBOBOB BOBOBO", 20
Press = Callable[[Locator], None]


@pytest.fixture
def tablet(browser: Browser, address: str) -> Iterator[Page]:
    context = browser.new_context(
        base_url=address,
        viewport={"width": 800, "height": 1280},
        has_touch=True,
        reduced_motion="reduce",
        locale="en-GB",
    )
    found = context.new_page()
    found.set_default_timeout(20_000)
    yield found
    context.close()


def test_twenty_pieces_by_the_keyboard_alone(page: Page) -> None:
    def press(target: Locator) -> None:
        """Go there with Tab, whatever lies between, and press it."""
        for _ in range(400):
            if target.evaluate("element => element === document.activeElement"):
                break
            page.keyboard.press("Tab")
        role = target.evaluate("element => element.type ?? element.tagName")
        page.keyboard.press("Space" if role == "checkbox" else "Enter")

    work_through(page, press)


def test_twenty_pieces_by_touch(tablet: Page) -> None:
    work_through(tablet, lambda target: target.tap())


def work_through(page: Page, press: Press) -> None:
    page.goto("/")
    made = page.request.post("/api/jobs", multipart={"words": TEXT, "name": "Twenty"})
    job = made.json()["id"]
    assert len(made.json()["pieces"]) == PIECES
    for station, rests in (("weed", False), ("tack", True)):
        page.goto(f"/#/job/{job}/{station}")
        tasks = page.locator("aside ol > li.card")
        expect(tasks.first).to_be_visible()
        press(page.get_by_role("button", name=re.compile("more steps?$")))
        for place in range(tasks.count()):
            do(page, tasks.nth(place), press)
        if rests:
            expect(page.get_by_text(re.compile(r"(\d+) of \1 pressed")).first).to_be_visible()


def do(page: Page, task: Locator, press: Press) -> None:
    """Count what is to be counted, tick every rest of the plate, and tick the task off."""
    task.scroll_into_view_if_needed()
    for field in task.get_by_role("spinbutton").all():
        name = field.evaluate("element => element.labels[0].innerText")
        should = re.search(re.escape(name) + r"\s+(\d+) should be there", task.inner_text(), re.IGNORECASE)
        press(field)
        page.keyboard.type(should[1] if should else "12")
        page.keyboard.press("Enter")
        expect(page.locator("[aria-busy=true]")).to_have_count(0)
    while (rest := task.get_by_role("button", name=re.compile("^Rest .*not pressed yet")).first).count():
        press(rest)
        expect(page.locator("[aria-busy=true]")).to_have_count(0)
    if (past := page.get_by_role("button", name=re.compile("^[0-9]+ done$"))).count():
        press(past.first)
    tick = task.get_by_role("checkbox").first
    press(tick)
    expect(page.locator("[aria-busy=true]")).to_have_count(0)
    reason = page.get_by_label("Why do it anyway?")
    if reason.count():
        press(reason.first)
        page.keyboard.type("It was cool already")
        page.keyboard.press("Enter")
        expect(page.locator("[aria-busy=true]")).to_have_count(0)
    expect(tick).to_be_checked()
