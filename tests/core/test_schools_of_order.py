"""Where practitioners sew in another order, the other school is offered too, and both can be sewn."""

import pytest

from rowanseed.core.base.units import Units
from rowanseed.core.compose.compose import compose
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.equipment import Holding, SewingHabits
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.make.simulator import play
from rowanseed.core.pattern.making import ClosureKind
from rowanseed.demo import overshirt

from .everyday import EVERYDAY
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
    pattern = compose(EVERYDAY[name]).pattern
    view, size = pattern.envelope.views[0].id, pattern.envelope.sizes[0]
    pinned = compile_garment(pattern, view, size, MakingChoices())
    made = compile_garment(pattern, view, size, MakingChoices(habits=SewingHabits(holding=Holding.BASTED)))
    assert made.gaps == pinned.gaps
    order = sequence(made.operations)
    assert play(pattern, order) == () and faults(pattern, size, order) == []
    at = {op.id: k for k, op in enumerate(order)}
    held = [op.id.removeprefix("baste-seam-") for op in order if op.id.startswith("baste-seam-")]
    assert held
    for id in held:
        assert at[f"baste-seam-{id}"] < at[f"sew-{id}"] < at[f"unbaste-{id}"]
        assert at[f"unbaste-{id}"] < at.get(f"press-{id}", len(order))
    assert {op.id for op in made.operations} - {op.id for op in pinned.operations} == {
        f"{what}-{id}" for id in held for what in ("baste-seam", "unbaste")
    }
