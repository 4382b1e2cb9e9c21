"""For everyone: screen readers, keyboards, tablets, the dark."""

import re
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

pytestmark = pytest.mark.browser
AXE = Path(__file__).parents[2] / "web/node_modules/axe-core/axe.min.js"
STATIONS = ["blank", "artwork", "mask", "sheets", "weed", "tack", "paint", "peel", "cure", "record"]


# What is there once a page is.
SHOWN = "article, aside h2, main section"


def complaints(page: Page) -> list[str]:
    """Return what axe finds by any of its rules, in short."""
    page.evaluate(AXE.read_text())
    found = page.evaluate("async () => (await axe.run()).violations")
    return [f"{v['id']}: {node['html'][:160]}" for v in found for node in v["nodes"]]


@pytest.mark.parametrize("light", ["light", "dark"])
@pytest.mark.parametrize(
    "view",
    [
        "",
        *(f"job/8/{one}" for one in STATIONS),
        "job/11/artwork",
        "job/12/artwork",
        "job/1/record",
        "figures",
        "stores",
        "recipes",
        "year",
        "price/9",
    ],
)
def test_every_view_is_open_to_screen_readers(page: Page, view: str, light: str) -> None:
    page.goto("/")
    page.evaluate(f"localStorage.setItem('dunestead.light', '{light}')")
    page.goto(f"/#/{view}")
    page.reload()
    expect(page.locator(SHOWN).first).to_be_visible()
    expect(page.locator("[aria-busy=true]")).to_have_count(0)

    assert complaints(page) == []


@pytest.mark.parametrize(("width", "height"), [(800, 1280), (390, 844)])
@pytest.mark.parametrize("view", ["", "job/7/artwork", "job/8/sheets", "job/9/paint", "stores", "recipes", "year"])
def test_a_tablet_and_a_phone_are_open_to_screen_readers(page: Page, view: str, width: int, height: int) -> None:
    page.set_viewport_size({"width": width, "height": height})
    page.goto(f"/#/{view}")
    expect(page.locator(SHOWN).first).to_be_visible()
    expect(page.locator("[aria-busy=true]")).to_have_count(0)

    assert complaints(page) == []
    assert page.evaluate("document.documentElement.scrollWidth") <= width


@pytest.mark.parametrize(
    "view",
    [
        "",
        "figures",
        "stores",
        "recipes",
        "job/1/record",
        "job/7/mask",
        "job/8/tack",
        "job/8/blank",
        "job/11/artwork",
        "job/12/artwork",
    ],
)
def test_a_tablet_in_portrait_needs_no_sideways_scrolling(page: Page, view: str) -> None:
    page.set_viewport_size({"width": 768, "height": 1024})
    page.goto(f"/#/{view}")
    expect(page.locator(SHOWN).first).to_be_visible()

    assert page.evaluate("document.documentElement.scrollWidth") <= 768


@pytest.mark.parametrize("job", [7, 8, 15])
def test_no_panel_is_longer_than_two_screens(page: Page, job: int) -> None:
    """1,300 px at 1280 x 800 for a job of one, of two copies in patches, and of a base coat and two colours."""
    lengths = {}
    for station in STATIONS:
        # What the job takes from the stores comes last.
        with page.expect_response(re.compile(rf"/jobs/{job}/stores")):
            page.goto(f"/#/job/{job}/{station}")
        expect(page.get_by_role("heading", level=2, name=station.title(), exact=True)).to_be_visible()
        expect(page.locator("[aria-busy=true]")).to_have_count(0)
        page.wait_for_timeout(200)
        lengths[station] = page.locator("aside > div").evaluate("panel => panel.scrollHeight")

    assert {station: length for station, length in lengths.items() if length > 1300} == {}


def test_another_station_is_the_same_page(page: Page) -> None:
    """Nothing is loaded anew: what stands on the page stays, and the keys go on from the main button."""
    page.goto("/#/job/7/blank")
    panel = page.get_by_role("complementary")
    panel.evaluate("panel => (panel.dataset.mark = 'kept')")
    page.evaluate(
        "new MutationObserver(() => { if (document.body.innerText.includes('Loading the job')) "
        "document.body.dataset.flash = 'yes' }).observe(document.body, {childList: true, subtree: true})"
    )

    for station in ("Mask", "Sheets", "Paint", "Blank"):
        page.get_by_role("navigation", name="Stations").get_by_role("link", name=station).click()
        expect(page.get_by_role("heading", level=2, name=station, exact=True)).to_be_visible()

    assert panel.evaluate("panel => panel.dataset.mark") == "kept"
    assert page.evaluate("document.body.dataset.flash ?? ''") == ""


def test_the_keys_go_on_from_where_they_were(page: Page) -> None:
    page.goto("/#/job/10/blank")
    page.locator("summary", has_text="the strap").first.click()
    count = page.get_by_role("button", name="Remove this area")
    count.first.focus()
    page.keyboard.press("Enter")
    expect(page.locator("summary", has_text="the strap")).to_have_count(1)

    assert page.evaluate("document.activeElement.closest('aside') !== null")
    page.keyboard.press("Control+z")
    expect(page.locator("summary", has_text="the strap")).to_have_count(2)


def test_focus_is_always_to_be_seen(page: Page) -> None:
    page.goto("/#/job/7/mask")
    expect(page.get_by_role("heading", name="Mask", exact=True)).to_be_visible()

    for _ in range(12):
        page.keyboard.press("Tab")
        outline = page.evaluate("getComputedStyle(document.activeElement).outlineStyle")
        shadow = page.evaluate("getComputedStyle(document.activeElement).boxShadow")
        assert outline != "none" or shadow != "none"


def test_the_picture_is_at_true_scale_when_life_size(page: Page) -> None:
    """A blank of 596 mm is 596 x 96 / 25.4 pixels wide."""
    page.goto("/#/job/7/artwork")
    page.get_by_role("button", name="Life size").click()

    box = page.locator("path.blank").bounding_box()

    assert box is not None
    assert box["width"] == pytest.approx(596 * 96 / 25.4, abs=4.5)
