"""Each alteration does what it says: the measure asked for changes by what was asked, the others by no more than
their due. Measured on the pieces with Shapely where a width or a distance is asked for.
"""

import math
from functools import cache
from itertools import pairwise

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from shapely.geometry import LineString, Point, Polygon

from rowanseed.core.alter.carry_out import carry_out
from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.frame import frame_of
from rowanseed.core.alter.kinds import KINDS
from rowanseed.core.alter.seam import KEEP_SLEEVE, edge_count, sleeve_above, takeable
from rowanseed.core.alter.seam_run import levels_crossed
from rowanseed.core.alter.thigh import thigh_level
from rowanseed.core.base.craft_refusals import AlterationError
from rowanseed.core.pattern.finished import changes
from rowanseed.core.pattern.pieces import LineKind, PointKind
from rowanseed.core.pattern.seamline import lines, mark_distance, mark_point, seam_length
from rowanseed.core.pattern.walk import SeamVerdict, walk
from rowanseed.demo import overshirt, six_gore_skirt, trousers, waistcoat

DRAFTS = {"overshirt": (overshirt, "M"), "waistcoat": (waistcoat, "14"), "trousers": (trousers, "14")}
DRAFTS["skirt"] = (six_gore_skirt, "14")


@cache
def drawn(name):
    return DRAFTS[name][0].draft()


def after(name, kind, by, at="", level="", school=""):
    alteration = Alteration(kind=kind, by=by, at=at, level=level, school=school)
    return carry_out(drawn(name), DRAFTS[name][1], [alteration]).pattern


def length(pattern, name, piece, edge):
    return seam_length(pattern.piece(piece), DRAFTS[name][1], edge)


def across(pattern, name, piece, x):
    """The width of a piece at a level, by Shapely."""
    ring = Polygon(lines(pattern.piece(piece), DRAFTS[name][1]).seam_ring())
    return ring.intersection(LineString([(x, -2000), (x, 2000)])).length


# ---------------------------------------------------------------- seams


@pytest.mark.parametrize("name", sorted(DRAFTS))
@given(by=st.sampled_from((-20.0, -10.0, 10.0, 20.0)), data=st.data())
@settings(max_examples=12, deadline=None)
def test_what_is_asked_at_a_seam_is_what_the_garment_changes_by(name, by, data):
    """At every level a seam crosses, whatever the number of panels; a level it does not reach is not offered."""
    size = DRAFTS[name][1]
    join = data.draw(st.sampled_from(takeable(drawn(name))))
    levels = [level for level in levels_crossed(drawn(name), size, join) if level != "knee"]
    level = data.draw(st.sampled_from(("", *levels)))
    now = after(name, "seam", by, at=join.id, level=level)
    grown = changes(drawn(name), now, size, "A")
    for measure in levels if not level else (level,):
        assert grown[measure] == pytest.approx(by, abs=0.35), (join.id, measure, grown)


@pytest.mark.parametrize(("name", "join"), [("skirt", "centre-back"), ("waistcoat", "centre-back")])
def test_a_centre_seam_is_one_seam(name, join):
    """Two edges meet in it, cut from one drawing: 10 mm taken in is 5 at the drawn edge, and 10 round the garment."""
    now = after(name, "seam", -10.0, at=join)
    assert edge_count(drawn(name), drawn(name).making.join(join)) == 2
    assert changes(drawn(name), now, DRAFTS[name][1], "A")["waist"] == pytest.approx(-10.0, abs=0.1)


