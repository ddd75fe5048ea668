"""What lying pieces are drawn on: it collects what is drawn, and finds places for words that lie on no line."""

from __future__ import annotations

import math
from collections.abc import Iterable, Iterator, Sequence
from itertools import product
from xml.etree.ElementTree import Element

import numpy as np
from numpy.typing import NDArray
from shapely import STRtree, contains, maximum_inscribed_circle, prepare, total_bounds
from shapely import box as boxes
from shapely.geometry import LineString, MultiPolygon, Polygon, box
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from rowanseed.core.geometry.outline import Point
from rowanseed.core.geometry.polyline import bounds
from rowanseed.drawings.steps.placing import Lying
from rowanseed.drawings.svg import INK, PAPER, QUIET, add, drawing, halo, number, path_of, write

Floats = NDArray[np.float64]
Box = tuple[float, float, float, float]
"""Left, top, right, low."""
LONG = 16
"""Words beside the pieces stand in two lines from so many letters on."""
APART = 0.5
"""Between words beside the pieces so much of a letter is left free, where they have two lines."""
ABOUT_A_SEAM = 90.0
"""So much of the pieces is drawn about a seam at least, in mm."""


AHEAD, BESIDE = (0.0, 0.5, -0.5, 1.0, -1.0), (1.6, -1.6, 2.2, -2.2)
"""How far words may stand aside from the way that leads away from the pieces, in radians: where they can, and else."""
NEARS, TURNS = np.array([*product(range(1, 60), AHEAD), *product(range(1, 60), BESIDE)]).T
"""Where words beside the pieces are tried, one after another: how far away, in steps, and how far aside."""
CLOSE, TRIED = 4, 64
"""Words so many steps away need no line to what they name. So many places are looked at together."""


