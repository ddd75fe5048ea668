"""Where belt loops stand on a waistband."""

from __future__ import annotations


def loops_of_a_half(loops: int, front: float, back: float) -> list[float]:
    """How far from the centre front the loops of one half stand, in the unit of `front` and `back`, the half waist's.

    One stands at the side seam, the others evenly before and behind it; of an odd number one more stands at the centre
    back, and is not among them. None stands at the centre front (common practice, no source).
    """
    others = loops // 2 - 1
    if others < 0:
        return []
    before = (others + loops % 2) // 2
    behind = others - before
    return [
        *(front * k / (before + 1) for k in range(1, before + 1)),
        front,
        *(front + back * k / (behind + 1) for k in range(1, behind + 1)),
    ]
