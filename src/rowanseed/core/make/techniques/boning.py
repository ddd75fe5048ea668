"""Boning along a seam: a channel of its allowances or of tape, the bone cut short of the staystitching."""

from __future__ import annotations

import math
from collections.abc import Iterator
from itertools import pairwise

from rowanseed.core.geometry.outline import flatten
from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation, Supply, Use
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import DetailKind, EdgePart
from rowanseed.core.pattern.pieces import LineKind

SHORT = 3.0
"""A bone stops so far short of the staystitching at both ends, in mm (the craft's 1/8 in)."""


def finds(bench: Workbench) -> Iterator[Duty]:
    for detail in bench.details_of(DetailKind.BONING):
        if detail.along and all(id in bench.joins for id in detail.along):
            yield single(detail.id)


def _number(bench: Workbench, id: str) -> int:
    """How many bones stand along a seam: one on each hand."""
    return 2 if bench.joins[id].each_hand else 1


def channel_length(bench: Workbench, id: str) -> float:
    """How long a bone's channel is, in mm: all of a seam, or down to the waist where it runs on to the hem."""
    whole = bench.around([id]) / _number(bench, id)
    return whole * min((_share(bench, part) for part in bench.joins[id].a), default=1.0)


def _share(bench: Workbench, part: EdgePart) -> float:
    """What of an edge lies above the waist, where it reaches the hem below it."""
    piece = bench.piece(part.piece)
    level = piece.line(LineKind.LEVEL, "waist")
    if level is None or "hem" not in bench.neighbours(part):
        return 1.0
    waist = level.ends[bench.size][0][0]
    run = flatten(piece.shapes[bench.size].edges[part.edge], 0.5)
    above = sum(math.dist(a, b) for a, b in pairwise(run) if (a[0] + b[0]) / 2 <= waist)
    return above / sum(math.dist(a, b) for a, b in pairwise(run))


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, "boning", duty.id)
    on = On(edges=shown(part for id in detail.along for part in bench.parts(id)))
    to_hem = any("hem" in bench.neighbours(part) for id in detail.along for part in bench.joins[id].a)
    below = "at the waist: a bone that reaches below it pokes when you sit" if to_hem else "below"
    yield step(
        "channel",
        Act.BONE,
        f"Sew the bone channels: {step.name}",
        "Along each boned seam, pressed open: bone casing or firm tape centred over it on the wrong side, stitched "
        "along both edges through the allowances only, open at the upper end.",
        f"The casing ends at the stitching line above and {below}; the lower end is sewn across {bench.margin(SHORT)} "
        "before that.",
        took=minutes.seam(2.5 * step.mm),
        needs=tuple(Need(facts.join(Fact.PRESSED, id), "the seam is pressed open first") for id in detail.along),
        gives=(Fact.PREPARED,),
        uses=tuple(Use(Supply.BONE_CASING, channel_length(bench, id) * _number(bench, id)) for id in detail.along),
        on=on,
        rows=2,
        look="A bone slides in without a twist.",
    )
    yield step(
        "bones",
        Act.BONE,
        f"Cut and slip in the bones: {step.name}",
        f"Each {bench.margin(SHORT)} shorter than its channel at both ends, measured to the staystitching, so that no "
        "bone pushes through a seam. Round plastic ends with a file or in warmth, cap steel ones; the natural curve "
        "towards the body.",
        "Slip them in and close the channel across with a few stitches. Mark which bone belongs where.",
        at=Bench.HAND,
        took=minutes.each(5, 2 * len(detail.along)),
        after={Fact.PREPARED: "the channels are sewn first"},
        needs=(Need(facts.gate(Fact.SETTLED, "shell"), "the fit can still be changed", where_given=True),),
        uses=tuple(Use(Supply.BONING, channel_length(bench, id), _number(bench, id)) for id in detail.along),
        gives=(Fact.FINISHED,),
        on=on,
        caution="Cut ends are sharp, and splinters fly: shears for the purpose, eyes covered, no needle over a bone.",
        look="Bent to the body, no end pokes, and both sides stand alike.",
    )


TECHNIQUE = Technique(
    id="boning",
    name="Boning along seams",
    chapter="layers",
    finds=finds,
    sews=sews,
    rank=18,
    words={"bone": "a flat flexible strip that keeps a bodice from collapsing"},
    draw="bone channel",
)
