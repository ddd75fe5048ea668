"""The garment on the workbench: what techniques ask of it, and the words they share."""

from __future__ import annotations

import math
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from functools import cached_property, lru_cache
from itertools import pairwise

from rowanseed.core.base.same import Same
from rowanseed.core.base.units import format_allowance, format_length
from rowanseed.core.base.words import lower_first
from rowanseed.core.derive.lining_graph import LINING
from rowanseed.core.geometry.outline import Point, flatten
from rowanseed.core.make import facts
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import EdgeShown, Need, On
from rowanseed.core.pattern.fastenings import opening_length
from rowanseed.core.pattern.making import (
    BAND_FOLD,
    NECK_CENTRE,
    PLACKET_BASE,
    Closure,
    ClosureKind,
    Detail,
    DetailKind,
    EdgePart,
    Finish,
    FinishKind,
    Join,
    LayerKind,
)
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import MarkKind, Panel, Piece, PointKind, Role
from rowanseed.core.pattern.walk import copies, part_length

HOT = "Iron and steam burn: keep fingers off the glue side, and switch the iron off when you walk away."
NEEDLE = "Take pins out before the needle reaches them; a broken needle flies."
BLADES = "Cut away from yourself, and clip to the stitching, not through it."
ZIPS = (
    ClosureKind.INVISIBLE_ZIP,
    ClosureKind.CENTRED_ZIP,
    ClosureKind.LAPPED_ZIP,
    ClosureKind.FLY_ZIP,
    ClosureKind.EXPOSED_ZIP,
)
ENDING = ("end", "start")
"""Which end of the edges before and after an edge touches it."""
NOT_SIDES = ("shoulder", "yoke", "inseam", "crotch", "neck", "armhole", "waist", "hem")
"""Edges along which a front meets a back elsewhere than at the side."""
ENDS = {
    "side": "side seam",
    "outseam": "side seam",
    "inseam": "inner leg seam",
    "crotch": "crotch seam",
    "opening": "front edge",
    "neck": "neck edge",
    "armhole": "armhole",
    "shoulder": "shoulder",
    "hem": "hem",
    "waist": "waist",
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
ENDS_AT = {NECK_CENTRE: "centre dot", BAND_FOLD: "band's fold"}
"""The same where it ends at a mark of its own edge."""
ZIP, PLACKET, OPENING = "zip", "placket", "opening"
OPENED_BY = {
    DetailKind.CONTINUOUS_PLACKET: "wrist",
    DetailKind.TOWER_PLACKET: "wrist",
    DetailKind.FACED_SLIT: "neck",
}
"""The edge that a slash opens, by what it is made as."""
COARSE = 0.2
"""Curves are judged as polylines within so much, in mm."""
NEEDS_NOTHING = (FinishKind.SELVEDGE, FinishKind.RAW)
BEARS = 25.0
"""Over so much of an edge, in mm, a bend is judged: an allowance on the inside of it has to spread."""


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


@dataclass(frozen=True)
class Workbench:
    """The garment being compiled, with what the techniques ask of it."""

    pattern: Pattern
    view: str
    size: str
    household: MakingChoices

    @cached_property
    def chosen(self) -> tuple[tuple[str, str], ...]:
        """What was chosen for parts of the garment, and what the pattern means where nothing was."""
        own = {part for part, _ in self.household.techniques}
        meant = tuple(pair for pair in self.pattern.making.ways if pair[0] not in own)
        return (*self.household.techniques, *meant)

    # ---------------------------------------------------------------- words

    def name(self, piece: str) -> str:
        return lower_first(self.pattern.piece(piece).name)

    def names(self, pieces: Iterable[str]) -> str:
        return ", ".join(dict.fromkeys(self.name(piece) for piece in pieces))

    def fine(self, mm: float) -> str:
        return format_length(mm, self.household.units, fine=True)

    def length(self, mm: float) -> str:
        return format_length(mm, self.household.units)

    def margin(self, mm: float) -> str:
        """A distance as the guide lines of a machine have it: allowances, trimmings, rows of stitching."""
        return format_allowance(mm, self.household.units)

    def edge_allowance(self, part: EdgePart) -> float:
        return self.pattern.piece(part.piece).edge(part.edge).allowance

    def allowance(self, join: Join) -> str:
        return self.margin(self.edge_allowance(join.a[0]))

    def seam_of(self, join: Join) -> str:
        """The allowance of a seam in words, both where its sides differ."""
        one, other = self.edge_allowance(join.a[0]), self.edge_allowance(join.b[0])
        if abs(one - other) < 0.5:
            return f"{self.margin(one)} seam"
        return (
            f"Seam of {self.margin(one)} on the {self.name(join.a[0].piece)} and {self.margin(other)} on the "
            f"{self.name(join.b[0].piece)}: match the stitching lines, not the raw edges;"
        )

    def booklet(self, *ids: str) -> str:
        return next((b.number for b in self.pattern.making.booklet if set(ids) & set(b.about)), "")

    # ---------------------------------------------------------------- the graph

    @cached_property
    def joins(self) -> dict[str, Join]:
        return {join.id: join for join in self.pattern.making.joins}

    @cached_property
    def finishes(self) -> dict[str, Finish]:
        return {finish.id: finish for finish in self.pattern.making.finishes}

    @cached_property
    def closures(self) -> dict[str, Closure]:
        return {closure.id: closure for closure in self.pattern.making.closures}

    @cached_property
    def details(self) -> dict[str, Detail]:
        return {detail.id: detail for detail in self.pattern.making.details}

    def details_of(self, *kinds: DetailKind) -> Iterator[Detail]:
        return (detail for detail in self.details.values() if detail.kind in kinds)

    def parts_of(self, detail: Detail) -> tuple[str, ...]:
        """The joins and finishes of a detail's own pieces, which are made with it."""
        known = self._parts_of.get(detail.id)
        if known is None:
            known = self._parts_of[detail.id] = self._own_parts(detail)
        return known

    @cached_property
    def _parts_of(self) -> dict[str, tuple[str, ...]]:
        return {}

    def _own_parts(self, detail: Detail) -> tuple[str, ...]:
        own = set(detail.pieces)
        if not own:
            return ()
        joins = (j.id for j in self.joins.values() if pieces_of((*j.a, *j.b)) <= own)
        finishes = (f.id for f in self.finishes.values() if pieces_of(f.parts) <= own and f.kind not in NEEDS_NOTHING)
        return (*joins, *finishes)

    def piece(self, id: str) -> Piece:
        return self.pattern.piece(id)

    def panel(self, piece: str) -> Panel:
        return self.pattern.piece(piece).panel

    def panels(self, parts: Iterable[EdgePart]) -> frozenset[Panel]:
        return frozenset(self.panel(part.piece) for part in parts)

    @cached_property
    def linings(self) -> frozenset[str]:
        return self._layered(LayerKind.LINING)

    @cached_property
    def facings(self) -> frozenset[str]:
        return self._layered(LayerKind.FACING)

    def _layered(self, kind: LayerKind) -> frozenset[str]:
        return frozenset(layer.piece for layer in self.pattern.making.layers if layer.kind is kind)

    @cached_property
    def inner(self) -> frozenset[str]:
        """Facings and linings: what lies inside."""
        return self.linings | self.facings

    @cached_property
    def is_enclosed(self) -> bool:
        """Whether seams sew the lining to the garment; otherwise it is hung in by hand."""
        return any(self.encloses(join) for join in self.joins.values()) and bool(self.linings)

    def encloses(self, join: Join) -> bool:
        """Whether a join sews lining (and facing) to an edge of the garment."""
        for one, other in ((join.a, join.b), (join.b, join.a)):
            if pieces_of(one) & self.linings and pieces_of(one) <= self.inner and not pieces_of(other) & self.inner:
                return True
        return False

    @cached_property
    def hung(self) -> frozenset[str]:
        """The pieces of a lining that is hung in by hand: all of it, or what lies below a bodice lined edge to edge."""
        if not self.is_enclosed:
            return self.linings
        return self.linings - self.enclosed if self.is_lined_bodice else frozenset()

    @cached_property
    def enclosed(self) -> frozenset[str]:
        """The pieces of a lining that seams sew to the edges of the garment, and those that are sewn to them."""
        joins = [(pieces_of((*j.a, *j.b)) & self.linings, self.encloses(j)) for j in self.joins.values()]
        found = {id for pieces, encloses in joins if encloses for id in pieces}
        while more := {id for pieces, _ in joins if pieces & found for id in pieces} - found:
            found |= more
        return frozenset(found)

    @cached_property
    def hangs_free(self) -> bool:
        """Whether a lining that is hung by hand has a hem of its own: its seams, and those behind it, can be seen."""
        hemmed = (f for f in self.finishes.values() if f.kind is FinishKind.HEM)
        return any(pieces_of(f.parts) <= self.hung for f in hemmed)

    @cached_property
    def has_sleeves(self) -> bool:
        """Whether it has sleeves, of their own or cut in one with the body."""
        return any(p.panel is Panel.SLEEVE or p.has_edge("wrist") for p in self.pattern.pieces)

    @property
    def has_caps(self) -> bool:
        """Whether it has armholes that a sleeve's cap goes into."""
        return any(p.has_edge("cap") for p in self.pattern.pieces)

    @cached_property
    def is_bagged(self) -> bool:
        """A lined shape without sleeves: lined edge to edge and turned out through a side."""
        return self.is_enclosed and not self.has_sleeves and not self.is_lined_bodice

    @cached_property
    def is_lined_bodice(self) -> bool:
        """Whether a lining is sewn to neck and armholes alone and ends at the waist seam: the garment goes on below."""
        edges = [j for j in self.joins.values() if self.encloses(j)]
        at_edges = {p.edge for j in edges for p in j.a} == {"neck", "armhole"}
        below = any(
            f.kind is FinishKind.TURNED and all(p.piece in self.linings and p.edge == "waist" for p in f.parts)
            for f in self.finishes.values()
        )
        return at_edges and below and not self.has_sleeves

    @cached_property
    def hidden(self) -> frozenset[str]:
        """Pieces that a closed lining covers, and linings and facings themselves."""
        layers = [layer for layer in self.pattern.making.layers if not self.hangs_free or layer.piece not in self.hung]
        if self.is_enclosed:
            return frozenset(id for layer in layers for id in (layer.piece, layer.of))
        if not self.linings or self.hangs_free:
            return frozenset()
        return self.inner | {layer.of for layer in layers if layer.kind is LayerKind.LINING}

    @cached_property
    def in_half_placket(self) -> frozenset[str]:
        """The seams and finishes that a half placket makes in one: of the band whose end closes its box."""
        ends = [j for j in self.joins.values() if any(p.edge == PLACKET_BASE for p in (*j.a, *j.b))]
        bands = {p.piece for j in ends for p in (*j.a, *j.b) if p.edge != PLACKET_BASE}
        both = {pieces_of((*j.a, *j.b)) for j in ends}
        seams = (j.id for j in self.joins.values() if pieces_of((*j.a, *j.b)) in both)
        insides = (f.id for f in self.finishes.values() if pieces_of(f.parts) <= bands)
        return frozenset((*seams, *insides)) if ends else frozenset()

    def zip_on(self, join: Join) -> Closure | None:
        return next((c for c in self.closures.values() if c.join == join.id and c.kind in ZIPS), None)

    def opening_in_lining(self, join: Join) -> Closure | None:
        """The zip that a lining's seam is left open along."""
        if not pieces_of((*join.a, *join.b)) <= self.linings:
            return None
        return next((c for c in self.zips if f"{LINING}{c.join}" == join.id), None)

    @cached_property
    def zips(self) -> tuple[Closure, ...]:
        return tuple(c for c in self.closures.values() if c.kind in ZIPS)

    def zips_at(self, join: Join) -> tuple[Closure, ...]:
        """The zips whose seams end on the edges of a join, open there."""
        crossing = {other.id for other in self.crossing([join.id])}
        return tuple(c for c in self.zips if c.join in crossing and c.from_mark is None)

    def opens_above(self, detail: Detail) -> bool:
        """Whether a slit is the part of a seam that is left open at its top: at a neck or a waist, not at a hem."""
        if detail.kind is not DetailKind.SLIT or detail.to_mark is None or len(detail.along) != 1:
            return False
        piece, mark = detail.to_mark[0], self.pattern.piece(detail.to_mark[0]).mark(detail.to_mark[1])
        if mark.anchor not in ("start", "end"):
            return False
        return self.neighbours(EdgePart(piece, mark.edge))[mark.anchor == "end"] in ("neck", "waist")

    def open_at(self, join: Join) -> tuple[Detail, ...]:
        """The seams left open at their top, where they run out on the edges of this one."""
        crossing = {other.id for other in self.crossing([join.id])}
        return tuple(d for d in self.details_of(DetailKind.SLIT) if self.opens_above(d) and d.along[0] in crossing)

    @cached_property
    def _openers(self) -> tuple[Closure, ...]:
        """What opens a seam up to a mark: a zip, or its being left open there, whatever closes that at its end."""
        left = (d for d in self.details.values() if self.opens_above(d))
        return (*self.zips, *(Closure(d.id, ClosureKind.HOOK_AND_EYE, d.along[0], d.to_mark) for d in left))

    def opened_on(self, join: Join) -> bool:
        """Whether a seam that runs out on the edges of this one is open there."""
        for part in (*join.a, *join.b):
            for edge, touches in zip(self.neighbours(part), ("end", "start"), strict=True):
                for zip_ in self._openers:
                    along = {(p.piece, p.edge) for p in self.parts(zip_.join)}
                    if (part.piece, edge) in along and self._opens(zip_, self.joins[zip_.join], touches):
                        return True
        return False

    def hand_opened(self, parts: Iterable[EdgePart]) -> str:
        """The hand, left or right, on which a zip in a side opens edges that are there on both; empty if none does."""
        edges = [(p, edge, touches) for p in parts for edge, touches in zip(self.neighbours(p), ENDING, strict=True)]
        for zip_ in self._openers:
            along = self.parts(zip_.join)
            hands = {p.hand for p in along if p.hand}
            if len(hands) != 1:
                continue
            for part, edge, touches in edges:
                own = (part.piece, edge) in {(p.piece, p.edge) for p in along}
                if own and self._opens(zip_, self.joins[zip_.join], touches):
                    return hands.pop()
        return ""

    def interfaced(self) -> tuple[str, ...]:
        """The pieces that are stiffened: by interfacing cut from their own tissue, or from a piece derived from it."""
        base = {layer.piece: layer.of for layer in self.pattern.making.layers if layer.kind is LayerKind.INTERFACING}
        cut = self.pattern.pieces_for(Role.INTERFACING, self.view)
        return tuple(dict.fromkeys(base.get(piece.id, piece.id) for piece, _ in cut))

    def underlined(self) -> tuple[str, ...]:
        return tuple(dict.fromkeys(piece.id for piece, _ in self.pattern.pieces_for(Role.UNDERLINING, self.view)))

    def base_of(self, piece: str) -> str:
        """The piece of the shell that a lining or facing lies on; the piece itself if it is none."""
        kinds = (LayerKind.LINING, LayerKind.FACING)
        return next((x.of for x in self.pattern.making.layers if x.piece == piece and x.kind in kinds), piece)

    def is_cut(self, piece: str) -> bool:
        return any(not cut.views or self.view in cut.views for cut in self.pattern.piece(piece).cuts)

    def number_cut(self, piece: str) -> int:
        cuts = self.pattern.piece(piece).cuts_for(Role.MAIN, self.view) or self.pattern.piece(piece).cuts
        return max((cut.count for cut in cuts), default=1)

    def is_faced(self, join: Join) -> bool:
        """Whether a join sews a facing to the garment."""
        one, other = pieces_of(join.a), pieces_of(join.b)
        return any(a <= self.facings and not b & self.inner for a, b in ((one, other), (other, one)))

    def joins_shell(self, join: Join) -> bool:
        """Whether a seam is one of the garment's body: between fronts and backs, not between these and their lining."""
        return self.panels((*join.a, *join.b)) <= {Panel.FRONT, Panel.BACK} and not self.encloses(join)

    def closes_side(self, join: Join) -> bool:
        """Whether a seam closes the body at the side: a front sewn to a back along the garment, not at the shoulder."""
        parts = (*join.a, *join.b)
        panels = {self.panel(self.base_of(p.piece)) for p in parts}
        along = not any(p.edge in NOT_SIDES for p in parts)
        return panels == {Panel.FRONT, Panel.BACK} and along and join.each_hand and len(parts) == 2

    def is_side_of_one_hand(self, join: Join) -> bool:
        """Whether it is one of two sides that are told apart, since only one of them has a zip or a pocket."""
        hand = {p.hand for p in (*join.a, *join.b)}
        both = replace(join, each_hand=True)
        return not join.each_hand and hand in ({"left"}, {"right"}) and self.closes_side(both)

    # ---------------------------------------------------------------- corners

    def neighbours(self, part: EdgePart) -> tuple[str, str]:
        """The edges before and after an edge in the ring of its piece."""
        names = [edge.name for edge in self.pattern.piece(part.piece).edges]
        k = names.index(part.edge)
        return names[k - 1], names[(k + 1) % len(names)]

    def folds(self, piece: str) -> frozenset[str]:
        """The edges of a piece that lie on a fold of the cloth."""
        return frozenset(cut.fold for cut in self.pattern.piece(piece).cuts if cut.fold)

    def crossing(self, ids: Iterable[str]) -> tuple[Join, ...]:
        """Seams that end on the edges of these joins or finishes."""
        edges = {(p.piece, p.edge) for id in ids for p in self.parts(id)}
        near = {(p, e) for p, edge in edges for e in self.neighbours(EdgePart(p, edge))} - edges
        return tuple(
            join
            for join in self.joins.values()
            if (own := {(p.piece, p.edge) for p in (*join.a, *join.b)}) & near and not own & edges
        )

    def parts(self, id: str) -> tuple[EdgePart, ...]:
        """The edges of a join or a finish."""
        if id in self.joins:
            return (*self.joins[id].a, *self.joins[id].b)
        return self.finishes[id].parts if id in self.finishes else ()

    def run(self, parts: tuple[EdgePart, ...], *, each_hand: bool = False, from_end: bool = False) -> Run:
        """From where to where a chain of edges runs over the whole garment, folds opened and halves joined."""
        pieces = pieces_of(parts)
        own = {(part.piece, part.edge) for part in parts}
        ends = []
        for part in parts:
            marks = (part.from_mark, part.to_mark)
            for edge, touches, mark in zip(self.neighbours(part), ("end", "start"), marks, strict=True):
                if mark in ENDS_AT:
                    ends.append(ENDS_AT[mark])
                    continue
                if edge in self.folds(part.piece) or (part.piece, edge) in own | self._inside:
                    continue
                if self._is_within(part.piece, edge, touches, pieces, each_hand=each_hand):
                    continue
                ends.append(self._end(part.piece, edge, touches))
        if not ends and not each_hand and self.hand_opened(parts):
            return Run(ZIP, ZIP)
        if not ends:
            return Run(PLACKET, PLACKET) if self._is_slashed(parts) else Run("", "", ring=True)
        first, last = ends[0], ends[-1]
        if len(ends) == 1:
            # The other end is the same one on the other hand: it runs across the fold or the centre seam.
            first = last
        return Run(last, first) if from_end else Run(first, last)

    def _opens(self, zip_: Closure, join: Join, end: str) -> bool:
        """Whether a zip opens a seam, or the lining's behind it, at one end of its edges; from the other end, or from
        both, the seam is sewn."""
        if join.id not in (zip_.join, f"{LINING}{zip_.join}") or zip_.from_mark is not None:
            return False
        if zip_.to_mark is None:
            return True
        return self.pattern.piece(zip_.to_mark[0]).mark(zip_.to_mark[1]).anchor == end

    @cached_property
    def _inside(self) -> frozenset[tuple[str, str]]:
        """Edges behind which a seam runs on: mouths of pockets that are cut into a side, and what is caught there."""
        slant = (detail for detail in self.details.values() if detail.kind is DetailKind.SLANT_POCKET)
        mouths = {id for detail in slant for id in detail.along}
        joined = (p for id in mouths & set(self.joins) for p in self.parts(id))
        caught = (p for f in self.finishes.values() if f.kind is FinishKind.CAUGHT for p in f.parts)
        return frozenset((p.piece, p.edge) for p in (*joined, *caught))

    def _is_slashed(self, parts: tuple[EdgePart, ...]) -> bool:
        """Whether a placket opens what would be a ring: a cuff goes on from one side of it to the other."""
        return any(
            part.piece in detail.on and part.edge == OPENED_BY.get(detail.kind)
            for detail in self.details.values()
            for part in parts
        )

    def _end(self, piece: str, edge: str, end: str) -> str:
        """What the end of a seam is called that runs out on an edge at one of its ends."""
        here = [j for j in self.joins.values() if (piece, edge) in {(p.piece, p.edge) for p in (*j.a, *j.b)}]
        opener = next((one for one in self._openers for join in here if self._opens(one, join, end)), None)
        if opener is not None:
            return ZIP if opener in self.zips else OPENING
        return ENDS.get(edge, edge.replace("-", " "))

    def _is_within(self, piece: str, edge: str, end: str, pieces: frozenset[str], *, each_hand: bool) -> bool:
        """Whether an edge is sewn to another piece of the chain at this end, so that the chain goes on across it."""
        for join in self.joins.values():
            sides = (join.a, join.b)
            if not any((p.piece, p.edge) == (piece, edge) for side in sides for p in side):
                continue
            # Left and right of one edge; a sleeve's own seam joins two edges of it, and closes it to a ring.
            both_hands = {(p.piece, p.edge) for p in join.a} == {(p.piece, p.edge) for p in join.b}
            if (both_hands and each_hand) or any(self._opens(c, join, end) for c in self._openers):
                continue
            if all(pieces_of(side) & pieces for side in sides):
                return True
        return False

    # ---------------------------------------------------------------- figures

    def zip_length(self, closure: Closure) -> float | None:
        """How long an opening is from the raw upper edge, or the mark where it begins, to its end, in mm; None where no
        mark says."""
        at = opening_length(self.pattern, self.size, closure)
        if at is None or closure.from_mark is not None:
            return at
        return at + self.edge_allowance(self.joins[closure.join].a[0])

    def around(self, ids: Iterable[str]) -> float:
        """How long joins and finishes are over the whole garment, in mm."""
        total = 0.0
        for id in ids:
            join = self.joins.get(id)
            parts = join.a if join else self.parts(id)
            each = bool(join and join.each_hand)
            total += sum(
                part_length(self.pattern, self.size, part) * copies(self.pattern, part, each_hand=each)
                for part in parts
            )
        return total

    def strays(self, part: EdgePart) -> float:
        """How far an edge, opened out over the fold, strays from the straight line between its ends, in mm."""
        points = flatten(self.pattern.piece(part.piece).shapes[self.size].edges[part.edge])
        (x0, y0), (x1, y1) = points[0], points[-1]
        chord = math.dist(points[0], points[-1]) or 1.0
        half = max(abs((x - x0) * (y1 - y0) - (y - y0) * (x1 - x0)) / chord for x, y in points)
        if not self.folds(part.piece) & set(self.neighbours(part)):
            return half
        return max(half, abs(x1 - x0))

    def is_off_grain(self, part: EdgePart) -> bool:
        """Whether an edge runs neither along nor across the grain, to ten degrees."""
        chain = self.pattern.piece(part.piece).shapes[self.size].edges[part.edge]
        (x0, y0), (x1, y1) = chain[0].start, chain[-1].end
        turn = math.degrees(math.atan2(abs(y1 - y0), abs(x1 - x0)))
        return 10.0 < turn < 80.0

    def is_curved(self, part: EdgePart) -> bool:
        """Whether an edge strays more than 1 mm from the straight line between its ends, opened to its whole width."""
        return self.strays(part) > 1.0

    def tightness(self, parts: Iterable[EdgePart]) -> float:
        """How tight the tightest bend of some edges is: 1 / radius, in 1/mm, over a stretch of 25 mm."""
        return max((self._bend(part.piece, part.edge) for part in parts), default=0.0)

    @cached_property
    def _bends(self) -> dict[tuple[str, str], float]:
        return {}

    def _bend(self, piece: str, edge: str) -> float:
        known = self._bends.get((piece, edge))
        if known is None:
            known = tightest_bend(flatten(self.pattern.piece(piece).shapes[self.size].edges[edge], COARSE))
            self._bends[piece, edge] = known
        return known

    def needs_clips(self, parts: tuple[EdgePart, ...]) -> bool:
        """Whether an allowance has to be clipped or notched to lie open: its edge would have to stretch by over 4 %."""
        widest = max((self.edge_allowance(part) for part in parts), default=0.0)
        return widest * self.tightness(parts) > 0.04

    def clip_every(self, parts: tuple[EdgePart, ...]) -> float:
        """How far apart clips stand, in mm: 25 where the curve is gentle, 12 where it is tight."""
        return 25.0 if self.tightness(parts) < 1 / 120 else 18.0 if self.tightness(parts) < 1 / 70 else 12.0

    def notched(self, join: Join) -> bool:
        """Whether both sides of a seam carry notches to be matched."""
        kinds = (MarkKind.NOTCH, MarkKind.DOUBLE_NOTCH)
        return all(
            any(m.edge == p.edge and m.kind in kinds for p in side for m in self.piece(p.piece).marks)
            for side in (join.a, join.b)
        )

    def button_size(self) -> float | None:
        """The diameter of the buttons in mm, where the envelope prints one."""
        for notion in self.pattern.envelope.notions:
            if "button" in notion.what.lower():
                for word in notion.detail.replace("mm", " mm").split():
                    if word.replace(".", "", 1).isdigit():
                        return float(word)
        return None

    def points_of(self, kind: PointKind) -> int:
        return sum(1 for p in self.pattern.pieces for q in p.points if q.kind is kind and self.size in q.at)

    # ---------------------------------------------------------------- what a piece waits for

    @cached_property
    def pocketed(self) -> tuple[str, ...]:
        """The pieces that carry pocket marks."""
        return tuple(
            p.id for p in self.pattern.pieces if any(q.kind is PointKind.POCKET and self.size in q.at for q in p.points)
        )

    def places_of(self, id: str) -> tuple[tuple[str, str | None], ...]:
        """The pieces that a pocket's corners are marked on, each with the hand it is on alone; those of any pocket
        where the marks do not say whose they are."""
        marked = [(piece.id, q) for piece in self.pattern.pieces for q in piece.points if q.kind is PointKind.POCKET]
        here = [(piece, q) for piece, q in marked if self.size in q.at]
        own = [(piece, q) for piece, q in here if q.id in (f"{id}-inner", f"{id}-outer")]
        return tuple(dict.fromkeys((piece, q.hand) for piece, q in own or here))

    def carry_one_pocket(self, pieces: Iterable[str]) -> bool:
        """Whether a pocket lies across the seam of these pieces: all are marked for it, on one side of the body."""
        found = set(pieces)
        return len(found) > 1 and found <= set(self.pocketed) and len({self.panel(id) for id in found}) == 1

    def flat_first(self, ids: Iterable[str]) -> Iterator[Need]:
        """Staystitching, stiffening, backing, darts and pockets come before a piece is joined."""
        pieces = sorted({part.piece for one in ids for part in self.parts(one)})
        # A pocket that lies across this very seam comes after it, a placket's own facing before its piece.
        across = self.carry_one_pocket(pieces)
        for id in pieces:
            for fact, why in (
                (Fact.STAYED, "the edge is held before the piece is handled"),
                (Fact.BACKED, "piece and underlining are one before anything is sewn"),
                (Fact.STIFFENED, "interfacing goes on while the piece is flat"),
                (Fact.SHAPED, "darts and pleats are sewn and pressed while the piece is flat"),
            ):
                yield Need(facts.piece(fact, id), why, where_given=True)
            if not across:
                yield Need(
                    facts.piece(Fact.ATTACHED, id), "what is made on a piece is made while it is flat", where_given=True
                )


def workbench(pattern: Pattern, view: str, size: str, household: MakingChoices) -> Workbench:
    """The garment on the workbench; the same one for the same garment, so that what is asked once is known."""
    return _workbench(Same(pattern), view, size, household)


@lru_cache(maxsize=32)
def _workbench(same: Same[Pattern], view: str, size: str, household: MakingChoices) -> Workbench:
    return Workbench(pattern=same.it, view=view, size=size, household=household)


def tightest_bend(points: Sequence[Point]) -> float:
    """The tightest bend of a polyline over a stretch of 25 mm, as 1 / radius in 1/mm."""
    along, turned, tightest, start = [0.0], [0.0], 0.0, 0
    headings = [math.atan2(b[1] - a[1], b[0] - a[0]) for a, b in pairwise(points)]
    for k, (a, b) in enumerate(pairwise(points)):
        along.append(along[-1] + math.dist(a, b))
        step = headings[k] - headings[k - 1] if k else 0.0
        turned.append(turned[-1] + math.atan2(math.sin(step), math.cos(step)))
        while along[-1] - along[start] > BEARS and start < len(along) - 1:
            start += 1
        tightest = max(tightest, abs(turned[-1] - turned[start]) / BEARS)
    return tightest


def pieces_of(parts: Iterable[EdgePart]) -> frozenset[str]:
    return frozenset(part.piece for part in parts)


def shown(parts: Iterable[EdgePart]) -> tuple[EdgeShown, ...]:
    return tuple(dict.fromkeys(EdgeShown(part.piece, part.edge) for part in parts))


def both_sides(join: Join) -> str:
    return " (both sides)" if join.each_hand else ""


def on_joins(bench: Workbench, *ids: str) -> On:
    return On(joins=ids, edges=shown(part for id in ids for part in bench.parts(id)))
