"""From pattern, size and cloth to a layout problem: true outlines, the cloth as it will be when it is cut."""

from dataclasses import replace

import pytest
from shapely.geometry import Polygon

from rowanseed.core.base.errors import PatternError
from rowanseed.core.cloth.cloth import Cloth, Direction, Surface
from rowanseed.core.garment import GarmentChoices, altered, lay_cloth, lay_piece, lay_problem
from rowanseed.core.lay.problem import tried
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.pattern.seamline import lines
from rowanseed.demo.six_gore_skirt import SIZES, draft

SKIRT = draft()


@pytest.mark.parametrize("size", SIZES)
def test_the_outlines_that_are_laid_are_the_cutting_lines(size):
    """Areas and shapes against Shapely, for every piece and size."""
    for piece, cut in SKIRT.pieces_for(Role.MAIN, "A"):
        laid = lay_piece(piece, cut, size)
        cutting = Polygon(lines(piece, size).cutting_ring())
        assert Polygon(laid.outline).symmetric_difference(cutting).area < 1.0
        assert laid.area == pytest.approx(cutting.area * (2 if cut.fold else 1), rel=1e-4)


def test_the_fold_is_one_straight_edge_between_neighbouring_corners():
    laid = lay_piece(SKIRT.piece("front"), SKIRT.piece("front").cuts[0], "14")
    assert laid.fold is not None
    edges = {frozenset((laid.outline[k - 1], p)) for k, p in enumerate(laid.outline)}
    assert frozenset(laid.fold) in edges
    assert laid.fold[0][1] == laid.fold[1][1] == 0.0


def test_fur_is_laid_in_one_layer_and_other_cloth_every_way_and_both_are_told():
    plain = Cloth("c", 1400, 3000, 12, Direction.ONE_WAY)
    choices = GarmentChoices("A", "14")
    told = {
        surface: tried(lay_problem(SKIRT, choices, Role.MAIN, replace(plain, surface=surface)).lays)
        for surface in (Surface.PLAIN, Surface.FUR)
    }
    assert told[Surface.FUR] == "open, in one layer"
    assert told[Surface.PLAIN] == "open, in one layer, folded and folded then opened out"


def test_cloth_is_laid_as_it_is_after_washing():
    raw = Cloth(
        name="c",
        width=1400,
        length=3000,
        selvedge=12,
        direction=Direction.ONE_WAY,
        shrink_along=0.05,
        shrink_across=0.02,
    )
    assert lay_cloth(raw).width == pytest.approx(1372)
    assert raw.ready_length == pytest.approx(2850)
    washed = Cloth(
        name="c",
        width=1400,
        length=3000,
        selvedge=12,
        direction=Direction.TWO_WAY,
        shrink_along=0.05,
        shrink_across=0.02,
        washed=True,
    )
    assert (lay_cloth(washed).width, washed.ready_length) == (1400, 3000)
    assert lay_cloth(raw).one_way and not lay_cloth(washed).one_way


def test_only_what_is_cut_from_a_cloth_is_laid_on_it():
    cloth = Cloth(name="c", width=900, length=None, selvedge=0, direction=Direction.TWO_WAY)
    interfacing = lay_problem(SKIRT, GarmentChoices("A", "12"), Role.INTERFACING, cloth)
    assert {piece.id for piece in interfacing.pieces} == {"front-facing", "back-facing"}
    assert lay_problem(SKIRT, GarmentChoices("A", "12"), Role.LINING, cloth).pieces == ()


@pytest.mark.parametrize(
    ("choices", "said"), [(GarmentChoices("A", "99"), "no size 99"), (GarmentChoices("Z", "12"), "no view Z")]
)
def test_a_size_or_view_that_is_not_there_is_refused(choices, said):
    with pytest.raises(PatternError, match=said):
        altered(SKIRT, choices)
