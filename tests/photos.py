"""Photos as a phone takes them, made with a pinhole camera: a flat thing on a table, askew, lit unevenly."""

from dataclasses import dataclass

import cv2
import numpy as np
import numpy.typing as npt

Grey = npt.NDArray[np.uint8]
Points = npt.NDArray[np.float64]
# Pixels a mm of what lies on the table, before it is photographed.
SCALE = 2.5
_ROOM = 2.6


@dataclass(frozen=True)
class Shot:
    """How a photo is taken: tilts and roll in degrees, focal length in widths of the picture, its size in pixels."""

    tilt: float = 0.0
    sideways: float = 0.0
    roll: float = 0.0
    focal: float = 0.8
    fills: float = 0.7
    size: tuple[int, int] = (1600, 1200)


def homography(shot: Shot, sheet: tuple[float, float]) -> Points:
    """Return what carries mm on the table, the sheet's middle at the origin, to pixels of the photo."""
    wide, high = shot.size
    tilt, turn, roll = np.radians([shot.tilt, shot.sideways, shot.roll])
    about_x = np.array([[1, 0, 0], [0, np.cos(tilt), -np.sin(tilt)], [0, np.sin(tilt), np.cos(tilt)]])
    about_y = np.array([[np.cos(turn), 0, np.sin(turn)], [0, 1, 0], [-np.sin(turn), 0, np.cos(turn)]])
    about_z = np.array([[np.cos(roll), -np.sin(roll), 0], [np.sin(roll), np.cos(roll), 0], [0, 0, 1]])
    turned = about_z @ about_x @ about_y
    focal = shot.focal * wide
    away = focal * max(sheet[0] / (wide * shot.fills), sheet[1] / (high * shot.fills))
    camera = np.array([[focal, 0, wide / 2], [0, focal, high / 2], [0, 0, 1.0]])
    found: Points = camera @ np.column_stack([turned[:, 0], turned[:, 1], [0, 0, away]])
    return found


def seen_at(carry: Points, places: Points) -> Points:
    """Return where places on the table, mm, are seen in the photo."""
    seen = np.column_stack([places, np.ones(len(places))]) @ carry.T
    found: Points = seen[:, :2] / seen[:, 2:]
    return found


def corners_of(carry: Points, sheet: tuple[float, float]) -> Points:
    """Return the corners of a sheet in a photo, from its top left clockwise, pixels."""
    half = np.array(sheet) / 2
    return seen_at(carry, np.array([(-1, -1), (1, -1), (1, 1), (-1, 1)]) * half)


def table(kind: str, size: tuple[int, int], dice: np.random.Generator) -> npt.NDArray[np.float32]:
    """Return a table, rows by columns of grey: dark, wood with its grain, or white."""
    high, wide = size
    coarse = dice.normal(0, 1, (high // 60 + 2, wide // 60 + 2))
    cloud = cv2.resize(coarse.astype(np.float32), (wide, high), interpolation=cv2.INTER_CUBIC)
    if kind == "wood":
        rings = cv2.GaussianBlur(dice.normal(0, 1, (high, 1)).astype(np.float32), (1, 31), 0, sigmaY=9)
        return np.asarray(112 + rings / rings.std() * 16 + cloud * 8 + dice.normal(0, 5, (high, wide)), np.float32)
    return np.asarray({"dark": 70.0, "white": 226.0}[kind] + cloud * (2 if kind == "white" else 5), np.float32)


def photo_of(
    drawing: Grey,
    sheet: tuple[float, float],
    shot: Shot,
    dice: np.random.Generator,
    *,
    on: str = "dark",
    shadow: bool = False,
    second: bool = False,
) -> Grey:
    """Return a photo of a drawing on a sheet of mm; with a hard shadow over it, or a second sheet beside it."""
    wide, high = (round(side * SCALE) for side in sheet)
    room_w, room_h = round(max(wide, high) * _ROOM), round(max(wide, high) * _ROOM)
    scene = table(on, (room_h, room_w), dice)
    left, top = (room_w - wide) // 2, (room_h - high) // 2
    places = [(left, top, cv2.resize(drawing, (wide, high), interpolation=cv2.INTER_AREA).astype(float) * 0.96)]
    if second:
        places.append((left + wide + round(14 * SCALE), top + round(20 * SCALE), np.full((high, wide), 243.0)))
    for x, y, paper in places:
        right = min(x + paper.shape[1], room_w)
        # Paper lies on a table with a thin shadow at its edge, which is all one sees of white on white.
        ring = np.zeros_like(scene)
        ring[y : y + paper.shape[0], x:right] = 1.0
        dim = cv2.GaussianBlur(ring, (0, 0), 1.2 * SCALE)
        scene *= 1 - 0.28 * np.roll(dim, (round(0.8 * SCALE), round(0.6 * SCALE)), (0, 1)) * (1 - ring)
        scene[y : y + paper.shape[0], x:right] = paper[:, : right - x]
    carry = homography(shot, sheet) @ np.array(
        [[1 / SCALE, 0, -room_w / 2 / SCALE], [0, 1 / SCALE, -room_h / 2 / SCALE], [0, 0, 1]]
    )
    seen = cv2.warpPerspective(scene, carry, shot.size, flags=cv2.INTER_AREA, borderMode=cv2.BORDER_REFLECT)
    width, height = shot.size
    y, x = np.mgrid[0:height, 0:width].astype(np.float32)
    fall = dice.uniform(-0.14, 0.14, 2)
    light = 1 + fall[0] * (x / width - 0.5) + fall[1] * (y / height - 0.5)
    light -= 0.12 * (((x - width / 2) / width) ** 2 + ((y - height / 2) / height) ** 2)
    if shadow:
        # The edge of a hand's or a window's shadow runs across it all.
        angle = dice.uniform(0.3, 1.2)
        side = (x - width * dice.uniform(0.35, 0.65)) * np.cos(angle) + (y - height * 0.5) * np.sin(angle)
        light *= 1 - 0.42 / (1 + np.exp(-side / 3.0))
    blurred = cv2.GaussianBlur(seen * light, (0, 0), 0.9)
    return np.clip(blurred + 3.0 * dice.standard_normal(blurred.shape, np.float32), 0, 255).astype(np.uint8)
