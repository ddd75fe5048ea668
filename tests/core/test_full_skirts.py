"""Full skirts: how they are gathered, tried on and lined. Common practice, no source; widths are sums of the chart's
figures, areas by Shapely."""

from dataclasses import replace

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from shapely.geometry import Polygon

from rowanseed.core.choices import ClothChoices, Decisions
from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.described_layers import described_layers
from rowanseed.core.compose.description import Description, Features, Lining, Opening, Side, Skirt, Sleeve
from rowanseed.core.compose.vocabulary import (
    Centre,
    GarmentKind,
    LiningMethod,
    LiningOf,
    OpeningKind,
    Shaping,
    SkirtKind,
    SleeveEnd,
    SleeveKind,
    Waist,
    Where,
)
from rowanseed.core.derive.choice import Layers, LinedPart, LiningHem, LiningSchool
from rowanseed.core.derive.layers import with_layers
from rowanseed.core.geometry.outline import flatten
from rowanseed.core.pattern.walk import copies, part_length, walk
from rowanseed.core.project import Project

from .test_cutting_lines import on_cutting_line
from .test_whole_way import CLOTH, body_of, goes_the_whole_way

FULL = (SkirtKind.GATHERED, SkirtKind.KNIFE_PLEATS, SkirtKind.BOX_PLEATS)
FREE = Layers(lining=LiningSchool.WHOLE, hem=LiningHem.FREE)
ZIP = Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP)


def skirt(kind=SkirtKind.GATHERED, fullness=None, **more):
    own = {"back": Side(Centre.SEAM), "opening": ZIP, "waist": Waist.WAISTBAND} | more
    features = Features(skirt=Skirt(kind, fullness=fullness), **own)
    return Description(name="Full", garment=GarmentKind.SKIRT, features=features)


def dress(kind=SkirtKind.GATHERED, fullness=None, **more):
    own = {"back": Side(Centre.SEAM, (Shaping.WAIST_DART,)), "opening": ZIP, "waist": Waist.SEAM} | more
    features = Features(skirt=Skirt(kind, fullness=fullness), **own)
    return Description(name="Full", garment=GarmentKind.DRESS, features=features)


def project_of(description, layers=None):
    pattern = compose(description).pattern
    size, body = body_of(pattern)
    own = described_layers(pattern, description, view="A", size=size) if layers is None else layers
    decisions = Decisions("A", size, cloth=ClothChoices(layers=own))
    return Project(pattern, body, decisions, dict.fromkeys(pattern.roles("A"), CLOTH))


def order(project):
    return [step.id for step in project.steps]


def rising(found, *ids):
    return [found.index(id) for id in ids] == sorted(found.index(id) for id in ids)


def around(pattern, size, piece_ids, edge):
    """How long an edge of some pieces is over the whole garment."""
    parts = [p for join in pattern.making.joins for p in join.a if p.piece in piece_ids and p.edge == edge]
    return sum(part_length(pattern, size, p) * copies(pattern, p) for p in dict.fromkeys(parts))


def area(pattern, size, id):
    chains = pattern.piece(id).shapes[size].edges.values()
    return Polygon([q for chain in chains for q in flatten(chain, 0.2)[:-1]]).area


# ---------------------------------------------------------------- how wide its lining is


@given(kind=st.sampled_from(FULL), fullness=st.sampled_from([None, 1.4, 1.5, 2.0, 2.5, 3.0, 4.0]), bodice=st.booleans())
@settings(deadline=None, max_examples=25)
def test_a_full_skirt_s_lining_is_half_as_full_again_as_the_waist_and_goes_over_the_hip(kind, fullness, bodice):
    pattern = compose((dress if bodice else skirt)(kind, fullness)).pattern
    front, back = ("skirt-front", "skirt-back") if bodice else ("front", "back")
    for size in pattern.envelope.sizes:
        lined = with_layers(pattern, size, "A", FREE)
        long = around(pattern, size, (front, back), "waist")
        drawn = sum(
            part_length(pattern, size, p) * copies(pattern, p)
            for join in pattern.making.joins
            if join.id == "waist"
            for p in join.b
        )
        hip = pattern.envelope.body_chart["hip"][size]
        wanted = max(1.5 * drawn, hip + 100.0)
        share = area(lined, size, f"{front}-lining") / area(pattern, size, front)
        expected = wanted / long if wanted < 0.95 * long else 1.0
        # It hangs 19 mm shorter; a gathered skirt is a rectangle, so that areas go as widths.
        deep = max(one.end[0] for chain in pattern.piece(front).shapes[size].edges.values() for one in chain)
        assert share == pytest.approx(expected * (deep - 19.05) / deep, rel=1e-6)
        assert all(seam.walks for seam in walk(lined, size)), [s.join.id for s in walk(lined, size) if not s.walks]


