"""The cutting list: every piece once, the grain square, marks as the cloth allows."""

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from rowanseed.core.base.units import Units
from rowanseed.core.cloth.cloth import Cloth, Direction, Surface
from rowanseed.core.cutting import cut_list
from rowanseed.core.garment import GarmentChoices, lay_problem
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.lay.engine import Budget, solve_each
from rowanseed.core.lay.problem import LayKind
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.operation import Act
from rowanseed.core.marking import left_on_tissue, marks_to_make, marks_used
from rowanseed.core.pattern.envelope import Structure
from rowanseed.core.pattern.making import Making
from rowanseed.core.pattern.pieces import Mark, MarkKind, Role
from rowanseed.core.pattern.turned_over import is_alike_turned_over
from rowanseed.demo.six_gore_skirt import draft
from rowanseed.demo.trousers import draft as trousers_draft

from .everyday import everyday
from .pieces import quadrilateral

SKIRT = draft()
CLOTH = Cloth(name="sprigs", width=1400, length=2600, selvedge=12, direction=Direction.ONE_WAY)


@pytest.fixture(scope="module")
def lists():
    problem = lay_problem(SKIRT, GarmentChoices("A", "14"), Role.MAIN, CLOTH)
    plans = solve_each(problem, Budget(sweeps=3))
    asked = {"pattern": SKIRT, "size": "14", "role": Role.MAIN, "cloth": CLOTH, "units": Units.METRIC}
    return {k: cut_list(**asked, problem=problem, plan=p) for k, p in plans.items()}


@pytest.mark.parametrize("kind", [LayKind.FOLDED.value, LayKind.OPEN.value])
def test_everything_is_cut_as_often_as_it_is_needed(lists, kind):
    cut = {}
    for item in lists[kind]:
        cut[item.piece.id] = cut.get(item.piece.id, 0) + item.gives
    assert cut == {"front": 1, "side-front": 2, "side-back": 2, "back": 2, "front-facing": 1, "back-facing": 2}


def test_every_grainline_stands_as_far_at_the_top_as_at_the_bottom(lists):
    for items in lists.values():
        for item in items:
            assert item.grain is not None
            assert item.grain.at_top == pytest.approx(item.grain.at_bottom, abs=0.1)


def test_on_open_cloth_one_of_a_pair_is_cut_face_down(lists):
    hands = [item.face_down for item in lists[LayKind.OPEN.value] if item.piece.id == "back"]
    assert sorted(hands) == [False, True]


def test_the_fold_piece_is_on_the_fold_and_keys_are_unique(lists):
    front = next(item for item in lists[LayKind.FOLDED.value] if item.piece.id == "front")
    assert front.on_fold
    assert front.grain is not None and front.grain.to == "fold"
    for items in lists.values():
        assert len({item.key for item in items}) == len(items)


def test_marks_are_made_as_the_cloth_allows():
    back = SKIRT.piece("back")
    smooth = marks_to_make(back, CLOTH, Role.MAIN, Units.METRIC)
    assert any("snip" in m.how and "double notch" in m.what for m in smooth)
    assert any(m.what == "end of the zip" for m in smooth)
    ravelly = marks_to_make(back, replace(CLOTH, surface=Surface.CORD), Role.MAIN, Units.METRIC)
    assert not any(m.how.startswith("snip") for m in ravelly)
    assert not any("lengthen" in m.what or "level" in m.what for m in smooth), "they stay on the tissue"


@pytest.mark.parametrize("size", ["8", "14", "20"])
@pytest.mark.parametrize("direction", list(Direction))
def test_a_pair_is_left_and_right_even_where_its_outline_is_its_own_mirror_image(size, direction):
    """A waistband with notches on one long edge: one of the two is cut with the tissue face down, at the same place."""
    trousers = trousers_draft()
    pattern = replace(trousers, pieces=(trousers.piece("waistband"),), making=Making())
    problem = lay_problem(pattern, GarmentChoices("A", size), Role.MAIN, replace(CLOTH, direction=direction))
    plan = solve_each(problem, Budget(sweeps=1))[LayKind.OPEN.value]
    items = cut_list(pattern, size, Role.MAIN, problem, plan, CLOTH, Units.METRIC)
    assert sorted(item.face_down for item in items) == [False, True]
    places = sorted(bounds(p.outline) for p in plan.stretches[0].placements)
    for item, place in zip(sorted(items, key=lambda i: bounds(i.placement.outline)), places, strict=True):
        assert bounds(item.placement.outline) == pytest.approx(place, abs=1)
        assert item.grain.at_top == pytest.approx(item.grain.at_bottom, abs=0.1)


