"""One place for sentences."""
