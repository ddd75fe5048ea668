"""Made to measure: a garment of straight pieces, each piece's width from the wearer's own figures by its own rule.

What it gives are alterations of the pieces' widths, so that pieces, lay and yardage follow.
"""

from __future__ import annotations

import math
from collections.abc import Collection, Mapping
from dataclasses import dataclass, replace

from rowanseed.core.alter.change import Alteration
from rowanseed.core.base.units import INCH
from rowanseed.core.base.words import lower_first
from rowanseed.core.base.working import Given, Source, Working, count, length, percent
from rowanseed.core.pattern.making import DetailKind, DifferenceKind, FinishKind, Join
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Cut, Panel, Piece, Role
from rowanseed.core.pattern.stitching import on_stitching_line
from rowanseed.core.pattern.straight import gathered, girth, girth_direction, is_rectangle, straight_pieces
from rowanseed.core.sizing.chart import measure_name
from rowanseed.core.sizing.proposal import Choosing, Proposal, School
from rowanseed.core.sizing.wish import Fit

LAP = INCH
"""A band closes over itself by so much (common practice, no source)."""
MOST_LAP = 120.0
"""What a band is drawn longer than that, in mm, is no lap: a tie, say."""
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
    c = replace(c, pattern=on_stitching_line(c.pattern))
    pieces = c.pattern.pieces_for(Role.MAIN, c.view)
    size = c.sizes[0] if c.sizes else ""
    if not pieces or not all(is_rectangle(piece, size) for piece, _ in pieces):
        return Proposal(
            School.TO_MEASURE, None, "Its pieces are shaped; only straight ones are cut from the body's own figures."
        )
    if "hip" not in c.body and "waist" not in c.body:
        return Proposal(School.TO_MEASURE, None, "The hip or the waist is not measured yet.")
    figures, alterations, drawn = list[Working](), list[Alteration](), list[str]()
    panels = {piece.id: cut for piece, cut in pieces if piece in straight_pieces(c.pattern, size)}
    mounted = next((piece for piece, _ in pieces if _is_mounted(c.pattern, piece, panels, size)), None)
    if mounted is not None:
        return Proposal(
            School.TO_MEASURE, None, f"The {lower_first(mounted.name)} is mounted on a band of the width that is drawn."
        )
    for piece, _ in pieces:
        rule = _rule(c, piece, panels, size) if piece.id in panels else None
        if rule is None:
            drawn.append(piece.name)
            continue
        allowances = _allowances(c.pattern, piece, size)
        figures.append(
            Working(
                name=f"{piece.name}: cut width",
                quantity=length(rule.width + allowances),
                formula=f"{rule.formula} + two seam allowances",
                given=(*rule.given, Given("both seam allowances", length(allowances), Source.DRAWING)),
            )
        )
        # Never a hair too narrow.
        by = math.ceil((rule.width - girth(c.pattern, piece, size)) * 10) / 10
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


def _is_mounted(pattern: Pattern, piece: Piece, panels: Collection[str], size: str) -> bool:
    """Whether a piece lies on a band and is as long as that is drawn: pleated onto it, say."""
    if piece.panel is not Panel.BAND or piece.id in panels:
        return False
    long = girth(pattern, piece, size)
    bands = [pattern.piece(id) for id in panels if pattern.piece(id).panel is Panel.BAND]
    return any(abs(girth(pattern, band, size) - long) < 1.0 for band in bands)


def _rule(c: Choosing, piece: Piece, cuts: Mapping[str, Cut], size: str) -> _Rule | None:
    """The rule for one piece: a band, a gathered panel, a panel of the body; None for what neither measure sets.

    `cuts` are those of all straight pieces that go round the body, by piece.
    """
    waist = c.body.get("waist_band", c.body.get("waist"))
    if piece.panel is Panel.BAND and gathered(c.pattern, piece) is None:
        return None if waist is None else _band(c, waist, piece, _times(cuts[piece.id]), size)
    join = gathered(c.pattern, piece)
    if join is not None:
        return _gathered(c, piece, join, cuts, size)
    if piece.panel in (Panel.SLEEVE, Panel.HEAD):
        return None
    return _round_the_body(c, piece, cuts, size)


