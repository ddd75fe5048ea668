"""The hem line of a sleeve pressed in before its seam: an iron hardly goes into the tube.

Common practice, no source.
"""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.turned_hems import chalked_lines, folds_of
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.technique import Companion
from rowanseed.core.make.which import hems, is_lining
from rowanseed.core.make.workbench import HOT, Workbench, shown
from rowanseed.core.pattern.pieces import Panel


def adds(bench: Workbench, operations: tuple[Operation, ...]) -> Iterator[Operation]:
    """Of a sleeve in one piece, whose seam makes a ring of its end and which is folded and pressed there later."""
    folds_later = {facts.finish(Fact.PREPARED, finish.id) for finish in hems(bench)}
    given = {state for op in operations if op.act is Act.PRESS for state in op.gives} & folds_later
    for finish in hems(bench):
        pieces = {p.piece for p in finish.parts}
        of_sleeve = bench.panels(finish.parts) == {Panel.SLEEVE} and len(pieces) == 1
        if not of_sleeve or is_lining(bench, finish) or facts.finish(Fact.PREPARED, finish.id) not in given:
            continue
        sleeve = next(iter(pieces))
        yield Operation(
            id=f"crease-{finish.id}",
            technique="hem pressed in",
            act=Act.PRESS,
            title=f"Press in the line of the {lower_first(finish.name)}",
            how=(
                "While the sleeve lies flat, wrong side up.",
                *chalked_lines(bench, folds_of(bench, finish)),
                f"Press only the creases, left and right alike, and open them again: sewn to a ring, the end folds "
                f"itself there. {iron_for(bench)}",
            ),
            bench=Bench.IRON,
            minutes=minutes.press(bench.around([finish.id])),
            on=On(edges=shown(finish.parts)),
            requires=(
                Need(facts.piece(Fact.STIFFENED, sleeve), "interfacing goes on before it is folded", where_given=True),
            ),
            gives=(facts.piece(Fact.MARKED, sleeve),),
            caution=HOT,
            look="Laid on each other, both sleeves are equally long down to the crease.",
        )


TECHNIQUE = Companion(
    id="hem-pressed-in",
    name="Sleeve hem pressed in while flat",
    chapter="hems",
    adds=adds,
    draw="double hem",
)
