"""A sleeve of two pieces: the upper sleeve over the arm, the under sleeve below it, with a seam at front and back.

Plain geometry on the one-piece sleeve: its two ends of the cap become the under sleeve's upper edge, and what the
sleeve narrows to the wrist is taken out at both seams, alike on both pieces, so that they meet. The seams bend at the
elbow by a share from memory.
"""

from __future__ import annotations

from collections.abc import Callable

from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.drafting import DOWN, IN, backwards, curve, lengthens_at, moved, straight, y_at
from rowanseed.core.compose.sizes import Size
from rowanseed.core.geometry.outline import Chain, Point, chain_length
from rowanseed.core.geometry.solving import solve
from rowanseed.core.pattern.pieces import LineKind, Mark, MarkKind, Panel

UNDERARM = "underarm"
"""The dot of the under sleeve that meets the side seam."""
ELBOW = 0.5
"""The elbow lies so far down the seam, as a share of its length."""
HOLLOW, BULGE = 10.0, 8.0
"""So far the front seam bends in, the back seam out, at the elbow, in mm."""
BACK_MORE = 0.25
"""The back's end of the cap reaches so far into its upper curve, as a share of it."""

Cap = Callable[[Size], Chain]
Figure = Callable[[Size], float]


def _seam(top: Point, foot: Point, bend: float) -> Chain:
    """A seam from the cap to the wrist, by way of the elbow."""
    elbow = (top[0] + (foot[0] - top[0]) * ELBOW, top[1] + (foot[1] - top[1]) * ELBOW + bend)
    return (curve(top, DOWN, elbow, DOWN, 0.36), curve(elbow, DOWN, foot, (foot[0] - elbow[0], foot[1] - elbow[1])))


def _hollow(front: Point, back: Point, goal: float) -> Chain:
    """The under sleeve's upper edge, as long as the two ends of the cap together."""

    def drawn(down: float) -> Chain:
        low = (max(front[0], back[0]) + down, (front[1] + back[1]) / 2)
        return (curve(front, (1.0, -0.5), low, IN, 0.3, 0.55), curve(low, IN, back, (-1.0, -0.5), 0.55, 0.3))

    return drawn(solve(lambda down: chain_length(drawn(down)), goal, 5.0, 250.0))


def draft(build: Build, *, cap: Cap, wide: Figure, end: Figure, long: Figure, height: Figure) -> None:
    """Draft both pieces from the one-piece sleeve's cap and widths (each size's, in mm) and sew them together."""

    def cut(size: Size) -> tuple[Chain, Chain, Chain]:
        """(back end of the cap, the upper sleeve's part of it, front end), as the cap runs from back to front."""
        low, rising, falling, last = cap(size)
        first, rest = rising.split(BACK_MORE)
        return (low, first), (rest, falling), (last,)

    def taken(size: Size) -> float:
        """What each side of each seam goes in by, down to the wrist."""
        return (wide(size) - end(size)) / 4

    def upper(size: Size) -> Edges:
        _, over, _ = cut(size)
        at_back, at_front = over[0].start, over[-1].end
        foot_front = (long(size), at_front[1] + taken(size))
        foot_back = (long(size), at_back[1] - taken(size))
        return {
            "front": _seam(at_front, foot_front, HOLLOW),
            "wrist": straight(foot_front, foot_back),
            "back": backwards(_seam(at_back, foot_back, BULGE)),
            "cap": over,
        }

    def under(size: Size) -> Edges:
        # The two ends of the cap meet at the underarm, which lies at y = 0; the back's end comes to lie left of it.
        behind, _, ahead = cut(size)
        at_front, at_back = ahead[0].start, moved(behind, 0.0, -wide(size))[-1].end
        foot_front = (long(size), at_front[1] - taken(size))
        foot_back = (long(size), at_back[1] + taken(size))
        return {
            "back": _seam(at_back, foot_back, -BULGE),
            "wrist": straight(foot_back, foot_front),
            "front": backwards(_seam(at_front, foot_front, -HOLLOW)),
            "cap": _hollow(at_front, at_back, chain_length(behind) + chain_length(ahead)),
        }

    for id, name, draw in (("sleeve", "Upper sleeve", upper), ("under-sleeve", "Under sleeve", under)):
        # The under sleeve lies beside the upper one at the front seam, as on a sleeve in one piece.
        lies = "sleeve" if id != "sleeve" else ""
        build.piece(id, name, draw, panel=Panel.SLEEVE, count=2, pair=True, hem=("wrist",), drawn_on=lies)
        _lines(build, id, height, long)
    build.mark(
        "under-sleeve",
        Mark(UNDERARM, MarkKind.DOT, "cap", "start", build.each(lambda size: chain_length(cut(size)[2]))),
    )
    for seam in ("front", "back"):
        build.join(
            f"sleeve-{seam}s",
            f"Sleeve seams, {seam}",
            (part("sleeve", seam),),
            (part("under-sleeve", seam),),
            each_hand=True,
        )


def _lines(build: Build, id: str, height: Figure, long: Figure) -> None:
    def across(size: Size, xs: float) -> tuple[Point, Point]:
        front, back = (y_at(build.edge(id, edge, size), xs) for edge in ("front", "back"))
        return ((xs, min(front, back)), (xs, max(front, back)))

    build.line(id, LineKind.LEVEL, "bicep", lambda size: across(size, height(size)))
    build.line(
        id,
        LineKind.LENGTHEN_SHORTEN,
        "sleeve-length",
        lambda size: across(size, lengthens_at(height(size), long(size))),
    )
