"""What the knife does: paths in order, time, and a check that cuts the file before the knife does."""
