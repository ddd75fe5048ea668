"""Openings in a bodice: which half opens, where its edges are open all the way, and where its fastenings stand."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.base.words import lower_first
from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Description, Side
from rowanseed.core.compose.feature import Body
from rowanseed.core.compose.panels import Half
from rowanseed.core.compose.vocabulary import Centre, FacedEdge, GarmentKind, LiningOf, OpeningKind, Placket, Where
from rowanseed.core.pattern.below_waist import LEGS, SKIRT
from rowanseed.core.pattern.making import DetailKind, EdgePart, Join


def opening_half(body: Body, description: Description) -> Half:
    """The half that opens."""
    return body.front if description.features.opening.where is Where.FRONT else body.back


def opening_side(description: Description) -> Side:
    """What the description says of the half that opens."""
    features = description.features
    return features.front if features.opening.where is Where.FRONT else features.back


def closes(description: Description) -> OpeningKind | None:
    """What closes an opening of a bodice, or edges of a skirt that are open all the way; None where nothing does, or it
    opens otherwise."""
    opening = description.features.opening
    opened = description.garment.has_bodice or is_open_skirt(description)
    return opening.kind if opened and opening.where is not Where.NONE else None


def is_open_skirt(description: Description) -> bool:
    """Whether a skirt of its own is open from the waist to the hem."""
    return description.garment is GarmentKind.SKIRT and opening_side(description).centre is Centre.OPEN


def is_wrapped_skirt(description: Description) -> bool:
    """Whether a skirt that is open all the way laps far over itself, and is tied."""
    return is_open_skirt(description) and description.features.opening.kind is OpeningKind.TIES


def is_button_fly(description: Description) -> bool:
    """Whether the fronts of trousers are closed by a fly that buttons."""
    opening = description.features.opening
    buttoned = opening.kind is OpeningKind.BUTTONS and opening.where is Where.FRONT
    return description.garment is GarmentKind.TROUSERS and buttoned


def closes_an_edge(description: Description) -> bool:
    """Whether edges that are open from neck to hem are closed by buttons, snaps, ties or hooks."""
    kind = closes(description)
    return kind is not None and not kind.zips_a_seam and opening_side(description).centre is Centre.OPEN


def is_half_placket(description: Description) -> bool:
    """Whether buttons or snaps close a part of a front or back that is cut on the fold."""
    laps = closes(description) in (OpeningKind.BUTTONS, OpeningKind.SNAPS)
    in_half = description.features.opening.where in (Where.FRONT, Where.BACK)
    return description.garment.has_bodice and laps and in_half and opening_side(description).centre is Centre.FOLD


def is_lined_bodice(description: Description) -> bool:
    """Whether a lining finishes neck and armholes of a bodice, and ends at its waist seam: what lines the skirt hangs
    from there by itself."""
    features = description.features
    upper = features.lining is not None and features.lining.of in (LiningOf.UPPER, LiningOf.ALL)
    return upper and features.is_bagged and description.has_waist_seam


def placket(description: Description) -> Placket | None:
    """How edges that are closed are made up, as said or as is usual; None where the lining meets them or none is."""
    features = description.features
    if not closes_an_edge(description) or features.is_bagged:
        return None
    if features.opening.placket is not None:
        return features.opening.placket
    if is_wrapped_skirt(description):
        return None
    laps = features.opening.kind in (OpeningKind.BUTTONS, OpeningKind.SNAPS)
    faced = FacedEdge.FRONT in features.facing or features.opening.double_breasted
    return Placket.GROWN_ON if laps and not faced else Placket.FACING


def tell_placket(build: Build) -> None:
    """Say which placket was taken where none was said."""
    found = placket(build.description)
    if build.description.features.opening.placket is None and found is not None:
        build.assumed["features.opening.placket"] = found.words


LOWER = {"sides": ("skirt-sides", "trouser-outseams"), "sides-left": ("skirt-sides-left", "trouser-outseams-left")}
"""What the sides of a skirt and of legs are called beside those of the bodice above them."""


def seam_below(build: Build, id: str) -> Join | None:
    """The seam of a skirt, or of legs, that goes on below the waist where one of the bodice ends."""
    ids = LOWER.get(id, (f"{SKIRT}{id}", f"{LEGS}{id}"))
    return next((join for join in build.joins if join.id in ids), None)


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
