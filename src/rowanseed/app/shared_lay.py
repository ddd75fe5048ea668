"""Several projects on one cloth: one table for them all, and a lay of it for each."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from functools import cached_property

from rowanseed.app.cloth_plan import ClothPlan
from rowanseed.app.lay_table import LayTable, is_same_place
from rowanseed.app.open_project import OpenProject, load
from rowanseed.core.base.errors import NotThere
from rowanseed.core.cutting import CutItem
from rowanseed.core.lay import edit
from rowanseed.core.lay.choice import piece_names
from rowanseed.core.lay.first import first_lay
from rowanseed.core.lay.problem import Plan, laid
from rowanseed.core.lay.shared import (
    OF,
    SAME,
    Share,
    combined,
    joined,
    lie_together,
    one_after_the_other,
    own_id,
    owner_of,
    share_of,
)
from rowanseed.core.pattern.pieces import Piece, Role
from rowanseed.store import lays, projects
from rowanseed.store.lay_table import OnTable
from rowanseed.store.lays import KeptLay, answers, keep_lays, question_of

MOST = 6
"""So many may lie on one table: more garments of one kind are a batch."""


@dataclass(frozen=True, eq=False)
class Company:
    """A cloth of a project that is laid with others'."""

    project: OpenProject
    found: ClothPlan

    @property
    def key(self) -> tuple[int, Role]:
        """What it is written down by."""
        return self.project.record.id, self.found.role

    @property
    def owner(self) -> str:
        """What it is called by in addresses and in the ids of its pieces: `5.main`."""
        return f"{self.project.record.id}.{self.found.role.value}"

    @property
    def share(self) -> Share:
        return Share(self.owner, self.found.problem)

    @property
    def name(self) -> str:
        return self.project.record.name


def on_same_cloth(project: OpenProject, found: ClothPlan, *, as_long: float | None = None) -> Iterator[Company]:
    """What else is to be cut from a cloth of this project: of others, and of its own other roles.

    With `as_long` (mm) only of projects that have kept a lay of that length: no other need be opened.
    """
    for record in projects.cutting_from(project.desk.db, found.entry.id):
        if as_long is not None and not _has_kept(project, record.id, as_long):
            continue
        other = project if record.id == project.record.id else load(project.desk, record.id)
        for role, plan in other.cloth_plans.items():
            if plan.entry.id == found.entry.id and (other is not project or role is not found.role):
                yield Company(other, plan)


def _has_kept(project: OpenProject, id: int, length: float) -> bool:
    kept = lays.kept_lays(project.desk.db, id).values()
    return any(abs(one.plan.length - length) < SAME for one in kept)


def laid_with(project: OpenProject, found: ClothPlan) -> tuple[Company, ...]:
    """Those whose kept lays are one with the kept lay of this cloth: neither lies in the other's way."""
    mine = Company(project, found)
    if found.kept is None or not found.is_kept:
        return ()
    out = []
    for other in on_same_cloth(project, found, as_long=found.kept.plan.length):
        if other.found.kept is None or not other.found.is_kept:
            continue
        if lie_together([(mine.share, found.kept.plan), (other.share, other.found.kept.plan)]):
            out.append(other)
    return tuple(out)


def gone_from(project: OpenProject, found: ClothPlan) -> tuple[str, ...]:
    """Who was laid together with the kept lay of this cloth and lies otherwise now, by name.

    The cloth that was theirs lies empty in it: the lay is longer than this project needs, or somebody else lies there.
    """
    if found.kept is None or not found.is_kept or not found.kept.together:
        return ()
    there = {one.key for one in laid_with(project, found)}
    gone = [key for key in found.kept.together if key not in there]
    return tuple(dict.fromkeys(_called(project, id, role) for id, role in gone))


def may_lie_together_again(project: OpenProject, found: ClothPlan) -> str:
    """Those who were laid with this cloth and are still cut from it, as the address of their table names them."""
    if found.kept is None:
        return ""
    return ",".join(one.owner for one in on_same_cloth(project, found) if one.key in found.kept.together)


def _called(project: OpenProject, id: int, role: Role) -> str:
    if id == project.record.id:
        return f"the {role.words} of this one"
    record = projects.project(project.desk.db, id)
    return record.name if record is not None else "a project that was put away"


