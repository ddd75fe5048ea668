"""Taking in or letting out at a seam, all along it or at one level with a taper to the next ones."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Sequence
from dataclasses import dataclass, replace
from itertools import pairwise

from rowanseed.core.alter.dart import intake, with_intake
from rowanseed.core.alter.deform import Field, interpolate, smooth
from rowanseed.core.alter.frame import ROUGH, Frame, frame_of, move_some, with_pieces
from rowanseed.core.alter.raglan import RAGLAN
from rowanseed.core.alter.ring import Ring, is_let_in
from rowanseed.core.alter.seam_run import CROSSES, level_of_tip, levels_crossed, runs, share_along
from rowanseed.core.alter.sleeve import narrow_underarm
from rowanseed.core.alter.waist_seam import meets_again
from rowanseed.core.base.craft_refusals import NoPlaceFor, SeamTooNarrow
from rowanseed.core.geometry.outline import Chain, Point, flatten
from rowanseed.core.pattern.legs import is_inner_leg
from rowanseed.core.pattern.making import DifferenceKind, EdgePart, Join, LayerKind
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import SEAM_LEVEL, Panel, Piece
from rowanseed.core.pattern.turned_yoke import laid_open
from rowanseed.core.pattern.walk import copies

REACH = 0.3
"""How far into a piece, as a share of its width, the change dies away."""
FADE = 110.0
"""Above the seam's upper end the change dies away over this length, in mm, or as far as the shoulder."""
NOT_TAKEN_IN = ("shoulder", "crotch", "armhole", "cap", "neck", "waist", "hem")
PARTS = 4

WAIST = "waist"
KEEP_CAP = "narrow-sleeve"
KEEP_SLEEVE = "fit-cap"


def takeable(pattern: Pattern) -> tuple[Join, ...]:
    """The seams that can be taken in: lengthwise ones between body panels, side seams first.

    Of a seam that is told for one hand and in parts for the other, as beside a zip, each edge is there once.
    """
    pattern = laid_open(pattern)
    panels = {piece.id: piece.panel for piece in pattern.pieces}
    # A lining follows what it lies behind; what sews it to an edge is no seam to fit by.
    linings = {layer.piece for layer in pattern.making.layers if layer.kind is LayerKind.LINING}
    found: list[Join] = []
    for join in pattern.making.joins:
        parts = (*join.a, *join.b)
        if any(p.piece in linings for p in parts):
            continue
        if any(p.edge in NOT_TAKEN_IN for p in parts) or len(runs(pattern, join.a)) != len(runs(pattern, join.b)):
            continue
        if all(panels[p.piece] in (Panel.FRONT, Panel.BACK) and _is_lengthwise(pattern, p) for p in parts):
            found.append(join)
    told = [join for join in found if len(runs(pattern, join.a)) > 1 and _is_told(join, found)]
    return tuple(sorted((join for join in found if join not in told), key=lambda j: _rank(j, panels)))


def side_seams(pattern: Pattern) -> tuple[Join, ...]:
    """The seams that are let out or taken in first: between front and back, above and below a waist seam."""
    panels, found = {piece.id: piece.panel for piece in pattern.pieces}, takeable(pattern)
    return tuple(join for join in found if _rank(join, panels) == _rank(found[0], panels))


def _is_told(join: Join, others: Sequence[Join]) -> bool:
    """Whether other seams have every edge of this one."""
    edges = {(p.piece, p.edge) for other in others if other is not join for p in (*other.a, *other.b)}
    return all((p.piece, p.edge) in edges for p in (*join.a, *join.b))


def _is_lengthwise(pattern: Pattern, part: EdgePart) -> bool:
    """Whether an edge runs down the garment rather than across it: a yoke's seam cannot be taken in."""
    shape = next(iter(pattern.piece(part.piece).shapes.values()))
    (x0, y0), (x1, y1) = shape.edges[part.edge][0].start, shape.edges[part.edge][-1].end
    return abs(x1 - x0) > abs(y1 - y0)


def _rank(join: Join, panels: dict[str, Panel]) -> int:
    mixed = panels[join.a[0].piece] is not panels[join.b[0].piece]
    return 0 if mixed and join.a[0].edge != "inseam" else 2 if join.a[0].edge == "inseam" else 1


