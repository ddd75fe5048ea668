"""Where on the print each piece of a matched lay has to stand, all at once, for one stretch of cloth from its start."""

from __future__ import annotations

import math
from dataclasses import dataclass

from rowanseed.core.lay.folding import ClothLayer
from rowanseed.core.lay.problem import Match, Placement, Problem, moved

NEAR = 1e-6


@dataclass(frozen=True)
class Stands:
    """Where a placement's origin may stand: at these places of the repeats, in mm; None where any will do."""

    along: tuple[float, float] | None
    across: tuple[float, float] | None

    def x_from(self, x: float) -> float:
        """The first place along the cloth from `x` on."""
        return _next(x, self.along)

    def y_from(self, y: float) -> float:
        return _next(y, self.across)


def _next(from_: float, stands: tuple[float, float] | None) -> float:
    if stands is None:
        return from_
    at, repeat = stands
    return at + math.ceil((from_ - at) / repeat - NEAR) * repeat


class Prints:
    """The matches of a problem brought to one origin: each piece as it is drawn has its place in the repeat.

    Matches that share a piece hang together; where a `phase` is given, the whole chain stands by it.
    """

    def __init__(self, problem: Problem, layer: ClothLayer) -> None:
        self._problem, self._layer = problem, layer
        self._phases = {axis: self._of_axis(axis) for axis in ("x", "y")}

    def of(self, bare: Placement) -> Stands:
        """Where a placement that lies at the origin may be moved to."""
        return Stands(self._stands(bare, "x"), self._stands(bare, "y"))

    def _repeat(self, axis: str) -> float | None:
        return self._problem.cloth.repeat_x if axis == "x" else self._problem.cloth.repeat_y

    def _stands(self, bare: Placement, axis: str) -> tuple[float, float] | None:
        repeat = self._repeat(axis)
        for match, phase in self._phases[axis]:
            for point in match.points:
                if repeat is not None and point.piece == bare.piece:
                    spot = moved((point.at,), bare.turn, bare.mirrored)[0][0 if axis == "x" else 1]
                    here = phase if axis == "x" else self._layer.in_strip(phase)
                    return ((here - spot) % repeat, repeat)
        return None

    def _of_axis(self, axis: str) -> list[tuple[Match, float]]:
        """Every match of an axis with the place of the print that its points stand at."""
        left = [match for match in self._problem.matches if match.axis == axis]
        left.sort(key=lambda match: match.phase is None)
        found: list[tuple[Match, float]] = []
        at: dict[str, float] = {}
        while left:
            known = next((m for m in left if any(p.piece in at for p in m.points)), left[0])
            left.remove(known)
            spots = {p.piece: self._spot(p.piece, p.at, axis) for p in known.points}
            shared = next((id for id in spots if id in at), None)
            phase = known.phase if known.phase is not None else 0.0
            if known.phase is None and shared is not None:
                phase = at[shared] + spots[shared]
            found.append((known, phase))
            for id, spot in spots.items():
                at.setdefault(id, phase - spot)
        return found

    def _spot(self, id: str, point: tuple[float, float], axis: str) -> float:
        piece = self._problem.piece(id)
        turn = float(piece.turns(self._problem.cloth, mirrored=False)[0])
        return moved((point,), turn, False)[0][0 if axis == "x" else 1]
