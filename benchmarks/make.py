"""Making: compiling and ordering each garment, beside the optimum that a constraint solver proves, and the booklet."""

from __future__ import annotations

import time
from collections.abc import Iterator, Sequence
from dataclasses import replace

from ortools.sat.python import cp_model

from benchmarks.figures import Figure, median_seconds
from rowanseed.core.choices import ClothChoices
from rowanseed.core.derive.choice import Layers, LiningHem, LiningSchool, Pleat
from rowanseed.core.garment import derived
from rowanseed.core.make.booklet import by_the_booklet
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.sequencer import ADVICE, changing, cost_of, ready, sequence
from rowanseed.core.pattern.making import Detail, DetailKind
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.demo import overshirt, six_gore_skirt, trousers, waistcoat

SECONDS = 60.0
"""How long the solver may look for a proof."""
SCALE = 1000
LINED = Layers(lining=LiningSchool.WHOLE, hem=LiningHem.FREE, pleat=Pleat.FULL)
COAT = replace(LINED, underlined=True)
WITHIN = 1.05


def figures() -> Iterator[Figure]:
    drafts = {
        "skirt": (six_gore_skirt.draft(), "14"),
        "waistcoat": (waistcoat.draft(), "14"),
        "trousers": (trousers.draft(), "14"),
        "overshirt": (overshirt.draft(), "L"),
    }
    for name, (draft, size) in drafts.items():
        yield from _times(name, draft, size, limit=0.3)
    shirt, size = drafts["overshirt"]
    yield from _times("lined-overshirt", derived(shirt, size, "A", ClothChoices(layers=LINED), ()), size, limit=1.0)
    yield from _times("coat", coat(shirt, size), size, limit=1.0)
    for name, (draft, size) in drafts.items():
        yield from _beside_the_optimum(name, draft, size)


def coat(shirt: Pattern, size: str) -> Pattern:
    """A lined and underlined garment with trims along its seams: about 120 operations."""
    return trimmed(derived(shirt, size, "A", ClothChoices(layers=COAT), ()))


def trimmed(pattern: Pattern) -> Pattern:
    """A garment with trims along the seams of its shell."""
    shell = [j for j in pattern.making.joins if j.each_hand and "lining" not in j.id and "facing" not in j.id]
    kinds = (DetailKind.PIPING, DetailKind.TOPSTITCHING, DetailKind.BONING, DetailKind.BRAID)
    details = tuple(
        Detail(f"{kind.value}-{join.id}", f"{kind.words} of the {join.name}", kind, along=(join.id,))
        for join in shell
        for kind in kinds
    )
    return replace(pattern, making=replace(pattern.making, details=details[:26]))


def _made(draft: Pattern, size: str, choices: MakingChoices | None = None) -> tuple[Operation, ...]:
    return sequence(compile_garment(draft, "A", size, choices or MakingChoices()).operations)


def _times(name: str, draft: Pattern, size: str, *, limit: float) -> Iterator[Figure]:
    order = _made(draft, size)
    yield Figure(area="make", name=f"{name}-operations", value=len(order), limit=None)
    taken = median_seconds(lambda: _made(draft, size), 5)
    yield Figure(area="make", name=f"{name}-compile-and-order-seconds", value=taken, limit=limit)
    seam = next(join.id for join in draft.making.joins if join.each_hand)
    changed = MakingChoices(techniques=((seam, "french"),))
    again = median_seconds(lambda: _made(draft, size, changed), 5)
    yield Figure(area="make", name=f"{name}-after-one-choice-seconds", value=again, limit=limit)
    done = frozenset(op.id for op in order[: len(order) // 2])
    asked = median_seconds(lambda: ready(order, done), 9) * 1000
    yield Figure(area="make", name=f"{name}-ready-now-milliseconds", value=asked, limit=5.0)


def _beside_the_optimum(name: str, draft: Pattern, size: str) -> Iterator[Figure]:
    order = _made(draft, size)
    own = cost_of(order)
    started = time.perf_counter()
    best, bound = optimum(order, SECONDS)
    proved = abs(best - bound) < 1e-6
    yield Figure(area="make", name=f"{name}-cost", value=own, limit=None)
    yield Figure(area="make", name=f"{name}-solver-best", value=best, limit=None)
    yield Figure(area="make", name=f"{name}-solver-bound", value=bound, limit=None)
    yield Figure(area="make", name=f"{name}-solver-seconds", value=time.perf_counter() - started, limit=None)
    yield Figure(
        area="make",
        name=f"{name}-cost-to-{'optimum' if proved else 'solver-best'}",
        value=own / min(own, best),
        limit=WITHIN,
    )
    yield Figure(area="make", name=f"{name}-cost-to-bound", value=own / bound if bound else 1.0, limit=None)
    booklet = cost_of(by_the_booklet(draft, order))
    yield Figure(area="make", name=f"{name}-cost-to-booklet", value=own / booklet, limit=1.0)


def optimum(operations: Sequence[Operation], seconds: float) -> tuple[float, float]:
    """(the least cost found, the bound) of any order of these operations, by OR-Tools CP-SAT."""
    model = cp_model.CpModel()
    count = len(operations)
    index = {op.id: k for k, op in enumerate(operations)}
    place = [model.new_int_var(0, count - 1, f"place-{k}") for k in range(count)]
    model.add_all_different(place)
    arcs, costs = [], []
    for a in range(count):
        arcs += [(count, a, model.new_bool_var(f"first-{a}")), (a, count, model.new_bool_var(f"last-{a}"))]
        for b in range(count):
            if a == b:
                continue
            follows = model.new_bool_var(f"{a}-{b}")
            arcs.append((a, b, follows))
            costs.append(round(SCALE * changing(operations[a], operations[b])) * follows)
            model.add(place[b] == place[a] + 1).only_enforce_if(follows)
    model.add_circuit(arcs)
    for k, op in enumerate(operations):
        for need in op.needs:
            if need.step not in index:
                continue
            before = place[index[need.step]] < place[k]
            if need.must:
                model.add(before)
            else:
                broken = model.new_bool_var(f"broken-{k}-{need.step}")
                model.add(before).only_enforce_if(broken.negated())
                costs.append(round(SCALE * ADVICE) * broken)
        model.add_hint(place[k], k)
    model.minimize(sum(costs))
    solver = cp_model.CpSolver()
    solver.parameters.max_time_in_seconds = seconds
    solver.parameters.num_workers = 2
    solver.solve(model)
    return solver.objective_value / SCALE, solver.best_objective_bound / SCALE
