"""A chosen way of sewing changes the allowances it asks for, and through them what is cut and laid."""

from dataclasses import replace

import pytest

from rowanseed.core.choices import Decisions
from rowanseed.core.cloth.cloth import Cloth, Direction, Fibre
from rowanseed.core.make.allowances import changes, with_allowances
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.equipment import Equipment
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.pattern.walk import walk
from rowanseed.core.project import Project
from rowanseed.demo import six_gore_skirt

from .garments import SIZE
from .wardrobe import WARDROBE

SKIRT = six_gore_skirt.draft()
OVERLOCKER = Equipment(overlock_threads=4)


def project(**decided):
    return Project(pattern=SKIRT, body={}, decisions=Decisions(view="A", size="14", **decided))


def hem_allowances(pattern):
    return {p.edge("hem").allowance for p in pattern.pieces if p.has_edge("hem") and "facing" not in p.id}


@pytest.mark.parametrize(("technique", "mm"), [("narrow-hem", 12.0), ("rolled-hem", 6.0)])
def test_a_hem_that_takes_less_is_cut_with_less(technique, mm):
    assert hem_allowances(project().garment) == {30.0}
    assert hem_allowances(project(techniques=(("hem", technique),)).garment) == {mm}


def test_what_is_cut_gets_shorter_by_what_the_hem_takes_less():
    """Worked by hand: 30 mm less 12 mm on each gore, and nothing else of it changes."""
    cloth = Cloth(name="Cotton", width=1400, length=3000, selvedge=10, fibre=Fibre.COTTON, direction=Direction.TWO_WAY)
    plain, narrow = project(), project(techniques=(("hem", "narrow-hem"),))
    for one, other in zip(plain.problem(Role.MAIN, cloth).pieces, narrow.problem(Role.MAIN, cloth).pieces, strict=True):
        shorter = _long(one) - _long(other)
        assert shorter == pytest.approx(0 if "facing" in one.id else 18, abs=0.2), one.id


def _long(piece):
    xs = [x for x, _ in piece.outline]
    return max(xs) - min(xs)


def test_the_finished_garment_stays_what_it_was():
    before, after = project().garment, project(techniques=(("hem", "rolled-hem"),)).garment
    assert [p.shapes["14"] for p in before.pieces] == [p.shapes["14"] for p in after.pieces]
    assert [(w.a, w.b) for w in walk(before, "14")] == [(w.a, w.b) for w in walk(after, "14")]


def test_a_hem_that_is_cut_to_its_measure_has_nothing_cut_off():
    made = project(techniques=(("hem", "narrow-hem"),)).made
    assert not any("cut 1.8 cm of it off" in line for op in made.operations for line in op.how)


def test_what_was_cut_before_keeps_its_allowances_and_is_told_what_to_cut_off():
    late = project(techniques=(("hem", "narrow-hem"),), as_cut=frozenset({"hem"}))
    assert hem_allowances(late.garment) == {30.0}
    assert any("cut 1.8 cm of it off" in line for op in late.made.operations for line in op.how)


def test_a_way_chosen_anew_is_no_longer_settled_by_cutting():
    late = project(techniques=(("hem", "narrow-hem"),), as_cut=frozenset({"hem"}))
    assert late.sewn_with("hem", "rolled-hem").decisions.as_cut == frozenset()
    assert late.sewn_with("hem", "rolled-hem", is_cut=True).decisions.as_cut == {"hem"}
    assert late.sewn_with("hem", None, is_cut=True).decisions.as_cut == frozenset()


def test_a_french_seam_is_cut_with_the_sum_of_its_rows():
    skirt = replace(
        SKIRT,
        pieces=tuple(
            replace(p, edges=tuple(replace(e, allowance=12.7 if e.allowance == 15 else e.allowance) for e in p.edges))
            for p in SKIRT.pieces
        ),
    )
    changed = changes(skirt, "A", "14", MakingChoices(techniques=(("front-seams", "french"),)))
    assert {(one.before, one.after) for one in changed} == {(12.7, 15.0)} and len(changed) == 2


def test_without_a_choice_the_garment_is_the_same_object():
    pattern = WARDROBE["skirt"]()
    assert with_allowances(pattern, "A", SIZE, MakingChoices(equipment=OVERLOCKER)) is pattern
