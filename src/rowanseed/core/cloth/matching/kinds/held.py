"""Pieces held on a motif: where the sewist laid one by hand and said that it stays on that place of the print."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.cloth.matching.ground import PRINT, Ground, MatchKind, points
from rowanseed.core.cloth.matching.record import Found, MatchedSeam
from rowanseed.core.lay.problem import Match

ID = "held"


def _finds(ground: Ground) -> Iterator[Found]:
    here = ground.cuts
    for held in ground.matching.held:
        if held.piece not in here:
            continue
        piece = here[held.piece][0]
        at = piece.shapes[ground.size].grainline[0]
        found = []
        if held.along is not None and ground.along is not None:
            ground.x.tie(held.piece, PRINT)
            found.append(Match("x", points((held.piece, at)), held.along * ground.cloth.along))
        if held.across is not None and ground.across is not None:
            ground.y.tie(held.piece, PRINT)
            found.append(Match("y", points((held.piece, at)), held.across * ground.cloth.across))
        yield Found(MatchedSeam(f"{piece.name} on its motif"), tuple(found))


KIND = MatchKind(ID, "pieces held on a motif", 10, frozenset("xy"), _finds)
