"""The shipped figures: all there, within their ranges, each with unit and reason."""

import pytest

from dunestead.core.errors import UnknownKey
from dunestead.core.figures import Catalogue
from dunestead.core.job.job import fits
from dunestead.core.job.proposing import materials_for, paints_for

KEYS = {
    "surfaces": "coir synthetic-mat cotton-rug terry flat-towel jersey denim canvas leather wood-sealed wood-raw "
    "concrete glass",
    "materials": "paper-coated-down paper-coated-up stencil-film vinyl-removable vinyl-permanent iron-on card plastic",
}


@pytest.mark.parametrize("table", KEYS)
def test_every_key_of_the_trade_is_there(catalogue: Catalogue, table: str) -> None:
    assert set(getattr(catalogue, table)) == set(KEYS[table].split())


@pytest.mark.parametrize(
    ("table", "key", "name", "value", "unit"),
    [
        ("surface", "coir", "stroke", 6, "mm"),
        ("surface", "coir", "heat", 165, "C"),
        ("surface", "glass", "web", 0.8, "mm"),
        ("surface", "terry", "soak", 3.0, "times smooth"),
        ("material", "card", "least_part", 5, "mm"),
        ("material", "plastic", "force", 350, "g"),
        ("cutter", "pocket", "reach_width", 108, "mm"),
        ("paint", "rubber-spray", "cover", 4, "m2/l"),
        ("hand", "median", "place_keeper", 25, "s"),
        ("workshop", "room", "cover_spray", 300, "mm"),
        ("paint", "fabric-brush", "wash", 72 * 60, "min"),
    ],
)
def test_figures_are_those_of_the_trade(catalogue: Catalogue, table, key, name, value, unit) -> None:
    figure = catalogue.figures[table, key, name]

    assert (figure.value, figure.unit) == (value, unit)


def test_every_figure_lies_within_its_range_and_says_why(catalogue: Catalogue) -> None:
    assert len(catalogue.figures) > 200
    for figure in catalogue.figures.values():
        assert figure.low <= figure.value <= figure.high
        assert figure.why.endswith(".")


@pytest.mark.parametrize(
    ("material", "surface", "works"),
    [
        ("paper-coated-down", "coir", True),
        ("paper-coated-down", "jersey", True),
        ("paper-coated-down", "leather", False),
        ("paper-coated-down", "synthetic-mat", False),
        ("stencil-film", "leather", True),
        ("vinyl-removable", "synthetic-mat", True),
        ("iron-on", "glass", False),
        ("plastic", "coir", False),
        ("plastic", "flat-towel", True),
    ],
)
def test_a_material_works_where_it_holds_and_the_heat_is_stood(catalogue: Catalogue, material, surface, works) -> None:
    assert fits(catalogue.material(material), catalogue.surface(surface)) is works


def test_every_surface_has_a_mask_and_a_paint_to_start_with(catalogue: Catalogue) -> None:
    for surface in catalogue.surfaces.values():
        assert materials_for(catalogue, surface)
        assert paints_for(catalogue, surface)


@pytest.mark.parametrize("kind", ["surface", "material", "cutter", "press", "paint"])
def test_an_unknown_key_is_answered_with_the_known_ones(catalogue: Catalogue, kind: str) -> None:
    with pytest.raises(UnknownKey, match="moonstone") as error:
        getattr(catalogue, kind)("moonstone")

    assert "Choose one of" in error.value.fix
