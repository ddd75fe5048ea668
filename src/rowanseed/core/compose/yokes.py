"""What straight and square yokes share."""

from __future__ import annotations

from collections.abc import Callable, Iterator

from rowanseed.core.compose.bodice import Upper
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.drafting import straight
from rowanseed.core.compose.panels import Half, centre_of, new_panel
from rowanseed.core.compose.vocabulary import NeckShape, Shaping
from rowanseed.core.geometry.outline import Chain
from rowanseed.core.geometry.solving import solve
from rowanseed.core.pattern.making import Difference, Press

NO_DIFFERENCE = Difference()
FULLER = 1.35
"""Gathers under a yoke: so much longer than the yoke."""
PLEATED = 1.2
"""A pleat under a yoke: so much longer than the yoke."""
YOKE_AT, LOWEST = 0.3, 0.03
"""Where a yoke's seam meets the armhole: a share of its upper curve, and the least of it."""
UNDER_A_YOKE = (Shaping.GATHERS_UNDER_YOKE, Shaping.PLEAT_UNDER_YOKE)
BELOW_NECK = 40.0
"""A yoke's seam lies so far below the neck at the centre, in mm, wherever the armhole is deep enough for it."""
LEAST_YOKE = 10.0
"""A yoke is so deep at its centre at least, in mm."""
DEEP_NECKS = (NeckShape.V, NeckShape.SQUARE, NeckShape.SCOOP)


def meets(block: Upper) -> float:
    """Where a straight yoke's seam meets the armhole, on its upper curve: lower where the neck is deep."""
    upper, level = block.armhole[1], block.neck_depth + BELOW_NECK
    if upper.at(YOKE_AT)[0] >= level:
        return YOKE_AT
    return solve(lambda t: upper.at(t)[0], level, LOWEST, YOKE_AT)


def below_the_neck(d: Description, yoke: Shaping) -> Iterator[tuple[str, str]]:
    """A front yoke lies below a neck that ends above it."""
    if d.features.front.has(yoke) and d.features.neck.shape in DEEP_NECKS:
        yield (
            "features.front.shaping",
            f"A {d.features.neck.shape.words} neck runs below a yoke: choose a round one, or no yoke.",
        )


def add_yoke(
    build: Build,
    half: Half,
    armhole: Callable[[Upper], Chain],
    *,
    drawn_on: str = "",
    difference: Difference = NO_DIFFERENCE,
) -> None:
    """A straight yoke above the piece of a half that is drafted already, with its part of the armhole: neck and
    shoulder are the yoke's from there on."""
    edge, below, id = centre_of(build, half)[0], half.name, f"{half.name}-yoke"

    def draw(block: Upper) -> Edges:
        at, c = armhole(block)[0].start, block.centre
        return {
            edge: straight((block.neck_end, c), (at[0], c)),
            "yoke": straight((at[0], c), at),
            "armhole": armhole(block),
            "shoulder": straight(block.tip, block.neck_point),
            "neck": block.neck,
        }

    name = f"{half.name.capitalize()} yoke"
    new_panel(build, half, id, name, draw, at_centre=True, drawn_on=drawn_on)
    # In a centre seam the yoke comes before the body below it.
    half.centre.reverse()
    half.yoke = f"yoke-{half.name}"
    build.join(
        half.yoke,
        f"{name} seam",
        (part(below, "yoke"),),
        (part(id, "yoke"),),
        press=Press.UP,
        each_hand=build.pieces[id].cuts[0].pair,
        difference=difference,
    )
    half.neck, half.shoulder = [part(id, "neck")], [part(id, "shoulder")]
    half.armhole = [*half.armhole, part(id, "armhole")]


def refuse_under_the_neck(build: Build, half: Half, least: float = LOWEST) -> None:
    """Refuse a yoke whose seam would cross the centre above the neck's end, or meet the armhole lower than at a share
    of its upper curve."""
    blocks = [(size, build.block(size, is_front=half.is_front)) for size in build.figures.sizes]
    short = [size.name for size, block in blocks if not _lies_below(block) or meets(block) < least]
    if short:
        build.refused.append(
            (
                f"features.{half.name}.shaping",
                f"In size {short[0]} a neck that a head goes through runs below the yoke: let it open, or leave the "
                "yoke out.",
            )
        )


def _lies_below(block: Upper) -> bool:
    """Whether a yoke's seam crosses the centre below the neck."""
    return block.armhole[1].at(meets(block))[0] > block.neck_end + LEAST_YOKE
