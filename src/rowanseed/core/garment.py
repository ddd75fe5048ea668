"""One garment in the making: a pattern, a view, a size and what was altered, turned into things to lay."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from functools import lru_cache
from math import dist
from statistics import median

from rowanseed.core.alter.blend import Blend
from rowanseed.core.alter.carry_out import carry_out
from rowanseed.core.alter.change import Alteration, Altered
from rowanseed.core.base.errors import PatternError
from rowanseed.core.base.same import Same
from rowanseed.core.batch import Member, together
from rowanseed.core.choices import ClothChoices
from rowanseed.core.cloth.cloth import Cloth, Direction, PrintBorder
from rowanseed.core.cloth.matching import (
    NOTHING,
    MatchedSeam,
    Matching,
    border_line,
    can_match,
    hem_points,
    matches,
)
from rowanseed.core.derive.layers import with_layers
from rowanseed.core.geometry.outline import Point
from rowanseed.core.geometry.polyline import without_repeats
from rowanseed.core.lay.problem import LayCloth, LayKind, LayPiece, Match, Problem
from rowanseed.core.pattern.opened_out import with_unlike_opened
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Cut, Grain, Piece, Role
from rowanseed.core.pattern.seamline import PieceLines, lines
from rowanseed.core.pattern.stitching import on_stitching_line
from rowanseed.core.saving.apply import in_other_cloth, laid_with, reshaped
from rowanseed.core.saving.pieces import moved_to_contrast
from rowanseed.core.saving.tactic import TacticId
from rowanseed.core.sums.rectangles import with_rectangles

GAP = 3.0
"""Between cutting lines, in mm: room for shears (common practice, no source)."""

VIEW_HEM = "hem"
"""The kind of alteration that a view's own lower edge is drawn by."""

LAYS = (LayKind.FOLDED, LayKind.OPEN)


@dataclass(frozen=True)
class GarmentChoices:
    """What the sewist has decided: the view, the size, other sizes at some levels, and what is altered, in order."""

    view: str
    size: str
    blend: Blend = ()
    alterations: tuple[Alteration, ...] = ()


def altered(pattern: Pattern, choices: GarmentChoices) -> Altered:
    """The pattern as this garment is cut. Raises PatternError for a view or size it does not have."""
    if choices.size not in pattern.envelope.sizes:
        raise PatternError(
            f"This pattern has no size {choices.size}.",
            f"It has {', '.join(pattern.envelope.sizes)}.",
            "size",
        )
    if choices.view not in {view.id for view in pattern.envelope.views}:
        raise PatternError(f"This pattern has no view {choices.view}.", "", "view")
    drawn = in_view(on_stitching_line(pattern), choices.view, choices.size)
    return carry_out(drawn, choices.size, choices.alterations, choices.blend)


def in_view(pattern: Pattern, view: str, size: str) -> Pattern:
    """A pattern on its stitching lines with the lower edge that a view has, where one tissue serves several."""
    below = next((v.below for v in pattern.envelope.views if v.id == view), 0.0)
    return carry_out(pattern, size, (Alteration(VIEW_HEM, below),)).pattern if below else pattern


def derived(
    pattern: Pattern, size: str, view: str, reckoning: ClothChoices, tactics: tuple[TacticId, ...] = ()
) -> Pattern:
    """An altered pattern changed to save cloth, with its layers derived; pieces go to the contrast cloth last.

    So a sleeve of another cloth has its lining all the same.
    """
    pattern = with_layers(reshaped(pattern, tactics, size), size, view, reckoning.layers)
    return moved_to_contrast(in_other_cloth(pattern, tactics, view), reckoning.moved)


def to_cut(
    garment: Pattern, size: str, reckoning: ClothChoices, members: tuple[tuple[Member, Pattern], ...] = ()
) -> Pattern:
    """All there is to cut: the garment, what is cut to the measure, and the batch's other garments.

    Pieces that are unlike left and right are opened out.
    """
    return with_unlike_opened(together(with_rectangles(garment, size, reckoning.rectangles), size, members))


# ---------------------------------------------------------------- as a layout problem


def lay_cloth(cloth: Cloth) -> LayCloth:
    """A cloth as it is laid: ready to cut, as long as it takes."""
    along, across = cloth.ready_repeat
    return LayCloth(
        round(cloth.ready_width, 3),
        None,
        cloth.selvedge,
        one_way=cloth.direction is Direction.ONE_WAY,
        repeat_x=along,
        repeat_y=across,
    )


def lay_problem(
    pattern: Pattern,
    choices: GarmentChoices,
    role: Role,
    cloth: Cloth,
    tactics: tuple[TacticId, ...] = (),
    matching: Matching = NOTHING,
    *,
    on_border: bool = False,
) -> Problem:
    """What has to be cut from one cloth, folded or open, or as `tactics` lay it; matched, with hems on a border.

    `pattern` is altered already, and changed to save cloth.
    """
    pieces = [lay_piece(piece, cut, choices.size) for piece, cut in pattern.pieces_for(role, choices.view)]
    if on_border and cloth.border is not PrintBorder.NONE:
        pieces = _on_border(pattern, choices.size, cloth, pieces)
    found, _ = matched(pattern, choices, role, cloth, matching)
    bare = lay_cloth(cloth) if found else replace(lay_cloth(cloth), repeat_x=None, repeat_y=None)
    slants = {id: turns for match in found for id, turns in match.slants}
    if any(match.axis == "x" and not {p.piece for p in match.points} <= slants.keys() for match in found):
        # Turned end for end, a piece meets its neighbour's bars at one point only, and runs away from them beside it.
        bare = replace(bare, one_way=True)
    upright = {point.piece for match in found if match.upright for point in match.points}
    pieces = [replace(p, one_way=p.one_way or p.id in upright, slants=slants.get(p.id, ())) for p in pieces]
    problem = Problem(
        name=f"{pattern.name}, size {choices.size}, {role.words}",
        cloth=bare,
        gap=GAP,
        lays=LAYS if not cloth.gone and not on_border and not cloth.surface.is_deep else (LayKind.OPEN,),
        pieces=tuple(pieces),
        matches=found,
        forbidden=cloth.ready_gone,
    )
    return laid_with(problem, tactics)


