"""SVG artwork in, masks and cut files out.

Reading goes through four rooms in this order: `guard` parses the XML under limits,
`survey` says what cannot be painted and refuses what is hostile, `arcs` keeps circles
exact, `cage` lets a normaliser resolve styles, uses, clips and units inside a sandbox,
and `reader` turns what comes out into shapes.
"""

from dunestead.formats.svg.reader import read_svg

__all__ = ["read_svg"]
