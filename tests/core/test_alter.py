"""Alterations on the demo patterns: exact where they can be, complete, and never unseen.

Areas are compared with Shapely's, arc lengths with numerical quadrature from SciPy.
"""

from dataclasses import replace
from functools import cache
from itertools import pairwise

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.integrate import quad
from shapely.geometry import Polygon

from rowanseed.core.alter.blend import blend_sizes, blendable
from rowanseed.core.alter.carry_out import carry_out
from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.deform import crossings, deform, stretch
from rowanseed.core.alter.frame import frame_of
from rowanseed.core.alter.kinds import KINDS, offered, title
from rowanseed.core.alter.length import change_at_line, printed_lines
from rowanseed.core.alter.seam import edge_count, takeable
from rowanseed.core.alter.tissue import sheet
from rowanseed.core.base.craft_refusals import AlterationError
from rowanseed.core.base.units import Units
from rowanseed.core.geometry.outline import Segment, chain_length
from rowanseed.core.pattern.finished import changes, girths
from rowanseed.core.pattern.pieces import Panel
from rowanseed.core.pattern.seamline import lines, seam_length
from rowanseed.core.pattern.walk import SeamVerdict, walk
from rowanseed.demo import overshirt, six_gore_skirt, trousers, waistcoat

DRAFTS = {"overshirt": overshirt, "waistcoat": waistcoat, "trousers": trousers, "skirt": six_gore_skirt}
NAMES = sorted(DRAFTS)


@cache
def pattern_of(name):
    return DRAFTS[name].draft()


def middle(pattern):
    return pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]


def area(pattern, piece, size):
    return Polygon(lines(pattern.piece(piece), size).seam_ring()).area


def every(pattern, size, by):
    """An alteration of every kind and place that the pattern offers; of the seams the first."""
    return [
        Alteration(kind=kind.id, by=by, at=place.at, level=place.level, school=place.school)
        for kind in offered(pattern, size)
        for place in kind.places_on(pattern, size)
        if kind.id != "seam" or place.at == takeable(pattern)[0].id
    ]


# ---------------------------------------------------------------- nothing, there and back


@pytest.mark.parametrize("name", NAMES)
def test_an_alteration_of_nothing_changes_nothing(name):
    pattern = pattern_of(name)
    for alteration in every(pattern, middle(pattern), 0.0):
        assert carry_out(pattern, middle(pattern), [alteration]).pattern is pattern


@pytest.mark.parametrize("name", NAMES)
@given(by=st.floats(1, 60), line=st.integers(0, 5))
@settings(max_examples=12, deadline=None)
def test_lengthening_and_shortening_again_returns_every_outline(name, by, line):
    pattern, size = pattern_of(name), middle(pattern_of(name))
    id = printed_lines(pattern)[line % len(printed_lines(pattern))]
    back = change_at_line(change_at_line(pattern, size, id, by), size, id, -by)
    for piece in pattern.pieces:
        was, now = (Polygon(lines(p.piece(piece.id), size).seam_ring()) for p in (pattern, back))
        assert was.symmetric_difference(now).area < 5.0  # mm²: less than a hair's breadth along the edges
        for mark in piece.marks:
            again = back.piece(piece.id).mark(mark.id)
            assert again.distance[size] == pytest.approx(mark.distance[size], abs=0.02)


@given(by=st.floats(-20, 60), at=st.floats(0.2, 0.8))
@settings(max_examples=30, deadline=None)
def test_a_stretch_grows_the_area_as_shapely_measures_it(by, at):
    """A rectangle made longer by d grows by d times its width, wherever the line is; and its edges stay straight."""
    piece = pattern_of("overshirt").piece("band")
    size = "M"
    long = chain_length(piece.shapes[size].edges["front"])
    field, cuts = stretch((long * at, 0.0), (1.0, 0.0), by, half=30.0)
    changed = deform(piece, size, field, cuts)
    was, now = (Polygon(lines(p, size).seam_ring()).area for p in (piece, changed))
    assert now - was == pytest.approx(by * 64.0, abs=0.01)
    assert chain_length(changed.shapes[size].edges["front"]) == pytest.approx(long + by, abs=1e-6)


def test_arc_lengths_after_an_alteration_agree_with_quadrature():
    altered = carry_out(pattern_of("overshirt"), "M", [Alteration("shoulder-width", -12.0), Alteration("bust", 40.0)])
    for piece, edge in (("sleeve", "cap"), ("front", "armhole"), ("stand", "neck")):
        chain = altered.pattern.piece(piece).shapes["M"].edges[edge]

        def speed(t, segment):
            a, b, c, d = (np.array(p) for p in segment.points())
            return float(np.linalg.norm(3 * (1 - t) ** 2 * (b - a) + 6 * (1 - t) * t * (c - b) + 3 * t * t * (d - c)))

        wanted = sum(quad(speed, 0, 1, args=(segment,))[0] for segment in chain)
        assert chain_length(chain) == pytest.approx(wanted, rel=1e-7)


