"""Trousers: front and back leg from waist to hem, drafted on the hip and the crotch depth.

By the proportions that drafting books share, from memory: a quarter of the hip for each half, a front fork of a
twentieth of the hip and a back one of a tenth, the crease in the middle of the leg.
"""

from __future__ import annotations

import math

from rowanseed.core.base.units import in_both
from rowanseed.core.compose.bands import cuff
from rowanseed.core.compose.build import Build, Draw, Edges, part
from rowanseed.core.compose.drafting import DOWN, UP, curve, straight, y_at
from rowanseed.core.compose.ease import is_yoked_at_waist
from rowanseed.core.compose.figures import sewn_below
from rowanseed.core.compose.folded import fold_edge
from rowanseed.core.compose.folds import Folds
from rowanseed.core.compose.hems import hem
from rowanseed.core.compose.hip_yokes import HipYoke, add_yoke, cut_apart, has_yoke
from rowanseed.core.compose.panels import Half
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.stretched_bands import Sewn, stretched_on
from rowanseed.core.compose.vocabulary import LegEnd, LegKind, Shaping
from rowanseed.core.compose.waist_darts import waist_darts
from rowanseed.core.geometry.outline import Chain, chain_length
from rowanseed.core.geometry.solving import solve
from rowanseed.core.pattern.below_waist import LEGS
from rowanseed.core.pattern.envelope import Figure, Structure
from rowanseed.core.pattern.making import Closure, ClosureKind, FinishKind, Press
from rowanseed.core.pattern.pieces import Corner, LineKind, Panel, Taken
from rowanseed.core.pattern.turn_ups import TURN_UPS, folds, turn_up, whole

FORK = {True: 0.05, False: 0.105}
"""How far the fork reaches beyond the centre, as a share of the hip: front, back."""
LEAN, LEAN_TO_A_YOKE = {True: 12.0, False: 32.0}, 40.0
"""How far the centre leans in at the waist, in mm: of the back more below a yoke, which so turns less (from memory)."""
LEAST_DART = 3.0
"""A half that would take in less at its waist, in mm, has no dart there."""
FRONT_HIP = -6.0
"""The front's share of the hip is so much more than a quarter of it, in mm."""
FRONT_WAIST, ABOVE_PLEATS = 12.0, -6.0
"""So much more is the front's share of the waist: its dart takes in 10 to 20 mm, and the back's 20 to 40, as belly and
seat ask for; above pleats less, which take in more (from memory)."""
PULLED_UP = 5.0
"""A waist that is drawn in is at least twice so much wider, in mm, than the hip that it is pulled up over."""
FRONT_DART, BACK_DART = 95.0, 125.0
"""How long darts are, in mm."""
RISE, RISE_BELOW = 22.0, 8.0
"""The back's waist rises so far above the front's at the centre, in mm; less below a bodice, which brings length of its
own with it (from memory)."""
LEAN_BELOW = {True: 8.0, False: 18.0}
"""Below a bodice the centre leans in less, in mm, so that it runs on from the bodice's without a corner (from
memory)."""
LEG_CUFF = 45.0
"""How deep a cuff of a leg is, in mm."""
ENDS = {LegKind.STRAIGHT: 0.43, LegKind.WIDE: 0.56, LegKind.TAPERED: 0.33, LegKind.SHORTS: 0.60}
"""The leg's girth at its end as a share of the hip."""
INNER = 0.28
"""The inner leg leaves the fork outwards by so much for each mm down."""
HEEL = {Figure.WOMEN: 330.0, Figure.MEN: 360.0, Figure.CHILDREN: 280.0, Figure.UNISEX: 360.0}
"""Round heel and instep, in mm, from memory."""
YOKE_AT_SIDE, YOKE_AT_CENTRE = 0.19, {True: 0.22, False: 0.32}
"""How deep a yoke is at the side and at the centre, as a share of the crotch depth (from memory)."""


TORSO = 20.0
"""Legs below a bodice are so much deeper in the crotch, in mm: she bends and sits in it as in one length (common
practice, no source)."""
FORWARD = 5.0
"""Below a bodice the front's share of the waist is so much more than a quarter, in mm, as the bodice's is."""


def leg_ids(build: Build) -> tuple[str, str]:
    """Below a bodice the legs' pieces are called so."""
    return ("trouser-front", "trouser-back") if _is_below(build) else ("front", "back")


def _is_below(build: Build) -> bool:
    return build.description.garment.has_bodice


def _length(build: Build, size: Size) -> float:
    """From the waist to the hem, or to the ruffle that is sewn there."""
    above = size.seam if _is_below(build) else 0.0
    return size.length - above - sewn_below(build.description)


