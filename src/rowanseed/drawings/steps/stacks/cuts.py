"""What is reinforced and then cut into: slashes, slits, inward corners, the mouth of a welt pocket."""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence

from shapely.affinity import affine_transform
from shapely.geometry import LineString, Polygon
from shapely.geometry import Point as Spot
from shapely.ops import substring

from rowanseed.core.base.words import lower_first
from rowanseed.core.geometry.outline import Point
from rowanseed.core.make.families.inset_corners import SHORT
from rowanseed.core.make.families.slashed import BESIDE
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.techniques.welt_pocket import ROWS_APART, SHORTER
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.pieces import SLASHES, LineKind, Piece
from rowanseed.core.printing.lines import upright
from rowanseed.drawings.steps.folding import fold_of
from rowanseed.drawings.steps.paper import about, runs
from rowanseed.drawings.steps.places import place_of, width_of
from rowanseed.drawings.steps.placing import Lying, as_drawn, rigid
from rowanseed.drawings.steps.stack import Layer, Row, Stack, Stuff
from rowanseed.drawings.steps.stacks.pocket_bags import between

EDGESTITCHED = 2.0
"""A row runs so far beside the edge of a slit that is faced, in mm."""
ROUND_A_BEND = 60.0
"""So much is reinforced to both sides of a bend under the arm, in mm."""
BEFORE = 12.0
"""Where a cut forks to the corners, before its end, in mm."""
BEYOND = 80.0
"""The raw edge that a slash opens lies within so much of its stitching line, in mm."""
WITHIN = 1.0
"""A cut ends so far before the stitching, in mm."""


def slash_of(piece: Piece, size: str) -> tuple[Point, Point] | None:
    """The ends of a piece's slash, upright: where it opens, and its point."""
    line = next((line for line in piece.lines if line.kind is LineKind.PLACEMENT and line.id in SLASHES), None)
    if line is None or size not in line.ends:
        return None
    a, b = (upright(p) for p in line.ends[size])
    ring = Polygon(as_drawn(piece, size).seam()).exterior
    return (a, b) if ring.distance(Spot(a)) <= ring.distance(Spot(b)) else (b, a)


def whole(bench: Workbench, piece: Piece) -> Polygon:
    """What is cut of a piece, upright and right side up: of one on the fold both halves."""
    half, matrix = Polygon(as_drawn(piece, bench.size).cutting()).buffer(0), reflection(bench, piece)
    if matrix is None:
        return half
    both = half.union(affine_transform(half, matrix)).buffer(0.2).buffer(-0.2)
    # A splinter of no width may be left on the fold.
    return max(getattr(both, "geoms", [both]), key=lambda one: one.area)


def reflection(bench: Workbench, piece: Piece) -> list[float] | None:
    """The reflection about the edge that a piece is folded on, as Shapely writes a matrix; None for a whole piece."""
    fold = fold_of(bench, piece.id)
    if not fold:
        return None
    line = as_drawn(piece, bench.size).stitched((EdgePart(piece.id, fold),))
    (ax, ay), (bx, by) = line[0], line[-1]
    gone = math.dist((ax, ay), (bx, by)) or 1.0
    ux, uy = (bx - ax) / gone, (by - ay) / gone
    c, s = ux * ux - uy * uy, 2 * ux * uy
    return [c, s, s, -c, ax - c * ax - s * ay, ay - s * ax + c * ay]


def slashed(bench: Workbench, op: Operation) -> tuple[Piece, tuple[Point, Point]] | None:
    """The piece of the garment that is cut open, whole, and where."""
    own = {piece for detail in bench.details.values() for piece in detail.pieces}
    for id in op.on.pieces:
        piece = bench.piece(id)
        found = slash_of(piece, bench.size)
        if found is not None and id not in own and id not in bench.facings:
            return piece, _to_the_edge(found, whole(bench, piece))
    return None


def _to_the_edge(slash: tuple[Point, Point], whole: Polygon) -> tuple[Point, Point]:
    """A slash from the raw edge to its point."""
    (ax, ay), (bx, by) = slash
    gone = math.dist(*slash) or 1.0
    far = (ax - (bx - ax) / gone * BEYOND, ay - (by - ay) / gone * BEYOND)
    inside = [run for run in runs(LineString([far, slash[1]]).intersection(whole)) if len(run) > 1]
    first = min((p for run in inside for p in run), key=lambda p: math.dist(p, far), default=slash[0])
    return first, slash[1]


