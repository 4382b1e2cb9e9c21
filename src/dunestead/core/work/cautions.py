"""What can hurt, said where the step is. Product labels, local codes and licensed practice go first."""

__all__ = ["CAUTIONS", "LABEL_FIRST"]

LABEL_FIRST = "Rules of thumb: product labels, local codes and licensed practice go first."

CAUTIONS = {
    "spray": (
        "Spray only outdoors or with strong ventilation. Wear a respirator suited to the product, gloves and eye "
        "protection; keep flames and sparks away. Follow the label, and local rules for cans and rags."
    ),
    "fumes": "Ventilate well and wear gloves. Follow the label, and local rules for rags and leftovers.",
    "iron": (
        "Hot plates burn: never leave one alone. Synthetic backs and rubber soften and give off fumes: stop if it "
        "smells."
    ),
    "knife": "Blades and weeding hooks are sharp: work away from the hand that holds.",
    "pins": "Count pins out and back in. None may stay where a child or a bare foot can find it.",
    "spray-tack": "Use spray tack outdoors and away from flames, with gloves and eye protection.",
    "wet-mat": "Wet mats are slippery.",
    "hot-air": (
        "Hot air burns and is loud: wear a heat-proof glove and ear protection, and have nothing behind it that melts."
    ),
    "old-paint": "Dust of old paint may hold lead: do not sand it dry, and wear a mask that filters dust.",
    "synthetic": "A rubber or plastic back softens and gives off fumes under heat: stop if it smells.",
    "food": "Do not use it on a surface that touches food or lips.",
}