def test_a_curve_is_cut_where_it_crosses_a_line():
    segment = Segment(start=(0, 0), end=(100, 0), control1=(40, 60), control2=(60, -60))
    for t in crossings(segment, (1.0, 0.0), 37.0):
        assert segment.at(t)[0] == pytest.approx(37.0, abs=1e-6)
    assert len(crossings(segment, (0.0, 1.0), 0.0)) == 1


# ---------------------------------------------------------------- everything joined goes along


@pytest.mark.parametrize("name", NAMES)
@pytest.mark.parametrize("by", [12.0, -12.0])
def test_after_any_alteration_seams_meet_or_are_told(name, by):
    """No seam that met is more than a pin's ease off, but for those the kinds themselves speak of."""
    pattern, size = pattern_of(name), middle(pattern_of(name))
    for alteration in every(pattern, size, by):
        if alteration.by < 0 and not KINDS[alteration.kind].opposite:
            continue
        try:
            altered = carry_out(pattern, size, [alteration]).pattern
        except AlterationError as error:
            assert (alteration.kind == "bust" and by < 0) or alteration.kind == "gaping-neck", error
            continue
        apart = {w.join.id for w in walk(altered, size) if w.verdict is SeamVerdict.APART}
        # A round back makes the back shoulder longer on purpose: the tissue sheet says so and the page asks.
        assert apart <= ({"shoulders", "lining-shoulders"} if alteration.kind == "round-back" else set()), alteration


def test_a_longer_body_takes_facing_lining_and_band_along():
    touched = carry_out(pattern_of("waistcoat"), "14", [Alteration("length", 20.0, "body-length")]).touched
    assert {t.piece for t in touched} == {
        "front",
        "side-front",
        "back",
        "facing",
        "front-lining",
        "side-lining",
        "back-lining",
    }
    assert next(t.why for t in touched if t.piece == "facing") == "it is the facing of “Waistcoat front”"
    touched = carry_out(pattern_of("overshirt"), "M", [Alteration("hem", 20.0)]).touched
    assert {t.piece: round(t.by, 2) for t in touched} == {"front": 20.0, "back": 20.0, "band": 20.0}
    assert "sewn to “Front”" in next(t.why for t in touched if t.piece == "band")


def test_a_taken_in_side_narrows_facing_waistband_and_sleeve():
    skirt = carry_out(pattern_of("skirt"), "14", [Alteration("seam", -40.0, "side-seams")])
    assert {"front-facing", "back-facing"} <= {t.piece for t in skirt.touched}
    legs = carry_out(pattern_of("trousers"), "14", [Alteration(kind="seam", by=-40.0, at="outseams", level="waist")])
    band = next(t for t in legs.touched if t.piece == "waistband")
    assert band.by == pytest.approx(-20.0, abs=1.0)
    shirt = carry_out(pattern_of("overshirt"), "M", [Alteration("seam", -40.0, "sides")])
    assert "sleeve" in {t.piece for t in shirt.touched}
    assert shirt.pattern.making.join("armholes").difference.amount == overshirt.CAP_EASE
    assert next(w for w in walk(shirt.pattern, "M") if w.join.id == "armholes").fault == pytest.approx(0, abs=0.05)


@pytest.mark.parametrize(("by", "level"), [(-40.0, ""), (-40.0, "hip"), (30.0, "waist")])
def test_what_is_taken_in_is_taken_in_round_the_garment(by, level):
    pattern = pattern_of("overshirt")
    altered = carry_out(pattern, "M", [Alteration(kind="seam", by=by, at="sides", level=level)]).pattern
    grown = changes(pattern, altered, "M", "A")
    for measure in ("bust", "waist", "hip") if not level else (level,):
        assert grown[measure] == pytest.approx(by, abs=0.5)
    assert edge_count(pattern, pattern.making.join("sides")) == 4


def test_pads_raise_the_shoulder_and_the_cap_by_as_much_as_the_armhole_grows():
    pattern = pattern_of("overshirt")
    altered = carry_out(pattern, "M", [Alteration("shoulder-pads", 10.0)]).pattern
    edges = (("front", "armhole"), ("yoke", "armhole"), ("back", "armhole"))
    grown = sum(seam_length(altered.piece(p), "M", e) - seam_length(pattern.piece(p), "M", e) for p, e in edges)
    cap = seam_length(altered.piece("sleeve"), "M", "cap") - seam_length(pattern.piece("sleeve"), "M", "cap")
    assert grown > 10
    assert cap == pytest.approx(grown, abs=0.1)


