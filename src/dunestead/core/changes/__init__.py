"""Job -> Job: the changes a maker makes."""
