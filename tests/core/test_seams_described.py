"""Taking in and letting out at a seam, on anything described: the garment changes by what was asked, there alone."""

import random

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from rowanseed.core.alter.carry_out import carry_out
from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.seam import takeable
from rowanseed.core.alter.seam_run import levels_crossed
from rowanseed.core.base.craft_refusals import AlterationError
from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.description import Description, Features, Opening, Side
from rowanseed.core.compose.vocabulary import Centre, GarmentKind, OpeningKind, Shaping, Waist, Where
from rowanseed.core.pattern.finished import girths

from .descriptions import whole_ones
from .everyday import EVERYDAY, everyday

NEAR = 0.03
"""How far the change may be from what was asked, as a share."""
SLEEVE = "upper_arm"
"""A sleeve follows the side that it is set into, unless its cap shall fit by itself."""


def changed(pattern, size, seam, level, by):
    """Measure → mm by which the garment is wider after a seam was let out; None where it is refused."""
    try:
        altered = carry_out(pattern, size, (Alteration("seam", by, seam, level),)).pattern
    except AlterationError:
        return None
    before, after = girths(pattern, size, "A"), girths(altered, size, "A")
    return {measure: after[measure] - before[measure] for measure in before}


def seams(pattern, size):
    measured = girths(pattern, size, "A")
    for seam in takeable(pattern):
        for level in levels_crossed(pattern, size, seam):
            if level in measured:
                yield seam.id, level


def assert_there_alone(pattern, size, seam, level, by):
    found = changed(pattern, size, seam, level, by)
    if found is None:
        return
    assert found.pop(level) == pytest.approx(by, abs=max(1.0, abs(by) * NEAR))
    found.pop(SLEEVE, None)
    assert found == pytest.approx(dict.fromkeys(found, 0.0), abs=max(1.0, abs(by) * NEAR)), (seam, level)


@pytest.mark.parametrize("name", EVERYDAY)
def test_a_seam_changes_the_garment_by_what_is_asked_and_nothing_at_other_levels(name):
    """Where a bust dart lets the levels of front and back lie apart, the bust went with the waist."""
    pattern = everyday(name)
    size = pattern.envelope.sizes[len(name) % len(pattern.envelope.sizes)]
    for seam, level in seams(pattern, size):
        for by in (-30.0, 40.0):
            assert_there_alone(pattern, size, seam, level, by)


@pytest.mark.slow
@given(whole_ones, st.integers(0, 10**6))
@settings(max_examples=60, suppress_health_check=list(HealthCheck), deadline=None)
def test_so_does_a_seam_of_anything_described(described, seed):
    try:
        pattern = compose(described).pattern
    except DescriptionRefused:
        return
    luck = random.Random(seed)
    size = luck.choice(pattern.envelope.sizes)
    for seam, level in seams(pattern, size):
        assert_there_alone(pattern, size, seam, level, luck.choice([-30.0, 15.0, 40.0]))


def test_a_side_with_a_band_let_in_is_let_out_at_the_bust():
    """The band is drawn apart from the bodice: its side was taken for the whole seam, and the bust stayed as it was."""
    front, zip_behind = Side(Centre.FOLD, (Shaping.BUST_DART,)), Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP)
    described = Description(
        name="Let in",
        garment=GarmentKind.DRESS,
        features=Features(front=front, back=Side(Centre.SEAM), opening=zip_behind, waist=Waist.PLAIN_BAND),
    )
    pattern = compose(described).pattern
    size = pattern.envelope.sizes[2]
    assert changed(pattern, size, "sides", "bust", 60.0)["bust"] == pytest.approx(60.0, abs=0.5)


def test_a_centre_seam_taken_in_above_a_vent_leaves_the_hip_beside_the_vent():
    described = Description(
        name="Vented",
        garment=GarmentKind.TOP,
        features=Features(front=Side(Centre.OPEN), back=Side(Centre.SEAM), vent=True),
    )
    pattern = compose(described).pattern
    size = pattern.envelope.sizes[2]
    found = changed(pattern, size, "centre-back", "waist", -24.0)
    assert found["waist"] == pytest.approx(-24.0, abs=0.5)
    assert found["hip"] == pytest.approx(0.0, abs=0.5)
