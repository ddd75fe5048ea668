"""At the cutting table: what to cut in which order, where each piece lies to the grain, what to mark."""

from __future__ import annotations

import hashlib
import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

from rowanseed.core.base.ids import CutKey
from rowanseed.core.base.units import Units, format_allowance
from rowanseed.core.cloth.cloth import Cloth
from rowanseed.core.geometry.outline import Point, flatten
from rowanseed.core.geometry.polyline import bounds, signed_area
from rowanseed.core.lay.folding import Region, references, region_of, regions
from rowanseed.core.lay.problem import (
    LayCloth,
    LayKind,
    LayPiece,
    Placement,
    Plan,
    Problem,
    Stretch,
    is_own_mirror_image,
    moved,
    wanted_hands,
)
from rowanseed.core.make.operation import Act, Operation
from rowanseed.core.marking import MarkToMake, left_on_tissue, marks_to_make, marks_used
from rowanseed.core.pattern.grain import turned_within
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel, Piece, Role
from rowanseed.core.pattern.turned_over import is_alike_turned_over

BLOCK = "fused in the block"
"""The technique that fuses cloth before it is cut to its line."""


@dataclass(frozen=True)
class GrainCheck:
    """Distances in mm from both ends of a grainline to the nearer of fold or cloth edge."""

    to: str
    at_top: float
    at_bottom: float
    line: tuple[Point, Point]
    level: float
    """The y of the fold or edge measured to, in the stretch's frame."""


@dataclass(frozen=True)
class CutItem:
    """One thing to cut: a placement of the lay with everything the hands have to know."""

    key: str
    number: int
    piece: Piece
    role: Role
    gives: int
    layers: int
    on_fold: bool
    face_down: bool
    lay: LayKind
    grain: GrainCheck | None
    marks: tuple[MarkToMake, ...]
    placement: Placement
    stretch: int
    spare: int
    what: str
    """A fingerprint of what is cut: another outline, fold or number of hands has another."""
    on_tissue: tuple[str, ...] = ()
    """Marks that no step uses."""
    alike: bool = False
    """Whether its copies are the same turned over, so that none is a left or a right one."""
    later: str = ""
    """Why it is cut out later, and at which step; empty for what is cut now."""


def cut_words(item: CutItem) -> str:
    """How a placement is cut: 1 on the fold, 2 through both layers, 1 face down."""
    if item.on_fold:
        return "1 on the fold"
    if item.layers == 2:
        return "2, through both layers" if not item.spare else "1 wanted, the other is spare"
    return "1, tissue face down" if item.face_down else "1, tissue face up"


def fingerprint(piece: LayPiece) -> str:
    """What is cut of a piece, to a tenth of a millimetre."""
    said = repr(([(round(x, 1), round(y, 1)) for x, y in piece.outline], piece.fold is not None, piece.pair))
    return hashlib.sha256(said.encode()).hexdigest()[:16]


def cut_list(
    pattern: Pattern,
    size: str,
    role: Role,
    problem: Problem,
    plan: Plan,
    cloth: Cloth,
    units: Units,
    operations: Sequence[Operation] = (),
) -> tuple[CutItem, ...]:
    """The placements of a plan in cutting order: stretch by stretch, doubled cloth before single.

    On each, what lies on the fold comes first, large pieces before small ones, what lies bias last (common practice, no
    source). With the `operations` of the garment only the marks that they use are made.
    """
    used = marks_used(pattern.making, operations) if operations else None
    bands = _bands(pattern, size, operations)
    blocks = {p: op.title for op in operations if op.technique == BLOCK for p in op.on.pieces}
    found = []
    for n, stretch in enumerate(plan.stretches):
        strips = regions(stretch.lay, stretch.depth, problem.cloth)
        for placement in stretch.placements:
            found.append((n, stretch, placement, region_of(placement, strips)))
    found.sort(key=lambda f: _turn(problem, *f))
    cut_so_far: dict[str, int] = {}
    items = []
    for number, (n, stretch, placement, region) in enumerate(found, start=1):
        lay_piece = problem.piece(placement.piece)
        on_fold = lay_piece.fold is not None and not placement.whole
        gives = 2 if region.layers == 2 and not on_fold else 1
        before = cut_so_far.get(placement.piece, 0)
        if gives == 1 and not on_fold and before % 2:
            placement = other_hand(lay_piece, placement, problem.cloth)
        cut_so_far[placement.piece] = before + gives
        piece = pattern.piece(placement.piece)
        alike = is_alike_turned_over(piece, size)
        items.append(
            CutItem(
                key=str(CutKey(role.value, placement.piece, before)),
                number=number,
                piece=piece,
                role=role,
                gives=gives,
                layers=region.layers,
                on_fold=on_fold,
                face_down=placement.mirrored,
                lay=stretch.lay,
                grain=grain_check(
                    grainline=piece.shapes[size].grainline,
                    placement=placement,
                    lay=stretch.lay,
                    depth=stretch.depth,
                    region=region,
                    width=problem.cloth.width,
                ),
                marks=marks_to_make(piece, cloth, role, units, used, pair=lay_piece.pair and not on_fold and not alike),
                on_tissue=left_on_tissue(piece, used) if used is not None and role is not Role.INTERFACING else (),
                alike=alike,
                later=_later(piece, role, blocks, bands, units),
                placement=placement,
                stretch=n,
                spare=max(0, before + gives - _needed(lay_piece)),
                what=fingerprint(lay_piece),
            )
        )
    return tuple(items)


