"""What is joined to a changed edge goes along: bands and facings take its length, caps fit their armholes.

Pieces with a shape of their own are never changed behind the sewist's back: where two of them no longer
meet, the seam is left to be asked about.
"""

from __future__ import annotations

from collections.abc import Mapping

from rowanseed.core.alter.deform import stretch
from rowanseed.core.alter.frame import frame_of, move
from rowanseed.core.alter.let_in import fit_let_in
from rowanseed.core.alter.raglan import RAGLAN, fit_raglan
from rowanseed.core.alter.sleeve import cap_height, is_shallow, narrow_underarm, raise_cap
from rowanseed.core.base.craft_refusals import NoPlaceFor
from rowanseed.core.geometry.outline import lerp, unit
from rowanseed.core.geometry.solving import solve
from rowanseed.core.pattern.making import DifferenceKind, EdgePart, Join
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel
from rowanseed.core.pattern.walk import fault, part_length

ROUNDS = 5
COLLAR_NECK = "collar-neck"
LEAST_CAP = 3.0
"""A cap is lowered to so much at the least, in mm."""
NOTICED = 0.05
"""A seam whose difference has changed by less than this, in mm, is as it was."""


def follow(before: Pattern, after: Pattern, size: str, moved: set[str]) -> tuple[Pattern, Mapping[str, str]]:
    """The altered pattern with bands, facings and caps taken along; for each such piece, why.

    `moved` are the pieces that the alteration itself moved. Seams keep the difference they had before.
    """
    wanted = {join.id: fault(before, size, join) for join in before.making.joins}
    reasons: dict[str, str] = {}
    moved = set(moved)
    for _ in range(ROUNDS):
        settled = True
        for join in after.making.joins:
            if join.difference.kind is DifferenceKind.GATHERS:
                # What is drawn up to a band or a cuff is drawn up a little more or less; the band keeps its measure.
                continue
            fitted = fit_let_in(before, after, size, join)
            if fitted is None:
                off = fault(after, size, join) - wanted[join.id]
                if abs(off) <= NOTICED:
                    continue
                fitted = _fit(after, size, join, off, moved)
            if fitted is not None:
                after, pieces = fitted
                settled = False
                for piece, why in pieces.items():
                    reasons.setdefault(piece, why)
                    moved.add(piece)
        if settled:
            break
    return after, reasons


def _fit(pattern: Pattern, size: str, join: Join, off: float, moved: set[str]) -> tuple[Pattern, dict[str, str]] | None:
    """Change one side of a join so that its difference is `off` less; None if neither side may be changed."""
    for side, sign in ((join.b, 1.0), (join.a, -1.0)):
        panels = _panels(pattern, side)
        other = join.a if side is join.b else join.b
        # A band sewn to the garment follows it; of two bands the one that has not been changed yet follows the other.
        is_free = Panel.BAND not in _panels(pattern, other) or not {part.piece for part in side} & moved
        if side is join.b and join.difference.kind is DifferenceKind.STRETCHED_ON:
            sign /= join.difference.amount
        # What is drawn on a piece of the garment was altered with it; the rest of the same band or facing was not.
        loose = tuple(part for part in side if not _lies_on_a_shape(pattern, size, part))
        grown = tuple(part for part in side if part.edge == COLLAR_NECK)
        if grown:
            # A collar cut in one with the front goes on round the neck of the back.
            fitted = fit_edge(pattern, size, grown[0], off * sign)
            return fitted, {grown[0].piece: "its collar is as long as the changed neck"}
        if panels in ({Panel.BAND}, {Panel.HEAD}) and is_free and loose:
            return _fit_bands(pattern, size, loose, other, off * sign)
        if panels == {Panel.SLEEVE} and all(part.edge == "cap" for part in side):
            # Of a sleeve in two pieces the upper one has the cap.
            upper = max(side, key=lambda part: part_length(pattern, size, part))
            name = upper.piece
            if len(side) == 1 and _is_straight(pattern, size, upper):
                return fit_edge(pattern, size, upper, off * sign), {name: "it is as wide as the changed armhole"}
            changed = any(part.piece in moved for part in other)
            if changed and is_shallow(pattern, size, name, off * sign):
                fitted = _fit_width(pattern, size, name, side, off * sign)
                return fitted, {name: "it is as wide as makes its shallow cap fit the changed armhole"}
            fitted = _fit_cap(pattern, size, name, side, off * sign)
            why = "its cap goes into the changed armhole with the same ease" if changed else "its cap keeps its length"
            return fitted, {name: why}
        raglan = panels == {Panel.SLEEVE} and len(side) == 1 and side[0].edge.startswith(RAGLAN)
        if raglan:
            fitted = fit_raglan(pattern, size, side[0], off * sign)
            changed = any(part.piece in moved for part in other)
            why = (
                "are as long as those of the changed front and back"
                if changed
                else "to front and back keep their length"
            )
            return fitted, {side[0].piece: f"its seams {why}"}
    return None


