"""Where practitioners sew in another order, the other school is offered too, and both can be sewn."""

import pytest

from rowanseed.core.base.units import Units
from rowanseed.core.choices import Decisions
from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.description import Band, Description, Features, Opening, Side
from rowanseed.core.compose.vocabulary import Centre, GarmentKind, OpeningKind, Waist, Where
from rowanseed.core.derive.choice import Layers, LiningSchool
from rowanseed.core.derive.layers import with_layers
from rowanseed.core.make.change import unsuited, ways
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.equipment import Holding, SewingHabits
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.make.simulator import play
from rowanseed.core.pattern.making import ClosureKind
from rowanseed.core.project import Project
from rowanseed.demo import overshirt

from .everyday import EVERYDAY, everyday
from .garments import SIZE
from .test_make import faults
from .wardrobe import lined_cut_in_one, skirt

SHIRT = overshirt.draft()


def ordered(pattern, techniques=(), units=Units.METRIC):
    size = pattern.envelope.sizes[3]
    made = compile_garment(pattern, "A", size, MakingChoices(units=units, techniques=techniques))
    assert made.gaps == ()
    order = sequence(made.operations)
    assert faults(pattern, size, order) == []
    return [op.id for op in order], {op.id: op for op in order}


@pytest.mark.parametrize("part", ["collar-stand", "under-stand", "stand-ends", "neck", "stand-inside"])
def test_the_stand_goes_on_the_neck_before_or_after_the_collar_by_school(part):
    usual, _ = ordered(SHIRT)
    assert usual.index("sew-collar-stand") < usual.index("sew-neck")
    other, by_id = ordered(SHIRT, ((part, "stand-first"),))
    assert other.index("sew-neck") < other.index("sew-collar-stand") < other.index("turn-in-stand-inside")
    assert "the garment on top" in by_id["sew-neck"].how[0]
    assert "outer neck allowance free" not in " ".join(by_id["sew-collar-stand"].how), "it is sewn already"
    assert sorted(usual) == sorted(other), "the same work in another order"


def test_its_words_are_in_the_household_s_units():
    _, by_id = ordered(SHIRT, (("neck", "stand-first"),), Units.IMPERIAL)
    assert not any(" cm" in line for op in by_id.values() for line in op.how)


def test_a_band_goes_on_before_the_zip_that_runs_up_into_it():
    """Both schools of zip and waistband are common practice, no source."""
    for techniques, first in (((), "zip-it"), ((("waist", "band-first"),), "sew-waist")):
        pattern = skirt(waist="gathered band", zipped=ClosureKind.INVISIBLE_ZIP)
        made = compile_garment(pattern, "A", SIZE, MakingChoices(techniques=techniques))
        order = [op.id for op in sequence(made.operations)]
        assert made.gaps == () and not play(pattern, sequence(made.operations))
        assert min(("zip-it", "sew-waist"), key=order.index) == first
        # Whichever comes first, the band is closed over the zip and the seam below it is sewn after the zip.
        assert order.index("turn-in-band-inside") > order.index("zip-it") < order.index("sew-centre-back")


def banded(garment, where=Where.BACK, kind=OpeningKind.INVISIBLE_ZIP):
    """A zip that ends at a band without an underlap."""
    opening = Opening(where, kind)
    band = Band(width=25.0, underlap=0.0)
    features = Features(back=Side(Centre.SEAM), opening=opening, waist=Waist.WAISTBAND, band=band)
    return compose(Description(name="banded", garment=garment, features=features)).pattern


def test_a_band_that_goes_on_first_does_not_wait_for_the_lining_that_waits_for_the_zip():
    """The steps waited for each other; a lining is told to be the reason now, and the band goes on the usual way."""
    pattern = banded(GarmentKind.SKIRT)
    lined = with_layers(pattern, "12", "A", Layers(lining=LiningSchool.WHOLE))
    made = compile_garment(lined, "A", "12", MakingChoices(techniques=(("waist", "band-first"),)))
    (told,) = made.gaps
    assert "the lining is caught in the band's seam" in told.said and "the usual way" in told.said
    assert faults(lined, "12", sequence(made.operations)) == []


