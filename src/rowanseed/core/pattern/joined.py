"""How two joined edges lie to each other."""

from __future__ import annotations

from collections.abc import Sequence

from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.pattern import Pattern


def runs_against(pattern: Pattern, one: EdgePart, other: EdgePart) -> bool:
    """Whether two joined edges run against each other in their rings, as those of a front and a back do.

    Their ends are known by the edges beside them: neck to neck, armhole to armhole.
    """
    before, after = _beside(pattern, one)
    earlier, later = _beside(pattern, other)
    if before == later or after == earlier:
        return True
    return not (before == earlier or after == later)


def sides_run_against(pattern: Pattern, one: Sequence[EdgePart], other: Sequence[EdgePart]) -> bool:
    """The same of the edges of two pieces that are sewn in one run: told by two of one name, which are sewn to each
    other, else by the first of the one and the last of the other."""
    if len(one) > 1 and len(other) > 1:
        named = {part.edge: part for part in other}
        alike = next((part for part in one if part.edge in named), None)
        if alike is not None:
            return runs_against(pattern, alike, named[alike.edge])
    return runs_against(pattern, one[0], other[-1 if len(one) > 1 else 0])


def _beside(pattern: Pattern, part: EdgePart) -> tuple[str, str]:
    names = [edge.name for edge in pattern.piece(part.piece).edges]
    k = names.index(part.edge)
    return names[k - 1], names[(k + 1) % len(names)]
