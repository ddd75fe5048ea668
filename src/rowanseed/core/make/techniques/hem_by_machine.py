"""Turned hem by machine."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make.families.hemming import needs_machine
from rowanseed.core.make.families.turned_hems import CHAPTER, finds_machine, turned_up
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench


def by_machine(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    yield from turned_up(bench, bench.finishes[duty.id], by_hand=False)


TECHNIQUE = Technique(
    id="hem-by-machine",
    name="Turned hem by machine",
    chapter=CHAPTER,
    finds=finds_machine,
    sews=by_machine,
    rank=31,
    usual=False,
    asks=needs_machine,
    draw="double hem",
)
