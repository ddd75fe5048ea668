"""Plackets above a cuff: drawn, folded, sewn; where the figures are common practice, no source is given."""

import json
import math
from dataclasses import replace

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from shapely.geometry import Polygon

from rowanseed.core.base.units import Units
from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.description import Sleeve
from rowanseed.core.compose.listed import ticked_off
from rowanseed.core.compose.piece_list import read_pieces
from rowanseed.core.compose.vocabulary import SleeveEnd, SleeveKind, SleeveLength, SleevePlacket
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.make.booklet_text import match_steps
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.marking import marks_to_make, marks_used
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.pattern.seamline import lines, mark_distance
from rowanseed.core.pattern.walk import length_on
from rowanseed.core.pattern.walk import walk as walk_all
from rowanseed.formats.description_json import read_description, write_description
from tests.core.everyday import EVERYDAY, everyday
from tests.core.projects import PLAIN


def shirt(sleeve, figure=Figure.MEN):
    described = EVERYDAY["grandad shirt"]
    features = replace(described.features, sleeve=sleeve)
    return compose(replace(described, figure=figure, body_chart={}, sizes=(), features=features)).pattern


def across(piece, size):
    """How far each line of a placket lies across it, in mm from the underlap's edge."""
    return {line.id: line.ends[size][0][1] for line in piece.lines}


@given(
    kind=st.sampled_from([SleeveKind.SET_IN, SleeveKind.GATHERED_CAP, SleeveKind.DROPPED, SleeveKind.RAGLAN]),
    length=st.sampled_from([SleeveLength.ELBOW, SleeveLength.THREE_QUARTER, SleeveLength.LONG]),
    end=st.sampled_from([end for end in SleeveEnd if end.is_cuff]),
    figure=st.sampled_from(list(Figure)),
)
@settings(deadline=None, max_examples=12)
def test_the_ends_of_a_cuff_lie_on_the_folds_of_its_tower_placket(kind, length, end, figure):
    """The sleeve's edge without the box, and what both halves reach beyond the rows of the box, are the cuff."""
    pattern = shirt(Sleeve(kind, length=length, end=end, placket=SleevePlacket.TOWER), figure)
    placket, sleeve, cuff = (pattern.piece(id) for id in ("sleeve-placket", "sleeve", "cuff"))
    (join,) = (j for j in pattern.making.joins if j.id == "cuffs")
    ratio = join.difference.amount or 1.0
    for size in pattern.envelope.sizes:
        at = across(placket, size)
        # The step sews the box 6 mm to either side of the slash.
        over, under = at["overlap-fold"] - (at["slash"] + 6.0), (at["slash"] - 6.0) - at["underlap-fold"]
        wrist = length_on(sleeve, size, EdgePart("sleeve", "wrist")) / ratio
        assert chain_length(cuff.shapes[size].edges["sleeve"]) == pytest.approx(wrist - 12.0 + over + under)
        assert over > 12.0 + 6.0 and under == pytest.approx(12.0), "the underlap fills the box, the overlap covers it"


@pytest.mark.parametrize("figure", [Figure.MEN, Figure.CHILDREN])
@pytest.mark.parametrize("length", [SleeveLength.ELBOW, SleeveLength.LONG])
@pytest.mark.parametrize("kind", list(SleevePlacket))
def test_a_slash_stays_below_the_arm_and_the_placket_is_as_long(figure, length, kind):
    pattern = shirt(Sleeve(length=length, end=SleeveEnd.CUFF, placket=kind), figure)
    sleeve = pattern.piece("sleeve")
    for size in pattern.envelope.sizes:
        (slash,) = (line.ends[size] for line in sleeve.lines if line.id == "slash")
        long = abs(slash[1][0] - slash[0][0])
        assert long <= 0.6 * chain_length(sleeve.shapes[size].edges["underarm-back"]) + 0.1
        if kind is SleevePlacket.TOWER:
            (own,) = (line.ends[size] for line in pattern.piece("sleeve-placket").lines if line.id == "slash")
            assert own[1][0] - own[0][0] == pytest.approx(long)


def test_the_overlap_of_a_tower_placket_lies_to_the_front_of_the_sleeve_and_is_drawn_so():
    """Laid on the wrong side of the sleeve it is turned half round, not over: what lies higher on it lies to where the
    sleeve's end begins. The front of a cuff laps over its back (common practice, no source)."""
    pattern = everyday("grandad shirt")
    size = pattern.envelope.sizes[0]
    sleeve, placket = pattern.piece("sleeve"), pattern.piece("sleeve-placket")
    wrist = sleeve.shapes[size].edges["wrist"][0]
    front = sleeve.shapes[size].edges["underarm-front"]
    assert wrist.start in (front[0].start, front[-1].end), "the sleeve's end begins at its front"
    (slash,) = (line.ends[size] for line in sleeve.lines if line.id == "slash")
    at = across(placket, size)
    assert slash[0][1] > wrist.start[1] and at["overlap-fold"] > at["slash"]


