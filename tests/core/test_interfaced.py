"""Everyday garments with all of it interfaced: their orders hold, whichever way each piece is stiffened."""

from __future__ import annotations

from dataclasses import replace

import pytest

from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.vocabulary import Interfaced
from rowanseed.core.make.change import ways
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.make.simulator import play

from .everyday import EVERYDAY
from .test_make import faults


@pytest.mark.parametrize("name", EVERYDAY)
def test_whatever_is_interfaced_can_be_so_in_every_way_that_is_offered(name):
    """Canvas pad-stitched to a collar whose inner edge is pressed in: the steps waited for each other in a circle."""
    plain = EVERYDAY[name]
    whole = replace(plain, features=replace(plain.features, interfacing=frozenset({Interfaced.ALL})))
    pattern = compose(whole).pattern
    view, size = pattern.envelope.views[0].id, pattern.envelope.sizes[0]

    def order(choices):
        made = compile_garment(pattern, view, size, choices)
        found = sequence(made.operations)
        assert play(pattern, found) == () and faults(pattern, size, found) == []
        return made

    made = order(MakingChoices())
    for way in ways(pattern, view, size, MakingChoices(), made):
        if way.id.startswith("stiffen:"):
            for technique in way.others:
                other = order(MakingChoices(techniques=((way.id, technique.id),)))
                assert other.gaps == made.gaps, (way.id, technique.id)
