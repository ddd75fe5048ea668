"""Collars: how deep they stand and fall, and their two layers."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.compose.bodice import FRONT_BAND
from rowanseed.core.compose.build import Build, Draw, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Body
from rowanseed.core.compose.panels import Half
from rowanseed.core.compose.vocabulary import CollarKind, Interfaced
from rowanseed.core.pattern.making import BAND_FOLD, BESIDE_CENTRE, LOWER_FOLD, NECK_CENTRE, EdgePart
from rowanseed.core.pattern.pieces import Mark, MarkKind, Panel, Role

STAND = 32.0
FALL = 55.0
"""How high a collar stands and how far it falls, in mm."""


def has_collar(description: Description, *kinds: CollarKind) -> bool:
    return description.garment.has_bodice and description.features.collar in kinds


def neck_parts(body: Body) -> tuple[EdgePart, ...]:
    """One half of the neck, from the centre front to the centre back."""
    return (*body.front.neck, *reversed(body.back.neck))


def neck_on_band(build: Build, half: Half) -> None:
    """The neck goes on over the outer layer of the band that laps there."""
    build.mark("band", Mark(BAND_FOLD, MarkKind.DOT, "top", "start", build.each(lambda size: FRONT_BAND)))
    half.neck.insert(0, replace(part("band", "top"), to_mark=BAND_FOLD))


def hem_on_band(build: Build, half: Half) -> None:
    """The lower edge goes on over the outer layer of the band that laps there, on to a band of its own."""
    build.mark("band", Mark(LOWER_FOLD, MarkKind.DOT, "end", "end", build.each(lambda size: FRONT_BAND)))
    half.lower.insert(0, replace(part("band", "end"), from_mark=LOWER_FOLD))


def to_the_centre(
    build: Build, parts: tuple[EdgePart, ...], *, beside: float = 0.0
) -> tuple[tuple[EdgePart, ...], tuple[EdgePart, ...]]:
    """(the neck's parts up to the centre line, or `beside` mm before it, what laps beyond that)."""
    inner, beyond = list[EdgePart](), list[EdgePart]()
    for p in parts:
        mark = _centre_mark(build, p, beside)
        if mark is None:
            inner.append(p)
            continue
        build.mark(p.piece, mark)
        inner.append(replace(p, to_mark=mark.id))
        beyond.append(replace(p, from_mark=mark.id))
    return tuple(inner), tuple(beyond)


def _centre_mark(build: Build, p: EdgePart, beside: float) -> Mark | None:
    """Where the centre line crosses a part of the neck, or the dot beside it; None where nothing laps."""
    id = BESIDE_CENTRE if beside else NECK_CENTRE
    if p.to_mark == BAND_FOLD:
        return Mark(id, MarkKind.DOT, p.edge, "start", build.each(lambda size: FRONT_BAND / 2 - beside))
    piece = build.pieces[p.piece]
    is_front = piece.panel is Panel.FRONT
    lap = build.each(lambda size: -build.block(size, is_front=is_front).centre)
    if not piece.has_edge("opening") or min(lap.values()) <= 0:
        return None
    return Mark(id, MarkKind.DOT, p.edge, "end", {size: mm + beside for size, mm in lap.items()})


def layers_of(build: Build, names: tuple[str, str], words: tuple[str, str], draw: Draw, fold: str | None) -> None:
    """A collar or a stand and the same again for its under side; without a fold in two halves."""
    upper, under = names
    halves = fold is None
    build.piece(upper, words[0], draw, panel=Panel.BAND, fold=fold, count=2 if halves else 1, pair=halves, collar=True)
    build.interface(upper, Interfaced.COLLAR)
    build.copy_of(under, upper, words[1], role=Role.MAIN)
