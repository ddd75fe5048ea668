"""The bodice block: front and back from the neck point to the hem or the waist seam, and what its levels measure.

Drafted by the proportions that drafting books share, from memory: panels of a quarter of the bust, an armhole as deep
as an eighth of the bust and a constant, a neck of a sixth of its girth, shoulders that fall 20 degrees.
"""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from functools import cached_property

from rowanseed.core.compose.bodice_widths import Widths
from rowanseed.core.compose.drafting import IN, OUT, UP, curve, ending_at, straight, y_at
from rowanseed.core.compose.figures import skirt_kind
from rowanseed.core.compose.laps import extension
from rowanseed.core.compose.proportion import band_share
from rowanseed.core.compose.sizes import BUST_POINT, NAPE, NARROWS, WIDENS
from rowanseed.core.compose.vocabulary import (
    Centre,
    NeckFinish,
    NeckShape,
    OpeningKind,
    Placket,
    Shaping,
    SkirtKind,
    SleeveKind,
    WaistLevel,
)
from rowanseed.core.geometry.outline import Chain, Point, chain_length
from rowanseed.core.geometry.solving import solve
from rowanseed.core.make.binding import ring_lost
from rowanseed.core.pattern.envelope import Figure, Structure
from rowanseed.core.pattern.stretched import RIBBING

SLOPE, TURNED = math.radians(20), math.radians(3.5)
"""How the shoulder falls: the front's by so much more and the back's by so much less, so that the back's armhole is
the longer one, as the shoulder blade asks for (from memory)."""
LOWERED = 11.0
"""And so far the front's shoulder lies below the back's, in mm."""
PAD = 10.0
"""How thick a usual shoulder pad is, in mm (common practice, no source)."""
ABOVE_THE_EDGE = 5.0
"""What ends above the hip is measured so far above its lower edge, in mm."""
SHOULDER_DART = 12.0
WRAP = 100.0
"""A front that a belt holds closed reaches so far beyond its centre, in mm (common practice, no source)."""
FRONT_BAND = 30.0
"""A band of its own along an open edge is so wide, finished, in mm: its middle lies on the centre line."""
ABOVE_BELT = 20.0
"""Fronts that a belt holds turn back, or cross, from so far above the waist, in mm."""
DROP = 45.0
"""A dropped shoulder runs so far beyond the shoulder's tip, in mm."""
HOLLOW = 22.0
"""And its armhole turns so far inside the side, in mm: room for a curve that a seam allowance goes round."""
FLAT, LEAST_FLAT = 0.35, 0.1
"""A lower edge that is curved runs level for such a share of its half, and of what lies beyond a princess seam."""
FLARE = 0.14
"""How much an A-line widens below the hip on each side, for each mm of length."""
WIDER = {NeckShape.SCOOP: 28.0, NeckShape.BOAT: 48.0, NeckShape.SQUARE: 22.0, NeckShape.V: 8.0, NeckShape.COWL: 40.0}
DEEPER = {
    NeckShape.ROUND: 14.0,
    NeckShape.V: 110.0,
    NeckShape.SQUARE: 55.0,
    NeckShape.SCOOP: 65.0,
    NeckShape.BOAT: -18.0,
    NeckShape.HIGH: -4.0,
    NeckShape.COWL: 14.0,
}
"""How much deeper the front neck is than the neck is wide, in mm."""
LOWER_BEHIND = {NeckShape.SCOOP: 16.0, NeckShape.SQUARE: 16.0, NeckShape.BOAT: 4.0, NeckShape.COWL: 8.0}
HEAD = {Figure.WOMEN: 580.0, Figure.MEN: 600.0, Figure.CHILDREN: 550.0, Figure.UNISEX: 600.0}
"""Round a head and a little more, in mm, from memory: what a neck of cloth that does not stretch has to measure."""
STRETCHES, HIGH_STRETCHES = 1.3, 1.45
"""A knitted neck goes over a head where it stretches to so many times its length, a high one more (common practice, no
source)."""
MOST_LOOSE = 90.0


