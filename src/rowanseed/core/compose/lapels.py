"""What collars with lapels share: where the front turns back, its facing, the back's, and the buttons below."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterable, Iterator, Mapping
from dataclasses import dataclass

from rowanseed.core.base.units import in_both
from rowanseed.core.base.words import lower_first, upper_first
from rowanseed.core.compose.bodice import ABOVE_BELT, WRAP, Upper
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.drafting import UP, curve, straight
from rowanseed.core.compose.facing import facing_depth, facing_of
from rowanseed.core.compose.fastenings import OFF_SEAM, how_many
from rowanseed.core.compose.feature import Body
from rowanseed.core.compose.laps import column, marks_of_a_row
from rowanseed.core.compose.panels import Half, lower_edge, new_panel, panel_levels, shape_with_darts, side_of, upper
from rowanseed.core.compose.princess_line import cut_in_two
from rowanseed.core.compose.raglan_line import is_raglan, raglan_line
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import (
    PRINCESS,
    Centre,
    NeckShape,
    OpeningKind,
    Placket,
    Shaping,
    SleeveKind,
    Waist,
    Where,
)
from rowanseed.core.geometry.outline import Chain, Point, chain_length, split_chain
from rowanseed.core.pattern.making import Closure, ClosureKind, EdgePart, FinishKind, LayerKind, Press
from rowanseed.core.pattern.pieces import InnerPoint, LineKind, Panel, PointKind

Outline = Callable[[Upper], Edges]
BREAK = 25.0
"""It turns back from so far below the underarm, in mm: the uppermost button lies there."""
LOWER_DOWN = 0.45
"""Of the way from there to the waist, where it is double-breasted (a share from memory)."""
FACING = 75.0
"""The facing is so wide at the hem, in mm; wider where it backs a second column of buttons."""
LEANS, STRAIGHT = 40.0, 10.0
"""Its inner edge begins to lean to the shoulder so far below the break, in mm, and no nearer to its end than that."""
CLEAR = 12.0
"""It ends so far, in mm, before a princess seam."""
AT_SHOULDER = 45.0
"""And so wide at the shoulder."""
SKIRT_FACING = "skirt-front-facing"
FIRST, LAST = 5.0, 105.0
"""The uppermost button lies so far below the break, the last so far above a skirt's hem, in mm."""
USUAL, MOST, APART = 3, 6, 90.0
"""So many buttons close a front where nothing else is said; where it goes on down a skirt about one for so many mm, but
no more than the most."""


def break_point(block: Upper) -> Point:
    """Where the front begins to turn back: above the uppermost button, or where a belt holds it."""
    if block.description.features.opening.kind is None:
        return (min(block.waist - ABOVE_BELT, block.hem - BREAK), block.centre)
    high = block.underarm + block.up + BREAK
    if block.description.features.opening.double_breasted:
        high += LOWER_DOWN * max(0.0, block.waist - high)
    return (high, block.centre)


def facing_wide(description: Description) -> float:
    return FACING + 2 * column(description)


def facing_foot(block: Upper, most: float = math.inf) -> tuple[Point, Point]:
    """(the facing's corner at its lower end, where its inner edge begins to lean to the shoulder); `most` wide."""
    most, side = min(most, facing_wide(block.description)), block.side_of
    wide = most
    if side.princess is not None or (block.description.has_waist_seam and side.has(Shaping.WAIST_DART)):
        # It lies on the centre panel, or before the dart: narrowest at the waist.
        wide = min(most, block.bust_point[1] - block.intake / 2 - CLEAR - block.centre)
    # Above a waist seam that lies high the break is near its end.
    leans = min(break_point(block)[0] + LEANS, block.hem - STRAIGHT)
    return (block.hem, block.centre + wide), (leans, block.centre + wide)


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
    raglan = is_raglan(build.description)

    def ring(block: Upper) -> Edges:
        armhole = {"armhole": block.armhole, "shoulder": straight(block.tip, block.neck_point)}
        return {
            "opening": edge(block),
            low: block.lower((block.hem, block.centre)),
            "side": block.side,
            **({"raglan": raglan_line(block)} if raglan else armhole),
            **above(block),
        }

    new_panel(build, half, id, name, ring, at_centre=True)
    panel_levels(build, half, id, lambda block, x: 0.0, lambda block, x: block.outer(x))
    half.neck = [part(id, "neck")] if build.pieces[id].has_edge("neck") else []
    if not raglan:
        half.shoulder, half.armhole = [part(id, "shoulder")], [part(id, "armhole")]
    half.side, half.lower = [part(id, "side")], [part(id, low)]
    shape_with_darts(build, half, id)


