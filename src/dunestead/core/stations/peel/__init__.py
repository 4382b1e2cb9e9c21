"""The room of the station Peel: its kinds of task, its kinds of finding, its verdict."""
