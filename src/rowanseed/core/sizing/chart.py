"""Choosing a size by the chart.

The chart school (common practice, no source): the size whose body measures match; skirts and trousers
by the hip first. Between two sizes the larger is safer, since it can be taken in.
"""

from __future__ import annotations

from collections.abc import Collection, Mapping
from dataclasses import dataclass
from itertools import pairwise

from rowanseed.core.base.working import Given, Source, Working, length, words
from rowanseed.core.body.measures import MEASURE
from rowanseed.core.pattern.envelope import Envelope
from rowanseed.core.pattern.pieces import SEAM_LEVEL

FORGIVEN = 0.25
"""How far over a size's figure still counts as that size: a quarter of the step to the next one."""


LEVELS = {SEAM_LEVEL: "waist seam"}
"""Levels of a garment that are no measure of the body."""


def measure_name(key: str) -> str:
    return MEASURE[key].name.lower() if key in MEASURE else LEVELS.get(key, key)


@dataclass(frozen=True)
class SizeByMeasure:
    """What one measure says: its size, whether the body is off the chart's end, the step to the next."""

    measure: str
    body: float
    chart: float
    size: str
    beyond: float
    """How far the body is below the smallest (negative) or above the largest size; 0 on the chart."""

    @property
    def on_chart(self) -> bool:
        return self.beyond == 0


def size_by_measure(measure: str, body: float, row: Mapping[str, float], sizes: tuple[str, ...]) -> SizeByMeasure:
    """The smallest size whose chart figure the body does not exceed by more than a quarter step."""
    step = row[sizes[1]] - row[sizes[0]] if len(sizes) > 1 else 40.0
    if body < row[sizes[0]] - step:
        return SizeByMeasure(
            measure=measure, body=body, chart=row[sizes[0]], size=sizes[0], beyond=body - row[sizes[0]]
        )
    for size, following in pairwise(sizes):
        if body <= row[size] + FORGIVEN * (row[following] - row[size]):
            return SizeByMeasure(measure=measure, body=body, chart=row[size], size=size, beyond=0.0)
    last = sizes[-1]
    step = row[last] - row[sizes[-2]] if len(sizes) > 1 else 40.0
    over = body - row[last]
    return SizeByMeasure(
        measure=measure, body=body, chart=row[last], size=last, beyond=over if over > FORGIVEN * step else 0.0
    )


@dataclass(frozen=True)
class Advice:
    """A recommended size, the reason in words, what each measure says, and measures still missing."""

    size: str | None
    reason: str
    by_measure: tuple[SizeByMeasure, ...]
    missing: tuple[str, ...]
    working: Working | None


def by_chart(body: Mapping[str, float], envelope: Envelope, undecided: Collection[str] = ()) -> Advice:
    """Recommend a size by the chart school.

    `body` maps measures to mm; `undecided` are measures that do not choose this garment's size. Without a
    chart, or without the deciding measures, no size is recommended and the advice says what is lacking.
    """
    deciding = tuple(m for m in envelope.sized_by or envelope.body_chart if m not in undecided)
    if not envelope.body_chart or not deciding:
        lacking = "This pattern has no body chart, so it cannot say which size you are."
        if len(envelope.sizes) == 1:
            return Advice(
                size=envelope.sizes[0],
                reason=f"{lacking} It is drawn in one size, and that one is used.",
                by_measure=(),
                missing=(),
                working=None,
            )
        return Advice(
            size=None, reason=f"{lacking} Choose the size you know you take.", by_measure=(), missing=(), working=None
        )
    missing = tuple(key for key in deciding if key not in body)
    found = tuple(
        size_by_measure(key, body[key], envelope.body_chart[key], envelope.sizes) for key in deciding if key in body
    )
    if not found:
        names = " and ".join(measure_name(key) for key in missing)
        which = "which is" if len(missing) == 1 else "which are"
        return Advice(
            size=None,
            reason=f"The size is chosen by {names}, {which} not measured yet.",
            by_measure=(),
            missing=missing,
            working=None,
        )
    order = {size: k for k, size in enumerate(envelope.sizes)}
    first = found[0]
    chosen = max(found, key=lambda f: order[f.size]).size
    reason = _reason(first, found, chosen)
    given = [Given(f"{measure_name(f.measure)}, body", length(f.body), Source.MEASURED) for f in found]
    given += [Given(f"{measure_name(f.measure)}, size {f.size}", length(f.chart), Source.CHART) for f in found]
    working = Working(
        name="Size",
        quantity=words(chosen),
        formula="for each measure the smallest size whose chart figure is reached within a quarter of the step to the "
        "next; where they differ, the larger, which can be taken in",
        given=tuple(given),
        rounding="whole sizes",
    )
    return Advice(size=chosen, reason=reason, by_measure=found, missing=missing, working=working)


def _reason(first: SizeByMeasure, found: tuple[SizeByMeasure, ...], chosen: str) -> str:
    off = [f for f in found if not f.on_chart]
    if off:
        f = off[0]
        side = "above the largest" if f.beyond > 0 else "below the smallest"
        return (
            f"The {measure_name(f.measure)} is {side} size of this pattern, so {f.size} is only the nearest. "
            "Altering by this much moves neck, pockets and zip too: look for a pattern drawn in your size."
        )
    differing = [f for f in found if f.size != chosen]
    if not differing:
        names = " and ".join(f"the {measure_name(f.measure)}" for f in found)
        say = {1: "says", 2: "both say"}.get(len(found), "all say")
        return f"By the chart, {names} {say} size {chosen}."
    if first.size == chosen:
        others = "; ".join(f"the {measure_name(f.measure)} alone would be {f.size}" for f in differing)
        return (
            f"By the chart, the {measure_name(first.measure)} says size {chosen}; {others}. Take it in there after "
            "the try-on."
        )
    larger = next(f for f in found if f.size == chosen)
    return (
        f"The {measure_name(first.measure)} says size {first.size}, but the {measure_name(larger.measure)} needs "
        f"size {chosen}. Cut the larger and take in at the {measure_name(first.measure)} after the try-on."
    )