def _depth(build: Build, size: Size) -> float:
    """How deep the crotch lies below the waist, in mm."""
    return size.crotch_depth + (TORSO if _is_below(build) else 0.0)


def _is_straight(build: Build) -> bool:
    """Drawn in at the waist by elastic or a cord: no darts, the waist as wide as the hip nearly."""
    return build.description.is_drawn_in


def trousers(build: Build) -> tuple[Half, Half]:
    halves = (Half(True), Half(False))
    for half, id in zip(halves, leg_ids(build), strict=True):

        def whole(size: Size, half: Half = half) -> Edges:
            return _leg(build, size, is_front=half.is_front)

        yoked = has_yoke(build, half) and not _is_below(build)
        draw, yoke = cut_apart(whole, _yoke(build, half, whole)) if yoked else (whole, None)
        panel = Panel.FRONT if half.is_front else Panel.BACK
        build.piece(id, f"Trouser {half.name}", draw, panel=panel, count=2, pair=True, hem=("hem",))
        build.line(
            id,
            LineKind.LEVEL,
            "hip",
            lambda size, half=half: (
                (0.8 * _depth(build, size), 0.0),
                (0.8 * _depth(build, size), _hip(size, is_front=half.is_front)),
            ),
        )
        if not yoked:
            build.line(
                id,
                LineKind.LEVEL,
                "waist",
                lambda size, id=id: (
                    (0.0, y_at(build.edge(id, "crotch", size), 0.0)),
                    (0.0, build.edge(id, "waist", size)[0].start[1]),
                ),
            )
        build.line(
            id,
            LineKind.LENGTHEN_SHORTEN,
            "crotch-depth",
            lambda size, id=id: (
                (x := 0.6 * _depth(build, size), y_at(build.edge(id, "crotch", size), x)),
                (x, y_at(build.edge(id, "outseam", size), x)),
            ),
        )
        build.line(
            id,
            LineKind.LENGTHEN_SHORTEN,
            "leg-length",
            lambda size: ((x := _depth(build, size) + 150.0, 30.0), (x, size.hip / 4 - 30.0)),
        )
        half.neck, half.side, half.lower = [part(id, "waist")], [part(id, "outseam")], [part(id, "hem")]
        half.centre = [part(id, "crotch")]
        if yoke is not None:
            add_yoke(build, half, yoke)
        elif not _is_straight(build):
            _dart(build, half)
    _sew(build, halves)
    return halves


def _sew(build: Build, halves: tuple[Half, Half]) -> None:
    front, back = halves
    under = LEGS if _is_below(build) else ""
    sides = "Trouser side seams" if under else "Side seams"
    inner = tuple((part(half.lower[0].piece, "inseam"),) for half in halves)
    build.join(f"{under}outseams", sides, front.side, back.side, each_hand=True)
    build.join("inseams", "Inner leg seams", *inner, each_hand=True)
    for half in halves:
        left, right = (tuple(part(p.piece, p.edge, hand) for p in half.centre) for hand in ("left", "right"))
        name = f"Trousers, centre {half.name} seam" if under else f"Centre {half.name} seam"
        build.join(f"{under}centre-{half.name}", name, left, right)


def _end(build: Build, size: Size) -> float:
    """The girth of a leg's end, in mm: a heel goes through it where the cloth does not stretch."""
    if size.hem is not None:
        return size.hem
    heel = HEEL[build.description.figure] if build.description.cloth is Structure.WOVEN else 0.0
    return max(ENDS[build.description.features.legs.kind] * size.hip, heel)


def _hip(size: Size, *, is_front: bool) -> float:
    return size.hip / 4 + (FRONT_HIP if is_front else -FRONT_HIP)


def _waist(build: Build, size: Size, *, is_front: bool) -> float:
    """How long the waist of a half is, its darts closed."""
    waist = size.waist if size.waist is not None else size.body_waist + 20.0
    if _is_below(build):
        return waist / 4 + (FORWARD if is_front else -FORWARD)
    more = ABOVE_PLEATS if build.description.features.legs.pleats else FRONT_WAIST
    return waist / 4 + (more if is_front else -more)


def _taken(build: Build, size: Size, *, is_front: bool) -> float:
    """What goes from a half between hip and waist, beyond what its centre leans in."""
    return max(0.0, _hip(size, is_front=is_front) - _waist(build, size, is_front=is_front))


def _side_in(build: Build, size: Size) -> float:
    """What the side takes in, alike on both halves, so that the side seams meet."""
    if _is_straight(build):
        return 0.0
    return min(25.0, 0.45 * min(_taken(build, size, is_front=True), _taken(build, size, is_front=False)))


