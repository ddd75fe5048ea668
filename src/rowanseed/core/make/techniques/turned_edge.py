"""Edge turned twice and stitched."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families import laps
from rowanseed.core.make.families.free_edges import across, on_edge, whole, whole_run
from rowanseed.core.make.families.patches import turned_all_round
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.turned import Turned, stitched
from rowanseed.core.make.which import edges_of, is_of_opening
from rowanseed.core.make.workbench import HOT, NEEDLE, Workbench, shown
from rowanseed.core.pattern.making import FinishKind
from rowanseed.core.pattern.pieces import Panel


def finds_turned(bench: Workbench) -> Iterator[Duty]:
    """Edges of the garment itself that are turned in twice and stitched: an opening, an armhole, a ruffle."""
    loose = {f.id for f in turned_all_round(bench)}
    loose |= {id for detail in bench.details.values() for id in bench.parts_of(detail)}
    for finish in edges_of(bench, FinishKind.TURNED):
        bands = all(bench.panel(p.piece) is Panel.BAND for p in finish.parts)
        if laps.is_lap_end(bench, finish):
            continue
        if finish.id not in loose and not bands and not pieces_of(finish.parts) <= bench.linings:
            yield single(finish.id)


def turned(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    mm = bench.around([finish.id])
    allowance = bench.edge_allowance(finish.parts[0])
    name = lower_first(finish.name)
    before = list(across(bench, finish))
    # An edge that laps is folded back over the end of a facing while that is sewn on, and stitched down afterwards.
    later = [need for need in before if need.state.fact is Fact.TURNED and is_of_opening(finish)]
    yield Operation(
        id=f"fold-{finish.id}",
        technique="turned edge",
        act=Act.PRESS,
        title=f"Turn in and press: {name}",
        how=(
            f"{bench.margin(allowance / 2)} to the wrong side and as much again: the raw edge lies in the fold. "
            f"{iron_for(bench)}",
            *(
                ("On a curve stretch or ease the fold with the iron, a little at a time.",)
                if any(bench.bends.is_curved(p) for p in finish.parts)
                else ()
            ),
        ),
        bench=Bench.IRON,
        minutes=minutes.press(2 * mm),
        on=On(edges=shown(finish.parts)),
        requires=(*bench.flat_first([finish.id]), *(need for need in before if need not in later)),
        gives=(facts.finish(Fact.PREPARED, finish.id),),
        turned=Turned((allowance / 2, allowance / 2)),
        caution=HOT,
        look="The fold runs in one line from end to end, and the raw edge lies inside it.",
    )
    yield Operation(
        id=f"turn-in-{finish.id}",
        technique="turned edge",
        act=Act.TURN,
        title=f"Stitch it down: {name}",
        how=(f"From the wrong side, {bench.margin(2)} from the inner fold, {whole(bench, finish)}.",),
        bench=Bench.MACHINE,
        minutes=minutes.seam(mm),
        on=on_edge(finish),
        requires=(
            Need(facts.finish(Fact.PREPARED, finish.id), "it is pressed first"),
            *later,
            *laps.on_edge(bench, finish),
        ),
        gives=(facts.finish(Fact.FINISHED, finish.id),),
        run=whole_run(bench, finish),
        turned=stitched(allowance / 2, allowance / 2),
        setting=settings.topstitch(bench.household, bench.margin(2)),
        caution=NEEDLE,
        booklet=bench.booklet(finish.id),
        look="The row holds the inner fold everywhere, and outside it runs parallel to the edge.",
    )


TECHNIQUE = Technique(
    id="turned-edge",
    name="Edge turned twice and stitched",
    chapter="edges",
    finds=finds_turned,
    sews=turned,
    rank=60,
    draw="double hem",
)
