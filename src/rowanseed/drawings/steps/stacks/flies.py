"""A fly: its facing on the lap, the zip or the shield under the other front, the curved row on the right side."""

from __future__ import annotations

from dataclasses import replace

from shapely.geometry import LineString, Polygon
from shapely.geometry import Point as Spot
from shapely.ops import substring

from rowanseed.core.base.words import lower_first
from rowanseed.core.geometry.outline import Point
from rowanseed.core.make.families.flies import BEFORE, LAP, sides
from rowanseed.core.make.holes import holes_of_piece
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.techniques.button_fly import SET_BACK
from rowanseed.core.make.techniques.fly_zip import ROWS_OF_TAPE
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import DetailKind
from rowanseed.core.pattern.pieces import Piece
from rowanseed.drawings.steps.opening import TAPE, Edge, edges_of_opening
from rowanseed.drawings.steps.placing import as_drawn
from rowanseed.drawings.steps.stack import Layer, Row, Stack, Stuff
from rowanseed.drawings.steps.stacks.zips import APART, closed_zip

BESIDE = 2.0
"""The fold of the underlap lies so far beside the teeth, and is stitched so far from its edge, in mm."""
BELOW = 15.0
"""Facing and shield go on so far below the end of the opening, in mm."""
EXTENSION = 45.0
"""What a front goes on beyond its centre without a facing is drawn so wide, in mm."""
CURVE = 8
"""The curve of the topstitching is drawn by so many lines."""


def _fronts(bench: Workbench, op: Operation, *, gap: float = 0.0, from_right: bool = True) -> tuple[Edge, Edge] | None:
    """The front that laps and the one below it."""
    edges = edges_of_opening(bench, op, gap=gap, right_side_up=from_right)
    if edges is None:
        return None
    lap = sides(bench)[0]
    first, second = sorted(edges, key=lambda edge: edge.hand != lap)
    return first, second


def _own(bench: Workbench, op: Operation, kind: int) -> Piece | None:
    """The facing (0) or the shield (1) of the fly, where the pattern has them."""
    fly = next((d for d in bench.details_of(DetailKind.FLY) if bench.closures[op.on.closures[0]].join in d.along), None)
    return bench.piece(fly.pieces[kind]) if fly is not None and len(fly.pieces) > kind else None


def _wide(piece: Piece, size: str) -> float:
    left, top, right, low = Polygon(as_drawn(piece, size).seam()).bounds
    return float(min(right - left, low - top))


def facing(bench: Workbench, op: Operation) -> Stack | None:
    """The facing on the lap, right sides together, sewn from the waist to the end of the opening."""
    found, piece = _fronts(bench, op, gap=APART), _own(bench, op, 0)
    if found is None or piece is None:
        return None
    lap, _ = found
    allowance = bench.edge_allowance(bench.joins[bench.closures[op.on.closures[0]].join].a[0])
    shape = lap.strip(_wide(piece, bench.size), tail=BELOW).union(lap.strip(-allowance, tail=BELOW)).buffer(0.05)
    words = (
        f"The {lower_first(piece.name)} lies on the {lower_first(lap.name)}, right sides together, its long raw edge "
        "level with the front's; sewn from the waist down to the end of the opening, and secured there."
    )
    layers = (lap.cloth(), Layer(shape, Stuff.WRONG, piece.name))
    return Stack(layers, words, rows=(Row(lap.line, begins=True, ends=True),))


