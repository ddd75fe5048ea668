"""The making order as a line of work: a lane for each bench, a stitch from step to step."""

from __future__ import annotations

from collections.abc import Collection, Iterator, Sequence
from dataclasses import dataclass
from itertools import pairwise
from math import ceil
from xml.etree.ElementTree import Element

from rowanseed.core.geometry.outline import Point
from rowanseed.core.make.minutes import a_while
from rowanseed.core.make.operation import Bench, Operation
from rowanseed.drawings.svg import INK, LINE, PAPER, QUIET, add, drawing, halo, number, path_of, write

LEFT, STEP, LANE, TOP, FOOT = 96.0, 24.0, 38.0, 30.0, 26.0
FEWEST, MOST = 30, 36
"""Between so many steps stand in a row; a longer line goes on in the next, so that its words stay as large."""
KNOT, CURRENT, NUMBERED = 6.0, 9.5, 5
"""How large a step's knot is, and that of the one to do next; every so many steps have their number."""
LONG_WAIT = 60.0
"""Minutes that something has to be left: as long, it is written at the step."""


@dataclass(frozen=True)
class _Rows:
    """Where the steps stand: in rows of as many steps, each with all lanes."""

    lanes: tuple[Bench, ...]
    steps: int

    @property
    def long(self) -> int:
        """How many steps a row has; the last may have fewer."""
        return max(ceil(self.steps / ceil(self.steps / MOST)), min(self.steps, FEWEST))

    @property
    def many(self) -> int:
        return ceil(self.steps / self.long)

    @property
    def wide(self) -> float:
        return LEFT + STEP * self.long + 10

    @property
    def deep(self) -> float:
        return TOP + LANE * len(self.lanes) + FOOT

    def x(self, k: int) -> float:
        return LEFT + k % self.long * STEP

    def top(self, k: int) -> float:
        """The upper edge of the row of the k-th step."""
        return k // self.long * self.deep

    def y(self, k: int, bench: Bench) -> float:
        return self.top(k) + TOP + self.lanes.index(bench) * LANE


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
    rows = _Rows(tuple(bench for bench in Bench if any(step.bench is bench for step in steps)), len(steps))
    words = f"{len(steps)} steps at {len(rows.lanes)} stations; {sum(step.id in done for step in steps)} done."
    root = drawing(rows.wide, rows.deep * rows.many, "The line of work", words, class_="order-line")
    root.set("role", "group")  # its knots are links
    for first in range(0, len(steps), rows.long):
        for bench in rows.lanes:
            y = rows.y(first, bench)
            add(root, "text", bench.words, x=0, y=y + 5, font_size=14, fill=QUIET)
            add(root, "path", d=f"M{number(LEFT - 12)} {number(y)}H{number(rows.wide)}", stroke=LINE, stroke_width=1)
    _parted(root, rows, steps, sittings)
    for k, (before, after) in enumerate(pairwise(steps)):
        sewn = before.id in done and after.id in done
        for run in _runs(rows, k, before.bench, after.bench):
            add(
                root,
                "path",
                d=path_of(run, closed=False),
                stroke=thread if sewn else QUIET,
                stroke_width=3 if sewn else 1.4,
                stroke_dasharray="9 3" if sewn else "2 5",
                fill="none",
            )
    for k, step in enumerate(steps):
        x, y = rows.x(k), rows.y(k, step.bench)
        knot = _knot(root, x, y, k + 1, step, link, done=step.id in done, current=step.id == current, thread=thread)
        if step.id == current or k % NUMBERED == NUMBERED - 1 or k == 0:
            _numbered(knot, rows, steps, k, current=step.id == current)
        if step.waits >= LONG_WAIT:
            halo(root, x + 9, y + 16, a_while(step.waits), 11, fill=INK)
            add(root, "path", d=f"M{number(x + 9)} {number(y)}h12", stroke=INK, stroke_width=3, stroke_dasharray="2 2")
    return write(root)


def _runs(rows: _Rows, k: int, before: Bench, after: Bench) -> Iterator[list[Point]]:
    """The stitch from the k-th step to the next: over the end of a row in two, out of the one and into the other."""
    a, b = (rows.x(k), rows.y(k, before)), (rows.x(k + 1), rows.y(k + 1, after))
    if rows.top(k) == rows.top(k + 1):
        yield [a, b]
    else:
        yield [a, (rows.wide, a[1])]
        yield [(LEFT - STEP / 2, b[1]), b]


def _parted(root: Element, rows: _Rows, steps: Sequence[Operation], sittings: Sequence[tuple[str, str]]) -> None:
    """A line before the first step of each sitting, and what the sitting is in words at its foot."""
    places = {step.id: k for k, step in enumerate(steps)}
    for k, (first, words) in enumerate(sittings):
        n = places[first]
        x, top, foot = rows.x(n) - STEP / 2, rows.top(n), rows.top(n) + rows.deep - FOOT
        add(root, "path", d=f"M{number(x)} {number(top + TOP - 22)}V{number(foot + 18)}", stroke=QUIET, stroke_width=1)
        end = places[sittings[k + 1][0]] if k + 1 < len(sittings) else len(steps)
        room = min(end - n, rows.long - n % rows.long)
        if room * STEP > len(words) * 6.2:
            add(root, "text", words, x=x + 5, y=foot + 12, font_size=12, fill=INK)


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
) -> Element:
    link = add(root, "a", href=f"{to}?step={step.id}")
    add(link, "title", f"{number_of}. {step.title}{', done' if done else ''}")
    size = CURRENT if current else KNOT
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
    return link


def _numbered(knot: Element, rows: _Rows, steps: Sequence[Operation], k: int, *, current: bool) -> None:
    """A step's number above its knot, beside the stitch that comes or goes there; below, where both do."""
    x, y = rows.x(k), rows.y(k, steps[k].bench)
    size, weight = (CURRENT, 700) if current else (KNOT, 400)
    comes, goes = (
        0 <= n < len(steps) and rows.top(n) == rows.top(k) and rows.y(n, steps[n].bench) < y for n in (k - 1, k + 1)
    )
    match comes, goes:
        case True, True:
            y, anchor = y + size + 15, "middle"
        case True, False:
            x, y, anchor = x + 1, y - size - 7, "start"
        case False, True:
            x, y, anchor = x - 1, y - size - 7, "end"
        case _:
            y, anchor = y - size - 7, "middle"
    halo(knot, x, y, str(k + 1), 12.5, fill=INK, text_anchor=anchor, font_weight=weight)
