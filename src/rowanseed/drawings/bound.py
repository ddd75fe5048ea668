"""An outline of a drawing as the piece that it is: its corners where the edges begin, each to be dragged along it."""

from __future__ import annotations

import json
from collections.abc import Sequence

from rowanseed.core.geometry.outline import Point, bounds
from rowanseed.drawings.shown import upright
from rowanseed.drawings.svg import CHALK, INK, PAPER, add, drawing, halo, path_of, write

LONG = 300.0
MARGIN = 30.0


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
    for k, (corner, edge) in enumerate(zip(corners, edges, strict=True)):
        x, y, _ = min(shown, key=lambda place: abs(place[2] - corner))
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
        add(group, "circle", r=6.5, fill=CHALK)
        out = 1 if x >= middle[0] else -1
        anchor = "start" if out > 0 else "end"
        halo(group, out * 9.0, 4.0 if y > middle[1] else -4.0, edge, 12.0, fill=CHALK, text_anchor=anchor)
    return write(root)
