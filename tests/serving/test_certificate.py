"""A workshop proves itself by the maker's own certificate or by one it made."""

import ipaddress
import stat
from datetime import UTC, datetime, timedelta
from pathlib import Path

import pytest
from cryptography import x509

from dunestead.core.errors import BadInput
from dunestead.serving import certificate
from dunestead.serving.certificate import given_certificate, own_certificate


def read(path: Path) -> x509.Certificate:
    return x509.load_pem_x509_certificate(path.read_bytes())


def test_it_is_good_for_the_names_of_the_workshop_and_for_no_longer_than_browsers_take(tmp_path: Path) -> None:
    made = read(own_certificate(tmp_path, ["192.168.7.20", "marram.local"]).certificate)

    names = made.extensions.get_extension_for_class(x509.SubjectAlternativeName).value
    assert names.get_values_for_type(x509.DNSName) == ["localhost", "marram.local"]
    assert ipaddress.ip_address("192.168.7.20") in names.get_values_for_type(x509.IPAddress)
    assert made.not_valid_after_utc - made.not_valid_before_utc <= timedelta(days=398)
    assert made.not_valid_before_utc < datetime.now(UTC) < made.not_valid_after_utc


def test_its_key_is_for_nobody_elses_eyes(tmp_path: Path) -> None:
    key = own_certificate(tmp_path, []).key

    assert stat.S_IMODE(key.stat().st_mode) == 0o600


def test_it_stays_the_same_so_that_devices_know_it_again(tmp_path: Path) -> None:
    first = own_certificate(tmp_path, ["marram.local"]).fingerprint

    assert own_certificate(tmp_path, ["marram.local"]).fingerprint == first
    assert own_certificate(tmp_path, ["row.local"]).fingerprint != first


def test_one_that_ends_soon_or_is_damaged_is_made_anew(tmp_path: Path, monkeypatch) -> None:
    monkeypatch.setattr(certificate, "_DAYS", 20)
    soon = own_certificate(tmp_path, []).fingerprint
    monkeypatch.undo()

    anew = own_certificate(tmp_path, [])
    assert anew.fingerprint != soon

    anew.key.write_text("nothing")
    assert own_certificate(tmp_path, []).fingerprint != anew.fingerprint or anew.key.read_text() != "nothing"


def test_the_makers_own_is_proven_before_anybody_visits(tmp_path: Path) -> None:
    one, other = own_certificate(tmp_path / "one", []), own_certificate(tmp_path / "other", [])
    both = tmp_path / "both.pem"
    both.write_bytes(one.certificate.read_bytes() + one.key.read_bytes())

    assert given_certificate(one.certificate, one.key).key == one.key
    assert given_certificate(both, None).key == both
    for certificate_file, key in ((one.certificate, other.key), (one.certificate, None), (one.key, one.key)):
        with pytest.raises(BadInput, match="no certificate with its key"):
            given_certificate(certificate_file, key)
    with pytest.raises(BadInput, match="cannot be read"):
        given_certificate(tmp_path / "none.pem", None)
