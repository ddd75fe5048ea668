"""Lengths of cloth as strips to one scale: what is needed, what is in hand, what the envelope says."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from rowanseed.core.base.units import INCH, Units, format_cloth
from rowanseed.core.cloth.cloth import Cloth
from rowanseed.drawings.colour import pale, thread
from rowanseed.drawings.svg import BERRY, INK, PAPER, QUIET, add, drawing, halo, number, write
from rowanseed.drawings.swatch import define_fill

WIDE, LEFT, ROW = 660.0, 184.0, 42.0


@dataclass(frozen=True)
class Strip:
    """A strip: its name, its length in mm, and whether it is the cloth itself (drawn with its print)."""

    name: str
    length: float
    is_cloth: bool = False
    short: bool = False


def draw_strips(strips: Sequence[Strip], cloth: Cloth, needed: float, units: Units, name: str = "cloth") -> str:
    """Strips from one edge, with a line down at what is needed; `name` keeps drawings of a page apart."""
    longest = max([needed, *(strip.length for strip in strips)]) * 1.05
    scale = (WIDE - LEFT - 40) / longest
    tall = ROW * len(strips) + 58
    said = "; ".join(f"{strip.name} {format_cloth(strip.length, units)}" for strip in strips)
    root = drawing(WIDE, tall, "Lengths of cloth compared", said, class_="strips")
    defs = add(root, "defs")
    fill = define_fill(defs, cloth, f"strip-{name}", scale)
    step = (500.0 if units is Units.METRIC else INCH * 18) * (1 if longest < 2600 else 2)
    for k in range(int(longest // step) + 1):
        x = LEFT + k * step * scale
        add(root, "path", d=f"M{number(x)} 26V{number(tall - 22)}", stroke="#dfe5e3", stroke_width=1.5)
        add(
            root,
            "text",
            "0" if k == 0 else format_cloth(k * step, units),
            x=x,
            y=18,
            font_size=15,
            fill=QUIET,
            text_anchor="middle",
        )
    for k, strip in enumerate(strips):
        y = 34 + k * ROW
        tall_strip = 34.0 if strip.is_cloth else 24.0
        add(
            root,
            "text",
            strip.name,
            x=LEFT - 12,
            y=y + 24,
            font_size=14.5,
            fill=INK,
            text_anchor="end",
            font_weight=700 if strip.is_cloth else 400,
        )
        add(
            root,
            "rect",
            x=LEFT,
            y=y + (36 - tall_strip) / 2,
            width=strip.length * scale,
            height=tall_strip,
            fill=fill if strip.is_cloth else pale(cloth.colour, 0.6),
            stroke=thread(cloth.colour),
            stroke_width=1.5,
        )
    at_needed = LEFT + needed * scale
    add(root, "path", d=f"M{number(at_needed)} 30V{number(tall - 24)}", stroke=PAPER, stroke_width=6)
    add(
        root,
        "path",
        d=f"M{number(at_needed)} 30V{number(tall - 24)}",
        stroke=INK,
        stroke_width=2.5,
        stroke_dasharray="8 5",
    )
    for k, strip in enumerate(strips):
        halo(
            root,
            LEFT + 10,
            34 + k * ROW + 24,
            format_cloth(strip.length, units),
            17,
            fill=BERRY if strip.short else INK,
            font_weight=700,
        )
    halo(
        root,
        at_needed,
        tall - 6,
        f"needed ready to cut, {format_cloth(needed, units)}",
        16,
        fill=INK,
        text_anchor="middle",
        font_weight=600,
    )
    return write(root)
