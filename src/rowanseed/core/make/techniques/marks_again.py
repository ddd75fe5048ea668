"""Marks that fusing or handling takes away are made again before they are needed."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.technique import Companion
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.pieces import LineKind, Piece

NEEDED = (LineKind.FOLD, LineKind.ROLL, LineKind.PLEAT, LineKind.PLACEMENT)


def _is_marked_inside(piece: Piece, size: str) -> bool:
    """Whether a piece carries marks that are not on its edge, where a notch could stand."""
    points = any(size in point.at for point in piece.points)
    return points or bool(piece.darts) or any(line.kind in NEEDED for line in piece.lines)


def adds(bench: Workbench, operations: tuple[Operation, ...]) -> Iterator[Operation]:
    """Where the whole wrong side of a marked piece is fused or backed: chalk is under it, or steamed away."""
    covered = {
        id: op
        for op in operations
        if op.act in (Act.FUSE, Act.BACK)
        for id in op.on.pieces
        if any(state in op.gives for state in (facts.piece(Fact.STIFFENED, id), facts.piece(Fact.BACKED, id)))
        and facts.piece(Fact.MARKED, id) not in op.gives
    }
    for id in covered:
        piece = bench.piece(id)
        if not _is_marked_inside(piece, bench.size):
            continue
        yield Operation(
            id=f"mark-{id}",
            technique="marks made again",
            act=Act.MARK,
            title=f"Mark the {bench.name(id)} again",
            how=(
                f"Lay the tissue on once more: {'darts, ' if piece.darts else ''}dots, fold and placement lines, by "
                "tailor's tacks or a pen that was tried on a scrap of the same layers; heat sets some pens for good.",
                "Left and right together, and check one against the other.",
            ),
            bench=Bench.TABLE,
            minutes=minutes.each(2, bench.number_cut(id)),
            on=On(pieces=(id,), edges=shown(EdgePart(id, edge.name) for edge in piece.edges)),
            requires=(
                Need(facts.piece(Fact.STIFFENED, id), "the layer that covers the marks is on", where_given=True),
                Need(facts.piece(Fact.BACKED, id), "the layer that covers the marks is on", where_given=True),
            ),
            gives=(facts.piece(Fact.MARKED, id),),
            look="Every mark that this piece needs can be seen on the side it is worked from.",
        )


TECHNIQUE = Companion(
    id="marks-again",
    name="Marks made again",
    chapter="preparation",
    adds=adds,
    words={"tailor's tack": "a loose loop of thread through two layers, cut apart so that both keep a tuft as a mark"},
)
