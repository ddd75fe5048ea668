"""What a cloth looks like, drawn to scale as an SVG pattern fill. x runs along the cloth."""

from __future__ import annotations

from xml.etree.ElementTree import Element

from rowanseed.core.cloth import Cloth, Surface
from rowanseed.drawings.colour import pale
from rowanseed.drawings.svg import add


def define_fill(defs: Element, cloth: Cloth, name: str, scale: float = 1.0) -> str:
    """Add a fill for the cloth to `defs` and return the paint that refers to it.

    `scale` is how many units of the drawing a millimetre of cloth takes.
    """
    ground, motif, soft = pale(cloth.colour, 0.74), pale(cloth.colour, 0.28), pale(cloth.colour, 0.5)
    if cloth.surface is Surface.PLAIN:
        return ground
    step = {Surface.SPRIGS: 96, Surface.TOSSED: 110, Surface.CHECK: 92, Surface.CORD: 12}[cloth.surface]
    tile = add(
        defs, "pattern", id=name, width=step, height=step, patternUnits="userSpaceOnUse",
        patternTransform=f"scale({scale:.4g})",
    )  # fmt: skip
    add(tile, "rect", width=step, height=step, fill=ground)
    match cloth.surface:
        case Surface.SPRIGS:
            for x, y in ((14, 24), (62, 72)):
                _sprig(tile, x, y, motif, soft, 0)
        case Surface.TOSSED:
            for x, y, turn in ((18, 26, 20), (70, 40, 140), (40, 88, 255)):
                _sprig(tile, x, y, motif, soft, turn)
        case Surface.CHECK:
            add(tile, "path", d="M0 20H92M20 0V92", stroke=motif, stroke_width=13, opacity=0.55)
            add(tile, "path", d="M0 66H92M66 0V92", stroke=soft, stroke_width=5, opacity=0.8)
        case Surface.CORD:
            add(tile, "path", d="M0 3H12", stroke=soft, stroke_width=3)
    return f"url(#{name})"


def _sprig(tile: Element, x: float, y: float, motif: str, soft: str, turn: float) -> None:
    """A twig with leaves and three berries; its tip points to the start of the cloth (garment's top)."""
    group = add(tile, "g", transform=f"translate({x} {y}) rotate({turn} 12 0)")
    add(
        group,
        "path",
        d="M26 0C18 2 12 -2 4 0M18 0.5L23 -7M13 -0.5L18 7",
        fill="none",
        stroke=soft,
        stroke_width=1.8,
    )
    for cx, cy in ((2, 0), (7, -4.5), (7, 4.5)):
        add(group, "circle", cx=cx, cy=cy, r=2.9, fill=motif)
    for cx, cy, angle in ((23, -8, -50), (18, 8, 50)):
        add(group, "ellipse", cx=cx, cy=cy, rx=5.2, ry=2.2, fill=soft, transform=f"rotate({angle} {cx} {cy})")


def define_selvedge(defs: Element, cloth: Cloth, name: str) -> str:
    """A hatched fill for the selvedges."""
    tile = add(
        defs,
        "pattern",
        id=name,
        width=9,
        height=9,
        patternUnits="userSpaceOnUse",
        patternTransform="rotate(45)",
    )
    add(tile, "rect", width=9, height=9, fill=pale(cloth.colour, 0.86))
    add(tile, "path", d="M0 0V9", stroke=pale(cloth.colour, 0.3), stroke_width=2.5)
    return f"url(#{name})"
