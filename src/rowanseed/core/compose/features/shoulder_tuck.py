"""A tuck on the left shoulder only: the front is cut whole, and swung open there from the shoulder down."""

from __future__ import annotations

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Body, Feature, Found
from rowanseed.core.compose.panels import upper
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import Centre, Hand, NeckShape, PocketKind, PocketPlace, Shaping
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.pattern.pieces import Mark, MarkKind, OneSided

DEEP, LONG = 32.0, 60.0
"""What the tuck takes in, and how far down it is sewn, in mm (common practice, no source)."""
BESIDE = 8.0
"""It points past the bust point, so far towards the side, in mm."""
FROM_ENDS = 0.2
"""No nearer to the neck or the armhole than this share of the shoulder."""
ALONE = (Shaping.TUCKS, Shaping.PLEATS, Shaping.YOKE, Shaping.SQUARE_YOKE, Shaping.WAIST_DART)
ID = "shoulder-tuck"


def asked(d: Description) -> bool:
    return any(side.has(Shaping.SHOULDER_TUCK_LEFT) for _, side in d.features.sides)


def forbids(d: Description) -> Found:
    front, where = d.features.front, "features.front.shaping"
    if d.features.back.has(Shaping.SHOULDER_TUCK_LEFT):
        yield "features.back.shaping", "A tuck on one shoulder only is drafted in the front: choose it there."
    if not front.has(Shaping.SHOULDER_TUCK_LEFT):
        return
    if not d.garment.has_bodice or d.is_without_shoulders:
        yield where, "A tuck on the left shoulder needs a shoulder, which this garment does not have."
        return
    if front.centre is not Centre.FOLD:
        yield where, "A tuck on one shoulder only is drafted in a front cut in one: its centre on the fold."
    if front.princess or front.has(*ALONE):
        yield where, "A tuck on the left shoulder needs a plain front: of the others only a bust dart goes with it."
    if d.features.neck.shape is NeckShape.BOAT:
        yield where, "A boat neck leaves too short a shoulder for a tuck."
    if any(_is_crossed(d, pocket.on, pocket.kind) and pocket.hands is not Hand.RIGHT for pocket in d.features.pockets):
        yield (
            where,
            "Below the tuck the front opens out, across a pocket there: have it on the right only, or none.",
        )


def _is_crossed(d: Description, on: PocketPlace, kind: PocketKind) -> bool:
    """Whether a pocket lies on the part of the front that the tuck swings open."""
    if on is PocketPlace.CHEST:
        return True
    return on is PocketPlace.FRONT and kind is not PocketKind.IN_SEAM and not d.has_waist_seam


def carves(build: Build, body: Body) -> None:
    front = body.front.name

    def along(size: Size) -> float:
        """From the armhole along the shoulder to where the tuck is, above the bust point."""
        block, chain = upper(build, size, body.front), build.edge(front, "shoulder", size)
        (_, tip), (_, neck) = chain[0].start, chain[-1].end
        share = (tip - block.bust_point[1] - BESIDE) / (tip - neck)
        return chain_length(chain) * min(1 - FROM_ENDS, max(FROM_ENDS, share))

    build.mark(front, Mark(ID, MarkKind.DART_LEG, "shoulder", "start", build.each(along)))
    build.change(front, one_sided=(OneSided(ID, ID, Hand.LEFT.value, DEEP, LONG),))


FEATURES = (Feature("shoulder-tuck", asked=asked, forbids=forbids, carves=carves),)