def test_a_princess_seam_moves_its_own_two_edges_and_no_other():
    """Buttoned edge, neck and side seam stay where they are."""
    now = after("waistcoat", "seam", -20.0, at="princess", level="waist")
    size = "14"
    was = drawn("waistcoat")
    for piece, edge in (("front", "opening"), ("front", "neck"), ("front", "shoulder"), ("side-front", "side")):
        for a, b in zip(
            was.piece(piece).shapes[size].edges[edge], now.piece(piece).shapes[size].edges[edge], strict=False
        ):
            assert math.dist(a.start, b.start) < 0.3, (piece, edge)
    waist = was.piece("front").line(LineKind.LEVEL, "waist").ends[size][0][0]
    for piece in ("front", "side-front"):
        assert across(now, "waistcoat", piece, waist) - across(was, "waistcoat", piece, waist) == pytest.approx(
            -5.0, abs=0.2
        )
    for piece, lining in (("side-front", "side-lining"),):
        assert across(now, "waistcoat", lining, waist) == pytest.approx(
            across(now, "waistcoat", piece, waist), abs=0.01
        )
    assert all(w.walks for w in walk(now, size)), [w.join.name for w in walk(now, size) if not w.walks]


def test_seams_are_offered_only_where_they_run():
    """The inner leg does not reach the waist; a yoke is sewn across the back and is not taken in."""
    for name, (_, size) in DRAFTS.items():
        for place in KINDS["seam"].places_on(drawn(name), size):
            join = drawn(name).making.join(place.at)
            for part in (*join.a, *join.b):
                chain = drawn(name).piece(part.piece).shapes[size].edges[part.edge]
                xs = [p[0] for p in (chain[0].start, chain[-1].end)]
                assert abs(xs[1] - xs[0]) > 100
                if place.level:
                    x = frame_of(drawn(name), size, part.piece).level(place.level)
                    assert min(xs) - 15.001 <= x <= max(xs) + 15.001, place
    assert "yoke" not in {p.at for p in KINDS["seam"].places_on(drawn("overshirt"), "M")}
    assert {p.level for p in KINDS["seam"].places_on(drawn("trousers"), "14") if p.at == "inseams"} == {"", "knee"}


def test_sides_taken_in_narrow_the_sleeve_and_keep_its_cap_or_the_other_way_by_choice():
    was = drawn("overshirt")
    join = was.making.join("sides")
    assert sleeve_above(was, "M", join) == "sleeve"

    def cap(pattern):
        (a, b), piece = pattern.piece("sleeve").line(LineKind.LEVEL, "bicep").ends["M"], pattern.piece("sleeve")
        top = min(p[0] for p in lines(piece, "M").seam["cap"])
        return a[0] - top, abs(b[1] - a[1])

    high, wide = cap(was)
    kept = cap(after("overshirt", "seam", -40.0, at="sides"))
    fitted = cap(after("overshirt", "seam", -40.0, at="sides", school=KEEP_SLEEVE))
    assert kept[0] == pytest.approx(high, abs=3.0) and kept[1] == pytest.approx(wide - 20.0, abs=0.5)
    assert fitted[1] == pytest.approx(wide, abs=0.1) and fitted[0] < high - 8
    for school in ("", KEEP_SLEEVE):
        now = after("overshirt", "seam", -40.0, at="sides", school=school)
        assert all(w.walks for w in walk(now, "M"))
        assert length(now, "overshirt", "sleeve", "wrist") == pytest.approx(length(was, "overshirt", "sleeve", "wrist"))


# ---------------------------------------------------------------- the bust


@given(by=st.floats(15, 110))
@settings(max_examples=12, deadline=None)
def test_a_bust_dart_points_at_the_moved_bust_point_and_ends_an_inch_short_of_it(by):
    front = after("overshirt", "bust", by).piece("front")
    (dart,) = front.darts
    apex = next(p.at["M"] for p in front.points if p.kind is PointKind.BUST)
    legs = [mark_point(front, "M", front.mark(leg)) for leg in dart.legs]
    middle = ((legs[0][0] + legs[1][0]) / 2, (legs[0][1] + legs[1][1]) / 2)
    assert math.dist(dart.point["M"], apex) == pytest.approx(25.0, abs=0.1)
    assert LineString([middle, apex]).distance(Point(dart.point["M"])) < 0.1


