"""What allowances are trimmed to, where they are wide enough for it: some houses cut 6 mm from the first.

The widths are common practice, no source.
"""

from __future__ import annotations

from collections.abc import Iterable

from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import EdgePart

USUAL = 15.0
"""The allowance of a pattern that does not say its own, in mm."""
LEAST = 2.0
"""Less than so much is not cut off evenly, in mm."""
INSIDE, CLEAR = 5.0, 3.0
"""A gathering row lies so far outside the stitching line, in mm, and so far from the raw edge at least."""
ACROSS = 3.0
"""The other row lies so far inside that line, in mm."""


def narrowest(bench: Workbench, parts: Iterable[EdgePart]) -> float:
    """The least allowance of some edges, in mm; the usual one where none is known."""
    return min((bench.edge_allowance(part) for part in parts), default=USUAL)


def is_trimmed(allowance: float, to: float) -> bool:
    """Whether anything is cut off an allowance that is trimmed to a width, both in mm."""
    return allowance - to >= LEAST


def trimmed(bench: Workbench, allowance: float, to: float, *, what: str = "") -> str:
    """“Trim to so much”; empty where it is as narrow already."""
    return f"trim {what}{' ' if what else ''}to {bench.fine(to)}" if is_trimmed(allowance, to) else ""


def graded(bench: Workbench, allowance: float, wide: float, narrow: float) -> str:
    """“Grade the allowances to so much and so much”; of narrow ones one is trimmed, or none and nothing is said."""
    if not is_trimmed(allowance, narrow):
        return ""
    if not is_trimmed(allowance, wide):
        return f"Trim one of the allowances to {bench.fine(narrow)}"
    return f"Grade the allowances to {bench.fine(wide)} and {bench.fine(narrow)}"


def graded_each(bench: Workbench, allowance: float, inner: tuple[str, float], outer: tuple[str, float]) -> str:
    """The same, each called by its layer; a sentence."""
    (one, narrow), (other, wide) = inner, outer
    if not is_trimmed(allowance, narrow):
        return "The allowances are narrow already: leave both as they are."
    if not is_trimmed(allowance, wide):
        return f"Trim {one} allowance to {bench.fine(narrow)}; {other} stays as it is."
    return f"Trim {one} allowance to {bench.fine(narrow)} and {other} to {bench.fine(wide)}."


def beside_a_cord(allowance: float) -> float:
    """How far from the raw edge a gathering cord lies, in mm: in the allowance."""
    return max(allowance - 4.0, allowance / 2)


def gathering_rows(allowance: float) -> tuple[float, float]:
    """How far from the raw edge two gathering rows run, in mm, to both sides of the stitching line."""
    return max(allowance - INSIDE, min(CLEAR, allowance / 2)), allowance + ACROSS
