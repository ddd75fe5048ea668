"""A cloth by itself: a swatch to scale with its repeat, and what is left of it, to scale with its outline."""

from __future__ import annotations

from xml.etree.ElementTree import Element

from rowanseed.core.base.units import INCH, Units, format_cloth, format_length
from rowanseed.core.cloth.cloth import Cloth, PrintBorder
from rowanseed.core.cloth.extent import extent
from rowanseed.core.cloth.remainder import outline_of
from rowanseed.drawings.colour import thread
from rowanseed.drawings.svg import INK, QUIET, add, drawing, halo, number, path_of, write
from rowanseed.drawings.swatch import define_fill, define_selvedge

SWATCH_LONG, SWATCH_WIDE = 320.0, 200.0
EDGE = 26.0


def draw_swatch(cloth: Cloth, units: Units, id: str = "swatch") -> str:
    """A bit of the cloth as it lies, a unit a millimetre: its selvedge below, its repeat measured on it."""
    root = drawing(
        SWATCH_LONG + 2 * EDGE + 24,
        SWATCH_WIDE + 2 * EDGE,
        f"A swatch of {cloth.name}",
        _said(cloth, units),
        class_="swatch",
    )
    defs = add(root, "defs")
    fill, edge = define_fill(defs, cloth, f"{id}-fill"), define_selvedge(defs, cloth, f"{id}-selvedge")
    view = add(
        root,
        "svg",
        x=EDGE,
        y=EDGE,
        width=SWATCH_LONG,
        height=SWATCH_WIDE,
        viewBox=f"0 0 {number(SWATCH_LONG)} {number(SWATCH_WIDE)}",
    )
    add(view, "rect", width=SWATCH_LONG, height=SWATCH_WIDE, fill=fill)
    low = SWATCH_WIDE - cloth.selvedge
    if cloth.selvedge:
        add(view, "rect", y=low, width=SWATCH_LONG, height=cloth.selvedge, fill=edge)
    if cloth.border is not PrintBorder.NONE and cloth.border_line < SWATCH_WIDE:
        y = SWATCH_WIDE - cloth.border_line
        add(
            view,
            "path",
            d=f"M0 {number(y)}H{number(SWATCH_LONG)}",
            stroke=thread(cloth.colour),
            stroke_width=3,
            stroke_dasharray="12 5",
        )
    add(root, "rect", x=EDGE, y=EDGE, width=SWATCH_LONG, height=SWATCH_WIDE, fill="none", stroke=QUIET)
    _measures(root, cloth, units)
    return write(root)


def _said(cloth: Cloth, units: Units) -> str:
    along, across = cloth.repeat.along, cloth.repeat.across
    said = [f"{format_length(SWATCH_LONG, units)} by {format_length(SWATCH_WIDE, units)}, to scale"]
    if along:
        said.append(f"repeats every {format_length(along, units, fine=True)} along")
    if across:
        said.append(f"every {format_length(across, units, fine=True)} across")
    return "; ".join(said) + "."


def _measures(root: Element, cloth: Cloth, units: Units) -> None:
    """The repeat as two measured lines; without one, a ruler along the swatch."""
    along, across = cloth.repeat.along, cloth.repeat.across
    right, low = EDGE + SWATCH_LONG, EDGE + SWATCH_WIDE
    span = along if along and along <= SWATCH_LONG else (100.0 if units is Units.METRIC else 4 * INCH)
    words = format_length(span, units, fine=True)
    add(
        root,
        "path",
        d=f"M{number(EDGE)} {number(EDGE - 8)}h{number(span)}m0 -4v8M{number(EDGE)} {number(EDGE - 12)}v8",
        stroke=INK,
        stroke_width=1.4,
        fill="none",
    )
    halo(root, EDGE + span / 2, EDGE - 12, f"{words} repeat" if along else words, 12, fill=INK, text_anchor="middle")
    if across and across <= SWATCH_WIDE:
        add(
            root,
            "path",
            d=f"M{number(right + 8)} {number(low)}v{number(-across)}m-4 0h8M{number(right + 4)} {number(low)}h8",
            stroke=INK,
            stroke_width=1.4,
            fill="none",
        )
        y = low - across / 2
        text = halo(
            root, right + 22, y, f"{format_length(across, units, fine=True)}", 12, fill=INK, text_anchor="middle"
        )
        text.set("transform", f"rotate(-90 {number(right + 22)} {number(y)})")


def draw_left(cloth: Cloth, units: Units, id: str, room: tuple[float, float] | None = None) -> str:
    """What is left of a cloth, to scale: its outline on the frame it fits in. Empty where none is in hand.

    `room` (along, across, in mm) gives several of them one scale: each is as wide as the longest, and as high as it is.
    """
    if cloth.length is None:
        return ""
    long, wide = room or (cloth.length, cloth.width)
    letter = max(long, wide) / 22
    pad = letter * 1.6
    title = f"{cloth.name}: {extent(cloth, units)}"
    root = drawing(
        long + 2 * pad, cloth.width + 2 * pad, title, "Its outline, to scale; the lower selvedge below.", class_="left"
    )
    fill = define_fill(add(root, "defs"), cloth, f"{id}-fill")
    low = pad + cloth.width
    rings = [[(pad + x, low - y) for x, y in ring] for ring in outline_of(cloth)]
    add(
        root,
        "path",
        d="".join(path_of(ring) for ring in rings),
        fill=fill,
        fill_rule="evenodd",
        stroke=INK,
        stroke_width=letter / 12,
        stroke_linejoin="round",
    )
    # The whole cloth, gone patches too: what is tapped on it is a place along and across.
    per = 10.0 if units is Units.METRIC else INCH
    whole = {"data-cloth": f"{cloth.length:g} {cloth.width:g} {units.small} {per:g}"}
    frame = add(root, "rect", x=pad, y=low - cloth.width, width=cloth.length, height=cloth.width, fill="none")
    frame.attrib.update(whole)
    add(
        root,
        "text",
        format_cloth(cloth.length, units),
        x=pad + cloth.length / 2,
        y=low - cloth.width - letter * 0.4,
        font_size=letter,
        fill=QUIET,
        text_anchor="middle",
    )
    at_y = low - cloth.width / 2
    side = add(
        root,
        "text",
        format_length(cloth.width, units),
        x=pad - letter * 0.45,
        y=at_y,
        font_size=letter,
        fill=QUIET,
        text_anchor="middle",
    )
    side.set("transform", f"rotate(-90 {number(pad - letter * 0.45)} {number(at_y)})")
    return write(root)
