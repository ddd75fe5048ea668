"""The length of the crotch: the inner leg moved out or in at the fork."""

from __future__ import annotations

from rowanseed.core.alter.deform import smooth
from rowanseed.core.alter.frame import Frame, frames, move
from rowanseed.core.base.errors import NoPlaceFor, TooNarrow
from rowanseed.core.geometry.outline import Point, flatten
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel

PARTS = 4


def has_crotch(pattern: Pattern, size: str) -> bool:
    return any(_is_leg(frame) for frame in frames(pattern, size))


def _is_leg(frame: Frame) -> bool:
    return frame.panel in (Panel.FRONT, Panel.BACK) and bool(frame.edge("crotch")) and bool(frame.edge("inseam"))


def change_length(pattern: Pattern, size: str, by: float) -> Pattern:
    """Lengthen the crotch by `by` mm at the fork, half on the front and half on the back; it dies away to the knee."""
    legs = [frame for frame in frames(pattern, size) if _is_leg(frame)]
    if not legs:
        raise NoPlaceFor("No piece of this pattern has a crotch.")
    for frame in legs:
        crotch, inseam = frame.edge("crotch"), frame.edge("inseam")
        if crotch is None or inseam is None:
            continue
        ends = {point_key(q) for chain in (crotch, inseam) for q in (chain[0].start, chain[-1].end)}
        both = [
            q
            for q in (crotch[0].start, crotch[-1].end)
            if point_key(q) in {point_key(inseam[0].start), point_key(inseam[-1].end)}
        ]
        fork = both[0] if both else max((q for q in ends), key=lambda q: q[0])
        straight = min(flatten(crotch, 1.0), key=lambda q: q[0])
        out = 1.0 if fork[1] > straight[1] else -1.0
        wide = max(1.0, abs(fork[1] - straight[1]))
        knee = frame.level("knee") or (fork[0] + frame.bounds()[2]) / 2
        if by / 2 < -0.8 * wide:
            raise TooNarrow("The fork reaches out", wide, "Shorten the crotch by less.")

        def field(
            p: Point,
            fork: Point = fork,
            start: float = straight[1],
            out: float = out,
            wide: float = wide,
            knee: float = knee,
        ) -> Point:
            down = 1 - smooth((p[0] - fork[0]) / (knee - fork[0]))
            return (p[0], p[1] + out * by / 2 * down * min(max((p[1] - start) * out / wide, 0.0), 1.0))

        pattern = move(pattern, frame, field, parts=PARTS)
    return pattern


def point_key(p: Point) -> Point:
    return (round(p[0], 3), round(p[1], 3))
