"""What cannot be said of an opening: where it is, and what closes it there."""

from __future__ import annotations

from rowanseed.core.base.units import at_most
from rowanseed.core.base.words import upper_first, with_article
from rowanseed.core.compose.description import Description, Side
from rowanseed.core.compose.feature import Found
from rowanseed.core.compose.features.opening_in_seam import AT_A_WAIST
from rowanseed.core.compose.openings import is_button_fly, is_half_placket
from rowanseed.core.compose.vocabulary import Centre, GarmentKind, OpeningKind, Placket, SleeveKind, Where

UNDER_A_SLEEVE = (SleeveKind.SET_IN, SleeveKind.GATHERED_CAP, SleeveKind.DROPPED)
"""Sleeves below which a side seam begins at the armhole."""
AT_A_HIP = 300.0
"""A zip from the waist is so long at most, in mm."""


def opening_refused(d: Description) -> Found:
    """Each by its field and the reason."""
    f, opening = d.features, d.features.opening
    kind, where = opening.kind, opening.where
    if d.garment is GarmentKind.ROBE and kind is not None:
        yield "features.opening.kind", "A robe of rectangles laps, and its belt closes it: it has no other opening."
        return
    if d.garment.has_bodice and f.front.centre is Centre.OPEN and f.back.centre is Centre.OPEN:
        yield "features.back.centre", "Front and back are both open: nothing would hold the garment together."
    if kind is None and where is not Where.NONE:
        yield (
            "features.opening.kind",
            "Say what the opening is closed with; where nothing closes it, it opens nowhere: choose “none”.",
        )
        return
    if kind is None:
        return
    if where is Where.NONE:
        yield "features.opening.where", f"Say where it opens: {kind.words}, but at the front, the back or the side?"
        return
    side = {Where.FRONT: f.front, Where.BACK: f.back}.get(where)
    if kind.zips_a_seam and side is not None and side.centre is Centre.FOLD and d.garment is not GarmentKind.TROUSERS:
        yield (
            "features.opening.kind",
            f"A zip at the {where.words} needs a seam there: the {where.words} is cut on the fold.",
        )
    if kind.zips_a_seam and side is not None and side.centre is Centre.OPEN:
        yield (
            "features.opening.kind",
            f"{upper_first(with_article(kind.words))} needs a seam below it: the {where.words} is open all the way "
            "down. A separating zip does "
            "not.",
        )
    if kind is OpeningKind.SEPARATING_ZIP:
        yield from _separating(d, side)
    if d.garment is GarmentKind.APRON and (kind.zips_a_seam or kind in (OpeningKind.SLIT, OpeningKind.KEYHOLE)):
        yield (
            "features.opening.kind",
            f"An apron closes at its band: by ties, hooks, buttons or snaps, not by {with_article(kind.words)}.",
        )
    if kind.zips_a_seam and where is Where.LEFT_SIDE and d.garment.has_bodice and f.sleeve is not None:
        if f.sleeve.kind not in UNDER_A_SLEEVE:
            yield (
                "features.opening.where",
                f"With {f.sleeve.kind.one} side and sleeve are one line: put the zip at the back.",
            )
        if kind is OpeningKind.EXPOSED_ZIP:
            yield "features.opening.kind", "Below a sleeve a zip at the side is lapped, centred or invisible."
    if not d.garment.has_bodice and kind is OpeningKind.FLY_ZIP and where is not Where.FRONT:
        yield "features.opening.where", "A fly lies at the front."
    buttoned = kind in (OpeningKind.BUTTONS, OpeningKind.SNAPS)
    if buttoned and d.garment.has_bodice and side is not None and side.centre is Centre.SEAM:
        yield (
            f"features.{where.value}.centre",
            f"{kind.words.capitalize()} close an edge: say that the {where.words} is open, or on the fold for a half "
            "placket.",
        )
    if buttoned and where is Where.LEFT_SIDE and d.garment not in AT_A_WAIST:
        yield "features.opening.where", f"{kind.words.capitalize()} at the side are not drafted here; a zip is."
    if kind is OpeningKind.FLY_ZIP and d.garment not in (GarmentKind.TROUSERS, GarmentKind.SKIRT):
        yield "features.opening.kind", "A fly belongs to trousers or a skirt."
    if kind in (OpeningKind.SLIT, OpeningKind.KEYHOLE) and not d.garment.has_bodice:
        yield "features.opening.kind", f"A {kind.words} opens a neck: this garment has none."
    if kind in (OpeningKind.SLIT, OpeningKind.KEYHOLE) and (side is None or side.centre is not Centre.FOLD):
        yield "features.opening.kind", f"A {kind.words} is cut into the fold of the front or the back."
    pulled = kind in (OpeningKind.BUTTONS, OpeningKind.SNAPS, OpeningKind.TIES, OpeningKind.HOOK_AND_EYE)
    hooked = kind in (OpeningKind.TIES, OpeningKind.HOOK_AND_EYE)
    if hooked and d.garment.has_bodice and (side is None or side.centre is Centre.FOLD):
        yield "features.opening.kind", f"{kind.words.capitalize()} close an opening: the {where.words} has none."
    if pulled and d.garment is GarmentKind.TROUSERS and where is not Where.LEFT_SIDE and not is_button_fly(d):
        yield (
            "features.opening.kind",
            f"Trousers open with a zip, a buttoned fly or at the left side here: {kind.words} at the {where.words} are "
            "sewn by your booklet.",
        )
    if pulled and d.garment is GarmentKind.SKIRT and where is not Where.LEFT_SIDE:
        yield from _skirt_opening(kind, where, side)
    long = opening.length or 0.0
    if kind.zips_a_seam and d.garment in (GarmentKind.TROUSERS, GarmentKind.SKIRT) and long > AT_A_HIP:
        yield "features.opening.length", f"A zip at a waist is {at_most(AT_A_HIP)} at most: it ends at the hip."
    is_open = side is not None and side.centre is Centre.OPEN
    if opening.length is not None and is_open and kind is not OpeningKind.SEPARATING_ZIP:
        yield "features.opening.length", f"The {where.words} is open all the way: leave the opening's length out."
    if opening.placket is not None and side is not None and side.centre is not Centre.OPEN and not is_half_placket(d):
        yield "features.opening.placket", "A placket belongs to edges that are open all the way down."
    if kind in (OpeningKind.TIES, OpeningKind.HOOK_AND_EYE) and opening.placket is Placket.BAND:
        yield "features.opening.placket", "A band is closed by buttons or snaps."
    if f.front.centre is Centre.OPEN and where is not Where.FRONT and d.garment.has_bodice:
        yield "features.opening.where", "The front is open, so the opening lies at the front."
    if f.back.centre is Centre.OPEN and where is not Where.BACK and d.garment.has_bodice:
        yield "features.opening.where", "The back is open, so the opening lies at the back."


