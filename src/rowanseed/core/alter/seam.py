"""Taking in or letting out at a seam, all along it or at one level with a taper to the next ones."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from itertools import pairwise

from rowanseed.core.alter.deform import Field, interpolate, smooth
from rowanseed.core.alter.frame import ROUGH, Frame, frame_of, move
from rowanseed.core.base.errors import NoPlaceFor, SeamTooNarrow
from rowanseed.core.geometry.outline import Chain, Point, flatten
from rowanseed.core.pattern.making import Join
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel, Piece

REACH = 0.3
"""How far into a piece, as a share of its width, the change dies away."""
FADE = 110.0
"""Above the seam's upper end the change dies away over this length, in mm."""
NOT_TAKEN_IN = ("shoulder", "crotch", "armhole", "cap", "neck", "waist", "hem")
PARTS = 4


def takeable(pattern: Pattern) -> tuple[Join, ...]:
    """The seams that can be taken in: lengthwise ones between body panels, side seams first."""
    panels = {piece.id: piece.panel for piece in pattern.pieces}
    found = []
    for join in pattern.making.joins:
        parts = (*join.a, *join.b)
        if len(join.a) != 1 or len(join.b) != 1 or any(p.edge in NOT_TAKEN_IN for p in parts):
            continue
        if all(panels[p.piece] in (Panel.FRONT, Panel.BACK) for p in parts):
            found.append(join)
    return tuple(sorted(found, key=lambda j: _rank(j, panels)))


def _rank(join: Join, panels: dict[str, Panel]) -> int:
    mixed = panels[join.a[0].piece] is not panels[join.b[0].piece]
    return 0 if mixed and join.a[0].edge != "inseam" else 2 if join.a[0].edge == "inseam" else 1


def edge_count(pattern: Pattern, join: Join) -> int:
    """How many edges of the whole garment meet in a seam: two, or four where it is sewn on each hand."""
    twins = [j for j in pattern.making.joins if _same_edges(j, join)]
    return 4 if join.each_hand else 2 * len(twins)


def _same_edges(one: Join, other: Join) -> bool:
    return [(p.piece, p.edge) for p in (*one.a, *one.b)] == [(p.piece, p.edge) for p in (*other.a, *other.b)]


@dataclass(frozen=True)
class Side:
    """One edge of the seam: where it runs in its frame and which way is outwards."""

    xs: tuple[float, ...]
    ys: tuple[float, ...]
    out: float
    width: float

    def depth(self, p: Point) -> float:
        """How far a point lies inside the edge, as a share of the reach."""
        return (interpolate(self.xs, self.ys, p[0]) - p[1]) * self.out / (self.width * REACH)


def change_at_seam(pattern: Pattern, size: str, join_id: str, by: float, level: str) -> Pattern:
    """Let a seam out (`by` > 0) or take it in, by so much round the whole garment.

    At a `level` the change is greatest there and dies away towards the neighbouring levels (at the lowest
    one it runs on to the hem); with no level it is the same all along. Raises AlterationError.
    """
    join = next((j for j in takeable(pattern) if j.id == join_id), None)
    if join is None:
        names = ", ".join(j.name.lower() for j in takeable(pattern))
        raise NoPlaceFor(
            "That is no seam that can be taken in or let out.",
            f"There are: {names}." if names else "This pattern does not say which of its edges are sewn together.",
            "at",
        )
    each = by / edge_count(pattern, join)
    amount = _amount(pattern, size, join, level)
    for part in (*join.a, *join.b):
        frame = frame_of(pattern, size, part.piece)
        side = edge_side(frame, pattern.piece(part.piece), part.edge)
        _refuse_too_much(frame, each, side)
        pattern = move(pattern, frame, _field(side, amount, each), parts=PARTS)
    return pattern


def edge_side(frame: Frame, piece: Piece, edge: str) -> Side:
    """How an edge of a frame's piece runs."""
    chain = piece.shapes[frame.size].edges[edge]
    points = sorted(flatten(chain, ROUGH))
    # Rings run counter-clockwise: the outside is on the right of the way the edge is walked.
    out = 1.0 if chain[-1].end[0] < chain[0].start[0] else -1.0
    return Side(
        xs=tuple(p[0] for p in points),
        ys=tuple(p[1] for p in points),
        out=out,
        width=max(15.0, _narrowest(frame, piece, chain)),
    )


def _narrowest(frame: Frame, piece: Piece, edge: Chain) -> float:
    """The least width of a piece along an edge, in mm."""
    others = [flatten(c, ROUGH) for c in piece.shapes[frame.size].edges.values() if c is not edge]
    lines = [(a, b) for run in others for a, b in pairwise(run) if a[0] != b[0]]
    low, high = sorted((edge[0].start[0], edge[-1].end[0]))
    mine = sorted(flatten(edge, ROUGH))
    xs, ys = [p[0] for p in mine], [p[1] for p in mine]
    widths = []
    for k in range(1, 8):
        x = low + (high - low) * k / 8
        here = interpolate(xs, ys, x)
        far = [
            abs(a[1] + (b[1] - a[1]) * (x - a[0]) / (b[0] - a[0]) - here)
            for a, b in lines
            if min(a[0], b[0]) <= x <= max(a[0], b[0])
        ]
        widths += [max(far)] if far else []
    return min(widths, default=high - low)


def _field(side: Side, amount: Callable[[float], float], each: float) -> Field:
    top = min(side.xs)

    def field(p: Point) -> Point:
        depth = side.depth(p)
        if depth >= 1:
            return p
        above = smooth((p[0] - (top - FADE)) / FADE) if p[0] < top else 1.0
        return (p[0], p[1] + side.out * each * amount(max(p[0], top)) * above * smooth(1 - depth))

    return field


def _amount(pattern: Pattern, size: str, join: Join, level: str) -> Callable[[float], float]:
    """How much of the change is made at a place along the grain, 0 to 1."""
    if not level:
        return lambda x: 1.0
    frame = frame_of(pattern, size, join.a[0].piece)
    levels = [entry for entry in frame.levels() if entry[0] != "hem"]
    at = next((k for k, (id, _) in enumerate(levels) if id == level), None)
    if at is None:
        raise NoPlaceFor(f"The pieces do not say where the {level} is.", "Change the seam all along.", "level")
    here = levels[at][1]
    above = levels[at - 1][1] if at else None
    below = levels[at + 1][1] if at + 1 < len(levels) else None

    def amount(x: float) -> float:
        if x <= here:
            return 1.0 if above is None else smooth((x - above) / (here - above))
        return 1.0 if below is None else smooth((below - x) / (below - here))

    return amount


def _refuse_too_much(frame: Frame, each: float, side: Side) -> None:
    if -each > 0.4 * side.width:
        raise SeamTooNarrow(frame.pieces[0].id, side.width)