def matched(
    pattern: Pattern, choices: GarmentChoices, role: Role, cloth: Cloth, matching: Matching
) -> tuple[tuple[Match, ...], tuple[MatchedSeam, ...]]:
    """The matches of every garment that is cut, each by itself, and the seams they hold at."""
    if not matching or not can_match(cloth):
        return (), ()
    found: list[Match] = []
    seams: tuple[MatchedSeam, ...] = ()
    for number in dict.fromkeys(piece.garment for piece in pattern.pieces):
        pieces = [p for p in pattern.pieces if p.garment == number]
        ids = {p.own_id: p.id for p in pieces}
        own = tuple(replace(p, id=p.own_id) for p in pieces)
        here, seams_here = matches(
            pattern=replace(pattern, pieces=own),
            size=choices.size,
            role=role,
            view=choices.view,
            cloth=cloth,
            how=matching,
        )
        found += [
            replace(
                m,
                points=tuple(replace(q, piece=ids[q.piece]) for q in m.points),
                slants=tuple((ids[id], turns) for id, turns in m.slants),
            )
            for m in here
        ]
        seams = seams or seams_here
    return tuple(found), seams


def _on_border(pattern: Pattern, size: str, cloth: Cloth, pieces: list[LayPiece]) -> list[LayPiece]:
    """Pieces with a hem cut across the cloth, the hem on the border's line."""
    hems = hem_points(pattern, size)
    # Turned a quarter round, tops point to the lower selvedge; with a border on both, pieces take turns.
    upper = {
        p.id: cloth.direction is Direction.ONE_WAY or (cloth.border is PrintBorder.BOTH and k % 2 == 1)
        for k, p in enumerate(pieces)
    }
    return [
        replace(p, grain=Grain.CROSSWISE, border=border_line(cloth, hems[p.id], upper=upper[p.id]))
        if p.id in hems
        else p
        for p in pieces
    ]


def lay_piece(piece: Piece, cut: Cut, size: str) -> LayPiece:
    """The cutting line of a piece as a polygon, its fold edge (if any) as one side of it."""
    return _lay_piece(Same(piece), cut, size)


@lru_cache(maxsize=1024)
def _lay_piece(same: Same[Piece], cut: Cut, size: str) -> LayPiece:
    piece = same.it
    drawn = lines(piece, size)
    cutting = dict(drawn.cutting)
    fold: tuple[Point, Point] | None = None
    if cut.fold is not None:
        run = cutting[cut.fold]
        level = round(run[0][1], 4)
        fold = ((round(run[0][0], 4), level), (round(run[-1][0], 4), level))
        cutting[cut.fold] = list(fold)
    selvedge = _along_selvedge(drawn, cut)
    if selvedge is not None and cut.selvedge is not None:
        cutting = _ending_at(cutting, cut.selvedge, selvedge)
    outline = without_repeats([(round(x, 4), round(y, 4)) for run in cutting.values() for x, y in run], 0.02)
    for side in (fold, selvedge):
        outline = _with_corners(outline, side) if side is not None else outline
    return LayPiece(
        id=piece.id,
        outline=tuple(outline),
        cut=cut.count,
        pair=cut.pair,
        fold=fold,
        grain=cut.grain,
        selvedge=selvedge,
        one_way=cut.one_way,
    )


def _along_selvedge(drawn: PieceLines, cut: Cut) -> tuple[Point, Point] | None:
    """The ends of the edge that lies along the selvedge, if it is straight along the grain.

    Nothing is cut beyond a selvedge: where a hem would be cut as it is turned up, wider or narrower, it goes straight.
    """
    if cut.selvedge is None:
        return None
    seam, run = drawn.seam[cut.selvedge], drawn.cutting[cut.selvedge]
    if any(abs(y - seam[0][1]) > 1e-3 for _, y in seam):
        return None
    level = round(median(y for _, y in run), 4)
    return (round(run[0][0], 4), level), (round(run[-1][0], 4), level)


def _ending_at(
    cutting: Mapping[str, Sequence[Point]], edge: str, side: tuple[Point, Point]
) -> dict[str, Sequence[Point]]:
    """The cutting lines with one of them drawn straight, its neighbours taken to its ends."""
    here = cutting[edge]

    def at(p: Point) -> Point:
        return next((end for was, end in zip((here[0], here[-1]), side, strict=True) if dist(was, p) < 1e-6), p)

    out = {name: [at(run[0]), *run[1:-1], at(run[-1])] for name, run in cutting.items()}
    return {**out, edge: list(side)}


def _with_corners(outline: list[Point], side: tuple[Point, Point]) -> list[Point]:
    """The outline without stray points that lie on a straight side, the fold or the selvedge, between its ends."""
    level, (low, high) = side[0][1], sorted((side[0][0], side[1][0]))
    return [p for p in outline if p in side or abs(p[1] - level) > 1e-3 or not low <= p[0] <= high]
