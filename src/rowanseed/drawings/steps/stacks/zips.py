"""Zips as they lie on their seam: face down or face up, on which side, between or under which edges."""

from __future__ import annotations

from collections.abc import Sequence

from shapely.geometry.base import BaseGeometry

from rowanseed.core.base.words import lower_first
from rowanseed.core.geometry.outline import Point
from rowanseed.core.make.families.laps_of_zips import hands_of, lies_over
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.techniques.exposed_zip import SHOWN
from rowanseed.core.make.workbench import Workbench
from rowanseed.drawings.steps.opening import TAIL, TAPE, Edge, edges_of_opening, others
from rowanseed.drawings.steps.stack import Layer, Row, Stack, Stuff

BESIDE_COIL = 6.0
"""A separating zip is stitched so far from the edge beside it, in mm."""
APART = 70.0
"""The edges of an opening lie so far apart, in mm, where a zip is parted between them."""
CENTRED, LAP, FOLDED_UNDER = 6.0, 11.0, 3.0
"""A centred zip's rows and a lap's row run so far from the seam; an underlap is folded so far outside it, in mm."""


def _names(edges: Sequence[Edge]) -> str:
    return " and ".join(lower_first(edge.name) for edge in edges)


def _more(bench: Workbench, op: Operation, edges: Sequence[Edge]) -> str:
    return others(bench, op, [edge.lying.piece.id for edge in edges])


def _half(edge: Edge) -> Layer:
    """One tape of an open zip, face down on its edge: the coil on the stitching line, the tape towards the raw edge."""
    return Layer(edge.strip(-TAPE, tail=TAIL), Stuff.TAPE, "zip, face down", teeth=edge.line)


def closed_zip(edge: Edge, name: str) -> Layer:
    """A closed zip, its teeth on the stitching line."""
    shape: BaseGeometry = edge.strip(TAPE, tail=TAIL).union(edge.strip(-TAPE, tail=TAIL))
    return Layer(shape.buffer(0.05), Stuff.TAPE, name, teeth=edge.line)


def _across(edges: Sequence[Edge], mm: float) -> tuple[Point, ...]:
    """Down one side of a zip, across below it, and up the other, so far from its seam."""
    down, up = edges[0].inside(mm), edges[1].inside(mm)
    return (*down, *up[::-1])


def parted(bench: Workbench, op: Operation) -> Stack | None:
    """Both halves of an open zip on the right sides of their edges, basted, or stitched beside the coil."""
    edges = edges_of_opening(bench, op, gap=APART)
    if edges is None:
        return None
    by_hand = not op.bench.is_machine
    rows = tuple(
        Row(
            edge.inside(-TAPE / 2) if by_hand else edge.line,
            begins=not (by_hand or edge.goes_on),
            ends=not by_hand,
            by_hand=by_hand,
        )
        for edge in edges
    )
    how = "basted down the tape" if by_hand else "each stitched beside the coil, from the top down"
    words = (
        f"The {_names(edges)}, right side up, the zip open between them: one half face down on each edge, the coil on "
        f"the stitching line, the tape towards the raw edge; {how}."
    )
    layers = (*(edge.cloth() for edge in edges), *(_half(edge) for edge in edges))
    return Stack(layers, words + _more(bench, op, edges), rows=rows)


def separating(bench: Workbench, op: Operation) -> Stack | None:
    """The edges with their facings turned in, stitched through the tape between, from their lower ends up."""
    edges = edges_of_opening(bench, op, gap=2 * BESIDE_COIL)
    if edges is None:
        return None
    rows = tuple(Row(edge.inside(BESIDE_COIL)[::-1], begins=not edge.goes_on, ends=not edge.goes_on) for edge in edges)
    words = (
        f"The {_names(edges)}, right side up, their facings turned in, the zip between; each edge stitched beside it "
        "from its lower end up."
    )
    zipped = closed_zip(_between(edges, BESIDE_COIL), "zip, face up")
    return Stack((zipped, *(edge.cloth(folded_at=0.0) for edge in edges)), words + _more(bench, op, edges), rows=rows)


def _between(edges: Sequence[Edge], mm: float) -> Edge:
    """A line between two edges that lie apart by twice so much: where the teeth are."""
    first = edges[0]
    return Edge(first.lying, first.inside(-mm), first.piece_side, first.name)


def basted_on_the_seam(bench: Workbench, op: Operation) -> Stack | None:
    """A closed zip face down on the basted seam, seen from the wrong side."""
    edges = edges_of_opening(bench, op, right_side_up=False)
    if edges is None:
        return None
    words = (
        f"The {_names(edges)}, wrong side up, the basted seam pressed open between them; the closed zip face down on "
        "it, the middle of its coil on the seam, both tapes basted."
    )
    rows = tuple(Row(edge.inside(TAPE * 0.75), by_hand=True) for edge in edges)
    zipped = closed_zip(edges[0], "zip, face down")
    return Stack((*(edge.cloth(folded_at=0.0) for edge in edges), zipped), words + _more(bench, op, edges), rows=rows)


