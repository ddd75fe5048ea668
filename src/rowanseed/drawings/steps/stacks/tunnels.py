"""Elastic and cords in their tunnels: the row that makes a tunnel of a seam's allowances, and what is drawn in."""

from __future__ import annotations

from shapely.geometry import LineString, box
from shapely.geometry.base import BaseGeometry

from rowanseed.core.base.words import lower_first
from rowanseed.core.geometry.outline import Point
from rowanseed.core.make.families.seam_tunnels import GAP, INSIDE, tunnel_width
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.techniques.drawstring import HOLE, below_the_fold
from rowanseed.core.make.techniques.drawstring_in_a_seam import BESIDE, CLEAR, SHORTER
from rowanseed.core.make.turned import BESIDE as FROM_THE_FOLD
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import EdgePart, Join
from rowanseed.drawings.steps.stack import Layer, Row, Stack, Stuff
from rowanseed.drawings.steps.straight import ABOUT

HANGS, CORD = 70.0, 6.0
"""The ends of what is drawn in hang down so far, and a cord is drawn so wide, in mm."""
BELOW = 90.0
"""So much of the garment is drawn below a tunnel, in mm."""
SLANT = 0.3
"""The ends hang aslant, by this share of their length, so that both are seen."""


def _join_of(bench: Workbench, op: Operation) -> Join | None:
    found = (d for d in bench.details.values() if op.id.endswith(f"-{d.id}") and d.along)
    return next((bench.joins[d.along[0]] for d in found if d.along[0] in bench.joins), None)


def tunnel(bench: Workbench, op: Operation) -> Stack | None:
    """The allowances of a seam, pressed up together, and the row that holds them to what lies above it."""
    join = _join_of(bench, op)
    if join is None:
        return None
    wide, layers, ring = tunnel_width(bench, join), _seam(bench, join, Stuff.WRONG), _is_ring(bench, join)
    cord = op.technique == "drawstring in a seam"
    above, below = (lower_first(layer.name) for layer in layers)
    gap = GAP / 2 if ring and not cord else 0.0
    words = (
        f"The seam of the {above} and the {below} from inside, drawn straight: both allowances lie up on the {above}; "
        f"the row runs through them and the {above}, {bench.margin(wide)} from the seam."
        + (" A gap in it stays open at a side seam." if gap else "")
    )
    return Stack(layers, words, rows=_row(-wide, gap, is_sewn=False), folds=(_level(0.0),))


def in_a_seam(bench: Workbench, op: Operation) -> Stack | None:
    """The seam from outside, a cord coming out at its openings; elastic from inside, out of the gap of its row."""
    join = _join_of(bench, op)
    if join is None:
        return None
    wide, ring = tunnel_width(bench, join), _is_ring(bench, join)
    cord = op.technique == "drawstring in a seam"
    layers = _seam(bench, join, Stuff.RIGHT if cord else Stuff.WRONG)
    above, below = (lower_first(layer.name) for layer in layers)
    seam = f"The seam of the {above} and the {below}"
    if cord:
        front = next(iter(p.piece for p in (*join.b, *join.a)))
        beside = CLEAR if bench.piece(front).has_edge("opening") else BESIDE
        at, hole = ((-beside, -wide / 2), (beside, -wide / 2)), (wide - SHORTER) / 2
        words = f"{seam} at the centre front, right side up: the cord runs between seam and row and comes out at both "
        return Stack(
            (*layers, *_hanging(at, CORD, "cord")),
            f"{words}openings.",
            rows=_row(-wide, 0.0),
            cuts=tuple(((x, y - hole), (x, y + hole)) for x, y in at),
            folds=(_level(0.0), *_hidden(-wide / 2, beside, CORD)),
        )
    words = f"{seam} from inside: the elastic lies between seam and row"
    if not ring:
        words += ", its ends sewn down at the opening."
        return Stack(layers, words, rows=_row(-wide, 0.0), folds=(_level(0.0), *_hidden(-wide / 2, 0.0, wide - INSIDE)))
    ends = _hanging(((-GAP / 3, -wide / 2), (GAP / 3, -wide / 2)), wide - INSIDE, "elastic", upwards=True)
    folds = (_level(0.0), *_hidden(-wide / 2, GAP / 2, wide - INSIDE))
    return Stack(
        (*layers, *ends), f"{words}; its ends come out at the gap, to be lapped.", _row(-wide, GAP / 2), folds=folds
    )


