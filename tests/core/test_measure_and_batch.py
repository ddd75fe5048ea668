"""Pieces cut to the measure, batches, needles; allowances are common practice, no source."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st
from shapely import affinity
from shapely.geometry import box

from rowanseed.core.base.units import INCH, Units
from rowanseed.core.batch import Member, cost_each, garments, smaller, together
from rowanseed.core.cloth.cloth import Cloth, Direction, Fibre
from rowanseed.core.cloth.preparation import preparation
from rowanseed.core.garment import GarmentChoices, altered, lay_problem
from rowanseed.core.lay.engine import Budget, solve_each
from rowanseed.core.lay.problem import Plan
from rowanseed.core.make.settings import needle_for
from rowanseed.core.pattern.envelope import Structure
from rowanseed.core.pattern.pieces import Grain, Role
from rowanseed.core.sums.rectangles import Rectangle, RectangleKind, bias_yield, cut_figures, with_rectangles
from rowanseed.demo import six_gore_skirt

SKIRT = six_gore_skirt.draft()
LINEN = Cloth(name="linen", width=1450, length=4000, selvedge=10, direction=Direction.TWO_WAY, washed=True, price=20.0)


def test_cut_figures_by_hand():
    """A waistband 70 by 4 cm, a ruffle 12 cm deep on 2 m at double fullness, 2.4 m of binding 1 cm wide."""
    band = cut_figures(Rectangle(kind=RectangleKind.BAND, name="band", long=700, wide=40))
    assert (band.long.value, band.wide.value, band.parts, band.grain) == (720, 100, 1, Grain.LENGTHWISE)
    ruffle = cut_figures(Rectangle(kind=RectangleKind.RUFFLE, name="ruffle", long=2000, wide=120, fullness=2.0))
    assert (ruffle.long.value, ruffle.wide.value) == (4020, 146)
    bias = cut_figures(Rectangle(kind=RectangleKind.BIAS, name="binding", long=2400, wide=10))
    assert (bias.parts, bias.grain) == (4, Grain.BIAS)
    assert bias.wide.value == pytest.approx(4 * 10 + INCH / 8)
    assert bias.long.value == pytest.approx(600 + 20 + 40 + INCH / 8)
    tie = cut_figures(Rectangle(kind=RectangleKind.TIE, name="tie", long=900, wide=25))
    assert tie.wide.value == 70 and "2 × finished width" in tie.wide.formula


def test_a_waistband_by_the_worked_example_of_an_apron():
    """Waist 25 in: the band is cut 27 in long, an inch for the seams and an inch to lap (common practice, no
    source)."""
    band = cut_figures(Rectangle(kind=RectangleKind.WAISTBAND, name="band", long=25 * INCH, wide=1.25 * INCH))
    assert band.long.value == pytest.approx(27 * INCH)


def test_double_binding_is_cut_six_times_its_width_and_a_quarter_inch():
    """Common practice, no source: 6 × 1/2 in + 1/4 in."""
    strip = cut_figures(Rectangle(kind=RectangleKind.DOUBLE_BIAS, name="binding", long=500, wide=INCH / 2))
    assert strip.wide.value == pytest.approx(3.25 * INCH) and strip.grain is Grain.BIAS


@given(side=st.integers(200, 900), wide=st.integers(25, 60))
def test_bias_yield_is_what_a_square_really_gives(side, wide):
    """Strips at 45 degrees cut out of a square, measured with the geometry library, joined end to end."""
    square = box(0, 0, side, side)
    reach = side * math.sqrt(2)
    total, at = 0.0, -reach
    while at < reach:
        strip = affinity.rotate(box(-reach, at, reach, at + wide), 45, origin=(side / 2, side / 2))
        total += square.intersection(strip).area / wide
        at += wide
    assert bias_yield(side, side, wide).value == pytest.approx(total, rel=1e-6)


def test_rectangles_are_laid_and_cut_like_any_piece():
    strips = (
        Rectangle(kind=RectangleKind.BIAS, name="binding", long=1800, wide=10),
        Rectangle(kind=RectangleKind.STRAP, name="strap", long=400, wide=20, count=2),
    )
    pattern = with_rectangles(SKIRT, "14", strips)
    problem = lay_problem(pattern, GarmentChoices("A", "14"), Role.MAIN, LINEN)
    assert [(p.id, p.cut, p.grain) for p in problem.pieces[-2:]] == [
        ("measure-1", 3, Grain.BIAS),
        ("measure-2", 2, Grain.EITHER),
    ]
    plans = [a for a in solve_each(problem, Budget(sweeps=12)).values() if isinstance(a, Plan)]
    turns = {p.turn % 90 for plan in plans for s in plan.stretches for p in s.placements if p.piece == "measure-1"}
    assert turns == {45}
    assert with_rectangles(SKIRT, "14", ()) is SKIRT


# ---------------------------------------------------------------- the batch


def test_a_batch_lays_every_size_together_and_counts_them():
    own = altered(SKIRT, GarmentChoices("A", "14")).pattern
    members = ((Member("Nerys, size 10", "10", 2), altered(SKIRT, GarmentChoices("A", "10")).pattern),)
    both = together(own, "14", members)
    problem = lay_problem(both, GarmentChoices("A", "14"), Role.MAIN, LINEN)
    cuts = {p.id: p.cut for p in problem.pieces}
    assert cuts["side-front"] == 2 and cuts["side-front@2"] == 4
    alone = lay_problem(SKIRT, GarmentChoices("A", "10"), Role.MAIN, LINEN)
    assert problem.piece("front@2").area == pytest.approx(alone.piece("front").area)
    assert together(own, "14", ()) is own or together(own, "14", ()).pieces == own.pieces
    assert both.piece("front@2").name.endswith("Nerys, size 10")


def test_a_batch_is_counted_and_made_smaller_one_by_one():
    batch = (Member("a", "10", 2), Member("b", "12", 1))
    assert garments(batch) == 4
    assert garments(smaller(batch)) == 3 and garments(smaller(smaller(batch))) == 2
    assert smaller(smaller(smaller(batch))) == () and smaller(()) == ()


def test_cost_for_each_by_hand():
    """3.6 m at 20 for three garments: 24 each."""
    assert cost_each(3600, 20.0, 3).value == 24.0
    assert cost_each(3600, 20.0, 3, "crowns").quantity.show(Units.METRIC) == "24.00 crowns"
    assert cost_each(3600, 20.0, 3).quantity.show(Units.METRIC) == "24.00 in your money"


def test_the_needle_follows_weave_and_weight():
    """60/8 sheer, 70/10 light, 80/12 medium, 90/14 denim, 100/16 heavy; ball-point for knits, sharp for silk."""
    assert needle_for(Fibre.COTTON, weight=70) == "universal 60/8"
    assert needle_for(Fibre.COTTON, weight=330) == "universal 90/14"
    assert needle_for(Fibre.COTTON, weight=500) == "universal 100/16"
    assert needle_for(Fibre.COTTON, Structure.KNIT, 180) == "ball-point 80/12"
    assert needle_for(Fibre.SILK).startswith("sharp")


def test_knits_and_cloth_alike_on_both_sides_are_made_ready_their_own_way():
    knit = Cloth(
        name="jersey",
        width=1500,
        length=2000,
        selvedge=10,
        direction=Direction.TWO_WAY,
        structure=Structure.KNIT,
        both_sides=True,
        fibre=Fibre.ACETATE,
    )
    steps = {s.key: s for s in preparation(knit, Units.METRIC)}
    assert "ends" not in steps and "rest" in steps and "side" in steps
    assert "Soak" in steps["shrink"].what
