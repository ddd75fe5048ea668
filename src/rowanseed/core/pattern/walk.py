"""Walking the seams: are two edges that are sewn together equal on the stitching line?"""

from __future__ import annotations

from dataclasses import dataclass
from typing import assert_never

from rowanseed.core.base.words import Worded
from rowanseed.core.base.working import Given, Source, Working, fine
from rowanseed.core.pattern.making import DifferenceKind, EdgePart, Finish, Join
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Mark, MarkKind, Piece
from rowanseed.core.pattern.seamline import line_length, mark_distance, seam_length

TOLERANCE = 0.5
"""A difference up to this, in mm, is none: a tenth of what scissors can follow."""
EASED_IN = 3.0
"""A difference up to this, in mm, goes in with pins; more breaks the seam (common practice, no source)."""
GATHERS_TAKE = 0.1
"""So much more or less of fullness than was meant, as a share of it, is not seen (common practice, no source)."""
NOTCHES_MEET = 3.0
"""Notches no further apart than this, in mm, are matched."""


class SeamVerdict(Worded):
    """What a walk says."""

    MEETS = "meets"
    EASE_IN = "ease-in", "pin and ease in"
    DRAWN_UP = "drawn-up", "its fullness takes it up"
    APART = "apart", "does not meet"


@dataclass(frozen=True)
class NotchPair:
    """Two notches that are matched in a seam, by piece name, and how far they are apart in mm."""

    a: str
    b: str
    apart: float

    @property
    def meet(self) -> bool:
        return self.apart <= NOTCHES_MEET


@dataclass(frozen=True)
class SeamWalk:
    """Both sides of a join along the stitching line, in mm, and how much longer side a should be."""

    join: Join
    a: float
    b: float
    intended: float
    notches: tuple[NotchPair, ...] = ()
    allowances: tuple[tuple[str, float], ...] = ()
    """Where the allowances of the two sides differ: each piece's name and allowance in mm; empty where they agree."""

    @property
    def fault(self) -> float:
        """Side a less side b less what is intended; zero for a seam that walks."""
        return self.a - self.b - self.intended

    @property
    def walks(self) -> bool:
        return abs(self.fault) <= TOLERANCE or self.is_offset

    @property
    def is_offset(self) -> bool:
        """Matched at one end on purpose, so that the other end may stand over: a faced front beside a turned hem."""
        return self.join.align != "both"

    @property
    def is_drawn_up(self) -> bool:
        """Whether gathers take up what it is off by: drawn a little more, or a little less, than was meant."""
        gathered = self.join.difference.kind is DifferenceKind.GATHERS
        return gathered and self.a > self.b and abs(self.fault) <= GATHERS_TAKE * (self.b + self.intended)

    @property
    def verdict(self) -> SeamVerdict:
        if self.walks:
            return SeamVerdict.MEETS
        if self.is_drawn_up:
            return SeamVerdict.DRAWN_UP
        return SeamVerdict.EASE_IN if abs(self.fault) <= EASED_IN else SeamVerdict.APART

    @property
    def longer(self) -> tuple[EdgePart, ...]:
        """The side to put underneath, on the feed dogs; empty where both are of one length."""
        if abs(self.a - self.b) <= TOLERANCE:
            return ()
        return self.join.a if self.a > self.b else self.join.b

    @property
    def working(self) -> Working:
        """How far apart the two sides are, with what went into it."""
        given = [
            Given("one side, less its darts", fine(self.a), Source.DRAWING),
            Given("the other side, less its darts", fine(self.b), Source.DRAWING),
        ]
        if self.intended:
            given.append(Given("meant to differ by", fine(self.intended), Source.DRAWING))
        formula = "one side less the other" + (" less what is meant" if self.intended else "")
        return Working(
            name=self.join.name,
            quantity=fine(self.fault),
            formula=formula,
            given=tuple(given),
            rounding="to what a tape shows",
        )


def walk(pattern: Pattern, size: str) -> tuple[SeamWalk, ...]:
    """Measure every join of a pattern in one size."""
    return tuple(walk_join(pattern, size, join) for join in pattern.making.joins)


def walk_join(pattern: Pattern, size: str, join: Join) -> SeamWalk:
    """Walk one join in one size."""
    a, b, intended = _sides(pattern, size, join)
    return SeamWalk(
        join=join,
        a=a,
        b=b,
        intended=intended,
        notches=_notch_pairs(pattern, size, join),
        allowances=_uneven_allowances(pattern, join),
    )


def fault(pattern: Pattern, size: str, join: Join) -> float:
    """How far apart the two sides of a join are, in mm, but for what is meant; as `walk_join` has it."""
    a, b, intended = _sides(pattern, size, join)
    return a - b - intended


