"""The lower edges of a lining, the edge that is drawn in with the garment's, and what hangs it: drawn straight."""

from __future__ import annotations

from shapely.geometry import Polygon, box

from rowanseed.core.base.words import lower_first
from rowanseed.core.derive.lining_graph import FOLD_OF_EASE
from rowanseed.core.make.families.jacket_linings import hem_seam
from rowanseed.core.make.operation import EdgeShown, Operation
from rowanseed.core.make.techniques.lining_drawn_in import basted_at
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import EdgePart
from rowanseed.drawings.steps.opening import TAPE
from rowanseed.drawings.steps.stack import Layer, Row, Stack, Stuff
from rowanseed.drawings.steps.straight import ABOUT

HIGH = 110.0
"""So much of garment and lining is drawn above an edge, in mm."""
CUT_AWAY = 0.45
"""So much of the upper layer's width is cut away at its top, that the lower one is seen."""
ZIP_CLEAR, SEAM = 5.0, 15.0
"""A lining is felled so far from a zip's coil; so much of what it is felled to is seen below it, in mm."""
LOWER = ("hem", "wrist")


def _sides(bench: Workbench, op: Operation) -> tuple[EdgeShown, EdgeShown] | None:
    """An edge of the garment and the lining's beside it, as far as a step works on both."""
    shell = next((e for e in op.edges if e.piece not in bench.linings), None)
    if shell is None:
        return None
    own = [e for e in op.edges if e.piece in bench.linings and e.edge == shell.edge]
    of = {layer.piece: layer.of for layer in bench.pattern.making.layers}
    lining = next((e for e in own if of.get(e.piece) == shell.piece), None)
    return None if lining is None else (shell, lining)


def _allowance(bench: Workbench, edge: EdgeShown) -> float:
    return bench.edge_allowance(EdgePart(edge.piece, edge.edge))


def _wide(top: float, low: float, *, above: bool = True) -> Polygon:
    return box(-ABOUT, top - (0.0 if above else 1.0), ABOUT, low + 1.0)


def sewn(bench: Workbench, op: Operation) -> Stack | None:
    """Hem and lining right sides together, raw edge on raw edge; None for any other edge that encloses the lining."""
    sides = _sides(bench, op)
    if sides is None or sides[0].edge not in LOWER:
        return None
    shell, lining = (bench.piece(edge.piece).name for edge in sides)
    deep, over = hem_seam(bench, *(EdgePart(e.piece, e.edge) for e in sides)), _allowance(bench, sides[0])
    corner = Polygon([(-ABOUT, -HIGH), (ABOUT * CUT_AWAY, -HIGH), (-ABOUT, -HIGH * (1 - CUT_AWAY))])
    shape = box(-ABOUT, -HIGH, ABOUT, 0.0)
    window = _wide(-HIGH, 0.0)
    layers = (
        Layer(shape, Stuff.RIGHT, shell, window),
        Layer(shape.difference(corner), Stuff.WRONG, lining, window.difference(corner.buffer(-0.6))),
    )
    fold = "" if over <= deep else " The dashed line is the fold that the hem is pressed on."
    words = (
        f"The {lower_first(lining)} lies on the {lower_first(shell)}, right sides together, raw edge on raw edge, "
        f"drawn straight: the row runs {bench.margin(deep)} from there.{fold}"
    )
    if op.run is not None:
        words += f" Sew {op.run.words}."
    folds = (((-ABOUT, -over), (ABOUT, -over)),) if over > deep else ()
    return Stack(layers, words, rows=(Row(((-ABOUT, -deep), (ABOUT, -deep))),), folds=folds)


def anchored(bench: Workbench, op: Operation) -> Stack | None:
    """The hem turned up on its fold, caught along its raw edge where the lining is sewn to it."""
    shell = next((e for e in op.edges if e.piece not in bench.linings and e.edge in LOWER), None)
    if shell is None:
        return None
    name, over = bench.piece(shell.piece).name, _allowance(bench, shell)
    words = (
        f"The {lower_first(name)} from inside, its hem turned up on the fold, {bench.margin(over)} deep: its edge is "
        "caught by hand. The lining, which is sewn to that edge and falls over it, is left out."
    )
    layers = (
        Layer(box(-ABOUT, -HIGH, ABOUT, 0.0), Stuff.WRONG, name, _wide(-HIGH, 0.0)),
        Layer(box(-ABOUT, -over, ABOUT, 0.0), Stuff.RIGHT, "hem", _wide(-over, 0.0, above=False)),
    )
    return Stack(layers, words, rows=(Row(((-ABOUT, -over), (ABOUT, -over)), by_hand=True),))


def pressed(bench: Workbench, op: Operation) -> Stack | None:
    """The hem folded up by itself."""
    shell = next((e for e in op.edges if e.piece not in bench.linings and e.edge in LOWER), None)
    if shell is None:
        return None
    name, over = bench.piece(shell.piece).name, _allowance(bench, shell)
    words = f"The {lower_first(name)} from inside, its hem folded up once, {bench.margin(over)} deep, and pressed."
    layers = (
        Layer(box(-ABOUT, -HIGH, ABOUT, 0.0), Stuff.WRONG, name, _wide(-HIGH, 0.0)),
        Layer(box(-ABOUT, -over, ABOUT, 0.0), Stuff.RIGHT, "hem, folded up", _wide(-over, 0.0, above=False)),
    )
    return Stack(layers, words)


