"""Remedies: each is tried before it is offered, and does what it says."""

from dataclasses import replace

import pytest

from dunestead.core.artwork.elements import Frame, resized
from dunestead.core.blanks.blank import Blank
from dunestead.core.errors import NoSuchThing
from dunestead.core.job.job import Job, altered
from dunestead.core.looking.look import Look
from dunestead.core.looking.remedies import Tools, finding_of, key_of, remedies_for, remedy_of
from dunestead.core.looking.weakness import weak_findings
from tests.making import CATALOGUE, job_of, look, words
from tests.shapes import artwork, files, frame, rect

RED, BLUE = 'fill="#a01010"', 'fill="#1030a0"'
SOURCES = files(
    thin=rect(0, 0, 100, 4) + rect(0, 30, 100, 20),
    tight=rect(0, 0, 100, 20) + rect(0, 22, 100, 20),
    hair=rect(0, 0, 100, 20) + rect(0, 20.2, 100, 20),
    hole=frame(0, 0, 60, 2),
    near=rect(0, 0, 100, 20, RED) + rect(0, 40, 100, 20, BLUE),
    many="".join(frame(30 * (k % 8), 30 * (k // 8), 28, 14) for k in range(48)),
    wide=rect(0, 0, 100, 30),
    corner=rect(0, 0, 40, 40) + rect(40, 40, 40, 40),
    sliver=rect(0, 0, 40, 20) + rect(0, 20.1, 40, 20) + rect(60, 0, 40, 45),
)
TOOLS = Tools(SOURCES, CATALOGUE)


def found(job: Job, code: str):
    seen = look(job, SOURCES)
    finding = next(finding for finding in seen.findings if finding.code == code)
    return seen, finding


def offered(job: Job, code: str):
    seen, finding = found(job, code)
    return seen, {remedy.code.split(":")[0]: remedy for remedy in remedies_for(seen, finding, TOOLS)}


def count(seen: Look, code: str) -> int:
    return sum(1 + finding.more for finding in seen.findings if finding.code == code)


CASES = {
    "thin stroke": (job_of(artwork(110.0, "thin")), "stroke-thin", {"grow", "embolden", "drop"}),
    "tight web": (job_of(artwork(120.0, "tight")), "web-thin", {"grow", "thin", "drop"}),
    "close letters": (job_of(words("HHH", 400.0, letter_gap=-25.0)), "web-thin", {"letter-gap"}),
    "shapes that touch": (job_of(artwork(300.0, "corner")), "contact", {"fill", "open", "ignore"}),
    "sliver": (job_of(artwork(300.0, "sliver")), "web-thin", {"mend-spots", "drop"}),
    "low letters": (job_of(words("moon", 44.0, sized_by="cap")), "letter-low", {"grow", "capitals"}),
    "small hole": (job_of(artwork(70.0, "hole")), "part-small", {"bridge", "leave-out"}),
    "many pieces": (job_of(artwork(500.0, "many"), surface="glass"), "many-pieces", {"bridge-smallest", "bridge-all"}),
    "must bridge": (
        job_of(artwork(300.0, "many"), surface="wood-sealed", material="plastic"),
        "must-bridge",
        {"bridge-all"},
    ),
    "off the blank": (job_of(artwork(300.0, "wide", x=200)), "off-blank", {"shift", "runs-off"}),
    "over the margin": (job_of(artwork(580.0, "wide")), "off-margin", {"shrink"}),
    "colours close": (job_of(artwork(50.0, "near")), "colour-gap", {"cover"}),
    "dauber will do": (job_of(artwork(80.0, "near")), "colour-gap", {"cover", "dauber"}),
    "alike": (
        job_of(artwork(200.0, "near"), blank=Blank(600, 400, colour="#a21212")),
        "colours-alike",
        {"recolour", "base-coat"},
    ),
    "white on white": (
        job_of(artwork(200.0, "near"), surface="glass", blank=Blank(600, 400, colour="#a8c8d2")),
        "mask-alike",
        {"material"},
    ),
}


@pytest.mark.parametrize("name", CASES)
def test_what_is_offered_helps_and_harms_nothing(name: str) -> None:
    job, code, expected = CASES[name]
    seen, remedies = offered(job, code)

    assert expected <= set(remedies)
    for remedy in remedies.values():
        after = look(remedy.job, SOURCES)
        assert count(after, code) < count(seen, code)
        stops = [sum(f.severity == "stop" for f in one.findings) for one in (seen, after)]
        assert stops[1] <= stops[0]
        assert remedy.label
        assert remedy.consequence


def test_growing_goes_no_further_than_it_must() -> None:
    """A bar of 4.4 wants 6 on coir: 110 wide times 6 / 4.4."""
    _, remedies = offered(*CASES["thin stroke"][:2])

    assert remedies["grow"].job.elements[0].width == pytest.approx(150, abs=0.3)
    assert "150.1 mm" in remedies["grow"].label or "150 mm" in remedies["grow"].label


def test_thickening_adds_what_is_missing() -> None:
    _, remedies = offered(*CASES["thin stroke"][:2])

    assert remedies["embolden"].job.elements[0].embolden == pytest.approx(1.6, abs=0.11)


def test_letters_are_set_apart_by_what_is_missing() -> None:
    job, code, _ = CASES["close letters"]
    _, finding = found(job, code)
    _, remedies = offered(job, code)

    apart = remedies["letter-gap"].job.elements[0].setting.letter_gap - (-25.0)
    assert apart == pytest.approx(finding.limit - finding.measured, abs=0.1)


def test_a_dauber_is_not_offered_where_it_would_not_do() -> None:
    _, remedies = offered(*CASES["colours close"][:2])

    assert "dauber" not in remedies


def test_a_design_that_cannot_grow_is_not_told_to() -> None:
    """At 500 a web of 1 wants four times as much, which no mat of 600 has."""
    _, remedies = offered(job_of(artwork(500.0, "hair")), "web-thin")

    assert "grow" not in remedies


def test_other_faces_are_offered_for_words_that_do_not_hold() -> None:
    job = job_of(words("Boats", 380.0, face="cutive-mono"))
    seen, finding = found(job, "stroke-thin")

    faces = [remedy for remedy in remedies_for(seen, finding, TOOLS) if remedy.code.startswith("face:")]

    assert 1 <= len(faces) <= 2
    for remedy in faces:
        assert count(look(remedy.job, SOURCES), "stroke-thin") < count(seen, "stroke-thin")


def test_a_frame_is_never_what_is_changed() -> None:
    job = job_of(words("HI", 300.0), Frame(id=2, thickness=2.0))
    _, remedies = offered(job, "stroke-thin")

    assert all(remedy.job.elements[1] == job.elements[1] for remedy in remedies.values())


def test_a_remedy_is_found_again_by_its_code_and_not_when_it_no_longer_helps() -> None:
    job, code, _ = CASES["thin stroke"]
    seen, finding = found(job, code)

    again = remedy_of(seen, finding_of(seen, key_of(finding), CATALOGUE), "embolden", TOOLS)

    assert again.job.elements[0].embolden > 0
    with pytest.raises(NoSuchThing, match="no longer helps"):
        remedy_of(seen, finding, "wish", TOOLS)
    with pytest.raises(NoSuchThing, match="no longer a problem"):
        finding_of(look(again.job, SOURCES), key_of(finding), CATALOGUE)


def test_lengths_in_remedies_are_in_the_makers_unit() -> None:
    job, code, _ = CASES["thin stroke"]
    seen, finding = found(job, code)

    labels = [remedy.label for remedy in remedies_for(seen, finding, Tools(SOURCES, CATALOGUE, "in"))]

    assert any("5 29/32 in" in label for label in labels)


# --- weak places ----------------------------------------------------------------------------------
WEAK = files(
    channel='<path fill-rule="evenodd" d="M0 0H100V60H0z M10 10H40V29H60V10H90V50H60V31H40V50H10z"/>',
    slot='<path d="M0 0H40V40H42V0H82V80H0z"/>',
)


def weak_places_of(job):
    return list(weak_findings(look(job, WEAK), CATALOGUE))


def test_of_very_many_weak_places_the_worst_few_are_listed_and_all_are_shown() -> None:
    """Thirty gaps of 1 mm to 2.45 mm between bars; coir wants 4."""
    gaps = [1 + k / 20 for k in range(30)]
    lefts = [0.0, *(10 * (k + 1) + sum(gaps[: k + 1]) for k in range(30))]
    wide = lefts[-1] + 10
    comb = files(comb="".join(rect(left, 0, 10, 40) for left in lefts))

    found = weak_findings(look(job_of(artwork(wide, "comb")), comb), CATALOGUE)

    assert len(found) == 30
    told = sorted((one.finding for one in found if one.listed), key=lambda finding: finding.measured)
    assert [finding.measured for finding in told] == pytest.approx([1.0, 1.05, 1.1], abs=0.03)
    assert [finding.more for finding in told] == [27, 0, 0]
    assert "27 more places like it" in told[0].message()


def mendings(job, kind: str):
    seen = look(job, WEAK)
    finding = next(weak.finding for weak in weak_findings(seen, CATALOGUE) if weak.finding.code == kind)
    return {one.code: one for one in remedies_for(seen, finding, Tools(WEAK, CATALOGUE))}


def test_a_neck_is_opened_where_it_is_and_the_rest_stays() -> None:
    """At 200 wide the channel is 4 mm, at 150 it is 3, where coir wants 4."""
    job = job_of(artwork(150.0, "channel"))
    found = mendings(job, "neck")

    opened = found["widen"].job
    (neck,) = weak_places_of(opened)
    assert neck.place.width == pytest.approx(4, abs=0.05)
    assert neck.finding.severity == "note"
    before, after = look(job, WEAK).painted, look(opened, WEAK).painted
    # 30 mm long, 1 mm wider, and round ends.
    assert before.region.area - after.region.area == pytest.approx(30, abs=8)
    assert after.bbox == before.bbox


def test_or_all_strokes_are_made_thinner_by_what_is_missing() -> None:
    thin = mendings(job_of(artwork(150.0, "channel")), "neck")["thin"]

    assert thin.job.elements[0].embolden == pytest.approx(-1.05, abs=0.051)


def test_a_tongue_is_tied_at_its_tip() -> None:
    job = job_of(artwork(120.0, "slot"))
    tied = mendings(job, "tongue")["tie"].job

    assert weak_places_of(tied) == []
    # It stays tied when the design grows with it.
    (element,) = tied.elements
    assert weak_places_of(altered(tied, elements=(replace(element, width=125.0),))) == []


def test_a_mended_place_grows_with_its_design() -> None:
    opened = mendings(job_of(artwork(150.0, "channel")), "neck")["widen"].job
    (element,) = opened.elements

    (neck,) = weak_places_of(altered(opened, elements=(resized(element, 1.2),)))
    assert neck.place.width == pytest.approx(4.8, abs=0.06)


def test_a_reverse_mask_gets_its_base_coat_with_one_click() -> None:
    seen = look(job_of(artwork(400.0, "channel"), reverse=True), WEAK)
    finding = next(finding for finding in seen.findings if finding.code == "base-missing")

    codes = [one.code for one in remedies_for(seen, finding, Tools(WEAK, CATALOGUE))]
    assert codes == ["base-everywhere", "base-under"]


def test_colours_too_close_may_have_a_mask_each() -> None:
    pair = files(pair=rect(0, 0, 40, 60, 'fill="#c62828"') + rect(45, 0, 40, 60, 'fill="#1d2f55"'))
    seen = look(job_of(artwork(85.0, "pair")), pair)
    finding = next(finding for finding in seen.findings if finding.code == "colour-gap")

    assert "masks-each" in [one.code for one in remedies_for(seen, finding, Tools(pair, CATALOGUE))]


def test_contacts_that_are_meant_are_told_again_when_there_are_more() -> None:
    job, code, _ = CASES["shapes that touch"]
    _, remedies = offered(job, code)
    meant = remedies["ignore"].job

    more = altered(meant, elements=(*meant.elements, artwork(90.0, "corner", number=2, x=-230, y=-140)))

    assert count(look(meant, SOURCES), code) == 0
    assert count(look(more, SOURCES), code) == 2 * meant.design.contacts_meant
