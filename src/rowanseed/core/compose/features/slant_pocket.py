"""Slant pockets: a corner cut off the front between waist and side, a side piece in its place, a facing behind.

Side piece and facing are bags too, alike round their lower edge.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace

from rowanseed.core.compose.build import Build, Edges, alike, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.drafting import DOWN, curve, straight
from rowanseed.core.compose.feature import Body, Feature, Found
from rowanseed.core.compose.pocket_places import asks_for
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import (
    FacedEdge,
    GarmentKind,
    Hand,
    PocketKind,
    PocketPlace,
    SkirtKind,
    Waist,
    Where,
)
from rowanseed.core.geometry.outline import Chain, chain_length, split_chain
from rowanseed.core.pattern.making import Detail, DetailKind, EdgePart, FinishKind, Join, Press
from rowanseed.core.pattern.pieces import EdgeSpec, LineKind, Mark, Panel, Shape

DEEP, WIDE = 160.0, 40.0
"""The mouth runs from so far down the side to so far along the waist, in mm (common practice, no source)."""
BAG, BAG_DEEP = 145.0, 275.0
"""The bag reaches so far along the waist from the side, and so far down, in mm."""
FROM = 165.0
"""On a front whose waist is shorter than this, in mm, all of it is smaller by as much."""
SIDE_PIECE, FACING = "pocket-side", "pocket-facing"


def carves(build: Build, body: Body) -> None:
    """Cut the corner off the front, and give side seam and waist to the side piece from there on."""
    front = body.front if body.below is None else body.below[0]
    piece, side = front.side[-1].piece, front.side[-1].edge
    base = build.pieces[piece]

    share = {size: min(1.0, chain_length(shape.edges["waist"]) / FROM) for size, shape in base.shapes.items()}

    def cut(size: Size) -> tuple[Chain, Chain, Chain, Chain]:
        """(side below the mouth, side above it, waist outside the mouth, waist inside it)."""
        edges, small = base.shapes[size.name].edges, share[size.name]
        below, above = split_chain(edges[side], chain_length(edges[side]) - DEEP * small)
        outer, inner = split_chain(edges["waist"], WIDE * small)
        return below, above, outer, inner

    def bag(size: Size) -> tuple[Chain, Chain]:
        """(the waist from the mouth to the bag's inner edge, round the bag from there to the foot of the mouth)."""
        below, _, _, inner = cut(size)
        small = share[size.name]
        along, _ = split_chain(inner, (BAG - WIDE) * small)
        top, foot = along[-1].end, below[-1].end
        corner = (top[0] + BAG_DEEP * small * 0.6, top[1] + 4.0)
        low = (top[0] + BAG_DEEP * small, (top[1] + foot[1]) / 2)
        return along, (
            *straight(top, corner),
            curve(corner, DOWN, low, (0.0, 1.0), 0.5),
            curve(low, (0.0, 1.0), foot, (-1.0, 0.3), 0.45),
        )

    def side_piece(size: Size) -> Edges:
        _, above, outer, _ = cut(size)
        along, round_ = bag(size)
        return {side: above, "waist": outer, "waist-inner": along, "bag": round_}

    def facing(size: Size) -> Edges:
        below, _, outer, _ = cut(size)
        along, round_ = bag(size)
        return {"mouth": straight(below[-1].end, outer[-1].end), "waist-inner": along, "bag": round_}

    build.piece(
        SIDE_PIECE, "Side piece of the pocket", side_piece, panel=Panel.FRONT, count=2, pair=True, drawn_on=piece
    )
    build.line(SIDE_PIECE, LineKind.PLACEMENT, "mouth", lambda size: (cut(size)[0][-1].end, cut(size)[2][-1].end))
    build.piece(FACING, "Facing of the pocket", facing, panel=Panel.OTHER, count=2, pair=True, drawn_on=piece)
    drawn: dict[str, Edges] = {}
    for size in build.figures.sizes:
        below, _, outer, inner = cut(size)
        mouth = straight(below[-1].end, outer[-1].end)
        edges: Edges = {}
        for name, chain in base.shapes[size.name].edges.items():
            if name == "waist":
                edges["mouth"] = mouth
            edges[name] = below if name == side else inner if name == "waist" else chain
        drawn[size.name] = edges
    shapes = {size: Shape(edges, base.shapes[size].grainline) for size, edges in alike(drawn).items()}
    specs: list[EdgeSpec] = []
    for spec in base.edges:
        if spec.name == "waist":
            specs.append(EdgeSpec("mouth", build.seam))
        specs.append(spec)
    build.change(piece, shapes=shapes, edges=tuple(specs), marks=tuple(_moved(mark, share) for mark in base.marks))
    build.joins = [_with_side_piece(join, piece, (side, "waist")) for join in build.joins]
    front.side.append(part(SIDE_PIECE, side))
    front.neck.append(part(SIDE_PIECE, "waist"))
    build.join(
        "pocket-mouth",
        "Mouths of the slant pockets",
        (part(piece, "mouth"),),
        (part(FACING, "mouth"),),
        press=Press.FACING,
        each_hand=True,
    )
    build.join(
        "pocket-bags", "Round the pocket bags", (part(SIDE_PIECE, "bag"),), (part(FACING, "bag"),), each_hand=True
    )
    build.finish(
        "pocket-tops",
        "Upper edges of the pocket bags",
        FinishKind.CAUGHT,
        (part(SIDE_PIECE, "waist-inner"), part(FACING, "waist-inner")),
    )
    build.details.append(
        Detail(
            "slant-pockets",
            "Slant pockets",
            DetailKind.SLANT_POCKET,
            pieces=(SIDE_PIECE, FACING),
            on=(piece,),
            along=("pocket-mouth",),
            count=2,
        )
    )


def _moved(mark: Mark, share: Mapping[str, float]) -> Mark:
    """What is measured along the waist from its beginning is measured from the mouth."""
    if mark.edge != "waist" or mark.anchor != "start":
        return mark
    return replace(mark, distance={size: mm - WIDE * share[size] for size, mm in mark.distance.items()})


def _with_side_piece(join: Join, piece: str, edges: tuple[str, ...]) -> Join:
    """A seam that ran along these edges of the front, and runs on over the side piece."""

    def parts(of: tuple[EdgePart, ...]) -> tuple[EdgePart, ...]:
        found: list[EdgePart] = []
        for one in of:
            found.append(one)
            if one.piece == piece and one.edge in edges:
                found.append(replace(one, piece=SIDE_PIECE))
        return tuple(found)

    return replace(join, a=parts(join.a), b=parts(join.b))


def forbids(d: Description) -> Found:
    f = d.features
    slants = [k for k, pocket in enumerate(f.pockets) if pocket.kind is PocketKind.SLANT]
    for k in slants:
        where = f"features.pockets.{k}"
        straight_skirt = f.skirt is None or f.skirt.kind in (SkirtKind.STRAIGHT, SkirtKind.A_LINE)
        if not (d.garment.has_legs or d.garment is GarmentKind.SKIRT) or not straight_skirt:
            yield where, "A slant pocket runs from the waist to the side of trousers or a straight or A-line skirt."
        if f.pockets[k].on is not PocketPlace.FRONT:
            yield where, "A slant pocket lies on the front."
        if f.waist is Waist.FACING or FacedEdge.WAIST in f.facing:
            yield where, "A facing at the waist crosses the pocket's mouth: choose a band, or another pocket."
        if f.waist is Waist.SHIRRED:
            yield where, "A slant pocket runs up into the waist, which is shirred: choose one in the side seam."
        if f.pockets[k].hands is not Hand.BOTH:
            yield (
                where,
                "A slant pocket is cut out of the front, which is drawn once for both sides: choose another pocket for "
                "one side.",
            )
        if k != slants[0]:
            yield where, "There is one slant pocket on each side: say it once."
        if f.opening.where is Where.LEFT_SIDE:
            yield where, "A slant pocket lies where the zip at the side is: choose one of them."


def adds(build: Build) -> None:
    """The bags end at the waist as it is finished."""
    waist = build.pieces[SIDE_PIECE].edge("waist")
    for piece in (SIDE_PIECE, FACING):
        build.allow(piece, "waist-inner", waist.allowance, waist.corner)


FEATURES = (
    Feature("slant-pocket", asked=asks_for(PocketKind.SLANT), forbids=forbids, carves=carves, adds=adds, rank=15),
)
