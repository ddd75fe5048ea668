"""What closes the ends of a waistband: a hook and its bar; ties, and the slot that one of them comes out through."""

from __future__ import annotations

from dataclasses import dataclass

from shapely.geometry import Polygon, box

from rowanseed.core.base.words import lower_first
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.techniques.wrap_ties import WIDER
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.pieces import LineKind, Panel, Piece
from rowanseed.drawings.steps.placing import as_drawn
from rowanseed.drawings.steps.stack import Layer, Row, Stack, Stuff

SHOWN = 3.0
"""Of a band so much is drawn at its end, as a share of its height."""
FROM_THE_END, HOOK = 3.0, (9.0, 14.0)
"""How far from the end of the lap its hook is sewn on, and how long and high that is drawn, in mm."""
IN, BESIDE = 5.0, 3.0
"""Ties are basted so far from the raw end; a slot's rows run so far beside it, in mm."""


@dataclass(frozen=True)
class _Band:
    """A band: how high it is finished, and how far its allowances reach, in mm."""

    piece: Piece
    high: float
    allowance: float

    @property
    def shown(self) -> float:
        return SHOWN * self.high


def _band(bench: Workbench, ids: tuple[str, ...]) -> _Band | None:
    piece = next((bench.piece(id) for id in ids if bench.panel(id) is Panel.BAND), None)
    if piece is None:
        return None
    lying = as_drawn(piece, bench.size)
    boxes = [Polygon(ring).bounds for ring in (lying.seam(), lying.cutting())]
    high, cut = (min(right - left, low - top) for left, top, right, low in boxes)
    is_folded = any(line.kind is LineKind.FOLD for line in piece.lines)
    return _Band(piece, high / 2 if is_folded else high, (cut - high) / 2)


def hook_and_bar(bench: Workbench, op: Operation) -> Stack | None:
    """The lap's end from inside with its hook, and the end beneath from outside with the bar."""
    closure = bench.closures[op.on.closures[0]]
    join = bench.joins.get(closure.join)
    band = _band(bench, tuple(p.piece for p in (*join.a, *join.b))) if join is not None else None
    if band is None:
        return None
    high, (long, tall) = band.high, HOOK
    lower, middle = 1.6 * high, high / 2
    lap, beneath = box(0.0, 0.0, band.shown, high), box(0.0, lower, band.shown, lower + high)
    goes_on = (box(-1.0, -1.0, band.shown, high + 1.0), box(0.0, lower - 1.0, band.shown + 1.0, lower + high + 1.0))
    hook = box(FROM_THE_END, middle - tall / 2, FROM_THE_END + long, middle + tall / 2)
    bar = box(band.shown - long, lower + middle - tall / 2, band.shown - long / 2, lower + middle + tall / 2)
    name = lower_first(band.piece.name)
    words = (
        f"Both ends of the {name}. Above, the end that laps over, from inside: the hook {bench.margin(FROM_THE_END)} "
        "from its end, in the middle. Below, the end beneath, from outside: the bar where the hook falls on it when "
        "the band lies closed."
    )
    layers = (
        Layer(lap, Stuff.RIGHT, "the lap, from inside", goes_on[0]),
        Layer(
            beneath,
            Stuff.RIGHT,
            "the end beneath",
            box(0.0, lower - 1.0, band.shown + 1.0, lower + high + 1.0),
        ),
        Layer(hook, Stuff.TAPE, "hook"),
        Layer(bar, Stuff.TAPE, "bar"),
    )
    return Stack(layers, words)


def tie_on_band(bench: Workbench, op: Operation) -> Stack | None:
    """A tie on the outer half of the opened band, raw end level with raw end."""
    tie = bench.piece(op.on.pieces[0])
    detail = next(d for d in bench.details.values() if tie.id in d.pieces)
    band = _band(bench, detail.on)
    if band is None:
        return None
    high, end, wide = band.high, -band.allowance, detail.width
    name = lower_first(band.piece.name)
    top, middle = -high, high / 2
    words = (
        f"One end of the {name}, opened out, right side up: the fold runs along its middle, the seam to the garment "
        f"below. The {lower_first(tie.name)} lies on the half that shows, midway between seam and fold, its raw end "
        f"level with the band's; the row holds it {bench.margin(IN)} from there."
    )
    window = box(end - 1.0, top - band.allowance - 1.0, band.shown, high + 1.0)
    opened = box(end, top - band.allowance, band.shown, high)
    layers = (
        Layer(opened, Stuff.RIGHT, band.piece.name, window),
        Layer(
            box(end, middle - wide / 2, 0.8 * band.shown, middle + wide / 2),
            Stuff.RIGHT,
            tie.name,
            box(end - 1.0, top, 0.8 * band.shown, high),
        ),
    )
    row = Row(((end + IN, middle - wide / 2), (end + IN, middle + wide / 2)), by_hand=True)
    return Stack(layers, words, rows=(row,), folds=(((end, 0.0), (band.shown, 0.0)),))


def slot(bench: Workbench, op: Operation) -> Stack | None:
    """The slot upright in the folded band, both of its edges sewn, cut between them."""
    band = _band(bench, op.on.pieces)
    detail = next((d for d in bench.details.values() if band is not None and band.piece.id in d.on and d.width), None)
    if band is None or detail is None:
        return None
    high, long = band.high, min(band.high, detail.width + WIDER)
    middle, top = band.shown / 2, (high - long) / 2
    words = (
        f"The {lower_first(band.piece.name)}, folded and closed, right side up, above the side seam: the slot stands "
        f"upright in its middle, {bench.fine(detail.width + WIDER)} long, sewn round through both layers and cut open "
        "between the rows."
    )
    layer = Layer(box(0.0, 0.0, band.shown, high), Stuff.RIGHT, band.piece.name, box(0.0, -1.0, band.shown, high + 1.0))
    around = ((-BESIDE, 0.0), (-BESIDE, long), (BESIDE, long), (BESIDE, 0.0), (-BESIDE, 0.0))
    row = Row(tuple((middle + x, top + y) for x, y in around))
    return Stack((layer,), words, rows=(row,), cuts=(((middle, top + 1.0), (middle, top + long - 1.0)),))


STACKS = {
    ("hook and bar", "hook"): hook_and_bar,
    ("ties at a band", "baste"): tie_on_band,
    ("ties at a band", "slot"): slot,
}
