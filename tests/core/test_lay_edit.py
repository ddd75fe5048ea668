"""A lay changed by hand: pieces stay on grain and fold, go to what is near, and what is wrong is found and mended.

What is wrong is judged by Shapely in the exact check, and at the end by the format's open checker.
"""

import random
from dataclasses import replace

import pytest

from rowanseed.core.cloth.cloth import Cloth, Direction, Repeat
from rowanseed.core.cloth.matching import BARS
from rowanseed.core.garment import GarmentChoices, lay_problem
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.lay import edit
from rowanseed.core.lay.check import check
from rowanseed.core.lay.edit import FaultKind, NotAllowed, Rule
from rowanseed.core.lay.engine import Budget, solve, solve_each
from rowanseed.core.lay.problem import LayKind, moved
from rowanseed.core.pattern.pieces import Role
from rowanseed.demo.six_gore_skirt import draft
from rowanseed.demo.trousers import draft as trousers

from .test_lay import outside

SPRIGS = Cloth(name="sprigs", width=1400, length=2600, selvedge=12, direction=Direction.ONE_WAY)
PLAIN = replace(SPRIGS, direction=Direction.TWO_WAY)


@pytest.fixture(scope="module")
def folded():
    problem = lay_problem(draft(), GarmentChoices("A", "14"), Role.MAIN, SPRIGS)
    return problem, solve_each(problem, Budget(sweeps=3))[LayKind.FOLDED.value]


def id_of(plan, piece):
    return next(id for id, laid in edit.ids(plan) if laid.piece == piece)


def test_a_lay_as_it_was_found_has_no_fault(folded):
    assert edit.faults(*folded) == ()


def test_a_piece_of_the_fold_stays_on_it_wherever_it_is_put(folded):
    problem, plan = folded
    id, chance = id_of(plan, "front"), random.Random(3)
    for snap in (True, False):
        for _ in range(12):
            there = edit.move(problem, plan, id, (chance.uniform(-200, 3000), chance.uniform(-300, 900)), snap=snap)
            laid = edit.placement(there, id)
            ends = moved(problem.piece("front").fold, laid.turn, laid.mirrored, laid.at)
            assert all(abs(y) < 1e-6 for _, y in ends)
            assert FaultKind.OFF_FOLD not in {fault.kind for fault in edit.faults(problem, there)}


def test_every_change_keeps_the_shape_of_the_pieces(folded):
    """Nothing is stretched, whatever is done: the exact check finds every outline to be its piece's."""
    problem, plan = folded
    chance = random.Random(5)
    for _ in range(60):
        id, laid = chance.choice(list(edit.ids(plan)))
        match chance.randrange(4):
            case 0 | 1:
                plan = edit.move(problem, plan, id, (chance.uniform(0, 2000), chance.uniform(0, 600)))
            case 2:
                with pytest.raises(NotAllowed) as refused:
                    edit.turn(problem, plan, id)
                assert refused.value.rule is Rule.ONE_WAY, "sprigs stand one way up"
            case _:
                plan = edit.push_together(problem, plan)
        kinds = {fault.kind for fault in edit.faults(problem, plan)}
        assert not kinds & {FaultKind.PLACE, FaultKind.OFF_GRAIN, FaultKind.TOO_FEW, FaultKind.TOO_MANY}
        assert laid.piece in {p.piece for _, p in edit.ids(plan)}


def test_a_piece_dropped_near_its_neighbour_lies_beside_it_at_the_gap(folded):
    problem, plan = folded
    id = id_of(plan, "side-back")
    far = edit.move(problem, plan, id, (plan.length + 400, edit.placement(plan, id).at[1]))
    assert edit.faults(problem, far) == ()
    pushed = edit.push_together(problem, far)
    assert pushed.length < far.length and edit.faults(problem, pushed) == ()
    left = bounds(edit.placement(pushed, id).outline)[0]
    laid = edit.placement(pushed, id)
    for away in (3.0, -3.0):
        near = edit.move(problem, pushed, id, (laid.at[0] + away, laid.at[1]))
        assert edit.faults(problem, near) == (), "it snaps out of its neighbour, and up to it"
        assert bounds(edit.placement(near, id).outline)[0] == pytest.approx(left, abs=0.6)


def test_overlap_is_said_of_both_and_one_tap_mends_it(folded, tmp_path):
    problem, plan = folded
    one, other = id_of(plan, "side-back"), id_of(plan, "side-front")
    over = edit.move(problem, plan, one, edit.placement(plan, other).at, snap=False)
    fault = next(f for f in edit.faults(problem, over) if f.kind is FaultKind.OVERLAP)
    assert {one, other} == set(fault.ids) and fault.can_be_mended
    for _ in range(6):
        found = [f for f in edit.faults(problem, over) if f.can_be_mended]
        if not found:
            break
        over = edit.mend(problem, over, found[0])
    assert edit.faults(problem, over) == ()
    assert outside(replace(problem, cloth=replace(problem.cloth, length=None)), over, tmp_path) == []


