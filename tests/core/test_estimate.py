"""The first answer by bounds, on generated pieces, against what a search then really lays."""

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from shapely.geometry import Polygon

from rowanseed.core.lay.check import check
from rowanseed.core.lay.engine import Budget, solve
from rowanseed.core.lay.estimate import FirstSight, estimate
from rowanseed.core.lay.problem import LayCloth, LayKind, LayPiece, Match, MatchPoint, Problem
from rowanseed.core.lay.search.race import race
from rowanseed.core.pattern.pieces import Grain

WIDTH, SELVEDGE = 1120.0, 12.0
SHAPE = st.tuples(
    st.floats(100, 700),
    st.floats(80, 500),
    st.floats(0, 0.45),
    st.integers(1, 3),
    st.booleans(),
    st.sampled_from(list(Grain)),
)


def piece(k, long, wide, slant, cut, pair, grain):
    """A trapezoid that narrows towards its top by `slant` on either side."""
    outline = ((0.0, slant * wide), (long, 0.0), (long, wide), (0.0, wide * (1 - slant)))
    return LayPiece(id=f"p{k}", outline=outline, cut=cut, pair=pair, fold=None, grain=grain)


def problem_of(shapes, one_way, gap=3.0):
    pieces = tuple(piece(k, *shape) for k, shape in enumerate(shapes))
    return Problem(
        name="some",
        cloth=LayCloth(width=WIDTH, length=None, selvedge=SELVEDGE, one_way=one_way),
        gap=gap,
        lays=(LayKind.OPEN,),
        pieces=pieces,
    )


@pytest.mark.slow
@given(st.lists(SHAPE, min_size=1, max_size=5), st.booleans())
@settings(max_examples=40, deadline=None)
def test_a_real_lay_lies_between_the_bounds(shapes, one_way):
    """No lay is shorter than the area of its pieces (by Shapely) over the usable width; rows of boxes always fit."""
    problem = problem_of(shapes, one_way)
    first = estimate(problem)
    plan = solve(problem, Budget(sweeps=30))
    assert check(problem, plan) == []
    area = sum(Polygon(p.outline).area * p.cut for p in problem.pieces)
    assert first.least >= area / (WIDTH - 2 * SELVEDGE) - 1e-6
    assert first.least <= plan.length + 0.05
    assert first.most is not None and plan.length <= first.most + 0.05
    assert first.least <= first.likely <= first.most + 1e-9


@given(st.lists(SHAPE, min_size=1, max_size=4), st.floats(100, 8000))
@settings(max_examples=60, deadline=None)
def test_what_is_said_to_be_certain_is_certain(shapes, hand):
    problem = problem_of(shapes, one_way=True)
    first = estimate(problem)
    sight = first.of(hand)
    if sight is FirstSight.NO:
        assert hand < first.least
    elif sight is FirstSight.SURE:
        assert hand >= first.most
    else:
        assert first.least - 1 <= hand < first.most
    assert first.of(hand + 1e6) is FirstSight.SURE


def test_where_more_than_the_width_decides_there_is_no_upper_bound():
    plain = problem_of([(400, 300, 0.0, 2, False, Grain.LENGTHWISE)], one_way=False)
    cloth = LayCloth(width=WIDTH, length=None, selvedge=SELVEDGE, one_way=False, repeat_x=92.0)
    match = Match("x", (MatchPoint("p0", (10.0, 10.0)),))
    matched = Problem(name="m", cloth=cloth, gap=3.0, lays=(LayKind.OPEN,), pieces=plain.pieces, matches=(match,))
    assert estimate(plain).most is not None and estimate(matched).most is None
    assert estimate(matched).least == pytest.approx(estimate(plain).least)


def test_a_piece_wider_than_the_cloth_has_no_rows():
    wide = problem_of([(400, 1200, 0.0, 1, False, Grain.LENGTHWISE)], one_way=False)
    assert estimate(wide).most is None
    across = problem_of([(400, 1200, 0.0, 1, False, Grain.EITHER)], one_way=False)
    assert estimate(across).most == pytest.approx(1200)


@pytest.mark.slow
def test_offering_a_folded_lay_that_wastes_much_costs_the_open_one_little():
    """Pieces of which one each is wanted, so that folded cloth cuts every one in vain a second time."""
    shapes = [(500 - 40 * k, 340 + 30 * (k % 3), 0.1 * (k % 3), 1, False, Grain.LENGTHWISE) for k in range(9)]
    problem = problem_of(shapes, one_way=True)
    seeds = (1, 2, 3)
    alone = min(race(problem, Budget(sweeps=600, seed=seed)).best.length for seed in seeds)
    both = Problem(
        name=problem.name, cloth=problem.cloth, gap=3.0, lays=(LayKind.FOLDED, LayKind.OPEN), pieces=problem.pieces
    )
    found = min((race(both, Budget(sweeps=600, seed=seed)) for seed in seeds), key=lambda outcome: outcome.best.length)
    assert found.best.length <= alone * 1.02
    folded = found.simple[LayKind.FOLDED]
    assert folded.length > found.best.length * 1.2
