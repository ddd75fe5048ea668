"""What a yoke at the waist of a skirt or of trousers needs, and does without; the blocks are drafted with it."""

from __future__ import annotations

from rowanseed.core.base.words import upper_first
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.ease import is_yoked_at_waist
from rowanseed.core.compose.feature import Feature, Found
from rowanseed.core.compose.folds import SHAPED
from rowanseed.core.compose.openings import is_button_fly
from rowanseed.core.compose.skirts import SHAPED as STRAIGHT
from rowanseed.core.compose.vocabulary import (
    Centre,
    OpeningKind,
    PocketKind,
    Shaping,
    SkirtKind,
    Waist,
    Where,
)
from rowanseed.core.compose.waists import waist_finish

BELOW_YOKES = (
    SkirtKind.GATHERED,
    SkirtKind.KNIFE_PLEATS,
    SkirtKind.BOX_PLEATS,
    SkirtKind.TIERED,
    SkirtKind.CIRCLE,
    SkirtKind.HALF_CIRCLE,
)
"""Kinds of skirt that hang from a yoke all round, beside the straight ones that it is cut off."""


def forbids(d: Description) -> Found:
    f = d.features
    yoked = [name for name, side in f.sides if side.has(Shaping.YOKE)]
    for name, side in f.sides:
        if side.has(Shaping.YOKE) and side.has(Shaping.WAIST_DART, *SHAPED):
            yield f"features.{name}.shaping", "A yoke takes up what a dart, tuck or pleat would: choose one of them."
    if f.legs.pleats and f.front.has(Shaping.YOKE):
        yield "features.legs.pleats", "A yoke takes up what pleats at the front's waist would: choose one of them."
    if f.skirt is not None and f.skirt.kind not in (*STRAIGHT, *BELOW_YOKES):
        yield (
            "features.skirt.kind",
            f"Below a yoke {f.skirt.kind.one} is not drafted here: choose another.",
        )
    elif f.skirt is not None and f.skirt.kind not in STRAIGHT and len(yoked) == 1:
        yield (
            "features.skirt.kind",
            f"{upper_first(f.skirt.kind.one)} hangs from a yoke all round: have one at front and back, or at neither.",
        )
    if len(yoked) == 2 and f.skirt is not None and f.skirt.darts:
        yield "features.skirt.darts", "Its yokes take up the darts: say that it has none, or leave it open."
    for name, side in f.sides:
        if side.has(Shaping.YOKE) and side.centre is Centre.OPEN:
            yield f"features.{name}.centre", "A skirt that is open all the way is drafted here without a yoke."
    if waist_finish(d) is Waist.FACING and len(yoked) == 1:
        yield (
            "features.waist",
            "A waist above yokes is faced with the same yokes again: have one at front and back, or choose a band.",
        )
    yield from _pockets(d, yoked)
    yield from _opening(d, yoked)


def _pockets(d: Description, yoked: list[str]) -> Found:
    for k, pocket in enumerate(d.features.pockets):
        if pocket.kind is PocketKind.SLANT and "front" in yoked:
            yield f"features.pockets.{k}", "A slant pocket is cut out of a front that has no yoke: choose one of them."
        if pocket.kind is PocketKind.IN_SEAM and len(yoked) == 1:
            yield (
                f"features.pockets.{k}",
                f"The side seam crosses a yoke at the {yoked[0]} alone, where the pocket's mouth would begin: choose "
                "another pocket, or yokes on both halves.",
            )


def _opening(d: Description, yoked: list[str]) -> Found:
    opening = d.features.opening
    if opening.kind is None or opening.where is Where.NONE:
        return
    crossed = yoked if opening.where is Where.LEFT_SIDE else [name for name in yoked if name == opening.where.value]
    if not crossed:
        return
    if not opening.kind.zips_a_seam and not is_button_fly(d):
        yield (
            "features.opening.kind",
            f"{opening.kind.words.capitalize()} are not drafted here where the opening runs through a yoke: use a zip.",
        )
    elif opening.kind is OpeningKind.FLY_ZIP or is_button_fly(d):
        yield "features.opening.kind", "A fly is not drafted through a yoke: have another zip, or no yoke at the front."


FEATURES = (Feature("hip-yoke", asked=is_yoked_at_waist, forbids=forbids),)
