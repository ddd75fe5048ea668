"""How large the buttons are that an envelope prints: “5 buttons, 1.5 cm”, “3/4-inch buttons”, “buttons, 24 L”."""

from __future__ import annotations

import re
from collections.abc import Iterable

from rowanseed.core.base.errors import LengthError
from rowanseed.core.base.units import INCH, parse_length
from rowanseed.core.pattern.envelope import PrintedNotion

LIGNE = INCH / 40
"""Button makers' own unit: forty of them are an inch."""
LEAST, MOST = 5.0, 80.0
"""Buttons are so large, in mm: what lies outside is no diameter."""
_NUMBER = r"\d+\s+\d+/\d+|\d+/\d+|\d*\s?[¼½¾⅛⅜⅝⅞]|\d+(?:[.,]\d+)?"
_SIZE = re.compile(
    rf"(?P<number>{_NUMBER})\s*-?\s*(?P<unit>mm|cm|inches|inch|in\b|\"|″|”|l\b|lignes?\b|lines?\b)", re.IGNORECASE
)


def button_size(notions: Iterable[PrintedNotion]) -> float | None:
    """The diameter in mm of the first buttons whose size is printed; None where none is."""
    for notion in notions:
        if "button" not in notion.what.lower():
            continue
        for found in _SIZE.finditer(f"{notion.detail} {notion.what}"):
            mm = _in_mm(found["number"], found["unit"].lower())
            if mm is not None and LEAST <= mm <= MOST:
                return mm
    return None


def _in_mm(number: str, unit: str) -> float | None:
    try:
        if unit.startswith("l"):
            return float(number.replace(",", ".")) * LIGNE
        return parse_length(f"{number} {unit}", "mm")
    except (LengthError, ValueError):
        return None
