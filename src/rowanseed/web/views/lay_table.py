"""What the cutting table shows."""

from __future__ import annotations

from dataclasses import dataclass

from rowanseed.core.base.units import Units, format_cloth
from rowanseed.core.base.words import plural
from rowanseed.core.lay.work import Work
from rowanseed.core.pattern.pieces import Role
from rowanseed.store.lay_table import OnTable
from rowanseed.web.deps import StationView


@dataclass(frozen=True)
class FaultLine:
    """A fault in words, and whether one tap puts it right."""

    said: str
    can_be_mended: bool


@dataclass(frozen=True)
class Rival:
    """Another lay: its letter in the picture, what it is begun with by, its name, length in mm and work in words.

    `named` is its number where it was kept by a name; `holds` whether it was laid for what is cut now.
    """

    letter: str
    key: str
    name: str
    length: float
    work: str
    named: int = 0
    holds: bool = True


@dataclass(frozen=True)
class Beside:
    """Something else that is cut from this cloth; `others` are those on the table once it comes to them, or goes."""

    name: str
    others: str
    on: bool


@dataclass(frozen=True, kw_only=True)
class LayTableView(StationView):
    """`difference` from the lay it began with, `bought` what the shop rounds it to, `work`, `stretches` in words.

    `changed` says what was changed since it was worked on; empty where nothing was.
    """

    template = "lay_table.html"
    station = "lay"
    part = "table"
    role: Role
    lay: OnTable
    picture: str
    faults: tuple[FaultLine, ...]
    key: tuple[tuple[int, str], ...]
    parked: tuple[str, ...]
    difference: str
    bought: str
    work: str
    stretches: tuple[str, ...]
    rivals: tuple[Rival, ...]
    compared: str
    in_hand: float | None
    changed: str
    told: str
    is_kept: bool
    has_cut: bool
    has_print: bool
    others: str
    """Who else lies on this table, as its address names them; empty where nobody does."""
    on_table: tuple[str, ...]
    beside: tuple[Beside, ...]
    name_said: str = ""


def work_words(work: Work) -> str:
    """What cutting it asks for: pieces cut round, layers, and how often the cloth is laid anew."""
    parts = [f"{plural(work.rounds, 'piece')} to cut round"]
    parts += [f"{work.doubled} through two layers"] if work.doubled else []
    parts += [plural(work.refolds, "refold")] if work.refolds else []
    return ", ".join(parts)


def difference_words(difference: float, units: Units) -> str:
    """How much longer it is than the lay it began with, in mm."""
    if abs(difference) < 0.5:
        return "as long as it began"
    return f"{format_cloth(abs(difference), units)} {'more' if difference > 0 else 'less'} than it began with"