def test_buttonholes_stay_evenly_spaced_after_an_alteration():
    """Seven of them from the stand to above the hem, even after the front has grown over the bust."""
    for kind, by, at in (("bust", 60.0, ""), ("length", 25.0, "body-length")):
        band = after("overshirt", kind, by, at).piece("band")
        xs = sorted(p.at["M"][0] for p in band.points if p.kind is PointKind.BUTTONHOLE)
        gaps = [b - a for a, b in pairwise(xs)]
        assert max(gaps) - min(gaps) < 0.1, gaps


# ---------------------------------------------------------------- wedges across


@pytest.mark.parametrize(
    ("kind", "name", "piece", "edge", "sense"),
    [
        ("sway-back", "skirt", "back", "centre", -1),
        ("sway-back", "waistcoat", "back", "centre", -1),
        ("sway-back", "trousers", "back", "crotch", -1),
        ("full-abdomen", "skirt", "front", "centre", 1),
        ("full-abdomen", "trousers", "front", "crotch", 1),
        ("full-seat", "skirt", "back", "centre", 1),
        ("full-seat", "trousers", "back", "crotch", 1),
    ],
)
@pytest.mark.parametrize("by", [14.0, -14.0])
def test_a_wedge_changes_the_centre_by_what_was_asked_and_the_side_seam_not_at_all(kind, name, piece, edge, sense, by):
    was, now = drawn(name), after(name, kind, by)
    assert length(now, name, piece, edge) - length(was, name, piece, edge) == pytest.approx(sense * by, rel=0.06)
    sides = {
        "skirt": (("side-back", "front"), ("side-front", "back")),
        "trousers": (("back", "outseam"), ("front", "outseam")),
    }
    for side in sides.get(name, (("back", "side"),)):
        assert length(now, name, *side) == pytest.approx(length(was, name, *side), abs=0.3), side
    inner = [edge for edge in ("waist", "inseam") if was.piece(piece).has_edge(edge)]
    for kept in inner:
        assert length(now, name, piece, kept) == pytest.approx(length(was, name, piece, kept), abs=0.1), kept
    assert all(w.walks for w in walk(now, DRAFTS[name][1]))


def test_a_sway_back_runs_out_at_the_side_seam_over_every_panel():
    """Where centre back and side back meet, the wedge is as wide as their share of the back's width says."""
    now, was = after("skirt", "sway-back", 12.0), drawn("skirt")
    ends = {piece: now.piece(piece).shapes["14"].edges for piece in ("back", "side-back")}
    before = {piece: was.piece(piece).shapes["14"].edges for piece in ("back", "side-back")}

    def dropped(piece, edge, end):
        chain, old = ends[piece][edge], before[piece][edge]
        return (chain[0].start if end == "start" else chain[-1].end)[0] - (
            old[0].start if end == "start" else old[-1].end
        )[0]

    at_centre, at_seam = dropped("back", "centre", "end"), dropped("back", "side", "start")
    assert at_centre == pytest.approx(12.0, abs=0.01)
    assert 3.0 < at_seam < 11.0 and dropped("side-back", "back", "end") == pytest.approx(at_seam, abs=0.6)
    assert dropped("side-back", "front", "start") == pytest.approx(0.0, abs=0.05)


@pytest.mark.parametrize(
    ("kind", "panel", "edge", "sense"), [("round-back", "back", "centre", 1), ("hollow-chest", "front", "neck", -1)]
)
def test_length_over_the_shoulder_blades_or_the_chest_is_given_at_the_centre(kind, panel, edge, sense):
    was, now = drawn("waistcoat"), after("waistcoat", kind, 12.0)
    by = length(now, "waistcoat", panel, edge) - length(was, "waistcoat", panel, edge)
    assert by * sense > 0 and (kind == "hollow-chest" or by == pytest.approx(12.0, abs=0.3))
    assert length(now, "waistcoat", "side-front", "side") == pytest.approx(
        length(was, "waistcoat", "side-front", "side")
    )


# ---------------------------------------------------------------- trousers


