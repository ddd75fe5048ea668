"""One cloth of a project: what is to be laid on it and what came of it."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from rowanseed.core.base.errors import LayRefusal
from rowanseed.core.lay.problem import Plan, Problem, laid
from rowanseed.core.pattern.pieces import Role
from rowanseed.store.cloths import ClothEntry
from rowanseed.store.lays import KeptLay

KEPT = "kept"


@dataclass(frozen=True)
class ClothPlan:
    """One cloth of the project: what is to be laid on it and what came of it."""

    role: Role
    entry: ClothEntry
    problem: Problem
    question: str
    answers: Mapping[str, Plan | LayRefusal]
    kept: KeptLay | None
    unmatched: Problem | None = None
    """The same with nothing matched, where something is: what matching costs is told by laying both."""

    @property
    def plans(self) -> dict[str, Plan]:
        """The lays to choose from, by name; a kept one that a later search has beaten stays among them."""
        found = {name: answer for name, answer in self.answers.items() if isinstance(answer, Plan)}
        if self.kept is not None and self.is_kept and found.get(self.kept.lay) != self.kept.plan:
            found[KEPT] = self.kept.plan
        return found

    @property
    def is_stale(self) -> bool:
        """A lay was kept, but for other pieces or another cloth."""
        return self.kept is not None and self.kept.question != self.question

    @property
    def is_kept(self) -> bool:
        return self.kept is not None and self.kept.question == self.question

    @property
    def kind(self) -> str | None:
        """The lay in use: the one that was kept, else the shortest; of two that are as short, the easier one."""
        plans = self.plans
        if self.kept is not None and self.is_kept:
            return KEPT if KEPT in plans else self.kept.lay
        if not plans:
            return None
        shortest = min(plan.length for plan in plans.values())
        # Within a centimetre the one with the fewest pieces to cut round is less work.
        near = [kind for kind, plan in plans.items() if plan.length <= shortest + 10]
        return min(near, key=lambda kind: sum(len(s.placements) for s in plans[kind].stretches))

    @property
    def plan(self) -> Plan | None:
        return None if self.kind is None else self.plans[self.kind]

    @property
    def way(self) -> str:
        """How the lay in use is laid: `folded`, `folded then open`."""
        return laid(self.plan) if self.plan is not None else ""
