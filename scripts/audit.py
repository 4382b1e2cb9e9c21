"""Ask whether any package in the locks is known to be unsafe; without a network say so, and fail nobody's build."""

import subprocess
import sys
from collections.abc import Sequence
from pathlib import Path

AUDITOR = "pip-audit==2.10.1"
# What the tools say when whom they ask cannot be reached.
UNREACHABLE = (
    *("connectionerror", "failed to fetch", "max retries exceeded", "name or service not known", "serviceerror"),
    *(
        "timed out",
        "enotfound",
        "econnrefused",
        "eai_again",
        "etimedout",
        "network",
        "audit endpoint returned an error",
    ),
    *("dns error", "tunneling socket", "no solution found", "was not found in the package registry"),
)
PYTHON = (str(Path(sys.executable).with_name("uvx")), AUDITOR, "--requirement", "requirements.lock", "--disable-pip")
PAGE = ("npm", "audit", "--omit=dev", "--prefix", "web")


def audited(what: str, command: Sequence[str]) -> bool:
    """Ask about one lock; returns whether nothing is known against it, or nobody could be asked."""
    try:
        asked = subprocess.run(command, capture_output=True, text=True, timeout=300, check=False)
    except (OSError, subprocess.TimeoutExpired) as error:
        print(f"{what}: not asked ({error.__class__.__name__}).")
        return True
    told = f"{asked.stdout}\n{asked.stderr}"
    if asked.returncode and any(sign in told.lower() for sign in UNREACHABLE):
        print(f"{what}: not asked, for there is no network to ask over.")
        return True
    if unknown := told.count("could not be audited"):
        print(f"{what}: nobody knows anything of {unknown} of them, which is no news either way.")
    elif not asked.returncode:
        print(f"{what}: nothing is known against them.")
    if asked.returncode:
        print(told.strip())
    return not asked.returncode


def main() -> None:
    """Ask about both locks."""
    asked = [audited("Python packages", PYTHON), audited("Packages of the page", PAGE)]
    sys.exit(0 if all(asked) else 1)


if __name__ == "__main__":
    main()
