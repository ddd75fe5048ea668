"""The making graph of one garment in one size: its parts by their ids, what lies inside what, and what meets where."""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from dataclasses import dataclass, replace
from functools import cached_property

from rowanseed.core.pattern.making import (
    PLACKET_BASE,
    Closure,
    Detail,
    DetailKind,
    EdgePart,
    Finish,
    FinishKind,
    Join,
    LayerKind,
)
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel, Piece, PointKind, Role
from rowanseed.core.pattern.walk import copies, part_length

NOT_SIDES = ("shoulder", "yoke", "inseam", "crotch", "neck", "armhole", "waist", "hem")
"""Edges along which a front meets a back elsewhere than at the side."""
NEEDS_NOTHING = (FinishKind.SELVEDGE, FinishKind.RAW)


@dataclass(frozen=True)
class Graph:
    """A garment's pieces, joins, finishes, closures and details, with what can be asked of them."""

    pattern: Pattern
    view: str
    size: str

    # ---------------------------------------------------------------- parts

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

    def edge_allowance(self, part: EdgePart) -> float:
        return self.pattern.piece(part.piece).edge(part.edge).allowance

    def is_cut(self, piece: str) -> bool:
        return any(not cut.views or self.view in cut.views for cut in self.pattern.piece(piece).cuts)

    def number_cut(self, piece: str) -> int:
        cuts = self.pattern.piece(piece).cuts_for(Role.MAIN, self.view) or self.pattern.piece(piece).cuts
        return max((cut.count for cut in cuts), default=1)

    def points_of(self, kind: PointKind) -> int:
        return sum(1 for p in self.pattern.pieces for q in p.points if q.kind is kind and self.size in q.at)

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

    # ---------------------------------------------------------------- layers

    @cached_property
    def linings(self) -> frozenset[str]:
        return self._layered(LayerKind.LINING)

    @cached_property
    def contrasting(self) -> frozenset[str]:
        """What is cut from the contrast cloth alone."""
        contrast = {piece.id for piece, _ in self.pattern.pieces_for(Role.CONTRAST, self.view)}
        return frozenset(contrast - {piece.id for piece, _ in self.pattern.pieces_for(Role.MAIN, self.view)})

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
    def open_half(self) -> str:
        """Front or back: where its edges are open all the way, in words."""
        opened = {self.panel(p.id) for p in self.pattern.pieces if p.has_edge("opening") and p.id not in self.inner}
        return "back" if opened == {Panel.BACK} else "front"

    @cached_property
    def has_sleeves(self) -> bool:
        """Whether it has sleeves, of their own or cut in one with the body."""
        return any(p.panel is Panel.SLEEVE or p.has_edge("wrist") for p in self.pattern.pieces)

    @cached_property
    def has_shoulders(self) -> bool:
        """Whether it hangs from the shoulders, and not from straps: its neck ends there."""
        return any(e.name == "shoulder" or e.name.startswith("raglan") for p in self.pattern.pieces for e in p.edges)

    @property
    def has_caps(self) -> bool:
        """Whether it has armholes that a sleeve's cap goes into."""
        return any(p.has_edge("cap") for p in self.pattern.pieces)

    @cached_property
    def is_bagged(self) -> bool:
        """A lined shape without sleeves: lined edge to edge and turned out through a side."""
        return self.is_enclosed and not self.has_sleeves and not self.is_lined_bodice

    @cached_property
    def ring_sides(self) -> tuple[str, ...]:
        """The sides of a lined shape that is turned out through one of them: shell and lining are closed there in one
        ring, with a gap in the lining, the shell's first."""
        if not self.is_bagged:
            return ()
        sides = [j for j in self.joins.values() if self.closes_side(j)]
        outer = [j.id for j in sides if not pieces_of((*j.a, *j.b)) & self.linings]
        inner = [j.id for j in sides if pieces_of((*j.a, *j.b)) <= self.linings]
        return (*outer, *inner) if outer and inner else ()

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
        if not self.is_enclosed and (not self.linings or self.hangs_free):
            return frozenset()
        lined = {id for layer in layers if layer.kind is LayerKind.LINING for id in (layer.piece, layer.of)}
        return frozenset(lined | {layer.piece for layer in layers if layer.kind is LayerKind.FACING})

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

    # ---------------------------------------------------------------- kinds of seams

    def is_faced(self, join: Join) -> bool:
        """Whether a join sews a facing to the garment; it may go on over the end of a band that is folded there."""
        folded = self.folded_in(join)
        one, other = pieces_of(join.a) - folded, pieces_of(join.b) - folded
        return any(a and a <= self.facings and not b & self.inner for a, b in ((one, other), (other, one)))

    @staticmethod
    def folded_in(join: Join) -> frozenset[str]:
        """The bands whose ends a join closes beside what else it sews: they are folded there, half on half."""
        both = pieces_of(join.a) & pieces_of(join.b)
        return both if pieces_of((*join.a, *join.b)) - both else frozenset()

    def holds_sleeve(self, join: Join) -> bool:
        """Whether a seam sews sleeves, a seam of their own or their armholes, and no band or hood."""
        panels = self.panels((*join.a, *join.b))
        return Panel.SLEEVE in panels and panels <= {Panel.FRONT, Panel.BACK, Panel.SLEEVE}

    def joins_shell(self, join: Join) -> bool:
        """Whether a seam is one of the garment's body: between fronts and backs, not between these and their lining."""
        return self.panels((*join.a, *join.b)) <= {Panel.FRONT, Panel.BACK} and not self.encloses(join)

    def closes_side(self, join: Join) -> bool:
        """Whether a seam closes the body at the side: a front sewn to a back along the garment, not at the shoulder."""
        parts = (*join.a, *join.b)
        panels = {self.panel(self.base_of(p.piece)) for p in parts}
        along = not any(p.edge in NOT_SIDES for p in parts)
        return panels == {Panel.FRONT, Panel.BACK} and along and join.each_hand and len(join.a) == len(join.b)

    def is_side_of_one_hand(self, join: Join) -> bool:
        """Whether it is one of two sides that are told apart, since only one of them has a zip or a pocket."""
        hand = {p.hand for p in (*join.a, *join.b)}
        both = replace(join, each_hand=True)
        return not join.each_hand and hand in ({"left"}, {"right"}) and self.closes_side(both)

    @cached_property
    def in_half_placket(self) -> frozenset[str]:
        """The seams and finishes that a half placket makes in one: of the band whose end closes its box."""
        ends = [j for j in self.joins.values() if any(p.edge == PLACKET_BASE for p in (*j.a, *j.b))]
        bands = {p.piece for j in ends for p in (*j.a, *j.b) if p.edge != PLACKET_BASE}
        both = {pieces_of((*j.a, *j.b)) for j in ends}
        seams = (j.id for j in self.joins.values() if pieces_of((*j.a, *j.b)) in both)
        insides = (f.id for f in self.finishes.values() if pieces_of(f.parts) <= bands)
        return frozenset((*seams, *insides)) if ends else frozenset()

    # ---------------------------------------------------------------- where edges meet

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


def pieces_of(parts: Iterable[EdgePart]) -> frozenset[str]:
    return frozenset(part.piece for part in parts)
