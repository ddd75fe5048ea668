"""What the page of seams as they will look sewn shows."""

from __future__ import annotations

from dataclasses import dataclass

from rowanseed.core.cloth.cloth import Cloth
from rowanseed.core.pattern.pieces import Role
from rowanseed.web.deps import StationView
from rowanseed.web.views.cloth import MatchOffer


@dataclass(frozen=True)
class Seam:
    """A seam: its name, how the print meets there in words, whether it does, and its picture."""

    name: str
    said: str
    meets: bool
    picture: str


@dataclass(frozen=True, kw_only=True)
class SewnView(StationView):
    """`cost` says what matching takes of the cloth; empty where nothing is matched or the other is not known."""

    template = "lay_sewn.html"
    station = "lay"
    part = "sewn"
    role: Role
    seams: tuple[Seam, ...]
    not_shown: tuple[str, ...]
    is_batch: bool
    matching: MatchOffer | None
    cloth: Cloth
    cost: str
    has_print: bool
