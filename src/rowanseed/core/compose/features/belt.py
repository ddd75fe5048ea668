"""Belts: a tie belt, a back belt."""

from __future__ import annotations

from rowanseed.core.compose.bands import band_draw
from rowanseed.core.compose.build import Build, part
from rowanseed.core.compose.feature import Feature
from rowanseed.core.compose.vocabulary import BeltKind
from rowanseed.core.pattern.making import Detail, DetailKind, FinishKind
from rowanseed.core.pattern.pieces import Panel


def adds(build: Build) -> None:
    kind = build.description.features.belt
    if kind is None:
        return
    edges = ("a", "lower", "b", "upper")
    if kind is BeltKind.TIE:
        build.piece(
            "tie-belt",
            "Tie belt",
            lambda size: band_draw(size.body_waist / 2 + 500.0, 70.0, edges),
            panel=Panel.OTHER,
            count=2,
            pair=True,
        )
        build.join(
            "belt-seam", "Seam of the belt", (part("tie-belt", "upper", "left"),), (part("tie-belt", "upper", "right"),)
        )
        rest = (part("tie-belt", e) for e in ("a", "lower", "b"))
        build.finish("belt-edges", "Edges of the belt", FinishKind.TURNED, rest)
        build.details.append(Detail("belt", "Tie belt", DetailKind.TIE_BELT, pieces=("tie-belt",)))
        return
    build.piece(
        "back-belt",
        "Back belt",
        lambda size: band_draw((size.waist or size.bust) / 4 + 25.0, 40.0, edges),
        panel=Panel.OTHER,
        count=4,
    )
    build.finish("belt-edges", "Edges of the belt", FinishKind.TURNED, (part("back-belt", e) for e in edges))


FEATURES = (Feature("belt", asked=lambda d: d.features.belt is not None, adds=adds, rank=40),)
