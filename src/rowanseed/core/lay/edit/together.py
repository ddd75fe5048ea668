"""What is done to many pieces at once: pushed together, put right, laid again around those that are pinned."""

from __future__ import annotations

from dataclasses import replace

from shapely.geometry import Polygon
from shapely.ops import unary_union

from rowanseed.core.lay.edit.faults import Fault, FaultKind
from rowanseed.core.lay.edit.moves import about_its_middle, is_free, matched, snapped
from rowanseed.core.lay.edit.placements import ids, others, placement, put, region, shift, stretch_of
from rowanseed.core.lay.problem import LayKind, Pin, Plan, Problem, Stretch

STEP = 4.0


def push_together(problem: Problem, plan: Plan, pinned: frozenset[str] = frozenset()) -> Plan:
    """Every piece pushed towards the start as far as its neighbours let it, the nearest first; pinned ones stay.

    Pieces that are matched along the cloth go by whole repeats.
    """
    order = sorted((id for id, _ in ids(plan)), key=lambda id: (id.partition(".")[0], placement(plan, id).box[0]))
    for id in order:
        if id not in pinned:
            plan = _pushed(problem, plan, id)
    return plan


def _pushed(problem: Problem, plan: Plan, id: str) -> Plan:
    laid = placement(plan, id)
    own, rest = Polygon(laid.outline), unary_union(others(plan, id))
    room = own.bounds[0]
    matched = any(m.axis == "x" and any(p.piece == laid.piece for p in m.points) for m in problem.matches)
    repeat = problem.cloth.repeat_x if matched else None
    step = repeat or STEP
    gone = 0.0
    while gone + step <= room + 1e-9 and is_free(own, rest, problem.gap, -(gone + step)):
        gone += step
    if repeat is None:
        fine = STEP
        while fine > 0.05:
            fine /= 2
            if gone + fine <= room and is_free(own, rest, problem.gap, -(gone + fine)):
                gone += fine
        if room - gone < 0.1 and is_free(own, rest, problem.gap, -room):
            gone = room
    return put(plan, id, shift(problem, laid, -gone, 0.0)) if gone else plan


def mend(problem: Problem, plan: Plan, fault: Fault) -> Plan:
    """The nearest way to put a fault right: into the cloth, onto the fold, to the print, along to where it is free."""
    id = fault.ids[-1]
    laid = placement(plan, id)
    piece, stretch = problem.piece(laid.piece), stretch_of(plan, id)
    if fault.kind is FaultKind.OFF_GRAIN:
        allowed = piece.turns(problem.cloth, mirrored=laid.mirrored)
        return about_its_middle(problem, plan, id, replace(laid, turn=float(allowed[0])))
    strip = region(problem, stretch, laid)
    left, low, _, high = laid.box
    dy = max(0.0, strip.low - low) - max(0.0, high - strip.high)
    inside = shift(problem, laid, max(0.0, -left), dy)
    mended = snapped(problem, plan, id, piece, stretch, inside)
    own, rest = Polygon(mended.outline), unary_union([*others(plan, id), *_flaws(problem, stretch)])
    far = plan.length + own.bounds[2]
    gone = 0.0
    while gone < far and not is_free(own, rest, problem.gap, gone):
        gone += STEP
    fine = STEP
    while gone and fine > 0.05:
        fine /= 2
        if is_free(own, rest, problem.gap, gone - fine):
            gone -= fine
    mended = shift(problem, mended, gone, 0.0)
    _, mended = matched(problem, plan, id, mended, held_y=True)
    return put(plan, id, mended)


def _flaws(problem: Problem, stretch: Stretch) -> list[Polygon]:
    """Patches that nothing may touch, as they lie on an open stretch; cloth with flaws is laid no other way."""
    if stretch.lay is not LayKind.OPEN:
        return []
    return [Polygon([(x - stretch.start, y) for x, y in patch]) for patch in problem.forbidden]


def pins(plan: Plan, pinned: frozenset[str]) -> tuple[Pin, ...]:
    """What stays where it is while the rest is laid again.

    A lay has one stretch of a kind: what lies on another stretch laid the same way lies so far behind the first one's.
    """
    behind, reached = [], dict[LayKind, float]()
    for stretch in plan.stretches:
        behind.append(reached.get(stretch.lay, 0.0))
        reached[stretch.lay] = behind[-1] + stretch.end - stretch.start
    out = []
    for id, p in ids(plan):
        if id in pinned:
            at = (p.at[0] + behind[int(id.partition(".")[0])], p.at[1])
            out.append(Pin(stretch_of(plan, id).lay, p.piece, p.turn, p.mirrored, p.whole, at))
    return tuple(out)
