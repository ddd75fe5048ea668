"""The schools of choosing a size, one file each, in the order in which they are shown."""

from __future__ import annotations

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
    """Every school's answer, in the order of the schools; none of them gives a garment smaller than the body."""
    return tuple(made_to_fit(choosing, school(choosing)) for school in _SCHOOLS)
