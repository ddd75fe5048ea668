"""The making graph of a garment with a derived lining: its seams, its hem, and where it hangs."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace

from rowanseed.core.base.units import INCH
from rowanseed.core.base.words import lower_first
from rowanseed.core.derive.choice import Layers, LiningHem
from rowanseed.core.derive.faced import inner_edges
from rowanseed.core.pattern.making import EdgePart, Finish, FinishKind, Join, Layer, LayerKind, Making, Press
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Derived, DerivedAs, Piece

FOLD_OF_EASE = INCH / 2
SHORTER = {"skirt": INCH * 3 / 4, "dress": INCH * 3 / 4, "trousers": INCH * 3 / 4}
"""How much shorter a lining that hangs free is finished, by the kind of garment; of all others half an inch."""


def shorter(pattern: Pattern) -> float:
    """How much shorter than the garment a lining that hangs free is finished, in mm."""
    return SHORTER.get(pattern.garment, FOLD_OF_EASE)


LOWER = "hem"
"""What the lower edge of a piece is called."""


def ends_of(pattern: Pattern, lined: tuple[Piece, ...]) -> tuple[Finish, ...]:
    """Where the lining ends below: the garment's hems, and lower edges that a cuff, a ruffle or a casing takes up in
    the garment, where the lining has a hem of its own all the same."""
    ids = {piece.id for piece in lined}
    hems = [f for f in pattern.making.finishes if f.kind is FinishKind.HEM and {p.piece for p in f.parts} <= ids]
    hemmed = {(p.piece, p.edge) for f in hems for p in f.parts}
    loose = [p for p in lined if p.has_edge(LOWER) and (p.id, LOWER) not in hemmed]
    if loose:
        parts = tuple(EdgePart(piece.id, LOWER) for piece in loose)
        hems.append(Finish("lower-ends", "Lower ends", FinishKind.HEM, parts, (loose[0].edge(LOWER).allowance,)))
    return tuple(hems)


def lined_making(
    pattern: Pattern, lined: tuple[Piece, ...], layers: Layers, facings: Mapping[tuple[str, str], float]
) -> Making:
    """The graph with the lining's own seams and hem, and the seam to the facing where it is deducted."""
    making, ids = pattern.making, {piece.id for piece in lined}
    zips = {c.join: c for c in making.closures if c.to_mark}

    def of_lining(parts: tuple[EdgePart, ...]) -> tuple[EdgePart, ...]:
        return tuple(replace(p, piece=Derived(DerivedAs.LINING, p.piece).piece_id) for p in parts)

    joins = [
        replace(
            join,
            id=f"lining-{join.id}",
            a=of_lining(join.a),
            b=of_lining(join.b),
            press=Press.BACK,
            name=f"Lining {lower_first(join.name)}" + (", left open along the zip" if join.id in zips else ""),
        )
        for join in making.joins
        if {p.piece for p in (*join.a, *join.b)} <= ids
    ]
    finishes = list(making.finishes)
    if facings:
        inner = inner_edges(pattern)
        for join in making.joins:
            one, other = (join.a, join.b) if (join.a[0].piece, join.a[0].edge) in facings else (join.b, join.a)
            if (one[0].piece, one[0].edge) not in facings:
                continue
            joins.append(
                Join(
                    id=f"lining-facing-{join.id}",
                    name="Lining to the facing",
                    a=of_lining(one),
                    b=tuple(EdgePart(p.piece, inner[p.piece], p.hand) for p in other if p.piece in inner),
                    press=Press.DOWN,
                )
            )
        sewn = {(piece, edge) for piece, edge in inner.items()}
        finishes = [f for f in finishes if not any((p.piece, p.edge) in sewn for p in f.parts)]
    for hem in ends_of(pattern, lined):
        depth = sum(hem.folds) if hem.folds else 0.0
        if layers.hem is LiningHem.FREE:
            finishes.append(
                Finish(
                    id=f"lining-{hem.id}",
                    name="Hem of the lining",
                    kind=FinishKind.HEM,
                    parts=of_lining(hem.parts),
                    folds=(shorter(pattern), depth) if depth else (),
                )
            )
        else:
            finishes.append(
                Finish(
                    id=f"lining-{hem.id}",
                    name="Lower edge of the lining, sewn to the hem with a fold of ease",
                    kind=FinishKind.TURNED,
                    parts=of_lining(hem.parts),
                )
            )
    added = tuple(Layer(LayerKind.LINING, Derived(DerivedAs.LINING, id).piece_id, id) for id in sorted(ids))
    return replace(making, joins=(*making.joins, *joins), finishes=tuple(finishes), layers=(*making.layers, *added))
