"""The cutting table: the cloth as it lies, its pieces to be taken hold of, faults on them."""

from __future__ import annotations

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache
from xml.etree.ElementTree import Element

from shapely import maximum_inscribed_circle
from shapely.geometry import LineString, Polygon, box
from shapely.prepared import prep

from rowanseed.core.base.same import Same
from rowanseed.core.base.units import Units, format_cloth, format_length
from rowanseed.core.cloth.cloth import Cloth
from rowanseed.core.cutting import grain_check
from rowanseed.core.geometry.outline import Point, bounds
from rowanseed.core.lay.edit import ids, placement, stretch_of
from rowanseed.core.lay.edit.placements import region
from rowanseed.core.lay.folding import stretch_width
from rowanseed.core.lay.problem import LayKind, LayPiece, Placement, Plan, Problem, Stretch, moved
from rowanseed.core.pattern.pieces import MarkKind, Piece
from rowanseed.core.pattern.seamline import mark_point
from rowanseed.drawings.lay import LETTERS_ACROSS, define_layers, draw_cloth, draw_ruler, draw_side_ruler, lay_caption
from rowanseed.drawings.lay_pieces import WIDTH_OF_A_LETTER, Sheet
from rowanseed.drawings.shown import shown_lines
from rowanseed.drawings.svg import BERRY, CHALK, INK, PAPER, QUIET, add, drawing, halo, number, path_of, write
from rowanseed.drawings.swatch import define_selvedge

ROOM = 1.12
"""The cloth is drawn so much longer than the lay it began with, for pieces to be moved to."""
PIECES = '<g id="table-pieces" />'
"""Where the pieces come into the drawing, each drawn once and remembered."""


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


def draw_table(plan: Plan, problem: Problem, cloth: Cloth, shown: Shown, began_with: float) -> str:
    """Every piece a thing to be taken hold of. The scale is that of the length it began with, so that nothing jumps."""
    lay_cloth = problem.cloth
    tall = max(stretch_width(s.lay, s.depth, lay_cloth.width) for s in plan.stretches)
    long = max(began_with * ROOM, tall * 1.1, plan.length + began_with * (ROOM - 1) / 3)
    letter = max(max(began_with * ROOM, tall * 1.1) * 1.08, tall * 1.7) / LETTERS_ACROSS
    sheet = Sheet(left=3.4 * letter, top=3.3 * letter, tall=tall, letter=letter)
    root = drawing(
        sheet.left + long + 1.2 * letter,
        sheet.top + tall + 2.2 * letter,
        f"The table: {format_cloth(plan.length, shown.units)}",
        f"{sum(len(s.placements) for s in plan.stretches)} pieces, to be moved with the arrow keys or dragged.",
        class_="table",
        data_left=number(sheet.left),
        data_low=number(sheet.top + tall),
        data_length=number(plan.length),
    )
    root.set("role", "group")
    defs = add(root, "defs")
    selvedge = define_selvedge(defs, cloth, "table-selvedge")
    _define_down(defs, letter)
    last = plan.stretches[-1]
    for n, stretch in enumerate(plan.stretches):
        drawn = stretch if stretch is not last else Stretch(last.lay, last.depth, last.start, long, last.placements)
        fills = define_layers(defs, sheet, drawn, lay_cloth, cloth, f"table-cloth-{n}")
        draw_cloth(root=root, sheet=sheet, stretch=drawn, cloth=lay_cloth, fills=fills, selvedge=selvedge)
        width = stretch_width(stretch.lay, stretch.depth, lay_cloth.width)
        _ground(root, sheet, n, drawn, width)
    _flaws(root, sheet, plan, problem)
    draw_ruler(root, sheet, plan.length, shown.units)
    draw_side_ruler(
        root, sheet, stretch_width(plan.stretches[0].lay, plan.stretches[0].depth, lay_cloth.width), shown.units
    )
    _left_over(root, sheet, plan, lay_cloth.length, long, shown.units)
    add(root, "g", id="table-pieces")
    _joins(root, sheet, plan, problem)
    lay_caption(root, sheet, plan, lay_cloth, cloth)
    known = {piece.id: piece for piece in problem.pieces}
    groups = [
        _piece(
            sheet,
            id,
            placement,
            plan.stretches[int(id.partition(".")[0])].start,
            known[placement.piece],
            Same(shown.pieces[placement.piece]),
            shown.sizes[placement.piece],
            shown.units,
            name=shown.names[placement.piece],
            tells=_tells(problem, plan, id, shown),
            number_of=shown.numbers[placement.piece],
            pinned=id in shown.pinned,
            fault=id in shown.at_fault,
            cut=id in shown.cut,
            garment=(shown.owners or {}).get(placement.piece, 1),
        )
        for id, placement in ids(plan)
    ]
    return write(root).replace(PIECES, "".join(groups))


