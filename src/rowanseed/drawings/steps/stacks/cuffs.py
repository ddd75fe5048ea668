"""A cuff on the end of a sleeve that a placket opens: the ring spread, from one side of the placket to the other."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass

from shapely.geometry import Polygon, box

from rowanseed.core.base.words import lower_first
from rowanseed.core.make.families.slashed import BESIDE
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.runs import slashed_edge
from rowanseed.core.make.techniques.continuous_placket import SEAM, STRIP
from rowanseed.core.make.techniques.tower_placket import BOX
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import DetailKind, DifferenceKind, EdgePart, Join
from rowanseed.core.pattern.pieces import Piece
from rowanseed.core.pattern.seamline import mark_distance
from rowanseed.core.pattern.walk import length_on
from rowanseed.drawings.steps.placing import as_drawn
from rowanseed.drawings.steps.stack import Layer, Row, Stack, Stuff
from rowanseed.drawings.steps.stacks.cuts import slash_of

ABOVE = 70.0
"""So much of the sleeve is drawn above the cuff, in mm; of its placket half."""


@dataclass(frozen=True)
class _Spread:
    """A sleeve's end as it is spread, in mm from the back side of its placket: how long what the cuff is sewn to is,
    and where the seam under the arm lies; how far the cuff reaches past both ends of that."""

    sleeve: Piece
    cuff: Piece
    edge: EdgePart
    kind: DetailKind
    long: float
    seam: float
    under: float
    over: float

    @property
    def row(self) -> tuple[float, float]:
        """From where to where the cuff is sewn: over both halves of a tower, between the sides of any other placket."""
        over_both = self.kind is DetailKind.TOWER_PLACKET
        return (-self.under, self.long + self.over) if over_both else (0.0, self.long)

    @property
    def placket(self) -> tuple[tuple[float, float, str], ...]:
        """What of the placket lies at the cuff, from where to where."""
        match self.kind:
            case DetailKind.CONTINUOUS_PLACKET:
                return ((0.0, (STRIP - 2 * SEAM) / 2, "strip"),)
            case DetailKind.TOWER_PLACKET:
                return ((-self.under, BOX, "underlap"), (self.long - BOX, self.long + self.over, "overlap"))
            case _:
                return ()


def _spread(bench: Workbench, join: Join) -> _Spread | None:
    """None for a band on anything else, and where the slash of the sleeve is not drawn."""
    kinds = {
        id: detail.kind
        for detail in bench.details.values()
        if slashed_edge(bench, detail) == "wrist"
        for id in detail.on
    }
    if len(join.a) != 1 or len(join.b) != 1 or join.a[0].piece not in kinds:
        return None
    (end,), (edge,) = join.a, join.b
    sleeve, cuff = bench.piece(end.piece), bench.piece(edge.piece)
    slash = slash_of(sleeve, bench.size)
    if slash is None or edge.to_mark is None:
        return None
    line = as_drawn(sleeve, bench.size).stitched((end,))
    behind = min(math.dist(slash[0], line[0]), math.dist(slash[0], line[-1]))
    whole, long = length_on(cuff, bench.size, EdgePart(cuff.id, edge.edge)), length_on(cuff, bench.size, edge)
    over = mark_distance(cuff, bench.size, cuff.mark(edge.from_mark)) if edge.from_mark else 0.0
    drawn_in = length_on(sleeve, bench.size, end) / long if join.difference.kind is DifferenceKind.GATHERS else 1.0
    kind = kinds[end.piece]
    taken = BESIDE if kind is DetailKind.FACED_SLIT else 0.0
    left = long - 2 * taken
    return _Spread(sleeve, cuff, edge, kind, left, behind / drawn_in - taken, whole - left - over, over)


def on_sleeve(bench: Workbench, op: Operation) -> Stack | None:
    join = bench.joins.get(op.on.joins[0]) if len(op.on.joins) == 1 else None
    found = _spread(bench, join) if join is not None else None
    if found is None:
        return None
    deep, name = bench.edge_allowance(found.edge), lower_first(found.cuff.name)
    left, top, right, low = Polygon(as_drawn(found.cuff, bench.size).cutting()).bounds
    high = min(right - left, low - top)

    def layers() -> Iterator[Layer]:
        begins, ends = (
            max((half[1] for half in found.placket[:1]), default=0.0),
            min((half[0] for half in found.placket[1:]), default=found.long),
        )
        for a, b in ((begins, found.seam), (found.seam, ends)):
            shape = box(a, -high - ABOVE, b, 0.0)
            yield Layer(shape, Stuff.RIGHT, found.sleeve.name, box(a - 1.0, -high - ABOVE, b + 1.0, 1.0))
        for a, b, half in found.placket:
            yield Layer(box(a, -high - ABOVE / 2, b, 0.0), Stuff.RIGHT, half)
        yield Layer(box(-found.under - deep, -high, found.long + found.over + deep, 0.0), Stuff.WRONG, found.cuff.name)

    is_tower = found.kind is DetailKind.TOWER_PLACKET
    more = "over both of its halves, from fold to fold" if is_tower else "the underlap lies beyond"
    words = (
        f"The end of the {lower_first(found.sleeve.name)}, right side up, spread from one side of its placket to the "
        f"other, the seam under the arm within it. The {name} lies on it, wrong side up, raw edge on raw edge, and "
        f"reaches past both sides. Sew {op.run.words if op.run else 'along it'}; {more}."
    )
    row = Row(tuple((x, -deep) for x in found.row), begins=True, ends=True)
    return Stack(tuple(layers()), words, rows=(row,))


STACKS = {("band", "sew"): on_sleeve}