def facing_backs(build: Build, body: Body) -> tuple[dict[str, float], list[EdgePart]]:
    """The facings of the neck behind the front's: (how deep they are where they meet that in every size, their neck
    edges)."""
    # A raglan sleeve has its share of the neck, and of its facing.
    sleeves = [p for p in body.front.neck if p.piece == "sleeve"]
    necks = [*body.back.neck, *sleeves]
    deep = build.each(lambda size: min(AT_SHOULDER, *(facing_depth(build, p, size) for p in necks)))
    backs = []
    for p in necks:
        facing = f"{p.piece}-neck-facing"
        facing_of(build, facing, p, deep)
        build.layer(LayerKind.FACING, facing, p.piece)
        backs.append(part(facing, "neck"))
    _centre_of_back(build, backs)
    return deep, backs


def front_facing(
    build: Build, body: Body, deep: Mapping[str, float], name: str, *, edge: Callable[[Upper], Chain], rest: Outline
) -> None:
    """The front's facing from its edge to the shoulder; `rest` is its outline from the shoulder's neck point on. Below
    a waist seam another goes on, along the skirt's edge."""
    skirt, low, raglan = _edge_of_skirt(body), lower_edge(build), is_raglan(build.description)

    def most(size: Size) -> float:
        return math.inf if skirt is None else facing_depth(build, skirt, size)

    def draw(size: Size) -> Edges:
        block = upper(build, size, body.front)
        seam = raglan_line(block) if raglan else straight(block.tip, block.neck_point)
        upper_end = split_chain(seam, chain_length(seam) - deep[size.name])[1]
        foot, level = facing_foot(block, most(size))
        top = upper_end[0].start
        return {
            "opening": edge(block),
            low: straight((block.hem, block.centre), foot),
            "inner": (*straight(foot, level), curve(level, UP, top, (top[0] - level[0], top[1] - level[1]), 0.4)),
            ("raglan" if raglan else "shoulder"): upper_end,
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
    if skirt is None:
        return

    def foot_wide(size: Size) -> float:
        """As wide as the facing above it ends."""
        return chain_length(build.edge("front-facing", low, size))

    facing_of(build, SKIRT_FACING, skirt, build.each(foot_wide))
    build.layer(LayerKind.FACING, SKIRT_FACING, skirt.piece)
    build.join(
        "facing-waist",
        "Facings of bodice and skirt",
        (part("front-facing", low),),
        (part(SKIRT_FACING, "waist"),),
        each_hand=True,
    )


def join_facings(build: Build, backs: Iterable[EdgePart]) -> None:
    """The front's facings sewn to those behind: at the shoulders, or over the sleeves' where these are raglans."""
    front, ids = part("front-facing", "shoulder"), [p.piece for p in backs]
    sleeve = next((id for id in ids if build.pieces[id].has_edge("raglan-front")), None)
    if sleeve is None:
        behind = [part(id, "shoulder") for id in ids]
        build.join("facing-shoulders", "Shoulder seams of the facings", (front,), behind, each_hand=True)
        return
    for half, own in (("front", "front-facing"), ("back", next(id for id in ids if id != sleeve))):
        build.join(
            f"facing-raglan-{half}",
            f"Raglan seams of the facings, {half}",
            (part(own, "raglan"),),
            (part(sleeve, f"raglan-{half}"),),
            each_hand=True,
        )


def _edge_of_skirt(body: Body) -> EdgePart | None:
    """The skirt's edge that goes on below a front that turns back."""
    return next((p for p in body.below[0].centre if p.edge == "opening"), None) if body.below else None


def sew_fronts(build: Build, body: Body, backs: Iterable[EdgePart], name: str, edges: tuple[str, ...]) -> None:
    """The facings sewn to the front edges, and what of them lies free."""
    skirt = _edge_of_skirt(body)
    fronts, facings = ([part(piece, e) for e in edges] for piece in ("front", "front-facing"))
    inner, lowest = [part("front-facing", "inner")], "front-facing"
    if skirt is not None:
        fronts, facings = [*fronts, skirt], [*facings, part(SKIRT_FACING, skirt.edge)]
        inner, lowest = [*inner, part(SKIRT_FACING, "inner")], SKIRT_FACING
    build.join("fronts", name, fronts, facings, press=Press.FACING, each_hand=True)
    inner += [part(p.piece, "inner") for p in backs]
    build.finish("facing-edges", "Inner edges of the facings", FinishKind.NEATENED, inner)
    build.finish("facing-hems", "Lower ends of the facings", FinishKind.TURNED, (part(lowest, "hem"),))


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
    middle = build.figures.sizes[len(build.figures.sizes) // 2]
    count = opening.rows or _usual_count(build, body, middle)
    if opening.count is None:
        build.assumed["features.opening.count"] = how_many(build.description, count)
    kind = PointKind.BUTTONHOLE if opening.kind is OpeningKind.BUTTONS else PointKind.BUTTON
    lines = {size.name: _line(build, body, size, count) for size in build.figures.sizes}
    for k in range(count):
        on_skirt = lines[middle.name].places[k] > lines[middle.name].seam
        down = {size: line.on_the_skirt(k) if on_skirt else line.on_the_bodice(k) for size, line in lines.items()}
        for beside, own, away in marks_of_a_row(build.description, kind):
            at = {size: (x, away) for size, x in down.items()}
            build.point("skirt-front" if on_skirt else "front", InnerPoint(f"button-{k + 1}{beside}", own, at))
    closure = ClosureKind.SNAPS if opening.kind is OpeningKind.SNAPS else ClosureKind.BUTTONS
    build.closures.append(Closure("opening", closure, "fronts"))


@dataclass(frozen=True)
class _Line:
    """Where the buttons stand, down from the neck; where the waist seam crosses the line, if one does."""

    places: tuple[float, ...]
    seam: float

    def on_the_bodice(self, k: int) -> float:
        return min(self.places[k], self.seam - OFF_SEAM)

    def on_the_skirt(self, k: int) -> float:
        return max(self.places[k] - self.seam, OFF_SEAM)


def _usual_count(build: Build, body: Body, size: Size) -> int:
    if not body.below:
        return USUAL
    first, last = _line(build, body, size, 2).places
    return max(USUAL, min(MOST, 1 + round((last - first) / APART)))


def _line(build: Build, body: Body, size: Size, count: int) -> _Line:
    block, skirt = upper(build, size, body.front), _edge_of_skirt(body)
    first = break_point(block)[0] + FIRST
    if skirt is None:
        seam, last = math.inf, max(first + 60.0, min(block.hem - 110.0, block.waist + 90.0))
    else:
        seam = block.hem
        last = max(first + 60.0, seam + chain_length(build.edge(skirt.piece, skirt.edge, size)) - LAST)
    return _Line(tuple(first + k * (last - first) / max(1, count - 1) for k in range(count)), seam)


def on_a_front_that_turns_back(
    d: Description, what: str, without: tuple[SleeveKind, ...] = (SleeveKind.RAGLAN, SleeveKind.CUT_IN_ONE)
) -> Iterator[tuple[str, str]]:
    """What a collar that is grown out of the front needs and forbids, and the sleeves that it does not go with."""
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
    if f.waist not in (None, Waist.NONE, Waist.SEAM):
        yield "features.waist", f"{what} is drafted for a front that is whole, or has a plain seam at the waist."
    if f.sleeve is not None and f.sleeve.kind in without:
        yield "features.sleeve.kind", f"{upper_first(f.sleeve.kind.one)} is not drafted with such a collar."
    if f.opening.placket not in (None, Placket.FACING):
        yield (
            "features.opening.placket",
            "The facing that makes the lapels finishes the front edges: choose a facing, or leave it open.",
        )
