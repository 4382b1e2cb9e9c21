"""A year looked over: what was finished, by month and by kind, in words and as a table."""

import csv
import io
from datetime import date

from dunestead.core.learning.finished import Finished
from dunestead.core.learning.year import year_of, years_in
from tests.api.test_learning_api import finish


def one(day: date, surface: str = "coir", **more: object) -> Finished:
    return Finished(day, surface, "card", "card-pins", ("outdoor-acrylic",), 3, **more)


def test_a_year_is_added_up_by_month_and_kind() -> None:
    jobs = [
        one(date(2026, 1, 31), minutes=90, price=20.0, cost=30.0, troubles={"bled": 1}),
        one(date(2026, 2, 1), minutes=30, price=10.0, cost=12.0, paint_ml={"outdoor-acrylic": 20.0, "varnish": 5.0}),
        one(date(2026, 2, 28), "glass", minutes=60, price=5.0, cost=6.0),
        one(date(2025, 12, 31), price=99.0),
    ]

    found = year_of(jobs, 2026)

    january, february = found.months[:2]
    # Two of three were good: 2 x 20.
    assert (january.prints, january.spoiled, january.hours, january.earned, january.spent) == (2, 1, 1.5, 40.0, 30.0)
    assert (february.jobs, february.prints, february.paint_ml, february.earned) == (2, 6, 25.0, 45.0)
    assert [(key, kind.prints, kind.earned) for key, kind in found.kinds] == [("coir", 5, 70.0), ("glass", 3, 15.0)]
    assert (found.total.jobs, found.total.earned, found.total.spent) == (3, 85.0, 48.0)
    assert sum(month.jobs for month in found.months) == 3
    assert years_in(jobs) == [2026, 2025]


def test_a_finished_job_stands_in_its_year_with_its_price(client, clock) -> None:
    assert client.get("/api/years/0").get_json()["years"] == []
    address = finish(client, clock, grade=5)
    costs = client.get(f"{address}/costs").get_json()

    year = client.get("/api/years/0").get_json()
    assert (year["year"], year["years"], year["total"]["prints"]) == (2026, [2026], 1)
    assert year["total"]["spent"] == costs["batch"]
    assert year["total"]["earned"] == costs["price"]
    assert [(kind["name"], kind["jobs"]) for kind in year["kinds"]] == [("Coir mat", 1)]
    assert year["months"][4]["jobs"] == 1
    # The price of then stays, whatever the workshop asks for later, until the record is written anew.
    client.put("/api/workshop/rates", json={"hour": 99})
    assert client.get("/api/years/0").get_json()["total"]["spent"] == costs["batch"]

    rows = list(csv.DictReader(io.StringIO(client.get("/api/years/2026.csv").text)))
    assert [row["what"] for row in rows][-2:] == ["Coir mat", "In all"]
    assert (len(rows), rows[-1]["prints"], float(rows[-1]["spent"])) == (14, "1", round(costs["batch"], 2))
    assert client.get("/api/years/1999").get_json()["total"]["jobs"] == 0