class Paper:
    """Collects what is drawn, and finds places for words that lie on no line."""

    def __init__(self, thread: str, shade: str, key: str) -> None:
        self.thread, self.shade, self.key = thread, shade, key
        self.areas: list[BaseGeometry] = []
        self.lines: list[BaseGeometry] = []
        self.words: list[Box] = []
        self.parts: list[tuple[str, dict[str, object], str | None]] = []
        self.letter = 20.0
        self.window: BaseGeometry | None = None

    def scale(self, lyings: Sequence[Lying]) -> None:
        """Lettering by the size of what is drawn."""
        self.scale_to([self.seen(lying.cutting()) for lying in lyings])

    def scale_to(self, shapes: Sequence[BaseGeometry]) -> None:
        """The same, by what is seen of it."""
        left, top, right, low = unary_union(shapes).bounds
        self.letter = max((right - left) / 26, (low - top) / 22, 6.0)

    def add(self, tag: str, text: str | None = None, **attributes: object) -> None:
        self.parts.append((tag, attributes, text))

    def cloth(self, area: BaseGeometry, *, right_side: bool, window: BaseGeometry | None = None) -> None:
        """An area of cloth, its right side in the shade with a twill, its wrong side pale with dots.

        Where it goes on beyond what is drawn, or beyond its own window, it has no outline.
        """
        tone = self.shade if right_side else PAPER
        pattern = "right" if right_side else "wrong"
        held = window or self.window
        inner = held.buffer(-0.5) if held is not None else None
        for ring in rings(area):
            self.add("path", d=path_of(ring), fill=tone)
            self.add("path", d=path_of(ring), fill=f"url(#{self.key}-{pattern})")
            outline = LineString([*ring, ring[0]])
            for run in runs(outline if inner is None else outline.intersection(inner)):
                d = path_of(run, closed=False)
                self.add("path", d=d, fill="none", stroke=INK, stroke_width=self.letter * 0.09)
            self.crossed(outline)

    def look_at(self, line: Sequence[Point]) -> None:
        """Draw what lies about a seam, not the whole of long pieces."""
        self.window = about([line], 0.9)

    def seen(self, ring: Sequence[Point]) -> BaseGeometry:
        """What is drawn of an outline."""
        return self.within(Polygon(ring).buffer(0))

    def within(self, area: BaseGeometry) -> BaseGeometry:
        """What is drawn of an area."""
        return area if self.window is None else area.intersection(self.window)

    def crossed(self, line: LineString) -> None:
        """Words keep clear of it; as finely as words need it."""
        self.lines.append(line.simplify(self.letter * 0.08).buffer(self.letter * 0.12, quad_segs=1))

    def line(self, points: Sequence[Point], width: float, dash: str | None = None, stroke: str | None = None) -> None:
        self.add(
            "path",
            d=path_of(points, closed=False),
            fill="none",
            stroke=stroke or self.thread,
            stroke_width=width,
            stroke_dasharray=dash,
            stroke_linecap="butt",
        )
        if len(points) > 1:
            self.crossed(LineString(points))

    def marker(self, points: Sequence[Point]) -> None:
        """A broad pale line, as by a marker, where something is done that is no row of stitching."""
        d = path_of(points, closed=False)
        width = self.letter * 0.6
        self.add("path", d=d, fill="none", stroke=self.thread, stroke_opacity=0.35, stroke_width=width)

    def spot(self, at: Point) -> None:
        """An empty circle where something is sewn on, or worked."""
        x, y = at
        self.add(
            "circle", cx=x, cy=y, r=self.letter * 0.3, fill=PAPER, stroke=self.thread, stroke_width=self.letter * 0.14
        )

    def box_of(self, at: Point, lines: Sequence[str], size: float) -> Box:
        half, tall = max(map(len, lines)) * size * 0.29, len(lines) * size * 0.62
        return (at[0] - half, at[1] - tall, at[0] + half, at[1] + tall)

    def _is_free(self, found: Box) -> bool:
        """Whether no other words stand there."""
        return not any(_overlap(found, word) for word in self.words)

    def inside(self, region: BaseGeometry, *texts: str) -> bool:
        """Words within an area, clear of its lines; smaller where it is narrow. Whether they found a place."""
        parts = list(region.geoms) if isinstance(region, MultiPolygon) else [region]
        parts = [part for part in parts if isinstance(part, Polygon) and part.area > self.letter**2]
        if not parts:
            return False
        for part in sorted(parts, key=lambda p: -p.area)[:2]:
            coarse = part.simplify(self.letter * 0.1).buffer(0)
            free = coarse.difference(unary_union([line for line in self.lines if line.intersects(coarse)]))
            prepare(free)
            spots = np.array(list(_spots(free, coarse)))
            for share in (1.0, 0.82, 0.66):
                size = self.letter * share
                for lines in dict.fromkeys((texts, (*_in_two(texts[0]), *texts[1:]))):
                    if self._set(free, spots, lines, size, bold=len(lines) - len(texts) + 1):
                        return True
        return False

    def _set(self, free: BaseGeometry, spots: Floats, lines: Sequence[str], size: float, *, bold: int) -> bool:
        """Lines of words about the first of some points where they find room, the first of them bold."""
        wide = max(len(line) for line in lines) * size * 0.29
        tall = len(lines) * size * 0.625
        x, y = spots[:, 0], spots[:, 1]
        for at in spots[contains(free, boxes(x - wide, y - tall, x + wide, y + tall))].tolist():
            whole = (at[0] - wide, at[1] - tall, at[0] + wide, at[1] + tall)
            if not self._is_free(whole):
                continue
            self._say_all(at, lines, size, bold=bold)
            self.words.append(whole)
            return True
        return False

    def outside(self, at: Point, away: Point, *lines: str, leader: bool = False) -> None:
        """Lines of words beside a point, away from the pieces, as near as they fit; what is long stands in two lines
        beside a drawing, and in one above and below a high one, so that it stays large."""
        parted = [part for line in lines for part in (_in_two(line) if len(line) > LONG else (line,))]
        whole = [", ".join(lines)]
        gone = math.hypot(*away) or 1.0
        ux, uy = away[0] / gone, away[1] / gone
        taken = [*(area.simplify(self.letter * 0.1) for area in self.areas), *self.lines]
        left, top, right, low = total_bounds(taken)
        size = self.letter * 0.9
        fits_above = len(whole[0]) * size * 0.58 < max(right - left, low - top)
        dx, dy = ux * np.cos(TURNS) - uy * np.sin(TURNS), ux * np.sin(TURNS) + uy * np.cos(TURNS)
        in_one = fits_above & (np.abs(dy) > np.abs(dx))
        half, more, tall, apart = (np.where(in_one, *pair) for pair in zip(*_sizes(whole, parted, size), strict=True))
        reach = size * (0.6 + NEARS * 0.4)
        x, y = at[0] + dx * (reach + np.abs(dx) * half), at[1] + dy * (reach + more)
        boxed = np.stack([x - half, y - tall, x + half, y + tall], axis=1)
        # Words of two lines stand clear of others, so that each line is seen to belong to its own.
        clears = boxed + np.stack([0 * apart, -apart, 0 * apart, apart], axis=1)
        for k in _free_of(STRtree(taken), boxed, clears, self.words):
            texts, centre = whole if in_one[k] else parted, (float(x[k]), float(y[k]))
            found, clear = _as_box(boxed[k]), _as_box(clears[k])
            line = [at, _edge_of(found, at)] if leader or NEARS[k] > CLOSE else []
            if not line or not any(_runs_through(word, *line) for word in self.words):
                if line:
                    self.line(line, self.letter * 0.05, stroke=QUIET)
                self._say_all(centre, texts, size, bold=0)
                self.words.append(clear)
                return

    def _say_all(self, centre: Point, lines: Sequence[str], size: float, *, bold: int) -> None:
        """Lines about a point, the first of them bold."""
        for k, line in enumerate(lines):
            down = centre[1] + (k - (len(lines) - 1) / 2) * size * 1.25 + size * 0.34
            self._say(centre[0], down, line, size, bold=k < bold)

    def _say(self, x: float, y: float, text: str, size: float, *, bold: bool) -> None:
        self.parts.append(
            ("halo", {"x": x, "y": y, "size": size, "font_weight": 700 if bold else 400}, text),
        )

    def finish(self, title: str, words: str) -> str:
        boxes = [*(area.bounds for area in self.areas), *(line.bounds for line in self.lines), *self.words]
        left = min(b[0] for b in boxes) - self.letter
        top = min(b[1] for b in boxes) - self.letter
        right = max(b[2] for b in boxes) + self.letter
        low = max(b[3] for b in boxes) + self.letter
        root = drawing(right - left, low - top, title, words, class_="laid")
        self._tones(root)
        moved = add(root, "g", transform=f"translate({number(-left)} {number(-top)})")
        for tag, attributes, text in self.parts:
            if tag == "halo":
                rest = {k: v for k, v in attributes.items() if k not in ("x", "y", "size")}
                halo(
                    moved,
                    _float(attributes["x"]),
                    _float(attributes["y"]),
                    text or "",
                    _float(attributes["size"]),
                    fill=INK,
                    text_anchor="middle",
                    **rest,
                )
            else:
                add(moved, tag, text, **attributes)
        return write(root)

    def _tones(self, root: Element) -> None:
        defs = add(root, "defs")
        step = self.letter * 0.5
        right = add(defs, "pattern", id=f"{self.key}-right", width=step, height=step, patternUnits="userSpaceOnUse")
        add(
            right,
            "path",
            d=f"M0 {number(step)}L{number(step)} 0",
            stroke=self.thread,
            stroke_width=step * 0.09,
            stroke_opacity=0.35,
        )
        wrong = add(
            defs,
            "pattern",
            id=f"{self.key}-wrong",
            width=step * 1.6,
            height=step * 1.6,
            patternUnits="userSpaceOnUse",
        )
        add(wrong, "circle", cx=step * 0.8, cy=step * 0.8, r=step * 0.1, fill=QUIET, fill_opacity=0.5)


