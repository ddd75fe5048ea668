"""A flap over a pocket mouth."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.patches import turned_all_round
from rowanseed.core.make.families.pocket_bags import (
    edges_of,
    finished,
    given,
    level,
    number_of,
    own_joins,
    pocket_technique,
    ready,
)
from rowanseed.core.make.operation import Act, Meant, Need, On, Operation
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import NEEDLE, Workbench
from rowanseed.core.pattern.making import Detail, DetailKind
from rowanseed.core.pattern.pieces import LineKind


def flap(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step, number = of_detail(bench, "pocket flap", duty.id), number_of(bench, detail)
    joins = own_joins(bench, duty)
    yield step(
        "made-up",
        Act.JOIN if joins else Act.TURN,
        f"Make up the flap: {step.name}",
        "Flap and its lining right sides together, the lining stretched to fit, a little smaller so that it rolls "
        f"under; sew the sides and the lower edge, stitch length 1.5 round the corners. Trim to {bench.margin(5)}, "
        f"notch curves, turn, press with the seam rolled {bench.margin(1)} under.",
        f"Topstitch {bench.margin(6)} from the edge if the garment is topstitched. Both of a pair together.",
        took=minutes.each(9, number),
        needs=ready(bench, detail),
        gives=(
            Fact.PREPARED,
            *(facts.join(fact, id) for id in joins for fact in (Fact.JOINED, Fact.PRESSED)),
        ),
        meant=frozenset({Meant.ENCLOSES}),
        on=On(pieces=detail.pieces, joins=joins, edges=edges_of(bench, detail).edges),
        rows=0,
        look="Flaps of a pair are equal, and their corners have one curve.",
    )
    yield step(
        "sew-on",
        Act.ATTACH,
        f"Sew the flap on: {step.name}",
        f"Right side down, pointing up, its raw edge {_on_line(bench, detail)}{bench.margin(12)} above the "
        f"pocket's mouth; it is {bench.margin(3)} wider than the pocket at both sides. Stitch on its stitching line "
        "and backstitch.",
        f"Trim to {bench.margin(4)}, fold the flap down over it, press, and topstitch {bench.margin(6)} below the "
        "fold, so that the raw edge is enclosed.",
        *level(number),
        took=minutes.each(6, number),
        setting=settings.topstitch(bench.household, bench.margin(6)),
        after={Fact.PREPARED: "it is made up first"},
        needs=tuple(
            Need(facts.finish(Fact.ATTACHED, f.id), "the pocket below is on first", where_given=True)
            for f in turned_all_round(bench)
        ),
        gives=given(bench, duty),
        on=On(
            pieces=edges_of(bench, detail).pieces,
            finishes=finished(bench, duty),
            edges=edges_of(bench, detail).edges,
        ),
        rows=0,
        caution=NEEDLE,
        booklet=True,
        look="It hangs level and covers the mouth.",
    )


def _on_line(bench: Workbench, detail: Detail) -> str:
    """What it is laid on, where the tissue draws that."""
    lines = (line for id in detail.on for line in bench.piece(id).lines)
    return "on the placement line, " if any(line.kind is LineKind.PLACEMENT for line in lines) else ""


TECHNIQUE = pocket_technique(kind=DetailKind.FLAP, name="Pocket flap", sews=flap, draw="flap")
