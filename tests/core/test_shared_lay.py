"""Several garments on one cloth: one problem, and of its lay one for each that holds by itself."""

from dataclasses import replace

import pytest

from rowanseed.core.cloth.cloth import Cloth, Direction, Repeat
from rowanseed.core.cloth.matching import BARS, NOTHING
from rowanseed.core.garment import GarmentChoices, lay_problem
from rowanseed.core.lay.check import check
from rowanseed.core.lay.engine import Budget, solve
from rowanseed.core.lay.first import first_lay
from rowanseed.core.lay.problem import LayKind
from rowanseed.core.lay.shared import Share, combined, joined, lie_together, one_after_the_other, share_of
from rowanseed.core.pattern.pieces import Role
from rowanseed.demo import overshirt, six_gore_skirt, trousers, waistcoat

from .test_lay import outside

DRAFTS = {"1.main": waistcoat, "2.main": six_gore_skirt, "3.main": trousers, "4.main": overshirt}


def shares(*owners, matched=(), width=1500.0, **cloth):
    out = []
    for owner in owners:
        pattern = DRAFTS[owner].draft()
        on = Cloth("Check", width, None, 12.0, Direction.TWO_WAY, repeat=Repeat(92, 84), **cloth)
        how = BARS if owner in matched else NOTHING
        problem = lay_problem(pattern, GarmentChoices("A", pattern.envelope.sizes[2]), Role.MAIN, on, matching=how)
        out.append(Share(owner, problem))
    return out


@pytest.mark.parametrize(
    "owners, matched",
    [
        (("1.main", "2.main"), ()),
        (("1.main", "2.main"), ("1.main",)),
        (("2.main", "3.main", "4.main"), ("2.main", "3.main")),
    ],
)
def test_a_lay_of_all_is_a_lay_of_each_by_the_open_checker(owners, matched, tmp_path):
    every = shares(*owners, matched=matched)
    problem = combined(every)
    plan = solve(replace(problem, lays=(LayKind.FOLDED,) if not matched else problem.lays), Budget(sweeps=6))
    assert outside(problem, plan, tmp_path) == []
    for share in every:
        own = share_of(plan, share.owner)
        assert check(share.problem, own) == [] and outside(share.problem, own, tmp_path) == []
        assert {p.piece for s in own.stretches for p in s.placements} == {piece.id for piece in share.problem.pieces}
    parts = [(share, share_of(plan, share.owner)) for share in every]
    assert lie_together(parts)
    assert check(problem, joined(parts)) == []


def test_together_they_take_no_more_than_one_behind_the_other():
    every = shares("1.main", "4.main")
    apart = [(share.owner, solve(share.problem, Budget(sweeps=10))) for share in every]
    behind = one_after_the_other(apart)
    problem = combined(every)
    assert behind.length == pytest.approx(sum(plan.length for _, plan in apart))
    assert check(problem, behind) == []
    assert solve(problem, Budget(sweeps=20)).length <= behind.length + 0.1


def test_lays_that_lie_in_each_others_way_or_on_other_stretches_are_not_one():
    every = shares("1.main", "2.main")
    plans = [solve(replace(share.problem, lays=(LayKind.OPEN,)), Budget(sweeps=4)) for share in every]
    assert not lie_together(list(zip(every, plans, strict=True)))
    longest = max(plan.length for plan in plans)
    alike = [replace(plan, length=longest, stretches=(replace(plan.stretches[0], end=longest),)) for plan in plans]
    assert not lie_together(list(zip(every, alike, strict=True))), "both begin at the same end"


def test_one_that_is_matched_leaves_the_others_free_to_lie_end_for_end():
    problem = combined(shares("1.main", "2.main", matched=("1.main",)))
    assert not problem.cloth.one_way and problem.cloth.repeat_x == 92
    assert all(piece.one_way for piece in problem.pieces if piece.id.startswith("1.main"))
    assert not any(piece.one_way for piece in problem.pieces if piece.id.startswith("2.main"))
    assert {point.piece[:6] for match in problem.matches for point in match.points} == {"1.main"}
    plan = first_lay(problem)
    assert plan is not None and check(problem, plan) == []