def test_a_side_pressed_to_one_side_does_not_wait_for_the_zipped_one_that_is_pressed_open():
    """Only seams that are sewn alike are neatened at one go."""
    pattern = banded(GarmentKind.TROUSERS, Where.LEFT_SIDE)
    order, _ = ordered(pattern, (("outseams-right", "plain-to-one-side"), ("opening", "band-first")))
    assert order.index("sew-waist") < order.index("zip-opening") < order.index("sew-outseams-left")
    assert order.index("neaten-outseams-right") < order.index("sew-waist")


def test_a_zip_that_runs_up_into_the_band_is_an_invisible_one_whatever_is_drawn():
    """Chosen for the zip itself, it took back the choice that the zip is an invisible one, and could not be sewn."""
    project = Project(banded(GarmentKind.SKIRT, kind=OpeningKind.LAPPED_ZIP), {}, Decisions("A", "12"), {})
    for part in ("waist", "waistband-inside", "opening"):
        chosen = project.sewn_with("opening", "invisible-zip").sewn_with(part, "band-first")
        order = [op.id for op in chosen.steps]
        assert chosen.gaps == () and order.index("sew-waist") < order.index("zip-opening")
        (closure,) = (one for one in chosen.pattern.making.closures if one.id == "opening")
        assert closure.kind is ClosureKind.LAPPED_ZIP, "the pattern stays as it is drawn"
        again = chosen.sewn_with(part, None)
        assert again.gaps == () and not again.decisions.techniques


def test_round_a_crotch_a_band_waits_for_the_zip():
    """Chosen for trousers, the steps waited for each other: crotch for zip, zip for band, band for crotch."""
    for garment, offered in ((GarmentKind.TROUSERS, False), (GarmentKind.SKIRT, True)):
        pattern = banded(garment)
        size, choices = pattern.envelope.sizes[0], MakingChoices()
        parts = ways(pattern, "A", size, choices, compile_garment(pattern, "A", size, choices))
        assert any(t.id == "band-first" for way in parts for t in way.others) is offered
        why = {one.name: one.why for one in unsuited(pattern, "A", size, choices, "waist")}
        assert ("crotch" in why.get("Waistband on first, the zip up into it", "")) is not offered


def test_a_lined_garment_cut_in_one_has_its_sides_first_and_its_sleeve_ends_in_rings():
    """Common practice, no source: shell and lining are each sewn at sides and underarms before they meet."""
    made = compile_garment(lined_cut_in_one(), "A", SIZE, MakingChoices())
    order = [op.id for op in sequence(made.operations)]
    met = [order.index(id) for id in ("sew-neck", "sew-hem", "sew-wrists")]
    assert max(order.index(id) for id in ("press-sides", "press-lining-sides")) < min(met)
    assert order.index("sew-wrists") < order.index("turn-out-lining-sides") < order.index("close-lining-sides")
    by_id = {op.id: op for op in made.operations}
    assert "in a ring" in " ".join(by_id["sew-wrists"].how) and "in a ring" in " ".join(by_id["sew-hem"].how)


# ---------------------------------------------------------------- pins or basting


@pytest.mark.parametrize("name", EVERYDAY)
def test_a_household_that_bastes_holds_every_ordinary_seam_so_and_draws_it_out_before_the_iron(name):
    pattern = everyday(name)
    view, size = pattern.envelope.views[0].id, pattern.envelope.sizes[0]
    pinned = compile_garment(pattern, view, size, MakingChoices())
    made = compile_garment(pattern, view, size, MakingChoices(habits=SewingHabits(holding=Holding.BASTED)))
    assert made.gaps == pinned.gaps
    order = sequence(made.operations)
    assert play(pattern, order) == () and faults(pattern, size, order) == []
    at = {op.id: k for k, op in enumerate(order)}
    held = [op.id.removeprefix("baste-seam-") for op in order if op.id.startswith("baste-seam-")]
    # An apron has no seam but its band's and its bib's.
    assert held or pattern.garment == "apron"
    for id in held:
        assert at[f"baste-seam-{id}"] < at[f"sew-{id}"] < at[f"unbaste-{id}"]
        assert at[f"unbaste-{id}"] < at.get(f"press-{id}", len(order))
    assert {op.id for op in made.operations} - {op.id for op in pinned.operations} == {
        f"{what}-{id}" for id in held for what in ("baste-seam", "unbaste")
    }
