"""Layers that lie on each other at their places: a pocket on its front, a zip on its seam; the rows that hold them."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from shapely.geometry import LineString, MultiPoint
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from rowanseed.core.base.words import Worded
from rowanseed.core.geometry.outline import Point
from rowanseed.core.make.holes import USUAL
from rowanseed.drawings.steps.buttonholes import LEAST, draw_button
from rowanseed.drawings.steps.paper import Paper, runs
from rowanseed.drawings.steps.shown import Laid
from rowanseed.drawings.steps.stitching import arrow
from rowanseed.drawings.svg import INK, PAPER, QUIET, number, path_of

WIDE = 1.25
"""A drawing is wide that is so many times as wide as it is high."""
FOLDED = "10 5"
"""The dashes of a line that is folded."""


class Stuff(Worded):
    """What a layer is made of, and which side of it is seen."""

    RIGHT = "right", "right side"
    WRONG = "wrong", "wrong side"
    TAPE = "tape", "tape of a zip"


@dataclass(frozen=True)
class Layer:
    """A layer on the table. `window` is the part of its piece that is drawn: it goes on beyond, without an outline."""

    shape: BaseGeometry
    stuff: Stuff
    name: str
    window: BaseGeometry | None = None
    teeth: tuple[Point, ...] = ()


@dataclass(frozen=True)
class Row:
    """A row of stitching; `begins` and `ends` where the step tells it."""

    line: tuple[Point, ...]
    begins: bool = False
    ends: bool = False
    by_hand: bool = False


@dataclass(frozen=True)
class Stack:
    """Layers, the lowest first; rows, cuts, folds, and the marks that something is laid on; what it is in words."""

    layers: tuple[Layer, ...]
    words: str
    rows: tuple[Row, ...] = ()
    cuts: tuple[tuple[Point, ...], ...] = ()
    marks: tuple[Point, ...] = ()
    folds: tuple[tuple[Point, ...], ...] = ()
    buttons: tuple[Point, ...] = ()


def drawn(paper: Paper, stack: Stack) -> Laid:
    """The drawing of a stack, each layer named where it is seen."""
    paper.scale_to([layer.shape for layer in stack.layers])
    paper.areas += [layer.shape for layer in stack.layers]
    for layer in stack.layers:
        _layer(paper, layer)
    for line in stack.cuts:
        paper.line(line, paper.letter * 0.12, stroke=INK)
    for line in stack.folds:
        paper.line(line, paper.letter * 0.1, FOLDED, stroke=INK)
    for row in stack.rows:
        _row(paper, row, stack)
    radius = max(USUAL / 2, paper.letter * LEAST)
    for at in stack.buttons:
        draw_button(paper, at, radius)
    kept_clear = MultiPoint(stack.buttons).buffer(1.3 * radius)
    for x, y in stack.marks:
        paper.add("circle", cx=x, cy=y, r=paper.letter * 0.22, fill=INK)
    # The uppermost first: where a name has no room on it, its line is there before the names below find their places.
    for k, layer in reversed(list(enumerate(stack.layers))):
        covered = unary_union([other.shape for other in stack.layers[k + 1 :]])
        seen = layer.shape.difference(covered).difference(kept_clear)
        side = () if layer.stuff is Stuff.TAPE else (layer.stuff.words,)
        if not paper.inside(seen, layer.name, *side):
            _beside(paper, seen, layer.name, *side)
    return Laid(paper.finish("How the layers lie", stack.words), stack.words)


def _layer(paper: Paper, layer: Layer) -> None:
    if layer.stuff is not Stuff.TAPE:
        paper.cloth(layer.shape, right_side=layer.stuff is Stuff.RIGHT, window=layer.window)
        return
    for part in getattr(layer.shape, "geoms", [layer.shape]):
        paper.add(
            "path",
            d=path_of(list(part.exterior.coords)[:-1]),
            fill=PAPER,
            stroke=INK,
            stroke_width=paper.letter * 0.06,
        )
        paper.crossed(part.exterior)
    tooth = f"{number(paper.letter * 0.12)} {number(paper.letter * 0.1)}"
    paper.line(layer.teeth, paper.letter * 0.3, tooth, stroke=QUIET)


def _row(paper: Paper, row: Row, stack: Stack) -> None:
    dash = (0.9, 0.5) if row.by_hand else (0.5, 0.26)
    paper.line(row.line, paper.letter * 0.16, " ".join(number(paper.letter * d) for d in dash))
    if row.begins or row.ends:
        arrow(paper, row.line)
    centre = unary_union([layer.shape for layer in stack.layers]).centroid
    for at, is_told, word in ((row.line[0], row.begins, "begin"), (row.line[-1], row.ends, "end")):
        if is_told:
            paper.add("circle", cx=at[0], cy=at[1], r=paper.letter * 0.22, fill=PAPER, stroke=paper.thread)
            paper.outside(at, (at[0] - centre.x, at[1] - centre.y), word, leader=True)


def _beside(paper: Paper, seen: BaseGeometry, *lines: str) -> None:
    """A name beside the drawing, led to the middle of what is seen of its layer."""
    if seen.is_empty:
        return
    at, whole = seen.representative_point(), unary_union(paper.areas)
    left, top, right, low = whole.bounds
    away = (at.x - whole.centroid.x, at.y - whole.centroid.y)
    if right - left > WIDE * (low - top):
        # Above or below it, so that a wide drawing is not made wider still, and smaller.
        away = (0.0, away[1] or 1.0)
    paper.outside((at.x, at.y), away if any(away) else (0.0, 1.0), *lines, leader=True)


def within(line: Sequence[Point], area: BaseGeometry) -> tuple[Point, ...]:
    """The longest run of a line inside an area."""
    found = runs(LineString(line).intersection(area))
    return tuple(max(found, key=lambda run: LineString(run).length)) if found else ()
