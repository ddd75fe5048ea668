"""Put operations into an order: every need before what needs it, at little cost.

The cost of an order: walks between stations, machines set otherwise, like work torn apart, time in which nothing is
done, and advice that is not followed. A beam search over orders finds a good one; moving runs of operations about
improves it.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

import numpy as np

from rowanseed.core.base.errors import PatternError
from rowanseed.core.make.operation import Operation

BEAM = 120
WALK = 1.0
"""Getting up and going to another station; everything else is a share of it."""
OTHER_ACT = 0.2
OTHER_FOOT = 0.15
OTHER_NEEDLE = 0.25
OTHER_STITCH = 0.05
GRAIN = 0.05
"""Every cost is a multiple of it."""
IDLE = 0.4
"""Nothing is done between an operation that has to be left for a while and the one that waits for it."""
ADVICE = 2.0
"""Advice that is not followed."""
ROUNDS = 6
LONGEST_RUN = 10


def changing(a: Operation, b: Operation) -> float:
    """What it costs to go on from one operation to the next."""
    idle = IDLE if a.waits and any(need.step == a.id for need in b.needs) else 0.0
    if a.bench is not b.bench:
        return WALK + idle + (OTHER_ACT if a.act is not b.act else 0.0)
    cost = idle + (OTHER_ACT if a.act is not b.act else 0.0)
    if a.setting and b.setting:
        cost += OTHER_FOOT * (a.setting.foot != b.setting.foot)
        cost += OTHER_NEEDLE * (a.setting.needle != b.setting.needle)
        cost += OTHER_STITCH * ((a.setting.stitch, a.setting.length) != (b.setting.stitch, b.setting.length))
    return cost


@dataclass(frozen=True)
class Graph:
    """Operations with their needs as bits, and what each change costs."""

    operations: tuple[Operation, ...]
    musts: tuple[int, ...]
    advice: tuple[int, ...]
    costs: tuple[tuple[float, ...], ...]


def graph_of(operations: Sequence[Operation]) -> Graph:
    """Raises PatternError if some operations wait for each other, which no order can satisfy."""
    index = {op.id: k for k, op in enumerate(operations)}
    musts = [0] * len(operations)
    advice = [0] * len(operations)
    for k, op in enumerate(operations):
        for need in op.needs:
            if need.step in index:
                bit = 1 << index[need.step]
                if need.must:
                    musts[k] |= bit
                else:
                    advice[k] |= bit
    graph = Graph(
        operations=tuple(operations),
        musts=tuple(musts),
        advice=tuple(advice),
        costs=tuple(tuple(changing(a, b) for b in operations) for a in operations),
    )
    _refuse_circles(graph)
    return graph


def _refuse_circles(graph: Graph) -> None:
    done, left = 0, list(range(len(graph.operations)))
    while left:
        free = [k for k in left if not graph.musts[k] & ~done]
        if not free:
            stuck = [graph.operations[k].title for k in left]
            raise PatternError(
                f"These steps wait for each other: {'; '.join(stuck[:4])}.",
                "The pattern's joins go round in a circle.",
                "making",
            )
        for k in free:
            done |= 1 << k
        left = [k for k in left if k not in free]


def sequence(operations: Sequence[Operation]) -> tuple[Operation, ...]:
    """Order operations. Raises PatternError if some need each other."""
    if not operations:
        return ()
    graph = graph_of(operations)
    order = _improved(graph, _beam(graph))
    return tuple(operations[k] for k in order)


def _beam(graph: Graph) -> list[int]:
    """The best order found by keeping, at each place, the best parts of an order.

    A part is worth its cost, then how far it strays from the written order. Of parts that have done the same and end
    alike only the best goes on. What is known of the kept parts lies in arrays, a row each.
    """
    count = len(graph.operations)
    musts, advice, costs = _matrix(graph.musts), _matrix(graph.advice), np.array(graph.costs)
    written = np.arange(count)
    done = [0]
    left = np.ones((1, count), dtype=bool)
    unmet, unheeded = musts.sum(axis=1)[None], advice.sum(axis=1)[None]
    cost, strayed = np.zeros(1), np.zeros(1, dtype=np.int64)
    taken: list[tuple[np.ndarray, np.ndarray]] = []
    for place in range(count):
        rows, nexts = np.nonzero(left & (unmet == 0))
        found = cost[rows] + ADVICE * unheeded[rows, nexts]
        if taken:
            found += costs[taken[-1][1][rows], nexts]
        straying = strayed[rows] + abs(written[nexts] - place)
        best = np.argsort(np.rint(found / GRAIN).astype(np.int64) << 24 | straying, kind="stable")
        kept: dict[tuple[int, int], int] = {}
        for one, row, k in zip(best.tolist(), rows[best].tolist(), nexts[best].tolist(), strict=True):
            kept.setdefault((done[row] | 1 << k, k), one)
            if len(kept) == BEAM:
                break
        best = np.array(list(kept.values()))
        rows, nexts, cost, strayed = rows[best], nexts[best], found[best], straying[best]
        taken.append((rows, nexts))
        done = [all_done for all_done, _ in kept]
        left = left[rows]
        left[np.arange(len(rows)), nexts] = False
        unmet = unmet[rows] - musts.T[nexts]
        unheeded = unheeded[rows] - advice.T[nexts]
    order, row = [], 0
    for rows, nexts in reversed(taken):
        order.append(int(nexts[row]))
        row = int(rows[row])
    return order[::-1]


def _matrix(needs: Sequence[int]) -> np.ndarray:
    """Needs as bits -> (n, n) of 0 and 1: row k, column j is 1 where operation k needs j."""
    count = len(needs)
    return np.array([[need >> k & 1 for k in range(count)] for need in needs], dtype=np.int64)


def _improved(graph: Graph, order: list[int]) -> list[int]:
    """Runs of operations moved to where they cost less, as long as anything is gained."""
    costs = graph.costs
    count = len(order)
    for _ in range(ROUNDS):
        gained = False
        for length in range(1, LONGEST_RUN + 1):
            for start in range(count - length + 1):
                moved = _better_place(graph, order, start, length, costs)
                if moved is not None:
                    order, gained = moved, True
        if not gained:
            break
    return order


def _better_place(
    graph: Graph, order: list[int], start: int, length: int, costs: tuple[tuple[float, ...], ...]
) -> list[int] | None:
    run = order[start : start + length]
    before = order[start - 1] if start else None
    after = order[start + length] if start + length < len(order) else None
    saved = (costs[before][run[0]] if before is not None else 0.0) + (
        costs[run[-1]][after] if after is not None else 0.0
    )
    saved -= costs[before][after] if before is not None and after is not None else 0.0
    if saved <= 1e-9:
        return None
    rest = order[:start] + order[start + length :]
    run_bits = sum(1 << k for k in run)
    wants = 0
    for k in run:
        wants |= (graph.musts[k] | graph.advice[k]) & ~run_bits
    best, at = 1e-9, None
    done = 0
    blocked = False
    for place in range(len(rest) + 1):
        if place:
            done |= 1 << rest[place - 1]
            if (graph.musts[rest[place - 1]] | graph.advice[rest[place - 1]]) & run_bits:
                blocked = True
        if blocked:
            break
        if wants & ~done or place == start:
            continue
        left = rest[place - 1] if place else None
        right = rest[place] if place < len(rest) else None
        added = (costs[left][run[0]] if left is not None else 0.0) + (
            costs[run[-1]][right] if right is not None else 0.0
        )
        added -= costs[left][right] if left is not None and right is not None else 0.0
        if saved - added > best:
            best, at = saved - added, place
    return None if at is None else rest[:at] + run + rest[at:]


def cost_of(operations: Sequence[Operation]) -> float:
    """What an order costs: the sequencer's own measure, in walks."""
    done: set[str] = set()
    known = {op.id for op in operations}
    total = 0.0
    for op in operations:
        total += sum(ADVICE for need in op.needs if not need.must and need.step in known and need.step not in done)
        done.add(op.id)
    return total + sum(changing(a, b) for a, b in pairwise(operations))


def ready(operations: Sequence[Operation], done: frozenset[str]) -> tuple[Operation, ...]:
    """Everything whose needs are met and that is not done itself."""
    known = {op.id for op in operations}
    return tuple(
        op
        for op in operations
        if op.id not in done and all(need.step in done or need.step not in known for need in op.needs if need.must)
    )


def trips(steps: Sequence[Operation]) -> int:
    """How often one gets up and goes from one station to another."""
    return sum(a.bench is not b.bench for a, b in pairwise(steps))
