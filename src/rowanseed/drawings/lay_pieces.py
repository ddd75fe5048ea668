"""A piece as it lies in a lay: outline, grainline with its distances, name."""

from __future__ import annotations

from collections.abc import Collection, Sequence
from dataclasses import dataclass
from xml.etree.ElementTree import Element

from shapely.geometry import LineString, MultiLineString, Polygon, box

from rowanseed.core.base.units import Units, format_length
from rowanseed.core.cloth.cloth import Cloth
from rowanseed.core.cutting import CutItem, GrainCheck, cut_words
from rowanseed.core.geometry.outline import Point
from rowanseed.drawings.colour import pale, thread
from rowanseed.drawings.lay_labels import WIDTH_OF_A_LETTER, Words, beneath, named
from rowanseed.drawings.svg import CHALK, INK, PAPER, QUIET, add, halo, number, path_of


@dataclass(frozen=True)
class LayView:
    """How to show a lay: units, which pieces are done, which is next, whether pieces carry their numbers."""

    units: Units
    done: Collection[str] = ()
    current: str | None = None
    numbered: bool = False
    id: str = "lay"


@dataclass(frozen=True)
class Sheet:
    """Where the cloth lies in the drawing (mm), and the height of its lettering."""

    left: float
    top: float
    tall: float
    letter: float

    def at(self, start: float, p: Point) -> Point:
        """A point of a stretch on the drawing: y is turned over, so that the fold is at the bottom."""
        return (self.left + start + p[0], self.top + self.tall - p[1])


def define_arrow(defs: Element, view: LayView) -> None:
    marker = add(
        defs,
        "marker",
        id=f"{view.id}-arrow",
        viewBox="0 0 8 8",
        refX=7,
        refY=4,
        markerWidth=6,
        markerHeight=6,
        orient="auto-start-reverse",
    )
    add(marker, "path", d="M0 0.6L8 4L0 7.4z", fill=INK)


def draw_pieces(
    root: Element, sheet: Sheet, laid: Sequence[tuple[CutItem, float]], cloth: Cloth, view: LayView
) -> None:
    """Add the pieces of a lay, each with the start of its stretch along the cloth.

    Outlines come first, then grainlines, then lettering, so that no line crosses a name.
    """
    shapes = [_outline(root=root, sheet=sheet, item=item, start=start, cloth=cloth, view=view) for item, start in laid]
    for (item, start), shape in zip(laid, shapes, strict=True):
        if item.grain is not None:
            _grain(root=root, sheet=sheet, check=item.grain, start=start, view=view, shape=shape)
    for (item, start), shape in zip(laid, shapes, strict=True):
        grain_y = _grain_y(sheet, item.grain, start)
        taken = _label(root=root, sheet=sheet, item=item, shape=shape, start=start, grain_y=grain_y, view=view)
        if item.grain is not None:
            _distances(
                root=root,
                sheet=sheet,
                check=item.grain,
                start=start,
                view=view,
                shape=shape,
                taken=taken,
            )


def _outline(root: Element, sheet: Sheet, item: CutItem, start: float, cloth: Cloth, view: LayView) -> Polygon:
    outline = [sheet.at(start, p) for p in item.placement.outline]
    done, current, letter = item.key in view.done, item.key == view.current, sheet.letter
    group = add(root, "g", class_="piece" + (" done" if done else "") + (" current" if current else ""))
    add(group, "title", f"{item.piece.name}: {cut_words(item)}")
    add(
        group,
        "path",
        d=path_of(outline),
        fill=pale(cloth.colour, 0.9) if done else PAPER,
        fill_opacity=0.55 if done else 0.94,
        stroke=thread(cloth.colour) if current else INK,
        stroke_width=letter * (0.28 if current else 0.11),
        stroke_linejoin="round",
        stroke_dasharray=f"{number(letter * 0.5)} {number(letter * 0.35)}" if done else None,
    )
    return Polygon(outline)


