"""Bodies and finished measurements in every size: what was said, and the usual for what was not.

The proportions are those that drafting books share (a quarter of the bust for a panel, an eighth for the depth of the
armhole, a fifth for the neck), from memory; charts and eases are common practice, no source.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from typing import assert_never

from rowanseed.core.compose.description import Description, Row
from rowanseed.core.compose.folds import folds_in
from rowanseed.core.compose.vocabulary import (
    PRINCESS,
    ClothKind,
    GarmentKind,
    LegKind,
    Shaping,
    SkirtKind,
    Waist,
    WaistLevel,
)
from rowanseed.core.pattern.envelope import Figure, Runs

CHARTS: Mapping[Figure, tuple[tuple[str, ...], Mapping[str, tuple[float, ...]]]] = {
    Figure.WOMEN: (
        ("8", "10", "12", "14", "16", "18"),
        {
            "bust": (800, 830, 870, 920, 970, 1020),
            "waist": (610, 640, 670, 720, 770, 830),
            "hip": (850, 880, 920, 970, 1020, 1070),
        },
    ),
    Figure.MEN: (
        ("S", "M", "L", "XL", "XXL"),
        {
            "bust": (920, 980, 1040, 1100, 1160),
            "waist": (780, 840, 900, 970, 1040),
            "hip": (930, 980, 1030, 1085, 1140),
        },
    ),
    Figure.CHILDREN: (
        ("4", "6", "8", "10", "12"),
        {"bust": (580, 620, 670, 720, 770), "waist": (540, 560, 590, 620, 650), "hip": (600, 640, 700, 760, 820)},
    ),
    Figure.UNISEX: (
        ("XS", "S", "M", "L", "XL"),
        {
            "bust": (820, 880, 950, 1030, 1110),
            "waist": (660, 720, 790, 870, 950),
            "hip": (870, 930, 1000, 1070, 1140),
        },
    ),
}
"""Usual charts, to start from (invented round figures in the usual steps)."""

SEATED = 10.0
"""So much deeper than the body's is the crotch of trousers, in mm (common practice, no source)."""
DRAFTED_BY = ("neck", "shoulder", "back_waist", "waist_to_hip", "crotch_depth", "arm", "upper_arm")
"""What else than girths the blocks are drafted by, where the chart says it."""
NARROWS, WIDENS = -0.1, 0.8
"""How far a side may lean inwards or outwards below the hip, for each mm of length, to meet a hem that is printed."""
BUST_POINT = 28.0
"""The bust point lies so far below the underarm, in mm."""
UNDER_BUST, LEAST_RAISED = 75.0, 40.0
"""A high waist seam lies so far below the bust point, and above the waist at least, in mm (common practice, no
source)."""
LOOSE = 60.0
"""So much narrower than at the bust, in mm, is at a high waist seam at most what the sides alone take in."""
ROUND_THE_RIBS = {Figure.WOMEN: 0.86, Figure.UNISEX: 0.9, Figure.MEN: 0.96, Figure.CHILDREN: 0.98}
"""What the body is round below the bust, as a share of its bust (from memory)."""
DROPPED = 0.5
"""A dropped waist seam lies so far from the waist to the hip (common practice, no source)."""
CHILD = 0.9
"""A figure whose lengths are below this share of a woman's has a child's shoulders."""
TALL = {Figure.WOMEN: 1.0, Figure.MEN: 1.07, Figure.CHILDREN: 0.72, Figure.UNISEX: 1.03}
"""Lengths of a figure beside a woman's."""


