"""A project, pure: decisions → altered → garment → all there is to cut → layout problems → steps.

The one sentence of the craft, used by the pages and by the command line alike. Every part is worked out when it is
first asked for, and remembered over projects by `pipeline`.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from functools import cached_property

from rowanseed.core.alter.change import Alteration, Altered
from rowanseed.core.base.craft_refusals import NothingToSave
from rowanseed.core.base.errors import RowanseedError
from rowanseed.core.batch import Member, smaller
from rowanseed.core.choices import ClothChoices, Decisions, Habits
from rowanseed.core.cloth.choosing import Chosen, Remark, remarks
from rowanseed.core.cloth.cloth import Cloth
from rowanseed.core.cloth.for_children import cautions
from rowanseed.core.cloth.matching import NOTHING
from rowanseed.core.cutting import CutItem, cut_list
from rowanseed.core.derive.left_out import left_out
from rowanseed.core.garment import GarmentChoices, lay_problem
from rowanseed.core.lay.problem import Plan, Problem
from rowanseed.core.make.booklet import Moved, moved
from rowanseed.core.make.change import Unsuited, Way, in_the_way, kept_for, settled, unsuited, ways, with_technique
from rowanseed.core.make.choices import MakingChoices, choices_for
from rowanseed.core.make.compiler import Gap, Made
from rowanseed.core.make.operation import Operation
from rowanseed.core.pattern.finished import changes
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.pattern.walk import SeamVerdict, SeamWalk
from rowanseed.core.pipeline import (
    allowed_once,
    altered_once,
    drawn_once,
    garment_once,
    made_once,
    ordered_once,
    to_cut_once,
    walk_once,
)
from rowanseed.core.saving.apply import has_one_fewer
from rowanseed.core.saving.combine import combined
from rowanseed.core.saving.passed_over import passed_over
from rowanseed.core.saving.tactic import TacticId
from rowanseed.core.sizing.ease import Ease
from rowanseed.core.sizing.lengths import LengthRow, length_rows
from rowanseed.core.sizing.schools import Choosing, Proposal, proposals, recommended
from rowanseed.core.sizing.wish import Wish


@dataclass(frozen=True)
class Refusal:
    """A part of the project that could not be worked out; what is shown goes without it."""

    error: RowanseedError
    whose: str = ""


@dataclass(frozen=True, eq=False)
class Project:
    """A pattern for a body, with all decisions. `cloths` are those chosen so far, by role."""

    pattern: Pattern
    body: Mapping[str, float]
    decisions: Decisions
    cloths: Mapping[Role, Cloth] = field(default_factory=dict)
    habits: Habits = field(default_factory=Habits)

    # ------------------------------------------------------------ the size

    @cached_property
    def wish(self) -> Wish:
        """What is wanted of the fit; where no stretch is given, that of the cloth chosen, or else what the pattern asks
        of one."""
        wish, main = self.decisions.fit.wish, self.cloths.get(Role.MAIN)
        if wish.stretch:
            return wish
        return replace(wish, stretch=self.pattern.envelope.stretch if main is None else main.stretch)

    @cached_property
    def choosing(self) -> Choosing:
        return Choosing(
            body=self.body,
            pattern=self.pattern,
            view=self.view,
            wish=self.wish,
            units=self.habits.units,
        )

    @cached_property
    def proposals(self) -> tuple[Proposal, ...]:
        """What each school of choosing gives."""
        return proposals(self.choosing)

    @cached_property
    def recommended(self) -> tuple[Proposal, str]:
        """The school to follow, and why."""
        return recommended(self.choosing, self.proposals)

    @cached_property
    def followed(self) -> Proposal:
        """The school that was asked for, or until then the one recommended."""
        asked = self.decisions.fit.school
        return next((p for p in self.proposals if p.school is asked), self.recommended[0])

    @property
    def view(self) -> str:
        return self.decisions.view

    @property
    def size(self) -> str | None:
        """The size chosen, or until then the one recommended."""
        return self.decisions.size or self.followed.size

    @property
    def alterations(self) -> tuple[Alteration, ...]:
        """What is altered, in order; until a size is chosen, what the school asks for comes first."""
        own = self.decisions.fit.alterations
        return own if self.decisions.size is not None else (*self.followed.alterations, *own)

    @cached_property
    def choices(self) -> GarmentChoices | None:
        if self.size is None:
            return None
        blend = self.decisions.fit.blend
        if self.decisions.size is None:
            blend = blend or self.followed.blend
        return GarmentChoices(view=self.view, size=self.size, blend=blend, alterations=self.alterations)

    # ------------------------------------------------------------ the garment

    @cached_property
    def _altered(self) -> tuple[Altered, Refusal | None]:
        if self.choices is None:
            return Altered(self.pattern, ()), None
        try:
            return altered_once(self.pattern, self.choices), None
        except RowanseedError as error:
            return Altered(self.drawn, ()), Refusal(error)

    @cached_property
    def drawn(self) -> Pattern:
        """The pattern as it is drawn: what alterations are told and shown against."""
        return self.pattern if self.size is None else drawn_once(self.pattern, self.view, self.size)

    @property
    def altered(self) -> Altered:
        """The pattern as it is cut; as it is drawn where the alterations cannot be carried out (see `refusals`)."""
        return self._altered[0]

    @cached_property
    def refusals(self) -> tuple[Refusal, ...]:
        """What could not be carried out: the project's own alterations, layers and what was to save cloth, and the
        alterations of the batch's other garments."""
        size, layers = self.size, self.cloth_choices.layers
        without = () if size is None else left_out(self.altered.pattern, self.view, size, layers)
        found = [
            self._altered[1],
            *map(Refusal, (*without, *self.saves_nothing)),
            *(refused for _, _, refused in self._members(self.every_tactic)),
        ]
        return tuple(refusal for refusal in found if refusal is not None)

    @cached_property
    def saves_nothing(self) -> tuple[NothingToSave, ...]:
        """What was to save cloth and changes nothing of this garment."""
        if self.size is None:
            return ()
        taken, units = self.decisions.tactics, self.habits.units
        return tuple(passed_over(self.altered.pattern, self.garment, self.view, taken, self.cloth_choices, units))

    @property
    def altered_in(self) -> str:
        """The size the alterations were made in, where that is another than the one that is cut; empty otherwise."""
        asked = self.decisions.fit
        return asked.altered_in if asked.alterations and asked.altered_in != self.size else ""

    @cached_property
    def changes(self) -> dict[str, float]:
        """What blending and altering add to the garment's measures, in mm."""
        return {} if self.size is None else changes(self.drawn, self.altered.pattern, self.size, self.view)

    @cached_property
    def rows(self) -> tuple[Ease, ...]:
        """Ease at every measure, with the garment as blended and altered."""
        return () if self.size is None else self.choosing.rows(self.size, changes=self.changes)

    @cached_property
    def lengths(self) -> tuple[LengthRow, ...]:
        """Lengths of the body beside those the size is drawn for."""
        if self.size is None:
            return ()
        return length_rows(self.body, self.pattern, self.view, self.size, self.alterations)

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
        accepted = self.decisions.fit.accepted
        return tuple(
            walk
            for walk in self.walks
            if walk.verdict is SeamVerdict.APART and abs(accepted.get(walk.join.id, 1e9) - walk.fault) > 0.5
        )

    # ------------------------------------------------------------ what is cut

    @property
    def cloth_choices(self) -> ClothChoices:
        return self.decisions.cloth

    def tactics(self, role: Role) -> tuple[TacticId, ...]:
        """What is done to save this cloth."""
        return self.decisions.tactics.get(role, ())

    def _with(self, role: Role, tactics: tuple[TacticId, ...]) -> tuple[TacticId, ...]:
        """These tactics for one cloth, and what is done already to save the others.

        What changes a piece changes it in every cloth that it is cut from.
        """
        others = tuple(t for other, taken in self.decisions.tactics.items() if other is not role for t in taken)
        return combined((*tactics, *others))

    @property
    def every_tactic(self) -> tuple[TacticId, ...]:
        return self._with(Role.MAIN, self.tactics(Role.MAIN))

    def garment_with(self, role: Role, tactics: tuple[TacticId, ...]) -> Pattern:
        """The garment with these tactics for one cloth."""
        garment = garment_once(
            self.altered.pattern, self._with(role, tactics), self.size or "", self.view, self.cloth_choices
        )
        return allowed_once(garment, self.size or "", self.view, self.making_choices)

    def cut_with(self, role: Role, tactics: tuple[TacticId, ...]) -> Pattern:
        """All there is to cut with these tactics for one cloth: the garment, rectangles, the batch's other garments."""
        garment = self.garment_with(role, tactics)
        if self.size is None:
            return garment
        members = tuple((member, pattern) for member, pattern, _ in self._members(self._with(role, tactics)))
        return to_cut_once(garment, self.size, self.cloth_choices, members)

    def _members(self, tactics: tuple[TacticId, ...]) -> tuple[tuple[Member, Pattern, Refusal | None], ...]:
        """The batch's other garments, each altered for whom it is, and made as the project's own."""
        batch = self.cloth_choices.batch
        return tuple(self._member(member, tactics) for member in (smaller(batch) if has_one_fewer(tactics) else batch))

    def _member(self, member: Member, tactics: tuple[TacticId, ...]) -> tuple[Member, Pattern, Refusal | None]:
        choices = GarmentChoices(view=self.view, size=member.size, blend=member.blend, alterations=member.alterations)
        refused = None
        try:
            changed = altered_once(self.pattern, choices).pattern
        except RowanseedError as error:
            refused = Refusal(error, member.name)
            changed = altered_once(self.pattern, GarmentChoices(self.view, member.size)).pattern
        garment = garment_once(changed, tactics, member.size, self.view, self.cloth_choices)
        return member, allowed_once(garment, member.size, self.view, self.making_choices), refused

    @cached_property
    def garment(self) -> Pattern:
        """The garment as it is made: altered, changed to save cloth, with its layers derived."""
        return self.garment_with(Role.MAIN, self.tactics(Role.MAIN))

    @cached_property
    def cut_pattern(self) -> Pattern:
        """All there is to cut: the garment, rectangles cut to the measure, the batch's other garments."""
        return self.cut_with(Role.MAIN, self.tactics(Role.MAIN))

    @property
    def cautions(self) -> tuple[str, ...]:
        """What to mind as its cloth and notions are chosen."""
        return cautions(self.pattern)

    def remarks(self, role: Role) -> tuple[Remark, ...]:
        """What is to be said of the cloth that is chosen for a role, or of what to look for."""
        return remarks(
            Chosen(
                garment=self.cut_pattern,
                view=self.view,
                role=role,
                cloth=self.cloths.get(role),
                main=self.cloths.get(Role.MAIN),
                units=self.habits.units,
            )
        )

    @cached_property
    def roles(self) -> tuple[Role, ...]:
        """The cloths it is cut from; facings cut from another cloth ask for that cloth too."""
        return self.cut_pattern.roles(self.view)

    def problem(
        self, role: Role, cloth: Cloth, tactics: tuple[TacticId, ...] | None = None, *, matched: bool = True
    ) -> Problem | None:
        """What has to be laid on a cloth for one role, with the project's own tactics if none are given.

        None where there is no size to lay.
        """
        if self.choices is None:
            return None
        taken = self.tactics(role) if tactics is None else tactics
        return lay_problem(
            pattern=self.cut_pattern if tactics is None else self.cut_with(role, taken),
            choices=self.choices,
            role=role,
            cloth=cloth,
            tactics=taken,
            matching=self.cloth_choices.matched(role) if matched else NOTHING,
            on_border=self.cloth_choices.on_border and role is Role.MAIN,
        )

    def cut_items(self, role: Role, cloth: Cloth, problem: Problem, plan: Plan) -> tuple[CutItem, ...]:
        """Everything to cut from one cloth, in order."""
        if self.size is None:
            return ()
        return cut_list(
            pattern=self.cut_pattern,
            size=self.size,
            role=role,
            problem=problem,
            plan=plan,
            cloth=cloth,
            units=self.habits.units,
            operations=self.made.operations,
        )

    # ------------------------------------------------------------ how it is made

    @cached_property
    def making_choices(self) -> MakingChoices:
        """What the steps depend on: the household's machines and habits, and the cloths it is sewn of."""
        return choices_for(
            workroom=self.habits.workroom,
            units=self.habits.units,
            cloths=self.cloths,
            drawn_for=self.pattern.envelope.cloth,
            techniques=self.decisions.techniques,
            as_cut=self.decisions.as_cut,
            pad=self.cloth_choices.layers.pad,
        )

    @cached_property
    def made(self) -> Made:
        """The operations of the garment, worked out from its graph, in no order; and what is missing."""
        return Made(()) if self.choices is None else made_once(self.garment, self.choices, self.making_choices)

    @property
    def gaps(self) -> tuple[Gap, ...]:
        """What the making order does not know: parts nothing makes, and pieces cut to the measure besides."""
        besides = (
            Gap(
                one.id,
                f"Nothing here says where “{one.name}” goes, which is cut to the measure: sew it by your own plan.",
            )
            for one in self.cloth_choices.rectangles
        )
        return (*self.made.gaps, *besides) if self.made.operations else ()

    @cached_property
    def steps(self) -> tuple[Operation, ...]:
        """The making order: the operations as they are done."""
        return () if self.choices is None else ordered_once(self.garment, self.choices, self.making_choices)

    @cached_property
    def moved(self) -> Mapping[str, Moved]:
        """What comes earlier or later than the pattern's booklet has it, by the operation's id."""
        return {one.id: one for one in moved(self.garment, self.steps)}

    @cached_property
    def ways(self) -> tuple[Way, ...]:
        """The parts of the garment that can be sewn in more than one way."""
        if self.choices is None:
            return ()
        return ways(self.garment, self.choices.view, self.choices.size, self.making_choices, self.made)

    @cached_property
    def settled(self) -> tuple[Way, ...]:
        """The parts of the garment that are sewn in one way only."""
        if self.choices is None:
            return ()
        return settled(self.garment, self.choices.view, self.choices.size, self.making_choices, self.made)

    def why_not(self, part: str) -> tuple[Unsuited, ...]:
        """The techniques that do not suit a part, and why."""
        if self.choices is None:
            return ()
        return unsuited(self.garment, self.choices.view, self.choices.size, self.making_choices, part)

    def sewn_with(self, part: str, technique: str | None, *, is_cut: bool = False) -> Project:
        """The project with one part sewn another way; None: the usual one. `is_cut`: allowances stay as they are.

        What was chosen before for a part that is sewn in one with it is given up, unless it is the same.
        """
        given_up: frozenset[str] = frozenset()
        wanted = technique or next((way.usual.id for way in self.ways if way.id == part), None)
        if self.choices is not None and wanted is not None:
            view, size = self.choices.view, self.choices.size
            part = kept_for(self.garment, view, size, self.making_choices, part, wanted)
            given_up = in_the_way(self.garment, view, size, self.making_choices, part, wanted)
        kept = with_technique(self.making_choices, part, technique, given_up=given_up)
        as_cut = kept.as_cut | ({part} if is_cut and technique is not None else frozenset())
        return replace(self, decisions=replace(self.decisions, techniques=kept.techniques, as_cut=as_cut))

    def compiled_with(self, role: Role, tactics: tuple[TacticId, ...]) -> tuple[Operation, ...]:
        """The steps of the garment with these tactics for one cloth, in no order."""
        if self.choices is None:
            return ()
        return made_once(self.garment_with(role, tactics), self.choices, self.making_choices).operations