def _grain_y(sheet: Sheet, check: GrainCheck | None, start: float) -> float | None:
    return None if check is None else sheet.at(start, check.line[0])[1]


def _is_short(sheet: Sheet, check: GrainCheck) -> bool:
    """Whether a grainline is too short for a figure at each of its ends."""
    return abs(check.line[0][0] - check.line[1][0]) < sheet.letter * 9


def _chalk(sheet: Sheet, check: GrainCheck, start: float) -> list[list[Point]]:
    """The lines from both ends of a grainline to fold or cloth edge."""
    ends = [sheet.at(start, end) for end in check.line]
    _, far = sheet.at(start, (0.0, check.level))
    in_by = 0.0 if _is_short(sheet, check) else sheet.letter
    xs = [x + (in_by if x < ends[1 - k][0] else -in_by) for k, (x, _) in enumerate(ends)]
    return [[(x, y), (x, far)] for x, (_, y) in zip(xs, ends, strict=True)]


def _grain(root: Element, sheet: Sheet, check: GrainCheck, start: float, view: LayView, shape: Polygon) -> None:
    """The grainline, and dashed chalk lines from both its ends to fold or cloth edge."""
    letter = sheet.letter
    ends = [sheet.at(start, end) for end in check.line]
    for line in _chalk(sheet, check, start):
        add(
            root,
            "path",
            d=path_of(line, closed=False),
            stroke=CHALK,
            stroke_width=letter * 0.07,
            stroke_dasharray=f"{number(letter * 0.3)} {number(letter * 0.3)}",
            fill="none",
        )
    arrow = f"url(#{view.id}-arrow)"
    add(
        root,
        "path",
        d=path_of(ends, closed=False),
        stroke=INK,
        stroke_width=letter * 0.09,
        marker_start=arrow,
        marker_end=arrow,
    )


def _distances(
    root: Element,
    sheet: Sheet,
    check: GrainCheck,
    start: float,
    view: LayView,
    shape: Polygon,
    taken: Sequence[Polygon],
) -> None:
    """The distances of both ends of a grainline, beside their chalk lines, clear of what is `taken` by other words.

    Only where they have room inside their piece; they all stand on the cutting list.
    """
    if max(check.at_top, check.at_bottom) < 1:
        return
    letter = sheet.letter
    ends = [sheet.at(start, end) for end in check.line]
    _, far = sheet.at(start, (0.0, check.level))
    texts = [format_length(distance, view.units) for distance in (check.at_top, check.at_bottom)]
    if _is_short(sheet, check):
        _upright_distance(root=root, letter=letter, shape=shape, ends=ends, far=far, texts=texts, taken=taken)
        return
    for k, (x, y) in enumerate(ends):
        inwards = 1.0 if x < ends[1 - k][0] else -1.0
        x += inwards * letter * 1.3
        size, anchor = letter * 0.9, "start" if inwards > 0 else "end"
        way = 1 if far > y else -1
        usual = _way_down(shape, x - inwards * letter * 0.3, y, far, letter)
        steps = [usual, *(way * letter * step + letter * 0.3 for step in (1.6, 2.6, 3.6, 4.6, -2.2))]
        down = next((d for d in steps if _is_free(_box(x, y + d, texts[k], size, anchor), shape, taken)), None)
        if down is not None:
            halo(root, x, y + down, texts[k], size, fill=CHALK, text_anchor=anchor)


