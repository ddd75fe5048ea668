"""Belt loops: how many, where on the band, of how long a strip; where the figures are common practice, no source."""

import json
import math
from dataclasses import replace

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from rowanseed.core.alter.carry_out import carry_out
from rowanseed.core.alter.change import Alteration
from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.description import Band
from rowanseed.core.compose.listed import ticked_off
from rowanseed.core.compose.piece_list import read_pieces
from rowanseed.core.compose.vocabulary import Where
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.pieces import LineKind
from rowanseed.drawings.line.drawing import line_drawing
from rowanseed.formats.description_json import read_description, write_description
from tests.core.everyday import EVERYDAY

BANDED = ("jeans", "tailored trousers", "pencil skirt", "tiered skirt", "circle yoke skirt")


def looped(name, loops, **band):
    described = EVERYDAY[name]
    features = replace(described.features, band=replace(described.features.band, loops=loops, **band))
    return compose(replace(described, features=features)).pattern


def places(pattern, size):
    """Where the loops stand along the band, in mm from the end of its waist edge."""
    band = pattern.piece("waistband")
    return sorted(line.ends[size][0][0] for line in band.lines if line.kind is LineKind.PLACEMENT)


@given(name=st.sampled_from(BANDED), loops=st.sampled_from([2, 4, 5, 6, 7, 8]), width=st.sampled_from([25.0, 45.0]))
@settings(deadline=None, max_examples=15)
def test_loops_stand_evenly_at_the_side_seams_and_never_where_it_opens(name, loops, width):
    at_back = EVERYDAY[name].features.opening.where is Where.BACK
    loops += loops % 2 if at_back else 0
    pattern = looped(name, loops, width=width, underlap=30.0)
    band = pattern.piece("waistband")
    halved = band.cuts[0].count == 2
    for size in pattern.envelope.sizes:
        found = places(pattern, size)
        long = chain_length(band.shapes[size].edges["waist"])
        assert len(found) == (loops // 2 if halved else loops), "one on the centre seam is on no half"
        beneath = (0.0, 30.0) if halved else (long - 30.0, long)
        assert all(0.0 < at < long and not beneath[0] <= at <= beneath[1] for at in found), "none beneath the lap"
        seams = [m for m in band.marks if m.id.startswith("at-seam-")]
        at_sides = seams if halved else seams[1:2]
        for mark in at_sides:
            assert min(abs(long - mark.distance[size] - at) for at in found) < 0.2
        for line in (line for line in band.lines if line.kind is LineKind.PLACEMENT):
            (x, a), (y, b) = line.ends[size]
            assert (x, a, b) == (y, width, 2 * width), "across the half that lies outside"
        if not halved:
            # From the left side, where it opens, round the back: as much room left of the centre back as right.
            from_there = [long - 30.0 - at for at in found]
            whole = pattern_side(pattern, size) - 30.0
            behind = [at for at in from_there if 25.0 < at < whole - 1.0]
            assert sorted(behind) == pytest.approx(sorted(whole - at for at in behind), abs=0.1)


def pattern_side(pattern, size):
    """How far along the band the right side seam lies, from its beginning at the left one round the back."""
    band = pattern.piece("waistband")
    return next(m.distance[size] for m in band.marks if m.id == "at-seam-2")


@pytest.mark.parametrize(("loops", "width"), [(5, 35.0), (7, 45.0)])
def test_the_strip_is_as_long_as_its_loops_and_the_step_says_how_long_each(loops, width):
    pattern = looped("jeans", loops, width=width)
    size = pattern.envelope.sizes[0]
    strip = pattern.piece("belt-loop")
    long, wide = (chain_length(strip.shapes[size].edges[edge]) for edge in ("a", "end-a"))
    # The belt may be as wide as the band: 12 mm of room, and two turnings of 12 mm.
    assert long == pytest.approx(loops * (width + 12.0 + 24.0)) and wide == pytest.approx(40.0)
    assert strip.edge("a").allowance == 0.0
    steps = {op.id: " ".join(op.how) for op in compile_garment(pattern, "A", size, MakingChoices()).operations}
    assert f"cut in {loops} of {(width + 36.0) / 10:.1f} cm" in steps["fold-belt-loops"]
    assert "and one at the centre back" in steps["sew-on-belt-loops"]
    parts = {p for finish in pattern.making.finishes for p in finish.parts if p.piece == "belt-loop"}
    assert parts == {EdgePart("belt-loop", edge) for edge in ("a", "b", "end-a", "end-b")}


@pytest.mark.parametrize(
    ("name", "loops", "said"),
    [
        ("wide trousers", 5, "stand on a waistband"),
        ("shirt dress", 5, "stand on a waistband"),
        ("pencil skirt", 5, "an even number"),
        ("jeans", 13, "twelve belt loops at most"),
    ],
)
def test_loops_that_no_band_has_are_refused_at_their_field(name, loops, said):
    with pytest.raises(DescriptionRefused, match=said) as refused:
        looped(name, loops)
    assert "features.band.loops" in str(refused.value)


def test_a_list_with_belt_carriers_is_ticked_off_or_asks_how_many():
    (line,) = read_pieces(["9 Belt carriers - cut 1"])
    assert ticked_off(looped("jeans", 5), [line])[0].piece.id == "belt-loop"
    asked = ticked_off(looped("jeans", 0), [line])[0]
    assert asked.field == "features.band.loops" and "How many" in asked.question


def test_a_document_says_how_many():
    document = json.loads(write_description(EVERYDAY["jeans"]))
    assert document["features"]["band"]["loops"] == 5
    assert read_description(json.dumps(document)).features.band == Band(loops=5)


def test_the_line_drawing_shows_them_on_the_band():
    assert line_drawing(looped("jeans", 5)) != line_drawing(looped("jeans", 0))


@pytest.mark.parametrize("by", [20.0, -20.0])
@pytest.mark.parametrize("name", ["jeans", "tailored trousers"])
def test_altered_at_the_sides_the_loops_there_stand_above_the_side_seams_again(name, by):
    pattern = looped(name, 6)
    size = pattern.envelope.sizes[2]
    altered = carry_out(pattern, size, [Alteration("seam", by, "outseams", "", "")]).pattern
    was, now = (of.piece("waistband") for of in (pattern, altered))
    (seam,) = (mark for mark in now.marks if mark.id.startswith("at-seam-"))
    grown = [chain_length(piece.shapes[size].edges["waist"]) for piece in (was, now)]
    assert grown[1] - grown[0] == pytest.approx(by / 2, abs=0.5)
    start = now.shapes[size].edges["waist"][0].start[0]
    at = [abs(start - line.ends[size][0][0]) for line in now.lines if line.kind is LineKind.PLACEMENT]
    assert min(abs(one - seam.distance[size]) for one in at) < 0.2
    for line in (line for line in now.lines if line.kind is LineKind.PLACEMENT):
        assert math.dist(*line.ends[size]) == pytest.approx(35.0)