def test_what_is_not_a_straight_length_of_cloth_is_lined_as_it_is():
    pattern = compose(dress(SkirtKind.CIRCLE)).pattern
    size, _ = body_of(pattern)
    lined = with_layers(pattern, size, "A", replace(FREE, hem=LiningHem.ATTACHED))
    assert area(lined, size, "skirt-front-lining") == pytest.approx(area(pattern, size, "skirt-front"), rel=1e-6)


@pytest.mark.parametrize("part", [LinedPart.ALL, LinedPart.LOWER])
def test_the_lining_of_one_drawn_on_its_cutting_line_is_the_same(part):
    pattern = compose(dress()).pattern
    size, _ = body_of(pattern)
    layers = replace(FREE, of=part)
    seam, cut = (with_layers(one, size, "A", layers) for one in (pattern, on_cutting_line(pattern)))
    for id in ("skirt-front-lining", "skirt-back-lining"):
        assert area(seam, size, id) == pytest.approx(area(cut, size, id), rel=1e-4)
        assert [e.allowance for e in seam.piece(id).edges] == [e.allowance for e in cut.piece(id).edges]


# ---------------------------------------------------------------- how it is sewn in


def test_under_a_bodice_it_is_gathered_by_itself_and_sewn_into_the_waist_seam():
    lining = Lining(LiningOf.LOWER, LiningMethod.HANGING_FREE)
    project = project_of(dress(lining=lining))
    steps = order(project)
    assert rising(steps, "gather-lining-waist", "hold-lining-along-waist", "sew-waist", "zip-opening", "lay-in-lining")
    assert rising(steps, "gather-waist", "hold-lining-along-waist")
    assert "fell-lining-along-waist" not in steps, "its raw edge lies in the seam"
    said = " ".join(project.steps[steps.index("hold-lining-along-waist")].how)
    assert "clear of the zip" in said
    assert "less fullness" in " ".join(project.steps[steps.index("gather-lining-waist")].how)


def test_its_side_seams_run_from_its_hem_to_its_waist():
    project = project_of(dress(lining=Lining(LiningOf.LOWER, LiningMethod.HANGING_FREE)))
    steps = {step.id: " ".join(step.how) for step in project.steps}
    assert "from the hem to the waist" in steps["sew-lining-skirt-sides"]


def test_below_a_bodice_lined_edge_to_edge_the_bodice_s_lining_covers_it():
    project = project_of(dress(lining=Lining(LiningOf.ALL, LiningMethod.BAGGED)))
    steps = order(project)
    assert rising(steps, "hold-lining-along-waist", "sew-waist", "lay-in-lining", "fell-lining")
    assert "over the edge" not in " ".join(project.steps[steps.index("fell-lining")].how)


def test_a_banded_skirt_s_lining_is_drawn_in_before_the_band_goes_on():
    project = project_of(skirt(lining=Lining(LiningOf.ALL, LiningMethod.HANGING_FREE)))
    assert rising(order(project), "gather-lining-waist", "lay-in-lining", "sew-waist")


def test_without_gathers_nothing_of_the_lining_is_drawn_in():
    project = project_of(dress(SkirtKind.A_LINE, lining=Lining(LiningOf.LOWER, LiningMethod.HANGING_FREE)))
    steps = order(project)
    assert "fell-lining-along-waist" in steps and not any(id.startswith("gather-lining") for id in steps)


@pytest.mark.parametrize(
    ("more", "said"),
    [
        ({}, "from opening to opening"),
        ({"opening": Opening(), "front": Side(), "back": Side(), "waist": Waist.ELASTIC_CASING}, "has to move"),
        ({"opening": Opening(), "front": Side(), "back": Side(), "waist": Waist.DRAWSTRING}, "has to move"),
    ],
)
def test_the_waists_of_garment_and_lining_are_held_as_the_garment_s_allows(more, said):
    """Where its allowances are a tunnel for elastic or a cord they are not sewn to the lining's."""
    project = project_of(dress(SkirtKind.A_LINE, lining=Lining(LiningOf.ALL, LiningMethod.HANGING_FREE), **more))
    held = next(step for step in project.steps if step.id == "catch-lining-waist")
    assert said in " ".join(held.how)


