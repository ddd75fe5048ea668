"""Pieces met to what a tape reads on the tissue: the figure is met, seams still walk, what disagrees is said at once.

Lengths of what was met are taken again by a geometry library.
"""

from dataclasses import replace
from pathlib import Path
from random import Random

import pytest
from hypothesis import HealthCheck, assume, given, settings
from hypothesis import strategies as st
from shapely.geometry import LineString

from rowanseed.core.compose.as_printed import Measured
from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.description import Description, Features, Opening, Side, Sleeve
from rowanseed.core.compose.tape import dimensions, taken, tape_path
from rowanseed.core.compose.tissue import MET, certainty
from rowanseed.core.compose.vocabulary import Centre, GarmentKind, OpeningKind, Shaping, TapeLine, Waist, Where
from rowanseed.core.pattern.check import faults
from rowanseed.core.pattern.envelope import Structure
from rowanseed.core.pattern.walk import walk
from rowanseed.formats.description_json import read_description

from .descriptions import drafted, whole_ones
from .everyday import EVERYDAY, everyday

SAMPLES = sorted(Path("tests/outside/descriptions").glob("*.json"))
DRESS = Description(
    name="Dress",
    garment=GarmentKind.DRESS,
    features=Features(
        front=Side(shaping=(Shaping.PRINCESS_ARMHOLE,)),
        back=Side(Centre.SEAM, (Shaping.WAIST_DART,)),
        opening=Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, 560.0),
        sleeve=Sleeve(),
    ),
)
TOP = Description(
    name="Top",
    garment=GarmentKind.TOP,
    features=Features(
        back=Side(Centre.SEAM), opening=Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, 300.0), waist=Waist.NONE
    ),
)
USUAL = {description.name: compose(description).pattern for description in (DRESS, TOP)}


def read(pattern, piece, size, name, line=TapeLine.STITCHING):
    own = pattern.piece(piece)
    return taken(own, size, next(d for d in dimensions(own) if d.id == name), line)


def measured(description, **pieces):
    return replace(description, measured=pieces)


@pytest.mark.parametrize("line", list(TapeLine))
def test_what_is_measured_is_met_to_half_a_millimetre_and_every_size_still_walks(line):
    usual = USUAL["Dress"]
    asked = {"shoulder": read(usual, "front", "12", "shoulder", line) + 6.0}
    asked["bust width"] = read(usual, "front", "12", "bust width", line) + 4.0
    pattern = compose(measured(DRESS, front=Measured("12", asked, line))).pattern
    for name, value in asked.items():
        assert read(pattern, "front", "12", name, line) == pytest.approx(value, abs=MET)
    for size in pattern.envelope.sizes:
        assert [w.join.id for w in walk(pattern, size) if not w.walks] == []
    assert list(faults(pattern)) == []


def test_a_neighbour_follows_where_it_shares_an_edge_and_nothing_says_otherwise():
    more = read(USUAL["Top"], "front", "12", "side") + 18.0
    pattern = compose(measured(TOP, front=Measured("12", {"side": more}))).pattern
    assert read(pattern, "back", "12", "side") == pytest.approx(more, abs=1.0)


def test_other_sizes_follow_by_the_chart_s_steps():
    usual = USUAL["Top"]
    more = read(usual, "front", "12", "bust width") + 9.0
    pattern = compose(measured(TOP, front=Measured("12", {"bust width": more}))).pattern
    steps = [read(p, "front", "16", "bust width") - read(p, "front", "12", "bust width") for p in (usual, pattern)]
    assert steps[0] == pytest.approx(steps[1], abs=1.0)


def test_a_side_seam_three_centimetres_longer_at_the_front_is_said_at_once():
    side = read(USUAL["Top"], "front", "12", "side")
    apart = {"front": Measured("12", {"side": side + 30.0}), "back": Measured("12", {"side": side})}
    with pytest.raises(DescriptionRefused) as told:
        compose(measured(TOP, **apart))
    assert any("3 cm (1 1/8 in)" in one.why and one.field.startswith("measured.") for one in told.value.refusals)


@pytest.mark.parametrize(
    ("given", "field"),
    [
        ({"sleeve": Measured("12", {})}, "measured.sleeve"),
        ({"front": Measured("99", {})}, "measured.front.size"),
        ({"front": Measured("12", {"knee": 30.0})}, "measured.front.knee"),
        ({"front": Measured("12", {"shoulder": 12.0})}, "measured.front.shoulder"),
    ],
)
def test_what_no_piece_has_is_refused_by_its_figure(given, field):
    with pytest.raises(DescriptionRefused) as told:
        compose(measured(TOP, **given))
    assert field in [one.field for one in told.value.refusals]


@pytest.mark.parametrize("off", [-30.0, -15.0, 15.0, 30.0])
def test_a_waist_that_contradicts_itself_is_told_beside_both_its_figures(off):
    """The edge and the width at one level: the pieces were bent until their outlines crossed, and the page broke."""
    skirt = Description(
        name="Skirt",
        garment=GarmentKind.SKIRT,
        cloth=Structure.KNIT,
        features=Features(waist=Waist.DRAWSTRING, back=Side(Centre.SEAM)),
    )
    usual = compose(skirt).pattern
    edge, width = (read(usual, "front", "12", name, TapeLine.CUTTING) for name in ("waist", "waist width"))
    figures = {"waist": edge, "waist width": width + off}
    with pytest.raises(DescriptionRefused) as told:
        compose(measured(skirt, front=Measured("12", figures, TapeLine.CUTTING)))
    assert {one.field for one in told.value.refusals} == {"measured.front.waist", "measured.front.waist width"}