def underlap(bench: Workbench, op: Operation) -> Stack | None:
    """What lies under the fold of the lower front: the zip, and the shield below it."""
    found = _fronts(bench, op, gap=APART)
    if found is None:
        return None
    _, under = found
    shield, zipped = _own(bench, op, 1), op.technique == "fly zip"
    below: tuple[Layer, ...] = ()
    # Its open edges lie level with the zip's tape, or with the edge of the allowance.
    inner = TAPE - BEFORE - BESIDE if zipped else -BEFORE
    if shield is not None:
        wide = _wide(shield, bench.size)
        shape = under.strip(inner - wide, tail=BELOW)
        shape = shape.union(under.strip(inner, tail=BELOW)) if inner > 0 else shape
        below = (Layer(shape.buffer(0.05), Stuff.RIGHT, shield.name),)
    teeth = replace(under, line=under.inside(-BEFORE - BESIDE))
    parts = (*below, *((closed_zip(teeth, "zip, face up"),) if zipped else ()))
    what = " and ".join(["the closed zip, face up"] * zipped + ["the shield"] * (shield is not None))
    words = (
        f"The {lower_first(under.name)}, right side up, its allowance folded outside the centre line; under the fold "
        f"{what}; edgestitched from the lower end to the waist."
    )
    row = Row(under.inside(BESIDE - BEFORE)[::-1], begins=True, ends=True)
    return Stack((*parts, under.cloth(folded_at=BEFORE)), words, rows=(row,))


def tape(bench: Workbench, op: Operation) -> Stack | None:
    """The lap from inside, its facing turned in, the free tape of the zip on that, and the two rows through both."""
    found, piece = _fronts(bench, op, from_right=False), _own(bench, op, 0)
    if found is None:
        return None
    lap, _ = found
    wide = _wide(piece, bench.size) if piece is not None else EXTENSION
    name = piece.name if piece is not None else "extension"
    teeth = replace(lap, line=lap.inside(BEFORE + BESIDE))
    words = (
        f"The {lower_first(lap.name)} from inside, with the {lower_first(name)} turned in; the zip's back is seen, its "
        f"free tape on the {lower_first(name)}, sewn down in two rows; the front itself is folded out of their way."
    )
    layers = (
        lap.cloth(folded_at=0.0),
        Layer(lap.strip(wide, tail=BELOW), Stuff.RIGHT, name),
        closed_zip(teeth, "zip, its back"),
    )
    rows = tuple(Row(teeth.inside(mm)) for mm in ROWS_OF_TAPE)
    return Stack(layers, words, rows=rows)


def holes_behind(bench: Workbench, op: Operation) -> Stack | None:
    """The lap from inside, and on its facing the strip with the holes, its open edges sewn down."""
    found, piece = _fronts(bench, op, from_right=False), _own(bench, op, 0)
    own = [bench.piece(id) for id in op.on.pieces]
    if found is None or piece is None or not own:
        return None
    lap, _ = found
    strip, wide = own[0], _wide(own[0], bench.size)
    inner = lap.strip(SET_BACK, tail=BELOW)
    words = (
        f"The {lower_first(lap.name)} from inside, with the {lower_first(piece.name)} turned in; on it the "
        f"{lower_first(strip.name)}, its fold just inside the front's edge, its open edges sewn to the facing."
    )
    layers = (
        lap.cloth(folded_at=0.0),
        Layer(lap.strip(_wide(piece, bench.size), tail=BELOW), Stuff.RIGHT, piece.name),
        Layer(lap.strip(SET_BACK + wide).difference(inner), Stuff.RIGHT, strip.name),
    )
    return Stack(layers, words, rows=(Row(lap.inside(SET_BACK + wide - 2 * BESIDE)),))


def pressed(bench: Workbench, op: Operation) -> Stack | None:
    """Both fronts from inside: the facing turned in on the lap, the allowance folded on the underlap."""
    found, piece = _fronts(bench, op, gap=APART, from_right=False), _own(bench, op, 0)
    if found is None:
        return None
    lap, under = found
    wide = _wide(piece, bench.size) if piece is not None else EXTENSION
    name = piece.name if piece is not None else "extension"
    deep = bench.edge_allowance(bench.joins[bench.closures[op.on.closures[0]].join].a[0]) - BEFORE
    turned = under.strip(deep - BEFORE).union(under.strip(-BEFORE)).buffer(0.05)
    words = (
        f"Both fronts from inside. The {lower_first(lap.name)}: the {lower_first(name)} turned in at the stitching "
        f"line. The {lower_first(under.name)}: its allowance folded {bench.margin(BEFORE)} outside that line."
    )
    layers = (
        lap.cloth(folded_at=0.0),
        Layer(lap.strip(wide, tail=BELOW), Stuff.RIGHT, name),
        under.cloth(folded_at=BEFORE),
        Layer(turned, Stuff.RIGHT, "allowance, folded"),
    )
    return Stack(layers, words, folds=(lap.line, under.inside(-BEFORE)))


