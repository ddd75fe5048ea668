"""A ruffle caught between the layers of a seam: hemmed, gathered, basted to one edge before the seam is sewn."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, Bench, Meant, Need, On, Operation
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.trimming import gathering_rows, narrowest, trimmed
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import DetailKind, FinishKind, Join


def finds(bench: Workbench) -> Iterator[Duty]:
    """Ruffles of their own piece along seams; what is not part of the piece itself is sewn by seams of its own."""
    for detail in bench.details_of(DetailKind.RUFFLE):
        if detail.pieces and detail.along and all(id in bench.joins for id in detail.along):
            yield single(detail.id, *bench.parts_of(detail))


def _trimmed(bench: Workbench, join: Join) -> str:
    cut = trimmed(bench, narrowest(bench, (*join.a, *join.b)), 6.0)
    return f"{cut}, " if cut else ""


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, "ruffle in a seam", duty.id)
    own = [bench.finishes[id] for id in duty.ids[1:] if id in bench.finishes]
    hemmed = [f for f in own if f.kind is not FinishKind.CAUGHT]
    caught = [f for f in own if f.kind is FinishKind.CAUGHT]
    edge = bench.parts(detail.along[0])
    for join in (bench.joins[id] for id in duty.ids[1:] if id in bench.joins):
        yield step(
            f"ends-{join.id}",
            Act.JOIN,
            f"Join the ruffle's strips: {step.name}",
            f"{bench.seam_of(join)}, right sides together; {_trimmed(bench, join)}neaten both edges together as you "
            "go, and press to one side.",
            took=minutes.each(4),
            meant=frozenset({Meant.ENCLOSES}),
            gives=(facts.join(Fact.JOINED, join.id), facts.join(Fact.PRESSED, join.id)),
            on=On(joins=(join.id,), edges=shown((*join.a, *join.b))),
            look="Laid flat the ring is not twisted, and all its widths fall the same way.",
        )
    if hemmed:
        parts = tuple(part for f in hemmed for part in f.parts)
        yield step(
            "hem",
            Act.HEM,
            f"Hem the ruffle: {step.name}",
            f"Narrow: {bench.margin(5)} to the wrong side and as much again, stitched {bench.margin(1)} from the fold; "
            f"on a curve stitch {bench.margin(6)} from the edge first and fold along that row. {iron_for(bench)}",
            took=minutes.seam(2 * sum(bench.around([f.id]) for f in hemmed)),
            needs=tuple(
                Need(facts.join(Fact.PRESSED, id), "its strips are joined first")
                for id in duty.ids[1:]
                if id in bench.joins
            ),
            gives=(Fact.PREPARED, *(facts.finish(Fact.FINISHED, f.id) for f in hemmed)),
            meant=frozenset({Meant.FLAT}),
            on=On(finishes=tuple(f.id for f in hemmed), edges=shown(parts)),
            look="The hem is narrow and does not twist.",
        )
    rows = f"gathering rows of the {lower_first(detail.name)}"
    upper = tuple(part for f in caught for part in f.parts)
    outer, inner = gathering_rows(narrowest(bench, upper or edge))
    yield step(
        "gather",
        Act.GATHER,
        f"Gather the ruffle: {step.name}",
        f"Two rows at the longest stitch, {bench.margin(outer)} and {bench.margin(inner)} from the raw edge, ends left "
        "long. Quarter the ruffle and the edge that it goes to.",
        took=minutes.seam(3 * step.mm),
        setting=settings.longest(bench.household),
        after={Fact.PREPARED: "its hem is easier to sew flat"} if hemmed else {},
        gives=(Fact.DRAWN_UP,),
        leaves=(rows,),
        on=On(edges=shown(upper)),
        rows=2,
        look="It is as long as its edge, and the gathers are even between the quarters.",
    )
    yield step(
        "baste",
        Act.ATTACH,
        f"Baste the ruffle on: {step.name}",
        f"Right sides together on the {bench.name(edge[0].piece)}, raw edges even, quarter on quarter; draw the bobbin "
        "threads up and even the gathers. Round a corner put in a little more, so that it does not cup.",
        f"Baste {bench.margin(3)} outside the stitching line, in the allowance, where it stays. Keep its ends out of "
        "the seams that cross.",
        took=minutes.seam(2 * step.mm),
        setting=settings.longest(bench.household),
        after={Fact.DRAWN_UP: "it is gathered first"},
        needs=tuple(bench.flat_first(detail.along)),
        gives=(
            Fact.FINISHED,
            *(facts.finish(Fact.FINISHED, f.id) for f in caught),
            *facts.joins(Fact.BASTED, detail.along),
        ),
        on=On(finishes=tuple(f.id for f in caught), edges=shown((*upper, *edge))),
        look="The folds lie straight away from the edge, and no pleat lies across the stitching line.",
    )
    yield step(
        "remove-rows",
        Act.REMOVE,
        f"Take out the rows that show: {step.name}",
        "The row on the garment's side of the seam: snip it every few stitches and draw it out.",
        at=Bench.HAND,
        took=minutes.each(3),
        needs=tuple(Need(facts.join(Fact.JOINED, id), "the seam holds the ruffle now") for id in detail.along),
        removes=(rows,),
        gives=(Fact.SETTLED,),
        on=On(edges=shown(edge)),
        look="The gathers stay as they were sewn, and no thread of the rows is left.",
    )


TECHNIQUE = Technique(
    id="ruffle-in-a-seam",
    name="Ruffle caught in a seam",
    chapter="fullness",
    finds=finds,
    sews=sews,
    rank=12,
    words={"ruffle": "a strip of cloth gathered along one edge, also called a frill"},
    also=("frill",),
    draw="ruffle",
)
