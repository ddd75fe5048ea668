"""Buttons, tunnels, laps and linings are drawn at the distances that their steps tell, measured with Shapely.

The figures are the steps' own; that a lap's row ends at its dot, and that a cord comes out beside
the centre, is common practice, no source.
"""

import math
import re
from itertools import pairwise

import pytest
from shapely.geometry import LineString, Point

from rowanseed.core.make.holes import holes_of_piece
from rowanseed.core.make.operation import Act
from rowanseed.core.pattern.walk import length_on
from rowanseed.drawings.steps.laid import draw_laid
from rowanseed.drawings.steps.stack import Stuff

from ..core.everyday import EVERYDAY
from ..core.test_make import DRAFTS
from .test_layers import made, step

BUTTONED = ("blouse", "camp shirt", "buttoned skirt", "smock dress", "grandad shirt", "overshirt", "waistcoat")


def told(op, pattern):
    """The length that a sentence of a step tells, in mm."""
    found = re.search(pattern, " ".join(op.how))
    return float(found[1]) * 10


@pytest.mark.parametrize("name", BUTTONED)
def test_as_many_holes_and_buttons_are_drawn_as_are_worked(name):
    bench, operations = made(name)
    for op in operations:
        if op.act in (Act.BUTTONHOLE, Act.BUTTON):
            svg = draw_laid(bench.pattern, "A", bench.size, op, "#6b3d5b", "#d9cbd3").svg
            pieces = {piece.id for piece in bench.pattern.pieces if holes_of_piece(bench, piece)}
            marked = sum(
                len(holes_of_piece(bench, bench.piece(id))) for id in pieces if (id == "cuff") is ("cuff" in op.id)
            )
            if op.act is Act.BUTTONHOLE:
                assert len(re.findall(r'<path[^>]*fill="#6b3d5b"', svg)) == marked, op.id
            else:
                assert len(re.findall(r'<circle[^>]*fill="#6b3d5b"', svg)) == 2 * marked, op.id


@pytest.mark.parametrize(("name", "holes", "buttons"), [("blouse", "Right", "Left"), ("camp shirt", "Left", "Right")])
def test_holes_are_drawn_on_the_hand_that_laps_over_and_buttons_on_the_other(name, holes, buttons):
    """A blouse for women laps right over left, a shirt for men left over right."""
    bench, operations = made(name)
    for op in operations:
        if op.id in ("buttonholes-opening", "buttons-opening"):
            words = draw_laid(bench.pattern, "A", bench.size, op, "#6b3d5b", "#d9cbd3").words
            assert words.startswith(holes if op.act is Act.BUTTONHOLE else buttons)
            assert f"The {holes.lower()} front laps over" in " ".join(op.how) or op.act is Act.BUTTON


def test_buttons_of_a_fly_stand_on_its_shield_under_the_holes_of_its_strip():
    bench, _, stack = step("buttoned jeans", "buttons-opening")
    shield, front = (layer.shape for layer in stack.layers)
    strip = bench.piece("fly-strip")
    holes = holes_of_piece(bench, strip)
    assert len(stack.buttons) == len(holes) == 4
    for button in stack.buttons:
        assert shield.contains(Point(button)) and not front.contains(Point(button))
    apart = [math.dist(a.mark, b.mark) for a, b in pairwise(holes)]
    drawn = [math.dist(a, b) for a, b in pairwise(stack.buttons)]
    assert drawn == pytest.approx(apart, abs=0.5)


@pytest.mark.parametrize("name", ["drawstring dress", "drawstring in a seam", "elastic in a seam"])
def test_the_row_of_a_tunnel_in_a_seam_runs_as_far_from_the_seam_as_is_told(name):
    _, operations = made(name)
    id = next(op.id for op in operations if op.id.startswith("tunnel"))
    _, op, stack = step(name, id)
    seam = LineString(stack.folds[0])
    for row in stack.rows:
        assert LineString(row.line).distance(seam) == pytest.approx(told(op, r"([\d.]+) cm from the seam"), abs=0.6)
    upper, lower = (layer.shape for layer in stack.layers)
    assert LineString(stack.rows[0].line).within(upper.intersection(lower).buffer(0.1)), "it holds both allowances"


