"""Fullness of a cap lies between its notches: below them cap and armhole are alike."""

from __future__ import annotations

from dataclasses import dataclass

from rowanseed.core.make.operation import EdgeShown
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import EdgePart, Join
from rowanseed.core.pattern.pieces import Mark, MarkKind, Panel
from rowanseed.core.pattern.seamline import mark_distance
from rowanseed.core.pattern.walk import part_length, walk_join

KINDS = (MarkKind.NOTCH, MarkKind.DOUBLE_NOTCH)


@dataclass(frozen=True)
class Between:
    """The stretch of a cap from its first notch to its last: how long it is, and how long what it is sewn to, in mm."""

    edge: EdgeShown
    long: float
    drawn_to: float


def notches(bench: Workbench, part: EdgePart) -> list[Mark]:
    """The notches of an edge, along it."""
    piece = bench.piece(part.piece)
    found = [mark for mark in piece.marks if mark.edge == part.edge and mark.kind in KINDS]
    return sorted(found, key=lambda mark: mark_distance(piece, bench.size, mark))


def between_notches(bench: Workbench, join: Join) -> Between | None:
    """What lies between the notches of a cap; None where it has not two, or where those of the armhole do not meet
    them: then cap and armhole are not alike below."""
    met = walk_join(bench.pattern, bench.size, join).notches
    if len(met) < 2 or not all(pair.meet for pair in met):
        return None
    for part in join.a:
        found = notches(bench, part)
        if bench.panel(part.piece) is not Panel.SLEEVE or len(found) < 2:
            continue
        piece = bench.piece(part.piece)
        first, last = (mark_distance(piece, bench.size, found[k]) for k in (0, -1))
        whole, other = (sum(part_length(bench.pattern, bench.size, p) for p in side) for side in (join.a, join.b))
        long = last - first
        return Between(
            EdgeShown(part.piece, part.edge, found[0].id, to_mark=found[-1].id), long, other - (whole - long)
        )
    return None
