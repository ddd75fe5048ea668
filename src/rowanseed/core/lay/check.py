"""The exact check of a plan against its problem, with a geometry library and none of the search's code.

No plan is given out before it has passed here. How cloth folds, which turns a grain allows, how a piece is turned and
which hands are wanted are said here once more, so that a mistake in the search's rules is not repeated.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache
from typing import TypeVar

from shapely import STRtree, affinity
from shapely.geometry import Point as Spot
from shapely.geometry import Polygon

from rowanseed.core.geometry.outline import Point
from rowanseed.core.lay.problem import LayCloth, LayKind, LayPiece, Placement, Plan, Problem, Stretch
from rowanseed.core.pattern.pieces import Grain

TOLERANCE = 0.05
"""Millimetres; a tenth of what the open checker of the format allows."""


ALIKE = 0.75
"""A piece no further than this, in mm, from its mirror image has no left and right."""
TURNS = {
    Grain.LENGTHWISE: (0, 180),
    Grain.CROSSWISE: (90, 270),
    Grain.EITHER: (0, 90, 180, 270),
    Grain.BIAS: (45, 135, 225, 315),
}
ONE_WAY = {0, 45, 90}
"""The turns that point as the tissue does, on one-way cloth."""


@dataclass(frozen=True)
class _Strip:
    low: float
    high: float
    double: bool
    folds: tuple[float, ...] = ()
    under: float = 0.0
    """Where the under layer's y = 0 stands on the open cloth, running back; the upper layer's is `over`."""
    over: float = 0.0


def _strips(stretch: Stretch, cloth: LayCloth) -> list[_Strip]:
    """The usable strips of a stretch, from how the cloth is folded: the selvedges come to lie at the far edge."""
    w, s, d = cloth.width, cloth.selvedge, stretch.depth or 0.0
    found = {
        LayKind.OPEN: [_Strip(s, w - s, False)],
        LayKind.FOLDED: [_Strip(low=0, high=w / 2 - s, double=True, folds=(0.0,), under=w / 2, over=w / 2)],
        LayKind.TWO_FOLDS: [
            _Strip(low=0, high=w / 4 - s, double=True, folds=(0.0,), under=w / 4, over=w / 4),
            _Strip(low=w / 4 + s, high=w / 2, double=True, folds=(w / 2,), under=w + w / 4, over=w / 4),
        ],
        LayKind.PART_FOLDED: [
            _Strip(low=0, high=d - s, double=True, folds=(0.0,), under=d, over=d),
            _Strip(low=d, high=w - d - s, double=False, over=d),
        ],
    }[stretch.lay]
    return [strip for strip in found if strip.high > strip.low]


Shape = TypeVar("Shape", Polygon, Spot)


def _put(shape: Shape, placement: Placement) -> Shape:
    """A shape of the piece frame where a placement puts it."""
    hand = affinity.scale(shape, 1, -1 if placement.mirrored else 1, origin=(0, 0))
    turned = affinity.rotate(hand, placement.turn, origin=(0, 0))
    moved: Shape = affinity.translate(turned, *placement.at)
    return moved


@lru_cache(maxsize=8192)
def _points(at: tuple[Point, ...], placement: Placement) -> tuple[Point, ...]:
    return tuple((p.x, p.y) for p in (_put(Spot(*point), placement) for point in at))


@lru_cache(maxsize=4096)
def _polygon(piece: LayPiece, placement: Placement) -> Polygon:
    """A piece where a placement puts it; the same one is looked at again and again while a lay is changed by hand."""
    return _put(Polygon(piece.whole() if placement.whole else piece.outline), placement)


@lru_cache(maxsize=1024)
def _is_alike(piece: LayPiece) -> bool:
    """Whether a piece has no left and right."""
    if piece.fold is not None:
        return True
    shape = Polygon(piece.outline)
    left, low, right, high = shape.bounds
    middle = ((left + right) / 2, (low + high) / 2)
    mirrored = (affinity.scale(shape, *way, origin=middle) for way in ((1, -1), (-1, 1)))
    return any(shape.exterior.hausdorff_distance(other.exterior) <= ALIKE for other in mirrored)


def _wanted(piece: LayPiece, alike: bool) -> tuple[int, int]:
    mirrored = piece.cut // 2 if piece.pair and not alike else 0
    return piece.cut - mirrored, mirrored


@dataclass(frozen=True)
class _Laid:
    label: str
    piece: LayPiece
    placement: Placement
    stretch: int
    polygon: Polygon
    box: tuple[float, float, float, float]
    region: _Strip

    @property
    def on_fold(self) -> bool:
        return self.piece.fold is not None and not self.placement.whole


def check(problem: Problem, plan: Plan) -> list[str]:
    """Every fault of a plan in words; an empty list if it is right."""
    faults = list(_stretch_faults(problem, plan))
    if faults:
        return faults
    laid = list(_lay_out(problem, plan))
    faults += [fault for item in laid for fault in _place_faults(problem, plan, item)]
    faults += _turn_faults(problem, laid)
    faults += _distance_faults(problem, laid)
    faults += _count_faults(problem, laid)
    faults += _match_faults(problem, plan, laid)
    faults += _pin_faults(problem, plan)
    for item in laid:
        faults += _bound_faults(problem, plan, item)
    return faults


def _stretch_faults(problem: Problem, plan: Plan) -> Iterator[str]:
    reached = 0.0
    for n, stretch in enumerate(plan.stretches):
        if abs(stretch.start - reached) > TOLERANCE or stretch.end <= stretch.start:
            yield f"stretch {n} does not follow the one before it"
        if stretch.lay not in problem.lays:
            yield f"stretch {n}: the lay {stretch.lay.value} is not asked for"
        if (stretch.lay is LayKind.PART_FOLDED) != (stretch.depth is not None):
            yield f"stretch {n}: a depth is for a part-folded stretch, and needed there"
        elif stretch.depth is not None and not problem.cloth.selvedge < stretch.depth <= problem.cloth.width / 2:
            yield f"stretch {n}: the fold is too deep or too narrow"
        reached = stretch.end
    if abs(plan.length - reached) > TOLERANCE:
        yield "the stretches do not add up to the plan's length"
    if problem.cloth.length is not None and plan.length > problem.cloth.length + TOLERANCE:
        yield "the plan is longer than the cloth in hand"


def _lay_out(problem: Problem, plan: Plan) -> Iterator[_Laid]:
    index = 0
    for n, stretch in enumerate(plan.stretches):
        strips = _strips(stretch, problem.cloth)
        for placement in stretch.placements:
            piece = problem.piece(placement.piece)
            polygon = _polygon(piece, placement)
            box = polygon.bounds
            region = min(strips, key=lambda strip: _outside(box, strip))
            yield _Laid(f"{piece.id}#{index}", piece, placement, n, polygon, box, region)
            index += 1


def _outside(box: tuple[float, float, float, float], region: _Strip) -> float:
    _, low, _, high = box
    return float(max(region.low - low, high - region.high))


def _place_faults(problem: Problem, plan: Plan, item: _Laid) -> Iterator[str]:
    stretch: Stretch = plan.stretches[item.stretch]
    left, _, right, _ = item.box
    if left < -TOLERANCE or right > stretch.end - stretch.start + TOLERANCE:
        yield f"{item.label} reaches out of its stretch"
    if _outside(item.box, item.region) > TOLERANCE:
        yield f"{item.label} reaches out of the usable cloth"
    if not _is_its_own(item.piece, item.placement):
        yield f"{item.label}: the outline is not the piece's at this place"
    if item.placement.whole and (item.piece.fold is None or item.region.double):
        yield f"{item.label}: only a fold piece on a single layer is laid whole"
    if item.on_fold and item.piece.fold is not None:
        ends = _points(item.piece.fold, item.placement)
        off = min((max(abs(y - fold) for _, y in ends) for fold in item.region.folds), default=1e9)
        if off > TOLERANCE:
            yield f"{item.label}: the fold edge is not on a fold"


@lru_cache(maxsize=4096)
def _is_its_own(piece: LayPiece, placement: Placement) -> bool:
    """Whether the outline written down is the piece's own at this place: point by point, or else as areas."""
    polygon, written = _polygon(piece, placement), placement.outline
    own = polygon.exterior.coords[:-1]
    if len(own) == len(written) and all(
        abs(a[0] - b[0]) <= TOLERANCE and abs(a[1] - b[1]) <= TOLERANCE for a, b in zip(own, written, strict=True)
    ):
        return True
    shape = Polygon(written)
    return bool(shape.is_valid and shape.symmetric_difference(polygon).area <= TOLERANCE * polygon.length)


