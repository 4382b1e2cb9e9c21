"""Every sentence the program can say: short, one word for one thing, plurals right."""

import re

import pytest

from scripts.strings import all_strings

LONGEST = 25
# What one thing was called besides its word.
SECOND_WORDS = {
    r"\bplacements? of the (iron|plate)\b": "rest",
    r"\bpeel window\b": "time to peel",
    r"\bwindow (is open|opens|closes|has passed)\b": "peel from, peel before",
    r"\bhot press\b": "press",
}


def sentences() -> list[tuple[str, str]]:
    return [(where, one) for where, text in all_strings() for one in re.split(r"(?<=[.!?]) +", text)]


def test_no_sentence_has_more_words_than_are_read_in_one_go() -> None:
    assert [(where, one) for where, one in sentences() if len(one.split()) > LONGEST] == []


def test_one_of_a_thing_is_no_plural() -> None:
    assert [(where, one) for where, one in sentences() if re.search(r"\b1 [a-z]{3,}s\b(?<!ss)", one)] == []


@pytest.mark.parametrize(("second", "first"), SECOND_WORDS.items())
def test_one_thing_has_one_word(second: str, first: str) -> None:
    found = [(where, one) for where, one in sentences() if re.search(second, one, re.IGNORECASE)]

    assert found == [], f"say {first}"
