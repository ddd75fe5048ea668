"""The ease that is wanted: by kind of garment, by the fit asked for, by what is worn beneath, by the cloth's stretch.

The bands at the bust of a woven dress or blouse, an inch more for jackets and two and a half for coats, and
the wearing ease at waist and hip are common practice, no source; the other bands follow them in step. Every
band can be written over.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field

from rowanseed.core.base.units import INCH
from rowanseed.core.base.words import Worded

Band = tuple[float, float]
"""Least and most ease in mm."""


class Fit(Worded):
    """How close the garment is wanted."""

    AS_DRAWN = "as-drawn", "as the pattern means it"
    CLOSE = "close"
    FITTED = "fitted"
    SEMI_FITTED = "semi-fitted", "semi-fitted"
    LOOSE = "loose"
    VERY_LOOSE = "very-loose"


class Over(Worded):
    """What it is worn over."""

    NOTHING = "nothing", "what the pattern means"
    SHIRT = "shirt", "a shirt"
    JUMPER = "jumper", "a jumper"
    THICK = "thick", "a thick jumper or a jacket"


OVER_EASE: Mapping[Over, float] = {Over.NOTHING: 0.0, Over.SHIRT: 15.0, Over.JUMPER: 50.0, Over.THICK: 90.0}
"""Room round the body for what is worn beneath, in mm (common practice, no source)."""


class GarmentClass(Worded):
    DRESS = "dress", "dress or blouse"
    JACKET = "jacket"
    COAT = "coat"
    LOWER = "lower", "skirt or trousers"


CLASSES: Mapping[str, GarmentClass] = {
    "overshirt": GarmentClass.JACKET,
    "jacket": GarmentClass.JACKET,
    "blazer": GarmentClass.JACKET,
    "coat": GarmentClass.COAT,
    "cloak": GarmentClass.COAT,
    "skirt": GarmentClass.LOWER,
    "trousers": GarmentClass.LOWER,
    "shorts": GarmentClass.LOWER,
}

_BUST_IN: Mapping[Fit, Band] = {
    Fit.CLOSE: (0, 2.875),
    Fit.FITTED: (3, 4),
    Fit.SEMI_FITTED: (4.125, 5),
    Fit.LOOSE: (5.125, 8),
    Fit.VERY_LOOSE: (8, 14),
}
_WAIST_IN: Mapping[Fit, Band] = {
    Fit.CLOSE: (0, 0.5),
    Fit.FITTED: (0.5, 1),
    Fit.SEMI_FITTED: (1, 3),
    Fit.LOOSE: (3, 7),
    Fit.VERY_LOOSE: (7, 14),
}
_HIP_IN: Mapping[Fit, Band] = {
    Fit.CLOSE: (0, 2),
    Fit.FITTED: (2, 3),
    Fit.SEMI_FITTED: (3, 4.5),
    Fit.LOOSE: (4.5, 8),
    Fit.VERY_LOOSE: (8, 14),
}
_ARM_IN: Mapping[Fit, Band] = {
    Fit.CLOSE: (0, 1.5),
    Fit.FITTED: (1.5, 2.5),
    Fit.SEMI_FITTED: (2.5, 3.5),
    Fit.LOOSE: (3.5, 5),
    Fit.VERY_LOOSE: (5, 9),
}
BANDS_IN: Mapping[str, Mapping[Fit, Band]] = {
    "bust": _BUST_IN,
    "waist": _WAIST_IN,
    "hip": _HIP_IN,
    "upper_arm": _ARM_IN,
}
"""Ease in inches for woven cloth, by measure and fit, for a dress or blouse."""

MORE_IN: Mapping[GarmentClass, float] = {
    GarmentClass.DRESS: 0.0,
    GarmentClass.JACKET: 1.0,
    GarmentClass.COAT: 2.5,
    GarmentClass.LOWER: 0.0,
}
AROUND_DRAWN: Band = (-18.0, 22.0)
"""Round what the pattern means, so far either way still counts as meant, in mm: less is noticed sooner than more."""
STRETCH_USED = 0.5
"""The share of a cloth's stretch that a garment may use up in place of ease."""


@dataclass(frozen=True)
class Wish:
    """What the sewist wants of the fit. `own` are bands she wrote herself; `stretch` is the cloth's, as a share.

    `worn_open`: it will hang open, so it may be snug where it is closed.
    """

    fit: Fit = Fit.AS_DRAWN
    over: Over = Over.NOTHING
    stretch: float = 0.0
    own: Mapping[str, Band] = field(default_factory=dict)
    worn_open: bool = False


OPENS = ("bust", "waist", "hip")
"""Where a garment that is worn open need not reach round with ease."""


def garment_class(garment: str) -> GarmentClass:
    """The class of a garment by its word; a dress or blouse if the word is not known."""
    return CLASSES.get(garment.lower().strip(), GarmentClass.DRESS)


def wanted(wish: Wish, garment: str, measure: str, drawn: float | None, body: float) -> Band | None:
    """The band of ease wanted at a measure, in mm; None where nothing is known to want.

    `drawn` is the ease the pattern gives the body it was drawn for.
    """
    if measure in wish.own:
        return wish.own[measure]
    more = OVER_EASE[wish.over]
    if wish.fit is Fit.AS_DRAWN:
        if drawn is None:
            return None
        low, high = drawn + AROUND_DRAWN[0] + more, drawn + AROUND_DRAWN[1] + more
    else:
        bands = BANDS_IN.get(measure)
        if bands is None:
            return None
        kind = garment_class(garment)
        extra = MORE_IN[kind] * INCH * (0.5 if measure == "upper_arm" else 1.0) + more
        low, high = bands[wish.fit][0] * INCH + extra, bands[wish.fit][1] * INCH + extra
    if wish.worn_open and measure in OPENS and garment_class(garment) is not GarmentClass.LOWER:
        low = min(low, more)
    # Stretch stands in for ease, so that a knit may be smaller than the body.
    return low - wish.stretch * STRETCH_USED * body, high
