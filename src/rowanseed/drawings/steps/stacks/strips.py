"""Strips that are folded and stitched: straps, ties, loops, belts. Long ones are drawn in part."""

from __future__ import annotations

from shapely.affinity import affine_transform
from shapely.geometry import LineString, Polygon, box

from rowanseed.core.base.words import lower_first
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.techniques.belt_loops import IN, SLACK, TURNING
from rowanseed.core.make.techniques.tie_belt import GAP
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Detail, EdgePart
from rowanseed.core.pattern.pieces import Mark, Piece
from rowanseed.core.pattern.seamline import mark_distance
from rowanseed.drawings.steps.placing import as_drawn
from rowanseed.drawings.steps.stack import Layer, Row, Stack, Stuff
from rowanseed.drawings.steps.stacks.cuts import whole
from rowanseed.drawings.steps.turned import inward

SHOWN = 5.0
"""Of a long strip a part is drawn, so many times as long as it is wide when it is made up."""
LEAST = 34.0
"""A strip that is made up narrower, in mm, is drawn so wide: it could not be lettered."""
BESIDE = 0.12
"""A row beside an edge is drawn so far from it, as a share of the strip's width."""
LOOP, FREE = 14.0, 8.0
"""A belt loop is drawn at least so wide; so much of the garment is drawn beyond it, in mm."""
ABOUT_A_STRAP, OUTSIDE = 60.0, 3.0
"""So much of the garment is drawn about a strap; it is basted so far outside the stitching line, in mm."""
APART = 0.8
"""What is drawn of one strip in two states or places lies so far apart, as a share of its width."""


def _size_of(piece: Piece, size: str) -> tuple[float, float, float]:
    """How long a strip is and how wide on its stitching lines, and how far its allowances reach along its sides."""
    left, top, right, low = Polygon(as_drawn(piece, size).seam()).bounds
    outer = Polygon(as_drawn(piece, size).cutting()).bounds
    if right - left > low - top:
        return right - left, low - top, (outer[3] - outer[1] - (low - top)) / 2
    return low - top, right - left, (outer[2] - outer[0] - (right - left)) / 2


def folded(bench: Workbench, op: Operation) -> Stack | None:
    """A strip with both long edges brought to its middle, and the same folded again and stitched along both edges."""
    piece = bench.piece(op.on.pieces[0])
    long, wide, side = _size_of(piece, bench.size)
    deep = max(LEAST, (wide + 2 * side) / 4)
    shown = min(long, SHOWN * deep)
    window = box(-deep, -deep, shown, 6 * deep) if shown < long else None
    low = (2 + APART) * deep
    inside = deep * BESIDE
    rows = tuple(
        Row(((0.0, y), (shown, y)), begins=True, ends=window is None) for y in (low + inside, low + deep - inside)
    )
    words = (
        f"Above the {lower_first(piece.name)}, its long edges brought to the middle line on the wrong side, along "
        "which it is folded again; below, folded, with its two rows, begun at the same end."
    )
    layers = (
        Layer(box(0.0, 0.0, shown, deep), Stuff.RIGHT, "one long edge", window),
        Layer(box(0.0, deep, shown, 2 * deep), Stuff.RIGHT, "the other", window),
        Layer(box(0.0, low, shown, low + deep), Stuff.RIGHT, f"{piece.name}, folded", window),
    )
    return Stack(layers, words, rows=rows, folds=(((0.0, deep), (shown, deep)),))


def belt(bench: Workbench, op: Operation) -> Stack | None:
    """One end of a belt and its middle, folded lengthwise: the rows from the ends to the gap at the centre back."""
    piece = bench.piece(op.on.pieces[0])
    long, wide, side = _size_of(piece, bench.size)
    deep = wide / 2
    shown = SHOWN * deep
    if long < shown:
        return None
    whole, low = deep + side, (1 + APART) * (deep + side)
    end, middle = box(-side, 0.0, shown, whole), box(0.0, low, shown, low + whole)
    held = (box(-2 * whole, -whole, shown, 2 * whole), box(0.0, low - whole, shown, low + 2 * whole))
    gap = min(GAP, shown * 0.4)
    rows = (
        Row(((0.0, 0.0), (0.0, deep), (shown, deep)), begins=True),
        Row(((0.0, low + deep), ((shown - gap) / 2, low + deep)), ends=True),
        Row(((shown, low + deep), ((shown + gap) / 2, low + deep)), ends=True),
    )
    words = (
        f"The {lower_first(piece.name)} folded lengthwise, right sides together, its fold at the top: above one end, "
        "below its middle. A row runs from each end round its corner to the gap that stays open at the centre back."
    )
    layers = (
        Layer(end, Stuff.WRONG, f"{piece.name}, one end", held[0]),
        Layer(middle, Stuff.WRONG, "centre back", held[1]),
    )
    return Stack(layers, words, rows=rows, folds=(((-side, 0.0), (shown, 0.0)), ((0.0, low), (shown, low))))


def belt_closed(bench: Workbench, op: Operation) -> Stack | None:
    """The middle of a belt turned right side out, and the gap there closed by hand."""
    piece = bench.piece(op.on.pieces[0])
    _, wide, _ = _size_of(piece, bench.size)
    deep, gap = wide / 2, min(GAP, SHOWN * wide / 2 * 0.4)
    shown = SHOWN * deep
    words = (
        f"The {lower_first(piece.name)} about its middle, turned right side out, its fold at the top: ladder stitches "
        "close the gap at the centre back, fold on fold."
    )
    window = box(0.0, -deep, shown, 2 * deep)
    layer = Layer(box(0.0, 0.0, shown, deep), Stuff.RIGHT, piece.name, window)
    row = Row((((shown - gap) / 2, deep), ((shown + gap) / 2, deep)), by_hand=True)
    return Stack((layer,), words, rows=(row,), folds=(((0.0, 0.0), (shown, 0.0)),))


