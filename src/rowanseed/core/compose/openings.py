"""Openings in a bodice: which half opens, where its edges are open all the way, and where its fastenings stand."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.base.words import lower_first
from rowanseed.core.compose.bodice import FRONT_BAND
from rowanseed.core.compose.build import Build, part
from rowanseed.core.compose.description import (
    Centre,
    CollarKind,
    Description,
    FacedEdge,
    OpeningKind,
    Placket,
    Side,
    Where,
)
from rowanseed.core.compose.feature import Body
from rowanseed.core.compose.figures import Size
from rowanseed.core.compose.panels import Half
from rowanseed.core.pattern.making import Closure, ClosureKind, DetailKind, EdgePart, Join
from rowanseed.core.pattern.pieces import InnerPoint, PointKind

USUAL_COUNT, OF_HALF = 6, 3
"""So many buttons close an edge where nothing else is said, and a half placket."""
FIRST, LAST = 15.0, 105.0
"""The first lies so far below the neck, in mm, the last so far above the lower end."""
OF_THE_BOX = 30.0
"""In a half placket the last lies so far above the lower end, in mm."""


def opening_half(body: Body, description: Description) -> Half:
    """The half that opens."""
    return body.front if description.features.opening.where is Where.FRONT else body.back


def opening_side(description: Description) -> Side:
    """What the description says of the half that opens."""
    features = description.features
    return features.front if features.opening.where is Where.FRONT else features.back


def closes(description: Description) -> OpeningKind | None:
    """What an opening of a bodice is closed by; None where nothing closes it, or it has no bodice."""
    opening = description.features.opening
    return opening.kind if description.garment.has_bodice and opening.where is not Where.NONE else None


def closes_an_edge(description: Description) -> bool:
    """Whether edges that are open from neck to hem are closed by buttons, snaps, ties or hooks."""
    kind = closes(description)
    return kind is not None and not kind.zips_a_seam and opening_side(description).centre is Centre.OPEN


def is_half_placket(description: Description) -> bool:
    """Whether buttons or snaps close a part of a front or back that is cut on the fold."""
    laps = closes(description) in (OpeningKind.BUTTONS, OpeningKind.SNAPS)
    in_half = description.features.opening.where in (Where.FRONT, Where.BACK)
    return laps and in_half and opening_side(description).centre is Centre.FOLD


def placket(description: Description) -> Placket | None:
    """How edges that are closed are made up, as said or as is usual; None where the lining meets them or none is."""
    features = description.features
    if not closes_an_edge(description) or features.is_bagged:
        return None
    if features.opening.placket is not None:
        return features.opening.placket
    laps = features.opening.kind in (OpeningKind.BUTTONS, OpeningKind.SNAPS)
    return Placket.GROWN_ON if laps and FacedEdge.FRONT not in features.facing else Placket.FACING


def tell_placket(build: Build) -> None:
    """Say which placket was taken where none was said."""
    found = placket(build.description)
    if build.description.features.opening.placket is None and found is not None:
        build.assumed["features.opening.placket"] = found.words


def split_sides(build: Build, id: str) -> str:
    """Side seams told apart, since one has a zip or a pocket that the other has not; the id of the left one. Slits that
    they end in are told apart with them."""
    whole = next(j for j in build.joins if j.id == id)
    k = build.joins.index(whole)

    def one(hand: str) -> Join:
        def sided(parts: tuple[EdgePart, ...]) -> tuple[EdgePart, ...]:
            return tuple(replace(p, hand=hand) for p in parts)

        return replace(
            whole,
            id=f"{id}-{hand}",
            name=f"{hand.capitalize()} {lower_first(whole.name).removesuffix('s')}",
            a=sided(whole.a),
            b=sided(whole.b),
            each_hand=False,
        )

    build.joins[k : k + 1] = [one("left"), one("right")]
    hands = {"left": f"{id}-left", "right": f"{id}-right"}
    build.known_as(id, *hands.values())
    slits = [d for d in build.details if d.kind is DetailKind.SLIT and d.along == tuple(hands.values())]
    for slit in slits:
        k = build.details.index(slit)
        build.details[k : k + 1] = [
            replace(slit, id=f"{slit.id}-{hand}", name=f"{hand.capitalize()} {lower_first(slit.name)}", along=(own,))
            for hand, own in hands.items()
        ]
    return hands["left"]


def usual_count(description: Description) -> int:
    """How many buttons or snaps close an edge."""
    return description.features.opening.count or (OF_HALF if is_half_placket(description) else USUAL_COUNT)


def fastening_mark(description: Description) -> PointKind | None:
    """The mark that its fastenings have; None where no single ones close it."""
    match description.features.opening.kind:
        case OpeningKind.BUTTONS:
            return PointKind.BUTTONHOLE
        case OpeningKind.SNAPS:
            return PointKind.BUTTON
        case _:
            return None


def closing(build: Build, half: Half, join: str) -> None:
    """The closure on an open edge, with its places."""
    opening = build.description.features.opening
    assert opening.kind is not None
    kinds = {
        OpeningKind.BUTTONS: ClosureKind.BUTTONS,
        OpeningKind.SNAPS: ClosureKind.SNAPS,
        OpeningKind.TIES: ClosureKind.TIES,
        OpeningKind.HOOK_AND_EYE: ClosureKind.HOOK_AND_EYE,
        OpeningKind.SEPARATING_ZIP: ClosureKind.SEPARATING_ZIP,
    }
    build.closures.append(Closure("opening", kinds.get(opening.kind, ClosureKind.BUTTONS), join))
    kind = fastening_mark(build.description)
    if kind is None:
        return
    if opening.count is None:
        build.assumed["features.opening.count"] = f"{usual_count(build.description)} of them"
    # A collar's stand has the uppermost of them.
    count = max(1, usual_count(build.description) - int(build.description.features.collar is CollarKind.SHIRT))
    banded = "band" in build.pieces
    last = OF_THE_BOX if is_half_placket(build.description) else LAST
    where = part("band", "front") if banded else half.centre[-1]

    def at(size: Size, k: int) -> tuple[float, float]:
        chain = build.edge(where.piece, where.edge, size)
        low, high = sorted((chain[0].start[0], chain[-1].end[0]))
        x = low + FIRST + k * (high - low - FIRST - last) / max(1, count - 1)
        return (x, FRONT_BAND * 1.5 if banded else 0.0)

    build.point(
        where.piece,
        *(
            InnerPoint(f"button-{k + 1}", kind, {size.name: at(size, k) for size in build.figures.sizes})
            for k in range(count)
        ),
    )
