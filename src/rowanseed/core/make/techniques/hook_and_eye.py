"""Hook and eye."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.hooks import held_by_hooks, hooks_of
from rowanseed.core.make.operation import Act, Bench, On, Operation
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.pieces import PointKind


def finds_eye(bench: Workbench) -> Iterator[Duty]:
    return hooks_of(bench, lapped=False)


def eye(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins.get(bench.closures[duty.id].join)
    zipped = join is not None and bench.openings.zip_on(join) is not None
    marked = 0 if zipped else bench.points_of(PointKind.HOOK)
    above = "Above the zip" if zipped else "At the top of the opening"
    where = f"{marked} of them, at the marks" if marked > 1 else above
    yield Operation(
        id=f"hook-{duty.id}",
        technique="hook and eye",
        act=Act.FASTEN,
        title="Sew on the hooks and eyes" if marked > 1 else "Sew on the hook and eye",
        how=(
            f"{where}, on the inside: {'each' if marked > 1 else 'the'} hook {bench.margin(2)} short of its edge, "
            f"{'its' if marked > 1 else 'the'} eye just past the other, so that the edges meet when it is hooked.",
            "Sew round every loop with buttonhole stitch, and over the neck of the hook; through "
            f"{'facing and allowance' if bench.facings else 'the inner layer and the allowance'} only.",
        ),
        bench=Bench.HAND,
        minutes=minutes.each(6, max(1, marked)),
        on=On(closures=(duty.id,)),
        requires=held_by_hooks(bench),
        gives=(facts.closure(Fact.CLOSED, duty.id),),
        booklet=bench.booklet(duty.id),
        look="Hooked, the edges meet, and no stitch shows outside.",
    )


TECHNIQUE = Technique(
    id="hook-and-eye",
    name="Hook and eye",
    chapter="closures",
    finds=finds_eye,
    sews=eye,
    rank=20,
    draw="hook and eye",
)