def about(lines: Iterable[Sequence[Point]], share: float) -> BaseGeometry:
    """What lies about some lines: `share` is how far, of their length."""
    found = []
    for line in lines:
        left, top, right, low = bounds(line)
        away = max(ABOUT_A_SEAM, math.hypot(right - left, low - top) * share)
        found.append(box(left - away, top - away, right + away, low + away))
    return unary_union(found)


def _float(value: object) -> float:
    return float(str(value))


def _spots(free: BaseGeometry, part: Polygon) -> Iterator[Point]:
    """Where within an area words are tried: its roomiest place, its middle, and points of a grid."""
    parts = [p for p in getattr(free, "geoms", [free]) if isinstance(p, Polygon) and p.area > 0]
    for one in sorted(parts, key=lambda p: -p.area)[:2]:
        roomiest = maximum_inscribed_circle(one, tolerance=max(1.0, math.sqrt(one.area) / 12))
        yield roomiest.coords[0][0], roomiest.coords[0][1]
        yield one.representative_point().x, one.representative_point().y
    left, top, right, low = part.bounds
    for j in (0.5, 0.35, 0.65, 0.2, 0.8):
        for i in (0.5, 0.35, 0.65):
            yield left + (right - left) * i, top + (low - top) * j


def _sizes(whole: Sequence[str], parted: Sequence[str], size: float) -> tuple[tuple[float, ...], tuple[float, ...]]:
    """Of words in one line, and parted: half their width, how much farther away they stand, half their height, and how
    far from others."""
    one, other = (
        (
            max(map(len, texts)) * size * 0.29,
            (len(texts) - 1) * size * 0.62,
            len(texts) * size * 0.62,
            size * APART * (len(texts) > 1),
        )
        for texts in (whole, parted)
    )
    return one, other


