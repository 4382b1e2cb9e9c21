"""Example jobs for somebody who begins: what there is, and one opened."""

from dunestead.api import schemas as wire
from dunestead.api.endpoints import Endpoints
from dunestead.api.opened import bench, shown
from dunestead.demo.marram_row import EXAMPLES, begin_example

__all__ = ["examples"]

examples = Endpoints("examples", __name__, url_prefix="/api/examples", tag="Examples")


@examples.get("")
def get_examples() -> wire.ExamplesOut:
    """List the example jobs."""
    return wire.ExamplesOut(examples=[wire.ExampleOut(key=key, name=name) for key, (name, _) in EXAMPLES.items()])


@examples.post("/<key>", status=201)
def open_example(key: str, query: wire.UnitQuery) -> wire.JobOut:
    """Begin an example job."""
    return shown(begin_example(bench(), key), query)
