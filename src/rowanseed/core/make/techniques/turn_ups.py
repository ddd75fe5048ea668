"""Turn-ups: a leg hemmed inside, longer than it is worn, and its end folded up again to the right side."""

from __future__ import annotations

import math
from collections.abc import Iterator, Mapping

from rowanseed.core.geometry.outline import Chain
from rowanseed.core.make import minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.hemming import begun, hem_ids, neatened, on_hem
from rowanseed.core.make.families.suited import finds_of, why_not_of
from rowanseed.core.make.hem_length import begins_at, over_the_beginning, run_of
from rowanseed.core.make.operation import Act, Bench, Operation
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.turned import Turned
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.turn_ups import INSIDE, TURN_UPS, turn_up, whole

TAPERS, TAKEN_IN = 0.2, 0.02
"""A leg whose seams lean by more than this at its end, for each mm of length, is turned up no more; by more than that,
what lies inside is wider than the leg and is taken in (from memory)."""
TAKE_IN = (
    "The legs lean at their seams, so that what lies inside is wider than the leg: take both seams in there, from the "
    "fold to the raw edge, until it lies flat."
)
BELOW, HELD = 10.0, 2.0
"""The turn-up is held at the seams so far below its upper edge; the hem is stitched so far from its neatened edge."""


def wide(bench: Workbench) -> float:
    """How wide a turn-up is, in mm."""
    return turn_up(is_child=bench.pattern.envelope.figure is Figure.CHILDREN)


def _rule(bench: Workbench, id: str) -> str:
    parts = bench.finishes[id].parts
    if not all(bench.piece(part.piece).has_edge("inseam") for part in parts):
        return "only legs are turned up"
    if any(_leans(bench, part) > TAPERS for part in parts):
        return "the legs taper there: turned up, their ends would not go round them"
    return ""


def _leans(bench: Workbench, part: EdgePart) -> float:
    """How much a leg gets wider above its end, at the worse of its two seams, for each mm of length."""
    edges = bench.piece(part.piece).shapes[bench.size].edges
    return max(abs(_slope(edges[name])) for name in bench.neighbours(part) if name in edges)


def _slope(side: Chain) -> float:
    """The direction across of the end of a side that lies lower."""
    at_end = side[-1].end[0] > side[0].start[0]
    dx, dy = side[-1].derivative(1.0) if at_end else side[0].derivative(0.0)
    return dy / dx if abs(dx) > 1e-9 else math.inf


def turned_up(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step, first, before = begun(bench, duty, "turn-ups")
    yield from first
    yield neatened(step, before)
    up, inside = wide(bench), wide(bench) + INSIDE
    leaning = max(_leans(bench, part) for part in bench.finishes[duty.id].parts)
    taken_in = (TAKE_IN,) if leaning > TAKEN_IN else ()
    yield step(
        "fold",
        Act.PRESS,
        f"Press the hem in, below the turn-up: {step.name}",
        f"The raw edge to the inside by {bench.margin(inside)}: the fold lies {bench.margin(up)} below the line at "
        f"which the leg is to end. {step.iron}",
        *taken_in,
        at=Bench.IRON,
        took=minutes.press(2 * step.mm),
        after={Fact.NEATENED: "its edge is finished before it is folded"},
        gives=(Fact.PREPARED,),
        turned=Turned((inside,)),
        look=f"Both legs are {bench.margin(up)} longer than they will be, and equally long.",
    )
    finish = bench.finishes[duty.id]
    yield step(
        "sew",
        Act.HEM,
        f"Sew the hem inside: {step.name}",
        f"{bench.margin(HELD)} from the neatened edge, {begins_at(bench, finish)}; "
        f"{over_the_beginning(bench, finish)}. The turn-up will cover the row.",
        setting=settings.hem(bench.household, bench.margin(HELD)),
        after={Fact.PREPARED: "it is folded and pressed"},
        gives=(Fact.HEMMED,),
        run=run_of(bench, finish),
        turned=Turned((inside,), row=inside - HELD),
        on=on_hem(step),
        look="The row runs at one distance from the fold.",
    )
    yield step(
        "turn",
        Act.TACK,
        f"Turn the leg ends up and hold them: {step.name}",
        f"Fold the end up to the right side by {bench.margin(up)}, all round, and press: the row inside lies behind "
        "it.",
        f"At both seams a few small stitches through turn-up and leg, {bench.margin(BELOW)} below the turn-up's upper "
        "edge, in the ditch of the seam, so that they are not seen.",
        at=Bench.HAND,
        took=minutes.each(8, 2),
        after={Fact.HEMMED: "it is hemmed inside first"},
        gives=(Fact.FINISHED,),
        on=on_hem(step),
        booklet=True,
        look="Seam lies on seam, the turn-up is equally wide all round, and both legs end alike.",
    )


def _longer(bench: Workbench, duty: Duty) -> Mapping[tuple[str, str], float]:
    """What is turned up, its inside and the hem are cut on."""
    return {(p.piece, p.edge): whole(wide(bench)) for p in bench.finishes[duty.id].parts}


TECHNIQUE = Technique(
    id=TURN_UPS,
    name="Turn-ups",
    chapter="hems",
    finds=finds_of(hem_ids, _rule),
    why_not=why_not_of(hem_ids, _rule),
    sews=turned_up,
    rank=38,
    usual=False,
    words={"turn-up": "the end of a leg folded up to the right side"},
    draw="turn-ups",
    allowances=_longer,
)
