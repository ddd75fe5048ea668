"""What is left after cutting, against areas and distances of a geometry library."""

from dataclasses import replace
from itertools import pairwise

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from shapely.geometry import Polygon, box
from shapely.ops import unary_union

from rowanseed.core.base.units import Units, format_cloth
from rowanseed.core.cloth.cloth import Cloth, Direction
from rowanseed.core.cloth.extent import extent
from rowanseed.core.cloth.remainder import CUT_OFF, area_in_hand, cut_from, outline_of, remainders
from rowanseed.core.garment import GarmentChoices, altered, lay_problem
from rowanseed.core.lay.check import check
from rowanseed.core.lay.engine import Budget, solve_each
from rowanseed.core.lay.estimate import estimate
from rowanseed.core.lay.problem import LayCloth, LayKind, LayPiece, Plan, Problem
from rowanseed.core.pattern.pieces import Grain, Role
from rowanseed.demo import waistcoat

CLOTH = Cloth(name="wool", width=1500, length=2600, selvedge=15, direction=Direction.TWO_WAY, washed=True)
CHOICES = GarmentChoices("A", "14")
PATTERN = altered(waistcoat.draft(), CHOICES).pattern
PROBLEM = lay_problem(PATTERN, CHOICES, Role.MAIN, CLOTH)


def laid(problem, seed=0, sweeps=60):
    plans = [a for a in solve_each(problem, Budget(sweeps=sweeps, seed=seed)).values() if isinstance(a, Plan)]
    return min(plans, key=lambda plan: plan.length)


PLAN = laid(PROBLEM)


def at_home(left):
    """A part as a polygon of the cloth it was cut from."""
    return Polygon(left.outline)


@pytest.mark.parametrize("lay", list(LayKind))
def test_both_layers_of_doubled_cloth_are_gone(lay):
    """Area cut out of the open cloth is the area of all finished pieces, whichever way it was folded."""
    problem = replace(PROBLEM, lays=(lay,))
    cut = cut_from(laid(problem), problem.cloth)
    wanted = sum(p.area * p.cut for p in problem.pieces)
    assert unary_union(cut).area == pytest.approx(sum(p.area for p in cut), rel=1e-6)
    assert sum(p.area for p in cut) == pytest.approx(wanted, rel=1e-3) or lay is not LayKind.OPEN
    assert sum(p.area for p in cut) >= wanted * 0.999


def test_what_is_left_keeps_clear_of_what_was_cut_and_lies_on_the_cloth():
    parts = remainders([PLAN], PROBLEM.cloth, CLOTH)
    cut = unary_union(cut_from(PLAN, PROBLEM.cloth))
    frame = box(0, 0, 2600, 1500)
    assert parts[0].is_end and parts[0].cloth.width == 1500
    for k, part in enumerate(parts):
        assert at_home(part).distance(cut) >= CUT_OFF - 0.2
        assert at_home(part).difference(frame).area < 1
        assert all(at_home(part).intersection(at_home(other)).area < 1 for other in parts[:k])
    whole = sum(p.area for p in parts) + cut.area
    assert 0.93 * frame.area < whole <= frame.area


def test_the_parts_as_cloths_have_the_outlines_they_had():
    for part in remainders([PLAN], PROBLEM.cloth, CLOTH):
        rings = [Polygon(ring) for ring in outline_of(part.cloth)]
        assert max(r.area for r in rings) == pytest.approx(at_home(part).area, rel=0.01)
        assert part.cloth.washed and part.cloth.is_remainder == bool(part.cloth.gone)
        assert all(Polygon(patch).is_valid for patch in part.cloth.gone)


@pytest.mark.slow
@pytest.mark.parametrize("seed", range(8))
def test_nothing_is_laid_where_there_is_no_cloth(seed):
    """Patches stay where they are while a lay is shortened and pieces change places; the plan passes the exact
    check."""
    rest = remainders([laid(PROBLEM, seed, 30)], PROBLEM.cloth, CLOTH)[0].cloth
    problem = lay_problem(PATTERN, CHOICES, Role.INTERFACING, rest)
    assert problem.forbidden and problem.lays == (LayKind.OPEN,)
    plan = laid(problem, seed, 60)
    assert check(problem, plan) == []
    gone = unary_union([Polygon(patch) for patch in rest.gone])
    assert all(Polygon(p.outline).intersection(gone).area < 0.1 for p in plan.stretches[0].placements)


