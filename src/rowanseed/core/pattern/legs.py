"""Seams of legs: round the crotch, down the inner legs, and up to a bodice."""

from __future__ import annotations

from rowanseed.core.pattern.making import Join

CROTCH, INSEAM = "crotch", "inseam"


def is_crotch(join: Join) -> bool:
    """Whether a seam sews left to right along the crotch, whether or not it goes on above."""
    parts = (*join.a, *join.b)
    sides = {p.piece for p in join.a}, {p.piece for p in join.b}
    return sides[0] == sides[1] and any(p.edge == CROTCH for p in parts) and all(p.hand for p in parts)


def crosses_the_waist(join: Join) -> bool:
    """Whether a crotch seam goes on up over a waist seam, into the centre seam of a bodice."""
    return is_crotch(join) and any(p.edge != CROTCH for p in join.a)


def is_inner_leg(join: Join) -> bool:
    return all(p.edge == INSEAM for p in (*join.a, *join.b))