def test_above_a_gathered_cuff_the_lining_has_a_hem_and_no_gathers():
    cuffed = dress(sleeve=Sleeve(end=SleeveEnd.GATHERED_CUFF), lining=Lining(LiningOf.ALL, LiningMethod.HANGING_FREE))
    steps = order(project_of(cuffed))
    assert "sew-lining-sleeve-ends" in steps and "gather-cuffs" in steps and "gather-lining-cuffs" not in steps


@pytest.mark.slow
@pytest.mark.parametrize("kind", FULL)
@pytest.mark.parametrize("of", list(LiningOf))
@pytest.mark.parametrize("method", [LiningMethod.HANGING_FREE, LiningMethod.SEWN_IN, LiningMethod.BAGGED])
def test_a_lined_dress_with_a_full_skirt_goes_the_whole_way(kind, of, method, tmp_path):
    for sleeve in (None, Sleeve()):
        try:
            found = goes_the_whole_way(dress(kind, lining=Lining(of, method), sleeve=sleeve), tmp_path, lay=False)
        except DescriptionRefused as refused:
            assert method is LiningMethod.BAGGED, refused.refusals
            continue
        assert found == []


@pytest.mark.slow
@pytest.mark.parametrize("kind", [*FULL, SkirtKind.CARTRIDGE_PLEATS])
@pytest.mark.parametrize("waist", [Waist.WAISTBAND, Waist.PLAIN_BAND, Waist.PLEATED_BAND, Waist.FACING])
def test_a_lined_full_skirt_goes_the_whole_way(kind, waist, tmp_path):
    lining = Lining(LiningOf.ALL, LiningMethod.HANGING_FREE)
    assert goes_the_whole_way(skirt(kind, waist=waist, lining=lining), tmp_path) == []


# ---------------------------------------------------------------- gathered and tried on


@pytest.mark.parametrize("bodice", [True, False])
def test_rows_that_run_round_the_garment_wait_for_the_seams_they_stop_at(bodice):
    steps = order(project_of(dress() if bodice else skirt()))
    assert rising(steps, "press-skirt-sides" if bodice else "press-sides", "gather-waist", "sew-waist")


def test_a_cap_is_gathered_while_the_sleeve_lies_flat():
    project = project_of(dress(sleeve=Sleeve(SleeveKind.GATHERED_CAP)))
    waits = next(s for s in project.steps if s.id.startswith("gather-armhole") or s.id == "gather-armholes").requires
    assert not any("underarm" in need.state.of.id for need in waits)


def test_a_bodice_is_tried_on_by_itself_before_a_skirt_is_gathered_to_it():
    buttoned = dress(
        front=Side(Centre.OPEN, (Shaping.WAIST_DART,)),
        back=Side(Centre.FOLD, (Shaping.WAIST_DART,)),
        opening=Opening(Where.FRONT, OpeningKind.BUTTONS),
    )
    project = project_of(buttoned)
    steps = order(project)
    basted = project.steps[steps.index("baste-sides")]
    assert "waist" not in basted.title and "skirt" not in basted.title, "a flat edge is not basted to a full one"
    assert rising(steps, "baste-sides", "try-on-shell", "sew-sides", "gather-waist", "sew-waist")
    assert any("bodice by itself" in line for line in project.steps[steps.index("try-on-shell")].how)


def test_a_full_skirt_is_drawn_up_before_it_is_tried_on():
    project = project_of(skirt())
    steps = order(project)
    assert rising(steps, "gather-waist", "try-on-shell", "sew-waist") and "baste-sides" not in steps
    assert any("tape round the waist" in line for line in project.steps[steps.index("try-on-shell")].how)


# ---------------------------------------------------------------- what the envelope asks for is sewn, or refused


def test_cartridge_pleats_are_whipped_to_a_band_and_refused_under_a_bodice():
    assert "cartridge pleats" in {s.technique for s in project_of(skirt(SkirtKind.CARTRIDGE_PLEATS)).steps}
    with pytest.raises(DescriptionRefused) as refused:
        compose(dress(SkirtKind.CARTRIDGE_PLEATS))
    assert [one.field for one in refused.value.refusals] == ["features.skirt.kind"]


def test_cartridge_pleats_of_too_little_fullness_are_refused():
    with pytest.raises(DescriptionRefused) as refused:
        compose(skirt(SkirtKind.CARTRIDGE_PLEATS, 1.5))
    assert [one.field for one in refused.value.refusals] == ["features.skirt.fullness"]


def test_a_full_skirt_s_lining_is_worked_out_and_said_so():
    said = compose(dress(lining=Lining(LiningOf.ALL, LiningMethod.BAGGED))).assumed["features.lining"]
    assert "worked out" in said and "booklet" not in said
