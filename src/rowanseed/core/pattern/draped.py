"""A cowl, known by its shape: a front whose neck runs straight across from the fold, and falls when it is worn."""

from __future__ import annotations

from collections.abc import Iterable

from rowanseed.core.geometry.outline import Chain, flatten
from rowanseed.core.pattern.pieces import Panel, Piece

LEVEL = 0.5
"""An edge runs level that stays within so many mm."""
BESIDE = ("neck", "shoulder", "centre", "side")


def is_draped(piece: Piece, size: str) -> bool:
    """Whether a piece is a front with a cowl: its neck straight, at right angles to its fold, as no other neck is."""
    if piece.panel is not Panel.FRONT or size not in piece.shapes or not all(piece.has_edge(e) for e in BESIDE):
        return False
    on_the_fold = any(cut.fold == "centre" for cut in piece.cuts)
    edges = piece.shapes[size].edges
    return on_the_fold and _spread(edges["neck"], 0) < LEVEL and _spread(edges["centre"], 1) < LEVEL


def fall(pieces: Iterable[Piece]) -> frozenset[str]:
    """Which of these fall in a cowl, by their ids: no second layer lies on them, nor a lining that is cut alike."""
    return frozenset(piece.id for piece in pieces if is_draped(piece, next(iter(piece.shapes), "")))


def _spread(chain: Chain, axis: int) -> float:
    """How far an edge strays along an axis, in mm."""
    found = [q[axis] for q in flatten(chain, 1.0)]
    return max(found) - min(found)
