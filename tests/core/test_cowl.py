"""Cowls: how their edge lies on the fold, how far it falls, what spreading the front leaves as it was, who has none.

That a front is spread from its lower edge to its neck until that runs straight across, that woven cloth is cut on the
bias and that the facing is never interfaced: common practice, no source.
"""

from __future__ import annotations

import math
from dataclasses import replace

import pytest
from hypothesis import HealthCheck, given, settings
from shapely.geometry import LineString

from rowanseed.core.compose.bodice import HEAD
from rowanseed.core.compose.description import Lining, Neck, Opening, Pocket, Side, Sleeve, Trim
from rowanseed.core.compose.refusals import refusals
from rowanseed.core.compose.tape import dimensions
from rowanseed.core.compose.vocabulary import (
    Along,
    Centre,
    CollarKind,
    Interfaced,
    NeckFinish,
    NeckShape,
    OpeningKind,
    PocketKind,
    PocketPlace,
    Shaping,
    SleeveKind,
    TrimKind,
    Where,
)
from rowanseed.core.derive.choice import Layers, LinedPart, LiningSchool
from rowanseed.core.derive.layers import with_layers
from rowanseed.core.derive.left_out import left_out
from rowanseed.core.derive.lining import can_be_lined, lined_parts, schools
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.pattern.draped import is_draped
from rowanseed.core.pattern.envelope import Figure, Structure
from rowanseed.core.pattern.making import LayerKind
from rowanseed.core.pattern.pieces import Grain, LineKind, Panel, Role
from rowanseed.core.pattern.walk import part_length, walk
from rowanseed.drawings.line.laid import laid

from .descriptions import cowls, drafted, mended
from .everyday import EVERYDAY, everyday
from .test_compose import _intake

NAMES = ("cowl top", "cowl blouse", "cowl dress")
DRAPED = cowls.map(mended).filter(lambda d: d is not None and d.features.neck.shape is NeckShape.COWL)


def with_(name, **features):
    known = EVERYDAY[name]
    return replace(known, features=replace(known.features, **features))


def middle(pattern):
    return pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]


# ---------------------------------------------------------------- the piece


@settings(max_examples=25, deadline=None, suppress_health_check=list(HealthCheck))
@given(DRAPED)
def test_what_falls_in_folds_is_no_part_of_the_width_and_a_head_goes_through(description):
    """Bust, waist and hip as they are said, to 2 mm, in every size; the neck runs straight across the fold."""
    pattern = drafted(description).pattern
    said = pattern.envelope.finished["A"]
    bodice = [p for p in pattern.pieces if p.panel in (Panel.FRONT, Panel.BACK) and not p.id.startswith("skirt")]
    for size in pattern.envelope.sizes:
        assert is_draped(pattern.piece("front"), size)
        for level in {"bust", "waist", "hip"} & set(said):
            lines = [(p, line) for p in bodice if (line := p.line(LineKind.LEVEL, level)) is not None]
            if len({p.panel for p, _ in lines}) < 2 or (level == "waist" and pattern.making.details):
                continue
            found = 2 * sum(math.dist(*line.ends[size]) for _, line in lines)
            if level == "waist":
                found -= 2 * sum(_intake(p, dart, size) for p, _ in lines for dart in p.darts if dart.edge == "waist")
            assert found == pytest.approx(said[level][size], abs=2.0), (size, level)
        if description.is_over_the_head:
            round_it = sum(2 * chain_length(pattern.piece(p).shapes[size].edges["neck"]) for p in ("front", "back"))
            assert round_it >= HEAD[description.figure], size
    assert all(one.walks for size in pattern.envelope.sizes for one in walk(pattern, size))


@pytest.mark.parametrize("name", NAMES)
def test_the_side_is_that_of_the_garment_without_a_cowl(name):
    pattern, plain = everyday(name), drafted(with_(name, neck=Neck())).pattern
    for size in pattern.envelope.sizes:
        own, other = (chain_length(p.piece("front").shapes[size].edges["side"]) for p in (pattern, plain))
        assert own == pytest.approx(other, abs=0.05)


@pytest.mark.parametrize(
    ("name", "grain"),
    [("cowl top", Grain.LENGTHWISE), ("cowl blouse", Grain.BIAS), ("cowl dress", Grain.BIAS)],
)
def test_woven_cloth_falls_on_the_bias_and_its_facing_is_never_stiff(name, grain):
    pattern = drafted(with_(name, interfacing=frozenset({Interfaced.FACINGS}))).pattern
    for id in ("front", "front-neck-facing"):
        assert [(cut.role, cut.grain) for cut in pattern.piece(id).cuts] == [(Role.MAIN, grain)]
    assert {cut.role for cut in pattern.piece("back-neck-facing").cuts} == {Role.MAIN, Role.INTERFACING}


@pytest.mark.parametrize("name", NAMES)
def test_a_tape_is_put_along_its_edges_and_nowhere_across(name):
    """A width would be read from the fold, folds and all, and be told as one that does not fit."""
    asked = dimensions(everyday(name).piece("front"))
    assert not any(one.level for one in asked) and {"neck", "shoulder", "side"} <= {one.edge for one in asked}
    assert any(one.level for one in dimensions(everyday(name).piece("back")))


