"""What can be done about a finding: each remedy is tried by reckoning before it is offered."""

import math
from collections import Counter
from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass, replace

import shapely

from dunestead.core.artwork.compose import PlacedElement, drawing_of, parts_under
from dunestead.core.artwork.elements import Drawn, Element, Frame, MendKind, PartEdit, Traced, Words
from dunestead.core.artwork.finding import Finding, FindingKind, registered_findings
from dunestead.core.artwork.layout import CLEAR_NEAR, CLEAR_PAINTED, LETTER_LOW, OFF_BLANK, OFF_MARGIN, name_of
from dunestead.core.artwork.parts import parts_of
from dunestead.core.artwork.room import room_beside, room_on
from dunestead.core.artwork.sources import Sources
from dunestead.core.artwork.words.setting import set_words
from dunestead.core.changes.arranging import resize_design
from dunestead.core.colours import colour_name, difference
from dunestead.core.errors import DunesteadError, NoSuchThing
from dunestead.core.figures import Catalogue
from dunestead.core.job.ground import ground_colour
from dunestead.core.job.job import Job, altered, colouring
from dunestead.core.job.proposing import materials_for
from dunestead.core.looking.look import Look, look_at
from dunestead.core.looking.rail import WIDEST
from dunestead.core.looking.ties import add_tie
from dunestead.core.looking.weakness import mended, mended_at, mended_spots, weak_findings
from dunestead.core.mask.fates import Fate
from dunestead.core.mask.findings import CONTACT, MANY_PIECES, MUST_BRIDGE, PART_SMALL, STROKE_THIN, WEB_THIN
from dunestead.core.mask.weak import NECK, TONGUE
from dunestead.core.painting.coatings import Coating, Where
from dunestead.core.painting.colours import BASE_MISSING, COLOUR_GAP, COLOURS_ALIKE, MASK_ALIKE, PAINT_LIKE_MASK
from dunestead.core.units import several, show_length

__all__ = ["Remedy", "Tools", "finding_of", "key_of", "remedies_for", "remedy_of"]

# A little more than just enough, so that rounding does not leave it short.
_SPARE = 1.0005
# A strip with round ends is a little wider than what it must clear.
_ROUND = 1.02
_MOST_FACES = 8
_FACES_OFFERED = 2
_MOST_FREED = 400
# No remedy makes a design narrower than this, mm.
_LEAST_WIDTH = 10.0
_DARK, _LIGHT = "#22313a", "#f3efe4"


@dataclass(frozen=True, slots=True)
class Tools:
    """What trying a remedy needs: files, figures, and the maker's unit for its words."""

    sources: Sources
    catalogue: Catalogue
    unit: str = "mm"


@dataclass(frozen=True, slots=True)
class Remedy:
    """A change that was tried and helps.

    Attributes
    ----------
    code
        What it is applied by.
    label
        What to do.
    consequence
        What is left to look at after it.
    job
        The job with it done.
    """

    code: str
    label: str
    consequence: str
    job: Job


@dataclass(frozen=True, slots=True)
class _Candidate:
    code: str
    label: str
    job: Job


def key_of(finding: Finding) -> str:
    """Return what a finding is known by, as long as the design stays as it is.

    Examples
    --------
    >>> key_of(Finding(OFF_BLANK, "stop", (1.25, 3.0), 5.0, 0.0, "the blank", element=2))
    'off-blank/2/1.2/3.0'
    """
    return f"{finding.code}/{finding.element or finding.piece or 0}/{finding.at[0]:.1f}/{finding.at[1]:.1f}"


def finding_of(look: Look, key: str, catalogue: Catalogue) -> Finding:
    """Return a finding or a weak place by its key; raises `NoSuchThing` when the design has changed since."""
    kind = registered_findings().get(key.partition("/")[0])
    known = weak_findings(look, catalogue) if kind and kind.is_weak else ()
    for finding in (*look.findings, *(weak.finding for weak in known)):
        if key_of(finding) == key:
            return finding
    raise NoSuchThing("This is no longer a problem in the design.", "Look at the list again.")


def remedies_for(look: Look, finding: Finding, tools: Tools) -> Iterator[Remedy]:
    """Yield the remedies that help: fewer findings of the kind, and no more that must be mended.

    Notes
    -----
    At most two other faces are offered, those nearest in kind first.
    """
    faces = 0
    for candidate in _candidates(look, finding, tools):
        is_face = candidate.code.startswith("face:")
        if is_face and faces == _FACES_OFFERED:
            continue
        if remedy := _tried(candidate, look, finding, tools):
            faces += is_face
            yield remedy


