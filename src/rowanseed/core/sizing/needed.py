"""Which measurements a pattern asks for, the deciding ones first."""

from __future__ import annotations

from rowanseed.core.body.measures import MEASURE
from rowanseed.core.pattern.finished import MEASURE_OF
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import LineKind, Panel
from rowanseed.core.sizing.wish import GarmentClass, garment_class


def measures_needed(pattern: Pattern) -> tuple[str, ...]:
    """Measure keys: what the size is chosen by, the rest of the chart, and what the pieces are shaped for."""
    envelope = pattern.envelope
    keys = [*envelope.sized_by]
    if "bust" in envelope.body_chart and any(p.panel is Panel.FRONT for p in pattern.pieces):
        keys.append("high_bust")
    if garment_class(pattern.garment) is GarmentClass.LOWER and "waist" in envelope.body_chart:
        keys += ["waist", "waist_band"]
    keys += envelope.body_chart
    keys += [
        MEASURE_OF.get(line.id, line.id) for p in pattern.pieces for line in p.lines if line.kind is LineKind.LEVEL
    ]
    return tuple(key for key in dict.fromkeys(keys) if key in MEASURE)