def test_a_collar_or_a_round_neck_is_no_cowl():
    for name in EVERYDAY:
        if EVERYDAY[name].features.neck.shape is not NeckShape.COWL:
            pattern = everyday(name)
            assert not any(is_draped(piece, size) for piece in pattern.pieces for size in pattern.envelope.sizes), name


def test_no_lining_and_no_second_layer_is_worked_out_for_what_falls_in_folds():
    """The form refused a lining there, and the Cloth station offered one cut with the cowl's folds."""
    top, dress = everyday("cowl top"), everyday("cowl dress")
    assert not can_be_lined(top, "A") and schools(top, "A", middle(top)) == (LiningSchool.NONE,)
    assert lined_parts(dress, "A") == (LinedPart.LOWER,)
    chosen = Layers(lining=LiningSchool.WHOLE, underlined=True, fused=True)
    made = with_layers(dress, middle(dress), "A", chosen)
    linings = {layer.of for layer in made.making.layers if layer.kind is LayerKind.LINING}
    assert linings == {"skirt-front", "skirt-back"}
    assert {cut.role for cut in made.piece("front").cuts} == {Role.MAIN}
    assert {Role.UNDERLINING, Role.INTERFACING} <= {cut.role for cut in made.piece("back").cuts}
    assert any("cowl" in one.why for one in left_out(top, "A", middle(top), chosen))


# ---------------------------------------------------------------- the drawing


@pytest.mark.parametrize("name", NAMES)
def test_the_cowl_is_drawn_as_it_hangs_and_the_front_as_wide_as_without(name):
    """The drawn loop is as long as the edge that hangs in it, to a twentieth, as a geometry library measures it; side
    and shoulder lie where they lie on the garment without a cowl."""
    pattern, plain = everyday(name), drafted(with_(name, neck=Neck(NeckShape.ROUND))).pattern
    size = middle(pattern)
    one = next(laid(pattern, Panel.FRONT, size))
    edge = chain_length(pattern.piece("front").shapes[size].edges["neck"])
    assert LineString(one.edges["neck"]).length == pytest.approx(edge, rel=0.05)
    assert max(y for _, y in one.edges["neck"]) < edge / 1.5 and min(y for _, y in one.edges["neck"]) == 0.0
    other = next(laid(plain, Panel.FRONT, size))
    assert LineString(one.edges["side"]).hausdorff_distance(LineString(other.edges["side"])) < 1.0


# ---------------------------------------------------------------- the order


@pytest.mark.parametrize("name", [*NAMES, "bell-sleeved blouse", "shift"])
def test_the_edge_of_a_cowl_is_rolled_and_not_pressed(name):
    pattern = everyday(name)
    made = compile_garment(pattern, "A", middle(pattern), MakingChoices()).operations
    said = [how for op in made for how in op.how if "cowl" in how]
    assert bool(said) is (name in NAMES)
    assert all("not pressed" in how for how in said)


# ---------------------------------------------------------------- who has none


@pytest.mark.parametrize(
    ("field", "features"),
    [
        ("features.neck.shape", {"front": Side(Centre.SEAM)}),
        ("features.neck.shape", {"front": Side(Centre.OPEN), "opening": Opening(Where.FRONT, OpeningKind.BUTTONS)}),
        ("features.opening.kind", {"opening": Opening(Where.BACK, OpeningKind.SLIT)}),
        ("features.front.shaping", {"front": Side(shaping=(Shaping.PRINCESS_ARMHOLE,))}),
        ("features.front.shaping", {"front": Side(shaping=(Shaping.YOKE,))}),
        ("features.collar", {"collar": CollarKind.FLAT}),
        ("features.neck.finish", {"neck": Neck(NeckShape.COWL, NeckFinish.BIAS_BINDING)}),
        ("features.sleeve.kind", {"sleeve": Sleeve(SleeveKind.RAGLAN)}),
        ("features.lining.of", {"lining": Lining()}),
        ("features.underlining", {"underlining": True}),
        ("features.pockets", {"pockets": (Pocket(PocketKind.PATCH, PocketPlace.CHEST),)}),
        ("features.trim", {"trim": (Trim(TrimKind.LACE, Along.NECK),)}),
    ],
)
def test_what_a_cowl_does_not_go_with_is_refused_at_its_field(field, features):
    assert field in {one.field for one in refusals(with_("cowl blouse", **features))}


def test_a_child_has_no_cowl():
    children = replace(EVERYDAY["cowl top"], figure=Figure.CHILDREN)
    assert "features.neck.shape" in {one.field for one in refusals(children)}
    assert not refusals(replace(EVERYDAY["cowl top"], cloth=Structure.WOVEN))


@pytest.mark.parametrize("name", NAMES)
def test_its_facing_is_as_long_as_its_edge(name):
    pattern = everyday(name)
    facing = next(j for j in pattern.making.joins if j.id == "neck-facing")
    for size in pattern.envelope.sizes:
        a, b = (sum(part_length(pattern, size, p) for p in parts) for parts in (facing.a, facing.b))
        assert a == pytest.approx(b, abs=0.1)
