"""Openings slashed into a piece: where they are, and what they give."""

from __future__ import annotations

from collections.abc import Callable, Iterator

from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import Need, On, Operation
from rowanseed.core.make.technique import Duty, Finds, Technique, single
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import DetailKind, EdgePart
from rowanseed.core.pattern.pieces import Panel

BESIDE = 5.0
"""Rows begin so far beside a slash at its edge, in mm (common practice, no source)."""
POINT = 25.0
"""Round the end of a slash the stitch is short for so much, in mm."""


def finds_slashed(kind: DetailKind) -> Finds:
    """Openings of a kind, each with the edges of its own pieces."""

    def finds(bench: Workbench) -> Iterator[Duty]:
        for detail in bench.details_of(kind):
            if detail.on:
                yield single(detail.id, *bench.parts_of(detail))

    return finds


def given(bench: Workbench, duty: Duty) -> tuple[Fact | facts.State, ...]:
    """What the last operation of a placket completes: its own edges, and the piece it is made on."""
    detail = bench.details[duty.id]
    return (
        Fact.FINISHED,
        *(facts.finish(Fact.FINISHED, id) for id in duty.ids if id in bench.finishes),
        *(facts.piece(Fact.ATTACHED, piece) for piece in detail.on),
    )


def on_placket(bench: Workbench, duty: Duty) -> On:
    """The pieces and edges of a placket."""
    detail = bench.details[duty.id]
    finishes = tuple(id for id in duty.ids if id in bench.finishes)
    pieces = (*detail.pieces, *detail.on)
    return On(
        pieces=pieces,
        finishes=finishes,
        edges=shown(EdgePart(id, edge.name) for id in detail.pieces for edge in bench.piece(id).edges),
    )


def ready(bench: Workbench, duty: Duty) -> tuple[Need, ...]:
    """What has to be done on its pieces before a piece is slashed."""
    detail = bench.details[duty.id]
    return tuple(
        Need(facts.piece(fact, id), why, where_given=True)
        for id in (*detail.pieces, *detail.on)
        for fact, why in (
            (Fact.STIFFENED, "interfacing goes on while it is flat"),
            (Fact.STAYED, "the edge is held before the piece is handled"),
            (Fact.MARKED, "the slash is marked again first"),
        )
    )


def of_a_pair(bench: Workbench, duty: Duty) -> tuple[str, ...]:
    """How a pair of sleeves lies while they are slashed."""
    if any(bench.panel(id) is Panel.SLEEVE for id in bench.details[duty.id].on):
        return ("Both sleeves side by side, as mirror images: the slash lies towards the back of each.",)
    return ()


def number_of(bench: Workbench, duty: Duty) -> int:
    """How many are made."""
    return max((bench.number_cut(id) for id in bench.details[duty.id].on), default=1)


def on_edges(bench: Workbench, duty: Duty) -> On:
    """The pieces of a placket and their edges, none of which is finished yet."""
    on = on_placket(bench, duty)
    return On(pieces=on.pieces, edges=on.edges)


def placket_technique(
    kind: DetailKind, name: str, sews: Callable[..., Iterator[Operation]], **more: object
) -> Technique:
    """A way to make up an opening that is slashed into a piece."""
    return Technique(
        id=kind.value,
        name=name,
        chapter="closures",
        finds=finds_slashed(kind),
        sews=sews,
        rank=14,
        **more,  # type: ignore[arg-type]
    )
