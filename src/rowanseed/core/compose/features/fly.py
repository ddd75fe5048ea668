"""What a fly is made of besides its fronts: a facing for the side that laps, a shield behind the zip.

Their widths are common practice, no source.
"""

from __future__ import annotations

from rowanseed.core.compose.bands import band_draw
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Feature
from rowanseed.core.compose.figures import Size
from rowanseed.core.compose.vocabulary import Interfaced, OpeningKind
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.pattern.making import Closure, ClosureKind, Detail, DetailKind, EdgePart, FinishKind
from rowanseed.core.pattern.pieces import Panel

FACING, SHIELD = 45.0, 45.0
"""How wide both are, finished, in mm: the shield folded."""
BELOW = 15.0
"""They go on so far below the zip's end, in mm."""
SIDES = ("edge", "lower", "inner", "waist")


def adds(build: Build) -> None:
    fly = next((closure for closure in build.closures if closure.kind is ClosureKind.FLY_ZIP), None)
    if fly is None or fly.to_mark is None:
        return
    front = fly.to_mark[0]
    _facing(build, fly)
    _shield(build, fly)
    pieces = ("fly-facing", "fly-shield")
    build.details.append(Detail("fly", "Fly", DetailKind.FLY, pieces, on=(front,), along=(fly.join,)))


def _long(build: Build, fly: Closure, size: Size) -> float:
    assert fly.to_mark is not None
    piece, id = fly.to_mark
    mark = build.pieces[piece].mark(id)
    at = mark.distance[size.name]
    return (chain_length(build.edge(piece, mark.edge, size)) - at if mark.anchor == "end" else at) + BELOW


def _facing(build: Build, fly: Closure) -> None:
    def draw(size: Size) -> Edges:
        return band_draw(_long(build, fly, size), FACING, SIDES)

    build.piece("fly-facing", "Fly facing", draw, panel=Panel.BAND)
    build.interface("fly-facing", Interfaced.PLACKETS, Interfaced.FACINGS, Interfaced.FRONT)
    build.finish("fly-facing-ends", "Edges of the fly facing that are sewn over", FinishKind.CAUGHT, _of("fly-facing"))
    loose = (part("fly-facing", edge) for edge in ("inner", "lower"))
    build.finish("fly-facing-edge", "Inner edge of the fly facing", FinishKind.NEATENED, loose)
    build.allow("fly-facing", "inner", 0.0)
    build.allow("fly-facing", "lower", 0.0)


def _shield(build: Build, fly: Closure) -> None:
    def draw(size: Size) -> Edges:
        return band_draw(_long(build, fly, size), SHIELD, SIDES)

    build.piece("fly-shield", "Fly shield", draw, panel=Panel.BAND, fold="inner")
    build.join(
        "fly-shield-end",
        "Lower end of the fly shield",
        (part("fly-shield", "lower", "left"),),
        (part("fly-shield", "lower", "right"),),
    )
    build.finish("fly-shield-edges", "Open edges of the fly shield", FinishKind.CAUGHT, _of("fly-shield"))


def _of(piece: str) -> tuple[EdgePart, ...]:
    return tuple(part(piece, edge) for edge in ("edge", "waist"))


def _asked(d: Description) -> bool:
    return not d.garment.has_bodice and d.features.opening.kind is OpeningKind.FLY_ZIP


FEATURES = (Feature("fly", asked=_asked, adds=adds, rank=20),)
