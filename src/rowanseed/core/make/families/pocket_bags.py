"""What pockets with bags and flaps share: where they are found, the bag, what a finished one gives."""

from __future__ import annotations

from collections.abc import Callable, Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact, State
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, Bench, Meant, Need, On, Operation
from rowanseed.core.make.steps import Steps
from rowanseed.core.make.technique import Duty, Finds, Technique, single
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import Detail, DetailKind, EdgePart, FinishKind

STAY = 10.0
"""A strip that keeps a pocket mouth from stretching is so wide, in mm (common practice, no source)."""
MOUTH = 140.0
"""How long a mouth is that the tissue does not mark, in mm (common practice, no source)."""


def finds_made_up(kind: DetailKind) -> Finds:
    """Pockets that bring their own pieces; every seam and edge of these is made with them."""

    def finds(bench: Workbench) -> Iterator[Duty]:
        for detail in bench.details_of(kind):
            if detail.pieces and detail.on:
                mouths = (id for id in detail.along if id in bench.joins and bench.joins[id].press.value == "facing")
                yield single(detail.id, *dict.fromkeys((*bench.parts_of(detail), *mouths)))

    return finds


def ready(bench: Workbench, detail: Detail) -> tuple[Need, ...]:
    """What has to be done on the pieces of a pocket, and on those that it is put on, before it is made."""
    return tuple(_seams_below(bench, detail)) + tuple(
        Need(facts.piece(fact, id), why, where_given=True)
        for id in (*detail.pieces, *detail.on)
        for fact, why in (
            (Fact.STIFFENED, "interfacing goes on first"),
            (Fact.SHAPED, "darts come before what lies over them"),
            (Fact.BACKED, "piece and underlining are one first"),
            (Fact.MARKED, "its place is marked again first"),
        )
    )


def _seams_below(bench: Workbench, detail: Detail) -> Iterator[Need]:
    """The seams that a pocket lies across."""
    for join in bench.joins.values():
        pieces = pieces_of((*join.a, *join.b))
        if pieces <= set(detail.on) and bench.carry_one_pocket(pieces):
            yield Need(facts.join(Fact.PRESSED, join.id), "it lies across that seam", where_given=True)


def edges_of(bench: Workbench, detail: Detail) -> On:
    parts = [EdgePart(id, edge.name) for id in detail.pieces for edge in bench.piece(id).edges]
    return On(pieces=(*detail.pieces, *detail.on), edges=shown(parts))


def finished(bench: Workbench, duty: Duty, kinds: tuple[FinishKind, ...] | None = None) -> tuple[str, ...]:
    """The edges of a pocket that end with it; of these kinds alone, where some are given."""
    return tuple(id for id in duty.ids if id in bench.finishes and (kinds is None or bench.finishes[id].kind in kinds))


def own_joins(bench: Workbench, duty: Duty) -> tuple[str, ...]:
    """The seams of a pocket."""
    return tuple(id for id in duty.ids if id in bench.joins)


def given(bench: Workbench, duty: Duty) -> tuple[Fact | State, ...]:
    """What a finished pocket gives: its seams and edges, and the piece it is made on."""
    detail = bench.details[duty.id]
    return (
        Fact.FINISHED,
        *(facts.finish(Fact.FINISHED, id) for id in finished(bench, duty)),
        *(facts.piece(Fact.ATTACHED, id) for id in detail.on),
    )


def number_of(bench: Workbench, detail: Detail) -> int:
    """How many are made: a flap or a welt, one or two as it is cut; else one on each piece that it is on."""
    if detail.kind in (DetailKind.FLAP, DetailKind.WELT_POCKET) and detail.pieces:
        return min(2, bench.number_cut(detail.pieces[0]))
    return max((bench.number_cut(id) for id in detail.on), default=1)


def level(number: int) -> tuple[str, ...]:
    """What makes a pair level; nothing for a single one."""
    return ("Both sides alike: lay left and right on each other and compare.",) if number > 1 else ()


def bag(
    step: Steps, duty: Duty, *, after: dict[Fact, str], how: tuple[str, ...], needs: tuple[Need, ...] = ()
) -> Iterator[Operation]:
    """The bag sewn round, its edges neatened as one, and pressed: every own seam of the pocket."""
    bench = step.bench
    detail = bench.details[duty.id]
    joins = tuple(i for i in own_joins(bench, duty) if i not in detail.along)
    number = number_of(bench, detail)
    yield step(
        "bag",
        Act.JOIN if joins else Act.ATTACH,
        f"Sew the pocket bag: {step.name}",
        *how,
        f"Both layers together: neaten the edges as one. In a pocket that carries much a second row {bench.margin(3)} "
        "outside the first.",
        took=minutes.each(7, number),
        after=after,
        needs=needs,
        gives=(
            Fact.CLOSED,
            *(facts.join(fact, id) for id in joins for fact in (Fact.JOINED, Fact.FINISHED)),
        ),
        meant=frozenset({Meant.ENCLOSES}),
        on=On(pieces=(*detail.pieces, *detail.on), joins=joins, edges=edges_of(bench, detail).edges),
        rows=0,
        look="The bag hangs towards the front and holds a hand.",
    )
    if joins:
        yield step(
            "press-bag",
            Act.PRESS,
            f"Press the pocket bag flat: {step.name}",
            f"Its allowances to one side, the garment folded out of the way so that no ridge shows. {iron_for(bench)}",
            at=Bench.IRON,
            took=minutes.each(2, number),
            after={Fact.CLOSED: "the bag is sewn first"},
            gives=facts.joins(Fact.PRESSED, joins),
            on=On(joins=joins, edges=edges_of(bench, detail).edges),
            look="From the right side the bag cannot be seen.",
        )


def held_in_place(step: Steps, duty: Duty, how: str, look: str) -> Operation:
    """The last of a pocket: it lies in its place and is held there until the seams catch it."""
    bench = step.bench
    return step(
        "hold",
        Act.ATTACH,
        f"Hold the pocket in its place: {step.name}",
        how,
        at=Bench.HAND,
        took=minutes.each(3, number_of(bench, bench.details[duty.id])),
        after={Fact.CLOSED: "the bag is sewn first"},
        gives=given(bench, duty),
        on=On(
            pieces=edges_of(bench, bench.details[duty.id]).pieces,
            finishes=finished(bench, duty),
            edges=edges_of(bench, bench.details[duty.id]).edges,
        ),
        booklet=True,
        look=look,
    )


def pocket_technique(
    *, kind: DetailKind, name: str, sews: Callable[[Workbench, Duty], Iterator[Operation]], draw: str, **more: object
) -> Technique:
    """A pocket, or a part of one, that brings its own pieces."""
    return Technique(
        id=kind.value,
        name=name,
        chapter="pockets and small parts",
        finds=finds_made_up(kind),
        sews=sews,
        rank=11,
        draw=draw,
        **more,  # type: ignore[arg-type]
    )
