"""Solving for one number: where a steady function reaches a goal."""

from __future__ import annotations

from collections.abc import Callable

NEAR_ENOUGH = 1e-9
MOST_TRIES = 120


def solve(of: Callable[[float], float], goal: float, low: float, high: float) -> float:
    """Where a function that grows (or falls) steadily between two values reaches a goal; the nearer end if it does not.

    By false position with the Illinois rule: the end that stays put twice counts half.
    """
    below, above = of(low) - goal, of(high) - goal
    if below * above > 0:
        return low if abs(below) < abs(above) else high
    stayed = 0
    for _ in range(MOST_TRIES):
        if below == above:
            break
        found = (low * above - high * below) / (above - below)
        off = of(found) - goal
        if abs(off) < NEAR_ENOUGH or high - low < NEAR_ENOUGH:
            return found
        if off * above > 0:
            high, above = found, off
            below = below / 2 if stayed == 1 else below
            stayed = 1
        else:
            low, below = found, off
            above = above / 2 if stayed == -1 else above
            stayed = -1
    return (low + high) / 2
