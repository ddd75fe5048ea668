"""A welt without a pocket."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.patches import (
    attached,
    called,
    flat_first,
    is_folded_double,
    on_finish,
    patch_technique,
    piece_of,
    turned_all_round,
    where,
)
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.technique import Duty, single
from rowanseed.core.make.workbench import HOT, NEEDLE, Workbench, shown


def finds_welt(bench: Workbench) -> Iterator[Duty]:
    for finish in turned_all_round(bench):
        if is_folded_double(bench, finish) and bench.pocketed and called(bench, finish, "welt"):
            yield single(finish.id)


def welt(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    piece = piece_of(finish)
    number, _machine = bench.number_cut(piece), bench.household.equipment.machine
    yield Operation(
        id=f"turn-in-{finish.id}",
        technique="sham welt",
        act=Act.PRESS,
        title=f"Make up the {bench.name(piece)}s",
        how=(
            "Fold along the fold line, right sides together; sew across both ends on the stitching line, trim, "
            "turn, press. The lower raw edges stay open.",
            "Lay the two on each other: they are equal.",
        ),
        bench=Bench.IRON,
        minutes=minutes.each(6, number),
        on=On(pieces=(piece,), edges=shown(finish.parts)),
        requires=(Need(facts.piece(Fact.STIFFENED, piece), "interfacing goes on first", where_given=True),),
        gives=(facts.finish(Fact.PREPARED, finish.id),),
        caution=HOT,
        look="All are equally long and wide, laid on each other, with square corners.",
    )
    yield Operation(
        id=f"sew-on-{finish.id}",
        technique="sham welt",
        act=Act.ATTACH,
        title=f"Sew on the {bench.name(piece)}s",
        how=(
            f"This pattern draws no pocket bags: the welts only look like pockets. {where(bench, piece)}",
            "On its head, right side to right side, its fold pointing down, its stitching line on the line between the "
            f"marks; sew along it, trim the raw edges above it to {bench.margin(6)}, flip the welt up over them and "
            "press.",
            "Slip stitch both ends to the garment, the stitches under the fold.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.each(9, number),
        on=on_finish(finish),
        requires=(Need(facts.finish(Fact.PREPARED, finish.id), "they are made up first"), *flat_first(bench)),
        gives=attached(bench, finish),
        setting=settings.seam(bench.household),
        caution=NEEDLE,
        look="Left and right stand at the same height and slant.",
    )


TECHNIQUE = patch_technique("sham-welt", "Sham welt", finds_welt, welt, 20, "welt")
