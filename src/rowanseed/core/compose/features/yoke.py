"""A straight yoke, plain, or with gathers or a pleat below it."""

from __future__ import annotations

from collections.abc import Callable

from rowanseed.core.compose.bodice import Upper
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.drafting import straight
from rowanseed.core.compose.feature import Feature, Found
from rowanseed.core.compose.panels import (
    Half,
    centre_of,
    lower_edge,
    new_panel,
    shape_with_darts,
    side_of,
    spread_levels,
    upper,
)
from rowanseed.core.compose.pleats import Places, Pleated, at_the_centre, draw_pleats
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.spread import Spread, spread_below
from rowanseed.core.compose.vocabulary import Centre, OpeningKind, Shaping, Where
from rowanseed.core.compose.yokes import (
    FULLER,
    PLEATED,
    UNDER_A_YOKE,
    add_yoke,
    below_the_neck,
    meets,
    refuse_under_the_neck,
)
from rowanseed.core.geometry.outline import Chain, Point, chain_length, direction_at, point_at
from rowanseed.core.pattern.making import Detail, DetailKind, Difference, DifferenceKind
from rowanseed.core.pattern.pleats import Line

HELD = 80.0
"""The lines of a pleat that is only held at a yoke run so far down from it, in mm."""


def _yoke(build: Build, half: Half) -> None:
    side = side_of(build, half)
    edge, low, id = centre_of(build, half)[0], lower_edge(build), half.name
    gathers = side.has(Shaping.GATHERS_UNDER_YOKE)
    full = gathers or side.has(Shaping.PLEAT_UNDER_YOKE)

    def parts(block: Upper) -> tuple[Chain, Chain, Point]:
        """(the body's part of the armhole, the yoke's, where they meet)."""
        first, second = block.armhole[1].split(meets(block))
        return (block.armhole[0], first), (second,), second.start

    ratio = 1.0 if not full else FULLER if gathers else PLEATED

    def spread(block: Upper) -> Spread:
        """The piece below is everywhere longer by the same share of its yoke."""
        below, _, at = parts(block)
        return spread_below(block, at, (ratio - 1.0) * (at[1] - block.centre), below, block.side)

    def body(block: Upper) -> Edges:
        below, _, at = parts(block)
        wider, c = spread(block), block.centre
        return {
            edge: straight((at[0], c), (block.hem, c)),
            low: wider.lower(block),
            "side": wider.outer(block.side),
            "armhole": wider.outer(below),
            "yoke": wider.yoke(at),
        }

    refuse_under_the_neck(build, half)
    new_panel(build, half, id, half.name.capitalize(), body, at_centre=True)
    half.armhole = [part(id, "armhole")]
    add_yoke(
        build,
        half,
        lambda block: parts(block)[1],
        # With fullness the piece below is drawn wider than its yoke, and does not lie at it.
        drawn_on="" if full else id,
        difference=Difference(DifferenceKind.GATHERS, ratio) if full else Difference(),
    )
    spread_levels(build, half, id, spread)
    if full and not gathers:
        _pleated(build, half, id, lambda block: parts(block)[2][1] - block.centre, ratio)
    half.side, half.lower = [part(id, "side")], [part(id, low)]
    shape_with_darts(build, half, id, spread)


def _pleated(build: Build, half: Half, id: str, finished: Callable[[Upper], float], ratio: float) -> None:
    """A box pleat at the centre of a back, a pleat to the side on each hand of a front; their lines from the yoke."""

    def places(size: Size) -> Places:
        block = upper(build, size, half)
        takes = finished(block) * (ratio - 1.0)
        if half.is_front:
            return Pleated(finished(block), takes).knife(1)
        return at_the_centre(takes, -block.centre)

    def line_at(size: Size, along: float) -> Line:
        chain = build.edge(id, "yoke", size)
        x, y = point_at(chain, chain_length(chain) - along)
        u, v = direction_at(chain, chain_length(chain) - along)
        return ((x, y), (x - v * HELD, y + u * HELD))

    draw_pleats(build, id, places, line_at)
    build.details.append(
        Detail(
            f"{id}-pleat",
            f"Pleat{'s' if half.is_front else ''} under the {half.name} yoke",
            DetailKind.KNIFE_PLEATS if half.is_front else DetailKind.BOX_PLEATS,
            on=(id,),
            along=(half.yoke,),
            count=2 if half.is_front else 1,
        )
    )


SHAPES = (Shaping.YOKE, *UNDER_A_YOKE)


def takes(d: Description, half: Half) -> bool:
    return half.side_of(d).has(Shaping.YOKE)


def asked(d: Description) -> bool:
    return d.garment.hangs_from_the_shoulders and any(side.has(*SHAPES) for _, side in d.features.sides)


def forbids(d: Description) -> Found:
    f = d.features
    for name, side in f.sides:
        if side.has(*UNDER_A_YOKE) and not side.has(Shaping.YOKE, Shaping.SQUARE_YOKE):
            yield f"features.{name}.shaping", "Fullness under a yoke needs a yoke."
        if all(side.has(one) for one in UNDER_A_YOKE):
            yield f"features.{name}.shaping", "Under one yoke lie gathers or a pleat, not both."
    yield from below_the_neck(d, Shaping.YOKE)
    if f.back.has(Shaping.SHOULDER_DART) and f.back.has(Shaping.YOKE):
        yield "features.back.shaping", "A yoke takes up the shoulder dart: choose one or the other."
    opened = {Where.FRONT: f.front, Where.BACK: f.back}.get(f.opening.where)
    kind = f.opening.kind
    pulled = kind in (OpeningKind.TIES, OpeningKind.HOOK_AND_EYE)
    if pulled and kind and opened is not None and opened.has(Shaping.YOKE) and opened.centre is Centre.SEAM:
        yield (
            "features.opening.kind",
            f"{kind.words.capitalize()} below a yoke's short seam are not drafted here: use a zip.",
        )


FEATURES = (Feature("yoke", asked=asked, forbids=forbids, takes=takes, panel=_yoke, rank=22),)
