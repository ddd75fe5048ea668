"""The cutting table: the cloth as it lies, its pieces to be taken hold of, faults on them."""

from __future__ import annotations

from collections.abc import Collection, Mapping, Sequence
from xml.etree.ElementTree import Element

from shapely import maximum_inscribed_circle
from shapely.geometry import LineString, Polygon

from rowanseed.core.base.units import Units, format_cloth, format_length
from rowanseed.core.cloth.cloth import Cloth
from rowanseed.core.geometry.outline import bounds
from rowanseed.core.lay.edit import ids
from rowanseed.core.lay.folding import stretch_width
from rowanseed.core.lay.problem import Placement, Plan, Problem, Stretch, moved
from rowanseed.drawings.lay import LETTERS_ACROSS, draw_cloth, draw_ruler, draw_side_ruler, lay_caption
from rowanseed.drawings.lay_pieces import WIDTH_OF_A_LETTER, Sheet
from rowanseed.drawings.svg import BERRY, INK, PAPER, QUIET, add, drawing, number, path_of, write
from rowanseed.drawings.swatch import define_fill, define_selvedge

ROOM = 1.12
"""The cloth is drawn so much longer than the lay, for pieces to be moved to."""


def draw_table(
    plan: Plan,
    problem: Problem,
    cloth: Cloth,
    units: Units,
    *,
    names: Mapping[str, str],
    numbers: Mapping[str, int],
    pinned: Collection[str],
    at_fault: Collection[str],
) -> str:
    """Every piece a thing to be taken hold of; `names` and `numbers` are by the piece, `pinned` and `at_fault` ids."""
    lay_cloth = problem.cloth
    tall = max(stretch_width(s.lay, s.depth, lay_cloth.width) for s in plan.stretches)
    long = max(plan.length * ROOM, tall * 1.1)
    letter = max(long * 1.08, tall * 1.7) / LETTERS_ACROSS
    sheet = Sheet(left=3.4 * letter, top=3.3 * letter, tall=tall, letter=letter)
    root = drawing(
        sheet.left + long + 1.2 * letter,
        sheet.top + tall + 2.2 * letter,
        f"The table: {format_cloth(plan.length, units)}",
        f"{sum(len(s.placements) for s in plan.stretches)} pieces, to be moved with the arrow keys or dragged.",
        class_="table",
        data_left=number(sheet.left),
        data_low=number(sheet.top + tall),
    )
    root.set("role", "group")
    defs = add(root, "defs")
    fill, selvedge = define_fill(defs, cloth, "table-cloth"), define_selvedge(defs, cloth, "table-selvedge")
    _define_down(defs, letter)
    last = plan.stretches[-1]
    for stretch in plan.stretches:
        shown = stretch if stretch is not last else Stretch(last.lay, last.depth, last.start, long, last.placements)
        draw_cloth(root=root, sheet=sheet, stretch=shown, cloth=lay_cloth, fill=fill, selvedge=selvedge)
    draw_ruler(root, sheet, plan.length, units)
    draw_side_ruler(root, sheet, stretch_width(plan.stretches[0].lay, plan.stretches[0].depth, lay_cloth.width), units)
    for id, placement in ids(plan):
        start = plan.stretches[int(id.partition(".")[0])].start
        _piece(
            root,
            sheet,
            id,
            placement,
            start,
            problem,
            units,
            name=names[placement.piece],
            number_of=numbers[placement.piece],
            pinned=id in pinned,
            fault=id in at_fault,
        )
    lay_caption(root, sheet, plan, lay_cloth, cloth)
    return write(root)


def _define_down(defs: Element, letter: float) -> None:
    """What a piece is filled with whose printed side is down: dots, so that it is told without colour."""
    step = letter * 0.9
    down = add(defs, "pattern", id="printed-down", width=step, height=step, patternUnits="userSpaceOnUse")
    add(down, "rect", width=step, height=step, fill=PAPER, fill_opacity=0.9)
    add(down, "circle", cx=step / 2, cy=step / 2, r=step * 0.13, fill=QUIET)


