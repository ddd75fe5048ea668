"""Bands of a knit or of ribbing: how long they are cut, what goes through, how they are sewn, where they do not go.

That a firm knit takes nine tenths of its edge, ribbing eight, and stretches by half at the least: common practice, no
source.
"""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import HealthCheck, given, settings

from rowanseed.core.alter.carry_out import carry_out
from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.kinds import offered
from rowanseed.core.base.units import Units
from rowanseed.core.cloth.choosing import Chosen, remarks
from rowanseed.core.cloth.cloth import Cloth, Direction, Fibre
from rowanseed.core.compose.bodice import HEAD
from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.description import (
    Description,
    Features,
    Hem,
    Lining,
    Neck,
    Opening,
    Skirt,
    Sleeve,
    Trim,
)
from rowanseed.core.compose.refusals import refusals
from rowanseed.core.compose.vocabulary import (
    Along,
    GarmentKind,
    HemKind,
    HemShape,
    Interfaced,
    LiningMethod,
    NeckFinish,
    OpeningKind,
    SkirtKind,
    SleeveEnd,
    Slit,
    TrimKind,
    Where,
)
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.make.booklet_text import match_steps
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.equipment import Equipment
from rowanseed.core.make.operation import Bench
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.pattern.envelope import Structure
from rowanseed.core.pattern.making import DifferenceKind, FinishKind
from rowanseed.core.pattern.pieces import Grain, LineKind, Role
from rowanseed.core.pattern.references import gaps
from rowanseed.core.pattern.stretched import stretched_bands
from rowanseed.core.pattern.walk import part_length
from rowanseed.core.saving.tactic import Garment
from rowanseed.core.saving.tactics.bands_across import TACTIC
from rowanseed.formats.description_json import read_description, write_description

from .descriptions import banded, drafted, mended
from .everyday import everyday

BAND = Hem(HemKind.BAND)
ZIPPED = Opening(Where.FRONT, OpeningKind.SEPARATING_ZIP)
RIBBED = ("hooded sweatshirt", "v-necked sweatshirt", "ribbed pullover", "joggers")
RIBBING = Cloth(
    "rib",
    width=1000.0,
    length=1000.0,
    selvedge=10.0,
    direction=Direction.TWO_WAY,
    fibre=Fibre.COTTON,
    structure=Structure.KNIT,
    stretch=0.8,
)


def described(cloth=Structure.KNIT, garment=GarmentKind.TOP, **features):
    features = {"sleeve": Sleeve(end=SleeveEnd.CUFF), "hem": BAND, **features}
    return Description(name="It", garment=garment, cloth=cloth, features=Features(**features))


def composed(**features):
    """What is composed of it once it is a document, which knows what was said."""
    return compose(read_description(write_description(described(**features))))


def bands(pattern):
    return [join for join in pattern.making.joins if join.difference.kind is DifferenceKind.STRETCHED_ON]


def steps(pattern, choices=None):
    size = pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]
    return sequence(compile_garment(pattern, "A", size, choices or MakingChoices()).operations)


@settings(max_examples=20, deadline=None, suppress_health_check=list(HealthCheck))
@given(banded.map(mended).filter(lambda d: d is not None))
def test_every_band_is_shorter_by_its_share_and_cut_across_in_every_size(description):
    pattern = drafted(description).pattern
    share = 0.8 if description.features.ribbing else 0.9
    for join in bands(pattern):
        piece = pattern.piece(join.b[0].piece)
        (cut,) = piece.cuts
        assert cut.grain is Grain.LENGTHWISE
        assert cut.role is (Role.CONTRAST if description.features.ribbing else Role.MAIN)
        fold = next(line for line in piece.lines if line.kind is LineKind.FOLD)
        for size in pattern.envelope.sizes:
            edge, band = (sum(part_length(pattern, size, p) for p in side) for side in (join.a, join.b))
            assert band == pytest.approx(share * edge, abs=0.05)
            # Both raw edges lie on each other when it is folded.
            edges = piece.shapes[size].edges
            # Along the grain it is as wide as both its layers: its arrow says how it lies.
            (top, side), (low, other) = piece.shapes[size].grainline
            assert side == other and 0.0 < low - top < chain_length(edges["end"])
            assert chain_length(edges["inner"]) == pytest.approx(chain_length(edges["edge"]))
            assert fold.ends[size][0][0] == pytest.approx(chain_length(edges["end"]) / 2)


