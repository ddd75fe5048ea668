"""A belt in two halves across the back."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.patches import (
    is_back_belt,
    is_folded_double,
    on_finish,
    patch_technique,
    piece_of,
    turned_all_round,
)
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation, Supply, Use
from rowanseed.core.make.technique import Duty, single
from rowanseed.core.make.workbench import NEEDLE, Workbench, shown
from rowanseed.core.pattern.pieces import LineKind, Panel


def finds_belt(bench: Workbench) -> Iterator[Duty]:
    """A belt cut in four: two halves of two layers."""
    for finish in turned_all_round(bench):
        if not is_folded_double(bench, finish) and is_back_belt(bench, finish):
            yield single(finish.id)


def belt(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    piece = piece_of(finish)
    name = lower_first(bench.piece(piece).name)
    yield Operation(
        id=f"turn-in-{finish.id}",
        technique="back belt",
        act=Act.TURN,
        title=f"Make up the two halves: {name}",
        how=(
            "Two and two right sides together: sew along both long edges and one end, leaving the other end open; "
            "two stitches across the corners.",
            f"Trim to {bench.fine(5)}, the corners across; turn, press, and edgestitch {bench.margin(2)} from the "
            "edge.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.each(10, 2),
        on=On(pieces=(piece,), edges=shown(finish.parts)),
        gives=(facts.finish(Fact.PREPARED, finish.id),),
        setting=settings.seam(bench.household),
        caution=NEEDLE,
        look="Both halves are equally long and wide.",
    )
    yield Operation(
        id=f"sew-on-{finish.id}",
        technique="back belt",
        act=Act.ATTACH,
        title=f"Baste on the halves: {name}",
        how=(
            f"Raw end to the side edge of the back, on its right side, at the waist{_height(bench)}; baste inside the "
            "allowance, where it stays. The side seam catches it.",
            "The buckle goes on one half: thread the end through it, fold it back over the bar and sew it down. The "
            "other half passes through it.",
        ),
        bench=Bench.HAND,
        minutes=minutes.each(6),
        uses=(Use(Supply.BUCKLE),),
        on=on_finish(finish),
        requires=(Need(facts.finish(Fact.PREPARED, finish.id), "they are made up first"),),
        gives=(facts.finish(Fact.FINISHED, finish.id), facts.finish(Fact.ATTACHED, finish.id)),
        look="Both sit at the same height, and closed they lie flat over the back.",
    )


def _height(bench: Workbench) -> str:
    """What shows where the waist is at the side, if the back is drawn with it."""
    backs = (piece for piece in bench.pattern.pieces if piece.panel is Panel.BACK and piece.has_edge("side"))
    drawn = any(line.kind is LineKind.LEVEL and line.id == "waist" for piece in backs for line in piece.lines)
    return ", level with the tissue's waist line" if drawn else ": pin it on the body for the height"


TECHNIQUE = patch_technique("back-belt", "Back belt", finds_belt, belt, 20, "belt")
