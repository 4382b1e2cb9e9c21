"""The room of the station Cure: its kinds of task, its kinds of finding, its verdict."""