@given(
    kind=st.sampled_from([SleeveKind.SET_IN, SleeveKind.DROPPED, SleeveKind.RAGLAN]),
    length=st.sampled_from([SleeveLength.SHORT, SleeveLength.ELBOW, SleeveLength.LONG]),
    figure=st.sampled_from(list(Figure)),
    placket=st.sampled_from([None, *SleevePlacket]),
)
@settings(deadline=None, max_examples=10)
def test_pleats_above_a_cuff_take_in_what_it_is_narrower_by_in_front_of_the_placket(kind, length, figure, placket):
    placket = None if length is SleeveLength.SHORT else placket
    plain = shirt(Sleeve(kind, length=length, end=SleeveEnd.CUFF, placket=placket), figure)
    pleated = shirt(Sleeve(kind, length=length, end=SleeveEnd.PLEATED_CUFF, placket=placket), figure)
    sleeve = pleated.piece("sleeve")
    for size in pleated.envelope.sizes:
        bare, full = (chain_length(p.piece("sleeve").shapes[size].edges["wrist"]) for p in (plain, pleated))
        cuffs = [chain_length(p.piece("cuff").shapes[size].edges["sleeve"]) for p in (plain, pleated)]
        # Two pleats of 18 mm.
        assert full - bare == pytest.approx(36.0, abs=0.2) and cuffs[0] == pytest.approx(cuffs[1], abs=0.2)
        legs = [
            mark_distance(sleeve, size, sleeve.mark(leg))
            for dart in sleeve.darts
            if dart.edge == "wrist"
            for leg in dart.legs
        ]
        assert len(legs) == 4 and min(legs) > 0.0
        for line in sleeve.lines:
            if line.id == "slash":
                opens = math.dist(sleeve.shapes[size].edges["wrist"][0].start, line.ends[size][1])
                # The overlap of a tower lies 19 mm in front of its slash.
                assert max(legs) < opens - 19.0
    walks = {walk.join.id: walk for walk in walk_all(pleated, pleated.envelope.sizes[0])}
    assert walks["cuffs"].walks


@given(
    length=st.sampled_from([SleeveLength.ELBOW, SleeveLength.LONG]),
    figure=st.sampled_from(list(Figure)),
)
@settings(deadline=None, max_examples=4)
def test_a_strip_runs_round_its_slash_from_raw_edge_to_raw_edge(length, figure):
    """Twice the slash and the wrist's allowance long, 3.2 cm wide with its allowances (common practice, no source)."""
    pattern = shirt(Sleeve(length=length, end=SleeveEnd.CUFF, placket=SleevePlacket.CONTINUOUS), figure)
    sleeve, strip = pattern.piece("sleeve"), pattern.piece("sleeve-placket")
    for size in pattern.envelope.sizes:
        (a, b) = next(line.ends[size] for line in sleeve.lines if line.id == "slash")
        slash = abs(a[0] - b[0]) + sleeve.edge("wrist").allowance
        ring = Polygon(lines(strip, size).cutting_ring())
        assert max(ring.bounds[2] - ring.bounds[0], ring.bounds[3] - ring.bounds[1]) == pytest.approx(2 * slash)
        assert ring.area == pytest.approx(2 * slash * 32.0)
    assert strip.cuts[0].count == 2


@given(
    length=st.sampled_from([SleeveLength.ELBOW, SleeveLength.LONG]),
    end=st.sampled_from([end for end in SleeveEnd if end.is_cuff]),
    figure=st.sampled_from(list(Figure)),
)
@settings(deadline=None, max_examples=4)
def test_a_facing_reaches_past_its_slash_and_its_cuff_laps_by_as_much_as_over_a_strip(length, end, figure):
    """Its seam begins 5 mm to either side of the slash, so that much of the sleeve's edge is gone (common practice, no
    source); the cuff's underlap is 25 mm beyond what is left."""
    pattern = shirt(Sleeve(length=length, end=end, placket=SleevePlacket.FACED), figure)
    facing, sleeve, cuff = (pattern.piece(id) for id in ("sleeve-placket", "sleeve", "cuff"))
    (join,) = (j for j in pattern.making.joins if j.id == "cuffs")
    assert {edge.name: edge.allowance for edge in facing.edges} == {
        "side-back": 0.0,
        "top": 0.0,
        "side-front": 0.0,
        "end": sleeve.edge("wrist").allowance,
    }
    for size in pattern.envelope.sizes:
        wrist = length_on(sleeve, size, EdgePart("sleeve", "wrist")) / (join.difference.amount or 1.0)
        assert chain_length(cuff.shapes[size].edges["sleeve"]) == pytest.approx(wrist - 10.0 + 25.0)
        (own,), (slash,) = ([line.ends[size] for line in p.lines if line.id == "slash"] for p in (facing, sleeve))
        assert math.dist(*own) == pytest.approx(math.dist(*slash))
        ring = Polygon(lines(facing, size).cutting_ring())
        left, low, right, high = ring.bounds
        assert own[0][0] - left == pytest.approx(30.0) and right - own[1][0] == sleeve.edge("wrist").allowance
        assert own[0][1] - low == pytest.approx(30.0) and high - own[0][1] == pytest.approx(30.0)