def _skirt_opening(kind: OpeningKind, where: Where, side: Side | None) -> Found:
    if side is None or side.centre is Centre.FOLD:
        yield (
            "features.opening.kind",
            f"{kind.words.capitalize()} close a seam that is left open at its top, or edges that are open all the way: "
            f"the {where.words} has neither.",
        )
    elif side.centre is Centre.OPEN and kind not in (OpeningKind.BUTTONS, OpeningKind.SNAPS, OpeningKind.TIES):
        yield (
            "features.opening.kind",
            f"A {where.words} that is open all the way closes by buttons, snaps or ties here: {kind.words} are sewn by "
            "your booklet.",
        )


def _separating(d: Description, side: Side | None) -> Found:
    where = d.features.opening.where
    if not d.garment.has_bodice:
        yield "features.opening.kind", f"A separating zip opens a front all the way: {d.garment.has} none."
    elif side is None or side.centre is not Centre.OPEN:
        name = "front" if side is None else where.words
        yield "features.opening.kind", f"A separating zip opens an edge: say that the {name} is open."
    if d.features.opening.placket not in (None, Placket.FACING):
        yield "features.opening.placket", "A separating zip lies between the edge and its facing."
    if d.features.is_bagged:
        yield "features.lining.method", "A separating zip lies between edge and facing: the lining is sewn in there."
