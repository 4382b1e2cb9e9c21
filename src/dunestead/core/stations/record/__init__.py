"""The room of the station Record: its kinds of task, its kinds of finding, its verdict."""
