"""Layers that a garment cannot have are neither offered nor passed over: each is refused with its reason."""

from dataclasses import replace

import pytest
from shapely.geometry import LineString, Polygon

from rowanseed.core.alter.change import Alteration
from rowanseed.core.base.units import Units
from rowanseed.core.choices import ClothChoices, Decisions, FitChoices
from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.description import Description, Features, Neck, Opening, Side, Sleeve, Trim
from rowanseed.core.compose.vocabulary import (
    Along,
    ArmholeFinish,
    Centre,
    GarmentKind,
    NeckFinish,
    NeckShape,
    OpeningKind,
    Shaping,
    SleeveEnd,
    SleeveKind,
    SleeveLength,
    TrimKind,
    Where,
)
from rowanseed.core.derive.choice import Layers, LinedPart, LiningSchool, Pleat
from rowanseed.core.derive.facing import can_be_faced
from rowanseed.core.derive.layers import derivations, with_layers
from rowanseed.core.derive.left_out import left_out
from rowanseed.core.derive.lining import can_be_pleated, lined_parts, schools
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.operation import Act
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.pattern.check import piece_faults
from rowanseed.core.pattern.making import FinishKind
from rowanseed.core.project import Project
from rowanseed.demo import overshirt, six_gore_skirt, trousers

from .everyday import EVERYDAY, everyday
from .test_make import faults


@pytest.mark.parametrize("name", EVERYDAY)
def test_every_edge_that_may_be_faced_leaves_every_closure_made(name):
    """An elastic in a sleeve's end had nothing to run in once that end was faced."""
    pattern = everyday(name)
    view, size = pattern.envelope.views[0].id, pattern.envelope.sizes[0]
    edges = tuple(finish.id for finish in can_be_faced(pattern, view))
    made = with_layers(pattern, size, view, Layers(faced=edges))
    assert [fault for piece in made.pieces for fault in piece_faults(piece, (size,))] == []
    compiled = compile_garment(made, view, size, MakingChoices())
    assert faults(made, size, sequence(compiled.operations)) == []
    assert compiled.gaps == compile_garment(pattern, view, size, MakingChoices()).gaps


@pytest.mark.parametrize("kind", [TrimKind.RICKRACK, TrimKind.LACE, TrimKind.BRAID])
def test_a_trim_goes_on_along_an_edge_that_is_faced_instead_of_bound(kind):
    """It waited for the binding's edge to be finished, which nothing did any more."""
    bound = EVERYDAY["drawstring dress"]
    features = replace(
        bound.features, sleeve=None, armhole=ArmholeFinish.BIAS_BINDING, trim=(Trim(kind, Along.ARMHOLE),)
    )
    pattern = compose(replace(bound, features=features)).pattern
    made = with_layers(pattern, "12", "A", Layers(faced=("armhole",)))
    compiled = compile_garment(made, "A", "12", MakingChoices())
    order = sequence(compiled.operations)
    assert faults(made, "12", order) == [] and compiled.gaps == ()
    (trim,) = (op for op in order if op.technique == kind.value and op.act is Act.ATTACH)
    (seam,) = (op for op in order if op.id == "sew-armhole-facing")
    # Braid lies on the turned edge; what looks out of the seam is caught in it.
    assert (order.index(trim) > order.index(seam)) is (kind is TrimKind.BRAID)


def test_the_facing_of_an_armhole_leaves_some_of_a_narrow_shoulder():
    """It was 5 cm deep on a shoulder of 4.6 cm, and its outline crossed itself."""
    features = Features(neck=Neck(NeckShape.SCOOP), armhole=ArmholeFinish.BIAS_BINDING)
    pattern = compose(Description(name="narrow", garment=GarmentKind.PINAFORE, features=features)).pattern
    for size in pattern.envelope.sizes:
        made = with_layers(pattern, size, "A", Layers(faced=("armhole",)))
        assert [fault for piece in made.pieces for fault in piece_faults(piece, (size,))] == []
        for half in ("front", "back"):
            shoulder = chain_length(pattern.piece(half).shapes[size].edges["shoulder"])
            taken = chain_length(made.piece(f"{half}-armhole-facing").shapes[size].edges["shoulder"])
            assert taken < 0.8 * shoulder and taken < 51.0
        found = {d.piece.id: d.words for d in derivations(pattern, made, Layers(faced=("armhole",)), Units.METRIC)}
        told = float(found["front-armhole-facing"][0].split("edge, ")[1].removesuffix(" cm deep"))
        assert 10 * told == pytest.approx(min(50.0, 0.75 * shoulder), abs=4.0)


