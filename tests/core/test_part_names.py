"""Every part that a technique makes has a name that a sewist would give it, never the id it is kept by."""

from dataclasses import replace

import pytest

from rowanseed.core.base.errors import RowanseedError
from rowanseed.core.choices import ClothChoices, Decisions
from rowanseed.core.derive.choice import Layers
from rowanseed.core.derive.lining import schools
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment, every_duty, wanted
from rowanseed.core.make.part_names import part_name
from rowanseed.core.make.workbench import workbench
from rowanseed.core.project import Project

from .everyday import EVERYDAY, everyday


def garments(name):
    """An everyday garment as it is, and with everything that can be laid on or hung into it."""
    pattern = everyday(name)
    view, size = pattern.envelope.views[0].id, pattern.envelope.sizes[0]
    for school in (None, *schools(pattern, view, size)):
        layers = Layers(underlined=school is None, pad=9.0, fused=True)
        layers = replace(layers, lining=school) if school is not None else layers
        try:
            yield Project(pattern, {}, Decisions(view, size, cloth=ClothChoices(layers=layers))).garment, view, size
        except RowanseedError:
            continue


@pytest.mark.parametrize("name", EVERYDAY)
def test_no_part_is_called_by_its_id(name):
    structure = MakingChoices(structure=EVERYDAY[name].cloth)
    for garment, view, size in garments(name):
        bench = workbench(garment, view, size, structure)
        parts = {id: part_name(bench, id) for id in wanted(bench, every_duty(bench))}
        assert {id: said for id, said in parts.items() if ":" in said.removeprefix("Closure:") or said == id} == {}


def test_what_was_chosen_for_a_part_that_is_gone_is_told_in_words():
    pattern = everyday("shift")
    view, size = pattern.envelope.views[0].id, pattern.envelope.sizes[0]
    gone = MakingChoices(techniques=(("back:skirt-front", "underlining"), ("waist-seam", "french")))
    told = " ".join(gap.said for gap in compile_garment(pattern, view, size, gone).gaps)
    assert "There is no “Underlining of the skirt front” in this garment now" in told
    assert "There is no “waist seam” in this garment now" in told
