"""What comes out and what comes last: temporary stitches, thread ends, a look inside, the last press."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.iron import iron_for, others_by_themselves
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.technique import Companion
from rowanseed.core.make.workbench import HOT, Workbench
from rowanseed.core.pattern.making import ClosureKind, EdgePart
from rowanseed.core.pattern.pieces import Panel
from rowanseed.core.pattern.walk import part_length

CREASED = 500.0
"""An inner leg of so much, in mm, is long enough for a crease: shorts have none."""


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
            *_creases(bench),
            *others_by_themselves(bench),
            "Hang it up, closed, until it is cool and dry.",
        ),
        bench=Bench.IRON,
        minutes=minutes.each(12),
        on=On(),
        requires=(Need(facts.gate(Fact.TRIED, "look-over"), "no basting is pressed in for good"),),
        gives=(facts.gate(Fact.SETTLED, "last-press"),),
        caution=HOT,
        look="Hung up, nothing is crumpled and nothing shines, and both sides fall alike.",
    )


def _creases(bench: Workbench) -> Iterator[str]:
    """How long legs of woven cloth that close with a zip or a fly are creased (common practice, no source)."""
    legs = [
        part_length(bench.pattern, bench.size, EdgePart(piece.id, "inseam"))
        for piece in bench.pattern.pieces
        if piece.has_edge("inseam") and piece.id not in bench.inner
    ]
    closes = bench.openings.zips or any(c.kind is ClosureKind.BUTTON_FLY for c in bench.closures.values())
    if legs and min(legs) > CREASED and closes and not bench.household.is_knit and not bench.household.surface.is_pile:
        darts = [dart for p in bench.pattern.pieces if bench.panel(p.id) is Panel.FRONT for dart in p.darts]
        folded = any(dart.is_folded for dart in darts)
        ends = "up to the first pleat" if folded else "up to the dart" if darts else "until it runs out below the waist"
        yield (
            "Creases, where the trousers are to have them, as jeans have not: each leg flat by itself, inner leg seam "
            f"on side seam, the hem level. Through a damp cloth the front one from the hem {ends}; the back one up to "
            "the level of the crotch."
        )


def _in_order(bench: Workbench) -> str:
    """What is pressed after what, of what there is."""
    banded = any(piece.panel is Panel.BAND and piece.id not in bench.inner for piece in bench.pattern.pieces)
    collared = any(piece.collar for piece in bench.pattern.pieces)
    small = "collar and bands" if collared and banded else "the collar" if collared else "bands" if banded else ""
    return f"seams on a roll{f', then {small}' if small else ''}, the hem last"


TECHNIQUE = Companion(id="the-end", name="Ends and the last press", chapter="finish", adds=adds)
