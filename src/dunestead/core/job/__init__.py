"""What the maker decided about a job, one entry a station, and the log of what happened."""
