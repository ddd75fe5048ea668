"""Loops of thread."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make.families.buttonholes import (
    CUFF_LAPS,
    buttoned_ids,
    holes_of,
    is_double,
    is_of_cuffs,
    laps_over,
    sewn_on,
)
from rowanseed.core.make.families.suited import finds_of, why_not_of
from rowanseed.core.make.operation import Bench, Operation
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench


def loops(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    """Loops of thread on an edge that is finished: the pattern need not foresee them."""
    yield holes_of(
        bench,
        duty,
        "button loops",
        f"{CUFF_LAPS}; its loop stands on that end, in the middle of its width. Left and right mirror each other."
        if is_of_cuffs(bench, duty.id)
        else f"{laps_over(bench, 'the loops are worked on')} The edges meet or lap as the pattern has them; the loops "
        "stand on the edge at the marks.",
        f"Three or four strands of strong thread from {bench.fine(1)} inside the edge, out and back, just long enough "
        "for the button to pass; try it over the button. Cover them with buttonhole stitch, close beside each other, "
        "and fasten inside.",
        "Loops of a turned bias strip would be caught between edge and facing, before that is sewn; where your "
        "pattern wants these, follow your booklet.",
        took=10,
        title="Work the button loops",
        at=Bench.HAND,
        cut=False,
        look="Each loop holds its button without slack.",
    )
    yield from sewn_on(bench, duty, loops=True)


def _why_not(bench: Workbench, id: str) -> str:
    return "double-breasted fronts lap over each other: a loop at the edge is beside its button" * is_double(bench, id)


TECHNIQUE = Technique(
    id="button-loops",
    name="Loops of thread",
    chapter="closures",
    finds=finds_of(buttoned_ids, _why_not),
    why_not=why_not_of(buttoned_ids, _why_not),
    sews=loops,
    rank=21,
    usual=False,
    draw="button loop",
)
