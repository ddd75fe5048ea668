"""Tiers of a skirt: lengths of cloth that hang from each other, each gathered along its upper edge to the lower edge of
the one above."""

from __future__ import annotations

from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel, Piece

UPPER, LOWER = "upper", "lower"
TO_CENTRE, TO_SIDE = "towards-centre", "towards-side"
"""The edges that the widths of a tier are sewn together by; not “inner”, which is a facing's free edge."""


def is_in_tiers(piece: Piece) -> bool:
    """Whether a front or back is one of several tiers, the first one or another."""
    return piece.panel in (Panel.FRONT, Panel.BACK) and (piece.has_edge(UPPER) or piece.has_edge(LOWER))


def is_tier(piece: Piece) -> bool:
    """Whether a front or back hangs from another tier; the first one hangs from the waist or a yoke."""
    return piece.panel in (Panel.FRONT, Panel.BACK) and piece.has_edge(UPPER)


def hangs_from(pattern: Pattern, piece: Piece) -> tuple[tuple[EdgePart, ...], tuple[EdgePart, ...]]:
    """(the upper edges of its tier from the centre outwards, the edges above that they are gathered to)."""
    for join in pattern.making.joins:
        if any(p.piece == piece.id and p.edge == UPPER for p in join.a):
            return join.a, join.b
    return (), ()
