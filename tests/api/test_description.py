"""Every answer is one that the description of the API tells of, whatever is sent: no surprise, no fault of ours."""

import io
import random
import re
from typing import Any

import pytest

from dunestead.api.app import create_app
from tests.shapes import frame, svg

SPEC = create_app().spec
OPERATIONS = [
    (method, path)
    for path, entry in sorted(SPEC["paths"].items())
    for method in ("get", "post", "put", "patch", "delete")
    if method in entry
]
# So often each is asked.
TIMES = 6
# What stands where something else belongs.
ODD = [None, True, -1, 0, 1e308, 2**63, "", " ", "²", "\0", "../..", "<b>", "x" * 3000, [], [[]], {}, {"a": {}}, 1.5]


class Sender:
    """Makes requests out of the description, some as described and some that are not."""

    def __init__(self, seed: int) -> None:
        self.roll = random.Random(seed)

    def value(self, schema: dict[str, Any], depth: int = 0) -> Any:
        if self.roll.random() < 0.04:
            return self.roll.choice(ODD)
        while "$ref" in schema:
            schema = SPEC["components"]["schemas"][schema["$ref"].rsplit("/", 1)[1]]
        if "enum" in schema:
            return self.roll.choice(schema["enum"])
        if options := schema.get("anyOf") or schema.get("oneOf"):
            return self.value(self.roll.choice(options), depth)
        kind = schema.get("type", "string")
        if kind == "object":
            wanted = schema.get("required", [])
            fields = schema.get("properties", {})
            return {key: self.value(one, depth + 1) for key, one in fields.items() if key in wanted or self.few()}
        if kind == "array":
            least = schema.get("minItems", 0)
            count = least if depth > 3 else self.roll.randint(least, least + 3)
            return [self.value(schema.get("items", {}), depth + 1) for _ in range(count)]
        return self.plain(kind, schema)

    def plain(self, kind: str, schema: dict[str, Any]) -> Any:
        least = schema.get("minimum", schema.get("exclusiveMinimum", 0))
        most = schema.get("maximum", schema.get("exclusiveMaximum", least + 50))
        if kind == "integer":
            low, high = int(least), max(int(most), int(least))
            return self.roll.choice([low, high, self.roll.randint(low, high)])
        if kind == "number":
            return self.roll.choice([least, most, self.roll.uniform(least, most)])
        if kind == "boolean":
            return self.roll.random() < 0.5
        return {"null": None}.get(kind, self.roll.choice(["coir", "1", "#22313a", "paper-tape", "40", "weed/m1"]))

    def few(self) -> bool:
        return self.roll.random() < 0.3

    def send(self, client, method: str, path: str, tag: str):
        operation = SPEC["paths"][path][method]
        address = re.sub(r"\{(\w+)\}", lambda name: self.part(name[1]), path)
        query = {
            one["name"]: str(self.value(one["schema"]))
            for one in operation.get("parameters", [])
            if one["in"] == "query" and self.few()
        }
        more: dict[str, Any] = {"headers": {"If-Match": tag} if self.roll.random() < 0.9 else {}}
        content = operation.get("requestBody", {}).get("content", {})
        if described := content.get("application/json"):
            more["json"] = self.value(described["schema"])
        elif described := content.get("multipart/form-data"):
            more["data"], more["content_type"] = self.form(described["schema"]["properties"]), "multipart/form-data"
        if self.roll.random() < 0.03:
            more = {"data": b"\xff{", "content_type": self.roll.choice(["application/json", "text/csv", "x"])}
        return client.open(address, method=method.upper(), query_string=query, **more)

    def part(self, name: str) -> str:
        if self.roll.random() < 0.1:
            return self.roll.choice(["0", "999999", "2" * 40, "x", "%00", "%2e%2e", "a4", "letter"])
        if name in ("kind", "paper", "act"):
            return self.roll.choice(["svg", "dxf", "pdf", "a4", "letter", "start", "cutters", "paints"])
        return self.roll.choice(["blank", "paint"]) if name in ("code", "key", "face") else "1"

    def form(self, fields: dict[str, Any]) -> dict[str, Any]:
        files = [b"", b"nothing", svg(frame(0, 0, 60, 20)), b"{}", b"PK\x03\x04", b"\x89PNG\r\n\x1a\n"]
        return {
            name: (io.BytesIO(self.roll.choice(files)), "gull.svg")
            if one.get("format") == "binary"
            else str(self.value(one))
            for name, one in fields.items()
            if self.roll.random() < 0.6
        }


def check(answer, method: str, path: str) -> None:
    described = SPEC["paths"][path][method]["responses"]
    asked = f"{method} {answer.request.full_path}"
    assert answer.status_code < 500, f"{asked}: {answer.text[:300]}"
    if answer.status_code == 405:
        # It led to another address than the one meant.
        return
    assert str(answer.status_code) in described, f"{asked} answers {answer.status_code}: {answer.text[:300]}"
    told = described[str(answer.status_code)]
    if "$ref" in told:
        told = SPEC["components"]["responses"][told["$ref"].rsplit("/", 1)[1]]
        assert set(answer.get_json()) >= {"title", "fix", "code"}
    if told.get("content"):
        assert answer.mimetype in told["content"], f"{asked} answers {answer.mimetype}"


@pytest.mark.parametrize(("method", "path"), OPERATIONS)
def test_whatever_is_sent_the_answer_is_described(client, method: str, path: str) -> None:
    drawing = {"artwork": (io.BytesIO(svg(frame(0, 0, 60, 20))), "ring.svg")}
    client.post("/api/jobs", data=drawing)
    sender = Sender(seed=sum(f"{method}{path}".encode()))

    for _ in range(TIMES):
        tag = client.get("/api/jobs/1/head").headers.get("ETag", '"v1"')
        answer = sender.send(client, method, path, tag)
        check(answer, method, path)
        answer.close()


@pytest.mark.parametrize("method", ["PUT", "PATCH", "DELETE", "TRACE", "PROPFIND"])
def test_a_method_that_an_address_does_not_take_is_told_as_a_problem(client, method: str) -> None:
    answer = client.open("/api/guide", method=method)

    assert (answer.status_code, answer.mimetype) == (405, "application/problem+json")
    assert answer.get_json()["fix"]


def test_every_operation_is_described_with_its_failures() -> None:
    for method, path in OPERATIONS:
        operation = SPEC["paths"][path][method]

        assert operation.get("summary"), path
        assert {"400", "401", "404", "422", "503"} <= set(operation["responses"]), path
        assert [code for code in operation["responses"] if code.startswith("2")], path
