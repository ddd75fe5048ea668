"""Walking seams: equal stitching lines, less darts, give or take what is intended."""

import math
from dataclasses import replace

import pytest

from rowanseed.core.base.units import Units
from rowanseed.core.pattern.making import Difference, DifferenceKind, EdgePart, Join, Making
from rowanseed.core.pattern.pieces import Dart, Drawn, Mark, MarkKind
from rowanseed.core.pattern.walk import SeamVerdict, part_length, walk

from .pieces import pattern_of, quadrilateral

NOTHING = Difference()
LONG = [(0.0, 0.0), (600.0, 0.0), (600.0, 300.0), (0.0, 300.0)]
SHORT = [(0.0, 0.0), (560.0, 0.0), (560.0, 300.0), (0.0, 300.0)]


def _walked(a, b, difference=NOTHING, edge="left"):
    join = Join(id="j", name="Side", a=(EdgePart("a", edge),), b=(EdgePart("b", edge),), difference=difference)
    (found,) = walk(pattern_of(a, b, making=Making(joins=(join,))), "S")
    return found


def _piece(id, corners, **more):
    return quadrilateral(corners, (15, 15, 15, 15), id=id, **more)


def test_equal_edges_meet_and_unequal_ones_are_told_apart_by_how_much():
    assert _walked(_piece("a", LONG), _piece("b", LONG)).walks
    off = _walked(_piece("a", LONG), _piece("b", SHORT))
    assert not off.walks
    assert off.fault == pytest.approx(40)


@pytest.mark.parametrize(
    "difference",
    [
        Difference(DifferenceKind.EASE, 40.0),
        Difference(DifferenceKind.GATHERS, 600 / 560),
    ],
)
def test_what_is_intended_is_no_fault(difference):
    assert _walked(_piece("a", LONG), _piece("b", SHORT), difference).walks


def test_a_side_that_is_stretched_on_is_meant_to_be_shorter():
    assert _walked(_piece("a", SHORT), _piece("b", LONG), Difference(DifferenceKind.STRETCH, 40.0)).walks


def test_half_a_millimetre_is_no_difference_and_one_is():
    near = [(x * 600.4 / 600, y) for x, y in LONG]
    far = [(x * 601.0 / 600, y) for x, y in LONG]
    assert _walked(_piece("a", near), _piece("b", LONG)).walks
    assert not _walked(_piece("a", far), _piece("b", LONG)).walks


def test_forgetting_a_dart_would_be_the_usual_fault():
    """The top edge is 300 wide with a dart of 24: it meets a band of 276."""
    marks = [
        Mark(id="m1", kind=MarkKind.DART_LEG, edge="top", anchor="end", distance={"S": 150.0}),
        Mark(id="m2", kind=MarkKind.DART_LEG, edge="top", anchor="m1", distance={"S": 24.0}),
    ]
    dart = Dart(id="d", edge="top", legs=("m1", "m2"), point={"S": (90.0, 150.0)})
    band = [(0.0, 0.0), (60.0, 0.0), (60.0, 276.0), (0.0, 276.0)]
    assert _walked(_piece("a", LONG, marks=marks, darts=[dart]), _piece("b", band), edge="top").walks


def test_a_part_runs_from_mark_to_mark():
    marks = [
        Mark(id="low", kind=MarkKind.DOT, edge="left", anchor="start", distance={"S": 100.0}),
        Mark(id="high", kind=MarkKind.DOT, edge="left", anchor="end", distance={"S": 50.0}),
    ]
    pattern = pattern_of(_piece("a", LONG, marks=marks))
    assert part_length(pattern, "S", EdgePart("a", "left", from_mark="low", to_mark="high")) == pytest.approx(450)
    assert part_length(pattern, "S", EdgePart("a", "left", to_mark="low")) == pytest.approx(100)
    assert part_length(pattern, "S", EdgePart("a", "left", from_mark="high")) == pytest.approx(50)


def test_seams_are_walked_on_the_stitching_line_not_at_the_cut_edge():
    """A slanted piece drawn at the cutting line: its seam is shorter by what the mitres take."""
    slanted = [(0.0, 0.0), (400.0, -100.0), (400.0, 300.0), (0.0, 200.0)]
    piece = replace(_piece("a", slanted), drawn=Drawn.CUTTING)
    cut_edge = math.dist(slanted[0], slanted[1])
    assert part_length(pattern_of(piece), "S", EdgePart("a", "left")) < cut_edge - 10


def test_a_walked_seam_shows_its_sum():
    working = _walked(_piece("a", LONG), _piece("b", SHORT), Difference(DifferenceKind.EASE, 30.0)).working
    assert working.quantity.show(Units.METRIC) == "1 cm"
    assert [given.quantity.show(Units.METRIC) for given in working.given] == ["60 cm", "56 cm", "3 cm"]


def test_a_seam_matched_at_one_end_may_stand_over_at_the_other():
    join = Join(id="j", name="Front to side", a=(EdgePart("a", "left"),), b=(EdgePart("b", "left"),), align="start")
    (found,) = walk(pattern_of(_piece("a", LONG), _piece("b", SHORT), making=Making(joins=(join,))), "S")
    assert found.is_offset and found.walks and found.fault == pytest.approx(40)


def test_the_longer_side_goes_underneath_and_a_small_difference_is_eased_in():
    longer = _walked(_piece("a", LONG), _piece("b", [(x * 598 / 600, y) for x, y in LONG]))
    assert longer.verdict is SeamVerdict.EASE_IN and longer.longer[0].piece == "a"
    assert _walked(_piece("a", LONG), _piece("b", SHORT)).verdict is SeamVerdict.APART
    assert _walked(_piece("a", LONG), _piece("b", LONG)).longer == ()


def test_joined_edges_with_other_allowances_are_told_with_both():
    """Sewn edge on edge they would not meet on the stitching line."""
    wide = quadrilateral(LONG, (15, 15, 15, 15), id="a")
    narrow = quadrilateral(LONG, (10, 10, 10, 10), id="b")
    assert dict(_walked(wide, narrow).allowances) == {wide.name: 15, narrow.name: 10}
    assert _walked(wide, replace(wide, id="b")).allowances == ()
