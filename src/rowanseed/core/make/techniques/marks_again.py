"""Marks that fusing or handling takes away are made again before they are needed."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.technique import Companion
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.pieces import SLASHES, LineKind, MarkKind, Piece, PointKind

LINES = {
    LineKind.FOLD: "fold lines",
    LineKind.ROLL: "the roll line",
    LineKind.PLEAT: "pleat lines",
    LineKind.PLACEMENT: "placement lines",
    LineKind.CENTRE: "the centre line",
}
POINTS = {
    PointKind.DOT: "dots",
    PointKind.POCKET: "pocket corners",
    PointKind.BUTTON: "buttons",
    PointKind.BUTTONHOLE: "buttonholes",
    PointKind.HOOK: "hooks and eyes",
    PointKind.TIE: "ties",
}
"""What is worked by later, and not at an edge, where a notch could stand; a bust point is not."""


def _marked_inside(piece: Piece, size: str) -> list[str]:
    """What marks a piece carries inside its edges, in words."""
    slashed = any(line.id in SLASHES for line in piece.lines)
    kinds = {line.kind for line in piece.lines if line.id not in SLASHES}
    points = {point.kind for point in piece.points if size in point.at}
    if any(mark.kind is MarkKind.DOT for mark in piece.marks):
        points.add(PointKind.DOT)
    return [
        *(("darts",) if piece.darts else ()),
        *(words for kind, words in POINTS.items() if kind in points),
        *(words for kind, words in LINES.items() if kind in kinds),
        *(("the line that is slashed",) if slashed else ()),
    ]


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
        marks = _marked_inside(piece, bench.size)
        if not marks:
            continue
        yield Operation(
            id=f"mark-{id}",
            technique="marks made again",
            act=Act.MARK,
            title=f"Mark the {bench.name(id)} again",
            how=(
                f"Lay the tissue on once more for these: {', '.join(marks)}. Mark them by tailor's tacks or a pen that "
                "was tried on a scrap of the same layers; heat sets some pens for good.",
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
