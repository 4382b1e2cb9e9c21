"""How headless Chromium is started here, quietly and without a network of its own."""

from playwright.sync_api import Browser, Playwright

__all__ = ["launch"]

_FLAGS = [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
]


def launch(playwright: Playwright) -> Browser:
    """Start Debian's Chromium."""
    return playwright.chromium.launch(executable_path="/usr/bin/chromium", args=_FLAGS)
