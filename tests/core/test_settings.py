"""Test cuts: the next settings by bracketing, until it cuts cleanly."""

from datetime import date

import pytest

from dunestead.core import records
from dunestead.core.cutting.settings import advise_next, proposed, starting_settings
from dunestead.core.errors import BadInput
from dunestead.core.figures import Catalogue
from dunestead.core.records import CutSettings, Try, check_test_cut


def advice(catalogue: Catalogue, *tries: tuple[float, int, float, str], material="stencil-film", cutter="table-long"):
    made = [Try(CutSettings(force, passes, speed), answer) for force, passes, speed, answer in tries]
    return advise_next(made, catalogue.material(material), catalogue.cutter(cutter), catalogue.workshop)


def test_it_starts_from_the_table(catalogue) -> None:
    assert advice(catalogue).settings == CutSettings(120, 1, 100)


@pytest.mark.parametrize(
    ("tries", "force"),
    [
        ([(120, 1, 100, "not-through")], 138),  # 15 % more
        ([(120, 1, 100, "into-backing")], 102),  # 15 % less
        ([(120, 1, 100, "not-through"), (138, 1, 100, "not-through")], 159),  # 15 % more again
        ([(120, 1, 100, "not-through"), (138, 1, 100, "into-backing")], 128),  # the answer flipped: 7.5 % less
        ([(120, 1, 100, "into-backing"), (102, 1, 100, "not-through")], 110),  # flipped: 7.5 % more
    ],
)
def test_force_goes_up_or_down_and_the_step_is_halved_when_the_answer_flips(catalogue, tries, force) -> None:
    assert advice(catalogue, *tries).settings == CutSettings(force, 1, 100)


def test_torn_material_is_cut_at_half_the_speed_with_a_fresh_blade(catalogue) -> None:
    found = advice(catalogue, (120, 1, 100, "tears"))

    assert found.settings == CutSettings(120, 1, 50)
    assert "fresh blade" in found.why


def test_a_clean_cut_is_kept(catalogue) -> None:
    found = advice(catalogue, (120, 1, 100, "not-through"), (138, 1, 100, "clean"))

    assert found.is_found
    assert found.settings == CutSettings(138, 1, 100)


def test_at_full_force_another_pass_is_cut(catalogue) -> None:
    assert advice(catalogue, (400, 4, 50, "not-through"), material="plastic").settings == CutSettings(400, 5, 50)
    assert advice(catalogue, (390, 4, 50, "not-through"), material="plastic").settings == CutSettings(400, 4, 50)


@pytest.mark.parametrize("needed", [35.0, 90.0, 121.0, 160.0, 310.0])
def test_whatever_a_blade_needs_is_found_in_a_few_tries(catalogue, needed) -> None:
    """A blade that is through from its need on, and in the backing from 8 % above it."""
    tries: list[tuple[float, int, float, str]] = []
    for _ in range(14):
        settings = advice(catalogue, *tries).settings
        came = (
            "not-through" if settings.force < needed else "into-backing" if settings.force > 1.08 * needed else "clean"
        )
        tries.append((settings.force, settings.passes, settings.speed, came))
        if came == "clean":
            break

    assert tries[-1][-1] == "clean"


def test_a_weak_cutter_takes_more_passes_from_the_start(catalogue) -> None:
    """Card takes 300 g twice: 600 in all, which 200 g give in three passes."""
    assert starting_settings(catalogue.material("card"), catalogue.cutter("pocket")) == CutSettings(200, 3, 60)


def test_the_newest_clean_test_cut_of_this_material_on_this_cutter_is_proposed(catalogue) -> None:
    def test_cut(day: int, force: float, answer="clean", cutter="table-long") -> records.TestCut:
        tries = (Try(CutSettings(force, 1, 90), answer),)
        return records.TestCut("Film", "stencil-film", cutter, "used", date(2026, 11, day), tries)

    film, long_mat = catalogue.material("stencil-film"), catalogue.cutter("table-long")
    test_cuts = [test_cut(3, 131), test_cut(1, 90), test_cut(9, 99, "not-through"), test_cut(8, 77, cutter="pocket")]

    settings, why = proposed(test_cuts, film, long_mat)

    assert settings == CutSettings(131, 1, 90)
    assert "03 Nov 2026" in why
    assert proposed([], film, long_mat)[0] == CutSettings(120, 1, 100)


def test_a_recipe_with_impossible_settings_is_refused() -> None:
    with pytest.raises(BadInput, match="force of 0 g"):
        check_test_cut(
            records.TestCut("Film", "film", "c", "used", date(2026, 1, 1), (Try(CutSettings(0, 1, 1), "clean"),))
        )
