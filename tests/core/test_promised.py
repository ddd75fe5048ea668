"""What a school of choosing promises of a garment is what its pieces measure once that is carried out."""

import random

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from rowanseed.core.alter.carry_out import carry_out
from rowanseed.core.base.units import Units
from rowanseed.core.choices import Decisions, FitChoices, Habits
from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.pattern.making import DifferenceKind
from rowanseed.core.pattern.walk import walk
from rowanseed.core.project import Project
from rowanseed.core.sizing.ease import ON_A_TAPE, Sits
from rowanseed.core.sizing.wish import Fit, Over, Wish

from .descriptions import whole_ones
from .everyday import EVERYDAY, everyday

pytestmark = pytest.mark.slow
BODIES = 6
EASED = 6.0
"""Princess seams blended over several sizes differ by this much at most, in mm, and that is told."""


def bodies(seed, pattern, *, off=30.0):
    """People of whom now and then a measure is another size's, or was never taken."""
    rnd = random.Random(seed)
    chart, sizes = pattern.envelope.body_chart, pattern.envelope.sizes
    for _ in range(BODIES):
        measured = [m for m in chart if rnd.random() < 0.85]
        body = {m: chart[m][rnd.choice(sizes)] + rnd.uniform(-off, off) for m in measured} or {"bust": 900.0}
        if "bust" in body and rnd.random() < 0.5:
            body["high_bust"] = body["bust"] - rnd.uniform(0.0, 140.0)
        yield body


def promised_and_kept(pattern, body, wish):
    """(proposal, the project that follows it) of every school that applies."""
    start = Decisions("A", pattern.envelope.sizes[0], fit=FitChoices(wish=wish))
    for found in Project(pattern, body, start, {}).proposals:
        if found.applies:
            fit = FitChoices(alterations=found.alterations, blend=found.blend, altered_in=found.size, wish=wish)
            yield found, Project(pattern, body, Decisions("A", found.size, fit=fit), {})


def assert_kept(found, project):
    """A bust adjustment of a top without darts was not said to widen its hip; other proposals were refused at once."""
    assert project.refusals == ()
    measured = {row.measure: row for row in project.rows}
    for row in found.rows:
        if row.ease is not None:
            assert measured[row.measure].ease == pytest.approx(row.ease, abs=ON_A_TAPE), (found, row)
            assert row.sits is not Sits.SMALLER or "No size fits" in found.reason, (found, row)


@pytest.mark.parametrize("name", EVERYDAY)
def test_what_is_promised_is_what_the_pieces_then_measure(name):
    """A blouse had its hip promised in a size that nothing of it was cut in: 9 cm of ease that were not there."""
    pattern = everyday(name)
    promised = 0
    for body in bodies(name, pattern):
        for found, project in promised_and_kept(pattern, body, Wish()):
            promised += 1
            assert_kept(found, project)
            altered = carry_out(pattern, found.size, found.alterations, found.blend).pattern
            sewn = (w for w in walk(altered, found.size) if w.join.difference.kind is not DifferenceKind.GATHERS)
            assert [w.join.id for w in sewn if not w.walks and abs(w.fault) > EASED] == []
    assert promised


@given(whole_ones, st.integers(0, 10**6))
@settings(max_examples=60, suppress_health_check=list(HealthCheck), deadline=None)
def test_whatever_is_described_and_whoever_it_is_for(described, seed):
    """Bodies far off the chart too, and wishes: what cannot be carried out is no proposal."""
    try:
        pattern = compose(described).pattern
    except DescriptionRefused:
        return
    luck = random.Random(seed)
    wish = Wish(luck.choice(list(Fit)), luck.choice(list(Over)), luck.choice([0.0, 0.2]), worn_open=luck.random() < 0.2)
    for body in bodies(seed, pattern, off=luck.choice([20.0, 60.0, 200.0])):
        for found, project in promised_and_kept(pattern, body, wish):
            assert_kept(found, project)


def test_what_the_pieces_do_not_allow_is_told_by_their_names_in_the_household_s_units():
    """It was told by ids and in centimetres."""
    told = set()
    for name, pattern in ((name, everyday(name)) for name in EVERYDAY):
        for body in bodies(name, pattern, off=200.0):
            start = Project(pattern, body, Decisions("A", pattern.envelope.sizes[0]), {}, habits=Habits(Units.IMPERIAL))
            told |= {p.reason for p in start.proposals if "pieces do not allow" in p.reason}
    assert told
    for reason in told:
        assert " cm" not in reason and " mm" not in reason
        assert not any(f"“{piece.id}”" in reason for name in EVERYDAY for piece in everyday(name).pieces)