def _asked_for_darts(build: Build, *, is_front: bool) -> bool:
    """Whether darts, or pleats, are said to be at the waist of a half, or are usual there: of men's trousers behind
    alone (common practice, no source)."""
    features = build.description.features
    said = [side.has(Shaping.WAIST_DART) and not _is_below(build) for _, side in features.sides]
    if is_front and features.legs.pleats:
        return True
    if is_yoked_at_waist(build.description):
        # A yoke takes up its half's dart; beside one the other has none but where it says so.
        yoked = features.front.has(Shaping.YOKE), features.back.has(Shaping.YOKE)
        return yoked[0 if is_front else 1] or said[0 if is_front else 1]
    if any(said):
        return said[0 if is_front else 1]
    return not (is_front and build.description.figure is Figure.MEN)


def _has_darts(build: Build, *, is_front: bool) -> bool:
    """Whether a half has darts, or pleats, at its waist, and takes in enough for them in every size."""

    def intake(size: Size) -> float:
        across = _hip(size, is_front=is_front) - _side_in(build, size) - _leans(build, is_front=is_front)
        return math.hypot(across, _rise(build, is_front=is_front)) - _waist(build, size, is_front=is_front)

    asked = _asked_for_darts(build, is_front=is_front) and not _is_straight(build)
    return asked and all(intake(size) >= LEAST_DART for size in build.figures.sizes)


def _leans(build: Build, *, is_front: bool) -> float:
    """How far the centre leans in beside a dart, or towards a yoke."""
    if _is_below(build):
        return LEAN_BELOW[is_front]
    yoked = not is_front and build.description.features.back.has(Shaping.YOKE)
    return LEAN_TO_A_YOKE if yoked else LEAN[is_front]


def _yoke(build: Build, half: Half, whole: Draw) -> HipYoke:
    """A half's yoke, whose waist is as long as that of one with its dart closed."""

    def waist(size: Size) -> float:
        if _has_darts(build, is_front=half.is_front):
            return _waist(build, size, is_front=half.is_front)
        return chain_length(whole(size)["waist"])

    return HipYoke(
        centre=lambda size: YOKE_AT_CENTRE[half.is_front] * _depth(build, size),
        side=lambda size: YOKE_AT_SIDE * _depth(build, size),
        waist=waist,
    )


def _rise(build: Build, *, is_front: bool) -> float:
    if is_front:
        return 0.0
    return RISE_BELOW if _is_below(build) else RISE


def _lean(build: Build, size: Size, *, is_front: bool) -> float:
    """How far the centre leans in: as is usual beside darts; without them as far as the waist asks, out for a full one;
    where the waist is drawn in, so little that it still goes over the body's hip."""
    if _has_darts(build, is_front=is_front):
        return _leans(build, is_front=is_front)
    if not _is_straight(build) or _is_below(build):
        goal = math.sqrt(_waist(build, size, is_front=is_front) ** 2 - _rise(build, is_front=is_front) ** 2)
        return _hip(size, is_front=is_front) - _side_in(build, size) - goal
    spare = (size.hip - size.body_hip) / 2 - PULLED_UP
    return LEAN[is_front] * max(0.0, min(1.0, spare / sum(LEAN.values())))


def _leg(build: Build, size: Size, *, is_front: bool) -> Edges:
    """x down from the waist, y from the centre's line at the hip outwards; the fork lies at negative y."""
    hip, crotch, long = _hip(size, is_front=is_front), _depth(build, size), _length(build, size)
    fork = FORK[is_front] * size.hip
    end = _end(build, size) / 2 + (-8.0 if is_front else 8.0)
    middle = (hip - fork) / 2
    outer_low, inner_low = middle + end / 2, middle - end / 2
    # Front and back share one outer seam, moved across: it is drawn from the side's line at the hip.
    flare = _end(build, size) / 4 - (size.hip / 4 + 0.0775 * size.hip) / 2
    outer_low = hip + flare
    inner_low = outer_low - end
    top = (0.0, hip - _side_in(build, size))
    centre_top = (-_rise(build, is_front=is_front), _lean(build, size, is_front=is_front))
    level = 0.75 * crotch
    outseam: Chain = (
        *straight((long, outer_low), (crotch, hip)),
        curve((crotch, hip), UP, top, (-1.0, -0.03), 0.36),
    )
    inner: Chain = (
        curve(
            (crotch, -fork),
            (1.0, INNER),
            (crotch + 0.45 * (long - crotch), _between(-fork, inner_low, 0.62)),
            (1.0, 0.06),
            0.36,
        ),
        *straight((crotch + 0.45 * (long - crotch), _between(-fork, inner_low, 0.62)), (long, inner_low)),
    )
    goal = _inseam(build, size)
    if not is_front:
        inner = _as_long(inner, goal, long, crotch, fork, inner_low)
    start = inner[0].start
    return {
        "crotch": (
            *straight(centre_top, (level, _between(centre_top[1], 0.0, 0.8))),
            # At the fork it meets the inner leg at a right angle, so that front and back run on into one another.
            curve((level, _between(centre_top[1], 0.0, 0.8)), DOWN, start, (INNER, -1.0), 0.5, 0.55),
        ),
        "inseam": inner,
        "hem": straight((long, inner_low), (long, outer_low)),
        "outseam": outseam,
        "waist": straight(top, centre_top),
    }


