"""Notions as an envelope prints them: how many, what, and of which size."""

from __future__ import annotations

import re

from rowanseed.core.compose.printed_words import NUMBERS, ROLE_WORDS
from rowanseed.core.pattern.envelope import PrintedNotion

_LENGTH = (
    r"(?:(?:\d+/\d+|\d+(?:[.,]\d+)?(?:\s+\d+/\d+)?)(?:\s?[¼½¾⅛⅜⅝⅞])?|[¼½¾⅛⅜⅝⅞])"
    r"\s*(?:mm|cm|m|inches|inch|in|yards|yard|yds|yd|\"|″|”)(?![a-z])\.?"
)
PACKET = re.compile(r"^\s*(?:pkgs?|packages?|packets?|packs?)\b\.?(?:\s*of\b)?", re.IGNORECASE)
"""What small things are sold in: it says how they come, not what they are."""
HEAD = re.compile(r"^\s*(?:suggested\s+)?notions?\s*[:\-–]\s*", re.IGNORECASE)
LONGEST = 4000
"""No line is read further, in letters."""
A_LIST = 3
"""A line without a heading that names so many things is a list of them."""
_SIZE_WORDS = {"wide", "long", "or", "each", "apart", "size", "optional", "diameter", "of"}
CLOTH_WORDS = {"of", "x", "fabric", "cloth", "wide", "woven", "nonwoven", "non-woven", "iron-on", "sew-in", "sheer"}
CLOTH_WORDS |= {
    word for weight in ("light", "medium", "heavy") for word in (weight, f"{weight}weight", f"{weight}-weight")
}


def notion_lines(text: str) -> list[str]:
    """The notions of a text, one a line: a paragraph as envelopes print it is taken apart at its commas."""
    out: list[str] = []
    for line in (one[:LONGEST] for one in text.splitlines()):
        rest, headed = HEAD.subn("", line)
        parts = [part.strip(" .") for part in re.split(r"\s*;\s*|,\s+", rest)]
        named: list[str] = []
        for part in parts:
            if named and _says_a_size(part):
                named[-1] = f"{named[-1]}, {part}"
            elif part:
                named.append(part)
        out += named if headed or ";" in rest or len(named) >= A_LIST else [rest.strip()] * bool(rest.strip())
    return out


def _says_a_size(part: str) -> bool:
    """Whether what stands between commas is the size of what stands before it."""
    words = re.findall(r"[a-z]+", re.sub(_LENGTH, " ", part.lower(), flags=re.IGNORECASE))
    return set(words) <= _SIZE_WORDS


def read_notion(line: str) -> PrintedNotion:
    """A notion as it is printed: how many, what, and its size: “5 buttons, 15 mm”, “invisible zip, 56 cm”."""
    text = re.sub(r"\s+", " ", line.strip(" .;"))
    lengths = re.findall(_LENGTH, text, re.IGNORECASE)
    rest = text
    for length in lengths:
        rest = rest.replace(length, " ")
    count = 1
    found = re.match(r"\s*(?:(\d+)|(" + "|".join(NUMBERS) + r"))\s*(?:x|×)?\s+(.*)$", rest, re.IGNORECASE)
    after = re.search(r"\((\d+)\)\s*$", rest)
    if after:
        count, rest = int(after[1]), rest[: after.start()]
    elif found:
        count = int(found[1]) if found[1] else NUMBERS[found[2].lower()]
        rest = found[3]
    elif last := re.match(r"(.*[a-z])[\s:]+(\d+)\s*$", rest, re.IGNORECASE):
        count, rest = int(last[2]), last[1]
    elif last := re.match(rf"(.*[a-z])\s*:\s*({'|'.join(NUMBERS)})\s*$", rest, re.IGNORECASE):
        count, rest = NUMBERS[last[2].lower()], last[1]
    rest, packed = PACKET.subn(" ", rest)
    what = re.sub(r"\b(?:of|wide|long|or|each|about|x)\b\s*(?=$|,)|\(\s*\)|[Ø⌀×]", " ", rest, flags=re.IGNORECASE)
    what = re.sub(r"^\W*(?:(?:of|wide|long)\b\W*)+", "", what.strip(), flags=re.IGNORECASE)
    what = re.sub(r"\s*[,:]\s*(?=,|$)", "", re.sub(r"\s+", " ", what).strip()).strip(" ,:-–")
    details = [length.strip(" .") for length in lengths] + ["by the packet"] * bool(packed)
    return PrintedNotion(what or text, max(1, count), ", ".join(details))


def is_cloth(line: str) -> bool:
    """Whether a line among the notions is cloth by the length, which is reckoned from the pieces cut of it."""
    words = set(re.sub(_LENGTH, " ", line.lower(), flags=re.IGNORECASE).replace(",", " ").split())
    cloths = {word for named in ROLE_WORDS.values() for word in named}
    return bool(words & cloths) and words <= cloths | CLOTH_WORDS and bool(re.search(_LENGTH, line, re.IGNORECASE))
