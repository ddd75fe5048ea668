"""Waistbands cut in a curve, of two layers: which they are, what they wait for."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make.families.bands import inside_of, is_folded
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Finish, Join
from rowanseed.core.pattern.pieces import Panel

ID = "contour band"


def on_waist(bench: Workbench, join: Join) -> str | None:
    """The outer layer of a shaped band that a join puts on a waist."""
    for side, other in ((join.a, join.b), (join.b, join.a)):
        pieces = pieces_of(side)
        if len(pieces) == 1 and bench.panels(side) == {Panel.BAND} and not pieces & bench.facings:
            piece = next(iter(pieces))
            if not is_folded(bench, piece) and any(part.edge == "waist" for part in other):
                return piece
    return None


def layers_made_up(bench: Workbench, outer: str) -> Join | None:
    """The seam of the two layers of a band."""
    for join in bench.joins.values():
        pieces = pieces_of((*join.a, *join.b))
        if outer in pieces and len(pieces) == 2 and bench.panels((*join.a, *join.b)) == {Panel.BAND}:
            return join
    return None


def bands(bench: Workbench) -> Iterator[tuple[Join, Join, str, str, Finish]]:
    """Every contour band: what puts it on, what sews its layers together, outer and inner layer, its inside."""
    for join in bench.joins.values():
        outer = on_waist(bench, join)
        made_up = layers_made_up(bench, outer) if outer is not None else None
        if outer is None or made_up is None:
            continue
        (inner,) = pieces_of((*made_up.a, *made_up.b)) - {outer}
        inside = inside_of(bench, inner)
        if inside is not None:
            yield join, made_up, outer, inner, inside