def remedy_of(look: Look, finding: Finding, code: str, tools: Tools) -> Remedy:
    """Return one remedy by its code, tried again; raises `NoSuchThing` when it no longer helps."""
    for candidate in _candidates(look, finding, tools):
        if candidate.code == code and (remedy := _tried(candidate, look, finding, tools)):
            return remedy
    raise NoSuchThing("This fix no longer helps.", "Look at the list again.")


def _tried(candidate: _Candidate, look: Look, finding: Finding, tools: Tools) -> Remedy | None:
    try:
        after = look_at(candidate.job, tools.sources, tools.catalogue)
    except DunesteadError:
        # What cannot be reckoned with is no remedy.
        return None
    before, now = (_count(seen, finding.kind, tools.catalogue) for seen in (look, after))
    if now >= before or _harms(look, after):
        return None
    left = sum(f.severity != "note" for f in after.findings)
    left += now if finding.kind.is_weak else 0
    return Remedy(
        candidate.code,
        candidate.label,
        f"{several(left, 'thing')} left to look at." if left else "Then all is well.",
        candidate.job,
    )


def _count(look: Look, kind: FindingKind, catalogue: Catalogue) -> int:
    if kind.is_weak:
        weak = (one.finding for one in weak_findings(look, catalogue))
        return sum(one.kind is kind and one.severity != "note" for one in weak)
    return sum(1 + f.more for f in look.findings if f.kind is kind)


def _harms(before: Look, after: Look) -> bool:
    """Say whether anything of a kind must be mended that need not be before."""
    stops = [Counter[str](), Counter[str]()]
    for counted, look in zip(stops, (before, after), strict=True):
        for finding in look.findings:
            if finding.severity == "stop":
                counted[finding.code] += 1 + finding.more
    return not stops[1] <= stops[0]


# --- candidates -------------------------------------------------------------------------------
def _with(look: Look, element: Element) -> Job:
    return altered(look.job, elements=tuple(element if e.id == element.id else e for e in look.job.elements))


def _element_at(look: Look, finding: Finding) -> PlacedElement | None:
    """Return the part of the design a finding is about, or lies on or nearest to."""
    placed = look.composition.placed
    if finding.element is not None:
        return next((one for one in placed if one.element.id == finding.element), None)
    point = _on_blank(look, finding)
    return min(placed, key=lambda one: float(shapely.distance(one.region, point)), default=None)


def _on_blank(look: Look, finding: Finding) -> shapely.Point:
    ox, oy = look.composition.origin
    return shapely.Point(finding.at[0] + ox, finding.at[1] + oy)


def _grow(look: Look, finding: Finding, tools: Tools) -> Iterator[_Candidate]:
    if not finding.measured > 0:
        return
    width = look.composition.design_width * finding.limit / finding.measured
    width = math.ceil(width * _SPARE * 10) / 10
    job = resize_design(look.job, width, tools.sources, tools.catalogue)
    yield _Candidate("grow", f"Make the design {show_length(width, tools.unit)} wide", job)


def _thicker(look: Look, finding: Finding, tools: Tools) -> Iterator[_Candidate]:
    placed = _element_at(look, finding)
    if placed is None or isinstance(placed.element, Frame):
        return
    by = math.ceil((finding.limit - finding.measured) * _SPARE * 20) / 20
    element = placed.element
    named = name_of(element)
    shown = show_length(by, tools.unit)
    # Of a reverse mask the strokes themselves are what is too narrow.
    if finding.kind is STROKE_THIN or (finding.kind.is_weak and look.job.mask.reverse):
        thicker = replace(element, embolden=element.embolden + by)
        yield _Candidate("embolden", f"Make all strokes of {named} {shown} thicker", _with(look, thicker))
    else:
        thinner = replace(element, embolden=element.embolden - by)
        yield _Candidate("thin", f"Make all strokes of {named} {shown} thinner", _with(look, thinner))


def _letters_apart(look: Look, finding: Finding, tools: Tools) -> Iterator[_Candidate]:
    placed = _element_at(look, finding)
    # A stroke that is too thin gains nothing by it.
    if finding.kind is STROKE_THIN or placed is None or not isinstance(placed.element, Words):
        return
    by = math.ceil((finding.limit - finding.measured) * _SPARE * 20) / 20
    setting = placed.element.setting
    # The letters keep their size, or what the gap gains they would lose.
    height = set_words(setting, tools.sources.face(placed.element.face)).cap_height
    apart = replace(setting, letter_gap=setting.letter_gap + by, sized_by="cap", size=round(height, 3))
    wider = replace(placed.element, setting=apart)
    yield _Candidate("letter-gap", f"Set the letters {show_length(by, tools.unit)} further apart", _with(look, wider))


