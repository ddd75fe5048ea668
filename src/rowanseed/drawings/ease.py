"""Body against garment: a bar for each measure, to one scale, with the ease between the two."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from rowanseed.core.base.units import Units, format_length
from rowanseed.core.body.measures import MEASURE
from rowanseed.core.sizing.ease import Ease, Sits
from rowanseed.drawings.svg import BERRY, INK, LINE, QUIET, add, drawing, number, write


@dataclass(frozen=True)
class Room:
    """How wide the drawing is, how high a row and what of it lies above the bar, and what is left beside the bars."""

    wide: float
    row: float
    above: float
    left: float
    right: float

    @property
    def is_narrow(self) -> bool:
        """Whether words stand above a bar that else stand beside it."""
        return self.above > 40.0


SCREEN = Room(wide=900.0, row=96.0, above=32.0, left=150.0, right=170.0)
PHONE = Room(wide=400.0, row=132.0, above=62.0, left=12.0, right=34.0)
HALF_A_WORD = 62.0
"""Words that stand above a bar keep so far from both sides."""
INSIDE, LETTER = 10.0, 9.2
"""A bar's figure stands so far inside it; so wide is a letter of it."""


def draw_ease(rows: Sequence[Ease], units: Units, thread: str, ground: str, room: Room = SCREEN) -> str:
    """Bars of body, ease and garment. Lengths are cut off below two thirds of the least body measure."""
    figures = [v for r in rows for v in (r.body, r.finished, r.chart) if v is not None]
    figures += [r.body + r.band[1] for r in rows if r.body is not None and r.band is not None]
    low, high = min(figures) * 0.66, max(figures) * 1.02

    def at(mm: float) -> float:
        return room.left + (mm - low) / (high - low) * (room.wide - room.left - room.right)

    words = "; ".join(
        f"{r.measure}: body {format_length(r.body, units) if r.body else 'not measured'}, garment "
        f"{format_length(r.finished, units)}"
        for r in rows
    )
    kind = "ease narrow" if room.is_narrow else "ease"
    root = drawing(room.wide, room.row * len(rows) + 8, "Body against garment", words, class_=kind)
    for k, row in enumerate(rows):
        y = k * room.row + room.above
        name = MEASURE[row.measure].name
        level = y - 40 if room.is_narrow else y + 22
        add(root, "text", name, x=0, y=level, font_size=19, font_weight=700, fill=INK)
        end = at(row.finished)
        add(
            root,
            "path",
            d=f"M{number(room.left - 8)} {number(y)}l6 8l-6 8l6 8l-6 8",
            fill="none",
            stroke=LINE,
            stroke_width=2,
        )
        tight = row.sits in (Sits.TIGHT, Sits.SMALLER)
        if row.body is not None:
            body = at(row.body)
            add(root, "rect", x=room.left, y=float(y), width=body - room.left, height=32, fill=LINE)
            add(
                root,
                "rect",
                x=min(body, end),
                y=float(y),
                width=abs(end - body),
                height=32,
                fill="#f6dedb" if tight else ground,
            )
            add(root, "path", d=f"M{number(body)} {number(y - 4)}v40", stroke=INK, stroke_width=2)
            ease = row.finished - row.body
            own = f"body {format_length(row.body, units)}"
            told = f"{'−' if ease < 0 else '+'} {format_length(abs(ease), units)} ease"
            shown = {"font_weight": 700, "fill": BERRY if tight else thread}
            if body - room.left < INSIDE + len(own) * LETTER:
                # No room for its figure in the bar: both stand above it, one after the other.
                text = add(root, "text", own, x=room.left, y=y - 8, font_size=17, fill=INK)
                add(text, "tspan", told, dx=10, **shown)
            else:
                add(root, "text", own, x=room.left + INSIDE, y=y + 22, font_size=17, fill=INK)
                x = min(max((body + end) / 2, HALF_A_WORD), room.wide - HALF_A_WORD)
                add(root, "text", told, x=x, y=y - 8, font_size=17, text_anchor="middle", **shown)
        else:
            add(
                root,
                "rect",
                x=room.left,
                y=float(y),
                width=end - room.left,
                height=32,
                fill="none",
                stroke=LINE,
                stroke_dasharray="5 5",
                stroke_width=2,
            )
        add(root, "path", d=f"M{number(end)} {number(y - 6)}v44", stroke=thread, stroke_width=4)
        add(
            root,
            "text",
            f"garment {format_length(row.finished, units)}",
            x=room.wide if room.is_narrow else max(end, at(row.body or 0)) + 10,
            y=level,
            font_size=17,
            fill=thread,
            font_weight=700,
            text_anchor="end" if room.is_narrow else "start",
        )
        if row.body is not None and row.band is not None:
            first, last = at(max(low, row.body + row.band[0])), at(row.body + row.band[1])
            add(
                root,
                "path",
                d=f"M{number(first)} {number(y + 35)}v9h{number(last - first)}v-9",
                fill="none",
                stroke=INK,
                stroke_width=1.6,
            )
            x, anchor = _beside_the_chart(first, last, None if row.chart is None else at(row.chart))
            add(root, "text", "wanted", x=x, y=y + 58, font_size=16, fill=INK, text_anchor=anchor)
        middle = (first + last) / 2 if row.body is not None and row.band is not None else None
        if row.chart is not None:
            mark = at(row.chart)
            add(root, "path", d=f"M{number(mark)} {number(y + 32)}l-6 9h12z", fill=QUIET)
            add(
                root,
                "text",
                f"chart {format_length(row.chart, units)}",
                x=mark + (7 if middle is None or mark <= middle else -7),
                y=y + 58,
                font_size=16,
                fill=QUIET,
                text_anchor="end" if middle is None or mark <= middle else "start",
            )
    return write(root)


APART = 16.0
"""Between two words below a bar."""


def _beside_the_chart(first: float, last: float, mark: float | None) -> tuple[float, str]:
    """Where “wanted” stands, and how it is anchored: under its bracket, and clear of the chart's figure."""
    if mark is None:
        return (first + last) / 2, "middle"
    if mark <= (first + last) / 2:
        return max(first, mark + APART), "start"
    return min(last, mark - APART), "end"
