"""Opening a folded lay out: the same places on one layer, as a start for the search of the open lay.

What lies on two layers of a folded cloth lies twice on the open one, mirrored at the fold, and what lies on
the fold lies there whole; so an open lay need not be longer than the folded one, but for the gap that is
asked between two pieces and not between a piece and the fold.
"""

from __future__ import annotations

import numpy as np

from rowanseed.core.lay.search.arrange import StretchSearch
from rowanseed.core.lay.search.packing import State
from rowanseed.core.lay.search.places import PlacedWay
from rowanseed.core.lay.search.shapes import ShapeSet


def unfolded(folded: StretchSearch, opened: StretchSearch, middle: float, shapes: ShapeSet) -> State | None:
    """The folded stretch's best state opened out at y = `middle`; None where the two cut different pieces."""
    if folded.best is None:
        return None
    first = folded.searches[0].packing.first
    free: dict[str, list[int]] = {}
    for k, item in enumerate(opened.items):
        free.setdefault(item.piece.id, []).append(k)
    options = opened.searches[0].packing.first[:-1].copy()
    x, y = np.zeros(len(options)), np.zeros(len(options))
    placed = 0
    for k, item in enumerate(folded.items):
        way = item.ways[int(folded.best.options[k]) - int(first[k])]
        at_x, at_y = float(folded.best.x[k]), float(folded.best.y[k])
        on_fold = item.piece.fold is not None
        copies = (
            [(way.turn, False, 0.0)]
            if on_fold
            else [(way.turn, way.mirrored, at_y), (-way.turn % 360, not way.mirrored, -at_y)]
        )
        for turn, mirrored, height in copies:
            outline = item.piece.whole() if on_fold else item.piece.outline
            lying = shapes.add(outline, turn, mirrored)
            found = _take(opened, free.get(item.piece.id, []), (lying.base, lying.sx, lying.sy))
            if found is None:
                continue  # a spare, which the open lay does not cut
            number, choice = found
            options[number] += choice
            x[number], y[number] = at_x, middle + height
            placed += 1
    if placed < len(opened.items):
        return None
    return State(options=options, x=x, y=y, length=folded.best.length)


def _take(opened: StretchSearch, free: list[int], shape: tuple[int, int, int]) -> tuple[int, int] | None:
    """An item that is still free and may lie in this shape: (its number, the number of its way)."""

    def shape_of(way: PlacedWay) -> tuple[int, int, int]:
        lying = way.option.lying
        return (lying.base, lying.sx, lying.sy)

    for number in free:
        for choice, way in enumerate(opened.items[number].ways):
            if shape_of(way) == shape:
                free.remove(number)
                return number, choice
    return None
