"""A narrow hem: folded twice by as little as it takes."""

from __future__ import annotations

from collections.abc import Iterator, Mapping

from rowanseed.core.make import minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.hemming import DONE, begun, depth_of, hem_technique, on_hem, surplus
from rowanseed.core.make.hem_length import begins_at, over_the_beginning, run_of
from rowanseed.core.make.operation import Act, Bench, Operation
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.turned import Turned, stitched
from rowanseed.core.make.workbench import Workbench

NARROW = (6.0, 6.0)
"""The two turnings of a narrow hem, in mm (common practice)."""
NARROW_MOST = 16.0
"""A hem of no more than this, in mm (the craft's 5/8 in), is narrow as it was cut: folded, and folded under."""


def narrow(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step, first, before = begun(bench, duty, "narrow hem")
    yield from first
    bow = any(bench.bends.is_curved(part) for part in bench.finishes[duty.id].parts)
    depth = depth_of(step)
    each = depth / 2 if depth <= NARROW_MOST else NARROW[0]
    guide = (
        f"On this curve first stitch all round {bench.margin(each)} from the raw edge: the row is the fold line, "
        "and takes the fullness in.",
    )
    yield step(
        "fold",
        Act.PRESS,
        f"Fold and press a narrow hem: {step.name}",
        *(() if depth <= NARROW_MOST else surplus(step, sum(NARROW))),
        *(guide if bow else ()),
        f"{bench.margin(each)} to the wrong side, then as much again. {step.iron}",
        at=Bench.IRON,
        took=minutes.press(2 * step.mm),
        needs=before,
        gives=(Fact.PREPARED,),
        turned=Turned((each, each)),
        look="The hem is equally narrow all round, without a twist where the grain changes.",
    )
    yield step(
        "sew",
        Act.HEM,
        f"Sew the narrow hem: {step.name}",
        f"From the wrong side, {bench.margin(2)} from the inner fold, {begins_at(bench, bench.finishes[duty.id])}; "
        f"{over_the_beginning(bench, bench.finishes[duty.id])}.",
        "In very thin cloth stitch beside the first fold, trim close, fold again and stitch on the same line.",
        setting=settings.hem(bench.household, bench.margin(2)),
        after={Fact.PREPARED: "it is folded and pressed"},
        gives=DONE,
        run=run_of(bench, bench.finishes[duty.id]),
        turned=stitched(each, each),
        on=on_hem(step),
        booklet=True,
        look="It is narrow all round and does not twist like a rope.",
    )


def _narrowed(bench: Workbench, duty: Duty) -> Mapping[tuple[str, str], float]:
    """A deeper hem is cut as a narrow one takes it."""
    parts = bench.finishes[duty.id].parts
    return {(p.piece, p.edge): sum(NARROW) for p in parts if bench.edge_allowance(p) > NARROW_MOST}


TECHNIQUE = hem_technique(
    id="narrow-hem",
    name="Narrow hem",
    sews=narrow,
    rank=33,
    draw="double hem",
    also=("circular hem",),
    allowances=_narrowed,
)