def felled(bench: Workbench, op: Operation) -> Stack | None:
    """The lining's folded edge on the hem's allowance, pushed up; None for an edge that ends elsewhere."""
    lining = next((e for e in op.edges if e.piece in bench.linings and e.edge in LOWER), None)
    of = next((x.of for x in bench.pattern.making.layers if lining is not None and x.piece == lining.piece), None)
    if lining is None or of is None:
        return None
    name, shell = bench.piece(lining.piece).name, bench.piece(of).name
    words = (
        f"The {lower_first(shell)} from inside, its hem up, and the {lower_first(name)} over it: its edge is turned in "
        f"and lies {bench.fine(FOLD_OF_EASE)} above the finished edge; the stitches catch the hem's allowance only."
    )
    up = -FOLD_OF_EASE
    layers = (
        Layer(box(-ABOUT, -HIGH, ABOUT, 0.0), Stuff.RIGHT, f"hem of the {lower_first(shell)}", _wide(-HIGH, 0.0)),
        Layer(box(-ABOUT, -HIGH, ABOUT, up), Stuff.RIGHT, name, _wide(-HIGH, up)),
    )
    return Stack(layers, words, rows=(Row(((-ABOUT, up), (ABOUT, up)), by_hand=True),))


def basted_in(bench: Workbench, op: Operation) -> Stack | None:
    """The lining's drawn-in edge on the garment's, wrong sides together, basted in the allowance."""
    sides = _sides(bench, op)
    if sides is None:
        return None
    shell, lining = (bench.piece(edge.piece).name for edge in sides)
    at = basted_at(bench, EdgePart(sides[0].piece, sides[0].edge))
    seam = _allowance(bench, sides[0])
    corner = Polygon([(-ABOUT, HIGH), (ABOUT * CUT_AWAY, HIGH), (-ABOUT, HIGH * (1 - CUT_AWAY))])
    shape, window = box(-ABOUT, 0.0, ABOUT, HIGH), box(-ABOUT, -1.0, ABOUT, HIGH)
    words = (
        f"The {lower_first(lining)} lies on the {lower_first(shell)}, wrong sides together, raw edge on raw edge, both "
        f"drawn in: the basting runs {bench.margin(at)} from there, in the allowance."
    )
    layers = (
        Layer(shape, Stuff.WRONG, shell, window),
        Layer(shape.difference(corner), Stuff.RIGHT, lining, window.difference(corner.buffer(-0.6))),
    )
    folds = (((-ABOUT, seam), (ABOUT, seam)),)
    return Stack(layers, f"{words} The dashed line is the seam.", rows=(Row(((-ABOUT, at), (ABOUT, at))),), folds=folds)


def along_the_zip(bench: Workbench, op: Operation) -> Stack | None:
    """The lining of a bodice turned in beside the zip and at the waist, about the corner where both meet."""
    edges = [e for e in op.edges if e.piece in bench.linings]
    waist = next((e for e in edges if any(x.piece == e.piece and x.edge != e.edge for x in edges)), None)
    if waist is None:
        return None
    name = bench.piece(waist.piece).name
    of = next((x.of for x in bench.pattern.making.layers if x.piece == waist.piece), None)
    shell = lower_first(bench.piece(of).name) if of is not None else "shell"
    teeth, wide = ((0.0, -HIGH), (0.0, 0.0)), ABOUT
    over = box(ZIP_CLEAR, -HIGH, wide, 0.0)
    layers = (
        Layer(box(-TAPE, -HIGH, TAPE, SEAM), Stuff.TAPE, "zip, its back", teeth=teeth),
        Layer(
            box(TAPE, -HIGH, wide, SEAM),
            Stuff.WRONG,
            f"allowances of the waist, up on the {shell}",
            box(TAPE - 1.0, -HIGH, wide, SEAM + 1.0),
        ),
        Layer(over, Stuff.RIGHT, name, box(ZIP_CLEAR - 1.0, -HIGH, wide, 1.0)),
    )
    words = (
        f"The {lower_first(name)} from inside, about its lower corner, drawn straight: its edge is turned in "
        f"{bench.fine(ZIP_CLEAR)} clear of the zip's coil and felled to the tape, its lower edge felled to the "
        "allowances of the waist seam."
    )
    row = Row(((ZIP_CLEAR, -HIGH), (ZIP_CLEAR, 0.0), (wide, 0.0)), by_hand=True)
    return Stack(layers, words, rows=(row,))


STACKS = {
    ("lined bodice", "fell"): along_the_zip,
    ("bagged lining", "sew"): sewn,
    ("bagged lining", "anchor"): anchored,
    ("bagged lining", "fold"): pressed,
    ("lining hung by hand", "fell"): felled,
    ("lining drawn in", "hold"): basted_in,
}
