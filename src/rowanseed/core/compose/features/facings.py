"""Facings that the envelope draws: where they contradict what else is said of their edge.

They are drawn where their edges are finished: in `necks`, and at the waist.
"""

from __future__ import annotations

from rowanseed.core.base.words import upper_first
from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Body, Feature, Found
from rowanseed.core.compose.vocabulary import (
    ArmholeFinish,
    Centre,
    CollarKind,
    FacedEdge,
    HemKind,
    NeckFinish,
    Placket,
    Waist,
)

WHERE = "features.facing"


def forbids(d: Description) -> Found:
    f = d.features
    if FacedEdge.HEM in f.facing and f.hem.kind is not HemKind.FACED:
        yield WHERE, "A facing at the hem: say that the hem is faced."
    upper = (FacedEdge.NECK, FacedEdge.ARMHOLE, FacedEdge.FRONT)
    strange = next((edge for edge in upper if edge in f.facing and not d.garment.has_bodice), None)
    if strange is not None:
        yield WHERE, f"{upper_first(d.garment.has)} no {strange.words} to face."
        return
    if FacedEdge.NECK in f.facing and f.neck.finish not in (None, NeckFinish.FACING, NeckFinish.COLLAR):
        yield WHERE, f"The neck is finished by {f.neck.finish.words}: it has no facing." if f.neck.finish else ""
    taken_in = (CollarKind.STAND, CollarKind.SHIRT, CollarKind.ONE_PIECE, CollarKind.TIE)
    if FacedEdge.NECK in f.facing and f.collar in taken_in:
        yield WHERE, f"{upper_first(f.collar.one)} takes the neck's edge in: it has no facing." if f.collar else ""
    if FacedEdge.ARMHOLE in f.facing and f.sleeve is not None:
        yield WHERE, "The armhole goes into the sleeve: it has no facing."
    if FacedEdge.ARMHOLE in f.facing and f.armhole not in (None, ArmholeFinish.FACING):
        yield WHERE, f"The armhole is finished by {f.armhole.words}: it has no facing." if f.armhole else ""
    if FacedEdge.FRONT in f.facing and Centre.OPEN not in (f.front.centre, f.back.centre):
        yield WHERE, "A facing at the front needs edges that are open all the way down."
    if FacedEdge.FRONT in f.facing and f.opening.placket not in (None, Placket.FACING):
        yield WHERE, "The front edges have a placket: they have no facing besides."
    if FacedEdge.WAIST in f.facing and (d.garment.has_bodice or f.waist not in (None, Waist.FACING)):
        yield WHERE, "A facing at the waist finishes the top of a skirt or of trousers, in place of a band."
    if FacedEdge.WAIST in f.facing and f.opening.kind is None:
        yield WHERE, "A faced waist fits: say where and how it opens."


def joins(build: Build, body: Body) -> None:
    """A bagged lining meets the edges itself."""
    f = build.description.features
    if f.is_bagged:
        build.assumed[WHERE] = "the bagged lining meets the edges; a facing between them is not drafted"


FEATURES = (Feature("facings", asked=lambda d: bool(d.features.facing), forbids=forbids, joins=joins, rank=85),)
