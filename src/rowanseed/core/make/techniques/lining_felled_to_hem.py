"""Lining felled to the hem."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.derive.lining_graph import FOLD_OF_EASE
from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.hung_linings import ID, KEY, ends_at_seam, from_facing
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.which import ends_of_facings
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import Finish, FinishKind


def finds_lower_edge(bench: Workbench) -> Iterator[Duty]:
    for finish in bench.finishes.values():
        if finish.kind is FinishKind.TURNED and pieces_of(finish.parts) <= bench.hung and not ends_at_seam(finish):
            yield single(finish.id)


def _up_the_facing(bench: Workbench, finish: Finish) -> tuple[str, ...]:
    """Where the seam to the facing was left open above its lower end."""
    ended = {p.piece for f in ends_of_facings(bench) for p in f.parts}
    pieces = pieces_of(finish.parts)
    open_above = any(pieces & pieces_of(j.a) and ended & pieces_of(j.b) for j in from_facing(bench))
    return (
        ("Begin and end on the facings: fell the lining down them where its seam was left open.",) if open_above else ()
    )


def lower_edge(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    hems = tuple(
        Need(facts.finish(Fact.HEMMED, f.id), "the garment's hem is up", where_given=True)
        for f in bench.finishes.values()
        if f.kind is FinishKind.HEM
    )
    yield Operation(
        id=f"fell-{finish.id}",
        technique=ID,
        act=Act.TACK,
        title=f"Sew down the {lower_first(finish.name)}",
        how=(
            f"Turn it in level with the finished edge, push it up {bench.fine(FOLD_OF_EASE)} so that a fold of ease "
            "falls over, and pin along the fold.",
            "Fell it to the hem's allowance only, not to the garment; press the fold of ease lightly.",
            *_up_the_facing(bench, finish),
        ),
        bench=Bench.HAND,
        minutes=minutes.hand(bench.around([finish.id])),
        on=On(finishes=(finish.id,), edges=shown(finish.parts)),
        requires=(
            Need(facts.layer(Fact.ATTACHED, KEY), "it hangs in the shell"),
            *hems,
        ),
        gives=(facts.finish(Fact.FINISHED, finish.id),),
        look="Lifted, the lining shows a small fold above the stitches.",
    )


TECHNIQUE = Technique(
    id="lining-felled-to-hem",
    name="Lining felled to the hem",
    chapter="layers",
    finds=finds_lower_edge,
    sews=lower_edge,
    rank=20,
    words={"fell": "sew a folded edge down with small slanting stitches"},
    draw="lining hung",
)
