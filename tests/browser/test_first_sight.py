"""What stands on the screen at first sight: few words, and what comes next without scrolling."""

import pytest
from playwright.sync_api import Page, expect

pytestmark = pytest.mark.browser
STATIONS = ["blank", "artwork", "mask", "sheets", "weed", "tack", "paint", "peel", "cure", "record"]
WORKING = STATIONS[4:9]
MOST_IN_PANEL, MOST_ON_SCREEN = 90, 180
# A word has a letter in it; cautions are always told whole, and are not counted.
COUNT = """root => {
  const walker = document.createTreeWalker(root, NodeFilter.SHOW_TEXT);
  let words = 0;
  while (walker.nextNode()) {
    const at = walker.currentNode.parentElement;
    if (at.closest('.sr-only, .caution') || !at.checkVisibility({ visibilityProperty: true })) continue;
    const range = document.createRange();
    range.selectNodeContents(walker.currentNode);
    const box = range.getBoundingClientRect();
    const middle = (box.top + box.bottom) / 2;
    const room = at.closest('.overflow-y-auto')?.getBoundingClientRect() ?? { top: 0, bottom: innerHeight };
    if (box.width < 2 || middle < room.top || middle > Math.min(room.bottom, innerHeight)) continue;
    words += (walker.currentNode.textContent.match(/\\S*\\p{L}\\S*/gu) ?? []).length;
  }
  return words;
}"""


@pytest.mark.parametrize("job", [7, 8, 9, 14, 21, 25])
def test_every_station_says_little_at_first_sight(page: Page, job: int) -> None:
    page.goto("/")
    told = {}
    for station in STATIONS:
        page.goto(f"/#/job/{job}/{station}")
        expect(page.get_by_role("heading", name=station.capitalize(), exact=True)).to_be_visible()
        expect(page.locator("[aria-busy=true]")).to_have_count(0)
        panel = page.get_by_role("complementary")
        told[station] = (panel.evaluate(COUNT), page.locator("body").evaluate(COUNT))
        if station in WORKING and (ticks := panel.get_by_role("checkbox").and_(page.locator("li input"))).count():
            expect(ticks.first).to_be_in_viewport()

    assert {one: words for one, words in told.items() if words[0] > MOST_IN_PANEL or words[1] > MOST_ON_SCREEN} == {}
