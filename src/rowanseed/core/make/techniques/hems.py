"""Hems: turned by machine or by hand, faced, by twin needle; levelled by a try-on where they hang on a body."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation, Setting
from rowanseed.core.make.shared import iron_for
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.which import edges_of, ends_of_facings, facing_of, hem_at_ends, hems, is_lining, is_sleeve
from rowanseed.core.make.workbench import BLADES, HOT, NEEDLE, NEEDS_NOTHING, Workbench, pieces_of, shown
from rowanseed.core.pattern.making import VENT_EDGE, Detail, DetailKind, Finish, FinishKind
from rowanseed.core.pattern.pieces import Panel


def finds_machine(bench: Workbench) -> Iterator[Duty]:
    for finish in hems(bench):
        yield single(finish.id)


def finds_faced(bench: Workbench) -> Iterator[Duty]:
    for finish in edges_of(bench, FinishKind.HEM):
        if facing_of(bench, finish):
            yield single(finish.id)


A_DAY = 24 * 60.0

# ---------------------------------------------------------------- before the hem


def _hangs_as_worn(bench: Workbench, finish: Finish) -> Iterator[Need]:
    """Everything above a hem that decides how it hangs."""
    why = "it hangs as it will be worn"
    for join in bench.joins.values():
        panels, pieces = bench.panels((*join.a, *join.b)), pieces_of((*join.a, *join.b))
        if bench.is_faced(join):
            yield Need(facts.join(Fact.ATTACHED, join.id), why, where_given=True)
        elif (Panel.SLEEVE in panels and Panel.BAND not in panels and not pieces & bench.inner) or (
            Panel.BAND in panels
            and panels & {Panel.FRONT, Panel.BACK}
            and not any(p.edge == "opening" for p in (*join.a, *join.b))
        ):
            yield Need(facts.join(Fact.PRESSED, join.id), why, where_given=True)
    for closure in bench.closures.values():
        if closure.kind.value in ("hook-and-eye", "invisible-zip", "centred-zip", "lapped-zip", "fly-zip"):
            yield Need(facts.closure(Fact.CLOSED, closure.id), why, where_given=True)
    for other in bench.finishes.values():
        band = other.kind is FinishKind.TURNED and bench.panels(other.parts) == {Panel.BAND}
        if band and not _ends_at(bench, other, finish):
            yield Need(facts.finish(Fact.FINISHED, other.id), why, where_given=True)


def _ends_at(bench: Workbench, band: Finish, hem: Finish) -> bool:
    """Whether a band runs down to a hem, so that its end is closed there."""
    bands, pieces = pieces_of(band.parts), pieces_of(hem.parts)
    return any(
        pieces_of((*j.a, *j.b)) & bands
        and pieces_of((*j.a, *j.b)) & pieces
        and any(p.edge == "opening" for p in (*j.a, *j.b))
        for j in bench.joins.values()
    )


def _seams_across(bench: Workbench, finish: Finish) -> Iterator[Need]:
    for join in bench.crossing([finish.id]):
        if not any(p.edge == "opening" for p in (*join.a, *join.b)) or bench.is_faced(join):
            yield Need(
                facts.join(Fact.PRESSED, join.id), "a seam is pressed before the hem crosses it", where_given=True
            )
        else:
            yield Need(facts.join(Fact.PRESSED, join.id), "the band is on first", where_given=True)


def levelled(bench: Workbench, finish: Finish) -> Iterator[Operation]:
    """Hung for a day where it is curved, tried on, chalked and cut level."""
    shown_edges = shown(finish.parts)
    before = (*_seams_across(bench, finish), *_hangs_as_worn(bench, finish))
    curved = any(bench.is_curved(part) for part in finish.parts)
    depth = bench.edge_allowance(finish.parts[0])
    if curved and not is_sleeve(bench, finish):
        yield Operation(
            id=f"hang-{finish.id}",
            technique="hang and level",
            act=Act.HANG,
            title="Let it hang for a day",
            how=(
                "On a hanger or a form, as it is worn. A curved hem runs partly on the bias and drops before it is "
                "levelled.",
            ),
            bench=Bench.HAND,
            minutes=(2, 3),
            waits=A_DAY,
            on=On(edges=shown_edges),
            requires=before,
            gives=(facts.finish(Fact.HUNG, finish.id),),
        )
        before = (Need(facts.finish(Fact.HUNG, finish.id), "a curved hem drops first"),)
    worn = (
        "Arms hanging and bent: where the sleeve is to end. Pin, and look at both."
        if is_sleeve(bench, finish)
        else "In the shoes it will be worn with, standing straight, somebody else measuring up from the floor all "
        "round; pin the hem line and look from the side."
    )
    yield Operation(
        id=f"try-on-{finish.id}",
        technique="hang and level",
        act=Act.TRY_ON,
        title=_length_tried(bench, finish),
        how=(worn,),
        bench=Bench.MIRROR,
        minutes=minutes.each(10),
        on=On(gates=(f"length of the {lower_first(finish.name)}",), edges=shown_edges),
        requires=before,
        gives=(facts.finish(Fact.TRIED, finish.id),),
    )
    yield Operation(
        id=f"level-{finish.id}",
        technique="hang and level",
        act=Act.LEVEL,
        title=f"Chalk and cut the {lower_first(finish.name)} level",
        how=(
            "Take it off, chalk the hem line along the pins, smooth it out, and compare left with right.",
            f"Cut the allowance level {bench.margin(depth)} below the line; inside the hem thin the seams' "
            f"allowances to {bench.margin(6)}.",
        ),
        bench=Bench.TABLE,
        minutes=minutes.trim(2 * bench.around([finish.id])),
        on=On(edges=shown_edges),
        requires=(Need(facts.finish(Fact.TRIED, finish.id), "the length is settled"),),
        gives=(facts.finish(Fact.LEVELLED, finish.id),),
        caution=BLADES,
        look="Folded at the centre, both halves of the edge lie on each other.",
    )


def _length_tried(bench: Workbench, finish: Finish) -> str:
    """The title of its try-on; where several edges have one, each says which."""
    several = [f for f in edges_of(bench, FinishKind.HEM) if not is_lining(bench, f)]
    return "Try it on: the length" if len(several) < 2 else f"Try it on: the length at the {lower_first(finish.name)}"


def before_hem(bench: Workbench, finish: Finish) -> tuple[list[Operation], tuple[Need, ...]]:
    """What comes before a hem is folded, and what the fold waits for."""
    if is_lining(bench, finish):
        outer = [f for f in edges_of(bench, FinishKind.HEM) if not is_lining(bench, f)]
        needs = [
            Need(facts.finish(Fact.HEMMED, f.id), "it is levelled by the garment's own hem", where_given=True)
            for f in outer
        ]
        needs += [Need(facts.layer(Fact.BASTED, "lining"), "it hangs in the garment", where_given=True)]
        return [], (*_seams_across(bench, finish), *needs)
    ends = (f for f in ends_of_facings(bench) if hem_at_ends(bench, f) == finish)
    before = (Need(facts.finish(Fact.FINISHED, f.id), "the facings' ends are closed on the hem line") for f in ends)
    return list(levelled(bench, finish)), (
        Need(facts.finish(Fact.LEVELLED, finish.id), "the length is settled"),
        *before,
    )


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
    if any(bench.is_curved(part) for part in finish.parts):
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


def begins_at(bench: Workbench, finish: Finish) -> str:
    """Where a hem begins and ends: at a seam, or at the edges that the garment is open at."""
    edges = {p.edge for p in finish.parts}
    slit = _slit_in(bench, finish)
    if slit is not None:
        word, twice = slit.kind.value, any(bench.joins[id].each_hand for id in slit.along if id in bench.joins)
        return f"from {word} to {word}" if twice else f"from one edge of the {word} to the other"
    if not is_round(bench, finish):
        return bench.run(finish.parts).words
    legs = any(bench.piece(p.piece).has_edge("inseam") for p in finish.parts)
    where = "the inner leg seam" if legs else "the underarm seam" if is_sleeve(bench, finish) else "a side seam"
    pair = ", both alike" if legs or is_sleeve(bench, finish) else ""
    return f"beginning and ending at {where}{pair}" if edges else ""


def is_round(bench: Workbench, finish: Finish) -> bool:
    """Whether a hem goes all round; that of an open front, of an apron, or with a slit or vent in it does not."""
    if _slit_in(bench, finish) is not None:
        return False
    return is_sleeve(bench, finish) or bench.run(finish.parts).ring


def _slit_in(bench: Workbench, finish: Finish) -> Detail | None:
    """The slit or vent that a hem is cut apart by."""
    for detail in bench.details_of(DetailKind.SLIT, DetailKind.VENT):
        if detail.to_mark is None:
            continue
        piece, id = detail.to_mark
        mark = bench.piece(piece).mark(id)
        own = [p for p in finish.parts if p.piece == piece]
        if any(VENT_EDGE in bench.neighbours(p) for p in own):
            return detail
        beside = {found for p in own for found in zip(bench.neighbours(p), ("end", "start"), strict=True)}
        if (mark.edge, mark.anchor) in beside:
            return detail
    return None


def over_the_beginning(bench: Workbench, finish: Finish) -> str:
    return "sew over the beginning" if is_round(bench, finish) else "backstitch at both ends"


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
    if single_fold and not knit:
        yield _neatened_first(bench, finish, "turned hem", before)
        before = (Need(facts.finish(Fact.NEATENED, finish.id), "its edge is finished before it is folded"),)
    yield _fold(bench, finish, "turned hem", before, single_fold=single_fold)
    if by_hand:
        how: tuple[str, ...] = (
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
        if pieces_of(f.parts) <= pieces and f.kind not in NEEDS_NOTHING
    )
    mm = bench.around([finish.id])
    on = On(edges=edges)
    yield Operation(
        id=f"face-{finish.id}",
        technique="faced hem",
        act=Act.FACE,
        title=f"Sew the facing to the {name}",
        how=(
            f"The edge is cut level {bench.fine(width)} below the hem line. Right sides together, seam on seam.",
            f"{bench.fine(width)} seam, all round.",
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
        how=("Clip where it curves, allowances towards the facing; facing up, close to the seam, all round.",),
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
        on=On(finishes=(finish.id,), edges=edges),
        requires=(Need(facts.finish(Fact.PREPARED, finish.id), "it lies in its place"),),
        gives=(facts.finish(Fact.HEMMED, finish.id), facts.finish(Fact.FINISHED, finish.id)),
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
