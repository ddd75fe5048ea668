"""A lay drawn to scale: the cloth with its rulers, folds and selvedges, and the pieces on it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import assert_never
from xml.etree.ElementTree import Element

from rowanseed.core.base.units import INCH, Units, format_cloth, format_length
from rowanseed.core.cloth.cloth import Cloth, PrintBorder
from rowanseed.core.cutting import CutItem
from rowanseed.core.lay.folding import fold_lines, layers_of, regions, stretch_width
from rowanseed.core.lay.problem import THEN, LayCloth, LayKind, Plan, Stretch, laid
from rowanseed.drawings.colour import pale, thread
from rowanseed.drawings.lay_pieces import LayView, Sheet, define_arrow, draw_pieces
from rowanseed.drawings.svg import INK, LINE, PAPER, QUIET, add, drawing, halo, number, path_of, write
from rowanseed.drawings.swatch import define_fill, define_selvedge

LETTERS_ACROSS = 66.0
"""Lettering is this share of the drawing's width, so that it reads the same however long the lay is."""

WRONG_SIDE = 0.45
"""How far the wrong side of a cloth is paler than its right side."""

LAY_WORDS = {
    LayKind.OPEN: "open, one layer",
    LayKind.FOLDED: "folded lengthwise, two layers",
    LayKind.TWO_FOLDS: "both selvedges to the middle",
    LayKind.PART_FOLDED: "one edge folded in",
}


def laid_words(name: str) -> str:
    """Words for how a plan is laid: `folded then open` → folded lengthwise, two layers, then open, one layer."""
    return ", then ".join(LAY_WORDS[LayKind(part)] for part in name.split(THEN))


def draw_lay(plan: Plan, lay_cloth: LayCloth, cloth: Cloth, items: Sequence[CutItem], view: LayView) -> str:
    """The whole plan as SVG, one unit a millimetre."""
    tall = max(stretch_width(s.lay, s.depth, lay_cloth.width) for s in plan.stretches)
    # A short lay is given room, so that its lettering does not grow out of proportion.
    long = max(plan.length, tall * 1.1)
    letter = max(long * 1.08, tall * 1.7) / LETTERS_ACROSS
    sheet = Sheet(left=3.4 * letter, top=3.3 * letter, tall=tall, letter=letter)
    words = laid_words(laid(plan))
    root = drawing(
        sheet.left + long + 1.2 * letter,
        sheet.top + tall + 2.2 * letter,
        f"The layout: {format_cloth(plan.length, view.units)}, {words}",
        f"{len(items)} pieces on cloth {format_length(lay_cloth.width, view.units)} wide.",
        id=view.id,
        class_="lay",
    )
    defs = add(root, "defs")
    selvedge = define_selvedge(defs, cloth, f"{view.id}-selvedge")
    define_arrow(defs, view)
    for n, stretch in enumerate(plan.stretches):
        fills = define_layers(defs, sheet, stretch, lay_cloth, cloth, f"{view.id}-cloth-{n}")
        draw_cloth(root=root, sheet=sheet, stretch=stretch, cloth=lay_cloth, fills=fills, selvedge=selvedge)
    draw_ruler(root, sheet, plan.length, view.units)
    draw_side_ruler(
        root, sheet, stretch_width(plan.stretches[0].lay, plan.stretches[0].depth, lay_cloth.width), view.units
    )
    draw_pieces(root, sheet, [(item, plan.stretches[item.stretch].start) for item in items], cloth, view)
    lay_caption(root, sheet, plan, lay_cloth, cloth)
    return write(root)


@dataclass(frozen=True)
class Band:
    """A strip of a stretch as it is seen from above: from `low` to `high`, its paint, whether its right side is up.

    `borders` are the heights at which the line of a printed border runs, on which hems lie, in `colour`.
    """

    low: float
    high: float
    fill: str
    right_side_up: bool
    borders: tuple[float, ...] = ()
    colour: str = INK


