"""Where a piece may lie: the strips of each lay, the turns of each grain, what is laid doubled and singly.

Strips and turns are those of the layout format (docs/formats/layout.md).
"""

import numpy as np
import pytest

from rowanseed.core.lay.folding import regions
from rowanseed.core.lay.problem import (
    LayCloth,
    LayKind,
    LayPiece,
    Problem,
    is_own_mirror_image,
    moved,
    turns,
    wanted_hands,
)
from rowanseed.core.lay.search.arrange import mixed, natural_mix, neighbour, simple
from rowanseed.core.lay.search.places import Count, StretchSetup, items_of, most_doubled, split
from rowanseed.core.lay.search.shapes import ShapeSet
from rowanseed.core.pattern.pieces import Grain

CLOTH = LayCloth(1120.0, None, 12.0, one_way=False)
LOPSIDED = ((0.0, 0.0), (400.0, 0.0), (400.0, 90.0), (0.0, 250.0))
SQUARE = ((0.0, 0.0), (300.0, 0.0), (300.0, 200.0), (0.0, 200.0))


def _piece(outline=LOPSIDED, cut=2, pair=True, fold=None, grain=Grain.LENGTHWISE, id="p"):
    return LayPiece(id=id, outline=outline, cut=cut, pair=pair, fold=fold, grain=grain)


@pytest.mark.parametrize(
    ("lay", "depth", "expected"),
    [
        (LayKind.OPEN, None, [(12, 1108, 1)]),
        (LayKind.FOLDED, None, [(0, 548, 2)]),
        (LayKind.TWO_FOLDS, None, [(0, 268, 2), (292, 560, 2)]),
        (LayKind.PART_FOLDED, 300.0, [(0, 288, 2), (300, 808, 1)]),
        (LayKind.PART_FOLDED, 560.0, [(0, 548, 2)]),
    ],
)
def test_the_usable_strips_of_each_lay(lay, depth, expected):
    assert [(r.low, r.high, r.layers) for r in regions(lay, depth, CLOTH)] == expected


@pytest.mark.parametrize(
    ("grain", "two_way", "one_way"),
    [
        (Grain.LENGTHWISE, (0, 180), (0,)),
        (Grain.CROSSWISE, (90, 270), (90,)),
        (Grain.EITHER, (0, 90, 180, 270), (0, 90)),
        (Grain.BIAS, (45, 135, 225, 315), (45,)),
    ],
)
def test_the_turns_of_each_grain(grain, two_way, one_way):
    assert turns(grain, one_way=False) == two_way
    assert turns(grain, one_way=True) == one_way


def test_mirroring_comes_before_turning():
    ((x, y),) = moved([(10.0, 4.0)], 90, mirrored=True, at=(1.0, 2.0))
    assert (x, y) == pytest.approx((5.0, 12.0))


def test_hands_are_counted_as_the_format_says():
    assert wanted_hands(_piece(cut=3)) == (2, 1)
    assert wanted_hands(_piece(cut=3, pair=False)) == (3, 0)
    assert is_own_mirror_image(_piece(SQUARE))
    assert wanted_hands(_piece(SQUARE, cut=4)) == (4, 0)
    assert not is_own_mirror_image(_piece())


@pytest.mark.parametrize(
    ("piece", "doubled", "expected"),
    [
        (_piece(cut=2), 1, Count(1, 0, 0)),
        (_piece(cut=3), 1, Count(1, 1, 0)),
        (_piece(cut=2), 0, Count(0, 1, 1)),
        (_piece(SQUARE, cut=5, pair=False), 2, Count(2, 1, 0)),
        (_piece(SQUARE, 1, False, ((0.0, 0.0), (300.0, 0.0))), 0, Count(0, 1, 0)),
    ],
)
def test_what_is_not_laid_doubled_is_laid_singly(piece, doubled, expected):
    assert split(piece, doubled) == expected


def test_doubling_everything_gives_everything():
    assert most_doubled(_piece(cut=3)) == 2
    assert most_doubled(_piece(cut=3, pair=False)) == 3
    assert most_doubled(_piece(SQUARE, cut=5)) == 3


def _problem(*pieces, one_way=False, lays=(LayKind.FOLDED, LayKind.OPEN)):
    return Problem(
        name="t",
        cloth=LayCloth(width=1120.0, length=None, selvedge=12.0, one_way=one_way),
        gap=3.0,
        lays=lays,
        pieces=pieces,
    )


def test_a_fold_piece_lies_on_the_fold_at_one_height_and_never_against_one_way_cloth():
    piece = _piece(SQUARE, 1, False, ((0.0, 0.0), (300.0, 0.0)))
    for one_way in (False, True):
        problem = _problem(piece, one_way=one_way)
        laying = StretchSetup(problem=problem, lay=LayKind.FOLDED, depth=None, phases=(), shapes=ShapeSet())
        (item,) = items_of(laying, {"p": Count(doubled=1)})
        assert all(way.option.low == way.option.high == pytest.approx(100.0) for way in item.ways)
        assert {way.turn for way in item.ways} <= ({0} if one_way else {0, 180})


def test_shapes_that_are_equal_up_to_a_flip_share_one_base():
    shapes = ShapeSet()
    first = shapes.add(LOPSIDED, 0, False)
    again = [shapes.add(LOPSIDED, turn, mirrored) for turn in (0, 180) for mirrored in (False, True)]
    assert {lying.base for lying in again} == {first.base}
    assert len({(lying.sx, lying.sy) for lying in again}) == 4
    assert shapes.add(SQUARE, 0, True) == shapes.add(SQUARE, 180, False) or len(shapes.bases) == 2


def test_the_natural_mix_cuts_nothing_in_vain():
    single, pair = _piece(id="single", cut=1, pair=False), _piece(id="pair")
    problem = _problem(single, pair)
    assert natural_mix(problem) == [0, 1]
    folded, opened = mixed(problem, LayKind.FOLDED, [0, 1]).stretches
    assert dict(folded.demands)["pair"] == Count(1, 0, 0)
    assert dict(opened.demands)["single"] == Count(0, 1, 0)


def test_a_mix_that_needs_one_kind_only_is_a_simple_lay():
    problem = _problem(_piece())
    assert mixed(problem, LayKind.FOLDED, [1]) == simple(problem, LayKind.FOLDED)


def test_neighbours_of_a_mix_stay_possible():
    problem = _problem(_piece(id="a", cut=4), _piece(id="b", cut=1, pair=False))
    rng = np.random.default_rng(1)
    seen = {tuple(neighbour(problem, [2, 0], rng)) for _ in range(40)}
    assert all(0 <= a <= 2 and b == 0 for a, b in seen)
    assert len(seen) > 1
