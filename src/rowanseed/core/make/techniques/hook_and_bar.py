"""Hook and bar."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.hooks import held_by_hooks, hooks_of
from rowanseed.core.make.operation import Act, Bench, On, Operation
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench


def finds_bar(bench: Workbench) -> Iterator[Duty]:
    return hooks_of(bench, lapped=True)


def bar(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    yield Operation(
        id=f"hook-{duty.id}",
        technique="hook and bar",
        act=Act.FASTEN,
        title="Sew on the hook and bar",
        how=(
            f"The hook on the inside of the lap, {bench.margin(3)} from its end, in the middle of the band.",
            f"{'Close the zip and lay' if bench.openings.zips else 'Lay'} the band as it will be worn: the bar on the "
            "right side of the underlap, exactly where the hook falls.",
            "Through the inner layer and the interfacing only; sew each hole with stitches side by side.",
        ),
        bench=Bench.HAND,
        minutes=minutes.each(8),
        on=On(closures=(duty.id,)),
        requires=held_by_hooks(bench),
        gives=(facts.closure(Fact.CLOSED, duty.id),),
        booklet=bench.booklet(duty.id),
        look="Hooked, the ends of the band are level, and no stitch shows outside.",
    )


TECHNIQUE = Technique(
    id="hook-and-bar",
    name="Hook and bar",
    chapter="closures",
    finds=finds_bar,
    sews=bar,
    rank=20,
    draw="hook and bar",
)
