"""Matching a print, stripes or checks: which points of the pieces have to stand at the same place of the repeat.

What can be matched is in `kinds`, a file each. Where two kinds ask the same piece for different places, the earlier
holds and the later says why it does not.
"""

from __future__ import annotations

from rowanseed.core.cloth.cloth import Cloth
from rowanseed.core.cloth.matching.border import border_line, hem_points
from rowanseed.core.cloth.matching.ground import Ground, MatchKind, in_order
from rowanseed.core.cloth.matching.kinds import KINDS
from rowanseed.core.cloth.matching.kinds.held import ID as HELD
from rowanseed.core.cloth.matching.record import BARS, BOTH, NOTHING, Held, MatchedSeam, Matching, can_match
from rowanseed.core.cloth.matching.seam_points import below, centre_point, meeting, runs_along
from rowanseed.core.lay.problem import Match
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Role

__all__ = [
    "BARS",
    "BOTH",
    "KINDS",
    "NOTHING",
    "Held",
    "MatchKind",
    "MatchedSeam",
    "Matching",
    "below",
    "border_line",
    "can_match",
    "centre_point",
    "hem_points",
    "matches",
    "meeting",
    "offered",
    "rule_of_thumb",
    "runs_along",
]


def offered(cloth: Cloth) -> tuple[MatchKind, ...]:
    """The kinds that a cloth's repeat allows to ask for; what is held on a motif is held on the table."""
    return tuple(kind for kind in KINDS.values() if kind.id != HELD and kind.is_offered(cloth))


def matches(
    pattern: Pattern, size: str, role: Role, view: str, cloth: Cloth, how: Matching
) -> tuple[tuple[Match, ...], tuple[MatchedSeam, ...]]:
    """The matches of a garment's pieces on a cloth, and where they hold or why they do not."""
    ground = Ground(pattern, size, role, view, cloth, how)
    wanted = how.kinds | ({HELD} if how.held else frozenset())
    asked = [kind for kind in KINDS.values() if kind.id in wanted and kind.is_offered(cloth)]
    found = [one for kind in asked for one in kind.finds(ground)]
    every = [match for one in found for match in one.matches]
    along = in_order([match for match in every if match.axis == "x"])
    return (*along, *(match for match in every if match.axis == "y")), tuple(one.said for one in found)


def rule_of_thumb(lengths_of_cloth: int, repeat: float) -> float:
    """About one repeat more for each length of cloth that the garment takes, in mm."""
    return lengths_of_cloth * repeat
