"""A facing derived from the garment: a strip along an edge, cut from the same outline (common practice, no source)."""

from __future__ import annotations

from collections.abc import Collection
from dataclasses import replace

from rowanseed.core.alter.hem import hem_edges
from rowanseed.core.derive.shaping import chain_of, strip
from rowanseed.core.pattern import Corner, Cut, Drawn, EdgeSpec, Panel, Pattern, Piece, Role, Shape
from rowanseed.core.seamline import lines

DEPTH = 50.0
JOINED = 10.0
INNER = "inner"


def facing_id(piece: str, edge: str) -> str:
    return f"{piece}-{edge}-facing"


def facing_of(piece: Piece, size: str, edge: str, number: int, role: Role, depth: float = DEPTH) -> Piece:
    """The facing of one edge of a piece, `depth` mm deep and neatened inside; on the fold where its piece is."""
    runs = strip(piece, size, edge, depth)
    sides = {e.name: e.allowance for e in piece.edges}
    specs = tuple(
        EdgeSpec(name, JOINED if name == edge else 0.0 if name == INNER else sides[name], Corner.MITRE) for name in runs
    )
    middle = sum(p[1] for p in runs[edge]) / len(runs[edge])
    top, low = min(p[0] for p in runs[INNER]), max(p[0] for p in runs[edge])
    shape = Shape({name: chain_of(run) for name, run in runs.items()}, ((top + 4, middle), (low - 4, middle)))
    cuts = tuple(_cut(cut, role, runs.keys()) for cut in piece.cuts if cut.role is Role.MAIN)
    return Piece(
        facing_id(piece.id, edge),
        f"{piece.name}, {edge} facing",
        number,
        Drawn.SEAM,
        specs,
        {size: shape},
        cuts,
        panel=Panel.OTHER,
    )


def _cut(cut: Cut, role: Role, edges: Collection[str]) -> Cut:
    fold = cut.fold if cut.fold in edges else None
    return replace(cut, role=role, fold=fold)


def with_hem_facings(pattern: Pattern, size: str, role: Role) -> Pattern:
    """The pattern with a facing for every hem, cut from another cloth."""
    number = max(piece.number for piece in pattern.pieces)
    added = []
    for id, edge in hem_edges(pattern):
        piece = pattern.piece(id)
        if (
            piece.panel not in (Panel.FRONT, Panel.BACK)
            or size not in piece.shapes
            or not lines(piece, size).seam[edge]
        ):
            continue
        number += 1
        added.append(facing_of(piece, size, edge, number, role))
    return replace(pattern, pieces=(*pattern.pieces, *added))