def _turn(
    problem: Problem, stretch: int, _: Stretch, placement: Placement, region: Region
) -> tuple[int, int, bool, bool, float, float]:
    """When a placement comes: the smaller, the sooner."""
    on_fold = problem.piece(placement.piece).fold is not None and not placement.whole
    bias = round(placement.turn) % 90 != 0
    area = round(abs(signed_area(placement.outline)), -2)
    return (stretch, -region.layers, bias, not on_fold, -area, min(p[0] for p in placement.outline))


def _bands(pattern: Pattern, size: str, operations: Sequence[Operation]) -> dict[str, str]:
    """Straight bands that are cut twice and fused: a long strip fuses straighter; the step after which it is cut."""
    found = {piece.id for piece in pattern.pieces if piece.panel is Panel.BAND and _is_strip(piece, size)}
    return {p: op.title for op in operations if op.act is Act.FUSE for p in op.on.pieces if p in found}


def _is_strip(piece: Piece, size: str) -> bool:
    """Whether a piece is a rectangle that is cut twice."""
    twice = any(cut.count == 2 and not cut.fold for cut in piece.cuts)
    if not twice or size not in piece.shapes:
        return False
    ring = [p for edge in piece.edges for p in flatten(piece.shapes[size].edges[edge.name])[:-1]]
    left, low, right, high = bounds(ring)
    return abs(signed_area(ring)) > 0.99 * (right - left) * (high - low)


def _later(piece: Piece, role: Role, blocks: Mapping[str, str], bands: Mapping[str, str], units: Units) -> str:
    """Why a piece is not cut to its line yet."""
    if role is Role.INTERFACING:
        return ""
    block, band = blocks.get(piece.own_id), bands.get(piece.own_id)
    if block is not None:
        return f"Cut a block {format_allowance(20, units)} larger all round; it is cut to its line after “{block}”."
    return f"Both may be cut as one strip, and that cut in two after “{band}”: it fuses straighter." if band else ""


def other_hand(piece: LayPiece, placement: Placement, cloth: LayCloth) -> Placement:
    """The same place with the tissue turned over, where a pair has an outline that is its own mirror image.

    To the lay both of a pair are alike then; its notches and marks are not: two waistbands cut alike would be two for
    the left. Where only turning the piece end for end would do and the cloth has a way up, it stays as it lies.
    """
    if not piece.pair or not is_own_mirror_image(piece):
        return placement
    box = placement.box
    for turn in (placement.turn, placement.turn + 180):
        if turn != placement.turn and cloth.one_way:
            break
        over = moved(piece.outline, turn % 360, not placement.mirrored)
        left, low, _, _ = bounds(over)
        at = (box[0] - left, box[1] - low)
        outline = tuple((x + at[0], y + at[1]) for x, y in over)
        if all(any(math.dist(p, q) <= SAME_PLACE for q in placement.outline) for p in outline):
            return replace(placement, turn=turn % 360, mirrored=not placement.mirrored, at=at, outline=outline)
    return placement


def _needed(piece: LayPiece) -> int:
    return sum(wanted_hands(piece))


def grain_check(
    *,
    grainline: tuple[Point, Point],
    placement: Placement,
    lay: LayKind,
    depth: float | None,
    region: Region,
    width: float,
) -> GrainCheck | None:
    """Where both ends of a grainline stand to the nearer of fold or cloth edge, on cloth of this width, all in mm.

    Of a piece on the bias it is the line at 45° to its own, along the cloth as it lies.
    """
    top, bottom = moved(grainline, placement.turn, placement.mirrored, placement.at)
    if round(placement.turn) % 90:
        top, bottom = turned_within((top, bottom), placement.outline, -placement.turn)
    if abs(top[1] - bottom[1]) > 1 + 0.001 * abs(top[0] - bottom[0]):
        return None
    level, to = min(references(lay, depth, region, width), key=lambda ref: abs(ref[0] - top[1]))
    return GrainCheck(
        to=to, at_top=abs(top[1] - level), at_bottom=abs(bottom[1] - level), line=(top, bottom), level=level
    )


SAME_PLACE = 1.0
"""How near, in mm, the outline of a turned tissue has to come to the place it is cut from."""
