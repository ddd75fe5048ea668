"""Hems: turned by machine or by hand, faced, by twin needle; levelled by a try-on where they hang on a body."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import NEEDS_NOTHING, pieces_of
from rowanseed.core.make.hem_length import before_hem, begins_at, is_round, over_the_beginning
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation, Setting
from rowanseed.core.make.shared import iron_for
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.which import edges_of, facing_of, hems, is_lining, is_pointed
from rowanseed.core.make.workbench import BLADES, HOT, NEEDLE, Workbench, shown
from rowanseed.core.pattern.making import Finish, FinishKind

POINTS = (
    "Stitch length 1.5 for a little to both sides of every point and every valley: needle down, foot up, turn, and one "
    "stitch straight across. Then clip straight into every valley up to that stitch, and cut the points across, {away} "
    "away from theirs."
)
ENDS_IN = (
    "Where the garment is open fold the facing's end to its wrong side first, so that it lies {short} inside the "
    "finished edge; it is felled down there at last."
)


def finds_machine(bench: Workbench) -> Iterator[Duty]:
    for finish in hems(bench):
        yield single(finish.id)


def finds_faced(bench: Workbench) -> Iterator[Duty]:
    for finish in edges_of(bench, FinishKind.HEM):
        facing = facing_of(bench, finish)
        if facing:
            own = (f.id for f in edges_of(bench, FinishKind.TURNED) if pieces_of(f.parts) <= pieces_of(facing))
            yield single(finish.id, *own)


# ---------------------------------------------------------------- the hem itself


def _fold(
    bench: Workbench, finish: Finish, technique: str, before: tuple[Need, ...], *, single_fold: bool = False
) -> Operation:
    depth = bench.edge_allowance(finish.parts[0])
    folds = (depth,) if single_fold else finish.folds or (depth / 4, depth * 3 / 4)
    if len(folds) == 2:
        lines = (2 * folds[0], 2 * folds[1] + folds[0])
        how = [
            f"First fold {bench.fine(folds[0])}, second {bench.fine(folds[1])}.",
            f"Lines chalked {' and '.join(bench.fine(line) for line in lines)} from the raw edge help: bring the "
            "edge to the first, then the fold to the second.",
        ]
    else:
        how = [
            f"One fold of {bench.fine(folds[0])}: a line chalked {bench.fine(2 * folds[0])} from the raw edge, and "
            "the edge brought to it."
        ]
    if any(bench.bends.is_curved(part) for part in finish.parts):
        how.append("On a curve ease the fullness in with the iron, a little at every seam.")
    how.append(iron_for(bench))
    return Operation(
        id=f"fold-{finish.id}",
        technique=technique,
        act=Act.PRESS,
        title=f"Fold and press the {lower_first(finish.name)}",
        how=tuple(how),
        bench=Bench.IRON,
        minutes=minutes.press(2 * bench.around([finish.id])),
        on=On(edges=shown(finish.parts)),
        requires=before,
        gives=(facts.finish(Fact.PREPARED, finish.id),),
        caution=HOT,
    )


def _neatened_first(bench: Workbench, finish: Finish, technique: str, before: tuple[Need, ...]) -> Operation:
    at, setting = settings.neaten(bench.household, lining=is_lining(bench, finish))
    mm = bench.around([finish.id])
    return Operation(
        id=f"neaten-{finish.id}",
        technique=technique,
        act=Act.NEATEN,
        title=f"Neaten the edge of the {lower_first(finish.name)}",
        how=(
            f"Right side up, {'all round' if is_round(bench, finish) else 'from end to end'}; it is not turned under "
            "again.",
        ),
        bench=at,
        minutes=minutes.neaten(mm),
        on=On(edges=shown(finish.parts)),
        requires=before,
        gives=(facts.finish(Fact.NEATENED, finish.id),),
        setting=setting,
    )


def _sewn(
    bench: Workbench,
    finish: Finish,
    technique: str,
    how: tuple[str, ...],
    *,
    by_hand: bool,
    setting: Setting | None = None,
) -> Operation:
    mm = bench.around([finish.id])
    return Operation(
        id=f"sew-{finish.id}",
        technique=technique,
        act=Act.HEM,
        title=f"Sew the {lower_first(finish.name)}{' by hand' if by_hand else ''}",
        how=how,
        bench=Bench.HAND if by_hand else _hem_bench(bench),
        minutes=minutes.hand(mm) if by_hand else minutes.seam(mm),
        on=On(finishes=(finish.id,), edges=shown(finish.parts)),
        requires=(Need(facts.finish(Fact.PREPARED, finish.id), "it is folded and pressed"),),
        gives=(facts.finish(Fact.HEMMED, finish.id), facts.finish(Fact.FINISHED, finish.id)),
        setting=None
        if by_hand
        else setting or settings.hem(bench.household, bench.margin(2), lining=is_lining(bench, finish)),
        caution="" if by_hand else NEEDLE,
        booklet=bench.booklet(finish.id),
        look="From the right side the hem neither pulls nor waves."
        if by_hand
        else "The row runs at one distance from the edge.",
    )


def _by_twin(bench: Workbench) -> str:
    return "" if bench.household.equipment.coverstitch else " by twin needle"


def _hem_bench(bench: Workbench) -> Bench:
    """A knit is hemmed at the coverstitch machine where there is one."""
    covers = bench.household.is_knit and bench.household.equipment.coverstitch
    return Bench.COVERSTITCH if covers else Bench.MACHINE


def double(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    by_hand = bench.household.habits.hem_by_hand or not bench.household.equipment.machine
    yield from _turned_up(bench, finish, by_hand=by_hand)


def by_hand(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    yield from _turned_up(bench, bench.finishes[duty.id], by_hand=True)


def by_machine(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    yield from _turned_up(bench, bench.finishes[duty.id], by_hand=False)


def _turned_up(bench: Workbench, finish: Finish, *, by_hand: bool) -> Iterator[Operation]:
    knit = bench.household.is_knit
    first, before = before_hem(bench, finish)
    yield from first
    single_fold = knit or len(finish.folds) == 1
    covered = by_hand and single_fold and not is_lining(bench, finish) and pieces_of(finish.parts) <= bench.hidden
    if single_fold and not knit and not covered:
        yield _neatened_first(bench, finish, "turned hem", before)
        before = (Need(facts.finish(Fact.NEATENED, finish.id), "its edge is finished before it is folded"),)
    yield _fold(bench, finish, "turned hem", before, single_fold=single_fold)
    if covered:
        how: tuple[str, ...] = (
            f"Catch stitch over the raw edge, which the lining covers: working from left to right, one thread of the "
            f"garment, then a small stitch back in the hem, {bench.margin(8)} apart and loose. "
            f"{begins_at(bench, finish).capitalize()}.",
        )
    elif by_hand and single_fold:
        how = (
            f"Blind stitch: roll the hem's edge back {bench.margin(4)}, take one thread of the garment and then the "
            f"hem, every {bench.margin(8)}, loosely. {begins_at(bench, finish).capitalize()}.",
            f"Every {bench.length(300)} a small knot in the hem, so that a torn thread does not open it all.",
        )
    elif by_hand:
        how = (
            f"Slip stitch: along inside the fold {bench.margin(6)}, one thread of the garment, and on; loose enough "
            f"that nothing pulls. {begins_at(bench, finish).capitalize()}.",
            f"Every {bench.length(300)} a small knot in the fold, so that a torn thread does not open it all.",
        )
    elif knit:
        how = (
            f"Right side up, two rows at once{_by_twin(bench)}, just over the raw edge; {begins_at(bench, finish)}.",
        )
    else:
        how = (
            f"From the wrong side, {bench.margin(2)} from the inner fold, {begins_at(bench, finish)}; "
            f"{over_the_beginning(bench, finish)}.",
        )
    yield _sewn(bench, finish, "turned hem", how, by_hand=by_hand)


def blind(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    first, before = before_hem(bench, finish)
    yield from first
    yield _neatened_first(bench, finish, "blind hem by machine", before)
    yield _fold(
        bench,
        finish,
        "blind hem by machine",
        (Need(facts.finish(Fact.NEATENED, finish.id), "its edge is finished before it is folded"),),
        single_fold=True,
    )
    yield _sewn(
        bench,
        finish,
        "blind hem by machine",
        (
            f"Baste {bench.margin(10)} from the neatened edge; fold the garment back at the basting, so that "
            f"{bench.margin(6)} of the hem stand out.",
            "Sew on these: the swing stitch just nips the fold. Unfold and press; take the basting out.",
        ),
        by_hand=False,
        setting=settings.blind_hem(bench.household),
    )


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
    )


def _machine(bench: Workbench) -> str:
    return "" if bench.household.equipment.machine else "there is no machine"


_CHAPTER = "hems"

TECHNIQUES = (
    Technique(
        id="faced-hem", name="Faced hem", chapter=_CHAPTER, finds=finds_faced, sews=faced, rank=20, draw="facing"
    ),
    Technique(
        id="turned-hem",
        name="Turned hem",
        chapter=_CHAPTER,
        finds=finds_machine,
        sews=double,
        rank=30,
        also=("double hem",),
        words={"hem": "the lower edge of a garment, turned up and sewn"},
        draw="double hem",
    ),
    Technique(
        id="hem-by-hand",
        name="Turned hem by hand",
        chapter=_CHAPTER,
        finds=finds_machine,
        sews=by_hand,
        rank=31,
        usual=False,
        words={"slip stitch": "a hand stitch that runs inside a fold and shows on neither side"},
        draw="double hem",
    ),
    Technique(
        id="hem-by-machine",
        name="Turned hem by machine",
        chapter=_CHAPTER,
        finds=finds_machine,
        sews=by_machine,
        rank=31,
        usual=False,
        asks=_machine,
        draw="double hem",
    ),
    Technique(
        id="blind-hem",
        name="Blind hem by machine",
        chapter=_CHAPTER,
        finds=finds_machine,
        sews=blind,
        rank=32,
        usual=False,
        asks=_machine,
        iso="103",
        draw="blind hem",
    ),
)
