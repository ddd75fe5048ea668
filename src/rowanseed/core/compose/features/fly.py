"""What a fly is made of besides its fronts: a facing for the side that laps, a shield behind the zip or the buttons,
and a strip with the buttonholes where it has no zip.

Their widths are common practice, no source.
"""

from __future__ import annotations

from rowanseed.core.base.words import lower_first
from rowanseed.core.compose.bands import band_draw
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Feature
from rowanseed.core.compose.openings import is_button_fly
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import Interfaced, OpeningKind, Waist
from rowanseed.core.compose.waists import waist_finish
from rowanseed.core.geometry.outline import Point, chain_length
from rowanseed.core.pattern.making import Closure, ClosureKind, Detail, DetailKind, EdgePart, FinishKind
from rowanseed.core.pattern.pieces import InnerPoint, Panel, PointKind

FACING, SHIELD = 45.0, 45.0
"""How wide both are, finished, in mm: the shield folded."""
BELOW = 15.0
"""They go on so far below the zip's end, in mm."""
SIDES = ("edge", "lower", "inner", "waist")
FLIES = (ClosureKind.FLY_ZIP, ClosureKind.BUTTON_FLY)
HOLE, UPPER, LOWER, APART = 15.0, 25.0, 20.0, 25.0
"""A button sits so far from the strip's fold; the first so far below its upper end, the last so far above the
end of the opening, and they stand so far apart at least, in mm."""
BUTTONS = 4
"""So many are usual on the strip, the one in the band not counted (common practice, no source)."""


def adds(build: Build) -> None:
    fly = next((closure for closure in build.closures if closure.kind in FLIES), None)
    if fly is None or fly.to_mark is None:
        return
    front = fly.to_mark[0]
    _facing(build, fly)
    _folded(build, fly, "fly-shield", "Fly shield")
    pieces: tuple[str, ...] = ("fly-facing", "fly-shield")
    if fly.kind is ClosureKind.BUTTON_FLY:
        _folded(build, fly, "fly-strip", "Fly buttonhole strip")
        build.interface("fly-strip", Interfaced.PLACKETS)
        _holes(build, fly)
        pieces = (*pieces, "fly-strip")
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


def _folded(build: Build, fly: Closure, id: str, name: str) -> None:
    """A piece folded along its length, its lower end sewn, its open edges caught where it is sewn on."""

    def draw(size: Size) -> Edges:
        return band_draw(_long(build, fly, size), SHIELD, SIDES)

    build.piece(id, name, draw, panel=Panel.BAND, fold="inner")
    build.join(
        f"{id}-end",
        f"Lower end of the {lower_first(name)}",
        (part(id, "lower", "left"),),
        (part(id, "lower", "right"),),
    )
    build.finish(f"{id}-edges", f"Open edges of the {lower_first(name)}", FinishKind.CAUGHT, _of(id))


def _holes(build: Build, fly: Closure) -> None:
    """The buttonholes, evenly down the strip."""
    asked, banded = build.description.features.opening.count, waist_finish(build.description) is Waist.WAISTBAND

    def last(size: Size) -> float:
        return _long(build, fly, size) - BELOW - LOWER

    room = 1 + max(0, int((min(last(size) for size in build.figures.sizes) - UPPER) // APART))
    count = min(BUTTONS, room) if asked is None else max(1, asked - banded)
    if asked is None:
        build.assumed["features.opening.count"] = f"{count + banded} of them" + (", one in the band" if banded else "")
    elif asked <= banded:
        build.refused.append(("features.opening.count", "A fly has one in its band, and one below that at least."))
    elif count > room:
        said = f"So short a fly has room for {room + banded} of them: have fewer, or let it open farther."
        build.refused.append(("features.opening.count", said))

    def at(size: Size, k: int) -> Point:
        return (UPPER + k * (last(size) - UPPER) / max(1, count - 1), SHIELD - HOLE)

    places = (
        InnerPoint(f"button-{k + 1}", PointKind.BUTTONHOLE, {size.name: at(size, k) for size in build.figures.sizes})
        for k in range(count)
    )
    build.point("fly-strip", *places)


def _of(piece: str) -> tuple[EdgePart, ...]:
    return tuple(part(piece, edge) for edge in ("edge", "waist"))


def _asked(d: Description) -> bool:
    zipped = not d.garment.has_bodice and d.features.opening.kind is OpeningKind.FLY_ZIP
    return zipped or is_button_fly(d)


FEATURES = (Feature("fly", asked=_asked, adds=adds, rank=20),)
