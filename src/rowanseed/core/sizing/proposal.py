"""What a school of choosing a size gives, and everything the schools look at. All are common practice, no source."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from functools import cached_property

from rowanseed.core.alter.blend import Blend
from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.seam import side_seams
from rowanseed.core.alter.seam_run import levels_crossed
from rowanseed.core.base.errors import RowanseedError
from rowanseed.core.base.saying import said
from rowanseed.core.base.units import Units, format_length
from rowanseed.core.base.words import Worded
from rowanseed.core.base.working import Working
from rowanseed.core.pattern.making import Join
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel
from rowanseed.core.sizing.chart import Advice, by_chart, measure_name, size_by_measure
from rowanseed.core.sizing.ease import Ease, Sits, ease_rows, misfit
from rowanseed.core.sizing.wish import GarmentClass, Wish, garment_class


class School(Worded):
    CHART = "chart", "by the chart"
    HIGH_BUST = "high-bust", "by the high bust"
    EASE = "ease", "by the ease wanted"
    BETWEEN = "between", "between sizes"
    OUTER = "outer", "as outerwear"
    TO_MEASURE = "to-measure", "made to measure"


ROOMY = 130.0
"""Where a pattern is drawn this loose at the bust (5 1/8 in), there is room for a full bust as it is."""
STRAIGHT = 0.95
WEARING: Mapping[str, float] = {"bust": 51.0, "waist": 25.0, "hip": 51.0}
"""What one needs to move, in mm: less of it and even a straight garment is tight (common practice, no source)."""
SENSIBLE_STEPS = 2.0
"""Further off the chart than this many sizes, altering moves neck, shoulder and pockets too far."""


@dataclass(frozen=True)
class Proposal:
    """What a school gives: size, blend and alterations with their reason, or why it does not apply. `rows` are of the
    size as it is drawn until `as_cut` has measured what it blends or alters."""

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

    @property
    def is_top(self) -> bool:
        """Whether it hangs from the shoulders."""
        return garment_class(self.pattern.garment) is not GarmentClass.LOWER

    def drawn_ease(self, measure: str, size: str | None) -> float:
        """The ease that a size gives at a measure of the body it was drawn for; 0 where it is not printed."""
        printed, chart = self.pattern.envelope.finished.get(self.view, {}).get(measure, {}), self.chart(measure)
        return 0.0 if size is None or size not in printed or size not in chart else printed[size] - chart[size]

    def is_straight(self, size: str) -> bool:
        """Whether a top is cut straight: as wide at the waist as at the bust, or nearly."""
        finished = self.pattern.envelope.finished.get(self.view, {})
        bust, waist = (finished.get(m, {}).get(size) for m in ("bust", "waist"))
        return self.is_top and bust is not None and waist is not None and waist >= STRAIGHT * bust

    @cached_property
    def undecided(self) -> frozenset[str]:
        """Measures that do not choose the size: a straight-cut top goes by the chest, elsewhere only where it is tight.

        So it is where the size that the chest takes leaves what one needs to move.
        """
        first = next((m for m in self.pattern.envelope.sized_by if m in self.body and self.chart(m)), None)
        if first is None:
            return frozenset()
        base = size_by_measure(first, self.body[first], self.chart(first), self.sizes).size
        if not self.is_straight(base):
            return frozenset()
        easy = {
            row.measure for row in self.rows(base) if row.ease is not None and row.ease >= WEARING.get(row.measure, 0)
        }
        return frozenset(m for m in WEARING if m != first and m in easy)

    @property
    def advice(self) -> Advice:
        """What the body chart says, by the measures that decide here."""
        return by_chart(self.body, self.pattern.envelope, self.undecided)

    def side_seams(self, size: str) -> Mapping[str, Join]:
        """The levels at which a side can be changed, each with the seam: the skirt's at a dress's hip."""
        found: dict[str, Join] = {}
        for join in side_seams(self.pattern):
            for level in levels_crossed(self.pattern, size, join):
                found.setdefault(level, join)
        return found

    def step(self, measure: str, *, above: bool) -> float:
        """From the last size to the one before it, or from the first to the second, in mm."""
        row, sizes = self.chart(measure), self.sizes
        if len(sizes) < 2 or not row:
            return 40.0
        return row[sizes[-1]] - row[sizes[-2]] if above else row[sizes[1]] - row[sizes[0]]

    @property
    def look_at(self) -> str:
        """What to look at in a trial piece where the sides are let out far."""
        if any(p.has_edge("shoulder") for p in self.pattern.pieces if p.panel in (Panel.FRONT, Panel.BACK)):
            return "look at the shoulders in a trial piece first"
        return "look at the hang of the side seams and the pockets in a trial piece first"

    @property
    def moves_too(self) -> str:
        """What else would have to be graded with a garment much off its chart."""
        if any(p.has_edge("neck") for p in self.pattern.pieces):
            return "neck, shoulders and pockets"
        return "waist edge, zip and pockets"

    def show(self, mm: float) -> str:
        return format_length(mm, self.units)

    def told(self, error: RowanseedError) -> str:
        """Why something cannot be done, with the names of the pieces."""
        return str(said(error, self.units, {piece.id: piece.name for piece in self.pattern.pieces}))

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


# ---------------------------------------------------------------- never smaller than the body


def fits(rows: tuple[Ease, ...]) -> bool:
    """Whether no measure of the garment is smaller than the body, but for what the cloth's stretch makes up for."""
    return all(row.sits is not Sits.SMALLER for row in rows)


def made_to_fit(c: Choosing, proposal: Proposal) -> Proposal:
    """A proposal whose garment is nowhere smaller than the body: let out at the side, or refused with what it lacks."""
    lacking = [row for row in proposal.rows if row.sits is Sits.SMALLER]
    if proposal.size is None or not lacking:
        return proposal
    wanting = {row.measure: _missing(row) for row in lacking}
    smaller = " and ".join(f"{_by(c, row)} than the body at the {measure_name(row.measure)}" for row in lacking)
    out = " and ".join(f"{c.show(mm)} at the {measure_name(m)}" for m, mm in wanting.items())
    seams = c.side_seams(proposal.size)
    too_far = any(mm > SENSIBLE_STEPS * max(c.step(m, above=True), 20.0) for m, mm in wanting.items())
    if too_far or any(m not in seams for m in wanting):
        why = (
            f"so far that {c.moves_too} would move too. Look for a pattern drawn in your size"
            if too_far
            else "which its seams do not allow here. Alter the tissue, or look for a pattern drawn in your size"
        )
        reason = f"No size fits: {proposal.size} is {smaller}. It would have to be let out by {out}, {why}."
        return Proposal(proposal.school, None, reason, working=proposal.working)
    added = tuple(Alteration(kind="seam", by=mm, at=seams[m].id, level=m) for m, mm in wanting.items())
    return replace(
        proposal,
        reason=f"No size fits: {proposal.size} is {smaller}. Let the side seams out by {out}, and {c.look_at}.",
        alterations=(*proposal.alterations, *added),
    )


def _by(c: Choosing, row: Ease) -> str:
    short = c.show(-(row.ease or 0.0))
    return f"{short} smaller" if short != c.show(0.0) else "no larger"


def _missing(row: Ease) -> float:
    """How much a measure lacks to the least ease wanted there, in whole mm."""
    least = max(0.0, row.band[0]) if row.band is not None else 0.0
    return float(round(least - (row.ease or 0.0) + 0.49))
