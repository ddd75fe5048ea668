"""`garment.json`: the garment as it is made, altered, blended and lined, is a pattern that can be brought again."""

from __future__ import annotations

import json

import pytest

from rowanseed.core.alter.blend import blendable
from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.kinds import offered
from rowanseed.core.choices import ClothChoices, Decisions, FitChoices
from rowanseed.core.derive.choice import Layers, Pleat
from rowanseed.core.derive.lining import schools
from rowanseed.core.pattern.one_size import in_one_size
from rowanseed.core.pattern.seamline import seam_length
from rowanseed.core.project import Project
from rowanseed.formats.order_json import garment_document
from rowanseed.formats.pattern_json import read_pattern
from tests.core.everyday import EVERYDAY, everyday

pytestmark = pytest.mark.slow


@pytest.mark.parametrize("name", EVERYDAY)
def test_what_was_made_of_a_pattern_can_be_read_again(name):
    """Its other sizes were not altered with it, and no longer fitted: the document was refused."""
    pattern = everyday(name)
    view, sizes = pattern.envelope.views[0].id, pattern.envelope.sizes
    size, larger = sizes[len(sizes) // 2 - 1], sizes[len(sizes) // 2]
    levels = blendable(pattern, size)
    # At a seam where there is one to alter, else whatever is offered first: a circle skirt's length, say.
    kind = min(offered(pattern, size), key=lambda kind: kind.id != "seam")
    place = next(iter(kind.places_on(pattern, size)))
    fits = {
        "blended": FitChoices(blend=tuple((level, larger if level == levels[-1] else size) for level in levels)),
        "altered": FitChoices(alterations=(Alteration(kind.id, 20.0, place.at, place.level, place.school),)),
    }
    layers = [Layers(), *(Layers(lining=school, pleat=Pleat.FULL) for school in schools(pattern, view, size)[1:])]
    for fit in fits.values():
        for layer in layers:
            decisions = Decisions(view, size, fit=fit, cloth=ClothChoices(layers=layer))
            garment = Project(pattern, {}, decisions).garment
            read = read_pattern(json.dumps(garment_document(in_one_size(garment, size))))
            assert read.envelope.sizes == (size,)
            for piece in garment.pieces:
                for edge in piece.edges:
                    was = seam_length(piece, size, edge.name)
                    assert seam_length(read.piece(piece.id), size, edge.name) == pytest.approx(was, abs=0.01)
