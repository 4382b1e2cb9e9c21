"""The room of the station Tack: its kinds of task, its kinds of finding, its verdict."""
