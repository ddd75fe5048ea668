"""The free ends of straps and what they are closed on: holes and buttons, snaps."""

from __future__ import annotations

from shapely.geometry import Polygon, box

from rowanseed.core.make.families.bibs import bib_of
from rowanseed.core.make.families.strap_ends import strap_of
from rowanseed.core.make.holes import THICK, USUAL
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.techniques import straps_buttoned, straps_snapped
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Detail
from rowanseed.drawings.steps.placing import as_drawn
from rowanseed.drawings.steps.stack import Layer, Stack, Stuff

SHOWN, LEAST, WIDE = 110.0, 16.0, 20.0
"""So much of a strap is drawn, in mm; one that is narrower as if it were so wide; one whose width nobody says so
wide."""
EDGE, BELOW, BESIDE = 40.0, 30.0, 60.0
"""So much of what a strap is closed on is drawn: its depth where it is no band, what lies below it, and to both sides,
in mm."""
SNAP = 9.0
"""How wide half of a snap is drawn, in mm."""


def _straps(bench: Workbench, op: Operation) -> Detail | None:
    return strap_of(bench, bench.closures[op.on.closures[0]])


def _wide(straps: Detail) -> float:
    return max(LEAST, straps.width or WIDE)


def _closed_on(bench: Workbench, straps: Detail) -> tuple[str, float]:
    """What the straps are closed on, and how deep it is: a bib's band, or the upper edge."""
    bib = bib_of(bench, straps)
    if bib is None:
        return "upper edge, from inside", EDGE
    band = bench.piece(bib.on[0])
    left, top, right, low = Polygon(as_drawn(band, bench.size).seam()).bounds
    return f"{band.name}, from inside", min(right - left, low - top) / 2


def _strap(straps: Detail, name: str, stuff: Stuff) -> Layer:
    """The free end of a strap, lying to the right."""
    wide = _wide(straps)
    return Layer(box(0.0, 0.0, SHOWN, wide), stuff, name, box(-1.0, -1.0, SHOWN - 0.5, wide + 1.0))


def _inside(bench: Workbench, straps: Detail, top: float) -> tuple[Layer, Layer]:
    """The inside of what a strap is closed on, with the garment below it, from a level down."""
    name, deep = _closed_on(bench, straps)
    window = box(-BESIDE + SHOWN / 2, top - 1.0, BESIDE + SHOWN / 2, top + deep + BELOW)
    whole = box(-3 * BESIDE, top, 3 * BESIDE + SHOWN, top + deep)
    garment = box(-3 * BESIDE, top + deep, 3 * BESIDE + SHOWN, top + deep + 3 * BELOW)
    return (
        Layer(garment.intersection(window), Stuff.WRONG, "garment", window),
        Layer(whole.intersection(window), Stuff.RIGHT, name, window),
    )


def holes(bench: Workbench, op: Operation) -> Stack | None:
    """The end of a strap with both its holes, one behind the other in its middle."""
    straps = _straps(bench, op)
    if straps is None:
        return None
    long, middle = (bench.button_size() or USUAL) + THICK, _wide(straps) / 2
    first, again = straps_buttoned.FROM_THE_END, straps_buttoned.AGAIN
    cuts = tuple(((at, middle), (at + long, middle)) for at in (first, first + again))
    words = (
        f"The finished end of a strap, at the left. Its first buttonhole ends {bench.margin(first)} before it, in the "
        f"middle, along the strap; the second one lies {bench.margin(again)} further up."
    )
    return Stack((_strap(straps, "strap, its finished end", Stuff.RIGHT),), words, cuts=cuts)


def buttons(bench: Workbench, op: Operation) -> Stack | None:
    """A button inside what the strap is closed on."""
    straps = _straps(bench, op)
    if straps is None:
        return None
    under, on = _inside(bench, straps, 0.0)
    _, deep = _closed_on(bench, straps)
    words = f"The {on.name.lower()}: a button where the strap's mark falls, not sewn through to the right side."
    return Stack((under, on), words, buttons=((SHOWN / 2, deep / 2),))


def snaps(bench: Workbench, op: Operation) -> Stack | None:
    """The under side of a strap's end with one half of its snap, and the other half inside what it is closed on."""
    straps = _straps(bench, op)
    if straps is None:
        return None
    wide, at = _wide(straps), straps_snapped.FROM_THE_END
    top = 2.2 * wide
    _, deep = _closed_on(bench, straps)

    def half(x: float, y: float, name: str) -> Layer:
        return Layer(box(x - SNAP / 2, y - SNAP / 2, x + SNAP / 2, y + SNAP / 2).buffer(0.01), Stuff.TAPE, name)

    words = (
        f"Above, the end of a strap from its under side, the ball half {bench.margin(at)} from the end; below, the "
        f"{_closed_on(bench, straps)[0].lower()}, with the socket half."
    )
    layers = (
        _strap(straps, "strap, its under side", Stuff.RIGHT),
        *_inside(bench, straps, top),
        half(at, wide / 2, "ball half"),
        half(SHOWN / 2, top + deep / 2, "socket half"),
    )
    return Stack(layers, words)


STACKS = {
    ("strap-closure", "holes"): holes,
    ("strap-closure", "buttons"): buttons,
    ("strap-closure", "snaps"): snaps,
}
