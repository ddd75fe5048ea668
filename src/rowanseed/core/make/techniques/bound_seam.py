"""Seams whose raw edges are bound: each by itself and pressed open, both as one, or one by the other."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import Act, Meant, Need, On, Operation, Supply, Use
from rowanseed.core.make.shared import matching, press, sew
from rowanseed.core.make.steps import of_joins
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.techniques import plain_seam
from rowanseed.core.make.which import simple_seams, straight_seams
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import Press

STRIP = 25.0
"""A bias strip for the edge of an allowance is cut so wide, in mm: it covers 6 on each side (common practice)."""
COVERS = 6.0


def finds_apart(bench: Workbench) -> Iterator[Duty]:
    for join in simple_seams(bench):
        if join.press is Press.OPEN and bench.edge_allowance(join.a[0]) >= 12:
            yield single(join.id)


def finds_together(bench: Workbench) -> Iterator[Duty]:
    for join in simple_seams(bench):
        if bench.edge_allowance(join.a[0]) >= 8:
            yield single(join.id)


def finds_self(bench: Workbench) -> Iterator[Duty]:
    for join in straight_seams(bench):
        if bench.edge_allowance(join.a[0]) >= 13:
            yield single(join.id)


def _woven(bench: Workbench) -> str:
    return "a knit does not fray, and a binding would hold it stiff" if bench.household.is_knit else ""


def _on_edges(bench: Workbench, duty: Duty) -> On:
    return On(edges=shown(bench.parts(duty.id)))


def apart(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    step = of_joins(bench, "bound seam", duty.id)
    yield step(
        "bind",
        Act.BIND,
        f"Bind the edges: {step.name}",
        f"Bias strips of thin lining cloth, {bench.margin(STRIP)} wide. Right sides together, raw edges even: "
        f"{bench.margin(COVERS)} from the edge, the strip laid on without pulling.",
        "Press the strip away, wrap it tightly round the edge to the wrong side, and stitch in the ditch from the "
        "right side. Its raw edge below lies flat and is trimmed: a bias edge does not fray.",
        took=minutes.seam(4 * step.mm),
        needs=tuple(bench.flat_first(duty.ids)),
        gives=(Fact.NEATENED,),
        uses=(Use(Supply.BINDING, 2 * step.mm),),
        on=_on_edges(bench, duty),
        rows=4,
        look="The binding has one width and the edge has kept its length.",
    )
    yield sew(
        bench,
        duty.ids,
        "bound seam",
        how=(matching(bench, join), *plain_seam.stitching(bench, join, None)),
        requires=(
            Need(facts.join(Fact.NEATENED, join.id), "edges pressed open are bound apart, before the seam"),
            *plain_seam.order_needs(bench, join),
        ),
    )
    yield press(bench, duty.ids, "bound seam", way="open", words="open")


def together(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    step = of_joins(bench, "seam bound as one", duty.id)
    yield sew(
        bench,
        duty.ids,
        "seam bound as one",
        how=(matching(bench, join), *plain_seam.stitching(bench, join, None)),
        requires=tuple(plain_seam.order_needs(bench, join)),
    )
    yield step(
        "bind",
        Act.BIND,
        f"Bind both edges as one: {step.name}",
        f"Trim both allowances to {bench.margin(8)}. Bias strip {bench.margin(30)} wide, both edges pressed in: open "
        f"one fold, stitch in the crease through both allowances, {bench.margin(7)} from their edge.",
        f"Wrap it over, the far fold {bench.margin(2)} past the stitching, and stitch in the ditch.",
        took=minutes.seam(2 * step.mm),
        after={Fact.JOINED: "it is sewn first"},
        gives=(Fact.FINISHED,),
        uses=(Use(Supply.BINDING, step.mm),),
        meant=frozenset({Meant.TOGETHER}),
        on=_on_edges(bench, duty),
        rows=2,
        look="The far fold is caught all along.",
    )
    yield press(
        bench,
        duty.ids,
        "seam bound as one",
        way="side",
        words=join.press.words if join.press is not Press.OPEN else "to the back",
        requires=(Need(facts.join(Fact.FINISHED, join.id), "both edges are bound first"),),
    )


def by_itself(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    step = of_joins(bench, "self-bound seam", duty.id)
    yield sew(
        bench,
        duty.ids,
        "self-bound seam",
        how=(matching(bench, join), *plain_seam.stitching(bench, join, None)),
        requires=tuple(plain_seam.order_needs(bench, join)),
        meant=frozenset({Meant.ENCLOSES}),
    )
    yield step(
        "trim",
        Act.TRIM,
        f"Bind one allowance with the other: {step.name}",
        f"Trim the allowance that will lie inside to {bench.margin(3)}. Turn the edge of the other in by "
        f"{bench.margin(3)}, wrap it over the trimmed one, and lay the fold on the row of stitching.",
        f"Stitch along that fold, through the allowances only, {bench.margin(1)} from the first row.",
        took=minutes.seam(1.5 * step.mm),
        after={Fact.JOINED: "it is sewn first"},
        gives=(Fact.GRADED,),
        look="No raw edge can be seen on the wrong side, no row on the right.",
    )
    yield press(
        bench,
        duty.ids,
        "self-bound seam",
        way="side",
        words="to the back",
        requires=(Need(facts.join(Fact.GRADED, join.id), "its allowance is wrapped first"),),
    )


TECHNIQUES = (
    Technique(
        id="bound-seam",
        name="Seam with each edge bound, pressed open",
        chapter="seams",
        finds=finds_apart,
        sews=apart,
        rank=44,
        usual=False,
        asks=_woven,
        draw="bound edges",
    ),
    Technique(
        id="bound-as-one",
        name="Seam with both edges bound as one",
        chapter="seams",
        finds=finds_together,
        sews=together,
        rank=45,
        usual=False,
        asks=_woven,
        draw="bound edges",
    ),
    Technique(
        id="self-bound",
        name="Self-bound seam",
        chapter="seams",
        finds=finds_self,
        sews=by_itself,
        rank=46,
        usual=False,
        asks=_woven,
        words={"self-bound": "one allowance of a seam wrapped round the other and stitched down"},
        draw="felled",
    ),
)
