"""A body gets into what is described: the head through the neck, hands through sleeve ends, hips through a waist, feet
through legs. How big these are is from memory; how far a knit gives is common practice, no source."""

import math
from itertools import product

import pytest

from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.description import Description, Features, Figure, Legs, Neck, Opening, Side, Sleeve
from rowanseed.core.compose.figures import figures
from rowanseed.core.compose.vocabulary import (
    Centre,
    GarmentKind,
    LegEnd,
    LegKind,
    NeckFinish,
    NeckShape,
    OpeningKind,
    SleeveEnd,
    SleeveKind,
    SleeveLength,
    Waist,
    Where,
)
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.pattern.envelope import Structure
from rowanseed.core.pattern.pieces import Panel

HAND = {Figure.WOMEN: 205.0, Figure.MEN: 230.0, Figure.CHILDREN: 175.0, Figure.UNISEX: 225.0}
BINDING = 10.0
"""How wide a binding is, in mm; common practice, no source."""
HEAD = {Figure.WOMEN: 560.0, Figure.MEN: 580.0, Figure.CHILDREN: 530.0, Figure.UNISEX: 580.0}
FOOT = {Figure.WOMEN: 300.0, Figure.MEN: 335.0, Figure.CHILDREN: 255.0, Figure.UNISEX: 335.0}
GIVES = {Structure.WOVEN: 1.0, Structure.KNIT: 1.3}
ZIP = Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, 300.0)


def made(garment, figure, cloth, **features):
    """The pattern and its sizes; None where the description is refused by name."""
    description = Description(name="It", garment=garment, figure=figure, cloth=cloth, features=Features(**features))
    try:
        return compose(description).pattern, figures(description).sizes
    except DescriptionRefused:
        return None


def length(piece, edge, size):
    return chain_length(piece.shapes[size].edges[edge])


def round_(pattern, edge, size, panels=(Panel.FRONT, Panel.BACK)):
    """How long an edge is all the way round."""
    pieces = [p for p in pattern.pieces if p.has_edge(edge) and p.panel in panels]
    return sum(2 * length(p, edge, size) for p in pieces)


@pytest.mark.parametrize("figure", Figure)
@pytest.mark.parametrize("cloth", Structure)
@pytest.mark.parametrize("kind", SleeveKind)
def test_a_hand_goes_through_and_the_arm_has_room(kind, cloth, figure):
    for long, end in product(SleeveLength, (SleeveEnd.HEM, SleeveEnd.BINDING, SleeveEnd.ELASTIC_CASING)):
        found = made(
            GarmentKind.TOP,
            figure,
            cloth,
            back=Side(Centre.SEAM),
            opening=ZIP,
            sleeve=Sleeve(kind, length=long, end=end),
        )
        if found is None:
            continue
        pattern, sizes = found
        own = next((p for p in pattern.pieces if p.id == "sleeve"), None) or pattern.piece("front")
        halves = 1 if own.id == "sleeve" else 2
        for size in sizes:
            wide = halves * length(own, "wrist", size.name) * GIVES[cloth]
            assert wide >= HAND[figure], (long, end, size.name)
            if long in (SleeveLength.CAP, SleeveLength.SHORT):
                assert wide >= size.upper_arm, (long, end, size.name)


OPENED = {
    "nothing": (Opening(), 0.0),
    "a slit": (Opening(Where.FRONT, OpeningKind.SLIT, 140.0), 140.0),
    "a half placket": (Opening(Where.FRONT, OpeningKind.BUTTONS, 200.0), 200.0),
    "a zip in the side": (Opening(Where.LEFT_SIDE, OpeningKind.INVISIBLE_ZIP), 0.0),
}


@pytest.mark.parametrize("figure", Figure)
@pytest.mark.parametrize("cloth", Structure)
@pytest.mark.parametrize("opened", OPENED)
def test_a_head_goes_through(opened, cloth, figure):
    opening, long = OPENED[opened]
    for shape in NeckShape:
        finish = NeckFinish.BAND if cloth is Structure.KNIT else NeckFinish.BIAS_BINDING
        features = {"opening": opening, "neck": Neck(shape, finish)}
        if shape is NeckShape.V and opened == "a half placket":
            continue
        if shape is NeckShape.HIGH and cloth is Structure.WOVEN and not long:
            continue
        found = made(GarmentKind.TOP, figure, cloth, **features)
        if found is None:
            continue
        pattern, sizes = found
        gives = 1.45 if cloth is Structure.KNIT and shape is NeckShape.HIGH else GIVES[cloth]
        for size in sizes:
            through = round_(pattern, "neck", size.name)
            if finish is NeckFinish.BIAS_BINDING and not long:
                # Wrapped over its edge a binding makes the hole smaller: a ring moved inwards.
                through -= 2 * math.pi * BINDING
            assert through * gives + 2 * long >= HEAD[figure], (shape, size.name)


@pytest.mark.parametrize("figure", Figure)
@pytest.mark.parametrize("cloth", Structure)
def test_hips_and_feet_go_through_trousers_that_are_pulled_on(cloth, figure):
    for kind, end in product(LegKind, (LegEnd.HEM, LegEnd.ELASTIC_CASING)):
        found = made(
            GarmentKind.TROUSERS,
            figure,
            cloth,
            opening=Opening(),
            waist=Waist.ELASTIC_CASING,
            legs=Legs(kind, end=end),
        )
        if found is None:
            continue
        pattern, sizes = found
        for size in sizes:
            assert round_(pattern, "waist", size.name) * GIVES[cloth] >= size.body_hip
            if kind is not LegKind.SHORTS:
                assert round_(pattern, "hem", size.name) / 2 * GIVES[cloth] >= FOOT[figure]
