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


def button_sizes(notions: Iterable[PrintedNotion]) -> tuple[float, ...]:
    """The diameters in mm of all buttons whose size is printed, the largest first; empty where none is."""
    sizes = set[float]()
    for notion in notions:
        if "button" not in notion.what.lower():
            continue
        for found in _SIZE.finditer(f"{notion.detail} {notion.what}"):
            mm = _in_mm(found["number"], found["unit"].lower())
            if mm is not None and LEAST <= mm <= MOST:
                sizes.add(mm)
    return tuple(sorted(sizes, reverse=True))


def button_size(notions: Iterable[PrintedNotion], *, on_cuffs: bool = False) -> float | None:
    """The diameter in mm of what closes a garment, or its cuffs: of several sizes these have the smallest, and all else
    the largest (common practice, no source); None where none is printed."""
    sizes = button_sizes(notions)
    return None if not sizes else sizes[-1] if on_cuffs else sizes[0]


def _in_mm(number: str, unit: str) -> float | None:
    try:
        if unit.startswith("l"):
            return float(number.replace(",", ".")) * LIGNE
        return parse_length(f"{number} {unit}", "mm")
    except (LengthError, ValueError):
        return None
