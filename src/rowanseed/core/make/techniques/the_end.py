"""What comes out and what comes last: temporary stitches, thread ends, a look inside, the last press."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.iron import iron_for, others_by_themselves
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.technique import Companion
from rowanseed.core.make.workbench import HOT, Workbench
from rowanseed.core.pattern.pieces import Panel


def adds(bench: Workbench, operations: tuple[Operation, ...]) -> Iterator[Operation]:
    taken = {thing for op in operations for thing in op.removes}
    left = [thing for op in operations for thing in op.leaves if thing not in taken]
    left = list(dict.fromkeys(left))
    out = f"Take out {'; '.join(left)}." if left else "Look for any basting or chalk that is left, and take it out."
    yield Operation(
        id="look-over",
        technique="the end",
        act=Act.REMOVE,
        title="Threads, basting, the inside",
        how=(
            out,
            "Draw thread ends to the inside, knot or bury them in a seam, and clip; run the ends of an overlocked "
            "edge back under its stitches.",
            "Inside out under a lamp: every seam runs to its end, no edge is left raw that should not be, no pin is "
            "left.",
        ),
        bench=Bench.HAND,
        minutes=minutes.each(12),
        on=On(),
        requires=tuple(Need(facts.thing(thing), "it held what is sewn now") for thing in left),
        gives=(facts.gate(Fact.TRIED, "look-over"),),
        removes=tuple(left),
        look="Turned inside out, not a thread hangs, and no basting is left.",
    )
    yield Operation(
        id="last-press",
        technique="the end",
        act=Act.FINISH,
        title="The last press",
        how=(
            f"{iron_for(bench)} From the wrong side or through a cloth; {_in_order(bench)}.",
            *others_by_themselves(bench),
            "Hang it up, closed, until it is cool and dry.",
        ),
        bench=Bench.IRON,
        minutes=minutes.each(12),
        on=On(),
        requires=(Need(facts.gate(Fact.TRIED, "look-over"), "no basting is pressed in for good"),),
        gives=(facts.gate(Fact.SETTLED, "last-press"),),
        caution=HOT,
        look="Hung up, no crease is left and no shine, and both sides fall alike.",
    )


def _in_order(bench: Workbench) -> str:
    """What is pressed after what, of what there is."""
    banded = any(piece.panel is Panel.BAND and piece.id not in bench.inner for piece in bench.pattern.pieces)
    collared = any(piece.collar for piece in bench.pattern.pieces)
    small = "collar and bands" if collared and banded else "the collar" if collared else "bands" if banded else ""
    return f"seams on a roll{f', then {small}' if small else ''}, the hem last"


TECHNIQUE = Companion(id="the-end", name="Ends and the last press", chapter="finish", adds=adds)
