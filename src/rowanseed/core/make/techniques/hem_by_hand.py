"""Turned hem by hand."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make.families.turned_hems import CHAPTER, finds_machine, turned_up
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench


def by_hand(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    yield from turned_up(bench, bench.finishes[duty.id], by_hand=True)


TECHNIQUE = Technique(
    id="hem-by-hand",
    name="Turned hem by hand",
    chapter=CHAPTER,
    finds=finds_machine,
    sews=by_hand,
    rank=31,
    usual=False,
    words={"slip stitch": "a hand stitch that runs inside a fold and shows on neither side"},
    draw="double hem",
)
