"""Does this cloth suit? What is said of a cloth for a garment, and what to look for. All of it is common practice, no
source, but where a line names one."""

from __future__ import annotations

from dataclasses import replace
from functools import cache

import pytest

from rowanseed.core.base.units import Units
from rowanseed.core.choices import ClothChoices, Decisions
from rowanseed.core.cloth.choosing import Chosen, remarks
from rowanseed.core.cloth.cloth import Cloth, Direction, Fibre, Surface, Use, is_delicate
from rowanseed.core.cloth.preparation import preparation
from rowanseed.core.derive.choice import Layers, LiningSchool
from rowanseed.core.garment import lay_problem
from rowanseed.core.lay.problem import LayKind
from rowanseed.core.pattern.envelope import Structure
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.project import Project
from rowanseed.core.sizing.trial import trial_garment
from rowanseed.demo import overshirt, six_gore_skirt, trousers, waistcoat
from tests.core.everyday import EVERYDAY, everyday

WOVEN = Cloth("woven", width=1400.0, length=3000.0, selvedge=10.0, direction=Direction.TWO_WAY, fibre=Fibre.COTTON)
JERSEY = replace(WOVEN, name="jersey", structure=Structure.KNIT, stretch=0.4)
FUSIBLE = replace(WOVEN, name="fusible", use=Use.FUSIBLE, weight=50.0)
LINING = replace(WOVEN, name="lining", use=Use.LINING, fibre=Fibre.VISCOSE, weight=90.0)


@cache
def described(name):
    return everyday(name)


def said(garment, role, cloth, main=WOVEN, units=Units.METRIC):
    """What is said, by id; what is to be minded with a “!”."""
    chosen = Chosen(garment, garment.envelope.views[0].id, role, cloth, main, units)
    return [f"{'!' * (remark.weight == 'mind')}{remark.id}" for remark in remarks(chosen)]


KNITTED = [name for name in EVERYDAY if EVERYDAY[name].cloth is Structure.KNIT]


@pytest.mark.parametrize("name", EVERYDAY)
def test_a_cloth_of_the_other_kind_is_minded_whatever_the_garment(name):
    """What a pattern is drawn for goes from its description to the cloth: woven cloth does not go over a head."""
    garment = described(name)
    knitted = name in KNITTED
    assert garment.envelope.cloth is (Structure.KNIT if knitted else Structure.WOVEN)
    right, wrong = (JERSEY, WOVEN) if knitted else (WOVEN, JERSEY)
    assert not any("for" in one for one in said(garment, Role.MAIN, right, right))
    assert said(garment, Role.MAIN, wrong, wrong)[0] == ("!woven-for-knit" if knitted else "!knit-for-woven")


def test_a_knit_that_stretches_less_than_its_neck_needs_is_minded_and_one_unknown_is_to_be_tried():
    shirt = described("t-shirt")
    assert shirt.envelope.stretch == 0.3
    assert said(shirt, Role.MAIN, replace(JERSEY, stretch=0.2)) == ["!stretches-less"]
    assert said(shirt, Role.MAIN, replace(JERSEY, stretch=0.0)) == ["stretch-unknown"]
    assert said(shirt, Role.MAIN, JERSEY) == []
    for units, reach in ((Units.METRIC, "10 cm across have to reach 13 cm"), (Units.IMPERIAL, "reach 5 1/4 in")):
        told = remarks(Chosen(shirt, "A", Role.MAIN, None, None, units))
        assert any(reach in remark.says for remark in told)


def test_a_lining_for_sleeves_has_to_slide_and_is_lighter_than_its_cloth():
    jacket, vest = described("blazer"), waistcoat.draft()
    cotton = replace(LINING, fibre=Fibre.COTTON)
    layers = Layers(lining=LiningSchool.DEDUCT)
    lined = Project(jacket, {}, Decisions("A", jacket.envelope.sizes[0], cloth=ClothChoices(layers=layers))).garment
    assert said(lined, Role.LINING, cotton) == ["!drags"]
    assert said(vest, Role.LINING, cotton) == ["drags"]
    assert said(vest, Role.LINING, LINING) == []
    assert said(vest, Role.LINING, replace(LINING, fibre=Fibre.POLYESTER)) == ["polyester"]
    assert said(vest, Role.LINING, LINING, replace(WOVEN, weight=80.0)) == ["!heavier"]
    assert said(vest, Role.LINING, LINING, JERSEY) == ["!does-not-stretch"]
    # 5 momme of silk are 22 g/m² (1 momme = 4.34 g/m²): no body for a lining.
    assert said(vest, Role.LINING, replace(LINING, fibre=Fibre.SILK, weight=5 * 4.34)) == ["!no-body"]
    assert said(vest, Role.LINING, replace(LINING, fibre=Fibre.SILK, weight=12 * 4.34)) == []


@pytest.mark.parametrize(
    "cloth, main, expected",
    [
        (FUSIBLE, replace(WOVEN, surface=Surface.PILE), "!crushes"),
        (FUSIBLE, replace(WOVEN, fibre=Fibre.SILK), "!low-heat"),
        (FUSIBLE, replace(WOVEN, fibre=Fibre.WOOL), "wool"),
        (replace(FUSIBLE, use=Use.SEWN_IN), replace(WOVEN, surface=Surface.PILE), None),
        (FUSIBLE, JERSEY, "!holds-a-knit"),
        (replace(FUSIBLE, structure=Structure.KNIT), JERSEY, None),
        (FUSIBLE, replace(WOVEN, weight=45.0), "!heavier"),
        (FUSIBLE, replace(WOVEN, weight=150.0), None),
    ],
)
def test_interfacing_is_judged_by_the_cloth_it_stiffens(cloth, main, expected):
    found = said(overshirt.draft(), Role.INTERFACING, cloth, main)
    assert found == ([expected] if expected else [])


