"""A drawing that came in, shown with its outlines numbered and its straight edges named."""

from __future__ import annotations

from shapely.geometry import Polygon

from rowanseed.core.geometry.outline import chain_length, flatten, point_at
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.printing.lines import upright
from rowanseed.drawings.svg import INK, PAPER, QUIET, add, drawing, halo, path_of, write
from rowanseed.formats.svg_read import Drawing


def draw_outlines(drawn: Drawing, size: str) -> str:
    """Every outline where it stands on its page, with its number and the numbers of its edges."""
    rings = [[upright(p) for edge in piece.edges[size] for p in flatten(edge, 0.3)[:-1]] for piece in drawn.pieces]
    left, top, right, low = bounds([p for ring in rings for p in ring])
    margin = (right - left) * 0.03 + 20
    text = max(right - left, low - top) / 42
    root = drawing(
        right - left + 2 * margin,
        low - top + 2 * margin,
        "The outlines of the drawing",
        ", ".join(piece.name for piece in drawn.pieces),
        class_="outlines",
    )
    for n, (piece, ring) in enumerate(zip(drawn.pieces, rings, strict=True), start=1):
        moved = [(x - left + margin, y - top + margin) for x, y in ring]
        add(
            root,
            "path",
            d=path_of(moved),
            fill=PAPER,
            stroke=INK,
            stroke_width=text * 0.12,
            stroke_linejoin="round",
        )
        centre = Polygon(moved).representative_point()
        halo(
            root,
            centre.x,
            centre.y,
            f"{n}  {piece.name}",
            text,
            fill=INK,
            font_weight=700,
            text_anchor="middle",
        )
        if len(piece.edges[size]) > 12:
            continue
        for k, edge in enumerate(piece.edges[size], start=1):
            # A third of the way along, so that it is clear of the name in the middle of a narrow piece.
            px, py = upright(point_at(edge, chain_length(edge) * 0.34))
            x, y = px - left + margin, py - top + margin
            away = max(1.0, ((centre.x - x) ** 2 + (centre.y - y) ** 2) ** 0.5)
            x, y = x + (centre.x - x) / away * text * 0.8, y + (centre.y - y) / away * text * 0.8
            halo(root, x, y + text * 0.25, str(k), text * 0.66, fill=QUIET, text_anchor="middle")
    return write(root)
