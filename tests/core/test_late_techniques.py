"""Techniques that only a choice or a cloth asks for: orders with them have no fault, by simulator and by checker."""

from dataclasses import replace
from pathlib import Path

import pytest

from rowanseed.core.choices import Decisions, FitChoices
from rowanseed.core.cloth.cloth import Fibre
from rowanseed.core.compose.compose import compose
from rowanseed.core.make.change import ways, with_technique
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.equipment import Equipment
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.make.simulator import play
from rowanseed.core.make.workbench import workbench
from rowanseed.core.pattern.making import Detail, DetailKind, EdgePart
from rowanseed.core.project import Project
from rowanseed.core.saving.apply import reshaped
from rowanseed.demo import overshirt
from rowanseed.formats.description_json import read_description

from .everyday import everyday
from .garments import SIZE
from .test_make import DRAFTS, faults
from .wardrobe import WARDROBE, pocketed

SAMPLES = Path(__file__).parent.parent / "outside" / "descriptions"


def composed(name):
    pattern = compose(read_description((SAMPLES / f"{name}.json").read_text())).pattern
    return pattern, pattern.envelope.sizes[0]


def ordered(pattern, size, choices):
    view = pattern.envelope.views[0].id
    return sequence(compile_garment(pattern, view, size, choices).operations)


def with_way(pattern, size, technique):
    """The order with the first part that can be sewn in this way sewn so."""
    choices = MakingChoices()
    made = compile_garment(pattern, pattern.envelope.views[0].id, size, choices)
    found = ways(pattern, pattern.envelope.views[0].id, size, choices, made)
    part = next(way.id for way in found if any(t.id == technique for t in way.others))
    return ordered(pattern, size, with_technique(choices, part, technique))


def test_a_pocket_is_lined_through_a_gap_and_sewn_on_after_it():
    pattern = pocketed()
    order = [op.id.partition("-")[0] for op in with_way(pattern, SIZE, "lined-patch-pocket") if "lined" in op.technique]
    assert order == ["lining", "round", "sew"]
    steps = with_way(pattern, SIZE, "lined-patch-pocket")
    assert play(pattern, steps) == () and faults(pattern, SIZE, steps) == []
    assert not any("mouth-" in op.id for op in steps), "the mouth is not hemmed as well"


def test_hems_that_meet_in_a_corner_are_mitred_in_one_run():
    pattern, size = composed("gathered-apron")
    steps = with_way(pattern, size, "mitred-hem")
    mitre = [op for op in steps if op.technique == "mitred hem"]
    assert [op.id.partition("-")[0] for op in mitre] == ["fold", "mitre", "sew"]
    assert len(mitre[-1].on.finishes) == 2
    assert play(pattern, steps) == () and faults(pattern, size, steps) == []


def test_a_hem_is_mitred_once_the_seam_between_its_halves_is_sewn():
    """In a household that sews by hand it was hemmed before."""
    drawn, size = composed("gathered-apron")
    pattern = reshaped(drawn, ("centre-seam",), size)
    choices = MakingChoices(equipment=Equipment(machine=False), techniques=(("hem", "mitred-hem"),))
    steps = compile_garment(pattern, "A", size, choices).operations
    needs, waits = {op.id: {need.step for need in op.needs} for op in steps}, {"fold-hem"}
    while more := {need for id in waits for need in needs[id]} - waits:
        waits |= more
    assert "sew-centre-front" in waits
    assert faults(pattern, size, sequence(steps)) == []


@pytest.mark.parametrize(("fibre", "taped"), [(Fibre.VISCOSE, True), (Fibre.COTTON, False)])
def test_the_neck_of_a_cloth_that_gives_is_taped_before_its_facing(fibre, taped):
    pattern = WARDROBE["flat collar"]()
    steps = ordered(pattern, SIZE, MakingChoices(fibre=fibre))
    ids = [op.id for op in steps]
    tapes = [op for op in steps if op.technique == "stay tape"]
    assert bool(tapes) is taped
    for tape in tapes:
        assert "neck" in tape.title and ids.index(tape.id) < ids.index(tape.id.replace("stay-tape", "sew"))
    assert play(pattern, steps) == () and faults(pattern, SIZE, steps) == []


def test_a_cuff_over_a_placket_is_no_ring():
    draft, size = DRAFTS["overshirt"][0], DRAFTS["overshirt"][1]
    sleeve = next(p for p in draft.pieces if p.has_edge("wrist"))
    assert workbench(draft, "A", size, MakingChoices()).runs.over((EdgePart(sleeve.id, "wrist"),)).ring
    slash = Detail("slash", "Sleeve placket", DetailKind.TOWER_PLACKET, on=(sleeve.id,))
    opened = replace(overshirt.draft(), making=replace(draft.making, details=(slash,)))
    run = workbench(opened, "A", size, MakingChoices()).runs.over((EdgePart(sleeve.id, "wrist"),))
    assert not run.ring and run.words == "from one side of the placket to the other"


def test_loops_of_thread_are_no_holes():
    """At a cuff a loop stands on its end; what said where a hole lies was said of it."""
    pattern = everyday("blouse")
    made = Project(pattern, {}, Decisions("A", pattern.envelope.sizes[0], FitChoices()), {})
    for way in (way for way in made.ways if any(other.id == "button-loops" for other in way.others)):
        said = " ".join(
            next(op for op in made.sewn_with(way.id, "button-loops").steps if op.technique == "button loops").how
        )
        assert "loop" in said and "hole lies" not in said and "holes go" not in said


@pytest.mark.parametrize(("technique", "word"), [("catch-stitched-hem", "neaten-"), ("twin-needle-hem", "neaten-")])
@pytest.mark.parametrize(("name", "far"), [("blouse", "from end to end"), ("grandad shirt", "all round")])
def test_a_hem_s_raw_edge_is_neatened_as_far_as_the_hem_goes(technique, word, name, far):
    pattern = everyday(name)
    choices = MakingChoices(techniques=(("hem", technique),))
    order = compile_garment(pattern, "A", pattern.envelope.sizes[0], choices).operations
    assert f"Right side up, {far}" in " ".join(next(op for op in order if op.id == f"{word}hem").how)


def test_only_seams_with_notches_are_matched_at_notches():
    """Shoulders have none: a French seam and a lapped one said theirs were matched."""
    pattern = everyday("blouse")
    size = pattern.envelope.sizes[0]
    bench = workbench(pattern, "A", size, MakingChoices())
    for technique in ("french", "lapped-seam"):
        choices = MakingChoices(techniques=tuple((id, technique) for id in ("sides", "shoulders")))
        for op in compile_garment(pattern, "A", size, choices).operations:
            if op.technique in ("French seam", "lapped seam") and " matched" in " ".join(op.how):
                assert ("notches" in " ".join(op.how)) == bench.notched(bench.joins[op.on.joins[0]]), op.id
