"""Steps that several tests take in the page."""

import re
from pathlib import Path

from playwright.sync_api import Page, expect

__all__ = ["all_steps", "begin_file", "begin_words", "card_menu", "lead_to", "to_artwork", "unfold"]


def to_artwork(page: Page) -> None:
    """Go on to the design from the blank, where a new job begins."""
    expect(page.get_by_role("heading", name="Blank", exact=True)).to_be_visible()
    page.keyboard.press("2")
    expect(page.get_by_role("heading", name="Artwork", exact=True)).to_be_visible()


def begin_words(page: Page, words: str, on: str = "coir") -> None:
    """Begin a job from words, and go to its design."""
    page.goto("/")
    page.get_by_label("On what").select_option(on)
    field = page.get_by_label("What should it say?")
    field.fill(words)
    field.press("Enter")
    to_artwork(page)


def begin_file(page: Page, file: Path) -> None:
    """Begin a job from a file, and go to its design."""
    page.goto("/")
    page.get_by_label("Artwork file").set_input_files(file)
    to_artwork(page)


def lead_to(page: Page, code: str) -> None:
    """Tick off, over the API, all that comes before the first step of a kind in the open job."""
    address = f"/api/jobs/{re.search(r'/job/([0-9]+)', page.url)[1]}"
    tasks = [task for room in page.request.get(address).json()["stations"] for task in room["tasks"]]
    for task in tasks[: [task["code"] for task in tasks].index(code)]:
        version = page.request.get(address).json()["version"]
        body = {"task": task["id"], "done": True, "reason": "a trial"}
        assert page.request.post(f"{address}/tasks/done", data=body, headers={"If-Match": f'"v{version}"'}).ok
    page.reload()
    expect(page.get_by_role("heading", level=2).first).to_be_visible()


def unfold(page: Page, title: str) -> None:
    """Open what is folded under a title, where it is not open."""
    fold = page.locator("details").filter(has=page.locator("summary").filter(has_text=re.compile(f"^{title}"))).last
    expect(fold).to_be_visible()
    if fold.get_attribute("open") is None:
        fold.locator("summary").first.click()


def all_steps(page: Page) -> None:
    """Show the steps that are far off or done, too."""
    for name in ("more steps?$", "^[0-9]+ done$"):
        button = page.get_by_role("button", name=re.compile(name))
        if button.count():
            button.first.click()


def card_menu(page: Page, name: str, item: str) -> None:
    """Choose something in the menu of the last card of a name."""
    card = page.get_by_role("article").filter(has=page.get_by_role("link", name=name, exact=True)).last
    card.get_by_label(f"More for {name}").click()
    card.get_by_role("button", name=item, exact=True).click()
