"""In-seam pockets: two bags a side, sewn into the side seam between two dots; none where that side has a zip."""

from __future__ import annotations

from collections.abc import Iterator

from shapely.geometry import LineString

from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Description, Pocket
from rowanseed.core.compose.drafting import straight
from rowanseed.core.compose.feature import Feature, Found
from rowanseed.core.compose.openings import split_sides
from rowanseed.core.compose.pocket_places import asks_for, misplaced, pockets_of, told_apart
from rowanseed.core.compose.proportion import in_proportion
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import Hand, PocketKind, Where
from rowanseed.core.geometry.outline import chain_length, flatten
from rowanseed.core.pattern.making import POCKET_DOTS, Detail, DetailKind, EdgePart, FinishKind, Join
from rowanseed.core.pattern.pieces import LineKind, Mark, MarkKind, Panel
from rowanseed.core.pattern.tiers import LOWER, UPPER

BAG = (160.0, 280.0)
BELOW_WAIST, MOUTH, SHORTEST = 30.0, 150.0, 110.0
"""A mouth begins so far below the waist and is so long, in mm, in a short garment not less than the last (common
practice, no source)."""
ABOVE_HEM = 60.0
CLEAR = 20.0
"""A mouth begins so far below rows of shirring, and ends so far above a tier's seam, in mm (common practice, no
source)."""
SIDES = ("skirt-sides", "trouser-outseams", "sides", "outseams")


def adds(build: Build) -> None:
    for pocket, suffix in pockets_of(build, PocketKind.IN_SEAM):
        _bags(build, pocket, f"pocket-bag{suffix}")


def _side_seam(build: Build, hand: Hand) -> Join:
    """The seam on both sides, or on the hand that has the pocket: the right one where the left has the zip."""
    known = {join.id: join for join in build.joins}
    whole = next((known[name] for name in SIDES if name in known), None)
    if whole is not None and hand is Hand.BOTH:
        return whole
    if whole is not None:
        split_sides(build, whole.id)
        known = {join.id: join for join in build.joins}
    own = "left" if hand is Hand.LEFT else "right"
    return next(known[f"{name}-{own}"] for name in SIDES if f"{name}-{own}" in known)


def _bags(build: Build, pocket: Pocket, id: str) -> None:
    wide, long = (in_proportion(build.description, mm) for mm in BAG)
    join = _side_seam(build, pocket.hands)
    both, asked = join.each_hand, pocket.hands

    def draw(size: Size) -> Edges:
        corners = [(long, 0.0), (long, wide), (0.0, wide * 0.7), (0.0, 0.0)]
        return {
            "opening": straight((0.0, 0.0), corners[0]),
            "lower": straight(corners[0], corners[1]),
            "round": straight(corners[1], corners[2]),
            "top": straight(corners[2], (0.0, 0.0)),
        }

    bag = told_apart(build, pocket, "Pocket bag", PocketKind.IN_SEAM)
    build.piece(id, bag, draw, panel=Panel.OTHER, count=4 if both else 2, pair=True)
    build.join(
        f"{id}-round",
        "Round of the pocket bags" if both else "Round of the pocket bag",
        tuple(part(id, e, "left") for e in ("lower", "round")),
        tuple(part(id, e, "right") for e in ("lower", "round")),
    )
    caught = (part(id, "opening"), part(id, "top"))
    build.finish(f"{id}-opening", "Open edges of the pocket bags", FinishKind.CAUGHT, caught)
    sides = tuple(_upper(build, join))
    for p in sides:
        _dots(build, p)
    if any(_runs_out(build, p) for p in sides):
        where = build.description.features.pockets.index(pocket)
        said = "The garment ends too soon below the waist for a pocket at its side: leave it out, or have it longer."
        build.refused.append((f"features.pockets.{where}", said))
    elif any(_crosses_its_tier(build, p) for p in sides):
        where = build.description.features.pockets.index(pocket)
        said = "The first tier is not deep enough for the mouth of a pocket at its side: have fewer tiers, or none."
        build.refused.append((f"features.pockets.{where}", said))
    on = tuple(dict.fromkeys(p.piece for p in sides))
    name = "In-seam pockets" if both else f"In-seam pocket, on the {'left' if asked is Hand.LEFT else 'right'}"
    build.details.append(
        Detail(
            id,
            name,
            DetailKind.IN_SEAM_POCKET,
            pieces=(id,),
            on=on,
            along=(join.id,),
            count=2 if both else 1,
            width=in_proportion(build.description, MOUTH),
        )
    )
    if not both and asked is Hand.BOTH:
        where = build.description.features.pockets.index(pocket)
        build.assumed[f"features.pockets.{where}.kind"] = (
            "one pocket, on the right: the zip takes up the left side seam"
        )


