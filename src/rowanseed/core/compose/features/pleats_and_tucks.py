"""Pleats and tucks at the shoulder of a bodice or the waist of a skirt: what they cannot stand beside.

They are taken in where the blocks are drafted: in `body`, and in `skirts`.
"""

from __future__ import annotations

from rowanseed.core.compose.description import Description, Side
from rowanseed.core.compose.feature import Feature, Found
from rowanseed.core.compose.folds import SHAPED
from rowanseed.core.compose.vocabulary import GarmentKind, NeckShape, Shaping, SkirtKind, Waist


def _on_half(d: Description, name: str, side: Side) -> Found:
    """Pleats and tucks stand at the shoulder of a plain half, or at the waist of a straight skirt."""
    found = [one for one in SHAPED if side.has(one)]
    if not found:
        return
    where, words = f"features.{name}.shaping", found[0].words.capitalize()
    if len(found) > 1:
        yield where, "One half has pleats or tucks, not both."
    if d.garment is GarmentKind.SKIRT:
        kind = d.features.skirt.kind if d.features.skirt else SkirtKind.A_LINE
        if kind not in (SkirtKind.STRAIGHT, SkirtKind.A_LINE):
            yield where, f"{words} at the waist belong to a straight or A-line skirt; a pleated one is a kind of skirt."
        if d.features.waist in (None, Waist.ELASTIC_CASING, Waist.DRAWSTRING) and d.features.opening.kind is None:
            yield where, f"{words} fit a waist: one that is drawn in has none."
        if side.has(Shaping.WAIST_DART):
            yield where, f"{words} take in what the dart would: choose one of them."
        return
    if not d.garment.has_bodice:
        return
    if side.princess or side.has(Shaping.YOKE, Shaping.SQUARE_YOKE, Shaping.SHOULDER_DART):
        yield where, f"{words} at the shoulder need it whole: not with a yoke, a princess seam or a shoulder dart."
    if side.has(Shaping.WAIST_DART):
        yield where, f"{words} let the waist go loose: choose them or the waist dart."
    if d.features.neck.shape is NeckShape.BOAT:
        yield where, f"A boat neck leaves too short a shoulder for {found[0].words}."


def asked(d: Description) -> bool:
    return any(side.has(*SHAPED) for _, side in d.features.sides)


def forbids(d: Description) -> Found:
    for name, side in d.features.sides:
        yield from _on_half(d, name, side)


FEATURES = (Feature("pleats-and-tucks", asked=asked, forbids=forbids),)
