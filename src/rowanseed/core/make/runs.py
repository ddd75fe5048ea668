"""Where a seam runs over the whole garment: from which end to which, across folds and halves, or all round."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import cached_property

from rowanseed.core.make.graph import Graph, pieces_of
from rowanseed.core.make.openings import Openings
from rowanseed.core.make.run import OPENING, PLACKET, SLIT, ZIP, Run
from rowanseed.core.pattern.making import (
    BAND_FOLD,
    BESIDE_CENTRE,
    LOWER_FOLD,
    NECK_CENTRE,
    Closure,
    Detail,
    DetailKind,
    EdgePart,
    FinishKind,
    Join,
)
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
    "underarm": "underarm seam",
    "underarm-front": "underarm seam",
    "underarm-back": "underarm seam",
    "near-end": "near end",
    "near-end-inside": "band's fold",
    "a": "long edge",
    "b": "long edge",
}
"""What the end of a seam is called, by the edge that it runs out on."""
ONE_EACH = ("inner leg seam", "underarm seam")
"""Seams of which each leg or sleeve has one."""
BEGUN_ON = (*ONE_EACH, "side seam", "shoulder")
"""Where a row all round is begun, the first of these that crosses it."""
SEAMS = frozenset({*(name for name in ENDS.values() if name.endswith("seam")), "shoulder"})
"""The names of seams among them."""


def at_a(seam: str) -> str:
    """A seam after "at", by what `beside` calls it; any where it is called nothing."""
    return f"{'the' if seam in ONE_EACH else 'a'} {seam or 'seam'}{' seam' if seam == 'shoulder' else ''}"


UPPER_EDGE = "upper edge"
ENDS_AT = {
    NECK_CENTRE: "centre dot",
    BESIDE_CENTRE: "dot beside the centre",
    BAND_FOLD: "band's fold",
    LOWER_FOLD: "band's fold",
}
"""The same where it ends at a mark of its own edge."""
SLASHED = frozenset({DetailKind.CONTINUOUS_PLACKET, DetailKind.TOWER_PLACKET, DetailKind.FACED_SLIT})
"""What is cut in from an edge."""


def slashed_edge(graph: Graph, detail: Detail) -> str:
    """The edge that a slash opens; empty where nothing is slashed."""
    if detail.kind not in SLASHED:
        return ""
    is_at_neck = detail.kind is DetailKind.FACED_SLIT and all(graph.panel(id) is not Panel.SLEEVE for id in detail.on)
    return "neck" if is_at_neck else "wrist"


def _is_sewn(graph: Graph, piece: str, edge: str) -> bool:
    return any((p.piece, p.edge) == (piece, edge) for join in graph.joins.values() for p in (*join.a, *join.b))


def edge_name(graph: Graph, edge: str, piece: str = "") -> str:
    """What an edge of a garment, or of one of its pieces, is called within a sentence."""
    if edge == "neck" and not graph.has_shoulders:
        return UPPER_EDGE
    if edge == "side" and piece and not _is_sewn(graph, piece, edge):
        # As an apron's, which is turned in.
        return "side edge"
    if edge == "opening" or (edge == "front" and piece and graph.panel(piece) is Panel.BAND):
        return f"{graph.open_half} edge"
    return ENDS.get(edge, edge.replace("-", " "))


@dataclass(frozen=True, eq=False)
class Runs:
    """Tells how seams run."""

    graph: Graph
    openings: Openings

    def over(self, parts: tuple[EdgePart, ...], *, each_hand: bool = False, from_end: bool = False) -> Run:
        """From where to where a chain of edges runs over the whole garment, folds opened and halves joined."""
        ends = [end for part in parts for end in self.ends_of(part, parts, each_hand=each_hand) if end is not None]
        in_a_side = self.openings.opened_in_a_side(parts) if not each_hand else None
        if not ends and in_a_side is not None:
            word = self._opened_by(in_a_side)
            return Run(word, word)
        if not ends and not each_hand and self._ends_on_one_hand(parts):
            return Run(ENDS["end"], ENDS["end"])
        if not ends:
            slash = self._slashed_by(parts)
            return Run(slash, slash) if slash else Run("", "", ring=True)
        first, last = ends[0], ends[-1]
        if len(ends) == 1:
            # The other end is the same one on the other hand: it runs across the fold or the centre seam.
            first = last
            if in_a_side is not None and last == self._opened_by(in_a_side):
                last = self._beside(in_a_side)
        return Run(last, first, backwards=True) if from_end else Run(first, last)

    def ends_of(self, part: EdgePart, parts: Sequence[EdgePart], *, each_hand: bool) -> tuple[str | None, str | None]:
        """What both ends of one edge of a chain are called where the seam ends there, in ring order; None at an end
        where it goes on, over a fold or onto another piece of the chain."""
        found: list[str | None] = []
        for edge, touches, mark in zip(
            self.graph.neighbours(part), ("end", "start"), (part.from_mark, part.to_mark), strict=True
        ):
            if mark in ENDS_AT:
                found.append(ENDS_AT[mark])
            elif self._goes_on(part.piece, edge, touches, parts, each_hand=each_hand):
                found.append(None)
            else:
                found.append(self._end(part.piece, edge, touches))
        return found[0], found[1]

    def beside(self, part: EdgePart, end: int) -> str:
        """What lies at the first (0) or the last (1) end of an edge by itself, whatever the seam does there."""
        edge, piece = self.graph.neighbours(part)[end], part.piece
        opened = (
            one
            for one in self.openings.openers
            if (piece, edge) in {(p.piece, p.edge) for p in self.graph.parts(one.join)}
            and self.openings.opens(one, self.graph.joins[one.join], piece, ("end", "start")[end])
        )
        return next((self._opened_by(one) for one in opened), edge_name(self.graph, edge, piece))

    def ring_start(self, parts: Sequence[EdgePart]) -> str:
        """The seam that a row all round some edges is begun at, as `beside` calls it; empty where none crosses them."""
        crossing = [self.beside(part, end) for part in parts for end in (0, 1)]
        return next((name for name in (*BEGUN_ON, *crossing) if name in crossing and name in SEAMS), "")

    def begun_at(self, join: Join, *ends: str) -> Run:
        """A join begun at that end of it which is called so; where none or both are, where it begins anyhow."""
        run = self.over(join.a, each_hand=join.each_hand, from_end=join.sewn_from == "end")
        if run.end in ends and run.start not in ends:
            return replace(run, start=run.end, end=run.start, backwards=not run.backwards)
        return run

    def _goes_on(self, piece: str, edge: str, touches: str, parts: Sequence[EdgePart], *, each_hand: bool) -> bool:
        own = {(part.piece, part.edge) for part in parts}
        # The edge of one piece by itself ends where that is caught, and goes on nowhere.
        inside = self._inside if len(pieces_of(parts)) > 1 else self._mouths
        if edge in self.graph.folds(piece) or (piece, edge) in own | inside:
            return True
        return self._is_within(piece, edge, touches, pieces_of(parts), each_hand=each_hand)

    def _beside(self, opener: Closure) -> str:
        """What the seam that something opens on one hand is called on the other, where nothing does."""
        return edge_name(self.graph, self.graph.joins[opener.join].a[0].edge)

    @cached_property
    def _mouths(self) -> frozenset[tuple[str, str]]:
        """Mouths of pockets that are cut into a side."""
        slant = (detail for detail in self.graph.details.values() if detail.kind is DetailKind.SLANT_POCKET)
        mouths = {id for detail in slant for id in detail.along}
        return frozenset((p.piece, p.edge) for id in mouths & set(self.graph.joins) for p in self.graph.parts(id))

    @cached_property
    def _inside(self) -> frozenset[tuple[str, str]]:
        """Edges behind which a seam runs on: mouths of pockets that are cut into a side, and what is caught there."""
        caught = (
            p
            for f in self.graph.finishes.values()
            if f.kind is FinishKind.CAUGHT and not pieces_of(f.parts) & self.graph.linings
            for p in f.parts
        )
        return self._mouths | {(p.piece, p.edge) for p in caught}

    def _slashed_by(self, parts: tuple[EdgePart, ...]) -> str:
        """What opens an edge that would be a ring, and is cut in from it: a cuff goes on from one side of its placket
        to the other. Empty where nothing does."""
        edges = {
            part.edge
            for detail in self.graph.details.values()
            for part in parts
            if part.piece in detail.on and part.edge == slashed_edge(self.graph, detail)
        }
        return "" if not edges else SLIT if edges == {"neck"} else PLACKET

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
        return edge_name(self.graph, edge, piece)

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
            here = any((p.piece, p.edge) == (piece, edge) for side in sides for p in side)
            if not here or piece in self.graph.folded_in(join):
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
