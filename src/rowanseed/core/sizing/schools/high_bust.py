"""By the high bust, then a full- or small-bust adjustment: neck and shoulders do not grow with the bust."""

from __future__ import annotations

from rowanseed.core.alter import bust
from rowanseed.core.alter.change import Alteration
from rowanseed.core.base.working import Given, Source, Working, length
from rowanseed.core.sizing.chart import measure_name, size_by_measure
from rowanseed.core.sizing.ease import Sits
from rowanseed.core.sizing.proposal import Choosing, Proposal, School

B_CUP = 51.0
"""A full bust 2 in over the high bust is what patterns are drawn for; more asks for the high bust."""
SMALL_CUP = 13.0
"""Up to half an inch over the high bust is less than any bust that patterns are drawn for."""
SLIGHT = 12.0
"""A bust adjustment of less than this, in mm, is not worth slashing for."""


def high_bust(c: Choosing) -> Proposal:
    row = c.chart("high_bust") or {size: figure - B_CUP for size, figure in c.chart("bust").items()}
    if not c.is_top or not row or not c.chart("bust"):
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
    above = f"{c.show(over)} above it" if over >= 0 else f"{c.show(-over)} less (measure both again)"
    if c.show(abs(over)) == c.show(0.0):
        above = "as wide"
    said = f"The high bust says size {size}; the full bust is {above}"
    small = _is_small(c, size, amount)
    if over <= B_CUP and not small:
        by_full = size_by_measure("bust", c.body["bust"], c.chart("bust"), c.sizes).size
        return Proposal(
            school=School.HIGH_BUST,
            size=by_full,
            reason=f"{said}, no more than patterns are drawn for: choose by the full bust, without an adjustment.",
            rows=c.rows(by_full),
        )
    if amount <= SLIGHT and not small:
        room = ": that size has room for it" if amount < -SLIGHT else ""
        return Proposal(
            school=School.HIGH_BUST,
            size=size,
            reason=f"{said}{room}. No adjustment is needed.",
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
    adjusted = Alteration("bust", amount)
    kind = "full" if amount > 0 else "small"
    return Proposal(
        school=School.HIGH_BUST,
        size=size,
        reason=f"{said}. A {kind}-bust adjustment of {c.show(abs(amount))} makes up for it.",
        rows=c.rows(size),
        alterations=(adjusted,),
        working=working,
    )


def _is_small(c: Choosing, size: str, amount: float) -> bool:
    """Whether neck and shoulders need a larger size than the bust does, and that size is too roomy at the bust."""
    if amount >= -2 * SLIGHT or c.body["bust"] - c.body["high_bust"] > SMALL_CUP:
        return False
    return any(row.measure == "bust" and row.sits is Sits.ROOMY for row in c.rows(size))
