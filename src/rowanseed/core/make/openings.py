"""Where a garment opens: its zips, and seams that are left open at their top."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from functools import cached_property

from rowanseed.core.derive.lining_graph import LINING
from rowanseed.core.make.graph import Graph, pieces_of
from rowanseed.core.pattern.fastenings import opening_length, opens_at_top
from rowanseed.core.pattern.making import Closure, ClosureKind, Detail, DetailKind, EdgePart, Join

ZIPS = (
    ClosureKind.INVISIBLE_ZIP,
    ClosureKind.CENTRED_ZIP,
    ClosureKind.LAPPED_ZIP,
    ClosureKind.FLY_ZIP,
    ClosureKind.BUTTON_FLY,
    ClosureKind.EXPOSED_ZIP,
)
"""What opens a seam down to a mark: zips, and a fly that buttons as one that has a zip."""
ENDING = ("end", "start")
"""Which end of the edges before and after an edge touches it."""


@dataclass(frozen=True, eq=False)
class Openings:
    """The openings of a garment, and the seams that they open."""

    graph: Graph

    def zip_on(self, join: Join) -> Closure | None:
        return next((c for c in self.graph.closures.values() if c.join == join.id and c.kind in ZIPS), None)

    def opening_in_lining(self, join: Join) -> Closure | None:
        """The zip that a lining's seam is left open along."""
        if not pieces_of((*join.a, *join.b)) <= self.graph.linings:
            return None
        return next((c for c in self.zips if f"{LINING}{c.join}" == join.id), None)

    @cached_property
    def zips(self) -> tuple[Closure, ...]:
        return tuple(c for c in self.graph.closures.values() if c.kind in ZIPS)

    def zips_at(self, join: Join) -> tuple[Closure, ...]:
        """The zips whose seams end on the edges of a join, open there."""
        crossing = {other.id for other in self.graph.crossing([join.id])}
        return tuple(c for c in self.zips if c.join in crossing and c.from_mark is None)

    def opens_above(self, detail: Detail) -> bool:
        """Whether a slit is the part of a seam that is left open at its top: at a neck or a waist, not at a hem."""
        return opens_at_top(self.graph.pattern, detail)

    def open_at(self, join: Join) -> tuple[Detail, ...]:
        """The seams left open at their top, where they run out on the edges of this one."""
        crossing = {other.id for other in self.graph.crossing([join.id])}
        return tuple(
            d for d in self.graph.details_of(DetailKind.SLIT) if self.opens_above(d) and d.along[0] in crossing
        )

    @cached_property
    def openers(self) -> tuple[Closure, ...]:
        """What opens a seam up to a mark: a zip, or its being left open there, whatever closes that at its end."""
        left = (d for d in self.graph.details.values() if self.opens_above(d))
        return (*self.zips, *(Closure(d.id, ClosureKind.HOOK_AND_EYE, d.along[0], d.to_mark) for d in left))

    def opened_on(self, join: Join) -> bool:
        """Whether a seam that runs out on the edges of this one is open there."""
        for part in (*join.a, *join.b):
            for edge, touches in zip(self.graph.neighbours(part), ("end", "start"), strict=True):
                for zip_ in self.openers:
                    along = {(p.piece, p.edge) for p in self.graph.parts(zip_.join)}
                    seam = self.graph.joins[zip_.join]
                    if (part.piece, edge) in along and self.opens(zip_, seam, part.piece, touches):
                        return True
        return False

    def hand_opened(self, parts: Iterable[EdgePart]) -> str:
        """The hand, left or right, on which a side opens edges that are there on both; empty if none does."""
        found = self.opened_in_a_side(parts)
        return "" if found is None else next(p.hand for p in self.graph.parts(found.join) if p.hand)

    def opened_in_a_side(self, parts: Iterable[EdgePart]) -> Closure | None:
        """What opens edges in a seam of one hand: a zip, or its being left open there."""
        graph = self.graph
        edges = [(p, edge, at) for p in parts for edge, at in zip(graph.neighbours(p), ENDING, strict=True)]
        for opener in self.openers:
            along = graph.parts(opener.join)
            if len({p.hand for p in along if p.hand}) != 1:
                continue
            own = {(p.piece, p.edge) for p in along}
            join = graph.joins[opener.join]
            if any((p.piece, edge) in own and self.opens(opener, join, p.piece, at) for p, edge, at in edges):
                return opener
        return None

    def opens(self, opener: Closure, join: Join, piece: str, end: str) -> bool:
        """Whether a seam, or the lining's behind it, is open where one end of a piece's edge in it lies.

        From its own top down to its mark: the edges above that with both their ends, the one with the mark with its
        upper end. Below a sleeve the seam is sewn at its very top.
        """
        if join.id not in (opener.join, f"{LINING}{opener.join}"):
            return False
        if opener.to_mark is None:
            return opener.from_mark is None
        top = self.graph.pattern.piece(opener.to_mark[0]).mark(opener.to_mark[1]).anchor
        seam = self.graph.joins[opener.join]
        chains = [[p.piece for p in (side if top == "start" else side[::-1])] for side in (seam.a, seam.b)]
        low = next((chain.index(opener.to_mark[0]) for chain in chains if opener.to_mark[0] in chain), 0)
        at = next((chain.index(id) for chain in chains for id in (piece, self.graph.base_of(piece)) if id in chain), 0)
        if piece != opener.to_mark[0] and any(mark.id == opener.to_mark[1] for mark in self.graph.piece(piece).marks):
            # A lining in one length behind several tiers has the end of the zip itself.
            low = at
        if end != top:
            return at < low
        return at <= low and (at > 0 or opener.from_mark is None)

    def zip_length(self, closure: Closure) -> float | None:
        """How long an opening is from the raw upper edge, or the mark where it begins, to its end, in mm; None where no
        mark says."""
        at = opening_length(self.graph.pattern, self.graph.size, closure)
        if at is None or closure.from_mark is not None:
            return at
        return at + self.graph.edge_allowance(self.graph.joins[closure.join].a[0])
