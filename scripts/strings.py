"""Print every sentence the program can say, with where it stands: to be read through once a release.

Run ``python -m scripts.strings``; sentences of the page come from its components, those of the workshop from the code
and the catalogue.
"""

import ast
import re
import tomllib
from collections.abc import Iterator
from pathlib import Path

ROOT = Path(__file__).parent.parent
_SENTENCE = re.compile(r"[A-Za-z]{2,}[^A-Za-z]+[A-Za-z]{2,}")
_MARKUP = re.compile(
    r">([^<>{}]*[A-Za-z]{2,}[^<>{}]*)<|(?:label|title|about|placeholder|aria-label)=\"([^\"{}]+)\"|'([A-Z][^'\n]{8,})'"
)


def of_code(path: Path) -> Iterator[tuple[int, str]]:
    """Yield the strings of a module that read like sentences, docstrings aside; of f-strings their fixed parts."""
    tree = ast.parse(path.read_text())
    docs = {
        id(node.body[0].value)
        for node in ast.walk(tree)
        if isinstance(node, (ast.Module, ast.ClassDef, ast.FunctionDef)) and node.body
        if isinstance(node.body[0], ast.Expr)
    }
    inside: set[int] = set()
    for node in ast.walk(tree):
        if isinstance(node, ast.JoinedStr):
            inside.update(id(part) for part in node.values)
            text = "".join(part.value if isinstance(part, ast.Constant) else "…" for part in node.values)
            if _SENTENCE.search(text):
                yield node.lineno, text
    for node in ast.walk(tree):
        if not isinstance(node, ast.Constant) or not isinstance(node.value, str) or id(node) in docs | inside:
            continue
        if _SENTENCE.search(node.value) and "\n" not in node.value:
            yield node.lineno, node.value


def of_table(path: Path) -> Iterator[tuple[int, str]]:
    """Yield the texts of a table of the catalogue."""

    def texts(value: object) -> Iterator[str]:
        if isinstance(value, dict):
            for each in value.values():
                yield from texts(each)
        elif isinstance(value, list):
            for each in value:
                yield from texts(each)
        elif isinstance(value, str) and _SENTENCE.search(value):
            yield value

    for text in texts(tomllib.loads(path.read_text())):
        yield 0, text


def of_page(path: Path) -> Iterator[tuple[int, str]]:
    """Yield what a component of the page says."""
    for number, line in enumerate(path.read_text().splitlines(), start=1):
        for found in _MARKUP.findall(line):
            text = next(filter(None, found)).strip()
            if _SENTENCE.search(text):
                yield number, text


def all_strings() -> Iterator[tuple[str, str]]:
    """Yield every string there is to say, each with its file and line."""
    source, page = ROOT / "src" / "dunestead", ROOT / "web" / "src"
    readers = (
        (sorted(source.rglob("*.py")), of_code),
        (sorted((source / "catalogue").glob("*.toml")), of_table),
        (sorted([*page.rglob("*.svelte"), *page.rglob("*.ts")]), of_page),
    )
    for paths, read in readers:
        for path in paths:
            if "migrations" in path.parts or path.name.endswith((".test.ts", "generated.ts")):
                continue
            for number, text in dict.fromkeys(read(path)):
                yield f"{path.relative_to(ROOT)}:{number}", text


def main() -> None:
    """Print them all."""
    for where, text in all_strings():
        print(f"{where}: {text}")


if __name__ == "__main__":
    main()
