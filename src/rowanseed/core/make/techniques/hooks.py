"""Hooks: with an eye above a zip whose edges meet, with a bar on a band that laps."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import ClosureKind, DetailKind, FinishKind
from rowanseed.core.pattern.pieces import Panel, PointKind


def _hooks(bench: Workbench, *, lapped: bool) -> Iterator[Duty]:
    for closure in bench.closures.values():
        if closure.kind is ClosureKind.HOOK_AND_EYE:
            join = bench.joins.get(closure.join)
            on_band = join is not None and Panel.BAND in bench.panels((*join.a, *join.b)) and not bench.is_faced(join)
            if on_band == lapped:
                yield single(closure.id)


def finds_eye(bench: Workbench) -> Iterator[Duty]:
    return _hooks(bench, lapped=False)


def finds_bar(bench: Workbench) -> Iterator[Duty]:
    return _hooks(bench, lapped=True)


def _held(bench: Workbench) -> tuple[Need, ...]:
    tacked = (
        Need(facts.join(Fact.ATTACHED, join.id), "the facing lies in its place", where_given=True)
        for join in bench.joins.values()
        if bench.is_faced(join)
    )
    turned = (
        Need(facts.finish(Fact.FINISHED, f.id), "the band is whole", where_given=True)
        for f in bench.finishes.values()
        if f.kind is FinishKind.TURNED and not pieces_of(f.parts) & bench.inner
    )
    open_ = (
        Need(facts.detail(Fact.FINISHED, d.id), "the opening is stitched round", where_given=True)
        for d in bench.details_of(DetailKind.SLIT)
        if bench.openings.opens_above(d)
    )
    return (*tacked, *turned, *open_)


def eye(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins.get(bench.closures[duty.id].join)
    zipped = join is not None and bench.openings.zip_on(join) is not None
    marked = 0 if zipped else bench.points_of(PointKind.HOOK)
    above = "Above the zip" if zipped else "At the top of the opening"
    where = f"{marked} of them, at the marks" if marked > 1 else above
    yield Operation(
        id=f"hook-{duty.id}",
        technique="hook and eye",
        act=Act.FASTEN,
        title="Sew on the hooks and eyes" if marked > 1 else "Sew on the hook and eye",
        how=(
            f"{where}, on the inside: {'each' if marked > 1 else 'the'} hook {bench.margin(2)} short of its edge, "
            f"{'its' if marked > 1 else 'the'} eye just past the other, so that the edges meet when it is hooked.",
            "Sew round every loop with buttonhole stitch, and over the neck of the hook; through "
            f"{'facing and allowance' if bench.facings else 'the inner layer and the allowance'} only.",
        ),
        bench=Bench.HAND,
        minutes=minutes.each(6, max(1, marked)),
        on=On(closures=(duty.id,)),
        requires=_held(bench),
        gives=(facts.closure(Fact.CLOSED, duty.id),),
        booklet=bench.booklet(duty.id),
        look="Hooked, the edges meet, and no stitch shows outside.",
    )


def bar(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    yield Operation(
        id=f"hook-{duty.id}",
        technique="hook and bar",
        act=Act.FASTEN,
        title="Sew on the hook and bar",
        how=(
            f"The hook on the inside of the lap, {bench.margin(3)} from its end, in the middle of the band.",
            f"{'Close the zip and lay' if bench.openings.zips else 'Lay'} the band as it will be worn: the bar on the "
            "right side of the underlap, exactly where the hook falls.",
            "Through the inner layer and the interfacing only; sew each hole with stitches side by side.",
        ),
        bench=Bench.HAND,
        minutes=minutes.each(8),
        on=On(closures=(duty.id,)),
        requires=_held(bench),
        gives=(facts.closure(Fact.CLOSED, duty.id),),
        booklet=bench.booklet(duty.id),
        look="Hooked, the ends of the band are level, and no stitch shows outside.",
    )


TECHNIQUES = (
    Technique(
        id="hook-and-eye",
        name="Hook and eye",
        chapter="closures",
        finds=finds_eye,
        sews=eye,
        rank=20,
        draw="hook and eye",
    ),
    Technique(
        id="hook-and-bar",
        name="Hook and bar",
        chapter="closures",
        finds=finds_bar,
        sews=bar,
        rank=20,
        draw="hook and bar",
    ),
)
