"""A project as the stations see it: everything worked out once per request, and the state of each station."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from functools import cached_property

from rowanseed.core.alter.change import Alteration, Altered
from rowanseed.core.base.errors import RowanseedError
from rowanseed.core.batch import Member, smaller
from rowanseed.core.cloth.cloth import Cloth
from rowanseed.core.cloth.matching import Matching
from rowanseed.core.cloth.yardage import ClothNeed, ClothVerdict, need, will_it_do
from rowanseed.core.cloth_choices import ClothChoices
from rowanseed.core.cutting import CutItem, cut_list
from rowanseed.core.garment import GarmentChoices, lay_problem
from rowanseed.core.lay.engine import Budget, solve_each
from rowanseed.core.lay.problem import Plan, Problem
from rowanseed.core.make.compiler import Household
from rowanseed.core.make.steps import MakingStep
from rowanseed.core.pattern.finished import changes
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.pattern.walk import SeamVerdict, SeamWalk
from rowanseed.core.saving.combine import combined
from rowanseed.core.saving.tactic import TacticId
from rowanseed.core.sizing.chart import Advice, by_chart
from rowanseed.core.sizing.ease import Ease
from rowanseed.core.sizing.schools import Choosing, Proposal, proposals, recommended
from rowanseed.jobs import lays as jobs
from rowanseed.store import cloths, lays, patterns, people, projects
from rowanseed.store.cloths import ClothEntry
from rowanseed.store.lays import KeptLay
from rowanseed.store.people import Person
from rowanseed.store.projects import ProjectRecord
from rowanseed.web.cloth_plan import ClothPlan
from rowanseed.web.deps import House, NotFound
from rowanseed.web.remembered import altered_once, garment_once, steps_once, to_cut_once, walk_once
from rowanseed.web.stations import Station, stitched_line

SECONDS_FOR_A_LAY = 4.0


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
        return Choosing(
            body=self.body,
            pattern=self.pattern,
            view=self.record.view,
            wish=self.record.fit.wish,
            units=self.home.units,
        )

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
    def choices(self) -> GarmentChoices | None:
        if self.size is None:
            return None
        blend = self.record.fit.blend if self.record.size else self.recommended[0].blend
        return GarmentChoices(view=self.record.view, size=self.size, blend=blend, alterations=self.alterations)

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
            w
            for w in self.walks
            if w.verdict is SeamVerdict.APART and abs(accepted.get(w.join.id, 1e9) - w.fault) > 0.5
        )

    @cached_property
    def altered(self) -> Altered:
        if self.choices is None:
            return Altered(self.pattern, ())
        try:
            return altered_once(self.pattern, self.choices)
        except RowanseedError as error:
            self.failures.append(str(error))
            return Altered(self.pattern, ())

    def tactics(self, role: Role) -> tuple[TacticId, ...]:
        """What is done to save this cloth."""
        return self.record.tactics.get(role, ())

    def garment_with(self, role: Role, tactics: tuple[TacticId, ...]) -> Pattern:
        """The altered pattern with these tactics for one cloth, and what is done already to save the others.

        What changes a piece changes it in every cloth that it is cut from.
        """
        others = tuple(t for other, taken in self.record.tactics.items() if other is not role for t in taken)
        return garment_once(
            self.altered.pattern, combined((*tactics, *others)), self.size or "", self.record.view, self.reckoning
        )

    def cut_with(self, role: Role, tactics: tuple[TacticId, ...]) -> Pattern:
        """All there is to cut with these tactics for one cloth: the garment, rectangles, the batch's other garments."""
        garment = self.garment_with(role, tactics)
        if self.size is None:
            return garment
        others = tuple(t for other, taken in self.record.tactics.items() if other is not role for t in taken)
        every = combined((*tactics, *others))
        batch = smaller(self.reckoning.batch) if "smaller-batch" in every else self.reckoning.batch
        members = tuple((member, self._member_garment(member, every)) for member in batch)
        return to_cut_once(garment, self.size, self.reckoning, members)

    def _member_garment(self, member: Member, tactics: tuple[TacticId, ...]) -> Pattern:
        """Another garment of the batch, altered for whom it is, and made as the project's own."""
        choices = GarmentChoices(
            view=self.record.view, size=member.size, blend=member.blend, alterations=member.alterations
        )
        try:
            changed = altered_once(self.pattern, choices).pattern
        except RowanseedError as error:
            self.failures.append(f"{member.name}: {error}")
            changed = altered_once(self.pattern, GarmentChoices(self.record.view, member.size)).pattern
        return garment_once(changed, tactics, member.size, self.record.view, self.reckoning)

    @property
    def reckoning(self) -> ClothChoices:
        return self.record.reckoning

    @cached_property
    def garment(self) -> Pattern:
        """The garment as it is made: altered, changed to save cloth, with its layers derived."""
        return self.garment_with(Role.MAIN, self.tactics(Role.MAIN))

    @cached_property
    def cut_pattern(self) -> Pattern:
        """All there is to cut: the garment, rectangles cut to the measure, the batch's other garments."""
        return self.cut_with(Role.MAIN, self.tactics(Role.MAIN))

    @cached_property
    def roles(self) -> tuple[Role, ...]:
        """The cloths it is cut from; facings cut from another cloth ask for that cloth too."""
        return self.cut_pattern.roles(self.record.view)

    def problem(
        self, role: Role, cloth: Cloth, tactics: tuple[TacticId, ...] | None = None, *, matched: bool = True
    ) -> Problem:
        """What has to be laid on a cloth for one role, with the project's own tactics if none are given."""
        if self.choices is None:
            raise NotFound("size")
        taken = self.tactics(role) if tactics is None else tactics
        pattern = self.cut_pattern if tactics is None else self.cut_with(role, taken)
        how = self.reckoning.matched(role) if matched else Matching.NONE
        return lay_problem(
            pattern=pattern,
            choices=self.choices,
            role=role,
            cloth=cloth,
            tactics=taken,
            matching=how,
            on_border=self.reckoning.on_border and role is Role.MAIN,
        )

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
            problem = self.problem(role, entry.cloth)
            question = lays.question_of(problem)
            answers = lays.answers(self.home.db, question)
            plain = self.problem(role, entry.cloth, matched=False) if problem.matches else None
            out[role] = ClothPlan(
                role=role,
                entry=entry,
                problem=problem,
                question=question,
                answers=answers,
                kept=self.kept.get(role),
                unmatched=plain,
            )
        return out

    @property
    def is_worked_out(self) -> bool:
        """Whether every cloth's lays have been searched, and none is being searched for longer."""
        return all(plan.answers for plan in self.cloth_plans.values()) and not self.is_searching

    @cached_property
    def is_searching(self) -> bool:
        asked = [lays.question_of(plan.unmatched) for plan in self.cloth_plans.values() if plan.unmatched is not None]
        asked += [plan.question for plan in self.cloth_plans.values()]
        return any(jobs.state(question) is not None for question in asked)

    def work_out_lays(self) -> None:
        """Search the lays that have not been searched yet here and now, for pages without scripts."""
        for plan in self.cloth_plans.values():
            if not plan.answers:
                found = solve_each(plan.problem, Budget(seconds=SECONDS_FOR_A_LAY))
                lays.keep_answers(self.home.db, plan.question, found)
        del self.cloth_plans

    def need(self, role: Role) -> ClothNeed | None:
        found = self.cloth_plans.get(role)
        if found is None or found.plan is None:
            return None
        return need(found.plan.length, found.entry.cloth, found.problem.gap, self.home.units, self._unmatched(found))

    def _unmatched(self, found: ClothPlan) -> float | None:
        if found.unmatched is None:
            return None
        answers = lays.answers(self.home.db, lays.question_of(found.unmatched))
        return min((a.length for a in answers.values() if isinstance(a, Plan)), default=None)

    def verdict(self, role: Role) -> ClothVerdict | None:
        needed, found = self.need(role), self.cloth_plans.get(role)
        if needed is None or found is None:
            return None
        others = [o for o in self.cloth_plans.values() if o.entry.id == found.entry.id and o.role is not role]
        taken = sum(o.plan.length for o in others if o.plan is not None)
        return will_it_do(needed, found.entry.cloth, taken)

    @cached_property
    def cut_items(self) -> tuple[CutItem, ...]:
        """Everything to cut from every cloth, in order."""
        items: list[CutItem] = []
        for role, found in self.cloth_plans.items():
            if found.plan is not None and self.size is not None:
                surface = found.entry.cloth.surface
                items += cut_list(
                    pattern=self.cut_pattern,
                    size=self.size,
                    role=role,
                    problem=found.problem,
                    plan=found.plan,
                    surface=surface,
                )
        return tuple(items)

    @cached_property
    def steps(self) -> tuple[MakingStep, ...]:
        """The making order, worked out from the pattern's graph."""
        if self.choices is None:
            return ()
        habits, main = self.home.habits, self.cloth_entries.get(Role.MAIN)
        household = Household(habits.overlocker, habits.hem_by_hand, units=self.home.units)
        if main is not None:
            household = Household(
                habits.overlocker,
                habits.hem_by_hand,
                main.cloth.fibre,
                self.home.units,
                main.cloth.structure,
                main.cloth.weight,
            )
        return steps_once(self.garment, self.choices, household)

    def ticked(self, list: str) -> frozenset[str]:
        return projects.ticks(self.home.db, self.record.id, list)

    @property
    def colour(self) -> str:
        """The thread's colour comes from the main cloth."""
        main = self.cloth_entries.get(Role.MAIN) or next(iter(self.cloth_entries.values()), None)
        return (main.cloth.colour if main else "#52615d").lstrip("#")

    @cached_property
    def stations(self) -> tuple[Station, ...]:
        """The stitched line."""
        return stitched_line(self)

    @property
    def next_station(self) -> Station:
        return next((s for s in self.stations if not s.done), self.stations[-1])


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
    return ProjectView(home=home, record=record, person=person, pattern=pattern)
