"""Strips that are turned or folded: straps, loops, tabs, belts."""

from __future__ import annotations

from collections.abc import Callable, Iterator

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact, State
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Meant, Need, On, Operation
from rowanseed.core.make.steps import Steps
from rowanseed.core.make.technique import Duty, Finds, Technique, single
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import Detail, DetailKind, EdgePart


def finds_strips(kind: DetailKind) -> Finds:
    """Strips of a kind, each with its edges and with what is caught where it is sewn in."""

    def finds(bench: Workbench) -> Iterator[Duty]:
        for detail in bench.details_of(kind):
            if detail.pieces:
                own = set(detail.pieces)
                caught = (f.id for f in bench.finishes.values() if pieces_of(f.parts) <= own)
                yield single(detail.id, *dict.fromkeys((*bench.parts_of(detail), *caught)))

    return finds


def width_of(bench: Workbench, detail: Detail) -> str:
    """How wide a strip is finished, in words."""
    return bench.margin(detail.width) if detail.width else "their finished width"


def on_strip(bench: Workbench, duty: Duty, *, finishes: bool) -> On:
    """The pieces of a strip and their edges; with what is finished by it, where that is asked for."""
    detail = bench.details[duty.id]
    edges = shown(EdgePart(id, edge.name) for id in detail.pieces for edge in bench.piece(id).edges)
    done = tuple(id for id in duty.ids if id in bench.finishes) if finishes else ()
    return On(pieces=detail.pieces, finishes=done, edges=edges)


def folded_strip(step: Steps, duty: Duty, what: str, *more: str) -> Operation:
    """A strip folded to the middle and again, and stitched along both edges."""
    bench = step.bench
    detail = bench.details[duty.id]
    joins = tuple(id for id in duty.ids if id in bench.joins)
    return step(
        "fold",
        Act.JOIN if joins else Act.TURN,
        f"Fold and stitch the {what}: {step.name}",
        "Press the strip in half lengthwise, open it, bring both long edges to that line, and fold again: four "
        f"layers, {width_of(bench, detail)} wide. Edgestitch both long sides {bench.margin(2)} from the edge, in the "
        "same direction.",
        *more,
        took=minutes.each(5, max(1, min(sum(bench.number_cut(id) for id in detail.pieces), 4))),
        setting=settings.topstitch(bench.household, bench.margin(2)),
        needs=tuple(
            Need(facts.piece(Fact.STIFFENED, id), "interfacing goes on first", where_given=True) for id in detail.pieces
        ),
        gives=(
            Fact.PREPARED,
            *(facts.join(fact, id) for id in joins for fact in (Fact.JOINED, Fact.PRESSED)),
        ),
        meant=frozenset({Meant.ENCLOSES}),
        on=On(pieces=detail.pieces, joins=joins, edges=on_strip(bench, duty, finishes=False).edges),
        rows=0,
        look="It has one width from end to end and is not twisted.",
    )


def caught_in(bench: Workbench, duty: Duty) -> tuple[Fact | State, ...]:
    """What is done once a strip is made up: it, and its edges."""
    detail = bench.details[duty.id]
    return (
        Fact.FINISHED,
        *(facts.finish(fact, id) for id in duty.ids if id in bench.finishes for fact in (Fact.FINISHED, Fact.ATTACHED)),
        *facts.joins(Fact.BASTED, (id for id in detail.along if id in bench.joins)),
    )


def strip_technique(kind: DetailKind, name: str, sews: Callable[..., Iterator[Operation]], **more: object) -> Technique:
    """A way to make up a strip."""
    return Technique(
        id=kind.value,
        name=name,
        chapter="pockets and small parts",
        finds=finds_strips(kind),
        sews=sews,
        rank=12,
        draw="belt",
        **more,  # type: ignore[arg-type]
    )
