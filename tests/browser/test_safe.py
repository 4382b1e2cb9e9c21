"""A workshop that is shared: signing in, inviting a tablet, and back to a backup."""

import re
import subprocess
import sys
from collections.abc import Iterator
from pathlib import Path

import pytest
from playwright.sync_api import Browser, BrowserContext, Page, expect

from tests.browser.conftest import answering, free_port

pytestmark = pytest.mark.browser
WORDS = "seven gulls on a groyne"


@pytest.fixture
def shared(tmp_path: Path, browser: Browser) -> Iterator[BrowserContext]:
    """Serve a workshop with a passphrase."""
    ours = [sys.executable, "-m", "dunestead"]
    subprocess.run(
        [*ours, "passphrase", "--stdin", "--data", str(tmp_path)],
        input=f"{WORDS}\n",
        text=True,
        check=True,
        capture_output=True,
    )
    port = free_port()
    command = [*ours, "serve", "--port", str(port), "--data", str(tmp_path), "--allow-host", "marram.local"]
    with subprocess.Popen(command, stdout=subprocess.DEVNULL) as server:
        try:
            address = answering(f"http://127.0.0.1:{port}", server, "/api/session")
            yield browser.new_context(base_url=address, viewport={"width": 1280, "height": 800}, locale="en-GB")
        finally:
            server.terminate()


def come_in(page: Page) -> None:
    page.goto("/")
    page.get_by_label("Passphrase").fill(WORDS)
    page.get_by_label("Your first name").fill("Imke")
    page.keyboard.press("Enter")
    expect(page.get_by_text("Welcome to your workshop")).to_be_visible()


def test_one_signs_in_invites_a_tablet_and_signs_all_out(shared: BrowserContext, browser: Browser) -> None:
    page = shared.new_page()
    page.goto("/#/job/1/blank")
    expect(page.get_by_role("heading", name="Sign in to the workshop")).to_be_visible()
    page.get_by_label("Passphrase").fill("not this one")
    page.get_by_role("button", name="Sign in", exact=True).click()
    expect(page.get_by_role("alert")).to_contain_text("not the workshop's passphrase")
    come_in(page)

    page.get_by_role("button", name="Settings").click()
    page.get_by_role("button", name="Invite a tablet").click()
    expect(page.get_by_role("img", name=re.compile("Scan with the tablet"))).to_be_visible()
    key = re.search(r"#/enter/(\S+)", page.get_by_role("status").filter(has_text="Or open").inner_text())[1]
    tablet = browser.new_context(
        base_url=page.url.partition("#")[0], viewport={"width": 800, "height": 1280}
    ).new_page()
    tablet.goto(f"/#/enter/{key}")
    tablet.get_by_role("button", name="Sign in", exact=True).click()
    expect(tablet.get_by_text("Welcome to your workshop")).to_be_visible()

    page.get_by_role("button", name="Sign out everywhere").click()
    expect(page.get_by_role("heading", name="Sign in to the workshop")).to_be_visible()
    tablet.reload()
    expect(tablet.get_by_role("heading", name="Sign in to the workshop")).to_be_visible()


def test_the_workshop_goes_back_to_a_backup(shared: BrowserContext) -> None:
    page = shared.new_page()
    come_in(page)
    page.get_by_role("button", name="Open: A doormat with words").click()
    expect(page.get_by_role("heading", name="Example: step mat", exact=True)).to_be_visible()
    page.get_by_role("button", name="Settings").click()
    page.get_by_role("button", name="Make a backup now").click()
    backups = page.get_by_role("list", name="Backups").get_by_role("listitem")
    expect(backups.filter(has_text="made by you")).to_have_count(1)
    page.keyboard.press("Escape")
    expect(page.get_by_role("dialog")).to_have_count(0)
    name = page.get_by_label("Name of the job")
    name.fill("Changed since")
    name.blur()
    expect(page.get_by_role("heading", name="Changed since", exact=True)).to_be_visible()

    page.get_by_role("button", name="Settings").click()
    page.get_by_role("button", name=re.compile("Go back to .*made by you")).click()
    page.get_by_role("button", name="Yes, go back").click()

    expect(page.get_by_role("heading", name="Example: step mat", exact=True)).to_be_visible()
    page.get_by_role("button", name="Settings").click()
    expect(backups.filter(has_text="before going back")).to_have_count(1)
