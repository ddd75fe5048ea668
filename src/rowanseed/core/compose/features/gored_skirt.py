"""A skirt in gores, and one in panels that run down to points."""

from __future__ import annotations

from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.drafting import UP, curve, straight
from rowanseed.core.compose.feature import Feature
from rowanseed.core.compose.panels import Half
from rowanseed.core.compose.sizes import NARROWS, WIDENS, Size
from rowanseed.core.compose.skirts import centre_cut, hip_depth_of, length_of, sew_skirt, waist_of
from rowanseed.core.compose.vocabulary import SkirtKind
from rowanseed.core.geometry.outline import Chain
from rowanseed.core.pattern.pieces import LineKind, Panel

GORE_FLARE = 0.16
"""How much a gore widens below the hip, for each mm of length."""
POINT = 120.0
"""So far a pointed panel runs down beyond its sides, in mm."""


def _gores(build: Build, point: float = 0.0) -> tuple[Half, Half]:
    """Four, six or eight gores: alike, with a share of hip and waist each, front and back halved at the sides.

    `point`: so far each runs down to a point in its middle, in mm.
    """
    asked = build.description.features.skirt
    count = (asked.panels if asked and asked.panels else 6) // 2
    under = "skirt-" if build.description.garment.has_bodice else ""
    halves = (Half(True), Half(False))
    for half in halves:
        edge, fold, _, _ = centre_cut(build, half)
        # Of an odd number one stands on the centre's fold (or is cut in two by its seam); the others lie beside it.
        shares = [0.5, *([1.0] * (count // 2))] if count % 2 else [1.0] * (count // 2)
        before, edges_shaped = None, 2 * len(shares) - 1
        for k, share in enumerate(shares):
            id = f"{under}{half.name}" if k == 0 else f"{under}side-{half.name}{'' if k == 1 else f'-{k}'}"
            at_centre = k == 0

            def draw(
                size: Size,
                share: float = share,
                at_centre: bool = at_centre,
                edge: str = edge,
                edges_shaped: int = edges_shaped,
            ) -> Edges:
                hip, long = size.hip / (count * 2) * share, length_of(build, size)
                level = hip_depth_of(size, long)
                more = _more(size, long, level, count)
                # Every edge takes in as much as its neighbour, so that they meet.
                taken = (size.hip - waist_of(build, size)) / 4 / edges_shaped
                left_low = 0.0 if at_centre else -more
                # Half a panel at the centre ends in the point itself.
                foot = (long + point if share < 1 else long, left_low)
                tip = (long + point, (left_low + hip + more) / 2)
                left: Chain = (
                    straight((0.0, 0.0), foot)
                    if at_centre
                    else (
                        curve((0.0, taken), (1.0, -0.05), (level, 0.0), (1.0, 0.0), 0.36),
                        *straight((level, 0.0), (long, left_low)),
                    )
                )
                top = (0.0, hip - taken)
                return {
                    edge if at_centre else "front": left,
                    "hem": straight(foot, *((tip,) if point and share == 1 else ()), (long, hip + more)),
                    "side": (
                        *straight((long, hip + more), (level, hip)),
                        curve((level, hip), UP, top, (-1.0, -0.05), 0.36),
                    ),
                    "waist": straight(top, (0.0, 0.0 if at_centre else taken)),
                }

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