def buttons(bench: Workbench, op: Operation) -> Stack | None:
    """The shield under the fold of the lower front, and on it the buttons, where the lap's holes come to lie."""
    found, shield, strip = _fronts(bench, op), _own(bench, op, 1), _own(bench, op, 2)
    if found is None or shield is None or strip is None:
        return None
    _, under = found
    holes = holes_of_piece(bench, strip)
    if not holes:
        return None
    top = min(p[0] for chain in strip.shapes[bench.size].edges.values() for p in (chain[0].start, chain[-1].end))
    # The lap's edge lies on this front's centre line; its strip is set back from there.
    inside = SET_BACK + _to_the_fold(strip, bench.size, holes[0].mark)
    line = LineString(under.inside(-inside))
    at = [line.interpolate(hole.mark[0] - top) for hole in holes]
    wide = _wide(shield, bench.size)
    words = (
        f"The {lower_first(under.name)}, right side up, with the {lower_first(shield.name)} under its fold; the "
        "buttons stand on it where the holes of the closed lap come to lie."
    )
    below = Layer(under.strip(-BEFORE - wide, tail=BELOW).buffer(0.05), Stuff.RIGHT, shield.name)
    return Stack((below, under.cloth(folded_at=BEFORE)), words, buttons=tuple((p.x, p.y) for p in at))


def _to_the_fold(strip: Piece, size: str, mark: Point) -> float:
    """How far a hole's mark lies from the fold of its strip, in mm; half the strip's width where no fold is drawn."""
    fold = next((cut.fold for cut in strip.cuts if cut.fold is not None), None)
    if fold is None:
        return _wide(strip, size) / 2
    line = LineString([p for s in strip.shapes[size].edges[fold] for p in (s.start, s.end)])
    return float(line.distance(Spot(mark)))


def topstitched(bench: Workbench, op: Operation) -> Stack | None:
    """The row on the right side of the lap, from its curve's end up to the waist."""
    found = _fronts(bench, op)
    if found is None:
        return None
    lap, under = found
    words = (
        f"The {lower_first(lap.name)} laps over the {lower_first(under.name)}, right side up; the row begins in the "
        "seam below the opening, curves, and runs up parallel to the fold to the waist."
    )
    cloths = (under.cloth(folded_at=0.0), lap.cloth(folded_at=0.0))
    return Stack(cloths, words, rows=(Row(_curved(lap), begins=True, ends=True),))


def _curved(lap: Edge) -> tuple[Point, ...]:
    """From the end of the opening in a curve to the line beside the fold, and up."""
    beside = LineString(lap.inside(LAP))
    straight = [(x, y) for x, y in substring(beside, 0.0, max(LAP, beside.length - 1.5 * LAP)).coords]
    a, corner, b = lap.line[-1], beside.coords[-1], straight[-1]
    curve = []
    for k in range(CURVE):
        t = k / CURVE
        curve.append(
            tuple((1 - t) ** 2 * p + 2 * t * (1 - t) * q + t * t * r for p, q, r in zip(a, corner, b, strict=True))
        )
    return (*((x, y) for x, y in curve), *straight[::-1])


STACKS = {
    ("fly zip", "facing"): facing,
    ("fly zip", "underlap"): underlap,
    ("fly zip", "extensions"): pressed,
    ("fly zip", "baste"): tape,
    ("fly zip", "zip"): topstitched,
    ("button fly", "facing"): facing,
    ("button fly", "underlap"): underlap,
    ("button fly", "baste"): holes_behind,
    ("button fly", "lap"): topstitched,
    ("button fly", "extensions"): pressed,
    ("button fly", "buttons"): buttons,
}
