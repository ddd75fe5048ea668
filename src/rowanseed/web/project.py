"""A project as the stations see it: everything worked out once per request, and the state of each station."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from functools import cached_property

from rowanseed.core.alter.change import Alteration, Altered
from rowanseed.core.cutting import CutItem, cut_list
from rowanseed.core.errors import LayError, RowanseedError
from rowanseed.core.finished import changes
from rowanseed.core.garment import Choices, lay_problem
from rowanseed.core.lay.engine import Budget, solve_each
from rowanseed.core.lay.problem import Plan, Problem, laid
from rowanseed.core.make.compiler import Household
from rowanseed.core.make.steps import Step
from rowanseed.core.pattern import Pattern, Role
from rowanseed.core.sizing.chart import Advice, by_chart
from rowanseed.core.sizing.ease import Ease
from rowanseed.core.sizing.schools import Choosing, Proposal, proposals, recommended
from rowanseed.core.tactics import Tactic, combined
from rowanseed.core.units import format_cloth
from rowanseed.core.walk import SeamWalk
from rowanseed.core.walk import Verdict as SeamVerdict
from rowanseed.core.yardage import Need, Verdict, need, will_it_do
from rowanseed.jobs import lays as jobs
from rowanseed.store import cloths, lays, patterns, people, projects
from rowanseed.store.cloths import ClothEntry
from rowanseed.store.lays import KeptLay
from rowanseed.store.people import Person
from rowanseed.store.projects import ProjectRecord
from rowanseed.web.deps import House, NotFound
from rowanseed.web.remembered import altered_once, garment_once, steps_once, walk_once

STATIONS = (
    ("fit", "Fit"),
    ("cloth", "Cloth"),
    ("lay", "Lay"),
    ("cut", "Cut"),
    ("sew", "Sew"),
    ("keep", "Keep"),
)
SECONDS_FOR_A_LAY = 4.0
KEPT = "kept"


@dataclass(frozen=True)
class Station:
    """A station on the stitched line: settled or not, and in words what there is to settle."""

    key: str
    name: str
    done: bool
    words: str
    alarm: bool = False


@dataclass(frozen=True)
class ClothPlan:
    """One cloth of the project: what is to be laid on it and what came of it."""

    role: Role
    entry: ClothEntry
    problem: Problem
    question: str
    answers: Mapping[str, Plan | LayError]
    kept: KeptLay | None

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


@dataclass
class ProjectView:
    """A project with what follows from it; every part is worked out when it is first asked for."""

    home: House
    record: ProjectRecord
    person: Person
    pattern: Pattern
    failures: list[str] = field(default_factory=list)

    @cached_property
    def advice(self) -> Advice:
        return by_chart(self.person.body, self.pattern.envelope)

    @cached_property
    def choosing(self) -> Choosing:
        return Choosing(self.body, self.pattern, self.record.view, self.record.fit.wish, self.home.units)

    @cached_property
    def body(self) -> Mapping[str, float]:
        """The measurements that the project goes by: the newest ones."""
        return self.person.body

    @cached_property
    def proposals(self) -> tuple[Proposal, ...]:
        """What each school of choosing gives."""
        return proposals(self.choosing)

    @cached_property
    def recommended(self) -> tuple[Proposal, str]:
        """The school to follow, and why."""
        return recommended(self.choosing, self.proposals)

    @property
    def size(self) -> str | None:
        """The size chosen, or until then the one recommended."""
        return self.record.size or self.recommended[0].size

    @property
    def alterations(self) -> tuple[Alteration, ...]:
        """What is altered, in order; until a size is chosen, what the recommended school asks for comes first."""
        if self.record.size is None:
            return (*self.recommended[0].alterations, *self.record.fit.alterations)
        return self.record.fit.alterations

    @cached_property
    def choices(self) -> Choices | None:
        if self.size is None:
            return None
        blend = self.record.fit.blend if self.record.size else self.recommended[0].blend
        return Choices(self.record.view, self.size, blend, self.alterations)

    @cached_property
    def rows(self) -> tuple[Ease, ...]:
        """Ease at every measure, with the garment as blended and altered."""
        if self.size is None:
            return ()
        return self.choosing.rows(self.size, changes=self.changes)

    @cached_property
    def changes(self) -> dict[str, float]:
        """What blending and altering add to the garment's measures, in mm."""
        return {} if self.size is None else changes(self.pattern, self.altered.pattern, self.size, self.record.view)

    @cached_property
    def walks(self) -> tuple[SeamWalk, ...]:
        return walk_once(self.altered.pattern, self.size) if self.size else ()

    @cached_property
    def walks_as_drawn(self) -> tuple[SeamWalk, ...]:
        """The seams of the size as the pattern draws it."""
        return walk_once(self.pattern, self.size) if self.size else ()

    @cached_property
    def broken(self) -> tuple[SeamWalk, ...]:
        """Seams that do not meet and have not been waved through as they now are."""
        accepted = self.record.fit.accepted
        return tuple(
            w for w in self.walks
            if w.verdict is SeamVerdict.APART and abs(accepted.get(w.join.id, 1e9) - w.fault) > 0.5
        )  # fmt: skip

    @cached_property
    def altered(self) -> Altered:
        if self.choices is None:
            return Altered(self.pattern, ())
        try:
            return altered_once(self.pattern, self.choices)
        except RowanseedError as error:
            self.failures.append(str(error))
            return Altered(self.pattern, ())

    def tactics(self, role: Role) -> tuple[Tactic, ...]:
        """What is done to save this cloth."""
        return self.record.tactics.get(role, ())

    def garment_with(self, role: Role, tactics: tuple[Tactic, ...]) -> Pattern:
        """The altered pattern with these tactics for one cloth, and what is done already to save the others.

        What changes a piece changes it in every cloth that it is cut from.
        """
        others = tuple(t for other, taken in self.record.tactics.items() if other is not role for t in taken)
        return garment_once(self.altered.pattern, combined((*tactics, *others)), self.size or "")

    @cached_property
    def garment(self) -> Pattern:
        """The pattern as it is cut: altered, and changed to save cloth."""
        return self.garment_with(Role.MAIN, self.tactics(Role.MAIN))

    @cached_property
    def roles(self) -> tuple[Role, ...]:
        """The cloths it is cut from; facings cut from another cloth ask for that cloth too."""
        return self.garment.roles(self.record.view)

    @cached_property
    def cloth_entries(self) -> dict[Role, ClothEntry]:
        found = {role: cloths.cloth(self.home.db, id) for role, id in self.record.cloths.items()}
        return {role: entry for role, entry in found.items() if entry is not None}

    @cached_property
    def kept(self) -> dict[Role, KeptLay]:
        return lays.kept_lays(self.home.db, self.record.id)

    @cached_property
    def cloth_plans(self) -> dict[Role, ClothPlan]:
        """What is to be laid on every cloth that has been chosen, with the answers found so far."""
        out = {}
        for role in self.roles:
            entry = self.cloth_entries.get(role)
            if entry is None or self.choices is None:
                continue
            problem = lay_problem(self.garment, self.choices, role, entry.cloth, self.tactics(role))
            question = lays.question_of(problem)
            answers = lays.answers(self.home.db, question)
            out[role] = ClothPlan(role, entry, problem, question, answers, self.kept.get(role))
        return out

    @property
    def is_worked_out(self) -> bool:
        """Whether every cloth's lays have been searched, and none is being searched for longer."""
        return all(plan.answers for plan in self.cloth_plans.values()) and not self.is_searching

    @cached_property
    def is_searching(self) -> bool:
        return any(jobs.state(plan.question) is not None for plan in self.cloth_plans.values())

    def work_out_lays(self) -> None:
        """Search the lays that have not been searched yet here and now, for pages without scripts."""
        for plan in self.cloth_plans.values():
            if not plan.answers:
                found = solve_each(plan.problem, Budget(seconds=SECONDS_FOR_A_LAY))
                lays.keep_answers(self.home.db, plan.question, found)
        del self.cloth_plans

    def need(self, role: Role) -> Need | None:
        found = self.cloth_plans.get(role)
        if found is None or found.plan is None:
            return None
        return need(found.plan.length, found.entry.cloth, found.problem.gap, self.home.units)

    def verdict(self, role: Role) -> Verdict | None:
        needed, found = self.need(role), self.cloth_plans.get(role)
        return None if needed is None or found is None else will_it_do(needed, found.entry.cloth)

    @cached_property
    def cut_items(self) -> tuple[CutItem, ...]:
        """Everything to cut from every cloth, in order."""
        items: list[CutItem] = []
        for role, found in self.cloth_plans.items():
            if found.plan is not None and self.size is not None:
                surface = found.entry.cloth.surface
                items += cut_list(self.garment, self.size, role, found.problem, found.plan, surface)
        return tuple(items)

    @cached_property
    def steps(self) -> tuple[Step, ...]:
        """The making order, worked out from the pattern's graph."""
        if self.choices is None:
            return ()
        habits, main = self.home.habits, self.cloth_entries.get(Role.MAIN)
        household = Household(habits.overlocker, habits.hem_by_hand, units=self.home.units)
        if main is not None:
            household = Household(habits.overlocker, habits.hem_by_hand, main.cloth.fibre, self.home.units)
        return steps_once(self.garment, self.choices, household)

    def ticked(self, list: str) -> frozenset[str]:
        return projects.ticks(self.home.db, self.record.id, list)

    @property
    def colour(self) -> str:
        """The thread's colour comes from the main cloth."""
        main = self.cloth_entries.get(Role.MAIN) or next(iter(self.cloth_entries.values()), None)
        return (main.cloth.colour if main else "#52615d").lstrip("#")

    # ------------------------------------------------------------ the stitched line

    @cached_property
    def stations(self) -> tuple[Station, ...]:
        return (self._fit(), self._cloth(), self._lay(), self._cut(), self._sew(), self._keep())

    @property
    def next_station(self) -> Station:
        return next((s for s in self.stations if not s.done), self.stations[-1])

    def _fit(self) -> Station:
        if self.record.size is None:
            return Station("fit", "Fit", False, "choose the size")
        if self.record.measuring_id != self.person.measuring_id:
            return Station("fit", "Fit", False, "measured again since", alarm=True)
        if self.broken:
            return Station("fit", "Fit", False, "a seam does not meet", alarm=True)
        return Station("fit", "Fit", True, f"size {self.record.size}")

    def _cloth(self) -> Station:
        missing = [role.value for role in self.roles if role not in self.cloth_entries]
        if missing:
            return Station("cloth", "Cloth", False, f"choose the {missing[0]} cloth" if missing[0] == "main"
                           else f"choose the {missing[0]}")  # fmt: skip
        verdicts = [self.verdict(role) for role in self.roles]
        short = [v for v in verdicts if v is not None and not v.enough]
        if short:
            return Station(
                "cloth",
                "Cloth",
                False,
                f"short by {short[0].spare.quantity.show(self.home.units)}",
                alarm=True,
            )
        if not self.cloth_plans or not self.is_worked_out:
            return Station("cloth", "Cloth", False, "work out how much")
        return Station("cloth", "Cloth", True, "enough" if any(verdicts) else "length known")

    def _lay(self) -> Station:
        plans = list(self.cloth_plans.values())
        if any(p.is_stale for p in plans):
            return Station("lay", "Lay", False, "changed since it was kept", alarm=True)
        kept = [p for p in plans if p.is_kept]
        if plans and len(kept) == len(self.roles):
            main = kept[0].plan
            return Station("lay", "Lay", True, format_cloth(main.length, self.home.units) if main else "kept")
        return Station("lay", "Lay", False, "keep a lay" if plans else "to come")

    def _cut(self) -> Station:
        done = self.ticked("cut")
        # Nothing ticked needs no list: the shelf asks this of every project.
        items = self.cut_items if done else ()
        number = sum(item.key in done for item in items)
        if items and number == len(items):
            return Station("cut", "Cut", True, "all cut")
        return Station("cut", "Cut", False, f"{number} of {len(items)} cut" if number else "to come")

    def _sew(self) -> Station:
        done = self.ticked("sew")
        steps = self.steps if done else ()
        number = sum(step.id in done for step in steps)
        if steps and number == len(steps):
            return Station("sew", "Sew", True, "finished")
        return Station("sew", "Sew", False, f"{number} of {len(steps)} steps" if number else "to come")

    def _keep(self) -> Station:
        notes = len(projects.notes(self.home.db, self.record.id))
        return Station("keep", "Keep", notes > 0, f"{notes} note{'s' if notes != 1 else ''}" if notes else "to come")


def load(home: House, project_id: int) -> ProjectView:
    """A project by its number. Raises NotFound."""
    record = projects.project(home.db, project_id)
    if record is None:
        raise NotFound("project")
    return view_of(home, record)


def view_of(home: House, record: ProjectRecord) -> ProjectView:
    person, pattern = people.person(home.db, record.person_id), patterns.pattern(home.db, record.pattern_id)
    if person is None or pattern is None:
        raise NotFound("person or pattern")
    return ProjectView(home, record, person, pattern)
