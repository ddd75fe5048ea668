"""Hems folded once or twice: the fold, the edge neatened before it, the row or the hand stitch."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, looks, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.hem_length import before_hem, begins_at, far, over_the_beginning, run_of
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation, Setting
from rowanseed.core.make.technique import Duty, single
from rowanseed.core.make.turned import BESIDE, Turned
from rowanseed.core.make.which import hems, is_lining
from rowanseed.core.make.workbench import HOT, NEEDLE, Workbench, shown
from rowanseed.core.pattern.making import Finish

ONCE = "hem turned up once"
"""What work on a hem with one fold is called: it is drawn and timed apart from one that is turned in twice."""


def finds_machine(bench: Workbench) -> Iterator[Duty]:
    for finish in hems(bench):
        yield single(finish.id)


def folds_of(bench: Workbench, finish: Finish, *, single_fold: bool = False) -> tuple[float, ...]:
    """The turnings of a hem from the raw edge on, in mm; where the pattern names none, a quarter and the rest."""
    depth = bench.edge_allowance(finish.parts[0])
    knit = bench.sewn_as(pieces_of(finish.parts)).is_knit
    return (depth,) if single_fold or knit else finish.folds or (depth / 4, depth * 3 / 4)


def chalked_lines(bench: Workbench, folds: tuple[float, ...]) -> tuple[str, ...]:
    """How an edge is folded once or twice by lines chalked on the flat piece."""
    if len(folds) == 2:
        lines = (2 * folds[0], 2 * folds[1] + folds[0])
        return (
            f"First fold {bench.fine(folds[0])}, second {bench.fine(folds[1])}.",
            f"Lines chalked {' and '.join(bench.fine(line) for line in lines)} from the raw edge help: bring the "
            "edge to the first, then the fold to the second.",
        )
    return (
        f"One fold of {bench.fine(folds[0])}: a line chalked {bench.fine(2 * folds[0])} from the raw edge, and "
        "the edge brought to it.",
    )


def folded(
    bench: Workbench, finish: Finish, technique: str, before: tuple[Need, ...], *, single_fold: bool = False
) -> Operation:
    folds = folds_of(bench, finish, single_fold=single_fold)
    how = list(chalked_lines(bench, folds))
    if any(bench.bends.is_curved(part) for part in finish.parts):
        how.append("On a curve ease the fullness in with the iron, a little at every seam.")
    how.append(iron_for(bench, pieces_of(finish.parts)))
    return Operation(
        id=f"fold-{finish.id}",
        technique=technique,
        act=Act.PRESS,
        title=f"Fold and press the {lower_first(finish.name)}",
        how=tuple(how),
        bench=Bench.IRON,
        minutes=minutes.press(2 * bench.around([finish.id])),
        on=On(edges=shown(finish.parts)),
        requires=(*before, strip_first(finish.id)),
        gives=(facts.finish(Fact.PREPARED, finish.id),),
        turned=Turned(folds),
        caution=HOT,
        look="Measured at several places the fold is equally deep, and the edge runs in one line over the seams.",
    )


def strip_first(id: str) -> Need:
    """A strip that lies in the fold is there before it."""
    return Need(facts.finish(Fact.STIFFENED, id), "the strip is folded with the hem", where_given=True)


def neatened_first(bench: Workbench, finish: Finish, technique: str, before: tuple[Need, ...]) -> Operation:
    at, setting = settings.neaten(bench.household, lining=is_lining(bench, finish))
    mm = bench.around([finish.id])
    return Operation(
        id=f"neaten-{finish.id}",
        technique=technique,
        act=Act.NEATEN,
        title=f"Neaten the edge of the {lower_first(finish.name)}",
        how=(f"Right side up, {far(bench, finish)}; it is not turned under again.",),
        bench=at,
        minutes=minutes.neaten(mm),
        on=On(edges=shown(finish.parts)),
        requires=before,
        gives=(facts.finish(Fact.NEATENED, finish.id),),
        setting=setting,
        look=looks.NEATENED,
    )


def sewn_down(
    bench: Workbench,
    finish: Finish,
    technique: str,
    how: tuple[str, ...],
    *,
    by_hand: bool,
    single_fold: bool = False,
    setting: Setting | None = None,
) -> Operation:
    mm = bench.around([finish.id])
    folds = folds_of(bench, finish, single_fold=single_fold)
    return Operation(
        id=f"sew-{finish.id}",
        technique=technique,
        act=Act.HEM,
        title=f"Sew the {lower_first(finish.name)}{' by hand' if by_hand else ''}",
        how=how,
        bench=Bench.HAND if by_hand else hem_bench(bench, finish),
        minutes=minutes.hand(mm) if by_hand else minutes.seam(mm),
        on=On(finishes=(finish.id,), edges=shown(finish.parts)),
        requires=(Need(facts.finish(Fact.PREPARED, finish.id), "it is folded and pressed"),),
        gives=(facts.finish(Fact.HEMMED, finish.id), facts.finish(Fact.FINISHED, finish.id)),
        run=run_of(bench, finish),
        turned=Turned(folds, row=folds[-1] if len(folds) == 1 else folds[-1] - BESIDE),
        setting=None
        if by_hand
        else setting
        or settings.hem(bench.sewn_as(pieces_of(finish.parts)), bench.margin(2), lining=is_lining(bench, finish)),
        caution="" if by_hand else NEEDLE,
        booklet=bench.booklet(finish.id),
        look="From the right side the hem neither pulls nor waves."
        if by_hand
        else "The row runs at one distance from the edge.",
    )


def by_twin(bench: Workbench) -> str:
    return "" if bench.household.equipment.coverstitch else " by twin needle"


def hem_bench(bench: Workbench, finish: Finish) -> Bench:
    """A knit is hemmed at the coverstitch machine where there is one."""
    covers = bench.sewn_as(pieces_of(finish.parts)).is_knit and bench.household.equipment.coverstitch
    return Bench.COVERSTITCH if covers else Bench.MACHINE


def turned_up(bench: Workbench, finish: Finish, *, by_hand: bool) -> Iterator[Operation]:
    knit = bench.sewn_as(pieces_of(finish.parts)).is_knit
    first, before = before_hem(bench, finish)
    yield from first
    single_fold = knit or len(finish.folds) == 1
    covered = by_hand and single_fold and not is_lining(bench, finish) and pieces_of(finish.parts) <= bench.hidden
    technique = ONCE if single_fold else "turned hem"
    if single_fold and not knit and not covered:
        yield neatened_first(bench, finish, technique, before)
        before = (Need(facts.finish(Fact.NEATENED, finish.id), "its edge is finished before it is folded"),)
    yield folded(bench, finish, technique, before, single_fold=single_fold)
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
        how = (f"Right side up, two rows at once{by_twin(bench)}, just over the raw edge; {begins_at(bench, finish)}.",)
    else:
        how = (
            f"From the wrong side, {bench.margin(2)} from the inner fold, {begins_at(bench, finish)}; "
            f"{over_the_beginning(bench, finish)}.",
        )
    yield sewn_down(bench, finish, technique, how, by_hand=by_hand, single_fold=single_fold)


CHAPTER = "hems"