def _ground(root: Element, sheet: Sheet, n: int, stretch: Stretch, wide: float) -> None:
    """What is tapped where a flaw is: the cloth itself, told by its stretch."""
    left, top = sheet.at(stretch.start, (0.0, wide))
    add(
        root,
        "rect",
        x=left,
        y=top,
        width=stretch.end - stretch.start,
        height=wide,
        fill="transparent",
        class_="ground",
        data_stretch=n,
        data_start=number(stretch.start),
    )


def _flaws(root: Element, sheet: Sheet, plan: Plan, problem: Problem) -> None:
    """Patches that nothing may touch, crossed, on what lies open."""
    for stretch in plan.stretches:
        if stretch.lay is not LayKind.OPEN:
            continue
        for patch in problem.forbidden:
            ring = [sheet.at(0.0, p) for p in patch]
            add(
                root, "path", d=path_of(ring), fill=PAPER, stroke=BERRY, stroke_width=sheet.letter * 0.16, class_="flaw"
            )
            left, top, right, bottom = bounds(ring)
            for run in ([(left, top), (right, bottom)], [(left, bottom), (right, top)]):
                path = path_of(run, closed=False)
                add(root, "path", d=path, stroke=BERRY, stroke_width=sheet.letter * 0.1, fill="none")


def _left_over(root: Element, sheet: Sheet, plan: Plan, in_hand: float | None, long: float, units: Units) -> None:
    """What of the cloth in hand is left behind the lay, with its size; its end where that comes into the drawing."""
    if in_hand is None or in_hand <= plan.length:
        return
    x, low = sheet.left + plan.length, sheet.top + sheet.tall
    words = f"left over: {format_cloth(in_hand - plan.length, units)}"
    half = sheet.letter * 0.9
    if in_hand <= long:
        end = number(sheet.left + in_hand)
        add(root, "path", d=f"M{end} {number(sheet.top)}V{number(low)}", stroke=INK, stroke_width=sheet.letter * 0.2)
    at = (number(x + half), number(low - sheet.letter))
    text = halo(root, x + half, low - sheet.letter, words, sheet.letter * 0.9, fill=QUIET)
    text.set("transform", f"rotate(-90 {at[0]} {at[1]})")


def _joins(root: Element, sheet: Sheet, plan: Plan, problem: Problem) -> None:
    """Points that have to stand at the same place of the print, joined; shown on demand."""
    group = add(root, "g", class_="joins")
    for match in problem.matches:
        wanted = {point.piece: point.at for point in match.points}
        spots = []
        for id, laid in ids(plan):
            if laid.piece in wanted:
                (at,) = moved((wanted[laid.piece],), laid.turn, laid.mirrored, laid.at)
                spots.append(sheet.at(plan.stretches[int(id.partition(".")[0])].start, at))
        if len(spots) > 1:
            path = path_of(spots, closed=False)
            add(group, "path", d=path, fill="none", stroke=CHALK, stroke_width=sheet.letter * 0.1)
        for x, y in spots:
            add(group, "circle", cx=x, cy=y, r=sheet.letter * 0.26, fill=CHALK)


def _define_down(defs: Element, letter: float) -> None:
    """What a piece is filled with whose printed side is down: dots, so that it is told without colour."""
    step = letter * 0.9
    down = add(defs, "pattern", id="printed-down", width=step, height=step, patternUnits="userSpaceOnUse")
    add(down, "rect", width=step, height=step, fill=PAPER, fill_opacity=0.9)
    add(down, "circle", cx=step / 2, cy=step / 2, r=step * 0.13, fill=QUIET)