def _between(a: float, b: float, t: float) -> float:
    return a + (b - a) * t


def _inseam(build: Build, size: Size) -> float:
    """The front's inner leg seam, which the back's has to meet."""
    crotch, long = _depth(build, size), _length(build, size)
    fork = FORK[True] * size.hip
    end = _end(build, size) / 2 - 8.0
    flare = _end(build, size) / 4 - (size.hip / 4 + 0.0775 * size.hip) / 2
    inner_low = _hip(size, is_front=True) + flare - end
    knee = crotch + 0.45 * (long - crotch)
    at = _between(-fork, inner_low, 0.62)
    chain = (
        curve((crotch, -fork), (1.0, INNER), (knee, at), (1.0, 0.06), 0.36),
        *straight((knee, at), (long, inner_low)),
    )
    return chain_length(chain)


def _as_long(inner: Chain, goal: float, long: float, crotch: float, fork: float, low: float) -> Chain:
    """The back's inner seam with its fork lowered until it is as long as the front's."""
    knee = crotch + 0.45 * (long - crotch)
    at = _between(-fork, low, 0.62)

    def drawn(by: float) -> Chain:
        return (
            curve((crotch + by, -fork), (1.0, INNER), (knee, at), (1.0, 0.06), 0.36),
            *straight((knee, at), (long, low)),
        )

    return drawn(solve(lambda by: chain_length(drawn(by)), goal, -40.0, 80.0))


def _dart(build: Build, half: Half) -> None:
    id, is_front = half.lower[0].piece, half.is_front
    features = build.description.features

    def intake(size: Size) -> float:
        return chain_length(build.edge(id, "waist", size)) - _waist(build, size, is_front=is_front)

    if not _has_darts(build, is_front=is_front):
        if is_front and features.legs.pleats:
            build.assumed["features.legs.pleats"] = "the waist takes in too little for pleats"
        elif (build.description.features.front if is_front else build.description.features.back).has(
            Shaping.WAIST_DART
        ):
            build.assumed[f"features.{half.name}.shaping"] = "the waist takes in too little for darts"
        return
    pleats = features.legs.pleats if is_front else 0
    if pleats:
        middle = lambda size: chain_length(build.edge(id, "waist", size)) / 2  # noqa: E731
        fold_edge(build, id, "waist", Folds(Taken.PLEAT, pleats, 0.0, 70.0), taken=intake, middle=middle, down=1.0)
        return
    if _is_below(build) or not any(side.has(Shaping.WAIST_DART) for _, side in features.sides):
        where = f"waist of the trouser {half.name}" if _is_below(build) else f"{half.name}'s waist"
        build.assumed[f"features.{half.name}.shaping"] = f"a dart at the {where}"
    waist_darts(build, id, intake, lambda size: FRONT_DART if is_front else BACK_DART)


def end_legs(build: Build, halves: tuple[Half, Half]) -> None:
    """What the legs end in."""
    parts = (*halves[0].lower, *halves[1].lower)
    match build.description.features.legs.end:
        case LegEnd.HEM:
            hem(build, parts)
        case LegEnd.TURN_UP:
            up = turn_up(is_child=build.description.figure is Figure.CHILDREN)
            for p in parts:
                build.allow(p.piece, p.edge, whole(up), Corner.TURNED)
            build.finish("hem", "Hem", FinishKind.HEM, parts, folds(up))
            build.along["hem"] = ("hem",)
            build.ways.append(("hem", TURN_UPS))
            build.assumed["features.legs.end"] = f"turned up by {in_both(up)}"
        case LegEnd.CUFF:
            if build.description.bands_stretch:
                sewn = Sewn("leg-cuff", "Cuff", "leg-cuffs", "Cuffs to legs", Press.UP, count=2, each_hand=True)
                stretched_on(build, parts, sewn=sewn, depth=LEG_CUFF)
            else:
                cuff(build, parts, depth=LEG_CUFF, ratio=1.0, id="leg-cuff")
        case LegEnd.ELASTIC_CASING:
            for p in parts:
                build.allow(p.piece, p.edge, 30.0, Corner.TURNED)
            build.finish("leg-ends", "Leg ends", FinishKind.CASING, parts)
            build.closures.append(Closure("leg-elastic", ClosureKind.ELASTIC, "inseams"))