def _beside(slash: tuple[Point, Point], mm: float, at: Point) -> tuple[Point, Point]:
    """Two points so far to both sides of a slash at one of its ends."""
    (ax, ay), (bx, by) = slash
    gone = math.dist(*slash) or 1.0
    nx, ny = -(by - ay) / gone * mm, (bx - ax) / gone * mm
    return (at[0] + nx, at[1] + ny), (at[0] - nx, at[1] - ny)


def _cut(slash: tuple[Point, Point]) -> tuple[Point, Point]:
    """From where it opens to just before its point."""
    a, b = slash
    t = 1.0 - WITHIN / (math.dist(a, b) or 1.0)
    return a, (a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t)


def reinforced_slash(bench: Workbench, op: Operation) -> Stack | None:
    """A row down one side of the slash to its point and up the other, and the cut between."""
    found = slashed(bench, op)
    if found is None:
        return None
    piece, slash = found
    one, other = _beside(slash, BESIDE, slash[0])
    words = (
        f"The {lower_first(piece.name)}, right side up, about its slash: a row along both sides, which meet in one "
        "stitch across the point; the cut between them ends just before it."
    )
    window = about([slash], 0.6)
    layers = (Layer(whole(bench, piece).intersection(window), Stuff.RIGHT, piece.name, window),)
    return Stack(layers, words, rows=(Row((one, slash[1], other)),), cuts=(_cut(slash),))


def faced_slit(bench: Workbench, op: Operation) -> Stack | None:
    """The facing on the piece, slit line on slit line, the row round it and the cut."""
    found = slashed(bench, op)
    facing = next((bench.piece(id) for id in op.on.pieces if _is_facing(bench, id)), None)
    on_facing = slash_of(facing, bench.size) if facing is not None else None
    if found is None or facing is None or on_facing is None:
        return None
    piece, slash = found
    turned = [(-x, y) for x, y in on_facing]
    onto = rigid(turned[::-1], slash[::-1], 0.0)
    ring = [onto((-x, y)) for x, y in whole(bench, facing).exterior.coords]
    one, other = _beside(slash, BESIDE, slash[0])
    words = (
        f"The {lower_first(facing.name)} lies on the {lower_first(piece.name)}, right sides together, slit line on "
        "slit line; the row runs down one side to the end of the slit, across it, and up the other; the cut between."
    )
    shape = Polygon(ring).buffer(0)
    window = about([ring], 0.15)
    below = whole(bench, piece).intersection(window)
    layers = (Layer(below, Stuff.RIGHT, piece.name, window), Layer(shape, Stuff.WRONG, facing.name))
    rows = (Row((one, slash[1], other), begins=True, ends=True),)
    return Stack(layers, words, rows=rows, cuts=(_cut(slash),))


def slit_turned(bench: Workbench, op: Operation) -> Stack | None:
    """The slit cut open, its facing turned in, the row round it."""
    found = slashed(bench, op)
    if found is None:
        return None
    piece, slash = found
    (ax, ay), (bx, by) = slash
    below = 1.0 + EDGESTITCHED / (math.dist(*slash) or 1.0)
    end = (ax + (bx - ax) * below, ay + (by - ay) * below)
    opened = _beside(slash, BESIDE, slash[0])
    starts, turns = (_beside(slash, wide, at) for wide, at in ((BESIDE + EDGESTITCHED, slash[0]), (EDGESTITCHED, end)))
    window = about([slash], 0.6)
    ground = whole(bench, piece).difference(Polygon([opened[0], slash[1], opened[1]]).buffer(0.3))
    words = (
        f"The {lower_first(piece.name)}, right side up, about its slit, the facing turned in beneath it; the row runs "
        "down one side, across below the end, and up the other."
    )
    layers = (Layer(ground.intersection(window), Stuff.RIGHT, piece.name, window),)
    row = Row((starts[0], turns[0], turns[1], starts[1]), begins=True, ends=True)
    return Stack(layers, words, rows=(row,))


def _is_facing(bench: Workbench, id: str) -> bool:
    return id in bench.inner or any(id in detail.pieces for detail in bench.details.values())


