"""The block of a skirt, straight or A-line: from the waist to the hem, darts, folds or a yoke taking in what goes from
the hip. Skirts of another kind take the yoke above them from it."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

from rowanseed.core.compose.build import Build, Draw, Edges
from rowanseed.core.compose.drafting import OUT, UP, backwards, curve, ending_at, mirrored, straight, y_at
from rowanseed.core.compose.folded import fold_edge
from rowanseed.core.compose.folds import Folds, folds_in
from rowanseed.core.compose.hip_yokes import HipYoke, add_yoke, cut_apart, has_yoke
from rowanseed.core.compose.openings import is_wrapped_skirt
from rowanseed.core.compose.panels import Half
from rowanseed.core.compose.sizes import NARROWS, WIDENS, Size
from rowanseed.core.compose.skirts import (
    beyond,
    centre_cut,
    hip_depth_of,
    length_of,
    sew_skirt,
    skirt_ids,
    skirt_panel,
    waist_of,
)
from rowanseed.core.compose.vocabulary import Shaping, SkirtKind, Slit, WaistLevel
from rowanseed.core.compose.waist_darts import waist_darts
from rowanseed.core.geometry.outline import Chain, Point, chain_length, point_at
from rowanseed.core.geometry.solving import solve
from rowanseed.core.pattern.envelope import Structure
from rowanseed.core.pattern.pieces import LineKind
from rowanseed.core.pattern.turned_yoke import YOKE as YOKE_EDGE

FLARE = 0.13
"""How much an A-line widens at each side below the hip, for each mm of length."""
WAIST_RISE = 12.0
"""The waist rises so far from the centre to the side, in mm."""
FAR = 50.0
"""What laps by more than this, in mm, has the other half's lower edge there."""
DARTS, LEAST_TAKEN = 0.55, 12.0
"""Darts take in so much of what goes from a half between hip and waist, the side seam the rest; where that is less, in
mm, the side takes in all of it."""
IN_FRONT, BEHIND = 0.75, 1.25
"""Of a skirt of its own the front's darts take in less and the back's more, as belly and seat ask for (from memory)."""
FRONT_DART, BACK_DART = 0.5, 0.65
"""How long darts are, as a share of the depth of the hip."""
YOKE = 0.55
"""How deep a yoke is at the centre, as a share of the depth of the hip (from memory)."""


@dataclass(frozen=True)
class ShapedHalf:
    """A half of the block: how it is drawn whole, where its hip is, and what is taken in at its waist, in mm."""

    whole: Draw
    hip: Callable[[Size], float]
    taken: Callable[[Size], float]


def _shaped_half(build: Build, half: Half, flare_of: Callable[[Size], float]) -> ShapedHalf:
    edge = centre_cut(build, half)[0]
    forward = 5.0 if half.is_front else -5.0
    share = _share(build, half)
    mean = sum(_share(build, one) for one in (Half(True), Half(False))) / 2

    def hip(size: Size) -> float:
        return size.hip / 4 + forward

    def goes(size: Size) -> float:
        """What has to go from a quarter between hip and waist."""
        return max(0.0, (size.hip - waist_of(build, size)) / 4)

    def taken(size: Size, share: float) -> float:
        least = min(goes(one) for one in build.figures.sizes)
        return share * DARTS * goes(size) if least > LEAST_TAKEN else 0.0

    def whole(size: Size) -> Edges:
        long, wide, c = length_of(build, size), hip(size), beyond(build, half, size)
        level_at = hip_depth_of(size, long)
        flare = flare_of(size)
        # The side takes in the same on both halves, so that the side seams meet.
        goal = wide - goes(size) + taken(size, mean)
        # Below a high seam a flared side is straight from there to the hip.
        is_straight = flare > 0 and size.level is WaistLevel.HIGH
        leans = (lambda by: by / level_at) if is_straight else _leans
        side = solve(lambda by: chain_length(_rise(wide - by, leans(by))), goal, -20.0, 0.8 * wide)
        low, level = _foot(size, long, wide, flare), (level_at, wide)
        # The waist leaves the side at a right angle, so that it runs on without a corner.
        top = (-WAIST_RISE, wide - side)
        upper = straight(level, top) if is_straight else (curve(level, UP, top, (-1.0, -leans(side)), 0.4),)
        rise, hem = _rise(wide - side, leans(side)), _hem((long, 0.0), low, flare)
        waist = ending_at(_led_on(rise) if is_wrapped_skirt(build.description) else rise, c)
        lower = _hem((long, c), low, flare)
        if c < -FAR:
            lower = backwards(ending_at(_led_on(backwards(hem)), c))
        return {
            edge: straight(waist[-1].end, lower[0].start),
            "hem": lower,
            "side": (*straight(low, level), *upper),
            "waist": waist,
        }

    return ShapedHalf(whole, hip, lambda size: taken(size, share))


