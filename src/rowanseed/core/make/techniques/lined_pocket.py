"""A patch pocket with a lining: made up like a small bag, turned through a gap, then sewn on."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.patch_pockets import finds_patch, sewn_on, why_not_patch
from rowanseed.core.make.families.patches import mouth_of, piece_of
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import BLADES, HOT, NEEDLE, Workbench, shown
from rowanseed.core.pattern.pieces import MOUTH

ID = "lined patch pocket"
GAP = 40.0
"""How long the gap is that it is turned through, in mm."""


def lined(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    piece, mouth = piece_of(finish), mouth_of(bench, finish) or 30.0
    number = bench.number_cut(piece)
    name = bench.name(piece)
    yield Operation(
        id=f"lining-{finish.id}",
        technique=ID,
        act=Act.TURN,
        title=f"Cut the pocket's lining and sew it to the mouth: {name}",
        how=(
            f"From lining cloth the pocket's shape, shorter at the top by twice the {bench.margin(mouth)} that the "
            "mouth "
            "is folded, less two seams.",
            f"Right sides together at the upper edges: sew from both sides towards the middle, a gap of "
            f"{bench.margin(GAP)} left open between; backstitch at the gap. Press the seam down.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.each(8, number),
        on=On(pieces=(piece,), edges=shown(p for p in finish.parts if p.edge in MOUTH)),
        requires=(Need(facts.piece(Fact.STIFFENED, piece), "interfacing goes on first", where_given=True),),
        gives=(facts.finish(Fact.NEATENED, finish.id),),
        setting=settings.seam(bench.household),
        caution=NEEDLE,
        look="Folded at the mouth, pocket and lining end together.",
    )
    yield Operation(
        id=f"round-{finish.id}",
        technique=ID,
        act=Act.TURN,
        title=f"Sew pocket and lining together, and turn: {name}",
        how=(
            "Folded on the mouth's line, right sides together, all other edges even: sew the three sides in one run, "
            f"the lining held {bench.margin(2)} back so that it stays behind the edge.",
            f"Trim to {bench.fine(6)}, the corners across or the curves notched. Turn through the gap, push the "
            "corners "
            "out with something blunt.",
            f"Press with the lining out of sight; close the gap with slip stitches. {iron_for(bench)}",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.each(9, number),
        on=On(pieces=(piece,), edges=shown(finish.parts)),
        requires=(Need(facts.finish(Fact.NEATENED, finish.id), "the lining is on its mouth first"),),
        gives=(facts.finish(Fact.PREPARED, finish.id),),
        setting=settings.seam(bench.household),
        caution=f"{BLADES} {HOT}",
        look="From outside no lining shows, and both of a pair lie on each other."
        if number > 1
        else "From outside no lining shows.",
    )
    yield sewn_on(bench, finish, ID, "it is made up first")


TECHNIQUE = Technique(
    id="lined-patch-pocket",
    name="Patch pocket, lined",
    chapter="pockets and small parts",
    finds=finds_patch,
    why_not=why_not_patch,
    sews=lined,
    rank=25,
    usual=False,
    also=("self-lined pocket", "bagged pocket"),
    draw="patch pocket",
)
