"""A seam left open at its top: below a neck, closed by hooks or ties; at the centre or the left side below a waist, by
what closes its band."""

from __future__ import annotations

from rowanseed.core.base.units import at_most, in_both
from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.fastenings import along_the_edge, fasten
from rowanseed.core.compose.feature import Body, Ended, Feature, Found
from rowanseed.core.compose.openings import opening_half, opening_side, split_sides
from rowanseed.core.compose.vocabulary import Centre, GarmentKind, OpeningKind, Slit, Waist, Where
from rowanseed.core.compose.waists import waist_finish
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.pattern.making import Closure, ClosureKind, Detail, DetailKind, EdgePart
from rowanseed.core.pattern.pieces import Mark, MarkKind, PointKind

SEWN_BELOW = 20.0
"""So much of a seam is sewn below what opens it at least, in mm."""
BELOW_NECK, BELOW_WAIST = 150.0, 200.0
"""The usual length of such an opening, in mm."""
PULLED = {
    OpeningKind.HOOK_AND_EYE: ClosureKind.HOOK_AND_EYE,
    OpeningKind.TIES: ClosureKind.TIES,
    OpeningKind.BUTTONS: ClosureKind.BUTTONS,
    OpeningKind.SNAPS: ClosureKind.SNAPS,
}


INSIDE = 10.0
"""The first of several hooks stands so far below the upper edge, the last so far above the end, in mm."""
SAME_SEAM = {Where.BACK: Slit.BACK, Where.LEFT_SIDE: Slit.SIDES}
"""Slits at the lower end of the seam that an opening is at the upper end of."""
AT_A_WAIST = (GarmentKind.SKIRT, GarmentKind.TROUSERS)


def asked(d: Description) -> bool:
    opening = d.features.opening
    if opening.kind not in PULLED:
        return False
    if opening.where is Where.LEFT_SIDE:
        return d.garment in AT_A_WAIST
    in_half = opening.where in (Where.FRONT, Where.BACK)
    has_centre = d.garment.has_bodice or d.garment is GarmentKind.SKIRT
    return has_centre and in_half and opening_side(d).centre is Centre.SEAM


def forbids(d: Description) -> Found:
    kind = d.features.opening.kind
    laps = kind in (OpeningKind.BUTTONS, OpeningKind.SNAPS, OpeningKind.TIES)
    slit = d.features.skirt.slit if d.features.skirt is not None else Slit.NONE
    if slit is SAME_SEAM.get(d.features.opening.where):
        yield "features.skirt.slit", "One seam is not opened at both ends here: leave the slit or the opening out."
    if d.garment in AT_A_WAIST and laps and kind is not None and waist_finish(d) is not Waist.WAISTBAND:
        yield (
            "features.opening.kind",
            f"{kind.words.capitalize()} close a waistband, and there is none: hooks close a faced waist.",
        )


def finish(build: Build, body: Body) -> None:
    description = build.description
    if description.features.opening.where is Where.LEFT_SIDE:
        sides = "outseams" if description.garment is GarmentKind.TROUSERS else "sides"
        _leave_open(build, body.front.side[-1], split_sides(build, sides), "end")
    else:
        half = opening_half(body, description)
        _leave_open(build, half.centre[0], f"centre-{half.name}", "start")


def _leave_open(build: Build, where: EdgePart, join: str, anchor: str) -> None:
    """A seam open from the end of its edge that is at the top down to a dot, and what closes it there."""
    description = build.description
    opening = description.features.opening
    reach = min(chain_length(build.edge(where.piece, where.edge, size)) for size in build.figures.sizes) - SEWN_BELOW
    usual = BELOW_NECK if description.garment.has_bodice else BELOW_WAIST
    long = min(reach, opening.length or usual)
    if opening.length is None:
        build.assumed["features.opening.length"] = f"the seam is left open for {in_both(long)}"
    elif opening.length > reach:
        build.refused.append(("features.opening.length", f"Its seam is shorter: it opens by {at_most(reach)} at most."))
    build.mark(where.piece, Mark("open-end", MarkKind.DOT, where.edge, anchor, build.each(lambda size: long)))
    below = "neck" if description.garment.has_bodice else "waist"
    build.details.append(
        Detail(
            "open-seam",
            f"Opening below the {below}",
            DetailKind.SLIT,
            along=(join,),
            to_mark=(where.piece, "open-end"),
        )
    )
    assert opening.kind is not None
    _closed_at(build, where, long)
    on_band = description.garment in AT_A_WAIST and waist_finish(description) is Waist.WAISTBAND
    build.closures.append(Closure("opening", PULLED[opening.kind], "waist" if on_band else join))


def _closed_at(build: Build, where: EdgePart, long: float) -> None:
    """Where several hooks or ties close it: evenly, the first and the last a little inside its ends."""
    kind, count = along_the_edge(build.description), build.description.features.opening.count or 1
    if kind not in (PointKind.HOOK, PointKind.TIE) or not build.description.garment.has_bodice:
        return
    for k in range(count):
        place = INSIDE + k * (long - 2 * INSIDE) / (count - 1)
        fasten(build, k, kind, (where,), dict.fromkeys(build.figures.sizes, place))


FEATURES = (Feature("opening-in-seam", asked=asked, forbids=forbids, ends=frozenset({Ended.OPENING}), finish=finish),)
