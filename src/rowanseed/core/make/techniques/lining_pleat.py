"""The ease pleat of a lining, folded before its neck is sewn."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, EdgeShown, Need, On, Operation
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import NEEDLE, Workbench
from rowanseed.core.pattern.pieces import LineKind

KEY = "pleat:"


def finds(bench: Workbench) -> Iterator[Duty]:
    for piece in bench.pattern.pieces:
        if any(line.kind is LineKind.PLEAT and line.id == "ease-pleat" for line in piece.lines):
            yield single(f"{KEY}{piece.id}")


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    piece = bench.piece(duty.id.removeprefix(KEY))
    halves = [j.id for j in bench.joins.values() if pieces_of((*j.a, *j.b)) == {piece.id} and j.a[0].hand]
    ends = f"stitch {bench.fine(50)} down from the upper edge"
    if piece.has_edge("hem"):
        ends += f" and {bench.fine(75)} up from the hem"
    yield Operation(
        id=f"pleat-{piece.id}",
        technique="ease pleat",
        act=Act.FOLD,
        title=f"Fold the ease pleat: {bench.name(piece.id)}",
        how=(
            f"Right sides together along the pleat line; {ends}.",
            "Press it to the wearer's right, and baste it across the top, inside the allowance, where it stays.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.each(5),
        on=On(pieces=(piece.id,), edges=(EdgeShown(piece.id, "neck"),) if piece.has_edge("neck") else ()),
        requires=tuple(Need(facts.join(Fact.PRESSED, id), "the two halves are joined first") for id in halves),
        gives=(facts.layer(Fact.SHAPED, piece.id),),
        setting=settings.seam(bench.household, lining=True),
        caution=NEEDLE,
        look="The pleat opens freely in the middle.",
    )


TECHNIQUE = Technique(
    id="ease-pleat",
    name="Ease pleat of a lining",
    chapter="layers",
    finds=finds,
    sews=sews,
    rank=10,
    words={"ease pleat": "a fold down the middle of a lining's back that opens when the wearer reaches"},
    draw="pleat",
)