def edge_count(pattern: Pattern, join: Join) -> int:
    """How many edges of the whole garment a seam's own move with: two, or four where it is sewn on each hand.

    A side seam that is told for one hand, since a zip closes the other, is drawn once for both.
    """
    twins = [j for j in pattern.making.joins if _same_edges(j, join)]
    edges = {(side[0].piece, side[0].edge): replace(side[0], hand=None) for side in (join.a, join.b)}
    drawn = sum(copies(pattern, edge, each_hand=join.each_hand) for edge in edges.values())
    return max(drawn, 4 if join.each_hand else 2 * len(twins))


def _same_edges(one: Join, other: Join) -> bool:
    return [(p.piece, p.edge) for p in (*one.a, *one.b)] == [(p.piece, p.edge) for p in (*other.a, *other.b)]


def sleeve_above(pattern: Pattern, size: str, join: Join) -> str | None:
    """The sleeve whose cap is set into the armhole that a seam runs up to; None for any other seam."""
    fronts_and_backs = {pattern.piece(p.piece).panel for p in (*join.a, *join.b)}
    if fronts_and_backs != {Panel.FRONT, Panel.BACK}:
        return None
    for part in (*join.a, *join.b):
        if not any(pattern.piece(part.piece).has_edge(edge) for edge in ("armhole", RAGLAN)):
            return None
    for other in pattern.making.joins:
        parts = (*other.a, *other.b)
        beside = {p.piece for p in parts} & {p.piece for p in (*join.a, *join.b)}
        set_in = [p for p in parts if pattern.piece(p.piece).panel is Panel.SLEEVE and _is_set_in(p.edge)]
        if set_in and beside:
            return set_in[0].piece
    return None


def _is_set_in(edge: str) -> bool:
    """Whether it is a sleeve's edge at its armhole: the cap, or a raglan's seam to the front or the back."""
    return edge == "cap" or edge.startswith(RAGLAN)


@dataclass(frozen=True)
class Side:
    """One edge of the seam: where it runs in its frame and which way is outwards."""

    xs: tuple[float, ...]
    ys: tuple[float, ...]
    out: float
    width: float
    by: float = 0.0
    """How far it is moved, in mm; what lies behind it is drawn in over at least three times as much."""

    @property
    def reach(self) -> float:
        return max(self.width * REACH, 3 * abs(self.by))

    def depth(self, p: Point) -> float:
        """How far a point lies inside the edge, as a share of its reach."""
        return (interpolate(self.xs, self.ys, p[0]) - p[1]) * self.out / self.reach


def change_at_seam(pattern: Pattern, size: str, join_id: str, by: float, level: str, school: str = "") -> Pattern:
    """Let a seam out (`by` > 0) or take it in, by so much round the whole garment.

    At a `level` the change is greatest there and dies away towards the neighbouring levels, or to where the seam begins
    or ends in another one (at the lowest level it runs on to the hem); with no level it is the same all along, but
    for a seam from the shoulder, which keeps its length. Only the two edges of the seam move, with
    the layers drawn on their pieces, and what the waist seam sews to them where the change reaches it: the seam that
    goes on there, or what `meets_again` finds; a seam of a piece to its own twin is one edge drawn once. Raises
    AlterationError.
    """
    join = next((j for j in takeable(pattern) if j.id == join_id), None)
    if join is None:
        names = ", ".join(j.name.lower() for j in takeable(pattern))
        raise NoPlaceFor(
            "That is no seam that can be taken in or let out.",
            f"There are: {names}." if names else "This pattern does not say which of its edges are sewn together.",
            "at",
        )
    if level and level not in levels_crossed(pattern, size, join):
        crossed = ", ".join(levels_crossed(pattern, size, join))
        raise NoPlaceFor(
            f"The {join.name.lower()} do not cross the {level}.",
            f"They cross: {crossed}." if crossed else "Change the seam all along.",
            "level",
        )
    before = pattern
    for seam in seams_moved(pattern, size, join, level):
        pattern = _moved(pattern, size, seam, by, level, school)
    return meets_again(before, pattern, size)


def seams_moved(pattern: Pattern, size: str, join: Join, level: str) -> tuple[Join, ...]:
    """The seams that change when one is altered at a level: itself, and the one that goes on across the waist where the
    change reaches it."""
    partner = across_the_waist(pattern, join)
    if (
        partner is None
        or level not in ("", WAIST, SEAM_LEVEL)
        or (level and level not in levels_crossed(pattern, size, partner))
    ):
        return (join,)
    return join, partner


