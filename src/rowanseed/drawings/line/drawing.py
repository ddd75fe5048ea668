"""The line drawing of a garment: front and back as they would lie, drawn from its composed pieces."""

from __future__ import annotations

import math
from collections.abc import Callable
from dataclasses import dataclass
from itertools import groupby, pairwise
from typing import assert_never
from xml.etree.ElementTree import Element

from rowanseed.core.geometry.outline import Point
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.pattern.below_waist import hangs_below
from rowanseed.core.pattern.double_breasted import rows
from rowanseed.core.pattern.envelope import Figure as Whom
from rowanseed.core.pattern.fastenings import open_edges
from rowanseed.core.pattern.making import INSET_EDGE, Closure, ClosureKind, DifferenceKind, EdgePart
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Mark, Panel, Piece, PointKind
from rowanseed.core.pattern.tiers import LOWER, UPPER, is_tier
from rowanseed.core.pattern.turn_ups import TURN_UPS, turn_up
from rowanseed.drawings.line.dressed import Dressed, Line, Stroke
from rowanseed.drawings.line.fullness import is_pleated
from rowanseed.drawings.line.laid import Laid, along, have_places, laid, sleeve
from rowanseed.drawings.line.let_in import let_in
from rowanseed.drawings.line.parts import Figure, bands, collars
from rowanseed.drawings.line.sewn_on import sewn_on
from rowanseed.drawings.svg import INK, PAPER, QUIET, add, drawing, keep_weight, path_of, write

HIGH, WIDE = 430.0, 300.0
"""Each figure is drawn within so many units."""
MARGIN = 14.0
At = Callable[[Point, int], Point]
"""Where a point of the garment lies on the drawing, by hand: -1 left, 1 right."""
INSIDE = ("bag", "waist-inner")
"""Edges of a pocket's side piece that lie behind the front."""
SEAMS = (
    *("princess", "yoke", "yoke-base", "yoke-side", "base", "front", "centre", "waist", "opening", "roll", "mouth"),
    *(UPPER, LOWER),
)
"""Edges that are drawn finer than the outline."""
BETWEEN_WIDTHS = ("inner", "outer")
"""Edges of the widths of a tier: such a seam is lost in the folds."""
GORES = ("front", "back")
"""Edges of a gore, which lie inside or at the side by what they are sewn to."""
STROKES = 26.0
"""Gathers are drawn as strokes so far apart, in mm."""


def can_be_drawn(pattern: Pattern) -> bool:
    """Whether a line drawing tells what the garment looks like: it was described, or its pieces have their places."""
    return bool(pattern.description) or have_places(pattern)


def line_drawing(pattern: Pattern, *, linked: bool = False, small: bool = False) -> str:
    """Front and back side by side, in the middle size; described in words for those who do not see it.

    `linked` makes each part a link to its choices: `#part-front`, `#part-sleeve`. `small` leaves front and back unnamed
    and draws lines that keep their weight at whatever size it is shown.
    """
    size = pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]
    views = [view for panel in (Panel.FRONT, Panel.BACK) if (view := _View.of(pattern, panel, size)).pieces]
    points = [q for view in views for q in view.points()]
    if not points:
        return write(drawing(WIDE, HIGH, f"{pattern.name}, line drawing", _words(pattern), class_="line-drawing"))
    x0, _, x1, _ = bounds(points)
    scale = min(HIGH / (x1 - x0), WIDE / 2 / max(1.0, *(abs(q[1]) for q in points)))
    high = (x1 - x0) * scale
    # Links inside make a group of it: an image has nothing to be reached in.
    root = drawing(
        (WIDE + MARGIN) * len(views) + MARGIN,
        high + 2 * MARGIN + (0 if small else 18),
        f"{pattern.name}, line drawing",
        _words(pattern),
        class_="line-drawing",
        **({"role": "group"} if linked else {}),
    )

    def at(q: Point, hand: int) -> Point:
        return (hand * q[1] * scale, (q[0] - x0) * scale)

    for k, view in enumerate(views):
        middle = MARGIN + WIDE / 2 + k * (WIDE + MARGIN)
        group = add(root, "g", transform=f"translate({middle:.1f} {MARGIN})", stroke_linejoin="round", fill=PAPER)
        _draw(group, view, at, linked=linked)
        if not small:
            words = view.panel.words
            add(root, "text", words, x=middle, y=high + MARGIN + 24, text_anchor="middle", font_size=17, fill=QUIET)
    if small:
        keep_weight(root)
    return write(root)


