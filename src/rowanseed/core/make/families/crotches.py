"""Crotch seams: which they are."""

from __future__ import annotations

from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import ClosureKind, Join, Press

ID = "crotch seam"


def crotch_join(bench: Workbench) -> tuple[list[Join], list[Join]]:
    """(seams with a zip, seams without) between the two hands along the crotch."""
    found = [
        j
        for j in bench.joins.values()
        if pieces_of(j.a) == pieces_of(j.b)
        and j.a[0].edge == "crotch"
        and j.press is Press.OPEN
        and not pieces_of(j.a) & bench.inner
    ]
    return [j for j in found if bench.openings.zip_on(j)], [j for j in found if not bench.openings.zip_on(j)]


def below_zip(bench: Workbench) -> tuple[Join, ...]:
    """Crotch seams that are sewn below their zip while all is flat, the rest in the one run: an invisible zip goes in
    first, so that its seam is an ordinary one below it."""
    zipped, plain = crotch_join(bench)
    kinds = {join.id: zip_.kind for join in zipped if (zip_ := bench.openings.zip_on(join)) is not None}
    return tuple(join for join in zipped if plain and kinds.get(join.id) is not ClosureKind.INVISIBLE_ZIP)
