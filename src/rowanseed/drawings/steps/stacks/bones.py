"""Bones along a seam: their channel on its allowances, and a bone in it; from inside, the seam drawn straight."""

from __future__ import annotations

from dataclasses import dataclass

from shapely.geometry import box

from rowanseed.core.make.operation import Operation
from rowanseed.core.make.techniques.boning import SHORT, channel_length
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import DetailKind, EdgePart
from rowanseed.drawings.steps.stack import Layer, Row, Stack, Stuff
from rowanseed.drawings.steps.straight import beside, pressed_open, seam_of

CASING, BONE = 14.0, 6.0
"""How wide casing and bone are drawn, in mm."""
INSIDE, CLOSED = 2.0, 1.5
"""Rows run so far inside the casing's edges; it is closed so far below its upper end, in mm."""
GOES_ON = 30.0
"""So much is drawn below a casing that ends at the waist, in mm."""


@dataclass(frozen=True)
class _Channel:
    """A boned seam: its pieces, how long its channel is from the stitching line above; the allowances of the seam, and
    how far the pieces reach above and below the channel, in mm."""

    names: tuple[str, str]
    long: float
    sides: tuple[float, float]
    above: float
    below: float
    ends_at_waist: bool


def _channel(bench: Workbench, op: Operation) -> _Channel | None:
    detail = next((d for d in bench.details_of(DetailKind.BONING) if op.id.endswith(f"-{d.id}")), None)
    join = bench.joins[detail.along[0]] if detail is not None else None
    if join is None or not join.a or not join.b:
        return None
    a, b = join.a[0], join.b[0]
    run = bench.piece(a.piece).shapes[bench.size].edges[a.edge]
    upper, lower = bench.neighbours(a) if run[0].start[0] < run[-1].end[0] else bench.neighbours(a)[::-1]
    at_waist = lower == "hem"
    return _Channel(
        names=(bench.piece(a.piece).name, bench.piece(b.piece).name),
        long=channel_length(bench, join.id),
        sides=(bench.edge_allowance(a), bench.edge_allowance(b)),
        above=bench.edge_allowance(EdgePart(a.piece, upper)),
        below=GOES_ON if at_waist else bench.edge_allowance(EdgePart(a.piece, lower)),
        ends_at_waist=at_waist,
    )


def channel(bench: Workbench, op: Operation) -> Stack | None:
    """The casing on the open seam, its rows, and its lower end sewn across."""
    found = _channel(bench, op)
    if found is None:
        return None
    words = (
        f"{_inside(found)} The casing is centred over it, stitched along both edges through the allowances only, and "
        f"across {bench.margin(SHORT)} before its lower end; its upper end stays open."
    )
    return Stack((*_seam(found), _casing(found)), words, rows=_rows(found))


def bone(bench: Workbench, op: Operation) -> Stack | None:
    """The bone in its channel, shorter at both ends, and the stitches that close it."""
    found = _channel(bench, op)
    if found is None:
        return None
    words = (
        f"{_inside(found)} In the casing lies the bone, {bench.margin(SHORT)} shorter than its channel at both ends; a "
        "few stitches by hand close the upper end."
    )
    slip = box(-BONE / 2, SHORT, BONE / 2, found.long - 2 * SHORT)
    across = Row(((-CASING / 2, CLOSED), (CASING / 2, CLOSED)), by_hand=True)
    layers = (*_seam(found), _casing(found), Layer(slip, Stuff.TAPE, "bone"))
    return Stack(layers, words, rows=(*_rows(found), across))


def _inside(found: _Channel) -> str:
    ends = "the waist" if found.ends_at_waist else "the one below"
    return (
        f"The {seam_of(found.names)} from inside, pressed open and drawn straight, from the stitching line above "
        f"to {ends}."
    )


def _seam(found: _Channel) -> tuple[Layer, ...]:
    top, low, goes_on = -found.above, found.long + found.below, found.ends_at_waist
    panels = beside(found.names, Stuff.WRONG, top=top, low=low, above=False, below=goes_on)
    return (*panels, pressed_open(found.sides, top=top, low=low, above=False, below=goes_on))


def _casing(found: _Channel) -> Layer:
    return Layer(box(-CASING / 2, 0.0, CASING / 2, found.long), Stuff.TAPE, "casing")


def _rows(found: _Channel) -> tuple[Row, ...]:
    x, low = CASING / 2 - INSIDE, found.long - SHORT
    return (*(Row(((side, 0.0), (side, found.long))) for side in (-x, x)), Row(((-CASING / 2, low), (CASING / 2, low))))


STACKS = {("boning", "channel"): channel, ("boning", "bones"): bone}