def shared_table(project: OpenProject, found: ClothPlan, names: Sequence[str]) -> SharedTable:
    """The table of a cloth with those of these names beside it. Raises NotThere for one that is not cut from it."""
    known = {other.owner: other for other in on_same_cloth(project, found)}
    others = [known.get(name) for name in dict.fromkeys(names)]
    companies = [Company(project, found), *(other for other in others if other is not None)]
    if len(companies) < 2 or None in others or len(companies) > MOST:
        raise NotThere("project on this cloth")
    problem = combined([one.share for one in companies])
    question = question_of(problem)
    kept = _kept(companies, question)
    everything = replace(
        found,
        problem=problem,
        question=question,
        answers=answers(project.desk.db, question),
        kept=kept,
        unmatched=None,
    )
    return SharedTable(project, everything, tuple(companies))


def _kept(companies: Sequence[Company], question: str) -> KeptLay | None:
    """The lay that is kept of them all, where their kept lays are one."""
    plans = [(one.share, one.found.kept.plan) for one in companies if one.found.kept is not None and one.found.is_kept]
    if len(plans) < len(companies) or not lie_together(plans):
        return None
    plan = joined(plans)
    return KeptLay(question, laid(plan), plan)


@dataclass(frozen=True, eq=False)
class SharedTable(LayTable):
    """A cloth with the pieces of several projects; what is kept of it each project keeps as its own."""

    companies: tuple[Company, ...]

    @property
    def key(self) -> str:
        return " ".join((self.found.role.value, *(one.owner for one in self.companies[1:])))

    @property
    def others(self) -> str:
        """The others, as the address of this table names them."""
        return ",".join(one.owner for one in self.companies[1:])

    @property
    def company_names(self) -> tuple[str, ...]:
        return tuple(one.name for one in self.companies)

    @cached_property
    def pieces(self) -> dict[str, Piece]:
        return {
            f"{one.owner}{OF}{piece.id}": piece
            for one in self.companies
            for piece in one.project.core.cut_pattern.pieces
        }

    @cached_property
    def sizes(self) -> dict[str, str]:
        sizes = {one.owner: one.project.core.size or "" for one in self.companies}
        return {id: sizes[owner_of(id)] for id in self.pieces}

    @cached_property
    def owners(self) -> dict[str, int]:
        number = {one.owner: k for k, one in enumerate(self.companies, start=1)}
        return {id: number[owner_of(id)] for id in self.pieces}

    @cached_property
    def names(self) -> dict[str, str]:
        return {
            f"{one.owner}{OF}{id}": f"{name}, {one.name}"
            for one in self.companies
            for id, name in piece_names(one.project.core.cut_pattern).items()
        }

    @cached_property
    def cut(self) -> frozenset[str]:
        """What any of them has cut already, where it was cut."""
        cut = {one.owner: _cut(one) for one in self.companies if one.found.is_kept}
        return frozenset(
            id
            for id, placed in edit.ids(self.lay.plan)
            if any(
                is_same_place(item, replace(placed, piece=own_id(placed.piece)))
                for item in cut.get(owner_of(placed.piece), ())
            )
        )

    def begin_unlaid(self) -> OnTable:
        """One behind the other as each was found by itself; by rectangles where one has not been laid yet."""
        plans = [(one.owner, one.found.plan) for one in self.companies if one.found.plan is not None]
        if len(plans) == len(self.companies):
            return self.begin(one_after_the_other(plans), "each as it was, one behind the other")
        plan = first_lay(self.found.problem)
        if plan is None:
            raise NotThere("lay")
        return self.begin(plan, "laid side by side")

    def use(self, plan: Plan) -> None:
        shares = [(one, share_of(plan, one.owner)) for one in self.companies]
        keep_lays(
            self.project.desk.db,
            [(*one.key, KeptLay(one.found.question, laid(own), own, self._together_with(one))) for one, own in shares],
        )

    def _together_with(self, company: Company) -> tuple[tuple[int, Role], ...]:
        return tuple(one.key for one in self.companies if one is not company)


def _cut(company: Company) -> list[CutItem]:
    done = company.project.ticked("cut")
    return [item for item in company.project.cut_items if item.role is company.found.role and item.key in done]
