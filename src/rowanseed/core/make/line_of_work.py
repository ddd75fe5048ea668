"""The line of work as a sewist has it: the order with what she did, put off, left out, moved and added.

Whatever she does to it, what is offered next can be done: nothing is ready before everything it cannot do without.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from functools import cached_property
from types import MappingProxyType

from rowanseed.core.make.operation import Act, After, Bench, Operation

OWN = "own-"
"""How the ids of a sewist's own steps begin."""


@dataclass(frozen=True)
class OwnStep:
    """A step that a sewist adds: what, where, about how long, and before which step; empty: at the end."""

    id: str
    title: str
    bench: Bench
    minutes: float
    before: str = ""
    how: str = ""

    @property
    def operation(self) -> Operation:
        return Operation(
            id=self.id,
            technique="own",
            act=Act.OWN,
            title=self.title,
            how=(self.how,) if self.how else (),
            bench=self.bench,
            minutes=(self.minutes, self.minutes),
        )


@dataclass(frozen=True)
class Log:
    """What a sewist has done to her order: ids of steps; `left_out` with her reasons; `moved` as (step, before)."""

    done: frozenset[str] = frozenset()
    put_off: frozenset[str] = frozenset()
    left_out: Mapping[str, str] = field(default_factory=lambda: MappingProxyType({}))
    own: tuple[OwnStep, ...] = ()
    moved: tuple[tuple[str, str], ...] = ()


@dataclass(frozen=True)
class Line:
    """Every step in her order, and what she did to them."""

    steps: tuple[Operation, ...]
    log: Log

    @cached_property
    def by_id(self) -> dict[str, Operation]:
        return {step.id: step for step in self.steps}

    @cached_property
    def settled(self) -> frozenset[str]:
        """Done, or left out for good."""
        return frozenset(id for id in self.by_id if id in self.log.done or id in self.log.left_out)

    @cached_property
    def left(self) -> tuple[Operation, ...]:
        return tuple(step for step in self.steps if step.id not in self.settled)

    def missing(self, id: str) -> tuple[After, ...]:
        """What a step cannot be done without and is not done yet."""
        return tuple(n for n in self._needs(id) if n.must and n.step not in self.settled)

    def advised(self, id: str) -> tuple[After, ...]:
        """What had better be done before it and is not done yet."""
        return tuple(n for n in self._needs(id) if not n.must and n.step not in self.settled)

    def _needs(self, id: str) -> tuple[After, ...]:
        return tuple(need for need in self.by_id[id].needs if need.step in self.by_id)

    @cached_property
    def ready(self) -> tuple[Operation, ...]:
        """Everything that can be done now."""
        return tuple(step for step in self.left if not self.missing(step.id))

    @cached_property
    def next(self) -> Operation | None:
        """What is offered: the first that is ready and not put off; what is put off only where nothing else is left."""
        return next((s for s in self.ready if s.id not in self.log.put_off), self.ready[0] if self.ready else None)

    def before(self, id: str) -> tuple[Operation, ...]:
        """Everything that has to be done before a step and is not, in the order of the line."""
        wanted: set[str] = set()
        ask = [id]
        while ask:
            for need in self.missing(ask.pop()):
                if need.step not in wanted:
                    wanted.add(need.step)
                    ask.append(need.step)
        return tuple(step for step in self.steps if step.id in wanted)

    def resting_on(self, id: str) -> tuple[Operation, ...]:
        """Steps that are done and could not have been without this one."""
        found = {id}
        for _ in self.steps:
            more = {s.id for s in self.steps if s.id in self.log.done and found & _musts(s)} - found
            if not more:
                break
            found |= more
        return tuple(step for step in self.steps if step.id in found - {id})

    def held_up(self, id: str) -> tuple[Operation, ...]:
        """Steps to come that cannot be done without this one."""
        return tuple(step for step in self.left if step.id != id and id in _musts(step))

    def why_not_moved(self, id: str, before: str) -> str:
        """Why a step cannot come right before another (empty: at the end); empty if it can."""
        places = {step.id: k for k, step in enumerate(self.steps)}
        at = places.get(before, len(self.steps))
        for need in self._needs(id):
            if need.must and places[need.step] >= at:
                return f"“{self.by_id[need.step].title}” has to be done before it: {need.why}."
        for step in self.steps[: min(at, len(self.steps))]:
            why = next((n.why for n in step.needs if n.must and n.step == id), None)
            if why is not None:
                return f"“{step.title}” cannot be done without it: {why}."
        return ""


def line_of(steps: Sequence[Operation], log: Log) -> Line:
    """The order with a sewist's own steps and moves; a move that the order does not bear any more is passed over."""
    order = list(steps)
    for own in log.own:
        at = next((k for k, step in enumerate(order) if step.id == own.before), len(order))
        order.insert(at, own.operation)
    for id, before in log.moved:
        order = _moved(order, id, before)
    return Line(tuple(order), log)


def _moved(order: list[Operation], id: str, before: str) -> list[Operation]:
    line = Line(tuple(order), Log())
    known = id in line.by_id and (before in line.by_id or not before) and id != before
    if not known or line.why_not_moved(id, before):
        return order
    step = line.by_id[id]
    rest = [other for other in order if other.id != id]
    at = next((k for k, other in enumerate(rest) if other.id == before), len(rest))
    return [*rest[:at], step, *rest[at:]]


def ticked(line: Line, *ids: str) -> Line:
    """The line with more steps done."""
    return replace(line, log=replace(line.log, done=line.log.done | set(ids), put_off=line.log.put_off - set(ids)))


def _musts(step: Operation) -> set[str]:
    return {need.step for need in step.needs if need.must}
