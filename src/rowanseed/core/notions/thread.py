"""Thread by the seams that there are to sew.

Thread per length of stitching: lockstitch about 2.5 times, three-thread overlock about 14 times, four-thread about 18
times, industry tables, from memory.
"""

from __future__ import annotations

import math
from collections.abc import Sequence

from rowanseed.core.base.words import plural
from rowanseed.core.base.working import Given, Source, Working, cloth_length, count, words
from rowanseed.core.make.operation import Act, Bench, EdgeShown, Operation
from rowanseed.core.notions.notion import InUse, NotionToBuy
from rowanseed.core.notions.sorts import Sort
from rowanseed.core.pattern.fastenings import opening_length
from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.walk import copies, finish_over_garment, join_over_garment, part_length

LOCKSTITCH, ZIGZAG, OVERLOCK = 2.5, 7.0, {2: 10.0, 3: 14.0, 4: 18.0, 5: 20.0}
"""Thread per length of stitching, overlock by its threads. Zigzag lies between lockstitch and overlock (common
practice, no source)."""
SPOOL = 100_000.0
"""Thread on a small spool, in mm."""
CONE = 1_000_000.0
"""Thread on a cone for the overlocker, in mm."""
WASTE = 1.15


def sewn_lengths(pattern: Pattern, size: str, steps: Sequence[Operation]) -> tuple[float, float]:
    """(straight stitching, edges neatened) of a making order in mm, both hands counted: what its steps really do."""
    straight = neatened = 0.0
    for step in steps:
        if not step.bench.is_machine:
            continue
        around = step.rows * _worked_on(pattern, size, step)
        if step.act is Act.NEATEN or step.bench is Bench.OVERLOCKER:
            neatened += around
        else:
            straight += around
    return straight, neatened


def _worked_on(pattern: Pattern, size: str, step: Operation) -> float:
    """The length an operation works on over the whole garment, in mm."""
    if step.act is Act.INSERT_CLOSURE:
        return 2 * sum(_opening(pattern, size, id) for id in step.on.closures)
    joins = [join for join in pattern.making.joins if join.id in step.on.joins]
    finishes = [finish for finish in pattern.making.finishes if finish.id in step.on.finishes]
    if joins or finishes:
        return sum(join_over_garment(pattern, size, j) for j in joins) + sum(
            finish_over_garment(pattern, size, f) for f in finishes
        )
    return sum(_edge_over_garment(pattern, size, shown) for shown in step.edges)


def _edge_over_garment(pattern: Pattern, size: str, shown: EdgeShown) -> float:
    part = EdgePart(shown.piece, shown.edge)
    return part_length(pattern, size, part) * copies(pattern, part)


def _opening(pattern: Pattern, size: str, closure_id: str) -> float:
    closure = next((c for c in pattern.making.closures if c.id == closure_id), None)
    return 0.0 if closure is None else opening_length(pattern, size, closure) or 0.0


def thread(
    pattern: Pattern,
    view: str,
    size: str,
    steps: Sequence[Operation],
    *,
    overlocker: bool,
    garments: int,
    threads: int,
) -> list[NotionToBuy]:
    straight, finish = (mm * garments for mm in sewn_lengths(pattern, size, steps))
    if straight == 0:
        return []
    factor = OVERLOCK[threads] if overlocker else ZIGZAG
    seam_thread, edge_thread = straight * LOCKSTITCH * WASTE, finish * factor * WASTE
    on_machine = seam_thread if overlocker else seam_thread + edge_thread
    given = (
        Given("stitching, lockstitch", cloth_length(straight), Source.DRAWING),
        Given("thread per length, lockstitch", count(LOCKSTITCH), Source.PRACTICE),
        Given("edges to neaten", cloth_length(finish), Source.DRAWING),
        Given(f"thread per length, {'overlock' if overlocker else 'zigzag'}", count(factor), Source.PRACTICE),
        Given("for ends, samples and slips", words("15 %"), Source.PRACTICE),
    )
    spools = math.ceil(on_machine / SPOOL)
    out = [
        NotionToBuy(
            sort=Sort.THREAD,
            what="Sewing thread to match, 100 m (109 yd)",
            count=spools,
            working=Working(
                name="Sewing thread",
                quantity=cloth_length(on_machine),
                formula="stitching × thread per length + 15 %",
                given=given,
                rounding=f"{plural(spools, 'spool')} of 100 m (109 yd)",
            ),
            unit="spool",
        )
    ]
    if overlocker:
        cones = InUse(at_once=threads, reach=CONE)
        out.append(
            NotionToBuy(
                sort=Sort.OVERLOCK_THREAD,
                what="Overlock thread, 1000 m (1094 yd)",
                count=cones.number(edge_thread),
                working=Working(
                    name="Overlock thread",
                    quantity=cloth_length(edge_thread),
                    formula=f"edges × thread per length + 15 %, on {threads} cones",
                    given=given,
                    rounding=f"{threads} cones in use, of 1000 m (1094 yd) each",
                ),
                unit="cone",
                in_use=cones,
            )
        )
    return out
