"""What can hurt, said where the step is. Product labels, local codes and licensed practice go first."""

__all__ = ["CAUTIONS", "LABEL_FIRST"]

LABEL_FIRST = "Workshop rules of thumb: the product's label, local codes and licensed practice go first."

CAUTIONS = {
    "spray": (
        "Outdoors or with strong ventilation only. Respirator suited to the product, gloves, eye protection; "
        "no flame or spark. Follow the label, and local rules for cans and rags."
    ),
    "fumes": "Ventilate well and wear gloves. Follow the label, and local rules for rags and leftovers.",
    "iron": "Hot plates burn and are never left alone. Synthetic backs and rubber soften and fume: stop if it smells.",
    "knife": "Blades and weeding hooks: cut away from the hand that holds.",
    "pins": "Count pins out and back in. None may stay in what a child or a bare foot gets.",
    "spray-tack": "Spray tack outdoors, away from flame; gloves and eye protection.",
    "wet-mat": "Wet mats are slippery.",
    "hot-air": "Hot air burns and is loud: a heat-proof glove, ear protection, nothing that melts behind it.",
    "old-paint": "Dust of old paint may hold lead: do not sand it dry, and wear a mask that filters dust.",
    "synthetic": "A rubber or plastic back softens and fumes under heat: stop if it smells.",
    "food": "Not on a surface that touches food or lips.",
}
