"""The race of the ways of laying the cloth for the time of the search.

Every arrangement (one stretch of a kind, or a doubled stretch and then an open one) is searched by the same machine,
which knows only admissible places. `schedule` says whose turn it is, `clock` how much of the time is used.
"""

from __future__ import annotations

import threading
from dataclasses import replace
from functools import partial

import numpy as np

from rowanseed.core.base.lay_errors import LayRefusal, PinnedElsewhere
from rowanseed.core.lay.check import check
from rowanseed.core.lay.first import first_lays
from rowanseed.core.lay.opening import opened
from rowanseed.core.lay.problem import LayKind, Plan, Problem
from rowanseed.core.lay.search.arrange import (
    DOUBLED,
    Arrangement,
    StretchPlan,
    StretchSearch,
    laying_of,
    mixed,
    natural_mix,
    neighbour,
    plan_of,
    simple,
    stretch_items,
)
from rowanseed.core.lay.search.clock import Budget, Clock
from rowanseed.core.lay.search.kernel import Tables
from rowanseed.core.lay.search.outcome import NothingFits, OnProgress, Outcome, Progress, ShouldStop, never, silent
from rowanseed.core.lay.search.packing import State, Trial
from rowanseed.core.lay.search.phases import phases_to_try
from rowanseed.core.lay.search.places import ToPlace, patches
from rowanseed.core.lay.search.schedule import Runner, next_runner, wants_a_neighbour
from rowanseed.core.lay.search.shapes import FLIPS, ShapeSet
from rowanseed.core.lay.search.tables import build
from rowanseed.core.lay.search.tuning import TUNING, Tuning
from rowanseed.core.lay.search.unfold import unfolded

SHORTER = 0.05
"""A lay that is taken over is shorter by so much, in mm."""


def race(
    problem: Problem,
    budget: Budget,
    on_progress: OnProgress = silent,
    should_stop: ShouldStop = never,
    tuning: Tuning = TUNING,
) -> Outcome:
    """Search all arrangements; the best plan, and the best of each simple kind. Raises NothingFits, StoppedTooSoon."""
    return Race(problem, budget, on_progress, should_stop, tuning).run()


def _two_of_each(bases: list[tuple[int, int, int]]) -> list[tuple[int, int, int]]:
    """(piece, copy, shape) of at most two copies of every shape of a piece: a hundred alike meet as two do."""
    copies: dict[tuple[int, int], set[int]] = {}
    out = []
    for piece, copy, shape in dict.fromkeys(bases):
        seen = copies.setdefault((piece, shape), set())
        if copy in seen or len(seen) < 2:
            seen.add(copy)
            out.append((piece, copy, shape))
    return out