@pytest.mark.parametrize("name", ["sweatshirt", "t-shirt", "v-necked sweatshirt", "ribbed pullover"])
def test_a_head_goes_through_the_neck_and_through_its_band(name):
    pattern = everyday(name)
    (neck,) = (join for join in bands(pattern) if join.id == "neck")
    ribbed = pattern.piece("neck-band").cuts[0].role is Role.CONTRAST
    for size in pattern.envelope.sizes:
        edge, band = (sum(part_length(pattern, size, p) for p in side) for side in (neck.a, neck.b))
        head = HEAD[pattern.envelope.figure]
        assert edge * (1.0 + pattern.envelope.stretch) >= head - 0.5
        assert band * (1.5 if ribbed else 1.0 + pattern.envelope.stretch) >= head - 0.5


def test_a_printed_length_is_that_of_the_garment_with_its_band():
    sizes = ("10", "12")
    rows = {"length": {"10": 600.0, "12": 610.0}}
    hems = Hem(), Hem(HemKind.BAND, 70.0)
    hemmed, ended = (compose(replace(described(hem=hem), sizes=sizes, finished=rows)).pattern for hem in hems)
    for size in sizes:
        long = [
            max(x for chain in pattern.piece("back").shapes[size].edges.values() for s in chain for x, _ in s.points())
            for pattern in (hemmed, ended)
        ]
        assert long[0] - long[1] == pytest.approx(70.0)


@pytest.mark.parametrize("name", ["sweatshirt", *RIBBED])
def test_each_is_a_ring_folded_and_then_stretched_on_to_an_edge_that_is_closed(name):
    order = [op.id for op in steps(everyday(name))]
    by_id = {op.id: op for op in steps(everyday(name))}
    for join in bands(everyday(name)):
        ring, fold, on = (order.index(f"{what}-{join.id}") for what in ("ring", "fold", "sew"))
        assert ring < fold < on
        closes = next((id for id in ("sides", "underarms", "inseams", "outseams") if f"press-{id}" in order), None)
        if join.id != "neck" and closes:
            assert order.index(f"press-{closes}") < on
        assert "stretch only the band" in " ".join(by_id[f"sew-{join.id}"].how)


def test_its_seam_stretches_whatever_the_garment_is_cut_of():
    by_id = {op.id: op for op in steps(everyday("ribbed pullover"))}
    assert by_id["sew-lower-band"].setting.stitch in ("stretch stitch", "narrow zigzag, width 0.5")
    assert by_id["sew-sides" if "sew-sides" in by_id else "sew-underarms"].setting.stitch == "straight"
    overlocker = MakingChoices(equipment=Equipment(overlock_threads=4))
    by_id = {op.id: op for op in steps(everyday("ribbed pullover"), overlocker)}
    assert by_id["sew-lower-band"].bench is Bench.OVERLOCKER


def test_the_seam_of_a_band_comes_to_the_point_of_a_v_and_else_to_the_centre_back():
    said = {
        name: " ".join(how for op in steps(everyday(name)) if op.id == "sew-neck" for how in op.how)
        for name in ("sweatshirt", "v-necked sweatshirt")
    }
    assert "to the centre back, its middle to the centre front" in said["sweatshirt"]
    assert "to the point of the V" in said["v-necked sweatshirt"]


@pytest.mark.parametrize(
    ("field", "more"),
    [
        ("features.hem.kind", {"cloth": Structure.WOVEN}),
        ("features.hem.kind", {"trim": (Trim(TrimKind.RUFFLE, Along.HEM),)}),
        ("features.hem.kind", {"skirt": Skirt(SkirtKind.STRAIGHT, slit=Slit.SIDES), "garment": GarmentKind.DRESS}),
        ("features.hem.kind", {"garment": GarmentKind.TROUSERS, "sleeve": None}),
        ("features.hem.shape", {"hem": Hem(HemKind.BAND, shape=HemShape.CURVED)}),
        ("features.lining.method", {"lining": Lining(method=LiningMethod.BAGGED)}),
        ("features.neck.finish", {"cloth": Structure.WOVEN, "hem": Hem(), "neck": Neck(finish=NeckFinish.BAND)}),
    ],
)
def test_where_it_does_not_go_is_refused_at_its_field(field, more):
    assert field in {one.field for one in refusals(described(**more))}


def test_of_woven_cloth_the_bands_are_of_ribbing():
    neck = Neck(finish=NeckFinish.BAND)
    assert not refusals(described(Structure.WOVEN, ribbing=True, neck=neck))
    pattern = compose(described(Structure.WOVEN, ribbing=True, neck=neck)).pattern
    assert {p.id for p, _ in pattern.pieces_for(Role.CONTRAST, "A")} == {"neck-band", "cuff", "lower-band"}


