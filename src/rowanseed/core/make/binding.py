"""A single binding wrapped over an edge: how wide it is, and how it lies on the edge before it is wrapped."""

from __future__ import annotations

import math

BINDING = 10.0
"""Its finished width, in mm; its strip is four times as wide (the craft's rule). The edge ends so far beyond the line
that it is stitched on."""


def ring_lost() -> float:
    """How much shorter a closed edge becomes that is bound, in mm: it moves inwards by the binding's width."""
    return 2 * math.pi * BINDING
