"""Tiered skirts: how wide and how deep their tiers are, what they hang from, and what cannot be cut in tiers."""

from __future__ import annotations

from dataclasses import replace
from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st

from rowanseed.core.alter.blend import blend_sizes, blendable
from rowanseed.core.base.units import Units, format_length
from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.description import Description, Features, Opening, Pocket, Side, Skirt, Trim
from rowanseed.core.compose.own_description import OWN, describe
from rowanseed.core.compose.own_measure import Own, OwnClosing, OwnKind
from rowanseed.core.compose.own_sums import sums
from rowanseed.core.compose.vocabulary import (
    Along,
    Centre,
    GarmentKind,
    OpeningKind,
    PocketKind,
    PocketPlace,
    Shaping,
    SkirtKind,
    TrimKind,
    Waist,
    WaistLevel,
    Where,
)
from rowanseed.core.geometry.outline import chain_length, flatten
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment, workbench
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.make.simulator import play
from rowanseed.core.make.step_facts import figures
from rowanseed.core.pattern.envelope import Structure
from rowanseed.core.pattern.pieces import Panel
from rowanseed.core.pattern.tiers import LOWER, UPPER
from rowanseed.core.pattern.walk import walk
from rowanseed.drawings.line.laid import laid

from .test_make import faults

ZIP = Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP)
YOKED = Side(Centre.FOLD, (Shaping.YOKE,))
CLOTH = 1150.0
"""A common width of cloth, in mm: 45 in."""


def tiered(garment=GarmentKind.SKIRT, *, tiers=None, fullness=None, length=800.0, **features):
    features = {"back": Side(Centre.SEAM), "opening": ZIP, **features}
    skirt = Skirt(SkirtKind.TIERED, tiers=tiers, fullness=fullness, length=length)
    return Description(name="tiers", garment=garment, features=Features(skirt=skirt, **features))


def refused(description):
    with pytest.raises(DescriptionRefused) as found:
        compose(description)
    return [one.field for one in found.value.refusals]


def round_of(pattern, size, edge, nth):
    """How long the edges of a tier are, all the way round."""
    own = (p for p in pattern.pieces if p.panel in (Panel.FRONT, Panel.BACK) and p.name.startswith(f"Tier {nth} "))
    return 2 * sum(chain_length(p.shapes[size].edges[edge]) for p in own if p.has_edge(edge))


@given(
    st.integers(2, 5),
    st.floats(1.25, 1.8),
    st.floats(700, 1000),
    st.sampled_from([Side(Centre.FOLD), YOKED]),
)
def test_each_tier_is_so_many_times_as_wide_as_what_it_is_sewn_to(tiers, fullness, length, front):
    back = Side(Centre.SEAM, front.shaping)
    try:
        pattern = compose(tiered(tiers=tiers, fullness=fullness, length=length, front=front, back=back)).pattern
    except DescriptionRefused as found:
        # 8.4 m is the most that is cut; half of it is the waist of the largest size, and no more than its hip.
        assert {one.field for one in found.refusals} == {"features.skirt.fullness"}
        assert fullness**tiers * 1400 > 8400 or fullness < 1.5
        return
    for size in pattern.envelope.sizes:
        for nth in range(2, tiers + 1):
            assert round_of(pattern, size, UPPER, nth) == pytest.approx(
                fullness * round_of(pattern, size, LOWER, nth - 1)
            )
        assert all(one.walks for one in walk(pattern, size))


def test_the_tiers_come_to_the_length_and_the_fullness_that_was_asked():
    pattern = compose(tiered(tiers=3, fullness=1.5, length=780.0, waist=Waist.WAISTBAND)).pattern
    finished = pattern.envelope.finished["A"]
    for size in pattern.envelope.sizes:
        for half in ("front", "back"):
            tiers = [pattern.piece(f"{name}{half}") for name in ("", "tier-2-", "tier-3-")]
            assert sum(chain_length(p.shapes[size].edges["centre"]) for p in tiers) == pytest.approx(780.0)
        # Worked by hand: waist × 1.5 × 1.5 × 1.5.
        assert round_of(pattern, size, "hem", 3) == pytest.approx(finished["waist"][size] * 3.375)


@pytest.mark.parametrize("tiers", [3, 4])
def test_no_width_is_wider_than_common_cloth(tiers):
    pattern = compose(tiered(tiers=tiers, fullness=1.5)).pattern
    for piece in (p for p in pattern.pieces if p.has_edge(UPPER)):
        for shape in piece.shapes.values():
            _, y0, _, y1 = bounds([q for chain in shape.edges.values() for q in flatten(chain)])
            on_fold = any(cut.fold for cut in piece.cuts)
            assert (y1 - y0 + 30.0) * (2 if on_fold else 1) <= CLOTH


