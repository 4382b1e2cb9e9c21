"""The workshop at work: a front that listens, and workers that reckon.

The front alone listens, knows who is signed in and owns what goes on between requests (cutters, searches, backups).
What is reckoned about jobs is done by workers, each a process that can be stopped and has only so much memory.
"""
