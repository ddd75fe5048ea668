"""A household without a machine: every operation that techniques write for a machine, done by hand instead.

Techniques write for the machine and need not think of it; what an act is by hand is said here, once.
"""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.make.operation import Act, Bench, Operation
from rowanseed.core.make.workbench import NEEDLE, Workbench

SLOWER = 4.0
"""How much longer a row takes by hand than at the machine (common practice, no source)."""


def by_hand(bench: Workbench, op: Operation) -> Operation:
    """An operation as it is done without a machine; the operation itself where it needs none."""
    if not op.bench.is_machine:
        return op
    low, high = op.minutes
    return replace(
        op,
        bench=Bench.HAND,
        setting=None,
        minutes=(low * SLOWER, high * SLOWER),
        how=(*op.how, _stitch(bench, op.act)),
        caution=op.caution.replace(NEEDLE, "").strip(),
    )


def _stitch(bench: Workbench, act: Act) -> str:
    """The stitch that takes the place of the machine's."""
    match act:
        case Act.NEATEN:
            return (
                f"By hand: overcast, slanting stitches over the edge, {bench.margin(3)} deep and {bench.margin(5)} "
                "apart, not drawn tight."
            )
        case Act.STAY | Act.BASTE | Act.EASE | Act.GATHER:
            return (
                "By hand: even running stitches, the thread fastened at one end only where it is drawn up or comes out."
            )
        case Act.TOPSTITCH | Act.UNDERSTITCH | Act.INSERT_CLOSURE:
            return (
                f"By hand: prick stitch, a tiny stitch outside and {bench.margin(6)} to the next, through the layers "
                "the machine would go through."
            )
        case Act.TURN | Act.HEM | Act.BIND:
            return (
                "By hand: fell a fold to the row of stitching or slip stitch it; backstitch where two edges are closed."
            )
        case Act.BUTTONHOLE:
            return (
                f"By hand: stitch round {bench.margin(3)} wide, cut, and cover the cut edge with buttonhole stitch "
                "from right to left, the knots on the edge; a bar at both ends."
            )
        case Act.DART:
            return (
                "By hand: backstitch from the wide end to the point, finer towards it; two stitches on one spot "
                "at the end."
            )
        case Act.SAMPLE:
            return (
                f"By hand: thread no longer than {bench.length(450)}, the needle as fine as goes through without force."
            )
        case _:
            return (
                f"By hand: backstitch, {bench.margin(3)} a stitch, with a doubled one at both ends and wherever it "
                "is strained."
            )
