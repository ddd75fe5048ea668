"""The small picture of a pattern, on the shelf and at the head of its pages: the garment, or else its pieces."""

from __future__ import annotations

from rowanseed.core.pattern.pattern import Pattern
from rowanseed.drawings.line.drawing import can_be_drawn, line_drawing
from rowanseed.drawings.pieces import row
from rowanseed.drawings.shown import shown_lines
from rowanseed.drawings.svg import INK, PAPER, add, drawing, keep_weight, path_of, write


def portrait(pattern: Pattern) -> str:
    """The line drawing where the pieces have their places on a figure, else the pieces beside each other."""
    return line_drawing(pattern, small=True) if can_be_drawn(pattern) else _pieces(pattern)


def _pieces(pattern: Pattern) -> str:
    size = pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]
    placed, wide, tall, _ = row(pattern.pieces, size, ())
    root = drawing(wide, tall, f"{pattern.name}, its pieces", f"{len(pattern.pieces)} pieces, to one scale.")
    for item in placed:
        ring = [item.at(q) for q in shown_lines(item.piece, size).cutting_ring()]
        add(root, "path", d=path_of(ring), fill=PAPER, stroke=INK, stroke_width=1.2, stroke_linejoin="round")
    keep_weight(root)
    return write(root)
