"""A piece on the cutting table: a thing to be taken hold of, with its name, its number, and what it tells."""

from __future__ import annotations

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache
from xml.etree.ElementTree import Element

import numpy as np
from shapely import box, contains, maximum_inscribed_circle, prepare
from shapely.geometry import LineString, Polygon

from rowanseed.core.base.same import Same
from rowanseed.core.base.units import Units, format_length
from rowanseed.core.cutting import grain_check
from rowanseed.core.geometry.outline import Point
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.lay.edit import placement, stretch_of
from rowanseed.core.lay.edit.placements import region
from rowanseed.core.lay.folding import Region
from rowanseed.core.lay.problem import LayKind, LayPiece, Placement, Plan, Problem, moved
from rowanseed.core.pattern.grain import turned_within
from rowanseed.core.pattern.pieces import Grain, MarkKind, Piece
from rowanseed.core.pattern.seamline import mark_point
from rowanseed.drawings.lay_labels import WIDTH_OF_A_LETTER
from rowanseed.drawings.lay_pieces import Sheet
from rowanseed.drawings.shown import shown_lines
from rowanseed.drawings.svg import BERRY, INK, PAPER, QUIET, add, number, path_of, write

SEAM_ALLOWANCE = 17.0
"""A name keeps so far from the outline where it can, in mm: most seam lines run nearer."""


@dataclass(frozen=True)
class Shown:
    """What is told of placements, by their ids, and of pieces, by theirs."""

    names: Mapping[str, str]
    numbers: Mapping[str, int]
    pieces: Mapping[str, Piece]
    sizes: Mapping[str, str]
    units: Units
    pinned: Collection[str] = ()
    at_fault: Collection[str] = ()
    cut: Collection[str] = ()
    owners: Mapping[str, int] | None = None
    role: str = ""
    """Which cloth it is, in words."""


def draw_piece(sheet: Sheet, plan: Plan, problem: Problem, id: str, shown: Shown) -> str:
    """A placement as an SVG group; drawn once and remembered, since a change moves one piece of many."""
    laid, stretch = placement(plan, id), stretch_of(plan, id)
    return _piece(
        sheet,
        id,
        laid,
        _Lies(stretch.lay, stretch.depth, stretch.start, region(problem, stretch, laid), problem.cloth.width),
        problem.piece(laid.piece),
        Same(shown.pieces[laid.piece]),
        shown.sizes[laid.piece],
        shown.units,
        name=shown.names[laid.piece],
        role=shown.role,
        number_of=shown.numbers[laid.piece],
        pinned=id in shown.pinned,
        fault=id in shown.at_fault,
        cut=id in shown.cut,
        garment=(shown.owners or {}).get(laid.piece, 1),
    )


@dataclass(frozen=True)
class _Lies:
    """How the cloth lies where a piece does: its stretch, the strip of it, and the width of the open cloth in mm."""

    lay: LayKind
    depth: float | None
    start: float
    strip: Region
    width: float


def _tells(laid: Placement, lies: _Lies, lay_piece: LayPiece, piece: Piece, size: str, role: str, units: Units) -> str:
    """What is known of a piece in hand: its size, its cloth, how many it gives, and its grain at both ends."""
    on_fold = lay_piece.fold is not None and not laid.whole
    gives = "1, on the fold" if on_fold else "2, through both layers" if lies.strip.layers == 2 else "1"
    out = [f"size {size}"] if size in piece.shapes else []
    out += [f"{role} cloth"] if role else []
    out.append(f"gives {gives}")
    if size not in piece.shapes:
        return ", ".join(out)
    check = grain_check(
        grainline=piece.shapes[size].grainline,
        placement=laid,
        lay=lies.lay,
        depth=lies.depth,
        region=lies.strip,
        width=lies.width,
    )
    if check is not None:
        ends = [format_length(at, units) for at in (check.at_top, check.at_bottom)]
        both = f"{ends[0]} at both ends" if ends[0] == ends[1] else f"{ends[0]} at the top, {ends[1]} at the bottom"
        out.append(f"grain from the {check.to}: {both}")
    return ", ".join(out)


