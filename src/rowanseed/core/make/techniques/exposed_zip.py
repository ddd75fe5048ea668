"""An exposed zip: its teeth are seen, in an opening that is stayed, cut and turned, or between two finished edges."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.zips import after_seam, beside, finds_zips, shortened, top, why_not_zips
from rowanseed.core.make.operation import Act, Bench, On, Operation
from rowanseed.core.make.steps import of_closure
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import ClosureKind

SHOWN = 6.0
"""Each side of the opening stands so far from the middle of the teeth, in mm: half of what is seen."""


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    closure = bench.closures[duty.id]
    join = bench.joins[closure.join]
    step = of_closure(bench, "exposed zip", duty.id)
    on = On(closures=(closure.id,), edges=beside(bench, join, closure))
    foot = settings.zip_foot(bench.household, invisible=False)
    basting = "basting of the exposed zip"
    yield step(
        "fold",
        Act.PRESS,
        f"Open and fold the edges beside the zip: {step.name}",
        f"Take the basting of the opening out. Both edges: fold {bench.margin(SHOWN)} inside the stitching line, away "
        f"from the raw edge, so that {bench.margin(2 * SHOWN)} of zip are seen between them; across the end clip the "
        "allowances slanting from the last stitch of the seam, and fold the little triangle down.",
        "A strip of fusible on both edges first, where the cloth is soft.",
        at=Bench.IRON,
        took=minutes.each(6),
        needs=after_seam(bench, closure, join),
        gives=(Fact.PREPARED,),
        removes=("basting of the exposed zip's opening",),
        on=on,
        look="The opening is a clean rectangle.",
    )
    yield step(
        "baste",
        Act.BASTE,
        f"Baste in the zip: {step.name}",
        shortened(bench, closure),
        "Zip closed, face up under the opening, teeth exactly in the middle, its stop at the lower end, "
        f"{top(bench, closure)}. Baste all round, or use tape that washes out.",
        at=Bench.HAND,
        took=minutes.each(6),
        after={Fact.PREPARED: "the edges are folded first"},
        gives=(Fact.BASTED,),
        leaves=(basting,),
        on=on,
        look="The teeth lie in the middle of the opening, equally far from both edges from end to end.",
    )
    yield step(
        "zip",
        Act.INSERT_CLOSURE,
        f"Stitch the exposed zip: {step.name}",
        f"Right side up, {bench.margin(2)} from the folds: from the top down one side, needle down, across below the "
        "stop, through the triangle, and from the top down the other side, so that both sides are sewn the same way.",
        "Move the slider past the foot with the needle down. Take the basting out. Sew the free edges of the tape to "
        "the allowances only.",
        took=minutes.each(10),
        setting=foot,
        after={Fact.BASTED: "it is basted first"},
        gives=(Fact.CLOSED,),
        removes=(basting,),
        on=on,
        booklet=True,
        look="Both rows run parallel to the teeth, and the upper edges are level when it is closed.",
    )


TECHNIQUE = Technique(
    id="exposed-zip",
    name="Exposed zip",
    chapter="closures",
    finds=finds_zips(ClosureKind.EXPOSED_ZIP),
    why_not=why_not_zips(ClosureKind.EXPOSED_ZIP),
    sews=sews,
    rank=20,
    draw="centred zip",
)