@dataclass(frozen=True)
class Upper(Widths):
    """Front or back of a bodice in one size: its points and lines, x down from the neck point, y from the centre, in
    mm."""

    # ---------------------------------------------------------------- the lower edge

    @cached_property
    def spread(self) -> float:
        """How much wider it gets below the hip on each side, for each mm of length."""
        if self.leaning is not None:
            return self.leaning
        if self.foot <= self.hip or (self.size.hem is None and self.description.features.skirt is None):
            return 0.0
        if self.size.hem is not None:
            return self._leaning_to(self.size.hem)
        return FLARE if skirt_kind(self.description) is SkirtKind.A_LINE else 0.0

    def _leaning_to(self, hem: float) -> float:
        """How far the sides lean for the hem that is printed, or as near as they may."""

        def half(leaning: float) -> float:
            blocks = (replace(self, leaning=leaning, is_front=is_front) for is_front in (True, False))
            return sum(chain_length(block.lower((block.hem, 0.0))) for block in blocks)

        return solve(half, hem / 2, NARROWS, WIDENS)

    @property
    def raised(self) -> float:
        """How far the lower edge is raised at the side of what is flared, so that it runs on without a corner."""
        return self.spread * max(self.size.hip, self.size.bust) / 8

    @property
    def flare(self) -> float:
        """How much wider than at the hip it is at the hem."""
        return self.spread * (self.foot - self.raised - self.hip)

    def lower(self, start: Point, across: float = 0.0) -> Chain:
        """The lower edge from a point on it outwards to the side, which is moved so far across."""
        x, y = self.side[0].start
        return self.lower_to(start, (x, y + across))

    def lower_to(self, start: Point, end: Point) -> Chain:
        """The lower edge from a point on it outwards to where a side begins."""
        arrives = (-self.spread, 1.0)
        if self.rise:
            # Level about the centre, and at right angles to the side, where it runs on.
            level = (start[0], max(FLAT * end[1], start[1] + LEAST_FLAT * (end[1] - start[1])))
            return (*straight(start, level), curve(level, OUT, end, arrives, 0.45))
        if self.spread == 0:
            return straight(start, end)
        return (curve(start, OUT, end, arrives),)

    # ---------------------------------------------------------------- neck and shoulder

    @property
    def shape(self) -> NeckShape:
        return self.description.features.neck.shape

    @property
    def stretch(self) -> float:
        """To how many times its length the neck stretches when a head goes through."""
        if self.description.cloth is Structure.WOVEN:
            return 1.0
        return HIGH_STRETCHES if self.shape is NeckShape.HIGH else STRETCHES

    @cached_property
    def loose(self) -> float:
        """How much wider and deeper the neck is than usual, in mm: nothing opens it, and a head has to go through."""
        # The edge of a cowl is longer than a head is round.
        if self.loosened is not None or not self.description.is_over_the_head or self.shape is NeckShape.COWL:
            return self.loosened or 0.0

        def round_the_neck(by: float) -> float:
            halves = (replace(self, is_front=front, loosened=by) for front in (True, False))
            return 2 * sum(chain_length(half.neck) for half in halves)

        head = HEAD[self.description.figure] / self.stretch
        if self.description.features.neck.finish is NeckFinish.BIAS_BINDING:
            head += ring_lost()
        if self.description.has_neck_band:
            # The band has to go over it too, and is cut shorter.
            stretch = 1.0 + RIBBING if self.description.features.ribbing else self.stretch
            head = max(head, HEAD[self.description.figure] / stretch / band_share(self.description))
        return 0.0 if round_the_neck(0.0) >= head else solve(round_the_neck, head, 0.0, MOST_LOOSE)

    @property
    def wider(self) -> float:
        return WIDER.get(self.shape, 0.0) + self.loose

    @property
    def neck_width(self) -> float:
        return self.size.neck / 6 + 6.0 + self.wider

    @property
    def shoulder(self) -> float:
        long = self.size.shoulder - self.wider * 0.9
        dart = SHOULDER_DART if not self.is_front and self.side_of.has(Shaping.SHOULDER_DART) else 0.0
        return long + dart + (DROP if self.is_dropped else 0.0)

    @cached_property
    def is_one_with_its_sleeve(self) -> bool:
        """Whether its sleeve runs on from the shoulder, so that front and back are drawn alike there."""
        sleeve = self.description.features.sleeve
        return sleeve is not None and sleeve.kind in (SleeveKind.CUT_IN_ONE, SleeveKind.RAGLAN)

    @property
    def lowered(self) -> float:
        return LOWERED * self.size.tall if self.is_front and not self.is_one_with_its_sleeve else 0.0

    @property
    def neck_point(self) -> Point:
        return (self.up + self.lowered + self.wider * math.tan(self.slope) * 0.9, self.neck_width)

    @property
    def slope(self) -> float:
        """How the shoulder falls, in radians: less by the pad's thickness at its tip, where there is one."""
        turned = 0.0 if self.is_one_with_its_sleeve else TURNED if self.is_front else -TURNED
        return SLOPE + turned - (math.atan2(PAD, self.shoulder) if self.description.features.pads else 0.0)

    @property
    def tip(self) -> Point:
        x, y = self.neck_point
        return (x + self.shoulder * math.sin(self.slope), y + self.shoulder * math.cos(self.slope))

    @property
    def neck_depth(self) -> float:
        """Where the neck meets the centre."""
        if self.is_front:
            return self.up + self.lowered + self.size.neck / 6 + 6.0 + DEEPER[self.shape] * self.size.tall + self.loose
        return NAPE + LOWER_BEHIND.get(self.shape, 0.0) + 0.3 * self.loose

    @property
    def neck_end(self) -> float:
        """Where the neck meets the piece's edge at the centre."""
        return self.neck[-1].end[0]

    @property
    def centre(self) -> float:
        """Where the piece's edge lies at the centre: beyond it where it laps, short of it where a band laps instead."""
        features = self.description.features
        laps = self.side_of.centre is Centre.OPEN and features.opening.kind in (OpeningKind.BUTTONS, OpeningKind.SNAPS)
        if self.is_front and features.wraps:
            return -WRAP
        if not laps:
            return 0.0
        banded = features.opening.placket is Placket.BAND and not features.is_bagged
        return FRONT_BAND / 2 if banded else -self._extension

    @cached_property
    def _extension(self) -> float:
        return extension(self.description)

    @cached_property
    def neck(self) -> Chain:
        """From the shoulder's neck point to the piece's edge at the centre; of fronts that cross, down to the belt."""
        if self.is_front and self.description.features.crosses:
            end = (min(self.waist, self.hem) - ABOVE_BELT, self.centre)
            return (curve(self.neck_point, (1.0, -0.35), end, (1.0, -0.5), 0.3),)
        # A V runs on to the edge that laps; a collar ends at the centre, and what laps beyond it stays level.
        v = self.is_front and self.shape is NeckShape.V and self.description.features.collar is None
        return ending_at(self.neck_to_centre, self.centre, as_it_runs=v)

    @cached_property
    def neck_to_centre(self) -> Chain:
        """From the shoulder's neck point to the centre line, whatever laps there."""
        start, end = self.neck_point, (self.neck_depth, 0.0)
        match self.shape if self.is_front else NeckShape.ROUND:
            case NeckShape.V:
                return (curve(start, (1.0, -0.1), end, (1.0, -0.62), 0.3),)
            case NeckShape.SQUARE:
                return straight(start, (end[0], start[1] - 8.0), end)
            case NeckShape.BOAT:
                return (curve(start, (0.9, -1.0), end, IN, 0.3),)
            case _:
                leaves = -0.08 if self.is_front else -0.9
                return (curve(start, (1.0, leaves), end, IN, 0.45 if self.is_front else 0.4),)

    # ---------------------------------------------------------------- armhole and side

    @property
    def across(self) -> float:
        """Half the chest or the back, where the armhole turns."""
        width = self.size.body_bust * (0.182 if self.is_front else 0.192)
        return min(width, self.tip[1] - (10.0 if self.is_front else 4.0), self.quarter - 25.0)

    @cached_property
    def armhole(self) -> Chain:
        """From the underarm up to the shoulder's tip."""
        start, tip = (self.underarm + self.up, self.quarter), self.tip
        along = (math.sin(self.slope), math.cos(self.slope))
        if self.is_dropped:
            turn = ((start[0] + tip[0]) / 2, min(start[1], tip[1]) - HOLLOW)
            return (curve(start, IN, turn, UP, 0.35), curve(turn, UP, tip, (-along[1], along[0]), 0.3))
        turn = (start[0] - 0.4 * (start[0] - tip[0]), self.across)
        return (
            curve(start, IN, turn, UP, 0.5, 0.42),
            curve(turn, UP, tip, (-along[1], along[0]), 0.36),
        )

    @property
    def straight_below_underarm(self) -> float:
        return min(80.0, 0.35 * (self.waist - self.underarm))

    @cached_property
    def side(self) -> Chain:
        """From the hem up to the underarm; front and back have the same shape, so that they meet."""
        q, top = self.quarter, (self.underarm + self.straight_below_underarm, self.quarter)
        ends = straight(top, (self.underarm + self.up, q))
        waist = (self.waist, q - self.side_in)
        hip = (self.hip, q + self.hip_out)
        if self.description.seam_level is WaistLevel.HIGH:
            # Over the bust dart's width the front runs straight up, so that the sides meet once it is sewn.
            return straight(waist, (self.underarm, q), *([ends[-1].end] if self.up else []))
        if self.description.has_waist_seam:
            return (curve(waist, (-1.0, 0.04), top, UP, 0.36), *ends)
        if self.size.waist is None:
            foot = self.foot - self.raised
            if self.ends_about_the_hip:
                hip = (x := self.measured_at_hip, y_straight(top, hip, x))
            low = (foot, y_straight(top, hip, foot) + self.flare)
            between = (hip,) if self.reaches_hip or self.ends_about_the_hip else ()
            return (*straight(low, *between, top), *ends)
        if self.ends_about_the_hip:
            at = (self.measured_at_hip, waist[1] + (hip[1] - waist[1]) * self.goes_out)
            low = (self.foot, at[1])
            return (*straight(low, at), curve(at, UP, waist, UP, 0.36), curve(waist, UP, top, UP, 0.36), *ends)
        if not self.reaches_hip:
            share = (self.foot - self.waist) / (self.hip - self.waist)
            low = (self.foot, waist[1] + (hip[1] - waist[1]) * max(0.0, min(1.0, share)))
            if not self.reaches_waist:
                return (curve((self.foot, waist[1]), UP, top, UP, 0.36), *ends)
            return (curve(low, UP, waist, UP, 0.34), curve(waist, UP, top, UP, 0.36), *ends)
        low = (self.foot - self.raised, hip[1] + self.flare)
        return (
            *straight(low, hip),
            curve(hip, UP, waist, UP, 0.36),
            curve(waist, UP, top, UP, 0.36),
            *ends,
        )

    @property
    def measured_at_hip(self) -> float:
        """The level at which it is as wide as at the hip, or as wide as it gets on the way there."""
        return self.hip if self.reaches_hip else min(self.hip, self.foot - self.raised - ABOVE_THE_EDGE)

    @property
    def goes_out(self) -> float:
        """How much of the way from the waist's width to the hip's is gone where it is measured at the hip: all of it,
        but where it ends above."""
        return (self.measured_at_hip - self.waist) / (self.hip - self.waist)

    def outer(self, level: float) -> float:
        """How far from the centre the side stands at a level."""
        return y_at(self.side, level)

    # ---------------------------------------------------------------- the princess line

    @property
    def bust_point(self) -> Point:
        y = self.size.body_bust / 10 - (2.0 if self.is_front else 8.0)
        return (self.underarm + BUST_POINT, y)

    @property
    def levels(self) -> tuple[tuple[str, float], ...]:
        """The measuring levels that the piece reaches, each with where it lies."""
        found = [("bust", self.underarm + self.up)]
        if self.reaches_waist or self.description.has_waist_seam:
            found.append((self.description.seam_level.level, min(self.waist, self.hem)))
        if self.reaches_hip or self.ends_about_the_hip:
            found.append(("hip", self.measured_at_hip))
        return tuple(found)


def y_straight(top: Point, hip: Point, at: float) -> float:
    """On the straight line from one point to another, at a level: no further out than its lower end asks."""
    return top[1] + (hip[1] - top[1]) * min(1.0, (at - top[0]) / (hip[0] - top[0]))
