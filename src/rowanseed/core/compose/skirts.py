"""A skirt from the waist down: how long it is, how it is cut at the centre; straight and A-line ones drafted whole.

A skirt of another kind is a feature of its own, which drafts it from the same figures.
"""

from __future__ import annotations

from collections.abc import Callable

from rowanseed.core.compose.build import Build, Draw, Edges, part
from rowanseed.core.compose.drafting import OUT, UP, curve, ending_at, straight, y_at
from rowanseed.core.compose.figures import NARROWS, WIDENS, Size, hem_ruffle
from rowanseed.core.compose.folded import fold_edge
from rowanseed.core.compose.folds import Folds, folds_in
from rowanseed.core.compose.hip_yokes import HipYoke, add_yoke, cut_apart, has_yoke
from rowanseed.core.compose.panels import Half, upper
from rowanseed.core.compose.vocabulary import Centre, ClothKind, Shaping, SkirtKind, Slit
from rowanseed.core.compose.waist_darts import waist_darts
from rowanseed.core.geometry.outline import Chain, Point, chain_length, point_at
from rowanseed.core.geometry.solving import solve
from rowanseed.core.pattern.pieces import LineKind, Panel

SHAPED = (SkirtKind.STRAIGHT, SkirtKind.A_LINE)
FLARE = 0.13
"""How much an A-line widens at each side below the hip, for each mm of length."""
WAIST_RISE = 12.0
"""The waist rises so far from the centre to the side, in mm."""


def waist_of(build: Build, size: Size) -> float:
    """What the skirt's waist comes to all the way round, in mm."""
    return size.waist if size.waist is not None else size.body_waist + 20.0


def length_of(build: Build, size: Size) -> float:
    """From the waist to the hem, or to the ruffle that is sewn there."""
    above = size.back_waist if build.description.garment.has_bodice else 0.0
    return size.length - above - hem_ruffle(build.description)


def skirt_ids(build: Build) -> tuple[str, str]:
    """Under a bodice the skirt's pieces are called so."""
    return ("skirt-front", "skirt-back") if build.description.garment.has_bodice else ("front", "back")


def centre_cut(build: Build, half: Half) -> tuple[str, str | None, int, bool]:
    """(name of the centre edge, the fold, how many, whether paired)."""
    features = build.description.features
    centre = (features.front if half.is_front else features.back).centre
    if centre is Centre.FOLD:
        return "centre", "centre", 1, False
    return ("opening" if centre is Centre.OPEN else "centre"), None, 2, True


def beyond(build: Build, half: Half) -> float:
    """How far a skirt that is open all the way reaches beyond the centre; with a bodice as far as that does."""
    return upper(build, build.figures.sizes[0], half).centre if centre_cut(build, half)[0] == "opening" else 0.0


def sew_skirt(build: Build, halves: tuple[Half, Half]) -> None:
    front, back = halves
    under = build.description.garment.has_bodice
    prefix = "skirt-" if under else ""
    words = "Skirt side seams" if under else "Side seams"
    build.join(f"{prefix}sides", words, front.side, back.side, each_hand=True)
    for half in halves:
        edge, fold, _, _ = centre_cut(build, half)
        if fold is None and edge == "centre":
            build.join(
                f"{prefix}centre-{half.name}",
                f"{'Skirt, centre' if under else 'Centre'} {half.name} seam",
                (part(p.piece, p.edge, "left") for p in half.centre),
                (part(p.piece, p.edge, "right") for p in half.centre),
            )


def skirt_panel(build: Build, half: Half, id: str, draw: Draw) -> None:
    """One half of a skirt drafted: its piece, and its edges by what they are."""
    edge, fold, count, pair = centre_cut(build, half)
    name = f"Skirt {half.name}" if id.startswith("skirt") else half.name.capitalize()
    panel = Panel.FRONT if half.is_front else Panel.BACK
    build.piece(id, name, draw, panel=panel, count=count, pair=pair, fold=fold, hem=("hem",))
    half.side, half.lower, half.neck = [part(id, "side")], [part(id, "hem")], [part(id, "waist")]
    half.centre = [part(id, edge)]


# ---------------------------------------------------------------- straight and A-line


DARTS, LEAST_TAKEN = 0.55, 12.0
"""Darts take in so much of what goes from a half between hip and waist, the side seam the rest; where that is less, in
mm, the side takes in all of it."""
IN_FRONT, BEHIND = 0.75, 1.25
"""Of a skirt of its own the front's darts take in less and the back's more, as belly and seat ask for (from memory)."""
FRONT_DART, BACK_DART = 0.5, 0.65
"""How long darts are, as a share of the depth of the hip."""
YOKE = 0.55
"""How deep a yoke is at the centre, as a share of the depth of the hip (from memory)."""


