"""Paint, peel and cure as a maker works them: the stack, the weather, marks, the alarm, ready by."""

import re
from datetime import date, datetime, timedelta

import pytest
from playwright.sync_api import APIResponse, Page, expect

from tests.browser.steps import all_steps, lead_to, unfold

pytestmark = pytest.mark.browser
TEXT = "BOB"


def begin(page: Page, **entries) -> int:
    """Begin a mat of words over the API, change some of its entries, and return its number."""
    page.goto("/")
    job = page.request.post("/api/jobs", multipart={"words": TEXT, "name": "Bob's mat"}).json()
    if entries:
        changed = page.request.patch(f"/api/jobs/{job['id']}", data=entries, headers=on(job))
        assert changed.ok, changed.text()
    return job["id"]


def on(job: dict) -> dict[str, str]:
    return {"If-Match": f'"v{job["version"]}"'}


def tick(page: Page, number: int, task: str, **more) -> APIResponse:
    job = page.request.get(f"/api/jobs/{number}").json()
    body = {"task": task, "done": True, "reason": "test", **more}
    return page.request.post(f"/api/jobs/{number}/tasks/done", data=body, headers=on(job))


def look_at(page: Page, number: int, station: str) -> None:
    page.goto(f"/#/job/{number}/{station}")
    expect(page.get_by_role("heading", name=station.capitalize(), exact=True)).to_be_visible()


def test_the_look_that_is_wanted_sets_the_coats_and_a_base_makes_a_section(page: Page) -> None:
    look_at(page, begin(page), "paint")
    unfold(page, "Paint")
    unfold(page, "Look and use")
    coats = page.get_by_label("Coats", exact=True).first
    expect(coats).to_have_attribute("placeholder", "3")

    page.get_by_label("The print should look").select_option("washed")
    expect(coats).to_have_attribute("placeholder", "1")
    page.get_by_text("Add a coating").click()
    page.get_by_role("button", name="A base under it").click()

    unfold(page, "Coats, cut through")
    section = page.get_by_role("img", name=re.compile("From the eye down"))
    expect(section).to_have_attribute("aria-label", re.compile("2, Colour.*1, Base.*Coir mat"))
    unfold(page, "Base")
    page.get_by_role("button", name="Put on later: Base").click()
    expect(page.get_by_text("The base goes under the design")).to_be_visible()


def test_it_is_no_weather_for_spraying_until_the_wind_drops(page: Page) -> None:
    number = begin(page, coatings=[{"role": "colour", "paint": "rubber-spray", "coats": 1}])
    look_at(page, number, "paint")
    lead_to(page, "paint-coat")
    expect(page.locator("summary").filter(has_text="Weather and room: Not known yet")).to_be_visible()
    unfold(page, "Weather and room")
    page.get_by_role("button", name="I looked: it is as entered here").click()
    verdict = page.get_by_role("status").filter(has_text="spraying")
    expect(verdict).to_contain_text("Good for spraying.")
    wind = page.get_by_label("Wind, m/s")
    wind.fill("6")
    wind.press("Tab")

    expect(verdict).to_contain_text("No spraying now.")
    coat = page.get_by_role("listitem").filter(has=page.get_by_role("checkbox", name=re.compile("^Coat 1 of 1")))
    coat.get_by_role("checkbox").click()
    expect(page.get_by_role("alert").get_by_text("The weather is wrong for spraying: wind 6 m/s")).to_be_visible()
    wind.fill("1")
    wind.press("Tab")
    expect(verdict).to_contain_text("Good for spraying.")
    page.get_by_role("button", name="Get the forecast").click()
    expect(page.get_by_text("Simulated forecast")).to_be_visible()


def test_another_paint_is_chosen_with_its_reasons_and_the_undo_brings_the_first_back(page: Page) -> None:
    look_at(page, begin(page), "paint")
    page.get_by_text("Which paint?").click()
    expect(page.get_by_text("Not meant for coir mat.").first).to_be_visible()

    page.get_by_role("button", name=re.compile("Paint with it *: Porch and floor paint")).click()

    unfold(page, "Paint")
    expect(page.get_by_role("combobox", name="Paint", exact=True)).to_have_value("porch-paint")
    page.locator("h2").first.click()
    page.keyboard.press("Control+z")
    expect(page.get_by_role("combobox", name="Paint", exact=True)).to_have_value("outdoor-acrylic")


