"""Example jobs for somebody who begins: what there is, and one opened."""

from apiflask import APIBlueprint

from dunestead.api import schemas as wire
from dunestead.api.opened import bench, shown
from dunestead.demo.marram_row import EXAMPLES, begin_example

__all__ = ["examples"]

examples = APIBlueprint("examples", __name__, url_prefix="/api/examples", tag="Examples")


@examples.get("")
@examples.output(wire.ExamplesOut)
def get_examples() -> wire.ExamplesOut:
    """List the example jobs."""
    return wire.ExamplesOut(examples=[wire.ExampleOut(key=key, name=name) for key, (name, _) in EXAMPLES.items()])


@examples.post("/<key>")
@examples.input(wire.UnitQuery, location="query")
@examples.output(wire.JobOut, status_code=201)
def open_example(key: str, query_data: wire.UnitQuery) -> wire.JobOut:
    """Begin an example job."""
    return shown(begin_example(bench(), key), query_data)
