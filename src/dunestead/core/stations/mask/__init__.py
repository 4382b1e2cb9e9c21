"""The room of the station Mask: its kinds of task, its kinds of finding, its verdict."""
