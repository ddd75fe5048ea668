"""How far edges that button lap over each other, and where their buttons stand."""

from __future__ import annotations

from rowanseed.core.compose.description import Description
from rowanseed.core.compose.notion_text import read_notion
from rowanseed.core.compose.proportion import in_proportion
from rowanseed.core.compose.vocabulary import GarmentKind
from rowanseed.core.pattern.pieces import PointKind
from rowanseed.core.pattern.printed_buttons import button_size

EXTENSION = 15.0
"""A front that laps reaches so far beyond its centre, in mm."""
EXTENSIONS = {GarmentKind.JACKET: 20.0, GarmentKind.COAT: 30.0}
"""That of garments whose buttons are usually larger (common practice, no source)."""
MOST = 50.0
"""No front laps further for the sake of its buttons, in mm."""
DOUBLE = 60.0
DOUBLES = {GarmentKind.JACKET: 70.0, GarmentKind.COAT: 80.0}
"""A double-breasted front reaches so far beyond its centre, in mm (common practice, no source)."""
FROM_THE_EDGE = 22.0
"""The buttons of its columns stand so far inside the edge, in mm; larger ones as far as they are wide (common practice,
no source)."""


def extension(description: Description) -> float:
    """How far a front that laps reaches beyond its centre, in mm: as far as is usual, or as its buttons are wide, so
    that half of one lies inside the edge and as much again (common practice, no source)."""
    if description.features.opening.double_breasted:
        return in_proportion(description, DOUBLES.get(description.garment, DOUBLE))
    usual = EXTENSIONS.get(description.garment, EXTENSION)
    button = _button(description)
    return usual if button is None else max(usual, min(button, MOST))


def column(description: Description) -> float:
    """How far from the centre the buttons of double-breasted fronts stand, to both sides, in mm; 0 on a single row."""
    if not description.features.opening.double_breasted:
        return 0.0
    inside = max(FROM_THE_EDGE, min(_button(description) or 0.0, extension(description) / 2))
    return extension(description) - inside


def marks_of_a_row(description: Description, kind: PointKind) -> tuple[tuple[str, PointKind, float], ...]:
    """What is marked where a front is closed once: (what its id ends in, its kind, how far from the centre, in mm). On
    double-breasted fronts the hole lies beyond the centre, and its button as far on the other side."""
    away = column(description)
    return (("", kind, -away), ("-beside", PointKind.BUTTON, away)) if away else (("", kind, 0.0),)


def _button(description: Description) -> float | None:
    return button_size(read_notion(line) for line in description.notions)
