"""Which parts of a garment: selections that several techniques make from the graph, each said once."""

from __future__ import annotations

import math
from collections.abc import Iterator
from itertools import pairwise

from rowanseed.core.geometry.outline import Point, flatten
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import (
    VENT_EDGE,
    Closure,
    ClosureKind,
    DetailKind,
    DifferenceKind,
    EdgePart,
    Finish,
    FinishKind,
    Join,
    LayerKind,
    Press,
)
from rowanseed.core.pattern.pieces import Panel

TO_ONE_SIDE = (Press.BACK, Press.FRONT, Press.UP, Press.DOWN)
SERVED = (Press.OPEN, *TO_ONE_SIDE)
BODY = frozenset({Panel.FRONT, Panel.BACK, Panel.SLEEVE})
UNEVEN = 0.05
"""Allowances no further apart than this, in mm, are one."""
_LONGER = {
    DifferenceKind.EASE: "eased into the other",
    DifferenceKind.GATHERS: "gathered to the other",
    DifferenceKind.STRETCH: "stretched on the other",
    DifferenceKind.STRETCHED_ON: "longer than the band that is stretched on to it",
    DifferenceKind.NONE: "as long as the other",
}
SHARP = math.radians(50)
"""Two edges that turn by so much where they meet make a corner."""
BOTH_WAYS = math.radians(15)
"""A lower edge that bends by more than this one way, and the other, is shaped."""
COARSE = 0.2
"""It is looked at to so much, in mm."""


def is_vent(bench: Workbench, finish: Finish) -> bool:
    """Whether it is the edges of what is cut on for a vent, and not those of a facing behind them."""
    return any(p.edge == VENT_EDGE for p in finish.parts) and not pieces_of(finish.parts) & bench.inner


def is_of_opening(finish: Finish) -> bool:
    """Whether edges that open are folded on themselves."""
    return finish.kind is FinishKind.TURNED and all(p.edge == "opening" for p in finish.parts)


def other_hand(hand: str) -> str:
    return "right" if hand == "left" else "left"


# ---------------------------------------------------------------- seams


def seams(bench: Workbench) -> Iterator[Join]:
    """Seams of shell, lining or facings among themselves: whatever no band, facing or lining is sewn on by."""
    return (join for join in bench.joins.values() if is_seam(bench, join))


def is_seam(bench: Workbench, join: Join) -> bool:
    return (
        join.press in SERVED
        and not bench.encloses(join)
        and not bench.is_faced(join)
        and not _is_layered(bench, join)
        and join not in bench.between_layers
        and not puts_on_hood(bench, join)
        and join.id not in bench.ring_sides
    )


def _is_layered(bench: Workbench, join: Join) -> bool:
    """Whether a band of two layers, a collar or a stand, is put on by it."""
    pieces = pieces_of((*join.a, *join.b))
    collars = {id for id in pieces if bench.panel(id) is Panel.BAND and id not in bench.facings}
    if join.difference.kind is DifferenceKind.GATHERS and pieces_of(join.a) <= collars:
        # A ruffle: the band is the fuller side.
        return False
    return bool(collars) and bool(pieces - collars - bench.inner)


def puts_on_hood(bench: Workbench, join: Join) -> bool:
    """Whether a seam sews a hood to what is below it."""
    sides = [bench.panels(side) for side in (join.a, join.b)]
    return {Panel.HEAD} in sides and sides[0] != sides[1]


def simple_seams(bench: Workbench) -> Iterator[Join]:
    """Seams without a zip, a band or fullness, of edges with one allowance."""
    return (join for join in seams(bench) if not why_not_simple(bench, join))


def why_not_simple(bench: Workbench, join: Join) -> str:
    """What makes more of a seam than two equal edges; empty where nothing does."""
    parts = (*join.a, *join.b)
    if bench.openings.zip_on(join) is not None:
        return "a zip lies in it"
    if bench.openings.opening_in_lining(join) is not None:
        return "it is left open along the zip"
    if any(join.id in detail.along for detail in bench.details_of(DetailKind.IN_SEAM_POCKET)):
        return "a pocket hangs in it"
    if Panel.BAND in bench.panels(parts):
        return "a band lies in it"
    if join.difference.kind is not DifferenceKind.NONE:
        return f"its edges are not equally long: one is {_LONGER[join.difference.kind]}"
    if corners(bench, join):
        return "it goes round a corner"
    allowances = [bench.edge_allowance(part) for part in parts]
    if max(allowances) - min(allowances) > UNEVEN:
        return f"its edges have different allowances, {' and '.join(dict.fromkeys(map(bench.margin, allowances)))}"
    return ""