def _lies_on_a_shape(pattern: Pattern, size: str, part: EdgePart) -> bool:
    """Whether a facing is drawn on a piece of the garment: it was altered with it, and does not stretch it now."""
    return frame_of(pattern, size, part.piece).panel in (Panel.FRONT, Panel.BACK, Panel.SLEEVE)


def _is_straight(pattern: Pattern, size: str, part: EdgePart) -> bool:
    """Whether a sleeve is cut straight across at the top, as a robe's of rectangles."""
    return all(not segment.is_curve for segment in pattern.piece(part.piece).shapes[size].edges[part.edge])


def _panels(pattern: Pattern, parts: tuple[EdgePart, ...]) -> set[Panel]:
    return {pattern.piece(part.piece).panel for part in parts}


def _fit_bands(
    pattern: Pattern, size: str, side: tuple[EdgePart, ...], other: tuple[EdgePart, ...], by: float
) -> tuple[Pattern, dict[str, str]]:
    """Fit these parts of a band to what it is sewn to."""
    whole = sum(part_length(pattern, size, part) for part in side)
    # What is sewn on by both its hands is drawn once.
    once = {(part.piece, part.edge, part.from_mark, part.to_mark): part for part in side}.values()
    lengths = [part_length(pattern, size, part) for part in once]
    names = " and ".join(dict.fromkeys(f"“{pattern.piece(p.piece).name}”" for p in other[:3]))
    reasons = {}
    for part, length in zip(once, lengths, strict=True):
        pattern = fit_edge(pattern, size, part, by * length / whole)
        reasons[part.piece] = f"its {part.edge} edge is sewn to {names}"
        name = pattern.piece(part.piece).name
        for mate in frame_of(pattern, size, part.piece).pieces:
            reasons.setdefault(mate.id, f"it is cut like “{name}”")
    return pattern, reasons


def fit_edge(pattern: Pattern, size: str, part: EdgePart, by: float) -> Pattern:
    """Make a piece longer along an edge by `by` mm, in the middle of the edge, so that the edge grows by that."""
    piece = pattern.piece(part.piece)
    goal = part_length(pattern, size, part) + by
    edge = piece.shapes[size].edges[part.edge]
    a, b = edge[0].start, edge[-1].end
    along, middle = unit((b[0] - a[0], b[1] - a[1])), lerp(a, b, 0.5)
    half = 0.3 * ((b[0] - a[0]) ** 2 + (b[1] - a[1]) ** 2) ** 0.5
    change, fitted = by, pattern
    for _ in range(4):
        field, cuts = stretch(middle, along, change, half)
        # What is drawn on it is cut alike: an inner stand on its outer one.
        fitted = move(pattern, frame_of(pattern, size, piece.id), field, cuts)
        missing = goal - part_length(fitted, size, part)
        if abs(missing) < 0.01:
            break
        change += missing
    return fitted


def _fit_width(pattern: Pattern, size: str, sleeve: str, caps: tuple[EdgePart, ...], by: float) -> Pattern:
    """Make a sleeve wider or narrower at the underarm, so that the seam line of its cap grows by `by` mm."""

    def long(each: float) -> float:
        fitted = narrow_underarm(pattern, size, sleeve, -each, cap_height(pattern, size, sleeve))
        return sum(part_length(fitted, size, cap) for cap in caps)

    each = solve(long, long(0.0) + by, -abs(by), abs(by))
    return narrow_underarm(pattern, size, sleeve, -each, cap_height(pattern, size, sleeve))


def _fit_cap(pattern: Pattern, size: str, sleeve: str, caps: tuple[EdgePart, ...], by: float) -> Pattern:
    """Raise or lower a sleeve's cap, its under sleeve's with it, so that their seam line grows by `by` mm. Raises
    AlterationError where it would have to be lower than nothing."""

    def long(of: Pattern) -> float:
        return sum(part_length(of, size, cap) for cap in caps)

    goal = long(pattern) + by
    height = cap_height(pattern, size, sleeve)
    if height and by < 0 and long(raise_cap(pattern, size, sleeve, LEAST_CAP - height)) > goal:
        raise NoPlaceFor(
            "The cap of this sleeve is too low for so wide a sleeve: it could not be eased into its armhole.",
            "Widen it by less, or lower the armhole first.",
            "by",
        )

    def missing(height: float) -> float:
        return goal - long(raise_cap(pattern, size, sleeve, height))

    # The secant through two heights: the length grows almost evenly with the height.
    one, two = 0.0, by * 0.7 or 1.0
    left, right = by, missing(two)
    for _ in range(8):
        if abs(right) < 0.01 or right == left:
            break
        one, two, left = two, two - right * (two - one) / (right - left), right
        right = missing(two)
    return raise_cap(pattern, size, sleeve, two)
