"""The pieces with the edges that can be sewn in more than one way, to be tapped."""

from __future__ import annotations

from collections.abc import Collection, Mapping, Sequence

from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.drawings.pieces import rows
from rowanseed.drawings.shown import shown_lines
from rowanseed.drawings.svg import INK, PAPER, QUIET, add, drawing, halo, number, path_of, write


def draw_choices(
    pattern: Pattern,
    size: str,
    edges: Mapping[str, Sequence[EdgePart]],
    names: Mapping[str, str],
    chosen: Collection[str],
    looked_at: str,
    thread: str,
) -> str:
    """`edges` are those of every part, by its id; `chosen` the parts that are sewn otherwise than is usual."""
    wanted = {edge.piece for parts in edges.values() for edge in parts}
    pieces = [piece for piece in pattern.pieces if piece.id in wanted and size in piece.shapes]
    if not pieces:
        return ""
    placed, wide, tall, letter = rows(pieces, size, lambda piece: [])
    root = drawing(
        wide,
        tall,
        "What can be sewn in more than one way",
        "; ".join(names[part] for part in edges),
        class_="choices",
    )
    root.set("role", "group")
    for item in placed:
        both = shown_lines(item.piece, size)
        ring = [item.at(p) for p in both.cutting_ring()]
        add(root, "path", d=path_of(ring), fill=PAPER, stroke=QUIET, stroke_width=1.6, stroke_linejoin="round")
        halo(root, min(x for x, _ in ring), item.name_y, item.piece.name, letter, fill=INK, font_weight=700)
        for part, own in edges.items():
            for edge in own:
                if edge.piece != item.piece.id:
                    continue
                run = [item.at(p) for p in both.seam[edge.edge]]
                link = add(root, "a", href=f"?part={part}#way-{part}")
                add(link, "title", names[part])
                d = path_of(run, closed=False)
                here = part == looked_at
                # A broad line that is not seen is what a finger finds.
                add(link, "path", d=d, fill="none", stroke="transparent", stroke_width=letter * 1.1)
                add(
                    link,
                    "path",
                    d=d,
                    fill="none",
                    stroke=INK if here else thread,
                    stroke_width=letter * (0.42 if here else 0.26),
                    stroke_dasharray=None if part in chosen else f"{number(letter * 0.7)} {number(letter * 0.3)}",
                )
    return write(root)