def _sides(pattern: Pattern, size: str, join: Join) -> tuple[float, float, float]:
    """The lengths of both sides of a join, and how much longer the first is meant to be, in mm."""
    a = sum(part_length(pattern, size, part) for part in join.a)
    b = sum(part_length(pattern, size, part) for part in join.b)
    match join.difference.kind:
        case DifferenceKind.NONE:
            intended = 0.0
        case DifferenceKind.EASE:
            intended = join.difference.amount
        case DifferenceKind.STRETCH:
            intended = -join.difference.amount
        case DifferenceKind.GATHERS | DifferenceKind.STRETCHED_ON:
            intended = b * (join.difference.amount - 1)
        case _:
            assert_never(join.difference.kind)
    return a, b, intended


def _uneven_allowances(pattern: Pattern, join: Join) -> tuple[tuple[str, float], ...]:
    one, other = (
        {pattern.piece(p.piece).name: pattern.piece(p.piece).edge(p.edge).allowance for p in side}
        for side in (join.a, join.b)
    )
    return () if set(one.values()) == set(other.values()) else tuple((one | other).items())


def _notch_pairs(pattern: Pattern, size: str, join: Join) -> tuple[NotchPair, ...]:
    """Notches of one kind on both sides, compared by how far they stand from an end of their edges."""
    pairs = []
    for kind in (MarkKind.NOTCH, MarkKind.DOUBLE_NOTCH):
        one, other = (notches_on(pattern, side, kind) for side in (join.a, join.b))
        if len(one) == len(other) == 1 and one[0] != other[0]:
            (p, m), (q, n) = one[0], other[0]
            a, b = (from_ends(pattern, size, side, *found) for side, found in ((join.a, (p, m)), (join.b, (q, n))))
            ends = [(da, db) for da in a for db in b]
            pairs.append(NotchPair(p.name, q.name, min(abs(da - db) for da, db in ends)))
    return tuple(pairs)


def notches_on(pattern: Pattern, side: tuple[EdgePart, ...], kind: MarkKind) -> list[tuple[Piece, Mark]]:
    """The notches of a kind on one side of a seam, with their pieces."""
    pieces = [(pattern.piece(part.piece), part.edge) for part in side]
    return [(piece, mark) for piece, edge in pieces for mark in piece.marks if mark.edge == edge and mark.kind is kind]


def from_ends(pattern: Pattern, size: str, side: tuple[EdgePart, ...], piece: Piece, mark: Mark) -> list[float]:
    """How far a notch stands from both ends of its edge, and from those of the edges of its side beyond them, or from a
    dot on them, which stands for the end of a seam that an edge goes round, as an under sleeve's at the underarm."""
    at = mark_distance(piece, size, mark)
    ends = [at, line_length(piece, size, mark.edge) - at]
    beyond = []
    for part in (part for part in side if part.piece != piece.id):
        other = pattern.piece(part.piece)
        long = line_length(other, size, part.edge)
        beyond.append(long)
        for dot in (one for one in other.marks if one.edge == part.edge and one.kind is MarkKind.DOT):
            on = mark_distance(other, size, dot)
            beyond += [on, long - on]
    return [*ends, *(end + more for end in ends for more in beyond)]


def part_length(pattern: Pattern, size: str, part: EdgePart) -> float:
    """Length of an edge, or of its part from mark to mark, on the stitching line.

    An edge of a piece cut on the fold counts once, as drawn: both sides of a join are half garments.
    """
    return length_on(pattern.piece(part.piece), size, part)


def length_on(piece: Piece, size: str, part: EdgePart) -> float:
    """The same on its piece, before there is a pattern."""
    whole = seam_length(piece, size, part.edge)
    if part.from_mark is None and part.to_mark is None:
        return whole
    first = mark_distance(piece, size, piece.mark(part.from_mark)) if part.from_mark else 0.0
    last = mark_distance(piece, size, piece.mark(part.to_mark)) if part.to_mark else whole
    return abs(last - first)


def copies(pattern: Pattern, part: EdgePart, *, each_hand: bool = False) -> int:
    """How often an edge is there on the whole garment: a piece on the fold or cut as a pair has it twice.

    A part that names its hand is there once.
    """
    if part.hand:
        return 1
    cuts = pattern.piece(part.piece).cuts
    return 2 if each_hand or any(cut.fold or cut.pair for cut in cuts) else 1


def join_over_garment(pattern: Pattern, size: str, join: Join) -> float:
    """How long a seam is over the whole garment, in mm: both hands, folds opened. The one rule for it."""
    return sum(part_length(pattern, size, part) * copies(pattern, part, each_hand=join.each_hand) for part in join.a)


def finish_over_garment(pattern: Pattern, size: str, finish: Finish) -> float:
    """How long a finished edge is over the whole garment, in mm."""
    return sum(part_length(pattern, size, part) * copies(pattern, part) for part in finish.parts)
