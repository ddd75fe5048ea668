"""Rectangles cut to the measure: give the finished figure, get the cut one. All lengths in mm.

Allowances, fullness and how a bias strip is folded are common practice, no source. How much bias strip a piece of
cloth gives is its area over the strip's width, whatever way it is cut (geometry).
"""

from __future__ import annotations

import math
from dataclasses import dataclass, field, replace

from rowanseed.core.base.units import INCH
from rowanseed.core.base.words import Worded
from rowanseed.core.base.working import Given, Source, Working, count, fine, length
from rowanseed.core.geometry.outline import Segment
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Cut, Drawn, EdgeSpec, Grain, Panel, Piece, Role, Shape

ALLOWANCE = 10.0
STRIP_LONGEST = 600.0
"""Bias strips are cut no longer than this and joined, so that they fit between the other pieces."""
HEM_OF_RUFFLE = 8.0
UNDERLAP = INCH
"""What a waistband passes its closure by."""
BAND_END = INCH / 2
"""The allowance at each end of a waistband."""


class RectangleKind(Worded):
    BAND = "band", "band, folded double"
    WAISTBAND = "waistband", "waistband with an underlap"
    RUFFLE = "ruffle", "ruffle, hemmed"
    STRAP = "strap", "strap, turned"
    TIE = "tie", "tie, turned"
    BIAS = "bias", "bias strip for binding"
    DOUBLE_BIAS = "double-bias", "bias strip for double binding"
    PLAIN = "plain", "plain piece"


ON_THE_BIAS = {RectangleKind.BIAS: (4, INCH / 8), RectangleKind.DOUBLE_BIAS: (6, INCH / 4)}
"""Widths of the binding that its strip is cut, and what the cloth takes to turn, in mm."""


@dataclass(frozen=True)
class Rectangle:
    """What is wanted, finished: `count` of them, `long` by `wide`; a ruffle `fullness` times as long as its seam."""

    kind: RectangleKind
    name: str
    long: float
    wide: float
    count: int = 1
    role: Role = Role.MAIN
    fullness: float = 2.0
    id: str = field(default="", compare=False)
    """Which line of a project's list it is."""


@dataclass(frozen=True)
class CutFigures:
    """What to cut: length and width with their sums, and in how many parts each is cut."""

    long: Working
    wide: Working
    parts: int
    grain: Grain


def cut_figures(r: Rectangle) -> CutFigures:
    """The cut length and width of a rectangle, with the sums."""
    return CutFigures(long=_long(r), wide=_wide(r), parts=parts(r), grain=_grain(r))


def parts(r: Rectangle) -> int:
    """In how many strips one is cut: a bias strip is joined from short ones."""
    return math.ceil(_whole_length(r) / STRIP_LONGEST) if r.kind in ON_THE_BIAS else 1


def _grain(r: Rectangle) -> Grain:
    return {
        RectangleKind.BIAS: Grain.BIAS,
        RectangleKind.DOUBLE_BIAS: Grain.BIAS,
        RectangleKind.RUFFLE: Grain.EITHER,
        RectangleKind.TIE: Grain.EITHER,
        RectangleKind.STRAP: Grain.EITHER,
    }.get(r.kind, Grain.LENGTHWISE)


def _whole_length(r: Rectangle) -> float:
    return r.long * (r.fullness if r.kind is RectangleKind.RUFFLE else 1.0)


def _long(r: Rectangle) -> Working:
    given = [Given("finished length", length(r.long), Source.CHOSEN)]
    whole, said = r.long, "finished length"
    if r.kind is RectangleKind.RUFFLE:
        whole *= r.fullness
        given.append(Given("fullness", count(r.fullness), Source.CHOSEN))
        said += " × fullness"
    if r.kind is RectangleKind.WAISTBAND:
        whole += UNDERLAP
        given.append(Given("underlap", fine(UNDERLAP), Source.PRACTICE))
        said += " + underlap"
    each, n = whole, parts(r)
    if n > 1:
        each = whole / n
        given.append(Given("strips", count(n), Source.WORKED_OUT))
        said += " ÷ strips"
    end = BAND_END if r.kind is RectangleKind.WAISTBAND else ALLOWANCE
    given.append(Given("allowance at each end", fine(end), Source.PRACTICE))
    # Strips on the bias are joined on the straight grain: the join takes the strip's width besides.
    slant = _wide(r).value if n > 1 else 0.0
    if slant:
        given.append(Given("slanting join", fine(slant), Source.WORKED_OUT))
    return Working(
        name="Cut length",
        quantity=length(each + 2 * end + slant),
        formula=said + " + 2 × allowance" + (" + the slant of a join" if slant else ""),
        given=tuple(given),
    )