def test_the_figures_of_a_facing_and_of_what_it_is_sewn_to_are_met_with_every_seam_in_every_size():
    """A seam came to be a millimetre apart, and the features were said not to go together."""
    facing = Measured("16", {"inner": 157.0, "shoulder": 25.0})
    back = Measured("16", {"side": 413.0, "centre": 648.0})
    pattern = compose(measured(TOP, **{"front-neck-facing": facing, "back": back})).pattern
    assert read(pattern, "front-neck-facing", "16", "shoulder") == pytest.approx(25.0, abs=MET)
    assert read(pattern, "back", "16", "centre") == pytest.approx(648.0, abs=MET)
    assert [w.join.id for size in pattern.envelope.sizes for w in walk(pattern, size) if not w.walks] == []


@given(description=whole_ones, number=st.integers(0, 10**9))
@settings(max_examples=15, deadline=None, suppress_health_check=list(HealthCheck))
def test_whatever_is_measured_of_anything_described_is_met_or_told_beside_a_figure(description, number):
    """Up to 3 cm off, on either line, some figures of some pieces: the pattern is whole, or a figure is named."""
    luck = Random(number)
    usual = drafted(description).pattern
    size, line = luck.choice(usual.envelope.sizes), luck.choice(list(TapeLine))
    asked = {}
    for piece in luck.sample(usual.pieces, min(2, len(usual.pieces))):
        known = dimensions(piece)
        some = luck.sample(known, min(luck.choice([1, 2, 8]), len(known)))
        off = {d.id: luck.choice([-1, 1]) * luck.choice([1.0, 5.0, 15.0, 30.0]) for d in some}
        asked[piece.id] = Measured(size, {d.id: max(5.0, taken(piece, size, d, line) + off[d.id]) for d in some}, line)
    try:
        pattern = compose(replace(description, measured=asked)).pattern
    except DescriptionRefused as told:
        assert all(one.field.startswith("measured.") and one.why for one in told.refusals), told.refusals
        return
    assert list(faults(pattern)) == []
    assert [w.join.id for each in pattern.envelope.sizes for w in walk(pattern, each) if not w.walks] == []
    for id, one in asked.items():
        for d in dimensions(pattern.piece(id)):
            if d.id in one.dimensions:
                assert taken(pattern.piece(id), size, d, line) == pytest.approx(one.dimensions[d.id], abs=MET + 0.01)


def test_a_piece_of_which_everything_is_measured_is_approximate_no_longer():
    usual = USUAL["Top"]
    every = {d.id: taken(usual.piece("front"), "12", d) for d in dimensions(usual.piece("front"))}
    pattern = compose(measured(TOP, front=Measured("12", every))).pattern
    assert not pattern.piece("front").approximate and pattern.piece("back").approximate


@pytest.mark.parametrize("path", SAMPLES, ids=lambda path: path.stem)
def test_every_piece_has_what_a_tape_finds_and_the_tape_lies_where_it_reads(path):
    """The length of the tape's path, by a geometry library, is the figure that is asked for."""
    pattern = compose(read_description(path.read_bytes())).pattern
    size = pattern.envelope.sizes[0]
    for piece in pattern.pieces:
        found = dimensions(piece)
        assert 2 <= len(found) <= 8 and len({d.id for d in found}) == len(found)
        for d in found:
            for line in TapeLine:
                along = LineString(tape_path(piece, size, d, line)).length
                assert along == pytest.approx(taken(piece, size, d, line), abs=0.5), (piece.id, d.id, line)


def test_each_figure_measured_makes_the_cloth_more_certain_and_what_matters_most_comes_first():
    usual = USUAL["Top"]
    none = certainty(usual, {})
    assert [one.share for one in none.unknowns] == sorted((one.share for one in none.unknowns), reverse=True)
    first = none.unknowns[0]
    value = taken(usual.piece(first.piece), "12", first.dimension)
    some = certainty(usual, {first.piece: Measured("12", {first.dimension.id: value})})
    assert some.share < none.share and some.measured == 1 and some.all == none.all
    last = none.unknowns[-1]
    value = taken(usual.piece(last.piece), "12", last.dimension)
    least = certainty(usual, {last.piece: Measured("12", {last.dimension.id: value})})
    assert some.share <= least.share


@given(data=st.data())
@settings(max_examples=25, deadline=None, suppress_health_check=list(HealthCheck))
def test_any_few_figures_near_the_usual_are_met_or_the_seam_is_named(data):
    usual = USUAL["Dress"]
    piece = data.draw(st.sampled_from(usual.pieces))
    found = dimensions(piece)
    chosen = data.draw(st.lists(st.sampled_from(found), min_size=1, max_size=3, unique=True))
    asked = {d.id: taken(piece, "14", d) * data.draw(st.floats(0.96, 1.05)) for d in chosen}
    try:
        pattern = compose(measured(DRESS, **{piece.id: Measured("14", asked)})).pattern
    except DescriptionRefused as told:
        assert all(one.field.startswith("measured.") and one.why for one in told.refusals)
        assume(False)
    for name, value in asked.items():
        assert read(pattern, piece.id, "14", name) == pytest.approx(value, abs=MET)


@pytest.mark.parametrize("name", EVERYDAY)
def test_what_is_measured_has_a_sewist_s_name_and_no_two_of_a_piece_have_the_same(name):
    """A belt had an “A” and a “B”, and the cloth hung on “the inner of the front facing”."""
    for piece in everyday(name).pieces:
        words = [one.words for one in dimensions(piece)]
        assert len(set(words)) == len(words), (piece.name, words)
        assert not {"A", "B", "Inner", "Outer", "Lower", "Upper", "Front", "Back", "Fold", "Sewn", "Round"} & set(words)
