"""How much to buy at each width, drawn as lengths beside each other; the envelope's figure marked on them."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from rowanseed.core.base.units import INCH, Units, format_cloth
from rowanseed.drawings.svg import INK, QUIET, add, drawing, halo, number, write

WIDE, LEFT, ROW = 900.0, 190.0, 30.0


@dataclass(frozen=True)
class Bar:
    """A case: the width's name, with nap or not, the length to buy and the envelope's, in mm."""

    name: str
    one_way: bool
    length: float
    printed: float | None


def draw_widths(bars: Sequence[Bar], units: Units, thread: str, ground: str, name: str) -> str:
    """Bars to one scale; with nap hatched, so that colour need not tell them apart."""
    longest = max([b.length for b in bars] + [b.printed or 0.0 for b in bars]) * 1.06
    scale = (WIDE - LEFT - 30) / longest
    tall = ROW * len(bars) + 44
    said = "; ".join(f"{b.name}{', with nap' if b.one_way else ''}: {format_cloth(b.length, units)}" for b in bars)
    root = drawing(WIDE, tall, f"Length to buy by width: {name}", said, class_="strips")
    pattern = add(
        add(root, "defs"),
        "pattern",
        id=f"nap-{name}",
        width=8,
        height=8,
        patternUnits="userSpaceOnUse",
        patternTransform="rotate(45)",
    )
    add(pattern, "rect", width=8, height=8, fill=ground)
    add(pattern, "path", d="M0 0V8", stroke=thread, stroke_width=3)
    step = 500.0 if units is Units.METRIC else INCH * 18
    for k in range(int(longest // step) + 1):
        x = LEFT + k * step * scale
        add(root, "path", d=f"M{number(x)} 24V{number(tall - 14)}", stroke="#dfe5e3", stroke_width=1.5)
        add(
            root,
            "text",
            "0" if k == 0 else format_cloth(k * step, units),
            x=x,
            y=16,
            font_size=14,
            fill=QUIET,
            text_anchor="middle",
        )
    for k, bar in enumerate(bars):
        y = 30 + k * ROW
        add(
            root,
            "text",
            bar.name + (", with nap" if bar.one_way else ""),
            x=LEFT - 10,
            y=y + 17,
            font_size=16,
            fill=INK,
            text_anchor="end",
        )
        add(
            root,
            "rect",
            x=LEFT,
            y=y,
            width=bar.length * scale,
            height=22,
            fill=f"url(#nap-{name})" if bar.one_way else ground,
            stroke=thread,
            stroke_width=1.5,
        )
        if bar.printed is not None:
            x = LEFT + bar.printed * scale
            add(root, "path", d=f"M{number(x)} {number(y - 3)}v28", stroke=INK, stroke_width=2.5)
        # Inside the bar, so that the figure is not taken for the envelope's mark beside it.
        end = LEFT + bar.length * scale - 8
        halo(root, end, y + 17, format_cloth(bar.length, units), 16, font_weight=700, fill=INK, text_anchor="end")
    return write(root)