def test_a_facing_of_pile_may_be_fused():
    """A needlecord skirt whose facings alone are interfaced was warned of a pile that nobody sees."""
    cord = replace(WOVEN, surface=Surface.CORD)
    assert said(six_gore_skirt.draft(), Role.INTERFACING, FUSIBLE, cord) == []
    assert "!crushes" in said(trousers.draft(), Role.INTERFACING, FUSIBLE, cord)


def test_which_interfacing_to_look_for_depends_on_garment_and_cloth():
    def words(garment, main):
        return remarks(Chosen(garment, garment.envelope.views[0].id, Role.INTERFACING, None, main, Units.METRIC))[
            0
        ].says

    blouse, coat = described("blouse"), described("blazer")
    assert "tricot" in words(blouse, None)
    assert "canvas" in words(coat, None)
    assert "sheer" in words(blouse, replace(WOVEN, weight=70.0))
    assert "stretches" in words(described("t-shirt"), JERSEY)
    assert "sewn in" in words(coat, replace(WOVEN, surface=Surface.PILE))


def test_light_and_heavy_cloths_are_judged_by_the_garment():
    sheer, thick = replace(WOVEN, weight=60.0), replace(WOVEN, weight=320.0)
    assert said(described("blouse"), Role.MAIN, sheer) == ["sheer"]
    assert "light" in said(trousers.draft(), Role.MAIN, replace(WOVEN, weight=120.0))
    assert said(trousers.draft(), Role.MAIN, thick) == ["suggested"]
    assert "thick-gathers" in said(described("tiered skirt"), Role.MAIN, thick)
    assert "thick-gathers" not in said(six_gore_skirt.draft(), Role.MAIN, thick)


# ---------------------------------------------------------------- fur, and what slips


def test_fur_is_laid_in_one_layer_and_warns_of_its_fibres():
    fur = replace(WOVEN, name="fur", surface=Surface.FUR, direction=Direction.ONE_WAY)
    pattern = trousers.draft()
    choices = Project(pattern, {}, Decisions("A", pattern.envelope.sizes[2])).choices
    problem = lay_problem(pattern=pattern, choices=choices, role=Role.MAIN, cloth=fur)
    assert problem is not None and problem.lays == (LayKind.OPEN,)
    cautions = " ".join(step.caution for step in preparation(fur, Units.METRIC))
    assert "dust mask" in cautions and "vacuum" in cautions
    assert "fur" in said(pattern, Role.MAIN, fur)


def test_silk_sheers_and_smooth_linings_slip_and_interfacing_does_not():
    assert is_delicate(replace(WOVEN, fibre=Fibre.SILK))
    assert is_delicate(replace(WOVEN, weight=60.0))
    assert is_delicate(LINING)
    assert not is_delicate(WOVEN) and not is_delicate(FUSIBLE)


# ---------------------------------------------------------------- a trial garment


def test_a_trial_garment_is_for_what_fits_close():
    assert "staystitch" in trial_garment(trousers.draft(), "A")
    assert "staystitch" in trial_garment(waistcoat.draft(), "A")
    assert trial_garment(described("tiered skirt"), "A") == ""
    knitted = next(name for name in KNITTED if trial_garment(described(name), "A"))
    assert "knit" in trial_garment(described(knitted), "A")


# ---------------------------------------------------------------- stretch


def test_the_stretch_of_the_cloth_that_is_chosen_counts_for_the_ease():
    """It was asked for a second time at Fit, and a knit that gives was called tight there until it was typed again."""
    shirt = described("t-shirt")
    body = {"bust": 1.08 * max(shirt.envelope.body_chart["bust"].values())}
    plain = Project(shirt, body, Decisions("A", shirt.envelope.sizes[-1]), {Role.MAIN: replace(JERSEY, stretch=0.0)})
    gives = replace(plain, cloths={Role.MAIN: JERSEY})
    low = [row.band[0] for one in (plain, gives) for row in one.choosing.rows(one.size) if row.measure == "bust"]
    assert low[1] < low[0]
    assert replace(plain, cloths={}).wish.stretch == shirt.envelope.stretch


def test_a_cloth_kept_for_another_use_is_remarked_on_where_it_is_chosen():
    dress, blazer = described("shirt dress"), described("blazer")
    sewn_in = replace(FUSIBLE, use=Use.SEWN_IN)
    for role in (Role.MAIN, Role.CONTRAST):
        assert "!kept-as-fusible" in said(dress, role, FUSIBLE)
        assert "!kept-as-interfacing" in said(dress, role, sewn_in)
        assert "kept-as-lining" in said(dress, role, LINING)
    assert "!kept-as-fusible" in said(blazer, Role.LINING, FUSIBLE)
    assert "kept-for-garments" in said(dress, Role.INTERFACING, WOVEN)
    for role, cloth in ((Role.MAIN, WOVEN), (Role.INTERFACING, FUSIBLE), (Role.LINING, LINING), (Role.MAIN, None)):
        assert not any("kept" in one for one in said(blazer, role, cloth)), role
