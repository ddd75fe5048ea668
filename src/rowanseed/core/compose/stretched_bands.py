"""Bands of a knit or of ribbing: doubled, cut across so that they stretch round, and shorter than their edge."""

from __future__ import annotations

from dataclasses import dataclass, replace

from rowanseed.core.base.words import lower_first
from rowanseed.core.compose.bands import along, band_draw, folded
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.proportion import band_share
from rowanseed.core.compose.sizes import Size
from rowanseed.core.pattern.making import Difference, DifferenceKind, EdgePart, FinishKind, Press
from rowanseed.core.pattern.pieces import Grain, Panel, Role


@dataclass(frozen=True)
class Sewn:
    """How a band is called, where it goes on, and what its edge's allowances are pressed to. It is cut `count` times:
    each closed to a ring of its own where there is one on `each_hand`, else all of them to one ring."""

    id: str
    name: str
    join: str
    words: str
    press: Press
    count: int = 1
    each_hand: bool = False


def stretched_on(build: Build, parts: tuple[EdgePart, ...], *, sewn: Sewn, depth: float) -> None:
    """Draft a band that goes on these edges, all of them or those of one hand; folded it is `depth` wide."""
    of_edge, rings = band_share(build.description), sewn.count if sewn.each_hand else 1
    name = lower_first(sewn.name)

    def draw(size: Size) -> Edges:
        long = along(build, parts, size) * of_edge * rings / sewn.count
        return band_draw(long, 2 * depth, ("inner", "end", "edge", "start"))

    build.piece(
        sewn.id,
        sewn.name,
        draw,
        panel=Panel.BAND,
        count=sewn.count,
        pair=sewn.count > 1,
        role=Role.CONTRAST if build.description.features.ribbing else Role.MAIN,
    )
    piece = build.pieces[sewn.id]
    build.change(sewn.id, cuts=tuple(replace(cut, grain=Grain.CROSSWISE) for cut in piece.cuts))
    folded(build, sewn.id, depth)
    build.join(
        f"{sewn.id}-ends",
        f"Ends of the {name}",
        (part(sewn.id, "start"),),
        (part(sewn.id, "end"),),
        each_hand=sewn.count > 1,
    )
    hands = ("left", "right") if sewn.count > 1 and not sewn.each_hand else (None,)
    build.join(
        sewn.join,
        sewn.words,
        parts,
        tuple(part(sewn.id, "edge", hand) for hand in hands),
        press=sewn.press,
        each_hand=sewn.each_hand,
        difference=Difference(DifferenceKind.STRETCHED_ON, 1 / of_edge),
    )
    inner = (part(sewn.id, "inner"),)
    build.finish(f"{sewn.id}-inner", f"Inner edge of the {name}", FinishKind.CAUGHT, inner)
