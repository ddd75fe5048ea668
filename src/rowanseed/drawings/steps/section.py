"""A section through the layers: sheets of cloth seen from their cut edge, what is stitched through them, and numbers.

Every sheet is a line as thick as cloth with its right side drawn dark along one face, so that right and wrong side are
told apart without colour. What things are called stands beside the drawing by number; the numbers find places that lie
on no line. Figures are in units of the drawing: a layer of cloth is `THICK` of them.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from functools import lru_cache
from itertools import pairwise
from typing import Literal, assert_never
from xml.etree.ElementTree import Element

from shapely.geometry import LineString, MultiLineString, Polygon, box
from shapely.geometry import Point as Dot
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from rowanseed.core.base.words import Worded
from rowanseed.core.geometry.outline import Point
from rowanseed.drawings.svg import INK, PAPER, QUIET, add, drawing, number, path_of, write

THICK = 8.0
FACE = 2.6
"""How thick the line of the right side is."""
BADGE = 8.5
CLEAR = 2.0
MARGIN = 10.0
LEAST = (250.0, 96.0)
"""A scene is given at least so much room, so that all are drawn at about one scale."""
DISTANCES = (17.0, 26.0, 37.0, 50.0, 66.0)
DIRECTIONS = 16


class Sheets(Worded):
    """What a sheet is, told by its tone and by its name."""

    SHELL = "shell"
    SECOND = "second", "facing, band or binding"
    LINING = "lining"
    STIFF = "stiff", "interfacing or canvas"
    NOTION = "notion", "tape, elastic or zip"


TONES = {
    Sheets.SHELL: "#dfe5e3",
    Sheets.SECOND: "#c3cfcb",
    Sheets.LINING: "#f4efe2",
    Sheets.STIFF: "#ffffff",
    Sheets.NOTION: "#a9b8b3",
}


@dataclass(frozen=True)
class Sheet:
    """A layer of cloth from end to end. `right` is the side its right side is on, seen along it; empty: it has none."""

    name: str
    points: tuple[Point, ...]
    right: Literal["left", "right", ""] = ""
    kind: Sheets = Sheets.SHELL
    neatened: bool = False
    """Whether its last end is neatened."""

    @property
    def line(self) -> LineString:
        return LineString(_rounded(self.points))


@dataclass(frozen=True)
class Row:
    """A row of stitching through the layers, seen from its end: from where it enters to where it leaves."""

    name: str
    start: Point
    end: Point
    by: Literal["machine", "hand", "basting"] = "machine"


@dataclass(frozen=True)
class Thing:
    """Something that is no sheet: a cord, a zip's coil, a bone, a button, the edge loops of an overlocker."""

    name: str
    shape: Literal["round", "block", "coil", "loops", "button"]
    at: Point
    size: tuple[float, float] = (12.0, 12.0)


@dataclass(frozen=True)
class Arrow:
    """Where something is moved, pressed or cut; `both`: how far something is."""

    name: str
    start: Point
    end: Point
    both: bool = False


Part = Sheet | Row | Thing | Arrow


@dataclass(frozen=True)
class Scene:
    """A section: its title and its parts; `said` adds what the parts do not tell by themselves."""

    title: str
    parts: tuple[Part, ...]
    said: str = ""

    @property
    def names(self) -> tuple[str, ...]:
        """What the numbers stand for, in their order."""
        return tuple(dict.fromkeys(part.name for part in self.parts if part.name))

    @property
    def words(self) -> str:
        """The section read out."""
        told = "; ".join(f"{k}, {name}" for k, name in enumerate(self.names, start=1))
        return f"{self.title}. {told}." + (f" {self.said}" if self.said else "")


