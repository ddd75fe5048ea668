"""How two joined edges lie to each other."""

from __future__ import annotations

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


def _beside(pattern: Pattern, part: EdgePart) -> tuple[str, str]:
    names = [edge.name for edge in pattern.piece(part.piece).edges]
    k = names.index(part.edge)
    return names[k - 1], names[(k + 1) % len(names)]
