"""Covered buttons."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.buttonholes import by_machine, finds, number_of_buttons, sewn_on, titled, why_not
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation, Supply, Use
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench


def covered(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    yield Operation(
        id=f"cover-{duty.id}",
        technique="covered buttons",
        act=Act.ATTACH,
        title=titled(bench, duty.id, "Cover the buttons"),
        how=(
            "Circles of the garment's cloth nearly twice as wide as the button; thin cloth in two layers, or with "
            "light fusible. Run a thread round the edge, lay the shell in, draw up, fasten, and press the back on.",
            "A print or a stripe is centred alike on every one.",
        ),
        bench=Bench.HAND,
        minutes=minutes.each(4, number_of_buttons(bench, duty.id)),
        on=On(closures=()),
        gives=(facts.closure(Fact.PREPARED, duty.id),),
        uses=(Use(Supply.BUTTON_SHELLS, count=number_of_buttons(bench, duty.id)),),
        look="The cover is tight and has no folds at the rim.",
    )
    yield by_machine(bench, duty)
    yield from sewn_on(bench, duty, needs=(Need(facts.closure(Fact.PREPARED, duty.id), "they are covered first"),))


TECHNIQUE = Technique(
    id="covered-buttons",
    name="Covered buttons",
    chapter="closures",
    finds=finds,
    why_not=why_not,
    sews=covered,
    rank=21,
    usual=False,
    draw="buttonhole",
)
