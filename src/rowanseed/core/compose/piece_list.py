"""The booklet's list of pieces, read as it is printed."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass

from rowanseed.core.compose.printed_words import NUMBERS, ROLE_WORDS
from rowanseed.core.pattern.pieces import Role


@dataclass(frozen=True)
class ListedCut:
    count: int
    fold: bool
    role: Role


@dataclass(frozen=True)
class Listed:
    """A line of the booklet's list: “1 Front: cut 1 on fold of fabric, cut 1 interfacing”."""

    number: str
    name: str
    cuts: tuple[ListedCut, ...]


_PIECE = re.compile(
    r"\s*(?:(?P<number>\d{1,3}[a-z]?(?=[\s.):\-–])|[A-Z](?=\s*[.):\-–]\s))\s*[.):\-–]?\s+)?"
    r"(?P<name>.+?)\s*(?:[:\-–,(]\s*|\s+)?(?P<cuts>(?:\bcut\b|[x×]\s?\d+\b|\b\d+\s?[x×](?=\s|$)).*)?$",
    re.IGNORECASE,
)
"""“1 Front: cut 1 on fold”, “A – Front, 1 x fold”: the number or letter, the name, what is cut."""
_OF_CLOTH = (
    r"(?:fabric|cloth|self|main|shell|" + "|".join(word for words in ROLE_WORDS.values() for word in words) + ")"
)
_APART = re.compile(rf"[,;+&]|\band\b|\bcut\b|(?<=\w)\s+(?=\d+\s*[x×]?\s*(?:of\s+|in\s+)?{_OF_CLOTH}\b)")


def read_pieces(lines: Sequence[str]) -> tuple[Listed, ...]:
    """The booklet's list of pieces, a line each; what is cut may be missing."""
    out: list[Listed] = []
    for line in lines:
        found = _PIECE.match(line)
        if found is None or not found["name"].strip():
            continue
        name = found["name"].strip(" .:;,-–(")
        out.append(Listed(found["number"] or str(len(out) + 1), name, _cuts(found["cuts"] or "")))
    return tuple(out)


def _cuts(text: str) -> tuple[ListedCut, ...]:
    out: list[ListedCut] = []
    for part in _APART.split(text.lower()):
        part = part.strip(" .)")
        if not part:
            continue
        number = re.search(r"\d+|\b(" + "|".join(NUMBERS) + r")\b", part)
        count = (int(number[0]) if number[0].isdigit() else NUMBERS[number[0]]) if number else 0
        count *= 2 if re.search(r"\bpairs?\b", part) else 1
        role = next((r for r, words in ROLE_WORDS.items() if any(w in part for w in words)), Role.MAIN)
        before = out[-1] if out else None
        if number is None:
            # “cut 2 of fabric and interfacing”: the same again.
            if before is None or role is before.role:
                continue
            out.append(ListedCut(before.count, before.fold, role))
            continue
        out.append(ListedCut(count, "fold" in part, role))
    return tuple(out)
