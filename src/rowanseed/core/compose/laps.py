"""How far edges that button lap over each other."""

from __future__ import annotations

from rowanseed.core.compose.description import Description
from rowanseed.core.compose.notion_text import read_notion
from rowanseed.core.compose.vocabulary import GarmentKind
from rowanseed.core.pattern.printed_buttons import button_size

EXTENSION = 15.0
"""A front that laps reaches so far beyond its centre, in mm."""
EXTENSIONS = {GarmentKind.JACKET: 20.0, GarmentKind.COAT: 30.0}
"""That of garments whose buttons are usually larger (common practice, no source)."""
MOST = 50.0
"""No front laps further for the sake of its buttons, in mm."""


def extension(description: Description) -> float:
    """How far a front that laps reaches beyond its centre, in mm: as far as is usual, or as its buttons are wide, so
    that half of one lies inside the edge and as much again (common practice, no source)."""
    usual = EXTENSIONS.get(description.garment, EXTENSION)
    button = button_size(read_notion(line) for line in description.notions)
    return usual if button is None else max(usual, min(button, MOST))
