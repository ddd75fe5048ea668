"""Matching: where prints and checks meet, as the lay really has it.

That bars meet at notches or where a seam ends, and lines at the centres, is common practice, no source.
"""

import json
import subprocess
import sys
from dataclasses import replace
from pathlib import Path

import pytest

from rowanseed.core.base.units import Units
from rowanseed.core.batch import Member, together
from rowanseed.core.cloth.cloth import Cloth, Direction, PrintBorder, Repeat, Stripe, Stripes
from rowanseed.core.cloth.matching import BARS, BOTH, rule_of_thumb
from rowanseed.core.cloth.yardage import need
from rowanseed.core.garment import GarmentChoices, altered, lay_problem, matched
from rowanseed.core.lay.engine import Budget, solve_each
from rowanseed.core.lay.estimate import estimate
from rowanseed.core.lay.problem import LayKind, Plan, moved
from rowanseed.core.pattern.pieces import Role
from rowanseed.demo import overshirt, six_gore_skirt, waistcoat
from rowanseed.formats.layout_json import plan_document, problem_document

CHECKER = Path(__file__).parents[1] / "outside" / "check_plan.py"
CHECK = Cloth(
    name="check", width=1500, length=3000, selvedge=12, direction=Direction.TWO_WAY, washed=True, repeat=Repeat(92, 84)
)


def garment(draft, size):
    choices = GarmentChoices("A", size)
    return altered(draft(), choices).pattern, choices


def shortest(problem, sweeps=60):
    plans = [a for a in solve_each(problem, Budget(sweeps=sweeps)).values() if isinstance(a, Plan)]
    return min(plans, key=lambda plan: plan.length)


@pytest.mark.slow
@pytest.mark.parametrize("how", [BARS, BOTH])
@pytest.mark.parametrize(
    "draft, size", [(waistcoat.draft, "14"), (six_gore_skirt.draft, "12")], ids=["waistcoat", "skirt"]
)
def test_matched_lays_hold_by_the_open_checker_and_by_hand(draft, size, how, tmp_path):
    """`tests/outside/check_plan.py` shares no code with the application."""
    pattern, choices = garment(draft, size)
    problem = lay_problem(pattern=pattern, choices=choices, role=Role.MAIN, cloth=CHECK, tactics=(), matching=how)
    assert problem.matches
    plan = shortest(problem)
    (tmp_path / "problem.json").write_text(json.dumps(problem_document(problem)))
    (tmp_path / "plan.json").write_text(json.dumps(plan_document(plan)))
    done = subprocess.run(
        [sys.executable, CHECKER, tmp_path / "problem.json", tmp_path / "plan.json"], capture_output=True, text=True
    )
    assert done.returncode == 0, done.stdout
    for match in (m for m in problem.matches if m.axis == "x"):
        places = [
            stretch.start + moved([point.at], p.turn, p.mirrored, p.at)[0][0]
            for stretch in plan.stretches
            for p in stretch.placements
            for point in match.points
            if p.piece == point.piece
        ]
        off = [(x - places[0]) % 92 for x in places]
        assert max(min(o, 92 - o) for o in off) < 0.2


def test_every_seam_is_matched_or_says_why_not():
    pattern, choices = garment(overshirt.draft, overshirt.draft().envelope.sizes[2])
    _, seams = matched(pattern, choices, Role.MAIN, CHECK, BARS)
    assert {s.name for s in seams if not s.why_not} >= {"Side seams", "Sleeve seams"}
    pieces, _ = garment(six_gore_skirt.draft, "12")
    _, skirt = matched(pieces, GarmentChoices("A", "12"), Role.MAIN, CHECK, BARS)
    assert [s.name for s in skirt if s.why_not] == []


