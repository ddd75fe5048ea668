"""Underlining and interlining of the body's pieces; interfacing of fronts where it is asked for."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.feature import Feature
from rowanseed.core.compose.vocabulary import Interfaced
from rowanseed.core.pattern.making import Layer, LayerKind
from rowanseed.core.pattern.pieces import Panel, Role


def adds(build: Build) -> None:
    """Underlining and interlining of the body's pieces; interfacing of fronts where it is asked for."""
    features = build.description.features
    shell = [p.id for p in build.pieces.values() if p.panel in (Panel.FRONT, Panel.BACK)]
    for id in shell:
        piece = build.pieces[id]
        main = piece.cuts[0]
        if main.role is not Role.MAIN:
            continue
        if features.underlining:
            build.change(id, cuts=(*piece.cuts, replace(main, role=Role.UNDERLINING)))
        if features.interlining:
            build.layers.append(Layer(LayerKind.INTERLINING, id, id))
    if Interfaced.FRONT in features.interfacing and "front" in build.pieces and "band" not in build.pieces:
        build.interface("front", Interfaced.FRONT)


FEATURES = (Feature("layers", asked=lambda d: True, adds=adds, rank=50),)
