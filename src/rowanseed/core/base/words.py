"""Small helpers for words: names inside sentences."""

from __future__ import annotations

from enum import Enum
from typing import Self


def lower_first(name: str) -> str:
    """A name inside a sentence: “Front facing” → “front facing”."""
    return f"{name[:1].lower()}{name[1:]}"


def upper_first(words: str) -> str:
    """Words at the beginning of a sentence: “an apron has” → “An apron has”."""
    return f"{words[:1].upper()}{words[1:]}"


def with_article(words: str) -> str:
    """Words with “a” or “an” before them: “a fly zip”, “an invisible zip”."""
    return f"{'an' if words[:1].lower() in 'aeio' else 'a'} {words}"


def plural(number: int, one: str, many: str = "") -> str:
    """A counted word: 1 note, 2 notes."""
    return f"{number} {one if number == 1 else many or one + 's'}"


class Worded(Enum):
    """A closed set whose values are stable ids, with the words for each beside it: `FLY_ZIP = "fly-zip", "fly zip"`.

    Ids go into documents, forms and addresses; `words` is what a sewist reads and may be put better at any time.
    """

    words: str

    def __new__(cls, id: str, words: str = "") -> Self:
        made = object.__new__(cls)
        made._value_ = id
        made.words = words or id.replace("-", " ")
        return made
