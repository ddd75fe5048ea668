"""Seams as they will look sewn: both pieces opened out at the seam, the print on each as the lay cuts it."""

from __future__ import annotations

from collections.abc import Callable
from xml.etree.ElementTree import Element

from shapely.geometry import LineString, Polygon, box

from rowanseed.core.cloth.across_seams import OnCloth, SewnSeam
from rowanseed.core.cloth.cloth import Cloth
from rowanseed.core.geometry.outline import Point
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.pattern.joined import runs_against
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.drawings.colour import pale
from rowanseed.drawings.steps.placing import Lying, as_drawn, opened_from
from rowanseed.drawings.svg import INK, PAPER, add, drawing, number, path_of, write
from rowanseed.drawings.swatch import define_fill

BESIDE = 140.0
"""So much of each piece is drawn beside the seam, in mm."""
TALLEST = 620.0


def draw_sewn(pattern: Pattern, size: str, seam: SewnSeam, cloth: Cloth, name: str) -> str:
    """The seam's upper part where it is long; `name` tells this drawing's fills from those of others on the page."""
    a, b = seam.join.a[0], seam.join.b[0]
    first = as_drawn(pattern.piece(a.piece), size)
    second = opened_from(first, [a], pattern.piece(b.piece), [b], against=runs_against(pattern, a, b))
    hand = -1.0 if seam.mirrored else 1.0

    def put(lying: Lying) -> Callable[[Point], Point]:
        """From the piece frame of the piece as drawn to the drawing."""
        return lambda p: (lambda q: (q[0] * hand, q[1]))(lying.move((p[1], p[0])))

    line = [(x * hand, y) for x, y in first.stitched([a])]
    left, top, right, low = bounds(line)
    low = min(low, top + TALLEST)
    window = box(left - BESIDE, top - 20, right + BESIDE, low + 20)
    wide, tall = right - left + 2 * BESIDE, low - top + 40
    names = f"{pattern.piece(a.piece).name} and {pattern.piece(b.piece).name}"
    root = drawing(
        wide, tall, f"{seam.join.name}, sewn", f"{names} with the print as it comes together.", class_="sewn"
    )
    defs = add(root, "defs")
    moved = add(root, "g", transform=f"translate({number(BESIDE - left)} {number(20 - top)})")
    for k, (lying, on) in enumerate(((first, seam.a), (second, seam.b))):
        shape = Polygon([(x * hand, y) for x, y in lying.seam()]).buffer(0).intersection(window)
        fill = define_fill(defs, cloth, f"{name}-{k}", transform=from_cloth(put(lying), on))
        for part in getattr(shape, "geoms", [shape]):
            if isinstance(part, Polygon) and not part.is_empty:
                draw_part(moved, part, fill if fill.startswith("url") else pale(cloth.colour, 0.74))
    run = LineString(line).intersection(window)
    for piece in getattr(run, "geoms", [run]):
        if isinstance(piece, LineString):
            path = path_of(list(piece.coords), closed=False)
            add(moved, "path", d=path, fill="none", stroke=INK, stroke_width=1.4, stroke_dasharray="6 4")
    return write(root)


def draw_part(group: Element, part: Polygon, fill: str) -> None:
    ring = list(part.exterior.coords)[:-1]
    add(group, "path", d=path_of(ring), fill=PAPER)
    add(group, "path", d=path_of(ring), fill=fill, stroke=INK, stroke_width=1.2)


def from_cloth(put: Callable[[Point], Point], on: OnCloth) -> str:
    """From the cloth, its y turned down, to the drawing: what takes three points of the piece from one to the other."""
    spots = ((0.0, 0.0), (100.0, 0.0), (0.0, 100.0))
    cloth = [(x, -y) for x, y in (on.at(p) for p in spots)]
    drawn = [put(p) for p in spots]
    (ux, uy), (vx, vy) = ((cloth[k][0] - cloth[0][0], cloth[k][1] - cloth[0][1]) for k in (1, 2))
    (px, py), (qx, qy) = ((drawn[k][0] - drawn[0][0], drawn[k][1] - drawn[0][1]) for k in (1, 2))
    area = ux * vy - uy * vx
    a, c = (px * vy - qx * uy) / area, (qx * ux - px * vx) / area
    b, d = (py * vy - qy * uy) / area, (qy * ux - py * vx) / area
    e = drawn[0][0] - a * cloth[0][0] - c * cloth[0][1]
    f = drawn[0][1] - b * cloth[0][0] - d * cloth[0][1]
    return f"matrix({a:.6f} {b:.6f} {c:.6f} {d:.6f} {e:.4f} {f:.4f})"
