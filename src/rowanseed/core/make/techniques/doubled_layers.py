"""Two layers basted at their edges."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes
from rowanseed.core.make.doubled import between_layers
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.yokes import finds
from rowanseed.core.make.operation import Act, Bench, Meant, Need, Operation
from rowanseed.core.make.shared import press
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench, on_joins

ID = "doubled layers"
FROM_THE_EDGE = 5.0
"""They are basted so far from the raw edge, in mm (common practice, no source)."""


def finds_layers(bench: Workbench) -> Iterator[Duty]:
    """The two layers' own edges, held together for what is sewn to them."""
    for join in between_layers(bench.joins.values()):
        yield single(join.id)


def layers(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    others = [id for found in finds(bench) for id in found.ids]
    yield Operation(
        id=f"sew-{duty.id}",
        technique=ID,
        act=Act.JOIN,
        title=f"Baste the layers together: {lower_first(join.name)}",
        how=(
            "Lay both layers flat as they will be worn, raw edges even; what does not fit is trimmed from the inner "
            "one.",
            f"Baste {bench.margin(FROM_THE_EDGE)} from the raw edge, in the allowance, where it stays: from now on the "
            "two are one.",
        ),
        bench=Bench.HAND,
        minutes=minutes.hand(bench.around([join.id]) / 3),
        on=on_joins(bench, join.id),
        requires=tuple(Need(facts.join(Fact.PRESSED, id), "the layers are sewn and pressed first") for id in others),
        gives=(facts.join(Fact.JOINED, join.id),),
        meant=frozenset({Meant.ENCLOSES}),
        rows=0,
        look="Both layers lie as one, without a bubble between them.",
    )
    yield press(
        bench,
        duty.ids,
        ID,
        way="flat",
        words="flat",
        how=("Both layers flat together.",),
        look="Neither layer is longer than the other, and no fold is pressed into either.",
    )


TECHNIQUE = Technique(
    id="doubled-layers",
    name="Two layers basted at their edges",
    chapter="seams",
    finds=finds_layers,
    sews=layers,
    rank=16,
    draw="basted layer",
)
