"""How a person's measurements have changed: a line for each, over the days they were taken."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import date

from rowanseed.core.base.units import Units, format_length
from rowanseed.core.body.measures import MEASURE
from rowanseed.drawings.svg import INK, LINE, QUIET, add, drawing, number, write

WIDE, ROW, LEFT, RIGHT = 900.0, 86.0, 170.0, 120.0

Taken = tuple[str, float]
"""(day in ISO form, mm)."""


def draw_history(series: Sequence[tuple[str, Sequence[Taken]]], thread: str, units: Units) -> str:
    """One row a measure (key, its dated figures, oldest first), each to its own scale, with the first and last
    figure."""
    days = sorted({date.fromisoformat(day) for _, taken in series for day, _ in taken})
    first, span = days[0], max(1, (days[-1] - days[0]).days)
    said = "; ".join(
        f"{MEASURE[key].name}: " + ", ".join(f"{format_length(mm, units, fine=True)} on {day}" for day, mm in taken)
        for key, taken in series
    )
    root = drawing(WIDE, ROW * len(series) + 34, "Measurements over time", said, class_="history")

    def at(day: str) -> float:
        return LEFT + 70 + (date.fromisoformat(day) - first).days / span * (WIDE - LEFT - RIGHT - 70)

    for k, (key, taken) in enumerate(series):
        top = k * ROW + 20
        values = [mm for _, mm in taken]
        low, high = min(values), max(values)
        room = max(high - low, 20.0)

        def up(mm: float, top: float = top, high: float = high, low: float = low, room: float = room) -> float:
            return top + 26 - (mm - (high + low) / 2) / room * 40

        add(root, "text", MEASURE[key].name, x=0, y=top + 32, font_size=18, font_weight=700, fill=INK)
        add(
            root,
            "path",
            d=f"M{number(LEFT)} {number(top + 58)}H{number(WIDE - RIGHT + 100)}",
            stroke=LINE,
            stroke_width=1.5,
        )
        points = [(at(day), up(mm)) for day, mm in taken]
        add(
            root,
            "path",
            d="M" + "L".join(f"{number(x)} {number(y)}" for x, y in points),
            fill="none",
            stroke=thread,
            stroke_width=3,
        )
        for x, y in points:
            add(root, "circle", cx=x, cy=y, r=5.5, fill=thread)
        add(
            root,
            "text",
            format_length(values[0], units, fine=True),
            x=points[0][0] - 12,
            y=points[0][1] + 6,
            font_size=16,
            fill=QUIET,
            text_anchor="end",
        )
        change = values[-1] - values[0]
        sign = "+" if change > 0 else ""
        add(
            root,
            "text",
            format_length(values[-1], units, fine=True),
            x=points[-1][0] + 12,
            y=points[-1][1] + 2,
            font_size=16,
            fill=INK,
            font_weight=700,
        )
        add(
            root,
            "text",
            f"{sign}{format_length(change, units, fine=True)}",
            x=points[-1][0] + 12,
            y=points[-1][1] + 20,
            font_size=15,
            fill=QUIET,
        )
    for day in (days[0], days[-1]):
        add(
            root,
            "text",
            f"{day:%-d %b %Y}",
            x=at(day.isoformat()),
            y=ROW * len(series) + 26,
            font_size=15,
            fill=QUIET,
            text_anchor="middle",
        )
    return write(root)
