"""Crotch seams: which they are, and how those below a bodice are sewn."""

from __future__ import annotations

from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Need, Operation
from rowanseed.core.make.shared import press
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.legs import crosses_the_waist, is_crotch, is_inner_leg
from rowanseed.core.pattern.making import ClosureKind, Join, Press

ID = "crotch seam"


def crotch_join(bench: Workbench) -> tuple[list[Join], list[Join]]:
    """(seams with a zip, seams without) between the two hands along the crotch, that are sewn round it in one run."""
    flat = sewn_flat(bench)
    found = [
        j
        for j in bench.joins.values()
        if pieces_of(j.a) == pieces_of(j.b)
        and j.a[0].edge == "crotch"
        and j.press is Press.OPEN
        and not pieces_of(j.a) & bench.inner
        and j not in flat
    ]
    return [j for j in found if bench.openings.zip_on(j)], [j for j in found if not bench.openings.zip_on(j)]


def below_zip(bench: Workbench) -> tuple[Join, ...]:
    """Crotch seams that are sewn below their zip while all is flat, the rest in the one run: an invisible zip goes in
    first, so that its seam is an ordinary one below it."""
    zipped, plain = crotch_join(bench)
    kinds = {join.id: zip_.kind for join in zipped if (zip_ := bench.openings.zip_on(join)) is not None}
    return tuple(join for join in zipped if plain and kinds.get(join.id) is not ClosureKind.INVISIBLE_ZIP)


def sewn_flat(bench: Workbench) -> tuple[Join, ...]:
    """Crotch seams of legs below a bodice of which one goes on up into it: that one is sewn after the waist seam, the
    other before it, and the inner legs last, in one run from hem to hem."""
    shell = [j for j in bench.joins.values() if is_crotch(j) and not pieces_of(j.a) & bench.inner]
    return tuple(shell) if any(crosses_the_waist(j) for j in shell) else ()


def inner_legs_of(bench: Workbench) -> Join | None:
    """The inner leg seams that are sewn in one run over crotch seams sewn flat."""
    legs = {p.piece for join in sewn_flat(bench) for p in join.a}
    return next((j for j in bench.joins.values() if is_inner_leg(j) and pieces_of((*j.a, *j.b)) <= legs), None)


def pressed_above(bench: Workbench, ids: tuple[str, ...], technique: str) -> Operation:
    """A crotch seam pressed open as far as it runs straight."""
    return press(
        bench,
        ids,
        technique,
        way="open",
        words="open above the curve",
        how=("Open above the curve only; the lower curve stands up, it is never pressed open.",),
        requires=tuple(Need(facts.join(Fact.GRADED, id), "the lower curve is trimmed") for id in ids),
        look="Above the curve the seam lies open and flat; below, the allowances stand up.",
    )
