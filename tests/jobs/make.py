"""The kinds of job the workshop must carry from start to finish, as job files; the artwork is our own."""

from typing import Any

from tests.shapes import frame, rect, ring, svg

INK, RUST, SAND, WHITE = "#22313a", "#8f3d0f", "#d6bf94", "#f3efe4"


def _words(text: str, width: float, **more: Any) -> dict[str, Any]:
    return {"words": text, "face": "archivo-black", "width": width, "colour": INK, **more}


def _blank(width: float, height: float, **more: Any) -> dict[str, Any]:
    return {"width": width, "height": height, "measured_width": width, "measured_height": height, **more}


def _colour(paint: str, colour: str = INK, coats: int | None = None, role: str = "colour") -> dict[str, Any]:
    return {"role": role, "paint": paint, "colour": colour, "coats": coats}


ART: dict[str, bytes] = {
    # A gull as a ring with a wing, one loose piece.
    "gull.svg": svg(ring(50, 50, 40, 25) + rect(90, 45, 40, 10)),
    # Ten seeds around a centre, each a small loose piece.
    "seeds.svg": svg("".join(frame(k % 5 * 22, k // 5 * 22, 20, 9) for k in range(10))),
    # A wave in one piece, nothing loose.
    "wave.svg": svg('<path d="M0 20Q25 0 50 20T100 20V32Q75 52 50 32T0 32Z"/>'),
    # A star in two shades of the same motif.
    "star.svg": svg('<path d="M50 0L61 35H98L68 57L79 91L50 70L21 91L32 57L2 35H39Z"/>'),
    # A lily in two colours, apart from each other.
    "lily.svg": svg(rect(0, 0, 40, 60, f'fill="{RUST}"') + rect(90, 0, 40, 60, f'fill="{INK}"')),
}
_START: dict[str, Any] = {"dunestead_job": 1, "fates": "keep"}
JOBS: dict[str, dict[str, Any]] = {
    "J01": {
        "surface": "coir",
        "blank": _blank(700, 400),
        "reverse": True,
        "field_colour": INK,
        "material": "vinyl-permanent",
        "cutter": "table-square",
        "design": [_words("BOAT SHED", 560)],
        "coatings": [_colour("outdoor-acrylic", SAND, 2, "base"), _colour("rubber-spray", INK, 2)],
    },
    "J02": {
        "surface": "wood-sealed",
        "blank": _blank(400, 400, shape="oval", colour=WHITE),
        "masks": "lines",
        "material": "stencil-film",
        "design": [_words("HARBOUR", 280, y=-60), _words("CABIN", 200, y=70)],
        "coatings": [_colour("craft-acrylic", INK, 2)],
    },
    "J03": {
        "surface": "leather",
        "blank": _blank(260, 200),
        "material": "stencil-film",
        "design": [{"art": "gull.svg", "width": 180, "colour": WHITE}],
        "coatings": [_colour("leather-acrylic", WHITE, 3), _colour("leather-finisher", WHITE, 1, "finish")],
    },
    "J04": {
        "surface": "jersey",
        "blank": _blank(510, 720, colour="#33475b"),
        "material": "paper-coated-down",
        "design": [
            {"art": "seeds.svg", "width": 180, "colour": WHITE, "y": -80},
            _words("ROW 8", 180, y=80, colour=SAND),
        ],
        "coatings": [_colour("fabric-brush", WHITE, 3), _colour("fabric-brush", SAND, 3)],
    },
    "J05": {
        "surface": "coir",
        "blank": _blank(600, 400),
        "material": "paper-coated-down",
        "design": [_words("LOW TIDE", 500)],
        "coatings": [_colour("outdoor-acrylic", INK, 3)],
    },
    "J06": {
        "surface": "coir",
        "blank": _blank(750, 450),
        "material": "card",
        "design": [_words("HOME", 560)],
        "coatings": [
            _colour("spray-enamel", INK, 2),
            {"role": "seal", "paint": "clear-sealer", "coats": 2, "where": "mask"},
        ],
    },
    "J07": {
        "surface": "coir",
        "blank": _blank(900, 600),
        "material": "paper-coated-up",
        "method": "paper-bare",
        "design": [
            {"words": "Welcome", "face": "pacifico", "width": 600, "y": -80, "colour": INK},
            _words("CABIN NINE", 600, y=120),
        ],
        "coatings": [_colour("outdoor-acrylic", INK, 2)],
    },
    "J08": {
        "surface": "denim",
        "blank": _blank(450, 600),
        "material": "paper-coated-down",
        "design": [{"words": "ROW", "face": "saira-stencil-one", "width": 260, "colour": WHITE}],
        "coatings": [_colour("fabric-spray", WHITE, 3)],
    },
    "J09": {
        "surface": "cotton-rug",
        "blank": _blank(800, 500),
        "material": "vinyl-permanent",
        "masks": "lines",
        "design": [_words("TIDE", 420, y=-110), {"art": "wave.svg", "width": 500, "y": 110, "colour": INK}],
        "coatings": [_colour("fabric-brush", INK, 2)],
    },
    "J10": {
        "surface": "coir",
        "blank": _blank(600, 400),
        "material": "paper-coated-down",
        "method": "paper-bare",
        "design": [_words("BOOTS OFF", 500)],
        "coatings": [_colour("rubber-spray", INK, 3)],
    },
    "J11": {
        "surface": "coir",
        "blank": _blank(750, 450),
        "material": "vinyl-permanent",
        "method": "warm-air",
        "masks": "lines",
        "design": [_words("COME IN", 560, y=-100), _words("STAY", 320, y=100)],
        "coatings": [
            _colour("outdoor-acrylic", INK, 4),
            {"role": "seal", "paint": "clear-sealer", "coats": 2, "where": "over"},
        ],
    },
    "J12": {
        "surface": "coir",
        "blank": _blank(700, 400),
        "material": "iron-on",
        "design": [_words("DO", 260, x=-150, colour=RUST), _words("GO", 260, x=150, colour=INK)],
        "coatings": [_colour("outdoor-acrylic", RUST, 2), _colour("outdoor-acrylic", INK, 2)],
    },
    "J13": {
        "surface": "concrete",
        "blank": _blank(250, 250, rim=10, corner=20),
        "material": "stencil-film",
        "masks": "each",
        "design": [{"art": "lily.svg", "width": 160}],
        "coatings": [
            _colour("outdoor-acrylic", RUST, 2),
            _colour("outdoor-acrylic", INK, 2),
            {"role": "finish", "paint": "masonry-sealer", "coats": 2},
        ],
    },
    "J14": {
        "surface": "coir",
        "blank": _blank(900, 600),
        "material": "vinyl-permanent",
        "cutter": "table-square",
        "fates": "bridge",
        "design": [
            {
                "art": "wave.svg",
                "width": 420,
                "off_edge": True,
                "colour": INK,
                "repeat": {"kind": "grid", "across": 3, "down": 3, "gap_across": 20, "gap_down": 60},
            }
        ],
        "coatings": [_colour("outdoor-acrylic", INK, 2)],
    },
    "J15": {
        "surface": "wood-sealed",
        "blank": _blank(105, 150),
        "material": "stencil-film",
        "cutter": "pocket",
        "masks": "each",
        "whole_blank": True,
        "design": [_words("8", 40, y=-30, colour=RUST), _words("KEYS", 84, y=40)],
        "coatings": [_colour("craft-acrylic", RUST, 2), _colour("craft-acrylic", INK, 2)],
    },
    "J16": {
        "surface": "coir",
        "blank": _blank(600, 400),
        "material": "vinyl-permanent",
        "method": "weak-tape",
        "design": [_words("OH HI", 480)],
        "coatings": [_colour("porch-paint", INK, 1)],
    },
    "J17": {
        "surface": "coir",
        "blank": _blank(750, 450),
        "copies": 4,
        "material": "card",
        "design": [{"art": "star.svg", "width": 200, "colour": INK}],
        "coatings": [_colour("outdoor-acrylic", INK, 2)],
    },
    "J18": {
        "surface": "jersey",
        "blank": _blank(510, 720),
        "material": "paper-coated-down",
        "cutter": "hand",
        "design": [_words("ROW", 220)],
        "coatings": [_colour("fabric-brush", INK, 1), _colour("glitter-coat", "#c9a227", 2, "over-colour")],
    },
    "J19": {
        "surface": "glass",
        "blank": _blank(200, 200, shape="oval"),
        "copies": 4,
        "seen_through": True,
        "material": "vinyl-removable",
        "design": [_words("ROW", 120)],
        "coatings": [
            _colour("spray-enamel", INK, 2),
            _colour("spray-enamel", WHITE, 2, "ground"),
            {"role": "finish", "paint": "plate-glaze", "coats": 3},
        ],
    },
    "J20": {
        "surface": "cotton-rug",
        "blank": _blank(800, 500),
        "material": "vinyl-removable",
        "cutter": "wide-roll",
        "design": [_words("TIDE", 560)],
        "coatings": [_colour("fabric-brush", INK, 2)],
    },
    "J21": {
        "surface": "wood-sealed",
        "blank": _blank(300, 200),
        "copies": 7,
        "material": "plastic",
        "fates": "bridge",
        "design": [_words("ROW", 220)],
        "coatings": [
            _colour("craft-acrylic", SAND, 1, "base"),
            {"role": "edge-seal", "paint": "matte-medium", "coats": 1},
            _colour("craft-acrylic", INK, 2),
        ],
    },
}


def job_file(number: str) -> dict[str, Any]:
    """Return a job as its file holds it."""
    return {**_START, "name": number, **JOBS[number]}
