"""The layers that a garment was described with, as a project of it begins with them at the Cloth station."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.compose.bodice import PAD
from rowanseed.core.compose.description import Description, Lining
from rowanseed.core.compose.ease import is_free_at_the_hip
from rowanseed.core.compose.openings import is_lined_bodice
from rowanseed.core.compose.vocabulary import HemKind, LiningMethod, LiningOf, SleeveEnd
from rowanseed.core.derive.choice import Layers, LinedPart, LiningHem, LiningSchool
from rowanseed.core.derive.facing import can_be_faced
from rowanseed.core.derive.lining import can_be_lined, lined_parts, schools
from rowanseed.core.pattern.pattern import Pattern


def _part(of: LiningOf) -> LinedPart:
    return LinedPart(of.value)


def _worked_out(description: Description) -> Lining | None:
    """The lining that is not drawn: none that meets the edges itself, but what hangs below a bodice lined so."""
    lining = description.features.lining
    if lining is None or not description.features.is_bagged:
        return lining
    is_whole = is_lined_bodice(description) and lining.of is LiningOf.ALL
    return Lining(LiningOf.LOWER, LiningMethod.HANGING_FREE) if is_whole else None


def _hem(description: Description, lining: Lining) -> LiningHem:
    """Sewn to the hem, unless it is said to hang free; below a full skirt that is not sewn in it hangs narrower."""
    hangs = lining.method is LiningMethod.HANGING_FREE
    full = lining.method is LiningMethod.BY_HAND and is_free_at_the_hip(description)
    return LiningHem.FREE if hangs or full else LiningHem.ATTACHED


def described_layers(pattern: Pattern, description: Description, *, view: str, size: str) -> Layers:
    """Lining and faced edges, as far as they can be worked out; a bagged lining that meets the edges itself is there
    already.

    A lining that is sewn in, or bagged under a collar, ends at the facing; one that is hung or felled by hand is laid
    under it (common practice, no source).
    """
    lining, layers = _worked_out(description), Layers()
    sleeve = description.features.sleeve
    asked = {"hem"} if description.features.hem.kind is HemKind.FACED else set()
    asked |= {"wrist"} if sleeve is not None and sleeve.end is SleeveEnd.FACING else set()
    faced = tuple(finish.id for finish in can_be_faced(pattern, view) if finish.id in asked)
    if lining is not None and can_be_lined(pattern, view) and _part(lining.of) in lined_parts(pattern, view):
        possible = schools(pattern, view, size)
        beside = (LiningSchool.DEDUCT, LiningSchool.WHOLE)
        wanted = beside if lining.method in (LiningMethod.SEWN_IN, LiningMethod.BAGGED) else beside[::-1]
        layers = Layers(
            lining=next(school for school in (*wanted, *possible) if school in possible),
            of=_part(lining.of),
            hem=_hem(description, lining),
        )
    if description.features.pads and any(piece.has_edge("shoulder") for piece in pattern.pieces):
        layers = replace(layers, pad=PAD)
    return replace(layers, faced=faced)