def _tells(problem: Problem, plan: Plan, id: str, shown: Shown) -> str:
    """What is known of a piece in hand: its size, its cloth, how many it gives, and its grain at both ends."""
    laid, stretch = placement(plan, id), stretch_of(plan, id)
    strip, piece = region(problem, stretch, laid.outline), shown.pieces[laid.piece]
    size = shown.sizes[laid.piece]
    on_fold = problem.piece(laid.piece).fold is not None and not laid.whole
    gives = "1, on the fold" if on_fold else "2, through both layers" if strip.layers == 2 else "1"
    out = [f"size {size}"] if size in piece.shapes else []
    out += [f"{shown.role} cloth"] if shown.role else []
    out.append(f"gives {gives}")
    check = grain_check(piece, size, laid, strip, stretch, problem.cloth) if size in piece.shapes else None
    if check is not None:
        ends = [format_length(at, shown.units) for at in (check.at_top, check.at_bottom)]
        both = f"{ends[0]} at both ends" if ends[0] == ends[1] else f"{ends[0]} at the top, {ends[1]} at the bottom"
        out.append(f"grain from the {check.to}: {both}")
    return ", ".join(out)


@lru_cache(maxsize=4096)
def _piece(
    sheet: Sheet,
    id: str,
    laid: Placement,
    start: float,
    lay_piece: LayPiece,
    same: Same[Piece],
    size: str,
    units: Units,
    *,
    name: str,
    tells: str,
    number_of: int,
    pinned: bool,
    fault: bool,
    cut: bool,
    garment: int,
) -> str:
    left, low, _, _ = bounds(laid.outline)
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
        ("data-end", number(start + bounds(laid.outline)[2])),
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
    """An arrow along the grain in the lower third of the piece, its head at the top of the garment."""
    left, low, right, high = bounds(piece.whole() if laid.whole else piece.outline)
    y = low + (high - low) * 0.24
    line = ((left + (right - left) * 0.66, y), (left + (right - left) * 0.34, y))
    shape = Polygon(laid.outline)
    tail, head = moved(line, laid.turn, laid.mirrored, laid.at)
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
    middle = shape.centroid
    ready = prep(shape)
    places = [
        (left + (right - left) * across / 12, top + (low - top) * down / 12)
        for across in range(1, 12)
        for down in range(1, 12)
    ]
    places.sort(key=lambda at: abs(at[0] - middle.x) + 2 * abs(at[1] - middle.y))
    for x, y in [(middle.x, middle.y), *places]:
        if ready.contains(box(x - half, y - size, x + half, y + size * 0.3)):
            return x, y
    return None


def _label(
    group: Element, sheet: Sheet, ring: Sequence[Point], grain: LineString | None, name: str, number_of: int
) -> None:
    """Number and name where there is room clear of the grain's arrow, else the number, smaller in a narrow piece."""
    shape = Polygon(ring).buffer(0)
    if grain is not None:
        parts = shape.difference(grain.buffer(sheet.letter * 0.35))
        shape = max(getattr(parts, "geoms", [parts]), key=lambda part: part.area)
    circle = maximum_inscribed_circle(shape, tolerance=sheet.letter)
    radius = circle.length
    # Clear of the seam line too, where there is room; then only of the outline.
    roomy = shape.buffer(-max(sheet.letter * 0.5, SEAM_ALLOWANCE))
    full, short = f"{number_of} {name}", str(number_of)
    tries = ((roomy, full, 1.0), (roomy, full, 0.78), (shape, full, 0.78), (shape, short, 1.0))
    found = ((_room(room, words, sheet.letter * share), words, sheet.letter * share) for room, words, share in tries)
    at, words, size = next(
        (one for one in found if one[0] is not None), (circle.coords[0], short, max(radius * 1.1, sheet.letter * 0.5))
    )
    x, y = at if at is not None else circle.coords[0]
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
