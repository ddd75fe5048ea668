"""What a benchmark reports: one figure with the limit it is held to."""

from __future__ import annotations

import statistics
import time
from collections.abc import Callable
from dataclasses import dataclass


@dataclass(frozen=True)
class Figure:
    """`value` is to be at most `limit` (at least, with `at_least`); no limit means it is only reported."""

    area: str
    name: str
    value: float
    limit: float | None
    at_least: bool = False

    def line(self) -> str:
        if self.limit is None:
            return f"{self.area} {self.name} {self.value:.5g} - ok"
        good = self.value >= self.limit if self.at_least else self.value <= self.limit
        return f"{self.area} {self.name} {self.value:.5g} {self.limit:.4g} {'ok' if good else 'short'}"


def median_seconds(work: Callable[[], object], times: int) -> float:
    """Median wall-clock time of running something."""
    taken = []
    for _ in range(times):
        start = time.perf_counter()
        work()
        taken.append(time.perf_counter() - start)
    return statistics.median(taken)
