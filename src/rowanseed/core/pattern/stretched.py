"""Bands that are stretched on to their edges."""

from __future__ import annotations

from rowanseed.core.pattern.making import DifferenceKind, Making

RIBBING = 0.5
"""Ribbing is taken to stretch across by so much of its width, at the least (common practice, no source)."""


def stretched_bands(making: Making) -> frozenset[str]:
    """The pieces that are cut shorter than the edges they are sewn to: they lie across the knit and no other way."""
    on = (join for join in making.joins if join.difference.kind is DifferenceKind.STRETCHED_ON)
    return frozenset(part.piece for join in on for part in join.b)