def test_matches_of_one_garment_leave_the_place_of_the_print_free_once():
    """Each match but the first of a garment shares a piece with one before it."""
    pattern, choices = garment(waistcoat.draft, "14")
    found, _ = matched(pattern, choices, Role.MAIN, CHECK, BARS)
    reached = {p.piece for p in found[0].points}
    for match in found[1:]:
        assert reached & {p.piece for p in match.points}
        reached |= {p.piece for p in match.points}


def test_a_half_drop_is_matched_as_a_block_of_two_columns_and_shrinks_with_its_cloth():
    raw = replace(CHECK, repeat=Repeat(96, 50, half_drop=True), washed=False, shrink_along=0.05, shrink_across=0.02)
    assert raw.ready_repeat == pytest.approx((96 * 0.95, 100 * 0.98))


def test_cloth_without_a_repeat_has_nothing_to_match():
    pattern, choices = garment(waistcoat.draft, "14")
    plain = replace(CHECK, repeat=Repeat(), lines=Stripes((Stripe(0, 3),)))
    assert matched(pattern, choices, Role.MAIN, plain, BOTH) == ((), ())
    assert lay_problem(pattern, choices, Role.MAIN, CHECK).cloth.repeat_x is None


def test_each_garment_of_a_batch_is_matched_by_itself():
    pattern, choices = garment(six_gore_skirt.draft, "12")
    other, _ = garment(six_gore_skirt.draft, "16")
    both = together(pattern, "12", ((Member("Nerys", "16"), other),))
    one, _ = matched(pattern, choices, Role.MAIN, CHECK, BARS)
    two, _ = matched(both, choices, Role.MAIN, CHECK, BARS)
    assert len(two) == 2 * len(one)
    assert all(len({p.piece.partition("@")[2] for p in m.points}) == 1 for m in two)


def test_what_matching_costs_stands_in_the_sum():
    """1.20 m unmatched, 1.34 m matched: 14 cm for matching; a matched lay that came out shorter costs nothing."""
    lay = need(1340, CHECK, 3, Units.METRIC, unmatched=1200).lay
    shown = {g.name: g.quantity.show(Units.METRIC) for g in lay.given}
    assert shown["Layout without matching"] == "1.20 m" and shown["matching costs"] == "0.14 m"
    assert shown["repeat along"] == "9.2 cm"
    other = need(1200, CHECK, 3, Units.METRIC, unmatched=1340).lay
    assert {g.name: g.value if hasattr(g, "value") else g.quantity.value for g in other.given}["matching costs"] == 0


def test_the_usual_rule_adds_a_repeat_for_each_length():
    assert rule_of_thumb(3, 92) == 276


def test_bounds_stay_bounds_where_something_is_matched_or_gone():
    pattern, choices = garment(waistcoat.draft, "14")
    problem = lay_problem(pattern=pattern, choices=choices, role=Role.MAIN, cloth=CHECK, tactics=(), matching=BOTH)
    assert estimate(problem).most is None
    assert estimate(problem).least <= shortest(problem, 20).length


@pytest.mark.slow
@pytest.mark.parametrize("direction", list(Direction))
@pytest.mark.parametrize("border", [PrintBorder.ONE, PrintBorder.BOTH])
def test_hems_lie_on_the_border(border, direction):
    """The hem's lowest point stands 60 mm from a selvedge, whichever way the piece is turned."""
    pattern, choices = garment(six_gore_skirt.draft, "12")
    cloth = replace(CHECK, width=1400, direction=direction, border=border, border_line=60)
    problem = lay_problem(pattern, choices, Role.MAIN, cloth, on_border=True)
    assert problem.lays == (LayKind.OPEN,)
    plan = shortest(problem, 30)
    hems = 0
    for p in plan.stretches[0].placements:
        piece = problem.piece(p.piece)
        if piece.border is not None:
            ((_, y),) = moved([piece.border.at], p.turn, p.mirrored, p.at)
            assert min(abs(y - 60), abs(y - 1340)) < 0.1
            hems += 1
    assert hems == 7
