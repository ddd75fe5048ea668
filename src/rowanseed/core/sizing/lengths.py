"""Lengths of the body beside those a size is drawn for, and the alteration that makes up the difference.

A garment keeps its own ease of length: what the body has more than the chart, the garment is lengthened by.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.hem import hem_edges
from rowanseed.core.alter.length import printed_lines
from rowanseed.core.base.units import Units, format_length
from rowanseed.core.base.working import Given, Source, Working, length
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.sizing.chart import measure_name

LENGTHS = ("height", "back_waist", "arm", "crotch_depth", "inseam", "waist_to_knee", "waist_to_hip")
LINES: Mapping[str, tuple[str, ...]] = {
    "back_waist": ("body-length", "bodice-length"),
    "arm": ("sleeve-length",),
    "crotch_depth": ("crotch-depth",),
    "inseam": ("leg-length",),
    "waist_to_knee": ("skirt-length",),
}
"""The printed lines at which each is altered, by their ids."""
AT_HEM = ("inseam", "waist_to_knee")
"""What is altered at the hem where no line is printed for it."""
UNNOTICED = 5.0
"""A difference of less than this, in mm, is not worth altering (common practice, no source)."""


@dataclass(frozen=True)
class LengthRow:
    """One length in one size, in mm: the body's, what the size is drawn for, and what is altered already.

    `finished` is the garment's, where the envelope prints it. `place` is where it is altered, None where the pattern
    offers no place; `by` is what is still to be altered there.
    """

    measure: str
    body: float | None
    chart: float | None
    finished: float | None
    altered: float
    place: Alteration | None

    @property
    def by(self) -> float:
        if self.body is None or self.chart is None:
            return 0.0
        return self.body - self.chart - self.altered

    @property
    def is_off(self) -> bool:
        return abs(self.by) > UNNOTICED

    @property
    def working(self) -> Working | None:
        """How far the body is from what the size is drawn for; None while either is not known."""
        if self.body is None or self.chart is None:
            return None
        name = measure_name(self.measure)
        given = [
            Given(f"body {name}", length(self.body), Source.MEASURED),
            Given(f"{name} the size is drawn for", length(self.chart), Source.CHART),
        ]
        if self.altered:
            given.append(Given("altered already", length(self.altered), Source.CHOSEN))
        return Working(
            name=f"Still to alter, {name}",
            quantity=length(self.by),
            formula="body less what the size is drawn for" + (" less what is altered" if self.altered else ""),
            given=tuple(given),
        )

    def verdict(self, units: Units) -> str:
        if self.body is None:
            return "not measured yet"
        if self.chart is None:
            return "the pattern does not say what it is drawn for"
        if not self.is_off:
            return "altered to fit" if self.altered else "as drawn"
        by = format_length(abs(self.by), units)
        way = "longer" if self.by > 0 else "shorter"
        if self.place is None:
            return f"{by} {way} than the size is drawn for: look at every length in a trial piece"
        return f"{by} {way} than the size is drawn for"


def length_rows(
    body: Mapping[str, float], pattern: Pattern, view: str, size: str, alterations: Sequence[Alteration]
) -> tuple[LengthRow, ...]:
    """Every length that the chart or the envelope gives a figure for."""
    chart, finished = pattern.envelope.body_chart, pattern.envelope.finished.get(view, {})
    rows = []
    for measure in LENGTHS:
        if measure not in chart:
            continue
        place = _place(pattern, measure)
        rows.append(
            LengthRow(
                measure=measure,
                body=body.get(measure),
                chart=chart[measure].get(size),
                finished=finished.get(measure, {}).get(size),
                altered=sum(a.by for a in alterations if place and (a.kind, a.at) == (place.kind, place.at)),
                place=place,
            )
        )
    return tuple(rows)


def _place(pattern: Pattern, measure: str) -> Alteration | None:
    """Where the pattern offers to alter a length; its figure is still open."""
    lines = printed_lines(pattern)
    line = next((id for id in LINES.get(measure, ()) if id in lines), None)
    if line is not None:
        return Alteration(kind="length", by=0.0, at=line)
    return Alteration(kind="hem", by=0.0) if measure in AT_HEM and hem_edges(pattern) else None
