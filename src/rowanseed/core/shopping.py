"""A shopping list for one or several projects, grouped as a shop is walked, what is at home taken off."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, replace

from rowanseed.core.base.units import Units, format_cloth, format_length
from rowanseed.core.base.working import Working

GROUPS = ("cloth", "lining and interfacing", "buttons, zips and tapes", "thread and needles")
"""The order in which a shop is walked: cloth first, since all else is matched to it."""


@dataclass(frozen=True)
class ShoppingLine:
    """A thing to buy: for whom, how much, with the sums.

    What has a `unit` is counted (`card`, `spool`), what has none is bought by its `length` in mm; None: not worked
    out yet. `home` says in words why it need not be bought, `note` what to mind if it has to. Cloth has the `width`
    it was reckoned at.
    """

    group: str
    what: str
    count: int
    unit: str
    length: float | None
    projects: tuple[str, ...]
    workings: tuple[Working, ...]
    home: str = ""
    note: str = ""
    width: float | None = None

    def amount(self, units: Units) -> str:
        """How much, in words: `2 cards`, `1.60 m`."""
        if self.unit:
            return f"{self.count} {self.unit}{'s' if self.count != 1 else ''}"
        if self.length is None:
            return "not worked out yet"
        return format_cloth(self.length, units) if self.group in GROUPS[:2] else format_length(self.length, units)


def merged(lines: Iterable[ShoppingLine]) -> tuple[ShoppingLine, ...]:
    """Lines of the same thing taken together, in the order of the shop.

    Counts and lengths add up, but for needles, of which one packet serves several garments.
    """
    out: dict[tuple[str, str, str], ShoppingLine] = {}
    for line in lines:
        # Cloth is cut apart and thread has the cloth's colour: each garment has its own.
        own = line.group in GROUPS[:2] or "thread to match" in line.what.lower()
        key = (line.group, line.what, line.projects[0] if own else "")
        before = out.get(key)
        if before is None:
            out[key] = line
            continue
        number = before.count if "needle" in line.what.lower() else before.count + line.count
        both = None if before.length is None or line.length is None else before.length + line.length
        out[key] = replace(
            before,
            count=number,
            length=both,
            projects=(*before.projects, *line.projects),
            workings=(*before.workings, *line.workings),
        )
    return tuple(sorted(out.values(), key=lambda line: (GROUPS.index(line.group), bool(line.home), line.what)))