def corner(reach: float, *, is_clipped: bool) -> Callable[[Workbench, Operation], Stack | None]:
    """The rows to both sides of a corner of a piece, and the clip into it."""

    def builds(bench: Workbench, op: Operation) -> Stack | None:
        piece = bench.piece(op.edges[0].piece)
        lying = as_drawn(piece, bench.size)
        names = [edge.edge for edge in op.edges if edge.piece == piece.id]
        lines = [lying.stitched((EdgePart(piece.id, name),)) for name in dict.fromkeys(names)]
        rows, cuts = [], []
        for k, one in enumerate(lines):
            for other in lines[k + 1 :]:
                for here, there in ((one, other), (other, one)):
                    if math.dist(here[-1], there[0]) < WITHIN:
                        rows.append(Row((*_last(here, reach), *_first(there, reach)[1:])))
                        cuts.append(_clip(lying, there[0]))
        if not rows:
            return None
        window = about([row.line for row in rows], 0.6)
        shape = Polygon(lying.cutting()).buffer(0).intersection(window)
        more = ", and the clip from the raw edge into it" if is_clipped else ""
        words = (
            f"The {lower_first(piece.name)}, right side up, at its corner: a row on the stitching line to both sides "
            f"of it{more}."
        )
        layers = (Layer(shape, Stuff.RIGHT, piece.name, window),)
        return Stack(layers, words, rows=tuple(rows), cuts=tuple(cuts) if is_clipped else ())

    return builds


def _last(line: Sequence[Point], mm: float) -> list[Point]:
    whole = LineString(line)
    return [(x, y) for x, y in substring(whole, max(0.0, whole.length - mm), whole.length).coords]


def _first(line: Sequence[Point], mm: float) -> list[Point]:
    return [(x, y) for x, y in substring(LineString(line), 0.0, mm).coords]


def _clip(lying: Lying, at: Point) -> tuple[Point, Point]:
    """From the raw edge to just before a corner of the stitching line."""
    ring = Polygon(lying.cutting()).exterior
    near = ring.interpolate(ring.project(Spot(at)))
    corners = [p for p in lying.cutting() if math.dist(p, at) < 3.0 * (near.distance(Spot(at)) + WITHIN)]
    x, y = (
        min(corners, key=lambda p: abs(math.dist(p, at) - near.distance(Spot(at)) * math.sqrt(2)))
        if corners
        else (
            near.x,
            near.y,
        )
    )
    gone = math.dist((x, y), at) or 1.0
    t = max(0.0, 1.0 - WITHIN / gone)
    return (x, y), (x + (at[0] - x) * t, y + (at[1] - y) * t)


def welt_mouth(bench: Workbench, op: Operation) -> Stack | None:
    """The two rows of a welt on the garment, and the cut that forks to their ends."""
    welt = bench.piece(op.on.pieces[0])
    place = place_of(bench, welt.id, width_of(welt, bench.size))
    if place is None:
        return None
    low = (place.left, place.right)
    high = between(low, ROWS_APART, SHORTER)
    middle = between(low, ROWS_APART / 2, BEFORE)
    words = (
        f"The {' and '.join(lower_first(name) for name in place.names)} about the mouth: two rows; the "
        "cut runs halfway between them and forks near its ends into the four ends of the rows. Welt and bag, which are "
        "not cut, are left out."
    )
    forks = tuple((middle[k], end) for k in (0, 1) for end in (low[k], high[k]))
    mouth = Polygon([*low, *high[::-1]]).buffer(30.0)
    return Stack(place.layers(mouth), words, rows=(Row(low), Row(high)), cuts=(middle, *forks))


STACKS = {
    ("continuous placket", "slash"): reinforced_slash,
    ("faced slit", "face"): faced_slit,
    ("faced slit", "turn"): slit_turned,
    ("half placket", "reinforce"): corner(SHORT, is_clipped=False),
    ("half placket", "open"): corner(SHORT, is_clipped=True),
    ("inset corner", "reinforce"): corner(SHORT, is_clipped=True),
    ("pivoted corner", "reinforce"): corner(SHORT, is_clipped=True),
    ("underarm in one with the side", "reinforce"): corner(ROUND_A_BEND, is_clipped=True),
    ("welt pocket", "slash"): welt_mouth,
}