def test_what_is_marked_by_key_or_pointer_is_gone_over_before_the_peel(page: Page) -> None:
    look_at(page, begin(page), "paint")
    all_steps(page)
    page.get_by_role("button", name="How: Look over everything").first.click()
    task = page.get_by_role("listitem").filter(has_text="Look over everything").filter(has_text="What did you see?")
    task.get_by_label("What did you see?").select_option("thin")
    task.get_by_label("In window").select_option("2")
    task.get_by_role("button", name="Mark it").click()
    expect(page.get_by_text("Go over what you marked once more")).to_be_visible()

    task.get_by_role("button", name="Click it in the picture").click()
    picture = page.get_by_role("group", name=re.compile("The blank at true scale"))
    box = picture.bounding_box()
    page.mouse.click(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2)

    expect(page.get_by_role("img", name="Thin 2, open")).to_be_visible()
    task.get_by_role("button", name="Thin 1, open").click()
    expect(task.get_by_role("button", name="Thin 1, seen to")).to_be_visible()
    task.get_by_role("button", name="Take mark 2 back").click()
    expect(page.get_by_role("img", name="Thin 2, open")).to_have_count(0)


def test_the_way_of_the_peel_is_an_arrow_and_the_alarm_sounds_before_it_closes(page: Page) -> None:
    number = begin(page)
    tasks = page.request.get(f"/api/jobs/{number}/stations/paint").json()["tasks"]
    # Wet for ten minutes after the last coat: half a minute is left.
    at = datetime.now().astimezone() - timedelta(minutes=9.5)
    coats = [task["id"] for task in tasks if task["code"] == "paint-coat"]
    for task in coats:
        assert tick(page, number, task, at=at.isoformat(), began=at.isoformat()).ok
    for task in [one["id"] for one in tasks if one["code"] == "paint-look-over"]:
        assert tick(page, number, task).ok

    look_at(page, number, "peel")

    expect(page.get_by_role("img", name=re.compile("Begin at the"))).to_be_visible()
    strip = page.get_by_role("region", name="Running timers")
    expect(strip.get_by_role("link", name=re.compile("left: .*Bob's mat")).first).to_be_visible()
    alarm = page.get_by_role("alert").filter(has_text="Bob's mat")
    expect(alarm).to_be_visible()
    alarm.get_by_role("button", name="Turn off the alarm").click()
    strip.get_by_role("button", name="Alarm sounds").click()
    expect(strip.get_by_role("button", name="Alarm is silent")).to_be_visible()


def test_ready_by_says_how_late_one_may_begin_and_cards_and_calendar_come_down(page: Page) -> None:
    number = begin(page, due=(date.today() + timedelta(days=9)).isoformat())
    look_at(page, number, "cure")

    expect(page.get_by_text("It will be ready in time.")).to_be_visible()
    expect(page.get_by_text("at the latest")).to_be_visible()
    unfold(page, "All times on one axis")
    expect(page.get_by_role("img", name=re.compile("All times of this copy"))).to_be_visible()
    unfold(page, "Care cards, calendar")
    for name, ending in (("Care cards on A4", ".pdf"), ("Times for your calendar", ".ics")):
        with page.expect_download() as download:
            page.get_by_role("link", name=name).click()
        assert download.value.suggested_filename.endswith(ending)


def test_a_day_that_is_too_near_is_told_with_what_would_help(page: Page) -> None:
    look_at(page, begin(page, due=date.today().isoformat()), "cure")

    expect(page.get_by_text("It cannot be ready in time")).to_be_visible()
    expect(page.get_by_role("listitem").filter(has_text="more: ready").first).to_be_visible()


def test_a_swatch_ends_the_trial_and_an_own_paint_can_be_chosen(page: Page) -> None:
    number = begin(page, coatings=[{"role": "colour", "paint": "porch-paint"}])
    look_at(page, number, "paint")
    expect(page.get_by_text("Test the porch and floor paint on a scrap first")).to_be_visible()

    unfold(page, "Swatches")
    unfold(page, "Add a swatch")
    page.get_by_role("button", name="Keep a swatch").click()
    expect(page.get_by_text("Test the porch and floor paint on a scrap first")).to_have_count(0)
    page.get_by_text("Own paints").click()
    # Started from what the table says of porch paint.
    expect(page.get_by_label("Covers, m² a litre")).to_have_value("9")
    name = page.get_by_label("Name on the tin")
    name.fill("Harbour black")
    name.press("Tab")
    page.get_by_role("button", name="Keep this paint").click()

    expect(page.get_by_role("button", name="Remove Harbour black")).to_be_visible()
    unfold(page, "Paint")
    page.get_by_role("combobox", name="Paint", exact=True).select_option(label="Harbour black")
    expect(page.get_by_role("complementary", name="Paint").get_by_text("of harbour black in")).to_be_visible()
