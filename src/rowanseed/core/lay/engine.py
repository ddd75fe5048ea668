"""The lay engine: searches how the cloth is laid, and each way for its shortest lay.

Every arrangement (one stretch of a kind, or a doubled stretch and then an open one) is searched by the same
machine, which knows only admissible places. The promising ones get the time. The search can be stopped at
any moment, and no plan is given out before it has passed the exact check.
"""

from __future__ import annotations

from rowanseed.core.base.lay_errors import ClothTooShort, LayRefusal
from rowanseed.core.lay.problem import LayKind, Plan, Problem, laid
from rowanseed.core.lay.search.clock import Budget
from rowanseed.core.lay.search.outcome import NothingFits, OnProgress, Progress, ShouldStop, never, silent
from rowanseed.core.lay.search.race import race
from rowanseed.core.lay.search.tuning import TUNING, Tuning

__all__ = ["Budget", "Progress", "solve", "solve_each"]


def solve(
    problem: Problem,
    budget: Budget,
    on_progress: OnProgress = silent,
    should_stop: ShouldStop = never,
    tuning: Tuning = TUNING,
) -> Plan:
    """The shortest plan over every way of laying the cloth that the problem allows.

    Raises LayRefusal if nothing can be laid or the cloth in hand is too short, StoppedTooSoon if the search is stopped
    before the first plan.
    """
    try:
        best = race(problem, budget, on_progress, should_stop, tuning).best
    except NothingFits as error:
        raise error.refused.get(LayKind.OPEN) or next(iter(error.refused.values())) from None
    in_hand = problem.cloth.length
    if in_hand is not None and best.length > in_hand:
        raise ClothTooShort(needed=best.length, in_hand=in_hand, short_by=best.length - in_hand)
    return best


def solve_each(
    problem: Problem,
    budget: Budget,
    on_progress: OnProgress = silent,
    should_stop: ShouldStop = never,
    tuning: Tuning = TUNING,
) -> dict[str, Plan | LayRefusal]:
    """The shortest plan of every simple kind and the best of all, by how they are laid; or why there is none.

    Raises StoppedTooSoon where the search was stopped before there was a plan: that is no answer.
    """
    try:
        outcome = race(problem, budget, on_progress, should_stop, tuning)
    except NothingFits as error:
        return {kind.value: refused for kind, refused in error.refused.items()}
    out = {kind.value: answer for kind, answer in outcome.simple.items()}
    name = laid(outcome.best)
    rival = out.get(name)
    if not isinstance(rival, Plan) or outcome.best.length < rival.length:
        out[name] = outcome.best
    return out
