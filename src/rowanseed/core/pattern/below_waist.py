"""What hangs below the waist seam of a garment with a bodice: the panels of its skirt, or its legs."""

from __future__ import annotations

SKIRT, LEGS = "skirt-", "trouser-"
"""What the ids of pieces and seams below a waist seam begin with."""


def hangs_below(id: str) -> bool:
    """Whether a piece is one of a skirt's or of legs' that are sewn to a bodice, by its id."""
    return id.startswith((SKIRT, LEGS))
