"""Straps: strips folded to four layers, sewn in, or closed at one end."""

from __future__ import annotations

from rowanseed.core.compose.bands import band_draw
from rowanseed.core.compose.build import Build, part
from rowanseed.core.compose.description import Straps
from rowanseed.core.compose.feature import Feature
from rowanseed.core.compose.vocabulary import StrapsClosed
from rowanseed.core.pattern.making import Closure, ClosureKind, Detail, DetailKind, FinishKind
from rowanseed.core.pattern.pieces import Panel

LONG = {StrapsClosed.SEWN_IN: 420.0, StrapsClosed.BUTTONS: 480.0, StrapsClosed.SNAPS: 440.0, StrapsClosed.TIES: 450.0}
"""Length of a strap as it is cut, for a woman's height, in mm; the body decides (common practice, no source)."""


def adds(build: Build) -> None:
    asked = build.description.features.straps
    if asked is None:
        return
    wide = asked.width
    build.piece(
        "strap",
        "Strap",
        lambda size: band_draw(LONG[asked.closed_by] * size.tall, 4 * wide, ("a", "lower", "b", "upper")),
        panel=Panel.OTHER,
        count=_number(asked),
        allowances=dict.fromkeys(("a", "b"), 0.0),
    )
    long = (part("strap", "a"), part("strap", "b"))
    build.finish("strap-sides", "Long edges of the straps", FinishKind.TURNED, long)
    _ends(build, asked)
    joins = {j.id for j in build.joins}
    neck = build.along.get("neck", ())
    along = neck if set(neck) <= joins else ()
    if not along:
        build.assumed["features.straps"] = "their ends are sewn to the inside of the edge: no seam catches them"
    build.details.append(
        Detail("straps", "Straps", DetailKind.STRAP, pieces=("strap",), along=along, count=_number(asked), width=wide)
    )


CLOSED = {
    StrapsClosed.BUTTONS: ClosureKind.BUTTONS,
    StrapsClosed.SNAPS: ClosureKind.SNAPS,
    StrapsClosed.TIES: ClosureKind.TIES,
}


def _number(straps: Straps) -> int:
    """How many are cut: one that is tied is two, which meet on the shoulder."""
    return straps.count * 2 if straps.closed_by is StrapsClosed.TIES else straps.count


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
