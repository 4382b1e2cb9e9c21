"""The room of the station Sheets: its kinds of task, its kinds of finding, its verdict."""
