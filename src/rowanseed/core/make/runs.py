"""Where a seam runs over the whole garment: from which end to which, across folds and halves, or all round."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

from rowanseed.core.make.graph import Graph, pieces_of
from rowanseed.core.make.openings import Openings
from rowanseed.core.pattern.making import BAND_FOLD, NECK_CENTRE, Closure, DetailKind, EdgePart, FinishKind
from rowanseed.core.pattern.pieces import Panel
from rowanseed.core.pattern.tiers import TO_CENTRE, TO_SIDE

ENDS = {
    "side": "side seam",
    "outseam": "side seam",
    "inseam": "inner leg seam",
    "crotch": "crotch seam",
    "opening": "open edge",
    "neck": "neck edge",
    "armhole": "armhole",
    "shoulder": "shoulder",
    "hem": "hem",
    "waist": "waist",
    "inset": "inset band",
    "cap": "armhole",
    "wrist": "wrist",
    "sleeve": "sleeve edge",
    "centre": "centre",
    "upper": "upper edge",
    "lower": "lower edge",
    "end": "end",
    "front-end": "front end",
    "back-end": "back end",
    "front": "front edge",
    "back": "back edge",
    "inner": "inner edge",
    "outer": "outer edge",
    TO_CENTRE: "edge towards the centre",
    TO_SIDE: "edge towards the side",
    "top": "top",
    "start": "end",
    "yoke": "yoke seam",
    "princess": "princess seam",
    "raglan": "raglan seam",
    "raglan-front": "raglan seam",
    "raglan-back": "raglan seam",
    "underarm-front": "underarm seam",
    "underarm-back": "underarm seam",
}
"""What the end of a seam is called, by the edge that it runs out on."""
UPPER_EDGE = "upper edge"
ENDS_AT = {NECK_CENTRE: "centre dot", BAND_FOLD: "band's fold"}
"""The same where it ends at a mark of its own edge."""
ZIP, PLACKET, OPENING = "zip", "placket", "opening"
OPENED_BY = {
    DetailKind.CONTINUOUS_PLACKET: "wrist",
    DetailKind.TOWER_PLACKET: "wrist",
    DetailKind.FACED_SLIT: "neck",
}
"""The edge that a slash opens, by what it is made as."""


def edge_name(graph: Graph, edge: str) -> str:
    """What an edge of a garment is called within a sentence."""
    if edge == "neck" and not graph.has_shoulders:
        return UPPER_EDGE
    if edge == "opening":
        return f"{graph.open_half} edge"
    return ENDS.get(edge, edge.replace("-", " "))


@dataclass(frozen=True)
class Run:
    """How a seam runs over the whole garment: from one end to the other, or all round."""

    start: str
    end: str
    ring: bool = False

    @property
    def words(self) -> str:
        if self.ring:
            return "all round"
        if self.start == self.end and self.start in (ZIP, PLACKET, OPENING):
            return f"from one side of the {self.start} to the other"
        return (
            f"from {self.start} to {self.end}" if self.start == self.end else f"from the {self.start} to the {self.end}"
        )


@dataclass(frozen=True, eq=False)
class Runs:
    """Tells how seams run."""

    graph: Graph
    openings: Openings

    def over(self, parts: tuple[EdgePart, ...], *, each_hand: bool = False, from_end: bool = False) -> Run:
        """From where to where a chain of edges runs over the whole garment, folds opened and halves joined."""
        pieces = pieces_of(parts)
        own = {(part.piece, part.edge) for part in parts}
        ends = []
        for part in parts:
            marks = (part.from_mark, part.to_mark)
            for edge, touches, mark in zip(self.graph.neighbours(part), ("end", "start"), marks, strict=True):
                if mark in ENDS_AT:
                    ends.append(ENDS_AT[mark])
                    continue
                if edge in self.graph.folds(part.piece) or (part.piece, edge) in own | self._inside:
                    continue
                if self._is_within(part.piece, edge, touches, pieces, each_hand=each_hand):
                    continue
                ends.append(self._end(part.piece, edge, touches))
        in_a_side = self.openings.opened_in_a_side(parts) if not ends and not each_hand else None
        if in_a_side is not None:
            word = self._opened_by(in_a_side)
            return Run(word, word)
        if not ends and not each_hand and self._ends_on_one_hand(parts):
            return Run(ENDS["end"], ENDS["end"])
        if not ends:
            return Run(PLACKET, PLACKET) if self._is_slashed(parts) else Run("", "", ring=True)
        first, last = ends[0], ends[-1]
        if len(ends) == 1:
            # The other end is the same one on the other hand: it runs across the fold or the centre seam.
            first = last
        return Run(last, first) if from_end else Run(first, last)

    @cached_property
    def _inside(self) -> frozenset[tuple[str, str]]:
        """Edges behind which a seam runs on: mouths of pockets that are cut into a side, and what is caught there."""
        slant = (detail for detail in self.graph.details.values() if detail.kind is DetailKind.SLANT_POCKET)
        mouths = {id for detail in slant for id in detail.along}
        joined = (p for id in mouths & set(self.graph.joins) for p in self.graph.parts(id))
        caught = (
            p
            for f in self.graph.finishes.values()
            if f.kind is FinishKind.CAUGHT and not pieces_of(f.parts) & self.graph.linings
            for p in f.parts
        )
        return frozenset((p.piece, p.edge) for p in (*joined, *caught))

    def _is_slashed(self, parts: tuple[EdgePart, ...]) -> bool:
        """Whether a placket opens what would be a ring: a cuff goes on from one side of it to the other."""
        return any(
            part.piece in detail.on and part.edge == OPENED_BY.get(detail.kind)
            for detail in self.graph.details.values()
            for part in parts
        )

    def _end(self, piece: str, edge: str, end: str) -> str:
        """What the end of a seam is called that runs out on an edge at one of its ends."""
        here = [j for j in self.graph.joins.values() if (piece, edge) in {(p.piece, p.edge) for p in (*j.a, *j.b)}]
        opener = next(
            (one for one in self.openings.openers for join in here if self.openings.opens(one, join, piece, end)), None
        )
        if opener is not None:
            return self._opened_by(opener)
        if edge == "sleeve" and not any(Panel.SLEEVE in self.graph.panels((*join.a, *join.b)) for join in here):
            return "leg edge"
        return edge_name(self.graph, edge)

    def _ends_on_one_hand(self, parts: tuple[EdgePart, ...]) -> bool:
        """Whether what is sewn together on one hand ends on the other, as a facing does where a side opens."""
        finished = {(p.piece, p.edge) for f in self.graph.finishes.values() for p in f.parts if p.hand}
        return any((part.piece, edge) in finished for part in parts for edge in self.graph.neighbours(part))

    def _opened_by(self, opener: Closure) -> str:
        return ZIP if opener in self.openings.zips else OPENING

    def _is_within(self, piece: str, edge: str, end: str, pieces: frozenset[str], *, each_hand: bool) -> bool:
        """Whether an edge is sewn to another piece of the chain at this end, so that the chain goes on across it."""
        for join in self.graph.joins.values():
            sides = (join.a, join.b)
            if not any((p.piece, p.edge) == (piece, edge) for side in sides for p in side):
                continue
            # Left and right of one edge; a sleeve's own seam joins two edges of it, and closes it to a ring.
            both_hands = {(p.piece, p.edge) for p in join.a} == {(p.piece, p.edge) for p in join.b}
            if (both_hands and each_hand) or any(
                self.openings.opens(c, join, piece, end) for c in self.openings.openers
            ):
                continue
            if all(pieces_of(side) & pieces for side in sides):
                return True
        return False