@lru_cache(maxsize=4096)
def _piece(
    sheet: Sheet,
    id: str,
    laid: Placement,
    lies: _Lies,
    lay_piece: LayPiece,
    same: Same[Piece],
    size: str,
    units: Units,
    *,
    name: str,
    role: str,
    number_of: int,
    pinned: bool,
    fault: bool,
    cut: bool,
    garment: int,
) -> str:
    left, low, right, _ = laid.box
    start, tells = lies.start, _tells(laid, lies, lay_piece, same.it, size, role, units)
    said = [
        f"{number_of} {name}",
        f"{format_length(start + left, units)} from the start",
        f"{format_length(low, units)} from the lower edge",
    ]
    said += [tells]
    said += ["printed side down"] if laid.mirrored else []
    said += ["cut already"] if cut else []
    said += ["pinned"] if pinned else []
    said += ["not right yet"] if fault else []
    states = [word for word, on in (("pinned", pinned), ("fault", fault), ("cut", cut)) if on]
    group = Element("g")
    for key, value in (
        ("id", f"piece-{id.replace('.', '-')}"),
        ("class", " ".join(["piece", *states])),
        ("tabindex", "0"),
        ("role", "button"),
        ("aria-label", ", ".join(said)),
        ("data-tells", f"{number_of} {name}: {tells}"),
        ("data-id", id),
        ("data-at", f"{number(laid.at[0])} {number(laid.at[1])}"),
        ("data-end", number(start + right)),
    ):
        group.set(key, value)
    ring = [sheet.at(start, p) for p in laid.outline]
    add(
        group,
        "path",
        d=path_of(ring),
        fill="url(#printed-down)" if laid.mirrored else PAPER,
        fill_opacity=0.6 if cut else 0.92,
        stroke=BERRY if fault else INK,
        stroke_width=sheet.letter * (0.26 if fault else 0.12),
        stroke_dasharray=f"{number(sheet.letter * 0.7)} {number(sheet.letter * 0.35)}" if fault or cut else None,
        class_="outline",
    )
    _inside(group, sheet, start, laid, same.it, size, lay_piece)
    grain = _grain(group, sheet, start, laid, lay_piece)
    _label(group, sheet, ring, grain, name, number_of)
    if pinned:
        x, y = ring[0]
        add(group, "circle", cx=x, cy=y, r=sheet.letter * 0.34, fill=INK, stroke=PAPER, stroke_width=sheet.letter * 0.1)
    if garment > 1:
        _owner(group, sheet, ring, garment)
    return write(group)


def _owner(group: Element, sheet: Sheet, ring: Sequence[Point], garment: int) -> None:
    """As many strokes as the number of the garment it belongs to, where they stay inside the piece."""
    shape = Polygon(ring)
    x, y = shape.representative_point().coords[0]
    for share in (1.0, 0.75, 0.5):
        step, tall, far = (sheet.letter * f * share for f in (0.4, 0.8, 1.1))
        wide = step * (garment - 1)
        corners = (
            (x - wide / 2, y + far * 0.5),
            (x - wide / 2, y - far - tall),
            (x + far, y - tall / 2),
            (x - far - wide, y - tall / 2),
        )
        for left, top in corners:
            if shape.contains(box(left - step / 2, top, left + wide + step / 2, top + tall)):
                marks = "".join(f"M{number(left + k * step)} {number(top)}v{number(tall)}" for k in range(garment))
                add(group, "path", d=marks, stroke=INK, stroke_width=sheet.letter * 0.14 * share)
                return


def _inside(
    group: Element, sheet: Sheet, start: float, laid: Placement, piece: Piece, size: str, lay_piece: LayPiece
) -> None:
    """Seam line and notches, shown on demand; of a piece that lies unfolded, both halves."""
    if not piece.edges or size not in piece.shapes:
        return
    inner = add(group, "g", class_="inside")
    ring, over = shown_lines(piece, size).seam_ring(), None
    if laid.whole and lay_piece.fold is not None:
        over = lay_piece.fold[0][1]
        half = Polygon(ring).buffer(0.01)
        whole = half.union(Polygon([(x, 2 * over - y) for x, y in ring]).buffer(0.01))
        ring = list(getattr(whole, "exterior", half.exterior).coords)[:-1]
    seam = moved(ring, laid.turn, laid.mirrored, laid.at)
    add(
        inner,
        "path",
        d=path_of([sheet.at(start, p) for p in seam]),
        fill="none",
        stroke=QUIET,
        stroke_width=sheet.letter * 0.07,
        stroke_dasharray=f"{number(sheet.letter * 0.4)} {number(sheet.letter * 0.3)}",
    )
    notches = [m for m in piece.marks if m.kind in (MarkKind.NOTCH, MarkKind.DOUBLE_NOTCH)]
    places = [(mark, mark_point(piece, size, mark)) for mark in notches]
    if over is not None:
        places += [(mark, (x, 2 * over - y)) for mark, (x, y) in places]
    for mark, place in places:
        (at,) = moved((place,), laid.turn, laid.mirrored, laid.at)
        x, y = sheet.at(start, at)
        r = sheet.letter * (0.3 if mark.kind is MarkKind.DOUBLE_NOTCH else 0.2)
        add(inner, "circle", cx=x, cy=y, r=r, fill=INK)


