"""The schools of choosing a size, side by side, and which one is recommended for this body and pattern.

By the chart; by the high bust with a bust adjustment; by the ease that is wanted; between two sizes; as outer
wear; cut to the measure. All are common practice, no source.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field

from rowanseed.core.alter import bust
from rowanseed.core.alter.blend import Blend, blendable
from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.seam import takeable
from rowanseed.core.base.units import Units, format_length
from rowanseed.core.base.words import Worded
from rowanseed.core.base.working import Given, Source, Working, length, words
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Piece, Role
from rowanseed.core.sizing.chart import Advice, by_chart, measure_name, size_by_measure
from rowanseed.core.sizing.ease import Ease, ease_rows, misfit
from rowanseed.core.sizing.wish import OVER_EASE, Fit, GarmentClass, Over, Wish, garment_class


class School(Worded):
    CHART = "chart", "by the chart"
    HIGH_BUST = "high-bust", "by the high bust"
    EASE = "ease", "by the ease wanted"
    BETWEEN = "between", "between sizes"
    OUTER = "outer", "as outer wear"
    TO_MEASURE = "to-measure", "cut to the measure"


B_CUP = 51.0
"""A full bust 2 in over the high bust is what patterns are drawn for; more asks for the high bust."""
SLIGHT = 12.0
"""A bust adjustment of less than this, in mm, is not worth slashing for."""
ROOMY = 130.0
"""Where a pattern is drawn this loose at the bust (5 1/8 in), there is room for a full bust as it is."""
SENSIBLE_STEPS = 2.0
"""Further off the chart than this many sizes, altering moves neck, shoulder and pockets too far."""


@dataclass(frozen=True)
class Proposal:
    """What a school gives: size, blend and alterations with their reason, or why it does not apply."""

    school: School
    size: str | None
    reason: str
    rows: tuple[Ease, ...] = ()
    blend: Blend = ()
    alterations: tuple[Alteration, ...] = ()
    working: Working | None = None
    figures: tuple[Working, ...] = ()

    @property
    def applies(self) -> bool:
        return self.size is not None

    @property
    def misfit(self) -> float:
        return misfit(self.rows)


@dataclass(frozen=True)
class Choosing:
    """Everything a school looks at. `units` are for the words of its reasons."""

    body: Mapping[str, float]
    pattern: Pattern
    view: str
    wish: Wish = field(default_factory=Wish)
    units: Units = Units.METRIC

    @property
    def sizes(self) -> tuple[str, ...]:
        return self.pattern.envelope.sizes

    def chart(self, measure: str) -> Mapping[str, float]:
        return self.pattern.envelope.body_chart.get(measure, {})

    def show(self, mm: float) -> str:
        return format_length(mm, self.units)

    def rows(
        self, size: str, sizes: Mapping[str, str] | None = None, changes: Mapping[str, float] | None = None
    ) -> tuple[Ease, ...]:
        return ease_rows(
            body=self.body,
            pattern=self.pattern,
            view=self.view,
            sizes=sizes or {},
            size=size,
            wish=self.wish,
            changes=changes,
        )


def proposals(choosing: Choosing) -> tuple[Proposal, ...]:
    """Every school's answer, in the order of the schools."""
    return (
        _chart(choosing),
        _high_bust(choosing),
        _ease(choosing),
        between_sizes(choosing),
        _outer(choosing),
        _to_measure(choosing),
    )


def recommended(choosing: Choosing, every: tuple[Proposal, ...]) -> tuple[Proposal, str]:
    """The school to follow and why. It is the chart's answer (which may be none) where nothing speaks for another."""
    by = {p.school: p for p in every}
    chart, high, between = by[School.CHART], by[School.HIGH_BUST], by[School.BETWEEN]
    if by[School.TO_MEASURE].applies:
        return by[School.TO_MEASURE], "Its pieces are straight, so they are cut from your own figures."
    if high.applies and high.alterations and _drawn_ease(choosing, high.size) < ROOMY:
        return high, (
            "The full bust is well above the high bust. Neck and shoulders go by the high bust, and they cannot be "
            "altered later; room over the bust can be given on the tissue."
        )
    if choosing.wish.over is not Over.NOTHING and by[School.OUTER].applies:
        return by[School.OUTER], f"It is worn over {choosing.wish.over.words}, which needs room all over."
    if between.applies and between.blend and between.misfit < chart.misfit - 5:
        return between, "Your measures call for different sizes, and the side seams can follow both."
    ease = by[School.EASE]
    if ease.applies and chart.applies and ease.size != chart.size and ease.misfit < chart.misfit - 10:
        return ease, "The chart's size would not give the ease you asked for."
    found = by_chart(choosing.body, choosing.pattern.envelope).by_measure
    if not found or any(not f.on_chart for f in found):
        return chart, ""
    if len({f.size for f in found}) > 1:
        return chart, "Your measures call for different sizes, and the larger can be taken in."
    return chart, "Your measures agree with the chart, and the pattern means its ease."


