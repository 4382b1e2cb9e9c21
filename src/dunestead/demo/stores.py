"""What the row has in store: enough for most of its jobs, and a few things that are short."""

from datetime import date

from dunestead.core.inventory.items import Item
from dunestead.workshop.workbench import Workbench

__all__ = ["fill_stores"]

# Each with how much there is of it: pieces, mm, ml or uses.
_ITEMS = (
    # Rolls wide enough for a mask without a seam.
    (Item("Wide roll of permanent vinyl", "roll", "vinyl-permanent", 610.0), 9_000.0),
    (Item("Wide roll of removable vinyl", "roll", "vinyl-removable", 610.0), 12_000.0),
    (Item("Kitchen roll of coated paper", "roll", "paper-coated-down", 457.0, keep_at_least=2_000.0), 14_500.0),
    (Item("Paper for shirts", "roll", "paper-coated-up", 457.0), 3_200.0),
    (Item("Stencil film", "roll", "stencil-film", 305.0), 6_000.0),
    (Item("Iron-on film", "roll", "iron-on", 305.0), 1_100.0),
    (Item("Vinyl for the long cutter", "roll", "vinyl-permanent", 305.0), 2_400.0),
    (Item("Plastic sheets", "sheets", "plastic", 305.0, 305.0), 6.0),
    (Item("Grey card", "sheets", "card", 300.0, 300.0), 8.0),
    (Item("Film left from the tote", "sheets", "stencil-film", 300.0, 280.0, is_offcut=True), 1.0),
    (Item("Outdoor acrylic, slate", "paint", "outdoor-acrylic", colour="#22313a", opened=date(2026, 4, 20)), 420.0),
    (Item("Outdoor acrylic, brick", "paint", "outdoor-acrylic", colour="#9c4a32"), 500.0),
    (Item("Rubber coating", "paint", "rubber-spray", colour="#22313a"), 250.0),
    (Item("Spray enamel, slate", "paint", "spray-enamel", colour="#22313a"), 250.0),
    (Item("Fabric spray, slate", "paint", "fabric-spray", colour="#22313a"), 400.0),
    (Item("Fabric paint, sea green", "paint", "fabric-brush", colour="#2b6a6c"), 240.0),
    (Item("Fabric paint, slate", "paint", "fabric-brush", colour="#22313a", opened=date(2026, 3, 2)), 180.0),
    (Item("Fabric paint, chalk", "paint", "fabric-brush", colour="#f3efe4"), 240.0),
    (Item("Craft acrylic, rust", "paint", "craft-acrylic", colour="#8f3d0f"), 110.0),
    (Item("Short steel pins", "pins", keep_at_least=100.0), 260.0),
    (Item("Paper tape", "tape"), 40_000.0),
    (Item("Heat-proof tape, used once", "carrier", "heat-proof"), 2.0),
    (Item("Weak transfer tape", "carrier", "transfer", keep_at_least=5.0), 12.0),
    (Item("Row mats, 600 by 400", "blank", "coir", 600.0, 400.0), 4.0),
    (Item("Long mats", "blank", "coir", 700.0, 450.0), 2.0),
    (Item("Narrow mats", "blank", "coir", 700.0, 350.0), 1.0),
    (Item("Step mats", "blank", "coir", 450.0, 350.0), 3.0),
    (Item("Shed mats", "blank", "coir", 500.0, 400.0), 2.0),
    (Item("Round mats", "blank", "coir", 600.0, 600.0), 1.0),
    (Item("Wash-house mats", "blank", "synthetic-mat", 600.0, 400.0), 2.0),
    (Item("Ferry totes", "blank", "canvas", 380.0, 420.0), 9.0),
    (Item("Swim towels", "blank", "terry", 500.0, 900.0), 4.0),
    (Item("Number plates", "blank", "glass", 150.0, 150.0), 6.0),
    (Item("Label boards", "blank", "wood-sealed", 220.0, 90.0), 12.0),
    (Item("Boathouse shirts, M", "blank", "jersey", 510.0, 720.0), 2.0),
    (Item("Kitchen towels, flat", "blank", "flat-towel", 500.0, 700.0), 9.0),
)


def fill_stores(workbench: Workbench) -> None:
    """Put all of it in store."""
    for item, left in _ITEMS:
        workbench.inventory.add(item, left)
