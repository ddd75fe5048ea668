"""Patch pockets: which they are, how one is sewn on."""

from __future__ import annotations

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.patches import (
    attached,
    flat_first,
    is_folded_double,
    mouth_of,
    on_finish,
    piece_of,
    turned_all_round,
    where,
)
from rowanseed.core.make.families.suited import finds_of, why_not_of
from rowanseed.core.make.operation import Act, Bench, Need, Operation
from rowanseed.core.make.workbench import NEEDLE, Workbench
from rowanseed.core.pattern.making import Finish


def patch_ids(bench: Workbench) -> tuple[str, ...]:
    return tuple(finish.id for finish in turned_all_round(bench))


def _why_not(bench: Workbench, id: str) -> str:
    finish = bench.finishes[id]
    if mouth_of(bench, finish) is None:
        return "it has no mouth: nothing goes into it"
    return "it is folded double, so that it is lined with itself" if is_folded_double(bench, finish) else ""


finds_patch = finds_of(patch_ids, _why_not)
why_not_patch = why_not_of(patch_ids, _why_not)


def sewn_on(bench: Workbench, finish: Finish, technique: str, prepared: str) -> Operation:
    """A pocket that is made up, sewn on along three sides; `prepared`: what has to be done to it before."""
    piece = piece_of(finish)
    number = bench.number_cut(piece)
    return Operation(
        id=f"sew-on-{finish.id}",
        technique=technique,
        act=Act.ATTACH,
        title=f"Sew on the {bench.name(piece)}{'s, both' if number > 1 else ''}",
        how=(
            where(bench, piece),
            f"Edgestitch {bench.margin(2)} from the fold along three sides: down one side, along the bottom, up the "
            "other. The mouth stays open.",
            f"At both ends of the mouth sew a small triangle or {bench.margin(6)} back and forth: it takes the strain.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.each(7, number),
        on=on_finish(finish),
        requires=(Need(facts.finish(Fact.PREPARED, finish.id), prepared), *flat_first(bench)),
        gives=attached(bench, finish),
        setting=settings.topstitch(bench.household, bench.margin(2)),
        caution=NEEDLE,
        look="A hand goes in, and the pocket lies without pulling the garment.",
    )
