"""A top without shoulders, which straps hold up or boning: cut straight across the back and rising in front.

How high it reaches and where its straps stand are shares of the bodice block, from memory.
"""

from __future__ import annotations

from rowanseed.core.base.words import upper_first
from rowanseed.core.compose.bodice import Upper
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Description, Straps
from rowanseed.core.compose.drafting import IN, backwards, curve, ending_at, straight
from rowanseed.core.compose.feature import Feature, Found
from rowanseed.core.compose.features.bib import NO_TIES
from rowanseed.core.compose.panels import Half, centre_of, lower_edge, new_panel, panel_levels, shape_with_darts
from rowanseed.core.compose.princess_line import princess_line, two_panels
from rowanseed.core.compose.vocabulary import (
    PRINCESS,
    Centre,
    ElasticPlace,
    FacedEdge,
    LiningMethod,
    NeckShape,
    Shaping,
    StrapsClosed,
    Waist,
)
from rowanseed.core.geometry.outline import Chain, Point, chain_length
from rowanseed.core.pattern.envelope import Figure, Structure
from rowanseed.core.pattern.pieces import Mark, MarkKind

MARK = "strap"
STRAP_AT = 0.62
"""The straps stand so far out, as a share of half the chest."""
DIP, BACK_DIP = 28.0, 12.0
"""The centre lies so far above the underarm, in mm, in front and behind."""
V_DEEPER = 45.0
"""A V reaches so much lower there, in mm."""
HAS = (Shaping.BUST_DART, Shaping.WAIST_DART, Shaping.SHIRRED_PANEL, *PRINCESS)


def _strap(block: Upper) -> Point:
    """Where a strap is sewn on: at the highest point in front, on the straight edge behind."""
    x = block.armhole[0].end[0] if block.is_front else block.underarm - BACK_DIP - 2.0
    return (x, block.across * STRAP_AT)


def _top(block: Upper) -> tuple[Chain, Chain]:
    """The upper edge from the underarm to the strap, and on to the centre."""
    start, strap = block.armhole[0].start, _strap(block)
    end = (block.underarm + block.up - (DIP if block.is_front else BACK_DIP), 0.0)
    peaked = block.is_front and block.shape is not NeckShape.STRAPLESS
    outer = (curve(start, IN, strap, (-1.0, -0.9) if peaked else IN, 0.36),)
    if block.is_front and block.shape in (NeckShape.SQUARE, NeckShape.BOAT):
        inner = straight(strap, (strap[0], 0.0))
    elif block.is_front and block.shape is NeckShape.V:
        inner = straight(strap, (end[0] + V_DEEPER, 0.0))
    else:
        inner = (curve(strap, (0.8, -1.0) if peaked else IN, end, IN, 0.36),)
    return outer, ending_at(inner, block.centre)


def _in_two(build: Build, half: Half) -> None:
    """The half in a centre and a side panel, along a princess line from the strap down."""
    edge, low = centre_of(build, half)[0], lower_edge(build)

    def line(block: Upper, *, inner: bool) -> Chain:
        start = _strap(block)
        return princess_line(
            block, start, (block.bust_point[0] - start[0], block.bust_point[1] - start[1]), inner=inner
        )

    def centre(block: Upper) -> Edges:
        _, inner = _top(block)
        c, down = block.centre, line(block, inner=True)
        return {
            edge: straight((inner[-1].end[0], c), (block.hem, c)),
            low: straight((block.hem, c), down[-1].end),
            "princess": backwards(down),
            "neck": inner,
        }

    def side(block: Upper) -> Edges:
        down = line(block, inner=False)
        return {
            "princess": down,
            low: block.lower(down[-1].end),
            "side": block.side,
            "neck": _top(block)[0],
        }

    two_panels(build, half, centre, side, line)
    id, other = half.name, f"side-{half.name}"
    if _is_marked(build, half):
        build.mark(id, Mark(MARK, MarkKind.DOT, "neck", "start", build.each(lambda size: 0.0)))
    half.neck, half.side = [part(other, "neck"), part(id, "neck")], [part(other, "side")]
    half.lower = [part(id, low), part(other, low)]


def _is_marked(build: Build, half: Half) -> bool:
    """Whether a strap is sewn to this half: one round the neck holds up the front only."""
    return build.description.features.straps is not None and (half.is_front or not build.description.is_halter)