def _rounded(points: Sequence[Point], radius: float = 4.5) -> list[Point]:
    """A polyline with its corners rounded as cloth folds."""
    out = [points[0]]
    for before, corner, after in zip(points, points[1:], points[2:], strict=False):
        for k, (a, b) in enumerate(((before, corner), (after, corner))):
            gone = math.dist(a, b) or 1.0
            share = min(radius, gone / 2) / gone
            out.append((b[0] + (a[0] - b[0]) * share, b[1] + (a[1] - b[1]) * share))
            if k == 0:
                mid = len(out)
        first, last = out[mid - 1], out[-1]
        curve = [
            (
                (1 - t) ** 2 * first[0] + 2 * t * (1 - t) * corner[0] + t * t * last[0],
                (1 - t) ** 2 * first[1] + 2 * t * (1 - t) * corner[1] + t * t * last[1],
            )
            for t in (0.25, 0.5, 0.75)
        ]
        out[mid:mid] = curve
    return [*out, points[-1]]


# ---------------------------------------------------------------- where numbers stand


def _solid(part: Part) -> BaseGeometry:
    """What a number may not lie on."""
    match part:
        case Sheet():
            return part.line.buffer(THICK / 2 + 1, quad_segs=2)
        case Row(start=a, end=b) | Arrow(start=a, end=b):
            return LineString([a, b]).buffer(2.5, quad_segs=2)
        case Thing(at=(x, y), size=(w, h)):
            return box(x - w / 2, y - h / 2, x + w / 2, y + h / 2)
        case _:
            assert_never(part)


def _anchors(part: Part) -> Iterator[Point]:
    """Where on a part its number may point to, the best first."""
    match part:
        case Sheet(points=points):
            longest = max(pairwise(points), key=lambda ab: math.dist(*ab))
            yield points[0]
            yield ((longest[0][0] + longest[1][0]) / 2, (longest[0][1] + longest[1][1]) / 2)
            yield points[-1]
        case Row(start=a, end=b):
            yield a
            yield b
        case Arrow(start=a, end=b, both=both):
            yield ((a[0] + b[0]) / 2, (a[1] + b[1]) / 2) if both else a
            yield b
        case Thing(at=at):
            yield at
        case _:
            assert_never(part)


@dataclass(frozen=True)
class Badge:
    """A number's place, and the point it speaks of."""

    number: int
    at: Point
    of: Point


@lru_cache(maxsize=512)
def badges(scene: Scene) -> tuple[Badge, ...]:
    """A place for every number, clear of all parts, of each other and of each other's leaders."""
    solids = [_solid(part) for part in scene.parts]
    whole = unary_union(solids)
    taken: list[BaseGeometry] = []
    out = []
    for k, name in enumerate(scene.names, start=1):
        owners = [n for n, part in enumerate(scene.parts) if part.name == name]
        badge = _place(k, scene, owners, solids, whole, taken)
        taken += [Dot(badge.at).buffer(BADGE, quad_segs=4), LineString([badge.of, badge.at])]
        out.append(badge)
    return tuple(out)


@dataclass(frozen=True)
class _Candidate:
    """A place for a number, before it is known whether it is free: the less it is worth, the better."""

    worth: float
    owner: int
    of: Point
    at: Point


def _candidates(scene: Scene, owners: Sequence[int]) -> list[_Candidate]:
    """Places round every point that a number may speak of, near and straight ones first."""
    found = []
    for owner in owners:
        for rank, (x, y) in enumerate(_anchors(scene.parts[owner])):
            for near, distance in enumerate(DISTANCES):
                for turn in range(DIRECTIONS):
                    angle = 2 * math.pi * turn / DIRECTIONS
                    at = (x + distance * math.cos(angle), y + distance * math.sin(angle))
                    worth = near * 2 + rank * 1.5 + (0.0 if turn % 4 == 0 else 0.3)
                    found.append(_Candidate(worth, owner, (x, y), at))
    return sorted(found, key=lambda one: one.worth)


