"""Every technique there is, sewn in a small garment: its order has no fault, and neither have its words.

The checker in `tests/outside` and the simulator know the rules by themselves. What comes before what is common
practice, no source.
"""

import re
from dataclasses import replace
from itertools import product

import pytest

from rowanseed.core.base.units import Units
from rowanseed.core.choices import ClothChoices
from rowanseed.core.garment import derived
from rowanseed.core.make.change import ways, with_technique
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.equipment import Equipment, Foot
from rowanseed.core.make.operation import Act
from rowanseed.core.make.registry import all_techniques
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.make.simulator import play
from rowanseed.core.make.zip_kinds import zipped_as_chosen
from rowanseed.core.pattern.check import faults as drawing_faults
from rowanseed.core.pattern.envelope import Structure
from rowanseed.core.pattern.making import DetailKind
from rowanseed.core.pattern.pieces import Role
from rowanseed.formats.pattern_json import read_pattern, write_pattern

from .garments import SIZE
from .test_make import DRAFTS, LAYERS, faults
from .test_techniques import IMPERIAL, METRIC, UNFILLED, spoken
from .wardrobe import KINDS, WARDROBE

EVERYTHING = Equipment(overlock_threads=4, differential=True, coverstitch=True, feet=frozenset(Foot))
HOUSEHOLDS = {
    "usual": MakingChoices(),
    "every machine": MakingChoices(equipment=EVERYTHING, units=Units.IMPERIAL),
    "by hand": MakingChoices(equipment=Equipment(machine=False), units=Units.IMPERIAL),
    "knit": MakingChoices(equipment=EVERYTHING, structure=Structure.KNIT),
}
NEEDS_A_MACHINE = {"shirred panel", "shirred top"}


def ordered(pattern, choices):
    made = compile_garment(pattern, "A", SIZE, choices)
    return replace(made, operations=sequence(made.operations))


def wrong(pattern, choices):
    """Whatever anything finds wrong with the order of a garment."""
    made = ordered(pattern, choices)
    pattern, operations = zipped_as_chosen(pattern, choices.techniques), made.operations
    said = [gap.said for gap in made.gaps]
    said += [f"{fault.at}: {fault.said}" for fault in play(pattern, operations)]
    said += faults(pattern, SIZE, operations)
    foreign = IMPERIAL if choices.units is Units.METRIC else METRIC
    for op in operations:
        for unfit in (UNFILLED, foreign):
            said += [f"{op.id}: {found.group()!r}" for found in [unfit.search(spoken(op))] if found]
        said += [f"{op.id}: {line}" for line in (*op.how, op.look) if line and not re.match(r"[A-Z0-9].*\.$", line)]
    return said


@pytest.mark.parametrize("household", HOUSEHOLDS)
@pytest.mark.parametrize("name", WARDROBE)
def test_a_garment_is_made_in_every_household(name, household):
    if household == "by hand" and name in NEEDS_A_MACHINE:
        return
    assert wrong(WARDROBE[name](), HOUSEHOLDS[household]) == []


@pytest.mark.parametrize("name", WARDROBE)
def test_the_garments_are_whole_patterns_that_their_document_keeps(name):
    pattern = WARDROBE[name]()
    assert list(drawing_faults(pattern)) == []
    assert read_pattern(write_pattern(pattern)).making == pattern.making


@pytest.mark.slow
@pytest.mark.parametrize("household", ["every machine", "knit"])
@pytest.mark.parametrize("name", WARDROBE)
def test_every_other_way_that_is_offered_can_be_sewn(name, household):
    pattern, choices = WARDROBE[name](), HOUSEHOLDS[household]
    made = compile_garment(pattern, "A", SIZE, choices)
    for way in ways(pattern, "A", SIZE, choices, made):
        for technique in way.others:
            assert wrong(pattern, with_technique(choices, way.id, technique.id)) == [], (way.id, technique.id)


def test_every_technique_makes_something_somewhere():
    """In the small garments, or in the demo's and what is derived from them."""
    taken = set()
    for choices in HOUSEHOLDS.values():
        for garment in WARDROBE.values():
            pattern = garment()
            made = compile_garment(pattern, "A", SIZE, choices)
            taken |= {id for _, id in made.taken}
            taken |= {t.id for way in ways(pattern, "A", SIZE, choices, made) for t in way.others}
    for (draft, size), layers in product(DRAFTS.values(), LAYERS.values()):
        pattern = derived(draft, size, "A", ClothChoices(layers=layers), ())
        made = compile_garment(pattern, "A", size, MakingChoices())
        taken |= {id for _, id in made.taken}
        taken |= {t.id for way in ways(pattern, "A", size, MakingChoices(), made) for t in way.others}
    assert {technique.id for technique in all_techniques()} - taken == NOT_IN_ANY_GARMENT


NOT_IN_ANY_GARMENT = {"patch", "three-layers"}
"""Tested on changed garments of their own in `test_make`."""


def test_every_kind_of_detail_has_its_garment():
    own = {DetailKind.SCALLOPS, DetailKind.PLEATED_BAND, DetailKind.FLY, DetailKind.BIB, DetailKind.POUCH}
    assert set(KINDS) | own == set(DetailKind)