def centred(bench: Workbench, op: Operation) -> Stack | None:
    """Down one side of the seam, across below the stop and up the other, the zip underneath."""
    edges = edges_of_opening(bench, op)
    if edges is None:
        return None
    words = (
        f"The {_names(edges)}, right side up, the zip under the seam between them; the row runs down one side, across "
        "below the stop, and up the other."
    )
    cloths, is_top = tuple(edge.cloth(folded_at=0.0) for edge in edges), not edges[0].goes_on
    return Stack(
        cloths, words + _more(bench, op, edges), rows=(Row(_across(edges, CENTRED), begins=is_top, ends=is_top),)
    )


def exposed(bench: Workbench, op: Operation) -> Stack | None:
    """Both edges folded back from the teeth, the zip seen between them; basted all round, or stitched."""
    edges = edges_of_opening(bench, op)
    if edges is None:
        return None
    by_hand = not op.bench.is_machine
    cloths = tuple(edge.cloth(folded_at=-SHOWN) for edge in edges)
    if by_hand:
        rows: tuple[Row, ...] = (Row(_across(edges, SHOWN + 3.0), by_hand=True),)
        how = "basted all round"
    else:
        down, other = (edge.inside(SHOWN + 2.0) for edge in edges)
        is_top = not edges[0].goes_on
        rows = (Row((*down, other[-1]), begins=is_top, ends=True), Row(other, begins=is_top, ends=True))
        how = "from the top down one side and across below the stop, then from the top down the other side"
    words = (
        f"The {_names(edges)}, right side up, their edges folded back on both sides of the teeth; the zip face up "
        f"underneath, seen between them; {how}."
    )
    return Stack((closed_zip(edges[0], "zip, face up"), *cloths), words + _more(bench, op, edges), rows=rows)


def _lap_and_under(bench: Workbench, op: Operation, *, gap: float) -> tuple[Edge, Edge] | None:
    """The edge that laps and the one below it."""
    edges = edges_of_opening(bench, op, gap=gap)
    if edges is None:
        return None
    hands = hands_of(bench, bench.joins[bench.closures[op.on.closures[0]].join])
    first, second = edges
    over = first.hand == hands[0] if hands else lies_over(bench, first.lying.piece.id)
    return (first, second) if over else (second, first)


def underlap(bench: Workbench, op: Operation) -> Stack | None:
    """The zip under the fold of the underlap, its row from below the stop to the top."""
    found = _lap_and_under(bench, op, gap=APART)
    if found is None:
        return None
    lap, under = found
    teeth = Edge(under.lying, under.inside(-FOLDED_UNDER - 2.0), under.piece_side, under.name)
    words = (
        f"The {lower_first(under.name)}, right side up, folded outside its stitching line; the zip closed, face up "
        f"under the fold, which runs beside the coil; the {lower_first(lap.name)} lies open beside it."
    )
    layers = (closed_zip(teeth, "zip, face up"), under.cloth(folded_at=FOLDED_UNDER), lap.cloth())
    row = under.inside(2.0 - FOLDED_UNDER)[::-1]
    return Stack(layers, words + _more(bench, op, found), rows=(Row(row, begins=True, ends=not under.goes_on),))


def lapped(bench: Workbench, op: Operation) -> Stack | None:
    """The lap over the zip, basted, or stitched across below the stop and up beside its fold."""
    found = _lap_and_under(bench, op, gap=0.0)
    if found is None:
        return None
    lap, under = found
    by_hand = not op.bench.is_machine
    beside = lap.inside(LAP + 1.0 if by_hand else LAP)
    row = (
        Row(beside, by_hand=True) if by_hand else Row((lap.line[-1], *beside[::-1]), begins=True, ends=not lap.goes_on)
    )
    how = "basted straight down to the mark" if by_hand else "across below the stop from the seam, then up"
    words = (
        f"The {lower_first(lap.name)}, right side up, folded on its stitching line over the closed zip and the fold of "
        f"the {lower_first(under.name)}; {how}."
    )
    return Stack(
        (under.cloth(folded_at=FOLDED_UNDER), lap.cloth(folded_at=0.0)), words + _more(bench, op, found), rows=(row,)
    )


STACKS = {
    ("invisible zip", "baste"): parted,
    ("invisible zip", "zip"): parted,
    ("separating zip", "baste"): parted,
    ("separating zip", "zip"): separating,
    ("centred zip", "baste"): basted_on_the_seam,
    ("centred zip", "zip"): centred,
    ("exposed zip", "baste"): exposed,
    ("exposed zip", "zip"): exposed,
    ("lapped zip", "underlap"): underlap,
    ("lapped zip", "baste"): lapped,
    ("lapped zip", "zip"): lapped,
}
