"""A project at the Sew station: the order as its sewist has it, with her times, notes, samples and what has changed."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from functools import cached_property

from rowanseed.app.open_project import OpenProject
from rowanseed.core.cloth.cloth import Direction, Surface
from rowanseed.core.make import reminders
from rowanseed.core.make.line_of_work import Line, Log, line_of
from rowanseed.core.make.operation import Act, Bench, Operation
from rowanseed.core.make.own_times import Estimate, OwnTimes, Timed, estimate, own_times, reckoned
from rowanseed.core.make.which import ends_of_facings
from rowanseed.core.make.workbench import Workbench, workbench
from rowanseed.core.notions.buttons import needs_buttons
from rowanseed.core.pattern.pieces import Role
from rowanseed.store import sewing as store
from rowanseed.store.sewing import Clock, Sample, StepNote

SHORTEST = 0.2
"""A clock that ran for fewer minutes than this says nothing."""
FORGOTTEN = 6 * 60.0
"""A clock that ran for longer was left running."""
FOR = "@"
"""Joins the id of a step and the number of the batch's garment that it was done on."""
NO_IRON = frozenset(Bench) - {Bench.IRON}
IN_THE_TRAIN = frozenset({Bench.HAND})
AT_THE_MACHINE = frozenset({Bench.MACHINE, Bench.OVERLOCKER, Bench.COVERSTITCH})
PLACES: Mapping[str, tuple[str, frozenset[Bench] | None]] = {
    "": ("anywhere", None),
    "no-iron": ("the iron is cold", NO_IRON),
    "machine": ("at the machine only", AT_THE_MACHINE),
    "hand": ("only by hand, in the train", IN_THE_TRAIN),
}
"""Where she can work: words, and the benches she can use."""


@dataclass(frozen=True)
class Since:
    """What the order has become since she last looked: by words, each with the step's id where there is one."""

    come: tuple[Operation, ...]
    gone: tuple[tuple[str, str, bool], ...]
    """(id, title, whether it was done already)"""
    told_otherwise: tuple[Operation, ...]

    @property
    def any(self) -> bool:
        return bool(self.come or self.gone or self.told_otherwise)


