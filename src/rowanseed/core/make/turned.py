"""How an edge lies that is folded to its wrong side: a hem, a casing, the edges of a pocket."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True)
class Turned:
    """An edge folded to its wrong side. `folds`: how much is folded each time, from the raw edge on, in mm; none where
    each edge is folded once, on its stitching line. `row`: how far from the finished edge it is stitched down, in mm;
    None while it is not."""

    folds: tuple[float, ...] = ()
    row: float | None = None

    def deep(self, allowance: float) -> float:
        """How deep it lies on the wrong side, in mm, on an edge with this allowance."""
        return self.folds[-1] if self.folds else allowance


BESIDE = 2.0
"""What is turned in is stitched down so far beside its inner fold, in mm."""


def stitched(*folds: float) -> Turned:
    """An edge stitched down beside its inner fold."""
    return Turned(folds, row=folds[-1] - BESIDE)
