"""Zips: an invisible one before the seam below it, centred and lapped ones after."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import settings
from rowanseed.core.make.steps import After, Bench, EdgeShown, MakingStep, Task
from rowanseed.core.make.workbench import HOT, NEEDLE, Workbench, flat_first, shown_edges
from rowanseed.core.pattern.making import Closure, Join


def invisible_zip(bench: Workbench, join: Join, closure: Closure) -> Iterator[MakingStep]:
    yield MakingStep(
        id=f"uncurl-{closure.id}",
        title="Press the zip's coils flat",
        how=("Zip open, from the wrong side, cool iron, until the coils stand away from the tape.",),
        bench=Bench.IRON,
        task=Task.PRESS,
        caution=HOT,
        about=closure.id,
    )
    yield MakingStep(
        id=f"zip-{closure.id}",
        title=f"Put in the {closure.kind.words}: {lower_first(join.name)}",
        how=(
            f"Zip open, face down on the right side; the coil on the seam line ({bench.allowance(join)} from the "
            "edge), "
            f"the stop {bench.fine(8)} below the waist seam line.",
            "Sew each side from the top to the zip mark, the coil rolled open under the foot. Close it and see that "
            "both "
            "sides are level before the seam.",
        ),
        bench=Bench.MACHINE,
        task=Task.ZIP,
        needs=(
            After(f"uncurl-{closure.id}", "flat coils let the needle come close"),
            After(f"neaten-{join.id}", "the edges of a zip opening are neatened before the zip"),
            *flat_first(bench, join),
        ),
        setting=settings.invisible_zip(bench.needle),
        edges=beside_zip(join, closure, zip_part=True),
        caution=NEEDLE,
        booklet=bench.booklet(closure.id),
        about=closure.id,
    )


def zip_after(bench: Workbench, join: Join, closure: Closure) -> MakingStep:
    return MakingStep(
        id=f"zip-{closure.id}",
        title=f"Put in the {closure.kind.words}: {lower_first(join.name)}",
        how=(
            "Centre the closed zip under the basted part, face down on the pressed allowances.",
            "Sew down one side, across and up the other; then take the basting out.",
        ),
        bench=Bench.MACHINE,
        task=Task.ZIP,
        needs=(After(f"press-{join.id}", "the seam below is sewn and pressed first"),),
        setting=settings.invisible_zip(bench.needle),
        edges=beside_zip(join, closure, zip_part=True),
        caution=NEEDLE,
        booklet=bench.booklet(closure.id),
        about=closure.id,
    )


def beside_zip(join: Join, closure: Closure, *, zip_part: bool) -> tuple[EdgeShown, ...]:
    """The edges of a join with a zip: the part the zip takes, or the seam below it."""
    beyond = zip_part == (join.sewn_from == "start")
    out = []
    for shown in shown_edges((*join.a, *join.b)):
        has_mark = closure.to_mark is not None and closure.to_mark[0] == shown.piece
        out.append(
            replace(shown, mark=closure.to_mark[1], beyond_mark=beyond) if closure.to_mark and has_mark else shown
        )
    return tuple(out)
