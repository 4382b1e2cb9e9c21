"""The room of the station Paint: its kinds of task, its kinds of finding, its verdict."""