def _round_the_body(c: Choosing, piece: Piece, cuts: Mapping[str, Cut], size: str) -> _Rule:
    """A panel's share of the widest place that it goes round; as full as it is drawn where elastic or a string draws
    it up, and with the ease that is drawn where the wish is to keep that."""
    panels = {
        id: cut
        for id, cut in cuts.items()
        if c.pattern.piece(id).panel in (Panel.FRONT, Panel.BACK, Panel.OTHER)
        and gathered(c.pattern, c.pattern.piece(id)) is None
    }
    round_it = ("bust", "waist", "hip") if c.is_top else ("waist", "hip")
    measure = max((m for m in round_it if m in c.body), key=c.body.__getitem__)
    drawn = sum(_times(cut) * girth(c.pattern, c.pattern.piece(id), size) for id, cut in panels.items())
    charted = max((c.chart(m)[size] for m in round_it if size in c.chart(m)), default=None)
    ease, source, times = EASE if c.wish.fit in (Fit.AS_DRAWN, Fit.FITTED) else 2 * EASE, Source.PRACTICE, 1.0
    if charted is not None and any(_drawn_up(c.pattern, id) for id in panels):
        times = max(1.0, drawn / (charted + EASE))
    elif charted is not None and c.wish.fit is Fit.AS_DRAWN and drawn - charted > ease:
        ease, source = drawn - charted, Source.DRAWING
    share = girth(c.pattern, piece, size) / drawn
    given = (
        Given(f"body {measure_name(measure)}", length(c.body[measure]), Source.MEASURED),
        Given("ease", length(ease), source),
        *((Given("fullness, times", count(round(times, 2)), Source.DRAWING),) if times > 1.0 else ()),
        Given("its share of the whole", percent(share), Source.DRAWING),
    )
    formula = "(body + ease) × fullness × share" if times > 1.0 else "(body + ease) × share"
    return _Rule((c.body[measure] + ease) * times * share, formula, given)


def _drawn_up(pattern: Pattern, piece: str) -> bool:
    """Whether elastic or a string draws a piece up: in a casing, sewn on, in rows."""
    cased = any(f.kind is FinishKind.CASING and any(p.piece == piece for p in f.parts) for f in pattern.making.finishes)
    return cased or any(
        detail.kind in (DetailKind.ELASTIC, DetailKind.DRAWSTRING, DetailKind.SHIRRED_PANEL) and piece in detail.on
        for detail in pattern.making.details
    )


def _gathered(c: Choosing, piece: Piece, join: Join, cuts: Mapping[str, Cut], size: str) -> _Rule | None:
    """A gathered piece: its share of the waist, or of the pieces that it hangs from, times its fullness."""
    above = {part.piece for part in join.b}
    beside = {
        part.piece
        for other in c.pattern.making.joins
        if other.difference.kind is DifferenceKind.GATHERS and {part.piece for part in other.b} == above
        for part in other.a
    }
    if not {*above, *beside} <= cuts.keys():
        return None
    whole = sum(_times(cuts[id]) * girth(c.pattern, c.pattern.piece(id), size) for id in beside)
    share, times = girth(c.pattern, piece, size) / whole, join.difference.amount
    drawn = (
        Given("fullness, times", count(times), Source.DRAWING),
        Given("its share of the whole", percent(share), Source.DRAWING),
    )
    if all(c.pattern.piece(id).panel is Panel.BAND for id in above):
        waist = c.body.get("waist_band", c.body.get("waist"))
        if waist is None:
            return None
        given = Given("body waist", length(waist), Source.MEASURED)
        return _Rule(waist * times * share, "waist × fullness × share", (given, *drawn))
    # What hangs from itself, as a pattern that was brought may have it, is found to hang from nothing.
    rest = {id: cut for id, cut in cuts.items() if id not in beside}
    hangs_from = 0.0
    for id in above:
        rule = _rule(c, c.pattern.piece(id), rest, size)
        if rule is None:
            return None
        hangs_from += _times(cuts[id]) * rule.width
    given = Given("what it hangs from", length(hangs_from), Source.WORKED_OUT)
    return _Rule(hangs_from * times * share, "what it hangs from × fullness × share", (given, *drawn))


def _times(cut: Cut) -> int:
    return cut.count * (2 if cut.fold else 1)


def _band(c: Choosing, waist: float, piece: Piece, times: int, size: str) -> _Rule:
    """The waist and what the band laps: as it is drawn where the waist that it closes to is printed."""
    printed = c.pattern.envelope.finished.get(c.view, {}).get("waist", {}).get(size)
    drawn = None if printed is None else times * girth(c.pattern, piece, size) - printed
    lap = LAP if drawn is None or not 0 <= drawn <= MOST_LAP else drawn
    given = (
        Given("body waist", length(waist), Source.MEASURED),
        Given("lap", length(lap), Source.PRACTICE if lap == LAP else Source.DRAWING),
    )
    return _Rule((waist + lap) / times, "waist + lap", given)


def _allowances(pattern: Pattern, piece: Piece, size: str) -> float:
    """The allowances of the two edges that end a piece's width."""
    chains = piece.shapes[size].edges
    along = girth_direction(pattern, piece, size) == (1.0, 0.0)
    ends = [
        edge.allowance
        for edge in piece.edges
        if (abs(chains[edge.name][0].start[0] - chains[edge.name][-1].end[0]) < 0.5) == along
    ]
    return sum(ends)
