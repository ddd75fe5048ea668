"""What the pages of a project's Sew and Keep stations show."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass

from rowanseed.core.alter.change import Alteration
from rowanseed.core.make.allowances import AllowanceChange
from rowanseed.core.make.change import Changed, Unsuited, Way
from rowanseed.core.make.compiler import Gap
from rowanseed.core.make.technique import Technique
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Role
from rowanseed.store.lessons import Lesson
from rowanseed.store.projects import ClothUsed, Note
from rowanseed.web.deps import StationView


@dataclass(frozen=True)
class Tried:
    """Another way of sewing a part, and what it changes; stitching and neatened edges in mm more."""

    way: Way
    technique: Technique
    changed: Changed
    stitching: float
    neatened: float
    allowances: tuple[AllowanceChange, ...]
    """What it changes at the edges of the pieces, each by the piece's name and the edge's words."""
    bought: tuple[str, ...]
    """What has to be bought besides, in words."""
    spared: tuple[str, ...]
    """What need not be bought any more."""
    is_cut: bool
    """Whether pieces are cut already, so that none of them changes any more."""
    gaps: tuple[Gap, ...]
    given_up: tuple[Way, ...]
    """Parts sewn in one with it that had a choice of their own, which it takes the place of."""
    cloth: float
    """How much longer the main cloth's lay is likely to be, in mm."""
    price: tuple[float, float]
    """How much longer it takes, least and most, in minutes, by one's own times."""


@dataclass(frozen=True, kw_only=True)
class SewWaysView(StationView):
    """`tried` is another way that is looked at; None where none is."""

    template = "sew_ways.html"
    station = "sew"
    part = "ways"
    ways: Sequence[Way]
    tried: Tried | None
    looked_at: str
    picture: str | None
    settled: Sequence[Way]
    unsuited: tuple[Unsuited, ...]
    """What does not suit the part that is looked at."""


@dataclass(frozen=True, kw_only=True)
class KeepView(StationView):
    template = "keep.html"
    station = "keep"
    notes: Sequence[Note]
    title: Callable[[Alteration, Pattern], str]
    lessons: Sequence[Lesson]
    places: Sequence[tuple[str, str]]
    used: Mapping[Role, ClothUsed]
    planned: Mapping[Role, float | None]
    typed: Mapping[str, str]
    errors: Mapping[str, str]
