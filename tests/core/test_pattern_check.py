"""A pattern that does not hold together is refused with the piece and the edge at fault."""

from dataclasses import replace

import pytest

from rowanseed.core.geometry.outline import line_chain
from rowanseed.core.pattern.check import faults
from rowanseed.core.pattern.making import EdgePart, Finish, FinishKind, Join, Making
from rowanseed.core.pattern.pieces import Cut, Mark, MarkKind, Role, Shape

from .pieces import pattern_of, quadrilateral

GOOD = [(0.0, 0.0), (600.0, 0.0), (620.0, 300.0), (10.0, 200.0)]


def _said(*pieces, **more):
    return "\n".join(f"{f.where}: {f.problem}" for f in faults(pattern_of(*pieces, **more)))


def _panel(corners=GOOD, allowances=(15, 15, 15, 15), **more):
    return quadrilateral(corners, allowances, **more)


def test_a_sound_piece_has_no_fault():
    assert _said(_panel()) == ""


def test_a_missing_edge_is_named():
    piece = _panel()
    edges = {name: chain for name, chain in piece.shapes["S"].edges.items() if name != "right"}
    broken = replace(piece, shapes={"S": Shape(edges, piece.shapes["S"].grainline)})
    assert "Piece “Panel”, size S, edge “right”: The edge is missing." in _said(broken)


def test_a_missing_size_is_named():
    assert "size S: This size is missing" in _said(replace(_panel(), shapes={}))


def test_a_ring_that_does_not_close_is_named():
    piece = _panel()
    edges = {**piece.shapes["S"].edges, "hem": line_chain((600.0, 0.0), (620.0, 290.0))}
    assert "edge “hem”: It ends 10.0 mm away" in _said(
        replace(piece, shapes={"S": Shape(edges, ((20, 100), (580, 100)))})
    )


@pytest.mark.parametrize(
    ("corners", "said"),
    [
        ([(0.0, 0.0), (600.0, 300.0), (600.0, 0.0), (0.0, 300.0)], "crosses itself"),
        ([(0.0, 0.0), (10.0, 200.0), (620.0, 300.0), (600.0, 0.0)], "clockwise"),
    ],
)
def test_crossed_and_clockwise_outlines_are_refused(corners, said):
    assert said in _said(_panel(corners))


def test_an_allowance_that_folds_over_itself_is_refused():
    assert "allowance" in _said(_panel([(0.0, 0.0), (60.0, 0.0), (60.0, 10.0), (0.0, 10.0)], (15, -5, 15, 300)))


def test_a_fold_is_straight_along_the_grain_and_has_no_allowance():
    on_fold = Cut(Role.MAIN, 1, fold="left")
    assert "no seam allowance" in _said(_panel(cut=on_fold))
    assert "along the grain" in _said(_panel(allowances=(15, 15, 0, 15), cut=Cut(Role.MAIN, 1, fold="right")))
    assert "does not have" in _said(_panel(cut=Cut(Role.MAIN, 1, fold="side")))
    assert _said(_panel(allowances=(0, 15, 15, 15), cut=on_fold)) == ""


def test_marks_lie_on_their_edge():
    off = Mark(id="hip", kind=MarkKind.NOTCH, edge="left", anchor="start", distance={"S": 700.0})
    assert "off the end" in _said(_panel(marks=[off]))
    assert "does not have" in _said(_panel(marks=[replace(off, edge="waist")]))


def test_charts_rise_and_have_no_gaps():
    assert "no figure for size S" in _said(_panel(), body_chart={"waist": {}})


def test_no_edge_may_be_forgotten():
    making = Making(
        joins=(Join(id="side", name="Side", a=(EdgePart("panel", "left"),), b=(EdgePart("panel", "right"),)),),
        finishes=(Finish(id="hem", name="Hem", kind=FinishKind.HEM, parts=(EdgePart("panel", "hem"),)),),
    )
    assert "edge “top”: The edge is neither sewn to another nor finished." in _said(_panel(), making=making)
    loose = replace(making, joins=(replace(making.joins[0], b=(EdgePart("sleeve", "cap"),)),))
    assert "There is no piece “sleeve”" in _said(_panel(), making=loose)
