"""The cutting table: the cloth as it lies, its pieces to be taken hold of, faults on them."""

from __future__ import annotations

from xml.etree.ElementTree import Element

from rowanseed.core.base.units import Units, format_cloth
from rowanseed.core.cloth.cloth import Cloth
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.lay.edit import ids
from rowanseed.core.lay.folding import stretch_width
from rowanseed.core.lay.problem import LayKind, Plan, Problem, Stretch, moved
from rowanseed.drawings.lay import LETTERS_ACROSS, define_layers, draw_cloth, draw_ruler, draw_side_ruler, lay_caption
from rowanseed.drawings.lay_pieces import Sheet
from rowanseed.drawings.svg import BERRY, CHALK, INK, PAPER, QUIET, add, drawing, halo, number, path_of, write
from rowanseed.drawings.swatch import define_selvedge
from rowanseed.drawings.table_piece import Shown, draw_piece

ROOM = 1.12
"""The cloth is drawn so much longer than the lay it began with, for pieces to be moved to."""
PIECES = '<g id="table-pieces" />'
"""Where the pieces come into the drawing, each drawn once and remembered."""


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
    groups = [draw_piece(sheet, plan, problem, id, shown) for id, _ in ids(plan)]
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