def _led_on(chain: Chain) -> Chain:
    """A line that runs in to the centre, and on across the other half as it runs there: so it lies level on that where
    it laps far over it."""
    return (*chain, *backwards(mirrored(chain, 0.0)))


def shaped_skirt(build: Build) -> tuple[Half, Half]:
    """Front and back of a straight or A-line skirt; their upper edges are to be finished, or sewn to a bodice."""
    asked = build.description.features.skirt
    usual = FLARE if asked is None or asked.kind is SkirtKind.A_LINE else 0.0

    def flare_of(size: Size) -> float:
        return usual if size.hem is None else _flare_to(size, length_of(build, size), size.hem)

    halves = (Half(True), Half(False))
    for half, id in zip(halves, skirt_ids(build), strict=True):
        shaped = _shaped_half(build, half, flare_of)
        yoked = is_yoked(build, half)
        draw, yoke = cut_apart(shaped.whole, _yoke(build, shaped)) if yoked else (shaped.whole, None)
        skirt_panel(build, half, id, draw)
        _hip_lines(build, id, shaped)
        if yoke is not None:
            add_yoke(build, half, yoke)
            continue
        build.line(
            id,
            LineKind.LEVEL,
            build.description.seam_level.level,
            lambda size, id=id: ((0.0, 0.0), (0.0, y_at(build.edge(id, "side", size), 0.0))),
        )
        _take_in(build, half, id, shaped.taken)
    sew_skirt(build, halves)
    _tell_stride(build, max(flare_of(size) for size in build.figures.sizes))
    return halves


def _hip_lines(build: Build, id: str, shaped: ShapedHalf) -> None:
    def across(size: Size, below: float = 0.0) -> tuple[Point, Point]:
        x = hip_depth_of(size, length_of(build, size)) + below
        return (x, 0.0), (x, shaped.hip(size))

    build.line(id, LineKind.LEVEL, "hip", across)
    build.line(id, LineKind.LENGTHEN_SHORTEN, "skirt-length", lambda size: across(size, 20.0))


def _take_in(build: Build, half: Half, id: str, taken: Callable[[Size], float]) -> None:
    """The folds or darts at the waist of a half."""
    asked, folds = build.description.features.skirt, _folds(build, half)

    def laps(size: Size) -> float:
        return max(0.0, -beyond(build, half, size))

    if folds and any(taken(size) == 0 for size in build.figures.sizes):
        build.assumed[f"features.{half.name}.shaping"] = f"the waist takes in too little for {folds.taken.words}s"
    elif folds:
        middle = lambda size: (chain_length(build.edge(id, "waist", size)) - laps(size)) / 2  # noqa: E731
        fold_edge(build, id, "waist", folds, taken=taken, middle=middle, down=1.0)
    elif _share(build, half) and all(taken(size) > 0 for size in build.figures.sizes):
        waist_darts(build, id, taken, _dart_long(half), laps)
        if (asked is None or asked.darts is None) and not _is_said(build):
            build.assumed["features.skirt.darts"] = "darts at its waist"


# ---------------------------------------------------------------- yokes


@dataclass(frozen=True)
class Above:
    """What half a skirt of another kind hangs from: the edge it is sewn to and how long that is, how far it lies below
    the waist, in mm; the yoke that is drawn there, if any."""

    edge: str
    long: Callable[[Size], float]
    deep: Callable[[Size], float] = lambda size: 0.0
    yoke: Draw | None = None


def above_skirt(build: Build, half: Half) -> Above:
    """The waist, or the yoke of this half."""
    if not is_yoked(build, half):
        return Above("waist", lambda size: waist_of(build, size) / 4)
    shaped = _shaped_half(build, half, lambda size: 0.0)
    below, yoke = cut_apart(shaped.whole, _yoke(build, shaped))
    return Above(
        YOKE_EDGE,
        lambda size: chain_length(below(size)[YOKE_EDGE]),
        lambda size: _yoke_deep(build, size),
        yoke,
    )


def sew_below(build: Build, half: Half, above: Above, ratio: float = 1.0) -> None:
    """Half a skirt that is drafted sewn to its yoke, so many times as full; nothing where it begins at the waist."""
    if above.yoke is not None:
        add_yoke(build, half, above.yoke, ratio)


