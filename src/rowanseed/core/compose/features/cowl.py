"""A cowl: the front is spread at the neck, from the lower edge up, so that its straight edge falls in soft folds."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.base.words import upper_first
from rowanseed.core.compose.bodice import Upper
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.drafting import straight
from rowanseed.core.compose.feature import Feature, Found
from rowanseed.core.compose.panels import Half, lower_edge, new_panel, panel_levels, shape_with_darts
from rowanseed.core.compose.spread import Fanned
from rowanseed.core.compose.vocabulary import (
    Along,
    Centre,
    LiningOf,
    NeckFinish,
    NeckShape,
    OpeningKind,
    PocketPlace,
    Shaping,
    SleeveKind,
    Where,
)
from rowanseed.core.pattern.envelope import Figure, Structure
from rowanseed.core.pattern.pieces import Grain, Role

LET_IN = 95.0
"""What half a cowl's edge is longer than its neck is wide, in mm: it falls some 16 cm below the shoulders (common
practice, no source)."""
BESIDE = (Shaping.BUST_DART, Shaping.WAIST_DART)
"""What may shape a front with a cowl."""


def fan(block: Upper) -> Fanned:
    """How a front is spread: not at its lower edge, most at the neck; shoulder, armhole and side are turned whole."""
    drafted = (block.armhole, block.side, straight(block.tip, block.neck_point))
    until = min(y for chain in drafted for segment in chain for _, y in segment.points())
    return Fanned(block.centre, block.hem, block.neck_point[0], until, LET_IN)


def panel(build: Build, half: Half) -> None:
    id, low = half.name, lower_edge(build)

    def draw(block: Upper) -> Edges:
        spread = fan(block)
        point = spread.at(block.neck_point)
        return {
            "centre": straight((point[0], block.centre), (block.hem, block.centre)),
            low: spread.lower(block),
            "side": spread.outer(block.side),
            "armhole": spread.outer(block.armhole),
            "shoulder": spread.outer(straight(block.tip, block.neck_point)),
            # At right angles to the fold: cut double there, it has no point.
            "neck": straight(point, (point[0], block.centre)),
        }

    def across(block: Upper, level: float) -> float:
        return block.centre + fan(block).across((level, block.outer(level)))

    new_panel(build, half, id, half.name.capitalize(), draw, at_centre=True)
    panel_levels(
        build,
        half,
        id,
        lambda block, x: 0.0,
        across,
        lambda block, x: fan(block).at((x, block.outer(x)))[0],
        lambda block, x: across(block, x) - block.outer(x),
    )
    half.neck, half.shoulder = [part(id, "neck")], [part(id, "shoulder")]
    half.armhole, half.side = [part(id, "armhole")], [part(id, "side")]
    half.lower = [part(id, low)]
    shape_with_darts(build, half, id, fan)


def adds(build: Build) -> None:
    """On the bias a woven cloth falls in folds; its facing goes with it."""
    build.assumed["features.neck.shape"] = (
        "the cowl falls about 16 cm below the shoulders; its facing is a piece of its own: one that your tissue has "
        "cut on is sewn by your booklet"
    )
    if build.description.cloth is Structure.KNIT:
        return
    for id in ("front", "front-neck-facing"):
        if id in build.pieces:
            cuts = (replace(c, grain=Grain.BIAS) if c.role is Role.MAIN else c for c in build.pieces[id].cuts)
            build.change(id, cuts=tuple(cuts))


def is_cowl(d: Description) -> bool:
    return d.garment.has_bodice and d.features.neck.shape is NeckShape.COWL


def forbids(d: Description) -> Found:
    f = d.features
    if d.is_without_shoulders:
        yield "features.neck.shape", "A cowl hangs from the shoulders, which this garment does not have."
        return
    if d.figure is Figure.CHILDREN:
        yield "features.neck.shape", "A cowl is drafted for grown figures: on a child it would fall to the waist."
    if f.front.centre is not Centre.FOLD or (f.opening.kind is not None and f.opening.where is Where.FRONT):
        yield "features.neck.shape", "A cowl is cut in one, on the fold: its front neither opens nor has a seam there."
    other = next((one for one in f.front.shaping if one not in BESIDE), None)
    if other is not None:
        yield "features.front.shaping", f"{upper_first(other.words)}: of these only darts go with a cowl."
    if f.collar is not None:
        yield "features.collar", f"A cowl falls from the neck by itself, without {f.collar.one}."
    elif f.neck.finish not in (None, NeckFinish.FACING):
        yield "features.neck.finish", "A cowl's edge is faced: bound or banded it would stand."
    if f.sleeve is not None and f.sleeve.kind in (SleeveKind.RAGLAN, SleeveKind.CUT_IN_ONE):
        yield "features.sleeve.kind", f"{upper_first(f.sleeve.kind.one)} takes the shoulder that a cowl hangs from."
    yield from _over_the_folds(d)


def _over_the_folds(d: Description) -> Iterator[tuple[str, str]]:
    """What cannot lie on what falls in folds, or under it."""
    f = d.features
    if f.lining is not None and f.lining.of in (LiningOf.ALL, LiningOf.UPPER):
        yield "features.lining.of", "A lining under a cowl has no folds, and is not drafted: line the skirt alone."
    if f.underlining or f.interlining:
        field = "features.underlining" if f.underlining else "features.interlining"
        yield field, "A second layer under a cowl would keep it from falling."
    if any(pocket.on is PocketPlace.CHEST for pocket in f.pockets):
        yield "features.pockets", "A pocket on the chest would hang in the folds of the cowl: leave it out."
    if any(one.along is Along.NECK for one in f.trim):
        yield "features.trim", "A trim along the neck would weigh on the folds of the cowl: leave it out."
    if f.opening.kind in (OpeningKind.SLIT, OpeningKind.KEYHOLE):
        yield "features.opening.kind", "The head goes through a cowl as it is: no slit is needed."


def takes(d: Description, half: Half) -> bool:
    return half.is_front and is_cowl(d)


FEATURES = (Feature("cowl", asked=is_cowl, forbids=forbids, takes=takes, panel=panel, adds=adds, rank=7),)