def straight_seams(bench: Workbench) -> Iterator[Join]:
    """Simple seams without a tight curve: an allowance can be folded along them."""
    return (join for join in seams(bench) if not why_not_straight(bench, join))


def why_not_straight(bench: Workbench, join: Join) -> str:
    """Why an allowance cannot be folded along a seam; empty where it can."""
    why = why_not_simple(bench, join)
    if not why and bench.bends.needs_clips((*join.a, *join.b)):
        return "it curves so much that its allowances are clipped, and clips cannot be folded in"
    return why


def too_narrow(bench: Workbench, join: Join, least: float) -> str:
    """Why its allowance does not do where so many mm are wanted; empty where it does."""
    has = bench.edge_allowance(join.a[0])
    return "" if has >= least else f"its allowance of {bench.margin(has)} is too narrow: it takes {bench.margin(least)}"


def of_the_shell(bench: Workbench, join: Join) -> bool:
    """Whether a seam lies between fronts, backs and sleeves of the shell."""
    parts = (*join.a, *join.b)
    return bench.panels(parts) <= BODY and not pieces_of(parts) & bench.inner


def shoulders(bench: Workbench) -> Iterator[Join]:
    return (j for j in seams(bench) if all(p.edge == "shoulder" for p in (*j.a, *j.b)) and of_the_shell(bench, j))


def corners(bench: Workbench, join: Join) -> tuple[tuple[EdgePart, EdgePart, bool], ...]:
    """Corners that a seam goes round: the two edges, and whether the piece turns inwards there (it is clipped)."""
    found = []
    for side in (join.a, join.b):
        for one in side:
            _, after = bench.neighbours(one)
            other = next((p for p in side if p.piece == one.piece and p.edge == after and p.hand == one.hand), None)
            turn = None if other is None or other is one else _turn(bench, one, other)
            if other is not None and turn is not None and abs(turn) > SHARP:
                found.append((one, other, turn < 0))
    return tuple(found)


def _turn(bench: Workbench, one: EdgePart, other: EdgePart) -> float:
    """How far the outline turns where an edge runs into the next, in radians; negative: inwards, rings run
    counter-clockwise."""
    shape = bench.piece(one.piece).shapes[bench.size]
    before, after = flatten(shape.edges[one.edge], 0.5), flatten(shape.edges[other.edge], 0.5)
    turn = _heading(after[0], after[1]) - _heading(before[-2], before[-1])
    return math.atan2(math.sin(turn), math.cos(turn))


def _heading(a: Point, b: Point) -> float:
    return math.atan2(b[1] - a[1], b[0] - a[0])


# ---------------------------------------------------------------- edges in no seam


def edges_of(bench: Workbench, kind: FinishKind) -> Iterator[Finish]:
    return (finish for finish in bench.finishes.values() if finish.kind is kind)


def facing_of(bench: Workbench, finish: Finish) -> tuple[EdgePart, ...]:
    """The facing's edges along a hem that is faced; none where it is turned up."""
    # The lower end of a front facing is an edge of its own, not what faces the hem.
    fronts = _sewn_to_garment(bench)
    of = {(x.of, x.piece) for x in bench.pattern.making.layers if x.kind is LayerKind.FACING and x.piece not in fronts}
    own = {(p.piece, p.edge) for f in bench.finishes.values() if f.kind is not FinishKind.TURNED for p in f.parts}
    return tuple(
        EdgePart(piece, part.edge, part.hand)
        for part in finish.parts
        for base, piece in sorted(of)
        if base == part.piece and bench.piece(piece).has_edge(part.edge) and (piece, part.edge) not in own
    )


