"""Which parts of a kind a technique suits, told by one rule: it finds what has no reason against it."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Iterator
from functools import lru_cache

from rowanseed.core.base.same import Same
from rowanseed.core.make.technique import Duty, Finds, WhyNot, single
from rowanseed.core.make.which import seams
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Join
from rowanseed.core.pattern.pieces import Panel

Kind = Callable[[Workbench], Iterable[str]]
"""The ids of the parts of a kind."""
Rule = Callable[[Workbench, str], str]
"""Why a technique does not suit a part of its kind; empty where it does."""
SeamRule = Callable[[Workbench, Join], str]


def finds_of(kind: Kind, rule: Rule) -> Finds:
    """The parts of a kind that a technique suits, each by itself."""

    def finds(bench: Workbench) -> Iterator[Duty]:
        return (single(id) for id in kind(bench) if not rule(bench, id))

    return finds


def why_not_of(kind: Kind, rule: Rule) -> WhyNot:
    """The same rule, asked of any part: nothing is said of another kind."""
    return lambda bench, id: rule(bench, id) if id in kind(bench) else None


def always(bench: Workbench, id: str) -> str:
    """The rule of a technique that suits all of its kind."""
    return ""


def seam_ids(bench: Workbench) -> tuple[str, ...]:
    """Seams but those of a band, a collar or a cuff, whose ways are their own."""
    return _seam_ids(Same(bench))


@lru_cache(maxsize=16)
def _seam_ids(same: Same[Workbench]) -> tuple[str, ...]:
    bench = same.it
    return tuple(join.id for join in seams(bench) if Panel.BAND not in bench.panels((*join.a, *join.b)))


def finds_by(rule: SeamRule) -> Finds:
    return finds_of(seam_ids, lambda bench, id: rule(bench, bench.joins[id]))


def why_not_by(rule: SeamRule) -> WhyNot:
    return why_not_of(seam_ids, lambda bench, id: rule(bench, bench.joins[id]))
