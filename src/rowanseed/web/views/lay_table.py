"""What the cutting table shows."""

from __future__ import annotations

from dataclasses import dataclass

from rowanseed.core.base.units import Units, format_cloth
from rowanseed.core.base.words import plural
from rowanseed.core.pattern.pieces import Role
from rowanseed.store.lay_table import OnTable
from rowanseed.web.deps import StationView


@dataclass(frozen=True)
class FaultLine:
    """A fault in words, and whether one tap puts it right."""

    said: str
    can_be_mended: bool


@dataclass(frozen=True, kw_only=True)
class LayTableView(StationView):
    """`difference` from the lay it began with and `work` in words; `carried`: it was put on the table anew."""

    template = "lay_table.html"
    station = "lay"
    part = "table"
    role: Role
    lay: OnTable
    picture: str
    faults: tuple[FaultLine, ...]
    key: tuple[tuple[int, str], ...]
    difference: str
    work: str
    rivals: tuple[tuple[str, float], ...]
    in_hand: float | None
    carried: bool
    told: str
    is_kept: bool


def work_words(rounds: int, refolds: int) -> str:
    """What cutting it asks for: pieces cut round, and how often the cloth is laid anew."""
    more = f", {plural(refolds, 'refold')}" if refolds else ""
    return f"{plural(rounds, 'piece')} to cut round{more}"


def difference_words(difference: float, units: Units) -> str:
    """How much longer it is than the lay it began with, in mm."""
    if abs(difference) < 0.5:
        return "as long as it began"
    return f"{format_cloth(abs(difference), units)} {'more' if difference > 0 else 'less'} than it began with"
