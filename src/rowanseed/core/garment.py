"""One garment in the making: a pattern, a view, a size and what was altered, turned into things to lay."""

from __future__ import annotations

from dataclasses import dataclass

from rowanseed.core.alter.blend import Blend
from rowanseed.core.alter.carry_out import carry_out
from rowanseed.core.alter.change import Alteration, Altered
from rowanseed.core.cloth import Cloth, Direction
from rowanseed.core.errors import PatternError
from rowanseed.core.lay.problem import LayCloth, LayKind, LayPiece, Problem
from rowanseed.core.outline import Point, without_repeats
from rowanseed.core.pattern import Cut, Pattern, Piece, Role
from rowanseed.core.seamline import lines
from rowanseed.core.tactics import Tactic, laid_with

GAP = 3.0
"""Between cutting lines, in mm: room for shears (common practice, no source)."""

LAYS = (LayKind.FOLDED, LayKind.OPEN)


@dataclass(frozen=True)
class Choices:
    """What the sewist has decided: the view, the size, other sizes at some levels, and what is altered, in order."""

    view: str
    size: str
    blend: Blend = ()
    alterations: tuple[Alteration, ...] = ()


def altered(pattern: Pattern, choices: Choices) -> Altered:
    """The pattern as this garment is cut. Raises PatternError for a view or size it does not have."""
    if choices.size not in pattern.envelope.sizes:
        raise PatternError(
            f"This pattern has no size {choices.size}.",
            f"It has {', '.join(pattern.envelope.sizes)}.",
            "size",
        )
    if choices.view not in {view.id for view in pattern.envelope.views}:
        raise PatternError(f"This pattern has no view {choices.view}.", "", "view")
    return carry_out(pattern, choices.size, choices.alterations, choices.blend)


def lay_cloth(cloth: Cloth) -> LayCloth:
    """A cloth as it is laid: ready to cut, as long as it takes."""
    return LayCloth(round(cloth.ready_width, 3), None, cloth.selvedge, one_way=cloth.direction is Direction.ONE_WAY)


def lay_problem(
    pattern: Pattern, choices: Choices, role: Role, cloth: Cloth, tactics: tuple[Tactic, ...] = ()
) -> Problem:
    """What has to be cut from one cloth, folded or open, or as `tactics` lay it.

    `pattern` is altered already, and changed to save cloth.
    """
    pieces = pattern.pieces_for(role, choices.view)
    problem = Problem(
        name=f"{pattern.name}, size {choices.size}, {role.value}",
        cloth=lay_cloth(cloth),
        gap=GAP,
        lays=LAYS,
        pieces=tuple(lay_piece(piece, cut, choices.size) for piece, cut in pieces),
    )
    return laid_with(problem, tactics)


def lay_piece(piece: Piece, cut: Cut, size: str) -> LayPiece:
    """The cutting line of a piece as a polygon, its fold edge (if any) as one side of it."""
    cutting = dict(lines(piece, size).cutting)
    fold: tuple[Point, Point] | None = None
    if cut.fold is not None:
        run = cutting[cut.fold]
        level = round(run[0][1], 4)
        fold = ((round(run[0][0], 4), level), (round(run[-1][0], 4), level))
        cutting[cut.fold] = list(fold)
    outline = without_repeats([(round(x, 4), round(y, 4)) for run in cutting.values() for x, y in run], 0.02)
    if fold is not None:
        outline = _with_corners(outline, fold)
    return LayPiece(piece.id, tuple(outline), cut.count, cut.pair, fold, cut.grain)


def _with_corners(outline: list[Point], fold: tuple[Point, Point]) -> list[Point]:
    """The outline without stray points that lie on the fold between its ends."""
    level, (low, high) = fold[0][1], sorted((fold[0][0], fold[1][0]))
    return [p for p in outline if p in fold or abs(p[1] - level) > 1e-3 or not low <= p[0] <= high]