def in_a_casing(bench: Workbench, op: Operation) -> Stack | None:
    """The turned edge from inside, both ends of the elastic out of the gap."""
    if op.turned is None or not op.edges:
        return None
    edge, ring = op.edges[0], bench.runs.over(tuple(EdgePart(e.piece, e.edge) for e in op.edges), each_hand=False).ring
    name = bench.piece(edge.piece).name
    deep = op.turned.deep(bench.edge_allowance(EdgePart(edge.piece, edge.edge)))
    row, use = deep - FROM_THE_FOLD, next((use.wide for use in op.uses if use.wide), deep / 2)
    layers = (
        _cloth(name, Stuff.WRONG, 0.0, BELOW, above=False),
        Layer(box(-ABOUT, 0.0, ABOUT, deep), Stuff.RIGHT, "casing", box(-ABOUT, -1.0, ABOUT, deep + 1.0)),
    )
    words = f"The {lower_first(name)} from inside, its edge turned down into a casing: the elastic lies in it"
    middle = row / 2
    if not ring:
        return Stack(
            layers, f"{words}, its ends sewn down at the ends.", _row(row, 0.0), folds=_hidden(middle, 0.0, use)
        )
    ends = _hanging(((-GAP / 3, middle), (GAP / 3, middle)), use, "elastic")
    return Stack(
        (*layers, *ends),
        f"{words}; its ends come out at the gap of the row, to be lapped.",
        rows=_row(row, GAP / 2),
        folds=_hidden(middle, GAP / 2, use),
    )


def cord_in_a_casing(bench: Workbench, op: Operation) -> Stack | None:
    """The turned edge from outside, the cord coming out at its openings."""
    if op.turned is None or not op.edges:
        return None
    edge = op.edges[0]
    part = EdgePart(edge.piece, edge.edge)
    allowance, name = bench.edge_allowance(part), bench.piece(edge.piece).name
    middle, row = below_the_fold(allowance), op.turned.deep(allowance) - FROM_THE_FOLD
    at = ((-BESIDE, middle), (BESIDE, middle))
    words = (
        f"The {lower_first(name)} at the centre front, right side up, its edge turned to the inside: the cord runs in "
        "the tunnel above the row and comes out at both openings."
    )
    return Stack(
        (_cloth(name, Stuff.RIGHT, 0.0, BELOW, above=False), *_hanging(at, CORD, "cord")),
        words,
        rows=_row(row, 0.0),
        cuts=tuple(((x, y - HOLE / 2), (x, y + HOLE / 2)) for x, y in at),
        folds=_hidden(middle, BESIDE, CORD),
    )


def _is_ring(bench: Workbench, join: Join) -> bool:
    return bench.runs.over(join.b, each_hand=join.each_hand).ring


def _seam(bench: Workbench, join: Join, stuff: Stuff) -> tuple[Layer, Layer]:
    """What lies above a seam and what lies below it; from inside the lower one goes on over it by its allowance."""
    above, below = bench.piece(join.b[0].piece).name, bench.piece(join.a[0].piece).name
    over = bench.edge_allowance(join.b[0]) if stuff is Stuff.WRONG else 0.0
    return (
        _cloth(above, stuff, -BELOW, 0.0, below=over > 0),
        _cloth(below, stuff, -over, BELOW, above=False),
    )


def _cloth(name: str, stuff: Stuff, top: float, low: float, *, above: bool = True, below: bool = True) -> Layer:
    """Cloth that goes on to both sides, and where nothing ends it, upwards and downwards."""
    window = box(-ABOUT, top - (0.0 if above else 1.0), ABOUT, low + (0.0 if below else 1.0))
    return Layer(box(-ABOUT, top, ABOUT, low), stuff, name, window)


def _row(y: float, gap: float, *, is_sewn: bool = True) -> tuple[Row, ...]:
    """A row across, with a gap in its middle; it begins and ends there while it is being sewn."""
    if not gap:
        return (Row(_level(y)),)
    return Row(((gap, y), (ABOUT, y)), begins=not is_sewn), Row(((-ABOUT, y), (-gap, y)), ends=not is_sewn)


def _level(y: float) -> tuple[Point, Point]:
    return (-ABOUT, y), (ABOUT, y)


def _hidden(y: float, beside: float, wide: float) -> tuple[tuple[Point, ...], ...]:
    """What lies inside a tunnel, dashed: both of its edges, from a gap or an opening on to both sides."""
    edges = (y - wide / 2, y + wide / 2)
    return tuple(((side * beside, e), (side * ABOUT, e)) for side in (-1.0, 1.0) for e in edges)


def _hanging(at: tuple[Point, Point], wide: float, name: str, *, upwards: bool = False) -> tuple[Layer, ...]:
    """Both ends of what is drawn in, where they come out."""
    down = -HANGS if upwards else HANGS
    shapes: list[BaseGeometry] = []
    for (x, y), side in zip(at, (-1.0, 1.0), strict=True):
        line = LineString([(x, y), (x + side * SLANT * HANGS, y + down)])
        shapes.append(line.buffer(wide / 2, cap_style="flat"))
    return tuple(
        Layer(shape, Stuff.TAPE, f"{name}, {which} end")
        for shape, which in zip(shapes, ("one", "the other"), strict=True)
    )


STACKS = {
    ("drawstring in a seam", "tunnel"): tunnel,
    ("elastic in a seam", "tunnel"): tunnel,
    ("drawstring in a seam", "cord"): in_a_seam,
    ("elastic in a seam", "elastic"): in_a_seam,
    ("casing", "thread"): in_a_casing,
    ("drawstring", "thread"): cord_in_a_casing,
}
