"""A kept photo as an answer: whole, or as small as a list shows it."""

from flask import Response
from pydantic import Field

from dunestead.api.opened import bench
from dunestead.api.wire import Wire
from dunestead.core.errors import NoSuchThing
from dunestead.formats.photo import small_photo

__all__ = ["PhotoQuery", "photo_shown"]


class PhotoQuery(Wire):
    """How a photo is shown."""

    small: bool = Field(False, description="480 dots along its longer side, for a list.")
    version: int | None = Field(None, description="Any number, so that another photo in its place is seen at once.")


def photo_shown(key: str | None, query: PhotoQuery, lacks: str) -> Response:
    """Return a photo; raises `NoSuchThing` where there is none, with a sentence that says so."""
    if key is None:
        raise NoSuchThing(lacks, "Add one first.")
    data = bench().file(key)
    return Response(small_photo(data) if query.small else data, content_type="image/jpeg")
