"""Run the command line as ``python -m dunestead``."""

from dunestead.cli import main

main()