def test_a_yoke_takes_its_share_of_the_length():
    pattern = compose(tiered(tiers=2, front=YOKED, back=Side(Centre.SEAM, (Shaping.YOKE,)))).pattern
    centre = [pattern.piece(id).shapes["14"].edges["centre"] for id in ("front-yoke", "front", "tier-2-front")]
    assert sum(chain_length(chain) for chain in centre) == pytest.approx(800.0, abs=0.5)


def test_what_cannot_be_cut_in_tiers_is_refused_at_its_field():
    assert refused(tiered(tiers=6, fullness=1.4, length=450.0)) == ["features.skirt.tiers"]
    assert refused(tiered(tiers=5, fullness=2.0)) == ["features.skirt.fullness"]
    assert refused(tiered(tiers=7)) == ["features.skirt.tiers"]
    assert refused(tiered(fullness=1.1)) == ["features.skirt.fullness"]
    pocket = Pocket(PocketKind.IN_SEAM, PocketPlace.SIDE)
    assert refused(tiered(tiers=6, fullness=1.25, pockets=(pocket,))) == ["features.pockets.0"]
    assert refused(tiered(GarmentKind.APRON, back=Side(), opening=Opening())) == ["features.skirt.kind"]


def test_tiers_are_told_to_nothing_else():
    description = Description(name="s", garment=GarmentKind.SKIRT, features=Features(skirt=Skirt(tiers=3)))
    description = replace(description, said=frozenset({"features.skirt.tiers"}))
    assert compose(description).assumed["features.skirt.tiers"].endswith("is not cut in tiers")


def test_a_zip_runs_on_through_tiers():
    pattern = compose(tiered(tiers=6, fullness=1.25, length=780.0, waist=Waist.WAISTBAND)).pattern
    closure = next(c for c in pattern.making.closures if c.id == "opening")
    piece, mark = closure.to_mark
    # Six tiers of 13 cm: a zip of 20 cm ends 7 cm down the second one.
    assert piece == "tier-2-back" and pattern.piece(piece).mark(mark).distance["14"] == pytest.approx(70.0)


def test_pockets_lie_in_the_first_tier():
    pattern = compose(tiered(tiers=2, pockets=(Pocket(PocketKind.IN_SEAM, PocketPlace.SIDE),))).pattern
    assert [p.id for p in pattern.pieces if any(m.id.startswith("pocket") for m in p.marks)] == ["front", "back"]


def test_a_blended_waist_has_tiers_of_its_own_size():
    """A dress blended from 12 at the bust to 14 at the waist: all tiers are those of 14, as long as those of 12."""
    dress = tiered(GarmentKind.DRESS, tiers=3, waist=Waist.SEAM, length=None)
    pattern = compose(dress).pattern
    assert blendable(pattern, "12")[:2] == ("bust", "waist")
    blended = blend_sizes(pattern, "12", (("bust", "12"), ("waist", "14")))
    assert all(one.walks for one in walk(blended, "12"))
    for nth, edge in ((2, UPPER), (3, UPPER), (3, "hem")):
        assert round_of(blended, "12", edge, nth) == pytest.approx(round_of(pattern, "14", edge, nth), abs=0.5)
    for id in ("skirt-front", "skirt-tier-2-front", "skirt-tier-3-front"):
        was, now = (p.piece(id).shapes["12"].edges["centre"] for p in (pattern, blended))
        assert chain_length(now) == pytest.approx(chain_length(was), abs=0.1)


@pytest.mark.parametrize("level", list(WaistLevel))
def test_tiers_are_drawn_below_each_other(level):
    dress = tiered(GarmentKind.DRESS, tiers=3, waist=Waist.SEAM, waist_level=level, length=None)
    pattern = compose(dress).pattern
    lying = {one.piece.id: one.edges for one in laid(pattern, Panel.FRONT, "14")}
    for above, below in pairwise(["skirt-front", "skirt-tier-2-front", "skirt-tier-3-front"]):
        foot, top = lying[above][LOWER], lying[below][UPPER]
        assert max(x for x, _ in foot) == pytest.approx(max(x for x, _ in top), abs=0.5)
        assert min(y for _, y in foot) == pytest.approx(min(y for _, y in top), abs=0.5)
    hem = [y for id, edges in lying.items() for _, y in edges.get("hem", ())]
    assert max(hem) > max(y for _, y in lying["skirt-front"]["waist"])


