"""Draws the artwork of the demo from open-licence faces and plain shapes.

Run after `npm ci` in web/; writes src/dunestead/demo/artwork/*.svg.
"""

import math
from functools import cache
from pathlib import Path

from fontTools.pens.svgPathPen import SVGPathPen
from fontTools.pens.transformPen import TransformPen
from fontTools.ttLib import TTFont

ROOT = Path(__file__).resolve().parent.parent
FONTS = ROOT / "web/node_modules/@fontsource"
OUT = ROOT / "src/dunestead/demo/artwork"


@cache
def face(name: str) -> TTFont:
    return TTFont(FONTS / name / "files" / f"{name}-latin-400-normal.woff2")


def words(name: str, text: str, x: float, baseline: float, size: float, gap: float = 0.0, centre: bool = True) -> str:
    """Return the outlines of a line of words as path data, each letter after the last."""
    font = face(name)
    scale = size / font["head"].unitsPerEm
    glyphs, cmap, metrics = font.getGlyphSet(), font.getBestCmap(), font["hmtx"]
    names = [cmap[ord(letter)] for letter in text]
    width = sum(metrics[n][0] * scale + gap for n in names) - gap
    at = x - width / 2 if centre else x
    data = []
    for n in names:
        pen = SVGPathPen(glyphs, ntos=lambda v: f"{v:.2f}".rstrip("0").rstrip("."))
        glyphs[n].draw(TransformPen(pen, (scale, 0, 0, -scale, at, baseline)))
        data.append(pen.getCommands())
        at += metrics[n][0] * scale + gap
    return "".join(data)


def page(width: float, height: float, body: str, style: str = "") -> str:
    css = f"<style>{style}</style>\n" if style else ""
    return (
        '<?xml version="1.0" encoding="UTF-8"?>\n'
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{width}mm" height="{height}mm" '
        f'viewBox="0 0 {width} {height}">\n{css}{body}\n</svg>\n'
    )


def cabin_mat() -> str:
    """Boots off, cabin 8: chunky letters with many centres, for coir."""
    return page(
        500,
        300,
        f'<g class="ink">\n<path d="{words("alfa-slab-one", "BOOTS OFF", 250, 102, 74, 5)}"/>\n'
        f'<path d="{words("alfa-slab-one", "CABIN 8", 250, 262, 92, 6)}"/>\n'
        '<rect x="40" y="140" width="420" height="14" rx="7"/>\n</g>',
        ".ink{fill:#22313a}",
    )


def boathouse_shirt() -> str:
    """Draw two oars and an anchor over the name of the boathouse, for a shirt."""
    anchor = (
        '<g transform="translate(150 112)" fill="none" stroke="#f3efe4" stroke-width="9" stroke-linecap="round">'
        '<circle cy="-62" r="13"/><path d="M0-48V58M-30-26H30"/>'
        '<path d="M-58 14C-54 48-30 62 0 62S54 48 58 14"/></g>'
    )
    oar = (
        '<g transform="translate({x} 112) rotate({turn})" fill="#f3efe4">'
        '<rect x="-4" y="-84" width="8" height="120" rx="4"/>'
        '<path d="M0 32C14 36 16 60 13 86C9 94-9 94-13 86C-16 60-14 36 0 32z"/></g>'
    )
    oars = oar.format(x=62, turn=16) + oar.format(x=238, turn=-16)
    return page(
        300,
        300,
        f'{anchor}\n{oars}\n<path fill="#f3efe4" d="{words("archivo-black", "BOATHOUSE", 150, 262, 40, 1.5)}"/>\n'
        f'<path fill="#c9a24b" d="{words("archivo-black", "MARRAM ROW", 150, 294, 22, 2.5)}"/>',
    )


def kitchen_towel() -> str:
    """Three fish over a joined script, for a flat-weave towel."""
    fish = (
        '<symbol id="fish" viewBox="0 0 120 60"><path fill-rule="evenodd" d="M4 30C24 2 66 0 92 24L116 6C110 22 110 38 '
        "116 54L92 36C66 60 24 58 4 30zM24 27a4.5 4.5 0 1 0 9 0a4.5 4.5 0 1 0-9 0z"
        'M44 18C52 26 52 34 44 42L49 42C58 34 58 26 49 18z"/></symbol>'
    )
    shoal = "".join(
        f'<use href="#fish" x="{x}" y="{y}" width="{w}" height="{w / 2}"/>'
        for x, y, w in ((20, 14, 120), (160, 4, 90), (150, 54, 108))
    )
    return page(
        280,
        220,
        f'<defs>{fish}</defs>\n<g fill="#2d5d6b">{shoal}</g>\n'
        f'<path fill="#2d5d6b" d="{words("pacifico", "good catch", 140, 180, 52, -0.6)}"/>',
    )


def ferry_tote() -> str:
    """Set the ferry's times in a true stencil face above two waves, for a tote."""

    def wave(y: float) -> str:
        steps = "".join("q 15-18 30 0 t 30 0 " for _ in range(4))
        return f"M20 {y}{steps}"

    return page(
        280,
        240,
        f'<g class="line"><path class="sea" d="{wave(196)}"/><path class="sea" d="{wave(222)}"/></g>\n'
        f'<g fill="currentColor" color="#1d3b4a"><path d="{words("saira-stencil-one", "FERRY", 140, 82, 84, 2)}"/>'
        f'<path d="{words("saira-stencil-one", "9:40", 140, 160, 74, 2)}"/></g>',
        ".line{fill:none;stroke:#1d3b4a}.sea{stroke-width:9px;stroke-linejoin:round;stroke-linecap:round}",
    )


def tide_rug() -> str:
    """Rings of a tide pool with pebbles, for a rug: nested pieces."""
    rings = "".join(
        f'<ellipse cx="250" cy="150" rx="{rx}" ry="{ry}" fill="none" stroke="#3d6b5f" stroke-width="{w}"/>'
        for rx, ry, w in ((228, 132, 14), (182, 102, 10), (136, 73, 10))
    )
    pebbles = "".join(
        f'<circle cx="{250 + 204 * math.cos(t):.1f}" cy="{150 + 116 * math.sin(t):.1f}" r="{r}"/>'
        for t, r in ((k * math.tau / 14, 3.6 + 0.7 * (k % 3)) for k in range(14))
    )
    return page(
        500,
        300,
        f'<g>{rings}</g>\n<g fill="#3d6b5f">{pebbles}</g>\n'
        f'<path fill="#3d6b5f" d="{words("alfa-slab-one", "TIDE", 250, 176, 68, 5)}"/>',
    )


def main() -> None:
    OUT.mkdir(parents=True, exist_ok=True)
    for draw in (cabin_mat, boathouse_shirt, kitchen_towel, ferry_tote, tide_rug):
        target = OUT / f"{draw.__name__.replace('_', '-')}.svg"
        target.write_text(draw(), encoding="utf-8")
        print(target.relative_to(ROOT))


if __name__ == "__main__":
    main()