def _turn_faults(problem: Problem, laid: list[_Laid]) -> Iterator[str]:
    for item in laid:
        turn = round(item.placement.turn) % 360
        if turn not in TURNS[item.piece.grain] or (
            (problem.cloth.one_way or item.piece.one_way) and turn not in ONE_WAY
        ):
            yield f"{item.label}: the turn {turn} is against the grain or the direction of the cloth"
        elif item.piece.slants:
            hand = -1 if item.placement.mirrored and not _is_alike(item.piece) else 1
            if hand * turn % 360 not in item.piece.slants:
                yield f"{item.label}: the turn {turn} is against the grain: it is to slant the other way to be matched"


def _distance_faults(problem: Problem, laid: list[_Laid]) -> Iterator[str]:
    polygons = [item.polygon for item in laid]
    near = STRtree(polygons).query(polygons, predicate="dwithin", distance=problem.gap) if polygons else []
    for n, m in sorted(zip(*near, strict=True)) if polygons else ():
        a, b = laid[m], laid[n]
        if m >= n or a.stretch != b.stretch:
            continue
        common = a.polygon.intersection(b.polygon)
        if common.area > TOLERANCE * 2:
            yield f"{b.label} overlaps {a.label}"
        elif problem.gap and a.polygon.distance(b.polygon) < problem.gap - TOLERANCE:
            yield f"{b.label} is nearer than the gap to {a.label}"


