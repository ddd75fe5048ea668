"""The layers that a garment was described with, as a project of it begins with them at the Cloth station."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.compose.description import Description, HemKind, LiningMethod, LiningOf
from rowanseed.core.derive.choice import Layers, LiningHem, LiningSchool
from rowanseed.core.derive.facing import can_be_faced
from rowanseed.core.derive.lining import can_be_lined, has_facings
from rowanseed.core.pattern.pattern import Pattern


def described_layers(pattern: Pattern, description: Description, *, view: str, size: str) -> Layers:
    """Lining and faced hem, as far as they can be worked out; a bagged lining is composed with the pieces already.

    A lining that is sewn in ends at the facing; one that is hung or felled by hand is laid under it (common practice,
    no source).
    """
    lining, layers = description.features.lining, Layers()
    hems = {finish.id for finish in can_be_faced(pattern, view)} & {"hem"}
    derived = lining is not None and lining.method is not LiningMethod.BAGGED and lining.of is LiningOf.ALL
    if lining is not None and derived and can_be_lined(pattern, view):
        sewn_to_facing = lining.method is LiningMethod.SEWN_IN and has_facings(pattern, view, size)
        layers = Layers(
            lining=LiningSchool.DEDUCT if sewn_to_facing else LiningSchool.WHOLE,
            hem=LiningHem.FREE if lining.method is LiningMethod.HANGING_FREE else LiningHem.ATTACHED,
        )
    return replace(layers, faced=tuple(hems)) if description.features.hem.kind is HemKind.FACED else layers
