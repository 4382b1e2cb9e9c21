"""One file a station: its verdict, its figures, its tasks."""
