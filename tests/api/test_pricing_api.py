"""Costs reckoned by hand for six jobs; the price by margin and by number; what a quotation says, and what not."""

import io
from typing import Any

import pytest
from flask.testing import FlaskClient
from pypdf import PdfReader

from tests.api.test_jobs_api import begin
from tests.api.test_learning_api import finish
from tests.shapes import rect

# A rectangle three times as wide as high, in one window: 200 x 66.667 mm, on glass 150 x 50. Money by hand:
# material as wide as it comes times what is cut off it (sheet and 10 mm on every side); paint: area x coats x soak over
# cover, and what stays in the brush, 3 ml a copy, at 30 a litre; the knife once around window and sheet; tape around
# the mask where the blank is covered.
BY_HAND: list[tuple[str, dict[str, Any], dict[str, float]]] = [
    (
        "coir",
        {"design_width": 200},
        {
            "mask": 0.457 * (0.066667 + 0.08 + 0.02) * 1.2,
            "paint": (13.3333 * 3 * 4 / 7 + 3) * 0.03,
            "blade": (0.533333 + 2 * (0.28 + 0.146667)) * 0.03,
            # Four corners, and one in the middle of each long side of the border.
            "pins": 6 * 0.02,
            # One strip as long as the mask and its tab of 30 mm, used two or three times.
            "carrier": (0.28 + 0.03) / 2.5,
        },
    ),
    (
        "jersey",
        {"design_width": 200},
        {
            "mask": 0.457 * 0.166667 * 1.2,
            "paint": (13.3333 * 2 * 1.3 / 6 + 3) * 0.03,
            "blade": (0.533333 + 2 * (0.28 + 0.146667)) * 0.03,
        },
    ),
    (
        "wood-sealed",
        {"design_width": 200},
        {
            "mask": 0.305 * (0.066667 + 0.05 + 0.02) * 9,
            "paint": (13.3333 * 3 * 1 / 7 + 3) * 0.03,
            "blade": (0.533333 + 2 * (0.25 + 0.116667)) * 0.03,
            "tape": 2 * (0.25 + 0.116667) * 0.1,
        },
    ),
    (
        # Three masks on one sheet, 5 mm between them.
        "canvas",
        {"design_width": 200, "copies": 3},
        {
            "mask": 0.457 * (3 * 0.146667 + 0.01 + 0.02) * 1.2,
            "paint": 3 * (13.3333 * 2 * 1.5 / 6 + 3) * 0.03,
            "blade": 3 * (0.533333 + 2 * (0.28 + 0.146667)) * 0.03,
        },
    ),
    (
        "glass",
        {"design_width": 150},
        {
            "mask": 0.305 * (0.05 + 0.05 + 0.02) * 9,
            "paint": (7.5 * 2 * 0.8 / 8 + 3) * 0.03,
            "blade": (0.4 + 2 * (0.2 + 0.1)) * 0.03,
            "tape": 2 * (0.2 + 0.1) * 0.1,
        },
    ),
    (
        # One mask for both, out of one sheet of 305 x 305.
        "flat-towel",
        {"design_width": 200, "copies": 2, "material": "plastic"},
        {
            "mask": 0.305 * 0.305 * 18,
            # Through plastic it is one coat.
            "paint": 2 * (13.3333 * 1.2 / 6 + 3) * 0.03,
            "blade": (0.533333 + 2 * (0.23 + 0.096667)) * 0.03,
            "tape": 2 * 2 * (0.23 + 0.096667) * 0.1,
        },
    ),
]


def made(client: FlaskClient, surface: str, entries: dict[str, Any]) -> str:
    address = f"/api/jobs/{begin(client, rect(0, 0, 300, 100), surface=surface)['id']}"
    assert client.patch(address, json=entries).status_code == 200
    return address


@pytest.mark.parametrize(("surface", "entries", "by_hand"), BY_HAND, ids=[surface for surface, _, _ in BY_HAND])
def test_costs_are_what_they_are_by_hand(
    client, surface: str, entries: dict[str, Any], by_hand: dict[str, float]
) -> None:
    address = made(client, surface, entries)
    copies = entries.get("copies", 1)

    client.put(f"{address}/price", json={"blank_price": 4.5})
    costs = client.get(f"{address}/costs").get_json()

    lines = {line["key"]: line["money"] for line in costs["lines"]}
    bought = {**by_hand, "blank": 4.5 * copies}
    assert {key: lines[key] for key in bought} == pytest.approx(bought, rel=1e-3)
    assert set(lines) - set(bought) == {"hours", "fixed", "spoiled"}
    assert (lines["hours"], lines["fixed"]) == (pytest.approx(costs["hours"] * 15), pytest.approx(costs["hours"] * 2))
    # One in twenty is made once more; 40 % of the price are left over.
    spent = sum(bought.values()) + 17 * costs["hours"]
    assert costs["batch"] == pytest.approx(spent / 0.95, rel=1e-3)
    assert costs["a_copy"] == pytest.approx(costs["batch"] / copies)
    assert costs["price"] == costs["by_margin"] == pytest.approx(costs["a_copy"] / 0.6)
    assert (costs["left_over"], costs["lacks"]) == (pytest.approx(40), [])


def test_hours_are_those_of_the_hands(client) -> None:
    """While the knife runs, 14 s, they are free."""
    # Prepare, look at the material, test cut, load; weed 1 window and 126.7 cm, backing off, count; wipe, lay, roll,
    # 7.33 dm of cover; trial, three coats of 1.333 dm², each a minute at least; look over; peel, touch up, write down.
    costs = client.get(f"{made(client, 'wood-sealed', {'design_width': 200})}/costs").get_json()

    weeding, laying = 4 + 0.2 * 126.6667 + 60 + 1, 60 + 180 + 60 + 3 * 7.33333
    painting = 300 + 3 * 60 + 60
    assert costs["hours"] * 3600 == pytest.approx(
        300 + 60 + 180 + 120 + weeding + laying + painting + 60 + 120 + 180, rel=1e-4
    )