def _grain(group: Element, sheet: Sheet, start: float, laid: Placement, piece: LayPiece) -> LineString | None:
    """An arrow along the grain in the lower third of the piece, its head at the top of the garment; of a piece on the
    bias it lies along the cloth, at 45° to the piece."""
    left, low, right, high = bounds(piece.whole() if laid.whole else piece.outline)
    y = low + (high - low) * 0.24
    line = ((left + (right - left) * 0.66, y), (left + (right - left) * 0.34, y))
    shape = Polygon(laid.outline)
    tail, head = moved(line, laid.turn, laid.mirrored, laid.at)
    if piece.grain is Grain.BIAS:
        tail, head = turned_within((tail, head), laid.outline, -laid.turn)
    if not shape.buffer(-sheet.letter * 0.6).contains(LineString([tail, head])):
        return None
    (x0, y0), (x1, y1) = sheet.at(start, tail), sheet.at(start, head)
    gone = max(1.0, ((x1 - x0) ** 2 + (y1 - y0) ** 2) ** 0.5)
    ux, uy, h = (x1 - x0) / gone, (y1 - y0) / gone, sheet.letter * 0.45
    wings = [(x1 - ux * h - uy * h / 2, y1 - uy * h + ux * h / 2), (x1, y1)]
    wings.append((x1 - ux * h + uy * h / 2, y1 - uy * h - ux * h / 2))
    width = sheet.letter * 0.09
    add(group, "path", d=path_of([(x0, y0), (x1, y1)], closed=False), stroke=INK, stroke_width=width, fill="none")
    add(group, "path", d=path_of(wings, closed=False), stroke=INK, stroke_width=width, fill="none")
    return LineString([(x0, y0), (x1, y1)])


def _room(shape: Polygon, words: str, size: float) -> Point | None:
    """Where words stand inside a shape, as near its middle as they can; None where they do not."""
    if shape.is_empty:
        return None
    half = len(words) * size * WIDTH_OF_A_LETTER / 2
    left, top, right, low = shape.bounds
    if right - left < 2 * half or low - top < size * 1.3:
        return None
    middle = np.array(shape.centroid.coords[0])
    across, down = np.meshgrid(np.linspace(left, right, 13)[1:-1], np.linspace(top, low, 13)[1:-1], indexing="ij")
    places = np.column_stack([across.ravel(), down.ravel()])
    nearest = np.argsort(np.abs(places - middle) @ (1.0, 2.0), kind="stable")
    places = np.vstack([middle, places[nearest]])
    x, y = places.T
    prepare(shape)
    inside = contains(shape, box(x - half, y - size, x + half, y + size * 0.3))
    if not inside.any():
        return None
    at = places[int(inside.argmax())]
    return float(at[0]), float(at[1])


def _label(
    group: Element, sheet: Sheet, ring: Sequence[Point], grain: LineString | None, name: str, number_of: int
) -> None:
    """Number and name where there is room clear of the grain's arrow, else the number, smaller in a narrow piece."""
    shape = Polygon(ring).buffer(0)
    if grain is not None:
        parts = shape.difference(grain.buffer(sheet.letter * 0.35))
        shape = max(getattr(parts, "geoms", [parts]), key=lambda part: part.area)
    # Clear of the seam line too, where there is room; then only of the outline.
    roomy = shape.buffer(-max(sheet.letter * 0.5, SEAM_ALLOWANCE))
    full, short = f"{number_of} {name}", str(number_of)
    tries = ((roomy, full, 1.0), (roomy, full, 0.78), (shape, full, 0.78), (shape, short, 1.0))
    found = ((_room(room, words, sheet.letter * share), words, sheet.letter * share) for room, words, share in tries)
    at, words, size = next((one for one in found if one[0] is not None), (None, short, 0.0))
    if at is None:
        circle = maximum_inscribed_circle(shape, tolerance=sheet.letter)
        at, size = circle.coords[0], max(circle.length * 1.1, sheet.letter * 0.5)
    x, y = at
    add(
        group,
        "text",
        words,
        x=x,
        y=y,
        font_size=size,
        font_weight=700,
        fill=INK,
        text_anchor="middle",
        paint_order="stroke",
        stroke=PAPER,
        stroke_width=size * 0.25,
    )
