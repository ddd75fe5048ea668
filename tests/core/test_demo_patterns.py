"""The demo's patterns: drawn, joined and measured as they say, in every size."""

import pytest
from shapely.geometry import Polygon

from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_steps
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.pattern.check import faults
from rowanseed.core.pattern.finished import girths
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.pattern.seamline import lines, seam_length
from rowanseed.core.pattern.walk import walk
from rowanseed.demo import overshirt, trousers, waistcoat
from rowanseed.formats.pattern_json import read_pattern, write_pattern

MODULES = (overshirt, trousers, waistcoat)
DRAFTS = {module: module.draft() for module in MODULES}
EVERY = [(module, size) for module in MODULES for size in DRAFTS[module].envelope.sizes]


@pytest.mark.parametrize("module", MODULES)
def test_nothing_is_wrong_or_left_loose_and_the_file_gives_it_back(module):
    pattern = DRAFTS[module]
    assert list(faults(pattern)) == []
    assert len(pattern.envelope.sizes) >= 8
    again = read_pattern(write_pattern(pattern))
    assert [p.panel for p in again.pieces] == [p.panel for p in pattern.pieces]
    assert [(j.id, j.a, j.b, j.why) for j in again.making.joins] == [
        (j.id, j.a, j.b, j.why) for j in pattern.making.joins
    ]


@pytest.mark.parametrize(("module", "size"), EVERY)
def test_every_seam_walks_and_notches_meet(module, size):
    for walked in walk(DRAFTS[module], size):
        assert abs(walked.fault) < 0.1, walked.join.name
        assert all(pair.meet for pair in walked.notches), walked.join.name


@pytest.mark.parametrize("size", overshirt.SIZES)
def test_the_cap_is_longer_than_the_armhole_by_its_ease(size):
    pattern = DRAFTS[overshirt]
    armhole = sum(seam_length(pattern.piece(p), size, "armhole") for p in ("front", "yoke", "back"))
    assert seam_length(pattern.piece("sleeve"), size, "cap") - armhole == pytest.approx(overshirt.CAP_EASE, abs=0.05)


@pytest.mark.parametrize("size", waistcoat.SIZES)
def test_the_fuller_side_of_the_princess_seam_has_its_ease(size):
    pattern = DRAFTS[waistcoat]
    longer = seam_length(pattern.piece("side-front"), size, "princess") - seam_length(
        pattern.piece("front"), size, "princess"
    )
    assert longer == pytest.approx(waistcoat.PRINCESS_EASE, abs=0.05)
    back, front = (seam_length(pattern.piece(p), size, "shoulder") for p in ("back", "front"))
    assert back - front == pytest.approx(waistcoat.SHOULDER_EASE, abs=0.05)


@pytest.mark.parametrize("size", waistcoat.SIZES)
def test_facing_and_lining_are_the_front_cut_in_two(size):
    """Areas by Shapely: facing and front lining, side by side on the stitching lines, are the front."""
    pieces = {
        id: Polygon(lines(DRAFTS[waistcoat].piece(id), size).seam_ring()) for id in ("front", "facing", "front-lining")
    }
    assert pieces["facing"].area + pieces["front-lining"].area == pytest.approx(pieces["front"].area, rel=2e-4)
    assert pieces["facing"].intersection(pieces["front-lining"]).area < 2.0


@pytest.mark.parametrize(("module", "size"), EVERY)
def test_the_finished_measurements_are_those_of_the_pieces(module, size):
    """What the envelope prints is what its own pieces measure, darts taken off (trousers) and overlaps not counted."""
    pattern = DRAFTS[module]
    printed, measured = pattern.envelope.finished["A"], girths(pattern, size, "A")
    if module is trousers:
        waist = 2 * sum(seam_length(pattern.piece(p), size, "waist") for p in ("front", "back"))
        assert waist == pytest.approx(printed["waist"][size], abs=0.1)
        hip = 2 * sum(pattern.piece(p).shapes[size].edges["outseam"][0].end[1] for p in ("front", "back"))
        assert hip == pytest.approx(printed["hip"][size], abs=0.1)
        return
    for measure in ("bust", "waist"):
        assert measured[measure] == pytest.approx(printed[measure][size], abs=0.1)


@pytest.mark.parametrize("module", MODULES)
@pytest.mark.parametrize("size", [0, -1])
def test_the_largest_piece_fits_the_usual_cloth(module, size):
    pattern = DRAFTS[module]
    for piece, cut in pattern.pieces_for(Role.MAIN, "A"):
        _, low, _, high = Polygon(lines(piece, pattern.envelope.sizes[size]).cutting_ring()).bounds
        assert (high - low) * (2 if cut.fold else 1) < 1100


ORDER = [
    (overshirt, "sew-on-pocket-edges", "sew-sides"),
    (overshirt, "press-shoulders", "sew-neck"),
    (overshirt, "press-collar-edge", "sew-collar-stand"),
    (overshirt, "press-collar-stand", "sew-neck"),
    (overshirt, "try-on-shell", "sew-armholes"),
    (overshirt, "ease-armholes", "sew-armholes"),
    (overshirt, "press-underarms", "sew-cuffs"),
    (overshirt, "sew-sides", "neaten-sides"),
    (overshirt, "turn-in-band-inside", "buttonholes-buttons"),
    (overshirt, "buttonholes-buttons", "buttons-buttons"),
    (overshirt, "sew-hem", "ends-band-inside"),
    (trousers, "press-darts-back", "sew-outseams"),
    (trousers, "neaten-inseams", "sew-inseams"),
    (trousers, "press-inseams", "sew-back-crotch"),
    (trousers, "press-front-crotch", "zip-zip"),
    (trousers, "zip-zip", "sew-waist"),
    (trousers, "try-on-shell", "sew-waist"),
    (trousers, "turn-in-band-inside", "hook-hook"),
    (waistcoat, "press-princess", "sew-armholes"),
    (waistcoat, "sew-on-welt-edges", "sew-neck"),
    (waistcoat, "try-on-shell", "sew-neck"),
    (waistcoat, "press-neck", "turn-out"),
    (waistcoat, "turn-out", "sew-sides"),
    (waistcoat, "press-sides", "close-gap"),
]


@pytest.mark.parametrize(("module", "before", "after"), ORDER)
def test_they_are_made_in_the_trades_order(module, before, after):
    pattern = DRAFTS[module]
    order = [s.id for s in sequence(compile_steps(pattern, "A", pattern.envelope.sizes[3], MakingChoices()))]
    assert order.index(before) < order.index(after)
    assert order[-1] == "last-press"


def test_a_lined_smooth_cloth_is_left_raw():
    steps = compile_steps(DRAFTS[waistcoat], "A", "14", MakingChoices())
    assert not [s for s in steps if s.id.startswith("neaten")]