def test_what_is_the_same_turned_over_is_not_marked_left_and_right():
    """Both halves of a tie belt were to be lettered, as if they could be confused."""
    dress = everyday("wrap dress")
    for id, lettered in (("tie-belt", False), ("front", True), ("sleeve", True)):
        pattern = replace(dress, pieces=(dress.piece(id),), making=Making())
        problem = lay_problem(pattern, GarmentChoices("A", "12"), Role.MAIN, CLOTH)
        for plan in solve_each(problem, Budget(sweeps=1)).values():
            items = cut_list(pattern, "12", Role.MAIN, problem, plan, CLOTH, Units.METRIC)
            assert {any(m.what == "left and right" for m in item.marks) for item in items} == {lettered}, id
            assert {item.alike for item in items} == {not lettered}


@given(st.floats(60.0, 400.0), st.floats(40.0, 200.0), st.floats(5.0, 20.0), st.floats(0.0, 1.0))
def test_a_strip_is_alike_turned_over_until_a_corner_is_cut_or_a_mark_tells_its_ends_apart(long, wide, corner, share):
    strip = quadrilateral(((0, 0), (long, 0), (long, wide), (0, wide)), (10.0,) * 4)
    (size,) = strip.shapes
    assert is_alike_turned_over(strip, size)
    skewed = quadrilateral(((0, 0), (long, corner), (long, wide), (corner, wide)), (10.0,) * 4)
    assert not is_alike_turned_over(skewed, size)
    first = strip.edges[0].name
    whole = chain_length(strip.shapes[size].edges[first])
    mark = Mark("m", MarkKind.NOTCH, first, "start", {size: whole * share})
    in_the_middle = abs(share - 0.5) * whole <= 0.4
    if in_the_middle or abs(share - 0.5) * whole > 0.6:
        assert is_alike_turned_over(replace(strip, marks=(mark,)), size) is in_the_middle


def test_marks_that_no_step_uses_stay_on_the_tissue_and_pairs_are_lettered():
    made = compile_garment(SKIRT, "A", "14", MakingChoices()).operations
    used = marks_used(SKIRT.making, made)
    back = SKIRT.piece("back")
    told = marks_to_make(back, CLOTH, Role.MAIN, Units.METRIC, used, pair=True)
    assert any(m.what == "end of the zip" for m in told), "the zip uses it"
    assert any(m.what == "left and right" for m in told)
    nothing = marks_used(SKIRT.making, ())
    assert not any("notch" in m.what for m in marks_to_make(back, CLOTH, Role.MAIN, Units.METRIC, nothing))
    assert left_on_tissue(back, nothing)


@pytest.mark.parametrize(
    ("cloth", "never"),
    [
        (replace(CLOTH, weight=60.0), "chalk or"),
        (replace(CLOTH, surface=Surface.PILE), "tracing wheel"),
        (replace(CLOTH, structure=Structure.KNIT), "no more than"),
    ],
)
def test_means_suit_the_cloth(cloth, never):
    """Chalk shows through sheers, a wheel crushes pile, a knit ladders from deep snips (common practice)."""
    told = [m for piece in trousers_draft().pieces for m in marks_to_make(piece, cloth, Role.MAIN, Units.METRIC)]
    assert told and not any(never in m.how for m in told if m.what != "end of the zip")


def test_a_band_cut_twice_and_fused_may_be_cut_in_two_after_fusing():
    trousers = trousers_draft()
    made = compile_garment(trousers, "A", "14", MakingChoices()).operations
    problem = lay_problem(trousers, GarmentChoices("A", "14"), Role.MAIN, replace(CLOTH, length=None))
    plan = solve_each(problem, Budget(sweeps=1))[LayKind.OPEN.value]
    items = cut_list(trousers, "14", Role.MAIN, problem, plan, CLOTH, Units.METRIC, made)
    told = {item.piece.id for item in items if "cut in two after" in item.later}
    fused = {p for op in made if op.act is Act.FUSE for p in op.on.pieces}
    assert told <= fused and ("waistband" in told) == ("waistband" in fused)
