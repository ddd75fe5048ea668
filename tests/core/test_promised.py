"""What a school of choosing promises of a garment is what its pieces measure once that is carried out."""

import random

import pytest

from rowanseed.core.alter.carry_out import carry_out
from rowanseed.core.choices import Decisions, FitChoices
from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.vocabulary import Shaping
from rowanseed.core.pattern.making import DifferenceKind
from rowanseed.core.pattern.walk import walk
from rowanseed.core.project import Project
from rowanseed.core.sizing.proposal import School

from .everyday import EVERYDAY

pytestmark = pytest.mark.slow
BODIES = 6
NEAR, FULL = 5.0, 16.0
"""How far the ease of a blended garment may be from what was promised, in mm: what hangs in gathers or pleats below a
yoke is so many times as wide, and changes by so much more."""
EASED = 6.0
"""Princess seams blended over several sizes differ by this much at most, in mm, and that is told."""


def bodies(name, pattern):
    """People of whom now and then a measure is another size's, or was never taken."""
    rnd = random.Random(name)
    chart, sizes = pattern.envelope.body_chart, pattern.envelope.sizes
    for _ in range(BODIES):
        measured = [m for m in chart if rnd.random() < 0.85]
        yield {m: chart[m][rnd.choice(sizes)] + rnd.uniform(-30.0, 30.0) for m in measured} or {"bust": 900.0}


@pytest.mark.parametrize("name", EVERYDAY)
def test_what_is_promised_is_what_the_pieces_then_measure(name):
    """A blouse had its hip promised in a size that nothing of it was cut in: 9 cm of ease that were not there."""
    described = EVERYDAY[name]
    pattern = compose(described).pattern
    full = any(side.has(Shaping.GATHERS_UNDER_YOKE, Shaping.PLEAT_UNDER_YOKE) for _, side in described.features.sides)
    promised = 0
    for body in bodies(name, pattern):
        start = Decisions("A", pattern.envelope.sizes[0])
        for found in Project(pattern, body, start, {}).proposals:
            if found.size is None or found.school is School.TO_MEASURE:
                continue
            promised += 1
            altered = carry_out(pattern, found.size, found.alterations, found.blend).pattern
            sewn = (w for w in walk(altered, found.size) if w.join.difference.kind is not DifferenceKind.GATHERS)
            assert [w.join.id for w in sewn if not w.walks and abs(w.fault) > EASED] == []
            fit = FitChoices(alterations=found.alterations, blend=found.blend, altered_in=found.size)
            project = Project(pattern, body, Decisions("A", found.size, fit=fit), {})
            measured = {row.measure: row.ease for row in project.rows}
            for row in found.rows:
                if row.ease is not None and measured.get(row.measure) is not None:
                    assert measured[row.measure] == pytest.approx(row.ease, abs=FULL if full else NEAR), (found, row)
    assert promised