def test_a_ruffle_goes_round_the_last_tier():
    pattern = compose(tiered(trim=(Trim(TrimKind.RUFFLE, Along.HEM),))).pattern
    ruffle = chain_length(pattern.piece("ruffle").shapes["14"].edges[UPPER])
    assert 2 * ruffle == pytest.approx(2 * round_of(pattern, "14", "hem", 3))


@pytest.mark.parametrize("waist", [Waist.SEAM, Waist.PLAIN_BAND, Waist.PLEATED_BAND])
@pytest.mark.parametrize("ruffled", [False, True])
def test_a_bodice_is_tried_on_before_the_tiers_below_it_are_sewn_to_each_other(waist, ruffled):
    """With a band let in and a ruffle below the last tier these steps waited for each other."""
    trim = (Trim(TrimKind.RUFFLE, Along.HEM),) if ruffled else ()
    pulled_on = {"opening": Opening(Where.NONE), "back": Side(Centre.FOLD)}
    dress = tiered(GarmentKind.DRESS, tiers=3, waist=waist, length=None, trim=trim, **pulled_on)
    pattern = compose(replace(dress, cloth=Structure.KNIT)).pattern
    made = compile_garment(pattern, "A", "14", MakingChoices())
    order = sequence(made.operations)
    assert faults(pattern, "14", order) == [] and play(pattern, order) == ()
    needs, waits = {op.id: {need.step for need in op.needs} for op in order}, {"try-on-shell"}
    while more := {need for id in waits for need in needs[id]} - waits:
        waits |= more
    assert "baste-sides" in waits
    assert not {id for id in waits if "tier" in id or "ruffle" in id or id.startswith("sew-skirt")}


# ---------------------------------------------------------------- to her own measure


@pytest.mark.parametrize("closing", [OwnClosing.ELASTIC, OwnClosing.ZIP])
def test_the_sums_of_a_tiered_skirt_are_its_pieces(closing):
    own = Own(OwnKind.TIERED, "s", waist=700.0, hip=960.0, long=810.0, tiers=3, fullness=1.5, closing=closing, hem=25.0)
    said = {one.name: one.value for one in sums(own)}
    pattern = compose(describe(own)).pattern
    tiers = {nth: value for name, value in said.items() for nth in (1, 2, 3) if name.startswith(f"Tier {nth},")}
    # By hand: 70 cm × 1.5 = 105 cm, × 1.5 = 157.5 cm, × 1.5 = 236.25 cm; 81 cm in three tiers of 27 cm.
    assert tiers == {1: pytest.approx(1050.0), 2: pytest.approx(1575.0), 3: pytest.approx(2362.5)}
    assert round_of(pattern, OWN, LOWER, 1) == pytest.approx(1050.0)
    assert round_of(pattern, OWN, UPPER, 3) == pytest.approx(2362.5)
    middle, last = pattern.piece("tier-2-front"), pattern.piece("tier-3-front")
    for name, piece, edges in (("between", middle, (UPPER, LOWER)), ("last tier", last, (UPPER, "hem"))):
        cut = chain_length(piece.shapes[OWN].edges["centre"]) + sum(piece.edge(edge).allowance for edge in edges)
        assert next(mm for label, mm in said.items() if name in label) == pytest.approx(cut, abs=0.1)


# ---------------------------------------------------------------- at the needle


def test_gathers_are_measured_as_they_lie_under_the_needle():
    """A front on the fold is opened, so its whole width is drawn up; a back in two halves is drawn up half by half."""
    pattern = compose(tiered(GarmentKind.DRESS, tiers=3, waist=Waist.SEAM, length=None)).pattern
    choices = MakingChoices()
    bench, made = workbench(pattern, "A", "14", choices), compile_garment(pattern, "A", "14", choices)
    steps = {op.id: op for op in made.operations}
    waist = pattern.envelope.finished["A"]["waist"]["14"]
    for id, whole, said in (
        ("gather-waist", waist, "altogether"),
        ("gather-skirt-tier-2-front", waist * 1.5 / 2, "altogether"),
        ("gather-skirt-tier-2-back", waist * 1.5 / 4, "on each side"),
    ):
        told = " ".join(steps[id].how)
        assert f"from {format_length(1.5 * whole, Units.METRIC, fine=True)} to" in told, told
        assert f"to {format_length(whole, Units.METRIC, fine=True)} {said}" in told, told
        assert [one.mm for one in figures(bench, steps[id])] == pytest.approx([1.5 * whole, whole])
