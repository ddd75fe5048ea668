"""Everyday garments, altered by as much as people ask for, in every way that is offered: their seams still meet."""

import pytest

from rowanseed.core.alter.carry_out import carry_out
from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.kinds import offered
from rowanseed.core.base.errors import AlterationError
from rowanseed.core.compose.compose import compose
from rowanseed.core.pattern.finished import changes
from rowanseed.core.pattern.making import DifferenceKind
from rowanseed.core.pattern.walk import walk

from .everyday import EVERYDAY

pytestmark = pytest.mark.slow
BY = 20.0
APART = 1.25
"""So far apart, in mm, over a whole seam is not seen in sewing; what lies farther apart is told on the page."""
EASED = {
    "princess-front": 2.2,
    "neck-princess-front-facing": 1.6,
    "neck-raglan-front-facing": 1.5,
    "neck-raglan-back-facing": 1.5,
}
"""Seams of curves unlike each other, of which more is eased in, in mm."""
LENGTHS = ("sway-back", "round-back")


def ways(pattern, size):
    for kind in offered(pattern, size):
        for place in kind.places_on(pattern, size):
            for by in (BY, -BY):
                yield Alteration(kind.id, by, place.at, place.level, place.school)


def altered(pattern, size, alteration):
    """The pattern so altered; None where that is refused, in words."""
    try:
        return carry_out(pattern, size, [alteration]).pattern
    except AlterationError as refused:
        assert refused.problem and refused.remedy
        return None


@pytest.mark.parametrize("name", EVERYDAY)
def test_altered_by_two_centimetres_every_seam_still_meets(name):
    pattern = compose(EVERYDAY[name]).pattern
    size = pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]
    was = {w.join.id: w.fault for w in walk(pattern, size)}
    # What is drawn up is drawn up a little more or less.
    drawn_up = {j.id for j in pattern.making.joins if j.difference.kind is DifferenceKind.GATHERS}
    tried = 0
    for alteration in ways(pattern, size):
        now = altered(pattern, size, alteration)
        if now is None:
            continue
        tried += 1
        for found in walk(now, size):
            id = found.join.id
            if id not in drawn_up:
                assert abs(found.fault - was[id]) <= EASED.get(id, APART), (alteration, id, found.fault)
        hangs = pattern.piece("back").has_edge("neck") if any(p.id == "back" for p in pattern.pieces) else False
        if alteration.kind in LENGTHS and hangs:
            assert abs(changes(pattern, now, size, "A").get("length", 0.0)) == pytest.approx(BY, abs=1.0)
    assert tried >= 2
