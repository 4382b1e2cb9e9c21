"""The room of the station Blank: its kinds of task, its kinds of finding, its verdict."""
