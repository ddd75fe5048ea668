"""What the pages of a project's Fit station show."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass

from rowanseed.core.alter.blend import Blend
from rowanseed.core.alter.change import Alteration, Touched
from rowanseed.core.alter.tissue import TissueSheet
from rowanseed.core.base.working import Working
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Piece
from rowanseed.core.pattern.walk import SeamWalk
from rowanseed.core.sizing.ease import Ease
from rowanseed.core.sizing.lengths import LengthRow
from rowanseed.core.sizing.schools import Proposal
from rowanseed.core.sizing.wish import Fit, Over
from rowanseed.store.projects import EarlierNote
from rowanseed.web.deps import StationView


@dataclass(frozen=True, kw_only=True)
class FitView(StationView):
    template = "fit.html"
    station = "fit"
    part = "size"
    best: Proposal
    why: str
    rows: Sequence[Ease]
    lengths: Sequence[tuple[LengthRow, Mapping[str, str]]]
    proposals: Sequence[Proposal]
    can_be_open: bool
    earlier: Sequence[EarlierNote]
    errors: Mapping[str, str]
    typed: Mapping[str, str]
    taken: Proposal | None
    measure_name: Callable[[str], str]
    bars: Sequence[str]
    """The ease as bars: beside a wide page, and for a phone; empty where nothing is known of it."""
    girths: Sequence[str]
    levels: Sequence[str]
    blend: Mapping[str, str]
    fits: Sequence[Fit]
    overs: Sequence[Over]
    wrong_age: bool
    trial: str
    finished_length: Working | None
    missing: Sequence[str]


@dataclass(frozen=True, kw_only=True)
class AlterationsView(StationView):
    """`lines` are what is altered, each with its id and what it touches; `ready` where one comes from, itself, what was
    said of it."""

    template = "fit_alter.html"
    station = "fit"
    part = "alter"
    picture: str | None
    piece: str | None
    places: Sequence[tuple[str, str]]
    typed: Mapping[str, str]
    errors: Mapping[str, str]
    lines: Sequence[tuple[str, Alteration, Sequence[Touched]]]
    title: Callable[[Alteration, Pattern], str]
    ready: Sequence[tuple[str, Alteration, str]]
    key: Callable[[Alteration], str]
    changes: Mapping[str, float]
    measure_name: Callable[[str], str]
    pieces: Sequence[Piece]
    altered_pieces: Sequence[str]
    printed: Mapping[str, Mapping[str, float]]


@dataclass(frozen=True, kw_only=True)
class SeamsView(StationView):
    template = "fit_seams.html"
    station = "fit"
    part = "seams"
    walks: Sequence[SeamWalk]
    before: Mapping[str, SeamWalk]
    pictures: Mapping[str, str]
    pattern: Pattern
    broken: set[str]


@dataclass(frozen=True, kw_only=True)
class TissueView(StationView):
    template = "fit_tissue.html"
    station = "fit"
    part = "tissue"
    sheets: Sequence[tuple[TissueSheet, str | None]]
    blend: Blend
