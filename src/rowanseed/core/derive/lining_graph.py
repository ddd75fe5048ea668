"""The making graph of a garment with a derived lining: its seams, its hem, and where it hangs."""

from __future__ import annotations

from collections.abc import Collection, Iterator, Mapping
from dataclasses import replace

from rowanseed.core.base.units import INCH
from rowanseed.core.base.words import lower_first
from rowanseed.core.derive.choice import Layers, LiningHem
from rowanseed.core.derive.lined_part import goes_on
from rowanseed.core.pattern.making import (
    Detail,
    DetailKind,
    DifferenceKind,
    EdgePart,
    Finish,
    FinishKind,
    Join,
    Layer,
    LayerKind,
    Making,
    Press,
)
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Derived, DerivedAs, Panel, Piece
from rowanseed.core.pattern.walk import part_length

FOLD_OF_EASE = INCH / 2
SHORTER = dict.fromkeys(("skirt", "dress", "trousers", "jumpsuit"), INCH * 3 / 4)
"""How much shorter a lining that hangs free is finished, by the kind of garment; of all others half an inch."""


def shorter(pattern: Pattern) -> float:
    """How much shorter than the garment a lining that hangs free is finished, in mm."""
    return SHORTER.get(pattern.garment, FOLD_OF_EASE)


LINING = "lining-"
"""How the ids of the lining's own seams and edges begin."""
LOWER = {"hem": ("lower-ends", "Lower ends"), "wrist": ("sleeve-ends", "Sleeve ends")}
"""What the lower edges of pieces are called, and the ends of a lining there."""


def ends_of(pattern: Pattern, lined: tuple[Piece, ...]) -> tuple[Finish, ...]:
    """Where the lining ends below: the garment's hems, and lower edges that a cuff, a ruffle or a casing takes up in
    the garment, where the lining has a hem of its own all the same."""
    ids = {piece.id for piece in lined}
    hems = [f for f in pattern.making.finishes if f.kind is FinishKind.HEM and {p.piece for p in f.parts} <= ids]
    hemmed = {(p.piece, p.edge) for f in hems for p in f.parts}
    for edge, (id, name) in LOWER.items():
        loose = [p for p in lined if p.has_edge(edge) and (p.id, edge) not in hemmed]
        if loose:
            parts = tuple(EdgePart(piece.id, edge) for piece in loose)
            hems.append(Finish(id, name, FinishKind.HEM, parts, (loose[0].edge(edge).allowance,)))
    return tuple(hems)


def lined_making(
    pattern: Pattern,
    lined: tuple[Piece, ...],
    layers: Layers,
    facing_seams: tuple[Join, ...],
    faced: Mapping[str, Collection[str]],
) -> Making:
    """The graph with the lining's own seams and hem, and its seams to the facings where these are deducted.

    `faced` are the edges of each piece at which a facing takes the lining's place: they are in none of its own seams.
    """
    making, ids = pattern.making, {piece.id for piece in lined}
    zips = {c.join: c for c in making.closures if c.to_mark}

    def of_lining(parts: tuple[EdgePart, ...]) -> tuple[EdgePart, ...]:
        own = (p for p in parts if p.piece in ids and p.edge not in faced.get(p.piece, ()))
        return tuple(replace(p, piece=Derived(DerivedAs.LINING, p.piece).piece_id) for p in own)

    joins = [
        replace(
            join,
            id=f"{LINING}{join.id}",
            a=of_lining(join.a),
            b=of_lining(join.b),
            press=Press.OPEN if _runs_on_at_one_hand(making, join) else Press.BACK,
            name=f"Lining {lower_first(join.name)}" + (", left open along the zip" if join.id in zips else ""),
        )
        for join in making.joins
        if _is_lined(pattern, join, ids) and of_lining(join.a) and of_lining(join.b)
    ]
    finishes = list(making.finishes)
    for hem in ends_of(pattern, lined):
        parts = of_lining(hem.parts)
        if not parts:
            # A facing takes its place there, and it is sewn to that.
            continue
        depth = sum(hem.folds) if hem.folds else 0.0
        if layers.hem is LiningHem.FREE:
            finishes.append(
                Finish(
                    id=f"{LINING}{hem.id}",
                    name=f"{hem.name} of the lining",
                    kind=FinishKind.HEM,
                    parts=parts,
                    folds=(shorter(pattern), depth) if depth else (),
                )
            )
        else:
            finishes.append(
                Finish(
                    id=f"{LINING}{hem.id}",
                    name=f"Lower edge of the lining, sewn to the {_ends_at(pattern, hem)} with a fold of ease",
                    kind=FinishKind.TURNED,
                    parts=parts,
                )
            )
    added = tuple(Layer(LayerKind.LINING, Derived(DerivedAs.LINING, id).piece_id, id) for id in sorted(ids))
    return replace(
        making,
        joins=(*making.joins, *joins, *facing_seams),
        finishes=tuple(finishes),
        layers=(*making.layers, *added),
        details=(*making.details, *_slits(making, {join.id for join in joins})),
    )