def _upright_distance(
    root: Element,
    letter: float,
    shape: Polygon,
    ends: list[Point],
    far: float,
    texts: list[str],
    taken: Sequence[Polygon],
) -> None:
    """Both distances of a short grainline, written along its chalk lines where they run inside the piece."""
    x, y = (ends[0][0] + ends[1][0]) / 2, ends[0][1]
    inside = LineString([(x, y), (x, far)]).intersection(shape)
    run = max(getattr(inside, "geoms", [inside]), key=lambda part: part.length)
    text = f"{texts[0]}, both ends" if texts[0] == texts[1] else f"{texts[0]} / {texts[1]}"
    if run.length < WIDTH_OF_A_LETTER * len(text) * letter * 0.9:
        text = texts[0] if texts[0] == texts[1] else text
    size, way = letter * 0.82, 1 if far > y else -1
    half = WIDTH_OF_A_LETTER * len(text) * size / 2
    usual = y + way * max(run.length / 2, letter * 1.2 + half)
    places = [usual, *(y + way * (letter * step + half) for step in (1.2, 2.4, 3.6, 4.8, -1.2 - 2 * half / letter))]
    uprights = ((at, box(x - size * 0.6, at - half, x + size * 0.6, at + half)) for at in places)
    at = next((at for at, upright in uprights if _is_free(upright, shape, taken)), None)
    if at is None:
        return
    written = halo(root, x + letter * 0.3, at, text, size, fill=CHALK, text_anchor="middle")
    written.set("transform", f"rotate(-90 {number(x + letter * 0.3)} {number(at)})")


def _way_down(shape: Polygon, x: float, y: float, far: float, letter: float) -> float:
    """How far from the grainline a distance is written: well inside the piece, near its line."""
    inside = LineString([(x, y), (x, far)]).intersection(shape)
    reach = max((part.length for part in getattr(inside, "geoms", [inside])), default=0.0)
    return (1 if far > y else -1) * max(letter * 1.1, min(reach / 2, letter * 2.6)) + letter * 0.3


def _box(x: float, y: float, text: str, size: float, anchor: str) -> Polygon:
    """Where a line of text stands, its base at `y`."""
    wide = WIDTH_OF_A_LETTER * len(text) * size
    left = x - {"start": 0.0, "middle": wide / 2, "end": wide}[anchor]
    return box(left, y - size * 0.8, left + wide, y + size * 0.2)


def _is_free(one: Polygon, shape: Polygon, taken: Sequence[Polygon]) -> bool:
    """Whether words stand inside their piece, clear of its other words."""
    return shape.contains(one) and not any(one.intersects(other) for other in taken)


def _label(
    root: Element, sheet: Sheet, item: CutItem, shape: Polygon, start: float, grain_y: float | None, view: LayView
) -> list[Polygon]:
    """The piece's name and how it is cut, as far as there is room for them inside it; where they stand."""
    done = "✓ " if item.key in view.done else ""
    name = f"{item.number}  {item.piece.name}" if view.numbered else item.piece.name
    if item.grain is not None and round(item.placement.turn) % 90:
        # The arrow of a piece on the bias is short: its words keep between the chalk lines at its ends.
        chalk = [LineString(line) for line in _chalk(sheet, item.grain, start)]
        shape = shape.difference(MultiLineString(chalk).buffer(sheet.letter * 0.2))
    words = [named(shape, (f"{done}{name}", *_short(item, view, done)), sheet.letter, grain_y)]
    _written(root, words[0], fill=INK, font_weight=700)
    cut = beneath(shape, cut_words(item), sheet.letter, words[0], grain_y)
    if cut is not None:
        _written(root, cut, fill=QUIET)
        words.append(cut)
    return [one.room for one in words]


def _written(root: Element, words: Words, **attributes: object) -> None:
    element = halo(root, words.x, words.y, words.text, words.size, text_anchor="middle", **attributes)
    if words.upright:
        element.set("transform", f"rotate(-90 {number(words.x)} {number(words.y)})")


def _short(item: CutItem, view: LayView, done: str) -> tuple[str, ...]:
    """Names for little room: the number on the list, or the tissue's own, for another garment of the batch with
    whose."""
    if view.numbered:
        return (f"{done}{item.number}",)
    whose = item.piece.name.rpartition(", ")[2] if item.piece.garment > 1 else ""
    number = str(item.piece.number)
    return (f"{number}, {whose}", number) if whose else (number,)
