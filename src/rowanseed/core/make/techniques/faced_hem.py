"""Faced hem."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.turned_hems import CHAPTER
from rowanseed.core.make.graph import NEEDS_NOTHING, pieces_of
from rowanseed.core.make.hem_length import before_hem, begins_at, is_round
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.which import edges_of, facing_of, hems, is_pointed
from rowanseed.core.make.workbench import BLADES, HOT, NEEDLE, Workbench, shown
from rowanseed.core.pattern.making import FinishKind

POINTS = (
    "Stitch length 1.5 for a little to both sides of every point and every valley: needle down, foot up, turn, and one "
    "stitch straight across. Then clip straight into every valley up to that stitch, and cut the points across, {away} "
    "away from theirs."
)


ENDS_IN = (
    "Where the garment is open fold the facing's end to its wrong side first, so that it lies {short} inside the "
    "finished edge; it is felled down there at last."
)


def finds_faced(bench: Workbench) -> Iterator[Duty]:
    for finish in edges_of(bench, FinishKind.HEM):
        facing = facing_of(bench, finish)
        if facing:
            own = (f.id for f in edges_of(bench, FinishKind.TURNED) if pieces_of(f.parts) <= pieces_of(facing))
            yield single(finish.id, *own)


def _why_not(bench: Workbench, id: str) -> str | None:
    if not any(finish.id == id for finish in hems(bench)):
        return None
    return "nothing is drawn to face it: ask for a facing at the Cloth station, under lining and layers"


def faced(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    facing = facing_of(bench, finish)
    pieces, name = pieces_of(facing), lower_first(finish.name)
    edges = shown((*finish.parts, *facing))
    first, before = before_hem(bench, finish)
    yield from first
    width = finish.folds[0] if finish.folds else bench.edge_allowance(finish.parts[0])
    made = tuple(
        Need(facts.join(Fact.PRESSED, j.id), "the facing is made up first")
        for j in bench.joins.values()
        if pieces_of((*j.a, *j.b)) <= pieces
    ) + tuple(
        Need(facts.finish(Fact.FINISHED, f.id), "its inner edge is easier to finish before it is on")
        for f in bench.finishes.values()
        if pieces_of(f.parts) <= pieces and f.kind not in NEEDS_NOTHING and f.id not in duty.ids
    )
    mm = bench.around([finish.id])
    on = On(edges=edges)
    ends = duty.ids[1:]
    open_ended = not is_round(bench, finish)
    yield Operation(
        id=f"face-{finish.id}",
        technique="faced hem",
        act=Act.FACE,
        title=f"Sew the facing to the {name}",
        how=(
            f"The edge is cut {bench.fine(width)} below the hem line. Right sides together, seam on seam.",
            *((ENDS_IN.format(short=bench.margin(2)),) if open_ended else ()),
            f"{bench.fine(width)} seam, {begins_at(bench, finish) if open_ended else 'all round'}.",
            *((POINTS.format(away=bench.margin(3)),) if is_pointed(bench, finish) else ()),
        ),
        bench=Bench.MACHINE,
        minutes=minutes.seam(mm),
        on=on,
        requires=(*before, *made),
        gives=(facts.finish(Fact.BASTED, finish.id),),
        setting=settings.seam(bench.household),
        rows=0,
        caution=NEEDLE,
        booklet=bench.booklet(finish.id),
        look="Seam meets seam, and both ends come out even.",
    )
    yield Operation(
        id=f"understitch-{finish.id}",
        technique="faced hem",
        act=Act.UNDERSTITCH,
        title=f"Understitch the {name}",
        how=(
            "Clip where it curves, allowances towards the facing; facing up, close to the seam, "
            f"{'from end to end' if open_ended else 'all round'}.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.seam(mm),
        on=on,
        requires=(Need(facts.finish(Fact.BASTED, finish.id), "it is sewn first"),),
        gives=(facts.finish(Fact.UNDERSTITCHED, finish.id),),
        setting=settings.understitch(bench.household, bench.margin(2)),
        rows=0,
        caution=BLADES,
        look="Held to the light, the stitches catch facing and allowances, never the outside.",
    )
    yield Operation(
        id=f"fold-{finish.id}",
        technique="faced hem",
        act=Act.PRESS,
        title=f"Turn the facing in and press the {name}",
        how=(f"Roll the seam {bench.margin(1)} to the inside; press from the wrong side. {iron_for(bench)}",),
        bench=Bench.IRON,
        minutes=minutes.press(mm),
        on=on,
        requires=(Need(facts.finish(Fact.UNDERSTITCHED, finish.id), "then it stays inside"),),
        gives=(facts.finish(Fact.PREPARED, finish.id),),
        caution=HOT,
        look="From outside the facing cannot be seen, and the edge runs in one smooth line.",
    )
    yield Operation(
        id=f"sew-{finish.id}",
        technique="faced hem",
        act=Act.HEM,
        title=f"Catch the facing down: {name}",
        how=("Slip stitch its inner edge, loose enough that nothing pulls on the right side.",),
        bench=Bench.HAND,
        minutes=minutes.hand(mm),
        on=On(finishes=duty.ids, edges=edges),
        requires=(Need(facts.finish(Fact.PREPARED, finish.id), "it lies in its place"),),
        gives=(
            facts.finish(Fact.HEMMED, finish.id),
            *(facts.finish(Fact.FINISHED, id) for id in (finish.id, *ends)),
        ),
        rows=2,
        look="From the right side the hem neither shows nor pulls.",
    )


TECHNIQUE = Technique(
    id="faced-hem",
    name="Faced hem",
    chapter=CHAPTER,
    finds=finds_faced,
    why_not=_why_not,
    sews=faced,
    rank=20,
    draw="facing",
)
