"""A square yoke let into the front with two corners."""

from __future__ import annotations

from rowanseed.core.compose.bodice import Upper
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.drafting import straight
from rowanseed.core.compose.feature import Feature, Found
from rowanseed.core.compose.panels import Half, lower_edge, new_panel, shape_with_darts, spread_levels
from rowanseed.core.compose.spread import Spread, spread_below
from rowanseed.core.compose.vocabulary import Centre, NeckShape, Shaping
from rowanseed.core.compose.yokes import FULLER, below_the_neck
from rowanseed.core.geometry.outline import Point, lerp
from rowanseed.core.pattern.making import Difference, DifferenceKind, Press


def _square_yoke(build: Build, half: Half) -> None:
    """A yoke let into the front with two corners; it carries the neck and the inner half of the shoulder."""
    low, id, yoke = lower_edge(build), half.name, f"{half.name}-yoke"
    gathers = build.description.features.front.has(Shaping.GATHERS_UNDER_YOKE)

    def corner(block: Upper) -> tuple[float, float, Point]:
        at = lerp(block.neck_point, block.tip, 0.5)
        base = max(block.neck_depth + 40.0, block.underarm + block.up - 55.0)
        return base, at[1], at

    def spread(block: Upper) -> Spread:
        base, y, _ = corner(block)
        by = (FULLER - 1.0) * y if gathers else 0.0
        return spread_below(block, (base, y), by, block.armhole, block.side)

    def body(block: Upper) -> Edges:
        base, y, at = corner(block)
        wider = spread(block)
        return {
            "centre": straight((base, 0.0), (block.hem, 0.0)),
            low: wider.lower(block),
            "side": wider.outer(block.side),
            "armhole": wider.outer(block.armhole),
            "shoulder": wider.outer(straight(block.tip, at)),
            "yoke-side": wider.outer(straight(at, (base, y))),
            "yoke-base": wider.yoke((base, y)),
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

    new_panel(build, half, id, "Front", body, at_centre=True)
    new_panel(build, half, yoke, "Front yoke", top, at_centre=True, drawn_on="" if gathers else id)
    spread_levels(build, half, id, spread)
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
    shape_with_darts(build, half, id, spread)


def takes(d: Description, half: Half) -> bool:
    return half.side_of(d).has(Shaping.SQUARE_YOKE)


def asked(d: Description) -> bool:
    return any(side.has(Shaping.SQUARE_YOKE) for _, side in d.features.sides)


def forbids(d: Description) -> Found:
    f = d.features
    if f.front.has(Shaping.SQUARE_YOKE) and f.front.has(Shaping.YOKE):
        yield "features.front.shaping", "A yoke is straight or square, not both."
    yield from below_the_neck(d, Shaping.SQUARE_YOKE)
    if d.features.front.has(Shaping.SQUARE_YOKE) and d.features.neck.shape is NeckShape.BOAT:
        yield "features.neck.shape", "A boat neck leaves no shoulder for a square yoke to end at: choose another neck."
    if f.back.has(Shaping.SQUARE_YOKE):
        yield "features.back.shaping", "A square yoke is drafted for the front only."
    if f.front.has(Shaping.SQUARE_YOKE) and f.front.centre is not Centre.FOLD:
        yield "features.front.shaping", "A square yoke is drafted for a front on the fold."


FEATURES = (Feature("square-yoke", asked=asked, forbids=forbids, takes=takes, panel=_square_yoke, rank=21),)
