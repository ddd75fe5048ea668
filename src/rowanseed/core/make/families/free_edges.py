"""Edges that are in no join: what comes before one is finished across a seam."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.waistbands import folded_first, turned_first
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Need, On
from rowanseed.core.make.run import Run
from rowanseed.core.make.runs import at_a
from rowanseed.core.make.which import other_hand, puts_on_hood
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import DetailKind, Finish, FinishKind
from rowanseed.core.pattern.pieces import Panel


def on_edge(finish: Finish) -> On:
    return On(finishes=(finish.id,), edges=shown(finish.parts))


def across(bench: Workbench, finish: Finish) -> Iterator[Need]:
    """Seams that end on an edge are pressed before it is finished across them, and bands that lap there are folded."""
    yield from folded_first(bench, finish.parts)
    if finish.kind is FinishKind.BINDING:
        yield from turned_first(bench, finish.parts)
    crossing = {join.id for join in bench.crossing([finish.id])}
    for detail in bench.details_of(DetailKind.SLIT):
        if bench.openings.opens_above(detail) and detail.along[0] in crossing and finish.kind is FinishKind.BINDING:
            yield Need(facts.detail(Fact.FINISHED, detail.id), "the edge is bound once the opening is stitched round")
    for join in bench.crossing([finish.id]):
        if puts_on_hood(bench, join):
            # What ends at its neck is finished before: its ends lie in that seam.
            continue
        if (not bench.is_faced(join) and Panel.BAND not in bench.panels((*join.a, *join.b))) or pieces_of(
            (*join.a, *join.b)
        ) <= bench.facings:
            yield Need(facts.join(Fact.PRESSED, join.id), "a seam is pressed before its edge is finished across it")
        elif bench.is_faced(join) and not pieces_of(finish.parts) & bench.inner and not reaches_hem(finish):
            yield Need(facts.join(Fact.TURNED, join.id), "the facing that ends there is turned in", where_given=True)


def reaches_hem(finish: Finish) -> bool:
    """Whether it is a lower edge, which a facing's end is closed at in its own way."""
    return all(p.edge in ("hem", "wrist") for p in finish.parts)


def whole_run(bench: Workbench, finish: Finish, joined: str = "") -> Run | None:
    """From where to where an edge is finished; None where a zip opens one of two rings, each hand by itself."""
    if bench.openings.hand_opened(finish.parts):
        return None
    run = bench.runs.over(finish.parts)
    if not run.ring:
        return replace(run, said="from end to end")
    where = bench.runs.ring_start(finish.parts)
    said = f"all round, begun at {at_a(where)}{f', {joined}' if joined else ''}"
    return replace(run, start=where, end=where, said=said)


def whole(bench: Workbench, finish: Finish, joined: str = "") -> str:
    """The same in words."""
    run = whole_run(bench, finish, joined)
    if run is not None:
        return run.words
    hand, begun = bench.openings.hand_opened(finish.parts), joined or "begun at a seam"
    return f"on the {hand} from one edge of the zip to the other, on the {other_hand(hand)} all round, {begun}"
