"""Tasks and their graph: what is to do, what may be done now, what is waited for."""
