"""The garment on the workbench: what techniques ask of it, and the words they share."""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from functools import cached_property, lru_cache

from rowanseed.core.base.same import Same
from rowanseed.core.base.units import format_allowance, format_length
from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts
from rowanseed.core.make.bends import Bends
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.doubled import between_layers
from rowanseed.core.make.ease_pleats import ends_of, pleats
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import Graph
from rowanseed.core.make.openings import Openings
from rowanseed.core.make.operation import EdgeShown, Need, On
from rowanseed.core.make.run import Run
from rowanseed.core.make.runs import Runs
from rowanseed.core.make.zip_kinds import zipped_as_chosen
from rowanseed.core.pattern.making import (
    EdgePart,
    Join,
)
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import LineKind, MarkKind, Panel, Piece, PointKind
from rowanseed.core.pattern.printed_buttons import button_size

HOT = "Iron and steam burn: keep fingers out of the steam, and switch the iron off when you walk away."
NEEDLE = "Take pins out before the needle reaches them; a broken needle flies."
BLADES = "Cut away from yourself, and clip to the stitching, not through it."


@dataclass(frozen=True)
class Workbench(Graph):
    """The garment being compiled, in a household with its machines and habits."""

    household: MakingChoices

    @cached_property
    def openings(self) -> Openings:
        return Openings(self)

    @cached_property
    def runs(self) -> Runs:
        return Runs(self, self.openings)

    @cached_property
    def bends(self) -> Bends:
        return Bends(self)

    @cached_property
    def chosen(self) -> tuple[tuple[str, str], ...]:
        """What was chosen for parts of the garment, and what the pattern means where nothing was."""
        own = {part for part, _ in self.household.techniques}
        meant = tuple(pair for pair in self.pattern.making.ways if pair[0] not in own)
        return (*self.household.techniques, *meant)

    @cached_property
    def pleats(self) -> tuple[tuple[Piece, ...], ...]:
        """The pieces of each ease pleat of a lining, from above."""
        return pleats(self)

    def cloths_of(self, pieces: Iterable[str]) -> dict[str, MakingChoices]:
        """The cloths that these pieces are cut from, by what a step calls them: for each the choices with it for the
        main one."""
        here, known = frozenset(pieces), self.household
        parts = {
            "main cloth": (here - self.linings - self.contrasting, known),
            "contrast cloth": (here & self.contrasting - self.linings, known.on_the_contrast),
            "lining": (here & self.linings, known.on_the_lining),
        }
        return {name: cloth for name, (part, cloth) in parts.items() if part}

    def sewn_as(self, pieces: Iterable[str]) -> MakingChoices:
        """The choices with the cloth of these pieces for the main one, where all of them are cut from one other."""
        found = list(self.cloths_of(pieces).values())
        return found[0] if len(found) == 1 else self.household

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

    def sewn_along(self, run: Run) -> str:
        """From where to where a seam is sewn, and how its ends are secured."""
        if run.ring:
            return f"{run.words}, begun at a seam and sewn {self.margin(15)} over the beginning"
        return f"{run.words}; backstitch both ends"

    def booklet(self, *ids: str) -> str:
        return next((b.number for b in self.pattern.making.booklet if set(ids) & set(b.about)), "")

    # ---------------------------------------------------------------- figures

    def notched(self, join: Join) -> bool:
        """Whether both sides of a seam carry notches to be matched."""
        kinds = (MarkKind.NOTCH, MarkKind.DOUBLE_NOTCH)
        return all(
            any(m.edge == p.edge and m.kind in kinds for p in side for m in self.piece(p.piece).marks)
            for side in (join.a, join.b)
        )

    def ends_and_notches(self, join: Join) -> str:
        """What is matched along a seam."""
        return "ends and notches" if self.notched(join) else "ends"

    def button_size(self, *, on_cuffs: bool = False) -> float | None:
        """The diameter of the buttons in mm, or of those on cuffs, where the envelope prints one."""
        return button_size(self.pattern.envelope.notions, on_cuffs=on_cuffs)

    def round_the_body(self, ids: Iterable[str]) -> float:
        """How long elastic or a cord along these edges lies round the body, in mm: by the chart at a waist, else as
        long as what it draws in, at most."""
        parts = [part for id in ids for part in self.parts(id)]
        waist = self.pattern.envelope.body_chart.get("waist", {}).get(self.size)
        at_waist = bool(parts) and all(self._is_at_the_waist(part) for part in parts)
        drawn = self.around(ids)
        return min(waist, drawn) if at_waist and waist is not None else drawn

    def _is_at_the_waist(self, part: EdgePart) -> bool:
        """A bodice whose lower edge lies higher or lower has levels, and the waist is none of them."""
        levels = {line.id for line in self.piece(part.piece).lines if line.kind is LineKind.LEVEL}
        return part.edge == "waist" and ("bust" not in levels or "waist" in levels)

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

    @cached_property
    def between_layers(self) -> list[Join]:
        """The joins that hold the layers of a doubled yoke together."""
        return between_layers(self.joins.values())

    def flat_first(self, ids: Iterable[str]) -> Iterator[Need]:
        """Staystitching, stiffening, backing, darts and pockets come before a piece is joined."""
        own = tuple(ids)
        parts = [part for one in own for part in self.parts(one)]
        pieces = sorted({part.piece for part in parts})
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
            if self.panel(id) is Panel.SLEEVE:
                yield Need(
                    facts.piece(Fact.MARKED, id), "its hem line is pressed in while it lies flat", where_given=True
                )
            if not across:
                yield Need(
                    facts.piece(Fact.ATTACHED, id), "what is made on a piece is made while it is flat", where_given=True
                )
        for group in self.pleats:
            ends = ends_of(self, group)
            if any((part.piece, part.edge) in ends for part in parts):
                yield Need(facts.layer(Fact.SHAPED, group[0].id), "its ease pleat is folded first", where_given=True)
        edges = {(part.piece, part.edge) for part in parts}
        for join in self.between_layers:
            if join.id not in own and edges & {(part.piece, part.edge) for part in (*join.a, *join.b)}:
                yield Need(facts.join(Fact.JOINED, join.id), "both layers are basted together first", where_given=True)


def workbench(pattern: Pattern, view: str, size: str, household: MakingChoices) -> Workbench:
    """The garment on the workbench; the same one for the same garment, so that what is asked once is known."""
    return _workbench(Same(pattern), view, size, household)


@lru_cache(maxsize=32)
def _workbench(same: Same[Pattern], view: str, size: str, household: MakingChoices) -> Workbench:
    pattern = zipped_as_chosen(same.it, household.techniques)
    return Workbench(pattern=pattern, view=view, size=size, household=household)


def shown(parts: Iterable[EdgePart]) -> tuple[EdgeShown, ...]:
    """Edges for a drawing, each as far as its marks."""
    return tuple(dict.fromkeys(_shown(part) for part in parts))


def _shown(part: EdgePart) -> EdgeShown:
    if part.from_mark and part.to_mark:
        return EdgeShown(part.piece, part.edge, part.from_mark, to_mark=part.to_mark)
    return EdgeShown(part.piece, part.edge, part.from_mark or part.to_mark, beyond_mark=bool(part.from_mark))


def both_sides(join: Join) -> str:
    return " (both sides)" if join.each_hand else ""


def on_joins(bench: Workbench, *ids: str) -> On:
    return On(joins=ids, edges=shown(part for id in ids for part in bench.parts(id)))
