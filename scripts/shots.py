"""Takes the pictures of the README from the demo: `make shots`."""

import subprocess
import sys
import tempfile
import time
import urllib.request
from collections.abc import Callable
from pathlib import Path

from playwright.sync_api import Page, sync_playwright

from tests.browser.chromium import launch

ROOT = Path(__file__).resolve().parent.parent
OUT = ROOT / "docs/screenshots"
PORT = 8917
ADDRESS = f"http://127.0.0.1:{PORT}"
# Name of the picture, address, whether it is taken in the dark or on a tablet, and what is done first.
VIEWS: list[tuple[str, str, str, Callable[[Page], None] | None]] = [
    ("board", "/#/", "", None),
    ("blank", "/#/job/7/blank", "", None),
    ("artwork", "/#/job/11/artwork", "", lambda page: choose(page, "SLIPWAY")),
    ("mask", "/#/job/7/mask", "", None),
    ("mask-tied", "/#/job/9/mask", "", lambda page: tie(page)),
    ("sheets", "/#/job/7/sheets", "", None),
    ("weed", "/#/job/7/weed", "", None),
    ("tack", "/#/job/7/tack", "", lambda page: press(page)),
    ("paint", "/#/job/15/paint", "", None),
    ("peel", "/#/job/7/peel", "", None),
    ("cure", "/#/job/13/cure", "", None),
    ("record", "/#/job/2/record", "", None),
    ("figures", "/#/figures", "", None),
    ("price", "/#/price/9", "", None),
    ("stores", "/#/stores", "", lambda page: page.mouse.wheel(0, 620)),
    ("recipes", "/#/recipes", "", lambda page: compare(page)),
    ("year", "/#/year", "", None),
    ("dark", "/#/job/8/mask", "dark", None),
    ("tablet", "/#/job/9/tack", "tablet", None),
]


def choose(page: Page, part: str) -> None:
    page.get_by_role("group", name="Choose a part").get_by_text(part).click()
    page.wait_for_timeout(300)


def scroll_to(page: Page, region: str) -> None:
    page.get_by_role("region", name=region).evaluate("element => element.scrollIntoView()")
    page.wait_for_timeout(300)


def compare(page: Page) -> None:
    for name in ("Row mat, as in spring", "Row mat, the usual way"):
        page.get_by_label(f"Compare {name}").check()


def press(page: Page) -> None:
    task = page.get_by_role("listitem").filter(has_text="Press through the tape").first
    task.get_by_role("button", name="How").click()
    task.get_by_role("button", name="Show in the picture").click()
    page.wait_for_timeout(300)


def tie(page: Page) -> None:
    page.get_by_role("button", name="Piece 1 ").first.click()
    for _ in range(3):
        page.keyboard.press("+")
    page.get_by_label("Peel back").fill("0.12")
    scroll_to(page, "Bridges")


def wait_for_server(seconds: float = 60.0) -> None:
    end = time.monotonic() + seconds
    while time.monotonic() < end:
        try:
            urllib.request.urlopen(f"{ADDRESS}/api/jobs", timeout=5).read()
            return
        except OSError:
            time.sleep(0.3)
    raise SystemExit("The demo did not start.")


def take(page: Page, name: str, address: str, kind: str, first: Callable[[Page], None] | None) -> None:
    page.set_viewport_size({"width": 820, "height": 1180} if kind == "tablet" else {"width": 1280, "height": 800})
    page.goto(f"{ADDRESS}/")
    page.evaluate(f"localStorage.setItem('dunestead.light', '{'dark' if kind == 'dark' else 'light'}')")
    page.goto(f"{ADDRESS}{address}")
    page.reload()
    page.wait_for_selector("article, aside h2, main section")
    page.wait_for_load_state("networkidle")
    if first:
        first(page)
    page.screenshot(path=OUT / f"{name}.png")
    print(name)


def main() -> None:
    wanted = set(sys.argv[1:])
    OUT.mkdir(parents=True, exist_ok=True)
    with tempfile.TemporaryDirectory() as data:
        command = [sys.executable, "-m", "dunestead", "demo", "--no-browser", "--port", str(PORT), "--data", data]
        server = subprocess.Popen(command, stdout=subprocess.DEVNULL)
        try:
            wait_for_server()
            with sync_playwright() as playwright:
                browser = launch(playwright)
                page = browser.new_page(reduced_motion="reduce", locale="en-GB")
                for name, address, kind, first in VIEWS:
                    if not wanted or name in wanted:
                        take(page, name, address, kind, first)
                browser.close()
        finally:
            server.terminate()
            server.wait()


if __name__ == "__main__":
    main()
