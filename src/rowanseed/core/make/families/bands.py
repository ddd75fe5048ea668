"""Bands put on an edge: which they are, what they are called, what turns their inside in."""

from __future__ import annotations

from collections.abc import Iterable

from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import RUNS_ON, Closure, ClosureKind, EdgePart, Finish, FinishKind, Join
from rowanseed.core.pattern.pieces import LineKind, Panel

INNER = ("inner", "neck", "upper")
"""The edges of a band that are turned in over its seam."""
PASSES = 2.0
"""The fold of the inside passes the seam by so much, in mm."""


def is_band(bench: Workbench, id: str) -> bool:
    return bench.panel(id) is Panel.BAND and id not in bench.facings


def band_of(bench: Workbench, join: Join) -> str | None:
    """The band of a join that sews one to something else; None if it is no such join."""
    for one, other in ((join.a, join.b), (join.b, join.a)):
        bands = {p.piece for p in one if is_band(bench, p.piece)}
        if len(bands) == 1 and len(one) == 1 and not any(is_band(bench, p.piece) and p.piece in bands for p in other):
            others = bench.panels(other)
            if others != {Panel.BAND}:
                return next(iter(bands))
    return None


def called(bench: Workbench, pieces: Iterable[str]) -> str:
    """What a band is called within a sentence: an apron's “waistband with its ends” is its waistband."""
    return ", ".join(dict.fromkeys(bench.name(id).partition(" with ")[0] for id in sorted(pieces)))


def inside_of(bench: Workbench, piece: str) -> Finish | None:
    """The finish that turns in the inside of a band: its own, or that of the layer within it."""
    return next(
        (f for f in bench.finishes.values() if f.kind is FinishKind.TURNED and any(p.piece == piece for p in f.parts)),
        None,
    )


def is_folded(bench: Workbench, piece: str) -> bool:
    return any(line.kind is LineKind.FOLD for line in bench.piece(piece).lines)


def runs_over(bench: Workbench, finish: Finish) -> tuple[EdgePart, ...]:
    """Edges of a band that is turned in along another one, over which a collar or a binding runs on: the part of them
    that is seen once the band is folded."""
    own = frozenset(id for id in pieces_of(finish.parts) if is_band(bench, id) and is_folded(bench, id))
    parts = [p for j in bench.joins.values() if band_of(bench, j) not in own for p in (*j.a, *j.b)]
    parts += [p for f in bench.finishes.values() if f.kind is FinishKind.BINDING for p in f.parts]
    return tuple(dict.fromkeys(p for p in parts if p.piece in own and (p.from_mark or p.to_mark)))


def runs_on(bench: Workbench, piece: str) -> bool:
    """Whether a band runs on beyond what it is sewn to, as an apron's."""
    return any(bench.piece(piece).has_edge(edge) for edge in RUNS_ON)


def is_tied_collar(bench: Workbench, piece: str) -> bool:
    """Whether a band that runs on is a collar: in two halves, each of them tied at its one free end."""
    return runs_on(bench, piece) and bench.piece(piece).collar


def tied_band(bench: Workbench, closure: Closure) -> str:
    """The band whose own ends are tied; empty where something else closes."""
    join = bench.joins.get(closure.join)
    band = band_of(bench, join) if join is not None and closure.kind is ClosureKind.TIES else None
    return band if band is not None and runs_on(bench, band) else ""


def ends_at(bench: Workbench, faced: Join, join: Join) -> bool:
    """Whether a faced edge runs out on the edge that a band is sewn to."""
    along = {(p.piece, p.edge) for p in (*join.a, *join.b)}
    return any((p.piece, edge) in along for p in faced.a for edge in bench.neighbours(p))


def closed_by(bench: Workbench, piece: str) -> Join | None:
    """The seam of a facing that goes on over the end of a band, which is folded there; None where it has ends of its
    own."""
    return next((join for join in bench.joins.values() if piece in bench.folded_in(join)), None)
