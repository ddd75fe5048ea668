"""Views that share one tissue, pieces that must not be turned, one outline cut from several cloths."""

import json
from dataclasses import replace

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from rowanseed.core.alter.change import Alteration
from rowanseed.core.choices import Decisions, FitChoices
from rowanseed.core.cloth.cloth import Cloth, Direction
from rowanseed.core.garment import GarmentChoices, altered, lay_problem
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.lay.check import check
from rowanseed.core.lay.engine import Budget, solve_each
from rowanseed.core.lay.problem import Plan
from rowanseed.core.pattern.envelope import View
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.project import Project
from rowanseed.demo import overshirt, six_gore_skirt, trousers, waistcoat
from rowanseed.formats.layout_json import problem_document, read_problem

DRAFTS = {
    module.__name__.rpartition(".")[2]: module.draft() for module in (overshirt, six_gore_skirt, trousers, waistcoat)
}
CLOTH = Cloth(name="c", width=1500, length=None, selvedge=10, direction=Direction.TWO_WAY)


def in_two_lengths(pattern, below):
    views = (*pattern.envelope.views[:1], View("Z", "another length", below))
    finished = {**pattern.envelope.finished, "Z": pattern.envelope.finished["A"]}
    return replace(pattern, envelope=replace(pattern.envelope, views=views, finished=finished))


@pytest.mark.parametrize("name", [n for n in DRAFTS if n != "waistcoat"])
@given(below=st.sampled_from([-60.0, -20.0, 30.0, 90.0]))
@settings(max_examples=4, deadline=None)
def test_a_view_with_a_lower_edge_of_its_own_is_cut_as_if_the_hem_were_altered(name, below):
    """The same pieces as with the hem altered by hand; and nobody is told that anything was altered."""
    pattern = in_two_lengths(DRAFTS[name], below)
    size = pattern.envelope.sizes[3]
    view = altered(pattern, GarmentChoices("Z", size))
    by_hand = altered(pattern, GarmentChoices("A", size, alterations=(Alteration("hem", below),)))
    assert view.steps == () and view.touched == ()
    for piece in view.pattern.pieces:
        other = by_hand.pattern.piece(piece.id).shapes[size]
        for edge, chain in piece.shapes[size].edges.items():
            assert chain_length(chain) == pytest.approx(chain_length(other.edges[edge]), abs=0.01)


def test_what_is_altered_is_told_against_the_view_that_is_sewn():
    pattern = DRAFTS["six_gore_skirt"]
    asked = FitChoices(alterations=(Alteration("hem", 20.0),))
    body = {"waist": 760.0, "hip": 1010.0}
    changed = {}
    for view in ("A", "B"):
        project = Project(pattern, body, Decisions(view=view, size="14", fit=asked), {})
        changed[view] = project.changes
        sides = {p.id: p.shapes["14"] for p in project.drawn.pieces}
        assert any(sides[p.id] != p.shapes["14"] for p in project.altered.pattern.pieces)
    assert changed["A"]["length"] == pytest.approx(20, abs=0.1) and changed["B"]["length"] == pytest.approx(20, abs=0.1)
    without = Project(pattern, body, Decisions(view="B", size="14"), {})
    assert without.changes == {} and without.walks and all(walk.walks for walk in without.walks)


def test_a_longer_view_needs_more_cloth_and_its_own_yardage():
    pattern = DRAFTS["six_gore_skirt"]
    areas = {}
    for view in ("A", "B"):
        garment = altered(pattern, GarmentChoices(view, "14")).pattern
        problem = lay_problem(garment, GarmentChoices(view, "14"), Role.MAIN, CLOTH)
        areas[view] = sum(piece.area * piece.cut for piece in problem.pieces)
    assert areas["B"] > areas["A"] * 1.2
    assert {line.view for line in pattern.envelope.yardage} == {"A", "B"}


@given(name=st.sampled_from(list(DRAFTS)), seed=st.integers(0, 3))
@settings(max_examples=8, deadline=None)
def test_a_piece_that_must_not_be_turned_lies_as_the_tissue_does(name, seed):
    """On cloth without a way up, where its neighbours may lie end for end; the exact check holds the layout to it."""
    pattern = DRAFTS[name]
    size = pattern.envelope.sizes[2]
    marked = next(p for p in pattern.pieces if any(c.role is Role.MAIN and c.fold is None for c in p.cuts))
    cuts = tuple(replace(c, one_way=True) for c in marked.cuts)
    pieces = tuple(replace(p, cuts=cuts) if p is marked else p for p in pattern.pieces)
    garment = altered(replace(pattern, pieces=pieces), GarmentChoices("A", size)).pattern
    problem = lay_problem(garment, GarmentChoices("A", size), Role.MAIN, CLOTH)
    assert read_problem(json.dumps(problem_document(problem))) == problem
    for plan in solve_each(problem, Budget(sweeps=6, seed=seed)).values():
        if isinstance(plan, Plan):
            lying = [p for stretch in plan.stretches for p in stretch.placements if p.piece == marked.id]
            assert lying and {round(p.turn) % 360 for p in lying} <= {0, 90}
            assert check(problem, plan) == []
            turned = replace(lying[0], turn=(lying[0].turn + 180) % 360)
            spoiled = replace(plan.stretches[0], placements=(turned,))
            assert any("direction" in fault for fault in check(problem, replace(plan, stretches=(spoiled,))))
