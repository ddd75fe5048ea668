"""The lay that is shown at once: long, but right, by the project's check and by the open checker."""

from dataclasses import replace

import pytest

from rowanseed.core.cloth.cloth import Cloth, Direction, Repeat, Stripe, Stripes
from rowanseed.core.cloth.matching import BARS, BOTH, KINDS, NOTHING, Matching
from rowanseed.core.garment import GarmentChoices, lay_problem
from rowanseed.core.lay.check import check
from rowanseed.core.lay.engine import Budget, solve
from rowanseed.core.lay.first import first_lay
from rowanseed.core.lay.problem import LayKind, Match, MatchPoint
from rowanseed.core.pattern.pieces import Role
from rowanseed.demo import overshirt, six_gore_skirt, trousers, waistcoat

from .test_lay import outside


@pytest.mark.parametrize("draft", [overshirt, six_gore_skirt, trousers, waistcoat])
@pytest.mark.parametrize(
    ("width", "direction"),
    [
        (900.0, Direction.TWO_WAY),
        (1120.0, Direction.ONE_WAY),
        (1400.0, Direction.TWO_WAY),
        (1500.0, Direction.ONE_WAY),
    ],
)
def test_it_is_right_on_any_cloth_and_the_search_only_makes_it_shorter(draft, width, direction, tmp_path):
    """Even a search that gets hardly any time to work."""
    pattern = draft.draft()
    cloth = Cloth("Cloth", width, None, 12.0, direction)
    for kinds in ((LayKind.FOLDED, LayKind.OPEN), (LayKind.FOLDED,), (LayKind.OPEN,)):
        problem = lay_problem(pattern, GarmentChoices("A", pattern.envelope.sizes[2]), Role.MAIN, cloth)
        problem = replace(problem, lays=kinds)
        plan = first_lay(problem)
        if plan is None:
            continue
        assert check(problem, plan) == [] and outside(problem, plan, tmp_path) == []
        assert solve(problem, Budget(seconds=0.2)).length <= plan.length + 0.1


def test_there_is_one_for_every_demo_garment_on_cloth_of_the_usual_width():
    for draft in (overshirt, six_gore_skirt, trousers, waistcoat):
        pattern = draft.draft()
        cloth = Cloth("Cloth", 1400.0, None, 12.0, Direction.TWO_WAY)
        problem = lay_problem(pattern, GarmentChoices("A", pattern.envelope.sizes[2]), Role.MAIN, cloth)
        assert first_lay(problem) is not None


@pytest.mark.parametrize("how", [BARS, BOTH, Matching(frozenset(KINDS), 18.0)], ids=["bars", "both", "every kind"])
@pytest.mark.parametrize("draft", [overshirt, six_gore_skirt, trousers, waistcoat])
def test_on_matched_cloth_there_is_one_too_and_its_print_meets(draft, how, tmp_path):
    pattern = draft.draft()
    lines = Stripes((Stripe(12, 12), Stripe(58, 4)))
    cloth = Cloth("Check", 1500.0, None, 12.0, Direction.TWO_WAY, repeat=Repeat(92, 84), lines=lines)
    choices = GarmentChoices("A", pattern.envelope.sizes[2])
    problem = lay_problem(pattern, choices, Role.MAIN, cloth, matching=how)
    assert problem.matches
    plan = first_lay(problem)
    assert plan is not None and outside(problem, plan, tmp_path) == []


def test_it_lies_round_what_is_gone_from_the_cloth(tmp_path):
    gone = (
        ((100.0, 50.0), (260.0, 50.0), (260.0, 700.0), (100.0, 700.0)),
        ((600.0, 900.0), (640.0, 900.0), (620.0, 980.0)),
    )
    cloth = Cloth("Flawed", 1500.0, None, 12.0, Direction.TWO_WAY, gone=gone, repeat=Repeat(92, 84))
    for how in (NOTHING, BARS):
        problem = lay_problem(waistcoat.draft(), GarmentChoices("A", "14"), Role.MAIN, cloth, matching=how)
        plan = first_lay(problem)
        assert plan is not None and outside(problem, plan, tmp_path) == []


def test_where_something_has_to_match_and_does_not_nothing_is_shown():
    pattern = six_gore_skirt.draft()
    cloth = Cloth("Cloth", 1400.0, None, 12.0, Direction.TWO_WAY)
    problem = lay_problem(pattern, GarmentChoices("A", "14"), Role.MAIN, cloth)
    points = tuple(MatchPoint(piece.id, (37.0, 11.0)) for piece in problem.pieces[:3])
    striped = replace(
        problem,
        cloth=replace(problem.cloth, repeat_x=83.0, repeat_y=61.0),
        matches=(Match("x", points), Match("y", points)),
    )
    plan = first_lay(striped)
    assert plan is None or check(striped, plan) == []