def _place(
    k: int,
    scene: Scene,
    owners: Sequence[int],
    solids: Sequence[BaseGeometry],
    whole: BaseGeometry,
    taken: Sequence[BaseGeometry],
) -> Badge:
    """The best free place; a leader that crosses other parts counts against it."""
    best: tuple[float, Badge] | None = None
    for one in _candidates(scene, owners):
        if best is not None and one.worth >= best[0]:
            break
        dot = Dot(one.at)
        if whole.distance(dot) < BADGE + CLEAR or any(t.distance(dot) < BADGE + CLEAR for t in taken):
            continue
        leader = LineString([one.of, one.at])
        crossed = sum(leader.intersects(solid) for n, solid in enumerate(solids) if n != one.owner)
        worth = one.worth + 10 * crossed + 20 * sum(leader.intersects(t) for t in taken)
        if best is None or worth < best[0]:
            best = (worth, Badge(k, one.at, one.of))
    if best is not None:
        return best[1]
    x, y = next(_anchors(scene.parts[owners[0]]))
    low = whole.bounds[3] + 2 * BADGE * (1 + len(taken) / 2)
    return Badge(k, (x, low), (x, y))


# ---------------------------------------------------------------- drawing


@lru_cache(maxsize=512)
def draw_section(scene: Scene, thread: str) -> str:
    """A section as a drawing with numbers; `thread` is the colour of its stitching."""
    places = badges(scene)
    shapes = [_solid(part) for part in scene.parts] + [Dot(badge.at).buffer(BADGE + 1) for badge in places]
    left = min(shape.bounds[0] for shape in shapes) - MARGIN
    top = min(shape.bounds[1] for shape in shapes) - MARGIN
    right = max(shape.bounds[2] for shape in shapes) + MARGIN
    low = max(shape.bounds[3] for shape in shapes) + MARGIN
    wide, tall = max(right - left, LEAST[0]), max(low - top, LEAST[1])
    dx, dy = -left + (wide - (right - left)) / 2, -top + (tall - (low - top)) / 2
    root = drawing(wide, tall, scene.title, scene.words, class_="section")
    moved = add(root, "g", transform=f"translate({number(dx)} {number(dy)})")
    for part in scene.parts:
        if isinstance(part, Sheet):
            _sheet(moved, part)
    for part in scene.parts:
        if not isinstance(part, Sheet):
            _other(moved, part, thread)
    for badge in places:
        _badge(moved, badge)
    return write(root)


def _sheet(root: Element, sheet: Sheet) -> None:
    line = sheet.line
    d = path_of(list(line.coords), closed=False)
    dashed = "3 2.5" if sheet.kind is Sheets.STIFF else None
    add(root, "path", d=d, fill="none", stroke=INK, stroke_width=THICK, stroke_linejoin="round")
    add(root, "path", d=d, fill="none", stroke=TONES[sheet.kind], stroke_width=THICK - 1.4, stroke_linejoin="round")
    if dashed:
        add(root, "path", d=d, fill="none", stroke=QUIET, stroke_width=2.0, stroke_dasharray=dashed)
    if sheet.right:
        away = THICK / 2 - FACE / 2
        face = line.offset_curve(-away if sheet.right == "left" else away, join_style="round")
        runs = face.geoms if isinstance(face, MultiLineString) else [face]
        for run in runs:
            if not run.is_empty:
                add(
                    root,
                    "path",
                    d=path_of(list(run.coords), closed=False),
                    fill="none",
                    stroke=INK,
                    stroke_width=FACE,
                )
    if sheet.neatened:
        (x, y), (bx, by) = sheet.points[-1], sheet.points[-2]
        away = math.dist((x, y), (bx, by)) or 1.0
        ux, uy = (x - bx) / away, (y - by) / away
        add(
            root,
            "path",
            d=" ".join(
                f"M{number(x - ux * k - uy * 5.5)} {number(y - uy * k + ux * 5.5)}"
                f"L{number(x - ux * (k - 3) + uy * 5.5)} {number(y - uy * (k - 3) - ux * 5.5)}"
                for k in (2.0, 6.0, 10.0)
            ),
            stroke=INK,
            stroke_width=1.2,
            fill="none",
        )


