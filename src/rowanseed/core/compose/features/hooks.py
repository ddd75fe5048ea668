"""A centre seam left open at its top, turned in along it, and closed by hooks, ties, buttons or snaps."""

from __future__ import annotations

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Description, GarmentKind, OpeningKind, Where
from rowanseed.core.compose.feature import Body, Ended, Feature
from rowanseed.core.compose.openings import closes, closes_an_edge, opening_half
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.pattern.making import Closure, ClosureKind, Detail, DetailKind
from rowanseed.core.pattern.pieces import Mark, MarkKind

SEWN_BELOW = 20.0
"""So much of a seam is sewn below what opens it at least, in mm."""
LONG = 180.0
"""The usual length of an opening below the neck, in mm."""
KINDS = {
    OpeningKind.BUTTONS: ClosureKind.BUTTONS,
    OpeningKind.SNAPS: ClosureKind.SNAPS,
    OpeningKind.TIES: ClosureKind.TIES,
}


def below_the_neck(build: Build, body: Body) -> None:
    opening = build.description.features.opening
    half = opening_half(body, build.description)
    where, join = half.centre[0], f"centre-{half.name}"
    reach = min(chain_length(build.edge(where.piece, where.edge, size)) for size in build.figures.sizes) - SEWN_BELOW
    long = min(reach, opening.length or LONG)
    if opening.length is not None and opening.length > reach:
        most = int(reach / 10)
        build.refused.append(("features.opening.length", f"Its seam is shorter: it opens by {most} cm at most."))
    build.mark(where.piece, Mark("slit-end", MarkKind.DOT, where.edge, "start", build.each(lambda size: long)))
    build.details.append(
        Detail("slit", "Opening below the neck", DetailKind.SLIT, along=(join,), to_mark=(where.piece, "slit-end"))
    )
    kind = ClosureKind.TIES if opening.kind is OpeningKind.TIES else ClosureKind.HOOK_AND_EYE
    build.closures.append(Closure("opening", kind, join))


def _below_the_neck(d: Description) -> bool:
    kind = closes(d)
    if kind is None or kind.zips_a_seam or kind in (OpeningKind.SLIT, OpeningKind.KEYHOLE):
        return False
    return not closes_an_edge(d)


def at_a_waist(build: Build, body: Body) -> None:
    kind, half = build.description.features.opening.kind, opening_half(body, build.description)
    found = KINDS.get(kind, ClosureKind.HOOK_AND_EYE) if kind is not None else ClosureKind.HOOK_AND_EYE
    build.closures.append(Closure("opening", found, f"centre-{half.name}"))


def _at_a_waist(d: Description) -> bool:
    opening = d.features.opening
    closed = opening.kind is not None and not opening.kind.zips_a_seam and opening.where is not Where.NONE
    return d.garment is GarmentKind.SKIRT and closed


ENDS = frozenset({Ended.OPENING})
FEATURES = (
    Feature("hooks-below-the-neck", asked=_below_the_neck, ends=ENDS, finish=below_the_neck),
    Feature("hooks-at-a-waist", asked=_at_a_waist, ends=ENDS, finish=at_a_waist),
)