@pytest.mark.parametrize(("name", "id"), [("drawstring dress", "cord-waist-cord"), ("pyjama trousers", "thread-waist")])
def test_a_cord_comes_out_at_both_openings_between_seam_and_row(name, id):
    _, _, stack = step(name, id)
    cords = [layer.shape for layer in stack.layers if layer.stuff is Stuff.TAPE]
    assert len(cords) == len(stack.cuts) == 2
    for cord, opening in zip(cords, stack.cuts, strict=True):
        assert cord.distance(LineString(opening)) < 0.1


@pytest.mark.parametrize("name", ["camp shirt", "coat"])
def test_the_end_of_a_lap_is_sewn_from_the_fold_to_the_dot_and_no_further(name):
    bench, _, stack = step(name, "close-lap-ends")
    row, (front, folded) = stack.rows[0], (layer.shape for layer in stack.layers)
    (finish,) = [f for f in bench.finishes.values() if f.id == "lap-ends"]
    piece = bench.piece(finish.parts[0].piece)
    assert LineString(row.line).length == pytest.approx(length_on(piece, bench.size, finish.parts[0]), abs=0.2)
    assert stack.marks == (row.line[-1],)
    assert LineString(row.line).within(folded.buffer(0.2)) and LineString(row.line).within(front.buffer(0.2))
    assert math.dist(row.line[0], (front.bounds[0], row.line[0][1])) < 0.2, "it begins at the fold"


LINED = ("bagged jacket", "lining bagged, with a vent")


@pytest.mark.parametrize("name", LINED)
def test_a_lining_is_sewn_to_a_hem_inside_the_fold_that_it_is_pressed_on(name):
    """By a hem's whole allowance it would be sewn on the fold itself: nothing could be turned up."""
    _, operations = made(name)
    found = [op for op in operations if op.technique == "bagged lining" and op.act is Act.LINE]
    checked = 0
    for op in found:
        _, _, stack = step(name, op.id)
        if stack is None:
            continue
        at = -stack.rows[0].line[0][1]
        assert at == pytest.approx(told(op, r"([\d.]+) cm (?:seam )?from the raw edges"), abs=0.6)
        (fold,) = stack.folds
        assert -fold[0][1] > at + 5.0
        checked += 1
    assert checked >= 2, "the hem and the sleeve ends"


def test_the_tape_of_a_curved_band_is_as_long_as_its_upper_edge_and_no_longer():
    """It was cut for both ends as well."""
    bench, operations = made("contour band")
    op = next(op for op in operations if op.id.startswith("tape-"))
    (shown,) = op.edges
    assert shown.edge == "upper"
    edge = next(p for j in bench.joins.values() for p in (*j.a, *j.b) if (p.piece, p.edge) == (shown.piece, shown.edge))
    around = length_on(bench.piece(shown.piece), bench.size, edge)
    assert told(op, r"([\d.]+) cm altogether") in (pytest.approx(around, abs=6), pytest.approx(2 * around, abs=6))


@pytest.mark.parametrize("name", [name for name in (*EVERYDAY, *DRAFTS) if name in ("dress shirt", "overshirt")])
def test_of_a_doubled_yoke_all_three_layers_are_drawn(name):
    _, operations = made(name)
    for op in operations:
        if op.technique == "doubled yoke" and op.act is Act.JOIN:
            _, _, stack = step(name, op.id)
            names = [layer.name for layer in stack.layers]
            assert len(names) == 3 and "Inner yoke" in names[-1]
            lowest, middle, top = (layer.shape for layer in stack.layers)
            assert lowest.difference(middle).area > 500 and middle.difference(top).area > 500, "each is seen"
