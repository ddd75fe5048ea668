"""One cloth of a project: what is to be laid on it and what came of it."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

from rowanseed.core.cloth.yardage import lay_to_use
from rowanseed.core.lay.choice import Answers, plans_of
from rowanseed.core.lay.problem import Plan, Problem, laid
from rowanseed.core.pattern.pieces import Role
from rowanseed.store.cloths import ClothEntry
from rowanseed.store.lays import KeptLay, question_of

KEPT = "kept"


@dataclass(frozen=True)
class ClothPlan:
    """One cloth of the project: what is to be laid on it and what came of it."""

    role: Role
    entry: ClothEntry
    problem: Problem
    question: str
    answers: Answers
    kept: KeptLay | None
    unmatched: Problem | None = None
    """The same with nothing matched, where something is: what matching costs is told by laying both."""

    @cached_property
    def unmatched_question(self) -> str | None:
        return None if self.unmatched is None else question_of(self.unmatched)

    @cached_property
    def plans(self) -> dict[str, Plan]:
        """The lays to choose from, by name; a kept one that a later search has beaten stays among them."""
        found = plans_of(self.answers)
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
        """The name of the lay in use: the one that was kept, else the easiest of the shortest."""
        if self.kept is not None and self.is_kept:
            return KEPT if KEPT in self.plans else self.kept.lay
        return lay_to_use(self.plans, self.entry.cloth)

    @property
    def plan(self) -> Plan | None:
        return None if self.kind is None else self.plans[self.kind]

    @property
    def way(self) -> str:
        """How the lay in use is laid: `folded`, `folded then open`."""
        return laid(self.plan) if self.plan is not None else ""
