"""Lays compared by cloth and by work: each a dot, the ones that are not beaten in both joined by a line."""

from __future__ import annotations

from collections.abc import Sequence

from rowanseed.core.base.units import Units, format_cloth
from rowanseed.core.lay.work import Compared, front
from rowanseed.drawings.svg import INK, LINE, PAPER, QUIET, add, drawing, number, path_of, write

WIDE, TALL = 340.0, 190.0
LEFT, BOTTOM = 34.0, 34.0
SIZE = 11.0


def draw_compared(lays: Sequence[Compared], units: Units) -> str:
    """Cloth to the right, work upwards: what is lower and further to the left is better."""
    root = drawing(
        WIDE + LEFT + 12,
        TALL + BOTTOM + 12,
        "Layouts compared by cloth and work",
        "; ".join(f"{one.letter}: {format_cloth(one.length, units)}, work {one.effort}" for one in lays),
        class_="compared",
    )
    least, most = min(o.length for o in lays), max(o.length for o in lays)
    easy, hard = min(o.effort for o in lays), max(o.effort for o in lays)

    def at(one: Compared) -> tuple[float, float]:
        x = (one.length - least) / (most - least) if most > least else 0.0
        y = (one.effort - easy) / (hard - easy) if hard > easy else 0.0
        return (LEFT + 24 + x * (WIDE - 60), 12 + TALL - 24 - y * (TALL - 48))

    axes = f"M{number(LEFT)} 12V{number(12 + TALL)}H{number(LEFT + WIDE)}"
    add(root, "path", d=axes, fill="none", stroke=LINE, stroke_width=1.5)
    best = front(lays)
    if len(best) > 1:
        path = path_of([at(one) for one in best], closed=False)
        add(root, "path", d=path, fill="none", stroke=INK, stroke_width=1.5, stroke_dasharray="5 4")
    for one in lays:
        x, y = at(one)
        filled = any(one.both == other.both for other in best)
        add(root, "circle", cx=x, cy=y, r=SIZE, fill=INK if filled else PAPER, stroke=INK, stroke_width=1.5)
        if one.in_use:
            add(root, "circle", cx=x, cy=y, r=SIZE + 4, fill="none", stroke=INK, stroke_width=1.5)
        colour = PAPER if filled else INK
        text = {"font_size": 12.0, "font_weight": 700, "text_anchor": "middle", "fill": colour}
        add(root, "text", one.letter, x=x, y=y + 4.2, **text)
    low = 12 + TALL + 20
    ends = [format_cloth(least, units), format_cloth(most, units)]
    add(root, "text", ends[0], x=LEFT + 10, y=low, font_size=12.0, fill=QUIET)
    if ends[1] != ends[0]:
        add(root, "text", ends[1], x=LEFT + WIDE, y=low, font_size=12.0, fill=QUIET, text_anchor="end")
    middle = {"font_size": 12.0, "fill": INK, "text_anchor": "middle"}
    add(root, "text", "cloth", x=LEFT + WIDE / 2, y=low, **middle)
    turned = f"rotate(-90 {number(LEFT - 14)} {number(12 + TALL / 2)})"
    add(root, "text", "work", x=LEFT - 14, y=12 + TALL / 2, transform=turned, **middle)
    return write(root)
