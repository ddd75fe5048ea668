"""A notched collar: the front's edge turns back as a lapel, faced up to the shoulder; the collar ends at the notch.

Drafted on a front with darts or princess seams; how deep it opens and how wide the lapel turns are shares from memory.
"""

from __future__ import annotations

from rowanseed.core.compose.bands import along
from rowanseed.core.compose.bodice import Upper
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.collars import layers_of
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.drafting import DOWN, curve, straight
from rowanseed.core.compose.feature import Body, Ended, Feature, Found
from rowanseed.core.compose.gorge import gorge, notch
from rowanseed.core.compose.lapels import (
    break_point,
    buttons,
    facing_backs,
    front_facing,
    join_facings,
    on_a_front_that_turns_back,
    sew_fronts,
    turned_front,
)
from rowanseed.core.compose.panels import Half
from rowanseed.core.compose.raglan_line import is_raglan, neck_parts
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import CollarKind, Interfaced, SleeveKind
from rowanseed.core.geometry.outline import Chain, Point
from rowanseed.core.pattern.making import EdgePart, Press
from rowanseed.core.pattern.pieces import Mark, MarkKind

LAPEL = 63.0
"""The lapel reaches so far beyond the front's edge, in mm."""
MEETS = "collar-meets-lapel"
"""The dot that all four layers are sewn to and from."""
COLLAR = 78.0
"""The collar is so deep from the neck to its outer edge, in mm."""


def _tip(block: Upper) -> Point:
    return (notch(block)[0] - 6.0, block.centre - LAPEL)


def _edge(block: Upper) -> Chain:
    """From the lapel's tip down to the lower edge."""
    tip, turn = _tip(block), break_point(block)
    return (curve(tip, (1.0, 0.1), turn, DOWN, 0.3, 0.35), *straight(turn, (block.hem, block.centre)))


def _gorge_and_lapel(block: Upper) -> Edges:
    """What of the gorge a raglan sleeve leaves, all of it where the sleeve is set in, and the lapel."""
    neck = neck_parts(block)[1] if is_raglan(block.description) else gorge(block)
    return {"neck": neck, "lapel": straight(notch(block), _tip(block))}


def panel(build: Build, half: Half) -> None:
    """The front with its lapel grown on."""
    turned_front(build, half, name="Front", edge=_edge, above=_gorge_and_lapel, roll_from=_roll_top)


def _roll_top(block: Upper) -> Point:
    """The roll line begins on the gorge, a little in front of the shoulder; on a front that a raglan sleeve takes that
    from, where the sleeve ends."""
    return neck_parts(block)[1][0].start if is_raglan(block.description) else gorge(block)[0].at(0.3)


def carves(build: Build, body: Body) -> None:
    """Facings, collar and buttons."""
    deep, backs = facing_backs(build, body)
    front_facing(build, body, deep, "Front facing", edge=_edge, rest=_gorge_and_lapel)
    build.interface("front-facing", Interfaced.FACINGS, Interfaced.FRONT)
    join_facings(build, backs)
    _collar(build, body, tuple(backs))
    sew_fronts(build, body, backs, "Front edges and lapels to the facings", ("lapel", "opening"))
    build.along |= {"neck": ("collar-neck",), "collar": ("collar-edge",), "front": ("fronts",)}
    buttons(build, body)


def _collar(build: Build, body: Body, backs: tuple[EdgePart, ...]) -> None:
    outer = (*body.front.neck, *reversed(body.back.neck))

    def draw(size: Size) -> Edges:
        long = along(build, outer, size)
        end = (COLLAR, long + 14.0)
        return {
            "fold": straight((0.0, 0.0), (COLLAR, 0.0)),
            "outer": straight((COLLAR, 0.0), end),
            "end": straight(end, (0.0, long)),
            "neck": straight((0.0, long), (0.0, 0.0)),
        }

    for id in ("front", "front-facing"):
        build.mark(id, Mark(MEETS, MarkKind.DOT, "neck", "end", build.each(lambda size: 0.0)))
    layers_of(build, ("collar", "under-collar"), ("Upper collar", "Under collar"), draw, "fold")
    for id in ("collar", "under-collar"):
        build.mark(id, Mark(MEETS, MarkKind.DOT, "neck", "start", build.each(lambda size: 0.0)))
    # The under collar holds the roll of a lapel collar, so it is stiffened as well.
    build.interface("under-collar", Interfaced.COLLAR)
    build.join("collar-neck", "Under collar to neck", outer, (part("under-collar", "neck"),))
    build.join(
        "collar-facing",
        "Upper collar to facings",
        (part("front-facing", "neck"), *reversed(backs)),
        (part("collar", "neck"),),
    )
    round_ = ("outer", "end")
    build.join(
        "collar-edge",
        "Edge of the collar",
        tuple(part("collar", e) for e in round_),
        tuple(part("under-collar", e) for e in round_),
        press=Press.FACING,
    )


def asked(d: Description) -> bool:
    return d.garment.has_bodice and d.features.collar is CollarKind.NOTCHED


def takes(d: Description, half: Half) -> bool:
    return asked(d) and half.is_front


def forbids(d: Description) -> Found:
    yield from on_a_front_that_turns_back(d, "A notched collar", (SleeveKind.CUT_IN_ONE,))


FEATURES = (
    Feature(
        "notched-collar",
        asked=asked,
        forbids=forbids,
        takes=takes,
        panel=panel,
        carves=carves,
        ends=frozenset({Ended.NECK, Ended.OPENING}),
        rank=9,
    ),
)
