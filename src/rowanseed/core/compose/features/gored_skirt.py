"""A skirt in gores, and one in panels that run down to points."""

from __future__ import annotations

import math
from functools import partial

from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.drafting import OUT, UP, backwards, curve, straight
from rowanseed.core.compose.feature import Feature
from rowanseed.core.compose.panels import Half
from rowanseed.core.compose.sizes import NARROWS, WIDENS, Size
from rowanseed.core.compose.skirts import centre_cut, gores_of, hip_depth_of, length_of, sew_skirt, waist_of
from rowanseed.core.compose.vocabulary import Centre, SkirtKind
from rowanseed.core.geometry.outline import Chain, Point
from rowanseed.core.geometry.solving import solve
from rowanseed.core.pattern.pieces import LineKind, Panel

GORE_FLARE = 0.16
"""How much a gore widens below the hip, for each mm of length."""
LEANS = 0.05
"""How far a gore's seams lean inwards where they reach the waist, for each mm up."""
POINT = 120.0
"""So far a pointed panel runs down beyond its sides, in mm."""


def _gores(build: Build, point: float = 0.0) -> tuple[Half, Half]:
    """Four, six or eight gores: alike, with a share of hip and waist each, front and back halved at the sides.

    `point`: so far each runs down to a point in its middle, in mm.
    """
    count = gores_of(build.description) // 2
    under = "skirt-" if build.description.garment.has_bodice else ""
    halves = (Half(True), Half(False))
    said = build.description.features
    if count % 2 == 0 and Centre.FOLD in (said.front.centre, said.back.centre):
        build.assumed["features.skirt.panels"] = (
            f"{2 * count} of them meet at the centre of front and back: a seam runs down it, and no fold"
        )
    for half in halves:
        edge, fold, _, _ = centre_cut(build, half)
        # Of an odd number one stands on the centre's fold (or is cut in two by its seam); the others lie beside it.
        shares = [0.5, *([1.0] * (count // 2))] if count % 2 else [1.0] * (count // 2)
        before, shaped = None, 2 * len(shares) - 1
        for k, share in enumerate(shares):
            id = f"{under}{half.name}" if k == 0 else f"{under}side-{half.name}{'' if k == 1 else f'-{k}'}"
            at_centre = k == 0
            draw = partial(
                _gore, build, count=count, share=share, edge=edge, at_centre=at_centre, shaped=shaped, point=point
            )
            name = f"{'Centre' if at_centre else 'Side'} {half.name} gore"
            panel = Panel.FRONT if half.is_front else Panel.BACK
            on_fold = fold if at_centre else None
            build.piece(
                id, name, draw, panel=panel, count=1 if on_fold else 2, pair=not on_fold, fold=on_fold, hem=("hem",)
            )
            build.line(
                id,
                LineKind.LEVEL,
                "hip",
                lambda size, share=share: (
                    (x := hip_depth_of(size, length_of(build, size)), 0.0),
                    (x, size.hip / (count * 2) * share),
                ),
            )
            build.line(
                id,
                LineKind.LEVEL,
                "waist",
                lambda size, id=id: ((run := build.edge(id, "waist", size))[-1].end, run[0].start),
            )
            build.line(
                id,
                LineKind.LENGTHEN_SHORTEN,
                "skirt-length",
                lambda size, share=share: (
                    (x := hip_depth_of(size, length_of(build, size)) + 20.0, 0.0),
                    (x, size.hip / (count * 2) * share),
                ),
            )
            if before is not None:
                build.join(
                    f"{under}gores-{half.name}{'' if k == 1 else f'-{k}'}",
                    f"Side {half.name} seams",
                    (part(before, "side"),),
                    (part(id, "front"),),
                    each_hand=True,
                )
            before = id
            half.lower.append(part(id, "hem"))
            half.neck.append(part(id, "waist"))
            if at_centre:
                half.centre = [part(id, edge)]
        half.side = [part(before or "", "side")]
    sew_skirt(build, halves)
    return halves


def _gore(
    build: Build, size: Size, *, count: int, share: float, edge: str, at_centre: bool, shaped: int, point: float
) -> Edges:
    """One gore, or the half of one at the centre (`share`), of `count` in each half; `shaped` of their edges take the
    hip in to the waist."""
    hip, long = size.hip / (count * 2) * share, length_of(build, size)
    level = hip_depth_of(size, long)
    more = _more(size, long, level, count)
    # Every edge takes in as much as its neighbour, so that they meet.
    taken = (size.hip - waist_of(build, size)) / 4 / shaped
    # From the middle of a gore to its seam; of one beside a seam at the centre as of the others.
    half_gore = hip / 2 if share == 1 and shaped > 1 else hip
    top = (-(half_gore - taken) * math.tan(math.atan(LEANS) / 2), hip - taken)
    # Hem and waist stand square to the seams, so that they run on level where two gores meet; the hem, an arc then, is
    # as wide as it was meant.
    more = _less_for_arc(half_gore, more, long - level)
    low = (long - (half_gore + more) * math.tan(math.atan2(more, long - level) / 2), hip + more)
    left_top = (0.0, 0.0) if at_centre else (top[0], taken)
    left_low = (long, 0.0) if at_centre else (low[0], -more)
    middle = (long + point, (left_low[1] + low[1]) / 2)
    if point:
        # Half a panel at the centre ends in the point itself.
        foot = (long + point, 0.0) if share < 1 else left_low
        hem = straight(foot, *((middle,) if share == 1 else ()), low)
    else:
        foot, hem = left_low, _arched(left_low, low, half=at_centre, level=long)
    left: Chain = (
        straight((0.0, 0.0), foot)
        if at_centre
        else (
            curve(left_top, (1.0, -LEANS), (level, 0.0), (1.0, 0.0), 0.36),
            *straight((level, 0.0), left_low),
        )
    )
    return {
        edge if at_centre else "front": left,
        "hem": hem,
        "side": (*straight(low, (level, hip)), curve((level, hip), UP, top, (-1.0, -LEANS), 0.36)),
        "waist": backwards(_arched(left_top, top, half=at_centre, level=0.0)),
    }


def _less_for_arc(half_gore: float, more: float, below: float) -> float:
    """How far an edge leans out so that the arc of the hem, square to it, is as long as a straight one would be."""

    def arc(out: float) -> float:
        turn = math.atan2(out, below)
        return (half_gore + out) * (turn / math.sin(turn) if turn else 1.0)

    return solve(arc, half_gore + more, min(more, 0.0) * 1.5, max(more, 0.0)) if more else 0.0


def _arched(start: Point, end: Point, *, half: bool, level: float) -> Chain:
    """A hem or a waist that hangs to a level in its middle, its ends higher and square to the seams there; `half`: only
    from that middle on, which is then where it starts."""
    (x, y), middle = end, start if half else (level, (start[1] + end[1]) / 2)
    turn = 2 * math.atan2(middle[0] - x, y - middle[1])
    leaves, arrives = (math.sin(turn), math.cos(turn)), (-math.sin(turn), math.cos(turn))
    right = curve(middle, OUT, end, arrives, 1 / 3)
    return (right,) if half else (curve(start, leaves, middle, OUT, 1 / 3), right)


def gored(build: Build) -> tuple[Half, Half]:
    return _gores(build)


def pointed(build: Build) -> tuple[Half, Half]:
    return _gores(build, point=POINT)


def _is(kind: SkirtKind, d: Description) -> bool:
    return d.features.skirt is not None and d.features.skirt.kind is kind


def _more(size: Size, long: float, level: float, count: int) -> float:
    """How far each edge of a gore leans out from hip to hem: as is usual, or for the hem that is printed."""
    below = max(0.0, long - level)
    if size.hem is None:
        return GORE_FLARE * below / 2
    return min(max((size.hem - size.hip) / (4 * count), NARROWS * below), WIDENS * below)


FEATURES = (
    Feature("gored-skirt", asked=lambda d: _is(SkirtKind.GORED, d), skirt=gored),
    Feature("pointed-panels", asked=lambda d: _is(SkirtKind.POINTED_PANELS, d), skirt=pointed),
)