def _moved(pattern: Pattern, size: str, join: Join, by: float, level: str, school: str) -> Pattern:
    each = by / edge_count(pattern, join)
    sleeve = sleeve_above(pattern, size, join)
    for one, other in zip(runs(pattern, join.a), runs(pattern, join.b), strict=True):
        edges = {(run[0].piece, run[0].edge): (run, far) for run, far in ((one, other), (other, one))}
        # Above a bust dart the levels of front and back lie its width apart: then each goes by its own.
        first, second = (dict(frame_of(pattern, size, run[0].piece).levels()) for run in (one, other))
        apart = any(abs(first[id] - second[id]) > CROSSES for id in first.keys() & second.keys())
        pairs = edges if apart else dict.fromkeys(edges, (one, other))
        amounts = {at: share_along(pattern, size, run, far, level) for at, (run, far) in pairs.items()}
        for (piece_id, edge), (run, _) in edges.items():
            amount, own = amounts[piece_id, edge], {p.piece for p in run}
            frame = frame_of(pattern, size, piece_id)
            side = _run_side(pattern, size, run)
            _refuse_too_much(piece_id, each, side)
            others = {p.piece for p in (*one, *other)} - own
            along = _going_along(pattern, frame, own, others)
            moved = move_some(pattern, along, size, edge_field(side, amount, each, level_of_tip(frame)), parts=PARTS)
            pattern = with_pieces(moved, (_keep_intake(p, moved.piece(p.id), size) for p in along))
    if sleeve is not None and school != KEEP_SLEEVE:
        front = next(side for side in (join.a, join.b) if pattern.piece(side[0].piece).panel is Panel.FRONT)
        top = min(_run_side(pattern, size, runs(pattern, front)[0]).xs)
        amount = share_along(pattern, size, runs(pattern, join.a)[0], runs(pattern, join.b)[0], level)
        pattern = narrow_underarm(pattern, size, sleeve, -each * amount(top), FADE)
    return pattern


def _keep_intake(before: Piece, after: Piece, size: str) -> Piece:
    """A piece that was moved, with darts, pleats and tucks that take in what they did: they are moved as a whole."""
    for dart in before.darts:
        after = with_intake(after, dart, size, intake(before, dart, size) - intake(after, dart, size))
    return after


def across_the_waist(pattern: Pattern, join: Join) -> Join | None:
    """The seam that goes on where a waist seam crosses this one, so that both are altered in one: a side goes on as a
    side, a centre as a centre. None where there is none, or where gathers or pleats take up what differs; an inner leg
    does not reach the waist."""
    if is_inner_leg(join):
        return None

    def frames(parts: Iterable[EdgePart]) -> set[str]:
        return {pattern.piece(p.piece).frame for p in parts}

    sides = frames((*join.a, *join.b))
    for seam in pattern.making.joins:
        if seam.difference.kind is DifferenceKind.GATHERS or any(p.edge != WAIST for p in (*seam.a, *seam.b)):
            continue
        one, other = frames(seam.a), frames(seam.b)
        if one & other:
            # A facing lies behind what it is sewn to: nothing goes on there.
            continue
        beyond = other if sides <= one else one if sides <= other else set()
        for found in takeable(pattern):
            goes_on = not is_inner_leg(found) and _where(pattern, found) == _where(pattern, join)
            if goes_on and frames((*found.a, *found.b)) <= beyond:
                return found
    return None


def _where(pattern: Pattern, join: Join) -> tuple[frozenset[Panel], bool]:
    """Between which panels a seam runs, and whether it is of pieces with their own twins."""
    one, other = ({p.piece for p in side} for side in (join.a, join.b))
    return frozenset(pattern.piece(id).panel for id in one | other), one == other


def _going_along(pattern: Pattern, frame: Frame, own: set[str], others: set[str]) -> tuple[Piece, ...]:
    """The pieces of a frame that an edge takes along: all but the other side of the seam, that side's layers, and a
    yoke that is sewn to that side alone."""
    theirs = {layer.piece for layer in pattern.making.layers if layer.of in others}
    mine = {layer.piece for layer in pattern.making.layers if layer.of in own}
    theirs |= _yokes_of(pattern, frame, others) - _yokes_of(pattern, frame, own) - own
    return tuple(p for p in frame.pieces if p.id not in others and (p.id in mine or p.id not in theirs))


