"""A band let in between bodice and skirt, down to the waist: what it takes off the bodice, and its own pieces.

The bodice is cut off as far above its waist as the band is wide; of what falls off the darts are closed, and it is
redrawn as a part of a ring that is as long above and below as what it is sewn to (plain geometry).
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

from rowanseed.core.base.units import at_most
from rowanseed.core.compose.bodice import Upper
from rowanseed.core.compose.build import Build, Edges, alike, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.drafting import straight
from rowanseed.core.compose.panels import Half, centre_of, new_panel, upper
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import Interfaced, Waist
from rowanseed.core.geometry.outline import Chain, Point, arc_chain, chain_length
from rowanseed.core.geometry.solving import solve
from rowanseed.core.pattern.making import INSET_EDGE, Press
from rowanseed.core.pattern.pieces import Dart, LineKind, Mark, Piece

BELOW_UNDERARM = 65.0
"""A band's upper edge lies at least so far below the underarm, clear of a bust dart, in mm."""
BELOW_BEND = 10.0
"""And so far below the bend of a sleeve that is cut in one, in mm."""
FLAT = 0.5
"""A band whose two edges differ by no more is drawn straight, in mm."""


def has_inset_band(description: Description) -> bool:
    """Whether a band of its own lies between bodice and skirt."""
    banded = description.features.waist in (Waist.PLAIN_BAND, Waist.PLEATED_BAND)
    return description.garment.has_bodice and banded


def inset_id(half: Half) -> str:
    return f"inset-{half.name}"


@dataclass(frozen=True)
class Strip:
    """What a half of the bodice loses to the band in one size: how long it is above and below, darts taken off."""

    above: float
    below: float


def let_in(build: Build, half: Half) -> None:
    """Cut the band's height off a half of the bodice, and sew its own piece of the band to it."""
    height = _height(build, half)
    strips = {size.name: [Strip(0.0, 0.0)] for size in build.figures.sizes}
    for p in half.lower:
        for size, strip in _cut_off(build, half, p.piece, height).items():
            strips[size].append(strip)
    sums = {size: Strip(sum(s.above for s in all_), sum(s.below for s in all_)) for size, all_ in strips.items()}
    id, centre = inset_id(half), centre_of(build, half)[0]

    def draw(block: Upper) -> Edges:
        return _ring_part(sums[block.size.name], centre, (block.hem, block.centre), height)

    # It lies where the bodice's own strip lay, so that a seam that runs over both is altered as one.
    new_panel(build, half, id, f"Inset band, {half.name}", draw, at_centre=True, drawn_on=half.name)

    def waist(size: Size) -> tuple[Point, Point]:
        block = upper(build, size, half)
        start = max(0.0, block.centre)
        return (block.hem, start), (block.hem, block.centre + sums[size.name].below)

    build.line(id, LineKind.LEVEL, "waist", waist)
    build.interface(id, Interfaced.WAISTBAND)
    build.join(
        f"inset-{half.name}",
        f"Upper seam of the inset band, {half.name}",
        (replace(p, edge=INSET_EDGE) for p in half.lower),
        (part(id, INSET_EDGE),),
        press=Press.DOWN,
        # Of two halves each is sewn to its own part of the band.
        each_hand=build.pieces[id].cuts[0].pair,
    )
    half.lower = [part(id, "waist")]
    half.side = [part(id, "side"), *half.side]


def _height(build: Build, half: Half) -> float:
    """As high as was said, or as there is room below the bust dart."""
    said = build.description.features.band.width

    def room(size: Size) -> float:
        block = upper(build, size, half)
        top = min(s.end[0] for p in half.side if p.edge == "side" for s in build.edge(p.piece, p.edge, size))
        return block.hem - max(block.underarm + BELOW_UNDERARM, top + BELOW_BEND)

    most = min(room(size) for size in build.figures.sizes)
    if said > most:
        why = f"A band let in above the waist has room for {at_most(most)} here, below the bust and the sleeves."
        build.refused.append(("features.band.width", why))
    return min(said, most)


def _ring_part(strip: Strip, centre: str, foot: Point, height: float) -> Edges:
    """A part of a ring, or a rectangle; `foot` is where its centre meets its lower edge."""
    x, y = foot
    head = (x - height, y)
    if abs(strip.above - strip.below) <= FLAT:
        corners = ((x, y + strip.below), (x - height, y + strip.above))
        low, top = straight(foot, corners[0]), straight(corners[1], head)
    else:
        turn = (strip.above - strip.below) / height
        inner, outer = strip.below / turn, strip.above / turn
        apex = (x + inner, y)
        low = _arc(apex, inner, 0.0, turn)
        top = _arc(apex, outer, turn, 0.0)
    return {
        centre: straight(head, foot),
        "waist": low,
        "side": straight(low[-1].end, top[0].start),
        INSET_EDGE: top,
    }


