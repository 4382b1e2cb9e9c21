"""Making the mask hold: where it lies, where the plate rests, where pins go."""
