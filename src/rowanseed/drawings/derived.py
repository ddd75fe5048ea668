"""Derived pieces drawn over the pieces they come from."""

from __future__ import annotations

from collections.abc import Sequence

from rowanseed.core.derive.layers import Derivation
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.pattern.pieces import LineKind
from rowanseed.core.pattern.seamline import lines
from rowanseed.drawings.pieces import rows
from rowanseed.drawings.svg import INK, add, drawing, halo, path_of, write


def draw_derived(found: Sequence[Derivation], size: str, thread: str, shade: str) -> str:
    """Each derived piece filled and outlined where it is cut, its own source dashed behind it; stitching lines
    dotted."""
    base = {d.piece.id: d.of for d in found}
    placed, wide, tall, letter = rows([d.piece for d in found], size, lambda piece: [base[piece.id]])
    said = "; ".join(f"{d.piece.name}: {', '.join(d.words)}" for d in found)
    root = drawing(wide, tall, "What is derived from the garment's pieces", said, class_="nest")
    for item in placed:
        both, of = lines(item.piece, size), base[item.piece.id]
        ring = [item.at(p) for p in both.cutting_ring()]
        add(
            root,
            "path",
            d=path_of(ring),
            fill=shade,
            fill_opacity=0.7,
            stroke=thread,
            stroke_width=letter * 0.13,
            stroke_linejoin="round",
        )
        add(
            root,
            "path",
            d=path_of([item.at(p) for p in lines(of, size).cutting_ring()]),
            fill="none",
            stroke=INK,
            stroke_width=letter * 0.07,
            stroke_dasharray="8 6",
        )
        add(
            root,
            "path",
            d=path_of([item.at(p) for p in both.seam_ring()]),
            fill="none",
            stroke=thread,
            stroke_width=letter * 0.06,
            stroke_dasharray="2 5",
        )
        for line in item.piece.lines:
            if line.kind is LineKind.PLEAT and size in line.ends:
                a, b = (item.at(p) for p in line.ends[size])
                add(
                    root,
                    "path",
                    d=path_of([a, b], closed=False),
                    stroke=INK,
                    stroke_width=letter * 0.1,
                    stroke_dasharray="14 4 3 4",
                )
        left = bounds(ring)[0]
        halo(root, left, item.name_y, item.piece.name, letter, fill=INK, font_weight=700)
    return write(root)
