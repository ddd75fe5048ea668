"""Necks and what is sewn to them: corners, facings whose ends are caught, trims on collars, openings at the back."""

from dataclasses import replace

import pytest

from rowanseed.core.choices import Decisions, FitChoices
from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.description import Description, Elastic, Features, Neck, Opening, Side, Skirt, Trim
from rowanseed.core.compose.vocabulary import (
    Along,
    ArmholeFinish,
    Centre,
    CollarKind,
    ElasticPlace,
    GarmentKind,
    NeckFinish,
    NeckShape,
    OpeningKind,
    Placket,
    Shaping,
    SkirtKind,
    TrimKind,
    Waist,
    Where,
)
from rowanseed.core.geometry.outline import Segment
from rowanseed.core.pattern.envelope import Structure
from rowanseed.core.project import Project

from .everyday import BAGGED, EVERYDAY, OPEN, SEAM, everyday, zipped
from .test_make import faults

DARTS = (Shaping.BUST_DART,)
ZIPPED = {"back": SEAM, "opening": zipped(length=400.0)}
WOVEN = {
    "faced": {**ZIPPED, "neck": NeckFinish.FACING},
    "bound": {**ZIPPED, "neck": NeckFinish.BIAS_BINDING},
    "faced with a strip": {**ZIPPED, "neck": NeckFinish.BIAS_FACING},
    "lined": {**ZIPPED, "neck": NeckFinish.LINING, "armhole": ArmholeFinish.LINING, "lining": BAGGED},
}
FINISHES = {**WOVEN, "banded": {"neck": NeckFinish.BAND}}


def composed(cloth=Structure.WOVEN, **features):
    features = Features(**features)
    return compose(Description(name="Top", garment=GarmentKind.TOP, cloth=cloth, features=features)).pattern


def steps_of(pattern):
    size = pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]
    project = Project(pattern, {}, Decisions("A", size, FitChoices()), {})
    assert faults(project.garment, size, project.steps) == []
    return project.steps


def with_neck(shape, how, front=Centre.FOLD):
    features = dict(FINISHES[how])
    knit = features["neck"] is NeckFinish.BAND
    features |= {"neck": Neck(shape, features["neck"]), "front": Side(front, DARTS)}
    return composed(Structure.KNIT if knit else Structure.WOVEN, **features)


def told(steps):
    return [line for step in steps for line in step.how]


@pytest.mark.parametrize("how", FINISHES)
@pytest.mark.parametrize(
    ("shape", "front", "words"),
    [
        (NeckShape.V, Centre.FOLD, "the point of the V"),
        (NeckShape.V, Centre.SEAM, "the point of the V"),
        (NeckShape.SQUARE, Centre.FOLD, "each corner"),
    ],
)
def test_corners_of_a_neck_are_reinforced_and_clipped(how, shape, front, words):
    lines = [line for line in told(steps_of(with_neck(shape, how, front))) if words in line]
    assert any("stitch" in line and "1.5" in line for line in lines), "reinforced by short stitches"
    assert any("lip " in line for line in lines), "and clipped into"


@pytest.mark.parametrize("how", FINISHES)
@pytest.mark.parametrize("shape", [NeckShape.ROUND, NeckShape.SCOOP, NeckShape.BOAT])
def test_a_neck_without_corners_tells_of_none(how, shape):
    lines = told(steps_of(with_neck(shape, how)))
    assert not [line for line in lines if "point of the V" in line or "each corner" in line]


def test_a_v_runs_on_to_the_edge_that_laps():
    """A front that buttons reaches beyond its centre line: the V goes on there as it came, without a step."""
    piece = everyday("waistcoat").piece("front")
    for shape in piece.shapes.values():
        before, after = shape.edges["neck"][-2:]
        assert after.end[1] < before.end[1] == 0.0, "it crosses the centre line"
        assert _slope(after, 0.0) == pytest.approx(_slope(before, 1.0), rel=1e-6)


def _slope(segment: Segment, at: float) -> float:
    dx, dy = segment.derivative(at)
    return dx / dy


