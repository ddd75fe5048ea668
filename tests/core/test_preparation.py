"""What makes cloth ready, by fibre (common practice, no source)."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from rowanseed.core.base.units import Units
from rowanseed.core.cloth.cloth import Cloth, Direction, Fibre, Surface
from rowanseed.core.cloth.preparation import preparation, square_shrinkage


def _steps(fibre, **more):
    return {
        step.key: step
        for step in preparation(
            Cloth(
                name="c",
                width=1400,
                length=None,
                selvedge=12,
                direction=more.pop("direction", Direction.TWO_WAY),
                fibre=fibre,
                **more,
            ),
            Units.METRIC,
        )
    }


def test_silk_is_never_torn_and_wool_is_steamed_with_a_test_and_a_caution():
    assert "never tear silk" in _steps(Fibre.SILK)["ends"].what
    assert "Tear a strip" in _steps(Fibre.WOOL)["ends"].what
    wool = _steps(Fibre.WOOL)["shrink"]
    assert "Steam it flat" in wool.what and "ripples" in wool.why and "burn" in wool.caution


def test_washed_cloth_is_not_washed_again_and_nap_is_looked_at():
    assert {"square", "shrink"} <= set(_steps(Fibre.COTTON))
    assert not {"square", "shrink"} & set(_steps(Fibre.COTTON, washed=True))
    assert "nap" in _steps(Fibre.COTTON, direction=Direction.ONE_WAY) and "nap" not in _steps(Fibre.COTTON)


def test_short_pile_is_folded_only_where_it_will_lie_folded():
    """A lay in one layer was told to be folded with the pile inside."""
    cord = Cloth("cord", 1120, None, 12, Direction.ONE_WAY, surface=Surface.CORD)
    said = {
        folded: next(step.what for step in preparation(cord, Units.METRIC, folded=folded) if step.key == "pile")
        for folded in (True, False, None)
    }
    assert "Fold it with the pile inside" in said[True]
    assert "one layer" in said[False] and "old it" not in said[False]
    assert "one layer" in said[None] and "if folded" in said[None]


@pytest.mark.parametrize(
    ("before", "after", "share"), [(200, 190, 0.05), (200, 200, 0.0), (200, 204, 0.0), (100, 92, 0.08)]
)
def test_a_marked_square_tells_what_it_shrinks(before, after, share):
    assert square_shrinkage(before, after) == pytest.approx(share)


@given(st.floats(50, 500), st.floats(0, 0.3))
def test_buying_for_the_shrinkage_leaves_what_is_needed(needed, share):
    """needed ÷ (1 − shrinkage), washed, is what was needed: the published definition turned round."""
    bought = needed / (1 - share)
    assert square_shrinkage(bought, needed) == pytest.approx(share, abs=1e-9)