@dataclass(frozen=True, eq=False)
class Sewing:
    """The Sew station of a project."""

    project: OpenProject

    @cached_property
    def log(self) -> Log:
        return store.log(self.project.desk.db, self.project.record.id)

    @cached_property
    def line(self) -> Line:
        return line_of(self.project.core.steps, self.log)

    @cached_property
    def own(self) -> OwnTimes:
        return own_times(store.times(self.project.desk.db))

    @cached_property
    def estimates(self) -> dict[str, Estimate]:
        choices = self.project.core.making_choices
        return {step.id: estimate(step, choices, self.own) for step in self.line.steps}

    @cached_property
    def took(self) -> dict[str, float]:
        """Minutes of each step, the middle of what is likely."""
        return {id: found.middle for id, found in self.estimates.items()}

    @cached_property
    def bench(self) -> Workbench:
        core = self.project.core
        view = core.choices.view if core.choices else ""
        return workbench(core.garment, view, core.size or "", core.making_choices)

    @cached_property
    def notes(self) -> dict[str, tuple[StepNote, ...]]:
        return store.step_notes(self.project.desk.db, self.project.record.id)

    @cached_property
    def clock(self) -> Clock | None:
        return store.clock(self.project.desk.db, self.project.record.id)

    @cached_property
    def cloth_id(self) -> int | None:
        entry = self.project.cloth_entries.get(Role.MAIN)
        return entry.id if entry else None

    @cached_property
    def samples(self) -> tuple[Sample, ...]:
        """Samples of this project and on its cloth."""
        return store.samples(self.project.desk.db, self.project.record.id, self.cloth_id)

    def sample_for(self, op: Operation) -> Sample | None:
        """The newest sample that a step was tried by, as far as it tells of it: its own where it is a sample, else one
        that it waited for, what was tried for it alone before the stitch of the seams."""
        wanted = (
            [op.id.removeprefix("sample-")] if op.act is Act.SAMPLE else sorted(self.tried_by(op), key=_is_of_seams)
        )
        found = (sample for id in wanted for sample in self.samples if sample.sample == id)
        newest = next(found, None)
        if newest is None or op.act is Act.SAMPLE:
            return newest
        return told_of(newest, self.line.by_id.get(f"sample-{newest.sample}"), op)

    def tried_by(self, op: Operation) -> set[str]:
        return {need.step.removeprefix("sample-") for need in op.needs if need.step.startswith("sample-")}

    @cached_property
    def reminders(self) -> dict[str, tuple[str, ...]]:
        core = self.project.core
        main = core.cloths.get(Role.MAIN)
        so = reminders.Circumstances(
            one_way=main is not None and (main.direction is Direction.ONE_WAY or main.surface.is_pile),
            altered=bool(core.alterations),
            buttons=needs_buttons(core.garment, core.size or ""),
            faced_to_the_hem=any(ends_of_facings(self.bench)),
            lined=bool(self.bench.linings),
            furry=main is not None and main.surface is Surface.FUR,
            has_marks=any(piece.marks for piece in core.garment.pieces),
        )
        return reminders.reminders(self.line.steps, so)

    # ------------------------------------------------------------ what has changed

    @cached_property
    def told(self) -> dict[str, str]:
        """What each step says, by its id: what is kept to see later what has changed."""
        return {step.id: "\n".join((step.title, *step.how)) for step in self.project.core.steps}

    @cached_property
    def since(self) -> Since | None:
        """What has changed since the order was last looked at; None where it never was, or nothing has."""
        seen = store.seen(self.project.desk.db, self.project.record.id)
        if seen is None or not self.told:
            return None
        by_id = self.line.by_id
        found = Since(
            come=tuple(by_id[id] for id in self.told if id not in seen),
            gone=tuple(
                (id, said.split("\n")[0], id in self.log.done) for id, said in seen.items() if id not in self.told
            ),
            told_otherwise=tuple(by_id[id] for id, said in self.told.items() if id in seen and seen[id] != said),
        )
        return found if found.any else None

    def look(self) -> None:
        """The order as it is now has been looked at."""
        store.set_seen(self.project.desk.db, self.project.record.id, self.told)

    def look_first(self) -> None:
        """The first time anything is done to the order, it is as it was seen."""
        if store.seen(self.project.desk.db, self.project.record.id) is None:
            self.look()

    # ------------------------------------------------------------ garments of a batch

    @cached_property
    def members(self) -> tuple[str, ...]:
        """For whom the garments of a batch are, the project's own first; empty for one garment."""
        batch = self.project.core.cloth_choices.batch
        if not batch:
            return ()
        names = [self.project.person.name]
        for member in batch:
            names += [member.name if member.count == 1 else f"{member.name} {k}" for k in range(1, member.count + 1)]
        return tuple(names)

    def done_for(self, step: str) -> tuple[bool, ...]:
        """Whether a step is done, for each garment of the batch."""
        whole = step in self.log.done
        return tuple(whole or f"{step}{FOR}{k}" in self.log.done for k in range(len(self.members)))

    # ------------------------------------------------------------ doing

    def tick(self, step: str, *, with_needs: bool, now: datetime) -> tuple[Operation, ...]:
        """Tick a step off. Returns what has to be done before it and is not, in which case nothing is ticked."""
        before = self.line.before(step)
        if before and not with_needs:
            return before
        self.look_first()
        self._keep_time(step, now)
        store.tick(self.project.desk.db, self.project.record.id, (*(op.id for op in before), step), (), now)
        return ()

    def tick_for(self, step: str, garment: int, now: datetime) -> None:
        """Tick a step off for one garment of the batch; for the last one it is done."""
        others = self.done_for(step)
        if all(found or k == garment for k, found in enumerate(others)):
            self.tick(step, with_needs=True, now=now)
            return
        key = f"{step}{FOR}{garment}"
        is_done = key in self.log.done
        store.tick(
            self.project.desk.db, self.project.record.id, () if is_done else (key,), (key,) if is_done else (), now
        )

    def untick(self, step: str, *, with_others: bool, now: datetime) -> tuple[Operation, ...]:
        """A step is not done after all. Returns what rests on it and is done, in which case nothing is changed."""
        resting = self.line.resting_on(step)
        if resting and not with_others:
            return resting
        ids = (step, *(op.id for op in resting))
        garments = tuple(f"{id}{FOR}{k}" for id in ids for k in range(len(self.members)))
        store.tick(self.project.desk.db, self.project.record.id, (), (*ids, *garments), now)
        return ()

    def _keep_time(self, step: str, now: datetime) -> None:
        """What the clock says of a step, where it ran for it."""
        running, op = self.clock, self.line.by_id.get(step)
        if running is None or running.step != step or op is None:
            return
        minutes = (now - running.started_at).total_seconds() / 60
        if SHORTEST <= minutes <= FORGOTTEN:
            low, high = reckoned(op, self.project.core.making_choices)
            timed = Timed(op.technique, op.act.value, (low + high) / 2, minutes)
            store.keep_time(self.project.desk.db, self.project.record.id, step, timed, now.date())
        store.stop_clock(self.project.desk.db, self.project.record.id)

    def ready_at(self, op: Operation) -> datetime | None:
        """When what was left to cool, dry or hang may be gone on with; None where nothing is waited for."""
        done = store.ticked_at(self.project.desk.db, self.project.record.id)
        times = [
            done[need.step] + timedelta(minutes=self.line.by_id[need.step].waits)
            for need in op.needs
            if need.step in done and need.step in self.line.by_id and self.line.by_id[need.step].waits
        ]
        return max(times) if times else None


def _is_of_seams(sample: str) -> bool:
    return sample == "stitch"


def is_tried_by(tried: Operation | None, op: Operation) -> bool:
    """Whether a step is sewn with the very stitch that a sample was tried with."""
    here, there = op.setting, tried.setting if tried is not None else None
    return here is None or there is None or (here.stitch, here.length) == (there.stitch, there.length)


def told_of(sample: Sample, tried: Operation | None, op: Operation) -> Sample | None:
    """What of a sample holds at a step: all of it where it was tried with the step's own stitch, all but the length and
    the look where that is longer or shorter, needle and thread where it is another stitch."""
    if is_tried_by(tried, op):
        return sample
    kept = replace(sample, length="", width="", foot="", result="", layers="")
    if op.setting is not None and tried is not None and tried.setting is not None:
        same = op.setting.stitch == tried.setting.stitch
        kept = kept if same else replace(kept, stitch="", tension="")
    return kept if kept.needle or kept.thread or kept.tension else None
