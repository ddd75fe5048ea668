"""Gathers, two rows."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make.families.eased import join_of, taken_out
from rowanseed.core.make.families.gathering import finds, from_where, gathering_step, lengths_of, pinned, why_not
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.trimming import gathering_rows
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Join


def _drawn(bench: Workbench, join: Join) -> tuple[str, ...]:
    return (
        pinned(bench, join),
        f"Draw the bobbin threads at both ends, {lengths_of(bench, join)}; wind them round a pin, "
        "then even the gathers out between the pins.",
    )


def rows(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = join_of(bench, duty)
    words = f"gathering rows of the {lower_first(join.name)}"
    outer, inner = gathering_rows(bench.edge_allowance(join.a[0]))
    yield gathering_step(
        bench,
        join,
        "gathers",
        (
            f"Two rows at the longest stitch{from_where(bench, join)}, {bench.margin(outer)} and "
            f"{bench.margin(inner)} from the raw edge, right side up, ends left long; stop and begin again at "
            "every seam, so that no thread crosses one.",
            *_drawn(bench, join),
        ),
        leaves=(words,),
    )
    yield from taken_out(bench, join, words)


TECHNIQUE = Technique(
    id="gathers",
    name="Gathers, two rows",
    chapter="fullness",
    finds=finds,
    why_not=why_not,
    sews=rows,
    rank=20,
    words={"gathers": "cloth drawn together along a thread into small even folds"},
    draw="rows",
)
