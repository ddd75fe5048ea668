"""What a kind of matching asks: the garment's pieces on this cloth, its repeat, and what is tied to what already."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import dataclass, field

from rowanseed.core.cloth.cloth import Cloth
from rowanseed.core.cloth.matching.record import Found, Matching
from rowanseed.core.geometry.outline import Point
from rowanseed.core.lay.problem import Match, MatchPoint
from rowanseed.core.pattern.making import EdgePart, Join
from rowanseed.core.pattern.opened_out import OTHER_HAND
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Cut, Grain, Panel, Piece, Role

SHELL = (Panel.FRONT, Panel.BACK)
BODY = (*SHELL, Panel.SLEEVE)
PRINT = "the print itself"
"""What a piece is tied to that is held on one place of the repeat."""
ON_BIAS = "a piece is cut on the bias: bars cross the seam aslant, and can be asked to meet in a V"
TIED = "its pieces are matched already, round the garment the other way"


class Ties:
    """Which pieces stand to each other on one axis already: a tie that would close a ring is refused."""

    def __init__(self) -> None:
        self._to: dict[str, str] = {}

    def root(self, id: str) -> str:
        while (on := self._to.get(id, id)) != id:
            id = on
        return id

    def knows(self, id: str) -> bool:
        """Whether a piece is tied to anything, itself included."""
        return id in self._to or id in self._to.values()

    def tie(self, a: str, b: str) -> bool:
        """Tie two pieces, or a piece to its own mirror image; whether it could be done."""
        if a == b:
            self._to.setdefault(a, a)
            return True
        one, other = self.root(a), self.root(b)
        if one == other:
            return False
        self._to[one] = other
        return True


@dataclass(frozen=True, eq=False)
class Ground:
    """`along` and `across` are the repeat of the cloth ready to cut, in mm; None where nothing repeats that way."""

    pattern: Pattern
    size: str
    role: Role
    view: str
    cloth: Cloth
    matching: Matching
    x: Ties = field(default_factory=Ties)
    y: Ties = field(default_factory=Ties)

    @property
    def along(self) -> float | None:
        return self.cloth.ready_repeat[0]

    @property
    def across(self) -> float | None:
        return self.cloth.ready_repeat[1]

    @property
    def cuts(self) -> dict[str, tuple[Piece, Cut]]:
        return {piece.id: (piece, cut) for piece, cut in self.pattern.pieces_for(self.role, self.view)}

    def body_joins(self) -> Iterator[tuple[Join, EdgePart, EdgePart]]:
        """The seams of body and sleeves, of one edge on each side, between pieces that are cut from this cloth."""
        here = self.cuts
        for join in self.pattern.making.joins:
            if len(join.a) > 1 or len(join.b) > 1:
                continue
            a, b = join.a[0], join.b[0]
            if {a.piece, b.piece} <= set(here) and all(here[p.piece][0].panel in BODY for p in (a, b)):
                yield join, a, b

    def is_on_bias(self, id: str) -> bool:
        return self.cuts[id][1].grain is Grain.BIAS

    def is_whole(self, id: str) -> bool:
        """Whether one piece is both the left and the right of the garment."""
        cut = self.cuts[id][1]
        return cut.fold is not None or (cut.count == 1 and not cut.pair)

    def at_other_hand(self, part: EdgePart) -> Point:
        """Where the same edge of the other hand ends below, on a piece that is whole."""
        piece, cut = self.cuts[part.piece]
        other = f"{part.edge}{OTHER_HAND}"
        if piece.has_edge(other):
            return self.at(EdgePart(part.piece, other))
        x, y = self.at(part)
        edges = piece.shapes[self.size].edges
        level = edges[cut.fold][0].start[1] if cut.fold is not None else y
        return (x, 2 * level - y)

    def at(self, part: EdgePart) -> Point:
        """Where an edge ends below."""
        chain = self.pattern.piece(part.piece).shapes[self.size].edges[part.edge]
        return max(chain[0].start, chain[-1].end)


@dataclass(frozen=True)
class MatchKind:
    """A kind of matching: `words` as it is offered, `needs` the axes of which one has to repeat, `finds` its places."""

    id: str
    words: str
    order: int
    needs: frozenset[str]
    finds: Callable[[Ground], Iterator[Found]]

    def is_offered(self, cloth: Cloth) -> bool:
        along, across = cloth.ready_repeat
        return bool(self.needs & {a for a, repeat in (("x", along), ("y", across)) if repeat is not None})


def in_order(every: list[Match]) -> list[Match]:
    """Matches along the cloth ordered so that each shares a piece with one before it where it can: the place of the
    print is then free once a garment. A match of one piece with its own mirror image holds wherever that is matched."""
    out = [m for m in every if m.phase is not None]
    pairs = [m for m in every if m.phase is None and len({p.piece for p in m.points}) > 1]
    alone = [m for m in every if m.phase is None and len({p.piece for p in m.points}) == 1]
    reached = {p.piece for m in out for p in m.points}
    while pairs:
        following = next((m for m in pairs if reached & {p.piece for p in m.points}), pairs[0])
        pairs.remove(following)
        out.append(following)
        reached |= {p.piece for p in following.points}
    return out + [m for m in alone if m.points[0].piece not in reached]


def points(*places: tuple[str, Point]) -> tuple[MatchPoint, ...]:
    return tuple(MatchPoint(id, at) for id, at in places)
