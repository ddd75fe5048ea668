"""One size of a garment: its body and its widths, and the proportions that are drafted from them.

The proportions are those that drafting books share (an eighth of the bust for the depth of the armhole, a fifth for the
neck), from memory.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import assert_never

from rowanseed.core.compose.vocabulary import WaistLevel
from rowanseed.core.pattern.envelope import Figure

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
DROPPED = 0.5
"""A dropped waist seam lies so far from the waist to the hip (common practice, no source)."""
CHILD = 0.9
"""A figure whose lengths are below this share of a woman's has a child's shoulders."""
TALL = {Figure.WOMEN: 1.0, Figure.MEN: 1.07, Figure.CHILDREN: 0.72, Figure.UNISEX: 1.03}
"""Lengths of a figure beside a woman's."""
NAPE = 20.0
"""The nape lies so far below the neck point, in mm."""


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
