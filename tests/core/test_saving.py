"""Lays taken over from stricter cases, and which tactics are worth laying together."""

from dataclasses import replace
from itertools import combinations

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from shapely.geometry import Polygon

from rowanseed.core.choices import ClothChoices
from rowanseed.core.cloth.cloth import Cloth, Direction
from rowanseed.core.derive.choice import Layers, LiningSchool
from rowanseed.core.garment import GarmentChoices, derived, lay_problem
from rowanseed.core.lay.check import check
from rowanseed.core.lay.engine import Budget, solve, solve_each
from rowanseed.core.lay.problem import LayCloth, LayKind, LayPiece, Plan, Problem
from rowanseed.core.lay.transfer import carried
from rowanseed.core.pattern.pieces import Grain, Role
from rowanseed.core.saving.apply import helps_where_too_wide, offered
from rowanseed.core.saving.combine import TRIED_TOGETHER, clash, points, worth_combining
from rowanseed.core.saving.tactics import LOOSENS, OTHER_CLOTH, TACTICS
from rowanseed.demo import overshirt, six_gore_skirt, trousers, waistcoat

CLOTH = Cloth(name="c", width=1400, length=None, selvedge=12, direction=Direction.ONE_WAY)
DEMO = {m.__name__.rsplit(".", 1)[-1]: m.draft() for m in (six_gore_skirt, overshirt, trousers, waistcoat)}


def problem_with(pattern, tactics):
    size = pattern.envelope.sizes[3]
    changed = derived(pattern, size, "A", ClothChoices(), tactics)
    return lay_problem(changed, GarmentChoices("A", size), Role.MAIN, CLOTH, tactics)


# ---------------------------------------------------------------- taken over


@pytest.mark.slow
@pytest.mark.parametrize("name", DEMO)
def test_what_loosens_takes_over_every_lay_of_the_garment_as_it_is(name):
    """However briefly the looser case was searched, it never needs more: the same places hold, by the exact check."""
    pattern = DEMO[name]
    plans = [a for a in solve_each(problem_with(pattern, ()), Budget(sweeps=30)).values() if isinstance(a, Plan)]
    assert plans
    for tactic in sorted(LOOSENS & set(offered(pattern, "A", Role.MAIN, one_way=True))):
        loose = problem_with(pattern, (tactic,))
        for plan in plans:
            here = carried(plan, loose)
            assert here is not None, (tactic, plan.stretches[0].lay)
            assert check(loose, here) == [] and here.length <= plan.length + 0.01


def test_a_lay_is_not_taken_over_where_it_does_not_hold():
    pattern = DEMO["six_gore_skirt"]
    plan = solve(problem_with(pattern, ("turn-pieces",)), Budget(sweeps=60))
    assert any(p.turn == 180 for s in plan.stretches for p in s.placements)
    assert carried(plan, problem_with(pattern, ())) is None
    seamed = problem_with(pattern, ("centre-seam",))
    assert carried(plan, seamed) is None


def rectangles(sizes, width=900.0):
    pieces = tuple(
        LayPiece(
            id=f"p{k}",
            outline=((0.0, 0.0), (a, 0.0), (a, b), (0.0, b)),
            cut=n,
            pair=False,
            fold=None,
            grain=Grain.LENGTHWISE,
        )
        for k, (a, b, n) in enumerate(sizes)
    )
    return Problem(
        name="boxes", cloth=LayCloth(width, None, 10.0, one_way=False), gap=3.0, lays=(LayKind.OPEN,), pieces=pieces
    )


SIZES = st.lists(
    st.tuples(st.floats(80, 500), st.floats(60, 400), st.integers(1, 3)),
    min_size=2,
    max_size=5,
)


@pytest.mark.slow
@given(SIZES, st.data())
@settings(max_examples=25, deadline=None)
def test_adding_a_piece_never_needs_less(sizes, data):
    """A lay with a piece more, that piece left out, is a lay without it: taken over, it is never longer."""
    whole = rectangles(sizes)
    plan = solve(whole, Budget(sweeps=20))
    drop = data.draw(st.integers(0, len(sizes) - 1))
    fewer = replace(whole, pieces=tuple(p for k, p in enumerate(whole.pieces) if k != drop))
    here = carried(plan, fewer)
    assert here is not None and here.length <= plan.length + 1e-6
    assert check(fewer, here) == []
    area = sum(Polygon(p.outline).area * p.cut for p in fewer.pieces)
    assert here.length >= area / (900 - 20) - 1e-6


@pytest.mark.slow
@given(SIZES)
@settings(max_examples=20, deadline=None)
def test_two_way_and_wider_cloth_take_over_what_was_laid_on_one_way_and_narrower(sizes):
    """More freedom and more width never need more, whatever a short search of their own finds."""
    narrow = rectangles(sizes)
    plan = solve(replace(narrow, cloth=replace(narrow.cloth, one_way=True)), Budget(sweeps=20))
    assert carried(plan, narrow).length == pytest.approx(plan.length, abs=0.02)
    wider = replace(narrow, cloth=replace(narrow.cloth, width=1120.0))
    assert carried(plan, wider).length == pytest.approx(plan.length, abs=0.02)


