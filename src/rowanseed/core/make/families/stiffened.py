"""Pieces that are stiffened: which they are."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make.operation import On
from rowanseed.core.make.technique import Duty, single
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import EdgePart

KEY = "stiffen:"


def finds(bench: Workbench) -> Iterator[Duty]:
    for id in bench.interfaced():
        yield single(f"{KEY}{id}")


def stiffened_piece(duty: Duty) -> str:
    return duty.id.removeprefix(KEY)


def on_piece(bench: Workbench, id: str) -> On:
    return On(pieces=(id,), edges=shown(EdgePart(id, e.name) for e in bench.piece(id).edges))
