"""A shopping list for one or several projects, grouped as a shop is walked, what is at home taken off."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, replace

from rowanseed.core.working import Working

GROUPS = ("cloth", "lining and interfacing", "buttons and zips", "thread and needles")
"""The order in which a shop is walked: cloth first, since all else is matched to it."""


@dataclass(frozen=True)
class Line:
    """A thing to buy: for whom, how much in words, with the sum. `home` says in words why it need not be bought."""

    group: str
    what: str
    amount: str
    count: int
    length: float | None
    projects: tuple[str, ...]
    workings: tuple[Working, ...]
    home: str = ""


def merged(lines: Iterable[Line]) -> tuple[Line, ...]:
    """Lines of the same thing taken together, in the order of the shop.

    Counts add up, but for needles, of which one packet serves several garments.
    """
    out: dict[tuple[str, str, str], Line] = {}
    for line in lines:
        # Cloth is cut apart and thread has the cloth's colour: each garment has its own.
        own = line.group in GROUPS[:2] or "thread to match" in line.what.lower()
        key = (line.group, line.what, line.projects[0] if own else "")
        before = out.get(key)
        if before is None:
            out[key] = line
            continue
        number = before.count if "needle" in line.what.lower() else before.count + line.count
        out[key] = replace(before, count=number, amount=str(number), projects=(*before.projects, *line.projects),
                           workings=(*before.workings, *line.workings))  # fmt: skip
    return tuple(sorted(out.values(), key=lambda line: (GROUPS.index(line.group), bool(line.home), line.what)))
