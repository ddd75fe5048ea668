"""Plackets slashed into a sleeve above its cuff, and how far the cuff laps there."""

from __future__ import annotations

from typing import assert_never

from rowanseed.core.compose.bands import Laps, band_draw
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.drafting import straight
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import Interfaced, SleevePlacket
from rowanseed.core.geometry.outline import Point, chain_length
from rowanseed.core.make.families.slashed import BESIDE
from rowanseed.core.make.techniques.continuous_placket import SEAM, STRIP
from rowanseed.core.make.techniques.tower_placket import BOX, PAST
from rowanseed.core.pattern.making import Detail, DetailKind, FinishKind
from rowanseed.core.pattern.pieces import LineKind, Panel

PIECE, DETAIL = "sleeve-placket", "sleeve-placket"
STRIP_SLASH, TOWER_SLASH = 90.0, 120.0
"""How far the slash runs up from the sleeve's end, in mm; here and below: common practice, no source."""
SHARE = 0.6
"""It runs up no farther than this share of the underarm seam."""
FROM_THE_FRONT = 0.75
"""Where the slash lies in the sleeve's end, as a share of it from the front."""
UNDERLAP, STRIP_LAP = 12.0, 25.0
"""How wide the underlap of a tower placket is; how far a cuff laps over a strip, in mm."""
OVERLAP = 25.0
"""How wide the overlap of a tower placket is, in mm."""
ABOVE, TOWER = 12.0, 25.0
"""How far the placket's layers reach above the end of the slash, and its overlap up to where the point begins."""
FACING, ROUND = 60.0, 30.0
"""How wide the facing of a slash is, and how far it reaches above its end, in mm."""
NARROW = 6.0
"""The placket's own allowance, in mm."""


def laps(kind: SleevePlacket | None) -> Laps | None:
    """How far a cuff reaches past the edge of the sleeve that is sewn to it; None where nothing opens it.

    The ends of a cuff lie on the folds of a tower placket: beyond the box, which is taken out of the sleeve's edge.
    """
    match kind:
        case None:
            return None
        case SleevePlacket.CONTINUOUS:
            return Laps(STRIP_LAP, worn=STRIP_LAP)
        case SleevePlacket.TOWER:
            under, over = UNDERLAP - BOX, OVERLAP - BOX
            return Laps(under, over, worn=under + over)
        case SleevePlacket.FACED:
            # Its seam takes so much of both sides of the slash.
            return Laps(STRIP_LAP - 2 * BESIDE, worn=STRIP_LAP)
        case _ as never:
            assert_never(never)


def add(build: Build, kind: SleevePlacket | None) -> None:
    match kind:
        case None:
            return
        case SleevePlacket.CONTINUOUS:
            _slash(build, STRIP_SLASH)
            _strip(build)
            _detail(build, DetailKind.CONTINUOUS_PLACKET)
        case SleevePlacket.TOWER:
            _slash(build, TOWER_SLASH)
            _tower(build)
            _detail(build, DetailKind.TOWER_PLACKET)
        case SleevePlacket.FACED:
            _slash(build, STRIP_SLASH)
            _facing(build)
            _detail(build, DetailKind.FACED_SLIT)
        case _ as never:
            assert_never(never)


def _detail(build: Build, kind: DetailKind) -> None:
    build.details.append(Detail(DETAIL, "Sleeve plackets", kind, (PIECE,), on=("sleeve",), count=2))


def _long(build: Build, most: float, size: Size) -> float:
    return min(most, SHARE * chain_length(build.edge("sleeve", "underarm-back", size)))


def _slash(build: Build, most: float) -> None:
    """The line to be slashed, at the back of the sleeve's end."""

    def ends(size: Size) -> tuple[Point, Point]:
        edge = build.edge("sleeve", "wrist", size)
        (x, y0), (_, y1) = edge[0].start, edge[-1].end
        y = y0 + (y1 - y0) * FROM_THE_FRONT
        return (x - _long(build, most, size), y), (x, y)

    build.line("sleeve", LineKind.PLACEMENT, "slash", ends)