def shaped_skirt(build: Build) -> tuple[Half, Half]:
    """Front and back of a straight or A-line skirt; their upper edges are to be finished, or sewn to a bodice."""
    asked = build.description.features.skirt
    usual = FLARE if asked is None or asked.kind is SkirtKind.A_LINE else 0.0

    def flare_of(size: Size) -> float:
        return usual if size.hem is None else _flare_to(size, length_of(build, size), size.hem)

    halves = (Half(True), Half(False))
    mean = sum(_share(build, half) for half in halves) / len(halves)
    for half, id in zip(halves, skirt_ids(build), strict=True):
        edge = centre_cut(build, half)[0]
        forward = 5.0 if half.is_front else -5.0
        folds = _folds(build, half)
        share = _share(build, half)

        def hip(size: Size, forward: float = forward) -> float:
            return size.hip / 4 + forward

        def taken(size: Size) -> float:
            """What has to go from a quarter between hip and waist."""
            return max(0.0, (size.hip - waist_of(build, size)) / 4)

        def dart(size: Size, share: float = share) -> float:
            """What darts, pleats or tucks take in on a half."""
            least = min(max(0.0, (one.hip - waist_of(build, one)) / 4) for one in build.figures.sizes)
            return share * DARTS * taken(size) if least > LEAST_TAKEN else 0.0

        def whole(size: Size, edge: str = edge, half: Half = half) -> Edges:
            long, wide, c = length_of(build, size), hip(size), beyond(build, half)
            level_at = hip_depth_of(size, long)
            flare = flare_of(size)
            # The side takes in the same on both halves, so that the side seams meet.
            goal = wide - taken(size) + dart(size, mean)
            side = solve(lambda by: chain_length(_rise(wide - by, _leans(by))), goal, -20.0, 0.8 * wide)
            low, level = _foot(size, long, wide, flare), (level_at, wide)
            # The waist leaves the side at a right angle, so that it runs on without a corner.
            top = (-WAIST_RISE, wide - side)
            upper: Chain = (curve(level, UP, top, (-1.0, -_leans(side)), 0.4),)
            waist = ending_at(_rise(wide - side, _leans(side)), c)
            return {
                edge: straight(waist[-1].end, (long, c)),
                "hem": _hem((long, c), low, flare),
                "side": (*straight(low, level), *upper),
                "waist": waist,
            }

        yoked = _is_yoked(build, half)
        draw, yoke = cut_apart(whole, _yoke(build, whole, dart)) if yoked else (whole, None)
        skirt_panel(build, half, id, draw)
        build.line(
            id,
            LineKind.LEVEL,
            "hip",
            lambda size, hip=hip: ((x := hip_depth_of(size, length_of(build, size)), 0.0), (x, hip(size))),
        )
        if yoke is not None:
            add_yoke(build, half, yoke)
        else:
            build.line(
                id,
                LineKind.LEVEL,
                "waist",
                lambda size, id=id: ((0.0, 0.0), (0.0, y_at(build.edge(id, "side", size), 0.0))),
            )
        build.line(
            id,
            LineKind.LENGTHEN_SHORTEN,
            "skirt-length",
            lambda size, hip=hip: ((x := hip_depth_of(size, length_of(build, size)) + 20.0, 0.0), (x, hip(size))),
        )
        if yoked:
            continue
        if folds and any(dart(size) == 0 for size in build.figures.sizes):
            build.assumed[f"features.{half.name}.shaping"] = f"the waist takes in too little for {folds.taken.words}s"
        elif folds:
            middle = lambda size, id=id: chain_length(build.edge(id, "waist", size)) / 2  # noqa: E731
            fold_edge(build, id, "waist", folds, taken=dart, middle=middle, down=1.0)
        elif share and all(dart(size) > 0 for size in build.figures.sizes):
            waist_darts(build, id, dart, _dart_long(half))
            if (asked is None or asked.darts is None) and not _is_said(build):
                build.assumed["features.skirt.darts"] = "darts at its waist"
    sew_skirt(build, halves)
    _tell_stride(build, max(flare_of(size) for size in build.figures.sizes))
    return halves


def _is_yoked(build: Build, half: Half) -> bool:
    return has_yoke(build, half) and not build.description.garment.has_bodice


def _yoke(build: Build, whole: Draw, taken: Callable[[Size], float]) -> HipYoke:
    """A yoke straight across a half, which takes up what its darts would take in."""

    def deep(size: Size) -> float:
        return YOKE * hip_depth_of(size, length_of(build, size))

    def beside(size: Size) -> float:
        """How far down the side it reaches."""
        chain = whole(size)["side"]
        return solve(lambda mm: point_at(chain, chain_length(chain) - mm)[0], deep(size), 0.0, 2 * deep(size))

    return HipYoke(
        centre=lambda size: deep(size) - whole(size)["waist"][-1].end[0],
        side=beside,
        waist=lambda size: chain_length(whole(size)["waist"]) - taken(size),
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
    narrow = flare <= 0 and build.description.cloth is ClothKind.WOVEN and not opens
    if narrow and any(length_of(build, size) > STRIDE for size in build.figures.sizes):
        build.assumed["features.skirt.slit"] = "no slit or vent, though a straight skirt so long is hard to walk in"


def _is_shaped(build: Build, half: Half) -> bool:
    """Whether darts, pleats or tucks take in the waist of a half: where they are said to be, or else on both."""
    description = build.description
    sides = description.features.front, description.features.back
    own = sides[0 if half.is_front else 1]
    if _folds(build, half) is not None:
        return True
    if _is_yoked(build, half) and not description.is_drawn_in:
        return True
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


def hip_depth_of(size: Size, long: float) -> float:
    """Where the hip lies below the waist; a skirt that ends above it is as wide at its lower part."""
    return min(size.hip_depth, 0.75 * long)


def _leans(side: float) -> float:
    """How far the side leans in at the waist, for each mm down, where it takes so much in."""
    return max(0.0, min(0.3, side / 90.0))


def _rise(to: float, leans: float) -> Chain:
    """The waist from the side, where it stands a little higher, to the centre."""
    return (curve((-WAIST_RISE, to), (leans, -1.0), (0.0, 0.0), (0.0, -1.0), 0.18, 0.5),)
