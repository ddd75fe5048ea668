"""Straps of a bib."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact, State
from rowanseed.core.make.families.bibs import STRAP, bib_of, goes_over_the_shoulders
from rowanseed.core.make.families.strips import caught_in, finds_strips, folded_strip, on_strip
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.steps import Steps, of_detail
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Detail, DetailKind

OUTSIDE, BOX, END = 3.0, 25.0, 20.0
"""Basted so far outside the stitching line; sewn to the band in a box so high, so much turned under, in mm (common
practice, no source)."""
AT_A_NECK = (
    "Nothing may pull tight round a neck: for a child a strap that gives way when it is pulled, such as one closed by "
    "a snap, is safer; local rules may ask for more."
)


def finds(bench: Workbench) -> Iterator[Duty]:
    for duty in finds_strips(DetailKind.STRAP)(bench):
        if bib_of(bench, bench.details[duty.id]) is not None:
            yield duty


def straps(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    bib = bib_of(bench, detail)
    assert bib is not None, "found by its bib"
    step = of_detail(bench, STRAP, duty.id)
    over, closed = goes_over_the_shoulders(bib, detail), _is_closed(bench, duty)
    more = (f"{detail.count} of them, all alike.",) if detail.count > 1 else ()
    free = ("One end of each is turned in before the last fold: it stays free.",) if closed else ()
    yield folded_strip(step, duty, "straps", *more, *free)
    if over or closed:
        yield _basted(step, duty, gives=_basts(bench, detail) if over and not closed else caught_in(bench, duty))
        if not closed:
            yield _tried_over_the_shoulders(step, duty, bib)
            yield _sewn_to_the_band(step, duty, bib)
        return
    yield _tried_round_the_neck(step, duty)
    yield _both_ends_basted(step, duty)


def _is_closed(bench: Workbench, duty: Duty) -> bool:
    """Whether one end of each strap is closed on something, and not sewn in."""
    own = {id for id in duty.ids if id in bench.finishes}
    return any(closure.join in own for closure in bench.closures.values())


def _basts(bench: Workbench, detail: Detail) -> tuple[State, ...]:
    return tuple(facts.joins(Fact.BASTED, (id for id in detail.along if id in bench.joins)))


WHERE = (
    "on the right side of the bib, outer side of the strap at the stitching line of the corner, its raw end level with "
    "the upper edge, the strap lying down over the bib"
)


def _basted(step: Steps, duty: Duty, *, gives: tuple[Fact | State, ...]) -> Operation:
    bench = step.bench
    return step(
        "baste",
        Act.ATTACH,
        f"Baste the straps on the bib: {step.name}",
        f"One at each upper corner, {WHERE}; baste {bench.margin(OUTSIDE)} outside the stitching line, in the "
        "allowance, where it stays. The seam round the bib catches it.",
        took=minutes.each(3, 2),
        setting=settings.longest(bench.household),
        after={Fact.PREPARED: "they are made up first"},
        gives=gives,
        on=on_strip(bench, duty, finishes=not isinstance(gives[0], State)),
        rows=0,
        booklet=True,
        look="Both lie at the same distance from their corner, the same side up.",
    )


def _tried_round_the_neck(step: Steps, duty: Duty) -> Operation:
    bench = step.bench
    return step(
        "try",
        Act.TRY_ON,
        f"Try the strap's length round the neck: {step.name}",
        "Pin one end at a corner of the bib's upper edge and hold the bib where it is to hang. Bring the strap round "
        "the neck without a twist to the other corner, so long that the head goes through; mark on it where it leaves "
        "the edge.",
        at=Bench.MIRROR,
        after={Fact.PREPARED: "it is made up first"},
        gives=(Fact.TRIED,),
        on=On(gates=(f"length of the {step.name}",), edges=on_strip(bench, duty, finishes=False).edges),
        look="The bib hangs at its height, and the head goes through.",
    )


def _both_ends_basted(step: Steps, duty: Duty) -> Operation:
    bench = step.bench
    return step(
        "baste",
        Act.ATTACH,
        f"Baste the strap on the bib: {step.name}",
        f"An end at each upper corner, {WHERE}; baste {bench.margin(OUTSIDE)} outside the stitching line, in the "
        "allowance, where it stays. Follow the strap with your hand from one end to the other: it must not be twisted.",
        "The seam round the bib catches both ends.",
        took=minutes.each(3, 2),
        setting=settings.longest(bench.household),
        after={Fact.TRIED: "its length is known from the body"},
        gives=caught_in(bench, duty),
        on=on_strip(bench, duty, finishes=True),
        rows=0,
        caution=AT_A_NECK,
        booklet=True,
        look="Laid round a neck it is not twisted, and both ends lie at the same distance from their corner.",
    )


def _tried_over_the_shoulders(step: Steps, duty: Duty, bib: Detail) -> Operation:
    bench = step.bench
    return step(
        "try",
        Act.TRY_ON,
        f"Try the straps' length on the body: {step.name}",
        "Garment on: bring each strap over its shoulder without a twist, cross them behind, and pin them inside the "
        "band, as far from the centre back as they lie best. Sit and bend forward once: neither cuts in nor slips. "
        "Mark on the strap where it meets the band, and on the band where it is held; left and right may differ.",
        at=Bench.MIRROR,
        needs=(Need(facts.detail(Fact.FINISHED, bib.id), "they hang from the bib"),),
        gives=(Fact.TRIED,),
        on=On(gates=(f"length of the {step.name}",), edges=on_strip(bench, duty, finishes=False).edges),
        look="The bib lies on the body, and the waist sits level.",
    )


def _sewn_to_the_band(step: Steps, duty: Duty, bib: Detail) -> Operation:
    bench = step.bench
    return step(
        "sew-on",
        Act.ATTACH,
        f"Sew the straps to the band behind: {step.name}",
        f"Cut each {bench.margin(BOX + END)} below its mark and turn {bench.margin(END)} under, more where the band is "
        "narrower than that leaves: the end lies down over the inside of the band, its mark at the upper fold.",
        f"Stitch a box as wide as the strap and as high as there is room for, at most {bench.margin(BOX)}, and across "
        "it from corner to corner, through strap and band.",
        took=minutes.each(5, 2),
        setting=settings.topstitch(bench.household, bench.margin(2)),
        after={Fact.TRIED: "their length is known from the body"},
        gives=tuple(one for one in caught_in(bench, duty) if one not in _basts(bench, bench.details[duty.id])),
        on=on_strip(bench, duty, finishes=True),
        rows=0,
        look="Both boxes lie at one height, as far left of the centre back as right unless the body asked for more.",
    )


TECHNIQUE = Technique(
    id="bib-straps",
    name="Straps of a bib",
    chapter="pockets and small parts",
    finds=finds,
    sews=straps,
    rank=11,
    draw="bib strap",
)