# ---------------------------------------------------------------- the bust


@given(by=st.floats(10, 120))
@settings(max_examples=15, deadline=None)
def test_a_full_bust_adjustment_gives_what_it_says_and_leaves_shoulder_and_armhole(by):
    pattern = pattern_of("overshirt")
    altered = carry_out(pattern, "M", [Alteration("bust", by)]).pattern
    was, now = pattern.piece("front"), altered.piece("front")
    assert changes(pattern, altered, "M", "A")["bust"] == pytest.approx(by, rel=0.02)
    for edge in ("shoulder", "armhole", "neck", "side"):
        # The armhole is drawn smooth at the hinge, which takes a little of it.
        within = 1.0 if edge == "armhole" else 0.05
        assert seam_length(now, "M", edge) == pytest.approx(seam_length(was, "M", edge), abs=within), edge
    assert now.shapes["M"].edges["shoulder"] == was.shapes["M"].edges["shoulder"]
    (dart,) = now.darts
    legs = [now.mark(leg).distance["M"] for leg in dart.legs]
    assert legs[1] > legs[0]
    assert Polygon(lines(now, "M").cutting_ring()).is_valid
    assert all(w.walks for w in walk(altered, "M"))


def test_a_princess_seam_is_rounded_out_and_still_walks():
    pattern = pattern_of("waistcoat")
    altered = carry_out(pattern, "14", [Alteration("bust", 50.0)]).pattern
    assert changes(pattern, altered, "14", "A")["bust"] == pytest.approx(50.0, abs=0.5)
    assert all(w.verdict is not SeamVerdict.APART for w in walk(altered, "14"))
    assert altered.piece("back").shapes == pattern.piece("back").shapes


def test_a_bust_cannot_be_made_smaller_where_there_is_no_dart():
    with pytest.raises(AlterationError, match="no bust dart"):
        carry_out(pattern_of("overshirt"), "M", [Alteration("bust", -30.0)])
    # But a dart made before can be made smaller again.
    both = carry_out(pattern_of("overshirt"), "M", [Alteration("bust", 60.0)]).pattern
    smaller = carry_out(both, "M", [Alteration("bust", -20.0)]).pattern
    intake = [
        abs(p.piece("front").mark("bust-dart-2").distance["M"] - p.piece("front").mark("bust-dart-1").distance["M"])
        for p in (both, smaller)
    ]
    assert intake[1] < intake[0]


# ---------------------------------------------------------------- blending


@pytest.mark.parametrize("name", NAMES)
def test_a_blend_is_one_size_above_and_the_other_below(name):
    pattern = pattern_of(name)
    size, larger = pattern.envelope.sizes[3], pattern.envelope.sizes[5]
    levels = blendable(pattern, size)
    blend = ((levels[0], size), (levels[-1], larger))
    blended = carry_out(pattern, size, [], blend).pattern
    drawn = [girths(pattern, s, "A") for s in (size, larger)]
    now = girths(blended, size, "A")
    assert now[levels[0]] == pytest.approx(drawn[0][levels[0]], rel=0.01)
    assert now[levels[-1]] == pytest.approx(drawn[1][levels[-1]], rel=0.01)
    assert all(w.verdict is not SeamVerdict.APART for w in walk(blended, size))


@pytest.mark.parametrize("name", NAMES)
def test_seam_lengths_after_blending_are_the_sum_of_their_parts(name):
    """Every edge runs on without a gap, and is as long as its segments by quadrature."""
    pattern = pattern_of(name)
    size, larger = pattern.envelope.sizes[2], pattern.envelope.sizes[4]
    levels = blendable(pattern, size)
    blended = blend_sizes(pattern, size, ((levels[0], size), (levels[-1], larger)))
    for piece in blended.pieces:
        chains = list(piece.shapes[size].edges.values())
        for chain, following in zip(chains, [*chains[1:], chains[0]], strict=True):
            assert chain[-1].end == pytest.approx(following[0].start, abs=1e-6)
            assert all(a.end == b.start for a, b in pairwise(chain))
            assert chain_length(chain) == pytest.approx(sum(s.length() for s in chain), abs=1e-9)


def test_a_blend_of_one_size_with_itself_is_that_size():
    pattern = pattern_of("overshirt")
    assert blend_sizes(pattern, "M", (("bust", "M"), ("hip", "M"))) is pattern


