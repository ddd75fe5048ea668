"""The schools of choosing a size, one file each, in the order in which they are shown."""

from __future__ import annotations

from collections.abc import Callable

from rowanseed.core.sizing.as_cut import as_cut
from rowanseed.core.sizing.proposal import Choosing, Proposal, School, made_to_fit
from rowanseed.core.sizing.schools.between import between_sizes
from rowanseed.core.sizing.schools.chart import chart
from rowanseed.core.sizing.schools.ease import ease
from rowanseed.core.sizing.schools.high_bust import high_bust
from rowanseed.core.sizing.schools.outer import outer
from rowanseed.core.sizing.schools.recommend import recommended
from rowanseed.core.sizing.schools.to_measure import to_measure

__all__ = ["Choosing", "Proposal", "School", "between_sizes", "proposals", "recommended"]

_SCHOOLS = (chart, high_bust, ease, between_sizes, outer, to_measure)


def proposals(choosing: Choosing) -> tuple[Proposal, ...]:
    """Every school's answer, in the order of the schools, with what its pieces then measure; none of them gives a
    garment smaller than the body."""
    return tuple(_answer(choosing, school) for school in _SCHOOLS)


def _answer(c: Choosing, school: Callable[[Choosing], Proposal]) -> Proposal:
    given = as_cut(c, school(c))
    fitting = made_to_fit(c, given)
    return fitting if fitting is given else as_cut(c, fitting)
