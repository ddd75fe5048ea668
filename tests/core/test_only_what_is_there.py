"""No step speaks of a part that the garment has not, and none goes all round where the garment opens: properties over
generated garments, in the words that a sewist would stumble over."""

import re

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from rowanseed.core.choices import Decisions, FitChoices
from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.description import Description, Features, Neck, Opening, Side, Straps
from rowanseed.core.compose.vocabulary import (
    Centre,
    GarmentKind,
    Interfaced,
    NeckFinish,
    NeckShape,
    OpeningKind,
    Where,
)
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.pattern.envelope import Structure
from rowanseed.core.pattern.making import LayerKind
from rowanseed.core.pattern.pieces import Panel
from rowanseed.core.project import Project

from .descriptions import whole_ones
from .everyday import everyday

PARTS = [
    "zip",
    "lining",
    "facing",
    "collar",
    "sleeve",
    "dart",
    "pocket",
    "button",
    "hook",
    "strap",
    "yoke",
    "cuff",
    "vent",
    "waistband",
    "placket",
    "elastic",
]
ALSO = {"lining": "flap", "facing": "facing|bias strip", "elastic": "elastic|shirr"}
"""What a part is made of besides, by the words of the pattern: a flap has a lining of its own."""
ALL_ROUND = re.compile("seam all round|in a ring|in one run all round")


def named(pattern):
    """All that the pattern's own document names: pieces, seams, edges, closures, details, points."""
    making = pattern.making
    parts = (*pattern.pieces, *making.joins, *making.finishes, *making.details)
    kinds = (*(c.kind.words for c in making.closures), *(d.kind.words for d in making.details))
    points = (q.kind.words for piece in pattern.pieces for q in piece.points)
    return " ".join((*(one.name for one in parts), *kinds, *points)).lower()


def has(pattern, word):
    if re.search(ALSO.get(word, word), named(pattern)):
        return True
    match word:
        case "lining" | "facing":
            kind = LayerKind.LINING if word == "lining" else LayerKind.FACING
            return any(layer.kind is kind for layer in pattern.making.layers)
        case "sleeve":
            return any(piece.panel is Panel.SLEEVE or piece.has_edge("wrist") for piece in pattern.pieces)
        case "dart":
            return any(piece.darts for piece in pattern.pieces)
        case _:
            return False


def ordered(description):
    pattern = compose(description).pattern
    size = pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]
    return pattern, compile_garment(pattern, "A", size, MakingChoices()).operations


@given(description=whole_ones)
@settings(max_examples=60, deadline=None, suppress_health_check=list(HealthCheck))
def test_no_step_speaks_of_a_part_that_the_garment_has_not(description):
    try:
        pattern, operations = ordered(description)
    except DescriptionRefused:
        return
    lacking = [word for word in PARTS if not has(pattern, word)]
    said = {op.id: " ".join((op.title, *op.how, op.look)).lower() for op in operations}
    found = [(id, word) for id, text in said.items() for word in lacking if re.search(rf"\b{word}s?\b", text)]
    assert found == []


def opened(description):
    """The edge that an opening goes through; None where it opens nothing that goes round."""
    opening, garment = description.features.opening, description.garment
    if opening.kind is None or opening.where is Where.NONE:
        return None
    if garment.has_bodice:
        return "neck" if opening.where in (Where.FRONT, Where.BACK) else None
    return "waist" if garment in (GarmentKind.SKIRT, GarmentKind.TROUSERS) else None


@given(description=whole_ones)
@settings(max_examples=60, deadline=None, suppress_health_check=list(HealthCheck))
def test_nothing_goes_all_round_what_the_garment_opens(description):
    edge = opened(description)
    if edge is None:
        return
    try:
        _, operations = ordered(description)
    except DescriptionRefused:
        return
    about = [op for op in operations if edge in op.id or edge in {one.edge for one in op.on.edges}]
    assert [op.id for op in about if ALL_ROUND.search(" ".join(op.how))] == []


@given(
    shape=st.sampled_from(list(NeckShape)),
    back=st.sampled_from([Centre.FOLD, Centre.SEAM]),
    finish=st.sampled_from([None, NeckFinish.FACING, NeckFinish.BIAS_BINDING, NeckFinish.BIAS_FACING]),
    garment=st.sampled_from([GarmentKind.TOP, GarmentKind.DRESS, GarmentKind.NIGHTDRESS]),
    cloth=st.sampled_from(list(Structure)),
)
@settings(max_examples=25, deadline=None)
def test_where_straps_hold_it_up_no_step_speaks_of_a_neck_or_a_shoulder(shape, back, finish, garment, cloth):
    """Its edge runs on under the arms: it is an upper edge, in the steps, the pieces' names and what is assumed."""
    opening = Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP) if back is Centre.SEAM else Opening()
    features = Features(neck=Neck(shape, finish), back=Side(back), straps=Straps(), opening=opening)
    described = Description(name="Camisole", garment=garment, cloth=cloth, features=features)
    try:
        composed = compose(described)
        pattern, operations = ordered(described)
    except DescriptionRefused:
        return
    said = [line for op in operations for line in (op.title, *op.how, op.look)]
    said += [piece.name for piece in pattern.pieces] + [composed.assumed.get("features.neck.finish", "")]
    strange = [line for line in said if re.search(r"neck|from the shoulder|shoulder seam", line, re.IGNORECASE)]
    assert strange == []


SPOKEN = [
    ("camp shirt", "Try the ease rows", "Try the gathering rows"),
    ("wrap skirt", "draw the tie through", "draw the cord"),
    ("pyjama trousers", "draw the cord through", "Creases, where"),
    ("tailored trousers", "Creases, where the trousers are to have them", "no crease is left"),
    ("smock dress", "usual for girls", "usual for women"),
    ("drop-waisted dress", "the skirt comes to it afterwards", "the skirt is gathered"),
    ("cardigan", "A strip across the knit", "Bias strip"),
    ("tank top", "A strip across the knit", "Bias strip"),
]
"""Garment, what its steps say, and what they do not."""


@pytest.mark.parametrize(("name", "said", "not_said"), SPOKEN)
def test_steps_speak_of_this_garment(name, said, not_said):
    pattern = everyday(name)
    size = pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]
    steps = Project(pattern, {}, Decisions("A", size, FitChoices()), {}).steps
    words = "\n".join(line for step in steps for line in (step.title, *step.how, step.look))
    assert said in words and not_said not in words


def test_an_interfacing_is_tried_under_a_buttonhole_only_where_there_is_one():
    def tried(interfacing):
        opening = Opening(Where.FRONT, OpeningKind.BUTTONS, None, 5)
        features = Features(front=Side(Centre.OPEN), opening=opening, interfacing=interfacing)
        pattern = compose(Description(name="Top", garment=GarmentKind.TOP, features=features)).pattern
        made = compile_garment(pattern, "A", pattern.envelope.sizes[0], MakingChoices())
        return next(line for op in made.operations if op.id == "sample-buttonhole" for line in op.how)

    assert "with the interfacing" in tried(frozenset({Interfaced.ALL}))
    assert "interfacing" not in tried(frozenset())
