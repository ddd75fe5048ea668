"""Bodies and finished measurements in every size: what was said, and the usual for what was not; how long it is."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from typing import assert_never

from rowanseed.core.compose.charts import CHARTS, body_row
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.ease import ease, goes_in, is_free_at_the_hip, is_full
from rowanseed.core.compose.proportion import in_proportion
from rowanseed.core.compose.sizes import DRAFTED_BY, DROPPED, NAPE, TALL, Size
from rowanseed.core.compose.vocabulary import PRINCESS, GarmentKind, LegKind, Shaping, SkirtKind, WaistLevel
from rowanseed.core.pattern.envelope import Figure

LOOSE = 60.0
"""So much narrower than at the bust, in mm, is at a high waist seam at most what the sides alone take in."""
ROUND_THE_RIBS = {Figure.WOMEN: 0.86, Figure.UNISEX: 0.9, Figure.MEN: 0.96, Figure.CHILDREN: 0.98}
"""What the body is round below the bust, as a share of its bust (from memory)."""


@dataclass(frozen=True)
class Figures:
    """Every size of a garment, and what was assumed for it, by field."""

    sizes: tuple[Size, ...]
    assumed: Mapping[str, str] = field(default_factory=dict)

    @property
    def names(self) -> tuple[str, ...]:
        return tuple(size.name for size in self.sizes)


def figures(description: Description) -> Figures:
    """The figures of a description, the usual ones in place of what it does not say."""
    assumed: dict[str, str] = {}
    sizes = description.sizes or next((tuple(row) for row in description.body_chart.values()), ())
    usual, chart = CHARTS[description.figure]
    if not sizes:
        sizes = usual
        assumed["sizes"] = "the usual sizes"
    rows = {name: body_row(description, name, sizes, usual, chart, assumed) for name in ("bust", "waist", "hip")}
    out = []
    for size in sizes:
        body = {name: rows[name][size] for name in rows}
        out.append(_size(description, size, body, assumed))
    if not reaches_the_hip(description, out):
        assumed.pop("finished.hip", None)
    return Figures(tuple(out), assumed)


def _size(description: Description, size: str, body: Mapping[str, float], assumed: dict[str, str]) -> Size:
    def said(name: str) -> float | None:
        row = description.finished.get(name, {})
        return row.get(size)

    tall = TALL[description.figure]
    found = {}
    for name in ("bust", "waist", "hip"):
        figure = said(name)
        if figure is None:
            found[name] = body[name] + ease(description, name)
            fits = goes_in(description) and not description.is_drawn_in
            follows = {
                "waist": fits and description.seam_level is WaistLevel.NATURAL,
                "hip": not is_free_at_the_hip(description),
            }
            if follows.get(name, True):
                assumed[f"finished.{name}"] = f"usual ease at the {name}"
        else:
            found[name] = figure
    waist: float | None = found["waist"] if goes_in(description) or said("waist") is not None else None
    if description.is_drawn_in and not is_full(description):
        waist = found["bust"] if description.garment.has_bodice else found["hip"]
    waist = _at_the_seam(description, body, found, waist, assumed)
    hip = found["hip"] if waist is None else max(found["hip"], waist)
    if description.garment.has_bodice and said("hip") is None:
        hip = max(hip, found["bust"]) if waist is None else hip
    made = Size(
        name=size,
        body_bust=body["bust"],
        body_waist=body["waist"],
        body_hip=body["hip"],
        bust=found["bust"],
        waist=waist,
        hip=hip,
        length=0.0,
        tall=tall,
        hem=said("hem"),
        level=description.seam_level,
        said=tuple(
            (name, description.body_chart[name][size])
            for name in DRAFTED_BY
            if size in description.body_chart.get(name, {})
        ),
    )
    length = said("length")
    return replace(made, length=_long(description, made) if length is None else length)


def _at_the_seam(
    description: Description,
    body: Mapping[str, float],
    found: Mapping[str, float],
    waist: float | None,
    assumed: dict[str, str],
) -> float | None:
    """What the garment comes to at a waist seam that lies elsewhere; the waist where it lies there."""
    match description.seam_level:
        case WaistLevel.NATURAL:
            return waist
        case _ if description.is_drawn_in:
            return waist
        case WaistLevel.HIGH:
            assumed["features.waist_level"] = "the seam lies under the bust, with the usual ease there"
            close = body["bust"] * ROUND_THE_RIBS[description.figure] + ease(description, "waist")
            # What no dart takes in hangs from the bust.
            shaped = any(side.has(Shaping.WAIST_DART, *PRINCESS) for _, side in description.features.sides)
            return min(max(close, found["bust"] - (math.inf if shaped else LOOSE)), found["bust"])
        case WaistLevel.DROPPED:
            assumed["features.waist_level"] = "the seam lies half-way from the waist to the hip, and hangs straight"
            return found["bust"] + DROPPED * (max(found["hip"], found["bust"]) - found["bust"])
        case _:
            assert_never(description.seam_level)


SHORT_OF_THE_HIP, PAST_THE_HIP = 20.0, 40.0
"""A garment that ends higher above the hip than the first, in mm, has no measure there; one that ends by more than the
second below it is fitted at the hip and runs on."""


def reaches_the_hip(description: Description, sizes: Sequence[Size]) -> bool:
    """Whether what hangs from the shoulders in one length reaches the hip; a skirt is drafted to it in any case."""
    hangs = description.garment.has_bodice and not description.has_waist_seam
    if description.ends_in_band and hangs:
        # What ends at a band near the hip hangs straight to it, and is not measured there.
        middle = sizes[len(sizes) // 2]
        return middle.length - lower_band(description) > middle.back_waist + middle.hip_depth + PAST_THE_HIP
    return not hangs or all(size.length > size.back_waist + size.hip_depth - SHORT_OF_THE_HIP for size in sizes)


HEM_RUFFLE, LOWER_BAND = 120.0, 60.0
"""How deep a ruffle at the hem is, and how wide a band at the lower edge, in mm (common practice, no source)."""
LEAST_BELOW_UNDERARM, LEAST_SKIRT, LEAST_LEG = 120.0, 100.0, 60.0
"""A bodice ends at least so far below the underarm, a skirt below its waist seam, a leg below the seat, in mm."""
SHORTS, LEGS = 180.0, 1040.0
"""Shorts are usually so much longer than the crotch is deep; long legs so long from the waist, of a woman's height, in
mm."""


def waist_from_top(description: Description, size: Size) -> float:
    """How far the waist or its seam lies below the upper end of the back, in mm: below its nape, or below its upper
    edge without shoulders."""
    return size.seam - (size.underarm - NAPE if description.is_without_shoulders else 0.0)


def sewn_below(description: Description) -> float:
    """How much of the length a ruffle or a band at the lower edge takes up, in mm."""
    if description.ends_in_band:
        return lower_band(description)
    return HEM_RUFFLE if description.has_hem_ruffle else 0.0


def lower_band(description: Description) -> float:
    """How wide a band at the lower edge is finished, in mm."""
    return description.features.hem.depth or in_proportion(description, LOWER_BAND)


def least_length(description: Description, size: Size) -> float:
    """How long a garment with a bodice is at least, from the nape, in mm."""
    if description.garment.has_legs:
        return size.seam + size.crotch_depth + LEAST_LEG
    if description.has_waist_seam:
        return size.seam + LEAST_SKIRT
    return size.underarm + LEAST_BELOW_UNDERARM + sewn_below(description) - NAPE


def _long(description: Description, size: Size) -> float:
    """How long a garment is of which no finished length is said: as its skirt or its legs are, or as is usual."""
    usual, features = _length(description) * size.tall, description.features
    skirt = features.skirt.length if features.skirt is not None else None
    match description.garment:
        case GarmentKind.TROUSERS:
            return _legs_long(description, size)
        case GarmentKind.JUMPSUIT:
            return size.seam + _legs_long(description, size)
        case GarmentKind.SKIRT | GarmentKind.APRON:
            return skirt or usual
        case GarmentKind.ROBE:
            return usual
        case _:
            return max(size.seam + skirt if skirt else usual, least_length(description, size))


def _legs_long(description: Description, size: Size) -> float:
    """From the waist to the end of a leg, as is said or as is usual."""
    legs = description.features.legs
    usual = size.crotch_depth + SHORTS if legs.kind is LegKind.SHORTS else LEGS * size.tall
    return legs.length or usual


def _length(description: Description) -> float:
    """The usual length of a garment of a woman's height: of a bodice from the neck point, else from the waist."""
    match description.garment:
        case GarmentKind.DRESS | GarmentKind.PINAFORE:
            return 1020.0
        case GarmentKind.NIGHTDRESS | GarmentKind.ROBE:
            return 1150.0
        case GarmentKind.COAT:
            return 1050.0
        case GarmentKind.JACKET:
            return 680.0
        case GarmentKind.WAISTCOAT:
            return 540.0
        case GarmentKind.TOP:
            return 640.0
        case GarmentKind.TROUSERS | GarmentKind.JUMPSUIT:
            return LEGS
        case GarmentKind.SKIRT | GarmentKind.APRON:
            return 620.0


def skirt_kind(description: Description) -> SkirtKind:
    skirt = description.features.skirt
    return skirt.kind if skirt else SkirtKind.A_LINE
