"""Shoulder pads in every everyday garment with sleeves, by every school of lining: sewn in where they can be."""

import pytest

from rowanseed.core.base.errors import RowanseedError
from rowanseed.core.choices import ClothChoices, Decisions
from rowanseed.core.derive.choice import Layers, LiningSchool
from rowanseed.core.derive.lining import schools
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.make.simulator import play
from rowanseed.core.project import Project

from .everyday import EVERYDAY, everyday
from .test_make import faults

SLEEVED = [name for name, described in EVERYDAY.items() if described.features.sleeve is not None]


@pytest.mark.parametrize("name", SLEEVED)
def test_pads_can_be_sewn_into_it_however_it_is_lined(name):
    """With raglan sleeves the pads waited for the neck, and a hood's neck for the lining, which waited for the pads."""
    pattern = everyday(name)
    view, size = pattern.envelope.views[0].id, pattern.envelope.sizes[0]
    choices = MakingChoices(structure=EVERYDAY[name].cloth, pad=9.0)
    for school in {LiningSchool.NONE, *schools(pattern, view, size)}:
        decisions = Decisions(view, size, cloth=ClothChoices(layers=Layers(lining=school, pad=9.0)))
        try:
            garment = Project(pattern, {}, decisions).garment
        except RowanseedError:
            continue
        order = sequence(compile_garment(garment, view, size, choices).operations)
        assert play(garment, order) == () and faults(garment, size, order) == [], school
        places = {op.id: k for k, op in enumerate(order)}
        sleeves = [places[id] for id in ("press-armholes", "press-raglan-front", "press-raglan-back") if id in places]
        assert max(sleeves, default=-1) < places["pads"]