def _drawn_ease(c: Choosing, size: str | None) -> float:
    """The ease that a size gives at the bust of the body it was drawn for."""
    printed, chart = c.pattern.envelope.finished.get(c.view, {}).get("bust", {}), c.chart("bust")
    return 0.0 if size is None or size not in printed or size not in chart else printed[size] - chart[size]


# ---------------------------------------------------------------- the schools


def _chart(c: Choosing) -> Proposal:
    advice = by_chart(c.body, c.pattern.envelope)
    return _from_advice(School.CHART, c, advice)


def _from_advice(school: School, c: Choosing, advice: Advice) -> Proposal:
    if advice.size is None:
        return Proposal(school, None, advice.reason)
    off = [f for f in advice.by_measure if not f.on_chart]
    alterations: tuple[Alteration, ...] = ()
    reason = advice.reason
    changes: dict[str, float] = {}
    if off:
        reason, alterations, changes = _off_chart(c, advice)
    return Proposal(
        school=school,
        size=advice.size,
        reason=reason,
        rows=c.rows(advice.size, changes=changes),
        alterations=alterations,
        working=advice.working,
    )


def _off_chart(c: Choosing, advice: Advice) -> tuple[str, tuple[Alteration, ...], dict[str, float]]:
    """Words and alterations for a body off the chart: what the nearest size lacks, while that is sensible."""
    sizes, words_ = c.sizes, list[str]()
    alterations, changes = list[Alteration](), dict[str, float]()
    seams, levels = takeable(c.pattern), blendable(c.pattern, advice.size or sizes[0])
    too_far = False
    for f in advice.by_measure:
        if f.on_chart:
            continue
        row = c.chart(f.measure)
        step = (
            (row[sizes[-1]] - row[sizes[-2]] if f.beyond > 0 else row[sizes[1]] - row[sizes[0]])
            if len(sizes) > 1
            else 40.0
        )
        side = "above the largest" if f.beyond > 0 else "below the smallest"
        words_.append(f"the {measure_name(f.measure)} is {c.show(abs(f.beyond))} {side} size")
        too_far |= abs(f.beyond) > SENSIBLE_STEPS * max(step, 1.0)
        if seams and f.measure in levels:
            alterations.append(Alteration(kind="seam", by=round(f.beyond), at=seams[0].id, level=f.measure))
            changes[f.measure] = round(f.beyond)
    said = f"No size fits: {' and '.join(words_)}. {advice.size} is the nearest."
    if too_far:
        return (
            f"{said} Grading it so far is not sensible: neck, shoulders, pockets and zip would move too. "
            "Look for a pattern drawn in your size.",
            (),
            {},
        )
    if alterations:
        what = " and ".join(f"{c.show(abs(a.by))} at the {measure_name(a.level)}" for a in alterations)
        verb = "Let the side seams out" if alterations[0].by > 0 else "Take the side seams in"
        return (
            f"{said} {verb} by {what}, and look at the shoulders in a trial piece first.",
            tuple(alterations),
            changes,
        )
    return f"{said} Altering by this much moves neck, pockets and zip too: try a trial piece first.", (), {}


