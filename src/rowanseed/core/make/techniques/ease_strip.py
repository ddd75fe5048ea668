"""Bias strip stretched on."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.eased import finds, join_of, why_not
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, On, Operation
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench, both_sides, shown


def bias_strip(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join, _machine = join_of(bench, duty), bench.household.equipment.machine
    yield Operation(
        id=f"ease-{join.id}",
        technique="ease strip",
        act=Act.EASE,
        title=f"Stretch a bias strip on: {lower_first(join.name)}{both_sides(join)}",
        how=(
            f"A bias strip {bench.margin(25)} wide, as long as the upper half of the cap, on its wrong side in the "
            "allowance.",
            f"Sew it {bench.margin(3)} outside the stitching line, the strip stretched and the cap let lie: sprung "
            f"back, it draws the cap in by {bench.fine(join.difference.amount)}. It stays in.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.each(8),
        on=On(joins=(join.id,), edges=shown(join.a)),
        requires=tuple(bench.flat_first([join.id])),
        gives=(facts.join(Fact.DRAWN_UP, join.id),),
        setting=settings.longest(bench.household, lining=pieces_of(join.a) <= bench.linings),
        look="The cap curves over your hand without a pucker.",
    )


TECHNIQUE = Technique(
    id="ease-strip",
    name="Bias strip stretched on",
    chapter="fullness",
    finds=finds,
    why_not=why_not,
    sews=bias_strip,
    rank=21,
    usual=False,
    draw="rows",
)
