"""Bands of a knit or of ribbing: doubled, cut across so that they stretch round, and shorter than their edge."""

from __future__ import annotations

from dataclasses import dataclass
from itertools import pairwise

from rowanseed.core.base.words import lower_first
from rowanseed.core.compose.bands import along
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.drafting import straight
from rowanseed.core.compose.proportion import band_share
from rowanseed.core.compose.sizes import Size
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.pattern.making import Difference, DifferenceKind, EdgePart, FinishKind, Press
from rowanseed.core.pattern.pieces import LineKind, Panel, Role

EDGES = ("inner", "end", "edge", "start")
"""Of a band: the edge that is caught in its seam, an end, the edge that is sewn on, the other end."""


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
        return across(long, 2 * depth, EDGES)

    build.piece(
        sewn.id,
        sewn.name,
        draw,
        panel=Panel.BAND,
        count=sewn.count,
        pair=sewn.count > 1,
        role=of_what(build.description),
    )
    fold_across(build, sewn.id, depth)
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


def of_what(description: Description) -> Role:
    """What a band is cut of that is stretched on."""
    return Role.CONTRAST if description.features.ribbing else Role.MAIN


def across(long: float, wide: float, edges: tuple[str, ...]) -> Edges:
    """A rectangle `wide` along the grain and `long` across it, where a knit stretches most; its edges from the one
    farthest along the grain on."""
    corners = ((wide, 0.0), (wide, long), (0.0, long), (0.0, 0.0), (wide, 0.0))
    return {edge: straight(*ends) for edge, ends in zip(edges, pairwise(corners), strict=True)}


def fold_across(build: Build, id: str, depth: float) -> None:
    """The fold line of a band that lies across the cloth and is so wide when it is folded."""
    long = build.each(lambda size: chain_length(build.edge(id, "inner", size)))
    build.line(id, LineKind.FOLD, "fold", lambda size: ((depth, 0.0), (depth, long[size.name])))
