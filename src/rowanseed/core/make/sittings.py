"""Sittings: what to do in the time there is, so that it ends where the work can be put down.

A run ends safely where nothing hangs: no fullness is drawn up on two threads without being sewn, no machine stands
otherwise than usual. Of all runs that fit, the best does the most work with the fewest changes, near to the order.
"""

from __future__ import annotations

import heapq
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import NamedTuple

from rowanseed.core.make.facts import Fact, State
from rowanseed.core.make.line_of_work import Line
from rowanseed.core.make.operation import Bench, Operation
from rowanseed.core.make.sequencer import changing

BEAM = 60
"""So many states of one length: as many as six steps can ever have, which are then tried out exactly."""
CHANGE = 2.0
"""Minutes of work that a walk to another station is worth; other changes by their share of one."""
AGAINST_ADVICE = 6.0
OUT_OF_ORDER = 0.04
"""Minutes a step is worth less for every step that the order has before it and that is not done."""
OVERNIGHT = 8 * 60.0
"""What has to be left so long, or longer, is gone on with another day."""


@dataclass(frozen=True)
class Run:
    """Steps for one sitting, in order, with the minutes they take; `worth` is what was made most of."""

    steps: tuple[Operation, ...]
    minutes: float
    worth: float


class _Bits(NamedTuple):
    """Steps that are left as bits: what each must have, had better have, opens and closes."""

    musts: tuple[int, ...]
    advice: tuple[int, ...]
    opens: tuple[tuple[int, int], ...]
    """(the steps that leave something hanging, those of which one has to be done after)"""
    machines: tuple[tuple[int, int], ...]
    """(the steps that set a machine otherwise, those that set it back)"""


def _bits(steps: Sequence[Operation], every: Sequence[Operation], done: frozenset[str]) -> _Bits:
    index = {op.id: k for k, op in enumerate(steps)}
    sewers: dict[State, int] = {}
    for op in steps:
        for state in op.gives:
            if state.fact is Fact.JOINED:
                sewers[state] = sewers.get(state, 0) | 1 << index[op.id]
    openers: dict[State, int] = {}
    for op in every:
        for state in op.gives:
            if state.fact is Fact.DRAWN_UP:
                joined = State(Fact.JOINED, state.of)
                bit = 1 << index[op.id] if op.id in index else 0
                openers[joined] = openers.get(joined, 0) | bit
    machines: dict[str, tuple[int, int]] = {}
    for op in steps:
        for thing in (*op.sets, *op.sets_back):
            on, off = machines.get(thing, (0, 0))
            bit = 1 << index[op.id]
            machines[thing] = (on | bit if thing in op.sets else on, off | bit if thing in op.sets_back else off)
    bit_of = [
        tuple(sum(1 << index[n.step] for n in op.needs if n.must is must and n.step in index) for op in steps)
        for must in (True, False)
    ]
    opens = tuple((openers[state], sewers[state]) for state in openers if state in sewers and openers[state])
    return _Bits(bit_of[0], bit_of[1], opens, tuple(machines.values()))


def _hangs(bits: _Bits, done: int) -> str:
    for openers, sewers in bits.opens:
        if openers & done and not sewers & done:
            return "fullness is drawn up and not sewn yet"
    for on, off in bits.machines:
        if (on & done).bit_count() > (off & done).bit_count():
            return "the machine is set otherwise than usual"
    return ""


class _State(NamedTuple):
    worth: float
    used: float
    done: int
    last: int
    before: _State | None


def best_run(
    line: Line, budget: float, took: Mapping[str, float], benches: frozenset[Bench] | None = None
) -> Run | None:
    """The best next run within `budget` minutes at these benches (None: any).

    None if nothing fits, or all that fits is so far out of order that resting is worth more.

    `took`: minutes of each step by its id. Exact where no more than `BEAM` states of the same length are met.
    """
    steps = line.left
    bits = _bits(steps, line.steps, line.settled)
    minutes = [took[op.id] for op in steps]
    usable = [
        k
        for k, op in enumerate(steps)
        if (benches is None or op.bench in benches) and op.id not in line.log.put_off and minutes[k] <= budget
    ]
    ready = _Ready(bits.musts, usable)
    left_overnight = [op.waits >= OVERNIGHT for op in steps]
    changes = _Changes(steps)
    musts = bits.musts
    beam = [_State(0.0, 0.0, 0, -1, None)]
    best: _State | None = None
    while beam:
        found: dict[tuple[int, int], _State] = {}
        for state in beam:
            done, room = state.done, budget - state.used
            left = ~done
            for k in ready.after(state):
                if minutes[k] > room:
                    continue
                if state.last >= 0 and left_overnight[state.last] and musts[k] >> state.last & 1:
                    continue
                worth = state.worth + minutes[k] - OUT_OF_ORDER * _passed_over(done, k)
                worth -= AGAINST_ADVICE * (bits.advice[k] & left).bit_count()
                if state.last >= 0:
                    worth -= CHANGE * changes.between(state.last, k)
                key = (done | 1 << k, k)
                known = found.get(key)
                if known is None or worth > known.worth:
                    found[key] = _State(worth, state.used + minutes[k], key[0], k, state)
        beam = heapq.nlargest(BEAM, found.values(), key=lambda s: (s.worth, -s.done))
        for state in beam:
            if state.worth > (best.worth if best else 0.0) + 1e-9 and not _hangs(bits, state.done):
                best = state
    return None if best is None else _run(steps, best)


