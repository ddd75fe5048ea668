"""Straps, made up as tubes and sewn in."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.bibs import bib_of, goes_round_the_neck
from rowanseed.core.make.families.strap_ends import ID
from rowanseed.core.make.families.strips import caught_in, finds_strips, folded_strip, on_strip, strip_technique
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Detail, DetailKind


def _pressed_to(bench: Workbench, detail: Detail) -> tuple[Need, ...]:
    return tuple(
        Need(facts.join(Fact.PRESSED, join.id), "the edge it goes to is whole first", where_given=True)
        for id in detail.along
        if id in bench.joins
        for join in bench.crossing([id])
        if bench.joins_shell(join) and not pieces_of((*join.a, *join.b)) & bench.inner
    )


def strap(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, "strap", duty.id)
    several = detail.count > 1
    yield folded_strip(step, duty, "straps", f"{detail.count} of them, all alike." if several else "One of them.")
    yield step(
        "try",
        Act.TRY_ON,
        f"Try the straps' length on the body: {step.name}",
        _tried(bench, detail),
        at=Bench.MIRROR,
        after={Fact.PREPARED: "they are made up first"},
        needs=_pressed_to(bench, detail),
        gives=(Fact.TRIED,),
        on=On(gates=(f"length of the {step.name}",), edges=on_strip(bench, duty, finishes=False).edges),
        look="Both are equally long, neither cuts in, and the upper edge lies on the body."
        if several
        else "It does not cut in, and the upper edge lies on the body.",
    )
    yield step(
        "baste",
        Act.ATTACH,
        f"Baste the straps on: {step.name}",
        "Right side of the strap to the right side of the garment, its raw end level with the raw edge, the strap "
        f"lying down over the garment; baste {bench.margin(3)} outside the stitching line, in the allowance, where it "
        f"stays. {_untwisted(bench, detail)}",
        "What is sewn over it catches the ends.",
        took=minutes.each(4, detail.count),
        setting=settings.longest(bench.household),
        after={Fact.TRIED: "their length is known from the body"},
        gives=caught_in(bench, duty),
        on=on_strip(bench, duty, finishes=True),
        rows=0,
        booklet=True,
        look="Hanging from the straps, the garment sits level.",
    )


def _tried(bench: Workbench, detail: Detail) -> str:
    """How a strap's length is found on the body."""
    if not goes_round_the_neck(bench, detail):
        return (
            "Front ends pinned at their marks, garment on: bring each over the shoulder without a twist, pin where it "
            "neither cuts in nor slips, and look from the side. Mark on the strap where it leaves the edge; left and "
            "right may differ."
        )
    if detail.count > 1:
        return (
            "Pinned at their marks on the front, garment on: tie both behind the neck, and see that the upper edge "
            "lies on the body from one side to the other. Mark on each strap where it leaves the edge."
        )
    return (
        "One end pinned at its mark on the front, garment on: bring it round behind the neck without a twist and pin "
        "the other end where the upper edge lies on the body; it has to go over the head. Mark on the strap where it "
        "leaves the edge, at both ends."
    )


def _untwisted(bench: Workbench, detail: Detail) -> str:
    """What keeps a strap from being sewn in twisted: where both its ends are sewn in, the way between them."""
    if any(closure.id == ID for closure in bench.closures.values()):
        return "One end of each: the other stays free, and is turned in."
    if detail.count > 1:
        return "Both ends of one strap before the next: follow it with your hand, it must not be twisted."
    return "Then its other end: follow it with your hand, it must not be twisted."


def finds(bench: Workbench) -> Iterator[Duty]:
    """Straps of a bodice or of an edge; those of a bib are made up before it."""
    for duty in finds_strips(DetailKind.STRAP)(bench):
        if bib_of(bench, bench.details[duty.id]) is None:
            yield duty


TECHNIQUE = replace(strip_technique(DetailKind.STRAP, "Strap", strap), finds=finds)