@dataclass(frozen=True)
class _View:
    """One side of a garment: its panels, its sleeve, and what is sewn to its neck and waist."""

    pattern: Pattern
    panel: Panel
    size: str
    pieces: tuple[Laid, ...]
    sleeves: tuple[list[Point], ...]
    parts: tuple[tuple[str, list[Point]], ...]
    sewn_on: tuple[Stroke, ...]
    hands: tuple[int, int]
    """The hand that lies beneath where edges lap, and the one over it."""

    @classmethod
    def of(cls, pattern: Pattern, panel: Panel, size: str) -> _View:
        pieces = let_in(tuple(laid(pattern, panel, size)))
        figure = Figure(pattern, tuple(q for one in pieces for q in one.edges.items()), panel is Panel.FRONT)
        sleeves = tuple(sleeve(pattern, list(pieces), size))
        parts = (*collars(figure), *bands(figure))
        dressed = Dressed(pattern, size, panel is Panel.FRONT, pieces, sleeves)
        strokes = tuple(sewn_on(dressed)) if pieces else ()
        return cls(pattern, panel, size, pieces, sleeves, parts, strokes, (-dressed.over, dressed.over))

    @property
    def is_front(self) -> bool:
        return self.panel is Panel.FRONT

    def points(self) -> list[Point]:
        runs = [*self.sleeves, *(ring for _, ring in self.parts), *(stroke.run for stroke in self.sewn_on)]
        runs += [run for one in self.pieces for run in one.edges.values()]
        return [q for run in runs for q in run]


def _draw(group: Element, view: _View, at: At, *, linked: bool) -> None:
    """One view from the back to the front: sleeves, panels, what lies inside them, collar and bands."""

    led_to = set[str]()

    def part(name: str) -> Element:
        if not linked:
            return group
        # The tab key comes to each part once; a tap anywhere on it leads to its choices.
        again = {"tabindex": "-1"} if name in led_to else {}
        led_to.add(name)
        return add(group, "a", href=f"#part-{name}", aria_label=f"{name}, its choices", **again)

    def over(where: Element, ring: list[Point]) -> None:
        for hand in view.hands:
            add(where, "path", d=path_of([at(q, hand) for q in ring]), stroke=INK, stroke_width=1.6)

    for run in view.sleeves:
        over(part("sleeve"), run)
    for lower in (False, True):
        own = [one for one in view.pieces if _is_lower(one.piece) is lower]
        where = part(_part_of(view.pattern, view.panel, lower=lower)) if own else group
        for hand in view.hands:
            # What laps over covers what lies inside the edges beneath.
            for one in own:
                _outline(where, view.pattern, one, hand, at)
            for one in own:
                _inside(where, view, one, hand, at)
    for name, ring in view.parts:
        where = part(name)
        for hand in view.hands:
            add(where, "path", d=path_of([at(q, hand) for q in ring]), stroke="none")
            add(where, "path", d=path_of([at(q, hand) for q in ring], closed=False), stroke=INK, stroke_width=1.6)
    for name, strokes in groupby(view.sewn_on, key=lambda stroke: stroke.part):
        where = part(name)
        for stroke in strokes:
            _stroke(where, stroke, at)


def _stroke(where: Element, stroke: Stroke, at: At) -> None:
    for hand in stroke.hands:
        run = [at(q, hand) for q in stroke.run]
        match stroke.line:
            case Line.FILLED:
                add(where, "path", d=path_of(run), stroke=INK, stroke_width=1.2, fill=PAPER)
            case Line.BOLD:
                add(where, "path", d=path_of(run, closed=False), stroke=INK, stroke_width=2.6, fill="none")
            case Line.DASHED:
                dash = {"stroke_dasharray": "4 3", "fill": "none"}
                add(where, "path", d=path_of(run, closed=False), stroke=QUIET, stroke_width=0.9, **dash)
            case Line.ZIP:
                _teeth(where, *run)
            case Line.FINE:
                add(where, "path", d=path_of(run, closed=False), stroke=QUIET, stroke_width=1, fill="none")
            case _:
                assert_never(stroke.line)


def _is_lower(piece: Piece) -> bool:
    return hangs_below(piece.frame)


def _part_of(pattern: Pattern, panel: Panel, *, lower: bool) -> str:
    """Which part of the form a piece's choices are in."""
    if pattern.garment == "trousers" or (lower and pattern.garment == "jumpsuit"):
        return "legs"
    return "skirt" if lower or pattern.garment in ("skirt", "apron") else panel.value


def _words(pattern: Pattern) -> str:
    closures = ", ".join(dict.fromkeys(c.kind.words for c in pattern.making.closures))
    details = ", ".join(dict.fromkeys(d.kind.words for d in pattern.making.details))
    seen = (p for p in pattern.pieces if p.panel is not Panel.OTHER)
    pieces = ", ".join(dict.fromkeys(p.name.lower() for p in seen))
    return (
        f"Drawn from its pieces: {pieces}."
        + (f" Closes by {closures}." if closures else "")
        + (f" With {details}." if details else "")
    )