@pytest.mark.parametrize("kind", [OpeningKind.BUTTONS, OpeningKind.SNAPS, OpeningKind.SEPARATING_ZIP])
def test_what_opens_at_the_back_is_not_told_to_be_sewn_at_its_front_edges(kind):
    pattern = composed(back=OPEN, opening=Opening(Where.BACK, kind), neck=Neck(finish=NeckFinish.FACING))
    steps = steps_of(pattern)
    lines = [line.lower() for line in (*told(steps), *(step.title for step in steps))]
    assert not [line for line in lines if "front edge" in line]
    assert any("back edge" in line for line in lines)
    assert not [piece.name for piece in pattern.pieces if "front edge" in piece.name.lower()]


def test_braid_is_sewn_on_a_collar_before_the_collar_is_on_the_neck():
    features = {"collar": CollarKind.FLAT, "back": OPEN, "opening": Opening(Where.BACK, OpeningKind.BUTTONS, None, 5)}
    steps = steps_of(composed(**features, trim=(Trim(TrimKind.BRAID, Along.COLLAR),)))
    acts = [step.id for step in steps]
    braid = next(id for id in acts if id.startswith("sew-braid"))
    assert acts.index("press-collar-edge") < acts.index(braid) < acts.index("sew-collar-neck")


def test_a_flat_collar_has_the_curve_of_the_neck_and_needs_no_clips_before_it_is_on():
    steps = steps_of(everyday("smock dress"))
    assert not [step.title for step in steps if step.title.startswith("Clip the neck for the collar")]


@pytest.mark.parametrize("name", ["camp shirt", "bomber jacket", "hooded coat", "zipped hoodie"])
def test_the_end_of_a_front_facing_is_caught_where_a_collar_or_hood_is_sewn_to_the_neck(name):
    neck = next(step for step in steps_of(everyday(name)) if step.id == "sew-neck")
    assert any("facing lies turned in" in line and "catches it" in line for line in neck.how)


def test_a_shirt_whose_bands_finish_its_fronts_has_no_facing_to_catch():
    for step in steps_of(everyday("grandad shirt")):
        assert not any("facing lies turned in" in line for line in step.how)


def test_what_is_folded_over_a_seam_is_called_what_it_is():
    steps = steps_of(everyday("camp shirt"))
    lines = [*told(steps), *(step.title for step in steps)]
    assert not [line for line in lines if "the band" in line], "it has a collar, and no band"
    assert any("Fold the collar on its fold line" in line for line in lines)


def test_embroidery_comes_before_its_back_is_hidden():
    features = {"underlining": True, "trim": (Trim(TrimKind.EMBROIDERY, Along.HEM),), "front": Side(shaping=DARTS)}
    acts = [step.id for step in steps_of(composed(**features))]
    embroidered = next(k for k, id in enumerate(acts) if id.startswith("embroider-"))
    assert embroidered < acts.index("underline-front") < acts.index("darts-front")


def test_elastic_at_a_waist_seam_is_said_at_the_waist():
    features = {"waist": Waist.SEAM, "skirt": Skirt(SkirtKind.GATHERED), "elastic": (Elastic(ElasticPlace.WAIST),)}
    dress = Description(name="Dress", garment=GarmentKind.DRESS, cloth=Structure.KNIT, features=Features(**features))
    with pytest.raises(DescriptionRefused, match="elastic casing"):
        compose(dress)


@pytest.mark.parametrize("name", ["coat dress", "raglan coat", "blazer", "double-breasted jacket"])
def test_the_facing_of_lapels_may_be_called_the_placket_and_is_the_same(name):
    """It was refused, though a facing is what such a front has."""
    described = EVERYDAY[name]
    opening = replace(described.features.opening, placket=Placket.FACING)
    said = compose(replace(described, features=replace(described.features, opening=opening))).pattern
    assert said == everyday(name)
    other = replace(described.features, opening=replace(opening, placket=Placket.GROWN_ON))
    with pytest.raises(DescriptionRefused) as refused:
        compose(replace(described, features=other))
    assert "features.opening.placket" in {one.field for one in refused.value.refusals}
