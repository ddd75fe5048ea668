"""The upper end of an edge that laps, beyond the dot where a collar ends: where it is, what waits for it."""

from __future__ import annotations

from collections.abc import Iterable, Iterator

from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Need
from rowanseed.core.make.which import is_of_opening
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import EdgePart, Finish, FinishKind, Join


def is_lap_end(bench: Workbench, finish: Finish) -> bool:
    """Whether what is turned in goes on from the very dot at which a seam ends on the same edge."""
    if finish.kind is not FinishKind.TURNED or not all(p.from_mark for p in finish.parts):
        return False
    ends = {(p.piece, p.edge, p.to_mark) for j in bench.joins.values() for p in (*j.a, *j.b) if p.to_mark}
    return all((p.piece, p.edge, p.from_mark) in ends for p in finish.parts)


def beyond(bench: Workbench, parts: Iterable[EdgePart]) -> tuple[Finish, ...]:
    """The ends of laps that lie beyond the dots at which these parts of edges end."""
    dots = {(p.piece, p.edge, p.to_mark) for p in parts if p.to_mark}
    return tuple(
        f
        for f in bench.finishes.values()
        if is_lap_end(bench, f) and any((p.piece, p.edge, p.from_mark) in dots for p in f.parts)
    )


def needs(bench: Workbench, ends: Iterable[Finish]) -> Iterator[Need]:
    for finish in ends:
        yield Need(facts.finish(Fact.FINISHED, finish.id), "the lap is closed up to the dot at which the collar ends")


def first(bench: Workbench, join: Join) -> Iterator[Need]:
    """What a collar waits for."""
    yield from needs(bench, beyond(bench, (*join.a, *join.b)))


def where_it_ends(bench: Workbench, join: Join) -> str:
    """Where the finished ends of what is sewn to a neck come."""
    if beyond(bench, (*join.a, *join.b)):
        return "at the dots of the centre line"
    return f"level with the finished {bench.open_half} edges"


def on_edge(bench: Workbench, finish: Finish) -> Iterator[Need]:
    """What stitches an edge down that laps waits for: its upper end is closed while it can still be folded back."""
    pieces = pieces_of(finish.parts)
    if is_of_opening(finish):
        yield from needs(
            bench, (f for f in bench.finishes.values() if is_lap_end(bench, f) and pieces_of(f.parts) & pieces)
        )