def test_one_copy_fewer_leaves_out_the_one_farthest_along():
    both = rectangles([(300, 800, 3)])
    plan = solve(both, Budget(sweeps=10))
    one = replace(both, pieces=(replace(both.pieces[0], cut=2),))
    assert carried(plan, one).length == pytest.approx(plan.length - 303, abs=1)


# ---------------------------------------------------------------- together


SAVINGS = st.dictionaries(st.sampled_from(sorted(TACTICS)), st.floats(-20, 300), max_size=8)


@given(SAVINGS, st.floats(-100, 600), st.none() | st.integers(2, 20))
def test_combinations_are_few_compatible_and_promise_enough(saved, short_by, dearest):
    found = worth_combining(saved, short_by, dearest)
    assert len(found) <= TRIED_TOGETHER and len(set(found)) == len(found)
    for chosen in found:
        assert 2 <= len(chosen) <= 3 and set(chosen) <= set(saved)
        assert not any(clash(a, b) for a, b in combinations(chosen, 2))
        assert all(saved[t] > 5 for t in chosen)
        assert dearest is None or short_by <= 0 or points(chosen) < dearest


def test_the_cheapest_combination_that_promises_enough_is_tried_first():
    """Short by 10 cm: the narrower hem and shared cuts (3 + 2 points) before anything dearer."""
    saved = {"narrow-hem": 60.0, "share-cuts": 45.0, "shorten": 90.0, "turn-pieces": 80.0}
    first = worth_combining(saved, 100.0)[0]
    assert set(first) == {"narrow-hem", "share-cuts"}
    assert points(first) == TACTICS["narrow-hem"].cost.points + TACTICS["share-cuts"].cost.points
    # Where one by itself does for 8 points, only cheaper ones are asked for.
    assert all(points(c) < 8 for c in worth_combining(saved, 70.0, 8))


def test_what_promises_most_is_tried_before_it_is_said_that_nothing_will_do():
    saved = {"narrow-hem": 20.0, "share-cuts": 10.0, "shorten": 30.0}
    (only,) = worth_combining(saved, 5000.0)
    assert set(only) == set(saved)


# ---------------------------------------------------------------- in two cloths


def test_a_shirt_may_have_collar_sleeves_or_back_of_another_cloth_and_a_skirt_not():
    assert set(offered(DEMO["overshirt"], "A", Role.MAIN, one_way=False)) & OTHER_CLOTH == {
        "other-bands",
        "other-back",
        "other-sleeves",
    }
    assert set(offered(DEMO["six_gore_skirt"], "A", Role.MAIN, one_way=False)) & OTHER_CLOTH == {"other-facing"}
    sleeved = derived(DEMO["overshirt"], "L", "A", ClothChoices(), ("other-sleeves",))
    assert {p.id for p, _ in sleeved.pieces_for(Role.CONTRAST, "A")} == {"sleeve"}
    assert "sleeve" not in {p.id for p, _ in sleeved.pieces_for(Role.MAIN, "A")}


def test_a_sleeve_of_another_cloth_is_lined_like_one_of_the_main_cloth():
    """Layers are derived before pieces go to another cloth: lining and under collar stay the same."""
    layers = Layers(LiningSchool.WHOLE, underlined=True, trim_under_collar=True)
    shirt, reckoning = DEMO["overshirt"], ClothChoices(layers)
    moved = ("other-sleeves", "other-bands", "other-back")
    plain, changed = (derived(shirt, "L", "A", reckoning, tactics) for tactics in ((), moved))
    assert {p.id for p in plain.pieces} == {p.id for p in changed.pieces}
    for role in (Role.LINING, Role.UNDERLINING, Role.INTERFACING):
        assert [p.id for p, _ in plain.pieces_for(role, "A")] == [p.id for p, _ in changed.pieces_for(role, "A")]
    contrast = {p.id for p, _ in changed.pieces_for(Role.CONTRAST, "A")}
    assert {"sleeve", "under-collar"} <= contrast


def test_a_hem_faced_to_save_cloth_is_not_faced_a_second_time():
    skirt = DEMO["six_gore_skirt"]
    both = derived(skirt, "14", "A", ClothChoices(Layers(faced=("hem",))), ("faced-hem",))
    ids = [p.id for p in both.pieces]
    assert len(ids) == len(set(ids))
    assert {p.id for p, _ in both.pieces_for(Role.CONTRAST, "A")} == {i for i in ids if i.endswith("-hem-facing")}
    joins = [j.id for j in both.making.joins]
    assert len(joins) == len(set(joins))


def test_a_piece_wider_than_the_cloth_names_what_may_help():
    skirt, shirt = DEMO["six_gore_skirt"], DEMO["overshirt"]
    assert helps_where_too_wide(skirt, "A", Role.MAIN, "front") == ("centre-seam",)
    assert "pieced-facing" in helps_where_too_wide(skirt, "A", Role.MAIN, "front-facing")
    assert helps_where_too_wide(shirt, "A", Role.MAIN, "sleeve") == ("other-sleeves",)
    assert helps_where_too_wide(skirt, "A", Role.MAIN, "side-front") == ()
