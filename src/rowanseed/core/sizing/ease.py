"""Ease at every measure: body, chart, finished garment, what is wanted, and a verdict in words."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from rowanseed.core.base.units import Units, format_length
from rowanseed.core.base.words import Worded
from rowanseed.core.base.working import Given, Source, Working, length
from rowanseed.core.body.measures import MEASURE
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.sizing.chart import measure_name
from rowanseed.core.sizing.wish import Band, GarmentClass, Wish, garment_class, wanted

GIRTHS = ("high_bust", "bust", "waist", "hip", "upper_arm", "thigh")
"""Measures taken round the body: what there is beyond them is ease."""

FIXED = {"high_bust": 3.0, "neck": 3.0, "shoulder": 3.0, "bust": 1.6, "upper_arm": 1.2}
"""How much a misfit weighs: neck and shoulder cannot be altered once cut, side seams and hem can (weight 1)."""


ON_A_TAPE = 2.5
"""Less than this, in mm, is not read off a tape round the body: it would be told as 0 cm."""


class Sits(Worded):
    """How a measure sits."""

    UNKNOWN = "unknown", "not measured yet"
    SMALLER = "smaller", "smaller than the body"
    TIGHT = "tight", "tighter than wanted"
    RIGHT = "right", "as wanted"
    ROOMY = "roomy", "roomier than wanted"


@dataclass(frozen=True)
class Ease:
    """One measure in one size: body, chart and finished garment in mm, ease and the band wanted."""

    measure: str
    body: float | None
    chart: float | None
    finished: float
    band: Band | None
    better: str | None
    """A size that would sit as wanted at this measure alone, if there is one and this one does not."""
    change: float = 0.0
    """What blending or altering adds to the printed finished figure, in mm."""
    printed_size: str = ""

    @property
    def ease(self) -> float | None:
        return None if self.body is None else self.finished - self.body

    @property
    def off(self) -> float:
        """How far outside the band, in mm: negative is too tight, positive too roomy, 0 as wanted."""
        if self.ease is None or self.band is None:
            return 0.0
        low, high = self.band
        return self.ease - low if self.ease < low else max(0.0, self.ease - high)

    @property
    def told(self) -> float:
        """How far outside the band as it is told: 0 where no tape shows it."""
        return self.off if abs(self.off) >= ON_A_TAPE else 0.0

    @property
    def sits(self) -> Sits:
        if self.body is None or self.ease is None:
            return Sits.UNKNOWN
        if self.ease < 0 and (self.band is None or self.band[0] >= 0):
            return Sits.SMALLER
        return Sits.TIGHT if self.told < 0 else Sits.ROOMY if self.told > 0 else Sits.RIGHT

    @property
    def working(self) -> Working | None:
        """The ease with what it was worked out from; None while the body is not measured."""
        if self.body is None:
            return None
        name = measure_name(self.measure)
        given = [
            Given(f"finished {name}, size {self.printed_size}", length(self.finished - self.change), Source.ENVELOPE)
        ]
        if self.change:
            given.append(Given("blended or altered", length(self.change), Source.DRAWING))
        given.append(Given(f"body {name}", length(self.body), Source.MEASURED))
        return Working(
            name=f"Ease at the {name}",
            quantity=length(self.finished - self.body),
            formula="finished garment" + (" + change" if self.change else "") + " less body",
            given=tuple(given),
        )

    def verdict(self, units: Units) -> str:
        """The verdict in words, with what would help."""
        name, sits = measure_name(self.measure), self.sits
        if sits is Sits.RIGHT and self.band is None:
            return "measured on the garment"
        if sits in (Sits.UNKNOWN, Sits.RIGHT):
            return str(sits.words)
        by = format_length(abs(self.off), units)
        if sits is Sits.SMALLER and self.band is None:
            by = format_length(abs(self.ease or 0.0), units)
        other = f"choose {self.better} there or " if self.better else ""
        if sits is Sits.ROOMY:
            return f"{by} roomier at the {name} than wanted: {other}take in"
        return f"{by} tighter at the {name} than wanted: {other}let out"


def body_at(body: Mapping[str, float], garment: str, measure: str) -> float | None:
    """The body where a garment's measure sits: a skirt's or trousers' waist where its band will, if that is known."""
    if measure == "waist" and garment_class(garment) is GarmentClass.LOWER:
        return body.get("waist_band", body.get("waist"))
    return body.get(measure)


def ease_rows(
    body: Mapping[str, float],
    pattern: Pattern,
    view: str,
    sizes: Mapping[str, str],
    size: str,
    wish: Wish,
    changes: Mapping[str, float] | None = None,
) -> tuple[Ease, ...]:
    """Ease at every measure round the body that has a finished figure.

    `sizes` says which size holds at a measure where that is not `size` (a blend); `changes` what alterations
    add at a measure, in mm.
    """
    envelope = pattern.envelope
    rows = []
    for measure, printed in envelope.finished.get(view, {}).items():
        if measure not in GIRTHS or measure not in MEASURE:
            continue
        here = sizes.get(measure, size)
        chart_row = envelope.body_chart.get(measure, {})
        of_body, change = body_at(body, pattern.garment, measure), (changes or {}).get(measure, 0.0)
        drawn = printed[here] - chart_row[here] if here in chart_row else None
        band = wanted(wish, pattern.garment, measure, drawn, of_body or 0.0)
        row = Ease(
            measure=measure,
            body=of_body,
            chart=chart_row.get(here),
            finished=printed[here] + change,
            band=band,
            better=None,
            change=change,
            printed_size=here,
        )
        if row.off:
            row = Ease(
                measure=measure,
                body=of_body,
                chart=chart_row.get(here),
                finished=row.finished,
                band=band,
                better=_better(measure, of_body, pattern, printed, wish),
                change=change,
                printed_size=here,
            )
        rows.append(row)
    return tuple(rows)


def _better(measure: str, body: float | None, pattern: Pattern, printed: Mapping[str, float], wish: Wish) -> str | None:
    """The smallest size that sits as wanted at one measure."""
    if body is None:
        return None
    chart = pattern.envelope.body_chart.get(measure, {})
    for size in pattern.envelope.sizes:
        band = wanted(wish, pattern.garment, measure, printed[size] - chart[size] if size in chart else None, body)
        if band is not None and band[0] <= printed[size] - body <= band[1]:
            return size
    return None


def misfit(rows: tuple[Ease, ...]) -> float:
    """How badly a choice sits, in mm: what is outside the bands, tight counted double, what cannot be altered more."""
    return sum(abs(r.off) * (2.0 if r.off < 0 else 1.0) * FIXED.get(r.measure, 1.0) for r in rows)
