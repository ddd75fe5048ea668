"""No edge of a lining is left hanging: where nothing of its own finishes it, it is basted to the garment before what
closes the garment's edge there, and is caught with it (common practice, no source)."""

import pytest

from rowanseed.core.base.errors import RowanseedError
from rowanseed.core.compose.described_layers import described_layers
from rowanseed.core.derive.choice import Layers, LinedPart, LiningSchool
from rowanseed.core.derive.layers import with_layers
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.doubled import between_layers
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.pattern.making import LayerKind

from .everyday import EVERYDAY, everyday

LINED = {
    "as described": None,
    "whole": Layers(lining=LiningSchool.WHOLE),
    "less its facings": Layers(lining=LiningSchool.DEDUCT),
    "body alone": Layers(lining=LiningSchool.WHOLE, of=LinedPart.BODY),
}
CLOSES = (Fact.JOINED, Fact.FINISHED, Fact.HEMMED)


def lined(name, how):
    """The everyday garment so lined, and its size; None where it cannot be."""
    pattern = everyday(name)
    size = pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]
    try:
        layers = LINED[how] or described_layers(pattern, EVERYDAY[name], view="A", size=size)
        return with_layers(pattern, size, "A", layers), size
    except RowanseedError:
        return None


def hanging(pattern):
    """(piece of the garment, edge) along which an edge of its lining is in no seam and finished by nothing."""
    making = pattern.making
    own = {(p.piece, p.edge) for j in making.joins for p in (*j.a, *j.b)}
    own |= {(p.piece, p.edge) for f in making.finishes for p in f.parts}
    of = {x.piece: x.of for x in making.layers if x.kind is LayerKind.LINING}
    for piece in pattern.pieces:
        folds = {cut.fold for cut in piece.cuts}
        for edge in piece.edges:
            if piece.id in of and edge.name not in folds and (piece.id, edge.name) not in own:
                yield of[piece.id], edge.name


@pytest.mark.parametrize("how", LINED)
@pytest.mark.parametrize("name", EVERYDAY)
def test_every_edge_of_a_lining_is_caught(name, how):
    found = lined(name, how)
    if found is None:
        return
    pattern, size = found
    order = sequence(compile_garment(pattern, "A", size, MakingChoices()).operations)
    making = pattern.making
    for edge in hanging(pattern):
        basted = [
            k for k, op in enumerate(order) if "lining" in op.id and edge in {(e.piece, e.edge) for e in op.edges}
        ]
        # The layers of a doubled yoke are basted to each other: that closes nothing.
        layers = between_layers(making.joins)
        ids = {j.id for j in making.joins if j not in layers and edge in {(p.piece, p.edge) for p in (*j.a, *j.b)}}
        ids |= {f.id for f in making.finishes if edge in {(p.piece, p.edge) for p in f.parts}}
        closed = [k for k, op in enumerate(order) for s in op.gives if s.fact in CLOSES and s.of.id in ids]
        assert basted, f"nothing holds the lining at {edge}"
        assert not closed or basted[0] < min(closed), (edge, order[min(closed)].title)


def test_the_neck_of_a_lining_that_hangs_from_front_facings_is_told_before_the_collar():
    """As in a bomber jacket: its lining is sewn to the front facings, and nothing else held it behind."""
    pattern, size = lined("bomber jacket", "as described")
    order = {
        op.id: (k, op) for k, op in enumerate(sequence(compile_garment(pattern, "A", size, MakingChoices()).operations))
    }
    at, basted = order["baste-lining-edges"]
    assert order["turn-opening-facing"][0] < at < order["sew-neck"][0]
    assert "neck edge" in basted.title and "catches both" in " ".join(basted.how)
