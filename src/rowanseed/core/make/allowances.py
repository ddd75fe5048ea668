"""What a chosen way of sewing asks of the allowances: a rolled hem takes little, a French seam a sum of two rows.

Only what was chosen before the pieces were cut changes them; a technique chosen later cuts off what is too much.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace

from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import chosen_duties
from rowanseed.core.make.workbench import workbench
from rowanseed.core.make.zip_kinds import zipped_as_chosen
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Piece

Allowances = Mapping[tuple[str, str], float]
"""Allowances in mm by piece and edge."""


@dataclass(frozen=True)
class AllowanceChange:
    """An edge whose allowance a technique changes, in mm."""

    piece: str
    edge: str
    before: float
    after: float


def changes(pattern: Pattern, view: str, size: str, choices: MakingChoices) -> tuple[AllowanceChange, ...]:
    """What the chosen techniques change at the edges of a garment, as far as it is not cut yet."""
    open_ = tuple(pair for pair in choices.techniques if pair[0] not in choices.as_cut)
    if not open_ or not pattern.making.joins:
        return ()
    bench = workbench(pattern, view, size, replace(choices, techniques=open_))
    own = {id for id, _ in open_}
    wanted: dict[tuple[str, str], float] = {}
    for technique, duty in chosen_duties(bench):
        if own & set(duty.ids):
            wanted |= technique.allowances(bench, duty)
    found = ((piece, edge, pattern.piece(piece).edge(edge).allowance, mm) for (piece, edge), mm in wanted.items())
    return tuple(AllowanceChange(*one) for one in found if abs(one[2] - one[3]) > 0.5)


def with_allowances(pattern: Pattern, view: str, size: str, choices: MakingChoices) -> Pattern:
    """The garment with the allowances and zips that its chosen techniques ask for; itself where they ask for none."""
    pattern = zipped_as_chosen(pattern, choices.techniques)
    changed = {(one.piece, one.edge): one.after for one in changes(pattern, view, size, choices)}
    if not changed:
        return pattern
    return replace(pattern, pieces=tuple(_with(piece, changed) for piece in pattern.pieces))


def _with(piece: Piece, changed: Allowances) -> Piece:
    if not any((piece.id, edge.name) in changed for edge in piece.edges):
        return piece
    edges = tuple(replace(e, allowance=changed.get((piece.id, e.name), e.allowance)) for e in piece.edges)
    return replace(piece, edges=edges)
