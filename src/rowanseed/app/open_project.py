"""A project as the stations see it: the pure project with its cloths, lays, ticks and notes from the store."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

from rowanseed.app import searching
from rowanseed.app.cloth_plan import ClothPlan
from rowanseed.app.desk import Desk
from rowanseed.app.near_enough import NearEnough, near_enough
from rowanseed.app.stations import Standing, Ticked, stitched_line
from rowanseed.core.base.errors import NotThere
from rowanseed.core.base.saying import said
from rowanseed.core.base.words import lower_first
from rowanseed.core.cloth.cloth import Cloth
from rowanseed.core.cloth.yardage import ClothNeed, ClothVerdict, need, will_it_do
from rowanseed.core.cutting import CutItem
from rowanseed.core.lay.choice import piece_names, shortest
from rowanseed.core.lay.problem import Problem, tried
from rowanseed.core.lay.shared import Share, lie_together
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.project import Project
from rowanseed.core.saving.tactic import TacticId
from rowanseed.store import cloths, lays, patterns, people, projects, sewing
from rowanseed.store.cloths import ClothEntry
from rowanseed.store.lays import KeptLay
from rowanseed.store.people import Person
from rowanseed.store.projects import ProjectRecord, Tick, TickList
from rowanseed.store.summaries import ProjectSummary, StationSummary, write_summary

PLAIN_COLOUR = "#52615d"
"""The thread's colour where no cloth has been chosen."""


