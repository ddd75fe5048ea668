"""From lay to shop: shrinkage arithmetic, rounding up, and whether the cloth will do.

Shrinkage as dimensional change, (before − after) / before: AATCC 135 and ISO 5077 express it so, with
the sign reversed (from memory).
"""

import pytest

from rowanseed.core.base.units import Units
from rowanseed.core.cloth.cloth import Cloth, Direction
from rowanseed.core.cloth.yardage import lay_to_use, need, printed, will_it_do
from rowanseed.core.lay.problem import LayKind, Placement, Plan, Stretch
from rowanseed.core.pattern.envelope import Envelope, PrintedYardage, View
from rowanseed.core.pattern.pieces import Role


def _cloth(length=None, **more):
    return Cloth(name="test", width=1120, length=length, selvedge=12, direction=Direction.TWO_WAY, **more)


def test_each_step_adds_to_the_one_before():
    found = need(1300, _cloth(shrink_along=0.05), 3, Units.METRIC)
    assert found.ready.value == 1350
    assert found.before_washing.value == pytest.approx(1350 / 0.95)
    assert found.to_buy.value == 1500
    assert [w.name for w in found.to_buy.steps()][-1] == "To buy"


def test_what_is_bought_shrinks_to_at_least_what_is_needed():
    for shrinkage in (0.0, 0.03, 0.08, 0.2):
        for units in Units:
            found = need(1777, _cloth(shrink_along=shrinkage), 3, units)
            assert found.to_buy.value * (1 - shrinkage) >= found.ready.value - 0.01


def test_washed_cloth_does_not_shrink_again():
    assert need(1300, _cloth(shrink_along=0.05, washed=True), 3, Units.METRIC).before_washing.value == 1350


@pytest.mark.parametrize(("in_hand", "enough", "spare"), [(1500, True, 75), (1421.1, True, 0), (1300, False, 115)])
def test_will_it_do(in_hand, enough, spare):
    cloth = _cloth(in_hand, shrink_along=0.05)
    verdict = will_it_do(need(1300, cloth, 3, Units.METRIC), cloth)
    assert verdict is not None
    assert verdict.enough is enough
    assert verdict.spare.value == pytest.approx(spare, abs=0.1)


def test_what_other_parts_take_from_the_same_cloth_is_not_in_hand():
    """2 m washed, 1.35 m ready to cut, 40 cm for the facings: 25 cm are left over."""
    cloth = _cloth(2000, washed=True)
    verdict = will_it_do(need(1300, cloth, 3, Units.METRIC), cloth, taken=400)
    assert verdict is not None and verdict.enough and verdict.spare.value == pytest.approx(250)
    assert "less the other parts" in verdict.spare.formula
    assert not will_it_do(need(1300, cloth, 3, Units.METRIC), cloth, taken=700).enough


def test_no_cloth_in_hand_is_no_verdict():
    assert will_it_do(need(1300, _cloth(), 3, Units.METRIC), _cloth()) is None


def test_the_envelopes_figure_is_never_one_for_wider_cloth_or_the_wrong_direction():
    lines = tuple(
        PrintedYardage(view="A", size="12", role=Role.MAIN, width=width, one_way=one_way, length=length)
        for width, one_way, length in ((1120, False, 1700), (1120, True, 2000), (1500, True, 1500))
    )
    envelope = Envelope((View("A", ""),), ("12",), yardage=lines)
    two_way = printed(envelope, "A", "12", Role.MAIN, _cloth())
    assert two_way is not None and two_way.length == 1700
    napped = Cloth(name="nap", width=1480, length=None, selvedge=12, direction=Direction.ONE_WAY)
    wide = printed(envelope, "A", "12", Role.MAIN, napped)
    assert wide is not None and wide.length == 1500
    assert (
        printed(
            envelope,
            "A",
            "12",
            Role.MAIN,
            Cloth(name="narrow", width=900, length=None, selvedge=12, direction=Direction.TWO_WAY),
        )
        is None
    )


def test_an_easier_lay_is_not_taken_where_it_would_be_too_long():
    """Folded, 6 mm longer and half as much to cut; it is taken on any cloth but one that ends between the two."""

    def plan(length, pieces):
        placed = tuple(
            Placement(piece="p", turn=0.0, mirrored=False, whole=True, at=(0.0, 0.0), outline=()) for _ in range(pieces)
        )
        return Plan(length, (Stretch(lay=LayKind.OPEN, depth=None, start=0.0, end=length, placements=placed),))

    plans = {"open": plan(1000.0, 8), "folded": plan(1006.0, 4)}
    for length, name in ((None, "folded"), (2000.0, "folded"), (1053.0, "open"), (500.0, "folded")):
        cloth = Cloth(name="c", width=1400, length=length, selvedge=10, direction=Direction.TWO_WAY, washed=True)
        assert lay_to_use(plans, cloth) == name
