"""A hem held inside by a hand stitch that gives with the cloth."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make.families.hemming import begun, held_by_hand, hem_technique, neatened
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import Workbench


def catch_stitched(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step, first, before = begun(bench, duty, "catch-stitched hem")
    yield from first
    yield neatened(step, before)
    yield from held_by_hand(
        step,
        "sew",
        "Catch stitch, working from left to right with the needle pointing left: a small stitch in the hem, a tiny "
        f"one in the garment just above its edge, {bench.margin(8)} on, crossing each time. It gives with the cloth.",
    )


TECHNIQUE = hem_technique(
    id="catch-stitched-hem",
    name="Hem by catch stitch",
    sews=catch_stitched,
    rank=39,
    is_deep=True,
    draw="catch stitch",
    words={"catch stitch": "a crossing hand stitch that holds an edge and lets it give"},
)
