"""Hems besides the turned one: narrow, rolled, blind at the overlocker, twin needle, bound, by catch stitch."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Mapping
from dataclasses import replace

from rowanseed.core.make import minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.hem_length import before_hem, begins_at, is_round, over_the_beginning
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation, Setting, Supply, Use
from rowanseed.core.make.shared import iron_for
from rowanseed.core.make.steps import Steps, of_finish
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.which import hems
from rowanseed.core.make.workbench import Workbench, shown

NARROW = (6.0, 6.0)
"""The two turnings of a narrow hem, in mm (common practice)."""
NARROW_MOST = 16.0
"""A hem of no more than this, in mm (the craft's 5/8 in), is narrow as it was cut: folded, and folded under."""
ROLLED = 3.0
BINDING = 10.0


def finds(bench: Workbench) -> Iterator[Duty]:
    for finish in hems(bench):
        yield single(finish.id)


def finds_deep(bench: Workbench) -> Iterator[Duty]:
    """Hems deep enough to be held inside by hand."""
    for finish in hems(bench):
        if bench.edge_allowance(finish.parts[0]) >= 20:
            yield single(finish.id)


def _on(step: Steps) -> On:
    return On(finishes=(step.id,), edges=shown(step.bench.finishes[step.id].parts))


def _done() -> tuple[Fact, ...]:
    return (Fact.HEMMED, Fact.FINISHED)


def _depth(step: Steps) -> float:
    return step.bench.edge_allowance(step.bench.finishes[step.id].parts[0])


def _start(bench: Workbench, duty: Duty, technique: str) -> tuple[Steps, list[Operation], tuple[Need, ...]]:
    operations, needs = before_hem(bench, bench.finishes[duty.id])
    return of_finish(bench, technique, duty.id), operations, needs


def _surplus(step: Steps, kept: float) -> tuple[str, ...]:
    """What is cut off first, where the pattern gives more than this hem takes."""
    bench, depth = step.bench, _depth(step)
    if depth <= kept + 1:
        return ()
    return (
        f"The pattern gives {bench.margin(depth)} for a deeper hem: cut {bench.margin(depth - kept)} of it off, so "
        f"that {bench.margin(kept)} are left below the hem line.",
    )


def narrow(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step, first, before = _start(bench, duty, "narrow hem")
    yield from first
    bow = any(bench.bends.is_curved(part) for part in bench.finishes[duty.id].parts)
    depth = _depth(step)
    each = depth / 2 if depth <= NARROW_MOST else NARROW[0]
    guide = (
        f"On this curve first stitch all round {bench.margin(each)} from the raw edge: the row is the fold line, "
        "and takes the fullness in.",
    )
    yield step(
        "fold",
        Act.PRESS,
        f"Fold and press a narrow hem: {step.name}",
        *(() if depth <= NARROW_MOST else _surplus(step, sum(NARROW))),
        *(guide if bow else ()),
        f"{bench.margin(each)} to the wrong side, then as much again. {iron_for(bench)}",
        at=Bench.IRON,
        took=minutes.press(2 * step.mm),
        needs=before,
        gives=(Fact.PREPARED,),
    )
    yield step(
        "sew",
        Act.HEM,
        f"Sew the narrow hem: {step.name}",
        f"From the wrong side, {bench.margin(2)} from the inner fold, {begins_at(bench, bench.finishes[duty.id])}; "
        f"{over_the_beginning(bench, bench.finishes[duty.id])}.",
        "In very thin cloth stitch beside the first fold, trim close, fold again and stitch on the same line.",
        setting=settings.hem(bench.household, bench.margin(2)),
        after={Fact.PREPARED: "it is folded and pressed"},
        gives=_done(),
        on=_on(step),
        booklet=True,
        look="It is narrow all round and does not twist like a rope.",
    )


def rolled_foot(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step, first, before = _start(bench, duty, "rolled hem by machine")
    yield from first
    yield step(
        "trim",
        Act.TRIM,
        f"Trim the edge for the rolled hem: {step.name}",
        *_surplus(step, 2 * ROLLED),
        f"Exactly {bench.margin(2 * ROLLED)} below the hem line, in one clean cut; snip the corners of the seams' "
        "allowances slanting, so that they go into the foot.",
        at=Bench.TABLE,
        needs=before,
        gives=(Fact.GRADED,),
        look="The edge is even: the foot rolls whatever it is given.",
    )
    yield step(
        "sew",
        Act.HEM,
        f"Sew the rolled hem: {step.name}",
        f"Fold the first {bench.margin(60)} by hand and stitch a little; then lead the edge into the scroll of the "
        "foot, upright and a little to the left, always the same amount. At a seam stop, help the thick place in with "
        "an awl.",
        f"{begins_at(bench, bench.finishes[duty.id]).capitalize()}; the last {bench.margin(60)} are folded by hand "
        "again.",
        setting=replace(
            settings.hem(bench.household, ""), stitch="straight", length=2.0, foot="rolled-hem foot", note=""
        ),
        after={Fact.GRADED: "the allowance is taken off first"},
        gives=_done(),
        on=_on(step),
        booklet=True,
        look="No raw edge has slipped out of the roll.",
    )


def rolled_overlocked(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step, first, before = _start(bench, duty, "rolled hem at the overlocker")
    yield from first
    depth = _depth(step)
    threads = "2-thread or 3-thread rolled edge"
    yield step(
        "sew",
        Act.HEM,
        f"Roll the hem at the overlocker: {step.name}",
        f"The whole allowance comes off: {bench.margin(depth)}, or notches and points above will not lie where they "
        "should. Chalk the hem line and lead it along the knife, which cuts exactly there.",
        "Stitch finger drawn in or its own plate on, left needle out, lower looper tight, stitch length 1 to 1.5; "
        "woolly thread in the upper looper covers best. Try it along and across the grain.",
        f"{begins_at(bench, bench.finishes[duty.id]).capitalize()}; "
        + ("run over the beginning, and bury" if is_round(bench, bench.finishes[duty.id]) else "bury")
        + " the tail under the stitches.",
        at=Bench.OVERLOCKER,
        setting=Setting(
            threads, 1.2, "overlocker foot", "the overlocker's own", "set the stitch finger back afterwards", "504"
        ),
        needs=before,
        gives=_done(),
        on=_on(step),
        booklet=True,
        caution="The knife cuts whatever reaches it: no pins, and look where the next layer lies.",
        look="The edge is a thin cord without whiskers.",
    )


def blind_overlocked(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step, first, before = _start(bench, duty, "blind hem at the overlocker")
    yield from first
    yield step(
        "fold",
        Act.PRESS,
        f"Fold the hem up, then back on itself: {step.name}",
        f"Press {bench.margin(_depth(step))} to the wrong side. Then fold that hem back to the right side, so that its "
        f"raw edge stands out {bench.margin(6)} beyond the new fold of the garment.",
        iron_for(bench),
        at=Bench.IRON,
        took=minutes.press(2 * step.mm),
        needs=before,
        gives=(Fact.PREPARED,),
    )
    yield step(
        "sew",
        Act.HEM,
        f"Blind-hem at the overlocker: {step.name}",
        "The fold along the guide of the foot, so that the needle just catches it and the knife just trims the raw "
        "edge. Hem and neatening are done at once. Unfold, and press.",
        at=Bench.OVERLOCKER,
        setting=replace(
            settings.overlock(bench.household), stitch="blind hem, 2- or 3-thread", length=4.0, foot="blind-hem foot"
        ),
        after={Fact.PREPARED: "it is folded first"},
        gives=_done(),
        on=_on(step),
        booklet=True,
        look="From outside only small dots show, more than a hand-sewn hem would have.",
    )


def twin(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step, first, before = _start(bench, duty, "twin-needle hem")
    yield from first
    yield step(
        "fold",
        Act.PRESS,
        f"Neaten and press the hem: {step.name}",
        f"Neaten the raw edge; press {bench.margin(_depth(step))} to the wrong side, once. A strip of light fusible in "
        "the fold of a soft knit keeps it from tunnelling.",
        iron_for(bench),
        at=Bench.IRON,
        needs=before,
        gives=(Fact.PREPARED,),
    )
    knit = bench.household.is_knit
    yield step(
        "sew",
        Act.HEM,
        f"Sew with the twin needle: {step.name}",
        "Right side up, both rows on the hem, the inner one just over its edge below; "
        f"{begins_at(bench, bench.finishes[duty.id])}.",
        "Both threads from separate spools; turn the handwheel once by hand: needle and plate must clear. Upper "
        "tension a little lower; ends to the wrong side, knotted.",
        setting=Setting(
            "straight, two rows",
            3.0,
            settings.ORDINARY,
            "twin needle, ball-point 4.0/80" if knit else "twin needle 4.0/90",
            "both threads above",
            iso="406",
        ),
        after={Fact.PREPARED: "it is pressed first"},
        gives=_done(),
        on=_on(step),
        booklet=True,
        look="Both rows are parallel and no ridge stands up between them.",
    )


def bound(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step, first, before = _start(bench, duty, "bound hem")
    yield from first
    yield step(
        "bind",
        Act.NEATEN,
        f"Bind the hem's raw edge: {step.name}",
        f"Bias strip {bench.margin(30)} wide on the right side, raw edges even: {bench.margin(6)} from the edge, begun "
        "at a seam; wrap it to the wrong side and stitch in the ditch.",
        took=minutes.seam(2 * step.mm),
        setting=settings.seam(bench.household),
        needs=before,
        gives=(Fact.NEATENED,),
        uses=(Use(Supply.BINDING, step.mm),),
        rows=2,
        look="The edge has kept its length.",
    )
    yield from _held_by_hand(
        step,
        "sew",
        f"Blind stitch: roll the binding back {bench.margin(4)}, take one thread of the garment and then the hem below "
        f"the binding, every {bench.margin(8)}, loosely, so that nothing pulls.",
    )


def catch_stitched(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step, first, before = _start(bench, duty, "catch-stitched hem")
    yield from first
    at, setting = settings.neaten(bench.household)
    yield step(
        "neaten",
        Act.NEATEN,
        f"Neaten the hem's raw edge: {step.name}",
        "Right side up, all round; it is not turned under again.",
        at=at,
        took=minutes.neaten(step.mm),
        setting=setting,
        needs=before,
        gives=(Fact.NEATENED,),
    )
    yield from _held_by_hand(
        step,
        "sew",
        "Catch stitch, working from left to right with the needle pointing left: a small stitch in the hem, a tiny "
        f"one in the garment just above its edge, {bench.margin(8)} on, crossing each time. It gives with the cloth.",
    )


def _held_by_hand(step: Steps, key: str, stitch: str) -> Iterator[Operation]:
    bench = step.bench
    yield step(
        "fold",
        Act.PRESS,
        f"Turn up and press the hem: {step.name}",
        f"One fold of {bench.margin(_depth(step))}. Ease fullness in with steam; press the fold, not the edge of the "
        f"hem, which would mark the right side. {iron_for(bench)}",
        at=Bench.IRON,
        took=minutes.press(2 * step.mm),
        after={Fact.NEATENED: "its edge is finished before it is folded"},
        gives=(Fact.PREPARED,),
    )
    yield step(
        key,
        Act.HEM,
        f"Sew the hem by hand: {step.name}",
        stitch,
        f"{begins_at(bench, bench.finishes[step.id]).capitalize()}; every {bench.length(300)} a small knot in the hem, "
        "so that a torn thread does not open it all.",
        at=Bench.HAND,
        after={Fact.PREPARED: "it is folded and pressed"},
        gives=_done(),
        on=_on(step),
        booklet=True,
        look="From the right side the hem neither shows nor pulls.",
    )


def _narrowed(bench: Workbench, duty: Duty) -> Mapping[tuple[str, str], float]:
    """A deeper hem is cut as a narrow one takes it."""
    parts = bench.finishes[duty.id].parts
    return {(p.piece, p.edge): sum(NARROW) for p in parts if bench.edge_allowance(p) > NARROW_MOST}


def _takes(mm: float) -> Callable[[Workbench, Duty], dict[tuple[str, str], float]]:
    """A hem whose whole allowance is so much."""
    return lambda bench, duty: {(p.piece, p.edge): mm for p in bench.finishes[duty.id].parts}


def _machine(bench: Workbench) -> str:
    return "" if bench.household.equipment.machine else "there is no machine"


def _overlocker(bench: Workbench) -> str:
    return "" if bench.household.equipment.overlocker else "there is no overlocker"


def _technique(
    id: str,
    name: str,
    sews: Callable[[Workbench, Duty], Iterator[Operation]],
    rank: int,
    asks: Callable[[Workbench], str] = lambda bench: "",
    **more: object,
) -> Technique:
    deep = sews in (bound, catch_stitched, blind_overlocked)
    return Technique(
        id=id,
        name=name,
        chapter="hems",
        finds=finds_deep if deep else finds,
        sews=sews,
        rank=rank,
        usual=False,
        asks=asks,
        **more,  # type: ignore[arg-type]
    )


TECHNIQUES = (
    _technique(
        "narrow-hem",
        "Narrow hem",
        narrow,
        33,
        draw="double hem",
        also=("circular hem",),
        allowances=_narrowed,
    ),
    _technique(
        "rolled-hem",
        "Rolled hem by machine",
        rolled_foot,
        34,
        _machine,
        draw="rolled hem",
        allowances=_takes(2 * ROLLED),
    ),
    _technique(
        "rolled-overlocked",
        "Rolled hem at the overlocker",
        rolled_overlocked,
        35,
        _overlocker,
        draw="rolled hem",
        allowances=_takes(2 * ROLLED),
    ),
    _technique(
        "blind-overlocked",
        "Blind hem at the overlocker",
        blind_overlocked,
        36,
        _overlocker,
        draw="blind hem",
        iso="103",
    ),
    _technique("twin-needle-hem", "Hem by twin needle", twin, 37, _machine, draw="twin needle"),
    _technique("bound-hem", "Hem with a bound edge", bound, 38, draw="bound edges"),
    _technique(
        "catch-stitched-hem",
        "Hem by catch stitch",
        catch_stitched,
        39,
        draw="catch stitch",
        words={"catch stitch": "a crossing hand stitch that holds an edge and lets it give"},
    ),
)
