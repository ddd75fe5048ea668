"""A project at the cutting table: its steps in order, which are done, and what a tick means."""

from __future__ import annotations

import hashlib
from dataclasses import dataclass
from functools import cached_property

from rowanseed.app.open_project import OpenProject
from rowanseed.core.at_table import OnTable, TableAct, TableStep, table_steps
from rowanseed.store import projects


@dataclass(frozen=True, eq=False)
class AtTable:
    """The steps at the table of every cloth that has a lay."""

    project: OpenProject

    @cached_property
    def cloths(self) -> tuple[OnTable, ...]:
        found = []
        for role, cloth_plan in self.project.cloth_plans.items():
            if cloth_plan.plan is not None:
                items = tuple(item for item in self.project.cut_items if item.role is role)
                width = cloth_plan.problem.cloth.width
                found.append(OnTable(role, cloth_plan.entry.cloth, width, cloth_plan.plan, items))
        return tuple(found)

    @cached_property
    def steps(self) -> tuple[TableStep, ...]:
        return table_steps(self.cloths, self.project.desk.units)

    @cached_property
    def by_id(self) -> dict[str, TableStep]:
        return {step.id: step for step in self.steps}

    @cached_property
    def done(self) -> frozenset[str]:
        """What is ticked; what came before a piece that is cut already is done too."""
        ticked = self.project.ticked("cut") | self.project.ticked("table")
        out = {step.id for step in self.steps if step.id in ticked}
        for step in reversed(self.steps):
            if step.id in out:
                out |= {need for need in step.needs if self.by_id[need].act is not TableAct.CUT}
        return frozenset(out)

    @cached_property
    def next(self) -> TableStep | None:
        return next((step for step in self.steps if step.id not in self.done), None)

    @property
    def mark(self) -> str:
        """What the order is known by: another order has another mark."""
        return hashlib.sha256("\n".join(step.id for step in self.steps).encode()).hexdigest()[:12]

    def tick(self, step: TableStep, done: bool) -> TableStep | None:
        """Tick a step or take its tick back; the step that comes first and is not done, where there is one."""
        missing = next((self.by_id[need] for need in step.needs if need not in self.done), None)
        if done and missing is not None:
            return missing
        db, id = self.project.desk.db, self.project.record.id
        if step.act is TableAct.CUT:
            item = step.items[0]
            projects.set_tick(db, id, "cut", item.key, done, what=item.what, words=self.project.as_cut)
        else:
            projects.set_tick(db, id, "table", step.id, done)
        return None
