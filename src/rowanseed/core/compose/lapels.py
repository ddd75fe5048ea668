"""What collars with lapels share: where the front turns back, its facing, the back's, and the buttons below."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Iterator, Mapping

from rowanseed.core.base.units import in_both
from rowanseed.core.base.words import lower_first, upper_first
from rowanseed.core.compose.bodice import ABOVE_BELT, WRAP, Upper
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.drafting import UP, curve, straight
from rowanseed.core.compose.facing import facing_depth, facing_of
from rowanseed.core.compose.feature import Body
from rowanseed.core.compose.figures import Size
from rowanseed.core.compose.panels import Half, lower_edge, new_panel, panel_levels, shape_with_darts, side_of, upper
from rowanseed.core.compose.princess_line import cut_in_two
from rowanseed.core.compose.vocabulary import (
    PRINCESS,
    Centre,
    NeckShape,
    OpeningKind,
    Shaping,
    SleeveKind,
    Waist,
    Where,
)
from rowanseed.core.geometry.outline import Chain, Point, split_chain
from rowanseed.core.pattern.making import Closure, ClosureKind, EdgePart, FinishKind, LayerKind, Press
from rowanseed.core.pattern.pieces import InnerPoint, LineKind, Panel, PointKind

Outline = Callable[[Upper], Edges]
BREAK = 25.0
"""It turns back from so far below the underarm, in mm: the uppermost button lies there."""
FACING = 75.0
"""The facing is so wide at the hem, in mm."""
CLEAR = 12.0
"""It ends so far, in mm, before a princess seam."""
AT_SHOULDER = 45.0
"""And so wide at the shoulder."""


def break_point(block: Upper) -> Point:
    """Where the front begins to turn back: above the uppermost button, or where a belt holds it."""
    if block.description.features.opening.kind is None:
        return (min(block.waist - ABOVE_BELT, block.hem - BREAK), block.centre)
    return (block.underarm + block.up + BREAK, block.centre)


def facing_foot(block: Upper) -> tuple[Point, Point]:
    """(the facing's corner at the hem, where its inner edge begins to lean to the shoulder)."""
    wide = FACING
    if block.side_of.princess is not None:
        # It lies on the centre panel, which is narrowest at the waist.
        wide = min(FACING, block.bust_point[1] - block.intake / 2 - CLEAR - block.centre)
    return (block.hem, block.centre + wide), (break_point(block)[0] + 40.0, block.centre + wide)


def turned_front(
    build: Build,
    half: Half,
    *,
    name: str,
    edge: Callable[[Upper], Chain],
    above: Outline,
    roll_from: Callable[[Upper], Point],
) -> None:
    """A front whose edge turns back along a roll line: whole, or its centre panel beside a princess seam.

    `edge` from its upper corner down to the lower edge; `above` what runs on from the shoulder's neck point to it.
    """
    id = half.name
    if side_of(build, half).princess is not None:
        cut_in_two(build, half, name=f"Centre {lower_first(name)}", at_centre=edge, at_neck=above)
    else:
        _in_one(build, half, name, edge, above)
    build.line(
        id,
        LineKind.ROLL,
        "roll",
        lambda size: (roll_from(block := upper(build, size, half)), break_point(block)),
    )


def _in_one(build: Build, half: Half, name: str, edge: Callable[[Upper], Chain], above: Outline) -> None:
    low, id = lower_edge(build), half.name

    def ring(block: Upper) -> Edges:
        return {
            "opening": edge(block),
            low: block.lower((block.hem, block.centre)),
            "side": block.side,
            "armhole": block.armhole,
            "shoulder": straight(block.tip, block.neck_point),
            **above(block),
        }

    new_panel(build, half, id, name, ring, at_centre=True)
    panel_levels(build, half, id, lambda block, x: 0.0, lambda block, x: block.outer(x))
    half.neck = [part(id, "neck")] if build.pieces[id].has_edge("neck") else []
    half.shoulder, half.armhole = [part(id, "shoulder")], [part(id, "armhole")]
    half.side, half.lower = [part(id, "side")], [part(id, low)]
    shape_with_darts(build, half, id)


def facing_backs(build: Build, body: Body) -> tuple[dict[str, float], list[EdgePart]]:
    """The facings of the back neck: (how deep they are at the shoulder in every size, their neck edges)."""
    deep = build.each(lambda size: min(AT_SHOULDER, *(facing_depth(build, p, size) for p in body.back.neck)))
    backs = []
    for p in body.back.neck:
        facing = f"{p.piece}-neck-facing"
        facing_of(build, facing, p, deep)
        build.layer(LayerKind.FACING, facing, p.piece)
        backs.append(part(facing, "neck"))
    _centre_of_back(build, backs)
    return deep, backs


def front_facing(
    build: Build, body: Body, deep: Mapping[str, float], name: str, *, edge: Callable[[Upper], Chain], rest: Outline
) -> None:
    """The front's facing from its edge to the shoulder; `rest` is its outline from the shoulder's neck point on."""

    def draw(size: Size) -> Edges:
        block = upper(build, size, body.front)
        shoulder = split_chain(straight(block.tip, block.neck_point), block.shoulder - deep[size.name])[1]
        foot, level = facing_foot(block)
        top = shoulder[0].start
        return {
            "opening": edge(block),
            "hem": straight((block.hem, block.centre), foot),
            "inner": (*straight(foot, level), curve(level, UP, top, (top[0] - level[0], top[1] - level[1]), 0.4)),
            "shoulder": shoulder,
            **rest(block),
        }

    build.piece(
        "front-facing",
        name,
        draw,
        panel=Panel.BAND,
        count=2,
        pair=True,
        allowances={"inner": 0.0},
        drawn_on=build.pieces["front"].frame,
    )
    build.layer(LayerKind.FACING, "front-facing", "front")


def sew_fronts(build: Build, backs: Iterable[EdgePart], name: str, edges: tuple[str, ...]) -> None:
    """The facings sewn to the front edges, and what of them lies free."""
    build.join(
        "fronts",
        name,
        (part("front", e) for e in edges),
        (part("front-facing", e) for e in edges),
        press=Press.FACING,
        each_hand=True,
    )
    inner = (part("front-facing", "inner"), *(part(p.piece, "inner") for p in backs))
    build.finish("facing-edges", "Inner edges of the facings", FinishKind.NEATENED, inner)
    build.finish("facing-hems", "Lower ends of the facings", FinishKind.TURNED, (part("front-facing", "hem"),))


def _centre_of_back(build: Build, backs: list[EdgePart]) -> None:
    """Where the back has a seam at its centre its facing has one too."""
    for p in backs:
        if build.pieces[p.piece].has_edge("centre") and build.pieces[p.piece].cuts[0].fold is None:
            build.join(
                "facing-centre-back",
                "Centre back seam of the facing",
                (part(p.piece, "centre", "left"),),
                (part(p.piece, "centre", "right"),),
            )


def tell_wrap(build: Build) -> None:
    """Say how fronts that nothing closes are worn."""
    wraps = build.description.features.wraps
    said = f"the fronts lap by {in_both(2 * WRAP)}, and the belt holds them" if wraps else "worn open"
    build.assumed["features.opening"] = said


def buttons(build: Build, body: Body) -> None:
    """The buttons below the break; fronts that a belt holds, or nothing, have none."""
    opening = build.description.features.opening
    if opening.kind is None:
        tell_wrap(build)
        return
    count = opening.count or 3
    if opening.count is None:
        build.assumed["features.opening.count"] = f"{count} of them"
    kind = PointKind.BUTTONHOLE if opening.kind is OpeningKind.BUTTONS else PointKind.BUTTON

    def at(size: Size, k: int) -> Point:
        block = upper(build, size, body.front)
        first = break_point(block)[0] + 5.0
        last = max(first + 60.0, min(block.hem - 110.0, block.waist + 90.0))
        return (first + k * (last - first) / max(1, count - 1), 0.0)

    build.point(
        "front",
        *(
            InnerPoint(f"button-{k + 1}", kind, {size.name: at(size, k) for size in build.figures.sizes})
            for k in range(count)
        ),
    )
    closure = ClosureKind.SNAPS if opening.kind is OpeningKind.SNAPS else ClosureKind.BUTTONS
    build.closures.append(Closure("opening", closure, "fronts"))


def on_a_front_that_turns_back(d: Description, what: str) -> Iterator[tuple[str, str]]:
    """What a collar that is grown out of the front needs and forbids."""
    f = d.features
    laps = f.opening.kind in (OpeningKind.BUTTONS, OpeningKind.SNAPS) and f.opening.where is Where.FRONT
    if f.front.centre is not Centre.OPEN or not (laps or f.opening.kind is None):
        yield (
            "features.collar",
            f"{what} turns the front edge back: the front is open, and closes with buttons or snaps, with a tie belt, "
            "or not at all.",
        )
    if f.neck.shape not in (NeckShape.ROUND, NeckShape.V):
        yield "features.neck.shape", "Lapels make the neck themselves: leave it round or V."
    shapes = (Shaping.BUST_DART, Shaping.WAIST_DART, *PRINCESS)
    other = next((one for one in f.front.shaping if one not in shapes), None)
    if other is not None:
        yield (
            "features.front.shaping",
            f"{other.words.capitalize()}: a front that turns back has darts at the side and the waist, or princess "
            "seams.",
        )
    if f.waist not in (None, Waist.NONE):
        yield "features.waist", f"{what} is drafted for a front without a seam at the waist."
    if f.sleeve is not None and f.sleeve.kind in (SleeveKind.RAGLAN, SleeveKind.CUT_IN_ONE):
        yield "features.sleeve.kind", f"{upper_first(f.sleeve.kind.one)} is not drafted with such a collar."
    if f.opening.placket is not None:
        yield "features.opening.placket", "The facing that makes the lapels finishes the front edges: no placket."
