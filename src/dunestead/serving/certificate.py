"""The certificate by which a workshop proves itself to the devices that visit it: the maker's own, or one it makes."""

import ipaddress
import ssl
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from pathlib import Path

from cryptography import x509
from cryptography.hazmat.primitives import hashes, serialization
from cryptography.hazmat.primitives.asymmetric import ec
from cryptography.x509.oid import ExtendedKeyUsageOID, NameOID

from dunestead.core.errors import BadInput
from dunestead.store.places import write_private

__all__ = ["Certificate", "given_certificate", "own_certificate"]

# Browsers refuse certificates that are good for longer than 398 days.
_DAYS = 397
# One that ends sooner is made anew.
_LEFT_DAYS = 30


@dataclass(frozen=True, slots=True)
class Certificate:
    """A certificate and its key, as PEM files."""

    certificate: Path
    key: Path

    @property
    def fingerprint(self) -> str:
        """Its SHA-256 fingerprint, as browsers show it."""
        digest = x509.load_pem_x509_certificate(self.certificate.read_bytes()).fingerprint(hashes.SHA256())
        return digest.hex(":").upper()


def given_certificate(certificate: Path, key: Path | None) -> Certificate:
    """Return a maker's own certificate, proven usable.

    Parameters
    ----------
    certificate
        A PEM file, the chain up to its issuer included.
    key
        Its key; in the same file when None.

    Raises
    ------
    BadInput
        When they cannot be read or do not belong together.
    """
    found = Certificate(certificate, key or certificate)
    try:
        # Without an answer to the question for a passphrase, for nobody sits there to give one.
        ssl.create_default_context(ssl.Purpose.CLIENT_AUTH).load_cert_chain(found.certificate, found.key, password=b"")
    except ssl.SSLError as error:
        raise BadInput(
            f"{certificate.name} is no certificate with its key ({error.reason or 'unreadable'}).",
            "Give PEM files that belong together, the key without a passphrase: --certificate and --key.",
        ) from None
    except OSError as error:
        raise BadInput(
            f"The certificate cannot be read: {error.strerror}.", "Give its files with --certificate and --key."
        ) from None
    return found


def own_certificate(folder: Path, names: Sequence[str]) -> Certificate:
    """Return a certificate that the workshop made for itself; another is made when it ends soon or names have changed.

    Parameters
    ----------
    folder
        Where it is kept.
    names
        Host names and addresses under which the workshop is found.
    """
    found = Certificate(folder / "own-certificate.pem", folder / "own-key.pem")
    if not _still_good(found, names):
        _make(found, names)
    return found


def _still_good(found: Certificate, names: Sequence[str]) -> bool:
    try:
        known = x509.load_pem_x509_certificate(found.certificate.read_bytes())
        given_certificate(found.certificate, found.key)
    except (OSError, ValueError, BadInput):
        return False
    alternatives = known.extensions.get_extension_for_class(x509.SubjectAlternativeName).value
    ends = known.not_valid_after_utc - timedelta(days=_LEFT_DAYS)
    return list(alternatives) == _alternatives(names) and datetime.now(UTC) < ends


def _make(found: Certificate, names: Sequence[str]) -> None:
    key = ec.generate_private_key(ec.SECP256R1())
    name = x509.Name([x509.NameAttribute(NameOID.COMMON_NAME, "Dunestead, this workshop")])
    now = datetime.now(UTC)
    made = (
        x509.CertificateBuilder()
        .subject_name(name)
        .issuer_name(name)
        .public_key(key.public_key())
        .serial_number(x509.random_serial_number())
        .not_valid_before(now - timedelta(days=1))
        .not_valid_after(now + timedelta(days=_DAYS - 1))
        .add_extension(x509.SubjectAlternativeName(_alternatives(names)), critical=False)
        .add_extension(x509.BasicConstraints(ca=False, path_length=None), critical=True)
        .add_extension(x509.ExtendedKeyUsage([ExtendedKeyUsageOID.SERVER_AUTH]), critical=False)
        .sign(key, hashes.SHA256())
    )
    secret = key.private_bytes(
        serialization.Encoding.PEM, serialization.PrivateFormat.PKCS8, serialization.NoEncryption()
    )
    write_private(found.key, secret)
    write_private(found.certificate, made.public_bytes(serialization.Encoding.PEM))


def _alternatives(names: Sequence[str]) -> list[x509.GeneralName]:
    found: list[x509.GeneralName] = []
    for name in dict.fromkeys(["localhost", "127.0.0.1", *names]):
        try:
            found.append(x509.IPAddress(ipaddress.ip_address(name)))
        except ValueError:
            found.append(x509.DNSName(name))
    return found
