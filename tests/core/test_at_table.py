"""At the cutting table: nothing is left out, and everything comes in an order in which it can be done."""

from dataclasses import replace
from itertools import pairwise

import pytest

from rowanseed.core.at_table import OnTable, TableAct, table_steps
from rowanseed.core.base.units import Units
from rowanseed.core.cloth.cloth import Cloth, Direction, Fibre, Use
from rowanseed.core.cutting import cut_list
from rowanseed.core.garment import GarmentChoices, lay_problem
from rowanseed.core.geometry.polyline import signed_area
from rowanseed.core.lay.engine import Budget, solve
from rowanseed.core.lay.problem import LayKind
from rowanseed.core.pattern.pieces import Role
from rowanseed.demo import overshirt, six_gore_skirt, trousers, waistcoat

CLOTH = Cloth("Cloth", 1400.0, None, 12.0, Direction.TWO_WAY)
DRAFTS = [overshirt, six_gore_skirt, trousers, waistcoat]


def on_table(draft, role=Role.MAIN, lays=None, cloth=CLOTH):
    pattern = draft.draft()
    size = pattern.envelope.sizes[2]
    choices = GarmentChoices(size=size, view=pattern.envelope.views[0].id)
    problem = lay_problem(pattern, choices, role, cloth)
    problem = replace(problem, lays=lays) if lays else problem
    plan = solve(problem, Budget(seconds=0.3))
    items = cut_list(pattern, size, role, problem, plan, cloth, Units.METRIC)
    return OnTable(role, cloth, problem.cloth.width, plan, items)


@pytest.mark.parametrize("draft", DRAFTS)
@pytest.mark.parametrize("lays", [None, (LayKind.FOLDED,), (LayKind.OPEN,), (LayKind.FOLDED, LayKind.OPEN)])
def test_every_piece_is_laid_checked_and_cut_once_and_every_need_comes_before(draft, lays):
    one = on_table(draft, lays=lays)
    steps = table_steps([one], Units.METRIC)
    assert [s.items[0].key for s in steps if s.act is TableAct.CUT] == [item.key for item in one.items]
    for act in (TableAct.PIECES, TableAct.GRAIN):
        laid = [item.key for s in steps if s.act is act for item in s.items]
        assert sorted(laid) == sorted(item.key for item in one.items)
    done = set()
    for step in steps:
        assert set(step.needs) <= done, step.title
        done.add(step.id)
    assert len(done) == len(steps), "two steps have one id"
    assert [s.stretch for s in steps] == sorted(s.stretch for s in steps)


@pytest.mark.parametrize("draft", DRAFTS)
def test_what_lies_on_the_fold_comes_first_large_before_small_and_bias_last(draft):
    """Common practice, no source."""
    items = on_table(draft).items
    groups = {}
    for item in items:
        groups.setdefault((item.stretch, item.layers), []).append(item)
    for found in groups.values():
        bias = [round(item.placement.turn) % 90 != 0 for item in found]
        assert bias == sorted(bias)
        straight = [item for item in found if round(item.placement.turn) % 90 == 0]
        assert [not i.on_fold for i in straight] == sorted(not i.on_fold for i in straight)
        for on_fold in (True, False):
            areas = [abs(signed_area(i.placement.outline)) for i in straight if i.on_fold is on_fold]
            assert all(a >= b - 100 for a, b in pairwise(areas))


def test_the_fold_is_given_by_its_depth_from_the_selvedge():
    """A cloth of 140 cm folded in half lies 70 cm wide: plain arithmetic."""
    first = table_steps([on_table(trousers, lays=(LayKind.FOLDED,))], Units.METRIC)[0]
    assert any("70 cm" in line for line in first.how)
    inches = table_steps([on_table(trousers, lays=(LayKind.FOLDED,))], Units.IMPERIAL)[0]
    assert any("27 1/2 in" in line for line in inches.how)


def test_a_sewn_in_interfacing_of_the_same_outline_is_cut_with_its_cloth_and_a_fusible_is_not():
    stiff = replace(CLOTH, name="Canvas", use=Use.SEWN_IN)
    main = on_table(overshirt)
    for use, stacked in ((Use.SEWN_IN, True), (Use.FUSIBLE, False)):
        inner = on_table(overshirt, Role.INTERFACING, cloth=replace(stiff, use=use))
        steps = table_steps([main, inner], Units.METRIC)
        same = {a.what for a in main.items} & {b.what for b in inner.items}
        assert same, "the demo has such pieces"
        said = [s for s in steps if any("cut them as one" in line for line in s.how)]
        assert bool(said) is stacked


def test_in_a_cloth_that_slips_what_is_fused_is_named_to_be_fused_before_it_is_cut():
    """Common practice, no source."""
    silk = replace(CLOTH, fibre=Fibre.SILK)
    inner = on_table(overshirt, Role.INTERFACING, cloth=replace(CLOTH, use=Use.FUSIBLE))
    names = {item.piece.name.lower() for item in inner.items}
    for cloth, stiff, told in ((silk, inner, True), (CLOTH, inner, False), (silk, None, False)):
        steps = table_steps([on_table(overshirt, cloth=cloth), *([stiff] if stiff else [])], Units.METRIC)
        said = [line for s in steps for line in s.mind if "uncut block" in line]
        assert bool(said) is told
        if told:
            named = said[0].partition(": ")[2].partition(".")[0]
            assert {name.lower() for name in named.split(", ")} == names


def test_no_two_steps_of_a_cloth_are_called_alike():
    """A phone shows one step: whoever looks up from the shears has to see that it is another."""
    for draft in (trousers, overshirt):
        for lays in ((LayKind.OPEN,), (LayKind.FOLDED,)):
            titles = [step.title for step in table_steps([on_table(draft, lays=lays)], Units.METRIC)]
            assert len(titles) == len(set(titles))
