"""What all shapes on the wire share."""

from pydantic import BaseModel, ConfigDict

__all__ = ["COLOUR", "Box", "Point", "Wire"]

Point = tuple[float, float]
Box = tuple[float, float, float, float]
COLOUR = r"^#[0-9a-fA-F]{6}$"


class Wire(BaseModel):
    """Base of all that comes in: what is not known is refused, numbers are finite."""

    model_config = ConfigDict(extra="forbid", allow_inf_nan=False)