@pytest.mark.parametrize("at", ["", "front", "back"])
@given(by=st.floats(-12, 40))
@settings(max_examples=8, deadline=None)
def test_the_crotch_seam_changes_by_what_was_asked_front_and_back_apart(at, by):
    was, now = drawn("trousers"), after("trousers", "crotch-length", by, at=at)
    grown = {p: length(now, "trousers", p, "crotch") - length(was, "trousers", p, "crotch") for p in ("front", "back")}
    wanted = {"front": by / 2, "back": by / 2} if not at else {"front": 0.0, "back": 0.0, at: by}
    for piece, due in wanted.items():
        assert grown[piece] == pytest.approx(due, abs=0.1)
        assert length(now, "trousers", piece, "inseam") == pytest.approx(
            length(was, "trousers", piece, "inseam"), abs=0.3
        )
    assert all(abs(by_) < 0.1 for m, by_ in changes(was, now, "14", "A").items() if m in ("hip", "waist", "knee"))


@pytest.mark.parametrize("at", ["outseam", "inseam"])
@pytest.mark.parametrize("by", [20.0, -20.0])
def test_a_thigh_is_wider_by_what_was_asked_and_hip_and_knee_as_they_were(at, by):
    was, now = drawn("trousers"), after("trousers", "thigh", by, at=at)
    x = thigh_level(was, "14")
    grown = sum(across(now, "trousers", p, x) - across(was, "trousers", p, x) for p in ("front", "back"))
    assert grown == pytest.approx(by, abs=0.5)
    assert all(abs(c) < 0.5 for m, c in changes(was, now, "14", "A").items() if m in ("hip", "waist", "knee"))
    assert all(w.verdict is not SeamVerdict.APART for w in walk(now, "14"))


# ---------------------------------------------------------------- shoulder, neck, armhole


@pytest.mark.parametrize("name", ["overshirt", "waistcoat"])
@pytest.mark.parametrize("by", [10.0, -10.0])
def test_a_forward_shoulder_moves_the_tip_and_keeps_both_shoulder_edges(name, by):
    size, was, now = DRAFTS[name][1], drawn(name), after(name, "forward-shoulder", by)
    back = "yoke" if name == "overshirt" else "back"
    for piece, way in (("front", 1), (back, -1)):
        chain, old = now.piece(piece).shapes[size].edges["shoulder"], was.piece(piece).shapes[size].edges["shoulder"]
        assert math.dist(chain[0].start, old[0].start) == pytest.approx(abs(by), abs=0.05)
        assert (chain[0].start[0] - old[0].start[0]) * way * by > 0
        assert math.dist(chain[-1].end, old[-1].end) < 1e-6
        assert length(now, name, piece, "shoulder") == pytest.approx(length(was, name, piece, "shoulder"), abs=0.8)
    assert all(w.walks for w in walk(now, size))


@pytest.mark.parametrize("name", ["overshirt", "waistcoat"])
@pytest.mark.parametrize("by", [16.0, -16.0])
def test_a_back_is_broader_across_the_blades_and_nowhere_else(name, by):
    size, was, now = DRAFTS[name][1], drawn(name), after(name, "back-width", by)
    chain = [
        p
        for piece in was.pieces
        if piece.frame == "back" and piece.has_edge("armhole")
        for p in lines(piece, size).seam["armhole"]
    ]
    top, bottom = min(p[0] for p in chain), max(p[0] for p in chain)
    blades = (top + bottom) / 2
    grown = sum(
        across(now, name, p, blades) - across(was, name, p, blades)
        for p in ("back", "yoke")
        if p in {q.id for q in was.pieces}
    )
    assert grown == pytest.approx(by / 2, abs=0.2)
    assert all(abs(c) < 0.3 for c in changes(was, now, size, "A").values())
    shoulder = "yoke" if name == "overshirt" else "back"
    assert length(now, name, shoulder, "shoulder") == pytest.approx(length(was, name, shoulder, "shoulder"), abs=0.05)


