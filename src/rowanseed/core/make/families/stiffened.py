"""Pieces that are stiffened: which they are, and whether by fusing or by sewing in (common practice, no source)."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.cloth.cloth import Use
from rowanseed.core.make.families.suited import always, finds_of, why_not_of
from rowanseed.core.make.operation import On
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import STIFFEN, EdgePart

KEY = STIFFEN


def stiffened_ids(bench: Workbench) -> tuple[str, ...]:
    return tuple(f"{KEY}{id}" for id in bench.interfaced())


finds = finds_of(stiffened_ids, always)
why_not = why_not_of(stiffened_ids, always)


def needs_glue(bench: Workbench, id: str) -> str:
    """The rule of what is fused: not with an interfacing that was chosen to be sewn in."""
    return "the interfacing chosen is one to be sewn in: it has no glue" if _has_no_glue(bench) else ""


def finds_fused(bench: Workbench) -> Iterator[Duty]:
    """The usual way, but for a pile that shows: the iron would crush it."""
    for id in stiffened_ids(bench):
        if not needs_glue(bench, id):
            yield Duty((id,), by_choice=_crushes(bench, id))


why_not_fused = why_not_of(stiffened_ids, needs_glue)


def finds_sewn_in(bench: Workbench) -> Iterator[Duty]:
    """A choice for what may be fused; for the rest the usual way."""
    for id in stiffened_ids(bench):
        yield Duty((id,), by_choice=not (_has_no_glue(bench) or _crushes(bench, id)))


def _has_no_glue(bench: Workbench) -> bool:
    return bench.household.interfacing is Use.SEWN_IN


def _crushes(bench: Workbench, id: str) -> bool:
    """Whether fusing would crush a pile; of a facing nobody sees it."""
    return bench.household.surface.is_pile and id.removeprefix(KEY) not in bench.facings


def without_glue(bench: Workbench) -> tuple[str, ...]:
    """What to say where an interfacing is sewn in and a fusible was chosen."""
    is_fusible = bench.household.interfacing is Use.FUSIBLE
    return ("The interfacing chosen is a fusible: take one without glue for this.",) if is_fusible else ()


def stiffened_piece(duty: Duty) -> str:
    return duty.id.removeprefix(KEY)


def on_piece(bench: Workbench, id: str) -> On:
    return On(pieces=(id,), edges=shown(EdgePart(id, e.name) for e in bench.piece(id).edges))