def _drop_part(look: Look, finding: Finding, tools: Tools) -> Iterator[_Candidate]:
    placed = _element_at(look, finding)
    if placed is None or not isinstance(placed.element, Drawn | Traced):
        return
    element = placed.element
    drawing = drawing_of(element, tools.sources)
    assert drawing is not None
    dropped = {edit.part for edit in element.edits if edit.dropped}
    if len(parts_of(drawing)) - len(dropped) < 2:
        return
    point = _on_blank(look, finding)
    (number,) = parts_under(placed, drawing, [(point.x, point.y)])
    edits = (*(e for e in element.edits if e.part != number), PartEdit(number, dropped=True))
    yield _Candidate(
        f"drop:{number}",
        f"Drop part {number} of {name_of(element)}",
        _with(look, replace(element, edits=edits)),
    )


def _widened(look: Look, finding: Finding, tools: Tools) -> Iterator[_Candidate]:
    """Yield what mends a weak place and leaves the rest alone: opened or filled where it is, or a tongue tied."""
    key = key_of(finding)
    weak = next((one for one in weak_findings(look, tools.catalogue) if key_of(one.finding) == key), None)
    if weak is None:
        return
    width = finding.limit * _SPARE
    if elements := mended(look, weak, width):
        how = "Fill" if weak.laid.is_reverse else "Open"
        yield _Candidate(
            "widen",
            f"{how} this {finding.code} to {show_length(width, tools.unit)}",
            altered(look.job, elements=elements),
        )
    placed = _element_at(look, finding)
    if weak.place.kind == "tongue" and placed is not None:
        tied = add_tie(look, weak.laid, weak.place, placed.element.id)
        yield _Candidate("tie", "Tie its tip with a bridge", tied)


def _spots_mended(look: Look, finding: Finding, tools: Tools) -> Iterator[_Candidate]:
    """Yield what widens, where they are, the places that no size that fits the blank would make wide enough."""
    width = look.composition.design_width
    growth = max(room_on(look.composition, 0.0), 1.0)
    under, wanted = finding.limit / min(growth, WIDEST / width), finding.limit * _ROUND
    if finding.measured < under and (elements := mended_spots(look, finding.kind, under, wanted)):
        what = "strokes" if finding.kind is STROKE_THIN else "mask"
        label = f"Widen the {what} to {show_length(wanted, tools.unit)} in the spots that no size would mend"
        yield _Candidate("mend-spots", label, altered(look.job, elements=elements))


def _joined_or_parted(look: Look, finding: Finding, tools: Tools) -> Iterator[_Candidate]:
    """Yield what makes one of two shapes that touch, or sets them apart by the least that holds."""
    figures, surface = tools.catalogue.figures, look.job.blank.surface
    ways: tuple[tuple[MendKind, str, str], ...] = (("fill", "stroke", "Join them"), ("open", "web", "Part them"))
    for kind, measure, label in ways:
        width = figures["surface", surface, measure].value * _SPARE
        if elements := mended_at(look, finding.at, kind, width):
            named = f"{label} here, {show_length(width, tools.unit)} wide"
            yield _Candidate(kind, named, altered(look.job, elements=elements))
    touching = sum(1 + one.more for one in look.findings if one.kind is finding.kind)
    they = "It is" if touching == 1 else "They are"
    yield _Candidate("ignore", f"{they} meant to touch", altered(look.job, contacts_meant=touching))


def _base_coat(look: Look, _: Finding, __: Tools) -> Iterator[_Candidate]:
    ways: tuple[tuple[Where, str], ...] = (("everywhere", "all over"), ("under", "under the design"))
    for where, label in ways:
        yield _Candidate(
            f"base-{where}",
            f"Give it a base coat in {colour_name(_LIGHT)} {label}",
            _based(look.job, _LIGHT, where),
        )


def _based(job: Job, colour: str, where: Where) -> Job:
    """Return a job with a base coating, of the paint its design is painted with."""
    base = Coating("base", colouring(job).paint, colour, where=where)
    return altered(job, coatings=(base, *(one for one in job.paint.coatings if one.role != "base")))


