"""A notion to buy, with its sum."""

from __future__ import annotations

import math
from dataclasses import dataclass

from rowanseed.core.base.working import Working
from rowanseed.core.notions.sorts import Sort


@dataclass(frozen=True)
class InUse:
    """What several garments are sewn from as long as it lasts: `at_once` of it are in use, each `reach` mm long."""

    at_once: int
    reach: float

    def number(self, mm: float) -> int:
        """How many of it are needed for a length that is used up evenly from all in use."""
        return self.at_once * max(1, math.ceil(mm / self.at_once / self.reach))


@dataclass(frozen=True)
class NotionToBuy:
    """A thing to buy: what, how many, in words, with the sum; `sort` says where a shop keeps it.

    `unit` is what it is sold by (`card`, `spool`); without one it is bought by the length its sum gives.
    """

    sort: Sort
    what: str
    count: int
    working: Working
    unit: str = ""
    in_use: InUse | None = None
    """How several garments are sewn from the same; None where each has its own."""

    @property
    def length(self) -> float | None:
        """How much of it in mm, where it is bought by length."""
        return self.working.value * self.count if not self.unit else None
