"""Why a way of sewing does not suit a part: every way that is not offered has a reason, and no other has."""

from __future__ import annotations

from dataclasses import replace
from functools import cache

import pytest

from rowanseed.core.choices import ClothChoices, Decisions
from rowanseed.core.derive.choice import Layers, LiningHem, LiningSchool
from rowanseed.core.make.change import settled, unsuited, ways
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment, every_duty, offered
from rowanseed.core.make.registry import all_techniques
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.make.simulator import play
from rowanseed.core.make.workbench import workbench
from rowanseed.core.make.zip_kinds import IN_A_SEAM, zipped_as_chosen, zips_in_seams
from rowanseed.core.notions.to_buy import notions
from rowanseed.core.pattern.envelope import Structure
from rowanseed.core.pattern.making import ClosureKind
from rowanseed.core.project import Project
from rowanseed.demo import overshirt, six_gore_skirt, trousers, waistcoat

from .everyday import EVERYDAY, everyday
from .test_make import faults

KITS = (MakingChoices(), MakingChoices(structure=Structure.KNIT))


@cache
def drawn(name):
    drafts = {"overshirt": overshirt, "gored": six_gore_skirt, "trousers": trousers, "vest": waistcoat}
    pattern = drafts[name].draft() if name in drafts else everyday(name)
    return pattern, pattern.envelope.views[0].id, pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]


NAMES = ("overshirt", "gored", "trousers", "vest", *EVERYDAY)


@pytest.mark.parametrize("kit", KITS, ids=["woven", "knit"])
@pytest.mark.parametrize("name", NAMES)
def test_what_suits_has_no_reason_against_it_and_what_does_not_has_one(name, kit):
    """97 of 100 reasons were “it is for parts of another shape”, whatever the part and the technique."""
    pattern, view, size = drawn(name)
    bench = workbench(pattern, view, size, kit)
    found = {(technique.id, id) for technique, duty in every_duty(bench) for id in duty.ids[:1]}
    in_one = {(technique.id, id) for technique, duty in every_duty(bench) for id in duty.ids}
    for part in offered(bench):
        for technique in all_techniques():
            why = technique.why_not(bench, part)
            if (technique.id, part) in found:
                assert not why, (technique.id, part, why)
            elif why is not None and (technique.id, part) not in in_one:
                assert why, (technique.id, part)
    made = compile_garment(pattern, view, size, kit)
    for way in (*ways(pattern, view, size, kit, made), *settled(pattern, view, size, kit, made)):
        told = unsuited(pattern, view, size, kit, way.id)
        assert all(one.why for one in told)
        assert not {one.name for one in told} & {t.name for t in (way.taken, *way.others)}


def test_reasons_name_the_part_and_its_figures():
    pattern, view, size = drawn("western blouse")
    told = {one.name: one.why for one in unsuited(pattern, view, size, MakingChoices(), "princess-front")}
    assert told["French seam"] == "it curves so much that its allowances are clipped, and clips cannot be folded in"
    pattern, view, size = drawn("circle skirt")
    told = {one.name: one.why for one in unsuited(pattern, view, size, MakingChoices(), "hem")}
    assert told["Hem by catch stitch"] == "the hem is 1.6 cm deep: it takes 2 cm"
    assert told["Rolled hem at the overlocker"] == "there is no overlocker"


# ---------------------------------------------------------------- the kind of zip is a choice

ZIPPED = [name for name in NAMES if zips_in_seams(drawn(name)[0])]


@pytest.mark.parametrize("kind", IN_A_SEAM, ids=lambda kind: kind.value)
@pytest.mark.parametrize("name", ZIPPED)
def test_a_zip_may_be_of_another_kind_and_order_and_notions_follow(name, kind):
    pattern, view, size = drawn(name)
    (zip_,) = zips_in_seams(pattern)
    choices = MakingChoices(techniques=((zip_.id, kind.value),))
    garment = zipped_as_chosen(pattern, choices.techniques)
    assert zipped_as_chosen(garment, choices.techniques) is garment
    made = compile_garment(pattern, view, size, choices)
    assert made.gaps == compile_garment(pattern, view, size, MakingChoices()).gaps
    assert dict(made.taken)[zip_.id] == kind.value
    order = sequence(made.operations)
    assert play(garment, order) == () and faults(garment, size, order) == []
    bought = [one.what for one in notions(garment, view, size, None, overlocker=False) if "zip" in one.what.lower()]
    assert bought and all(one.startswith(kind.words.capitalize()) for one in bought)
    way = next(one for one in ways(garment, view, size, choices, made) if one.id == zip_.id)
    assert way.usual.id == zip_.kind.value and way.is_chosen == (kind is not zip_.kind)


