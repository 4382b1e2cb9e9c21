"""From a picture of a drawing to its outlines: straightened, evened, inked, traced."""