def _high_bust(c: Choosing) -> Proposal:
    row = c.chart("high_bust") or {size: figure - B_CUP for size, figure in c.chart("bust").items()}
    if not row or not c.chart("bust"):
        return Proposal(School.HIGH_BUST, None, "It is for garments that cover the bust.")
    lacking = [m for m in ("high_bust", "bust") if m not in c.body]
    if lacking:
        return Proposal(
            School.HIGH_BUST, None, f"The {' and the '.join(measure_name(m) for m in lacking)} is not measured yet."
        )
    found = size_by_measure("high_bust", c.body["high_bust"], row, c.sizes)
    size, amount = found.size, c.body["bust"] - c.chart("bust")[found.size]
    over = c.body["bust"] - c.body["high_bust"]
    given = (
        Given("high bust, body", length(c.body["high_bust"]), Source.MEASURED),
        Given(f"high bust, size {size}", length(row[size]), Source.CHART if c.chart("high_bust") else Source.PRACTICE),
        Given("full bust, body", length(c.body["bust"]), Source.MEASURED),
        Given(f"full bust, size {size}", length(c.chart("bust")[size]), Source.CHART),
    )
    working = Working(
        name="Bust adjustment", quantity=length(amount), formula="full bust of the body less the size's", given=given
    )
    said = f"The high bust says size {size}; the full bust is {c.show(over)} above it."
    if abs(amount) <= SLIGHT or (over <= B_CUP and amount > 0 and abs(amount) <= 2 * SLIGHT):
        return Proposal(
            school=School.HIGH_BUST,
            size=size,
            reason=f"{said} No adjustment is needed.",
            rows=c.rows(size),
            working=working,
        )
    if not bust.has_bust(c.pattern, size):
        return Proposal(
            School.HIGH_BUST, None, "The pieces do not mark the bust point, so the bust cannot be adjusted here."
        )
    if abs(amount) > bust.MOST:
        return Proposal(
            School.HIGH_BUST, None, f"The bust would need {c.show(amount)} more, which distorts a front too far."
        )
    amount = round(amount)
    kind = "full" if amount > 0 else "small"
    return Proposal(
        school=School.HIGH_BUST,
        size=size,
        reason=f"{said} A {kind}-bust adjustment of {c.show(abs(amount))} makes up for it.",
        rows=c.rows(size, changes={"bust": amount}),
        alterations=(Alteration("bust", amount),),
        working=working,
    )


def _ease(c: Choosing) -> Proposal:
    """The size whose finished measures leave the ease wanted: every size is tried."""
    tried = [(misfit(rows), k, size, rows) for k, size in enumerate(c.sizes) if (rows := c.rows(size))]
    known = [entry for entry in tried if any(r.body is not None and r.band is not None for r in entry[3])]
    if not known:
        return Proposal(School.EASE, None, "The pattern prints no finished figure for what has been measured.")
    least, _, size, rows = min(known)
    worst = max(rows, key=lambda r: abs(r.off))
    said = (
        "It leaves the ease you asked for at every measure."
        if least == 0
        else (
            f"It comes nearest to the ease you asked for; the {measure_name(worst.measure)} is off by "
            f"{c.show(abs(worst.off))}."
        )
    )
    given = tuple(
        Given(
            f"{measure_name(r.measure)}: finished {c.show(r.finished)}, wanted beyond the body",
            length(r.band[0]),
            Source.CHOSEN,
        )
        for r in rows
        if r.band is not None and r.body is not None
    )
    working = Working(
        name="Size",
        quantity=words(size),
        formula="every size tried; the least misfit, tight counted double, what cannot be altered more",
        given=given,
    )
    return Proposal(school=School.EASE, size=size, reason=said, rows=rows, working=working)


def between_sizes(c: Choosing) -> Proposal:
    advice = by_chart(c.body, c.pattern.envelope)
    if advice.size is None:
        return Proposal(School.BETWEEN, None, advice.reason)
    measures = [m for m in ("bust", "waist", "hip") if m in c.body and c.chart(m)]
    found = {m: size_by_measure(m, c.body[m], c.chart(m), c.sizes).size for m in measures}
    if len(set(found.values())) < 2:
        return Proposal(
            School.BETWEEN, None, f"Your measures all say size {advice.size}: there is nothing to go between."
        )
    first = advice.by_measure[0].measure
    base = found.get(first, advice.size)
    levels = [level for level in blendable(c.pattern, base) if level in found]
    said = ", ".join(f"{found[m]} at the {measure_name(m)}" for m in measures)
    if len(levels) > 1 and len({found[level] for level in levels}) > 1:
        blend = tuple((level, found[level]) for level in levels)
        return Proposal(
            school=School.BETWEEN,
            size=base,
            reason=f"{said}, with a smooth line between. Safer still: cut {advice.size} and take in after the try-on.",
            rows=c.rows(base, found),
            blend=blend,
        )
    return _larger_taken_in(c, found, said)


