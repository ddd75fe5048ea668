"""Garments cut to the measure: the sums of the trade, and pieces that are cut to them.

The waist of 25 in with its band of 27 and the length of 26 in cut 28 1/2 are a worked example of the trade; circles are
geometric facts; robe and pleats common practice, no source.
"""

import math
from dataclasses import replace

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from rowanseed.core.base.units import INCH
from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.own_description import OWN, describe
from rowanseed.core.compose.own_measure import CLOSINGS, Own, OwnKind
from rowanseed.core.compose.own_sums import sums
from rowanseed.core.geometry.outline import flatten
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.pattern.check import faults
from rowanseed.core.pattern.seamline import lines
from rowanseed.core.pattern.walk import walk

INCHES = {"waist": 25 * INCH, "hip": 36 * INCH, "bust": 34 * INCH, "long": 26 * INCH}


def made(own):
    return compose(describe(own)).pattern


def by_name(own):
    return {one.name: one.quantity.value for one in sums(own)}


def cut_box(pattern, id):
    x0, y0, x1, y1 = bounds(lines(pattern.piece(id), OWN).cutting_ring())
    return x1 - x0, y1 - y0


def test_a_waist_of_25_in_gives_a_band_of_27_and_a_length_of_26_is_cut_28_and_a_half():
    own = Own(OwnKind.APRON, "Apron", **INCHES)
    figures = by_name(own)
    assert figures["Cut the band, long"] == pytest.approx(27 * INCH, abs=0.5)
    assert figures["Cut the skirt, long"] == pytest.approx(28.5 * INCH, abs=0.5)
    pattern = made(own)
    assert cut_box(pattern, "waistband")[0] == pytest.approx(27 * INCH, abs=0.5)
    assert cut_box(pattern, "front")[0] == pytest.approx(28.5 * INCH, abs=0.5)


@pytest.mark.parametrize("kind", list(OwnKind))
def test_everything_that_is_cut_to_the_measure_is_a_whole_pattern(kind):
    for closing in CLOSINGS[kind] or (None,):
        pattern = made(Own(kind, "It", closing=closing, **INCHES))
        assert list(faults(pattern)) == []
        assert all(w.walks for w in walk(pattern, OWN))
        assert pattern.envelope.sizes == (OWN,)


@given(waist=st.floats(500, 1400), long=st.floats(300, 1000))
@settings(max_examples=30, deadline=None)
def test_a_circle_is_cut_with_the_waist_over_two_pi(waist, long):
    for kind, turn in ((OwnKind.CIRCLE, 1.0), (OwnKind.HALF_CIRCLE, 0.5)):
        pattern = made(Own(kind, "It", waist=waist, hip=waist + 200, bust=waist + 150, long=long, ease=0.0))
        edge = flatten(pattern.piece("front").shapes[OWN].edges["waist"], 0.01)
        radii = [math.hypot(*q) for q in edge]
        assert max(radii) - min(radii) < 0.1
        assert radii[0] == pytest.approx(waist / (2 * math.pi * turn), rel=0.002)
        # What is cut, measured on the cutting line: the allowance inside the waist, the narrow hem outside the rim.
        figures = by_name(Own(kind, "It", waist=waist, hip=waist + 200, bust=waist + 150, long=long, ease=0.0))
        cut = [math.hypot(*q) for q in lines(pattern.piece("front"), OWN).cutting["hem"]]
        assert sum(cut) / len(cut) == pytest.approx(figures["Cut the hem at a radius of"], abs=1.0)
        mouth = [math.hypot(*q) for q in lines(pattern.piece("front"), OWN).cutting["waist"]]
        assert sum(mouth) / len(mouth) == pytest.approx(figures["Cut the waist at a radius of"], abs=1.0)


@given(waist=st.floats(560, 1100), fullness=st.floats(1.5, 3.0), long=st.floats(300, 900))
@settings(max_examples=30, deadline=None)
def test_a_gathered_skirt_is_as_wide_as_its_fullness_says_and_cut_as_the_sum_says(waist, fullness, long):
    own = Own(OwnKind.GATHERED, "It", waist=waist, hip=waist + 150, bust=waist + 100, long=long, fullness=fullness)
    pattern = made(own)
    wide = sum(
        (2 if cut.fold else cut.count) * cut_box_seam(pattern, piece.id)
        for piece in pattern.pieces
        if piece.panel.value in ("front", "back")
        for cut in piece.cuts[:1]
    )
    assert wide == pytest.approx(waist * fullness, rel=0.01)
    down, _ = cut_box(pattern, "front")
    assert down == pytest.approx(by_name(own)["Cut the skirt, long"], abs=1.0)


@pytest.mark.parametrize("kind", [OwnKind.GATHERED, OwnKind.PLEATED, OwnKind.BOX])
def test_a_skirt_that_does_not_go_round_the_hip_is_refused_where_the_hip_is_known(kind):
    own = Own(kind, "It", waist=760.0, hip=1000.0, long=600.0, fullness=1.25)
    with pytest.raises(DescriptionRefused) as refused:
        made(own)
    assert [one.field for one in refused.value.refusals] == ["features.skirt.fullness"]
    assert made(replace(own, fullness=1.4)) and made(replace(own, hip=0.0)) and made(replace(own, long=150.0))


def cut_box_seam(pattern, id):
    _, y0, _, y1 = bounds(lines(pattern.piece(id), OWN).seam_ring())
    return y1 - y0


def test_a_longer_figure_changes_the_sum_and_the_piece_alike():
    short, long = (Own(OwnKind.APRON, "It", **{**INCHES, "long": mm}) for mm in (500.0, 600.0))
    a, b = (cut_box(made(own), "front")[0] for own in (short, long))
    assert b - a == pytest.approx(100.0, abs=0.1)
