"""A top that hangs from the neck: by one strap round it, or two that are tied there.

How long its straps are cut is common practice, no source.
"""

import pytest
from hypothesis import HealthCheck, given, settings

from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.description import Description, Features, Neck, Opening, Side, Straps
from rowanseed.core.compose.refusals import refusals
from rowanseed.core.compose.vocabulary import (
    Centre,
    GarmentKind,
    NeckShape,
    OpeningKind,
    StrapsClosed,
    StrapsGo,
    Where,
)
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.pieces import Panel
from rowanseed.drawings.line.drawing import line_drawing
from rowanseed.formats.description_json import read_description, write_description

from .descriptions import drafted, halters, mended
from .everyday import EVERYDAY, everyday

HALTERS = [name for name, one in EVERYDAY.items() if one.is_halter]


def described(closed=StrapsClosed.SEWN_IN, figure=Figure.WOMEN, go=StrapsGo.ROUND):
    zipped = Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, 400.0)
    features = Features(back=Side(Centre.SEAM), opening=zipped, straps=Straps(closed_by=closed, go=go))
    return Description(name="It", garment=GarmentKind.DRESS, figure=figure, features=features)


def steps(pattern):
    size = pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]
    return {op.id: op for op in sequence(compile_garment(pattern, "A", size, MakingChoices()).operations)}


def marked(pattern):
    return {piece.panel for piece in pattern.pieces for mark in piece.marks if mark.id == "strap"}


@settings(max_examples=15, deadline=None, suppress_health_check=list(HealthCheck))
@given(halters.map(mended).filter(lambda d: d is not None and d.is_halter))
def test_its_straps_are_marked_on_the_front_alone_and_there_are_as_many_as_go_round_the_neck(description):
    pattern = drafted(description).pattern
    assert marked(pattern) == {Panel.FRONT}
    tied = description.features.straps.closed_by is StrapsClosed.TIES
    assert pattern.piece("strap").cuts[0].count == (2 if tied else 1)
    held = next(d for d in pattern.making.details if d.id == "straps")
    assert {pattern.piece(id).panel for id in held.on} == {Panel.FRONT}


def test_straps_over_the_shoulders_are_marked_behind_too():
    pattern = compose(described(go=StrapsGo.OVER)).pattern
    assert marked(pattern) == {Panel.FRONT, Panel.BACK}
    assert "over the shoulder" in " ".join(steps(pattern)["try-straps"].how)


@pytest.mark.parametrize(
    ("closed", "figure"),
    [
        (StrapsClosed.BUTTONS, Figure.WOMEN),
        (StrapsClosed.SNAPS, Figure.WOMEN),
        (StrapsClosed.TIES, Figure.CHILDREN),
    ],
)
def test_what_goes_round_the_neck_is_sewn_in_or_tied_and_not_tied_on_a_child(closed, figure):
    assert "features.straps.closed by" in {one.field for one in refusals(described(closed, figure))}
    assert not refusals(described(StrapsClosed.SEWN_IN, figure))


@pytest.mark.parametrize("name", HALTERS)
def test_its_straps_are_tried_round_the_neck_and_nothing_is_said_of_shoulders(name):
    by_id = steps(everyday(name))
    tried = " ".join(by_id["try-straps"].how)
    assert "behind the neck" in tried
    assert "shoulder" not in tried + " ".join(by_id["baste-straps"].how)


def test_one_that_is_tied_has_a_free_end_and_one_that_is_sewn_in_has_none():
    tied, loop = (" ".join(steps(everyday(name))["baste-straps"].how) for name in ("halter dress", "halter sundress"))
    assert "stays free" in tied
    assert "other end" in loop
    assert "both behind the neck" in " ".join(steps(everyday("halter dress"))["ties-strap-closure"].how)


def test_its_back_is_drawn_without_straps():
    def strokes_of_the_back(go):
        return line_drawing(compose(described(go=go)).pattern).split("<g ")[-1].count("<path ")

    # A strap on each hand is what the other has more.
    assert strokes_of_the_back(StrapsGo.ROUND) == strokes_of_the_back(StrapsGo.OVER) - 2


def test_the_line_between_v_and_round_is_seen():
    def lowest(shape):
        features = described().features
        told = Description(
            name="It",
            garment=GarmentKind.DRESS,
            features=Features(
                back=features.back,
                opening=features.opening,
                straps=features.straps,
                neck=Neck(shape),
            ),
        )
        front = compose(told).pattern.piece("front")
        size = next(iter(front.shapes))
        return front.shapes[size].edges["neck"][-1].end[0]

    assert lowest(NeckShape.V) > lowest(NeckShape.ROUND) + 40.0


def test_the_document_keeps_where_they_go():
    description = described(StrapsClosed.TIES)
    assert read_description(write_description(description)).features.straps == description.features.straps
