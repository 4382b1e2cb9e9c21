"""The room of the station Artwork: its kinds of task, its kinds of finding, its verdict."""
