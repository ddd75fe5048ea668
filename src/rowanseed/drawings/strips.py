"""Lengths of cloth as strips to one scale: what is needed, what is in hand, what the envelope says."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from xml.etree.ElementTree import Element

from rowanseed.core.base.units import INCH, Units, format_cloth
from rowanseed.core.cloth.cloth import Cloth
from rowanseed.drawings.colour import pale, thread
from rowanseed.drawings.svg import BERRY, INK, QUIET, add, drawing, halo, number, write
from rowanseed.drawings.swatch import define_fill

WIDE, LEFT, RIGHT = 460.0, 6.0, 26.0
TOP, FOOT = 24.0, 26.0
ROW, NAMED = 46.0, 20.0
"""How deep a strip's row is, and how much of it its name takes."""
THICK, THIN = 24.0, 17.0
"""How thick the strip is that is the cloth itself, and the others."""
PAST = 2.5
"""So far the line at what is needed stands out above and below each strip."""
HALF_A_NOTE = 122.0
"""Half of what the note below that line takes up at most."""


@dataclass(frozen=True)
class Strip:
    """A strip: its name, its length in mm, and whether it is the cloth itself (drawn with its print)."""

    name: str
    length: float
    is_cloth: bool = False
    short: bool = False

    @property
    def thick(self) -> float:
        return THICK if self.is_cloth else THIN


def draw_strips(strips: Sequence[Strip], cloth: Cloth, needed: float, units: Units, name: str = "cloth") -> str:
    """Strips from one edge, each below its name, with a line down at what is needed; `name` keeps drawings of a page
    apart."""
    longest = max([needed, *(strip.length for strip in strips)])
    scale = (WIDE - LEFT - RIGHT) / longest
    tall = TOP + ROW * len(strips) + FOOT
    said = "; ".join(f"{strip.name} {format_cloth(strip.length, units)}" for strip in strips)
    root = drawing(WIDE, tall, "Lengths of cloth compared", said, class_="strips")
    fill = define_fill(add(root, "defs"), cloth, f"strip-{name}", scale)
    _ruler(root, longest, scale, tall, units)
    at_needed = LEFT + needed * scale
    for k, strip in enumerate(strips):
        top = TOP + k * ROW
        _named(root, strip, top + 14, units)
        add(
            root,
            "rect",
            x=LEFT,
            y=top + NAMED,
            width=strip.length * scale,
            height=strip.thick,
            fill=fill if strip.is_cloth else pale(cloth.colour, 0.6),
            stroke=thread(cloth.colour),
            stroke_width=1.5,
        )
        # Only across the strips, so that it crosses no name.
        line = f"M{number(at_needed)} {number(top + NAMED - PAST)}v{number(strip.thick + 2 * PAST)}"
        add(root, "path", d=line, stroke=INK, stroke_width=2.5)
    add(
        root,
        "text",
        f"needed ready to cut, {format_cloth(needed, units)}",
        x=min(WIDE - HALF_A_NOTE, max(HALF_A_NOTE, at_needed)),
        y=tall - 8,
        font_size=14.5,
        fill=INK,
        text_anchor="middle",
        font_weight=600,
    )
    return write(root)


def _ruler(root: Element, longest: float, scale: float, tall: float, units: Units) -> None:
    step = (500.0 if units is Units.METRIC else INCH * 18) * (1 if longest < 2600 else 2)
    for k in range(int(longest // step) + 1):
        x, words = LEFT + k * step * scale, "0" if k == 0 else format_cloth(k * step, units)
        add(root, "path", d=f"M{number(x)} 18V{number(tall - FOOT)}", stroke="#dfe5e3", stroke_width=1.5)
        add(root, "text", words, x=x, y=14, font_size=13.5, fill=QUIET, text_anchor="middle" if k else "start")


def _named(root: Element, strip: Strip, y: float, units: Units) -> None:
    """A strip's name and length, on one line."""
    words = halo(root, LEFT, y, f"{strip.name} ", 15.0, fill=INK, font_weight=700 if strip.is_cloth else 400)
    shade = BERRY if strip.short else INK
    add(words, "tspan", format_cloth(strip.length, units), fill=shade, font_weight=700)
