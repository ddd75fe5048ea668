"""The print across the seams: what the lay matched meets all along, what it did not is off by what the places say."""

from dataclasses import replace

import pytest

from rowanseed.core.cloth.across_seams import sewn_seams
from rowanseed.core.cloth.cloth import Cloth, Direction, Repeat, Surface
from rowanseed.core.cloth.matching import BARS, NOTHING
from rowanseed.core.garment import GarmentChoices, lay_problem
from rowanseed.core.lay.engine import Budget, solve
from rowanseed.core.lay.problem import LayKind
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.pattern.seamline import lines
from rowanseed.demo import overshirt, six_gore_skirt, trousers, waistcoat

ALONG = 92.0
CHECKS = Cloth("Checks", 1500.0, None, 12.0, Direction.TWO_WAY, surface=Surface.CHECK, repeat=Repeat(ALONG, 84.0))


def laid(draft, matching, lays=None, cloth=CHECKS):
    pattern = draft.draft()
    size = pattern.envelope.sizes[3]
    problem = lay_problem(pattern, GarmentChoices("A", size), Role.MAIN, cloth, matching=matching)
    problem = replace(problem, lays=lays) if lays else problem
    plan = solve(problem, Budget(seconds=0.5))
    return pattern, size, problem, plan, list(sewn_seams(pattern, size, problem, plan, cloth))


def phase(x):
    return min(x % ALONG, ALONG - x % ALONG)


@pytest.mark.parametrize("draft", [overshirt, six_gore_skirt, waistcoat])
@pytest.mark.parametrize("lays", [(LayKind.FOLDED,), (LayKind.OPEN,)])
def test_what_is_matched_meets_at_its_notches_and_the_bars_run_on_beside_them(draft, lays):
    _, _, problem, plan, seams = laid(draft, BARS, lays)
    tied = [{point.piece for point in match.points} for match in problem.matches]
    checked = 0
    for seam in seams:
        if {seam.a.laid.piece, seam.b.laid.piece} in tied:
            checked += 1
            assert abs(seam.off) < 0.2, seam.join.name
    assert checked
    # Bars run on beside the notch only if no piece lies end for end: an inch further down they still meet.
    assert {round(p.turn) for stretch in plan.stretches for p in stretch.placements} <= {0, 45, 90}


def test_unmatched_pieces_may_lie_end_for_end_and_what_they_miss_by_is_said():
    pattern, size, _, _, seams = laid(six_gore_skirt, NOTHING)
    assert seams
    for seam in seams:
        assert -ALONG / 2 <= seam.off <= ALONG / 2
        a, b = seam.join.a[0], seam.join.b[0]
        ends = [max(lines(pattern.piece(p.piece), size).seam[p.edge]) for p in (a, b)]
        if not any(mark.edge in (a.edge, b.edge) for p in (a, b) for mark in pattern.piece(p.piece).marks):
            apart = seam.a.at(ends[0])[0] - seam.b.at(ends[1])[0]
            assert phase(apart) == pytest.approx(abs(seam.off), abs=0.3)


@pytest.mark.parametrize("lays", [(LayKind.FOLDED,), (LayKind.OPEN,)])
def test_both_pieces_of_a_seam_are_of_hands_that_are_sewn_together(lays):
    """On doubled cloth one of each hand lies on each layer; open, both are cut, or the whole of a fold piece."""
    for draft in (overshirt, six_gore_skirt, trousers, waistcoat):
        _, _, problem, _, seams = laid(draft, NOTHING, lays)
        for seam in seams:
            for on in (seam.a, seam.b):
                xs = [on.at(p)[1] for p in problem.piece(on.laid.piece).outline]
                assert min(xs) >= 0 and max(xs) <= problem.cloth.width


def test_cloth_that_repeats_only_across_has_nothing_to_miss_along():
    stripes = replace(CHECKS, surface=Surface.STRIPES, repeat=Repeat(None, 64.0))
    *_, seams = laid(six_gore_skirt, NOTHING, cloth=stripes)
    assert seams and all(seam.off is None for seam in seams)
