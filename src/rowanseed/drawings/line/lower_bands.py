"""The band at the lower edge of a front that opens: of the garment's own cloth or ribbed, with its button, or with the
end of the zip in it."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make.graph import pieces_of
from rowanseed.core.pattern.making import ClosureKind, DifferenceKind, Join
from rowanseed.core.pattern.pieces import Panel, PointKind
from rowanseed.core.pattern.walk import part_length
from rowanseed.drawings.line.dressed import Dressed, Line, Run, Stroke, narrow, round_at
from rowanseed.drawings.line.stretched_bands import DRAWN_IN, ribbed

FASTENED = (PointKind.BUTTON, PointKind.BUTTONHOLE)
HALF = 40.0
"""So near to the centre, in mm, the lower edge is drawn where it opens."""


def lower_band(dressed: Dressed) -> Iterator[Stroke]:
    """Below the lower edge; the half that laps over lies on the other."""
    join = _band_at_the_hem(dressed)
    if join is None:
        return
    band = dressed.pattern.piece(join.b[0].piece)
    deep, ribs = narrow(band, dressed.size) / 2, join.difference.kind is DifferenceKind.STRETCHED_ON
    runs = [sorted(one.edges["hem"], key=lambda q: q[1]) for one in dressed.pieces if _has(join, one.piece.id)]
    on_band = next((p for p in join.a if dressed.pattern.piece(p.piece).panel is Panel.BAND), None)
    half_band = part_length(dressed.pattern, dressed.size, on_band) / 2 if on_band is not None else 0.0
    for hand in (-dressed.over, dressed.over):
        for run in runs:
            # Where a band of the front's own goes on beyond its edge, this one does with it.
            whole = [(run[0][0], -half_band), *run] if half_band and dressed.is_front and run[0][1] < HALF else run
            # The half beneath is seen up to the centre.
            seen = whole if hand == dressed.over else [(x, max(y, 0.0)) for x, y in whole]
            yield from _drawn(seen, deep, hand, ribs=ribs)
    if not dressed.is_front or not runs:
        return
    x = min((q for run in runs for q in run), key=lambda q: abs(q[1]))[0]
    if any(q.kind in FASTENED for q in band.points):
        yield Stroke("hem", round_at((x + deep / 2, 0.0), 7.0), Line.FILLED, (dressed.over,))
    if _is_zipped(dressed, band.id):
        yield Stroke("opening", [(x, 0.0), (x + deep, 0.0)], Line.ZIP, (1,))


def _band_at_the_hem(dressed: Dressed) -> Join | None:
    """The seam of a band that is folded over the lower edge, its ends at an opening."""
    panels = {piece.id: piece.panel for piece in dressed.pattern.pieces}
    for join in dressed.pattern.making.joins:
        shell = [p.edge for p in join.a if panels.get(p.piece) is not Panel.BAND]
        other = [panels.get(p.piece) for p in join.b]
        if other == [Panel.BAND] and set(shell) == {"hem"}:
            return join
    return None


def _has(join: Join, piece: str) -> bool:
    return any(p.piece == piece for p in join.a)


def _is_zipped(dressed: Dressed, band: str) -> bool:
    """Whether the seam of a separating zip goes on over the band's end."""
    making = dressed.pattern.making
    zipped = {c.join for c in making.closures if c.kind is ClosureKind.SEPARATING_ZIP}
    return any(j.id in zipped and band in pieces_of(j.a) & pieces_of(j.b) for j in making.joins)


def _drawn(run: Run, deep: float, hand: int, *, ribs: bool) -> Iterator[Stroke]:
    if not ribs:
        yield Stroke("hem", [*run, *((x + deep, y) for x, y in reversed(run))], Line.FILLED, (hand,))
        return
    inner, outer = run[0][1], run[-1][1]
    share = (inner + (outer - inner) * DRAWN_IN) / outer if outer else 1.0
    yield from ribbed("hem", run, [(x + deep, y * share) for x, y in run], (hand,))
