"""Who may come in from the network: whoever knows the workshop's passphrase, or was handed a key that works once."""

import json
import secrets
from collections.abc import Callable
from pathlib import Path
from threading import Lock

from argon2 import PasswordHasher
from argon2.exceptions import InvalidHashError, VerifyMismatchError

from dunestead.core.errors import BadInput
from dunestead.store.places import write_private

__all__ = ["KEY_MINUTES", "LEAST_LETTERS", "Access"]

LEAST_LETTERS = 10
_MOST_LETTERS = 500
KEY_MINUTES = 5
_MOST_KEYS = 20


class Access:
    """The passphrase of a workshop, as a hash in a file that only its owner may read.

    Parameters
    ----------
    path
        The file; without it no passphrase is set.
    steady
        Seconds that only go forward, for keys that run out.

    Notes
    -----
    Hashed with Argon2id by the parameters that argon2-cffi recommends (RFC 9106, low memory). A guess takes as long as
    the right passphrase does, and as long where none is set.
    """

    def __init__(self, path: Path, steady: Callable[[], float]) -> None:
        self._path = path
        self._steady = steady
        self._hasher = PasswordHasher()
        self._nobodys = self._hasher.hash(secrets.token_hex())
        self._keys: dict[str, float] = {}
        self._lock = Lock()

    @property
    def is_set(self) -> bool:
        """Whether there is a passphrase."""
        return "hash" in self._read()

    @property
    def secret(self) -> str:
        """What sessions are signed with: another one ends them all."""
        known = self._read()
        if "secret" not in known:
            known = {**known, "secret": secrets.token_hex(32)}
            self._write(known)
        return str(known["secret"])

    def choose(self, passphrase: str) -> None:
        """Set the passphrase; whoever is signed in is signed out.

        Raises
        ------
        BadInput
            When it is too short to keep anybody out, or longer than any is.
        """
        if not LEAST_LETTERS <= len(passphrase.strip()) <= _MOST_LETTERS:
            raise BadInput(
                f"A passphrase has {LEAST_LETTERS} to {_MOST_LETTERS} letters.",
                "Take three or four words that are no saying.",
            )
        self._write({"hash": self._hasher.hash(passphrase), "secret": secrets.token_hex(32)})

    def opens(self, passphrase: str) -> bool:
        """Say whether this is the passphrase."""
        kept = self._read().get("hash")
        try:
            return self._hasher.verify(kept or self._nobodys, passphrase[:_MOST_LETTERS]) and kept is not None
        except (VerifyMismatchError, InvalidHashError):
            return False

    def sign_all_out(self) -> str:
        """End all sessions and keys; returns what new ones are signed with."""
        with self._lock:
            self._keys.clear()
        self._write({**self._read(), "secret": secrets.token_hex(32)})
        return self.secret

    def make_key(self) -> str:
        """Return a key that opens once, within a few minutes."""
        with self._lock:
            now = self._steady()
            self._keys = {key: ends for key, ends in self._keys.items() if ends > now}
            if len(self._keys) >= _MOST_KEYS:
                self._keys.pop(min(self._keys, key=lambda key: self._keys[key]))
            key = secrets.token_urlsafe(24)
            self._keys[key] = now + KEY_MINUTES * 60
            return key

    def takes_key(self, key: str) -> bool:
        """Say whether a key opens; it does not open again."""
        with self._lock:
            ends = self._keys.pop(key, None)
            return ends is not None and ends > self._steady()

    def _read(self) -> dict[str, str]:
        try:
            known = json.loads(self._path.read_text())
        except (OSError, ValueError):
            return {}
        return known if isinstance(known, dict) else {}

    def _write(self, known: dict[str, str]) -> None:
        write_private(self._path, json.dumps(known).encode())
