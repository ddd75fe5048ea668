"""What of an edge is matched before what lies between."""

from __future__ import annotations

from collections.abc import Sequence

from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import EdgePart


def met_first(bench: Workbench, side: Sequence[EdgePart]) -> str:
    """What of an edge of the garment is matched before what lies between: the seams that cross it and its centres; its
    ends where it has neither."""
    crossed = len({part.piece for part in side}) > 1
    centred = any(
        edge in ("centre", "crotch") or edge in bench.folds(part.piece)
        for part in side
        for edge in bench.neighbours(part)
    )
    found = ["the seams"] * crossed + ["the centres"] * centred
    return " and ".join(found) or "the ends"
