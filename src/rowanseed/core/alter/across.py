"""Wedges across the front or the back: so much at the centre, nothing at the side seam, over all its panels.

A sway back, a full abdomen, a full or flat seat: the same construction at another level. A garment that begins at
the waist has the wedge at its upper edge; one that goes on above it has it folded out or spread at the level.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import dataclass
from functools import cached_property

from rowanseed.core.alter.deform import Field, interpolate, smooth
from rowanseed.core.alter.frame import Frame, frame_of, frames, move
from rowanseed.core.alter.kind import OnTissue
from rowanseed.core.alter.seam import takeable
from rowanseed.core.base.craft_refusals import MoreThanItBears, NoPlaceFor
from rowanseed.core.geometry.outline import Chain, Point, flatten
from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel
from rowanseed.core.pattern.turned_yoke import YOKE
from rowanseed.core.pattern.walk import part_length

PARTS = 4
FOLD = 90.0
"""Half the height, in mm, over which the wedge is taken: as a fish-eye fold tapers."""
ENDS = 20.0
"""Pieces that end so near below a level, in mm, end at it."""
MOST_WEDGE = 60.0
"""A greater wedge, in mm, bends the centre seam too far (common practice, no source)."""
SAME = 0.02
"""An edge this near to its length before, in mm, has it again."""
ROUNDS = 8
NEARBY = 5.0
WAIST, PRINCESS = "waist", "princess"
CENTRES = ("centre", "crotch", "opening")
SIDES = ("side", "outseam")


@dataclass(frozen=True)
class Span:
    """One panel of the way from the centre to the side seam: its inner and outer edge, and the shares there."""

    frame: Frame
    inner: Chain | None
    outer: Chain | None
    first: float
    last: float

    def share(self, p: Point) -> float:
        """1 at the centre of the body, 0 at the side seam."""
        within, beyond = self.reach(p[0])
        outwards = 1.0 if beyond >= within else -1.0
        begins, ends = sorted(outwards * (y - within) for y in self._gap(p[0], within))
        # Across a seam inside the panel it goes on as it does once that is sewn: what lies between is no cloth.
        out = outwards * (p[1] - within)
        out -= min(max(out - begins, 0.0), ends - begins)
        whole = abs(beyond - within) - (ends - begins)
        across = out / whole if whole > 0 else 0.0
        return self.first + (self.last - self.first) * min(max(across, 0.0), 1.0)

    def reach(self, x: float) -> tuple[float, float]:
        """(inner, outer) y of the panel at a level down it."""
        return self._within(x), self._beyond(x)

    def _gap(self, x: float, otherwise: float) -> tuple[float, float]:
        """From where to where its princess seam takes a panel in at a level, if both its edges are drawn in its
        frame."""
        edges = self._princesses
        return (otherwise, otherwise) if edges is None else (edges[0](x), edges[1](x))

    @cached_property
    def _princesses(self) -> tuple[Callable[[float], float], Callable[[float], float]] | None:
        inner, outer = (self._princess(*names) for names in (CENTRES, SIDES))
        return None if inner is None or outer is None else (_y_along(inner, 0.0), _y_along(outer, 0.0))

    def _princess(self, *names: str) -> Chain | None:
        """The princess edge of the first piece that has one of these edges too."""
        pieces = (p for p in self.frame.pieces if p.has_edge(PRINCESS) and any(p.has_edge(name) for name in names))
        found = next(pieces, None)
        return None if found is None else found.shapes[self.frame.size].edges[PRINCESS]

    @cached_property
    def _within(self) -> Callable[[float], float]:
        return _y_along(self.inner, self.frame.centre_y())

    @cached_property
    def _beyond(self) -> Callable[[float], float]:
        centre = self.frame.centre_y()
        _, left, _, right = self.frame.bounds()
        return _y_along(self.outer, max(left, right, key=lambda y: abs(y - centre)))

    def slant(self, x: float) -> float:
        """How far the outer edge goes outwards for each mm down; moved square to it, it keeps its length."""
        return (self.reach(x + NEARBY)[1] - self.reach(x - NEARBY)[1]) / (2 * NEARBY)


def _y_along(edge: Chain | None, otherwise: float) -> Callable[[float], float]:
    """A level → how far out an edge stands there. It is asked at every point that is moved, and measured once."""
    if edge is None:
        return lambda x: otherwise
    points = sorted(flatten(edge, 1.0))
    xs, ys = [q[0] for q in points], [q[1] for q in points]
    return lambda x: interpolate(xs, ys, x)


def spans(pattern: Pattern, size: str, panel: Panel, level: str = "") -> tuple[Span, ...]:
    """The panels of the front or the back from the centre to the side seam, shared out by their width.

    Of a garment with a seam at the waist those that say where a `level` is: a hip is the skirt's.
    """
    ways = [_way(pattern, size, panel, frame) for frame in _centred(pattern, size, panel)]
    with_level = (way for way in ways if all(frame.level(level) is not None for frame, _, _ in way))
    way = next(with_level, ways[0] if ways else [])
    widths = [max(1.0, _width(*step)) for step in way]
    whole, before, out = sum(widths), 0.0, list[Span]()
    for (frame, inner, outer), wide in zip(way, widths, strict=True):
        out.append(_span(frame, inner, outer, first=1 - before / whole, last=1 - (before + wide) / whole))
        before += wide
    return tuple(out)


Step = tuple[Frame, str | None, str | None]
"""A frame, and the names of its inner and its outer edge."""


def _centred(pattern: Pattern, size: str, panel: Panel) -> list[Frame]:
    return [f for f in frames(pattern, size) if f.panel is panel and any(f.edge(c) for c in CENTRES)]


def _way(pattern: Pattern, size: str, panel: Panel, frame: Frame) -> list[Step]:
    """The frames from one at the centre to the side seam."""
    # An opening laps over the centre; the centre line itself is the frame's.
    inner = next((c for c in CENTRES if c != "opening" and frame.edge(c)), None)
    way: list[Step] = []
    while True:
        following = _next(pattern, frame, panel, inner, {f.name for f, _, _ in way})
        if following is None:
            way.append((frame, inner, _to_the_side(pattern, frame, inner)))
            return way
        outer, piece, inner_there = following
        way.append((frame, inner, outer))
        frame, inner = frame_of(pattern, size, piece), inner_there


def _seams_of(pattern: Pattern, frame: Frame, inner: str | None) -> Iterator[tuple[EdgePart, EdgePart]]:
    """(its own edge, the other one) of every lengthwise seam that leaves a frame elsewhere than at its inner edge."""
    ids = {p.id for p in frame.pieces}
    for join in takeable(pattern):
        for part, other in ((join.a[0], join.b[0]), (join.b[0], join.a[0])):
            if part.piece in ids and other.piece not in ids and part.edge != inner:
                yield part, other


def _next(
    pattern: Pattern, frame: Frame, panel: Panel, inner: str | None, seen: set[str]
) -> tuple[str, str, str] | None:
    """(outer edge, piece, that piece's inner edge) of the next panel of the same half towards the side seam."""
    for part, other in _seams_of(pattern, frame, inner):
        beyond = pattern.piece(other.piece)
        if beyond.panel is panel and beyond.frame not in seen:
            return part.edge, beyond.id, other.edge
    return None


def _to_the_side(pattern: Pattern, frame: Frame, inner: str | None) -> str | None:
    """The edge that is sewn to the other half of the body: by one of the usual names, or else what a seam tells."""
    named = next((side for side in SIDES if side != inner and frame.edge(side)), None)
    return named or next((part.edge for part, _ in _seams_of(pattern, frame, inner)), None)


def _span(frame: Frame, inner: str | None, outer: str | None, *, first: float, last: float) -> Span:
    return Span(
        frame=frame,
        inner=_whole_edge(frame, inner) if inner else None,
        outer=_whole_edge(frame, outer) if outer else None,
        first=first,
        last=last,
    )


def _whole_edge(frame: Frame, name: str) -> Chain | None:
    edge = frame.edge(name)
    return None if edge is None else frame.led_on(edge, name)


def _width(frame: Frame, inner: str | None, outer: str | None) -> float:
    """How wide a panel is at its waist, or where it begins."""
    x = frame.level("waist") or frame.level("hip") or frame.bounds()[0]
    within, beyond = _span(frame, inner, outer, first=1.0, last=0.0).reach(x)
    return abs(beyond - within)


def has_wedge(pattern: Pattern, size: str, panel: Panel, level: str) -> bool:
    """Whether the front or the back says where a level is, from its centre on."""
    found = spans(pattern, size, panel, level)
    return bool(found) and all(span.frame.level(level) is not None for span in found)


def _is_top(frame: Frame, level: str) -> bool:
    x = frame.level(level)
    return x is not None and x < frame.bounds()[0] + FOLD


def _is_end(frame: Frame, level: str) -> bool:
    """Whether the pieces end at the level, as a bodice does at its waist seam."""
    x = frame.level(level)
    return x is not None and x > frame.bounds()[2] - ENDS


def wedge(pattern: Pattern, size: str, panel: Panel, level: str, by: float) -> Pattern:
    """Spread the front or back at a level by `by` mm at its centre (fold it out if negative), nothing at the side.

    Raises AlterationError where the level is not drawn or the wedge would bend the centre too far.
    """
    found = spans(pattern, size, panel, level)
    if not found or not has_wedge(pattern, size, panel, level):
        raise NoPlaceFor(f"No {panel.words} piece says where the {level} is.")
    if abs(by) > MOST_WEDGE:
        raise MoreThanItBears(abs(by), MOST_WEDGE, "Change it by less: it bends the centre too far.")
    hangs = _is_top(found[0].frame, "waist")
    for span in found:
        x = span.frame.level(level) or 0.0
        spread = _raised(span, x, by) if hangs else _spread(span, x, by)
        pattern = _with_its_waist(pattern, span, spread)
    return pattern


def _with_its_waist(pattern: Pattern, span: Span, spread: Field) -> Pattern:
    """A panel moved by a map; an edge at the waist that the map sets aslant stays as long as it was.

    Slashed and turned at the side seam the edge would keep its length by itself; here the panel is narrowed there by
    as much, dying away over the height of the wedge.
    """
    size = span.frame.size
    edge = next((EdgePart(p.id, WAIST) for p in span.frame.pieces if p.has_edge(WAIST)), None)
    frame = frame_of(pattern, size, span.frame.pieces[0].id)
    if edge is None:
        return move(pattern, frame, spread, parts=PARTS)
    goal = part_length(pattern, size, edge)
    ends = [q[0] for q in flatten(pattern.piece(edge.piece).shapes[size].edges[WAIST], 1.0)]
    level = sum(ends) / len(ends)
    seam = _yoke_ends(span.frame)
    height = 2 * FOLD if seam is None else min(2 * FOLD, seam - level)

    def moved(narrowed: float) -> Pattern:
        def field(p: Point) -> Point:
            down, across = spread(p)
            within, _ = span.reach(p[0])
            inwards = (p[1] - within) * narrowed * (1 - smooth(abs(p[0] - level) / height))
            return (down + inwards * span.slant(p[0]), across - inwards)

        return move(pattern, frame, field, parts=PARTS)

    one, two = 0.0, 0.01
    missing = part_length(moved(one), size, edge) - goal
    if abs(missing) < SAME:
        return moved(one)
    for _ in range(ROUNDS):
        now = moved(two)
        left = part_length(now, size, edge) - goal
        if abs(left) < SAME or left == missing:
            break
        one, two, missing = two, two - left * (two - one) / (left - missing), left
    return now


def _raised(span: Span, x: float, by: float) -> Field:
    """A garment that hangs from the waist is cut higher above the level, so that its hem stays level.

    What hangs from the crotch, or from a yoke, stays as it is.
    """
    begins = max(span.frame.bounds()[0], x - FOLD)
    crotch, seam = _crotch_level(span.frame), _yoke_ends(span.frame)
    over = min([2 * FOLD, *(end - begins for end in (crotch, seam) if end is not None)])
    return lambda p: (p[0] - by * span.share(p) * (1 - smooth((p[0] - begins) / over)), p[1])


def _crotch_level(frame: Frame) -> float | None:
    """Where the inner leg begins, on a leg."""
    inseam = frame.edge("inseam")
    return None if inseam is None else min(inseam[0].start[0], inseam[-1].end[0])


def _yoke_ends(frame: Frame) -> float | None:
    """Where a yoke that lies by itself, fullness hanging from it, ends at its highest."""
    if not all(piece.has_edge(WAIST) and piece.has_edge(YOKE) for piece in frame.pieces):
        return None
    return min(p[0] for piece in frame.pieces for p in flatten(piece.shapes[frame.size].edges[YOKE], 1.0))


def _spread(span: Span, x: float, by: float) -> Field:
    """All of it above the lower end, where that is near."""
    begins = min(x + FOLD, span.frame.bounds()[2]) - 2 * FOLD
    return lambda p: (p[0] + by * span.share(p) * smooth((p[0] - begins) / (2 * FOLD)), p[1])


def told(tissue: OnTissue, panel: Panel, level: str, *, more: bool) -> tuple[str, ...]:
    """The wedge as a person does it on the tissue; `more` whether length is given."""
    pattern, figure, name = tissue.pattern, tissue.figure, panel.words
    frame = spans(pattern, tissue.size, panel, level)[0].frame
    darts = any(piece.darts for piece in pattern.pieces if piece.panel is panel)
    folded = "; fold the darts closed while you cut it" if darts else ""
    if _is_top(frame, level):
        return (
            f"At the centre {name} mark a point {figure} {'above' if more else 'below'} the upper edge.",
            f"Draw the edge from there to nothing at the side seam, over every panel of the {name}{folded}.",
        )
    if _is_end(frame, level):
        return (
            f"At the centre {name} mark a point {figure} {'below' if more else 'above'} the edge at the {level}.",
            f"Draw the edge from there to nothing at the side seam, over every panel of the {name}{folded}.",
        )
    done = "Slash and spread" if more else "Fold out"
    return (
        f"Draw a line across the {name} at the {level}, from the centre to the side seam.",
        f"{done} a wedge along it: {figure} at the centre, nothing at the side.",
        f"Draw the centre {name} straight again, and the grainline along it.",
    )
