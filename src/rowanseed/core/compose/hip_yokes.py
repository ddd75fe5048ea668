"""A yoke at the waist of a skirt or of trousers, which takes up the dart of its half."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

from rowanseed.core.compose.build import Build, Draw, Edges, part
from rowanseed.core.compose.drafting import straight
from rowanseed.core.compose.panels import Half
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import Shaping
from rowanseed.core.geometry.outline import chain_length, split_chain
from rowanseed.core.pattern.making import Difference, DifferenceKind, Press
from rowanseed.core.pattern.pieces import LineKind, Panel
from rowanseed.core.pattern.turned_yoke import WAIST, YOKE, closed


@dataclass(frozen=True)
class HipYoke:
    """Where a yoke is cut off a half: how far down its centre and its side, and how long its waist is, in mm."""

    centre: Callable[[Size], float]
    side: Callable[[Size], float]
    waist: Callable[[Size], float]


def has_yoke(build: Build, half: Half) -> bool:
    return half.side_of(build.description).has(Shaping.YOKE)


def cut_apart(whole: Draw, yoke: HipYoke) -> tuple[Draw, Draw]:
    """How the half below a yoke is drawn, and the yoke, its dart closed. `whole` draws the half's centre first, its
    side before its waist."""

    def parted(size: Size) -> tuple[Edges, Edges]:
        edges = whole(size)
        centre, side = next(iter(edges)), list(edges)[-2]
        above, below = split_chain(edges[centre], yoke.centre(size))
        low, high = split_chain(edges[side], chain_length(edges[side]) - yoke.side(size))
        seam = straight(above[-1].end, high[0].start)
        rest = {name: chain for name, chain in edges.items() if name != WAIST}
        panel = {**rest, centre: below, side: low, YOKE: tuple(s.reversed() for s in seam)}
        return panel, closed({centre: above, YOKE: seam, side: high, WAIST: edges[WAIST]}, yoke.waist(size))

    return lambda size: parted(size)[0], lambda size: parted(size)[1]


def add_yoke(build: Build, half: Half, draw: Draw, ratio: float = 1.0) -> None:
    """The yoke of a half whose piece below it is drawn, so many times as full: sewn to it, with the waist from there
    on, and the upper ends of its side and its centre."""
    below, id = half.lower[0].piece, f"{half.name}-yoke"
    cut = build.pieces[below].cuts[0]
    panel = Panel.FRONT if half.is_front else Panel.BACK
    name = f"{half.name.capitalize()} yoke"
    build.piece(id, name, draw, panel=panel, count=cut.count, pair=cut.pair, fold=cut.fold)

    def across(size: Size) -> tuple[tuple[float, float], tuple[float, float]]:
        run = build.edge(id, WAIST, size)
        return run[-1].end, run[0].start

    build.line(id, LineKind.LEVEL, "waist", across)
    half.yoke = f"yoke-{half.name}"
    build.join(
        half.yoke,
        f"{name} seam",
        (part(below, YOKE),),
        (part(id, YOKE),),
        press=Press.UP,
        each_hand=cut.pair,
        difference=Difference(DifferenceKind.GATHERS, ratio) if ratio > 1 else Difference(),
    )
    centre, _, side, _ = (edge.name for edge in build.pieces[id].edges)
    half.neck, half.side = [part(id, WAIST)], [*half.side, part(id, side)]
    half.centre = [part(id, centre), *half.centre]
    build.along[YOKE] = (*build.along.get(YOKE, ()), half.yoke)
