"""Plain geometry under the trade's rules: curves, rings, strokes, regions."""
