"""The garment on the workbench: what the rules of making ask of it, and the words they share."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from rowanseed.core.base.units import Units, format_allowance, format_length
from rowanseed.core.base.words import lower_first
from rowanseed.core.cloth.cloth import Fibre, Structure
from rowanseed.core.make import graph, settings
from rowanseed.core.make.steps import After, Bench, EdgeShown, Setting
from rowanseed.core.pattern.making import Closure, ClosureKind, EdgePart, Join, LayerKind
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel, Role

HOT = "Iron and steam burn: keep fingers off the glue side, and switch the iron off when you walk away."
NEEDLE = "Take pins out before the needle reaches them; a broken needle flies."
BLADES = "Cut away from yourself, and clip to the stitching, not through it."
ZIPS = (ClosureKind.INVISIBLE_ZIP, ClosureKind.CENTRED_ZIP, ClosureKind.LAPPED_ZIP)


@dataclass(frozen=True)
class MakingChoices:
    """What changes the steps: an overlocker or not, how the hem is sewn, the cloth, units."""

    overlocker: bool = False
    hem_by_hand: bool = False
    fibre: Fibre = Fibre.OTHER
    units: Units = Units.METRIC
    structure: Structure = Structure.WOVEN
    weight: float | None = None


@dataclass(frozen=True)
class Workbench:
    """The garment being compiled, with what the rules ask of it."""

    pattern: Pattern
    view: str
    size: str
    household: MakingChoices

    @property
    def needle(self) -> str:
        return settings.needle_for(self.household.fibre, self.household.structure, self.household.weight)

    @property
    def neaten_setting(self) -> Setting:
        return settings.overlock() if self.household.overlocker else settings.zigzag(self.needle)

    @property
    def neaten_bench(self) -> Bench:
        return Bench.OVERLOCKER if self.household.overlocker else Bench.MACHINE

    def name(self, piece: str) -> str:
        found = self.pattern.piece(piece).name
        return lower_first(found)

    def fine(self, mm: float) -> str:
        return format_length(mm, self.household.units, fine=True)

    def allowance(self, join: Join) -> str:
        part = join.a[0]
        return self.margin(self.pattern.piece(part.piece).edge(part.edge).allowance)

    def margin(self, mm: float) -> str:
        """A distance as the guide lines of a machine have it: allowances, trimmings, rows of stitching."""
        return format_allowance(mm, self.household.units)

    def booklet(self, id: str) -> str:
        return next((b.number for b in self.pattern.making.booklet if id in b.about), "")

    def zip_on(self, join: Join) -> Closure | None:
        return next((c for c in self.pattern.making.closures if c.join == join.id and c.kind in ZIPS), None)

    def interfaced(self) -> tuple[str, ...]:
        """The pieces that are stiffened: by interfacing cut from their own tissue, or from a piece derived from it."""
        base = {layer.piece: layer.of for layer in self.pattern.making.layers if layer.kind is LayerKind.INTERFACING}
        cut = self.pattern.pieces_for(Role.INTERFACING, self.view)
        return tuple(dict.fromkeys(base.get(piece.id, piece.id) for piece, _ in cut))

    def underlined(self) -> tuple[str, ...]:
        return tuple(dict.fromkeys(piece.id for piece, _ in self.pattern.pieces_for(Role.UNDERLINING, self.view)))

    @property
    def has_zip(self) -> bool:
        return any(c.kind in ZIPS for c in self.pattern.making.closures)

    @property
    def linings(self) -> frozenset[str]:
        return frozenset(layer.piece for layer in self.pattern.making.layers if layer.kind is LayerKind.LINING)

    @property
    def lined(self) -> frozenset[str]:
        """Pieces that a lining or facing hides, and the linings and facings themselves where there is a lining."""
        if not self.linings:
            return frozenset()
        return frozenset(id for layer in self.pattern.making.layers for id in (layer.piece, layer.of))

    @property
    def is_enclosed(self) -> bool:
        """Whether seams sew the lining to the garment; otherwise it is hung in by hand."""
        inner = self.linings | graph.facings(self.pattern.making)
        return any(
            (graph.pieces_of(one) & self.linings) and not graph.pieces_of(other) & inner
            for join in self.pattern.making.joins
            for one, other in ((join.a, join.b), (join.b, join.a))
        )

    @property
    def hung(self) -> frozenset[str]:
        """The pieces of a lining that is hung in by hand."""
        return frozenset() if self.is_enclosed else self.linings

    @property
    def is_bagged(self) -> bool:
        """A lined shape without sleeves: lined edge to edge and turned out through a side."""
        return self.is_enclosed and not any(p.panel is Panel.SLEEVE for p in self.pattern.pieces)

    def panel(self, piece: str) -> Panel:
        return self.pattern.piece(piece).panel

    def panels(self, parts: tuple[EdgePart, ...]) -> frozenset[Panel]:
        return frozenset(self.panel(part.piece) for part in parts)

    def joins_shell(self, join: Join) -> bool:
        """Whether a seam is one of the garment's body: between fronts and backs."""
        return self.panels((*join.a, *join.b)) <= {Panel.FRONT, Panel.BACK}

    def is_turned_corner(self, join: Join) -> bool:
        """Whether two bands are sewn together round corners and turned: collar and under collar."""
        return self.panels((*join.a, *join.b)) == {Panel.BAND} and len(join.a) > 1

    def closes_side(self, join: Join) -> bool:
        """Whether a seam closes the body at the side: a front sewn to a back along the garment, not at the shoulder."""
        parts = (*join.a, *join.b)
        pieces = {layer.piece: layer.of for layer in self.pattern.making.layers if layer.kind is LayerKind.LINING}
        panels = {self.panel(pieces.get(p.piece, p.piece)) for p in parts}
        return panels == {Panel.FRONT, Panel.BACK} and all(p.edge in ("side", "outseam") for p in parts)


def shown_edges(parts: tuple[EdgePart, ...]) -> tuple[EdgeShown, ...]:
    return tuple(dict.fromkeys(EdgeShown(part.piece, part.edge) for part in parts))


def flat_first(bench: Workbench, join: Join) -> Iterator[After]:
    """Staystitching, interfacing and darts come before a piece is joined."""
    pieces = graph.pieces_of(join.a) | graph.pieces_of(join.b)
    for other in bench.pattern.making.joins:
        if graph.faces(other, bench.pattern.making) and pieces & (graph.pieces_of(other.a) | graph.pieces_of(other.b)):
            yield After(f"staystitch-{other.id}", "the edge is held before the piece is handled")
    for id in sorted(pieces):
        yield After(f"underline-{id}", "piece and underlining are one before anything is sewn")
    for id in sorted(pieces):
        yield After(f"interface-{id}", "interfacing goes on while the piece is flat")
    for id in sorted(pieces):
        yield After(f"press-darts-{id}", "darts are sewn and pressed while the piece is flat")
