"""Steps that several tests take in the page."""

from pathlib import Path

from playwright.sync_api import Page, expect

__all__ = ["begin_file", "begin_words", "card_menu", "to_artwork"]


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


def card_menu(page: Page, name: str, item: str) -> None:
    """Choose something in the menu of the last card of a name."""
    card = page.get_by_role("article").filter(has=page.get_by_role("link", name=name, exact=True)).last
    card.get_by_label(f"More for {name}").click()
    card.get_by_role("button", name=item, exact=True).click()