@pytest.mark.parametrize(("blend", "said"), [((("knee", "M"),), "where the knee is"), ((("hip", "77"),), "no size 77")])
def test_a_blend_at_an_unknown_place_is_refused(blend, said):
    with pytest.raises(AlterationError, match=said):
        carry_out(pattern_of("overshirt"), "M", [], blend)


# ---------------------------------------------------------------- bad input


@pytest.mark.parametrize(
    ("alterations", "said"),
    [
        ([Alteration("length", 20.0, "elbow")], "no line “elbow”"),
        (
            [Alteration("length", -199.0, "sleeve-length"), Alteration("length", -199.0, "sleeve-length")],
            "cannot be shortened",
        ),
        ([Alteration("seam", 20.0, "nowhere")], "no seam that can be taken in"),
        ([Alteration(kind="seam", by=20.0, at="sides", level="knee")], "do not cross the knee"),
        (
            [
                Alteration("shoulder-width", -59.0),
                Alteration("shoulder-width", -59.0),
                Alteration("shoulder-width", -59.0),
            ],
            "crosses itself|cannot be taken off",
        ),
        ([Alteration("shoulder-pads", -5.0)], "more than nothing"),
        ([Alteration("sleeve-width", 500.0)], "more than this alteration bears"),
        ([Alteration("crotch-length", 20.0)], "has a crotch"),
        ([Alteration("length", 20.0, "body-length"), Alteration("length", -5.0, "body-length")], "takes back"),
        ([Alteration("bust", 300.0)], "more than this alteration bears"),
    ],
)
def test_what_cannot_be_altered_is_refused_in_words(alterations, said):
    with pytest.raises(AlterationError, match=said):
        carry_out(pattern_of("overshirt"), "M", alterations)


@pytest.mark.slow
@given(data=st.data())
@settings(max_examples=60, deadline=None)
def test_no_alteration_gives_an_outline_that_crosses_itself_unseen(data):
    """Whatever is asked of whichever pattern and size: a valid outline with valid allowances, or a refusal in words."""
    name = data.draw(st.sampled_from(NAMES))
    pattern = pattern_of(name)
    size = data.draw(st.sampled_from(pattern.envelope.sizes))
    choices = every(pattern, size, 1.0)
    asked = [
        replace(data.draw(st.sampled_from(choices)), by=data.draw(st.floats(-150, 150)))
        for _ in range(data.draw(st.integers(1, 3)))
    ]
    try:
        altered = carry_out(pattern, size, asked).pattern
    except AlterationError as error:
        assert error.problem and error.remedy
        return
    for piece in altered.pieces:
        if piece.shapes[size] != pattern.piece(piece.id).shapes[size]:
            both = lines(piece, size)
            assert Polygon(both.seam_ring()).is_valid
            assert Polygon(both.cutting_ring()).is_valid


# ---------------------------------------------------------------- on the tissue


@pytest.mark.parametrize("name", NAMES)
@pytest.mark.parametrize("units", list(Units))
def test_every_alteration_can_be_done_on_the_tissue(name, units):
    """Each sheet names its pieces, has steps with figures in the household's unit, and tells what goes along."""
    pattern, size = pattern_of(name), middle(pattern_of(name))
    for alteration in every(pattern, size, 10.0):
        (step,) = carry_out(pattern, size, [alteration]).steps
        told = sheet(step, units, middle(pattern))
        assert told.pieces and len(told.steps) >= 2
        assert any(units.small in text for text in (*told.steps, told.title)), told
        others = "cm" if units is Units.IMPERIAL else " in "
        assert not any(f"1 {others}" in text for text in told.steps)
        assert title(alteration, pattern) in told.title


def test_a_frame_holds_what_is_drawn_together():
    front = frame_of(pattern_of("waistcoat"), "14", "facing")
    assert front.panel is Panel.FRONT
    assert [p.id for p in front.pieces][:2] == ["front", "side-front"]
    assert dict(front.levels()).keys() == {"bust", "waist"}


@pytest.mark.slow
@pytest.mark.parametrize("name", ["waistcoat", "overshirt"])
def test_a_bust_adjustment_and_a_change_of_length_go_together_in_every_size(name):
    """No splinter of a curve, left where a cut falls near a joint, makes the cutting line cross itself."""
    pattern = pattern_of(name)
    for size in pattern.envelope.sizes:
        for bust in (20.0, 50.0):
            for by in (-15.0, 15.0):
                assert carry_out(
                    pattern, size, [Alteration("bust", bust), Alteration("length", by, "body-length")]
                ).touched