@pytest.mark.parametrize("name", ["overshirt", "waistcoat"])
@pytest.mark.parametrize("at", ["front", "back"])
@pytest.mark.parametrize("by", [10.0, -10.0])
def test_a_gaping_neck_loses_what_was_asked_and_shoulder_and_armhole_nothing(name, at, by):
    was, now = drawn(name), after(name, "gaping-neck", by, at=at)
    piece = "yoke" if (name, at) == ("overshirt", "back") else at
    assert length(now, name, piece, "neck") - length(was, name, piece, "neck") == pytest.approx(-by / 2, abs=0.05)
    for edge in ("shoulder", "armhole"):
        assert length(now, name, piece, edge) == pytest.approx(length(was, name, piece, edge), abs=0.25), edge
    assert all(abs(c) < 0.3 for m, c in changes(was, now, DRAFTS[name][1], "A").items() if m != "length")
    assert not [w.join.name for w in walk(now, DRAFTS[name][1]) if abs(w.fault) > 4.0]


@pytest.mark.parametrize("name", ["overshirt", "waistcoat"])
@pytest.mark.parametrize("by", [15.0, -15.0])
def test_an_armhole_is_lowered_by_what_was_asked_with_the_sleeve_and_its_length_kept(name, by):
    size, was, now = DRAFTS[name][1], drawn(name), after(name, "armhole-depth", by)
    side = "side-front" if name == "waistcoat" else "front"
    for piece in (side, "back"):
        assert length(now, name, piece, "side") - length(was, name, piece, "side") == pytest.approx(-by, abs=0.6)
    if name == "overshirt":
        ends = [p.piece("sleeve").line(LineKind.LEVEL, "bicep").ends[size] for p in (was, now)]
        assert ends[1][0][0] - ends[0][0][0] == pytest.approx(by, abs=0.01)
        assert ends[1][1][1] - ends[1][0][1] == pytest.approx(ends[0][1][1] - ends[0][0][1], abs=0.01)
    assert all(w.walks for w in walk(now, size))


# ---------------------------------------------------------------- darts


@pytest.mark.parametrize("by", [15.0, -15.0])
@pytest.mark.parametrize("at", ["front/waist", "back/waist"])
def test_a_dart_is_longer_or_elsewhere_and_takes_in_what_it_did(by, at):
    was = drawn("trousers")
    piece = at.split("/")[0]

    def seen(pattern):
        (dart,) = pattern.piece(piece).darts
        legs = [mark_distance(pattern.piece(piece), "14", pattern.piece(piece).mark(leg)) for leg in dart.legs]
        ends = [mark_point(pattern.piece(piece), "14", pattern.piece(piece).mark(leg)) for leg in dart.legs]
        mouth = tuple((a + b) / 2 for a, b in zip(*ends, strict=True))
        return abs(legs[1] - legs[0]), mouth, dart.point["14"]

    before = seen(was)
    long = seen(after("trousers", "dart-length", by, at=at))
    assert math.dist(long[1], long[2]) - math.dist(before[1], before[2]) == pytest.approx(by, abs=0.01)
    moved = seen(after("trousers", "dart-place", by, at=at))
    assert (moved[1][1] - before[1][1]) == pytest.approx(by, abs=0.6)
    assert (moved[2][1] - before[2][1]) == pytest.approx(moved[1][1] - before[1][1], abs=0.01)
    turned = seen(after("trousers", "dart-place", by, at=at, level="point"))
    assert turned[1] == before[1] and turned[2][1] - before[2][1] == pytest.approx(by)
    for now in (long, moved, turned):
        assert now[0] == pytest.approx(before[0], abs=1e-6)


def test_a_dart_that_would_run_off_its_edge_is_refused():
    twice = [Alteration("dart-place", 79.0, "front/waist")] * 2
    with pytest.raises(AlterationError, match="run off its edge"):
        carry_out(drawn("trousers"), "14", twice)


def test_every_kind_has_a_property_here_or_in_the_other_alteration_tests():
    """A new kind has to be measured too; straight pieces are, where garments are made to measure."""
    measured = {
        *("seam", "bust", "sway-back", "full-abdomen", "full-seat", "round-back", "hollow-chest", "crotch-length"),
        *("thigh", "forward-shoulder", "back-width", "gaping-neck", "armhole-depth", "dart-length", "dart-place"),
        *("length", "hem", "shoulder-pads", "shoulder-width", "shoulder-slope", "sleeve-width"),
        "straight-width",
    }
    assert set(KINDS) == measured