def _piece(
    root: Element,
    sheet: Sheet,
    id: str,
    laid: Placement,
    start: float,
    problem: Problem,
    units: Units,
    *,
    name: str,
    number_of: int,
    pinned: bool,
    fault: bool,
) -> None:
    left, low, _, _ = bounds(laid.outline)
    said = [
        f"{number_of} {name}",
        f"{format_length(start + left, units)} from the start",
        f"{format_length(low, units)} from the lower edge",
    ]
    said += ["printed side down"] if laid.mirrored else []
    said += ["pinned"] if pinned else []
    said += ["not right yet"] if fault else []
    group = add(
        root,
        "g",
        id=f"piece-{id.replace('.', '-')}",
        class_="piece" + (" pinned" if pinned else "") + (" fault" if fault else ""),
        tabindex="0",
        role="button",
        aria_label=", ".join(said),
        data_id=id,
        data_at=f"{number(laid.at[0])} {number(laid.at[1])}",
    )
    ring = [sheet.at(start, p) for p in laid.outline]
    add(
        group,
        "path",
        d=path_of(ring),
        fill="url(#printed-down)" if laid.mirrored else PAPER,
        fill_opacity=0.92,
        stroke=BERRY if fault else INK,
        stroke_width=sheet.letter * (0.26 if fault else 0.12),
        stroke_dasharray=f"{number(sheet.letter * 0.7)} {number(sheet.letter * 0.35)}" if fault else None,
        class_="outline",
    )
    _grain(group, sheet, start, laid, problem)
    _label(group, sheet, ring, name, number_of)
    if pinned:
        x, y = ring[0]
        add(group, "circle", cx=x, cy=y, r=sheet.letter * 0.34, fill=INK, stroke=PAPER, stroke_width=sheet.letter * 0.1)


def _grain(group: Element, sheet: Sheet, start: float, laid: Placement, problem: Problem) -> None:
    """An arrow along the grain in the lower third of the piece, its head at the top of the garment."""
    piece = problem.piece(laid.piece)
    left, low, right, high = bounds(piece.whole() if laid.whole else piece.outline)
    y = low + (high - low) * 0.24
    line = ((left + (right - left) * 0.66, y), (left + (right - left) * 0.34, y))
    shape = Polygon(laid.outline)
    tail, head = moved(line, laid.turn, laid.mirrored, laid.at)
    if not shape.buffer(-sheet.letter * 0.6).contains(LineString([tail, head])):
        return
    (x0, y0), (x1, y1) = sheet.at(start, tail), sheet.at(start, head)
    gone = max(1.0, ((x1 - x0) ** 2 + (y1 - y0) ** 2) ** 0.5)
    ux, uy, h = (x1 - x0) / gone, (y1 - y0) / gone, sheet.letter * 0.45
    wings = [(x1 - ux * h - uy * h / 2, y1 - uy * h + ux * h / 2), (x1, y1)]
    wings.append((x1 - ux * h + uy * h / 2, y1 - uy * h - ux * h / 2))
    width = sheet.letter * 0.09
    add(group, "path", d=path_of([(x0, y0), (x1, y1)], closed=False), stroke=INK, stroke_width=width, fill="none")
    add(group, "path", d=path_of(wings, closed=False), stroke=INK, stroke_width=width, fill="none")


def _label(group: Element, sheet: Sheet, ring: Sequence[tuple[float, float]], name: str, number_of: int) -> None:
    """Number and name where there is room for both, else the number; smaller in a narrow piece."""
    shape = Polygon(ring).buffer(0)
    # Clear of the grain's arrow, which lies towards one long edge.
    circle = maximum_inscribed_circle(shape, tolerance=sheet.letter)
    x, y = circle.coords[0]
    radius = circle.length
    for words, share in ((f"{number_of} {name}", 1.0), (f"{number_of} {name}", 0.78), (str(number_of), 1.0)):
        size = sheet.letter * share
        half = len(words) * size * WIDTH_OF_A_LETTER / 2
        box = Polygon(
            [(x - half, y - size), (x + half, y - size), (x + half, y + size * 0.3), (x - half, y + size * 0.3)]
        )
        if shape.contains(box):
            break
    else:
        size = max(radius * 1.1, sheet.letter * 0.5)
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
