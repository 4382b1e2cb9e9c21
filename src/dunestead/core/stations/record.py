"""Record: what really happened."""

from dunestead.core.figures import HandTimes
from dunestead.core.plan.plan import Plan
from dunestead.core.stations.station import NAMES, Outcome, Row
from dunestead.core.work.tasks import Lane, Task

__all__ = ["outcome", "write_down"]


def write_down(hand: HandTimes, lane: Lane) -> None:
    """Add the writing down of what happened."""
    lane.add(Task("record-written", "record", minutes=hand.write_down / 60))


def outcome(plan: Plan) -> Outcome:
    """Return the station's state, verdict and figures."""
    record = plan.job.record
    rows = [
        *(Row(f"{NAMES.get(station, station)} took", "minutes", value) for station, value in record.minutes.items()),
        *(
            [Row("Paint used", "volume", record.paint_ml, f"Planned {plan.paint_ml:.0f} ml.")]
            if record.paint_ml
            else []
        ),
    ]
    if record.grade is None:
        return "ready", "Nothing recorded yet.", rows
    return "ready", f"Graded {record.grade} of 5.", rows