@pytest.mark.parametrize("by", [12.0, -12.0])
@pytest.mark.parametrize("name", ["overshirt", "waistcoat"])
def test_shoulders_are_broader_or_slope_by_what_was_asked(name, by):
    size, was = DRAFTS[name][1], drawn(name)
    wide = after(name, "shoulder-width", by)
    back = "yoke" if name == "overshirt" else "back"
    for piece in ("front", back):
        assert length(wide, name, piece, "shoulder") - length(was, name, piece, "shoulder") == pytest.approx(
            by, abs=0.1
        )
    sloped = after(name, "shoulder-slope", by)
    for piece in ("front", back):
        tips = [p.piece(piece).shapes[size].edges["shoulder"][0].start for p in (was, sloped)]
        assert tips[1][0] - tips[0][0] == pytest.approx(by, abs=0.01)
        assert length(sloped, name, piece, "shoulder") == pytest.approx(length(was, name, piece, "shoulder"), abs=0.05)
    for now in (wide, sloped):
        assert all(abs(c) < 1.0 for m, c in changes(was, now, size, "A").items() if m in ("bust", "waist", "hip")), (
            changes(was, now, size, "A")
        )


def test_a_crotch_is_shortened_by_what_was_asked_with_inner_legs_that_meet_or_not_at_all():
    """Nearer to the centre than its curve is wide no place for the crotch point gives what is asked."""
    was, asked, refused = drawn("trousers"), 5.0, 0
    while asked < 80.0:
        try:
            now = after("trousers", "crotch-length", -asked, "front")
        except AlterationError:
            refused += 1
        else:
            assert length(now, "trousers", "front", "crotch") == pytest.approx(
                length(was, "trousers", "front", "crotch") - asked, abs=0.1
            )
            assert length(now, "trousers", "front", "inseam") == pytest.approx(
                length(was, "trousers", "front", "inseam"), abs=0.1
            )
        asked += 5.0
    assert 0 < refused < 15


@pytest.mark.parametrize("by", [20.0, -20.0])
def test_a_sleeve_is_wider_at_the_upper_arm_and_its_cap_as_long_as_it_was(by):
    was, now = drawn("overshirt"), after("overshirt", "sleeve-width", by)
    ends = [p.piece("sleeve").line(LineKind.LEVEL, "bicep").ends["M"] for p in (was, now)]
    assert (ends[1][1][1] - ends[1][0][1]) - (ends[0][1][1] - ends[0][0][1]) == pytest.approx(by, abs=0.1)
    assert length(now, "overshirt", "sleeve", "cap") == pytest.approx(
        length(was, "overshirt", "sleeve", "cap"), abs=0.1
    )
    assert length(now, "overshirt", "sleeve", "wrist") == pytest.approx(
        length(was, "overshirt", "sleeve", "wrist"), abs=0.1
    )


@pytest.mark.parametrize("name", sorted(DRAFTS))
def test_a_hem_or_a_printed_line_lengthens_by_what_was_asked(name):
    was = drawn(name)
    edges = {
        "skirt": ("side-front", "back"),
        "trousers": ("front", "outseam"),
        "overshirt": ("front", "side"),
        "waistcoat": ("side-front", "side"),
    }
    at = {"skirt": "skirt-length", "trousers": "leg-length"}.get(name, "body-length")
    longer = after(name, "length", 22.0, at=at)
    assert length(longer, name, *edges[name]) - length(was, name, *edges[name]) == pytest.approx(22.0, abs=0.4)
    if name != "waistcoat":
        hemmed = after(name, "hem", 22.0)
        assert length(hemmed, name, *edges[name]) - length(was, name, *edges[name]) == pytest.approx(22.0, abs=0.01)
