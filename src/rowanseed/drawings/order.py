"""The making order as a line of work: a lane for each bench, a stitch from step to step."""

from __future__ import annotations

from collections.abc import Collection, Sequence
from itertools import pairwise
from xml.etree.ElementTree import Element

from rowanseed.core.make.operation import Bench, Operation
from rowanseed.drawings.svg import INK, LINE, PAPER, QUIET, add, drawing, number, write

LEFT, STEP, LANE, TOP = 96.0, 24.0, 44.0, 30.0


def draw_order(steps: Sequence[Operation], done: Collection[str], current: str | None, thread: str) -> str:
    """Every step on the lane of its bench, in order; done ones full, the one to do next ringed, try-ons as diamonds."""
    lanes = [bench for bench in Bench if any(step.bench is bench for step in steps)]
    lane = {bench: TOP + k * LANE for k, bench in enumerate(lanes)}
    wide = LEFT + STEP * len(steps) + 10
    words = f"{len(steps)} steps at {len(lanes)} stations; {sum(step.id in done for step in steps)} done."
    root = drawing(wide, TOP + LANE * len(lanes) - 12, "The line of work", words, class_="order-line")
    root.set("role", "group")  # its knots are links
    for bench, y in lane.items():
        add(root, "text", bench.words, x=0, y=y + 5, font_size=14, fill=QUIET)
        add(root, "path", d=f"M{number(LEFT - 12)} {number(y)}H{number(wide)}", stroke=LINE, stroke_width=1)
    points = [(LEFT + k * STEP, lane[step.bench]) for k, step in enumerate(steps)]
    for (a, b), (before, after) in zip(pairwise(points), pairwise(steps), strict=True):
        sewn = before.id in done and after.id in done
        add(
            root,
            "path",
            d=f"M{number(a[0])} {number(a[1])}L{number(b[0])} {number(b[1])}",
            stroke=thread if sewn else QUIET,
            stroke_width=3 if sewn else 1.4,
            stroke_dasharray="9 3" if sewn else "2 5",
            fill="none",
        )
    for k, ((x, y), step) in enumerate(zip(points, steps, strict=True), start=1):
        _knot(root, x, y, k, step, done=step.id in done, current=step.id == current, thread=thread)
    return write(root)


def _knot(
    root: Element, x: float, y: float, number_of: int, step: Operation, *, done: bool, current: bool, thread: str
) -> None:
    link = add(root, "a", href=f"?step={step.id}")
    add(link, "title", f"{number_of}. {step.title}{', done' if done else ''}")
    size = 9.5 if current else 6.0
    fill = thread if done and not current else PAPER
    stroke = thread if done or current else INK
    if step.is_gate:
        add(
            link,
            "path",
            d=f"M{number(x)} {number(y - size - 2)}l{number(size + 2)} {number(size + 2)}l{number(-size - 2)} "
            f"{number(size + 2)}l{number(-size - 2)} {number(-size - 2)}z",
            fill=fill,
            stroke=stroke,
            stroke_width=2,
        )
    else:
        add(link, "circle", cx=x, cy=y, r=size, fill=fill, stroke=stroke, stroke_width=4 if current else 2)
    if current or number_of == 1 or number_of % 5 == 0:
        add(
            link,
            "text",
            str(number_of),
            x=x,
            y=y - size - 7,
            font_size=12.5,
            fill=INK,
            text_anchor="middle",
            font_weight=700 if current else 400,
        )
