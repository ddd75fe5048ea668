"""Lays pushed together by linear programming: shorter, never wrong, and as short as anyone can tell they may be."""

import math
from dataclasses import replace

import numpy as np
import pytest
from hypothesis import assume, given
from hypothesis import strategies as st
from shapely.geometry import Polygon
from shapely.ops import unary_union

from rowanseed.core.lay.check import check
from rowanseed.core.lay.problem import LayCloth, LayKind, LayPiece, Pin, Problem
from rowanseed.core.lay.search.arrange import Arrangement, StretchSearch, laying_of, plan_of, simple, stretch_items
from rowanseed.core.lay.search.clock import Budget
from rowanseed.core.lay.search.kernel import Poses, overlaps
from rowanseed.core.lay.search.nofit import convex_rings
from rowanseed.core.lay.search.outcome import never, silent
from rowanseed.core.lay.search.packing import State
from rowanseed.core.lay.search.race import Race
from rowanseed.core.lay.search.shapes import FLIPS, ShapeSet
from rowanseed.core.lay.search.tables import build
from rowanseed.core.lay.search.tuning import TUNING
from rowanseed.core.pattern.pieces import Grain

WIDTH, GAP = 600.0, 3.0


def problem(outlines, **more):
    pieces = tuple(
        LayPiece(id=f"p{k}", outline=outline, cut=1, pair=False, fold=None, grain=Grain.LENGTHWISE)
        for k, outline in enumerate(outlines)
    )
    return Problem("It", LayCloth(WIDTH, None, 0.0, one_way=True), GAP, (LayKind.OPEN,), pieces, **more)


def searched(asked):
    """The one stretch of a problem, with its first fill."""
    shapes, part = ShapeSet(), simple(asked, LayKind.OPEN).stretches[0]
    laying = laying_of(asked, part, shapes)
    items = stretch_items(asked, part, shapes)
    pairs = {(a, b) for a in range(len(shapes.bases)) for b in range(len(shapes.bases))}
    search = StretchSearch(
        part, items, laying, build(shapes.bases, GAP, set(FLIPS), pairs), np.random.SeedSequence(1), 1
    )
    search.best = search.searches[0].start()
    return search


def plan(search):
    return plan_of(Arrangement((search.plan,)), [search])


def spread(state, by):
    """The same lay with the pieces drawn apart along the cloth."""
    x = state.x * by
    return State(options=state.options, x=x, y=state.y, length=state.length + float(np.max(x - state.x)))


@st.composite
def outlines(draw):
    """Three to seven stars of three to nine corners: many are hollow somewhere."""
    found = []
    for _ in range(draw(st.integers(3, 7))):
        corners = draw(st.integers(3, 9))
        radii = [draw(st.floats(40, 170)) for _ in range(corners)]
        found.append(
            tuple(
                (r * math.cos(2 * math.pi * k / corners), r * math.sin(2 * math.pi * k / corners))
                for k, r in enumerate(radii)
            )
        )
    return found


@given(outlines(), st.floats(1.0, 1.5), st.booleans())
def test_whatever_is_pushed_together_is_right_and_no_longer(shapes, by, as_searched):
    asked = problem(shapes)
    search = searched(asked)
    push = search.searches[0].push if as_searched else search.squeeze
    loose = spread(search.best, by)
    search.best = loose
    assume(check(asked, plan(search)) == [])
    found = push(loose)
    assert found.length <= loose.length + 1e-6
    search.pushed = found
    assert check(asked, plan(search)) == []
    if as_searched:
        packing = search.searches[0].packing
        n = len(packing)
        assert overlaps(Poses(found.options, found.x, found.y), packing.scene, np.zeros((n, n))) == 0.0


@pytest.mark.parametrize("heights", [(600.0, 600.0, 600.0), (350.0, 400.0, 450.0)])
def test_what_cannot_pass_each_other_ends_at_its_lengths_and_gaps(heights):
    """Pieces of more than half the width follow each other: the optimum is known."""
    long = (100.0, 250.0, 175.0)
    search = searched(problem([((0, 0), (a, 0), (a, h), (0, h)) for a, h in zip(long, heights, strict=True)]))
    found = search.squeeze(spread(search.best, 1.15))
    assert found.length == pytest.approx(sum(long) + 2 * GAP, abs=0.05)


def test_triangles_slide_along_each_other_into_the_rectangle_that_they_are_cut_from():
    """Two halves of a rectangle, drawn apart: pushed together they leave the gap along the cut and no more."""
    lower, upper = ((0, 0), (400, 0), (0, 300)), ((400, 0), (400, 300), (0, 300))
    search = searched(problem([lower, upper]))
    apart = spread(search.best, 1.15)
    assert search.squeeze(apart).length <= search.best.length + 0.05
    # Along the cloth two slanted edges at the gap stand further apart: by the gap over the sine of their slope.
    assert search.squeeze(apart).length <= 400 + GAP * 500 / 300 + 0.1


def test_what_is_pinned_stays_where_it_is_pushed_against():
    shapes = [((0, 0), (200, 0), (200, 500), (0, 500))] * 2
    pin = Pin(lay=LayKind.OPEN, piece="p1", turn=0, mirrored=False, whole=False, at=(260.0, 0.0))
    asked = problem(shapes, pins=(pin,))
    search = searched(asked)
    found = search.squeeze(spread(search.best, 1.0))
    search.pushed = found
    (placed,) = (one for one in plan(search).stretches[0].placements if one.piece == "p1")
    assert placed.at == pytest.approx(pin.at)
    assert check(asked, plan(search)) == []


def test_a_lay_whose_pieces_overlap_is_left_as_it_is():
    search = searched(problem([((0, 0), (200, 0), (200, 500), (0, 500))] * 2))
    state = replace(search.best, x=np.full(2, 100.0))
    assert search.squeeze(state) is state


@given(outlines())
def test_the_parts_of_an_outline_are_convex_and_come_to_it_as_it_is_drawn(shapes):
    for outline in shapes:
        rings = [Polygon(ring) for ring in convex_rings(outline)]
        assert all(ring.convex_hull.area - ring.area < 1e-6 * ring.area for ring in rings)
        whole = Polygon(outline)
        assert unary_union(rings).symmetric_difference(whole).area < 0.01 * whole.length


def test_a_search_that_is_stuck_begins_elsewhere_and_looks_at_others_again_when_the_end_nears():
    search = searched(problem([((0, 0), (a, 0), (a, 250), (0, 250)) for a in (100, 220, 150, 180)])).searches[0]
    first = search.best
    search.failures = search.tuning.shrinking.afresh
    assert search.is_stuck
    search.begin_afresh()
    assert not search.is_stuck and search.best is not first
    own, other = search.best, replace(first, length=first.length / 2)
    search.adopt(other, late=False)
    assert search.best is own
    search.adopt(other, late=True)
    assert search.best is other


def test_a_race_searches_by_the_tuning_it_is_given():
    """Its packings took the built-in one, so that no other could be tried."""
    other = TUNING._replace(shrinking=TUNING.shrinking._replace(afresh=3))
    square = ((0.0, 0.0), (200.0, 0.0), (200.0, 200.0), (0.0, 200.0))
    run = Race(problem([square, square]), Budget(sweeps=12), silent, never, other)
    run.run()
    assert {search.tuning for stretch in run.stretches.values() for search in stretch.searches} == {other}
    assert all(search.packing.tuning is other for stretch in run.stretches.values() for search in stretch.searches)
