"""The room of the station Weed: its kinds of task, its kinds of finding, its verdict."""
