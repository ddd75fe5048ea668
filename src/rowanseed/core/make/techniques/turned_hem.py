"""Turned hem."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make.families.turned_hems import CHAPTER, finds_machine, turned_up
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench


def double(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    by_hand = bench.household.habits.hem_by_hand or not bench.household.equipment.machine
    yield from turned_up(bench, finish, by_hand=by_hand)


TECHNIQUE = Technique(
    id="turned-hem",
    name="Turned hem",
    chapter=CHAPTER,
    finds=finds_machine,
    sews=double,
    rank=30,
    also=("double hem",),
    words={"hem": "the lower edge of a garment, turned up and sewn"},
    draw="double hem",
)
