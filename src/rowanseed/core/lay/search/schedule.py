"""Which arrangement gets the next slice of time: all in turn, then those near the best, at last the best alone."""

from __future__ import annotations

from collections.abc import Collection, Sequence
from dataclasses import dataclass

from rowanseed.core.lay.search.tuning import Racing


@dataclass(frozen=True)
class Runner:
    """An arrangement in the race: its number, the length it has come to, and whether it is one simple kind."""

    number: int
    length: float
    simple: bool


def next_runner(
    runners: Sequence[Runner], *, share: float, turn: int, racing: Racing, entered: int | None = None
) -> int | None:
    """The number of the arrangement to work on; None where nothing can be gained any more.

    `runners` are those that may still be shortened, `entered` is how many there are with those that may not. `share` is
    the share of the budget used, `turn` counts slices.
    """
    ranked = sorted(runners, key=lambda runner: runner.length)
    if not ranked:
        return None
    best = ranked[0]
    if (len(runners) if entered is None else entered) == 1 or share > racing.best_alone:
        return best.number
    if share < racing.first_look:
        return ranked[turn % len(ranked)].number
    if turn % racing.for_comparison == 0:
        kinds = [runner for runner in ranked if runner.simple]
        return kinds[turn // racing.for_comparison % len(kinds)].number if kinds else best.number
    near = [runner for runner in ranked if runner.length < best.length * racing.in_the_running]
    near = near[: racing.in_the_running_at_most]
    return best.number if turn % 2 else near[turn // 2 % len(near)].number


def wants_a_neighbour(*, share: float, turn: int, racing: Racing, mixes: Collection[object]) -> bool:
    """Whether a mix beside the best one is entered now."""
    return racing.first_look < share <= racing.best_alone and turn % racing.neighbour_every == 0 and bool(mixes)
