"""A bodice and legs sewn together at the waist: what cannot be said of it, since it is stepped into."""

from __future__ import annotations

from rowanseed.core.base.units import at_least, in_both
from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Body, Feature, Found
from rowanseed.core.compose.figures import figures
from rowanseed.core.compose.trousers import TORSO
from rowanseed.core.compose.vocabulary import Centre, GarmentKind, Waist, WaistLevel, Where
from rowanseed.core.pattern.envelope import Structure


def asked(d: Description) -> bool:
    return d.garment is GarmentKind.JUMPSUIT


def carves(build: Build, body: Body) -> None:
    if build.description.features.waist is None:
        build.assumed["features.waist"] = "a seam at the waist"
    build.assumed["features.legs"] = f"its crotch lies {in_both(TORSO)} deeper than that of trousers"


def forbids(d: Description) -> Found:
    f = d.features
    if f.skirt is not None:
        yield "features.skirt", "A jumpsuit has legs below its waist, and no skirt."
    if f.waist is Waist.SHIRRED:
        yield (
            "features.waist",
            "Shirring draws in a length without a seam, and a jumpsuit's legs are sewn on at the waist: have it drawn "
            "in by elastic or a cord.",
        )
    if f.waist_level is not WaistLevel.NATURAL:
        yield "features.waist_level", "The legs of a jumpsuit are drafted from the waist: leave its seam there."
    for name, side in f.sides:
        if side.centre is Centre.OPEN:
            yield (
                f"features.{name}.centre",
                f"Nothing of a jumpsuit is open all the way down: say that the {name} has a seam, and a zip in it.",
            )
    yield from _stepped_into(d)


def _stepped_into(d: Description) -> Found:
    """The hip goes in from above, through what opens it."""
    opening = d.features.opening
    stretches = d.is_without_shoulders and d.cloth is Structure.KNIT
    if opening.kind is None and stretches:
        return
    if opening.kind is None or not opening.kind.zips_a_seam:
        field = "features.opening.kind" if opening.kind is not None else "features.opening"
        yield (
            field,
            "A jumpsuit is stepped into from above: it opens by a zip in the seam of its back or its front, from the "
            "top down to below the waist. What else closes yours, sew by your booklet.",
        )
        return
    if opening.where is Where.LEFT_SIDE and not d.is_without_shoulders:
        yield (
            "features.opening.where",
            "Under a shoulder a zip at the side does not let the hip through: put it at the back or the front.",
        )
    if opening.length is None or stretches:
        return
    least = max((size.body_hip - _above(d, size.neck)) / 2 for size in figures(d).sizes)
    if opening.length < least:
        yield (
            "features.opening.length",
            f"Through so short an opening the hip does not go: the zip is {at_least(least)} long at least.",
        )


def _above(d: Description, neck: float) -> float:
    """What of the hip goes through the upper edge beside the zip, in mm: through a neck as long as the body's."""
    return 0.0 if d.is_without_shoulders else neck


FEATURES = (Feature("jumpsuit", asked=asked, forbids=forbids, carves=carves, rank=5),)
