"""What can be done to a lay on the table, one function each: from what lies there to what lies there then."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass, replace
from functools import cached_property

from rowanseed.core.base.errors import NotThere
from rowanseed.core.base.lay_errors import HeldWrong
from rowanseed.core.geometry.outline import Point
from rowanseed.core.lay import edit
from rowanseed.core.lay.edit import Fault, FaultKind, Parked
from rowanseed.core.lay.engine import Budget, solve
from rowanseed.core.lay.problem import Plan, Problem

SECONDS, SECONDS_A_PIECE, FEW = 2.0, 0.25, 10
"""How long the rest is laid again: so long, and longer for every piece beyond a few."""
SHORTER = 0.5
"""A lay that is shorter by less than this, in mm, is no better."""


@dataclass(frozen=True)
class Asked:
    """One change: what is done, to which placement, and where to. `at` and `to` are mm in the frame of its stretch."""

    do: str
    id: str = ""
    at: Point | None = None
    to: Point | None = None
    n: int = 0
    differently: bool = False


@dataclass(frozen=True)
class State:
    """What is on the table: the plan, what is pinned on it, what lies beside it."""

    plan: Plan
    pinned: frozenset[str] = frozenset()
    parked: tuple[Parked, ...] = ()


@dataclass(frozen=True)
class Here:
    """What a change is made to: the state, what of it is cut, and how it is spoken of."""

    problem: Problem
    state: State
    cut: frozenset[str]
    names: Mapping[str, str]
    said: Callable[[Fault], str]

    @property
    def plan(self) -> Plan:
        return self.state.plan

    @cached_property
    def faults(self) -> tuple[Fault, ...]:
        """What is wrong before the change: looked for only by those that need it."""
        return edit.faults(self.problem, self.plan)


Deed = Callable[[Here, Asked, str], tuple[State, str]]
"""From what is here, what is asked and the name of the piece: the state after it, and what was done in words."""


def move(here: Here, asked: Asked, name: str) -> tuple[State, str]:
    if asked.at is None:
        raise NotThere("place")
    snap = asked.do == "move" and not asked.differently
    plan = edit.move(here.problem, here.plan, asked.id, asked.at, snap=snap)
    if asked.differently:
        return replace(here.state, plan=plan, pinned=here.state.pinned | {asked.id}), f"{name} was cut differently"
    return replace(here.state, plan=plan), f"{name} moved"


def turn(here: Here, asked: Asked, name: str) -> tuple[State, str]:
    return replace(here.state, plan=edit.turn(here.problem, here.plan, asked.id)), f"{name} turned"


def mirror(here: Here, asked: Asked, name: str) -> tuple[State, str]:
    return replace(here.state, plan=edit.mirror(here.problem, here.plan, asked.id)), f"{name} turned over"


def pin(here: Here, asked: Asked, name: str) -> tuple[State, str]:
    pinned = here.state.pinned ^ {asked.id}
    return replace(here.state, pinned=pinned), f"{name} {'pinned' if asked.id in pinned else 'no longer pinned'}"


def push(here: Here, asked: Asked, name: str) -> tuple[State, str]:
    plan = edit.push_together(here.problem, here.plan, here.state.pinned | here.cut)
    return replace(here.state, plan=plan), "All pushed together"


def rest(here: Here, asked: Asked, name: str) -> tuple[State, str]:
    """Everything but what is pinned or cut laid anew, what is parked too."""
    return _laid_again(here, here.state.pinned | here.cut), "The rest laid again"


def part(here: Here, asked: Asked, name: str) -> tuple[State, str]:
    """Only what is wrong, parked or in hand is laid anew; everything else stays."""
    loose = {id for fault in here.faults for id in fault.ids[:1]} | ({asked.id} if asked.id else set())
    # Of a piece that is cut too seldom, since it lies on the wrong side, any that is not held may be the wrong one.
    loose |= {id for fault in here.faults for id in _too_seldom(here, fault)}
    keep = frozenset(id for id, _ in edit.ids(here.plan) if id not in loose) | here.state.pinned | here.cut
    return _laid_again(here, keep), "Only a part laid again"


def _too_seldom(here: Here, fault: Fault) -> frozenset[str]:
    """What lies on the cloth of a piece that is cut too seldom though none lies beside it; nothing for others."""
    if fault.kind is not FaultKind.TOO_FEW or any(one.piece == fault.piece for one in here.state.parked):
        return frozenset()
    return frozenset(id for id, p in edit.ids(here.plan) if p.piece == fault.piece)


def _stays_wrong(here: Here, fault: Fault, keep: frozenset[str]) -> bool:
    """Whether a fault is one of what is kept: where it lies, or that it is cut on one side only."""
    if fault.ids:
        return set(fault.ids) <= keep
    there = _too_seldom(here, fault)
    return bool(there) and (there <= keep or len(there & keep) > 1)


def _laid_again(here: Here, keep: frozenset[str]) -> State:
    """What is kept stays where the cloth lies as it does; the ids of pins are those of the new plan.

    Raises HeldWrong where what is kept is wrong by itself.
    """
    wrong = next((fault for fault in here.faults if _stays_wrong(here, fault, keep)), None)
    if wrong is not None:
        raise HeldWrong(here.said(wrong))
    lays = tuple(dict.fromkeys(stretch.lay for stretch in here.plan.stretches))
    number = sum(len(stretch.placements) for stretch in here.plan.stretches) + len(here.state.parked)
    seconds = SECONDS + SECONDS_A_PIECE * max(0, number - FEW)
    plan = solve(replace(here.problem, pins=edit.pins(here.plan, keep), lays=lays), Budget(seconds=seconds))
    if not here.faults and not here.state.parked and plan.length > here.plan.length - SHORTER:
        return here.state
    held = edit.pins(here.plan, here.state.pinned)
    there = [(id, edit.stretch_of(plan, id).lay, p) for id, p in edit.ids(plan)]
    pinned = frozenset(
        id
        for id, lay, p in there
        if any(p.piece == pin.piece and lay is pin.lay and _near(p.at, pin.at) for pin in held)
    )
    return State(plan, pinned)


def park(here: Here, asked: Asked, name: str) -> tuple[State, str]:
    plan, gone = edit.take_off(here.plan, asked.id)
    pinned = _pins_after(here.plan, plan, here.state.pinned - {asked.id})
    return State(plan, pinned, (*here.state.parked, gone)), f"{name} beside the cloth"


def unpark(here: Here, asked: Asked, name: str) -> tuple[State, str]:
    if not 0 <= asked.n < len(here.state.parked):
        raise NotThere("piece")
    one = here.state.parked[asked.n]
    plan, _ = edit.put_on(here.problem, here.plan, one)
    parked = tuple(other for k, other in enumerate(here.state.parked) if k != asked.n)
    return State(plan, here.state.pinned, parked), f"{here.names[one.piece]} on the cloth again"


def to_stretch(here: Here, asked: Asked, name: str) -> tuple[State, str]:
    plan, _ = edit.to_stretch(here.problem, here.plan, asked.id, asked.n)
    pinned = _pins_after(here.plan, plan, here.state.pinned - {asked.id})
    return replace(here.state, plan=plan, pinned=pinned), f"{name} on another stretch"


def exchange(here: Here, asked: Asked, name: str) -> tuple[State, str]:
    plan = edit.exchange(here.problem, here.plan, asked.n)
    pinned = _pins_after(here.plan, plan, here.state.pinned)
    return replace(here.state, plan=plan, pinned=pinned), "Stretches exchanged"


def _near(a: Point, b: Point) -> bool:
    return abs(a[0] - b[0]) + abs(a[1] - b[1]) < 0.1


def _pins_after(before: Plan, after: Plan, pinned: frozenset[str]) -> frozenset[str]:
    """Pins after placements have been given other ids: by the piece and its place."""
    held = [edit.placement(before, id) for id in pinned]
    return frozenset(id for id, p in edit.ids(after) if any(p.piece == h.piece and _near(p.at, h.at) for h in held))


DEEDS: Mapping[str, Deed] = {
    "move": move,
    "nudge": move,
    "turn": turn,
    "mirror": mirror,
    "pin": pin,
    "push": push,
    "rest": rest,
    "part": part,
    "park": park,
    "unpark": unpark,
    "stretch": to_stretch,
    "exchange": exchange,
}
OF_A_PIECE = frozenset({"move", "nudge", "turn", "mirror", "pin", "park", "stretch"})
MOVING = OF_A_PIECE - {"pin"}
