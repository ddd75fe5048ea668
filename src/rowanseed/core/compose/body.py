"""Front and back cut from the bodice block: plain, with princess seams, with a yoke; their darts and their seams."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, field

from rowanseed.core.compose.bodice import BUST_DART, FORWARD, SHOULDER_DART, Upper, has_waist_seam
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Centre, Shaping, SleeveKind
from rowanseed.core.compose.drafting import DOWN, UP, backwards, curve, moved, straight, y_at
from rowanseed.core.compose.figures import Size
from rowanseed.core.geometry.outline import Chain, Point, lerp
from rowanseed.core.pattern.making import (
    Detail,
    DetailKind,
    Difference,
    DifferenceKind,
    EdgePart,
    Press,
)
from rowanseed.core.pattern.pieces import Dart, InnerPoint, LineKind, Mark, MarkKind, Panel, PointKind

DART_FROM = 50.0
"""A bust dart lies so far below the underarm, in mm."""
FULLER = 1.35
"""Gathers under a yoke: so much longer than the yoke."""
PLEAT = 30.0
"""A pleat under a yoke takes in so much on each half, in mm."""
YOKE_AT = 0.3
"""Where a yoke's seam meets the armhole: a share of its upper curve."""
CUT_IN = 0.22
"""Where a princess seam leaves the armhole: a share of its upper curve."""


@dataclass
class Half:
    """Front or back as it was cut: its edges by what they are, from the centre outwards."""

    is_front: bool
    neck: list[EdgePart] = field(default_factory=list)
    shoulder: list[EdgePart] = field(default_factory=list)
    armhole: list[EdgePart] = field(default_factory=list)
    side: list[EdgePart] = field(default_factory=list)
    lower: list[EdgePart] = field(default_factory=list)
    centre: list[EdgePart] = field(default_factory=list)
    princess: str = ""
    yoke: str = ""

    @property
    def name(self) -> str:
        return "front" if self.is_front else "back"


def halves(build: Build) -> tuple[Half, Half]:
    """Draft front and back, and sew them together at sides and shoulders."""
    front, back = _half(build, is_front=True), _half(build, is_front=False)
    build.join("sides", "Side seams", front.side, back.side, each_hand=True)
    build.join("shoulders", "Shoulder seams", front.shoulder, back.shoulder, each_hand=True)
    return front, back


def _half(build: Build, *, is_front: bool) -> Half:
    features = build.description.features
    side = features.front if is_front else features.back
    half = Half(is_front)
    sleeve = features.sleeve
    if sleeve is not None and sleeve.kind is SleeveKind.CUT_IN_ONE:
        _cut_in_one(build, half)
    elif side.princess is not None:
        _princess(build, half, from_shoulder=side.princess is Shaping.PRINCESS_SHOULDER)
    elif side.has(Shaping.SQUARE_YOKE):
        _square_yoke(build, half)
    elif side.has(Shaping.YOKE):
        _yoke(build, half)
    else:
        _plain(build, half)
    _centre_seam(build, half)
    return half


# ---------------------------------------------------------------- words and panels


