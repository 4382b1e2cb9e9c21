"""Named sample shapes, and the short way from SVG to what the core makes of it."""

import math

from dunestead.catalogue.face_files import open_face
from dunestead.core.artwork.drawing import Drawing
from dunestead.core.artwork.elements import Drawn
from dunestead.core.artwork.painted import Painted, paint
from dunestead.core.artwork.trace.outline import Picture
from dunestead.core.artwork.words.face import Face
from dunestead.core.mask.loose import Mask, cut_mask
from dunestead.formats.svg import read_svg

SVG_NS = 'xmlns="http://www.w3.org/2000/svg"'


def svg(body: str, attributes: str = "") -> bytes:
    return f'<svg {SVG_NS} xmlns:xlink="http://www.w3.org/1999/xlink" {attributes}>{body}</svg>'.encode()


def drawn(body: str, attributes: str = "") -> Drawing:
    return read_svg(svg(body, attributes))


def painted(body: str, width: float = 100.0, attributes: str = "") -> Painted:
    return paint(drawn(body, attributes), width)


def masked(body: str, width: float = 100.0, border: float = 20.0) -> Mask:
    return cut_mask(painted(body, width), border)


class Files:
    """Drawings and pictures held in memory, by name; faces as shipped."""

    def __init__(self, drawings: dict[str, Drawing] | None = None, pictures: dict[str, Picture] | None = None) -> None:
        self.drawings, self.pictures = drawings or {}, pictures or {}

    def drawing(self, key: str) -> Drawing:
        return self.drawings[key]

    def picture(self, key: str) -> Picture:
        return self.pictures[key]

    def face(self, key: str) -> Face:
        return open_face(key)


def files(**bodies: str) -> Files:
    return Files({name: drawn(body) for name, body in bodies.items()})


def artwork(width: float = 400.0, source: str = "art", number: int = 1, **more) -> Drawn:
    return Drawn(id=number, source=source, file_name=f"{source}.svg", width=width, **more)


def rect(x: float, y: float, width: float, height: float, more: str = "") -> str:
    return f'<rect x="{x}" y="{y}" width="{width}" height="{height}" {more}/>'


def frame(x: float, y: float, side: float, hole: float) -> str:
    """Draw a square with a square hole in its middle: one loose piece."""
    inner = (side - hole) / 2
    return (
        f'<path fill-rule="evenodd" d="M{x} {y}h{side}v{side}h-{side}z'
        f'M{x + inner} {y + inner}h{hole}v{hole}h-{hole}z"/>'
    )


def ring(cx: float, cy: float, outer: float, inner: float) -> str:
    """Draw a ring as a stroked circle: one loose piece."""
    radius, width = (outer + inner) / 2, outer - inner
    return f'<circle cx="{cx}" cy="{cy}" r="{radius}" fill="none" stroke="#123456" stroke-width="{width}"/>'


# A letter O, an 8 and an i, as plain as they come; 100 by 40.
WORD = (
    frame(0, 0, 40, 20)
    + '<path fill-rule="evenodd" d="M50 0h20v40h-20zM55 5h10v10h-10zM55 25h10v10h-10z"/>'
    + rect(80, 10, 20, 30)
)
NESTED = ring(50, 50, 50, 40) + ring(50, 50, 30, 20) + ring(50, 50, 10, 5)


def polygon(points: list[tuple[float, float]]) -> str:
    return '<polygon points="' + " ".join(f"{x:.5f},{y:.5f}" for x, y in points) + '"/>'


def noisy_disc(count: int, radius: float, noise: float) -> str:
    """Draw a disc whose edge wavers by a noise that repeats nowhere."""
    radii = [radius + noise * math.sin(k * 7919.3) for k in range(count)]
    turns = [math.tau * k / count for k in range(count)]
    return polygon([(60 + r * math.cos(t), 60 + r * math.sin(t)) for r, t in zip(radii, turns, strict=True)])