@dataclass(frozen=True)
class Size:
    """One size: the body and the garment, in mm. Widths of the garment go all the way round."""

    name: str
    body_bust: float
    body_waist: float
    body_hip: float
    bust: float
    waist: float | None
    """None where the garment runs straight past the waist."""
    hip: float
    length: float
    """From the nape, or of a skirt and of trousers from the waist, down to the lower edge, a ruffle there included."""
    tall: float
    hem: float | None = None
    """All round the lower edge, or round the end of a leg; None where nothing is printed of it."""
    said: tuple[tuple[str, float], ...] = ()
    """What else the chart says of the body, in mm."""
    level: WaistLevel = WaistLevel.NATURAL
    """Where its waist seam lies; `waist` is what it comes to there."""

    def charted(self, measure: str, usual: float) -> float:
        """What the chart says; the usual proportion where it does not."""
        return dict(self.said).get(measure, usual)

    @property
    def neck(self) -> float:
        return self.charted("neck", self.body_bust * 0.2 + 186.0)

    @property
    def shoulder(self) -> float:
        return self.charted("shoulder", self._usual_shoulder)

    @property
    def _usual_shoulder(self) -> float:
        if self.tall < CHILD:
            return 88.0 + (self.body_bust - 580.0) * 0.1
        return 122.0 + (self.body_bust - 880.0) * 0.03

    @property
    def back_waist(self) -> float:
        """From the nape to the waist."""
        return self.charted("back_waist", (402.0 + (self.body_bust - 880.0) * 0.06) * self.tall)

    @property
    def seam(self) -> float:
        """From the nape to the waist seam: to the waist, or to where it lies above or below that."""
        match self.level:
            case WaistLevel.NATURAL:
                return self.back_waist
            case WaistLevel.HIGH:
                return min(self.underarm + BUST_POINT + UNDER_BUST * self.tall - NAPE, self.back_waist - LEAST_RAISED)
            case WaistLevel.DROPPED:
                return self.back_waist + DROPPED * self.hip_depth
            case _:
                assert_never(self.level)

    @property
    def seam_to_waist(self) -> float:
        """How far below its seam the waist lies; nothing where the seam lies at it, or lower."""
        return max(0.0, self.back_waist - self.seam)

    @property
    def seam_to_hip(self) -> float:
        """From the waist seam to the hip."""
        return self.back_waist + self.hip_depth - self.seam

    @property
    def underarm(self) -> float:
        """From the neck point to the level of the underarm."""
        return self.body_bust / 8 + 96.0 * self.tall

    @property
    def hip_depth(self) -> float:
        """From the waist to the hip."""
        return self.charted("waist_to_hip", 200.0 * self.tall)

    @property
    def crotch_depth(self) -> float:
        """From the waist to the seat."""
        return self.charted("crotch_depth", self.body_hip / 4 + 34.0 * self.tall - SEATED) + SEATED

    @property
    def arm(self) -> float:
        return self.charted("arm", (585.0 + (self.body_bust - 880.0) * 0.08) * self.tall)

    @property
    def upper_arm(self) -> float:
        return self.charted("upper_arm", self.body_bust * 0.28 + 30.0)

    @property
    def wrist(self) -> float:
        return 155.0 + (self.body_bust - 880.0) * 0.04


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
    rows = {name: _body(description, name, sizes, usual, chart, assumed) for name in ("bust", "waist", "hip")}
    out = []
    for size in sizes:
        body = {name: rows[name][size] for name in rows}
        out.append(_size(description, size, body, assumed))
    if not reaches_the_hip(description, out):
        assumed.pop("finished.hip", None)
    return Figures(tuple(out), assumed)


