"""A flat collar: upper and under collar turned round their edge, caught between the neck and its facing.

Drafted on the neck itself, back and front laid together at the shoulder, their tips lapped a little: so it follows the
neck and rolls just over its seam (what drafting books share, from memory).
"""

from __future__ import annotations

import math

from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.collars import FALL, has_collar, layers_of, neck_parts, to_the_centre
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.drafting import backwards, moved, parallel, straight
from rowanseed.core.compose.facing import face
from rowanseed.core.compose.feature import Body, Ended, Feature, Found
from rowanseed.core.compose.openings import placket
from rowanseed.core.compose.proportion import in_proportion
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import CollarKind, Placket, Where
from rowanseed.core.geometry.outline import Affine, Chain, Point, transform_chain, unit
from rowanseed.core.pattern.making import FinishKind, Press

DEEP, TIPS_LAPPED = FALL + 10.0, 18.0
"""How deep it lies, and by how much the shoulders' tips are lapped, in mm."""


def _neck(build: Build, size: Size) -> Chain:
    """The whole of one half's neck from the centre back, at the origin, over the shoulder to the centre front."""
    back, front = (build.block(size, is_front=is_front) for is_front in (False, True))
    # What laps over the centre at an opening is without a collar: its ends meet there.
    at_back, at_front = back.neck_to_centre, front.neck_to_centre
    behind = moved(backwards(at_back), -at_back[-1].end[0], -at_back[-1].end[1])
    angle = _lies(back.neck_point, back.tip) - _lies((-front.neck_point[0], front.neck_point[1]), _flipped(front.tip))
    angle -= TIPS_LAPPED / back.shoulder
    c, s = math.cos(angle), math.sin(angle)
    # Turned over at the shoulder, so that the front lies above it.
    turn = Affine(-c, -s, -s, c, 0.0, 0.0)
    before = transform_chain(at_front, turn)
    (x, y), (to_x, to_y) = before[0].start, behind[-1].end
    return (*behind, *moved(before, to_x - x, to_y - y))


def _flipped(point: Point) -> Point:
    return (-point[0], point[1])


def _lies(start: Point, end: Point) -> float:
    """The direction from one point to another, in radians."""
    return math.atan2(end[1] - start[1], end[0] - start[0])


def forbids(d: Description) -> Found:
    if placket(d) is Placket.BAND:
        yield (
            "features.opening.placket",
            "A flat collar ends at the centre line, in the middle of a band of its own: choose a facing, or an edge "
            "folded in.",
        )


def finish(build: Build, body: Body) -> None:
    parts = neck_parts(body)
    # Open at the back, it is in two halves that meet at the centre front.
    halves = build.description.features.opening.where is Where.BACK or any(
        p.edge == "opening" for p in body.back.centre
    )
    behind = "back-end" if halves else "fold"

    deep = in_proportion(build.description, DEEP)

    def draw(size: Size) -> Edges:
        neck = _neck(build, size)
        last = neck[-1]
        along = unit((last.end[0] - last.points()[2][0], last.end[1] - last.points()[2][1]))
        corner = (last.end[0] + deep * along[1], last.end[1] - deep * along[0])
        return {
            behind: straight((0.0, 0.0), (deep, 0.0)),
            "outer": parallel(neck, (deep, 0.0), corner, -deep),
            "end": straight(corner, last.end),
            "neck": backwards(neck),
        }

    layers_of(build, ("collar", "under-collar"), ("Collar", "Under collar"), draw, None if halves else "fold")
    turned = ("back-end", "outer", "end") if halves else ("outer", "end")
    build.join(
        "collar-edge",
        "Collar to under collar",
        (part("collar", edge) for edge in turned),
        (part("under-collar", edge) for edge in turned),
        press=Press.FACING,
        each_hand=halves,
    )
    on_neck, _ = to_the_centre(build, parts)
    build.join(
        "collar-neck", "Collar to neck", on_neck, (part("under-collar", "neck"),), press=Press.DOWN, each_hand=halves
    )
    build.finish("collar-inside", "Neck edge of the upper collar", FinishKind.CAUGHT, (part("collar", "neck"),))
    face(build, "neck", "neck", parts)
    build.along["collar"] = ("collar-edge",)


FEATURES = (
    Feature(
        "flat-collar",
        asked=lambda d: has_collar(d, CollarKind.FLAT),
        forbids=forbids,
        ends=frozenset({Ended.NECK}),
        finish=finish,
    ),
)