def test_a_faced_placket_is_turned_before_its_cuff_which_says_where_the_underlap_begins():
    pattern = everyday("yoked shirt dress")
    garment = compile_garment(pattern, "A", pattern.envelope.sizes[0], MakingChoices())
    steps = {op.id: op for op in sequence(garment.operations)}
    ids = list(steps)
    assert ids.index("edge-sleeve-placket") < ids.index("face-sleeve-placket") < ids.index("turn-sleeve-placket")
    assert ids.index("turn-sleeve-placket") < ids.index("sew-cuffs")
    assert {edge.edge for edge in steps["edge-sleeve-placket"].edges} == {"side-back", "top", "side-front"}
    assert "the cuff catches it there" in " ".join(steps["turn-sleeve-placket"].how)
    sewn = " ".join(steps["sew-cuffs"].how)
    assert "taken 0.5 cm of either side" in sewn and "1 cm before the mark" in sewn
    assert steps["sew-cuffs"].run.words == "from one side of the placket to the other"


@pytest.mark.parametrize(
    ("garment", "listed", "piece", "field"),
    [
        ("yoked shirt dress", "Sleeve placket facing: cut 2", "sleeve-placket", ""),
        ("yoked shirt dress", "Sleeve slash facing: cut 2", "sleeve-placket", ""),
        ("blouse", "Cuff placket: cut 2", "sleeve-placket", ""),
        ("blouse", "Sleeve placket facing: cut 2", None, "features.sleeve.placket"),
        ("blouse", "Sleeve facing: cut 2", None, "features.sleeve.end"),
    ],
)
def test_a_list_ticks_off_the_placket_that_there_is_and_asks_about_another(garment, listed, piece, field):
    """A facing of the sleeve was ticked off as the sleeve, a strip as the facing."""
    tick = ticked_off(everyday(garment), read_pieces([listed]))[0]
    assert (tick.piece.id if tick.piece is not None else None, tick.field) == (piece, field)


def test_a_booklet_that_sews_on_the_facing_makes_the_placket():
    (step, cuff) = match_steps(
        everyday("yoked shirt dress"), ["Stitch placket facing to sleeve along lines; slash.", "Stitch cuff to sleeve."]
    )
    assert "Sleeve plackets" in step.said and cuff.said == ("Cuffs to sleeves",)


def test_what_a_tower_placket_is_sewn_by_is_of_its_kind():
    pattern = everyday("grandad shirt")
    steps = {
        op.id: " ".join(op.how)
        for op in compile_garment(pattern, "A", pattern.envelope.sizes[0], MakingChoices()).operations
    }
    assert "towards the front of the cap" in steps["box-sleeve-placket"]
    assert "over both halves of the placket" in steps["sew-cuffs"] and "underlap runs on" not in steps["sew-cuffs"]
    assert "underlap" not in steps["ends-cuff-inside"], "its ends lie on the folds: nothing of it reaches beyond"
    strip = everyday("blouse")
    steps = {
        op.id: " ".join(op.how)
        for op in compile_garment(strip, "A", strip.envelope.sizes[0], MakingChoices()).operations
    }
    assert "underlap runs on" in steps["sew-cuffs"] and "underlap" in steps["ends-cuff-inside"]


@pytest.mark.parametrize("kind", list(SleevePlacket))
def test_a_short_sleeve_has_no_room_for_one(kind):
    with pytest.raises(DescriptionRefused, match="no room for a placket"):
        shirt(Sleeve(length=SleeveLength.SHORT, end=SleeveEnd.CUFF, placket=kind))


@pytest.mark.parametrize(
    ("said", "kind"),
    [
        (True, SleevePlacket.CONTINUOUS),
        ("tower", SleevePlacket.TOWER),
        ("faced", SleevePlacket.FACED),
        (False, None),
    ],
)
def test_a_document_says_whether_and_of_which_kind(said, kind):
    document = json.loads(write_description(EVERYDAY["grandad shirt"]))
    document["features"]["sleeve"]["placket"] = said
    read = read_description(json.dumps(document))
    assert read.features.sleeve.placket is kind
    assert read_description(write_description(read)).features == read.features


def test_a_slash_is_marked_as_what_is_cut_later():
    """Cut at the table, its edge would stretch and fray before anything holds it."""
    pattern = everyday("dress shirt")
    steps = compile_garment(pattern, "A", pattern.envelope.sizes[0], MakingChoices()).operations
    used = marks_used(pattern.making, steps)
    for id in ("sleeve", "sleeve-placket"):
        marks = marks_to_make(pattern.piece(id), PLAIN, Role.MAIN, Units.METRIC, used)
        assert sum("slashed when a step says so, not now" in mark.what for mark in marks) == 1
