"""An outline of a drawing as the piece that it is: its corners where the edges begin, each to be dragged along it."""

from __future__ import annotations

import json
from collections.abc import Sequence

from rowanseed.core.geometry.outline import Point
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.printing.lines import upright
from rowanseed.drawings.svg import CHALK, INK, PAPER, add, drawing, halo, path_of, write

LETTER = 12.0
LONG = 300.0
MARGIN = 30.0
HANDLE = 6.5


def draw_bound(
    name: str, places: Sequence[tuple[float, Point]], corners: Sequence[float], edges: Sequence[str], field: str
) -> str:
    """The outline upright, a handle at every corner. `field` is what the fields of the corners' positions are called;
    the places where a handle may be put are in `data-ring`: x, y, position."""
    x0, y0, x1, y1 = bounds([upright(p) for _, p in places])
    scale = LONG / max(x1 - x0, y1 - y0)

    def at(p: Point) -> Point:
        x, y = upright(p)
        return ((x - x0) * scale + MARGIN, (y - y0) * scale + MARGIN)

    shown = [(*at(p), position) for position, p in places]
    root = drawing(
        (x1 - x0) * scale + 2 * MARGIN,
        (y1 - y0) * scale + 2 * MARGIN,
        f"{name}, its corners",
        "Each corner is where an edge begins: " + ", ".join(edges) + ".",
        class_="bound",
        data_ring=json.dumps([[round(x, 1), round(y, 1), round(q, 4)] for x, y, q in shown]),
    )
    add(root, "path", d=path_of([(x, y) for x, y, _ in shown]), fill=PAPER, stroke=INK, stroke_width=1.4)
    middle = (sum(x for x, _, _ in shown) / len(shown), sum(y for _, y, _ in shown) / len(shown))
    points = [min(shown, key=lambda place: abs(place[2] - corner))[:2] for corner in corners]
    taken = [(x - HANDLE, y - HANDLE, x + HANDLE, y + HANDLE) for x, y in points]
    for k, ((x, y), corner, edge) in enumerate(zip(points, corners, edges, strict=True)):
        group = add(
            root,
            "g",
            class_="corner",
            tabindex=0,
            role="slider",
            aria_label=f"{name}: where the edge “{edge}” begins",
            aria_valuenow=round(corner, 3),
            aria_valuemin=0,
            aria_valuemax=len(edges) + 20,
            data_field=f"{field}-{k}",
            transform=f"translate({x:.1f} {y:.1f})",
        )
        add(group, "circle", r=HANDLE, fill=CHALK)
        out = 1 if x >= middle[0] else -1
        out, down = _beside((x, y), out, 4.0 if y > middle[1] else -4.0, edge, taken)
        halo(group, out * 9.0, down, edge, LETTER, fill=CHALK, text_anchor="start" if out > 0 else "end")
    return write(root)


def _beside(
    corner: Point, out: int, down: float, words: str, taken: list[tuple[float, float, float, float]]
) -> tuple[int, float]:
    """On which side of its corner a name stands, and how far down, clear of other corners and the names before it."""
    wide = 0.56 * LETTER * len(words)
    for side, lower in ((out, down), (out, down + 22.0), (out, down - 18.0), (-out, down), (-out, down + 22.0)):
        left = corner[0] + 9.0 if side > 0 else corner[0] - 9.0 - wide
        box = (left, corner[1] + lower - LETTER, left + wide, corner[1] + lower)
        if not any(box[0] < b[2] and b[0] < box[2] and box[1] < b[3] and b[1] < box[3] for b in taken):
            break
    taken.append(box)
    return side, lower
