"""A patch sewn on all round."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.patches import (
    attached,
    flat_first,
    is_back_belt,
    is_folded_double,
    mouth_of,
    on_finish,
    patch_technique,
    piece_of,
    turned_all_round,
    where,
)
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.technique import Duty, single
from rowanseed.core.make.turned import Turned
from rowanseed.core.make.workbench import HOT, NEEDLE, Workbench, shown


def finds_loose(bench: Workbench) -> Iterator[Duty]:
    """Any other loose piece turned in all round: an ornament, a label, a patch without a mouth."""
    for finish in turned_all_round(bench):
        if mouth_of(bench, finish) is None and not is_folded_double(bench, finish) and not is_back_belt(bench, finish):
            yield single(finish.id)


def loose(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    piece = piece_of(finish)
    yield Operation(
        id=f"turn-in-{finish.id}",
        technique="patch",
        act=Act.PRESS,
        title=f"Turn in and press: {bench.name(piece)}",
        how=(
            f"Allowances to the wrong side over a card of the finished shape, corners folded first. {iron_for(bench)}",
        ),
        bench=Bench.IRON,
        minutes=minutes.each(4, bench.number_cut(piece)),
        on=On(pieces=(piece,), edges=shown(finish.parts)),
        requires=(Need(facts.piece(Fact.STIFFENED, piece), "interfacing goes on first", where_given=True),),
        gives=(facts.finish(Fact.PREPARED, finish.id),),
        turned=Turned(),
        caution=HOT,
        look="Laid on the tissue the patch has its shape, and no corner stands out.",
    )
    yield Operation(
        id=f"sew-on-{finish.id}",
        technique="patch",
        act=Act.ATTACH,
        title=f"Sew on the {bench.name(piece)}",
        how=(
            where(bench, piece),
            f"Edgestitch {bench.margin(2)} from the fold, all round: nothing says that one of its edges stays open. "
            "If it is a pocket, leave its mouth open, and look into your booklet.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.each(6, bench.number_cut(piece)),
        on=on_finish(finish),
        requires=(Need(facts.finish(Fact.PREPARED, finish.id), "its edges are in"), *flat_first(bench)),
        gives=attached(bench, finish),
        setting=settings.topstitch(bench.household, bench.margin(2)),
        caution=NEEDLE,
        look="It lies flat, and the row runs at one distance from its edge.",
    )


TECHNIQUE = patch_technique("patch", "Patch or ornament", finds_loose, loose, 80, "patch pocket")
