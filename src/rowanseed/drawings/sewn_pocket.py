"""A pocket on its ground as it will look sewn: the print on both as the lay cuts them."""

from __future__ import annotations

from shapely.geometry import Polygon, box

from rowanseed.core.cloth.cloth import Cloth
from rowanseed.core.cloth.on_ground import OnGround
from rowanseed.core.geometry.outline import Point
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.printing.lines import upright
from rowanseed.drawings.colour import pale
from rowanseed.drawings.sewn import draw_part, from_cloth
from rowanseed.drawings.shown import shown_lines
from rowanseed.drawings.svg import add, drawing, number, write
from rowanseed.drawings.swatch import define_fill

ROUND_IT = 90.0
"""So much of the ground is drawn round the pocket, in mm."""


def draw_on_ground(on: OnGround, size: str, cloth: Cloth, name: str) -> str:
    """`name` tells this drawing's fills from those of others on the page."""

    # Seen from the right side, as it is worn: the other hand of the piece drawn is its mirror image.
    hand = -1.0 if on.ground_lies.is_mirrored else 1.0

    def ground(p: Point) -> Point:
        x, y = upright(p)
        return (x * hand, y)

    def pocket(p: Point) -> Point:
        return ground(on.put(p))

    ring = [pocket(p) for p in shown_lines(on.pocket, size).seam_ring()]
    left, top, right, low = bounds(ring)
    window = box(left - ROUND_IT, top - ROUND_IT, right + ROUND_IT, low + ROUND_IT)
    wide, tall = right - left + 2 * ROUND_IT, low - top + 2 * ROUND_IT
    said = f"The {on.pocket.name.lower()} on the {on.ground.name.lower()}, with the print as it comes together."
    root = drawing(wide, tall, f"{on.pocket.name}, sewn on", said, class_="sewn")
    defs = add(root, "defs")
    moved = add(root, "g", transform=f"translate({number(ROUND_IT - left)} {number(ROUND_IT - top)})")
    under = Polygon([ground(p) for p in shown_lines(on.ground, size).seam_ring()]).buffer(0)
    layers = (
        (under.intersection(window), on.ground_lies, ground),
        (Polygon(ring).buffer(0).intersection(under), on.lies, pocket),
    )
    for k, (shape, lies, put) in enumerate(layers):
        fill = define_fill(defs, cloth, f"{name}-{k}", transform=from_cloth(put, lies))
        for part in getattr(shape, "geoms", [shape]):
            if isinstance(part, Polygon) and not part.is_empty:
                draw_part(moved, part, fill if fill.startswith("url") else pale(cloth.colour, 0.74))
    return write(root)
