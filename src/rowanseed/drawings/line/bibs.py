"""A bib above the front of its band, and the straps that hold it up."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.geometry.outline import Point, flatten
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.making import ClosureKind, Detail, DetailKind
from rowanseed.core.pattern.pieces import Piece
from rowanseed.drawings.line.dressed import Dressed, Line, Stroke, round_at
from rowanseed.drawings.line.parts import band_height

SHOULDER, AT_THE_SHOULDER = 420.0, 95.0
"""How high above the waist a strap goes over the shoulder, and how far from the centre, in mm."""
BEHIND = 0.45
"""Straps meet the band behind so far out, as a share of half its width."""
NECK = 75.0
"""Half of how wide the neck is that a strap goes round, in mm."""
CHILD = 0.7
"""How large a child is beside a woman."""
ONE = (1,)


def is_of_a_bib(dressed: Dressed, straps: Detail) -> bool:
    return _bib(dressed, straps) is not None


def _bib(dressed: Dressed, straps: Detail) -> Detail | None:
    details = dressed.pattern.making.details
    return next((d for d in details if d.kind is DetailKind.BIB and set(d.pieces) & set(straps.on)), None)


def _figures(piece: Piece, size: str) -> tuple[float, float, float]:
    """How high a bib is, and half of how wide at its top and below, in mm."""
    _, _, high, low = bounds([q for chain in piece.shapes[size].edges.values() for q in flatten(chain, 1.0)])
    top = max(y for segment in piece.shapes[size].edges["top"] for _, y in (segment.start, segment.end))
    return high, top, low


def _band(dressed: Dressed) -> tuple[float, float] | None:
    """How far down the upper edge of the band lies at the centre, and how far out the waist reaches."""
    waist = [q for one in dressed.pieces for q in one.edges.get("waist", [])]
    band = dressed.drawn("waistband")
    if not waist or band is None:
        return None
    at_centre = min(waist, key=lambda q: abs(q[1]))[0]
    return at_centre - band_height(dressed.pattern, band), max(y for _, y in waist)


def bib(dressed: Dressed, detail: Detail) -> Iterator[Stroke]:
    """In front, its topstitching dashed within its edge."""
    found, piece = _band(dressed), dressed.drawn(detail.pieces[0])
    if not dressed.is_front or found is None or piece is None:
        return
    level, (high, top, low) = found[0], _figures(piece, dressed.size)
    yield Stroke("pockets", [(level, -low), (level - high, -top), (level - high, top), (level, low)], Line.FILLED, ONE)
    within = 9.0
    row = [(level, within - low), (level - high + within, within - top), (level - high + within, top - within)]
    yield Stroke("pockets", [*row, (level, low - within)], Line.DASHED, ONE)


def straps(dressed: Dressed, detail: Detail) -> Iterator[Stroke]:
    """Over the shoulders and crossed behind, round the neck, or tied behind it."""
    own, found = _bib(dressed, detail), _band(dressed)
    piece = None if own is None else dressed.drawn(own.pieces[0])
    if own is None or found is None or piece is None:
        return
    (level, out), (high, top, _), wide = found, _figures(piece, dressed.size), max(10.0, detail.width or 20.0)
    tall = CHILD if dressed.pattern.envelope.figure is Figure.CHILDREN else 1.0
    over, shoulder = bool(set(own.on) & set(detail.on)), AT_THE_SHOULDER * tall
    if dressed.is_front:
        end = shoulder if over else NECK
        up = min(level - SHOULDER * tall, level - high - 40.0)
        ring = [(level - high, top - wide), (up, end - wide), (up, end), (level - high, top)]
        yield Stroke("pockets", ring, Line.FILLED)
        if not over:
            yield from round_the_neck(dressed, up, wide)
    elif over:
        for hand in ONE, (-1,):
            # From the shoulder across the back to the band on the other side.
            up, foot = level - SHOULDER * tall, -BEHIND * out
            ring = [(up, shoulder - wide), (level, foot - wide), (level, foot), (up, shoulder)]
            yield Stroke("pockets", ring, Line.FILLED, hand)
            if any(c.id == "strap-closure" for c in dressed.pattern.making.closures):
                yield Stroke("pockets", round_at((level + 10.0, foot - wide / 2), 7.0), Line.FILLED, hand)


def round_the_neck(dressed: Dressed, up: float, wide: float) -> Iterator[Stroke]:
    """The strap behind the neck, or the bow of two that are tied there."""
    if any(c.kind is ClosureKind.TIES and c.id == "strap-closure" for c in dressed.pattern.making.closures):
        knot: Point = (up - 26.0, 0.0)
        for out in (-1.0, 1.0):
            loop = [knot, (knot[0] - 20.0, out * 34.0), (knot[0] + 12.0, out * 30.0)]
            end = [(up, out * NECK), (up - 26.0, out * 8.0), (up - 16.0, out * 8.0)]
            yield Stroke("pockets", end, Line.FILLED, ONE)
            yield Stroke("pockets", loop, Line.FILLED, ONE)
        return
    arc = [(up, -NECK), (up - 34.0, -NECK * 0.5), (up - 34.0, NECK * 0.5), (up, NECK)]
    inner = [(up, NECK - wide), (up - 34.0 + wide, NECK * 0.4), (up - 34.0 + wide, -NECK * 0.4), (up, wide - NECK)]
    yield Stroke("pockets", [*arc, *inner], Line.FILLED, ONE)
