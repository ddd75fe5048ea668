"""Allowances that are wider than the pattern's own, where what is sewn there takes more."""

from __future__ import annotations

from collections.abc import Iterable

from rowanseed.core.base.units import in_both
from rowanseed.core.compose.build import Build
from rowanseed.core.compose.tunnels import seam_depth
from rowanseed.core.compose.vocabulary import ElasticPlace
from rowanseed.core.make.zip_kinds import IN_A_SEAM, WIDE
from rowanseed.core.pattern.making import ClosureKind, EdgePart

FOR_A_ZIP = 15.0
"""The allowances beside a zip where the pattern's own are too narrow for one, in mm (common practice, no source)."""


def room_for_a_tunnel(build: Build, parts: Iterable[EdgePart]) -> None:
    """Beside the waist seam whose allowances are stitched down over elastic or a cord."""
    depth = seam_depth(build.description, ElasticPlace.WAIST)
    for p in parts:
        build.allow(p.piece, p.edge, depth)
    if depth > build.description.allowance:
        build.assumed["features.waist"] = (
            f"the waist seam's allowances are drafted {in_both(depth)} wide: they are stitched down as a tunnel"
        )


def room_for_zips(build: Build) -> None:
    """Beside zips that lie in a seam."""
    zipped = {c.join for c in build.closures if c.kind in (*IN_A_SEAM, ClosureKind.FLY_ZIP)}
    narrow = [
        p
        for join in build.joins
        if join.id in zipped
        for p in (*join.a, *join.b)
        if build.pieces[p.piece].edge(p.edge).allowance < WIDE
    ]
    for p in narrow:
        build.allow(p.piece, p.edge, FOR_A_ZIP)
    if narrow:
        build.assumed["features.opening.kind"] = (
            f"the zip's seam is drafted with allowances of {in_both(FOR_A_ZIP)}: narrower ones take no zip"
        )