def _larger_taken_in(c: Choosing, found: Mapping[str, str], said: str) -> Proposal:
    """The larger size, its side seams taken in where the smaller one would do."""
    larger = max(found.values(), key=c.sizes.index)
    finished = c.pattern.envelope.finished.get(c.view, {})
    seams, levels = takeable(c.pattern), blendable(c.pattern, larger)
    alterations: list[Alteration] = []
    changes: dict[str, float] = {}
    for m, size in found.items():
        if size != larger and m in finished and seams and m in levels:
            changes[m] = finished[m][size] - finished[m][larger]
            alterations.append(Alteration(kind="seam", by=round(changes[m]), at=seams[0].id, level=m))
    return Proposal(
        school=School.BETWEEN,
        size=larger,
        reason=f"{said}: cut the larger, {larger}, and take in the side seams after a try-on.",
        rows=c.rows(larger, changes=changes),
        alterations=tuple(alterations),
    )


def _outer(c: Choosing) -> Proposal:
    outer = (
        garment_class(c.pattern.garment) in (GarmentClass.JACKET, GarmentClass.COAT) or c.pattern.garment == "waistcoat"
    )
    if not outer:
        return Proposal(School.OUTER, None, "It is for jackets, coats and what is worn over other clothes.")
    more = OVER_EASE[c.wish.over]
    body = {
        m: mm + (more if m in ("bust", "high_bust", "waist", "hip", "upper_arm") else 0.0) for m, mm in c.body.items()
    }
    advice = by_chart(body, c.pattern.envelope)
    if advice.size is None:
        return Proposal(School.OUTER, None, advice.reason)
    at = c.sizes.index(advice.size)
    larger = f", or {c.sizes[at + 1]} if thick things go under it" if at + 1 < len(c.sizes) else ""
    said = (
        f"Over {c.wish.over.words}: {c.show(more)} more all round says size {advice.size}."
        if more
        else f"The chart size, {advice.size}{larger}. Check the hip with a tape."
    )
    return Proposal(
        school=School.OUTER, size=advice.size, reason=said, rows=c.rows(advice.size), working=advice.working
    )


def _to_measure(c: Choosing) -> Proposal:
    """For garments built of rectangles: each panel's width straight from the body."""
    pieces = c.pattern.pieces_for(Role.MAIN, c.view)
    size = c.sizes[0] if c.sizes else ""
    if not pieces or not all(is_rectangle(piece, size) for piece, _ in pieces):
        return Proposal(
            School.TO_MEASURE, None, "Its pieces are shaped; only rectangles are cut straight from the body's figures."
        )
    measure = next((m for m in (*c.pattern.envelope.sized_by, "hip", "waist") if m in c.body), None)
    if measure is None:
        return Proposal(School.TO_MEASURE, None, "The hip or the waist is not measured yet.")
    ease = 2 * 25.4 if c.wish.fit in (Fit.AS_DRAWN, Fit.FITTED) else 4 * 25.4
    figures = []
    for piece, cut in pieces:
        count = cut.count * (2 if cut.fold else 1)
        sides = [e for e in piece.edges if e.name not in ("waist", "hem", "top", "bottom")]
        allowance = sides[0].allowance if sides else 15.0
        width = (c.body[measure] + ease) / count + 2 * allowance
        figures.append(
            Working(
                name=f"{piece.name}: cut width",
                quantity=length(width),
                formula="(body + ease) ÷ panels + two seam allowances",
                given=(
                    Given(f"body {measure_name(measure)}", length(c.body[measure]), Source.MEASURED),
                    Given("ease", length(ease), Source.PRACTICE),
                    Given("seam allowance", length(allowance), Source.DRAWING),
                ),
            )
        )
    return Proposal(
        school=School.TO_MEASURE,
        size=size,
        reason="Each panel is cut to your own figures; the size on the tissue does not matter.",
        rows=c.rows(size),
        figures=tuple(figures),
    )


def is_rectangle(piece: Piece, size: str) -> bool:
    """Whether a piece is four straight edges at right angles; not so if the size is not drawn."""
    if size not in piece.shapes:
        return False
    segments = [s for chain in piece.shapes[size].edges.values() for s in chain]
    straight = all(
        not s.is_curve and (abs(s.start[0] - s.end[0]) < 0.5 or abs(s.start[1] - s.end[1]) < 0.5) for s in segments
    )
    return straight and len(segments) == 4