def _capitals(look: Look, finding: Finding, _: Tools) -> Iterator[_Candidate]:
    placed = _element_at(look, finding)
    if placed is None or not isinstance(placed.element, Words) or placed.element.setting.capitals:
        return
    raised = replace(placed.element, setting=replace(placed.element.setting, capitals=True))
    yield _Candidate("capitals", "Set it in capitals", _with(look, raised))


def _faces(look: Look, finding: Finding, tools: Tools) -> Iterator[_Candidate]:
    placed = _element_at(look, finding)
    if placed is None or not isinstance(placed.element, Words):
        return
    element, faces = placed.element, tools.catalogue.faces
    kinds = list(tools.catalogue.face_kinds)
    own = faces[element.face].kind if element.face in faces else kinds[0]
    order = sorted(faces.values(), key=lambda row: (row.kind != own, kinds.index(row.kind)))
    for row in [row for row in order if row.key != element.face][:_MOST_FACES]:
        yield _Candidate(f"face:{row.key}", f"Set it in {row.name}", _with(look, replace(element, face=row.key)))


def _fates_of_piece(look: Look, finding: Finding, _: Tools) -> Iterator[_Candidate]:
    number = finding.piece
    if number is None:
        point = shapely.Point(finding.at)
        number = next((piece.number for piece in look.loose if piece.shape.covers(point)), None)
    if number is None:
        return
    fates = look.job.mask.fates
    if finding.kind is PART_SMALL:
        yield _Candidate(
            f"bridge:{number}", f"Bridge piece {number}", altered(look.job, fates={**fates, number: "bridge"})
        )
    if not look.job.mask.reverse:
        left_out = altered(look.job, fates={**fates, number: "leave-out"})
        yield _Candidate(f"leave-out:{number}", f"Leave piece {number} out: paint it solid", left_out)
    dropped = altered(look.job, fates={**fates, number: "drop"})
    yield _Candidate(f"drop-piece:{number}", f"Drop the artwork of piece {number}", dropped)


def _fates_of_many(look: Look, finding: Finding, _: Tools) -> Iterator[_Candidate]:
    fates, pieces = look.job.mask.fates, look.loose
    if finding.kind is MANY_PIECES:
        kept = [p for p in pieces if fates.get(p.number, "keep") == "keep"]
        least = look.least_sides()
        smallest = sorted(kept, key=lambda piece: least[piece.number])[: len(kept) - int(finding.limit)]
        bridged: dict[int, Fate] = {**fates, **{piece.number: "bridge" for piece in smallest}}
        yield _Candidate("bridge-smallest", f"Bridge the {len(smallest)} smallest", altered(look.job, fates=bridged))
    everything: dict[int, Fate] = {
        **fates,
        **{p.number: "bridge" for p in pieces if fates.get(p.number) != "leave-out"},
    }
    yield _Candidate("bridge-all", "Bridge them all", altered(look.job, fates=everything))


def _beside(look: Look, _: Finding, tools: Tools) -> Iterator[_Candidate]:
    """Yield the design so much smaller that it keeps off all that is kept clear."""
    composition = look.composition
    factor = room_beside(composition, look.job.piece.clear, look.choices.surface.web, 1.0)
    width = math.floor(composition.design_width * factor * 10) / 10
    if width >= _LEAST_WIDTH:
        job = resize_design(look.job, width, tools.sources, tools.catalogue)
        yield _Candidate("beside", f"Make the design {show_length(width, tools.unit)} wide, clear of it", job)


def _into_place(look: Look, finding: Finding, tools: Tools) -> Iterator[_Candidate]:
    placed = _element_at(look, finding)
    if placed is None:
        return
    margin = look.margin
    x0, y0, x1, y1 = placed.box
    width, height = look.job.piece.size
    dx = max(margin - x0, 0.0) if x1 - x0 <= width - 2 * margin else width / 2 - (x0 + x1) / 2
    dy = max(margin - y0, 0.0) if y1 - y0 <= height - 2 * margin else height / 2 - (y0 + y1) / 2
    dx = dx or min(width - margin - x1, 0.0)
    dy = dy or min(height - margin - y1, 0.0)
    element = placed.element
    if dx or dy:
        moved = replace(element, x=round(element.x + dx, 3), y=round(element.y + dy, 3))
        yield _Candidate("shift", f"Shift {name_of(element)} in from the edge", _with(look, moved))
    room = room_on(look.composition, margin)
    if 0 < room < 1:
        smaller = math.floor(look.composition.design_width * room * 10) / 10
        job = resize_design(look.job, smaller, tools.sources, tools.catalogue)
        yield _Candidate("shrink", f"Make the design {show_length(smaller, tools.unit)} wide", job)
    if finding.kind is OFF_BLANK:
        meant = replace(element, runs_off=True)
        yield _Candidate("runs-off", "It is meant to run off the edge", _with(look, meant))


