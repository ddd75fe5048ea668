"""Pockets, each by its own piece or by its mouth."""

from __future__ import annotations

import re
from collections.abc import Iterator

from rowanseed.core.geometry.outline import flatten
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.pattern.making import POCKET_DOTS, Detail, DetailKind
from rowanseed.core.pattern.pieces import InnerPoint, LineKind, Piece, PointKind
from rowanseed.drawings.line.dressed import Dressed, Line, Stroke
from rowanseed.drawings.line.laid import Laid, along

PATCH, FLAP = 120.0, 50.0
MOUTH_DRAWN = 7.0
"""The mouth of an in-seam pocket is shown so far inside its seam, in mm."""


def pockets(dressed: Dressed) -> Iterator[Stroke]:
    """Each pocket by its own piece: a patch, a welt's bar, with a flap over it where it has one."""
    marked = [
        (one, q)
        for one in dressed.pieces
        for q in one.piece.points
        if q.kind is PointKind.POCKET and dressed.size in q.at
    ]
    # One that lies across a seam has a corner on each of two pieces.
    inner = {q.id.removesuffix("-inner"): (one, q) for one, q in marked if q.id.endswith("-inner")}
    outer = {q.id.removesuffix("-outer"): (one, q) for one, q in marked if q.id.endswith("-outer")}
    named = [(inner[id], outer[id]) for id in inner if id in outer]
    rest = [pair for pair in marked if not pair[1].id.endswith(("-inner", "-outer"))]
    pouches = {id for d in dressed.pattern.making.details if d.kind is DetailKind.POUCH for id in d.pieces}
    for (first, a), (last, b) in (*named, *zip(rest[::2], rest[1::2], strict=False)):
        if a.id.removesuffix("-inner") not in pouches:
            yield from _pocket(dressed, first, a, last, b)


def pouch(dressed: Dressed, detail: Detail) -> Iterator[Stroke]:
    """Half of it on each half of the front: its upper edge, its slanting mouth, its side and its lower edge."""
    own = next((found for id in detail.pieces if (found := dressed.drawn(id)) is not None), None)
    one = next((lying for id in detail.on if (lying := dressed.laid(id)) is not None), None)
    if own is None or one is None:
        return
    inner = next((q for q in one.piece.points if q.id == f"{own.id}-inner"), None)
    if inner is None or dressed.size not in inner.at:
        return
    x, y = one.at(inner.at[dressed.size])
    folds = {cut.fold for cut in own.cuts}
    edges = own.shapes[dressed.size].edges
    ring = [q for name, chain in edges.items() if name not in folds for q in flatten(chain, 2.0)]
    yield Stroke("pockets", [(x + down, y + out) for down, out in ring])


def _pocket(dressed: Dressed, first: Laid, a: InnerPoint, last: Laid, b: InnerPoint) -> Iterator[Stroke]:
    id = re.sub(r"-(inner|\d+)$", "", a.id)
    own, flap = dressed.drawn(id), dressed.drawn(id.replace("pocket", "flap"))
    (x, y), (_, end) = first.at(a.at[dressed.size]), last.at(b.at[dressed.size])
    deep = PATCH if own is None else _deep(own, dressed.size, end - y)
    hands = dressed.hands(a.hand)
    yield Stroke("pockets", [(x, y), (x, end), (x + deep, end), (x + deep, y)], Line.FILLED, hands)
    if flap is not None and "flap" in flap.id:
        low = x - 12.0 + FLAP
        shape = [
            (x - 12.0, y - 3),
            (x - 12.0, end + 3),
            (low - 8, end + 3),
            (low, (y + end) / 2),
            (low - 8, y - 3),
        ]
        yield Stroke("pockets", shape, Line.FILLED, hands)


def in_seam(dressed: Dressed, detail: Detail) -> Iterator[Stroke]:
    """The mouth, from dot to dot, on the hands whose seam has it."""
    join = next((j for j in dressed.pattern.making.joins if j.id in detail.along), None)
    for part in (*join.a, *join.b) if join is not None else ():
        one = dressed.laid(part.piece)
        dots = [mark for mark in one.piece.marks if mark.id in POCKET_DOTS and mark.edge == part.edge] if one else []
        if one is None or len(dots) != len(POCKET_DOTS):
            continue
        run = one.edges[part.edge]
        ends = [along(run, mark.distance[dressed.size], from_end=mark.anchor == "end") for mark in dots]
        mouth = [(x, y - MOUTH_DRAWN) for x, y in ends]
        yield Stroke("pockets", mouth, Line.BOLD, dressed.hands(part.hand))


def _deep(piece: Piece, size: str, mouth: float) -> float:
    """How deep a pocket's piece lies on the garment below a mouth so long: half of a welt, which is folded."""
    x0, y0, x1, y1 = bounds([q for chain in piece.shapes[size].edges.values() for q in flatten(chain, 1.0)])
    along, deep = sorted((x1 - x0, y1 - y0), key=lambda side: abs(side - abs(mouth)))
    # A square one is as deep as it is drawn.
    deep = x1 - x0 if along == deep else deep
    return deep / 2 if piece.line(LineKind.FOLD, "fold") is not None else deep
