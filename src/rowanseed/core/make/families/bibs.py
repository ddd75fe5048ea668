"""Bibs, and the straps that hold them up."""

from __future__ import annotations

from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Detail, DetailKind
from rowanseed.core.pattern.pieces import Panel

ID, STRAP = "bib", "bib strap"


def bib_of(bench: Workbench, straps: Detail) -> Detail | None:
    """The bib that straps hold up; None for straps of a bodice, or of an edge."""
    return next((bib for bib in bench.details_of(DetailKind.BIB) if set(bib.pieces) & set(straps.on)), None)


def held_up_by(bench: Workbench, bib: Detail) -> Detail | None:
    """The straps that hold a bib up."""
    return next((one for one in bench.details_of(DetailKind.STRAP) if set(bib.pieces) & set(one.on)), None)


def goes_over_the_shoulders(bib: Detail, straps: Detail) -> bool:
    """Whether the straps run on to the band behind; else they go round the neck."""
    return bool(set(bib.on) & set(straps.on))


def goes_round_the_neck(bench: Workbench, straps: Detail) -> bool:
    """Whether straps hold up a bib, or a front, from the neck."""
    bib = bib_of(bench, straps)
    if bib is not None:
        return not goes_over_the_shoulders(bib, straps)
    return bool(straps.on) and all(bench.panel(id) is Panel.FRONT for id in straps.on)