# ---------------------------------------------------------------- what a teacher looks for


def _order(name, household="usual"):
    return [op.id for op in ordered(WARDROBE[name](), HOUSEHOLDS[household]).operations]


BEFORE = [
    ("fly", "sew-centre-back", "zip-it"),
    ("fly", "underlap-it", "baste-it"),
    ("fly with its pieces", "shield-it", "underlap-it"),
    ("fly with its pieces", "neaten-fly-facing-lower", "facing-it"),
    ("fly with its pieces", "facing-it", "baste-it"),
    ("separating zip", "baste-it", "sew-fronts"),
    ("separating zip", "turn-fronts", "zip-it"),
    ("drawn skirt", "openings-waist", "fold-waist"),
    ("cut in one", "sew-sides", "reinforce-sides"),
    ("raglan", "sew-raglan-front", "sew-sides"),
    ("raglan", "sew-raglan-back", "sew-sides"),
    ("dropped sleeve", "sew-armholes", "sew-sides"),
    ("dropped sleeve", "sew-armholes", "sew-sides"),
    ("notched collar", "sew-collar-neck", "sew-collar-edge"),
    ("notched collar", "sew-collar-facing", "sew-collar-edge"),
    ("notched collar", "sew-collar-edge", "sew-fronts"),
    ("flat collar", "press-collar-edge", "sew-collar-neck"),
    ("flat collar", "sew-collar-neck", "sew-neck"),
    ("square yoke", "reinforce-yoke", "sew-yoke"),
    ("bagged jacket", "turn-out-lining-underarms", "close-lining-underarms"),
    ("welt pocket with bags", "rows-detail", "slash-detail"),
    ("welt pocket with bags", "slash-detail", "bag-detail"),
    ("welt pocket with bags", "hold-detail", "sew-sides"),
    ("in-seam pocket", "hold-detail", "sew-sides"),
    ("tower placket", "fold-detail", "box-detail"),
    ("tower placket", "turn-in-detail", "sew-sides"),
    ("strap", "try-detail", "baste-detail"),
    ("strap", "baste-detail", "sew-sides"),
    ("piping", "baste-detail", "sew-sides"),
    ("ruffle", "baste-detail", "sew-sides"),
    ("ruffle", "sew-sides", "remove-rows-detail"),
    ("boning", "press-sides", "channel-detail"),
    ("knife pleats", "press-pleats-detail", "sew-sides"),
    ("shirred panel", "sample-shirring", "shirr-detail"),
    ("shirred panel", "shirr-detail", "sew-sides"),
    ("shirred top", "turn-in-waist", "shirr-shirred-waist"),
    ("shirred top", "press-sides", "shirr-shirred-waist"),
    ("shirred top", "shirr-shirred-waist", "steam-shirred-waist"),
    ("hood", "turn-in-hood-face", "sew-neck"),
    ("hood over a separating zip", "turn-opening-facing", "sew-neck"),
    ("embroidery", "embroider-detail", "sew-sides"),
    ("slit at the end of a seam", "press-centre-back", "slit-centre-back"),
    ("pocketed skirt", "mouth-pocket", "sew-on-pocket"),
    ("lacing", "eyelets-it", "lace-it"),
]
"""Garment, what comes first, what comes later (common practice, no source)."""


@pytest.mark.parametrize(("name", "first", "later"), BEFORE)
def test_what_has_to_come_first_comes_first(name, first, later):
    order = _order(name)
    assert order.index(first) < order.index(later)


def test_a_knit_is_sewn_and_finished_in_one_at_four_threads_and_its_shoulders_are_taped():
    made = ordered(WARDROBE["eased sleeve"](), HOUSEHOLDS["knit"])
    assert dict(made.taken)["sides"] == "overlocked-seam"
    shoulders = next(op for op in made.operations if op.id == "sew-shoulders")
    assert any("does not grow" in line for line in shoulders.how)
    assert not any(op.act is Act.NEATEN and "sides" in op.on.joins for op in made.operations)


def test_a_rolled_hem_at_the_overlocker_takes_the_whole_allowance_off():
    choices = with_technique(HOUSEHOLDS["every machine"], "hem", "rolled-overlocked")
    hem = next(op for op in ordered(WARDROBE["skirt"](), choices).operations if op.id == "sew-hem")
    assert "The whole allowance comes off: 1 1/8 in" in hem.how[0]


def test_what_is_made_in_one_cannot_be_chosen_apart_and_says_why():
    choices = with_technique(MakingChoices(), "lining-underarms", "plain")
    gaps = compile_garment(WARDROBE["bagged jacket"](), "A", SIZE, choices).gaps
    assert len(gaps) == 1 and "is made in one with it and would be left" in gaps[0].said


def test_marks_under_a_fused_layer_are_made_again_before_they_are_needed():
    pattern = WARDROBE["pocketed skirt"]()
    front = replace(
        pattern.pieces[0], cuts=(*pattern.pieces[0].cuts, replace(pattern.pieces[0].cuts[0], role=Role.INTERFACING))
    )
    order = [op.id for op in ordered(replace(pattern, pieces=(front, *pattern.pieces[1:])), MakingChoices()).operations]
    assert order.index("interface-front") < order.index("mark-front") < order.index("sew-on-pocket")
