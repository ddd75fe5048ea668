"""Everyday garments in every way of sewing them that is offered: nothing is wrong with the order."""

from __future__ import annotations

import pytest

from rowanseed.core.make.change import ways, with_technique
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.make.simulator import play
from rowanseed.core.make.zip_kinds import zipped_as_chosen

from .everyday import EVERYDAY, everyday
from .test_make import faults
from .wording import misprints


@pytest.mark.slow
@pytest.mark.parametrize("name", EVERYDAY)
def test_every_way_that_is_offered_can_be_sewn(name):
    pattern = everyday(name)
    view, size, usual = pattern.envelope.views[0].id, pattern.envelope.sizes[0], MakingChoices()
    made = compile_garment(pattern, view, size, usual)
    for way in ways(pattern, view, size, usual, made):
        for technique in way.others:
            choices = with_technique(usual, way.id, technique.id)
            garment = zipped_as_chosen(pattern, choices.techniques)
            other = compile_garment(pattern, view, size, choices)
            order = sequence(other.operations)
            assert play(garment, order) == (), (way.id, technique.id)
            assert faults(garment, size, order) == [], (way.id, technique.id)
            assert other.gaps == made.gaps, (way.id, technique.id)
            assert [said for op in other.operations for said in misprints(op)] == [], (way.id, technique.id)