def define_layers(
    defs: Element, sheet: Sheet, stretch: Stretch, cloth: LayCloth, of: Cloth, name: str
) -> tuple[Band, ...]:
    """The cloth as it is seen from above: where it is doubled, right sides together, the folded layer's wrong side.

    The print stands where it does on the open cloth: counted from the cut end and the lower selvedge, and turned over
    with the layer that is folded over.
    """
    out = []
    low = sheet.top + sheet.tall
    for k, strip in enumerate(regions(stretch.lay, stretch.depth, replace(cloth, selvedge=0.0))):
        layer = layers_of(stretch.lay, stretch.depth, strip, cloth.width)[-1]
        down = low + layer.way * layer.start
        transform = f"matrix(1 0 0 {layer.way} {number(sheet.left)} {number(down)})"
        fill = define_fill(defs, of, f"{name}-{k}", transform=transform)
        borders = tuple(y for at in _borders(of) if strip.low <= (y := layer.in_strip(at)) <= strip.high)
        right_side_up = strip.layers == 1 or of.both_sides
        out.append(Band(strip.low, strip.high, fill, right_side_up, borders, thread(of.colour)))
    return tuple(out)


def _borders(of: Cloth) -> tuple[float, ...]:
    """Where the lines of a border stand across the open cloth, ready to cut."""
    line = of.border_line * of.across
    match of.border:
        case PrintBorder.NONE:
            return ()
        case PrintBorder.ONE:
            return (line,)
        case PrintBorder.BOTH:
            return (line, of.ready_width - line)
        case _:
            assert_never(of.border)


def draw_cloth(
    root: Element, sheet: Sheet, stretch: Stretch, cloth: LayCloth, fills: Sequence[Band], selvedge: str
) -> None:
    x, long, wide = (
        sheet.left + stretch.start,
        stretch.end - stretch.start,
        stretch_width(stretch.lay, stretch.depth, cloth.width),
    )
    low = sheet.top + sheet.tall
    top = low - wide
    for band in fills:
        y, high = low - band.high, band.high - band.low
        add(root, "rect", x=x, y=y, width=long, height=high, fill=band.fill)
        if not band.right_side_up:
            add(root, "rect", x=x, y=y, width=long, height=high, fill=PAPER, fill_opacity=WRONG_SIDE)
        for at in band.borders:
            dashes = f"{number(sheet.letter * 0.8)} {number(sheet.letter * 0.35)}"
            run = f"M{number(x)} {number(low - at)}h{number(long)}"
            width = sheet.letter * 0.2
            add(root, "path", d=run, stroke=band.colour, stroke_width=width, stroke_dasharray=dashes, class_="border")
    strips = [top] if stretch.lay in (LayKind.FOLDED, LayKind.PART_FOLDED) else [top, low - cloth.selvedge]
    if stretch.lay is LayKind.TWO_FOLDS:
        strips = [low - cloth.width / 4 - cloth.selvedge, low - cloth.width / 4]
    for y in strips:
        add(root, "rect", x=x, y=y, width=long, height=cloth.selvedge, fill=selvedge)
    add(root, "rect", x=x, y=top, width=long, height=wide, fill="none", stroke=QUIET, stroke_width=sheet.letter / 16)
    for fold in fold_lines(stretch.lay, cloth.width):
        y, away = low - fold, sheet.letter * (0.35 if fold == 0 else -0.35)
        run = f"h{number(long)}"
        add(root, "path", d=f"M{number(x)} {number(y)}{run}", stroke=INK, stroke_width=sheet.letter * 0.32)
        add(root, "path", d=f"M{number(x)} {number(y + away)}{run}", stroke=INK, stroke_width=sheet.letter / 14)


def lay_caption(root: Element, sheet: Sheet, plan: Plan, cloth: LayCloth, of: Cloth) -> None:
    """What lies below the cloth: fold or selvedge, and the direction of one-way cloth."""
    y = sheet.top + sheet.tall + sheet.letter * 1.6
    for stretch in plan.stretches:
        folded = stretch.lay is not LayKind.OPEN
        add(
            root,
            "text",
            f"fold, nearest you{'' if of.both_sides else ' · wrong side up'}" if folded else "selvedge",
            x=sheet.left + stretch.start,
            y=y,
            font_size=sheet.letter,
            font_weight=600,
            fill=INK,
        )
    if cloth.one_way:
        add(
            root,
            "text",
            "← tops of all pieces this way",
            x=sheet.left + plan.length,
            y=y,
            font_size=sheet.letter,
            fill=thread(of.colour),
            font_weight=600,
            text_anchor="end",
        )