def _free_of(taken: STRtree, boxed: Floats, clears: Floats, words: Sequence[Box]) -> Iterator[int]:
    """The places, in their order, that neither the pieces take up nor other words, `clears` being kept from those."""
    for first in range(0, len(boxed), TRIED):
        some = slice(first, first + TRIED)
        left, top, right, low = clears[some].T
        free = np.ones(len(left), bool)
        for word in words:
            free &= ~((left < word[2]) & (word[0] < right) & (top < word[3]) & (word[1] < low))
        places = np.flatnonzero(free) + first
        crossing, _ = taken.query(boxes(*boxed[places].T), predicate="intersects")
        yield from (int(k) for k in np.delete(places, crossing))


def _as_box(row: Floats) -> Box:
    left, top, right, low = (float(one) for one in row)
    return left, top, right, low


def _in_two(text: str) -> tuple[str, ...]:
    """Words in two lines, about as long; one word stays whole."""
    words = text.split()
    if len(words) < 2:
        return (text,)
    halves = [(" ".join(words[:k]), " ".join(words[k:])) for k in range(1, len(words))]
    return min(halves, key=lambda pair: max(map(len, pair)))


def _overlap(a: Box, b: Box) -> bool:
    return a[0] < b[2] and b[0] < a[2] and a[1] < b[3] and b[1] < a[3]


def _runs_through(found: Box, a: Point, b: Point) -> bool:
    """Whether a straight line has a point in a box."""
    first, last = 0.0, 1.0
    for k in (0, 1):
        low, high, gone = found[k] - a[k], found[k + 2] - a[k], b[k] - a[k]
        if not gone:
            if low > 0 or high < 0:
                return False
            continue
        near, far = sorted((low / gone, high / gone))
        first, last = max(first, near), min(last, far)
    return first <= last


def _edge_of(found: Box, at: Point) -> Point:
    """The point of a box that is nearest to another."""
    left, top, right, low = found
    return (min(max(at[0], left), right), min(max(at[1], top), low))


def exterior(shape: BaseGeometry) -> list[Point]:
    return [p for ring in rings(shape) for p in ring]


def rings(shape: BaseGeometry) -> list[list[Point]]:
    parts = [p for p in getattr(shape, "geoms", [shape]) if isinstance(p, Polygon) and p.area > 1]
    return [[(x, y) for x, y in part.exterior.coords[:-1]] for part in parts]


def runs(found: BaseGeometry) -> list[list[Point]]:
    """The lines of what an intersection found, points and areas left out."""
    parts = getattr(found, "geoms", [found])
    return [[(x, y) for x, y in part.coords] for part in parts if isinstance(part, LineString) and not part.is_empty]


def dot(p: Point) -> BaseGeometry:
    return box(p[0] - 0.1, p[1] - 0.1, p[0] + 0.1, p[1] + 0.1)