def panel(build: Build, half: Half) -> None:
    if half.is_front:
        _tell_what_holds_it(build)
    if half.side_of(build.description).princess:
        _in_two(build, half)
        return
    edge, low, id = centre_of(build, half)[0], lower_edge(build), half.name

    def ring(block: Upper) -> Edges:
        outer, inner = _top(block)
        c = block.centre
        return {
            edge: straight((inner[-1].end[0], c), (block.hem, c)),
            low: block.lower((block.hem, c)),
            "side": block.side,
            "neck": (*outer, *inner),
        }

    new_panel(build, half, id, half.name.capitalize(), ring, at_centre=True)
    panel_levels(build, half, id, lambda block, x: 0.0, lambda block, x: block.outer(x))
    if _is_marked(build, half):
        at = build.each(lambda size: chain_length(_top(build.block(size, is_front=half.is_front))[0]))
        build.mark(id, Mark(MARK, MarkKind.DOT, "neck", "start", at))
    half.neck, half.side, half.lower = [part(id, "neck")], [part(id, "side")], [part(id, low)]
    shape_with_darts(build, half, id)


def _is_held(d: Description) -> bool:
    drawn = any(one.where is ElasticPlace.NECK or one.where is ElasticPlace.BACK for one in d.features.elastic)
    shirred = any(side.has(Shaping.SHIRRED_PANEL) for _, side in d.features.sides) or d.features.waist is Waist.SHIRRED
    return bool(d.features.boning) or drawn or shirred or d.cloth is Structure.KNIT


def _tell_what_holds_it(build: Build) -> None:
    if build.description.is_strapless and not _is_held(build.description):
        build.assumed["features.boning"] = "nothing holds it up: bone its seams, or have its back drawn in"


def asked(d: Description) -> bool:
    return d.is_without_shoulders


def forbids(d: Description) -> Found:
    f = d.features
    if f.straps is not None and d.is_strapless:
        yield "features.neck.shape", "It has straps, and is said to be strapless: choose one of them."
    if d.is_halter and f.straps is not None:
        yield from _round_the_neck(d, f.straps)
    if d.garment.is_outer:
        where = "features.neck.shape" if d.is_strapless else "features.straps.closed by"
        yield where, f"{upper_first(d.garment.one)} hangs from the shoulders: without them describe a top or a dress."
    why = "It is strapless" if d.is_strapless else "Straps take the place of the shoulders"
    if f.sleeve is not None:
        yield "features.sleeve.kind", f"{why}: there is no armhole for a sleeve."
    if f.collar is not None:
        yield "features.collar", f"{why}: there is no neck for a collar."
    shut = f.opening.kind is None and Centre.OPEN not in (f.front.centre, f.back.centre)
    if (
        d.is_strapless
        and shut
        and d.cloth is Structure.WOVEN
        and not any(side.has(Shaping.SHIRRED_PANEL) for _, side in f.sides)
    ):
        yield "features.opening", "A strapless top sits close: of woven cloth it needs an opening, or a shirred panel."
    if f.armhole is not None or FacedEdge.ARMHOLE in f.facing:
        where = "features.armhole" if f.armhole is not None else "features.facing"
        yield where, "Its upper edge runs on under the arms: without shoulders it has no armholes of its own."
    for name, side in f.sides:
        if side.has(Shaping.PRINCESS_ARMHOLE):
            yield (
                f"features.{name}.shaping",
                "Without shoulders there is no armhole: choose the princess seam from the shoulder; it begins at the "
                "upper edge, where a strap is or would be.",
            )
        other = next((shape for shape in side.shaping if shape not in HAS), None)
        if other is not None:
            yield (
                f"features.{name}.shaping",
                f"A top without shoulders is drafted plain, with darts or with princess seams: no {other.words}.",
            )
    if f.lining is not None and f.lining.method is LiningMethod.BAGGED:
        yield "features.lining.method", "A bagged lining is drafted for a body with shoulders: choose another method."


def _round_the_neck(d: Description, straps: Straps) -> Found:
    if straps.closed_by not in (StrapsClosed.SEWN_IN, StrapsClosed.TIES):
        yield (
            "features.straps.closed by",
            "Round the neck goes one strap that is sewn in at both ends, or two that are tied: choose one of these.",
        )
    if straps.closed_by is StrapsClosed.TIES and d.figure is Figure.CHILDREN:
        yield "features.straps.closed by", NO_TIES


FEATURES = (Feature("strapped-top", asked=asked, forbids=forbids, takes=lambda d, half: asked(d), panel=panel, rank=8),)
