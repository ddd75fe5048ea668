"""Sleeves: which they are, their marks, what comes after the cap is in."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.plain_seams import fullness
from rowanseed.core.make.families.raglans import finds_raglan
from rowanseed.core.make.families.suited import always, finds_of, why_not_of
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.neatening import finishes_edges, neaten_together
from rowanseed.core.make.operation import Meant, Need, Operation
from rowanseed.core.make.run import Run
from rowanseed.core.make.shared import press, sew
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import DifferenceKind, Join
from rowanseed.core.pattern.pieces import MarkKind, Panel

TOGETHER = "both edges are neatened together first"


def sleeve_joins(bench: Workbench) -> Iterator[Join]:
    """Seams between the sleeve and the body; what both have together with a collar or a facing is another one."""
    for join in bench.joins.values():
        sides = [bench.panels(join.a), bench.panels(join.b)]
        body = next((panels for panels in sides if panels != {Panel.SLEEVE}), frozenset())
        if (
            {Panel.SLEEVE} in sides
            and body & {Panel.FRONT, Panel.BACK}
            and Panel.BAND not in body
            and not pieces_of((*join.a, *join.b)) & bench.inner
        ):
            yield join


def armhole_ids(bench: Workbench) -> tuple[str, ...]:
    """Where a sleeve goes into an armhole: a raglan runs on to the neck, and has none."""
    raglan = {id for duty in finds_raglan(bench) for id in duty.ids}
    return tuple(join.id for join in sleeve_joins(bench) if join.id not in raglan)


def why_not_flat(bench: Workbench, id: str) -> str:
    """Beside a zip in one of the sides, or with a side in several seams, a sleeve is set in the round."""
    if len(tubes(bench, bench.joins[id])[0]) > 1:
        return "a sleeve of two pieces has no seam that stands on the side's"
    below = len(sides_below(bench, bench.joins[id]))
    return "" if below == 1 else "the side below it is not one seam, alike on both sides, that closes sleeve and body"


finds = finds_of(armhole_ids, always)
why_not = why_not_of(armhole_ids, always)
finds_flat = finds_of(armhole_ids, why_not_flat)


def sides_below(bench: Workbench, armhole: Join) -> list[Join]:
    """The seams of the body that end at an armhole from below."""
    _, body = tubes(bench, armhole)
    return [side for side in body if armhole.id in {other.id for other in bench.crossing([side.id])}]


def marked(bench: Workbench, join: Join) -> str:
    top = any(
        m.kind is MarkKind.DOT and m.edge == p.edge
        for p in (*join.a, *join.b)
        if bench.panel(p.piece) is Panel.SLEEVE
        for m in bench.piece(p.piece).marks
    )
    return "the shoulder point" if top else "the middle of the cap, found by folding, at the shoulder seam"


def notches_of(bench: Workbench, join: Join) -> str:
    """That front goes to front, where notches tell it."""
    return ", single notch to single and double to double" if bench.notched(join) else ""


def under_the_arm(bench: Workbench, join: Join) -> str:
    """What of a sleeve meets the side seam: its own seam, or where it has none there the dot of its under sleeve."""
    caps = [p for p in (*join.a, *join.b) if bench.panel(p.piece) is Panel.SLEEVE]
    if len({p.piece for p in caps}) == 1:
        return "the underarm seam on the side seam"
    dotted = any(m.kind is MarkKind.DOT and m.edge == p.edge for p in caps[1:] for m in bench.piece(p.piece).marks)
    return "the under sleeve's dot on the side seam" if dotted else "the middle of the under sleeve on the side seam"


def tubes(bench: Workbench, join: Join) -> tuple[list[Join], list[Join]]:
    """(seams that close the sleeve, seams that close the body)."""
    sleeve = [
        j
        for j in bench.joins.values()
        if bench.panels((*j.a, *j.b)) == {Panel.SLEEVE} and not pieces_of((*j.a, *j.b)) & bench.inner
    ]
    body = [j for j in bench.joins.values() if bench.closes_side(j) and not pieces_of((*j.a, *j.b)) & bench.inner]
    return sleeve, body


def sleeve_of(bench: Workbench, join: Join) -> frozenset[str]:
    """The pieces of the sleeve in its seam with the body."""
    return frozenset(p for p in pieces_of((*join.a, *join.b)) if bench.panel(p) is Panel.SLEEVE)


def cap_of(join: Join) -> str:
    """How a cap looks that is right."""
    gathered = join.difference.kind is DifferenceKind.GATHERS
    return "The gathers stand evenly at the cap" if gathered else "The cap is smooth"


def rest_of(join: Join) -> str:
    gathered = join.difference.kind is DifferenceKind.GATHERS
    return "spread the gathers between" if gathered else "ease the rest in"


def in_the_flat(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    sleeve, body = tubes(bench, join)
    first, last = bench.runs.beside(join.a[0], 0), bench.runs.beside(join.a[-1], 1)
    run = Run(first, last, said="from side to side")
    yield sew(
        bench,
        duty.ids,
        "sleeve in the flat",
        how=(
            f"Garment and sleeve flat, right sides together: {marked(bench, join)}"
            f"{', the notches' if bench.notched(join) else ''} and the ends; then "
            f"{rest_of(join)}.",
            f"{bench.seam_of(join)} {run.words}, sleeve up; backstitch both ends.",
            *fullness(bench, join),
        ),
        requires=tuple(
            Need(facts.join(Fact.PRESSED, j.id), "the armhole is whole first", where_given=True)
            for j in bench.crossing(duty.ids)
            if j not in (*sleeve, *body)
        ),
        meant=frozenset({Meant.FLAT}),
        run=run,
        look=f"{cap_of(join)}, and the ends of both edges are level.",
        flat=True,
    )
    neatened = finishes_edges(bench, duty.ids)
    if neatened:
        yield neaten_together(bench, duty.ids, "sleeve in the flat")
    pressed = press(
        bench,
        duty.ids,
        "sleeve in the flat",
        way="side",
        words="towards the body",
        towards=pieces_of((*join.a, *join.b)) - sleeve_of(bench, join),
        requires=(Need(facts.join(Fact.FINISHED, join.id), TOGETHER),) if neatened else (),
        look="The armhole runs in one smooth line over the shoulder, and no pleat is caught in it.",
    )
    yield replace(pressed, gives=(*pressed.gives, facts.join(Fact.ATTACHED, join.id)))