def is_yoked(build: Build, half: Half) -> bool:
    return has_yoke(build, half) and not build.description.garment.has_bodice


def _yoke_deep(build: Build, size: Size) -> float:
    return YOKE * hip_depth_of(size, length_of(build, size))


def _yoke(build: Build, shaped: ShapedHalf) -> HipYoke:
    """A yoke straight across a half, which takes up what its darts would take in."""

    def beside(size: Size) -> float:
        """How far down the side it reaches."""
        chain, deep = shaped.whole(size)["side"], _yoke_deep(build, size)
        return solve(lambda mm: point_at(chain, chain_length(chain) - mm)[0], deep, 0.0, 2 * deep)

    return HipYoke(
        centre=lambda size: _yoke_deep(build, size) - shaped.whole(size)["waist"][-1].end[0],
        side=beside,
        waist=lambda size: chain_length(shaped.whole(size)["waist"]) - shaped.taken(size),
    )


def _foot(size: Size, long: float, wide: float, flare: float) -> Point:
    """Where side and hem meet: raised where the side leans, so that the hem runs on without a corner."""
    foot = long - flare * size.hip / 8
    return foot, wide + flare * max(0.0, foot - hip_depth_of(size, long))


def _hem(start: Point, low: Point, flare: float) -> Chain:
    return (curve(start, OUT, low, (-flare, 1.0)),) if flare else straight(start, low)


def _flare_to(size: Size, long: float, hem: float) -> float:
    """How far the sides lean for the hem that is printed, or as near as they may."""
    wide = size.hip / 4
    return solve(
        lambda flare: chain_length(_hem((long, 0.0), _foot(size, long, wide, flare), flare)), hem / 4, NARROWS, WIDENS
    )


STRIDE = 650.0
"""A straight skirt longer than this, in mm, needs a slit, a vent or a pleat to walk in (common practice, no source)."""


def _tell_stride(build: Build, flare: float) -> None:
    """Say where a straight skirt is too long to walk in without an opening at its hem."""
    features = build.description.features
    opens = features.vent or (features.skirt is not None and features.skirt.slit is not Slit.NONE)
    narrow = flare <= 0 and build.description.cloth is Structure.WOVEN and not opens
    if narrow and any(length_of(build, size) > STRIDE for size in build.figures.sizes):
        build.assumed["features.skirt.slit"] = "no slit or vent, though a straight skirt so long is hard to walk in"


def _is_shaped(build: Build, half: Half) -> bool:
    """Whether darts, pleats or tucks take in the waist of a half: where they are said to be, or else on both."""
    description = build.description
    sides = description.features.front, description.features.back
    own = sides[0 if half.is_front else 1]
    if _folds(build, half) is not None:
        return True
    if is_yoked(build, half) and not description.is_drawn_in:
        return True
    if description.seam_level is not WaistLevel.NATURAL:
        return False
    asked = description.features.skirt
    if description.is_drawn_in or (asked is not None and asked.darts is False):
        return False
    return own.has(Shaping.WAIST_DART) if _is_said(build) else True


def _is_said(build: Build) -> bool:
    """Whether the halves of a skirt of its own say which of them have darts."""
    description = build.description
    darted = any(side.has(Shaping.WAIST_DART) for _, side in description.features.sides)
    return darted and not description.garment.has_bodice


def _dart_long(half: Half) -> Callable[[Size], float]:
    return lambda size: size.hip_depth * (FRONT_DART if half.is_front else BACK_DART)


def _share(build: Build, half: Half) -> float:
    """What a half takes in at its waist beside the other; under a bodice both alike, so that the side seams meet."""
    if not _is_shaped(build, half):
        return 0.0
    plain = all(_is_shaped(build, one) and _folds(build, one) is None for one in (Half(True), Half(False)))
    if build.description.garment.has_bodice or not plain:
        return 1.0
    return IN_FRONT if half.is_front else BEHIND


def _folds(build: Build, half: Half) -> Folds | None:
    """Pleats or tucks at the waist, where the description shapes a skirt of its own by them."""
    if build.description.garment.has_bodice:
        return None
    features = build.description.features
    return folds_in((features.front if half.is_front else features.back).shaping)


def _leans(side: float) -> float:
    """How far the side leans in at the waist, for each mm down, where it takes so much in."""
    return max(0.0, min(0.3, side / 90.0))


def _rise(to: float, leans: float) -> Chain:
    """The waist from the side, where it stands a little higher, to the centre."""
    return (curve((-WAIST_RISE, to), (leans, -1.0), (0.0, 0.0), (0.0, -1.0), 0.18, 0.5),)