def test_a_zip_beside_a_narrow_allowance_stays_what_it_is():
    pattern, view, size = drawn("gored")
    narrow = replace(
        pattern,
        pieces=tuple(replace(p, edges=tuple(replace(e, allowance=10.0) for e in p.edges)) for p in pattern.pieces),
    )
    told = {one.name: one.why for one in unsuited(narrow, view, size, MakingChoices(), "zip")}
    assert told["Lapped zip"] == "the allowance beside it is 1 cm wide: it takes 1.2 cm"
    kept = zipped_as_chosen(narrow, (("zip", ClosureKind.LAPPED_ZIP.value),))
    assert kept is narrow


# ---------------------------------------------------------------- what was chosen and cannot be


def test_what_was_chosen_and_does_not_suit_is_told_with_its_reason():
    pattern, view, size = drawn("bomber jacket")
    (gap,) = compile_garment(pattern, view, size, MakingChoices(techniques=(("raglan-front", "french"),))).gaps
    assert "it curves so much that its allowances are clipped" in gap.said and "the usual way" in gap.said


def test_a_lining_that_she_hangs_free_is_not_told_to_be_no_bagged_one():
    """The pattern sews its lining to the hem; where she hangs it free, that wish is past and nothing need be said."""
    pattern, view, size = drawn("coat")
    for hem, way in ((LiningHem.FREE, "turned-hem"), (LiningHem.ATTACHED, "lining-bagged-at-hem")):
        layers = Layers(lining=LiningSchool.WHOLE, hem=hem)
        garment = Project(pattern, {}, Decisions(view, size, cloth=ClothChoices(layers=layers))).garment
        made = compile_garment(garment, view, size, MakingChoices())
        assert made.gaps == () and dict(made.taken)["lining-hem"] == way


APART = [
    ("blazer", "collar-neck", {"band-on-edge"}),
    ("blazer", "collar-edge", {"turned-collar", "plain"}),
    ("blazer", "fronts", {"shaped-facing"}),
    ("blazer", "armholes", {"sleeve-in-the-flat", "plain"}),
    ("blouse", "collar-stand", {"plain"}),
    ("blouse", "collar-edge", {"plain"}),
    ("blouse", "armholes", {"plain"}),
    ("overshirt", "yoke-inside", {"plain", "french", "lapped-seam"}),
    ("dressing gown", "shoulders", {"plain"}),
]
"""Garment, part, and ways that would make it apart from what it can only be made with, or pass its shape over."""


@pytest.mark.parametrize(("name", "part", "never"), APART)
def test_what_is_made_in_one_is_not_offered_to_be_made_apart(name, part, never):
    pattern, view, size = drawn(name)
    bench = workbench(pattern, view, size, MakingChoices())
    assert not {technique.id for technique in offered(bench)[part]} & never
    for id in sorted(never):
        made = compile_garment(pattern, view, size, MakingChoices(techniques=((part, id),)))
        assert (part, id) not in made.taken, "nor made so where it was kept"
        assert any("made the usual way" in gap.said for gap in made.gaps)
        assert faults(pattern, size, sequence(made.operations)) == []


def test_a_two_piece_sleeve_says_why_it_is_not_sewn_in_flat():
    pattern, view, size = drawn("blazer")
    told = {one.name: one.why for one in unsuited(pattern, view, size, MakingChoices(), "armholes")}
    assert "two pieces" in told["Sleeve sewn in the flat"]


def test_a_doubled_yoke_says_why_one_of_its_seams_is_not_sewn_by_itself():
    pattern, view, size = drawn("overshirt")
    told = {one.name: one.why for one in unsuited(pattern, view, size, MakingChoices(), "yoke")}
    assert "cannot be made apart" in told["French seam"]