def _other(root: Element, part: Part, thread: str) -> None:
    match part:
        case Row(start=a, end=b, by=by):
            dash = {"machine": None, "basting": "4 3", "hand": "2 2"}[by]
            width = 3.2 if by == "machine" else 2.2
            d = path_of([a, b], closed=False)
            add(root, "path", d=d, stroke=PAPER, stroke_width=width + 2.0, fill="none", stroke_linecap="round")
            add(root, "path", d=d, stroke=thread, stroke_width=width, fill="none", stroke_dasharray=dash)
            for x, y in (a, b):
                add(root, "circle", cx=x, cy=y, r=2.4, fill=thread)
        case Thing(shape=shape, at=(x, y), size=(w, h)):
            _thing(root, shape, x, y, w, h, thread)
        case Arrow(start=a, end=b, both=both):
            _arrow(root, a, b, both=both)
        case Sheet():
            pass
        case _:
            assert_never(part)


def _thing(root: Element, shape: str, x: float, y: float, w: float, h: float, thread: str) -> None:
    match shape:
        case "round":
            add(root, "ellipse", cx=x, cy=y, rx=w / 2, ry=h / 2, fill=PAPER, stroke=INK, stroke_width=1.6)
        case "coil":
            for k in (-1, 1):
                add(root, "circle", cx=x + k * w / 4, cy=y, r=w / 4, fill=TONES[Sheets.NOTION], stroke=INK)
        case "loops":
            slants = range(-1, int(h / 5) + 1)
            d = "".join(
                f"M{number(x - w / 2)} {number(y - h / 2 + k * 5 + 4)}L{number(x + w / 2)} {number(y - h / 2 + k * 5)}"
                for k in slants
            )
            add(root, "path", d=d, fill="none", stroke=thread, stroke_width=1.7, stroke_linecap="round")
        case _:
            add(
                root,
                "rect",
                x=x - w / 2,
                y=y - h / 2,
                width=w,
                height=h,
                rx=2.0 if shape == "block" else h / 2,
                fill=TONES[Sheets.NOTION],
                stroke=INK,
                stroke_width=1.6,
            )


def _arrow(root: Element, a: Point, b: Point, *, both: bool) -> None:
    gone = math.dist(a, b) or 1.0
    ux, uy = (b[0] - a[0]) / gone, (b[1] - a[1]) / gone
    heads = [(b, ux, uy), (a, -ux, -uy)] if both else [(b, ux, uy)]
    add(root, "path", d=path_of([a, b], closed=False), stroke=INK, stroke_width=1.6, fill="none")
    for (x, y), hx, hy in heads:
        head = [(x - hx * 6 - hy * 3.2, y - hy * 6 + hx * 3.2), (x, y), (x - hx * 6 + hy * 3.2, y - hy * 6 - hx * 3.2)]
        add(root, "path", d=path_of(head, closed=False), stroke=INK, stroke_width=1.6, fill="none")


def _badge(root: Element, badge: Badge) -> None:
    (x, y), (ax, ay) = badge.at, badge.of
    gone = math.dist((x, y), (ax, ay)) or 1.0
    edge = (x - (x - ax) / gone * BADGE, y - (y - ay) / gone * BADGE)
    add(root, "path", d=path_of([(ax, ay), edge], closed=False), stroke=QUIET, stroke_width=1.0, fill="none")
    add(root, "circle", cx=x, cy=y, r=BADGE, fill=PAPER, stroke=QUIET, stroke_width=1.0)
    add(
        root,
        "text",
        str(badge.number),
        x=x,
        y=y + 4.2,
        font_size=12,
        text_anchor="middle",
        fill=INK,
        font_weight=700,
        class_="number",
    )


def overlaps(scene: Scene) -> tuple[str, ...]:
    """Numbers that lie on a line or on each other, in words; none in a good scene."""
    places = badges(scene)
    discs: list[Polygon] = [Dot(badge.at).buffer(BADGE) for badge in places]
    said = [
        f"{badge.number} lies on “{part.name}”"
        for badge, disc in zip(places, discs, strict=True)
        for part in scene.parts
        if disc.intersects(_solid(part))
    ]
    said += [
        f"{a.number} lies on {b.number}"
        for (a, one), (b, other) in pairwise(zip(places, discs, strict=True))
        if one.intersects(other)
    ]
    return tuple(said)
