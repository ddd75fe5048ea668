"""A lining that lies free along an edge of the garment: it is basted there first, so that what closes the edge catches
it too."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact, SubjectKind
from rowanseed.core.make.operation import Act, Bench, Need, Operation
from rowanseed.core.make.workbench import Workbench

LINING, EDGES = "lining", "lining edges"
"""What is given the fact when all of a lining is basted in, or the edges that lie free of one that hangs from its
facings."""
ALONG = ("waist", "neck", "opening", "armhole")
"""The edges that a lining can lie free along."""
CATCHES = frozenset({Act.JOIN, Act.BAND, Act.BIND, Act.FACE, Act.HEM, Act.TURN, Act.CLOSE, Act.ATTACH, Act.LINE})
WHY = "the lining that lies along it is caught with it"


def free_edges(bench: Workbench) -> frozenset[tuple[str, str]]:
    """(piece of the garment, edge) along which its lining is neither sewn to anything nor finished by itself."""
    own = {(p.piece, p.edge) for id in (*bench.joins, *bench.finishes) for p in bench.parts(id)}
    return frozenset(
        (layer.of, edge.name)
        for layer in bench.pattern.making.layers
        if layer.piece in bench.hung
        for edge in bench.piece(layer.piece).edges
        if edge.name in ALONG and (layer.piece, edge.name) not in own and bench.piece(layer.of).has_edge(edge.name)
    )


def with_lining_caught(bench: Workbench, op: Operation) -> Operation:
    """An operation that closes an edge, with its wait for what lies free there to be basted to it."""
    if op.act not in CATCHES or (op.act is Act.JOIN and op.bench is Bench.HAND):
        # Layers of one piece that are basted together close nothing yet.
        return op
    ids = [s.of.id for s in op.gives if s.of.kind in (SubjectKind.JOIN, SubjectKind.FINISH)]
    closed = {(p.piece, p.edge) for id in ids for p in bench.parts(id)}
    if not closed & free_edges(bench):
        return op
    waits = (Need(facts.layer(Fact.BASTED, what), WHY, where_given=True) for what in (LINING, EDGES))
    return replace(op, requires=tuple(dict.fromkeys((*op.requires, *waits))))
