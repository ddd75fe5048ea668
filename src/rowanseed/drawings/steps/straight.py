"""A seam drawn straight, down the middle of the two pieces that it joins."""

from __future__ import annotations

from shapely.geometry import box

from rowanseed.core.base.words import lower_first
from rowanseed.drawings.steps.stack import Layer, Stuff

ABOUT = 110.0
"""So much of the pieces is drawn to both sides of it, in mm."""


def seam_of(names: tuple[str, str]) -> str:
    """The seam of two pieces, or of the two halves of one, within a sentence."""
    one, other = (lower_first(name) for name in names)
    return f"seam of both halves of the {one}" if one == other else f"seam of the {one} and the {other}"


def beside(names: tuple[str, str], stuff: Stuff, *, top: float, low: float, above: bool, below: bool) -> list[Layer]:
    """The pieces to its left and to its right, from where to where along it; `above` and `below` whether they go on."""
    end = low + (not below)
    return [
        Layer(box(a, top, b, low), stuff, name, box(max(a - 1.0, -ABOUT), top - (not above), min(b + 1.0, ABOUT), end))
        for a, b, name in ((-ABOUT, 0.0, names[0]), (0.0, ABOUT, names[1]))
    ]


def pressed_open(wide: tuple[float, float], *, top: float, low: float, above: bool, below: bool) -> Layer:
    """Its allowances, open on the wrong side of the pieces."""
    left, right = wide
    seen = box(-left - 1.0, top - (not above), right + 1.0, low + (not below))
    return Layer(box(-left, top, right, low), Stuff.RIGHT, "allowances", seen)
