"""Notches: single ones where a seam belongs to the front, double ones where it belongs to the back.

Both sides of a seam carry them at one distance from the same end, so that they meet in whatever size is cut. Where they
stand is common practice, no source.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator, Mapping

from shapely.geometry import LineString
from shapely.geometry import Point as Spot

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.two_piece import UNDERARM
from rowanseed.core.geometry.outline import chain_length, flatten
from rowanseed.core.pattern.making import DifferenceKind, EdgePart, Join
from rowanseed.core.pattern.pieces import InnerLine, LineKind, Mark, MarkKind, Panel, Piece

Distance = Callable[[Size], float]
Places = Mapping[str, float]
"""A distance a size, in mm."""

FRONT_ARMHOLE, BACK_ARMHOLE = 0.32, 0.36
"""The notch of an armhole stands so far up from the side seam, as a share of its half."""
CROTCH, MOST_OF_CROTCH = 0.3, 80.0
"""And that of a crotch so far from the inner leg seam, as a share of its edge, but no more mm."""
CLEAR = 40.0
"""A notch keeps so far from the ends of its edge, in mm; what is shorter has none."""
ON_AN_ARMHOLE = 15.0
"""On an armhole, which may be cut up by seams, so far."""
LEVELS = {"side": ("waist", "hip"), "outseam": ("hip",), "princess": ("bust", "waist"), "inseam": ()}
"""The levels at which seams are matched, by the edges that they join."""
BY_HALF = ("raglan", "inseam", "front", "back")
"""Edges that no level crosses: they are matched at their middle, as others are where none is clear of their ends."""


def notch(build: Build) -> None:
    """Notch what is composed, all of it: linings are sewn by notches as the garment is."""
    for join in tuple(build.joins):
        if any(p.edge == "cap" for p in join.a):
            _armholes(build, join)
        elif _is_crotch(join):
            _crotch(build, join)
        else:
            _along(build, join)
    for id in [piece.id for piece in build.pieces.values() if _is_sewn_to_itself(build, piece)]:
        _on_crotch(build, id)


def _mark(build: Build, part: EdgePart, id: str, *, anchor: str, at: Places, double: bool) -> None:
    """A notch on an edge, once."""
    kind = MarkKind.DOUBLE_NOTCH if double else MarkKind.NOTCH
    if all(mark.id != id for mark in build.pieces[part.piece].marks):
        build.mark(part.piece, Mark(id, kind, part.edge, anchor, {size: round(mm, 1) for size, mm in at.items()}))


def _long(build: Build, part: EdgePart, size: Size) -> float:
    return chain_length(build.edge(part.piece, part.edge, size))


def _beside(piece: Piece, edge: str) -> tuple[str, str]:
    """The edges before and after one in its ring."""
    names = [one.name for one in piece.edges]
    k = names.index(edge)
    return names[k - 1], names[(k + 1) % len(names)]


# ---------------------------------------------------------------- sleeves in armholes


def _armholes(build: Build, join: Join) -> None:
    for panel, share in ((Panel.FRONT, FRONT_ARMHOLE), (Panel.BACK, BACK_ARMHOLE)):
        half = _from_below(build, [p for p in join.b if build.pieces[p.piece].panel is panel and p.edge == "armhole"])
        taken = _by_the_under_sleeve(build, join, is_front=panel is Panel.FRONT)
        if not half or taken is None or _under_the_arm(build.pieces[half[0].piece]) is None:
            continue

        def wanted(size: Size, half: list[EdgePart] = half, share: float = share, taken: Distance = taken) -> float:
            """So far from the underarm, and clear of the under sleeve's seam."""
            at = share * sum(_long(build, p, size) for p in half)
            return max(at, taken(size) + CLEAR) if taken(size) else at

        carrier = _carrier(build, half, wanted)
        before = half[: half.index(carrier)]

        def at(size: Size, before: list[EdgePart] = before, on: EdgePart = carrier, wanted: Distance = wanted) -> float:
            """Along its piece from the lower end, clear of both ends of that."""
            own = wanted(size) - sum(_long(build, p, size) for p in before)
            return min(max(own, ON_AN_ARMHOLE), _long(build, on, size) - ON_AN_ARMHOLE)

        def on_cap(size: Size, at: Distance = at, before: list[EdgePart] = before, taken: Distance = taken) -> float:
            return at(size) + sum(_long(build, p, size) for p in before) - taken(size)

        if min(on_cap(size) for size in build.figures.sizes) < ON_AN_ARMHOLE:
            continue
        double, name = panel is Panel.BACK, panel.value
        _mark(build, carrier, f"armhole-{name}", anchor=_lower_end(build, carrier), at=build.each(at), double=double)
        _mark(
            build, join.a[0], f"cap-{name}", anchor="start" if double else "end", at=build.each(on_cap), double=double
        )


def _from_below(build: Build, parts: list[EdgePart]) -> list[EdgePart]:
    """The edges of half an armhole, from the side seam up."""
    size = build.figures.sizes[0]
    return sorted(parts, key=lambda p: -max(q[0] for s in build.edge(p.piece, p.edge, size) for q in (s.start, s.end)))


