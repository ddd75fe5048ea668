"""How well the pieces are known: what each figure that is not measured yet adds to the doubt about the yardage."""

from __future__ import annotations

import math
from collections.abc import Iterator, Mapping
from dataclasses import dataclass

import numpy as np

from rowanseed.core.compose.as_printed import Measured
from rowanseed.core.compose.tape import Dimension, dimensions
from rowanseed.core.compose.tissue.net import Array
from rowanseed.core.compose.tissue.sheet import HARD, Goal, Sheet, seam_goal
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Piece

UNSURE, AT_LEAST = 0.05, 6.0
"""How far an unmeasured figure may be out: a share of it, and a least in mm (common practice, no source)."""
READ_TO = 1.0
"""What a tape on tissue is good to, in mm."""


@dataclass(frozen=True)
class Unknown:
    """A figure that was not measured, and how far it alone makes the cloth uncertain: a share of the area to cut."""

    piece: str
    dimension: Dimension
    share: float


@dataclass(frozen=True)
class Certainty:
    """How well the pieces are known: how many figures are measured, and how far the cloth may be out."""

    measured: int
    all: int
    share: float
    """The area of all pieces of the main cloth is good to this share of it, one way and the other."""
    unknowns: tuple[Unknown, ...] = ()
    """What matters most first."""


def certainty(pattern: Pattern, measured: Mapping[str, Measured]) -> Certainty:
    """How far the cloth is uncertain, and by which figures: each is taken out by what an unmeasured one may be out."""
    size = next((one.size for one in measured.values()), pattern.envelope.sizes[len(pattern.envelope.sizes) // 2])
    sheet = Sheet(pattern, size)
    still = np.zeros(sheet.unknowns)
    areas = [(net.area(still), _times(net.piece)) for net in sheet.nets.values()]
    whole = sum(area * n for (area, _), n in areas)
    gradient = sum(by * n for (_, by), n in areas)
    rows = [by for _, by in (sheet.value(goal, still) for goal in _sewn(pattern, size))]
    asked: list[tuple[str, Dimension, Array, float]] = []
    known = 0
    for piece in pattern.pieces:
        one = measured.get(piece.id)
        for d in dimensions(piece):
            value, by = sheet.figure(piece.id, d, still)
            if one is not None and d.id in one.dimensions:
                known += 1
                rows.append(by)
            else:
                asked.append((piece.id, d, by, max(AT_LEAST, UNSURE * value)))
    fixed = np.stack(rows) if rows else np.zeros((1, sheet.unknowns))
    held = sheet.given(fixed)
    found: list[Unknown] = []
    if asked and whole:
        g = np.stack([by for *_, by, _ in asked])
        free = sheet.given(g)
        answer = free - held @ np.linalg.solve(np.eye(len(fixed)) / HARD + fixed @ held, fixed @ free)
        for k, (piece_id, d, _, unsure) in enumerate(asked):
            give = float(g[k] @ answer[:, k])
            # A figure that the measured ones have fixed already gives nothing.
            more = unsure * float(gradient @ answer[:, k]) / (give + 1e-3)
            found.append(Unknown(piece_id, d, abs(more) / whole))
    found.sort(key=lambda one: -one.share)
    share = math.sqrt(sum(one.share**2 for one in found))
    return Certainty(known, known + len(asked), share, tuple(found))


def _sewn(pattern: Pattern, size: str) -> Iterator[Goal]:
    for join in pattern.making.joins:
        seam = seam_goal(pattern, size, join)
        if seam is not None:
            yield seam


def _times(piece: Piece) -> int:
    """How often a piece is there in the main cloth, halves on the fold taken twice."""
    return sum(cut.count * (2 if cut.fold else 1) for cut in piece.cuts if cut.role.value == "main")
