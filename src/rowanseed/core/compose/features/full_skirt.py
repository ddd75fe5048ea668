"""A skirt of straight lengths of cloth, drawn in at the waist or below a yoke by gathers or pleats."""

from __future__ import annotations

from collections.abc import Callable

from rowanseed.core.compose.build import Build, Edges
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.drafting import straight
from rowanseed.core.compose.feature import Feature
from rowanseed.core.compose.panels import Half
from rowanseed.core.compose.pleats import Places, Pleated, draw_pleats
from rowanseed.core.compose.shaped_skirts import Above, above_skirt, sew_below
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.skirts import beyond, centre_cut, length_of, sew_skirt, skirt_ids, skirt_panel
from rowanseed.core.compose.vocabulary import SkirtKind
from rowanseed.core.compose.waists import skirt_fullness, tell_fullness
from rowanseed.core.pattern.making import Detail, DetailKind
from rowanseed.core.pattern.pieces import LineKind
from rowanseed.core.pattern.pleats import Line
from rowanseed.core.pattern.turned_yoke import YOKE

PLEATS = {
    SkirtKind.KNIFE_PLEATS: (DetailKind.KNIFE_PLEATS, 40.0),
    SkirtKind.BOX_PLEATS: (DetailKind.BOX_PLEATS, 80.0),
}
"""Kinds of pleats, and about how far apart they stand along the waist, in mm."""
FLAT = 80.0
"""So much at most lies flat at an open end, in mm."""


def full_skirt(build: Build) -> tuple[Half, Half]:
    tell_fullness(build)
    ratio = skirt_fullness(build.description)
    halves = (Half(True), Half(False))
    for half, id in zip(halves, skirt_ids(build), strict=True):
        edge, above = centre_cut(build, half)[0], above_skirt(build, half)

        def draw(size: Size, edge: str = edge, half: Half = half, above: Above = above) -> Edges:
            c, long = beyond(build, half, size), length_of(build, size) - above.deep(size)
            wide = (above.long(size) - c) * ratio + c
            return {
                edge: straight((0.0, c), (long, c)),
                "hem": straight((long, c), (long, wide)),
                "side": straight((long, wide), (0.0, wide)),
                above.edge: straight((0.0, wide), (0.0, c)),
            }

        skirt_panel(build, half, id, draw, above.edge)
        build.line(
            id,
            LineKind.LENGTHEN_SHORTEN,
            "skirt-length",
            lambda size, above=above: ((100.0, 0.0), (100.0, above.long(size) * ratio)),
        )
        sew_below(build, half, above, ratio)
    sew_skirt(build, halves)
    _pleats(build, halves, ratio)
    return halves


def _pleats(build: Build, halves: tuple[Half, Half], ratio: float) -> None:
    """Where the pleats stand, and how many there are."""
    skirt = build.description.features.skirt
    assert skirt is not None
    if skirt.kind is SkirtKind.CARTRIDGE_PLEATS:
        build.ways.append(("waist", "cartridge-pleats"))
    if skirt.kind not in PLEATS:
        return
    kind, apart = PLEATS[skirt.kind]
    middle = build.figures.sizes[len(build.figures.sizes) // 2]
    count = 0
    for half, id in zip(halves, skirt_ids(build), strict=True):
        above = above_skirt(build, half)

        def edge(size: Size, half: Half = half, above: Above = above) -> Pleated:
            finished = above.long(size) - beyond(build, half, size)
            return Pleated(finished, finished * (ratio - 1.0), _flat(build, half, size))

        number = max(1, round((edge(middle).finished - edge(middle).flat) / apart))
        count += 2 * number

        def places(size: Size, edge: Callable[[Size], Pleated] = edge, number: int = number) -> Places:
            return edge(size).knife(number) if kind is DetailKind.KNIFE_PLEATS else edge(size).box(number)

        def line_at(size: Size, along: float, half: Half = half, above: Above = above) -> Line:
            c, long = beyond(build, half, size), length_of(build, size) - above.deep(size)
            return ((0.0, c + along), (long, c + along))

        draw_pleats(build, id, places, line_at)
    yoked = build.along.get(YOKE, ())
    build.details.append(
        Detail(
            "pleats", skirt.kind.words.capitalize(), kind, on=skirt_ids(build), along=yoked or ("waist",), count=count
        )
    )


def _flat(build: Build, half: Half, size: Size) -> float:
    """What of an edge is not pleated at its open end: what laps, and as much beside it."""
    return min(-2.0 * beyond(build, half, size), FLAT)


def asked(d: Description) -> bool:
    skirt = d.features.skirt
    return skirt is not None and skirt.kind.is_full and skirt.kind is not SkirtKind.TIERED


FEATURES = (Feature("full-skirt", asked=asked, skirt=full_skirt),)
