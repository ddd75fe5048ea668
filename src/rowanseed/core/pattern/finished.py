"""Measuring the garment on its own pieces: how far round it goes at every level drawn on them."""

from __future__ import annotations

from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.pattern.making import INSET_EDGE, VENT_EDGE, DifferenceKind, EdgePart
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import SEAM_LEVEL, WAIST, Cut, InnerLine, LineKind, Panel, Piece, Role
from rowanseed.core.pattern.seamline import line_length, mark_distance
from rowanseed.core.pattern.straight import girth, straight_pieces
from rowanseed.core.pattern.turned_yoke import laid_open

MEASURE_OF = {"bicep": "upper_arm"}
"""Levels that are named otherwise than the body's measure."""
NEAR = 40.0
"""An edge whose middle lies within so much of a level, in mm, lies at it."""


def girths(pattern: Pattern, size: str, view: str) -> dict[str, float]:
    """Measure → mm round the garment at that level, less what darts at an edge of that level take in; other darts and
    overlaps are not deducted, and a sleeve counts once.

    Compare two states of one pattern: what neither changes cancels out.
    """
    # Turned, a yoke would be measured along its chord.
    pattern = laid_open(pattern)
    # An underlining or an interlining is cut from the piece itself, which is measured all the same.
    layers = _layers(pattern)
    out: dict[str, float] = {}
    once = _counted_across(pattern)
    for piece, cut in pattern.pieces_for(Role.MAIN, view):
        if piece.id in layers:
            continue
        for line in piece.lines:
            if line.kind is LineKind.LEVEL and (piece.id, line.id) not in once:
                measure = MEASURE_OF.get(line.id, line.id)
                wide = _across(piece, size, line) - _taken_in(piece, size, line.id)
                out[measure] = out.get(measure, 0.0) + wide * _times(piece, cut)
    if WAIST not in out and (band := _banded(pattern, size, view)):
        out[WAIST] = band
    if around := _straight(pattern, size, view):
        out = dict.fromkeys(("bust", "hip"), around) | out
    return out


def _across(piece: Piece, size: str, line: InnerLine) -> float:
    """How wide a piece is at a level: as its waist edge runs where that is there, which a wedge may have set aslant;
    elsewhere across the grain, for an end that was moved down with the underarm makes no garment wider."""
    a, b = line.ends[size]
    wide = abs(b[1] - a[1])
    if piece.has_edge(INSET_EDGE) and piece.has_edge(WAIST):
        # A band let in is bent, and measures what its edge does.
        return line_length(piece, size, WAIST)
    if line.id in (WAIST, SEAM_LEVEL) and piece.has_edge(WAIST):
        edge = piece.shapes[size].edges[WAIST]
        across = abs(edge[-1].end[1] - edge[0].start[1])
        if across and abs(edge[0].start[0] + edge[-1].end[0] - a[0] - b[0]) / 2 < NEAR:
            # Beside the mouth of a slant pocket the edge is shorter than the level, and runs on alike.
            return wide * line_length(piece, size, WAIST) / across
    return wide


def _banded(pattern: Pattern, size: str, view: str) -> float:
    """What the bands at the waist measure along it, with what they lap: on straight pieces no level is drawn."""
    return sum(
        line_length(piece, size, WAIST) * _times(piece, cut)
        for piece, cut in pattern.pieces_for(Role.MAIN, view)
        if piece.panel is Panel.BAND and piece.has_edge(WAIST) and not piece.derived
    )


def _straight(pattern: Pattern, size: str, view: str) -> float:
    """How far the panels of a garment of rectangles go round, at bust and hip alike: no level is drawn on them."""
    straight = {piece.id for piece in straight_pieces(pattern, size)}
    return sum(
        girth(pattern, piece, size) * _times(piece, cut)
        for piece, cut in pattern.pieces_for(Role.MAIN, view)
        if piece.id in straight and piece.panel in (Panel.FRONT, Panel.BACK)
    )


def _layers(pattern: Pattern) -> frozenset[str]:
    """The pieces that lie behind others: linings, facings."""
    return frozenset(layer.piece for layer in pattern.making.layers if layer.piece != layer.of)


def _counted_across(pattern: Pattern) -> frozenset[tuple[str, str]]:
    """(piece, level) of what has its level along a seam from whose other side it is measured already: a waist seam is
    measured on its one side, or on the one that is not gathered."""
    levels = {(p.id, line.id) for p in pattern.pieces for line in p.lines if line.kind is LineKind.LEVEL}
    found: set[tuple[str, str]] = set()

    def along(part: EdgePart) -> tuple[str, str]:
        """The level that an edge lies at, if any: that of its name, or that of a waist seam elsewhere."""
        at_seam = (part.piece, SEAM_LEVEL)
        return at_seam if part.edge == WAIST and at_seam in levels else (part.piece, part.edge)

    for join in pattern.making.joins:
        gathered = join.difference.kind is DifferenceKind.GATHERS
        measured, other = (join.b, join.a) if gathered else (join.a, join.b)
        if all(along(p) in levels for p in measured):
            found |= {along(p) for p in other}
        elif all(along(p) in levels for p in other):
            # The side piece of a slant pocket says no level.
            found |= {along(p) for p in measured}
    return frozenset(found)


def _taken_in(piece: Piece, size: str, level: str) -> float:
    """What the darts of the edge at a level take in, in mm: a waist dart at the seam that is the waist."""
    edge = WAIST if level == SEAM_LEVEL else level
    legs = [
        [mark_distance(piece, size, piece.mark(leg)) for leg in dart.legs] for dart in piece.darts if dart.edge == edge
    ]
    return sum(abs(one - other) for one, other in legs)


def _times(piece: Piece, cut: Cut) -> int:
    """How often a piece's width goes round: a half on the fold twice, a sleeve once."""
    if piece.panel is Panel.SLEEVE:
        return 2 if cut.fold else 1
    # A yoke or collar cut double is two layers of one width.
    return 2 if cut.fold else cut.count


def changes(drawn: Pattern, altered: Pattern, size: str, view: str) -> dict[str, float]:
    """Measure → mm that blending and altering add to the garment; what is left as drawn is left out."""
    before, after = girths(drawn, size, view), girths(altered, size, view)
    found = {measure: after[measure] - before[measure] for measure in before if measure in after}
    length = _back_length(altered, size) - _back_length(drawn, size)
    if abs(length) > 0.05:
        found["length"] = length
    return {measure: by for measure, by in found.items() if abs(by) > 0.05}


def _back_length(pattern: Pattern, size: str) -> float:
    """From the top of the back (or of the leg) to its hem, along the centre or the outer seam."""
    layers = _layers(pattern)
    backs = [p for p in pattern.pieces if p.panel is Panel.BACK and p.id not in layers]
    for edges in (("centre", "opening", VENT_EDGE), ("outseam",), ("side",)):
        of = [p for p in backs if any(p.has_edge(edge) for edge in edges)]
        found = [chain_length(p.shapes[size].edges[edge]) for p in of for edge in edges if p.has_edge(edge)]
        if found:
            return sum(found)
    return 0.0
