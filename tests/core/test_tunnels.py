"""Elastic has the room that its width asks for, once, and as much of it is bought as goes round the body.

That a tunnel is 3 mm wider than its elastic, and elastic a tenth shorter than the body: common practice, no source.
"""

import re
from dataclasses import replace

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.description import Description, Elastic, Features, Hem, Neck, Opening, Side, Skirt, Sleeve
from rowanseed.core.compose.vocabulary import (
    Centre,
    CollarKind,
    ElasticPlace,
    GarmentKind,
    HemKind,
    NeckFinish,
    NeckShape,
    OpeningKind,
    Shaping,
    SkirtKind,
    SleeveEnd,
    SleeveKind,
    Waist,
    Where,
)
from rowanseed.core.derive.choice import Layers
from rowanseed.core.make.casing import allowance_for
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.equipment import Equipment
from rowanseed.core.make.operation import Supply
from rowanseed.core.notions.added import asked_for
from rowanseed.core.notions.sorts import Sort
from rowanseed.core.pattern.making import FinishKind
from rowanseed.core.pattern.walk import walk

from .everyday import everyday

WIDTHS = st.floats(5.0, 60.0).map(lambda mm: round(mm, 1))
SIZE = "14"


def described(garment, **features):
    return Description(name="Drawn in", garment=garment, features=Features(**features))


def operations(description, **household):
    return compile_garment(compose(description).pattern, "A", SIZE, MakingChoices(**household)).operations


def told(ops, id, what):
    """A figure of a step in mm, as its words give it."""
    how = " ".join(next(op for op in ops if op.id == id).how)
    found = re.search(what.replace("#", r"([\d.]+) cm"), how)
    assert found is not None, how
    return 10 * float(found.group(1))


@given(width=WIDTHS)
@settings(deadline=None, max_examples=15)
@pytest.mark.parametrize("garment", [GarmentKind.SKIRT, GarmentKind.TROUSERS])
def test_a_waist_s_tunnel_is_as_wide_as_its_elastic_and_three_millimetres(garment, width):
    elastic = (Elastic(ElasticPlace.WAIST, width),)
    ops = operations(described(garment, waist=Waist.ELASTIC_CASING, elastic=elastic))
    assert told(ops, "fold-waist", "tunnel inside is # wide") == pytest.approx(width + 3, abs=0.6)
    assert not any("zigzag" in " ".join(op.how).lower() and "elastic" in op.title for op in ops), "no second elastic"


NECK = {"elastic": (Elastic(ElasticPlace.NECK, 8.0),)}


@pytest.mark.parametrize("sleeve", [SleeveKind.RAGLAN, SleeveKind.SET_IN, SleeveKind.CUT_IN_ONE])
def test_a_neck_that_elastic_draws_in_is_turned_to_a_tunnel_for_it(sleeve):
    made = compose(described(GarmentKind.TOP, sleeve=Sleeve(sleeve), **NECK))
    neck = next(finish for finish in made.pattern.making.finishes if finish.id == "neck")
    assert neck.kind is FinishKind.CASING
    assert all(made.pattern.piece(p.piece).edge("neck").allowance == allowance_for(8.0) for p in neck.parts)
    ops = operations(described(GarmentKind.TOP, sleeve=Sleeve(sleeve), **NECK))
    assert told(ops, "fold-neck", "tunnel inside is # wide") == pytest.approx(11.0, abs=0.6)
    assert not any(op.technique == "elastic sewn on" or "facing" in op.title for op in ops)


@pytest.mark.parametrize(
    ("more", "field"),
    [
        ({"neck": Neck(NeckShape.V)}, "features.neck.shape"),
        ({"neck": Neck(finish=NeckFinish.FACING)}, "features.neck.finish"),
        ({"collar": CollarKind.FLAT}, "features.collar"),
        (
            {"back": Side(Centre.SEAM), "opening": Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, 400.0)},
            "features.opening.where",
        ),
    ],
)
def test_what_a_drawn_in_neck_cannot_have_is_refused_at_its_field(more, field):
    with pytest.raises(DescriptionRefused) as refused:
        compose(described(GarmentKind.TOP, **NECK, **more))
    assert field in {one.field for one in refused.value.refusals}


@given(width=WIDTHS)
@settings(deadline=None, max_examples=10)
def test_a_sleeve_s_tunnel_is_as_wide_as_its_elastic_and_three_millimetres(width):
    elastic = (Elastic(ElasticPlace.SLEEVE, width),)
    ops = operations(described(GarmentKind.TOP, sleeve=Sleeve(end=SleeveEnd.ELASTIC_CASING), elastic=elastic))
    assert told(ops, "fold-wrist", "tunnel inside is # wide") == pytest.approx(width + 3, abs=0.6)


@given(width=WIDTHS)
@settings(deadline=None, max_examples=10)
def test_a_waist_seam_s_allowances_hold_the_elastic_that_lies_in_them_and_still_meet(width):
    description = described(
        GarmentKind.DRESS,
        waist=Waist.ELASTIC_CASING,
        skirt=Skirt(SkirtKind.A_LINE),
        elastic=(Elastic(ElasticPlace.WAIST, width),),
    )
    pattern = compose(description).pattern
    assert all(seam.walks for seam in walk(pattern, SIZE))
    ops = operations(description)
    assert told(ops, "elastic-waist-elastic", "Elastic # wide") >= width - 0.6
    drawn = [op for op in ops if any(use.supply is Supply.ELASTIC for use in op.uses)]
    assert [op.id for op in drawn] == ["elastic-waist-elastic"], "one elastic at the waist, not two"


