"""What a try-on showed: which pieces are cut, how far a seam may be let out on them, which steps carry it out."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property

from rowanseed.app.sewing import Sewing
from rowanseed.core.alter.change import Alteration, Altered
from rowanseed.core.alter.seam import edge_count, seams_moved
from rowanseed.core.garment import GarmentChoices, altered
from rowanseed.core.make.fitting import TooMuch, steps_for, too_much
from rowanseed.core.make.line_of_work import OwnStep
from rowanseed.core.make.operation import Operation
from rowanseed.core.pattern.making import Join
from rowanseed.store.projects import set_tick


@dataclass(frozen=True, eq=False)
class TriedOn:
    """One alteration that a try-on asks for, at one gate of a project's order."""

    sewing: Sewing
    gate: Operation
    asked: Alteration

    @cached_property
    def altered(self) -> Altered:
        """The garment with it. Raises as `altered` does where it cannot be carried out."""
        core = self.sewing.project.core
        choices = core.choices or GarmentChoices("", "")
        alterations = (*core.alterations, self.asked)
        return altered(
            self.sewing.project.pattern,
            GarmentChoices(view=choices.view, size=choices.size, blend=choices.blend, alterations=alterations),
        )

    @cached_property
    def cut(self) -> frozenset[str]:
        """The pieces that are cut already."""
        ticked = self.sewing.project.ticked("cut")
        return frozenset(item.piece.id for item in self.sewing.project.cut_items if item.key in ticked)

    @property
    def is_all_cut(self) -> bool:
        every = {item.piece.id for item in self.sewing.project.cut_items}
        return bool(self.cut) and every <= self.cut

    @cached_property
    def _seam(self) -> Join | None:
        making = self.sewing.project.core.garment.making
        return next((join for join in making.joins if join.id == self.asked.at), None)

    @cached_property
    def at_each_edge(self) -> float:
        """What one edge of the seam moves by, in mm, outwards positive; 0 for what is no seam."""
        if self.asked.kind != "seam" or self._seam is None:
            return 0.0
        return self.asked.by / edge_count(self.sewing.project.pattern, self._seam)

    @property
    def too_much(self) -> TooMuch | None:
        """Where a cut piece has no allowance left to be let out so far."""
        if self.at_each_edge <= 0 or self._seam is None:
            return None
        pattern, size = self.sewing.project.core.garment, self.sewing.project.core.size or ""
        seams = seams_moved(pattern, size, self._seam, self.asked.level)
        edges = [(part.piece, part.edge) for seam in seams for part in (*seam.a, *seam.b)]
        return too_much(self.sewing.bench, edges, self.at_each_edge, self.cut)

    def steps(self, title: str) -> tuple[OwnStep, ...]:
        """The steps that carry it out on what is cut and sewn, before what comes next."""
        touched = self.altered.steps[-1].touched
        changed = {one.piece: set(one.edges) for one in touched}
        sewn = [
            id
            for op in self.sewing.line.steps
            if op.id in self.sewing.log.done and op.act.sews_join
            for id in op.on.joins
            if self._changes(id, changed)
        ]
        return steps_for(
            self.sewing.bench,
            title,
            touched,
            at_each=self.at_each_edge,
            cut=self.cut,
            sewn=sewn,
            before=self._next,
        )

    def _changes(self, id: str, changed: Mapping[str, set[str]]) -> bool:
        """Whether a seam runs along an edge that the alteration moves, on both its sides."""
        join = self.sewing.bench.joins.get(id)
        return join is not None and all(
            any(part.edge in changed.get(part.piece, ()) for part in side) for side in (join.a, join.b)
        )

    @property
    def _next(self) -> Operation | None:
        """What comes next, the try-on itself left out."""
        line = self.sewing.line
        if line.next is not None and line.next.id != self.gate.id:
            return line.next
        after = line.steps[line.steps.index(self.gate) + 1 :]
        return next((op for op in after if op.id not in line.settled), None)


def cut_stays(sewing: Sewing) -> None:
    """Pieces that are cut are altered in sewing: they are not asked to be cut again. `sewing`: as it is now."""
    project = sewing.project
    for item, _ in project.cut_otherwise:
        set_tick(project.desk.db, project.record.id, "cut", item.key, True, what=item.what, words=project.as_cut)
