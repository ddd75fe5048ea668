"""Blind hem by machine."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.make import facts, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.hemming import needs_machine
from rowanseed.core.make.families.turned_hems import (
    CHAPTER,
    finds_machine,
    folded,
    neatened_first,
    sewn_down,
)
from rowanseed.core.make.hem_length import before_hem
from rowanseed.core.make.operation import Need, Operation
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench


def blind(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    first, before = before_hem(bench, finish)
    yield from first
    yield neatened_first(bench, finish, "blind hem by machine", before)
    yield folded(
        bench,
        finish,
        "blind hem by machine",
        (Need(facts.finish(Fact.NEATENED, finish.id), "its edge is finished before it is folded"),),
        single_fold=True,
    )
    sewn = sewn_down(
        bench,
        finish,
        "blind hem by machine",
        (
            f"Baste {bench.margin(10)} from the neatened edge; fold the garment back at the basting, so that "
            f"{bench.margin(6)} of the hem stand out.",
            "Sew on these: the swing stitch just nips the fold. Unfold and press; take the basting out.",
        ),
        by_hand=False,
        single_fold=True,
        setting=settings.blind_hem(bench.household),
    )
    # The garment is folded back for it: the hem lies beside it, not on it.
    yield replace(sewn, turned=None)


TECHNIQUE = Technique(
    id="blind-hem",
    name="Blind hem by machine",
    chapter=CHAPTER,
    finds=finds_machine,
    sews=blind,
    rank=32,
    usual=False,
    asks=needs_machine,
    iso="103",
    draw="blind hem",
)
