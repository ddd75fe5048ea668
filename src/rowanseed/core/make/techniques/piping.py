"""Piping caught in a seam."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.trims import trim_technique
from rowanseed.core.make.operation import Act, On, Operation, Supply, Use
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty, Finds, single
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import DetailKind

CORD = 3.0


def _in_a_seam(kind: DetailKind) -> Finds:
    def finds(bench: Workbench) -> Iterator[Duty]:
        for detail in bench.details_of(kind):
            if detail.along and all(id in bench.joins for id in detail.along):
                yield single(detail.id, *bench.parts_of(detail))

    return finds


def piping(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, "piping", duty.id)
    seam = bench.joins.get(detail.along[0])
    edge = seam.a if seam is not None else bench.parts(detail.along[0])
    allowance, sewn_to = bench.edge_allowance(edge[0]), bench.names(part.piece for part in edge)
    foot = settings.zip_foot(bench.household, invisible=False)
    yield step(
        "cord",
        Act.PIPE,
        f"Make the piping: {step.name}",
        f"Bias strip as wide as the cord is round and two allowances: {bench.margin(2 * allowance + 10)} for a cord of "
        f"{bench.margin(CORD)}; {bench.length(step.mm + 60)} altogether. Wrap it round the cord, raw edges even, and "
        "stitch beside the cord with the zipper foot, not quite close.",
        f"Trim its allowance to {bench.margin(allowance)}, the seam's. Shrink a cotton cord first.",
        setting=foot,
        gives=(Fact.PREPARED,),
        uses=(Use(Supply.PIPING, step.mm),),
        on=On(edges=shown(edge)),
        look="The cord lies close in its fold from end to end, without a twist.",
    )
    yield step(
        "baste",
        Act.PIPE,
        f"Baste the piping to one edge: {step.name}",
        f"On the right side of the {sewn_to}, raw edges even, its stitching on the stitching line. On an inward curve "
        "ease it on and clip its allowance, round a corner clip at the very point; do not pull.",
        f"At ends draw {bench.margin(10)} of the cord out and cut it, so that the crossing seam stays flat. Sew on the "
        "row that is there.",
        "When the seam is sewn this side lies on top: stitch just inside this row, with the zipper foot, close to the "
        "cord.",
        setting=foot,
        after={Fact.PREPARED: "it is made up first"},
        needs=tuple(bench.flat_first(detail.along)),
        gives=(
            Fact.FINISHED,
            *facts.joins(Fact.BASTED, detail.along),
            *(facts.finish(Fact.FINISHED, id) for id in duty.ids if id in bench.finishes),
        ),
        on=On(finishes=tuple(id for id in duty.ids if id in bench.finishes), edges=shown(edge)),
        look="The cord stands on the garment's side of the stitching line all the way.",
    )


TECHNIQUE = trim_technique(
    DetailKind.PIPING,
    "Piping in a seam",
    _in_a_seam(DetailKind.PIPING),
    piping,
    words={"piping": "a bias strip round a cord, sewn into a seam so that the cord shows along it"},
    draw="piping",
)