def _upper(build: Build, join: Join) -> Iterator[EdgePart]:
    """The edges of front and back that reach the waist, or the yoke there; a skirt of tiers hangs from its first."""
    for side in (join.a, join.b):
        sides = [p for p in side if p.edge in ("side", "outseam")]
        yield next(p for p in sides if not build.pieces[p.piece].has_edge(UPPER))


def _dots(build: Build, p: EdgePart) -> None:
    """Where the mouth begins and ends on an edge, measured from its upper end."""

    def below(size: Size) -> float:
        chain = build.edge(p.piece, p.edge, size)
        level = build.pieces[p.piece].line(LineKind.LEVEL, "waist")
        begins = max(BELOW_WAIST, _shirred_to(build) + CLEAR) + size.seam_to_waist
        if level is None:
            return begins
        waist = level.ends[size.name][0][0]
        above = [q for q in flatten(chain, 0.5) if q[0] <= waist]
        return begins + (LineString(above).length if len(above) > 1 else 0.0)

    def long(size: Size) -> float:
        return chain_length(build.edge(p.piece, p.edge, size))

    least, usual = (in_proportion(build.description, mm) for mm in (SHORTEST, MOUTH))

    def mouth(size: Size) -> float:
        return max(least, min(usual, long(size) - below(size) - ABOVE_HEM))

    first, last = POCKET_DOTS
    known = {mark.id for mark in build.pieces[p.piece].marks}
    if first not in known:
        build.mark(
            p.piece,
            Mark(first, MarkKind.DOT, p.edge, "end", build.each(below)),
            Mark(last, MarkKind.DOT, p.edge, "end", build.each(lambda size: below(size) + mouth(size))),
        )


def _runs_out(build: Build, p: EdgePart) -> bool:
    """Whether in some size the mouth would end beyond the lower end of its edge."""
    ends = build.pieces[p.piece].mark(POCKET_DOTS[1]).distance
    return any(ends[size.name] > chain_length(build.edge(p.piece, p.edge, size)) for size in build.figures.sizes)


def _crosses_its_tier(build: Build, p: EdgePart) -> bool:
    """Whether a mouth would end too near to where the tier below is gathered on."""
    piece = build.pieces[p.piece]
    if not piece.has_edge(LOWER):
        return False
    ends = piece.mark(POCKET_DOTS[1]).distance
    return any(
        ends[size.name] + CLEAR > chain_length(build.edge(p.piece, p.edge, size)) for size in build.figures.sizes
    )


def _shirred_to(build: Build) -> float:
    """How far below the waist rows of shirring reach, in mm: nothing opens in them."""
    rows = (d for d in build.details if d.kind is DetailKind.SHIRRED_PANEL and d.width)
    return max((d.width if d.along else d.width / 2 for d in rows), default=0.0)


def forbids(d: Description) -> Found:
    yield from misplaced(d, PocketKind.IN_SEAM)
    opening = d.features.opening
    zipped = opening.where is Where.LEFT_SIDE and opening.kind is not None
    for k, pocket in enumerate(d.features.pockets):
        if zipped and pocket.kind is PocketKind.IN_SEAM and pocket.hands is Hand.LEFT:
            yield f"features.pockets.{k}", "The left side seam has the zip: the pocket lies on the right there."


FEATURES = (Feature("in-seam-pocket", asked=asks_for(PocketKind.IN_SEAM), forbids=forbids, adds=adds, rank=12),)
