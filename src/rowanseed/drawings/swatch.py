"""What a cloth looks like, drawn to scale as an SVG pattern fill. x runs along the cloth."""

from __future__ import annotations

from xml.etree.ElementTree import Element

from rowanseed.core.cloth.cloth import Cloth, PrintedCloth, Stripe, Surface
from rowanseed.drawings.colour import pale
from rowanseed.drawings.svg import add, number

USUAL_REPEAT = {
    Surface.SPRIGS: 96.0,
    Surface.TOSSED: 110.0,
    Surface.CHECK: 92.0,
    Surface.STRIPES: 64.0,
    Surface.PLAIN: 64.0,
    Surface.CORD: 12.0,
    Surface.PILE: 6.0,
    Surface.FUR: 18.0,
}
"""What is drawn where the repeat has not been measured, in mm."""
PLACES = {
    Surface.SPRIGS: ((0.15, 0.25, 0.0), (0.65, 0.75, 0.0)),
    Surface.TOSSED: ((0.16, 0.24, 20.0), (0.64, 0.36, 140.0), (0.36, 0.8, 255.0)),
}
"""Where the motifs stand within a repeat, along and across as shares of it, and how they are turned."""


def define_fill(defs: Element, cloth: Cloth, name: str, scale: float = 1.0, transform: str = "") -> str:
    """Add a fill for the cloth to `defs` and return the paint that refers to it: its repeat and lines to scale.

    `scale` is how many units of the drawing a millimetre of cloth takes; `transform` brings the cloth (x along, y down
    from the upper selvedge) to where it lies in the drawing otherwise.
    """
    ground = pale(cloth.colour, 0.74)
    along, across = cloth.repeat.block
    if isinstance(cloth, PrintedCloth) and along and across:
        return _photographed(defs, cloth.print_at, along, across, name, transform or f"scale({scale:.4g})")
    is_plain = cloth.surface is Surface.PLAIN
    if is_plain and not (cloth.lines.lengthwise or cloth.lines.crosswise):
        return ground
    usual = USUAL_REPEAT[cloth.surface]
    long, wide = cloth.repeat.along or usual, cloth.repeat.across or usual
    columns = 2 if cloth.repeat.half_drop else 1
    tile = add(
        defs,
        "pattern",
        id=name,
        width=float(long),
        height=float(wide * columns),
        patternUnits="userSpaceOnUse",
        patternTransform=transform or f"scale({scale:.4g})",
    )
    add(tile, "rect", width=float(long), height=float(wide * columns), fill=ground)
    if cloth.surface.is_pile:
        add(
            tile,
            "path",
            d=f"M0 {number(wide / 4)}H{number(long)}",
            stroke=pale(cloth.colour, 0.5),
            stroke_width=wide / 4,
        )
    elif cloth.surface in PLACES:
        size = min(long, wide) / usual
        for column in range(columns):
            for x, y, turn in PLACES[cloth.surface]:
                drop = long / 2 * column
                # A motif that a half drop pushes over the end of the tile comes in again at its start.
                for along in {(x * long + drop) % long, (x * long + drop) % long - long}:
                    _sprig(tile=tile, x=along, y=(y + column) * wide, cloth=cloth, turn=turn, size=size)
    else:
        _lines(tile, cloth, long, wide)
    return f"url(#{name})"


def _photographed(defs: Element, address: str, along: float, across: float, name: str, transform: str) -> str:
    """The print as it was photographed, a block of it to scale."""
    tile = add(
        defs,
        "pattern",
        id=name,
        width=float(along),
        height=float(across),
        patternUnits="userSpaceOnUse",
        patternTransform=transform,
    )
    size = {"width": float(along), "height": float(across), "preserveAspectRatio": "none"}
    image = add(tile, "image", href=address)
    for key, value in size.items():
        image.set(key, str(value))
    return f"url(#{name})"


def _lines(tile: Element, cloth: Cloth, long: float, wide: float) -> None:
    """The lines of stripes or checks where they were measured, or two of each way where they were not."""
    motif, soft = pale(cloth.colour, 0.28), pale(cloth.colour, 0.5)
    # Of a cloth that was called plain only the lines that were written down are known.
    usual = (Stripe(wide * 0.15, wide * 0.14), Stripe(wide * 0.69, wide * 0.05))
    lengthwise = cloth.lines.lengthwise or (() if cloth.surface is Surface.PLAIN else usual)
    crosswise = cloth.lines.crosswise
    if not crosswise and cloth.surface is Surface.CHECK:
        crosswise = (Stripe(long * 0.15, long * 0.14), Stripe(long * 0.69, long * 0.05))
    broad = max((line.width for line in (*lengthwise, *crosswise)), default=1.0)
    for line in lengthwise:
        add(
            tile,
            "rect",
            x=0,
            y=float(line.at),
            width=float(long),
            height=float(line.width),
            fill=motif if line.width > broad * 0.6 else soft,
            opacity=0.55,
        )
    for line in crosswise:
        add(
            tile,
            "rect",
            x=float(line.at),
            y=0,
            width=float(line.width),
            height=float(wide),
            fill=motif if line.width > broad * 0.6 else soft,
            opacity=0.55,
        )


def _sprig(tile: Element, x: float, y: float, cloth: Cloth, turn: float, size: float) -> None:
    """A twig with leaves and three berries; its tip points to the start of the cloth (garment's top)."""
    motif, soft = pale(cloth.colour, 0.28), pale(cloth.colour, 0.5)
    group = add(
        tile, "g", transform=f"translate({number(x)} {number(y)}) scale({number(size)}) rotate({number(turn)} 12 0)"
    )
    add(group, "path", d="M26 0C18 2 12 -2 4 0M18 0.5L23 -7M13 -0.5L18 7", fill="none", stroke=soft, stroke_width=1.8)
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