def _sewn_to_garment(bench: Workbench) -> frozenset[str]:
    """The facings that a seam sews to an edge of the garment; one of a hem is sewn on by the hem itself."""
    faced = (pieces_of((*j.a, *j.b)) for j in bench.joins.values() if bench.is_faced(j))
    return frozenset(id for pieces in faced for id in pieces & bench.facings if pieces - bench.inner)


def ends_of_facings(bench: Workbench) -> Iterator[Finish]:
    """The lower ends of facings that a hem reaches."""
    fronts = _sewn_to_garment(bench)
    for finish in edges_of(bench, FinishKind.TURNED):
        if finish.parts and pieces_of(finish.parts) <= fronts:
            yield finish


def hem_at_ends(bench: Workbench, ends: Finish) -> Finish | None:
    """The hem that the lower ends of facings are closed at."""
    of = {x.of for x in bench.pattern.making.layers if x.kind is LayerKind.FACING and x.piece in pieces_of(ends.parts)}
    return next((f for f in edges_of(bench, FinishKind.HEM) if pieces_of(f.parts) & of), None)


def hems(bench: Workbench) -> Iterator[Finish]:
    """Hems that are not faced and not those of a ruffle, a pocket or a tie, which are made with it."""
    own = {id for detail in bench.details.values() for id in bench.parts_of(detail)}
    for finish in edges_of(bench, FinishKind.HEM):
        if finish.id not in own and not facing_of(bench, finish):
            yield finish


def is_sleeve(bench: Workbench, finish: Finish) -> bool:
    """Whether it ends sleeves, of their own or cut in one with the body."""
    return bench.panels(finish.parts) == {Panel.SLEEVE} or all(p.edge == "wrist" for p in finish.parts)


def is_pointed(bench: Workbench, finish: Finish) -> bool:
    """Whether a lower edge runs in points: no floor levels it."""
    for part in finish.parts:
        chain = bench.piece(part.piece).shapes[bench.size].edges[part.edge]
        for one, other in pairwise(chain):
            (ax, ay), (bx, by) = one.derivative(1.0), other.derivative(0.0)
            if abs(math.atan2(ax * by - ay * bx, ax * bx + ay * by)) > SHARP:
                return True
    return False


def is_shaped(bench: Workbench, finish: Finish) -> bool:
    """Whether a lower edge is curved up and out again, as of a shirt: it is not meant to hang level. A hem that is only
    flared bends one way."""
    return any(_bends_both_ways(bench, part) for part in finish.parts)


def _bends_both_ways(bench: Workbench, part: EdgePart) -> bool:
    run = flatten(bench.piece(part.piece).shapes[bench.size].edges[part.edge], COARSE)
    turned = [0.0, 0.0]
    for (ax, ay), (bx, by), (cx, cy) in zip(run, run[1:], run[2:], strict=False):
        u, v = (bx - ax, by - ay), (cx - bx, cy - by)
        by_angle = math.atan2(u[0] * v[1] - u[1] * v[0], u[0] * v[0] + u[1] * v[1])
        turned[by_angle > 0] += abs(by_angle)
    return min(turned) > BOTH_WAYS


def is_lining(bench: Workbench, finish: Finish) -> bool:
    return pieces_of(finish.parts) <= bench.linings


# ---------------------------------------------------------------- closures


def closures_of(bench: Workbench, *kinds: ClosureKind) -> Iterator[Closure]:
    return (closure for closure in bench.closures.values() if closure.kind in kinds and bench.parts(closure.join))


def drawn_through(bench: Workbench, finish: Finish) -> tuple[Closure, ...]:
    """The elastic or the ties that run in a casing: those on a seam of one of its pieces that no other casing has."""
    cased = list(edges_of(bench, FinishKind.CASING))
    free = list(closures_of(bench, ClosureKind.ELASTIC, ClosureKind.TIES))
    for one in cased:
        here = [c for c in free if pieces_of(bench.parts(c.join)) & pieces_of(one.parts)]
        if one is finish:
            return tuple(here)
        free = [c for c in free if c not in here]
    return ()


def is_drawn_by_ties(bench: Workbench, finish: Finish) -> bool:
    return any(c.kind is ClosureKind.TIES for c in drawn_through(bench, finish))
