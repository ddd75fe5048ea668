"""How long to search, and how much of that is used."""

from __future__ import annotations

import time
from dataclasses import dataclass


@dataclass(frozen=True)
class Budget:
    """How long to search: by the clock, or for a repeatable answer by `sweeps` (then on one thread).

    With `computing` the seconds are those of this process's own computing, so that a busy machine gives as good an
    answer, only later (at most `Racing.patience` times).
    """

    seconds: float | None = None
    sweeps: int | None = None
    seed: int = 1
    threads: int = 2
    computing: bool = False


class Clock:
    """How much of a budget is used. What the tables take is not taken from a search by computing: it depends on how
    finely the pieces are drawn."""

    def __init__(self, budget: Budget, patience: float) -> None:
        self.budget, self.patience = budget, patience
        self.started = self.searching = time.monotonic()
        self.computed = time.process_time()
        self.tabulated = 0.0
        self.sweeps_done = 0

    def tables_are_made(self) -> None:
        self.tabulated = time.monotonic() - self.started
        self.searching, self.computed = time.monotonic(), time.process_time()

    @property
    def elapsed(self) -> float:
        return time.monotonic() - self.started

    def share(self) -> float:
        """How much is used, 0 to 1 and beyond."""
        if self.budget.sweeps is not None:
            return self.sweeps_done / max(1, self.budget.sweeps)
        if self.budget.seconds is None:
            return 1.0
        used = self.elapsed
        if self.budget.computing:
            used = max(time.process_time() - self.computed, (time.monotonic() - self.searching) / self.patience)
        return used / max(1e-9, self.budget.seconds)
