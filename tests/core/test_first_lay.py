"""The lay that is shown at once: long, but right, by the project's check and by the open checker."""

from dataclasses import replace

import pytest

from rowanseed.core.cloth.cloth import Cloth, Direction
from rowanseed.core.garment import GarmentChoices, lay_problem
from rowanseed.core.lay.check import check
from rowanseed.core.lay.engine import Budget, solve
from rowanseed.core.lay.first import first_lay
from rowanseed.core.lay.problem import LayKind, Match, MatchPoint
from rowanseed.core.pattern.pieces import Role
from rowanseed.demo import overshirt, six_gore_skirt, trousers, waistcoat

from .test_lay import outside


@pytest.mark.parametrize("draft", [overshirt, six_gore_skirt, trousers, waistcoat])
@pytest.mark.parametrize("width", [900.0, 1120.0, 1400.0, 1500.0])
@pytest.mark.parametrize("direction", list(Direction))
def test_it_is_right_on_any_cloth_and_the_search_only_makes_it_shorter(draft, width, direction, tmp_path):
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