def test_elastic_along_a_waist_without_a_seam_runs_round_front_and_back():
    waist = (Elastic(ElasticPlace.WAIST, 15.0),)
    ops = operations(described(GarmentKind.NIGHTDRESS, elastic=waist))
    sewn = next(op for op in ops if op.id == "elastic-elastic-1")
    assert set(sewn.on.pieces) == {"front", "back"} and "along its waist line" in " ".join(sewn.how)


def test_elastic_across_panels_is_refused_at_its_place():
    panels = Side(shaping=(Shaping.PRINCESS_ARMHOLE,))
    with pytest.raises(DescriptionRefused) as refused:
        compose(described(GarmentKind.NIGHTDRESS, front=panels, elastic=(Elastic(ElasticPlace.WAIST),)))
    assert [one.field for one in refused.value.refusals] == ["features.elastic.0"]


@pytest.mark.parametrize("waist", [Waist.ELASTIC_CASING, Waist.DRAWSTRING])
def test_so_much_is_bought_as_goes_round_the_body_not_round_the_full_edge(waist):
    pattern = compose(described(GarmentKind.SKIRT, waist=waist)).pattern
    ops = compile_garment(pattern, "A", SIZE, MakingChoices()).operations
    body = pattern.envelope.body_chart["waist"][SIZE]
    (bought,) = (one for one in asked_for(ops, Layers()) if one.sort is not Sort.OTHER)
    expected = 0.9 * body + 12.7 if waist is Waist.ELASTIC_CASING else body + 600.0
    assert bought.working.value == pytest.approx(expected, abs=1.0)


@pytest.mark.parametrize(
    ("garment", "more", "said"),
    [
        (GarmentKind.SKIRT, {"waist": Waist.ELASTIC_CASING}, "up to 20 mm (3/4 in) wide"),
        (GarmentKind.NIGHTDRESS, {}, "up to 20 mm (3/4 in) wide"),
        (GarmentKind.DRESS, {"waist": Waist.ELASTIC_CASING, "skirt": Skirt()}, "up to 20 mm (3/4 in) wide"),
    ],
)
def test_the_shopping_list_tells_how_wide_elastic_may_be(garment, more, said):
    elastic = (Elastic(ElasticPlace.WAIST, 20.0),)
    pattern = compose(described(garment, elastic=elastic, **more)).pattern
    ops = compile_garment(pattern, "A", SIZE, MakingChoices()).operations
    assert [one.what for one in asked_for(ops, Layers()) if one.sort is Sort.ELASTIC] == [f"Elastic, {said}"]


# ---------------------------------------------------------------- what cannot be as it is said


HEMS = [(HemKind.BOUND, 16.0, 25.0), (HemKind.NARROW, 30.0, 12.0), (HemKind.ROLLED, 30.0, 6.0)]


@pytest.mark.parametrize(("kind", "wrong", "right"), HEMS)
def test_a_hem_of_a_depth_that_its_kind_cannot_have_is_refused_at_the_depth(kind, wrong, right):
    with pytest.raises(DescriptionRefused) as refused:
        compose(described(GarmentKind.NIGHTDRESS, hem=Hem(kind, wrong)))
    assert [one.field for one in refused.value.refusals] == ["features.hem.depth"]
    hems = {t for part, t in compose(described(GarmentKind.NIGHTDRESS, hem=Hem(kind, right))).pattern.making.ways}
    assert hems == {f"{kind.value}-hem"}


def test_the_length_of_an_opening_that_is_open_all_the_way_is_refused():
    opened = {"front": Side(Centre.OPEN), "opening": Opening(Where.FRONT, OpeningKind.BUTTONS, 150.0)}
    with pytest.raises(DescriptionRefused) as refused:
        compose(described(GarmentKind.TOP, **opened))
    assert [one.field for one in refused.value.refusals] == ["features.opening.length"]


def test_what_the_envelope_asks_for_and_the_household_cannot_do_is_told():
    twin = compose(described(GarmentKind.NIGHTDRESS, hem=Hem(HemKind.TWIN_NEEDLE))).pattern
    assert compile_garment(twin, "A", SIZE, MakingChoices()).gaps == ()
    by_hand = MakingChoices(equipment=Equipment(machine=False))
    (gap,) = compile_garment(twin, "A", SIZE, by_hand).gaps
    assert gap.id == "hem" and "twin needle" in gap.said and "there is no machine" in gap.said


def test_a_tunnel_along_an_open_edge_is_sewn_from_end_to_end():
    """A hood's edge, an apron's: nothing there goes all round, and what is drawn in is held at both ends."""
    pattern = everyday("camp shirt")
    finishes = tuple(
        replace(f, kind=FinishKind.CASING) if f.kind is FinishKind.HEM and f.id == "hem" else f
        for f in pattern.making.finishes
    )
    cut = replace(pattern, making=replace(pattern.making, finishes=finishes))
    steps = {op.id: op for op in compile_garment(cut, "A", cut.envelope.sizes[0], MakingChoices()).operations}
    assert "from end to end" in steps["sew-hem"].how[0] and not steps["sew-hem"].run.ring
    assert "all round" not in " ".join(steps["sew-hem"].how)
    assert "across both ends" in " ".join(steps["thread-hem"].how)
