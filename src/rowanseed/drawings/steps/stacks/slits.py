"""The end of a seam that is left open: a slit's edges turned back, the top of a vent held; drawn straight."""

from __future__ import annotations

from rowanseed.core.base.words import lower_first
from rowanseed.core.make.families.slits import open_part
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.techniques.slit_in_a_seam import BEYOND, TURNED, WIDE, from_the_fold
from rowanseed.core.make.techniques.vent_in_a_seam import SLANTS
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import VENT_EDGE, Detail, DetailKind, Join
from rowanseed.drawings.steps.stack import Row, Stack, Stuff
from rowanseed.drawings.steps.straight import beside, pressed_open

ABOVE = 70.0
"""So much of the seam is drawn above what is left open, in mm."""
SHOWN = 150.0
"""So much is drawn of a longer open part, in mm."""


def _opened(bench: Workbench, op: Operation, kind: DetailKind) -> tuple[Detail, Join] | None:
    """What is left open, and the seam above it."""
    found = ((d, bench.joins[id]) for d in bench.details_of(kind) for id in d.along if id in op.on.joins)
    return next(found, None)


def _low(bench: Workbench, detail: Detail, join: Join) -> tuple[float, bool]:
    """How far below the end of the seam is drawn, and whether the pieces go on there."""
    long = open_part(bench, detail, join) or SHOWN
    return min(long, SHOWN), long > SHOWN


def slit(bench: Workbench, op: Operation) -> Stack | None:
    """The allowances of the open part turned back as those above it, and the row up one side and down the other."""
    found = _opened(bench, op, DetailKind.SLIT)
    if found is None or not found[1].a or not found[1].b:
        return None
    detail, join = found
    (a, b), (low, goes_on) = (join.a[0], join.b[0]), _low(bench, detail, join)
    wide = (bench.edge_allowance(a), bench.edge_allowance(b))
    left, right = (w - TURNED if w >= WIDE else w for w in wide)
    names = (bench.piece(a.piece).name, bench.piece(b.piece).name)
    at = from_the_fold(wide[0])
    words = (
        f"The seam of the {lower_first(names[0])} and the {lower_first(names[1])} from inside, pressed open and drawn "
        f"straight, and the slit below it, its allowances turned back: the row runs up one side {bench.margin(at)} "
        f"from the fold, across {bench.margin(BEYOND)} above the end of the slit, and down the other side."
    )
    layers = (
        *beside(names, Stuff.WRONG, top=-ABOVE, low=low, above=True, below=goes_on),
        pressed_open(wide, top=-ABOVE, low=0.0, above=True, below=True),
        pressed_open((left, right), top=0.0, low=low, above=True, below=goes_on),
    )
    row = Row(((-at, low), (-at, -BEYOND), (at, -BEYOND), (at, low)))
    return Stack(layers, words, rows=(row,))


def vent(bench: Workbench, op: Operation) -> Stack | None:
    """The vent closed, right side up: the row from the seam slanting down to the edge of what lies beneath."""
    found = _opened(bench, op, DetailKind.VENT)
    if found is None or not found[1].a or not found[1].b:
        return None
    detail, join = found
    (a, b), (low, goes_on) = (join.a[0], join.b[0]), _low(bench, detail, join)
    piece = bench.piece(detail.to_mark[0]) if detail.to_mark is not None else None
    if piece is None or not piece.has_edge(VENT_EDGE):
        return None
    wide = piece.edge(VENT_EDGE).allowance
    names = (bench.piece(a.piece).name, bench.piece(b.piece).name)
    words = (
        f"The {lower_first(names[0])} from outside, the seam drawn straight and the vent below it closed; what is cut "
        "on lies to the left beneath, as far as the dashed line. The row runs from the end of the seam slanting down "
        "to that edge, through all layers."
    )
    layers = tuple(beside(names, Stuff.RIGHT, top=-ABOVE, low=low, above=True, below=goes_on))
    edge = ((-wide, 0.0), (-wide, low))
    row = Row(((0.0, 0.0), (-wide, SLANTS)), begins=True, ends=True)
    return Stack(layers, words, rows=(row,), folds=(edge,))


STACKS = {("slit", "slit"): slit, ("vent", "vent"): vent}
