"""The making order as a line of work: a lane for each bench, a stitch from step to step."""

from __future__ import annotations

from collections.abc import Collection, Sequence
from itertools import pairwise
from xml.etree.ElementTree import Element

from rowanseed.core.make.minutes import a_while
from rowanseed.core.make.operation import Bench, Operation
from rowanseed.drawings.svg import INK, LINE, PAPER, QUIET, add, drawing, number, write

LEFT, STEP, LANE, TOP = 96.0, 24.0, 44.0, 30.0
LONG_WAIT = 60.0
"""Minutes that something has to be left: as long, it is written at the step."""


def draw_order(
    steps: Sequence[Operation],
    done: Collection[str],
    current: str | None,
    thread: str,
    *,
    link: str = "",
    sittings: Sequence[tuple[str, str]] = (),
) -> str:
    """Every step on the lane of its bench, in order; done ones full, the one to do next ringed, try-ons as diamonds.

    `sittings` are (id of the first step, words above it): a line parts them. What has to be left for a while after a
    step is written below it. `link` is the address that a step's own is put to.
    """
    lanes = [bench for bench in Bench if any(step.bench is bench for step in steps)]
    lane = {bench: TOP + k * LANE for k, bench in enumerate(lanes)}
    wide = LEFT + STEP * len(steps) + 10
    deep = TOP + LANE * len(lanes)
    words = f"{len(steps)} steps at {len(lanes)} stations; {sum(step.id in done for step in steps)} done."
    root = drawing(wide, deep + (26 if sittings else -12), "The line of work", words, class_="order-line")
    root.set("role", "group")  # its knots are links
    for bench, y in lane.items():
        add(root, "text", bench.words, x=0, y=y + 5, font_size=14, fill=QUIET)
        add(root, "path", d=f"M{number(LEFT - 12)} {number(y)}H{number(wide)}", stroke=LINE, stroke_width=1)
    points = [(LEFT + k * STEP, lane[step.bench]) for k, step in enumerate(steps)]
    _parted(root, steps, sittings, deep)
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
        _knot(root, x, y, k, step, link, done=step.id in done, current=step.id == current, thread=thread)
        if step.waits >= LONG_WAIT:
            add(root, "text", a_while(step.waits), x=x + 9, y=y + 16, font_size=11, fill=INK)
            add(root, "path", d=f"M{number(x + 9)} {number(y)}h12", stroke=INK, stroke_width=3, stroke_dasharray="2 2")
    return write(root)


def _parted(root: Element, steps: Sequence[Operation], sittings: Sequence[tuple[str, str]], deep: float) -> None:
    """A line before the first step of each sitting, and what the sitting is in words at its foot."""
    places = {step.id: k for k, step in enumerate(steps)}
    for k, (first, words) in enumerate(sittings):
        x = LEFT + places[first] * STEP - STEP / 2
        add(root, "path", d=f"M{number(x)} {number(TOP - 22)}V{number(deep + 18)}", stroke=QUIET, stroke_width=1)
        room = (places[sittings[k + 1][0]] if k + 1 < len(sittings) else len(steps)) - places[first]
        if room * STEP > len(words) * 6.2:
            add(root, "text", words, x=x + 5, y=deep + 12, font_size=12, fill=INK)


def _knot(
    root: Element,
    x: float,
    y: float,
    number_of: int,
    step: Operation,
    to: str,
    *,
    done: bool,
    current: bool,
    thread: str,
) -> None:
    link = add(root, "a", href=f"{to}?step={step.id}")
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
