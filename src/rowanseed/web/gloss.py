"""Words of the trade explained at a tap: the first time a word stands in a text it becomes a button."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass
from functools import cache

from markupsafe import Markup, escape

from rowanseed.core.make.step_facts import glossary


@dataclass(frozen=True)
class Glossed:
    """Texts with their words of the trade as buttons, and what these say."""

    lines: tuple[Markup, ...]
    words: tuple[tuple[str, str, str], ...]
    """(id, word, what it means)"""


NOUNS = frozenset({"stand", "ease", "fly", "cap", "bone", "fell", "bar", "slit", "shield"})
"""Words that are ordinary verbs too: they are words of the trade after one of these."""
BEFORE_NOUNS = frozenset({"the", "a", "its", "inner", "outer", "under", "collar", "sleeve", "of", "each", "both", "no"})


def _is_noun(found: re.Match[str]) -> bool:
    before = found.string[: found.start()].rstrip().rpartition(" ")[2]
    return before.lower() in BEFORE_NOUNS


@cache
def _pattern() -> re.Pattern[str]:
    words = "|".join(re.escape(word) for word in glossary())
    return re.compile(rf"\b({words})(s|ed|es|ing)?\b([.,;:!?)]*)", re.IGNORECASE)


def gloss(lines: Sequence[str]) -> Glossed:
    """Each word is explained where it stands first."""
    known = glossary()
    seen: dict[str, tuple[str, str, str]] = {}

    def button(found: re.Match[str]) -> str:
        word = found.group(1).lower()
        if word in seen or word not in known or (word in NOUNS and not _is_noun(found)):
            return found.group(0)
        id = "word-" + re.sub(r"[^a-z]+", "-", word)
        seen[word] = (id, word, known[word])
        end = found.group(3)
        text = found.group(0).removesuffix(end) if end else found.group(0)
        told = f'<button type="button" class="gloss" popovertarget="{id}">{text}</button>'
        # A line is not broken between a word and the stop after it.
        return f'<span class="held">{told}{end}</span>' if end else told

    # Escaped text has no letters of markup but entities, which no word of the trade looks like.
    out = tuple(Markup(_pattern().sub(button, str(escape(line)))) for line in lines)
    return Glossed(out, tuple(seen.values()))
