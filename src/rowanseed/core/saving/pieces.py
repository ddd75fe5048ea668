"""What tactics look for in a pattern and do to it: hems, folds, pieces cut apart, pieces from another cloth."""

from __future__ import annotations

from collections.abc import Collection, Sequence
from dataclasses import replace

from rowanseed.core.alter.hem import hem_edges
from rowanseed.core.base.words import lower_first
from rowanseed.core.pattern.making import DetailKind, EdgePart, FinishKind, Join, LayerKind
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Cut, Panel, Piece, Role
from rowanseed.core.saving.tactic import Garment

SEAM_ADDED = 15.0
"""The allowance of a seam where a fold was, in mm (common practice, no source)."""


def is_hemmed(garment: Garment) -> bool:
    """Whether this cloth has a piece whose lower edge is hemmed."""
    hemmed = {piece for piece, _ in hem_edges(garment.pattern)}
    return any(piece.id in hemmed for piece, _ in garment.pieces)


def body_hems(pattern: Pattern) -> frozenset[str]:
    """Ids of the hems of fronts and backs."""
    return frozenset(
        finish.id
        for finish in pattern.making.finishes
        if finish.kind is FinishKind.HEM
        and all(pattern.piece(part.piece).panel in (Panel.FRONT, Panel.BACK) for part in finish.parts)
    )


def main_fold(piece: Piece) -> str | None:
    """The edge that lies on the fold of the main cloth; none of a piece that is unlike left and right."""
    return next((cut.fold for cut in piece.cuts if piece.lies_on_fold(cut) and cut.role is Role.MAIN), None)


def main_pieces(pattern: Pattern, view: str) -> list[Piece]:
    return [piece for piece, _ in pattern.pieces_for(Role.MAIN, view)]


def facing_ids(pattern: Pattern) -> frozenset[str]:
    return frozenset(layer.piece for layer in pattern.making.layers if layer.kind is LayerKind.FACING)


def but_not_all(found: set[str], main: Sequence[Piece]) -> frozenset[str]:
    """Pieces that another cloth may give; none if little would be left of the main cloth."""
    return frozenset(found) if len(found) < len(main) else frozenset()


def cut_apart(pattern: Pattern, ids: set[str], *, selvedge: bool = False) -> Pattern:
    """Pieces on the fold cut twice with a seam there, which joins the making graph; `selvedge`: along it.

    What a faced slit is cut into, and its facing, stay whole: the slit runs down where the seam would be. So does the
    strip of a pleated band, whose pleats run on across it.
    """
    details = pattern.making.details
    slit = {id for one in details if one.kind is DetailKind.FACED_SLIT for id in (*one.on, *one.pieces)}
    pleated = {id for one in details if one.kind is DetailKind.PLEATED_BAND for id in one.pieces}
    whole = slit | pleated
    pieces, joins = [], list(pattern.making.joins)
    for piece in pattern.pieces:
        folds: set[str | None] = {cut.fold for cut in piece.cuts if cut.fold and cut.role is Role.MAIN}
        if piece.id not in ids - whole or not folds or piece.one_sided:
            pieces.append(piece)
            continue
        edges = tuple(replace(e, allowance=SEAM_ADDED) if e.name in folds else e for e in piece.edges)
        cuts = tuple(_cut_double(cut, folds, selvedge=selvedge) for cut in piece.cuts)
        pieces.append(replace(piece, edges=edges, cuts=cuts))
        if not joins:
            # A drawing that names no seams is sewn by its booklet; one seam alone would pass for the whole order.
            continue
        for edge in sorted(f for f in folds if f):
            name = f"Centre seam, {lower_first(piece.name)}"
            one, other = EdgePart(piece.id, edge, "left"), EdgePart(piece.id, edge, "right")
            joins.append(Join(id=f"centre-{piece.id}", name=name, a=(one,), b=(other,)))
    return replace(pattern, pieces=tuple(pieces), making=replace(pattern.making, joins=tuple(joins)))


def _cut_double(cut: Cut, folds: set[str | None], *, selvedge: bool) -> Cut:
    if cut.fold not in folds:
        return cut
    along = cut.fold if selvedge and cut.role is Role.MAIN else None
    return replace(cut, fold=None, count=cut.count * 2, pair=True, selvedge=along)


def moved_to_contrast(pattern: Pattern, moved: Collection[str]) -> Pattern:
    """Pieces of the main cloth cut from the contrast cloth instead."""
    if not moved:
        return pattern
    pieces = tuple(
        replace(p, cuts=tuple(replace(c, role=Role.CONTRAST) if c.role is Role.MAIN else c for c in p.cuts))
        if p.id in moved
        else p
        for p in pattern.pieces
    )
    return replace(pattern, pieces=pieces)
