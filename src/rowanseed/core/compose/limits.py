"""How long, how wide and how many what is described may be: what is beyond is drafted by no one."""

from __future__ import annotations

import re
from dataclasses import dataclass
from typing import Any

from rowanseed.core.base.units import at_least, at_most
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Found


@dataclass(frozen=True)
class Limit:
    """From `least` to `most`, both taken: of a length in mm. `said` is the sentence, with both in it."""

    least: float
    most: float
    said: str

    def refusal(self) -> str:
        """Why a figure beyond it is refused, lengths in both units."""
        return self.said.format(least=at_least(self.least), most=at_most(self.most))


LIMITS = {
    "allowance": Limit(3, 40, "A seam allowance lies between {least} and {most}."),
    "features.opening.length": Limit(20, 1500, "An opening is between {least} and {most} long."),
    "features.opening.count": Limit(1, 60, "It closes at one place at least, at 60 at most."),
    "features.sleeve.pieces": Limit(1, 2, "A sleeve is cut in one piece or in two."),
    "features.straps.count": Limit(1, 4, "A garment has one to four straps."),
    "features.straps.width": Limit(5, 120, "A strap is between {least} and {most} wide."),
    "features.bib.width": Limit(60, 500, "A bib is between {least} and {most} wide at its top."),
    "features.bib.height": Limit(60, 500, "A bib is between {least} and {most} high."),
    "features.band.width": Limit(10, 150, "A band at the waist is between {least} and {most} wide."),
    "features.band.underlap": Limit(0, 150, "A band laps by nothing at least, and by {most} at most."),
    "features.band.parts": Limit(1, 2, "A band at the waist is cut in one part or in two."),
    "features.band.loops": Limit(0, 12, "A band has twelve belt loops at most."),
    "features.skirt.tiers": Limit(2, 6, "A tiered skirt has two tiers at least, and six at most."),
    "features.skirt.panels": Limit(1, 24, "A skirt has one panel at least, and 24 at most."),
    "features.skirt.fullness": Limit(1.1, 4, "Fullness lies between 1.1 and 4 times the waist."),
    "features.skirt.length": Limit(100, 1500, "A skirt is between {least} and {most} long."),
    "features.skirt.coverage": Limit(0.3, 1, "An apron covers between a third of the waist and all of it."),
    "features.legs.length": Limit(250, 1400, "Trousers are between {least} and {most} long, from the waist."),
    "features.legs.pleats": Limit(0, 3, "Trousers have three pleats on each side at most, or fewer, or none."),
    "features.hem.depth": Limit(3, 150, "A hem is between {least} and {most} deep."),
    "features.elastic.width": Limit(3, 120, "An elastic is between {least} and {most} wide."),
}
"""By the field of the document; of a list's rows by their own name. Common practice, no source."""


def limit_of(path: str) -> Limit:
    """The limit of a field, of a list's row that of them all. Raises KeyError for one that has none."""
    return LIMITS[re.sub(r"\.\d+(?=\.)", "", path)]


def beyond(d: Description) -> Found:
    """Every figure beyond its limits, at its field."""
    for path, limit in LIMITS.items():
        *parts, last = path.split(".")
        for place, holder in _holders(d, parts):
            value = getattr(holder, last)
            if value is not None and not limit.least <= value <= limit.most:
                yield ".".join((*place, last)), limit.refusal()


def _holders(value: Any, parts: list[str]) -> list[tuple[tuple[str, ...], Any]]:
    """What a path leads to, with the way to it: of a list every row, of what was not described nothing."""
    if not parts:
        rows = enumerate(value) if isinstance(value, tuple) else None
        return [((), value)] if rows is None else [((str(k),), row) for k, row in rows]
    inner = getattr(value, parts[0])
    return [] if inner is None else [((parts[0], *way), one) for way, one in _holders(inner, parts[1:])]
