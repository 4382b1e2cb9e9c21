"""How much paint, in how many coats, with what around it covered."""
