"""Garments without a pattern, cut straight from the wearer's own figures: what is asked. The sums are in `own_sums`.

Aprons, gathered, tiered, pleated and circle skirts, an underskirt with a ruffle, a robe of rectangles. Usual fullness,
laps and allowances are common practice, no source.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from rowanseed.core.base.units import INCH
from rowanseed.core.base.words import Worded
from rowanseed.core.pattern.envelope import Figure

NARROW = 16.0
"""The hem of a circle, in mm: a deeper one does not lie flat (common practice, no source)."""


class OwnKind(Worded):
    """What can be cut without a pattern."""

    APRON = "apron", "half apron on a band"
    BIB_APRON = "bib apron", "apron with a bib"
    GATHERED = "gathered", "gathered skirt"
    TIERED = "tiered", "tiered skirt"
    PLEATED = "pleated", "skirt in knife pleats"
    BOX = "box pleats", "skirt in box pleats"
    CIRCLE = "circle", "circle skirt"
    HALF_CIRCLE = "half circle", "half-circle skirt"
    UNDERSKIRT = "underskirt", "underskirt with a ruffle"
    ROBE = "robe", "robe of rectangles"

    @property
    def is_round(self) -> bool:
        return self in (OwnKind.CIRCLE, OwnKind.HALF_CIRCLE)

    @property
    def is_apron(self) -> bool:
        return self in (OwnKind.APRON, OwnKind.BIB_APRON)

    @property
    def is_pleated(self) -> bool:
        return self in (OwnKind.PLEATED, OwnKind.BOX)


class OwnClosing(Worded):
    """How the waist closes."""

    HOOK = "hook and eye", "hook and eye, on a lap"
    BUTTON = "buttons", "a button, on a lap"
    TIES = "ties", "ends that are tied"
    ZIP = "invisible zip", "invisible zip in the back seam"
    ELASTIC = "elastic", "elastic in a casing"


CLOSINGS: Mapping[OwnKind, tuple[OwnClosing, ...]] = {
    OwnKind.APRON: (OwnClosing.HOOK, OwnClosing.BUTTON, OwnClosing.TIES),
    OwnKind.BIB_APRON: (OwnClosing.TIES, OwnClosing.HOOK, OwnClosing.BUTTON),
    OwnKind.GATHERED: (OwnClosing.ZIP, OwnClosing.HOOK, OwnClosing.ELASTIC),
    OwnKind.TIERED: (OwnClosing.ELASTIC, OwnClosing.ZIP, OwnClosing.HOOK),
    OwnKind.PLEATED: (OwnClosing.ZIP, OwnClosing.HOOK),
    OwnKind.BOX: (OwnClosing.ZIP, OwnClosing.HOOK),
    OwnKind.CIRCLE: (OwnClosing.ZIP, OwnClosing.HOOK),
    OwnKind.HALF_CIRCLE: (OwnClosing.ZIP, OwnClosing.HOOK),
    OwnKind.UNDERSKIRT: (OwnClosing.ELASTIC, OwnClosing.HOOK),
    OwnKind.ROBE: (),
}
"""What suits each, the usual one first; a robe has its belt."""
FULLNESS = {
    OwnKind.APRON: 2.5,
    OwnKind.BIB_APRON: 1.5,
    OwnKind.GATHERED: 2.0,
    OwnKind.TIERED: 1.5,
    OwnKind.PLEATED: 3.0,
    OwnKind.BOX: 3.0,
    OwnKind.UNDERSKIRT: 1.8,
}
"""How many times what it is sewn to each usually is: the waist, or the tier above."""


@dataclass(frozen=True)
class Own:
    """The wearer's figures and what is chosen, in mm; shares and fullness are plain numbers."""

    kind: OwnKind
    name: str
    figure: Figure = Figure.UNISEX
    waist: float = 0.0
    bust: float = 0.0
    hip: float = 0.0
    long: float = 0.0
    """From the waist, or a robe from the neck point, to the finished hem."""
    ease: float = 0.0
    """What the band is longer than the waist."""
    coverage: float = 2 / 3
    fullness: float | None = None
    tiers: int = 3
    bib_wide: float = 220.0
    """Of a bib, which is as wide below as at its top."""
    bib_high: float = 250.0
    strap: float = 25.0
    """How wide the strap round the neck is finished."""
    band: float = 35.0
    underlap: float = INCH
    seam: float = INCH / 2
    hem: float = 2 * INCH
    closing: OwnClosing | None = None

    @property
    def closes(self) -> OwnClosing | None:
        usual = CLOSINGS[self.kind]
        return self.closing if self.closing in usual else next(iter(usual), None)

    @property
    def full(self) -> float:
        return self.fullness or FULLNESS.get(self.kind, 1.0)

    @property
    def lap(self) -> float:
        """What the band passes its closure by; ends that are tied do not lap, a casing has none."""
        return self.underlap if self.closes in (OwnClosing.HOOK, OwnClosing.BUTTON, OwnClosing.ZIP) else 0.0
