"""The printed booklet beside the making order: the same operations by its numbers, and what was moved and why."""

from __future__ import annotations

from bisect import bisect_right
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from rowanseed.core.make.operation import Operation
from rowanseed.core.pattern.pattern import Pattern

Numbers = Mapping[str, int]
"""The place of every numbered operation in the booklet, by its id."""
LIKE_WORK = "like work is done in one go, so that you get up less often"


@dataclass(frozen=True)
class Moved:
    """An operation that comes earlier or later than the booklet has it, and why."""

    id: str
    number: str
    earlier: bool
    past: str
    """The booklet's number of the step it has passed."""
    why: str

    @property
    def said(self) -> str:
        where = "before" if self.earlier else "after"
        return f"Your booklet has this as step {self.number}. It comes {where} step {self.past} here: {self.why}."


def numbers(pattern: Pattern, operations: Sequence[Operation]) -> dict[str, int]:
    """Where the booklet has the operations that it numbers."""
    place = {step.number: k for k, step in enumerate(pattern.making.booklet)}
    return {op.id: place[op.booklet] for op in operations if op.booklet in place}


def by_the_booklet(pattern: Pattern, operations: Sequence[Operation]) -> tuple[Operation, ...]:
    """The operations in the booklet's order as far as their needs allow: what leads to a step comes just before it."""
    known = numbers(pattern, operations)
    if not known:
        return tuple(operations)
    rank = _ranks(operations, known)
    order = {op.id: k for k, op in enumerate(operations)}
    waits = {op.id: {need.step for need in op.needs if need.must and need.step in order} for op in operations}
    out: list[Operation] = []
    done: set[str] = set()
    left = list(operations)
    while left:
        free = [op for op in left if waits[op.id] <= done]
        taken = min(free, key=lambda op: (rank[op.id], order[op.id]))
        out.append(taken)
        done.add(taken.id)
        left.remove(taken)
    return tuple(out)


def _ranks(operations: Sequence[Operation], known: Numbers) -> dict[str, int]:
    """The booklet's place of every operation: its own, or that of the first step it leads to."""
    last = len(operations)
    rank = {op.id: known.get(op.id, last) for op in operations}
    changed = True
    while changed:
        changed = False
        for op in operations:
            for need in op.needs:
                if need.must and need.step in rank and need.step not in known and rank[op.id] < rank[need.step]:
                    rank[need.step] = rank[op.id]
                    changed = True
    return rank


def moved(pattern: Pattern, operations: Sequence[Operation]) -> tuple[Moved, ...]:
    """The operations that stand elsewhere than the booklet has them: the fewest whose places do not follow its
    numbers."""
    known = numbers(pattern, operations)
    numbered = [op for op in operations if op.id in known]
    kept = _rising([known[op.id] for op in numbered])
    places = {op.id: k for k, op in enumerate(operations)}
    printed = {op.id: op.booklet for op in numbered}
    found = []
    for k, op in enumerate(numbered):
        if k in kept:
            continue
        later = [o for j, o in enumerate(numbered) if j in kept and j > k and known[o.id] < known[op.id]]
        sooner = [o for j, o in enumerate(numbered) if j in kept and j < k and known[o.id] > known[op.id]]
        passed = later or sooner
        if not passed:
            continue
        other = passed[0] if later else passed[-1]
        first, second = (op, other) if later else (other, op)
        needed = _why(operations, places, first.id, second.id)
        why = f"“{second.title}” waits for what comes before it ({needed})" if needed else LIKE_WORK
        found.append(Moved(op.id, printed[op.id], bool(later), printed[other.id], why))
    return tuple(found)


def _rising(row: Sequence[int]) -> frozenset[int]:
    """The places of a longest run of figures that does not fall."""
    tails: list[int] = []
    ends: list[int] = []
    before: list[int | None] = []
    for k, figure in enumerate(row):
        at = bisect_right(tails, figure)
        before.append(ends[at - 1] if at else None)
        tails[at : at + 1] = [figure]
        ends[at : at + 1] = [k]
    kept, last = set[int](), ends[-1] if ends else None
    while last is not None:
        kept.add(last)
        last = before[last]
    return frozenset(kept)


def _why(operations: Sequence[Operation], places: Mapping[str, int], first: str, second: str) -> str:
    """Why one operation has to come before another, by the needs that lead from one to the other; empty if none do."""
    by_id = {op.id: op for op in operations}
    seen, left = {second}, [second]
    while left:
        for need in by_id[left.pop()].needs:
            if need.step == first:
                return need.why
            if need.step in by_id and need.step not in seen and places[need.step] > places[first]:
                seen.add(need.step)
                left.append(need.step)
    return ""