def test_off_the_cloth_is_mended_into_it(folded):
    problem, plan = folded
    id = id_of(plan, "back-facing")
    off = edit.move(problem, plan, id, (plan.length + 100, 900.0), snap=False)
    (fault,) = [f for f in edit.faults(problem, off) if f.kind is FaultKind.OFF_CLOTH]
    assert edit.faults(problem, edit.mend(problem, off, fault)) == ()


def test_turning_and_turning_over_keep_to_the_rules():
    problem = lay_problem(trousers(), GarmentChoices("A", "14"), Role.MAIN, PLAIN)
    plans = solve_each(problem, Budget(sweeps=3))
    plan = plans[LayKind.OPEN.value]
    id = id_of(plan, "front")
    turned = edit.turn(problem, plan, id)
    before, after = edit.placement(plan, id), edit.placement(turned, id)
    assert abs(after.turn - before.turn) == 180
    over = edit.mirror(problem, plan, id)
    assert edit.placement(over, id).mirrored is not before.mirrored
    assert FaultKind.TOO_FEW in {f.kind for f in edit.faults(problem, over)}, "two of one hand are no pair"
    double = plans.get(LayKind.FOLDED.value)
    if double is not None:
        with pytest.raises(NotAllowed) as refused:
            edit.mirror(problem, double, id_of(double, "front"))
        assert refused.value.rule is Rule.DOUBLE


def test_a_matched_piece_goes_to_the_print():
    checks = replace(PLAIN, repeat=Repeat(along=80.0, across=80.0), length=None)
    choices = GarmentChoices("A", "14")
    problem = lay_problem(draft(), choices, Role.MAIN, checks, matching=BARS)
    if not problem.matches:
        pytest.skip("nothing is matched along on this cloth")
    plan = solve(problem, Budget(sweeps=3))
    matched = {point.piece for match in problem.matches for point in match.points}
    chance = random.Random(9)
    for _ in range(10):
        id = chance.choice([id for id, laid in edit.ids(plan) if laid.piece in matched])
        there = edit.move(problem, plan, id, (chance.uniform(0, 2500), edit.placement(plan, id).at[1]))
        assert FaultKind.UNMATCHED not in {f.kind for f in edit.faults(problem, there)}


def test_what_is_pinned_stays_where_it_is_while_the_rest_is_laid_again(folded):
    problem, plan = folded
    id = id_of(plan, "front")
    put = edit.move(problem, plan, id, (300.0, 0.0))
    held = edit.placement(put, id)
    pins = edit.pins(put, frozenset({id}))
    again = solve(replace(problem, pins=pins, lays=(LayKind.FOLDED,)), Budget(sweeps=3))
    assert any(
        laid.piece == held.piece and abs(laid.at[0] - held.at[0]) + abs(laid.at[1] - held.at[1]) < 0.05
        for _, laid in edit.ids(again)
    )
    assert edit.faults(problem, again) == ()


@pytest.mark.parametrize("drafted", [draft, trousers])
@pytest.mark.parametrize("seed", range(6))
def test_whatever_is_pinned_on_whatever_stretch_stays_there_while_the_rest_is_laid_again(drafted, seed):
    """Folded then open, in either order, and open again behind: the engine lays one stretch of a kind."""
    rng = random.Random(seed)
    pattern = drafted()
    cloth = Cloth("c", 1400, None, 10, Direction.TWO_WAY)
    problem = lay_problem(pattern, GarmentChoices("A", pattern.envelope.sizes[2]), Role.MAIN, cloth)
    plan = solve(replace(problem, lays=(LayKind.FOLDED,)), Budget(sweeps=4))
    for n in (1, 2)[: 1 + seed % 2]:
        singly = [id for id, _ in edit.ids(plan) if id.startswith("0.")]
        plan, _ = edit.to_stretch(problem, plan, rng.choice(singly), n)
        plan = edit.exchange(problem, plan, 0) if seed % 3 else plan
        if plan.stretches[-1].lay is LayKind.OPEN:
            break
    every = [id for id, _ in edit.ids(plan)]
    kept = frozenset(rng.sample(every, rng.randint(1, len(every))))
    kept = frozenset(id for id in kept if not {id} & {f for fault in edit.faults(problem, plan) for f in fault.ids})
    lays = tuple(dict.fromkeys(stretch.lay for stretch in plan.stretches))
    held = replace(problem, pins=edit.pins(plan, kept), lays=lays)
    assert check(held, solve(held, Budget(sweeps=6))) == []
