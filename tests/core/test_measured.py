"""Pieces met to what a tape reads on the tissue: the figure is met, seams still walk, what disagrees is said at once.

Lengths of what was met are taken again by a geometry library.
"""

from dataclasses import replace
from pathlib import Path

import pytest
from hypothesis import HealthCheck, assume, given, settings
from hypothesis import strategies as st
from shapely.geometry import LineString

from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.description import Description, Features, Measured, Opening, Side, Sleeve
from rowanseed.core.compose.tape import dimensions, taken, tape_path
from rowanseed.core.compose.tissue import MET, certainty
from rowanseed.core.compose.vocabulary import Centre, GarmentKind, OpeningKind, Shaping, TapeLine, Waist, Where
from rowanseed.core.pattern.check import faults
from rowanseed.core.pattern.walk import walk
from rowanseed.formats.description_json import read_description

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
        assert all(one.field.startswith(("measured.", "features")) and one.why for one in told.refusals)
        assume(False)
    for name, value in asked.items():
        assert read(pattern, piece.id, "14", name) == pytest.approx(value, abs=MET)