@dataclass(frozen=True, eq=False)
class OpenProject:
    """A project with what is kept of it; `core` is the project itself, everything else hangs on the store."""

    desk: Desk
    record: ProjectRecord
    person: Person
    pattern: Pattern

    @cached_property
    def core(self) -> Project:
        return Project(
            pattern=self.pattern,
            body=self.person.body,
            decisions=self.record.decisions,
            cloths={role: entry.cloth for role, entry in self.cloth_entries.items()},
            habits=self.desk.habits,
        )

    @cached_property
    def failures(self) -> tuple[str, ...]:
        """In words, what could not be carried out and is left out of what is shown."""
        names = piece_names(self.pattern)
        return tuple(
            f"{refusal.whose}: {lower_first(str(told))}" if refusal.whose else str(told)
            for refusal in self.core.refusals
            if (told := said(refusal.error, self.desk.units, names))
        )

    @cached_property
    def near_enough(self) -> NearEnough | None:
        """How far the cloth may be out, where the pieces are approximate."""
        return near_enough(self.pattern)

    # ------------------------------------------------------------ cloths and lays

    @cached_property
    def cloth_entries(self) -> dict[Role, ClothEntry]:
        """The cloths chosen, as far as they are there: what was cut up for another project is not."""
        return {role: entry for role, entry in self._chosen.items() if role not in self.lost}

    @cached_property
    def _chosen(self) -> dict[Role, ClothEntry]:
        chosen = self.record.cloths
        found = {role: cloths.cloth(self.desk.db, chosen[role]) for role in Role if role in chosen}
        return {role: entry for role, entry in found.items() if entry is not None}

    @cached_property
    def lost(self) -> dict[Role, ClothEntry]:
        """The cloths that were chosen and have been cut up for another project since, before this one cut from them."""
        mine = (None, self.record.id)
        cut = {key.partition(":")[0] for key in self._cut_ticks}
        return {r: entry for r, entry in self._chosen.items() if entry.cut_by not in mine and r.value not in cut}

    @cached_property
    def kept(self) -> dict[Role, KeptLay]:
        return lays.kept_lays(self.desk.db, self.record.id)

    def problem(self, role: Role, cloth: Cloth, tactics: tuple[TacticId, ...] | None = None) -> Problem:
        """What has to be laid on a cloth. Raises NotThere where there is no size to lay."""
        found = self.core.problem(role, cloth, tactics)
        if found is None:
            raise NotThere("size")
        return found

    @cached_property
    def cloth_plans(self) -> dict[Role, ClothPlan]:
        """What is to be laid on every cloth that has been chosen, with the answers found so far."""
        out = {}
        for role in self.core.roles:
            entry = self.cloth_entries.get(role)
            problem = self.core.problem(role, entry.cloth) if entry is not None else None
            if entry is None or problem is None:
                continue
            question = lays.question_of(problem)
            out[role] = ClothPlan(
                role=role,
                entry=entry,
                problem=problem,
                question=question,
                answers=lays.answers(self.desk.db, question),
                kept=self.kept.get(role),
                unmatched=self.core.problem(role, entry.cloth, matched=False) if problem.matches else None,
            )
        return out

    @cached_property
    def questions(self) -> tuple[str, ...]:
        """Every question that the project's figures rest on."""
        plans = self.cloth_plans.values()
        unmatched = (plan.unmatched_question for plan in plans)
        return (*(plan.question for plan in plans), *(question for question in unmatched if question is not None))

    @cached_property
    def is_searching(self) -> bool:
        return any(searching.is_searching(self.desk.db, question) for question in self.questions)

    @property
    def has_lays(self) -> bool:
        """Whether every cloth's lays are known, whatever is being searched for longer."""
        return bool(self.cloth_plans) and all(plan.answers for plan in self.cloth_plans.values())

    @property
    def is_worked_out(self) -> bool:
        """Whether every cloth's lays have been searched, and none is being searched for longer."""
        return all(plan.answers for plan in self.cloth_plans.values()) and not self.is_searching

    @property
    def ways_tried(self) -> str:
        """In words, how the search lays each cloth."""
        by_cloth = {plan.entry.cloth.name: tried(plan.problem.lays) for plan in self.cloth_plans.values()}
        if len(set(by_cloth.values())) == 1:
            return f"Tried: {next(iter(by_cloth.values()))}."
        return "Tried: " + "; ".join(f"{name} {ways}" for name, ways in by_cloth.items()) + "."

    @cached_property
    def failed_searches(self) -> tuple[str, ...]:
        """In words, the searches of this project that have plainly failed; they may be asked for again."""
        return searching.failures(self.desk.db, self.questions)

    def need(self, role: Role) -> ClothNeed | None:
        found = self.cloth_plans.get(role)
        if found is None or found.plan is None:
            return None
        unmatched = found.unmatched_question
        plain = shortest(lays.answers(self.desk.db, unmatched)) if unmatched else None
        return need(
            lay_length=found.plan.length,
            cloth=found.entry.cloth,
            gap=found.problem.gap,
            units=self.desk.units,
            unmatched=plain.length if plain is not None else None,
        )

    def verdict(self, role: Role) -> ClothVerdict | None:
        needed, found = self.need(role), self.cloth_plans.get(role)
        if needed is None or found is None:
            return None
        others = [o for o in self.cloth_plans.values() if o.entry.id == found.entry.id and o.role is not role]
        apart = (o.plan for o in others if o.plan is not None and not _lie_together(found, o))
        taken = sum(plan.length for plan in apart)
        return will_it_do(needed, found.entry.cloth, taken)

    # ------------------------------------------------------------ lists

    @cached_property
    def cut_items(self) -> tuple[CutItem, ...]:
        """Everything to cut from every cloth, in order."""
        return tuple(
            item
            for role, found in self.cloth_plans.items()
            if found.plan is not None
            for item in self.core.cut_items(role, found.entry.cloth, found.problem, found.plan)
        )

    @cached_property
    def _cut_ticks(self) -> dict[str, Tick]:
        return projects.ticks(self.desk.db, self.record.id, "cut")

    def ticked(self, tick_list: TickList) -> frozenset[str]:
        """What is done of a list. A piece that was cut with another outline than it has now is not."""
        if tick_list != "cut":
            return frozenset(projects.ticks(self.desk.db, self.record.id, tick_list))
        other = {tick.key for _, tick in self.cut_otherwise}
        return frozenset(key for key in self._cut_ticks if key not in other)

    @cached_property
    def cut_otherwise(self) -> tuple[tuple[CutItem, Tick], ...]:
        """Pieces that are cut already, but as they were before the size or an alteration was changed."""
        if not self._cut_ticks:
            return ()
        found = ((item, self._cut_ticks.get(item.key)) for item in self.cut_items)
        return tuple((item, tick) for item, tick in found if tick is not None and tick.what not in ("", item.what))

    @property
    def is_cut(self) -> bool:
        """Whether any piece is cut already."""
        return bool(self._cut_ticks)

    @property
    def as_cut(self) -> str:
        """What is cut now, in words, to be kept with each piece: the size, and whether it is altered."""
        size = f"size {self.core.size}"
        return f"{size}, altered" if self.core.alterations or self.core.followed.blend else size

    def progress(self, tick_list: TickList) -> Ticked:
        """How many of a list are done. Nothing ticked needs no list."""
        done = self.ticked(tick_list)
        if not done:
            return Ticked(0, 0)
        if tick_list == "sew":
            done |= frozenset(sewing.left_out(self.desk.db, self.record.id))
        keys = (
            [item.key for item in self.cut_items] if tick_list == "cut" else [op.id for op in self.core.made.operations]
        )
        return Ticked(sum(key in done for key in keys), len(keys))

    # ------------------------------------------------------------ how it stands

    @property
    def colour(self) -> str:
        """The thread's colour, as six hex digits, comes from the main cloth."""
        main = self.cloth_entries.get(Role.MAIN) or next(iter(self.cloth_entries.values()), None)
        return (main.cloth.colour if main else PLAIN_COLOUR).lstrip("#")

    @property
    def about(self) -> str:
        """Who it is for, its size and its main cloth, as far as its name does not say them."""
        whose, main = f"for {self.person.name}", self.cloth_entries.get(Role.MAIN)
        parts = ["" if self.record.name.endswith(whose) else whose]
        parts += [f"size {self.record.size}" if self.record.size else "", main.cloth.name if main else ""]
        return " · ".join(filter(None, parts))

    @property
    def standing(self) -> Standing:
        plans = list(self.cloth_plans.values())
        kept = [plan for plan in plans if plan.is_kept]
        verdicts = (self.verdict(role) for role in self.core.roles)
        return Standing(
            size=self.record.size,
            measured_again=self.record.measuring_id != self.person.measuring_id,
            broken_seams=bool(self.core.broken),
            cut_for_another=bool(self.lost),
            cut_otherwise=len(self.cut_otherwise),
            missing=[role for role in self.core.roles if role not in self.cloth_entries],
            verdicts=[verdict for verdict in verdicts if verdict is not None],
            is_worked_out=self.is_worked_out,
            lays=len(plans),
            cloths=len(self.core.roles),
            kept=len(kept),
            kept_length=kept[0].plan.length if kept and kept[0].plan else None,
            is_stale=any(plan.is_stale for plan in plans),
            cut=self.progress("cut"),
            sewn=self.progress("sew"),
            notes=len(projects.notes(self.desk.db, self.record.id)),
        )

    @cached_property
    def stations(self) -> tuple[StationSummary, ...]:
        """The stitched line."""
        return stitched_line(self.standing, self.desk.units)

    @property
    def next_station(self) -> StationSummary:
        return self.summary.next_station

    @property
    def summary(self) -> ProjectSummary:
        """What the shelf says of it."""
        main = self.cloth_entries.get(Role.MAIN)
        return ProjectSummary(colour=self.colour, cloth=main.cloth.name if main else "", stations=self.stations)

    def write_summary(self) -> None:
        write_summary(self.desk.db, self.record.id, self.summary, self.questions)


def _lie_together(one: ClothPlan, other: ClothPlan) -> bool:
    """Whether two cloths of a garment are laid side by side on the same length."""
    if one.plan is None or other.plan is None:
        return False
    shares = [(Share(plan.role.value, plan.problem), plan.plan) for plan in (one, other) if plan.plan is not None]
    return lie_together(shares)


def load(desk: Desk, project_id: int) -> OpenProject:
    """A project by its number. Raises NotThere."""
    record = projects.project(desk.db, project_id)
    if record is None:
        raise NotThere("project")
    return open_record(desk, record)


def open_record(desk: Desk, record: ProjectRecord) -> OpenProject:
    person, pattern = people.person(desk.db, record.person_id), patterns.pattern(desk.db, record.pattern_id)
    if person is None or pattern is None:
        raise NotThere("person or pattern")
    return OpenProject(desk=desk, record=record, person=person, pattern=pattern)