def test_a_remainder_can_be_cut_from_again():
    first = remainders([PLAN], PROBLEM.cloth, CLOTH)[0].cloth
    problem = lay_problem(PATTERN, CHOICES, Role.INTERFACING, first)
    again = remainders([laid(problem)], problem.cloth, first)
    assert again and sum(p.area for p in again) < area_in_hand(replace(first, selvedge=0))
    assert again[0].cloth.name == "wool, what is left"


def test_two_lays_from_one_cloth_lie_one_after_the_other():
    one, both = remainders([PLAN], PROBLEM.cloth, CLOTH), remainders([PLAN, PLAN], PROBLEM.cloth, CLOTH)
    assert one[0].cloth.length - both[0].cloth.length == pytest.approx(PLAN.length, abs=PLAN.length * 0.5)
    cut = sum(p.area for p in cut_from(PLAN, PROBLEM.cloth))
    assert sum(p.area for p in both) <= 2600 * 1500 - 2 * cut


def test_cloth_that_is_not_in_hand_leaves_nothing():
    assert remainders([PLAN], PROBLEM.cloth, replace(CLOTH, length=None)) == ()
    assert outline_of(replace(CLOTH, length=None)) == ()


def test_a_hole_takes_its_area_from_what_is_in_hand():
    holed = replace(CLOTH, gone=(((100.0, 100.0), (300.0, 100.0), (300.0, 250.0), (100.0, 250.0)),))
    assert area_in_hand(CLOTH) - area_in_hand(holed) == pytest.approx(200 * 150)
    assert [Polygon(r).area for r in outline_of(holed)] == pytest.approx([2600 * 1500, 200 * 150])


def test_what_is_gone_shrinks_with_its_cloth():
    raw = replace(CLOTH, washed=False, shrink_along=0.1, gone=(((0.0, 0.0), (500.0, 0.0), (500.0, 100.0)),))
    assert raw.ready_gone[0][1] == (450.0, 0.0)


@settings(max_examples=60, deadline=None)
@given(st.lists(st.tuples(st.integers(0, 2600), st.integers(1, 900), st.integers(0, 1400)), max_size=5))
def test_what_is_free_at_full_width_is_told_and_no_more(patches):
    """The longest stretch of the cloth that no patch touches, by the geometry library; the box round it is longer."""
    gone = [box(x, y, min(2600, x + long), 1500).exterior.coords[:-1] for x, long, y in patches if x < 2600]
    cloth = replace(CLOTH, gone=tuple(tuple(ring) for ring in gone))
    rest = box(0, 0, 2600, 1500).difference(unary_union([Polygon(ring) for ring in gone]))
    longest = run = 0.0
    for a, b in pairwise(sorted({0.0, 2600.0, *(x for ring in gone for x, _ in ring)})):
        is_whole = rest.intersection(box(a, 0, b, 1500)).area > (b - a) * 1500 - 1e-6
        run = run + b - a if is_whole else 0.0
        longest = max(longest, run)
    assert cloth.free_length == pytest.approx(longest, abs=1e-6)
    assert format_cloth(longest, Units.METRIC) in extent(cloth, Units.METRIC) or longest < 50


# ---------------------------------------------------------------- adding a piece never needs less


sizes = st.tuples(st.integers(60, 420), st.integers(60, 300))


@settings(max_examples=12, deadline=None)
@given(boxes=st.lists(sizes, min_size=2, max_size=6), more=sizes)
def test_adding_a_piece_never_needs_less(boxes, more):
    """The bounds hold it exactly, the search within its tolerance of 3 %."""

    def problem(of):
        pieces = tuple(
            LayPiece(
                id=f"p{k}",
                outline=((0.0, 0.0), (float(a), 0.0), (float(a), float(b)), (0.0, float(b))),
                cut=1,
                pair=False,
                fold=None,
                grain=Grain.LENGTHWISE,
            )
            for k, (a, b) in enumerate(of)
        )
        return Problem(
            name="boxes",
            cloth=LayCloth(width=700, length=None, selvedge=10, one_way=False),
            gap=3,
            lays=(LayKind.OPEN,),
            pieces=pieces,
        )

    fewer, all_of_them = problem(boxes), problem([*boxes, more])
    assert estimate(all_of_them).least >= estimate(fewer).least
    short, long = (laid(p, sweeps=40).length for p in (fewer, all_of_them))
    assert long >= short * 0.97
    assert estimate(fewer).least <= short <= estimate(fewer).most + 1