def _wide(r: Rectangle) -> Working:
    wide = Given("finished width", fine(r.wide), Source.CHOSEN)
    allowance = Given("allowance", fine(ALLOWANCE), Source.PRACTICE)
    match r.kind:
        case RectangleKind.BAND | RectangleKind.WAISTBAND | RectangleKind.STRAP | RectangleKind.TIE:
            return Working(
                name="Cut width",
                quantity=fine(2 * r.wide + 2 * ALLOWANCE),
                formula="2 × finished width + 2 × allowance",
                given=(wide, allowance),
            )
        case RectangleKind.RUFFLE:
            hem = Given("narrow hem, turned twice", fine(2 * HEM_OF_RUFFLE), Source.PRACTICE)
            return Working(
                name="Cut width",
                quantity=fine(r.wide + ALLOWANCE + 2 * HEM_OF_RUFFLE),
                formula="finished width + allowance + hem",
                given=(wide, allowance, hem),
            )
        case RectangleKind.BIAS | RectangleKind.DOUBLE_BIAS:
            times, turn = ON_THE_BIAS[r.kind]
            how = (
                "folded in from both edges and over the edge it binds"
                if times == 4
                else "folded in half first, then over the edge"
            )
            return Working(
                name="Cut width",
                quantity=fine(times * r.wide + turn),
                formula=f"{times} × finished width + what the cloth takes to turn: {how}",
                given=(wide, Given("to turn", fine(turn), Source.PRACTICE)),
            )
        case RectangleKind.PLAIN:
            return Working(
                name="Cut width",
                quantity=fine(r.wide + 2 * ALLOWANCE),
                formula="finished width + 2 × allowance",
                given=(wide, allowance),
            )


def bias_yield(long: float, across: float, strip: float) -> Working:
    """How much bias strip of a cut width (mm) a rectangle of cloth gives, in mm: its area over the strip's width."""
    return Working(
        name="Bias strip",
        quantity=length(long * across / strip),
        formula="length × width ÷ cut width of the strip",
        given=(
            Given("length", length(long), Source.CHOSEN),
            Given("width", length(across), Source.CHOSEN),
            Given("cut width", fine(strip), Source.WORKED_OUT),
        ),
    )


# ---------------------------------------------------------------- as pieces


def with_rectangles(pattern: Pattern, size: str, rectangles: tuple[Rectangle, ...]) -> Pattern:
    """The pattern with the rectangles as pieces in this size, so that they are laid and cut with the others."""
    number = max((piece.number for piece in pattern.pieces), default=0)
    added = tuple(_piece(r, f"measure-{k}", number + k, size) for k, r in enumerate(rectangles, start=1))
    return replace(pattern, pieces=(*pattern.pieces, *added)) if added else pattern


def _piece(r: Rectangle, id: str, number: int, size: str) -> Piece:
    figures = cut_figures(r)
    long, wide = figures.long.value, figures.wide.value
    a, b, c, d = (0.0, 0.0), (long, 0.0), (long, wide), (0.0, wide)
    edges = {"lower": (Segment(a, b),), "end": (Segment(b, c),), "upper": (Segment(c, d),), "start": (Segment(d, a),)}
    specs = tuple(EdgeSpec(name, 0.0) for name in edges)
    shape = Shape(edges, ((long * 0.15, wide / 2), (long * 0.85, wide / 2)))
    cut = Cut(r.role, r.count * figures.parts, grain=figures.grain)
    return Piece(
        id=id,
        name=r.name,
        number=number,
        drawn=Drawn.CUTTING,
        edges=specs,
        shapes={size: shape},
        cuts=(cut,),
        panel=Panel.OTHER,
    )