def test_the_workshops_own_rates_and_what_its_jobs_spoilt(client, clock) -> None:
    finish(client, clock, troubles={"bled": 1})
    address = made(client, "coir", {"design_width": 200})
    rates = {
        "currency": "shells",
        "hour": 20,
        "fixed_hour": 0,
        "margin": 50,
        "spoiled": 10,
        "paint_litre": {"outdoor-acrylic": 60},
        "material_m2": {"paper-coated-down": 3},
    }
    before = {line["key"]: line["money"] for line in client.get(f"{address}/costs").get_json()["lines"]}
    assert client.put("/api/workshop/rates", json=rates).get_json() == rates

    costs = client.get(f"{address}/costs").get_json()
    lines = {line["key"]: line["money"] for line in costs["lines"]}
    assert lines["paint"] == pytest.approx(2 * before["paint"])
    assert lines["mask"] == pytest.approx(2.5 * before["mask"])
    assert (lines["hours"], lines["fixed"]) == (pytest.approx(20 * costs["hours"]), 0)
    # One of one own copy spoilt, beside twenty of which one in ten did: 3 of 21.
    spent = sum(lines.values()) - lines["spoiled"]
    assert lines["spoiled"] == pytest.approx(spent / (1 - 3 / 21) - spent)
    assert costs["price"] == pytest.approx(2 * costs["a_copy"])
    client.post("/api/workshop/rates/undo")
    assert client.get(f"{address}/costs").get_json()["rates"]["currency"] == "money"


def test_more_at_once_cost_less_each(client) -> None:
    numbers = client.get(f"{made(client, 'flat-towel', {'design_width': 200, 'copies': 3})}/costs").get_json()[
        "numbers"
    ]

    assert [one["copies"] for one in numbers] == [1, 2, 3, 5, 10, 20]
    assert numbers[-1]["a_copy"] < numbers[0]["a_copy"]
    assert all(one["by_margin"] == pytest.approx(one["a_copy"] / 0.6) for one in numbers)


def test_an_own_price_is_held_against_costs_and_the_shop(client) -> None:
    address = made(client, "coir", {"design_width": 200})

    costs = client.put(f"{address}/price", json={"asked": 10, "bought_price": 12.5}).get_json()
    assert (costs["price"], costs["against_bought"], costs["lacks"]) == (10, -2.5, ["the blank"])
    assert costs["left_over"] == pytest.approx(100 * (10 - costs["a_copy"]) / 10)
    client.post(f"{address}/undo")
    assert client.get(f"{address}/costs").get_json()["entry"]["asked"] is None


@pytest.mark.parametrize(
    ("what", "body", "status"),
    [
        ("price", {"asked": -1}, 400),
        ("price", {"asked": "ten"}, 422),
        ("rates", {"margin": 100}, 400),
        ("rates", {"currency": ""}, 400),
        ("rates", {"paint_litre": {"glue": 3}}, 400),
        ("rates", {"material_m2": {"paper-coated-down": -3}}, 400),
    ],
)
def test_prices_that_cannot_be_are_refused(client, what: str, body: dict[str, Any], status: int) -> None:
    address = made(client, "coir", {"design_width": 200})
    where = f"{address}/price" if what == "price" else "/api/workshop/rates"

    assert client.put(where, json=body).status_code == status


@pytest.mark.parametrize("paper", ["a4", "letter"])
def test_a_quotation_tells_the_print_and_the_price_and_nothing_of_the_workshop(client, paper: str) -> None:
    address = made(client, "coir", {"design_width": 200, "copies": 3, "name": "Mats <for> the slip"})
    client.put("/api/workshop/rates", json={"currency": "shells", "hour": 77})
    client.put(f"{address}/price", json={"asked": 31.5})

    data = client.get(f"{address}/quotation-{paper}.pdf").data
    pages = PdfReader(io.BytesIO(data)).pages
    said = " ".join(page.extract_text() for page in pages)

    assert len(pages) == 1
    for told in (
        "Mats <for> the slip",
        "31.50 shells",
        "94.50 shells",
        "200 mm by 66.7 mm",
        "10 May 2026",
        "9 June 2026",
    ):
        assert told in said, told
    for inside in ("77", "hour", "margin", "pins", "spoil"):
        assert inside not in said.lower(), inside


def test_whose_drawing_it_is_is_noted_told_beside_the_costs_and_not_on_the_quotation(client) -> None:
    address = made(client, "coir", {"design_width": 200})
    assert "Nobody has noted whose drawing this is" in client.get(f"{address}/costs").get_json()["rights"]

    noted = client.patch(address, json={"origin": "A sketch by Wren from the boathouse", "may_sell": False}).get_json()
    assert (noted["inputs"]["origin"], noted["inputs"]["may_sell"]) == ("A sketch by Wren from the boathouse", False)
    told = client.get(f"{address}/costs").get_json()["rights"]
    assert told == "The drawing is noted as: A sketch by Wren from the boathouse; prints of it may not be sold."
    assert client.get(f"{address}/quotation-a4.pdf").status_code == 200
    assert client.patch(address, json={"origin": "x" * 301}).status_code == 400
    assert client.patch(address, json={"may_sell": None}).get_json()["inputs"]["may_sell"] is None