def draw_ruler(root: Element, sheet: Sheet, length: float, units: Units) -> None:
    letter, y = sheet.letter, sheet.top - sheet.letter * 1.1
    thin = letter / 14
    add(root, "path", d=f"M{number(sheet.left)} {number(y)}h{number(length)}", stroke=QUIET, stroke_width=thin)
    step, big = (100.0, 5) if units is Units.METRIC else (INCH * 6, 6)
    ticks = ""
    for count in range(int(length // step) + 1):
        x, is_big = sheet.left + count * step, count % big == 0
        half = letter * (0.45 if is_big else 0.25)
        ticks += f"M{number(x)} {number(y - half)}v{number(half * 2)}"
        if is_big and length - count * step > letter * 8:
            text = "0" if count == 0 else format_cloth(count * step, units)
            add(root, "text", text, x=x + letter * 0.25, y=y - letter * 0.4, font_size=letter, fill=QUIET)
    add(root, "path", d=ticks, stroke=QUIET, stroke_width=thin)
    end = sheet.left + length
    add(
        root,
        "path",
        d=f"M{number(end)} {number(y - letter * 0.6)}V{number(sheet.top + sheet.tall)}",
        stroke=INK,
        stroke_width=letter / 9,
    )
    halo(
        root,
        end - letter * 0.3,
        y - letter * 0.45,
        format_cloth(length, units),
        letter * 1.15,
        fill=INK,
        font_weight=700,
        text_anchor="end",
    )


def draw_side_ruler(root: Element, sheet: Sheet, wide: float, units: Units) -> None:
    letter, x = sheet.letter, sheet.left - sheet.letter * 0.7
    low = sheet.top + sheet.tall
    add(root, "path", d=f"M{number(x)} {number(low)}v{number(-wide)}", stroke=QUIET, stroke_width=letter / 14)
    step = 100.0 if units is Units.METRIC else INCH * 6
    ticks = "".join(
        f"M{number(x - letter * 0.25)} {number(low - count * step)}h{number(letter * 0.5)}"
        for count in range(int(wide // step) + 1)
    )
    add(root, "path", d=ticks, stroke=QUIET, stroke_width=letter / 14)
    at_x, middle = x - letter * 0.75, low - wide / 2
    add(
        root,
        "text",
        f"{format_length(wide, units)} as it lies",
        x=at_x,
        y=middle,
        font_size=letter,
        fill=QUIET,
        text_anchor="middle",
        transform=f"rotate(-90 {number(at_x)} {number(middle)})",
    )


def draw_thumbnail(plan: Plan, lay_cloth: LayCloth, cloth: Cloth, title: str, longest: float) -> str:
    """A lay at a glance, drawn to the same scale as its rivals: `longest` is the longest of them."""
    tall = max(stretch_width(s.lay, s.depth, lay_cloth.width) for s in plan.stretches)
    root = drawing(longest, tall, title, "A small picture of the layout.", class_="thumb")
    for stretch in plan.stretches:
        long = stretch.end - stretch.start
        add(root, "rect", x=stretch.start, y=0, width=long, height=tall, fill=pale(cloth.colour, 0.7))
        for placement in stretch.placements:
            points = [(stretch.start + x, tall - y) for x, y in placement.outline]
            add(root, "path", d=path_of(points), fill=PAPER, stroke=INK, stroke_width=4)
        if stretch.lay is not LayKind.OPEN:
            add(root, "path", d=f"M{number(stretch.start)} {number(tall)}h{number(long)}", stroke=INK, stroke_width=16)
    return write(root)


def draw_running(plan: Plan, cloth: LayCloth, label: str) -> str:
    """A lay while it is searched: outlines on bare cloth, in room that stays as it is while the lay gets shorter."""
    tall = max(stretch_width(s.lay, s.depth, cloth.width) for s in plan.stretches)
    root = drawing(plan.length, tall, f"{label}, so far", "It gets shorter while it is searched.", class_="running-lay")
    for stretch in plan.stretches:
        long = stretch.end - stretch.start
        add(root, "rect", x=stretch.start, y=0, width=long, height=tall, fill=LINE)
        for placement in stretch.placements:
            points = [(stretch.start + x, tall - y) for x, y in placement.outline]
            add(root, "path", d=path_of(points), fill=PAPER, stroke=INK, stroke_width=4)
    return write(root)
