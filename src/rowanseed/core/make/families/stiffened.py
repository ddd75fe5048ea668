"""Pieces that are stiffened: which they are."""

from __future__ import annotations

from rowanseed.core.make.families.suited import always, finds_of, why_not_of
from rowanseed.core.make.operation import On
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import EdgePart

KEY = "stiffen:"


def stiffened_ids(bench: Workbench) -> tuple[str, ...]:
    return tuple(f"{KEY}{id}" for id in bench.interfaced())


finds = finds_of(stiffened_ids, always)
why_not = why_not_of(stiffened_ids, always)


def stiffened_piece(duty: Duty) -> str:
    return duty.id.removeprefix(KEY)


def on_piece(bench: Workbench, id: str) -> On:
    return On(pieces=(id,), edges=shown(EdgePart(id, e.name) for e in bench.piece(id).edges))
