"""What the pages of printing and of the projector show."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from rowanseed.app.printing import Printing
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.printing.tiles import Paper
from rowanseed.web.deps import StationView


@dataclass(frozen=True, kw_only=True)
class PrintView(StationView):
    """`query` asks for the same again, as a file; `picture` is None while there is nothing to print."""

    template = "print.html"
    station = "lay"
    part = "print"
    printing: Printing
    picture: str | None
    papers: Sequence[Paper]
    query: str
    role: Role | None
    minds: Sequence[str]


@dataclass(frozen=True, kw_only=True)
class ProjectorView(StationView):
    """`pieces` and `lay` are drawn in mm; the lay is empty while there is none."""

    template = "projector.html"
    station = "lay"
    part = "projector"
    pieces: str
    lay: str
