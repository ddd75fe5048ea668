"""The lining of a skirt of tiers: one straight length, as wide as the first, since nobody sees its tiers (common
practice, no source). It is worked out as that of a plain full skirt; then the garment has its tiers again."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.alter.hem import moved_hem
from rowanseed.core.derive.as_plain import Plain
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import EdgeSpec, Piece, Shape
from rowanseed.core.pattern.tiers import LOWER, hangs_from, is_tier

HEM = "hem"


def plain_tiers(pattern: Pattern, size: str) -> Plain:
    """The pattern in one size with the tiers of each half in one piece down to the hem. Where tiers are open down the
    centre their facings divide them: such a pattern stays as it is."""
    tiers = {piece.id: piece for piece in pattern.pieces if is_tier(piece)}
    if any(piece.has_edge("opening") for piece in tiers.values()):
        return Plain(pattern, pattern)
    first = {id: _chain(pattern, piece)[0] for id, piece in tiers.items()}
    making = pattern.making

    def one(p: EdgePart) -> EdgePart:
        return replace(p, piece=first[p.piece].id) if p.piece in first else p

    def upper(parts: tuple[EdgePart, ...]) -> tuple[EdgePart, ...]:
        return tuple(p for p in parts if p.piece not in first)

    joins = (replace(j, a=upper(j.a), b=upper(j.b)) for j in making.joins if upper(j.a) and upper(j.b))
    finishes = (replace(f, parts=tuple(dict.fromkeys(one(p) for p in f.parts))) for f in making.finishes)
    closures = (
        replace(c, to_mark=(first[c.to_mark[0]].id, c.to_mark[1])) if c.to_mark and c.to_mark[0] in first else c
        for c in making.closures
    )
    whole = {piece.id: _in_one(pattern, piece, size) for piece in first.values()}
    plain = replace(
        pattern,
        pieces=tuple(whole.get(piece.id, piece) for piece in pattern.pieces if piece.id not in first),
        making=replace(making, joins=tuple(joins), finishes=tuple(finishes), closures=tuple(closures)),
    )
    return Plain(plain, pattern)


def _chain(pattern: Pattern, piece: Piece) -> tuple[Piece, ...]:
    """The tiers from the first one down to this, each by the width at its centre."""
    chain = [piece]
    while is_tier(chain[0]):
        above = hangs_from(pattern, chain[0])[1]
        chain.insert(0, pattern.piece(above[0].piece))
    return tuple(chain)


def _in_one(pattern: Pattern, piece: Piece, size: str) -> Piece:
    """The first tier of a half as long as all of them, in one size, with their zip's end and the last one's hem."""
    chains = [_chain(pattern, one) for one in pattern.pieces if is_tier(one)]
    chain = max((one for one in chains if one[0] is piece), key=len)
    deep = [_deep(one, size) for one in chain]
    shape = moved_hem(piece, size, LOWER, sum(deep[1:]))
    foot = EdgeSpec(HEM, chain[-1].edge(HEM).allowance, chain[-1].edge(HEM).corner)
    marks = list(piece.marks)
    for k, tier in enumerate(chain[1:], start=1):
        marks += [
            replace(mark, distance={size: mark.distance[size] + sum(deep[:k])})
            for mark in tier.marks
            if piece.has_edge(mark.edge)
        ]
    return replace(
        piece,
        name=f"Skirt {piece.panel.words}",
        shapes={size: Shape({_foot(name): own for name, own in shape.edges.items()}, shape.grainline)},
        edges=tuple(foot if edge.name == LOWER else edge for edge in piece.edges),
        marks=tuple(replace(mark, edge=_foot(mark.edge)) for mark in marks),
    )


def _foot(name: str) -> str:
    return HEM if name == LOWER else name


def _deep(piece: Piece, size: str) -> float:
    """How deep a tier is, by the edge that runs down to its foot."""
    names = [edge.name for edge in piece.edges]
    foot = names.index(HEM if HEM in names else LOWER)
    return chain_length(piece.shapes[size].edges[names[foot - 1]])