def _passed_over(done: int, k: int) -> int:
    """How many steps before the k-th are not done."""
    return k - (done & ((1 << k) - 1)).bit_count()


class _Ready:
    """The steps that can be done next, as bits by what is done: those of the state before, and what the last one lets
    be done."""

    def __init__(self, musts: Sequence[int], usable: Sequence[int]) -> None:
        self._musts = musts
        self._waiting: dict[int, list[int]] = {}
        for k in usable:
            for j in _each(musts[k]):
                self._waiting.setdefault(j, []).append(k)
        self._known = {0: sum(1 << k for k in usable if not musts[k])}

    def after(self, state: _State) -> Iterator[int]:
        if state.done not in self._known and state.before is not None:
            found = self._known[state.before.done] & ~(1 << state.last)
            for k in self._waiting.get(state.last, ()):
                if not self._musts[k] & ~state.done:
                    found |= 1 << k
            self._known[state.done] = found
        return _each(self._known[state.done])


def _each(bits: int) -> Iterator[int]:
    """The places of the bits that are set, the lowest first."""
    while bits:
        low = bits & -bits
        yield low.bit_length() - 1
        bits ^= low


class _Changes:
    """What going on from one step to another costs, worked out once each."""

    def __init__(self, steps: Sequence[Operation]) -> None:
        self._steps = steps
        self._known: dict[tuple[int, int], float] = {}

    def between(self, a: int, b: int) -> float:
        known = self._known.get((a, b))
        if known is None:
            known = self._known[a, b] = changing(self._steps[a], self._steps[b])
        return known


def _run(steps: Sequence[Operation], state: _State) -> Run:
    order: list[Operation] = []
    at: _State | None = state
    while at is not None and at.last >= 0:
        order.append(steps[at.last])
        at = at.before
    return Run(tuple(reversed(order)), state.used, state.worth)


@dataclass(frozen=True)
class Sitting:
    """Steps for one sitting with their minutes; `next_day`: something has to be left overnight before it.

    `hangs`: in words, what hangs at its end where no safe place came in time.
    """

    steps: tuple[Operation, ...]
    minutes: float
    next_day: bool = False
    hangs: str = ""

    @property
    def title(self) -> str:
        """Where it begins."""
        return self.steps[0].title


def cut_into_sittings(line: Line, budget: float, took: Mapping[str, float]) -> tuple[Sitting, ...]:
    """What is left, in order, in sittings of so many minutes that end at a safe place.

    A step longer than a sitting has one to itself. Where no safe place comes in time, the sitting goes on to the last
    step that fits and says what hangs.
    """
    left, out = line.left, []
    bits = _bits(left, line.steps, line.settled)
    hanging: set[str] = set()
    start = 0
    while start < len(left):
        stop = _stop(left, bits, start, budget, took)
        steps = left[start:stop]
        next_day = any(need.step in hanging for op in steps for need in op.needs)
        hanging = (set() if next_day else hanging) | {op.id for op in steps if op.waits >= OVERNIGHT}
        minutes = sum(took[op.id] for op in steps)
        out.append(Sitting(steps, minutes, next_day, _hangs(bits, (1 << stop) - 1)))
        start = stop
    return tuple(out)


def _stop(left: Sequence[Operation], bits: _Bits, start: int, budget: float, took: Mapping[str, float]) -> int:
    """Where a sitting that begins at a step ends: the last safe place in time, or else as far as the time goes."""
    end, safe, used = start, start, 0.0
    waiting: set[str] = set()
    for op in left[start:]:
        used += took[op.id]
        late = used > budget and end > start
        if late or any(need.step in waiting for need in op.needs):
            break
        end += 1
        if op.waits >= OVERNIGHT:
            waiting.add(op.id)
        if not _hangs(bits, (1 << end) - 1):
            safe = end
    return safe if safe > start else end