@pytest.mark.parametrize("shape", [NeckShape.ROUND, NeckShape.BOAT, NeckShape.V, NeckShape.SCOOP])
def test_the_facing_of_a_bound_neck_lies_on_the_grain_of_its_piece_tops_up(shape):
    """The back's ran upwards: in a cloth with a nap it would have been cut upside down."""
    features = Features(neck=Neck(shape, NeckFinish.BIAS_BINDING))
    pattern = compose(Description(name="bound", garment=GarmentKind.TOP, features=features)).pattern
    for size in pattern.envelope.sizes:
        made = with_layers(pattern, size, "A", Layers(faced=("neck",)))
        for half in ("front", "back"):
            shape_of = made.piece(f"{half}-neck-facing").shapes[size]
            (top, across), (low, beside) = shape_of.grainline
            assert top < low and across == beside
            outline = Polygon([s.start for chain in shape_of.edges.values() for s in chain])
            assert outline.covers(LineString(shape_of.grainline))


def test_a_lining_has_no_hem_of_its_own_at_a_sleeve_end_whose_facing_takes_its_place():
    """A hem of no edge was left, and the steps could not be worked out."""
    top = EVERYDAY["drawstring dress"]
    sleeve = Sleeve(SleeveKind.GATHERED_CAP, length=SleeveLength.SHORT, end=SleeveEnd.BINDING)
    pattern = compose(replace(top, features=replace(top.features, sleeve=sleeve))).pattern
    made = with_layers(pattern, "12", "A", Layers(lining=LiningSchool.DEDUCT, faced=("wrist",)))
    assert all(finish.parts for finish in made.making.finishes)
    compiled = compile_garment(made, "A", "12", MakingChoices())
    assert faults(made, "12", sequence(compiled.operations)) == [] and compiled.gaps == ()


@pytest.mark.parametrize("name", EVERYDAY)
def test_what_is_offered_is_not_refused(name):
    pattern = everyday(name)
    view, size = pattern.envelope.views[0].id, pattern.envelope.sizes[0]
    pleat = Pleat.FULL if can_be_pleated(pattern, view) else Pleat.NONE
    for school in schools(pattern, view, size):
        for part in lined_parts(pattern, view):
            faced = tuple(finish.id for finish in can_be_faced(pattern, view))
            assert list(left_out(pattern, view, size, Layers(lining=school, of=part, pleat=pleat, faced=faced))) == []


def test_a_casing_asked_to_be_faced_stays_a_casing_and_that_is_told():
    pattern = everyday("puff-sleeved dress")
    asked, size = Layers(faced=("wrist",)), pattern.envelope.sizes[0]
    (told,) = left_out(pattern, "A", size, asked)
    assert "“Sleeve ends” faced" in told.problem and told.where == "cloth_choices, layers"
    made = with_layers(pattern, size, "A", asked)
    assert {f.id: f.kind for f in made.making.finishes}["wrist"] is FinishKind.CASING
    assert len(made.pieces) == len(pattern.pieces)


@pytest.mark.parametrize(
    ("module", "asked", "said"),
    [
        (six_gore_skirt, Layers(lining=LiningSchool.DEDUCT, of=LinedPart.UPPER), "Only above the waist seam lined"),
        (six_gore_skirt, Layers(lining=LiningSchool.WHOLE, pleat=Pleat.FULL), "An ease pleat"),
        (trousers, Layers(trim_under_collar=True), "An under collar trimmed"),
        (overshirt, Layers(faced=("cuff-edge",)), "“cuff-edge” faced"),
    ],
)
def test_each_layer_that_is_not_there_is_named(module, asked, said):
    pattern = module.draft()
    size = pattern.envelope.sizes[0]
    (told,) = left_out(pattern, "A", size, asked)
    assert said in told.problem
    without = replace(asked, of=LinedPart.ALL, pleat=Pleat.NONE, trim_under_collar=False, faced=())
    assert list(left_out(pattern, "A", size, without)) == []


def test_a_facing_that_would_cross_itself_is_told_and_left_out():
    """Three centimetres off a back draw its armhole so tight below the yoke that no strip follows it."""
    back = Side(shaping=(Shaping.YOKE, Shaping.PLEAT_UNDER_YOKE))
    front, buttons = Side(Centre.OPEN), Opening(Where.FRONT, OpeningKind.BUTTONS)
    features = Features(front=front, back=back, opening=buttons, neck=Neck(NeckShape.V))
    pattern = compose(Description(name="narrow", garment=GarmentKind.PINAFORE, features=features)).pattern
    faced, size = ClothChoices(layers=Layers(faced=("armhole",))), "10"
    for by, is_told in ((-30.0, True), (0.0, False)):
        fit = FitChoices(alterations=(Alteration("back-width", by),) if by else (), altered_in=size)
        project = Project(pattern, {}, Decisions("A", size, fit, cloth=faced), {})
        told = [str(one.error) for one in project.refusals]
        assert [("a strip along it would cross itself" in said) for said in told] == [True] * is_told
        assert any("armhole-facing" in piece.id for piece in project.garment.pieces) is not is_told
        assert [one for piece in project.garment.pieces for one in piece_faults(piece, (size,))] == []