def test_a_band_that_is_not_of_ribbing_is_not_passed_over():
    """A gathered cuff is not stretched on, and nothing said that it is not of ribbing as the other bands."""
    found = composed(sleeve=Sleeve(end=SleeveEnd.GATHERED_CUFF), ribbing=True)
    assert found.assumed["features.ribbing"] == "cut of ribbing: lower band; any other band of the garment's own cloth"


def test_what_has_no_such_band_is_told_that_ribbing_is_of_no_use():
    found = composed(hem=Hem(), sleeve=Sleeve(), ribbing=True)
    assert "no band is stretched on" in found.assumed["features.ribbing"]


def test_a_band_that_stretches_is_not_interfaced_and_that_is_told():
    found = composed(interfacing=frozenset({Interfaced.CUFFS}))
    assert "features.interfacing" in found.assumed
    assert all(cut.role is not Role.INTERFACING for piece in found.pattern.pieces for cut in piece.cuts)


@pytest.mark.parametrize(
    ("cloth", "told"),
    [
        (None, "look-for"),
        (RIBBING, None),
        (replace(RIBBING, stretch=0.3), "!stretches-less"),
        (replace(RIBBING, stretch=0.0), "stretch-unknown"),
        (replace(RIBBING, structure=Structure.WOVEN), "!woven-for-ribbing"),
    ],
)
@pytest.mark.parametrize("name", RIBBED)
def test_ribbing_is_judged_as_ribbing_and_not_as_the_garments_cloth(name, cloth, told):
    found = remarks(Chosen(everyday(name), "A", Role.CONTRAST, cloth, None, Units.METRIC))
    assert [f"{'!' * (one.weight == 'mind')}{one.id}" for one in found] == ([told] if told else [])


@pytest.mark.parametrize("name", ["sweatshirt", *RIBBED])
def test_no_band_that_stretches_is_turned_to_save_cloth(name):
    pattern = everyday(name)
    size = pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]
    freed = TACTIC.reshape(pattern, size)
    held = stretched_bands(pattern.making)
    assert held
    assert all(piece.cuts == freed.piece(piece.id).cuts for piece in pattern.pieces if piece.id in held)
    assert not TACTIC.offered(Garment(pattern, "A", Role.CONTRAST))


def band_and_edge(pattern, size):
    (join,) = (j for j in bands(pattern) if j.id == "lower-band")
    return [sum(part_length(pattern, size, p) for p in side) for side in (join.b, join.a)]


def test_a_lower_band_follows_a_garment_that_is_made_wider_by_its_share():
    pattern = everyday("sweatshirt")
    size = pattern.envelope.sizes[2]
    (kind,) = (one for one in offered(pattern, size) if one.id == "seam")
    before, changed = band_and_edge(pattern, size)[1], 0
    for place in kind.places_on(pattern, size):
        asked = Alteration(kind.id, 30.0, place.at, place.level, place.school)
        band, edge = band_and_edge(carry_out(pattern, size, [asked]).pattern, size)
        assert band == pytest.approx(0.9 * edge, abs=0.1)
        changed += abs(edge - before) > 5.0
    assert changed


def test_what_a_booklet_says_of_its_bands_is_found():
    lines = ["Sew ribbing to lower edge", "Sew cuffs to sleeves.", "Stretch neckband onto neckline"]
    found = [one.said[0] for one in match_steps(everyday("sweatshirt"), lines)]
    assert found == ["Lower band to the lower edge", "Cuffs to sleeves", "Neck band to the neck"]


def test_its_inner_edge_is_caught_in_the_seam_and_nothing_turns_it_in():
    pattern = everyday("sweatshirt")
    inner = [finish for finish in pattern.making.finishes if finish.id.endswith("-inner")]
    assert {finish.kind for finish in inner} == {FinishKind.CAUGHT}
    assert not [op for op in steps(pattern) if op.id.startswith("turn-in")]


@pytest.mark.parametrize("amount", [0.0, 1.0, -2.0, 40.0])
def test_a_drawn_pattern_whose_band_is_not_shorter_than_its_edge_is_not_complete(amount):
    pattern = everyday("sweatshirt")
    joins = tuple(
        replace(j, difference=replace(j.difference, amount=amount)) if j.id == "neck" else j
        for j in pattern.making.joins
    )
    changed = replace(pattern, making=replace(pattern.making, joins=joins))
    assert not list(gaps(pattern))
    assert ["is stretched on" in gap.problem for gap in gaps(changed)] == [True]


def test_the_document_keeps_it():
    description = described(ribbing=True)
    assert read_description(write_description(description)).features.ribbing