def _body(
    description: Description,
    name: str,
    sizes: tuple[str, ...],
    usual: tuple[str, ...],
    chart: Mapping[str, tuple[float, ...]],
    assumed: dict[str, str],
) -> Row:
    said = description.body_chart.get(name)
    if said and all(size in said for size in sizes):
        return said
    assumed[f"body_chart.{name}"] = f"a usual chart's {name}"
    own = dict(zip(usual, chart[name], strict=True))
    if all(size in own for size in sizes):
        return own
    # Other names of sizes: from the measure that is said, by the proportion of the usual chart's middle size.
    middle = len(usual) // 2
    for other, row in description.body_chart.items():
        if other in chart and all(size in row for size in sizes):
            share = chart[name][middle] / chart[other][middle]
            return {size: row[size] * share for size in sizes}
    step = (chart[name][-1] - chart[name][0]) / (len(usual) - 1)
    first = chart[name][middle] - step * (len(sizes) // 2)
    return {size: first + step * k for k, size in enumerate(sizes)}


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


def is_full(description: Description) -> bool:
    """Whether a straight length of cloth is drawn in to the waist."""
    skirt = description.features.skirt
    drawn_in = not description.garment.has_bodice and not is_yoked_at_waist(description)
    return drawn_in and skirt is not None and skirt.kind.is_full


def is_free_at_the_hip(description: Description) -> bool:
    """Whether its fullness says how wide it is at the hip, and no finished measure does."""
    skirt = description.features.skirt
    if description.garment is GarmentKind.APRON:
        return True
    return skirt is not None and (skirt.kind.is_full or skirt.kind in (SkirtKind.CIRCLE, SkirtKind.HALF_CIRCLE))


SHORT_OF_THE_HIP = 20.0
"""A garment that ends higher above the hip than this, in mm, has no measure there."""


def reaches_the_hip(description: Description, sizes: Sequence[Size]) -> bool:
    """Whether what hangs from the shoulders in one length reaches the hip; a skirt is drafted to it in any case."""
    hangs = description.garment.has_bodice and not description.has_waist_seam
    return not hangs or all(size.length > size.back_waist + size.hip_depth - SHORT_OF_THE_HIP for size in sizes)


def is_yoked_at_waist(description: Description) -> bool:
    """Whether a yoke lies at the waist of a skirt or of trousers."""
    at_waist = description.garment in (GarmentKind.SKIRT, GarmentKind.TROUSERS)
    return at_waist and any(side.has(Shaping.YOKE) for _, side in description.features.sides)


def goes_in(description: Description) -> bool:
    """Whether the garment is shaped to the waist: by darts or seams, or because it begins there."""
    features = description.features
    shaped = (Shaping.WAIST_DART, *PRINCESS)
    return (
        not description.garment.hangs_from_the_shoulders
        or features.front.has(*shaped)
        or features.back.has(*shaped)
        or features.waist not in (None, Waist.NONE)
    )


PLEATED = 30.0
"""What each pleat at a waist adds to the usual ease at the hip, left and right together, in mm."""


def _let_in(description: Description) -> float:
    features = description.features
    if description.garment is GarmentKind.TROUSERS:
        return 2 * PLEATED * features.legs.pleats
    folds = (folds_in(side.shaping) for side in (features.front, features.back))
    return sum(2 * PLEATED * one.count for one in folds if one)


STRAPLESS_EASE = {"bust": 10.0, "waist": 15.0, "hip": 60.0}
"""What stands by itself sits close, in mm (common practice, no source)."""
ROBE_EASE = {"bust": 320.0, "waist": 400.0, "hip": 300.0}
RUNS = {Runs.TRUE: 0.0, Runs.LARGE: 30.0, Runs.SMALL: -20.0}
"""What a house that runs so has more ease than is usual, in mm (common practice, no source)."""


def ease(description: Description, name: str) -> float:
    """The usual ease of a garment at a level, in mm; more or less of it where the house runs large or small."""
    usual = _usual_ease(description, name)
    return max(min(usual, 10.0), usual + RUNS[description.runs])


def _usual_ease(description: Description, name: str) -> float:
    garment, knit = description.garment, description.cloth is ClothKind.KNIT
    if description.is_strapless:
        return {"bust": 0.0, "waist": 10.0, "hip": 20.0}[name] if knit else STRAPLESS_EASE[name]
    fitted = goes_in(description)
    match garment:
        case GarmentKind.SKIRT | GarmentKind.APRON:
            return {"bust": 60.0, "waist": 20.0, "hip": 60.0 + _let_in(description)}[name]
        case GarmentKind.TROUSERS:
            return {"bust": 60.0, "waist": 20.0, "hip": 70.0 + _let_in(description)}[name]
        case GarmentKind.COAT:
            return {"bust": 180.0, "waist": 200.0, "hip": 160.0}[name]
        case GarmentKind.JACKET:
            return {"bust": 130.0, "waist": 140.0, "hip": 110.0}[name]
        case GarmentKind.ROBE:
            return ROBE_EASE[name]
        case GarmentKind.NIGHTDRESS:
            return {"bust": 140.0, "waist": 160.0, "hip": 140.0}[name]
        case GarmentKind.WAISTCOAT:
            return {"bust": 80.0, "waist": 90.0, "hip": 80.0}[name]
        case _ if knit:
            return {"bust": 20.0, "waist": 40.0, "hip": 20.0}[name]
        case _ if fitted:
            return {"bust": 60.0, "waist": 40.0, "hip": 60.0}[name]
        case _:
            return {"bust": 110.0, "waist": 150.0, "hip": 90.0}[name]


NAPE = 20.0
"""The nape lies so far below the neck point, in mm."""
HEM_RUFFLE = 120.0
"""How deep a ruffle at the hem is, in mm."""
LEAST_BELOW_UNDERARM, LEAST_SKIRT = 120.0, 100.0
"""A bodice ends at least so far below the underarm, a skirt below its waist seam, in mm."""
SHORTS = 180.0
"""Shorts are usually so much longer than the crotch is deep, in mm."""


def waist_from_top(description: Description, size: Size) -> float:
    """How far the waist or its seam lies below the upper end of the back, in mm: below its nape, or below its upper
    edge without shoulders."""
    return size.seam - (size.underarm - NAPE if description.is_without_shoulders else 0.0)


def hem_ruffle(description: Description) -> float:
    """How much of the length a ruffle at the hem takes up, in mm."""
    return HEM_RUFFLE if description.has_hem_ruffle else 0.0


def least_length(description: Description, size: Size) -> float:
    """How long a garment with a bodice is at least, from the nape, in mm."""
    if description.has_waist_seam:
        return size.seam + LEAST_SKIRT
    return size.underarm + LEAST_BELOW_UNDERARM + hem_ruffle(description) - NAPE


def _long(description: Description, size: Size) -> float:
    """How long a garment is of which no finished length is said: as its skirt or its legs are, or as is usual."""
    usual, features = _length(description) * size.tall, description.features
    skirt = features.skirt.length if features.skirt is not None else None
    match description.garment:
        case GarmentKind.TROUSERS:
            short = features.legs.kind is LegKind.SHORTS
            return features.legs.length or (size.crotch_depth + SHORTS if short else usual)
        case GarmentKind.SKIRT | GarmentKind.APRON:
            return skirt or usual
        case GarmentKind.ROBE:
            return usual
        case _:
            return max(size.seam + skirt if skirt else usual, least_length(description, size))


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
        case GarmentKind.TROUSERS:
            return 1040.0
        case GarmentKind.SKIRT | GarmentKind.APRON:
            return 620.0


def skirt_kind(description: Description) -> SkirtKind:
    skirt = description.features.skirt
    return skirt.kind if skirt else SkirtKind.A_LINE
