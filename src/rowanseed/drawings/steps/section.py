"""A section through the layers: sheets of cloth seen from their cut edge, what is stitched through them, and numbers.

Every sheet is a line as thick as cloth with its right side drawn dark along one face, so that right and wrong side are
told apart without colour. What things are called stands beside the drawing by number; the numbers find places that lie
on no line. Figures are in units of the drawing: a layer of cloth is `THICK` of them.
"""

from __future__ import annotations

import math
from functools import lru_cache
from typing import assert_never
from xml.etree.ElementTree import Element

from shapely.geometry import MultiLineString
from shapely.geometry import Point as Dot

from rowanseed.core.geometry.outline import Point
from rowanseed.drawings.steps.badges import BADGE, Badge, badges, solid
from rowanseed.drawings.steps.scene import THICK, Arrow, Part, Row, Scene, Sheet, Sheets, Thing
from rowanseed.drawings.svg import INK, PAPER, QUIET, add, drawing, number, path_of, write

FACE = 2.6
"""How thick the line of the right side is."""
MARGIN = 10.0
LEAST = (250.0, 96.0)
"""A scene is given at least so much room, so that all are drawn at about one scale."""


TONES = {
    Sheets.SHELL: "#dfe5e3",
    Sheets.SECOND: "#c3cfcb",
    Sheets.LINING: "#f4efe2",
    Sheets.STIFF: "#ffffff",
    Sheets.NOTION: "#a9b8b3",
}


@lru_cache(maxsize=512)
def draw_section(scene: Scene, thread: str) -> str:
    """A section as a drawing with numbers; `thread` is the colour of its stitching."""
    places = badges(scene)
    shapes = [solid(part) for part in scene.parts] + [Dot(badge.at).buffer(BADGE + 1) for badge in places]
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
