"""Straps: strips folded to four layers, sewn in, or closed at one end."""

from __future__ import annotations

from rowanseed.core.compose.bands import band_draw
from rowanseed.core.compose.build import Build, part
from rowanseed.core.compose.description import Straps
from rowanseed.core.compose.feature import Feature
from rowanseed.core.compose.features.bib import BIB, EDGE, height
from rowanseed.core.compose.features.strapped_top import MARK
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import StrapsClosed
from rowanseed.core.pattern.making import Closure, ClosureKind, Detail, DetailKind, FinishKind
from rowanseed.core.pattern.pieces import Panel

LONG = {StrapsClosed.SEWN_IN: 420.0, StrapsClosed.BUTTONS: 480.0, StrapsClosed.SNAPS: 440.0, StrapsClosed.TIES: 450.0}
"""Length of a strap as it is cut, for a woman's height, in mm; the body decides (common practice, no source)."""
TIED, ROUND = 620.0, 300.0
"""A strip that is tied behind the neck, and what one strap of a bib has for the back of the neck."""
UP, LEAST, OVER = 420.0, 40.0, 560.0
"""From the waist up to the shoulder, what of that a strap has at least above a bib, and from the shoulder across the
back down to the band, ends turned in."""
LOOP = 560.0
"""From the front's upper edge round the neck and back to it, ends turned in, for a woman's height, in mm; the body
decides (common practice, no source)."""
NECK_TIES, OVER_THE_SHOULDERS = 2, 2


def adds(build: Build) -> None:
    asked = build.description.features.straps
    if asked is None:
        return
    wide, on_bib = asked.width, BIB in build.pieces
    build.piece(
        "strap",
        "Strap",
        lambda size: band_draw(_long(build, asked, size), 4 * wide, ("a", "lower", "b", "upper")),
        panel=Panel.OTHER,
        count=_number(build, asked),
        allowances=dict.fromkeys(("a", "b"), 0.0),
    )
    long = (part("strap", "a"), part("strap", "b"))
    build.finish("strap-sides", "Long edges of the straps", FinishKind.TURNED, long)
    _ends(build, asked)
    joins = {j.id for j in build.joins}
    neck = build.along.get("neck", ())
    along = (EDGE,) if on_bib else neck if set(neck) <= joins else ()
    if not along:
        build.assumed["features.straps"] = "their ends are sewn to the inside of the edge: no seam catches them"
    build.details.append(
        Detail(
            "straps",
            "Straps",
            DetailKind.STRAP,
            pieces=("strap",),
            on=_held_by(asked) if on_bib else _at_the_neck(build),
            along=along,
            count=_number(build, asked),
            width=wide,
        )
    )


CLOSED = {
    StrapsClosed.BUTTONS: ClosureKind.BUTTONS,
    StrapsClosed.SNAPS: ClosureKind.SNAPS,
    StrapsClosed.TIES: ClosureKind.TIES,
}


def _number(build: Build, straps: Straps) -> int:
    """How many are cut: one that is tied is two, which meet on the shoulder; behind the neck two do."""
    if build.description.is_halter:
        return NECK_TIES if straps.closed_by is StrapsClosed.TIES else 1
    if straps.closed_by is not StrapsClosed.TIES:
        return straps.count
    return NECK_TIES if BIB in build.pieces else straps.count * 2


def _held_by(straps: Straps) -> tuple[str, ...]:
    """What straps of a bib are sewn to, or closed on: those over the shoulders to its band, too."""
    behind = straps.closed_by is not StrapsClosed.TIES and straps.count == OVER_THE_SHOULDERS
    return (BIB, "waistband") if behind else (BIB,)


def _at_the_neck(build: Build) -> tuple[str, ...]:
    """The fronts that hold straps which go round the neck; none of those that go over the shoulders."""
    if not build.description.is_halter:
        return ()
    marked = (id for id, piece in build.pieces.items() if any(mark.id == MARK for mark in piece.marks))
    return tuple(id for id in marked if build.pieces[id].panel is Panel.FRONT)


def _long(build: Build, straps: Straps, size: Size) -> float:
    """How long a strap is cut, in mm."""
    if build.description.is_halter:
        return (TIED if straps.closed_by is StrapsClosed.TIES else LOOP) * size.tall
    if BIB not in build.pieces:
        return LONG[straps.closed_by] * size.tall
    if straps.closed_by is StrapsClosed.TIES:
        return TIED * size.tall
    up = UP * size.tall - height(build.description, size)
    return max(LEAST, up) + OVER * size.tall if len(_held_by(straps)) > 1 else 2 * max(0.0, up) + ROUND * size.tall


def _ends(build: Build, straps: Straps) -> None:
    """Both ends caught in the garment, or one of them free, turned in and closed."""
    lower, upper = part("strap", "lower"), part("strap", "upper")
    kind = CLOSED.get(straps.closed_by)
    if kind is None:
        build.finish("strap-ends", "Ends of the straps", FinishKind.CAUGHT, (lower, upper))
        return
    build.finish("strap-ends", "Ends of the straps that are sewn in", FinishKind.CAUGHT, (lower,))
    build.finish("strap-free-ends", "Free ends of the straps", FinishKind.TURNED, (upper,))
    build.closures.append(Closure("strap-closure", kind, "strap-free-ends"))


FEATURES = (Feature("straps", asked=lambda d: d.features.straps is not None, adds=adds, rank=30),)
