"""Bands of a knit or of ribbing, shorter than the edge that they are stretched on to: which they are, how they turn."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from rowanseed.core.make import corners
from rowanseed.core.make.families.bands import is_folded
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import DifferenceKind, EdgePart, Finish, FinishKind, Join, Press
from rowanseed.core.pattern.pieces import Panel

TRIED = 200.0
"""So much of an edge a band is tried against, in mm."""


@dataclass(frozen=True)
class StretchedBand:
    """A band that is drawn: the seam that puts it on, those that close it to a ring, its inner edge."""

    join: Join
    piece: str
    ends: tuple[Join, ...]
    inner: tuple[Finish, ...]

    @property
    def edge(self) -> tuple[EdgePart, ...]:
        """What it goes on to."""
        return self.join.a

    @property
    def is_at_neck(self) -> bool:
        return self.join.press is Press.DOWN

    @property
    def share(self) -> float:
        """How long it is for its edge."""
        return 1 / self.join.difference.amount


def bands(bench: Workbench) -> Iterator[StretchedBand]:
    """Those that are folded, and closed to a ring."""
    for join in bench.joins.values():
        pieces = pieces_of(join.b)
        if join.difference.kind is not DifferenceKind.STRETCHED_ON or len(pieces) != 1:
            continue
        (piece,) = pieces
        ends = tuple(j for j in bench.joins.values() if pieces_of((*j.a, *j.b)) == pieces)
        inner = tuple(
            f for f in bench.finishes.values() if f.kind is FinishKind.CAUGHT and pieces_of(f.parts) == pieces
        )
        if bench.panel(piece) is Panel.BAND and is_folded(bench, piece) and ends and inner:
            yield StretchedBand(join=join, piece=piece, ends=ends, inner=inner)


def stretched_band_of(bench: Workbench, join: str) -> StretchedBand:
    """The band that a seam puts on. Raises StopIteration where it puts on none."""
    return next(band for band in bands(bench) if band.join.id == join)


def tried(bench: Workbench, share: float) -> str:
    """How a band that is so long for its edge is tried before it is sewn on."""
    return (
        f"First try it: it is cut {100 * share:.0f} % as long as its edge. {bench.margin(TRIED * share)} of the folded "
        f"band, stretched along {bench.margin(TRIED)} of the edge, have to reach without straining and draw in again "
        "when they are let go; what does not reach is cut longer, what gapes shorter, by the same share all along."
    )


def mitred(turns: corners.Corners) -> Iterator[str]:
    """How a band is made to turn where its edge does."""
    if turns.at_centre:
        yield (
            "The ring's seam comes to the point of the V: lay the folded strip on the tissue along the neck's "
            "stitching line and cut both ends along the centre line, an allowance beyond it; sewn there, it turns as "
            "the neck does."
        )
    if turns.beside:
        yield (
            "At each corner lay the folded strip on the tissue along both sides, pin out what is too much on the line "
            "that halves the corner, and sew that as a dart."
        )
