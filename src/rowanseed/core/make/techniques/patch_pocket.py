"""Patch pocket."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, looks, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.patch_pockets import finds_patch, sewn_on
from rowanseed.core.make.families.patches import (
    mouth_of,
    patch_technique,
    piece_of,
)
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.turned import Turned
from rowanseed.core.make.workbench import HOT, Workbench, shown
from rowanseed.core.pattern.pieces import MOUTH


def patch(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    piece, mouth = piece_of(finish), mouth_of(bench, finish) or 30.0
    number, _machine = bench.number_cut(piece), bench.household.equipment.machine
    alike = ("Make both of a pair together, and lay them on each other: they are equal.",) if number > 1 else ()
    at, setting = settings.neaten(bench.household)
    yield Operation(
        id=f"neaten-{finish.id}",
        technique="patch pocket",
        act=Act.NEATEN,
        title=f"Neaten all edges: {bench.name(piece)}",
        how=("Each edge by itself, round the corners in one run.",),
        bench=at,
        minutes=minutes.neaten(bench.around([finish.id])),
        on=On(pieces=(piece,), edges=shown(finish.parts)),
        requires=(Need(facts.piece(Fact.STIFFENED, piece), "interfacing goes on first", where_given=True),),
        gives=(facts.finish(Fact.NEATENED, finish.id),),
        setting=setting,
        look=looks.NEATENED,
    )
    yield Operation(
        id=f"mouth-{finish.id}",
        technique="patch pocket",
        act=Act.TOPSTITCH,
        title=f"Hem the mouth: {bench.name(piece)}",
        how=(
            f"Fold the upper {bench.margin(mouth)} to the right side, sew across both ends on the stitching line, "
            "trim the corners, turn to the wrong side and press.",
            f"Stitch across {bench.margin(mouth - 5)} below the upper fold.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.each(4, number),
        on=On(pieces=(piece,), edges=shown(p for p in finish.parts if p.edge in MOUTH)),
        requires=(Need(facts.finish(Fact.NEATENED, finish.id), "its edges are neatened first"),),
        gives=(facts.finish(Fact.TOPSTITCHED, finish.id),),
        turned=Turned((mouth,), row=mouth - 5),
        setting=settings.topstitch(bench.household, bench.margin(mouth - 5)),
        look="The mouth is straight and does not gape, and its corners are square.",
    )
    yield Operation(
        id=f"turn-in-{finish.id}",
        technique="patch pocket",
        act=Act.PRESS,
        title=f"Press in the other edges: {bench.name(piece)}",
        how=(
            "A card cut to the finished shape on the wrong side; press the lower edge over it, then the sides. "
            f"{iron_for(bench)}",
            *alike,
        ),
        bench=Bench.IRON,
        minutes=minutes.each(4, number),
        on=On(pieces=(piece,), edges=shown(finish.parts)),
        requires=(Need(facts.finish(Fact.TOPSTITCHED, finish.id), "the mouth is hemmed first"),),
        gives=(facts.finish(Fact.PREPARED, finish.id),),
        turned=Turned(),
        caution=HOT,
        look="Laid on each other, both halves of the pocket are alike, and no raw edge looks out.",
    )
    yield sewn_on(bench, finish, "patch pocket", "its edges are in")


TECHNIQUE = patch_technique("patch-pocket", "Patch pocket", finds_patch, patch, 20, "patch pocket")