def _count_faults(problem: Problem, laid: list[_Laid]) -> Iterator[str]:
    for piece in problem.pieces:
        alike = _is_alike(piece)
        as_drawn, mirrored = _wanted(piece, alike)
        gives = [_gives(item, alike) for item in laid if item.piece is piece]
        total = (sum(g[0] for g in gives), sum(g[1] for g in gives))
        if total[0] < as_drawn or total[1] < mirrored:
            yield f"{piece.id}: too few are cut"
        for give in gives:
            left = (total[0] - give[0], total[1] - give[1])
            if left[0] >= as_drawn and left[1] >= mirrored:
                yield f"{piece.id}: one placement more than needed"
                break


def _gives(item: _Laid, alike: bool) -> tuple[int, int]:
    double = item.region.double and not item.on_fold
    if alike:
        return (2, 0) if double else (1, 0)
    if double:
        return (1, 1)
    return (0, 1) if item.placement.mirrored else (1, 0)


def _match_faults(problem: Problem, plan: Plan, laid: list[_Laid]) -> Iterator[str]:
    for n, match in enumerate(problem.matches):
        repeat = problem.cloth.repeat_x if match.axis == "x" else problem.cloth.repeat_y
        if repeat is None:
            continue
        spots = [
            spot
            for point in match.points
            for item in laid
            if item.piece.id == point.piece
            for spot in _spots(problem, plan, item, point.at, match.axis)
        ]
        target = match.phase if match.phase is not None else spots[0] if spots else 0.0
        for spot in spots:
            off = (spot - target) % repeat
            if min(off, repeat - off) > TOLERANCE * 2:
                yield f"match {n} does not hold"
                break


def _pin_faults(problem: Problem, plan: Plan) -> Iterator[str]:
    for pin in problem.pins:
        if not any(
            stretch.lay is pin.lay
            and p.piece == pin.piece
            and abs(p.at[0] - pin.at[0]) + abs(p.at[1] - pin.at[1]) < TOLERANCE
            for stretch in plan.stretches
            for p in stretch.placements
        ):
            yield f"{pin.piece} does not lie where it was pinned"


def _bound_faults(problem: Problem, plan: Plan, item: _Laid) -> Iterator[str]:
    """Selvedge, border, motif and forbidden patches."""
    piece, stretch = item.piece, plan.stretches[item.stretch]
    if piece.selvedge is not None:
        ends = _points(piece.selvedge, item.placement)
        sides = [side for side in (item.region.low, item.region.high) if side not in item.region.folds]
        if min(max(abs(y - side) for _, y in ends) for side in sides) > TOLERANCE:
            yield f"{item.label}: its edge does not lie along the selvedge"
    if piece.border is not None:
        spots = _spots(problem, plan, item, piece.border.at, "y")
        if any(abs(spot - piece.border.y) > TOLERANCE for spot in spots):
            yield f"{item.label} does not stand on the border"
    if piece.motif is not None:
        (x,), ys = _spots(problem, plan, item, piece.motif.at, "x"), _spots(problem, plan, item, piece.motif.at, "y")
        if not any(
            abs(x - px) < TOLERANCE and all(abs(y - py) < TOLERANCE for y in ys) for px, py in piece.motif.places
        ):
            yield f"{item.label} does not have its motif"
    for patch in problem.forbidden:
        for start, way in _folds_back(problem, plan, item):
            here = Polygon([(x - stretch.start, (y - start) * way) for x, y in patch])
            if here.intersection(item.polygon).area > TOLERANCE:
                yield f"{item.label} lies on a forbidden patch"


def _folds_back(problem: Problem, plan: Plan, item: _Laid) -> list[tuple[float, int]]:
    """For each layer, where the stretch's y begins on the open cloth and which way it runs."""
    zero, one = (_spots_at(problem, plan, item, y) for y in (0.0, 1.0))
    return [(a, 1 if b > a else -1) for a, b in zip(zero, one, strict=True)]


def _spots(problem: Problem, plan: Plan, item: _Laid, at: tuple[float, float], axis: str) -> list[float]:
    """Where a point stands on the cloth itself: along it once, across it on every layer."""
    stretch = plan.stretches[item.stretch]
    ((x, y),) = _points((at,), item.placement)
    return [stretch.start + x] if axis == "x" else _spots_at(problem, plan, item, y)


def _spots_at(problem: Problem, plan: Plan, item: _Laid, y: float) -> list[float]:
    """Where a height of the stretch stands on the open cloth, on each layer."""
    over = item.region.over + y
    return [over, item.region.under - y] if item.region.double else [over]
