"""A skirt of straight lengths of cloth, drawn in at the waist or below a yoke by gathers or pleats."""

from __future__ import annotations

from rowanseed.core.compose.build import Build, Edges
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.drafting import straight
from rowanseed.core.compose.feature import Feature
from rowanseed.core.compose.panels import Half
from rowanseed.core.compose.shaped_skirts import Above, above_skirt, sew_below
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.skirts import beyond, centre_cut, length_of, sew_skirt, skirt_ids, skirt_panel
from rowanseed.core.compose.vocabulary import SkirtKind
from rowanseed.core.compose.waists import skirt_fullness, tell_fullness
from rowanseed.core.pattern.making import Detail, DetailKind
from rowanseed.core.pattern.pieces import LineKind
from rowanseed.core.pattern.turned_yoke import YOKE

PLEATS = {
    SkirtKind.KNIFE_PLEATS: (DetailKind.KNIFE_PLEATS, 40.0),
    SkirtKind.BOX_PLEATS: (DetailKind.BOX_PLEATS, 80.0),
}
"""Kinds of pleats, and about how far apart they stand along the waist, in mm."""


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
    _pleats(build, ratio)
    return halves


def _pleats(build: Build, ratio: float) -> None:
    """How many pleats there are, and what each takes."""
    skirt = build.description.features.skirt
    assert skirt is not None
    if skirt.kind is SkirtKind.CARTRIDGE_PLEATS:
        build.ways.append(("waist", "cartridge-pleats"))
    if skirt.kind not in PLEATS:
        return
    kind, apart = PLEATS[skirt.kind]
    middle = build.figures.sizes[len(build.figures.sizes) // 2]
    long = 2 * sum(above_skirt(build, half).long(middle) for half in (Half(True), Half(False)))
    number = max(2, round(long / apart))
    yoked = build.along.get(YOKE, ())
    build.details.append(
        Detail(
            "pleats",
            skirt.kind.words.capitalize(),
            kind,
            on=skirt_ids(build),
            along=yoked or ("waist",),
            count=number,
            width=round(long * (ratio - 1) / number, 1),
        )
    )


def asked(d: Description) -> bool:
    skirt = d.features.skirt
    return skirt is not None and skirt.kind.is_full and skirt.kind is not SkirtKind.TIERED


FEATURES = (Feature("full-skirt", asked=asked, skirt=full_skirt),)