def _arc(apex: Point, radius: float, start: float, end: float) -> Chain:
    """An arc round a point below the piece; angles from its centre line outwards, both negative for one above it."""
    return arc_chain(apex, -radius, -start, -end)


# ---------------------------------------------------------------- what the bodice loses


@dataclass(frozen=True)
class _Cut:
    """A panel in one size once the band's height is off it: its edges, where the legs of its darts stand on the new
    lower one, and what it lost."""

    edges: Edges
    legs: Mapping[str, float]
    lost: Strip


def _cut_off(build: Build, half: Half, id: str, height: float) -> Mapping[str, Strip]:
    """Shorten a panel by the band's height; what each size loses."""
    piece = build.pieces[id]
    levels = {size.name: upper(build, size, half).hem - height for size in build.figures.sizes}
    darts = tuple(dart for dart in piece.darts if dart.edge == "waist")
    kept = tuple(dart for dart in darts if all(at > dart.point[name][0] for name, at in levels.items()))
    cuts = {name: _cut(piece, name, at, darts, kept) for name, at in levels.items()}
    gone = {leg for dart in darts if dart not in kept for leg in dart.legs}

    def moved(mark: Mark) -> Mark:
        """A dart's leg on the new lower edge; whatever else is marked so far is held by an upper corner, and stays."""
        if not any(mark.id in dart.legs for dart in kept):
            return mark
        return replace(
            mark, edge=INSET_EDGE, anchor="start", distance={n: cut.legs[mark.id] for n, cut in cuts.items()}
        )

    drawn = alike({name: dict(cut.edges) for name, cut in cuts.items()})
    build.change(
        id,
        edges=tuple(replace(e, name=INSET_EDGE) if e.name == "waist" else e for e in piece.edges),
        shapes={name: replace(piece.shapes[name], edges=edges) for name, edges in drawn.items()},
        marks=tuple(moved(mark) for mark in piece.marks if mark.id not in gone),
        darts=(*(d for d in piece.darts if d not in darts), *(replace(d, edge=INSET_EDGE) for d in kept)),
        lines=tuple(line for line in piece.lines if all(line.ends[n][0][0] < at for n, at in levels.items())),
    )
    return {name: cut.lost for name, cut in cuts.items()}


def _cut(piece: Piece, size: str, level: float, darts: Sequence[Dart], kept: Sequence[Dart]) -> _Cut:
    """A panel cut off at a level; darts that reach above it are cut with it, each between its point and its legs."""
    old = piece.shapes[size].edges
    new = {edge: chain if edge == "waist" else _down_to(chain, level) for edge, chain in old.items()}
    start, end = _ends(new)
    new["waist"] = straight(start, end)
    foot, centre = old["waist"][0].start
    legs: dict[str, float] = {}
    above = below = 0.0
    for dart in darts:
        at = [centre + piece.mark(leg).distance[size] for leg in dart.legs]
        below += abs(at[1] - at[0])
        if dart in kept:
            tip = dart.point[size]
            share = 1.0 if dart.is_folded else (level - tip[0]) / (foot - tip[0])
            at = at if dart.is_folded else [tip[1] + (y - tip[1]) * share for y in at]
            above += abs(at[1] - at[0])
            legs |= {leg: y - start[1] for leg, y in zip(dart.legs, at, strict=True)}
    return _Cut(
        edges={INSET_EDGE if edge == "waist" else edge: chain for edge, chain in new.items()},
        legs=legs,
        lost=Strip(chain_length(new["waist"]) - above, chain_length(old["waist"]) - below),
    )


def _down_to(chain: Chain, level: float) -> Chain:
    """The part of an edge that lies above a level, which it crosses once at most."""
    if max(chain[0].start[0], chain[-1].end[0]) <= level:
        return chain
    falls = chain[0].start[0] < chain[-1].end[0]
    k = next(k for k, s in enumerate(chain) if min(s.start[0], s.end[0]) <= level < max(s.start[0], s.end[0]))
    at = solve(lambda t: chain[k].at(t)[0], level, 0.0, 1.0)
    above, below = chain[k].split(at)
    return (*chain[:k], above) if falls else (below, *chain[k + 1 :])


def _ends(edges: Edges) -> tuple[Point, Point]:
    """Where the neighbours of the lower edge end."""
    names = list(edges)
    k = names.index("waist")
    return edges[names[k - 1]][-1].end, edges[names[(k + 1) % len(names)]][0].start
