"""A drawing bound to a described garment: its outlines, matched to composed pieces, in the place of theirs.

Names of edges, joins, marks, closures and everything that the drawing lacks stay as they were composed. In mm.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace

from rowanseed.core.base.errors import PatternError
from rowanseed.core.compose.tissue import scaled_marks
from rowanseed.core.geometry.outline import Affine, Chain, Point, chain_length, flatten, split_chain, transform_chain
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.pattern.check import check
from rowanseed.core.pattern.only import only_sizes
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Drawn, Piece, Shape
from rowanseed.core.pattern.seamline import line_length
from rowanseed.formats.matched_outlines import Binding, Goal, drawn_sizes, lying
from rowanseed.formats.same_segments import same_segments
from rowanseed.formats.svg_read import Drawing, DrawnPiece


def bound(
    pattern: Pattern, drawing: Drawing, bindings: Sequence[Binding], line: Drawn, size: str | None = None
) -> Pattern:
    """The pattern with the drawn outlines in place of the composed ones, in the sizes that are drawn.

    `size` is the one that is drawn where the drawing has one and does not name it; `line` is the line that it draws.
    Raises PatternError if the result does not hold together.
    """
    called = drawn_sizes(drawing, pattern, size)
    if not called:
        has, described = (", ".join(sizes) for sizes in (drawing.sizes, pattern.envelope.sizes))
        raise PatternError(
            f"It has the sizes {has}, the description {described}: none is the same.",
            "Say which size of the description each is, or describe the garment with the sizes of the drawing.",
            "The drawing",
        )
    made = only_sizes(pattern, tuple(called))
    by_piece = {one.piece: one for one in bindings}
    drawn = {one.id: one for one in drawing.pieces}
    pieces = []
    for piece in made.pieces:
        one = by_piece.get(piece.id)
        if one is None:
            pieces.append(piece)
            continue
        pieces.append(_drawn_piece(piece, drawn[one.drawn], one, line, called))
    found = replace(made, pieces=tuple(pieces))
    check(found)
    return found


def _drawn_piece(
    piece: Piece, drawn: DrawnPiece, binding: Binding, line: Drawn, drawn_size: Mapping[str, str]
) -> Piece:
    shapes, ratios, moves, found = {}, {}, {}, {}
    for size in piece.shapes:
        edges = _cut(lying(drawn, drawn_size[size], binding.turn), binding.corners, [e.name for e in piece.edges])
        found[size] = _in_frame(Goal(piece, size, line), edges)
    for size, edges in same_segments(found).items():
        ring = [p for chain in edges.values() for p in flatten(chain, 1.0)]
        move = _fit(Goal(piece, size, line).ring(1.0), ring)
        edges = _on_its_fold(piece, edges)
        (x0, y0), (x1, y1) = (move(p) for p in piece.shapes[size].grainline)
        shapes[size] = Shape(edges, ((x0, (y0 + y1) / 2), (x1, (y0 + y1) / 2)))
        now = replace(piece, drawn=line, shapes={size: shapes[size]}, marks=(), darts=())
        ratios[size] = {e.name: line_length(now, size, e.name) / line_length(piece, size, e.name) for e in piece.edges}
        moves[size] = move
    return replace(
        piece,
        drawn=line,
        shapes=shapes,
        approximate=False,
        marks=scaled_marks(piece, ratios),
        darts=tuple(replace(d, point={s: moves[s](p) for s, p in d.point.items()}) for d in piece.darts),
        lines=tuple(
            replace(one, ends={s: (moves[s](a), moves[s](b)) for s, (a, b) in one.ends.items()}) for one in piece.lines
        ),
        points=tuple(replace(one, at={s: moves[s](p) for s, p in one.at.items()}) for one in piece.points),
    )


def _cut(edges: Sequence[Chain], corners: Sequence[float], names: Sequence[str]) -> dict[str, Chain]:
    """A drawn outline cut at the corners: the edges of the piece by name. Drawn corners are kept to the bit."""
    n = len(edges)
    out = {}
    for k, name in enumerate(names):
        a, b = corners[k] % n, corners[(k + 1) % len(corners)] % n
        out[name] = _between(edges, a, b if b > a else b + n)
    return out


WHOLE = 1e-6


def _between(edges: Sequence[Chain], a: float, b: float) -> Chain:
    """The outline from one position to another that lies ahead of it."""
    run: list[Chain] = []
    k = int(a + WHOLE)
    while k < b - WHOLE:
        edge = edges[k % len(edges)]
        whole = chain_length(edge)
        first, last = max(0.0, a - k), min(1.0, b - k)
        if last < 1.0 - WHOLE:
            edge = split_chain(edge, whole * last)[0]
        if first > WHOLE:
            edge = split_chain(edge, whole * first)[1]
        run.append(edge)
        k += 1
    return tuple(s for edge in run for s in edge if s.length() > WHOLE)


def _in_frame(goal: Goal, edges: Mapping[str, Chain]) -> dict[str, Chain]:
    """The edges moved to where the composed piece lies, so that its centre line stays the centre line."""
    old = bounds(goal.ring(1.0))
    new = bounds([p for chain in edges.values() for p in flatten(chain, 1.0)])
    by = Affine(a=1.0, b=0.0, c=0.0, d=1.0, e=old[0] - new[0], f=old[1] - new[1])
    return {name: transform_chain(chain, by) for name, chain in edges.items()}


def _fit(old: Sequence[Point], new: Sequence[Point]) -> Affine:
    """The map that takes the box of one outline to the box of another."""
    a, b = bounds(old), bounds(new)
    sx = (b[2] - b[0]) / max(1.0, a[2] - a[0])
    sy = (b[3] - b[1]) / max(1.0, a[3] - a[1])
    return Affine(a=sx, b=0.0, c=0.0, d=sy, e=b[0] - sx * a[0], f=b[1] - sy * a[1])


def _on_its_fold(piece: Piece, edges: dict[str, Chain]) -> dict[str, Chain]:
    """An edge on the fold drawn exactly straight, along the grain or across it as it was composed."""
    fold = next((cut.fold for cut in piece.cuts if cut.fold), None)
    if fold is None:
        return edges
    start, end = edges[fold][0].start, edges[fold][-1].end
    along = abs(end[0] - start[0]) >= abs(end[1] - start[1])
    level = (start[1] + end[1]) / 2 if along else (start[0] + end[0]) / 2
    a, b = ((start[0], level), (end[0], level)) if along else ((level, start[1]), (level, end[1]))
    moved = {start: a, end: b}
    out = {
        name: tuple(replace(s, start=moved.get(s.start, s.start), end=moved.get(s.end, s.end)) for s in chain)
        for name, chain in edges.items()
    }
    out[fold] = (replace(edges[fold][0], start=a, end=b, control1=None, control2=None),)
    return out
