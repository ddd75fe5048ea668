"""A half cut in two along a princess line, from the armhole or the shoulder over the bust point down."""

from __future__ import annotations

from collections.abc import Callable
from functools import cache
from typing import Protocol

from rowanseed.core.base.same import Same
from rowanseed.core.compose.bodice import Upper
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.drafting import DOWN, backwards, curve, straight, y_at
from rowanseed.core.compose.panels import Half, centre_of, lower_edge, mark_bust, new_panel, panel_levels, side_of
from rowanseed.core.compose.vocabulary import Shaping
from rowanseed.core.compose.yokes import add_yoke, meets
from rowanseed.core.geometry.outline import Chain, Point, lerp

CUT_IN, BELOW_YOKE, LEAST = 0.22, 0.07, 0.12
"""Where a princess seam leaves the armhole, a share of its upper curve; so far below a yoke's seam at least, which
meets it no lower than the last."""


def princess_line(block: Upper, start: Point, leaves: Point, *, inner: bool) -> Chain:
    """A princess line from its start over the bust point and the waist down to the lower edge."""
    over, taken = block.bust_point, block.intake / 2
    hand = -1.0 if inner else 1.0
    chain: Chain = (curve(start, leaves, over, DOWN, 0.42),)
    waist = (block.waist, over[1] + hand * taken)
    if not block.reaches_waist:
        return (*chain, curve(over, DOWN, (block.hem, waist[1]), DOWN, 0.36))
    chain = (*chain, curve(over, DOWN, waist, DOWN, 0.36))
    if block.ends_about_the_hip:
        at = (block.measured_at_hip, over[1] + hand * taken * (1 - block.goes_out))
        return (*chain, curve(waist, DOWN, at, DOWN, 0.36), *straight(at, (block.hem, at[1])))
    if not block.reaches_hip:
        share = (block.hem - block.waist) / (block.hip - block.waist)
        return (*chain, curve(waist, DOWN, (block.hem, over[1] + hand * taken * max(0.0, 1 - share)), DOWN, 0.36))
    hip = (block.hip, over[1])
    return (*chain, curve(waist, DOWN, hip, DOWN, 0.36), *straight(hip, (block.hem, over[1])))


def _straight_centre(block: Upper) -> Chain:
    return straight((block.neck_end, block.centre), (block.hem, block.centre))


def _neck(block: Upper) -> Edges:
    return {"neck": block.neck}


def cut_in_two(
    build: Build,
    half: Half,
    *,
    name: str = "",
    at_centre: Callable[[Upper], Chain] = _straight_centre,
    at_neck: Callable[[Upper], Edges] = _neck,
) -> None:
    """A half in a centre and a side panel; the centre one may have another edge at its centre and above the shoulder,
    as where it turns back."""
    from_shoulder = side_of(build, half).princess is Shaping.PRINCESS_SHOULDER
    yoked = side_of(build, half).has(Shaping.YOKE)
    edge, low = centre_of(build, half)[0], lower_edge(build)

    def cut_in(block: Upper) -> float:
        return min(CUT_IN, max(meets(block), LEAST) - BELOW_YOKE) if yoked else CUT_IN

    def split(block: Upper) -> tuple[Chain, Chain, Point, Point]:
        """(side's part of the armhole, centre's part, where the line begins, where it leaves for)."""
        if from_shoulder:
            middle = lerp(block.tip, block.neck_point, 0.5)
            return block.armhole, (), middle, (1.0, -0.05)
        lower, above = block.armhole
        first, second = above.split(cut_in(block))
        return (lower, first), (second,), second.start, (0.5, -1.0)

    def parted(block: Upper) -> tuple[Chain, Chain]:
        """The centre panel's part of the armhole below a yoke, and the yoke's."""
        whole, yoke = block.armhole[1].split(meets(block))
        return (whole.split(cut_in(block) / meets(block))[1],), (yoke,)

    @cache
    def remembered(same: Same[Upper], inner: bool) -> Chain:
        _, _, start, leaves = split(same.it)
        return princess_line(same.it, start, leaves, inner=inner)

    def line(block: Upper, *, inner: bool) -> Chain:
        return remembered(Same(block), inner)

    def centre(block: Upper) -> Edges:
        c, down = block.centre, line(block, inner=True)
        _, above, start, _ = split(block)
        edges = {
            edge: at_centre(block),
            low: straight((block.hem, c), down[-1].end),
            "princess": backwards(down),
        }
        if yoked:
            below, _ = parted(block)
            at = below[-1].end
            seam = straight(at, (at[0], c))
            return edges | {edge: straight((at[0], c), (block.hem, c)), "armhole": below, "yoke": seam}
        if from_shoulder:
            edges["shoulder"] = straight(start, block.neck_point)
        else:
            edges |= {"armhole": above, "shoulder": straight(block.tip, block.neck_point)}
        return edges | at_neck(block)

    def side(block: Upper) -> Edges:
        down = line(block, inner=False)
        below, _, start, _ = split(block)
        edges = {
            "princess": down,
            low: block.lower(down[-1].end),
            "side": block.side,
            "armhole": below,
        }
        return edges | ({"shoulder": straight(block.tip, start)} if from_shoulder else {})

    id, other = half.name, f"side-{half.name}"
    two_panels(build, half, centre, side, line, name=name)
    half.neck = [part(id, "neck")] if build.pieces[id].has_edge("neck") else []
    half.side = [part(other, "side")]
    half.shoulder = [part(id, "shoulder"), *([part(other, "shoulder")] if from_shoulder else [])]
    half.armhole = [part(other, "armhole"), *([] if from_shoulder else [part(id, "armhole")])]
    half.lower = [part(id, low), part(other, low)]
    if yoked:
        add_yoke(build, half, lambda block: parted(block)[1], drawn_on=id)


class Line(Protocol):
    """The princess line of a block, as the centre (`inner`) or the side panel has it."""

    def __call__(self, block: Upper, *, inner: bool) -> Chain: ...


def two_panels(
    build: Build,
    half: Half,
    centre: Callable[[Upper], Edges],
    side: Callable[[Upper], Edges],
    line: Line,
    *,
    name: str = "",
) -> None:
    """A half as its centre and its side panel, sewn together along the princess line."""
    id, other = half.name, f"side-{half.name}"
    new_panel(build, half, id, name or f"Centre {half.name}", centre, at_centre=True)
    new_panel(build, half, other, f"Side {half.name}", side, at_centre=False, drawn_on=id)
    panel_levels(build, half, id, lambda block, x: 0.0, lambda block, x: y_at(line(block, inner=True), x))
    panel_levels(
        build, half, other, lambda block, x: y_at(line(block, inner=False), x), lambda block, x: block.outer(x)
    )
    half.princess = f"princess-{half.name}"
    mark_bust(build, half, id)
    build.join(
        half.princess,
        f"Princess seams, {half.name}",
        (part(id, "princess"),),
        (part(other, "princess"),),
        each_hand=True,
    )
