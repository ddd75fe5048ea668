"""A shawl collar: cut in one with the front, joined at the centre back, faced by a facing of the same shape.

Drafted on a front with darts or princess seams: the collar runs on from the shoulder's neck point by half the back
neck. How wide it is and how it leans are shares from memory.
"""

from __future__ import annotations

import math
from dataclasses import replace
from functools import partial

from rowanseed.core.compose.bodice import Upper
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.drafting import DOWN, curve, straight
from rowanseed.core.compose.feature import Body, Ended, Feature, Found
from rowanseed.core.compose.lapels import (
    break_point,
    buttons,
    facing_backs,
    front_facing,
    on_a_front_that_turns_back,
    sew_fronts,
    turned_front,
)
from rowanseed.core.compose.panels import Half
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import CollarKind, Interfaced
from rowanseed.core.geometry.outline import Chain, Point, chain_length

DEEP = 78.0
"""The collar's depth at the centre back, in mm."""
LEAN = math.radians(14)
"""It leans away from the centre line by so much."""
LAPEL = 57.0
"""At its widest it reaches so far beyond the front's edge, in mm."""


def _behind(build: Build, size: Size) -> float:
    """Half the back neck."""
    return chain_length(build.block(size, is_front=False).neck)


def _corners(build: Build, block: Upper) -> tuple[Point, Point]:
    """(the collar's inner corner at the centre back, its outer one)."""
    x, y = block.neck_point
    long = _behind(build, block.size)
    along = (-math.cos(LEAN), -math.sin(LEAN))
    inner = (x + along[0] * long, y + along[1] * long)
    return inner, (inner[0] + math.sin(LEAN) * DEEP, inner[1] - math.cos(LEAN) * DEEP)


def _edge(build: Build, block: Upper) -> Chain:
    """From the collar's outer corner at the centre back down to the lower edge."""
    _, outer = _corners(build, block)
    turn = break_point(block)
    wide = (outer[0] + 0.62 * (turn[0] - outer[0]), block.centre - LAPEL)
    return (
        curve(outer, (1.0, -0.05), wide, DOWN, 0.4),
        curve(wide, DOWN, turn, DOWN, 0.42),
        *straight(turn, (block.hem, block.centre)),
    )


def _collar_edges(build: Build, block: Upper) -> Edges:
    inner, outer = _corners(build, block)
    return {"collar-neck": straight(block.neck_point, inner), "collar-back": straight(inner, outer)}


def panel(build: Build, half: Half) -> None:
    """The front with its collar grown on."""
    turned_front(
        build,
        half,
        name="Front with its collar",
        edge=partial(_edge, build),
        above=partial(_collar_edges, build),
        roll_from=lambda block: block.neck_point,
    )


def carves(build: Build, body: Body) -> None:
    """The collar's seams, the facings and the buttons."""
    deep, backs = facing_backs(build, body)
    necks = tuple(reversed(body.back.neck))
    name = "Front facing with the upper collar"
    front_facing(build, body, deep, name, edge=partial(_edge, build), rest=partial(_collar_edges, build))
    build.interface("front-facing", Interfaced.FACINGS, Interfaced.FRONT, Interfaced.COLLAR)
    # Shoulder and back neck are one seam round the corner at the neck point.
    build.joins = [
        replace(
            join,
            name="Shoulders and collar to the back neck",
            a=(*join.a, part("front", "collar-neck")),
            b=(*join.b, *reversed(necks)),
        )
        if join.id == "shoulders"
        else join
        for join in build.joins
    ]
    build.join(
        "facing-shoulders",
        "Facing, shoulders and collar to the back neck facing",
        (part("front-facing", "shoulder"), part("front-facing", "collar-neck")),
        (*(part(p.piece, "shoulder") for p in backs), *(part(p.piece, "neck") for p in backs)),
        each_hand=True,
    )
    for piece, words in (
        ("front", "Centre back seam of the collar"),
        ("front-facing", "Its facing's centre back seam"),
    ):
        build.join(
            f"{piece}-collar-back",
            words,
            (part(piece, "collar-back", "left"),),
            (part(piece, "collar-back", "right"),),
        )
    sew_fronts(build, body, backs, "Front edges and collar to the facings", ("opening",))
    build.along |= {"neck": ("shoulders",), "collar": ("fronts",), "front": ("fronts",)}
    buttons(build, body)


def asked(d: Description) -> bool:
    return d.garment.has_bodice and d.features.collar is CollarKind.SHAWL


def takes(d: Description, half: Half) -> bool:
    return asked(d) and half.is_front


def forbids(d: Description) -> Found:
    yield from on_a_front_that_turns_back(d, "A shawl collar")


FEATURES = (
    Feature(
        "shawl-collar",
        asked=asked,
        forbids=forbids,
        takes=takes,
        panel=panel,
        carves=carves,
        ends=frozenset({Ended.NECK, Ended.OPENING}),
        rank=9,
    ),
)
