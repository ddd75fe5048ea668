"""The end of a seam that is left open: a slit's edges turned back, the top of a vent held; drawn straight."""

from __future__ import annotations

from dataclasses import replace

from shapely.geometry import box

from rowanseed.core.base.words import lower_first
from rowanseed.core.make.families.slits import BEYOND, TURNED, WIDE, from_the_fold, open_part
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.techniques.lining_at_vent import behind
from rowanseed.core.make.techniques.open_at_top import ID as AT_TOP
from rowanseed.core.make.techniques.vent_in_a_seam import SLANTS
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import VENT_EDGE, Detail, DetailKind, Join
from rowanseed.drawings.steps.stack import Layer, Row, Stack, Stuff
from rowanseed.drawings.steps.straight import beside, pressed_open, seam_of

ABOVE = 70.0
"""So much of the seam is drawn above what is left open, in mm."""
FELLED_INSIDE = 3.0
"""A lining's folds lie so far inside those of a slit, in mm."""
CUT_ON = 40.0
"""What is cut on for a vent is drawn so wide where the pattern has no edge for it, in mm."""
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


def _turned_back(bench: Workbench, op: Operation, *, at_top: bool) -> Stack | None:
    found = _opened(bench, op, DetailKind.SLIT)
    if found is None or not found[1].a or not found[1].b:
        return None
    detail, join = found
    (a, b), (long, goes_on) = (join.a[0], join.b[0]), _low(bench, detail, join)
    wide = (bench.edge_allowance(a), bench.edge_allowance(b))
    left, right = (w - TURNED if w >= WIDE else w for w in wide)
    names = (bench.piece(a.piece).name, bench.piece(b.piece).name)
    at, down, past = from_the_fold(min(wide)), -1.0 if at_top else 1.0, "below" if at_top else "above"
    words = (
        f"The {seam_of(names)} from inside, pressed open and drawn straight, and its open part "
        f"{'above' if at_top else 'below'}, the allowances turned back: the row runs along one side "
        f"{bench.margin(at)} from the fold, across {bench.margin(BEYOND)} {past} the end of the open part, and back "
        "along the other side."
    )
    (top, low), (above, below) = ((-long, ABOVE), (goes_on, True)) if at_top else ((-ABOVE, long), (True, goes_on))
    closed, opened = ((0.0, low), (top, 0.0)) if at_top else ((top, 0.0), (0.0, low))
    layers = (
        *beside(names, Stuff.WRONG, top=top, low=low, above=above, below=below),
        pressed_open(wide, top=closed[0], low=closed[1], above=True, below=True),
        pressed_open((left, right), top=opened[0], low=opened[1], above=above or not at_top, below=below or at_top),
    )
    row = Row(((-at, down * long), (-at, -down * BEYOND), (at, -down * BEYOND), (at, down * long)))
    return Stack(layers, words, rows=(row,))


def slit(bench: Workbench, op: Operation) -> Stack | None:
    """The allowances of a slit turned back as those above it, and the row up one side and down the other."""
    return _turned_back(bench, op, at_top=False)


def open_above(bench: Workbench, op: Operation) -> Stack | None:
    """The same for a seam that is left open at its top."""
    return _turned_back(bench, op, at_top=True)


def vent(bench: Workbench, op: Operation) -> Stack | None:
    """The vent closed, right side up: the row from the seam slanting down to the edge of what lies beneath."""
    found = _opened(bench, op, DetailKind.VENT)
    if found is None or not found[1].a or not found[1].b:
        return None
    detail, join = found
    (a, b), (low, goes_on) = (join.a[0], join.b[0]), _low(bench, detail, join)
    piece = bench.piece(detail.to_mark[0]) if detail.to_mark is not None else None
    is_drawn = piece is not None and piece.has_edge(VENT_EDGE)
    wide = piece.edge(VENT_EDGE).allowance if piece is not None and is_drawn else CUT_ON
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


def lining_felled(bench: Workbench, op: Operation) -> Stack | None:
    """The lining behind a slit or a vent: its folded edges, felled to what is turned back there."""
    found = _opened(bench, op, DetailKind.SLIT)
    garments = behind(bench, found[0]) if found is not None else None
    if found is None or garments is None or not found[1].a or not found[1].b:
        return None
    (detail, join), shell = found, bench.details[garments.id]
    (a, b), (low, goes_on) = (join.a[0], join.b[0]), _low(bench, detail, join)
    names = (bench.piece(a.piece).name, bench.piece(b.piece).name)
    left, right = beside(names, Stuff.RIGHT, top=-ABOVE, low=low, above=True, below=goes_on)
    seam, end = f"The {seam_of(names)} from inside, drawn straight, and the {shell.kind.value} below it", low + 1.0
    if shell.kind is DetailKind.VENT:
        piece = bench.piece(shell.to_mark[0]) if shell.to_mark is not None else None
        drawn_on = piece is not None and piece.has_edge(VENT_EDGE)
        wide = piece.edge(VENT_EDGE).allowance if piece is not None and drawn_on else CUT_ON
        gone = box(0.0, 0.0, wide, end)
        extension = Layer(box(0.0, 0.0, wide, low), Stuff.RIGHT, "extension of the vent", box(-1.0, -1.0, wide, end))
        words = (
            f"{seam}, closed: on the side that its extensions are folded to, the lining is cut out and turned in along "
            "their inner edge and across their top; on the other it is turned in along its seam's line. Both folds are "
            "felled to the extensions."
        )
        lines = [((0.0, 0.0), (0.0, low)), ((0.0, 0.0), (wide, 0.0), (wide, low))]
        below: tuple[Layer, ...] = (extension,)
    else:
        gone, inside = box(-FELLED_INSIDE, 0.0, FELLED_INSIDE, end), FELLED_INSIDE
        words = (
            f"{seam}: both edges of the lining are turned in {bench.fine(FELLED_INSIDE)} inside the slit's own folds "
            "and felled to what is turned back there; at its top a few stitches across."
        )
        lines = [((-inside, low), (-inside, 0.0), (inside, 0.0), (inside, low))]
        below = ()
    layers = [
        replace(
            one, shape=one.shape.difference(gone), window=None if one.window is None else one.window.difference(gone)
        )
        for one in (left, right)
    ]
    rows = tuple(Row(line, by_hand=True) for line in lines)
    return Stack((*below, *layers), words, rows=rows)


STACKS = {
    ("lining at a vent", "fell"): lining_felled,
    ("slit", "slit"): slit,
    (AT_TOP, "open"): open_above,
    ("vent", "vent"): vent,
}