def upper(build: Build, size: Size, half: Half) -> Upper:
    sizes = build.figures.sizes
    return Upper(build.description, size, half.is_front, sizes[len(sizes) // 2])


def _panel(half: Half) -> Panel:
    return Panel.FRONT if half.is_front else Panel.BACK


def lower_edge(build: Build) -> str:
    return "waist" if has_waist_seam(build.description) else "hem"


def _centre_of(build: Build, half: Half) -> tuple[str, str | None, int, bool]:
    """(name of the centre edge, the fold, how many, whether paired)."""
    features = build.description.features
    match (features.front if half.is_front else features.back).centre:
        case Centre.FOLD:
            return "centre", "centre", 1, False
        case Centre.SEAM:
            return "centre", None, 2, True
        case Centre.OPEN:
            return "opening", None, 2, True


def _add(build: Build, half: Half, id: str, name: str, draw: Callable[[Upper], Edges], *, at_centre: bool) -> None:
    edge, fold, count, pair = _centre_of(build, half)
    if not at_centre:
        fold, count, pair = None, 2, True
    hem = ("hem",) if lower_edge(build) == "hem" else ()
    build.piece(
        id,
        name,
        lambda size: draw(upper(build, size, half)),
        panel=_panel(half),
        fold=fold,
        count=count,
        pair=pair,
        hem=hem,
    )
    if at_centre and fold is None:
        half.centre.append(part(id, edge))


def _centre_seam(build: Build, half: Half) -> None:
    features = build.description.features
    side = features.front if half.is_front else features.back
    if side.centre is Centre.SEAM:
        edges = half.centre
        build.join(
            f"centre-{half.name}",
            f"Centre {half.name} seam",
            (part(p.piece, p.edge, "left") for p in edges),
            (part(p.piece, p.edge, "right") for p in edges),
        )


def _levels(
    build: Build, half: Half, id: str, inner: Callable[[Upper, float], float], outer: Callable[[Upper, float], float]
) -> None:
    """Measuring lines from the inner to the outer edge of a panel, at every level that it reaches."""
    sizes = build.figures.sizes
    for k, (name, _) in enumerate(upper(build, sizes[0], half).levels):

        def ends(size: Size, k: int = k) -> tuple[Point, Point]:
            block = upper(build, size, half)
            x = block.levels[k][1]
            return (x, inner(block, x)), (x, outer(block, x))

        build.line(id, LineKind.LEVEL, name, ends)
    build.line(
        id,
        LineKind.LENGTHEN_SHORTEN,
        "body-length",
        lambda size: (
            ((x := upper(build, size, half).waist - 60.0), inner(upper(build, size, half), x)),
            (x, outer(upper(build, size, half), x)),
        ),
    )


# ---------------------------------------------------------------- plain


def _ring(build: Build, block: Upper, edge: str) -> Edges:
    low, c = lower_edge(build), block.centre
    return {
        edge: straight((block.neck_depth, c), (block.hem, c)),
        low: straight((block.hem, c), block.side[0].start),
        "side": block.side,
        "armhole": block.armhole,
        "shoulder": straight(block.tip, block.neck_point),
        "neck": block.neck,
    }


def _plain(build: Build, half: Half) -> None:
    edge = _centre_of(build, half)[0]
    id = half.name
    _add(build, half, id, half.name.capitalize(), lambda block: _ring(build, block, edge), at_centre=True)
    _levels(build, half, id, lambda block, x: 0.0, lambda block, x: block.outer(x))
    half.neck, half.shoulder = [part(id, "neck")], [part(id, "shoulder")]
    half.armhole, half.side = [part(id, "armhole")], [part(id, "side")]
    half.lower = [part(id, lower_edge(build))]
    _darts(build, half, id)


def _darts(build: Build, half: Half, id: str, extra: Callable[[Upper], float] = lambda block: 0.0) -> None:
    """Bust, waist and shoulder darts; `extra` is how far the piece was widened at its centre."""
    features = build.description.features
    side = features.front if half.is_front else features.back
    if half.is_front and side.has(Shaping.BUST_DART):
        _dart(
            build,
            id,
            "bust",
            "side",
            "end",
            lambda size: (DART_FROM, DART_FROM + BUST_DART),
            lambda size: (
                (block := upper(build, size, half)).underarm + block.up + DART_FROM + BUST_DART / 2 + 4.0,
                block.bust_point[1] + 25.0 + extra(block),
            ),
        )
    if side.has(Shaping.SHOULDER_DART) and not half.is_front:
        _dart(
            build,
            id,
            "shoulder",
            "shoulder",
            "end",
            lambda size: (45.0, 45.0 + SHOULDER_DART),
            lambda size: (
                (block := upper(build, size, half)).neck_point[0] + 90.0,
                block.neck_point[1] + 45.0,
            ),
        )
    if side.has(Shaping.WAIST_DART):
        _waist_dart(build, half, id, extra)


def _waist_dart(build: Build, half: Half, id: str, extra: Callable[[Upper], float]) -> None:
    sizes = build.figures.sizes
    if min(upper(build, size, half).intake for size in sizes) < 3.0:
        build.assumed[f"features.{half.name}.shaping"] = "the waist takes in too little for a dart"
        return
    if has_waist_seam(build.description):
        _dart(
            build,
            id,
            "waist",
            "waist",
            "start",
            lambda size: (
                (block := upper(build, size, half)).bust_point[1] + extra(block) - block.centre - block.intake / 2,
                block.bust_point[1] + extra(block) - block.centre + block.intake / 2,
            ),
            lambda size: (
                (block := upper(build, size, half)).bust_point[0] + (18.0 if half.is_front else -10.0),
                block.bust_point[1] + extra(block),
            ),
        )
        return
    ends: dict[str, Callable[[Upper], Point]] = {
        "top": lambda block: (block.bust_point[0] + (18.0 if half.is_front else -10.0), block.bust_point[1]),
        "inner": lambda block: (block.waist, block.bust_point[1] - block.intake / 2),
        "outer": lambda block: (block.waist, block.bust_point[1] + block.intake / 2),
        "low": lambda block: (min(block.hem - 15.0, block.waist + 0.6 * block.size.hip_depth), block.bust_point[1]),
    }
    build.point(
        id,
        *(
            InnerPoint(
                f"waist-dart-{name}",
                PointKind.DOT,
                {size.name: (at(block := upper(build, size, half))[0], at(block)[1] + extra(block)) for size in sizes},
            )
            for name, at in ends.items()
        ),
    )
    middle = sizes[len(sizes) // 2]
    build.details.append(
        Detail(
            f"{id}-waist-darts",
            f"Waist darts of the {half.name}",
            DetailKind.DOUBLE_DARTS,
            on=(id,),
            count=2,
            width=round(upper(build, middle, half).intake, 1),
        )
    )


def _dart(
    build: Build,
    id: str,
    name: str,
    edge: str,
    anchor: str,
    legs: Callable[[Size], tuple[float, float]],
    point: Callable[[Size], Point],
) -> None:
    """A dart with two legs on an edge: marks and point in every size."""
    marks = tuple(
        Mark(f"{name}-dart-{k + 1}", MarkKind.DART_LEG, edge, anchor, build.each(lambda size, k=k: legs(size)[k]))
        for k in (0, 1)
    )
    build.mark(id, *marks)
    points = {size.name: point(size) for size in build.figures.sizes}
    build.dart(id, Dart(f"{name}-dart", edge, (marks[0].id, marks[1].id), points))


# ---------------------------------------------------------------- princess seams


def _line(block: Upper, start: Point, leaves: Point, *, inner: bool) -> Chain:
    """A princess line from its start over the bust point and the waist down to the lower edge."""
    over, taken = block.bust_point, block.intake / 2
    hand = -1.0 if inner else 1.0
    chain: Chain = (curve(start, leaves, over, DOWN, 0.42),)
    waist = (block.waist, over[1] + hand * taken)
    if not block.reaches_waist:
        return (*chain, curve(over, DOWN, (block.hem, waist[1]), DOWN, 0.36))
    chain = (*chain, curve(over, DOWN, waist, DOWN, 0.36))
    if not block.reaches_hip:
        share = (block.hem - block.waist) / (block.hip - block.waist)
        return (*chain, curve(waist, DOWN, (block.hem, over[1] + hand * taken * max(0.0, 1 - share)), DOWN, 0.36))
    hip = (block.hip, over[1])
    return (*chain, curve(waist, DOWN, hip, DOWN, 0.36), *straight(hip, (block.hem, over[1])))


def _princess(build: Build, half: Half, *, from_shoulder: bool) -> None:
    edge, low = _centre_of(build, half)[0], lower_edge(build)

    def split(block: Upper) -> tuple[Chain, Chain, Point, Point]:
        """(side's part of the armhole, centre's part, where the line begins, where it leaves for)."""
        if from_shoulder:
            middle = lerp(block.tip, block.neck_point, 0.5)
            return block.armhole, (), middle, (1.0, -0.05)
        lower, above = block.armhole
        first, second = above.split(CUT_IN)
        return (lower, first), (second,), second.start, (0.5, -1.0)

    def line(block: Upper, *, inner: bool) -> Chain:
        _, _, start, leaves = split(block)
        return _line(block, start, leaves, inner=inner)

    def centre(block: Upper) -> Edges:
        c, down = block.centre, line(block, inner=True)
        _, above, start, _ = split(block)
        edges = {
            edge: straight((block.neck_depth, c), (block.hem, c)),
            low: straight((block.hem, c), down[-1].end),
            "princess": backwards(down),
        }
        if from_shoulder:
            edges["shoulder"] = straight(start, block.neck_point)
        else:
            edges |= {"armhole": above, "shoulder": straight(block.tip, block.neck_point)}
        return edges | {"neck": block.neck}

    def side(block: Upper) -> Edges:
        down = line(block, inner=False)
        below, _, start, _ = split(block)
        edges = {
            "princess": down,
            low: straight(down[-1].end, block.side[0].start),
            "side": block.side,
            "armhole": below,
        }
        return edges | ({"shoulder": straight(block.tip, start)} if from_shoulder else {})

    name, other = half.name, f"side-{half.name}"
    _add(build, half, name, f"Centre {half.name}", centre, at_centre=True)
    _add(build, half, other, f"Side {half.name}", side, at_centre=False)
    _levels(build, half, name, lambda block, x: 0.0, lambda block, x: y_at(line(block, inner=True), x))
    _levels(build, half, other, lambda block, x: y_at(line(block, inner=False), x), lambda block, x: block.outer(x))
    half.princess = f"princess-{half.name}"
    build.join(
        half.princess,
        f"Princess seams, {half.name}",
        (part(name, "princess"),),
        (part(other, "princess"),),
        each_hand=True,
    )
    half.neck, half.side = [part(name, "neck")], [part(other, "side")]
    half.shoulder = [part(name, "shoulder"), *([part(other, "shoulder")] if from_shoulder else [])]
    half.armhole = [part(other, "armhole"), *([] if from_shoulder else [part(name, "armhole")])]
    half.lower = [part(name, low), part(other, low)]


# ---------------------------------------------------------------- yokes


def _yoke(build: Build, half: Half) -> None:
    features = build.description.features
    side = features.front if half.is_front else features.back
    edge, low, id, yoke = _centre_of(build, half)[0], lower_edge(build), half.name, f"{half.name}-yoke"
    gathers = side.has(Shaping.GATHERS_UNDER_YOKE)
    full = gathers or side.has(Shaping.PLEAT_UNDER_YOKE)

    def parts(block: Upper) -> tuple[Chain, Chain, Point]:
        """(the body's part of the armhole, the yoke's, where they meet)."""
        first, second = block.armhole[1].split(YOKE_AT)
        return (block.armhole[0], first), (second,), second.start

    def ratio() -> float:
        return FULLER if gathers else 1.0 + PLEAT / 150.0

    def more(block: Upper) -> float:
        """How much wider the piece below is, so that it is everywhere the same share of its yoke."""
        return (ratio() - 1.0) * (parts(block)[2][1] - block.centre) if full else 0.0

    def body(block: Upper) -> Edges:
        below, _, at = parts(block)
        by = more(block)
        c = block.centre
        return {
            edge: straight((at[0], c), (block.hem, c)),
            low: straight((block.hem, c), (block.side[0].start[0], block.side[0].start[1] + by)),
            "side": moved(block.side, 0.0, by),
            "armhole": moved(below, 0.0, by),
            "yoke": straight((at[0], at[1] + by), (at[0], c)),
        }

    def top(block: Upper) -> Edges:
        _, above, at = parts(block)
        c = block.centre
        return {
            edge: straight((block.neck_depth, c), (at[0], c)),
            "yoke": straight((at[0], c), at),
            "armhole": above,
            "shoulder": straight(block.tip, block.neck_point),
            "neck": block.neck,
        }

    _add(build, half, id, half.name.capitalize(), body, at_centre=True)
    _add(build, half, yoke, f"{half.name.capitalize()} yoke", top, at_centre=True)
    # In a centre seam the yoke comes before the body below it.
    half.centre.reverse()
    _levels(build, half, id, lambda block, x: 0.0, lambda block, x: block.outer(x) + more(block))
    half.yoke = f"yoke-{half.name}"
    build.join(
        half.yoke,
        f"{half.name.capitalize()} yoke seam",
        (part(id, "yoke"),),
        (part(yoke, "yoke"),),
        press=Press.UP,
        difference=Difference(DifferenceKind.GATHERS, ratio()) if full else Difference(),
    )
    if full and not gathers:
        build.details.append(
            Detail(
                f"{id}-pleat",
                f"Pleat under the {half.name} yoke",
                DetailKind.BOX_PLEATS if not half.is_front else DetailKind.KNIFE_PLEATS,
                on=(id,),
                along=(half.yoke,),
                count=1,
                width=2 * PLEAT,
            )
        )
    half.neck, half.shoulder = [part(yoke, "neck")], [part(yoke, "shoulder")]
    half.armhole, half.side = [part(id, "armhole"), part(yoke, "armhole")], [part(id, "side")]
    half.lower = [part(id, low)]
    _darts(build, half, id, more)


def _square_yoke(build: Build, half: Half) -> None:
    """A yoke let into the front with two corners; it carries the neck and the inner half of the shoulder."""
    low, id, yoke = lower_edge(build), half.name, f"{half.name}-yoke"
    gathers = build.description.features.front.has(Shaping.GATHERS_UNDER_YOKE)

    def corner(block: Upper) -> tuple[float, float, Point]:
        at = lerp(block.neck_point, block.tip, 0.5)
        base = max(block.neck_depth + 40.0, block.underarm + block.up - 55.0)
        return base, at[1], at

    def more(block: Upper) -> float:
        return (FULLER - 1.0) * corner(block)[1] if gathers else 0.0

    def body(block: Upper) -> Edges:
        base, y, at = corner(block)
        by = more(block)
        return {
            "centre": straight((base, 0.0), (block.hem, 0.0)),
            low: straight((block.hem, 0.0), (block.side[0].start[0], block.side[0].start[1] + by)),
            "side": moved(block.side, 0.0, by),
            "armhole": moved(block.armhole, 0.0, by),
            "shoulder": moved(straight(block.tip, at), 0.0, by),
            "yoke-side": moved(straight(at, (base, y)), 0.0, by),
            "yoke-base": straight((base, y + by), (base, 0.0)),
        }

    def top(block: Upper) -> Edges:
        base, y, at = corner(block)
        return {
            "centre": straight((block.neck_depth, 0.0), (base, 0.0)),
            "base": straight((base, 0.0), (base, y)),
            "side": straight((base, y), at),
            "shoulder": straight(at, block.neck_point),
            "neck": block.neck,
        }

    _add(build, half, id, "Front", body, at_centre=True)
    _add(build, half, yoke, "Front yoke", top, at_centre=True)
    _levels(build, half, id, lambda block, x: 0.0, lambda block, x: block.outer(x) + more(block))
    half.yoke = f"yoke-{half.name}"
    if gathers:
        # Only the base is gathered: it is a seam of its own, sewn first, with the sides after it.
        build.join(
            half.yoke,
            "Base of the yoke",
            (part(id, "yoke-base"),),
            (part(yoke, "base"),),
            press=Press.UP,
            difference=Difference(DifferenceKind.GATHERS, FULLER),
        )
        build.join(
            "yoke-sides",
            "Sides of the yoke",
            (part(id, "yoke-side"),),
            (part(yoke, "side"),),
            press=Press.BACK,
            each_hand=True,
        )
    else:
        build.join(
            half.yoke,
            "Front yoke seam",
            (part(id, "yoke-base"), part(id, "yoke-side")),
            (part(yoke, "base"), part(yoke, "side")),
            press=Press.UP,
        )
    half.neck, half.shoulder = [part(yoke, "neck")], [part(yoke, "shoulder"), part(id, "shoulder")]
    half.armhole, half.side, half.lower = [part(id, "armhole")], [part(id, "side")], [part(id, low)]
    _darts(build, half, id, more)


# ---------------------------------------------------------------- sleeve in one


SLEEVE_OUT = {"cap": 70.0, "short": 150.0, "elbow": 260.0, "three-quarter": 360.0, "long": 470.0}
"""How far a sleeve cut in one runs beyond the shoulder's tip, in mm."""


def _cut_in_one(build: Build, half: Half) -> None:
    """Front or back with its sleeve in one piece: the shoulder runs on down the arm, side and underarm in one bend."""
    edge, low, id = _centre_of(build, half)[0], lower_edge(build), half.name
    sleeve = build.description.features.sleeve
    out = SLEEVE_OUT[sleeve.length.value] if sleeve else 150.0

    def ring(block: Upper) -> Edges:
        c, tip, start = block.centre, block.tip, block.neck_point
        along = ((tip[0] - start[0]) / block.shoulder, (tip[1] - start[1]) / block.shoulder)
        beyond = out * block.size.tall
        wrist = (tip[0] + along[0] * beyond, tip[1] + along[1] * beyond)
        wide = max(block.size.upper_arm / 2 + 45.0 - beyond * 0.12, block.size.wrist / 2 + 40.0)
        # Front and back have one underarm, the same but for its place across, so that they meet.
        forward = FORWARD if block.is_front else -FORWARD
        under = (wrist[0] + along[1] * wide, wrist[1] - along[0] * wide + forward)
        side = block.side[:-1]
        return {
            edge: straight((block.neck_depth, c), (block.hem, c)),
            low: straight((block.hem, c), side[0].start),
            "side": side,
            "underarm": (curve(side[-1].end, UP, under, (along[0], along[1]), 0.4),),
            "wrist": straight(under, wrist),
            "shoulder": straight(wrist, start),
            "neck": block.neck,
        }

    _add(build, half, id, half.name.capitalize(), ring, at_centre=True)
    _levels(
        build, half, id, lambda block, x: 0.0, lambda block, x: block.quarter if x < block.waist - 1 else block.outer(x)
    )
    half.neck, half.shoulder = [part(id, "neck")], [part(id, "shoulder")]
    half.side = [part(id, "side"), part(id, "underarm")]
    half.lower = [part(id, low)]
