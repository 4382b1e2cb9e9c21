"""What is proposed for a blank by its surface, its use and its mask; what a maker decided stays."""

from dataclasses import replace

import pytest

from dunestead.core.changes.suiting import suited
from dunestead.core.job.job import altered
from dunestead.core.job.proposing import coatings_for, usual_coatings
from dunestead.core.painting.choice import PaintWork, rank_paints
from dunestead.core.painting.coatings import Coating
from dunestead.core.painting.stack import doubts, offers
from tests.making import CATALOGUE, job_of, words


@pytest.mark.parametrize(
    ("surface", "material", "use", "through", "stack"),
    [
        ("coir", "paper-coated-down", None, False, ["colour outdoor-acrylic"]),
        ("jersey", "paper-coated-down", None, False, ["colour fabric-brush"]),
        ("wood-raw", "vinyl-removable", None, False, ["colour craft-acrylic"]),
        ("wood-raw", "vinyl-removable", "open", False, ["colour outdoor-acrylic"]),
        ("wood-sealed", "plastic", None, False, ["edge-seal matte-medium", "colour craft-acrylic"]),
        ("flat-towel", "plastic", None, False, ["colour fabric-brush"]),
        ("concrete", "vinyl-removable", "indoor", False, ["colour craft-acrylic"]),
        ("concrete", "vinyl-removable", "sheltered", False, ["colour outdoor-acrylic", "finish masonry-sealer"]),
        ("glass", "vinyl-removable", None, False, ["colour glass-acrylic"]),
        (
            "glass",
            "vinyl-removable",
            None,
            True,
            ["colour glass-acrylic", "ground glass-acrylic", "finish plate-glaze"],
        ),
    ],
)
def test_what_is_proposed_goes_by_the_surface_its_use_and_the_mask(surface, material, use, through, stack) -> None:
    found = usual_coatings(
        CATALOGUE, CATALOGUE.surface(surface), CATALOGUE.material(material), use=use, seen_through=through
    )

    assert [f"{one.role} {one.paint}" for one in found] == stack


def test_coatings_nobody_decided_follow_and_others_stay() -> None:
    job = job_of(words("ROW", 120.0), surface="glass")
    through = altered(job, seen_through=True)

    assert suited(through, job, CATALOGUE).paint.coatings == coatings_for(through, CATALOGUE)
    own = altered(job, coatings=(Coating("colour", "spray-enamel", "#1d3a5f", 2),))
    assert suited(altered(own, seen_through=True), own, CATALOGUE).paint == own.paint
    assert suited(altered(job, coatings=own.paint.coatings), job, CATALOGUE).paint == own.paint


@pytest.mark.parametrize("lost", [{"material": "gone"}, {"surface": "gone"}])
def test_a_job_whose_row_is_no_more_can_still_be_changed_to_one_that_is(lost: dict[str, str]) -> None:
    sound = job_of(words("ROW", 120.0), surface="glass")

    assert suited(sound, altered(sound, **lost), CATALOGUE) == sound


@pytest.mark.parametrize(
    ("surface", "use", "allowed", "refused"),
    [
        ("glass", "indoor", {"glass-acrylic", "brush-enamel", "spray-enamel"}, {"chalk-paint", "outdoor-acrylic"}),
        ("concrete", "open", {"outdoor-acrylic", "masonry-paint"}, {"chalk-paint", "craft-acrylic"}),
        ("wood-raw", "indoor", {"craft-acrylic", "chalk-paint"}, {"masonry-paint", "glass-acrylic"}),
        ("wood-raw", "open", {"outdoor-acrylic", "porch-paint"}, {"craft-acrylic", "chalk-paint"}),
    ],
)
def test_a_paint_is_ruled_out_where_it_does_not_hold_or_stand_the_weather(surface, use, allowed, refused) -> None:
    work = PaintWork(CATALOGUE.surface(surface), CATALOGUE.material("vinyl-removable"), use)
    fits = {fit.paint.key: fit for fit in rank_paints(work, CATALOGUE)}

    assert allowed <= {key for key, fit in fits.items() if fit.allowed}
    assert not refused & {key for key, fit in fits.items() if fit.allowed}
    assert all(fits[key].why for key in refused)


def test_a_paint_that_is_for_indoors_says_so_outdoors() -> None:
    work = PaintWork(CATALOGUE.surface("wood-raw"), CATALOGUE.material("vinyl-removable"), "open")
    chalk = next(fit for fit in rank_paints(work, CATALOGUE) if fit.paint.key == "chalk-paint")

    assert chalk.why[0] == "On wood, raw it does not stand the weather."


def test_what_is_seen_through_without_a_ground_is_doubted_and_offered_one_of_its_own_paint() -> None:
    glass, colour = CATALOGUE.surface("glass"), Coating("colour", "spray-enamel")

    def offered(*stack: Coating, through: bool = True) -> list[tuple[str, str | None]]:
        found = offers(stack, glass, "indoor", light_on_dark=False, seen_through=through)
        return [(one.role, one.paint) for one in found if one.role != "edge-seal"]

    assert len(list(doubts([colour], glass, seen_through=True))) == 1
    assert offered(colour) == [("ground", "spray-enamel"), ("finish", "plate-glaze")]
    assert offered(colour, replace(colour, role="ground")) == [("finish", "plate-glaze")]
    assert offered(colour, through=False) == []