def _strip(build: Build) -> None:
    """The strip that runs round the slash, twice as long; its ends are caught in the cuff."""
    long, ends = ("slash", "turned-in"), ("back-end", "front-end")
    edges = ("slash", "back-end", "turned-in", "front-end")
    build.piece(
        PIECE,
        "Sleeve placket strip",
        lambda size: band_draw(2 * _long(build, STRIP_SLASH, size), STRIP - 2 * SEAM, edges),
        panel=Panel.BAND,
        count=2,
        allowances={**dict.fromkeys(long, SEAM), **dict.fromkeys(ends, _at_the_wrist(build))},
    )
    _caught_in_the_cuff(build, long, ends)


def _at_the_wrist(build: Build) -> float:
    return build.pieces["sleeve"].edge("wrist").allowance


def _caught_in_the_cuff(build: Build, edges: tuple[str, ...], ends: tuple[str, ...]) -> None:
    for id, name, kind, sewn in (
        ("edges", "Edges of the sleeve plackets", FinishKind.TURNED, edges),
        ("end", "Lower ends of the sleeve plackets", FinishKind.CAUGHT, ends),
    ):
        build.finish(f"{PIECE}-{id}", name, kind, (part(PIECE, edge) for edge in sewn))


def _facing(build: Build) -> None:
    """What lies on the right side of the slash, is sewn round it and turned in; its lower end is caught in the cuff."""
    free = ("side-back", "top", "side-front")

    def long(size: Size) -> float:
        return _long(build, STRIP_SLASH, size)

    build.piece(
        PIECE,
        "Sleeve placket facing",
        lambda size: band_draw(long(size) + ROUND, FACING, ("side-back", "end", "side-front", "top")),
        panel=Panel.OTHER,
        count=2,
        allowances={**dict.fromkeys(free, 0.0), "end": _at_the_wrist(build)},
    )
    middle = FACING / 2
    build.line(
        PIECE,
        LineKind.PLACEMENT,
        "slash",
        lambda size: ((ROUND, middle), (long(size) + ROUND, middle)),
    )
    for id, name, kind, sewn in (
        ("edges", "Edges of the sleeve placket facings", FinishKind.NEATENED, free),
        ("end", "Lower ends of the sleeve placket facings", FinishKind.CAUGHT, ("end",)),
    ):
        build.finish(f"{PIECE}-{id}", name, kind, (part(PIECE, edge) for edge in sewn))


def _tower(build: Build) -> None:
    """One piece, the grain along the slash: the underlap, the box round the slash, the overlap with its point.

    It is drawn as it lies on the wrong side of the sleeve, seen through it: from the sleeve's end up, the overlap
    towards the front. Each half is folded once; the layer that covers the row is wider by what it passes it by.
    """
    fold = UNDERLAP + PAST
    seam = fold + UNDERLAP
    slash = seam + BOX
    over = slash + BOX + OVERLAP
    wide = over + OVERLAP + PAST

    def end_of_slash(size: Size) -> float:
        return _long(build, TOWER_SLASH, size)

    def draw(size: Size) -> Edges:
        top, eave = end_of_slash(size) + ABOVE, end_of_slash(size) + TOWER
        roof = [(top, over), (eave, over), (eave + OVERLAP / 2, (over + wide) / 2), (eave, wide)]
        return {
            "underlap": straight((0.0, 0.0), (top, 0.0)),
            "top": straight((top, 0.0), (top, over)),
            "point": straight(*roof),
            "overlap": straight((eave, wide), (0.0, wide)),
            "end": straight((0.0, wide), (0.0, 0.0)),
        }

    edges = ("underlap", "top", "point", "overlap")
    build.piece(
        PIECE,
        "Sleeve placket",
        draw,
        panel=Panel.BAND,
        count=2,
        pair=True,
        allowances={**dict.fromkeys(edges, NARROW), "end": _at_the_wrist(build)},
    )
    build.line(PIECE, LineKind.PLACEMENT, "slash", lambda size: ((0.0, slash), (end_of_slash(size), slash)))
    for half, at in (("underlap", fold), ("overlap", over)):
        build.line(
            PIECE,
            LineKind.FOLD,
            f"{half}-fold",
            lambda size, at=at: ((0.0, at), (end_of_slash(size) + ABOVE, at)),
        )
    build.interface(PIECE, Interfaced.PLACKETS)
    _caught_in_the_cuff(build, edges, ("end",))
