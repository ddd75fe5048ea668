"""Tabs that are buttoned."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.strips import caught_in, on_strip, strip_technique
from rowanseed.core.make.operation import Act, Bench, Meant, Need, On, Operation
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import DetailKind


def tab(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, "tab", duty.id)
    joins = tuple(id for id in duty.ids if id in bench.joins)
    yield step(
        "made-up",
        Act.JOIN if joins else Act.TURN,
        f"Make up the tabs: {step.name}",
        "Two and two right sides together, one interfaced: sew round all but the end that is caught, "
        f"{bench.margin(6)} to finish; stitch length 1.5 and two stitches across at the point. Trim the corners, turn, "
        "press.",
        f"Edgestitch {bench.margin(2)} from the edge. If it is buttoned, work its buttonhole now, while it is loose.",
        took=minutes.each(7, detail.count),
        needs=tuple(
            Need(facts.piece(Fact.STIFFENED, id), "interfacing goes on first", where_given=True) for id in detail.pieces
        ),
        gives=(
            Fact.PREPARED,
            *(facts.join(fact, id) for id in joins for fact in (Fact.JOINED, Fact.PRESSED)),
        ),
        meant=frozenset({Meant.ENCLOSES}),
        on=On(pieces=detail.pieces, joins=joins, edges=on_strip(bench, duty, finishes=False).edges),
        rows=0,
        look="All points are alike.",
    )
    yield step(
        "baste",
        Act.ATTACH,
        f"Baste the tabs on: {step.name}",
        "Raw end level with the raw edge at its mark, right side to right side, pointing into the garment; baste in "
        "the allowance, where it stays. The seam catches it.",
        at=Bench.HAND,
        took=minutes.each(2, detail.count),
        after={Fact.PREPARED: "they are made up first"},
        gives=caught_in(bench, duty),
        on=on_strip(bench, duty, finishes=True),
        booklet=True,
        look="Left and right stand at the same height.",
    )


TECHNIQUE = strip_technique(DetailKind.TAB, "Tab", tab)
