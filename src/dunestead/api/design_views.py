"""From a look at a design to what goes over the wire."""

import numpy as np
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.api import schemas as wire
from dunestead.core.artwork.compose import PlacedElement, parts_under
from dunestead.core.artwork.elements import Drawn, Element, Frame, Traced, Words
from dunestead.core.artwork.finding import Finding
from dunestead.core.artwork.layout import name_of
from dunestead.core.artwork.parts import parts_of
from dunestead.core.artwork.sources import Sources
from dunestead.core.artwork.trace.outline import trace
from dunestead.core.artwork.trace.sheet import sheet_of
from dunestead.core.artwork.words.setting import set_words
from dunestead.core.changes.arranging import usual_arc
from dunestead.core.colours import colour_name
from dunestead.core.looking.look import Look
from dunestead.core.looking.rail import SizeRail
from dunestead.core.looking.remedies import key_of
from dunestead.core.looking.seen import colours_seen
from dunestead.core.mask.findings import STROKE_THIN
from dunestead.core.stations.artwork import verdict as artwork
from dunestead.formats.svg.writer import rings_data

__all__ = ["colours_out", "drawn", "elements_out", "findings_out", "look_out", "picture_out", "placed", "rail_out"]

SEEN_MM = 0.05
_GHOST_MM = 0.25
_MOST_PARTS = 300


def drawn(region: BaseGeometry, origin: tuple[float, float] = (0.0, 0.0), tolerance: float = SEEN_MM) -> str:
    """Return path data as far as an eye can see it, shifted to where it lies on the blank."""
    rings = shapely.get_rings(shapely.get_parts(region))
    thin = shapely.simplify(rings, tolerance, preserve_topology=False)
    # A ring smaller than an eye can see would vanish.
    seen = np.where(shapely.get_num_coordinates(thin) < 4, rings, thin)
    return rings_data(shapely.transform(seen, lambda points: points + origin), decimals=2)


def placed(point: tuple[float, float], origin: tuple[float, float]) -> tuple[float, float]:
    """Return where a place of the design lies on the blank."""
    return (point[0] + origin[0], point[1] + origin[1])


def look_out(look: Look, rail: SizeRail, sources: Sources, unit: str) -> wire.LookOut:
    """Return a look that is not kept."""
    state, verdict, _ = artwork.outcome(look, rail, unit)
    return wire.LookOut(
        picture=picture_out(look),
        elements=elements_out(look, sources),
        findings=findings_out(look, unit),
        rail=rail_out(rail),
        state=state,
        verdict=verdict,
    )


def picture_out(look: Look) -> wire.DesignPictureOut:
    """Return what the design paints, and what was trimmed off it."""
    x0, y0, x1, y1 = look.painted.bbox
    ox, oy = look.composition.origin
    return wire.DesignPictureOut(
        colours=colours_out(look),
        overhang=drawn(look.composition.overhang),
        painted_box=(x0 + ox, y0 + oy, x1 + ox, y1 + oy),
    )


def colours_out(look: Look, tolerance: float = SEEN_MM) -> list[wire.ColourOut]:
    """Return what is painted in each colour."""
    return [
        wire.ColourOut(colour=colour, path=drawn(region, look.composition.origin, tolerance))
        for colour, region in colours_seen(look).items()
    ]


def rail_out(rail: SizeRail) -> wire.RailOut:
    """Return the size rail."""
    return wire.RailOut.showing(rail)


def findings_out(look: Look, unit: str) -> list[wire.FindingOut]:
    """Return what was heard of the files and found in the design, places on the blank."""
    notices = [
        wire.FindingOut.showing(
            notice,
            key=f"notice/{k}",
            station="artwork",
            severity="warn",
            at=None,
            measured=None,
            limit=None,
            piece=None,
            element=None,
        )
        for k, notice in enumerate(look.composition.notices)
    ]
    return [*notices, *(_finding(look, finding, unit) for finding in look.findings)]


def _finding(look: Look, finding: Finding, unit: str) -> wire.FindingOut:
    return wire.FindingOut.showing(
        finding,
        key=key_of(finding),
        station=finding.kind.station,
        at=_on_blank(look, finding) if finding.kind.has_place else None,
        message=finding.message(unit),
    )


# --- elements ---------------------------------------------------------------------------------
def elements_out(look: Look, sources: Sources) -> list[wire.ElementOut]:
    """Return the parts of a design in their places."""
    return [_element(look, placed, sources) for placed in look.composition.placed]


def _element(look: Look, placed: PlacedElement, sources: Sources) -> wire.ElementOut:
    element = placed.element
    colour = _colour(element)
    parts = _parts(look, placed)
    return wire.ElementOut.showing(
        element,
        name=name_of(element),
        colour=colour,
        colour_name=colour_name(colour) if colour else None,
        copies=placed.copies,
        asked=placed.asked,
        laid=placed.laid,
        width=placed.size[0],
        height=placed.size[1],
        box=placed.box,
        corners=list(placed.corners),
        path=drawn(placed.region, tolerance=_GHOST_MM),
        words=_words(element, look, sources) if isinstance(element, Words) else None,
        parts=parts[:_MOST_PARTS],
        parts_more=max(len(parts) - _MOST_PARTS, 0),
        edits=list(getattr(element, "edits", ())),
        trace=_trace(element, sources) if isinstance(element, Traced) else None,
        frame=wire.FrameOut.showing(element) if isinstance(element, Frame) else None,
    )


def _colour(element: Element) -> str | None:
    if isinstance(element, Words):
        return element.setting.colour
    return None if isinstance(element, Drawn) else element.colour


def _words(element: Words, look: Look, sources: Sources) -> wire.WordsOut:
    setting = element.setting
    as_set = set_words(setting, sources.face(element.face))
    return wire.WordsOut.showing(
        setting,
        face=element.face,
        cap_height=as_set.cap_height,
        usual_arc=usual_arc(as_set.width, look.job.piece),
        missing=list(as_set.missing),
    )


def _trace(element: Traced, sources: Sources) -> wire.TraceOut:
    settings = element.trace
    picture = sources.picture(element.source)
    traced = trace(picture, settings, element.colour)
    return wire.TraceOut.showing(
        settings,
        found_threshold=traced.threshold,
        points=traced.points,
        sheet=list(found) if (found := sheet_of(picture)) else None,
    )


def _parts(look: Look, placed: PlacedElement) -> list[wire.PartOut]:
    element = placed.element
    drawing = look.drawings.get(element.id)
    if drawing is None or not isinstance(element, Drawn | Traced):
        return []
    parts = parts_of(drawing)
    anchors = placed.to_blank.apply(np.array([part.anchor for part in parts]))
    thin = [_on_blank(look, finding) for finding in look.findings if finding.kind is STROKE_THIN]
    too_fine = set(parts_under(placed, drawing, thin)) if thin and placed.copies == 1 else set()
    edits = {edit.part: edit for edit in element.edits}
    found = []
    for part, (x, y) in zip(parts, anchors.tolist(), strict=True):
        edit = edits.get(part.number)
        found.append(
            wire.PartOut.showing(
                part,
                colour=(edit and edit.colour) or part.colour,
                own_colour=part.colour,
                dropped=bool(edit and edit.dropped),
                too_fine=part.number in too_fine,
                at=(x, y),
            )
        )
    return found


def _on_blank(look: Look, finding: Finding) -> tuple[float, float]:
    ox, oy = look.composition.origin
    return (finding.at[0] + ox, finding.at[1] + oy)
