"""The server itself, in a process of its own: encrypted, half-sent requests, an end in order."""

import json
import socket
import ssl
import subprocess
import sys
import time
import urllib.request
from collections.abc import Iterator
from pathlib import Path

import pytest

HALF = (
    b"POST /api/jobs HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: multipart/form-data\r\nContent-Length: 900\r\n\r\n--"
)


def free_port() -> int:
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        port: int = probe.getsockname()[1]
        return port


class Served:
    """A workshop in a process of its own."""

    def __init__(self, data: Path, *more: str) -> None:
        self.port, self.data = free_port(), data
        command = [sys.executable, "-m", "dunestead", "serve", "--port", str(self.port), "--data", str(data), *more]
        self.process = subprocess.Popen(command, stdout=subprocess.PIPE, text=True)
        self.scheme = "https" if "--make-certificate" in more else "http"
        self.told = self.process.stdout.readline()
        if self.scheme == "https":
            self.told += self.process.stdout.readline()
        self.trust = ssl.create_default_context(cafile=data / "own-certificate.pem") if "https" in self.told else None
        self.until_it_answers()

    def until_it_answers(self) -> None:
        for _ in range(200):
            try:
                self.ask("/api/health").close()
            except OSError:
                time.sleep(0.1)
            else:
                return
        raise AssertionError("it does not answer")

    def ask(self, path: str, method: str = "GET", **headers: str):
        request = urllib.request.Request(f"{self.scheme}://127.0.0.1:{self.port}{path}", method=method, headers=headers)
        return urllib.request.urlopen(request, timeout=20, context=self.trust)

    def end(self) -> int:
        self.process.terminate()
        self.process.stdout.close()
        return self.process.wait(20)


@pytest.fixture(scope="module")
def served(tmp_path_factory) -> Iterator[Served]:
    found = Served(tmp_path_factory.mktemp("plain"))
    yield found
    found.end()


def test_half_sent_requests_keep_nobody_waiting(served: Served) -> None:
    held = []
    for _ in range(200):
        connection = socket.create_connection(("127.0.0.1", served.port))
        connection.sendall(HALF)
        held.append(connection)

    for _ in range(20):
        with served.ask("/api/jobs") as answer:
            assert json.load(answer)["jobs"] == []
    for connection in held:
        connection.close()


def test_a_file_far_too_large_is_told_and_not_kept_in_memory(served: Served) -> None:
    head = f"POST /api/jobs HTTP/1.1\r\nHost: 127.0.0.1:{served.port}\r\nContent-Length: 300000000\r\n"
    with socket.create_connection(("127.0.0.1", served.port), timeout=60) as connection:
        connection.sendall(f"{head}Content-Type: multipart/form-data; boundary=x\r\n\r\n".encode())
        for _ in range(300):
            connection.sendall(b"0" * 1_000_000)
        answer = connection.recv(100_000).decode()

    assert answer.startswith("HTTP/1.1 413")
    assert "application/problem+json" in answer
    peak = next(line for line in Path(f"/proc/{served.process.pid}/status").read_text().splitlines() if "VmHWM" in line)
    assert int(peak.split()[1]) < 400_000


def test_an_answer_without_a_body_arrives(served: Served) -> None:
    with served.ask("/api/health", "HEAD") as answer:
        assert (answer.status, answer.read()) == (200, b"")


def test_it_ends_in_order_and_leaves_nothing_of_its_work_behind(tmp_path: Path) -> None:
    found = Served(tmp_path)
    with found.ask("/api/jobs") as answer:
        assert answer.status == 200

    assert found.end() == 0
    assert not (tmp_path / "at-hand").exists()


def test_a_connection_is_encrypted_by_a_certificate_of_its_own(tmp_path: Path) -> None:
    found = Served(tmp_path, "--make-certificate")
    try:
        assert "https://127.0.0.1" in found.told
        assert "fingerprint" in found.told
        with found.ask("/api/health") as answer:
            assert answer.status == 200
        with pytest.raises(OSError, match=r"(?i)certificate.verify.failed"):
            urllib.request.urlopen(f"https://127.0.0.1:{found.port}/api/health", timeout=5)
    finally:
        found.end()
