"""What the pages of a project's Lay and Cut stations show."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass

from rowanseed.app.cloth_plan import ClothPlan
from rowanseed.core.at_table import TableStep
from rowanseed.core.base.working import Working
from rowanseed.core.cloth.preparation import Preparation
from rowanseed.core.cloth.remainder import Left
from rowanseed.core.cutting import CutItem
from rowanseed.core.lay.problem import Plan
from rowanseed.core.pattern.pieces import Role
from rowanseed.store.cloths import ClothEntry
from rowanseed.web.deps import StationView


@dataclass(frozen=True, kw_only=True)
class NoLayView(StationView):
    """There is no lay to show: no cloth yet (`role` None), none searched yet, or none possible."""

    template = "no_lay.html"
    station = "lay"
    role: Role | None = None
    refusals: Sequence[str] = ()


@dataclass(frozen=True, kw_only=True)
class ShownLayView(StationView):
    template = "lay.html"
    station = "lay"
    role: Role
    found: ClothPlan
    kind: str
    plan: Plan
    items: Sequence[CutItem]
    picture: str
    thumbs: Mapping[str, str]
    refusals: Mapping[str, str]
    way: str
    ways: Mapping[str, str]
    used: Working
    skewed: Sequence[str]
    by_eye: Sequence[str]
    """Pieces that the pattern wants on a motif; where the motif stands in the print is not known."""
    together: Sequence[str]
    """The projects that this layout is laid together with."""
    gone: Sequence[str] = ()
    """Those it was laid together with that lie otherwise now; `again_with` the address of the table with them."""
    again_with: str = ""


@dataclass(frozen=True)
class Table:
    """One cloth on the table: its lay with what is cut already, and the list."""

    plan: ClothPlan
    items: tuple[CutItem, ...]
    picture: str
    ready: tuple[tuple[str, Preparation], ...]
    """What makes the cloth ready, each with its key on the list; empty once it is waved through."""
    left: tuple[tuple[Left, str], ...] = ()
    """Once all is cut from a cloth in hand: what is left of it, each part with its picture."""
    on_shelf: tuple[ClothEntry, ...] = ()
    """What is left of it that has been put on the shelf."""
    together: tuple[str, ...] = ()
    """The projects whose pieces lie between these on the same cloth; `still` those that have not cut them all."""
    still: tuple[str, ...] = ()
    gone: tuple[str, ...] = ()
    """Those it was laid together with that lie otherwise now."""


@dataclass(frozen=True, kw_only=True)
class WrongView(StationView):
    """What is wrong with the cloth at a step of the table; `outcome` what came of it."""

    template = "cut_wrong.html"
    station = "cut"
    part = "wrong"
    step: TableStep
    typed: Mapping[str, str]
    errors: Mapping[str, str]
    outcome: str
    picture: str


@dataclass(frozen=True, kw_only=True)
class CutView(StationView):
    template = "cut.html"
    station = "cut"
    tables: Sequence[Table]
    done: frozenset[str]
    otherwise: Mapping[str, str]
    """Pieces that are cut already, but as they were before a change: in words, as what."""
    current: CutItem | None
    cut_words: Callable[[CutItem], str]
    unready: Sequence[tuple[Table, str]]
    laid_words: Callable[[str], str]
    total: int
    number: int
    minds: tuple[str, ...]
