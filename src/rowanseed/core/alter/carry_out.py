"""Carrying alterations out, one after the other, each with everything that has to go along."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import replace
from functools import lru_cache

import numpy as np
import shapely

from rowanseed.core.alter.blend import Blend, blend_sizes
from rowanseed.core.alter.buttons import evenly_buttoned
from rowanseed.core.alter.change import Alteration, AlterationStep, Altered, Touched, TruedSeam
from rowanseed.core.alter.follow import follow
from rowanseed.core.alter.frame import frame_of, why_along
from rowanseed.core.alter.kinds import kind_of, title
from rowanseed.core.alter.matched import matched
from rowanseed.core.alter.trued import taken_apart, trued
from rowanseed.core.base.craft_refusals import MoreThanItBears, OnlyMore, OutlineCrosses, TakesBack
from rowanseed.core.base.same import Same
from rowanseed.core.pattern.inner_lines import with_lines_inside
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Piece
from rowanseed.core.pattern.seamline import lines, seam_length
from rowanseed.core.pattern.turned_yoke import closed_again, laid_open

NOTCHES_MOVE = "its notches go to where those that they meet now stand"
KEPT = 64
"""Steps that are remembered: what is tried, kept and altered further begins with the same ones."""


def carry_out(pattern: Pattern, size: str, alterations: Sequence[Alteration], blend: Blend = ()) -> Altered:
    """Blend the sizes, then alter in the order given; a turned yoke lies on its half for that, its dart open.

    Raises AlterationError for a change that cannot be made: too large for a piece, at a place the pattern does
    not have, against another one, or with an outline that would cross itself.
    """
    refuse_contradictions(alterations, pattern)
    drawn, pattern = pattern, laid_open(pattern)
    opened = pattern
    if blend:
        pattern = _blended(Same(pattern), size, blend)
    steps: list[AlterationStep] = []
    shut = closed_again(drawn, opened, pattern, size)
    for alteration in alterations:
        altered, touched, seams = _one(Same(pattern), size, alteration)
        before, shut = shut, closed_again(drawn, opened, altered, size)
        steps.append(AlterationStep(alteration=alteration, touched=touched, before=before, after=shut, trued=seams))
        pattern = altered
    return Altered(shut, tuple(steps))


def refuse_contradictions(alterations: Sequence[Alteration], pattern: Pattern) -> None:
    """Raise AlterationError where one alteration takes back another of the same kind and place."""
    seen: dict[tuple[str, str, str], Alteration] = {}
    for alteration in alterations:
        place = (alteration.kind, alteration.at, alteration.level)
        other = seen.setdefault(place, alteration)
        if other is not alteration and other.by * alteration.by < 0:
            raise TakesBack(title(alteration, pattern), title(other, pattern))


@lru_cache(maxsize=KEPT)
def _blended(same: Same[Pattern], size: str, blend: Blend) -> Pattern:
    pattern = same.it
    blended = trued(pattern, blend_sizes(pattern, size, blend), size)
    blended, _ = follow(pattern, blended, size, _changed(pattern, blended, size))
    blended = matched(pattern, blended, size)
    _refuse_crossing(blended, size, _changed(pattern, blended, size), "the blend")
    return blended


@lru_cache(maxsize=KEPT)
def _one(
    same: Same[Pattern], size: str, alteration: Alteration
) -> tuple[Pattern, tuple[Touched, ...], tuple[TruedSeam, ...]]:
    pattern = same.it
    if alteration.by == 0:
        return pattern, (), ()
    kind = kind_of(alteration)
    if abs(alteration.by) > kind.most:
        raise MoreThanItBears(abs(alteration.by), kind.most)
    if alteration.by < 0 and not kind.opposite:
        raise OnlyMore()
    made = kind.carry_out(pattern, size, alteration)
    seams = tuple(taken_apart(pattern, made, size))
    made = trued(pattern, made, size)
    moved = _changed(pattern, made, size)
    altered, followed = follow(pattern, made, size, moved)
    shaped = evenly_buttoned(pattern, altered, size)
    altered = matched(pattern, shaped, size)
    everything, notched = _changed(pattern, altered, size), _changed(shaped, altered, size)
    only_notched = notched - _changed(pattern, shaped, size)
    _refuse_crossing(altered, size, everything, f"“{title(alteration, pattern)}”")
    touched = []
    for piece in pattern.pieces:
        if piece.id in everything:
            reason = (
                NOTCHES_MOVE
                if piece.id in only_notched
                else followed.get(piece.id) or _why(pattern, size, piece, alteration)
            )
            edges, by = _edges_changed(piece, altered.piece(piece.id), size)
            touched.append(Touched(piece.id, edges, by, reason, notched=piece.id in notched))
    inside = (with_lines_inside(p, (size,)) if p.id in everything else p for p in altered.pieces)
    return replace(altered, pieces=tuple(inside)), tuple(touched), seams


def _changed(before: Pattern, after: Pattern, size: str) -> set[str]:
    """The pieces that differ in a size: their outlines, darts, or where their marks stand."""
    return {b.id for b, a in zip(before.pieces, after.pieces, strict=True) if _in_size(b, size) != _in_size(a, size)}


def _in_size(piece: Piece, size: str) -> object:
    marks = [mark.distance[size] for mark in piece.marks]
    return piece.shapes[size], marks, [dart.point[size] for dart in piece.darts]


def _why(pattern: Pattern, size: str, piece: Piece, alteration: Alteration) -> str:
    """Why an alteration itself changes a piece."""
    frame = frame_of(pattern, size, piece.id)
    kind = kind_of(alteration)
    told = kind.why_on
    return why_along(pattern, piece, frame, lambda p: kind.why if told is None else told(pattern, size, alteration, p))


def _edges_changed(before: Piece, after: Piece, size: str) -> tuple[tuple[str, ...], float]:
    """The edges that moved, and the greatest change of length among them."""
    old, new = before.shapes[size].edges, after.shapes[size].edges
    changed = tuple(name for name in old if old[name] != new[name])
    by = (seam_length(after, size, name) - seam_length(before, size, name) for name in changed)
    return changed, max(by, key=abs, default=0.0)


def _refuse_crossing(pattern: Pattern, size: str, pieces: Iterable[str], what: str) -> None:
    for id in sorted(pieces):
        piece = pattern.piece(id)
        both = lines(piece, size)
        outlines = [shapely.polygons(np.asarray(ring)) for ring in (both.seam_ring(), both.cutting_ring())]
        if not shapely.is_valid(outlines).all():
            raise OutlineCrosses(what, piece.id)