def _yokes_of(pattern: Pattern, frame: Frame, pieces: set[str]) -> set[str]:
    """The other pieces of the shell, in the same frame, that are sewn to these."""
    shell = {p.id for p in frame.pieces if p.panel is frame.panel} - pieces
    sewn: set[str] = set()
    for join in pattern.making.joins:
        one, other = ({part.piece for part in side} for side in (join.a, join.b))
        sewn |= (other if one & pieces else set()) | (one if other & pieces else set())
    return shell & sewn


def _run_side(pattern: Pattern, size: str, run: Sequence[EdgePart]) -> Side:
    """How a run of a seam lies in its frame; a band let in below the bodice is drawn a little apart from it."""
    piece, edge = pattern.piece(run[0].piece), run[0].edge
    rest = [_as_it_lay(pattern.piece(part.piece), size, part.edge) for part in run[1:]]
    return edge_side(frame_of(pattern, size, piece.id), piece, edge, rest)


def edge_side(frame: Frame, piece: Piece, edge: str, rest: Iterable[Chain] = ()) -> Side:
    """How an edge of a frame's piece runs, led on by what other pieces of the frame have of it: what touches it, and
    the `rest` of its run."""
    chain = _as_it_lay(piece, frame.size, edge)
    chains = (frame.led_on(chain, edge), *(frame.led_on(one, edge) for one in rest))
    points = sorted({point for one in chains for point in flatten(one, ROUGH)})
    # Rings run counter-clockwise: the outside is on the right of the way the edge is walked.
    out = 1.0 if chain[-1].end[0] < chain[0].start[0] else -1.0
    return Side(
        xs=tuple(p[0] for p in points),
        ys=tuple(p[1] for p in points),
        out=out,
        width=max(15.0, _narrowest(frame, piece, edge, chain)),
    )


def _as_it_lay(piece: Piece, size: str, edge: str) -> Chain:
    """An edge; the side of a band let in where it lay before the band was bent."""
    chain = piece.shapes[size].edges[edge]
    if edge != "side" or not is_let_in(piece):
        return chain
    side = Ring.of(piece, size).side()
    return side if chain[-1].end[0] < chain[0].start[0] else tuple(s.reversed() for s in reversed(side))


def _narrowest(frame: Frame, piece: Piece, edge: str, chain: Chain) -> float:
    """The least width of a piece along an edge, in mm."""
    others = [flatten(c, ROUGH) for name, c in piece.shapes[frame.size].edges.items() if name != edge]
    lines = [(a, b) for run in others for a, b in pairwise(run) if a[0] != b[0]]
    low, high = sorted((chain[0].start[0], chain[-1].end[0]))
    mine = sorted(flatten(chain, ROUGH))
    xs, ys = [p[0] for p in mine], [p[1] for p in mine]
    widths = []
    for k in range(2, 7):
        x = low + (high - low) * k / 8
        here = interpolate(xs, ys, x)
        far = [
            abs(a[1] + (b[1] - a[1]) * (x - a[0]) / (b[0] - a[0]) - here)
            for a, b in lines
            if min(a[0], b[0]) <= x <= max(a[0], b[0])
        ]
        widths += [max(far)] if far else []
    return min(widths, default=high - low)


def edge_field(side: Side, amount: Callable[[float], float], each: float, ceiling: float | None = None) -> Field:
    """The map that moves an edge outwards by `each` times what `amount` says of a level, dying away inside."""
    side, top = replace(side, by=each), min(side.xs)
    fade = FADE if ceiling is None else max(10.0, min(FADE, top - ceiling))

    def field(p: Point) -> Point:
        depth = side.depth(p)
        if depth >= 1:
            return p
        above = smooth((p[0] - (top - fade)) / fade) if p[0] < top else 1.0
        return (p[0], p[1] + side.out * each * amount(max(p[0], top)) * above * smooth(1 - depth))

    return field


def _refuse_too_much(piece: str, each: float, side: Side) -> None:
    if -each > 0.4 * side.width:
        raise SeamTooNarrow(piece, side.width)
