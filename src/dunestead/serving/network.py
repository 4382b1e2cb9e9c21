"""Where a workshop listens, under which names it answers, and who may come in."""

import errno
import socket
import time
from dataclasses import dataclass
from pathlib import Path
from typing import Any

from dunestead.core.errors import BadInput
from dunestead.serving.certificate import Certificate, given_certificate, own_certificate
from dunestead.store.places import ACCESS_FILE
from dunestead.workshop.access import Access

__all__ = ["Network", "check_free", "settings_of"]

_OWN_MACHINE = ("127.0.0.1", "localhost")


@dataclass(frozen=True, slots=True)
class Network:
    """Where a workshop listens.

    Attributes
    ----------
    host, port
        The address.
    names
        Further host names it answers under.
    certificate, key
        The maker's own certificate, PEM files.
    makes_certificate
        Whether it makes a certificate of its own.
    """

    host: str
    port: int
    names: tuple[str, ...] = ()
    certificate: Path | None = None
    key: Path | None = None
    makes_certificate: bool = False

    @property
    def is_own_machine(self) -> bool:
        """Whether only the machine itself can reach it."""
        return self.host in _OWN_MACHINE

    def others(self) -> list[str]:
        """Return the names and addresses under which other devices find it, the likeliest first."""
        if self.is_own_machine and not self.names:
            return []
        found = [_own_address() if self.host == "0.0.0.0" else self.host, socket.gethostname()]  # noqa: S104 - compared
        if self.is_own_machine:
            # Nothing but what forwards to it knows under which name it is found.
            found = []
        return [name for name in dict.fromkeys([*found, *self.names]) if name and name not in _OWN_MACHINE]

    def certificate_in(self, folder: Path) -> Certificate | None:
        """Return the certificate to listen with, None for a connection that is not encrypted.

        Parameters
        ----------
        folder
            Of the workshop's data, where one of its own is kept.

        Raises
        ------
        BadInput
            When the maker's own cannot be used.
        """
        if self.certificate:
            return given_certificate(self.certificate, self.key)
        if self.key:
            raise BadInput("A key is given without its certificate.", "Give it too, with --certificate.")
        return own_certificate(folder, self.others()) if self.makes_certificate else None


def settings_of(network: Network, folder: Path) -> dict[str, Any]:
    """Return the application's settings for a workshop that listens to the network; none on its own machine alone.

    Raises
    ------
    BadInput
        When it would be open to everybody, for no passphrase is set.
    """
    if network.is_own_machine and not network.names:
        return {}
    access = Access(folder / ACCESS_FILE, time.monotonic)
    if not network.is_own_machine and not access.is_set:
        raise BadInput(
            f"On {network.host} everybody in the network could change this workshop: it has no passphrase.",
            "Set one first: dunestead passphrase. Or leave --host out, to use it on this machine alone.",
        )
    others = network.others()
    return {
        "TRUSTED_HOSTS": [*_OWN_MACHINE, *others],
        "NETWORK_NAMES": [f"{name}:{network.port}" for name in others],
        "ACCESS": access if access.is_set else None,
    }


def _own_address() -> str | None:
    """Return this machine's address in its network; nothing is sent to find it."""
    with socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as probe:
        try:
            probe.connect(("10.255.255.255", 9))
            address: str = probe.getsockname()[0]
        except OSError:
            return None
    return address


def check_free(network: Network) -> None:
    """Raise `BadInput` when a workshop cannot listen there."""
    host, port = network.host, network.port
    if not 1 <= port <= 65535:
        raise BadInput(f"{port} is not a port.", "Give one from 1024 to 65535.")
    if ":" in host:
        raise BadInput(f"{host} is an IPv6 address, and Dunestead listens on IPv4 only.", "Use --host 127.0.0.1.")
    with socket.socket() as probe:
        probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            probe.bind((host, port))
        except socket.gaierror:
            raise BadInput(f"This machine has no address called {host}.", "Use --host 127.0.0.1.") from None
        except OSError as error:
            fix = "Use --host 127.0.0.1." if error.errno == errno.EADDRNOTAVAIL else "Give another with --port."
            raise BadInput(f"{host}:{port} cannot be used: {(error.strerror or 'in use').lower()}.", fix) from None
