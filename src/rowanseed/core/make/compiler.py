"""Compile a garment's graph into steps with what each of them needs; the order is worked out after.

Every rule is common practice (no source): staystitch curved edges that will be handled, interface before
joining, darts first, press a seam before another crosses it, neaten before a seam that is pressed open and after
one that is pressed to a side, an invisible zip before the seam below it, facing and waistband after the zip,
a collar made up before it is put on, a sleeveless lined shape closed at the sides last, the hem last, try-ons
where the fit can still be changed.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.make import closing, edges, flat, graph, linings
from rowanseed.core.make.seams import seam_steps
from rowanseed.core.make.steps import After, MakingStep
from rowanseed.core.make.workbench import MakingChoices, Workbench
from rowanseed.core.pattern.making import Join
from rowanseed.core.pattern.pattern import Pattern

__all__ = ["MakingChoices", "compile_steps"]


def compile_steps(pattern: Pattern, view: str, size: str, household: MakingChoices) -> tuple[MakingStep, ...]:
    """Every step of making a garment, each with what it needs; empty if the pattern has no joins.

    Needs that point at steps which this garment does not have are dropped.
    """
    if not pattern.making.joins:
        return ()
    bench = Workbench(pattern=pattern, view=view, size=size, household=household)
    steps = [
        *flat.samples(bench),
        *linings.underlining(bench),
        *flat.staystitching(bench),
        *flat.interfacing(bench),
        *flat.darts(bench),
        *flat.small_parts(bench),
        *(step for join in pattern.making.joins for step in _join(bench, join)),
        *edges.facing_edges(bench),
        *edges.bands_closed(bench),
        *linings.pleats(bench),
        *linings.laid_in(bench),
        *edges.turned_out(bench),
        *closing.try_on(bench),
        *closing.fastenings(bench),
        *(step for finish in graph.hems(pattern.making) for step in closing.hem(bench, finish)),
    ]
    known = {step.id for step in steps}
    steps = [_with_known_needs(_tried_first(step), known) for step in steps]
    waited_for = {need.step for step in steps for need in step.needs}
    last = [After(step.id, "everything else is done") for step in steps if step.id not in waited_for]
    return (*steps, *(replace(step, needs=tuple(last)) for step in closing.last_press()))


def _join(bench: Workbench, join: Join) -> Iterator[MakingStep]:
    if edges.encloses(bench, join):
        return edges.enclosing(bench, join)
    if graph.faces(join, bench.pattern.making) and not bench.linings & graph.pieces_of((*join.a, *join.b)):
        return edges.facing_steps(bench, join)
    if bench.is_turned_corner(join):
        return edges.turned_corner(bench, join)
    return seam_steps(bench, join)


def _tried_first(step: MakingStep) -> MakingStep:
    """Every machine step waits for its setting to be tried on a scrap."""
    if step.setting is None or step.id == "sample-stitch":
        return step
    return replace(step, needs=(*step.needs, After("sample-stitch", "the setting is tried on a scrap first")))


def _with_known_needs(step: MakingStep, known: set[str]) -> MakingStep:
    needs = {need.step: need for need in step.needs if need.step in known and need.step != step.id}
    return replace(step, needs=tuple(needs.values()))