def two_halves(bench: Workbench, op: Operation) -> Stack | None:
    """Two pieces on each other, sewn along both long edges and one end."""
    piece = bench.piece(op.on.pieces[0])
    lying = as_drawn(piece, bench.size, right_side_up=False)
    left, top, right, low = Polygon(lying.seam()).bounds
    row = ((left, low), (left, top), (right, top), (right, low))
    if right - left > low - top:
        row = ((right, top), (left, top), (left, low), (right, low))
    words = (
        f"Two of the {lower_first(piece.name)} on each other, right sides together; the row runs along one long edge, "
        "across one end and back along the other: the second end stays open."
    )
    shape = Polygon(lying.cutting()).buffer(0)
    return Stack((Layer(shape, Stuff.WRONG, piece.name),), words, rows=(Row(row, begins=True, ends=True),))


def loop_on_band(bench: Workbench, op: Operation) -> Stack | None:
    """A loop barred at the upper edge of its band and sewn below it; another lying down, as it is sewn on."""
    strip = bench.piece(op.on.pieces[0])
    detail = next(d for d in bench.details.values() if strip.id in d.pieces)
    if not detail.on:
        return None
    band = bench.piece(detail.on[0])
    left, top, right, low = Polygon(as_drawn(band, bench.size).seam()).bounds
    deep, wide = min(right - left, low - top) / 2, max(LOOP, detail.width or 0.0)
    long, between = deep + SLACK + TURNING, 2.5 * deep
    window = box(-between / 2, -FREE, 1.5 * between, deep + long + FREE)
    words = (
        f"The {lower_first(band.name)}, right side up, with the garment below it. On the right a loop lies down, right "
        f"sides together, its raw end just below the band: the row holds it {bench.margin(IN)} from that end. On the "
        "left another is folded up over its row, and its upper end, turned under, is barred at the band's upper edge."
    )
    layers = (
        Layer(box(-between, deep, 2 * between, 3 * deep + long).intersection(window), Stuff.RIGHT, "garment", window),
        Layer(box(-between, 0.0, 2 * between, deep).intersection(window), Stuff.RIGHT, band.name, window),
        Layer(box(-wide / 2, 0.0, wide / 2, deep + IN), Stuff.RIGHT, "loop, folded up"),
        Layer(box(between - wide / 2, deep, between + wide / 2, deep + long), Stuff.WRONG, "loop, as it is sewn on"),
    )

    def across(x: float, y: float) -> Row:
        return Row(((x - wide / 2, y), (x + wide / 2, y)))

    return Stack(layers, words, rows=(across(0.0, 1.5), across(between, deep + IN)))


def strap_on_edge(bench: Workbench, op: Operation) -> Stack | None:
    """A strap on the upper edge where it is marked, lying down over the garment; None where no edge is marked."""
    strap = bench.piece(op.on.pieces[0])
    detail = next(d for d in bench.details.values() if strap.id in d.pieces)
    found = _marked_edge(bench, detail)
    if found is None or not detail.width:
        return None
    piece, mark = found
    lying, wide = as_drawn(piece, bench.size), detail.width
    line = LineString(lying.stitched((EdgePart(piece.id, mark.edge),)))
    at = mark_distance(piece, bench.size, mark)
    here, there = (line.interpolate(min(d, line.length)) for d in (at, at + wide))
    ux, uy = ((there.x - here.x) / (here.distance(there) or 1.0), (there.y - here.y) / (here.distance(there) or 1.0))
    hand = inward(lying, [(here.x, here.y), (there.x, there.y)])
    # Turned so that the edge runs level and the garment hangs below it.
    across, down = (ux * hand, uy * hand), (-uy * hand, ux * hand)
    turn = (*across, *down, -(here.x * across[0] + here.y * across[1]), -(here.x * down[0] + here.y * down[1]))
    ground = affine_transform(whole(bench, piece), turn)
    deep, far = piece.edge(mark.edge).allowance, ABOUT_A_STRAP
    window = box(-far, -deep - 5.0, far, 1.5 * far)
    left, right = sorted((0.0, hand * wide))
    own = box(left, -deep, right, far)
    words = (
        f"The {lower_first(piece.name)}, right side up, about its upper edge; the {lower_first(strap.name)} lies down "
        f"over it from its mark, its raw end level with the raw edge, and is basted {bench.margin(OUTSIDE)} outside "
        "the stitching line."
    )
    layers = (
        Layer(ground.intersection(window), Stuff.RIGHT, piece.name, window),
        Layer(own, Stuff.WRONG, strap.name, box(-far, -deep - 5.0, far, far)),
    )
    return Stack(layers, words, rows=(Row(((left, -OUTSIDE), (right, -OUTSIDE))),))


def _marked_edge(bench: Workbench, detail: Detail) -> tuple[Piece, Mark] | None:
    """The first piece of the shell whose upper edge is marked for a strap."""
    for id in detail.along:
        join = bench.joins.get(id)
        for part in (*join.a, *join.b) if join is not None else ():
            piece = bench.piece(part.piece)
            mark = next((mark for mark in piece.marks if mark.id == "strap" and mark.edge == part.edge), None)
            if mark is not None and piece.id not in bench.inner:
                return piece, mark
    return None


STACKS = {
    ("strap", "fold"): folded,
    ("strap", "baste"): strap_on_edge,
    ("ties at a band", "fold"): folded,
    ("belt loops", "fold"): folded,
    ("belt loops", "sew"): loop_on_band,
    ("tie belt", "made"): belt,
    ("tie belt", "close"): belt_closed,
    ("back belt", "turn"): two_halves,
}
