"""Artwork made here: words in a face, and pictures traced."""

from dataclasses import replace
from pathlib import Path
from typing import Literal

import click

from dunestead.catalogue import load_catalogue
from dunestead.cli.artwork_job import art_job
from dunestead.cli.params import CORNERS, LENGTH, SIGNED, THRESHOLD
from dunestead.cli.reading import read_file, write_file
from dunestead.cli.reporting import FAULTS, check_lines, check_report, print_report

__all__ = ["fonts", "text", "trace"]


@click.command()
@click.argument("words")
@click.option("--font", required=True, help="A shipped face (see `dunestead fonts`), or the path of a font file.")
@click.option("--width", type=LENGTH, required=True, help="Width of the words, such as 400mm or 16in.")
@click.option("--letter-gap", type=SIGNED, default=0.0, help="Added between letters; may be below 0.")
@click.option("--line-gap", type=SIGNED, default=0.0, help="Added between lines; may be below 0.")
@click.option("--align", type=click.Choice(["left", "centre", "right"]), default="centre", show_default=True)
@click.option("--arc", type=SIGNED, help="Radius of the baseline; below 0 along the bottom of the circle.")
@click.option("--capitals", is_flag=True, help="Set all of it in capitals.")
@click.option("--surface", default="coir", show_default=True, help="What is printed on.")
@click.option("--material", default="paper-coated-down", show_default=True, help="Mask material.")
@click.option("-o", "--output", type=click.Path(path_type=Path), required=True, help="The SVG to write.")
@click.option("--json", "as_json", is_flag=True, help="Print one JSON object and nothing else.")
def text(
    words: str,
    font: str,
    width: float,
    letter_gap: float,
    line_gap: float,
    align: Literal["left", "centre", "right"],
    arc: float | None,
    capitals: bool,
    surface: str,
    material: str,
    output: Path,
    as_json: bool,
) -> int:
    r"""Set words in a face and write them as artwork at true scale; a new line starts at \n."""
    from dunestead.catalogue.face_files import open_face, open_font_file
    from dunestead.core.artwork.elements import clean_text
    from dunestead.core.artwork.words.setting import Setting, set_words
    from dunestead.formats.svg.writer import write_drawing

    known = font in load_catalogue().faces
    is_file = not known and (Path(font).suffix.lower() in (".ttf", ".otf", ".woff", ".woff2") or Path(font).exists())
    face = open_font_file(Path(font)) if is_file else open_face(font)
    setting = Setting(
        clean_text(words.replace("\\n", "\n")), width, "width", letter_gap, line_gap, align, arc, capitals
    )
    set_ = set_words(setting, face)
    write_file(output, write_drawing(set_.drawing, width, setting.text))
    report = check_report(art_job(set_.drawing, width, surface, material)) | {
        "file": str(output),
        "font": face.key,
        "cap_height_mm": set_.cap_height,
        "missing": list(set_.missing),
        "letters": [
            {"character": letter.character, "index": letter.index, "height_mm": letter.height}
            for letter in set_.letters
        ],
    }
    print_report(report, as_json, lambda report: [*check_lines(report), f"Written to {output}."])
    return FAULTS if set_.missing else 0


@click.command()
@click.option("--json", "as_json", is_flag=True, help="Print one JSON object and nothing else.")
def fonts(as_json: bool) -> None:
    """List the shipped faces."""
    catalogue = load_catalogue()
    rows = [
        {"name": row.key, "title": row.name, "kind": row.kind, "joined": row.joined} for row in catalogue.faces.values()
    ]
    print_report(
        {"fonts": rows, "kinds": dict(catalogue.face_kinds)},
        as_json,
        lambda report: [f"{row['name']:20} {row['kind']:12} {row['title']}" for row in report["fonts"]],
    )


@click.command()
@click.argument("image", type=click.Path(path_type=Path))
@click.option("--width", type=LENGTH, required=True, help="Width of the traced drawing, such as 400mm or 16in.")
@click.option("--threshold", type=THRESHOLD, default="auto", show_default=True, help="auto, or a grey of 0 to 255.")
@click.option("--despeckle", type=int, default=4, show_default=True, help="Specks up to so many pixels vanish.")
@click.option("--smooth", type=float, default=0.5, show_default=True, help="0 true to the pixel, 1 flowing.")
@click.option("--ink", type=click.Choice(["area", "line"]), default="area", show_default=True)
@click.option("--pen", type=LENGTH, help="With --ink line: how wide lines are drawn; as they are when not given.")
@click.option("--corners", type=CORNERS, help="Of the sheet: x,y four times in pixels, from its top left clockwise.")
@click.option("--invert", is_flag=True, help="The drawing is light on dark.")
@click.option("--even/--uneven", default=True, help="Take uneven light out first.")
@click.option("-o", "--output", type=click.Path(path_type=Path), required=True, help="The SVG to write.")
@click.option("--json", "as_json", is_flag=True, help="Print one JSON object and nothing else.")
def trace(
    image: Path,
    width: float,
    threshold: int | None,
    despeckle: int,
    smooth: float,
    ink: Literal["area", "line"],
    pen: float | None,
    corners: list[tuple[float, float]] | None,
    invert: bool,
    even: bool,
    output: Path,
    as_json: bool,
) -> int:
    """Trace a picture of a drawing and write it as artwork at true scale."""
    from dunestead.core.artwork.trace.outline import trace as trace_picture
    from dunestead.core.artwork.trace.settings import TraceSettings
    from dunestead.formats.picture import MOST_PICTURE_BYTES, read_picture
    from dunestead.formats.svg.writer import write_drawing

    picture = read_picture(read_file(image, MOST_PICTURE_BYTES))
    shares = None
    if corners:
        height, across = picture.grey.shape
        shares = tuple((x / across, y / height) for x, y in corners)
    settings = TraceSettings(shares, threshold, invert, even, despeckle, smooth, ink)  # type: ignore[arg-type]
    found = trace_picture(picture, settings)
    if pen is not None and ink == "line":
        # How large a pixel is shows only when the lines are known.
        found = trace_picture(picture, replace(settings, pen=found.pen_share(width, pen)))
    write_file(output, write_drawing(found.drawing, width, f"Traced from {image.name}"))
    report = check_report(art_job(found.drawing, width, "coir", "paper-coated-down")) | {
        "file": str(output),
        "threshold": found.threshold,
        "points": found.points,
    }
    print_report(
        report,
        as_json,
        lambda report: [
            *check_lines(report),
            f"Traced at a grey of {report['threshold']:.0f}, {report['points']} points; written to {output}.",
        ],
    )
    return 0