def _carrier(build: Build, half: list[EdgePart], wanted: Distance) -> EdgePart:
    """The piece that a notch falls on in the middle size."""
    size = build.figures.sizes[len(build.figures.sizes) // 2]
    gone = 0.0
    for part in half:
        gone += _long(build, part, size)
        if wanted(size) <= gone - ON_AN_ARMHOLE:
            return part
    return half[-1]


def _under_the_arm(piece: Piece) -> str | None:
    """Which end of a piece's armhole the side seam ends at; None where it does not reach it."""
    before, after = _beside(piece, "armhole")
    return "start" if before == "side" else "end" if after == "side" else None


def _by_the_under_sleeve(build: Build, join: Join, *, is_front: bool) -> Distance | None:
    """What of half an armhole an under sleeve goes into, from the underarm up: nothing where the sleeve is in one
    piece; None where nothing says it."""
    caps = [p for p in join.a if p.edge == "cap"]
    if len(caps) == 1:
        return lambda size: 0.0
    marks = build.pieces[caps[1].piece].marks
    dot = next((mark for mark in marks if mark.id == UNDERARM), None)
    if dot is None:
        return None

    def taken(size: Size) -> float:
        ahead = dot.distance[size.name]
        return ahead if is_front else _long(build, caps[1], size) - ahead

    return taken


# ---------------------------------------------------------------- crotches


def _is_crotch(join: Join) -> bool:
    return all(p.edge == "crotch" for p in (*join.a, *join.b))


def _is_sewn_to_itself(build: Build, piece: Piece) -> bool:
    """Whether a piece has a crotch that left and right are sewn along."""
    return piece.has_edge("crotch") and piece.has_edge("inseam")


def _crotch(build: Build, join: Join) -> None:
    for p in (*join.a, *join.b):
        if build.pieces[p.piece].has_edge("inseam"):
            _on_crotch(build, p.piece)


def _on_crotch(build: Build, id: str) -> None:
    """A notch above the curve of a crotch: it lies on itself, left on right."""
    piece, part = build.pieces[id], EdgePart(id, "crotch")
    before, _ = _beside(piece, "crotch")
    is_back = piece.panel is Panel.BACK
    _mark(
        build,
        part,
        f"crotch-{piece.panel.value}",
        anchor="start" if before == "inseam" else "end",
        at=build.each(lambda size: min(CROTCH * _long(build, part, size), MOST_OF_CROTCH)),
        double=is_back,
    )


# ---------------------------------------------------------------- seams beside each other


def _along(build: Build, join: Join) -> None:
    """Notches at the levels that a seam crosses, or at its middle."""
    a, b = join.a[0], join.b[0]
    if join.difference.kind is not DifferenceKind.NONE or a.piece == b.piece or a.from_mark or a.to_mark:
        return
    edge = a.edge if a.edge in LEVELS else b.edge if b.edge in LEVELS else a.edge.partition("-")[0]
    if edge not in LEVELS and edge not in BY_HALF:
        return
    panels = {build.pieces[p.piece].panel for p in (a, b)}
    if not panels <= {Panel.FRONT, Panel.BACK, Panel.SLEEVE}:
        return
    double = panels == {Panel.BACK} or (Panel.SLEEVE in panels and "back" in f"{a.edge} {b.edge} {a.piece} {b.piece}")

    long = {size.name: min(_long(build, p, size) for p in (a, b)) for size in build.figures.sizes}

    def is_clear(at: Places) -> bool:
        return all(CLEAR <= at[size] <= long[size] - CLEAR for size in long)

    found = [(name, at) for name, at in _levels(build, a, edge) if is_clear(at)]
    if not found:
        middle = {size.name: _long(build, a, size) / 2 for size in build.figures.sizes}
        found = [("middle", middle)] if is_clear(middle) else []
    for name, at in found if edge == "princess" else found[:1]:
        for p in (a, b):
            anchor = _lower_end(build, p)
            _mark(build, p, f"{p.edge}-{name}", anchor=anchor, at=at, double=double)


def _levels(build: Build, part: EdgePart, edge: str) -> Iterator[tuple[str, Places]]:
    """How far from its lower end levels cross an edge."""
    for level in LEVELS.get(edge, ()):
        line = build.pieces[part.piece].line(LineKind.LEVEL, level)
        if line is not None:
            yield level, {size.name: _up_to(build, part, line, size) for size in build.figures.sizes}


def _up_to(build: Build, part: EdgePart, line: InnerLine, size: Size) -> float:
    """How far from the lower end of an edge a level crosses it."""
    run = LineString(flatten(build.edge(part.piece, part.edge, size), 0.2))
    on = min(line.ends[size.name], key=lambda p: run.distance(Spot(p)))
    along = float(run.project(Spot(on)))
    return along if _lower_end(build, part) == "start" else float(run.length) - along


def _lower_end(build: Build, part: EdgePart) -> str:
    chain = build.edge(part.piece, part.edge, build.figures.sizes[0])
    return "start" if chain[0].start[0] > chain[-1].end[0] else "end"
