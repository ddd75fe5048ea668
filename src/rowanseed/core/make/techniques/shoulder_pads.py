"""Shoulder pads: placed by a try-on, sewn to shoulder and armhole allowances, under the lining."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.technique import Companion
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.pieces import Panel

BEYOND = 10.0
"""A pad reaches so far beyond the armhole seam into the sleeve, in mm (common practice, no source)."""
KEY = "pads"


def adds(bench: Workbench, operations: tuple[Operation, ...]) -> Iterator[Operation]:
    if not bench.household.pad:
        return
    shell = [j for j in bench.joins.values() if not pieces_of((*j.a, *j.b)) & bench.inner]
    shoulders = [j for j in shell if any(p.edge == "shoulder" for p in j.a)]
    sleeves = [j for j in shell if bench.holds_sleeve(j) and bench.panels((*j.a, *j.b)) != {Panel.SLEEVE}]
    edge = f"{bench.margin(BEYOND)} beyond the armhole seam" if sleeves else "level with the armhole's stitching line"
    yield Operation(
        id="pads",
        technique="shoulder pads",
        act=Act.PAD,
        title="Sew in the shoulder pads",
        how=(
            f"Try it on with the pads pinned in from outside, {bench.fine(bench.household.pad)} thick as the lining "
            f"allows for: the straight edge {edge}, a third of the pad in front of the shoulder seam.",
            "From inside, loosely: along the shoulder allowance, then along the armhole's, catching the allowances "
            "only. The pad is sewn on slightly full, so that it keeps its curve.",
        ),
        bench=Bench.HAND,
        minutes=minutes.each(20),
        on=On(edges=shown(p for j in shoulders for p in j.a)),
        requires=tuple(
            Need(facts.join(Fact.PRESSED, j.id), "shoulders and sleeves are finished first", where_given=True)
            for j in (*shoulders, *sleeves)
        ),
        gives=(facts.layer(Fact.ATTACHED, KEY),),
        look="Both shoulders are equally high and show no edge of the pad.",
    )


TECHNIQUE = Companion(
    id="shoulder-pads",
    name="Shoulder pads",
    chapter="layers",
    adds=adds,
    draw="pad",
)