def _is_inside(pattern: Pattern, piece: Piece, edge: str) -> bool:
    """Whether an edge lies inside its side of the garment: sewn to a panel of that side, or by its name."""
    panels = {one.id: one.panel for one in pattern.pieces}
    beside = set()
    for join in pattern.making.joins:
        for own, other in ((join.a, join.b), (join.b, join.a)):
            if any((p.piece, p.edge) == (piece.id, edge) for p in own) and len(own) == len(other) == 1:
                beside.add(panels.get(other[0].piece))
    if piece.panel in beside:
        return True
    across = {Panel.FRONT, Panel.BACK} - {piece.panel}
    return edge in (*SEAMS, INSET_EDGE) and not (edge in GORES and beside & across)


def _outline(group: Element, pattern: Pattern, one: Laid, hand: int, at: At) -> None:
    # Of what goes on behind as a pocket's bag the corner that is seen is cloth, as far as the mouth.
    seen = [run for name, run in one.edges.items() if name not in INSIDE]
    ring = [at(q, hand) for run in seen for q in (run if len(seen) < len(one.edges) else run[:-1])]
    add(group, "path", d=path_of(ring), stroke="none", fill=PAPER)
    if one.back:
        add(group, "path", d=path_of([at(q, hand) for q in one.back]), stroke="none", fill=PAPER)
    folds = {cut.fold for cut in one.piece.cuts}
    for name, run in one.edges.items():
        if name in folds or name in INSIDE:
            continue
        if name == "princess" and one.piece.has_edge("side"):
            continue
        if name in BETWEEN_WIDTHS and is_tier(one.piece):
            continue
        if name == "hem" or (name == "wrist" and one.piece.has_edge("hem")):
            if ("hem", TURN_UPS) in pattern.making.ways:
                _turn_up(group, run, turn_up(is_child=pattern.envelope.figure is Whom.CHILDREN), hand, at)
            elif not _is_sewn(pattern, one.piece.id, name):
                _hem_line(group, run, one.piece.edge(name).allowance, hand, at)
        seam = _is_inside(pattern, one.piece, name)
        add(
            group,
            "path",
            d=path_of([at(q, hand) for q in run], closed=False),
            stroke=INK,
            stroke_width=1.1 if seam else 1.9,
            fill="none",
        )


def _is_sewn(pattern: Pattern, piece: str, edge: str) -> bool:
    """Whether a band, a cuff or a ruffle is sewn to an edge, and it is no hem."""
    return any((p.piece, p.edge) == (piece, edge) for join in pattern.making.joins for p in (*join.a, *join.b))


def _turn_up(group: Element, run: list[Point], wide: float, hand: int, at: At) -> None:
    """The upper edge of what is turned up."""
    ends = [at((x - wide, y), hand) for x, y in run]
    add(group, "path", d=path_of(ends, closed=False), stroke=INK, stroke_width=1.4, fill="none")


def _hem_line(group: Element, run: list[Point], deep: float, hand: int, at: At) -> None:
    """The hem's stitching, dashed above its edge."""
    if deep < 8.0:
        return
    ends = [at((x - min(deep, 45.0), y), hand) for x, y in run]
    add(
        group,
        "path",
        d=path_of(ends, closed=False),
        stroke=QUIET,
        stroke_width=0.9,
        stroke_dasharray="4 3",
        fill="none",
    )


def _inside(group: Element, view: _View, one: Laid, hand: int, at: At) -> None:
    pattern, size = view.pattern, view.size
    piece = one.piece
    for name in _gathered(pattern, piece.id):
        _strokes(group, one.edges[name], hand, at)
    for dart in piece.darts:
        point = dart.point[size]
        marks = [piece.mark(leg) for leg in dart.legs]
        chain = one.edges[dart.edge]
        legs = [along(chain, mark.distance[size], from_end=mark.anchor == "end") for mark in marks]
        tip = one.at(point)
        for leg in legs:
            # A pleat or a tuck runs down straight; a dart's legs meet.
            far = (tip[0], leg[1]) if dart.is_folded else tip
            ends = [at(leg, hand), at(far, hand)]
            add(group, "path", d=path_of(ends, closed=False), stroke=QUIET, stroke_width=1, fill="none")
    columns = rows(piece, size)
    if hand == view.hands[-1]:
        for q in piece.points:
            if q.kind in (PointKind.BUTTON, PointKind.BUTTONHOLE) and size in q.at:
                down, out = one.at(q.at[size])
                x, y = at((down, out if columns else 0.0), hand)
                add(group, "circle", cx=x, cy=y, r=3.2, stroke=INK, stroke_width=1.2, fill=PAPER)
            if q.kind is PointKind.TIE and size in q.at:
                x, y = at((one.at(q.at[size])[0], 0.0), 1)
                for by in (-6.0, 6.0):
                    ends = [(x, y), (x + by, y - 5.0), (x + by, y + 2.0), (x, y), (x + by / 2, y + 11.0)]
                    add(group, "path", d=path_of(ends, closed=False), stroke=INK, stroke_width=1.2, fill="none")
        _zip(group, pattern, one, at, size, is_front=view.is_front)


