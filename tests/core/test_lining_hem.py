"""The lower edge of a lining: as long as the hem it is sewn to; hanging free, a full skirt's is cut narrower."""

from __future__ import annotations

import pytest

from rowanseed.core.base.units import Units
from rowanseed.core.choices import ClothChoices, Decisions
from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.described_layers import described_layers
from rowanseed.core.compose.description import Description, Features, Lining, Opening, Side, Skirt
from rowanseed.core.compose.vocabulary import Centre, GarmentKind, LiningMethod, OpeningKind, SkirtKind, Waist, Where
from rowanseed.core.derive.choice import Layers, LiningHem, LiningSchool
from rowanseed.core.derive.layers import derivations
from rowanseed.core.derive.lining import schools
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.pattern.pieces import DerivedAs
from rowanseed.core.pattern.walk import copies, part_length
from rowanseed.core.project import Project

from .everyday import EVERYDAY, everyday
from .test_whole_way import body_of

FULL = [kind for kind in SkirtKind if kind.is_full and kind is not SkirtKind.CARTRIDGE_PLEATS]


def lined(pattern, layers):
    size, body = body_of(pattern)
    return size, Project(pattern, body, Decisions("A", size, cloth=ClothChoices(layers=layers)), {})


def long(pattern, size, finish):
    return sum(part_length(pattern, size, part) * copies(pattern, part) for part in finish.parts)


@pytest.mark.parametrize("name", EVERYDAY)
def test_a_lining_that_is_sewn_to_the_hem_is_as_wide_as_it(name):
    pattern = everyday(name)
    if LiningSchool.WHOLE not in schools(pattern, "A", body_of(pattern)[0]):
        return
    size, project = lined(pattern, Layers(LiningSchool.WHOLE, hem=LiningHem.ATTACHED))
    made = project.garment
    ends = {finish.id: finish for finish in made.making.finishes}
    for id in (id for id in ends if f"lining-{id}" in ends):
        # A pleat at the centre back is not asked for, so nothing but curves drawn again may differ.
        assert long(made, size, ends[f"lining-{id}"]) == pytest.approx(long(made, size, ends[id]), abs=10.0)


def skirt(kind, method, garment=GarmentKind.SKIRT, waist=Waist.WAISTBAND):
    zipped = Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP)
    features = Features(
        back=Side(Centre.SEAM), opening=zipped, waist=waist, skirt=Skirt(kind), lining=Lining(method=method)
    )
    return Description(name="s", garment=garment, features=features)


@pytest.mark.parametrize("kind", FULL, ids=str)
@pytest.mark.parametrize("method", [LiningMethod.BY_HAND, LiningMethod.SEWN_IN, LiningMethod.HANGING_FREE], ids=str)
def test_the_lining_of_a_full_skirt_hangs_narrower_unless_it_is_sewn_to_the_hem(kind, method):
    description = skirt(kind, method)
    pattern = compose(description).pattern
    size, project = lined(pattern, described_layers(pattern, description, view="A", size=body_of(pattern)[0]))
    made = project.garment
    ends = {finish.id: finish for finish in made.making.finishes}
    hem, own = long(made, size, ends["hem"]), long(made, size, ends["lining-hem"])
    if method is LiningMethod.SEWN_IN:
        assert own == pytest.approx(hem)
    else:
        assert pattern.envelope.body_chart["hip"][size] <= own <= 0.8 * hem


@pytest.mark.parametrize("garment", [GarmentKind.SKIRT, GarmentKind.DRESS], ids=str)
def test_behind_tiers_a_lining_hangs_in_one_length(garment):
    waist = Waist.SEAM if garment is GarmentKind.DRESS else Waist.WAISTBAND
    description = skirt(SkirtKind.TIERED, LiningMethod.HANGING_FREE, garment, waist)
    pattern = compose(description).pattern
    layers = described_layers(pattern, description, view="A", size=body_of(pattern)[0])
    size, project = lined(pattern, layers)
    made = project.garment
    derived = (p for p in made.pieces if p.derived is not None and p.derived.kind is DerivedAs.LINING)
    linings = [p for p in derived if p.has_edge("hem")]
    assert sorted(p.name for p in linings) == ["Skirt back lining", "Skirt front lining"]
    prefix = "skirt-" if garment is GarmentKind.DRESS else ""
    tiers = [pattern.piece(f"{prefix}{name}front").shapes[size].edges["centre"] for name in ("", "tier-2-", "tier-3-")]
    front = next(p for p in linings if "front" in p.name)
    # Hanging free it ends 3/4 in above the hem.
    assert chain_length(front.shapes[size].edges["centre"]) == pytest.approx(sum(map(chain_length, tiers)) - 19.05)
    told = derivations(pattern, made, layers, Units.METRIC)
    assert any("the tiers in one straight length" in one.words for one in told)
    # The tiers themselves are as they were, and the lining has no hem to one side of the zip.
    assert [p for p in made.pieces if p.derived is None] == list(pattern.pieces)
    assert made.making.join(f"{prefix}tier-2-front") == pattern.making.join(f"{prefix}tier-2-front")
    hem = next(step for step in project.steps if step.id == "sew-lining-hem")
    assert not any("zip" in said for said in hem.how)
