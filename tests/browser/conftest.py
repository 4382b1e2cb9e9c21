"""The real interface in headless Chromium, on a workshop of its own filled with the demo."""

import socket
import subprocess
import sys
import time
import urllib.request
from collections.abc import Iterator
from pathlib import Path

import pytest
from playwright.sync_api import Browser, Page, expect, sync_playwright

from tests.browser.chromium import launch

# A machine that stalls now and then must not fail a test: what is waited for is what counts.
expect.set_options(timeout=15_000)


def free_port() -> int:
    """Return a port that nobody listens on."""
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        port: int = probe.getsockname()[1]
        return port


@pytest.fixture(scope="session")
def address(tmp_path_factory: pytest.TempPathFactory) -> Iterator[str]:
    port = free_port()
    data = tmp_path_factory.mktemp("workshop")
    command = [sys.executable, "-m", "dunestead", "demo", "--no-browser", "--port", str(port), "--data", str(data)]
    with subprocess.Popen(command, stdout=subprocess.DEVNULL) as server:
        try:
            yield answering(f"http://127.0.0.1:{port}", server)
        finally:
            server.terminate()


def answering(address: str, server: subprocess.Popen, path: str = "/api/jobs") -> str:
    """Wait until a workshop answers, and return its address."""
    for _ in range(600):
        assert server.poll() is None, "the workshop ended at once"
        try:
            urllib.request.urlopen(f"{address}{path}", timeout=30).close()
        except OSError:
            time.sleep(0.2)
        else:
            return address
    raise AssertionError("the workshop does not answer")


@pytest.fixture(scope="session")
def browser() -> Iterator[Browser]:
    with sync_playwright() as playwright:
        found = launch(playwright)
        yield found
        found.close()


@pytest.fixture
def page(browser: Browser, address: str) -> Iterator[Page]:
    """Open a page that must run without a single error of its own, and speaks to nobody but the workshop."""
    context = browser.new_context(
        base_url=address,
        viewport={"width": 1280, "height": 800},
        reduced_motion="reduce",
        accept_downloads=True,
        locale="en-GB",
    )
    # As somebody who has chosen a unit before.
    context.add_init_script("localStorage.getItem('dunestead.unit') ?? localStorage.setItem('dunestead.unit', 'mm')")
    found = context.new_page()
    faults: list[str] = []
    found.on("pageerror", lambda error: faults.append(str(error)))
    found.on(
        "request", lambda request: None if request.url.startswith((address, "data:")) else faults.append(request.url)
    )
    found.set_default_timeout(20_000)
    yield found
    context.close()
    assert faults == []


@pytest.fixture
def word_file(tmp_path: Path) -> Path:
    from tests.shapes import WORD, svg

    path = tmp_path / "pier-sign.svg"
    path.write_bytes(svg(WORD))
    return path
