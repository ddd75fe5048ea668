"""A lining of a part of the garment: all but the sleeves, what is above its waist seam, or what is below.

Where such a lining ends at a seam, its edge is turned in and felled over that seam by hand, or sewn into it where that
seam draws it in (common practice, no source).
"""

from __future__ import annotations

from collections.abc import Collection, Iterator
from dataclasses import replace

from rowanseed.core.base.words import lower_first
from rowanseed.core.derive.choice import LinedPart
from rowanseed.core.pattern.draped import fall
from rowanseed.core.pattern.making import DifferenceKind, EdgePart, Finish, FinishKind, Join, LayerKind
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Derived, DerivedAs, Panel, Piece
from rowanseed.core.pattern.tiers import LOWER, is_tier

ALONG = "lining-along-"
"""How the ids of the edges begin at which such a lining ends at a seam."""
OF_A_BODICE = ("neck", "shoulder", "armhole")
ABOVE = (*OF_A_BODICE, "yoke")


def _is_below(piece: Piece) -> bool:
    """Whether a piece hangs from a waist seam, or from another tier."""
    low = piece.has_edge("hem") or piece.has_edge(LOWER)
    return is_tier(piece) or (piece.has_edge("waist") and low and not any(piece.has_edge(edge) for edge in ABOVE))


def of_part(pieces: tuple[Piece, ...], part: LinedPart) -> tuple[Piece, ...]:
    """The pieces among those that could be lined that this part has."""
    match part:
        case LinedPart.ALL:
            return pieces
        case LinedPart.BODY:
            return tuple(p for p in pieces if p.panel is not Panel.SLEEVE)
        case LinedPart.UPPER:
            return tuple(p for p in pieces if not _is_below(p))
        case LinedPart.LOWER:
            return tuple(p for p in pieces if _is_below(p))


def left_to_line(pattern: Pattern, pieces: tuple[Piece, ...]) -> tuple[Piece, ...]:
    """Of what could be lined that which the pattern draws no lining for: all of it, or, where it draws one for the
    bodice alone, what hangs below. Under a cowl a lining has no folds, and none is worked out: only below it."""
    drawn = {layer.of for layer in pattern.making.layers if layer.kind is LayerKind.LINING}
    if not drawn:
        return of_part(pieces, LinedPart.LOWER) if fall(pieces) else pieces
    below = {p.id for p in pieces if _is_below(p)}
    bodice_alone = drawn == {p.id for p in pieces} - below
    # Patterns composed by earlier versions have edges of such names already, and keep their lining as it is.
    bodice_alone = bodice_alone and not any(f.id.startswith(ALONG) for f in pattern.making.finishes)
    return of_part(pieces, LinedPart.LOWER) if bodice_alone else ()


def parts_of(pattern: Pattern, pieces: tuple[Piece, ...]) -> tuple[LinedPart, ...]:
    """The parts of a garment that can be lined by themselves; below a bodice that the pattern draws a lining for, only
    that."""
    below = {p.id for p in pieces if _is_below(p)}
    if 0 < len(left_to_line(pattern, pieces)) < len(pieces):
        return (LinedPart.LOWER,)
    sleeved = any(p.panel is Panel.SLEEVE for p in pieces)
    # A yoke at the back of trousers leaves their front below nothing.
    divided = bool(below) and any(p.has_edge(edge) for p in pieces if p.id not in below for edge in OF_A_BODICE)
    return (
        LinedPart.ALL,
        *((LinedPart.BODY,) if sleeved else ()),
        *((LinedPart.UPPER,) if divided else ()),
        *((LinedPart.LOWER,) if divided else ()),
    )


def own_side(parts: tuple[EdgePart, ...], ids: Collection[str]) -> tuple[EdgePart, ...]:
    return tuple(p for p in parts if p.piece in ids)


def goes_on(pattern: Pattern, join: Join, ids: Collection[str]) -> bool:
    """Whether the lining of these pieces has this seam, as far as it has its pieces, and a zip leaves any of it."""
    a, b = own_side(join.a, ids), own_side(join.b, ids)
    if not a or not b:
        return False
    closure = next((c for c in pattern.making.closures if c.join == join.id and c.to_mark is not None), None)
    return closure is None or closure.to_mark is None or closure.to_mark[0] in ids or len(a) == len(join.a)


def ends_at_seams(pattern: Pattern, pieces: tuple[Piece, ...], lined: tuple[Piece, ...]) -> Iterator[Finish]:
    """The edges at which a lining of a part ends, along the seams that go on to what is not lined."""
    ids, every = {p.id for p in lined}, {p.id for p in pieces}
    for join in pattern.making.joins:
        sewn = {p.piece for p in (*join.a, *join.b)}
        if not sewn & ids or not sewn <= every or sewn <= ids or goes_on(pattern, join, ids):
            continue
        parts = own_side((*join.a, *join.b), ids)
        drawn_in = join.difference.kind is DifferenceKind.GATHERS and bool(own_side(join.a, ids))
        zipped = any(c.join == join.id and c.to_mark is not None for c in pattern.making.closures)
        yield Finish(
            id=f"{ALONG}{join.id}",
            name=f"Edge of the lining along the {lower_first(join.name)}{', at the zip' if zipped else ''}",
            # What gathers draw in goes into their seam with it; any other edge is felled over the seam.
            kind=FinishKind.CAUGHT if drawn_in else FinishKind.TURNED,
            parts=tuple(replace(p, piece=Derived(DerivedAs.LINING, p.piece).piece_id) for p in parts),
        )