def _ends_at(pattern: Pattern, hem: Finish) -> str:
    """What a lining that is closed below is sewn to: a hem, or the seam of a band that takes the edge up."""
    band = band_at(pattern, hem.parts[0])
    return lower_first(hem.name) if band is None else f"seam of the {lower_first(pattern.piece(band[1]).name)}"


def band_at(pattern: Pattern, edge: EdgePart) -> tuple[Join, str] | None:
    """The seam of a cuff or of another band that an edge is sewn to, and the band; None where it is sewn to none."""
    facings = {layer.piece for layer in pattern.making.layers}
    for join in pattern.making.joins:
        for own, other in ((join.a, join.b), (join.b, join.a)):
            bands = {p.piece for p in other if pattern.piece(p.piece).panel is Panel.BAND and p.piece not in facings}
            if len(bands) == 1 and any((p.piece, p.edge) == (edge.piece, edge.edge) for p in own):
                return join, next(iter(bands))
    return None


def _runs_on_at_one_hand(making: Making, join: Join) -> bool:
    """Whether a zip makes one seam of several at one hand, which are several at the other: as a side past the waist.
    Their edges are neatened alike, each by itself, since the one is sewn long after the others."""
    own = {(p.piece, p.edge) for p in (*join.a, *join.b)}
    hands = {p.hand for p in (*join.a, *join.b)}
    others = (
        {(p.piece, p.edge) for p in (*other.a, *other.b)}
        for other in making.joins
        if other is not join and None not in hands and hands.isdisjoint(p.hand for p in (*other.a, *other.b))
    )
    return any(edges & own and edges != own for edges in others)


def _is_lined(pattern: Pattern, join: Join, ids: Collection[str]) -> bool:
    """Whether the lining has a seam: of its pieces alone, or the part of it that runs over them."""
    sewn = {p.piece for p in (*join.a, *join.b)}
    if sewn <= set(ids):
        return True
    over_both = len(join.a) == len(join.b) > 1
    return over_both and goes_on(pattern, join, ids)


def gathered_as_left(pattern: Pattern, size: str) -> Pattern:
    """The pattern with the lining gathered by what is left of both its edges, where a facing has taken some of them."""

    def of_left(join: Join) -> Join:
        if join.difference.kind is not DifferenceKind.GATHERS or not join.id.startswith(LINING):
            return join
        a, b = (sum(part_length(pattern, size, part) for part in side) for side in (join.a, join.b))
        return replace(join, difference=replace(join.difference, amount=a / b))

    return replace(pattern, making=replace(pattern.making, joins=tuple(of_left(join) for join in pattern.making.joins)))


def _slits(making: Making, seams: Collection[str]) -> Iterator[Detail]:
    """Where the garment has a slit or a vent its lining is left open, too."""
    for detail in making.details:
        along = tuple(f"{LINING}{id}" for id in detail.along)
        is_open = detail.kind in (DetailKind.SLIT, DetailKind.VENT) and set(along) <= set(seams)
        if is_open and detail.to_mark is not None:
            to_mark = (Derived(DerivedAs.LINING, detail.to_mark[0]).piece_id, detail.to_mark[1])
            yield Detail(f"{LINING}{detail.id}", "Slit of the lining", DetailKind.SLIT, along=along, to_mark=to_mark)
