"""Collars: how deep they stand and fall, and their two layers."""

from __future__ import annotations

from rowanseed.core.compose.build import Build, Draw
from rowanseed.core.compose.description import CollarKind, Description, Interfaced
from rowanseed.core.compose.feature import Body
from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.pieces import Panel, Role

STAND = 32.0
FALL = 55.0
"""How high a collar stands and how far it falls, in mm."""


def has_collar(description: Description, *kinds: CollarKind) -> bool:
    return description.garment.has_bodice and description.features.collar in kinds


def neck_parts(body: Body) -> tuple[EdgePart, ...]:
    """One half of the neck, from the centre front to the centre back."""
    return (*body.front.neck, *reversed(body.back.neck))


def layers_of(build: Build, names: tuple[str, str], words: tuple[str, str], draw: Draw, fold: str | None) -> None:
    """A collar or a stand and the same again for its under side; without a fold in two halves."""
    upper, under = names
    halves = fold is None
    build.piece(upper, words[0], draw, panel=Panel.BAND, fold=fold, count=2 if halves else 1, pair=halves, collar=True)
    build.interface(upper, Interfaced.COLLAR)
    build.copy_of(under, upper, words[1], role=Role.MAIN)
