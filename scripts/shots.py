"""Takes the pictures of the README from the demo: `make shots`."""

import subprocess
import sys
import tempfile
import time
import urllib.request
from pathlib import Path

from playwright.sync_api import Page, sync_playwright

from tests.browser.chromium import launch

ROOT = Path(__file__).resolve().parent.parent
OUT = ROOT / "docs/screenshots"
PORT = 8917
ADDRESS = f"http://127.0.0.1:{PORT}"
# Name of the picture, address, and whether it is taken in the dark or on a tablet.
VIEWS = [
    ("board", "/#/", ""),
    ("blank", "/#/job/1/blank", ""),
    ("artwork", "/#/job/1/artwork", ""),
    ("mask", "/#/job/1/mask", ""),
    ("mask-tied", "/#/job/5/mask", ""),
    ("sheets", "/#/job/1/sheets", ""),
    ("weed", "/#/job/3/weed", ""),
    ("tack", "/#/job/2/tack", ""),
    ("paint", "/#/job/3/paint", ""),
    ("peel", "/#/job/5/peel", ""),
    ("cure", "/#/job/5/cure", ""),
    ("record", "/#/job/5/record", ""),
    ("dark", "/#/job/2/mask", "dark"),
    ("tablet", "/#/job/3/tack", "tablet"),
]


def wait_for_server(seconds: float = 60.0) -> None:
    end = time.monotonic() + seconds
    while time.monotonic() < end:
        try:
            urllib.request.urlopen(f"{ADDRESS}/api/jobs", timeout=5).read()
            return
        except OSError:
            time.sleep(0.3)
    raise SystemExit("The demo did not start.")


def take(page: Page, name: str, address: str, kind: str) -> None:
    page.set_viewport_size({"width": 820, "height": 1180} if kind == "tablet" else {"width": 1280, "height": 800})
    page.goto(f"{ADDRESS}/")
    page.evaluate(f"localStorage.setItem('dunestead.light', '{'dark' if kind == 'dark' else 'light'}')")
    page.goto(f"{ADDRESS}{address}")
    page.reload()
    page.wait_for_selector("article, aside h2")
    page.wait_for_load_state("networkidle")
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
                page = browser.new_page(reduced_motion="reduce")
                for name, address, kind in VIEWS:
                    if not wanted or name in wanted:
                        take(page, name, address, kind)
                browser.close()
        finally:
            server.terminate()
            server.wait()


if __name__ == "__main__":
    main()
