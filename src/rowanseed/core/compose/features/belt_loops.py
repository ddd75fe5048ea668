"""Belt loops on a waistband: one strip that is cut into them, and lines on the band where they stand."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.compose.bands import along, band_draw
from rowanseed.core.compose.build import Build, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Body, Feature, Found
from rowanseed.core.compose.openings import is_open_skirt
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import Waist, Where
from rowanseed.core.compose.waists import fullness, waist_finish
from rowanseed.core.geometry.outline import Point
from rowanseed.core.make.techniques.belt_loops import ROOM, TURNING
from rowanseed.core.pattern.belt_loops import loops_of_a_half
from rowanseed.core.pattern.making import Detail, DetailKind, FinishKind
from rowanseed.core.pattern.pieces import LineKind, Panel

WIDE, LAYERS = 10.0, 4
"""How wide a loop is finished, in mm, and of how many layers it is folded; here and below: common practice, no
source."""
BESIDE = 25.0
"""At a seam that opens a loop stands so far from the end of the band that is not lapped, in mm."""
WHERE, STRIP = "features.band.loops", "belt-loop"


def forbids(d: Description) -> Found:
    if waist_finish(d) is not Waist.WAISTBAND:
        yield WHERE, "Belt loops stand on a waistband: say that a waistband finishes the top."
    elif d.features.opening.where is Where.BACK and d.features.opening.kind is not None and d.features.band.loops % 2:
        yield WHERE, "A band that opens at the back has as many loops left as right: an even number."


def joins(build: Build, body: Body) -> None:
    band = build.description.features.band
    edges = ("a", "end-a", "b", "end-b")
    build.piece(
        STRIP,
        "Strip for the belt loops",
        lambda size: band_draw(band.loops * (band.width + ROOM + 2 * TURNING), LAYERS * WIDE, edges),
        panel=Panel.OTHER,
        allowances=dict.fromkeys(edges, 0.0),
    )
    for id, name, kind, sewn in (
        ("sides", "Long edges of the strip for the belt loops", FinishKind.TURNED, ("a", "b")),
        ("ends", "Ends of the strip for the belt loops", FinishKind.CAUGHT, ("end-a", "end-b")),
    ):
        build.finish(f"{STRIP}-{id}", name, kind, (part(STRIP, edge) for edge in sewn))
    build.details.append(
        Detail(
            "belt-loops",
            "Belt loops",
            DetailKind.BELT_LOOPS,
            pieces=(STRIP,),
            on=("waistband",),
            count=band.loops,
            width=WIDE,
        )
    )
    _places(build, body)


def _places(build: Build, body: Body) -> None:
    """Lines across the outer half of the band, where it is cut so that what lies above each of its parts is known."""
    opening, band = build.description.features.opening, build.description.features.band
    halved = build.pieces["waistband"].cuts[0].count == 2
    at_side = opening.where is Where.LEFT_SIDE
    if is_open_skirt(build.description) or opening.kind is None or halved == at_side:
        return
    ratio = fullness(build.description)

    def across(size: Size) -> list[float]:
        front = along(build, body.front.neck, size) / ratio
        back = along(build, body.back.neck, size) / ratio
        if at_side:
            # The band begins, with its underlap, at the back: at the other end from where lines are measured.
            return sorted(2 * (front + back) - at for at in _round_from_the_side(band.loops, front, back))
        whole = front + back
        half = loops_of_a_half(band.loops, front, back)
        return [band.underlap + (whole - at if opening.where is Where.BACK else at) for at in half]

    for k in range(len(across(build.figures.sizes[0]))):

        def ends(size: Size, k: int = k) -> tuple[Point, Point]:
            x = across(size)[k]
            return (x, band.width), (x, 2 * band.width)

        build.line("waistband", LineKind.PLACEMENT, f"loop-{k + 1}", ends)


def _round_from_the_side(loops: int, front: float, back: float) -> list[float]:
    """How far from the left side seam, round the back, the loops of a whole band stand."""

    def found() -> Iterator[float]:
        for at in loops_of_a_half(loops, front, back):
            left = at - front if at >= front else 2 * (front + back) - (front - at)
            yield max(BESIDE, left)
            yield front + 2 * back - at
        if loops % 2:
            yield back

    return sorted(found())


FEATURES = (Feature("belt-loops", asked=lambda d: d.features.band.loops > 0, forbids=forbids, joins=joins, rank=60),)