def _gathered(pattern: Pattern, piece: str) -> tuple[str, ...]:
    """The edges of a piece that are drawn in where they are sewn; pleats are shown as they fall."""
    if is_pleated(pattern, piece):
        return ()
    return tuple(
        part.edge
        for join in pattern.making.joins
        if join.difference.kind is DifferenceKind.GATHERS
        for part in join.a
        if part.piece == piece
    )


def _strokes(group: Element, run: list[Point], hand: int, at: At) -> None:
    """Short lines away from an edge that is drawn in, long and short in turn."""
    long = sum(math.dist(a, b) for a, b in pairwise(run))
    number = max(1, round(long / STROKES))
    for k in range(number):
        p = along(run, (k + 0.5) * long / number, from_end=False)
        ends = [at(p, hand), at((p[0] + 28 + 14 * (k % 2), p[1] * 1.03), hand)]
        add(group, "path", d=path_of(ends, closed=False), stroke=QUIET, stroke_width=0.9, fill="none")


def _zip(group: Element, pattern: Pattern, one: Laid, at: At, size: str, *, is_front: bool) -> None:
    for closure in pattern.making.closures:
        if closure.kind is ClosureKind.SEPARATING_ZIP:
            for p in open_edges(pattern.making.join(closure.join)):
                if p.piece == one.piece.id:
                    _teeth(group, at(one.edges[p.edge][0], 1), at(one.edges[p.edge][-1], 1))
            continue
        if closure.to_mark is None or not closure.kind.value.endswith("zip"):
            continue
        mark = pattern.piece(closure.to_mark[0]).mark(closure.to_mark[1])
        join = next((j for j in pattern.making.joins if j.id == closure.join), None)
        above = (
            [p.edge for p in _above(join.a, (closure.to_mark[0], mark)) if p.piece == one.piece.id]
            if join is not None
            else []
        )
        if one.piece.id == closure.to_mark[0]:
            run = one.edges[mark.edge]
            end = along(run, mark.distance[size], from_end=mark.anchor == "end")
            begin = run[-1] if mark.anchor == "end" else run[0]
            begin = _where_it_begins(pattern, closure, one, size) or begin
        elif above and above[0] in one.edges and join is not None and len(join.a) > 1:
            # A zip that runs on past the waist: all of the seam above it, or down from its upper mark.
            begin, end = one.edges[above[0]][0], one.edges[above[0]][-1]
            upper = _where_it_begins(pattern, closure, one, size)
            begin, end = (begin, upper) if upper is not None else (begin, end)
        else:
            continue
        # At the side it is on the wearer's left: on the right of the front view, on the left of the back.
        hand = 1 if is_front or mark.edge != "side" else -1
        _teeth(group, at(begin, hand), at(end, hand))


def _above(parts: tuple[EdgePart, ...], mark: tuple[str, Mark]) -> tuple[EdgePart, ...]:
    """The edges of a seam above the one that has a zip's end: centres run from the top, sides from the hem."""
    piece, end = mark
    k = next((k for k, p in enumerate(parts) if (p.piece, p.edge) == (piece, end.edge)), 0)
    return parts[k + 1 :] if end.anchor == "end" else parts[:k]


def _where_it_begins(pattern: Pattern, closure: Closure, one: Laid, size: str) -> Point | None:
    """The upper mark of a zip that lies between two, if it is on this piece."""
    if closure.from_mark is None or closure.from_mark[0] != one.piece.id:
        return None
    mark = pattern.piece(closure.from_mark[0]).mark(closure.from_mark[1])
    return along(one.edges[mark.edge], mark.distance[size], from_end=mark.anchor == "end")


def _teeth(group: Element, begin: Point, end: Point) -> None:
    """A closed zip, seen from outside."""
    add(
        group,
        "path",
        d=path_of([begin, end], closed=False),
        stroke=INK,
        stroke_width=3,
        stroke_dasharray="2 3",
        fill="none",
        class_="zip",
    )
