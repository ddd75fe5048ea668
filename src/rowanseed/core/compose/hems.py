"""How the lower edge ends: its allowance, its folds, and the technique that its kind asks for."""

from __future__ import annotations

from rowanseed.core.base.units import in_both
from rowanseed.core.compose.build import Build, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.figures import lower_band
from rowanseed.core.compose.open_bands import open_band
from rowanseed.core.compose.ruffles import ruffle_hem
from rowanseed.core.compose.stretched_bands import Sewn, stretched_on
from rowanseed.core.compose.vocabulary import Centre, GarmentKind, HemKind, HemShape, LiningMethod, LiningOf, SkirtKind
from rowanseed.core.pattern.making import EdgePart, FinishKind, Press
from rowanseed.core.pattern.pieces import Corner

USUAL = 30.0
POINTED = 12.0
CLOSED = (LiningMethod.SEWN_IN, LiningMethod.BY_HAND)
FOLDED_ONCE = (HemKind.TURNED, HemKind.BLIND, HemKind.BY_HAND)
"""Hems that may be folded once, with a lining sewn to their raw edge."""
TECHNIQUES = {
    HemKind.NARROW: "narrow-hem",
    HemKind.BLIND: "blind-hem",
    HemKind.ROLLED: "rolled-hem",
    HemKind.TWIN_NEEDLE: "twin-needle-hem",
    HemKind.BOUND: "bound-hem",
    HemKind.BY_HAND: "hem-by-hand",
}
"""Ways of hemming that are not the usual one, as the making order knows them."""
DEEP_HEM = 20.0
"""A hem whose edge is bound and held inside by hand is at least so deep, in mm."""


def hem_kind(description: Description) -> HemKind:
    """How edges are hemmed: as is said; of a jacket or coat with a closed lining else by hand, and so behind a lining
    that is bagged there, where the hem is folded once; narrow where the edge is curved."""
    kind, lining = description.features.hem.kind, description.features.lining
    if description.features.is_bagged_at_hem and kind in FOLDED_ONCE:
        return HemKind.BY_HAND
    if description.features.hem.shape is HemShape.CURVED and kind in (HemKind.TURNED, HemKind.DOUBLE):
        return HemKind.NARROW
    tailored = description.garment in (GarmentKind.JACKET, GarmentKind.COAT)
    closed = lining is not None and lining.of is LiningOf.ALL and lining.method in CLOSED
    return HemKind.BY_HAND if tailored and closed and "features.hem.kind" not in description.said else kind


def hem_depth(build: Build, usual: float = USUAL) -> tuple[float, tuple[float, ...]]:
    """(allowance, folds from the raw edge on) of a turned edge, by the garment's hem kind."""
    hem, kind = build.description.features.hem, hem_kind(build.description)
    depth = hem.depth if hem.depth is not None and usual == USUAL else usual
    if kind is HemKind.BY_HAND and (hem.kind is not kind or build.description.features.is_bagged_at_hem):
        # The lining covers its raw edge.
        return depth, (depth,)
    match kind:
        case HemKind.DOUBLE:
            return depth, (depth / 2, depth / 2)
        case HemKind.NARROW:
            narrow = min(depth, 16.0)
            return narrow, (narrow / 2, narrow / 2)
        case HemKind.ROLLED:
            return 6.0, (3.0, 3.0)
        case HemKind.BOUND:
            return max(depth, DEEP_HEM), (max(depth, DEEP_HEM),)
        case HemKind.BLIND | HemKind.TWIN_NEEDLE:
            return depth, (depth,)
        case HemKind.TURNED | HemKind.BY_HAND | HemKind.FACED | HemKind.BAND:
            first = min(8.0, depth / 3)
            return depth, (first, depth - first)


def hem(build: Build, parts: tuple[EdgePart, ...]) -> None:
    """Hem the garment's lower edge, or sew its ruffle to it."""
    description = build.description
    if description.has_hem_ruffle:
        ruffle_hem(build, parts)
        return
    if description.ends_in_band:
        _band(build, parts)
        return
    kind = hem_kind(description)
    depth, folds = hem_depth(build, _usual(build))
    if description.features.hem.depth is None:
        build.assumed["features.hem.depth"] = "a hem of the usual depth"
    corner = Corner.MITRE if _is_pointed(build) else Corner.TURNED
    for p in parts:
        build.allow(p.piece, p.edge, depth, corner)
    build.finish("hem", "Hem", FinishKind.HEM, parts, folds)
    build.along["hem"] = ("hem",)
    hemmed_by(build, "hem")
    if kind is not description.features.hem.kind:
        bagged = description.features.is_bagged_at_hem
        curved = description.features.hem.shape is HemShape.CURVED
        build.assumed["features.hem.kind"] = (
            "a narrow hem, as its curve asks for"
            if curved
            else "folded once, and the lining sewn to its raw edge"
            if bagged
            else "hemmed by hand, the lining over its raw edge"
        )
    if kind is HemKind.FACED:
        build.assumed["features.hem.kind"] = (
            "the hem's facing is cut from the pieces' own shape; change it at the Cloth station"
        )


def _band(build: Build, parts: tuple[EdgePart, ...]) -> None:
    """Two lengths of knit or ribbing, joined at the sides, stretched on to the lower edge; at a front that opens, one
    for each half."""
    depth = lower_band(build.description)
    build.along["hem"] = ("lower-band",)
    if build.description.features.hem.depth is None:
        build.assumed["features.hem.depth"] = f"the band is {in_both(depth)} wide when it is folded"
    if build.description.features.front.centre is Centre.OPEN:
        open_band(build, parts, depth=depth)
        return
    whole = tuple(part(p.piece, p.edge, hand) for p in parts for hand in ("left", "right"))
    sewn = Sewn("lower-band", "Lower band", "lower-band", "Lower band to the lower edge", Press.UP, count=2)
    stretched_on(build, whole, sewn=sewn, depth=depth)


def hemmed_by(build: Build, id: str) -> None:
    """An edge is hemmed in the garment's own way, if that is not the usual one."""
    technique = TECHNIQUES.get(hem_kind(build.description))
    if technique is not None:
        build.ways.append((id, technique))


def _is_pointed(build: Build) -> bool:
    skirt = build.description.features.skirt
    return skirt is not None and skirt.kind is SkirtKind.POINTED_PANELS


def _usual(build: Build) -> float:
    """A circle takes a narrow hem, points the narrowest, anything else the usual one (the craft's figures)."""
    skirt = build.description.features.skirt
    if _is_pointed(build):
        return POINTED
    round_ = skirt is not None and skirt.kind in (SkirtKind.CIRCLE, SkirtKind.HALF_CIRCLE)
    said = build.description.features.hem.depth
    if said is not None:
        return USUAL
    curved = build.description.features.hem.shape is HemShape.CURVED
    return 16.0 if round_ or curved else 25.0 if build.description.garment is GarmentKind.TOP else USUAL
