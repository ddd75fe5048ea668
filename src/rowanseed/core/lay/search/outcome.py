"""What a race tells while it runs, and what comes of it."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass

from rowanseed.core.base.lay_errors import LayRefusal
from rowanseed.core.lay.problem import LayKind, Plan


@dataclass(frozen=True)
class Progress:
    """The shortest lay so far, in mm, how it is laid, and the seconds it has taken; `tables` of them for tables.

    `plan` gives it as a plan, not checked yet; asked for later it may be a shorter one already.
    """

    lay: str
    length: float
    elapsed: float
    tables: float
    plan: Callable[[], Plan]


@dataclass(frozen=True)
class Outcome:
    """The shortest plan over all, and of every simple kind by itself (or why there is none)."""

    best: Plan
    simple: Mapping[LayKind, Plan | LayRefusal]


OnProgress = Callable[[Progress], None]
ShouldStop = Callable[[], bool]


def silent(progress: Progress) -> None:
    """Tell nobody."""


def never() -> bool:
    return False


class NothingFits(Exception):
    """No lay holds all the pieces; `refused` says why, for each kind."""

    def __init__(self, refused: Mapping[LayKind, LayRefusal]) -> None:
        super().__init__()
        self.refused = dict(refused)