class Race:
    """Arrangements that compete for the time of the search."""

    def __init__(
        self, problem: Problem, budget: Budget, on_progress: OnProgress, should_stop: ShouldStop, tuning: Tuning
    ) -> None:
        self.problem, self.budget = problem, budget
        self.on_progress, self.should_stop = on_progress, should_stop
        self.tuning, self.clock = tuning, Clock(budget, tuning.racing.patience)
        self.threads = 1 if budget.sweeps is not None else max(1, budget.threads)
        self.shapes = ShapeSet()
        self.items: dict[StretchPlan, list[ToPlace]] = {}
        self.stretches: dict[StretchPlan, StretchSearch] = {}
        self.refused: dict[LayKind, LayRefusal] = {}
        self.arrangements: list[Arrangement] = []
        self.simple: dict[LayKind, list[Arrangement]] = {}
        self.mixes: dict[Arrangement, list[int]] = {}
        self.seeds = np.random.SeedSequence(budget.seed)
        self.rng = np.random.default_rng(self.seeds.spawn(1)[0])
        self.lock = threading.Lock()
        self.shortest = float("inf")
        self.failure: BaseException | None = None
        self.tables: Tables | None = None
        self.to_open_out = list(tuning.racing.open_out)

    # ------------------------------------------------------------ the field

    def run(self) -> Outcome:
        for kind in dict.fromkeys(self.problem.lays):
            self._enter_kind(kind)
        self._enter_mixes()
        if not self.arrangements:
            raise NothingFits(self.refused)
        self._tabulate()
        for arrangement in list(self.arrangements):
            self._fill(arrangement)
        self._compete()
        if self.failure is not None:
            raise self.failure
        return self._outcome()

    def _enter_kind(self, kind: LayKind) -> None:
        """Everything in one stretch of a kind, with each place of the print that is worth trying."""
        away = [pin for pin in self.problem.pins if pin.lay is not kind]
        if away:
            self.refused[kind] = PinnedElsewhere(away[0].piece)
            return
        for phases in phases_to_try(self.problem, kind, self.rng):
            arrangement = simple(self.problem, kind, phases)
            try:
                self._enter(arrangement)
            except LayRefusal as error:
                self.refused.setdefault(kind, error)
            else:
                self.simple.setdefault(kind, []).append(arrangement)
        if kind in self.simple:
            self.refused.pop(kind, None)

    def _enter_mixes(self) -> None:
        """The natural mix of each doubled lay with an open stretch."""
        if LayKind.OPEN not in self.problem.lays or self.problem.is_bound_along or self.problem.matches:
            return
        for lay in DOUBLED:
            if lay in self.problem.lays and all(pin.lay in (lay, LayKind.OPEN) for pin in self.problem.pins):
                mix = natural_mix(self.problem)
                arrangement = mixed(self.problem, lay, mix)
                try:
                    self._enter(arrangement)
                except LayRefusal:
                    continue
                self.mixes[arrangement] = mix

    def _enter(self, arrangement: Arrangement) -> None:
        if arrangement in self.arrangements or not arrangement.stretches:
            return
        for part in arrangement.stretches:
            if part not in self.items:
                self.items[part] = stretch_items(self.problem, part, self.shapes)
        self.arrangements.append(arrangement)

    def _tabulate(self) -> None:
        """Depth tables for every two shapes that can meet, whichever mix is tried later."""
        pairs: set[tuple[int, int]] = set()
        for kind in dict.fromkeys(self.problem.lays):
            bases: list[tuple[int, int, int]] = []
            here = simple(self.problem, kind).stretches[0]
            for number, (lying, _, _, _) in enumerate(patches(laying_of(self.problem, here, self.shapes))):
                bases.append((-1, number, lying.base))
            for number, piece in enumerate(self.problem.pieces):
                alone = replace(self.problem, pieces=(piece,), matches=(), pins=(), forbidden=())
                # By itself a piece may not lie as it does in company (a part fold is as deep as the widest fold
                # piece), so its shapes are also taken as it lies singly and doubled.
                beside = (LayKind.OPEN, LayKind.FOLDED) if kind is LayKind.PART_FOLDED else ()
                for lay in (kind, *beside):
                    try:
                        items = stretch_items(alone, simple(alone, lay).stretches[0], self.shapes)
                    except LayRefusal:
                        continue
                    bases += {(number, copy, w.option.lying.base) for copy, item in enumerate(items) for w in item.ways}
            bases = _two_of_each(bases)
            pairs |= {(a[2], b[2]) for a in bases for b in bases if a[:2] != b[:2]}
        flips = self.shapes.flips_used()
        products = {(a[0] * b[0], a[1] * b[1]) for a in flips for b in flips}
        everything = pairs | {(b, a) for a, b in pairs}
        self.tables = build(self.shapes.bases, self.problem.gap, products or {FLIPS[0]}, everything, self.should_stop)
        self.clock.tables_are_made()

    def _fill(self, arrangement: Arrangement) -> None:
        for part in arrangement.stretches:
            if part not in self.stretches and self.tables is not None:
                (seed,) = self.seeds.spawn(1)
                laying = laying_of(self.problem, part, self.shapes)
                found = StretchSearch(part, self.items[part], laying, self.tables, seed, self.threads, self.tuning)
                found.best = found.searches[0].start()
                self.stretches[part] = found
        self._report(arrangement)

    def _length(self, arrangement: Arrangement) -> float:
        return sum(self.stretches[part].length for part in arrangement.stretches)

    def _report(self, arrangement: Arrangement) -> None:
        length = self._length(arrangement)
        if length < self.shortest - 1e-6:
            self.shortest = length
            words = " then ".join(part.lay.value for part in arrangement.stretches)
            searched = [self.stretches[part] for part in arrangement.stretches]
            self.on_progress(
                Progress(
                    lay=words,
                    length=length,
                    elapsed=self.clock.elapsed,
                    tables=self.clock.tabulated,
                    plan=partial(plan_of, arrangement, searched),
                )
            )

    # ------------------------------------------------------------ the race

    def _compete(self) -> None:
        if self.threads == 1:
            self._work(0)
            return
        workers = [threading.Thread(target=self._work, args=(k,), daemon=True) for k in range(self.threads)]
        for worker in workers:
            worker.start()
        for worker in workers:
            worker.join()

    def _work(self, thread: int) -> None:
        try:
            turn = thread
            while self.clock.share() < 1 and not self.should_stop() and self.failure is None:
                turn += 1
                with self.lock:
                    if self.to_open_out and self.clock.share() > self.to_open_out[0]:
                        self.to_open_out.pop(0)
                        self._open_out()
                    arrangement = self._next(turn)
                if arrangement is None:
                    return
                self._advance(arrangement, thread, turn)
        except BaseException as error:  # told by the main thread
            self.failure = error

    def _open_out(self) -> None:
        """Start the open lay from the folded one, where that is shorter."""
        racing = self.tuning.racing
        pairs = [(a, b) for a in self.simple.get(LayKind.FOLDED, ()) for b in self.simple.get(LayKind.OPEN, ())]
        for folded, lies_open in pairs:
            if folded.stretches[0].phases != lies_open.stretches[0].phases or self.problem.pins:
                continue
            theirs, ours = self.stretches[folded.stretches[0]], self.stretches[lies_open.stretches[0]]
            if theirs.length > ours.length * racing.open_out_gain:
                continue
            state = unfolded(theirs, ours, self.problem.cloth.width / 2, self.shapes)
            if state is None:
                continue
            trial = Trial(ours.searches[0].packing, state, state.length * racing.open_out_room, self.rng)
            for _ in range(racing.open_out_slices):
                if trial.run(self.tuning.slice):
                    found = trial.state()
                    if ours.best is None or found.length < ours.best.length:
                        ours.best = found
                        self._report(lies_open)
                    break

    def _next(self, turn: int) -> Arrangement | None:
        """Who gets the next slice."""
        racing, share = self.tuning.racing, self.clock.share()
        if wants_a_neighbour(share=share, turn=turn, racing=racing, mixes=self.mixes):
            self._try_neighbour()
        simple_ones = {arrangement for mine in self.simple.values() for arrangement in mine}
        runners = [
            Runner(number, self._length(arrangement), arrangement in simple_ones)
            for number, arrangement in enumerate(self.arrangements)
            if self._is_open(arrangement)
        ]
        chosen = next_runner(runners, share=share, turn=turn, racing=racing, entered=len(self.arrangements))
        return None if chosen is None else self.arrangements[chosen]

    def _is_open(self, arrangement: Arrangement) -> bool:
        return any(not self.stretches[part].is_done for part in arrangement.stretches)

    def _try_neighbour(self) -> None:
        """Enter a mix beside the best mix so far."""
        best = min(self.mixes, key=self._length)
        mix = neighbour(self.problem, self.mixes[best], self.rng)
        arrangement = mixed(
            self.problem, best.stretches[0].lay if best.stretches[0].lay in DOUBLED else DOUBLED[0], mix
        )
        if arrangement in self.arrangements or len(arrangement.stretches) < 2:
            return
        try:
            self._enter(arrangement)
        except LayRefusal:
            return
        self.mixes[arrangement] = mix
        self._fill(arrangement)

    def _advance(self, arrangement: Arrangement, thread: int, turn: int) -> None:
        """A slice of work on one of an arrangement's stretches."""
        parts = [part for part in arrangement.stretches if not self.stretches[part].is_done]
        if not parts:
            return
        stretch = self.stretches[parts[(turn // 2) % len(parts)]]
        search = stretch.searches[thread]
        share = self.clock.share()
        begins = self.tuning.racing.compress_from
        late = share > begins
        if stretch.best is not None:
            search.adopt(stretch.best, late=late)
        found: State | None = None
        pushed: State | None = None
        if search.is_stuck and search.best is not None and not late:
            pushed = stretch.squeeze(search.best)
            search.begin_afresh()
        elif search.step(max(0.0, (share - begins) / (1 - begins))) and search.best is not None:
            found = search.best
            pushed = stretch.squeeze(found) if late else None
        with self.lock:
            self.clock.sweeps_done += self.tuning.slice
            shorter = pushed is not None and stretch.take_pushed(pushed)
            if found is not None and (stretch.best is None or found.length < stretch.best.length - 1e-6):
                stretch.best, shorter = found, True
            if shorter:
                for other in self.arrangements:
                    if stretch.plan in other.stretches:
                        self._report(other)

    # ------------------------------------------------------------ the end

    def _outcome(self) -> Outcome:
        kinds: dict[LayKind, Plan | LayRefusal] = dict(self.refused)
        for stretch in self.stretches.values():
            if stretch.best is not None:
                stretch.take_pushed(stretch.squeeze(stretch.best))
        for arrangement in self.arrangements:
            self._report(arrangement)
        for kind, arrangements in self.simple.items():
            kinds[kind] = self._checked(min(arrangements, key=self._length))
        best = self._checked(min(self.arrangements, key=self._length))
        self._open_no_longer(kinds, best)
        return Outcome(self._no_longer_than_first(kinds, best), kinds)

    def _no_longer_than_first(self, kinds: dict[LayKind, Plan | LayRefusal], best: Plan) -> Plan:
        """The best lay; a search that got no time to work keeps the lay by rectangles that it began from."""
        for kind, first in first_lays(self.problem).items():
            found = kinds.get(kind)
            if isinstance(found, Plan) and first.length < found.length - SHORTER:
                kinds[kind] = first
                best = min(best, first, key=lambda plan: plan.length)
        return best

    def _open_no_longer(self, kinds: dict[LayKind, Plan | LayRefusal], best: Plan) -> None:
        """The open lay takes over what any doubled one has found, where that can be opened out and is shorter."""
        mine = kinds.get(LayKind.OPEN)
        if not isinstance(mine, Plan):
            return
        doubled = {plan.length: plan for plan in (*kinds.values(), best) if isinstance(plan, Plan)}
        for length in sorted(doubled):
            if length > mine.length - SHORTER:
                return
            found = opened(doubled[length], self.problem)
            if found is not None and found.length < mine.length:
                kinds[LayKind.OPEN] = found
                return

    def _checked(self, arrangement: Arrangement) -> Plan:
        plan = plan_of(arrangement, [self.stretches[part] for part in arrangement.stretches])
        faults = check(replace(self.problem, cloth=replace(self.problem.cloth, length=None)), plan)
        if faults:
            raise AssertionError(f"a plan failed its check: {faults[0]}")
        return plan
