"""Strips along a bound edge: where they are, and how they lie."""

from __future__ import annotations

from rowanseed.core.make.families.free_edges import whole, whole_run
from rowanseed.core.make.families.suited import always, finds_of, why_not_of
from rowanseed.core.make.run import Run
from rowanseed.core.make.steps import Steps
from rowanseed.core.make.which import edges_of
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import FinishKind


def bound_ids(bench: Workbench) -> tuple[str, ...]:
    """Edges that a binding finishes."""
    return tuple(finish.id for finish in edges_of(bench, FinishKind.BINDING))


JOINED = "the strip's ends joined on the bias where they meet"
finds_bound = finds_of(bound_ids, always)
why_not_bound = why_not_of(bound_ids, always)


def all_along(step: Steps) -> str:
    """How far a strip is sewn: round, or from end to end."""
    return whole(step.bench, step.bench.finishes[step.id], JOINED)


def run_along(step: Steps) -> Run | None:
    """The same as it is drawn."""
    return whole_run(step.bench, step.bench.finishes[step.id], JOINED)


def stretched(step: Steps) -> str:
    """How a strip lies round a curve; empty where the edge is straight."""
    bench = step.bench
    inward = any(bench.bends.is_curved(part) for part in bench.finishes[step.id].parts)
    if not inward:
        return ""
    return (
        "Round an inward curve stretch the strip a little as you pin it, so that its inner edge lies "
        "flat; round an outward one ease it on."
    )


def not_of_a_knit(bench: Workbench) -> str:
    """Why a bias strip does not suit; empty where it does."""
    return "a knit is not bound with a bias strip, it stretches by itself" if bench.household.is_knit else ""