def _apart(look: Look, finding: Finding, tools: Tools) -> Iterator[_Candidate]:
    if look.choices.paint.technique in ("dab", "brush") and not look.job.paint.dauber:
        yield _Candidate("dauber", "Use a foam dauber", altered(look.job, dauber=True))
    if finding.measured > 0:
        yield from _grow(look, finding, tools)
    yield _Candidate("cover", "Cover what lies close by, colour after colour", altered(look.job, covered=True))
    yield _Candidate("masks-each", "Cut a mask for each colour", altered(look.job, masks="each"))


def _recoloured(look: Look, finding: Finding, _: Tools) -> Iterator[_Candidate]:
    ground, colour = ground_colour(look.job), finding.subject
    fresh = max((_DARK, _LIGHT), key=lambda shade: difference(shade, ground))
    elements = tuple(_in_colour(element, colour, fresh, look) for element in look.job.elements)
    yield _Candidate("recolour", f"Paint it {colour_name(fresh)}", altered(look.job, elements=elements))
    base = max((_DARK, _LIGHT), key=lambda shade: difference(shade, colour))
    yield _Candidate("base-coat", f"Give it a base coat in {colour_name(base)} first", _based(look.job, base, "under"))


def _in_colour(element: Element, colour: str, fresh: str, look: Look) -> Element:
    """Return an element with all it paints in one colour painted in another."""
    if isinstance(element, Frame | Traced):
        return replace(element, colour=fresh) if element.colour == colour else element
    if isinstance(element, Words):
        setting = element.setting
        letters = tuple((index, fresh if own == colour else own) for index, own in setting.letter_colours)
        own = fresh if setting.colour == colour else setting.colour
        return replace(element, setting=replace(setting, colour=own, letter_colours=letters))
    drawing = look.drawings.get(element.id)
    if drawing is None:
        return element
    edits = {edit.part: edit for edit in element.edits}
    for part in parts_of(drawing):
        now = edits.get(part.number)
        if ((now and now.colour) or part.colour) == colour and len(edits) < _MOST_FREED:
            edits[part.number] = replace(now, colour=fresh) if now else PartEdit(part.number, colour=fresh)
    return replace(element, edits=tuple(edits.values()))


def _materials(look: Look, finding: Finding, tools: Tools) -> Iterator[_Candidate]:
    """Yield mask materials that show against the ground, or against the paint the finding is about."""
    colour = ground_colour(look.job) if finding.kind is MASK_ALIKE else finding.subject
    for material in materials_for(tools.catalogue, look.choices.surface):
        if difference(material.colour, colour) >= finding.limit:
            yield _Candidate(
                f"material:{material.key}",
                f"Cut the mask from {material.name.lower()}",
                altered(look.job, material=material.key),
            )


_Maker = Callable[[Look, Finding, Tools], Iterator[_Candidate]]
_TOO_THIN: tuple[_Maker, ...] = (_grow, _spots_mended, _thicker, _letters_apart, _drop_part, _faces)
_TOO_WEAK: tuple[_Maker, ...] = (_widened, _thicker, _letters_apart, _drop_part, _grow)
# What may help against what is found, in the order it is offered.
_OFFERS: Mapping[FindingKind, tuple[_Maker, ...]] = {
    STROKE_THIN: _TOO_THIN,
    WEB_THIN: (*_TOO_THIN, _fates_of_piece),
    NECK: _TOO_WEAK,
    TONGUE: _TOO_WEAK,
    LETTER_LOW: (_grow, _capitals, _faces),
    PART_SMALL: (_grow, _fates_of_piece),
    CONTACT: (_joined_or_parted,),
    BASE_MISSING: (_base_coat,),
    MUST_BRIDGE: (_fates_of_many,),
    MANY_PIECES: (_fates_of_many,),
    OFF_BLANK: (_into_place,),
    OFF_MARGIN: (_into_place,),
    CLEAR_PAINTED: (_beside,),
    CLEAR_NEAR: (_beside,),
    COLOUR_GAP: (_apart,),
    COLOURS_ALIKE: (_recoloured,),
    MASK_ALIKE: (_materials,),
    PAINT_LIKE_MASK: (_materials,),
}


def _candidates(look: Look, finding: Finding, tools: Tools) -> Iterator[_Candidate]:
    for make in _OFFERS.get(finding.kind, ()):
        yield from make(look, finding, tools)
