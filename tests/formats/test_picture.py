"""Pictures in: upright, on white, in grey; broken and oversized ones refused."""

import io

import numpy as np
import pytest
from PIL import Image

from dunestead.core.artwork.trace.outline import trace
from dunestead.core.artwork.trace.settings import TraceSettings
from dunestead.core.errors import ArtworkRefused, ArtworkUnreadable
from dunestead.formats import picture as picture_format
from dunestead.formats.picture import is_picture, read_picture


def saved(image: Image.Image, kind: str = "PNG", **more) -> bytes:
    held = io.BytesIO()
    image.save(held, kind, **more)
    return held.getvalue()


def half_dark(wide: int = 60, high: int = 40) -> Image.Image:
    """Draw a picture whose left half is dark."""
    grey = np.full((high, wide), 230, np.uint8)
    grey[:, : wide // 2] = 20
    return Image.fromarray(grey)


@pytest.mark.parametrize("kind", ["PNG", "JPEG", "WEBP", "TIFF"])
def test_every_kind_is_read(kind: str) -> None:
    data = saved(half_dark(), kind)

    grey = read_picture(data).grey

    assert is_picture(data)
    assert grey.shape == (40, 60)
    assert grey[:, :20].mean() < 40
    assert grey[:, 40:].mean() > 210


@pytest.mark.parametrize(("orientation", "dark"), [(1, "left"), (3, "right"), (6, "top"), (8, "bottom")])
def test_a_picture_is_turned_upright_as_its_camera_noted(orientation: int, dark: str) -> None:
    exif = Image.Exif()
    exif[0x0112] = orientation

    grey = read_picture(saved(half_dark(), "JPEG", exif=exif)).grey

    sides = {"left": grey[:, :5], "right": grey[:, -5:], "top": grey[:5], "bottom": grey[-5:]}
    assert min(sides, key=lambda side: sides[side].mean()) == dark


def test_what_is_transparent_is_paper() -> None:
    clear = np.zeros((30, 30, 4), np.uint8)
    clear[10:20, 10:20, 3] = 255

    grey = read_picture(saved(Image.fromarray(clear))).grey

    assert grey[0, 0] == 255
    assert grey[15, 15] == 0


def test_deep_greys_are_spread_over_the_whole_range() -> None:
    deep = np.linspace(1000, 9000, 900).reshape(30, 30).astype(np.uint16)

    grey = read_picture(saved(Image.fromarray(deep), "PNG")).grey

    assert (int(grey.min()), int(grey.max())) == (0, 255)


def test_a_large_picture_is_brought_down_to_what_a_tracing_needs(monkeypatch) -> None:
    monkeypatch.setattr(picture_format, "_LONGEST_SIDE", 30)

    assert read_picture(saved(half_dark(91, 60))).grey.shape == (20, 30)


@pytest.mark.parametrize(
    "data",
    [
        b"",
        b"\x89PNG\r\n\x1a\nnot really",
        b"\xff\xd8\xff\xe0 broken jpeg",
        b"RIFF\x00\x00\x00\x00WEBPVP8 ",
        b"II*\x00\x08\x00\x00\x00",
        b"GIF89a" + b"\x00" * 40,
        b"plain words",
    ],
)
def test_what_is_no_picture_is_refused_in_a_sentence(data: bytes) -> None:
    with pytest.raises(ArtworkUnreadable, match="cannot be read"):
        read_picture(data)


def test_a_picture_cut_short_is_refused() -> None:
    data = saved(Image.fromarray(np.random.default_rng(1).integers(0, 255, (200, 200), np.uint8)))

    with pytest.raises(ArtworkUnreadable):
        read_picture(data[: len(data) // 2])


def test_a_picture_of_a_few_pixels_is_refused() -> None:
    with pytest.raises(ArtworkUnreadable, match="few pixels"):
        read_picture(saved(half_dark(4, 4)))


def test_a_bomb_is_refused_before_it_is_unpacked(monkeypatch) -> None:
    monkeypatch.setattr(picture_format, "_MOST_PIXELS", 1000)

    with pytest.raises(ArtworkRefused, match="pixels, more than"):
        read_picture(saved(half_dark()))


def test_a_huge_file_is_refused(monkeypatch) -> None:
    monkeypatch.setattr(picture_format, "MOST_PICTURE_BYTES", 10)

    with pytest.raises(ArtworkRefused, match="over the"):
        read_picture(saved(half_dark()))


@pytest.mark.parametrize("side", [8, 9, 20, 31])
def test_a_picture_of_a_few_pixels_is_traced_or_refused_in_a_sentence(side: int) -> None:
    """Half of it is ink: a picture that small has no paper to even out."""
    grey = np.full((side, side), 255, np.uint8)
    grey[:, : side // 2] = 0

    tracing = trace(read_picture(saved(Image.fromarray(grey))), TraceSettings())

    assert len(tracing.drawing.shapes) == 1


def test_sixteen_bits_a_pixel_are_read_from_the_darkest_to_the_lightest() -> None:
    """A ramp from 1000 to 9000 becomes 0 to 255: a quarter of the way up is 63.75."""
    ramp = np.linspace(1000, 9000, 401).astype(np.uint16)
    picture = read_picture(saved(Image.fromarray(np.tile(ramp, (300, 1)))))

    assert picture.grey[0, [0, 100, 400]].tolist() == pytest.approx([0, 63.75, 255], abs=1)
