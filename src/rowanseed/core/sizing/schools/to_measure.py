"""Made to measure: a garment of straight pieces, each piece's width from the wearer's own figures by its own rule.

What it gives are alterations of the pieces' widths, so that pieces, lay and yardage follow.
"""

from __future__ import annotations

from dataclasses import dataclass

from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.straight import girth, is_rectangle
from rowanseed.core.base.units import INCH
from rowanseed.core.base.working import Given, Source, Working, length
from rowanseed.core.pattern.making import DifferenceKind
from rowanseed.core.pattern.pieces import Cut, Panel, Piece, Role
from rowanseed.core.sizing.chart import measure_name
from rowanseed.core.sizing.proposal import Choosing, Proposal, School
from rowanseed.core.sizing.wish import Fit

LAP = INCH
"""A band closes over itself by so much (common practice, no source)."""
EASE = 2 * INCH
"""Wearing ease at the hip of what is not gathered (common practice, no source)."""


@dataclass(frozen=True)
class _Rule:
    """How wide one piece is finished, and the sum behind it; None: as it is drawn."""

    width: float
    formula: str
    given: tuple[Given, ...]


def to_measure(c: Choosing) -> Proposal:
    """Each panel's width from the body, a band's from the waist, a gathered one's from what it is drawn up to."""
    pieces = c.pattern.pieces_for(Role.MAIN, c.view)
    size = c.sizes[0] if c.sizes else ""
    if not pieces or not all(is_rectangle(piece, size) for piece, _ in pieces):
        return Proposal(
            School.TO_MEASURE, None, "Its pieces are shaped; only straight ones are cut from the body's own figures."
        )
    if "hip" not in c.body and "waist" not in c.body:
        return Proposal(School.TO_MEASURE, None, "The hip or the waist is not measured yet.")
    figures, alterations, drawn = list[Working](), list[Alteration](), list[str]()
    for piece, cut in pieces:
        rule = _rule(c, piece, cut)
        if rule is None:
            drawn.append(piece.name)
            continue
        allowances = _allowances(piece, size)
        figures.append(
            Working(
                name=f"{piece.name}: cut width",
                quantity=length(rule.width + allowances),
                formula=f"{rule.formula} + two seam allowances",
                given=(*rule.given, Given("both seam allowances", length(allowances), Source.DRAWING)),
            )
        )
        by = round(rule.width - girth(piece, size), 1)
        if by:
            alterations.append(Alteration(kind="straight-width", by=by, at=piece.id))
    kept = f" As drawn stay: {', '.join(drawn)}." if drawn else ""
    return Proposal(
        school=School.TO_MEASURE,
        size=size,
        reason=f"Each straight piece is cut to your own figures; the size on the tissue does not matter.{kept}",
        rows=c.rows(size),
        alterations=tuple(alterations),
        figures=tuple(figures),
    )


def _rule(c: Choosing, piece: Piece, cut: Cut) -> _Rule | None:
    """The rule for one piece: a band, a gathered panel, a panel of the body; None for what neither measure sets."""
    times = cut.count * (2 if cut.fold else 1)
    waist = c.body.get("waist_band", c.body.get("waist"))
    if piece.panel is Panel.BAND:
        return None if waist is None else _band(waist, times)
    gathers = _gathers(c, piece)
    if gathers is not None and waist is not None:
        given = (
            Given("body waist", length(waist), Source.MEASURED),
            Given("fullness, times", length(gathers), Source.DRAWING),
        )
        return _Rule(gathers * waist / times, "waist × fullness ÷ panels", given)
    if piece.panel in (Panel.SLEEVE, Panel.HEAD):
        return None
    measure = "hip" if "hip" in c.body else "waist"
    ease = EASE if c.wish.fit in (Fit.AS_DRAWN, Fit.FITTED) else 2 * EASE
    panels = sum(
        k.count * (2 if k.fold else 1)
        for p, k in c.pattern.pieces_for(Role.MAIN, c.view)
        if p.panel in (Panel.FRONT, Panel.BACK, Panel.OTHER)
    )
    given = (
        Given(f"body {measure_name(measure)}", length(c.body[measure]), Source.MEASURED),
        Given("ease", length(ease), Source.PRACTICE),
    )
    return _Rule((c.body[measure] + ease) / panels, "(body + ease) ÷ panels", given)


def _band(waist: float, times: int) -> _Rule:
    given = (
        Given("body waist", length(waist), Source.MEASURED),
        Given("lap", length(LAP), Source.PRACTICE),
    )
    return _Rule((waist + LAP) / times, "waist + lap", given)


def _gathers(c: Choosing, piece: Piece) -> float | None:
    """How many times as wide a piece is as what it is drawn up to; None for one that is not gathered."""
    for join in c.pattern.making.joins:
        if join.difference.kind is DifferenceKind.GATHERS and any(part.piece == piece.id for part in join.a):
            return join.difference.amount
    return None


def _allowances(piece: Piece, size: str) -> float:
    """The allowances of the two edges that end a piece's width."""
    chains = piece.shapes[size].edges
    along = piece.panel is Panel.BAND
    ends = [
        edge.allowance
        for edge in piece.edges
        if (abs(chains[edge.name][0].start[0] - chains[edge.name][-1].end[0]) < 0.5) == along
    ]
    return sum(ends)
