"""Put operations into an order: every need before what needs it, at little cost.

The cost of an order: walks between stations, machines set otherwise, like work torn apart, time in which nothing is
done, and advice that is not followed. A beam search over orders finds a good one; moving runs of operations about
improves it.
"""

from __future__ import annotations

import heapq
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import NamedTuple

from rowanseed.core.base.errors import PatternError
from rowanseed.core.make.operation import Operation

BEAM = 120
WALK = 1.0
"""Getting up and going to another station; everything else is a share of it."""
OTHER_ACT = 0.2
OTHER_FOOT = 0.15
OTHER_NEEDLE = 0.25
OTHER_STITCH = 0.05
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


class _Part(NamedTuple):
    """A part of an order: what it costs, how far from the written order it strays, what is done and what is free."""

    cost: float
    lateness: int
    done: int
    free: tuple[int, ...]
    last: int
    before: _Part | None


def sequence(operations: Sequence[Operation]) -> tuple[Operation, ...]:
    """Order operations. Raises PatternError if some need each other."""
    if not operations:
        return ()
    graph = graph_of(operations)
    order = _improved(graph, _beam(graph))
    return tuple(operations[k] for k in order)


def _beam(graph: Graph) -> list[int]:
    count = len(graph.operations)
    freed_by: list[list[int]] = [[] for _ in range(count)]
    for k in range(count):
        for before in range(count):
            if graph.musts[k] >> before & 1:
                freed_by[before].append(k)
    free = tuple(k for k in range(count) if not graph.musts[k])
    beam = [_Part(0.0, 0, 0, free, -1, None)]
    for place in range(count):
        found: dict[tuple[int, int], tuple[float, int, _Part]] = {}
        for part in beam:
            costs = graph.costs[part.last] if part.before else None
            for k in part.free:
                cost = part.cost + costs[k] if costs else 0.0
                broken = graph.advice[k] & ~part.done
                if broken:
                    cost += ADVICE * broken.bit_count()
                key = (part.done | 1 << k, k)
                known = found.get(key)
                lateness = part.lateness + abs(k - place)
                if known is None or (cost, lateness) < known[:2]:
                    found[key] = (cost, lateness, part)
        best = heapq.nsmallest(BEAM, found.items(), key=lambda item: (round(item[1][0], 6), item[1][1]))
        beam = []
        for (done, k), (cost, lateness, part) in best:
            opened = [j for j in freed_by[k] if not graph.musts[j] & ~done]
            free = (*(j for j in part.free if j != k), *opened)
            beam.append(_Part(cost, lateness, done, free, k, part))
    order: list[int] = []
    last: _Part | None = beam[0]
    while last is not None and last.before is not None:
        order.append(last.last)
        last = last.before
    return order[::-1]


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
