"""A contract over the folder of techniques: whatever is put there keeps to it."""

import re
from dataclasses import replace
from itertools import chain
from pathlib import Path

import pytest
from hypothesis import HealthCheck, given, settings

from rowanseed.core.base.units import Units
from rowanseed.core.choices import ClothChoices
from rowanseed.core.garment import derived
from rowanseed.core.make.change import ways
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.equipment import Equipment, Foot
from rowanseed.core.make.goes_wrong import usually
from rowanseed.core.make.listing import CHAPTERS, glossary, markdown
from rowanseed.core.make.registry import all_techniques, by_id, companions, every
from rowanseed.core.pattern.making import Closure, ClosureKind, Difference, DifferenceKind, FinishKind, Press
from rowanseed.demo import six_gore_skirt

from .everyday import EVERYDAY, everyday
from .garments import SIZE, garments
from .test_make import DRAFTS, LAYERS, ordered

SKIRT = six_gore_skirt.draft()
UNFILLED = re.compile(r"[{}]|None|nan|  |\b(?:\w+-){2,}\w+\b.*\bedge id\b| ,| \.")
METRIC = re.compile(r"\d ?(?:cm|mm|m)\b")
IMPERIAL = re.compile(r"\d ?(?:in|yd)\b")


def spoken(op):
    return " ".join(filter(None, [op.title, *op.how, op.look, op.caution, *(need.why for need in op.needs)]))


def test_ids_are_one_word_each_and_none_stands_twice():
    ids = [technique.id for technique in every()]
    assert len(set(ids)) == len(ids) == len(all_techniques()) + len(companions())
    assert all(re.fullmatch(r"[a-z]+(-[a-z]+)*", id) for id in ids)


def test_every_technique_has_its_chapter_and_stands_in_the_documentation():
    shown = Path("docs/techniques.md").read_text()
    assert shown == markdown()
    for technique in every():
        assert technique.chapter in CHAPTERS and f"`{technique.id}`" in shown
    assert len(glossary()) > 20 and all(said[0].islower() and not said.endswith(".") for said in glossary().values())


@pytest.mark.slow
@pytest.mark.parametrize("layers", LAYERS)
@pytest.mark.parametrize("name", DRAFTS)
def test_words_have_no_unfilled_place_and_figures_are_the_households(name, layers):
    draft, size = DRAFTS[name]
    pattern = derived(draft, size, "A", ClothChoices(layers=LAYERS[layers]), ())
    for units, foreign in ((Units.METRIC, IMPERIAL), (Units.IMPERIAL, METRIC)):
        for equipment in (Equipment(), Equipment(machine=False), Equipment(overlock_threads=4)):
            for op in ordered(pattern, size, MakingChoices(equipment=equipment, units=units)).operations:
                assert not UNFILLED.search(spoken(op)), (op.id, UNFILLED.search(spoken(op)))
                assert not foreign.search(spoken(op)), (op.id, foreign.search(spoken(op)))
                assert all(line[0].isupper() or line[0].isdigit() for line in (op.title, *op.how)), (op.id, op.how)
                assert all(line.endswith(".") for line in (*op.how, op.look) if line), (op.id, op.how, op.look)


@given(pattern=garments)
@settings(max_examples=15, deadline=None, suppress_health_check=[HealthCheck.too_slow])
def test_words_of_generated_garments_have_no_unfilled_place(pattern):
    for op in compile_garment(pattern, "A", SIZE, MakingChoices()).operations:
        assert not UNFILLED.search(spoken(op)), (op.id, UNFILLED.search(spoken(op)))


@pytest.mark.parametrize("name", DRAFTS)
def test_every_operation_says_its_technique_and_what_follows_from_it(name):
    operations = ordered(*DRAFTS[name], MakingChoices()).operations
    for op in operations:
        assert op.technique and (op.gives or op.removes)
    given_states = set(chain.from_iterable(op.gives for op in operations))
    for op in operations:
        for need in op.requires:
            assert need.where_given or need.state in given_states or need.state.fact.value == "temporary"


KITS = {
    "no overlocker": Equipment(),
    "every machine": Equipment(overlock_threads=4, differential=True, coverstitch=True, feet=frozenset(Foot)),
    "by hand": Equipment(machine=False),
}


@pytest.mark.parametrize("kit", KITS)
@pytest.mark.parametrize("name", EVERYDAY)
def test_every_operation_says_when_it_is_right_and_what_usually_goes_wrong(name, kit):
    """Whatever it is sewn with, and whichever way is chosen for a part."""
    pattern = everyday(name)
    size, choices = pattern.envelope.sizes[len(pattern.envelope.sizes) // 2], MakingChoices(equipment=KITS[kit])
    made = compile_garment(pattern, "A", size, choices)
    others = ways(pattern, "A", size, choices, made) if kit == "no overlocker" else ()
    last = {way.id: way.others[-1].id for way in others}
    chosen = replace(choices, techniques=tuple(last.items()))
    for op in (*made.operations, *compile_garment(pattern, "A", size, chosen).operations):
        assert op.look and usually(op), (op.id, op.technique, op.act)


def _skirt(**changes):
    return replace(SKIRT, making=replace(SKIRT.making, **changes))


def _served_or_told(pattern, id):
    """Whether a part is made, or told by name; never neither."""
    made = compile_garment(pattern, "A", "14", MakingChoices())
    taken = id in dict(made.taken)
    told = any(gap.id == id and "booklet" in gap.said for gap in made.gaps)
    assert taken != told, (id, made.gaps)


@pytest.mark.parametrize("kind", ClosureKind)
def test_every_kind_of_closure_is_made_or_told(kind):
    _served_or_told(_skirt(closures=(Closure("it", kind, "centre-back", ("back", "zip-end")),)), "it")


@pytest.mark.parametrize("kind", [k for k in FinishKind if k not in (FinishKind.SELVEDGE, FinishKind.RAW)])
def test_every_kind_of_edge_is_made_or_told(kind):
    finishes = tuple(replace(f, kind=kind) if f.id == "hem" else f for f in SKIRT.making.finishes)
    _served_or_told(_skirt(finishes=finishes), "hem")


@pytest.mark.parametrize("press", Press)
@pytest.mark.parametrize("kind", DifferenceKind)
def test_every_kind_of_seam_is_made_or_told(press, kind):
    amount = 1.5 if kind is DifferenceKind.GATHERS else 20.0
    joins = tuple(
        replace(j, press=press, difference=Difference(kind, amount)) if j.id == "side-seams" else j
        for j in SKIRT.making.joins
    )
    _served_or_told(_skirt(joins=joins), "side-seams")


def test_a_technique_that_nobody_can_do_is_not_offered():
    """Where there is no machine, nothing is hemmed by one."""
    made = compile_garment(
        SKIRT, "A", "14", MakingChoices(equipment=Equipment(machine=False), techniques=(("hem", "blind-hem"),))
    )
    assert "there is no machine" in made.gaps[0].said
    assert dict(made.taken)["hem"] == "turned-hem"
    assert by_id()["blind-hem"].name == "Blind hem by machine"
