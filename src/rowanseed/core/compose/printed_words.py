"""Words that envelopes and booklets use for numbers and for cloths."""

from __future__ import annotations

from rowanseed.core.pattern.pieces import Role

NUMBERS = {"a": 1, "an": 1, "one": 1, "two": 2, "three": 3, "four": 4, "five": 5, "six": 6, "seven": 7, "eight": 8}
NUMBERS |= {"nine": 9, "ten": 10, "eleven": 11, "twelve": 12, "pair": 1}
ROLE_WORDS = {
    Role.LINING: ("lining",),
    Role.INTERFACING: ("interfacing", "interface", "fusible"),
    Role.CONTRAST: ("contrast",),
    Role.UNDERLINING: ("underlining",),
}
