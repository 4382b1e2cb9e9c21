"""From the painted region to the mask: what holds, what falls out, how it is tied."""
