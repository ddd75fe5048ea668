"""What a sewist wants matched on a cloth, and what came of it, as records."""

from __future__ import annotations

from dataclasses import dataclass, replace

from rowanseed.core.cloth.cloth import Cloth
from rowanseed.core.lay.problem import Match


@dataclass(frozen=True)
class Held:
    """A piece held on one place of the print: where its grainline begins stands there, in mm of the bought repeat.

    `along` or `across` is None where nothing repeats that way.
    """

    piece: str
    along: float | None = None
    across: float | None = None


@dataclass(frozen=True)
class Matching:
    """What is matched: ids of kinds, what stands at the centres, and the pieces held on a motif.

    `centre_at` is a place of the bought repeat across the cloth in mm, None where any will do as long as all stand
    alike.
    """

    kinds: frozenset[str] = frozenset()
    centre_at: float | None = None
    held: tuple[Held, ...] = ()

    def __bool__(self) -> bool:
        return bool(self.kinds or self.held)

    def holding(self, one: Held) -> Matching:
        """The same with a piece held, in place of where it was held before."""
        return replace(self, held=(*self.without(one.piece).held, one))

    def without(self, piece: str) -> Matching:
        """The same with a piece no longer held."""
        return replace(self, held=tuple(held for held in self.held if held.piece != piece))


NOTHING = Matching()
BARS = Matching(frozenset({"seams"}))
"""What is matched first on any cloth with bars."""
BOTH = Matching(frozenset({"seams", "centres"}))


@dataclass(frozen=True)
class MatchedSeam:
    """A seam, or a place, that is matched, by name; or one that is not, with the reason."""

    name: str
    why_not: str = ""


@dataclass(frozen=True)
class Found:
    """What a kind of matching came to at one place: the matches, none where the reason why not is said."""

    said: MatchedSeam
    matches: tuple[Match, ...] = ()


def can_match(cloth: Cloth) -> bool:
    return bool(cloth.repeat)
